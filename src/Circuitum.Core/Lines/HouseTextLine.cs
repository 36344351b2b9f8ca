using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Lines;

/// <summary>One line of a house's text, taken apart. What belongs to a room is told apart by its dash.</summary>
internal abstract record HouseTextLine
{
    /// <summary>A building with its facts.</summary>
    public sealed record Building(string Called, Point Origin, Underfloor Underfloor, bool Damp, bool Apart, bool BurnsFuel)
        : HouseTextLine;

    /// <summary>A storey; its id and rooms are not said.</summary>
    public sealed record Storey(Level Facts) : HouseTextLine;

    /// <summary>What cable goes around.</summary>
    public sealed record Over(Obstruction Obstruction) : HouseTextLine;

    /// <summary>A room with its outline.</summary>
    public sealed record Outline(string Called, RoomUse Use, ImmutableArray<Point> Corners) : HouseTextLine
    {
        /// <summary>Its size east to west is kept.</summary>
        public bool KeepsWidth { get; init; }

        /// <summary>Its size north to south is kept.</summary>
        public bool KeepsDepth { get; init; }
    }

    /// <summary>A path in the ground between two buildings by their names.</summary>
    public sealed record Dug(string From, string To, ImmutableArray<Point> Path, Length Depth, Length? DataPipe, bool UnderDrive)
        : HouseTextLine;

    /// <summary>How one wall of the room above is built.</summary>
    public sealed record Built(string On, WallBuild Build) : HouseTextLine;

    /// <summary>An opening; its wall and its place from the wall's west or north end.</summary>
    public sealed record Cut(string On, Length At, Opening Opening, string Hinged) : HouseTextLine;

    /// <summary>A thing on a wall, from its west or north end; or free, by its own X and Y.</summary>
    public sealed record Thing(string? On, Length At, Fixture Fixture) : HouseTextLine;

    /// <summary>Bays kept for another trade.</summary>
    public sealed record Kept(string On, Length At, Length Width, string For) : HouseTextLine;

    /// <summary>A way left open.</summary>
    public sealed record Spare(string On, Length At, string For, bool Cord) : HouseTextLine;

    /// <summary>A panel on a wall.</summary>
    public sealed record Board(string Id, Amps Rating, int Spaces, string On, Length At, Length? Top, string? FedFrom, bool ByLugs,
        bool Existing) : HouseTextLine;

    /// <summary>A line that is said, as in the field over the plan.</summary>
    public sealed record Spoke(string Line) : HouseTextLine;
}
