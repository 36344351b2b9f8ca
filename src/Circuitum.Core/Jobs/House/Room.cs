using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>A room as a simple polygon on the wall center lines, square corners.</summary>
public sealed record Room
{
    /// <summary>Stable id.</summary>
    public required RoomId Id { get; init; }

    /// <summary>As it is called on the plan, at most 40 characters.</summary>
    public required string Name { get; init; }

    /// <summary>What the rules take it for.</summary>
    public required RoomUse Use { get; init; }

    /// <summary>Corners in order, clockwise on the plan from the north-west; wall n runs from corner n to the next.</summary>
    public required ImmutableArray<Point> Corners { get; init; }

    /// <summary>Its inside size east to west is kept: what would change it is refused until it is freed.</summary>
    public bool KeepsWidth { get; init; }

    /// <summary>Its inside size north to south is kept.</summary>
    public bool KeepsDepth { get; init; }

    /// <summary>What the door's schedule calls it together with others that say the same: north bedrooms; null where it stands by its own
    /// name. At most 40 characters.</summary>
    public string? Group { get; init; }

    /// <summary>Doors, windows and passages on its walls.</summary>
    public ImmutableArray<Opening> Openings { get; init; } = [];

    /// <summary>What is built in or stands there.</summary>
    public ImmutableArray<Fixture> Fixtures { get; init; } = [];

    /// <summary>Walls that are not framed as usual; the two rooms of a wall may each say it, the first in the job's order
    /// decides.</summary>
    public ImmutableArray<WallBuild> Builds { get; init; } = [];
}

/// <summary>How one wall of a room is built.</summary>
public sealed record WallBuild
{
    /// <summary>Wall number of the room, from 1.</summary>
    public required int Wall { get; init; }

    /// <summary>What it is made of.</summary>
    public required WallFraming Framing { get; init; }

    /// <summary>Studs, furring or vertical chases on centres, 8 to 48 in.</summary>
    public Length Spacing { get; init; } = Length.FromInches(16);

    /// <summary>Heights of the horizontal chases of an insulated panel above the floor; none for other walls.</summary>
    public ImmutableArray<Length> ChaseHeights { get; init; } = [];

    /// <summary>The first upright chase of an insulated panel, from the room's inside corner at the wall's west or north end, 0 to 8 ft;
    /// null where nobody measured, when they are taken from the end of the wall's center line.</summary>
    public Length? FirstChase { get; init; }

    /// <summary>How wide the chases of an insulated panel are, 3/4 to 4 in; 1-1/2 in as usual when null.</summary>
    public Length? ChaseWidth { get; init; }
}

/// <summary>What a wall is made of, board on both faces.</summary>
public enum WallFraming
{
    /// <summary>2×4 wood studs.</summary>
    Wood2x4,

    /// <summary>2×6 wood studs.</summary>
    Wood2x6,

    /// <summary>Metal studs of 3-5/8 in.</summary>
    MetalStud,

    /// <summary>Masonry with furring on the room's side.</summary>
    MasonryFurred,

    /// <summary>Structural insulated panel: cable only in its chases.</summary>
    InsulatedPanel,
}

/// <summary>Uses that the rules tell apart.</summary>
public enum RoomUse
{
    /// <summary>Kitchen.</summary>
    Kitchen,

    /// <summary>Dining room.</summary>
    Dining,

    /// <summary>Pantry.</summary>
    Pantry,

    /// <summary>Family or living room.</summary>
    Family,

    /// <summary>Bedroom.</summary>
    Bedroom,

    /// <summary>Den, library, office.</summary>
    Den,

    /// <summary>Bathroom: a basin with a tub, shower, toilet or the like.</summary>
    Bath,

    /// <summary>Hallway.</summary>
    Hall,

    /// <summary>Stair.</summary>
    Stair,

    /// <summary>Entry, foyer.</summary>
    Entry,

    /// <summary>Mudroom.</summary>
    Mudroom,

    /// <summary>Laundry area.</summary>
    Laundry,

    /// <summary>Clothes closet.</summary>
    Closet,

    /// <summary>Sauna.</summary>
    Sauna,

    /// <summary>Storage or equipment.</summary>
    Utility,

    /// <summary>Garage.</summary>
    Garage,

    /// <summary>Finished basement room.</summary>
    FinishedBasement,

    /// <summary>Unfinished basement.</summary>
    UnfinishedBasement,

    /// <summary>Crawl space.</summary>
    CrawlSpace,

    /// <summary>Greenhouse: damp.</summary>
    Greenhouse,
}

/// <summary>An opening in a wall, measured from the inside corner at the wall's start to the near jamb.</summary>
public sealed record Opening
{
    /// <summary>Stable id.</summary>
    public required Id<Opening> Id { get; init; }

