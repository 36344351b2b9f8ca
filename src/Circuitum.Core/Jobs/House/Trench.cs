using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>A path in the ground between two buildings, in site coordinates. Everything that goes from one to the other lies in
/// it.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="From">Building with the feeding panel.</param>
/// <param name="To">Building fed.</param>
/// <param name="Path">From wall to wall, 2 to 40 points.</param>
/// <param name="Depth">Cover, 6 to 48 in (300.5).</param>
public sealed record Trench(Id<Trench> Id, StructureId From, StructureId To, ImmutableArray<Point> Path, Length Depth)
{
    /// <summary>Corners that one trench may have, its two ends among them.</summary>
    public const int MostPoints = 40;

    /// <summary>It lies between these two buildings.</summary>
    public bool Joins(StructureId one, StructureId other) => (From == one && To == other) || (From == other && To == one);

    /// <summary>Earth between the power and a second pipe for data in the same trench, 0 to 48 in; null without one.</summary>
    public Length? DataPipe { get; init; }

    /// <summary>True when part of it lies under the dwelling's driveway.</summary>
    public bool UnderDrive { get; init; }
}
