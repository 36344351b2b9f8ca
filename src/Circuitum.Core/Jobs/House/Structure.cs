using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>A building.</summary>
public sealed record Structure
{
    /// <summary>Stable id.</summary>
    public required StructureId Id { get; init; }

    /// <summary>Main house, greenhouse.</summary>
    public required string Name { get; init; }

    /// <summary>Where its plan reference lies on the site.</summary>
    public required Point Origin { get; init; }

    /// <summary>True for an outbuilding that is no part of the dwelling's floor area.</summary>
    public bool Accessory { get; init; }

    /// <summary>True when something in it burns fuel: carbon monoxide alarms are then owed (R315.2.1).</summary>
    public bool FuelBurning { get; init; }

    /// <summary>What the lowest level stands on.</summary>
    public required Underfloor Underfloor { get; init; }

    /// <summary>True when the space under the lowest floor is damp: cable of the house is then not for it (334.12(B)(4)).</summary>
    public bool DampUnderfloor { get; init; }

    /// <summary>Storeys from the lowest up.</summary>
    public required ImmutableArray<Level> Levels { get; init; }
}

/// <summary>What is under the lowest floor.</summary>
public enum Underfloor
{
    /// <summary>Concrete on grade: no cable passes below.</summary>
    Slab,

    /// <summary>A crawl space with joists.</summary>
    CrawlSpace,

    /// <summary>An unfinished basement that is not drawn as a level: its ceiling joists carry cable as a crawl space's do.</summary>
    Basement,
}

/// <summary>A storey.</summary>
public sealed record Level
{
    /// <summary>Stable id.</summary>
    public required LevelId Id { get; init; }

    /// <summary>Ground, upper.</summary>
    public required string Name { get; init; }

    /// <summary>Floor to ceiling, 6 to 20 ft.</summary>
    public required Length CeilingHeight { get; init; }

    /// <summary>Joists of the floor below this level; null on a slab.</summary>
    public Joists? FloorJoists { get; init; }

    /// <summary>Joists of the ceiling above this level. Between storeys they carry the next floor.</summary>
    public required Joists CeilingJoists { get; init; }

    /// <summary>Ambient of what is above the ceiling: an attic in summer, or the rooms' own.</summary>
    public Celsius AmbientAbove { get; init; } = new(30);

    /// <summary>Ambient of what is below the floor of the lowest level.</summary>
    public Celsius AmbientBelow { get; init; } = new(30);

    /// <summary>It lies below grade, whatever its rooms are used for (210.8(A)(5)); null where its rooms' uses say it: one that has a
    /// basement's room.</summary>
    public bool? Basement { get; init; }

    /// <summary>Its unfinished rooms can never be finished: then they are not in the floor area (220.12, 220.11, 220.5(C)). The strict
    /// reading is that they can.</summary>
    public bool NeverFinished { get; init; }

    /// <summary>True when an attic is above, not another storey.</summary>
    public bool AtticAbove { get; init; }

    /// <summary>The way cable takes to what stands on this storey; as the crew goes elsewhere when null.</summary>
    public CableWay? Way { get; init; }

    /// <summary>Rooms.</summary>
    public required ImmutableArray<Room> Rooms { get; init; }

    /// <summary>What no cable may cross in the ceiling above.</summary>
    public ImmutableArray<Obstruction> Obstructions { get; init; } = [];

    /// <summary>Stretches of wall kept for other trades.</summary>
    public ImmutableArray<Reservation> Reservations { get; init; } = [];

    /// <summary>Spare ways left open for later.</summary>
    public ImmutableArray<Chase> Chases { get; init; } = [];

    /// <summary>A drawing laid under the plan to trace over; null when there is none.</summary>
    public Underlay? Underlay { get; init; }
}

/// <summary>Stud bays that another trade needs: a drain, a duct, blocking.</summary>
public sealed record Reservation
{
    /// <summary>Stable id.</summary>
    public required Id<Reservation> Id { get; init; }

    /// <summary>What they are kept for, at most 40 characters.</summary>
    public required string For { get; init; }

    /// <summary>A room on the wall.</summary>
    public required RoomId Room { get; init; }

    /// <summary>Wall number of that room, from 1.</summary>
    public required int Wall { get; init; }

    /// <summary>Inside corner at the wall's start to where they begin.</summary>
    public required Length Offset { get; init; }

