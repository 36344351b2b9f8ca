using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>The figures of a dwelling's load that is reckoned from its floor area: so much for the first part of it and so much for each
/// further part begun, with what stands out beside it.</summary>
public sealed record BasicLoad
{
    /// <summary>The first part of the floor area, square meters.</summary>
    public required int FirstArea { get; init; }

    /// <summary>What the first part brings.</summary>
    public required VoltAmps First { get; init; }

    /// <summary>Each further part, square meters; one that is begun counts as one.</summary>
    public required int FurtherArea { get; init; }

    /// <summary>What each further part brings.</summary>
    public required VoltAmps Further { get; init; }

    /// <summary>The share of a basement that counts.</summary>
    public required Percent Basement { get; init; }

    /// <summary>Electric heat counts whole to this.</summary>
    public required VoltAmps HeatWhole { get; init; }

    /// <summary>And with this share beyond.</summary>
    public required Percent HeatBeyond { get; init; }

    /// <summary>A range counts with this.</summary>
    public required VoltAmps Range { get; init; }

    /// <summary>Up to this rating.</summary>
    public required VoltAmps RangeTo { get; init; }

    /// <summary>And with this share of what it has beyond.</summary>
    public required Percent RangeBeyond { get; init; }

    /// <summary>Other loads count apart when they are larger than this.</summary>
    public required VoltAmps Small { get; init; }

    /// <summary>The share of those.</summary>
    public required Percent Others { get; init; }

    /// <summary>Without a range they count whole together to this.</summary>
    public required VoltAmps OthersWhole { get; init; }

    /// <summary>From this floor area on, square meters, the larger least load holds.</summary>
    public required int LargeFrom { get; init; }

    /// <summary>The least load from that area on.</summary>
    public required VoltAmps LeastLarge { get; init; }

    /// <summary>The least load below it.</summary>
    public required VoltAmps LeastSmall { get; init; }
}