    /// <summary>Kind.</summary>
    public required OpeningKind Kind { get; init; }

    /// <summary>Wall number of the room, from 1.</summary>
    public required int Wall { get; init; }

    /// <summary>Inside corner to near jamb.</summary>
    public required Length Offset { get; init; }

    /// <summary>Clear width, 1 to 20 ft.</summary>
    public required Length Width { get; init; }

    /// <summary>Floor to the bottom of a window.</summary>
    public Length Sill { get; init; } = Length.FromInches(36);

    /// <summary>Which jamb carries the hinges, seen along the wall.</summary>
    public Hinge Hinge { get; init; }

    /// <summary>True when the leaf swings away from this room.</summary>
    public bool SwingsOut { get; init; }

    /// <summary>A door or a slider to the outside leads onto a balcony, deck or porch; where nothing is said one above grade does, since it
    /// leads somewhere, and one at grade does not.</summary>
    public bool? Deck { get; init; }
}

/// <summary>Kinds of opening.</summary>
public enum OpeningKind
{
    /// <summary>Hinged door.</summary>
    Door,

    /// <summary>Cased opening without a leaf.</summary>
    Cased,

    /// <summary>Window.</summary>
    Window,

    /// <summary>Sliding door.</summary>
    Slider,

    /// <summary>Garage door.</summary>
    GarageDoor,
}

/// <summary>Hinge side.</summary>
public enum Hinge
{
    /// <summary>At the wall's start.</summary>
    Start,

    /// <summary>At the wall's end.</summary>
    End,
}

/// <summary>Something built in or standing: on a wall at an offset, or free at X and Y from the room's north-west inside corner.</summary>
public sealed record Fixture
{
    /// <summary>Kind.</summary>
    public required FixtureKind Kind { get; init; }

    /// <summary>Wall number, from 1; null when it stands free.</summary>
    public int? Wall { get; init; }

    /// <summary>Inside corner to its near end, along the wall.</summary>
    public Length Offset { get; init; }

    /// <summary>East of the room's north-west inside corner, when free.</summary>
    public Length X { get; init; }

    /// <summary>South of the room's north-west inside corner, when free.</summary>
    public Length Y { get; init; }

    /// <summary>Along the wall, or east to west.</summary>
    public required Length Width { get; init; }

    /// <summary>Out from the wall, or north to south.</summary>
    public required Length Depth { get; init; }

    /// <summary>A fireplace that burns no fuel. One that is not said to is taken to burn: it asks for carbon monoxide alarms
    /// (R315.2).</summary>
    public bool Electric { get; init; }

    /// <summary>A range, dryer or heater that burns fuel: no outlet is asked for it, and it asks for carbon monoxide alarms
    /// (R315.2).</summary>
    public bool BurnsFuel { get; init; }
}

/// <summary>Kinds of fixture.</summary>
public enum FixtureKind
{
    /// <summary>Counter with cabinets under it.</summary>
    Counter,

    /// <summary>Kitchen island.</summary>
    Island,

    /// <summary>Full-height cabinet.</summary>
    Cabinet,

    /// <summary>Sink.</summary>
    Sink,

    /// <summary>Range.</summary>
    Range,

    /// <summary>Refrigerator.</summary>
    Refrigerator,

    /// <summary>Dishwasher.</summary>
    Dishwasher,

    /// <summary>Washer.</summary>
    Washer,

    /// <summary>Dryer.</summary>
    Dryer,

    /// <summary>Bathtub.</summary>
    Tub,

    /// <summary>Shower.</summary>
    Shower,

    /// <summary>Vanity with a basin.</summary>
    Vanity,

    /// <summary>Toilet.</summary>
    Toilet,

    /// <summary>Bed.</summary>
    Bed,

    /// <summary>Desk or table.</summary>
    Table,

    /// <summary>Bench.</summary>
    Bench,

    /// <summary>Closet shelf and rod.</summary>
    Shelf,

    /// <summary>Stair flight.</summary>
    Stair,

    /// <summary>Storage water heater.</summary>
    WaterHeater,

    /// <summary>Sauna heater.</summary>
    SaunaHeater,

    /// <summary>Sofa.</summary>
    Sofa,

    /// <summary>Fireplace.</summary>
    Fireplace,

    /// <summary>Furnace or air handler.</summary>
    AirHandler,

    /// <summary>Counter that stands out from a wall or another counter by one end.</summary>
    Peninsula,

    /// <summary>Scuttle hole to the attic above, without a ladder.</summary>
    AtticHatch,

    /// <summary>Stair or ladder to the attic above, fixed or folded.</summary>
    AtticLadder,
}