    /// <summary>Along the wall, 1 in to 20 ft.</summary>
    public required Length Width { get; init; }
}

/// <summary>An empty way through the plates, kept open: after board it is often the last chance.</summary>
public sealed record Chase
{
    /// <summary>Stable id.</summary>
    public required Id<Chase> Id { get; init; }

    /// <summary>What it is for, at most 40 characters.</summary>
    public required string For { get; init; }

    /// <summary>A room on the wall.</summary>
    public required RoomId Room { get; init; }

    /// <summary>Wall number of that room, from 1.</summary>
    public required int Wall { get; init; }

    /// <summary>Inside corner at the wall's start to its centre.</summary>
    public required Length Offset { get; init; }

    /// <summary>True when a pull cord hangs in it.</summary>
    public bool Cord { get; init; } = true;
}

/// <summary>A drawing under the plan, kept beside the job and named by what is in it.</summary>
/// <param name="Drawing">Its fingerprint: 64 hexadecimal digits.</param>
/// <param name="Name">File it came from, at most 60 characters.</param>
/// <param name="Corner">Where the drawing's north-west corner lies on the plan.</param>
/// <param name="Width">East to west as it lies on the plan, 1 ft to 1000 ft.</param>
/// <param name="Depth">North to south as it lies on the plan, 1 ft to 1000 ft.</param>
public sealed record Underlay(string Drawing, string Name, Point Corner, Length Width, Length Depth);

/// <summary>Joists of one floor or ceiling.</summary>
/// <param name="Run">The way they run; a cable along them is free, across them it needs holes.</param>
/// <param name="Spacing">On center, 8 to 48 in.</param>
/// <param name="Depth">3 to 24 in.</param>
public sealed record Joists(JoistRun Run, Length Spacing, Length Depth)
{
    /// <summary>What they are: it decides whether they may be bored.</summary>
    public JoistKind Kind { get; init; }
}

/// <summary>Kinds of joists.</summary>
public enum JoistKind
{
    /// <summary>Of sawn timber: bored in the middle, a third of the depth at most, 2 in from the edges (R502.8.1).</summary>
    Sawn,

    /// <summary>With a web of board between flanges: the web by its knock-outs or the maker's chart, a flange never (R502.8.2).</summary>
    IJoist,

    /// <summary>Trusses with an open web: cable is threaded through, nothing is bored (R502.8.2).</summary>
    OpenWeb,

    /// <summary>Bottom chords of roof trusses: never bored (R802.10.4); cable lies on running boards over them (320.23).</summary>
    RoofTruss,
}

/// <summary>Direction of joists.</summary>
public enum JoistRun
{
    /// <summary>Along X.</summary>
    EastWest,

    /// <summary>Along Y.</summary>
    NorthSouth,
}

/// <summary>What is overhead beside rooms: a beam, shaft, chimney or stair opening, a rectangle on the level's plan that cable goes around;
/// or the roof between two wings, in which it goes where no room is.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="Corner">North-west corner.</param>
/// <param name="Width">East to west.</param>
/// <param name="Depth">North to south.</param>
public sealed record Obstruction(string Name, ObstructionKind Kind, Point Corner, Length Width, Length Depth);

/// <summary>Kinds of obstruction.</summary>
public enum ObstructionKind
{
    /// <summary>A beam in the floor.</summary>
    Beam,

    /// <summary>A duct or pipe shaft.</summary>
    Shaft,

    /// <summary>A chimney or flue.</summary>
    Chimney,

    /// <summary>The hole a stair needs.</summary>
    StairOpening,

    /// <summary>A duct in the joist bays.</summary>
    Duct,

    /// <summary>The joist bays over a plumbing wall, taken by drains and vents.</summary>
    PlumbingWall,

    /// <summary>The roof of a breezeway, closed below: cable goes through it from wing to wing.</summary>
    Breezeway,

    /// <summary>A roof that is open below, over a passage or a porch: cable goes through it as in a damp place.</summary>
    OpenRoof,
}

/// <summary>What an obstruction does to cable.</summary>
public static class Obstructions
{
    /// <summary>Cable goes through it, not around.</summary>
    public static bool IsRoof(this ObstructionKind kind) => kind is ObstructionKind.Breezeway or ObstructionKind.OpenRoof;
}
