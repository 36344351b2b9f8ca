using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>What is reduced because not all of it runs at once.</summary>
public enum DemandGroup
{
    /// <summary>Lamps.</summary>
    Lighting,

    /// <summary>Sockets.</summary>
    Sockets,

    /// <summary>Cookers.</summary>
    Cooking,

    /// <summary>Water heaters.</summary>
    Water,

    /// <summary>Cooling.</summary>
    Cooling,

    /// <summary>The rest.</summary>
    Other,
}

/// <summary>The share of a group that runs at once.</summary>
/// <param name="Group">The group; one share of each at most.</param>
/// <param name="Share">Above 0 to 100 %.</param>
public sealed record DemandShare(DemandGroup Group, Percent Share);

/// <summary>How metric boards are fed, and how their conduits lie.</summary>
public sealed record MetricFeed
{
    /// <summary>Coldest and warmest place of a conduit that the method has a factor for.</summary>
    public static (Celsius Least, Celsius Most) Ambients { get; } = (new(10), new(60));

    /// <summary>Most circuits in a conduit that the method has a factor for.</summary>
    public const int MostTogether = 20;

    /// <summary>Fewest and most lamps that a crew may choose for a breaker.</summary>
    public static (int Least, int Most) Lamps { get; } = (4, 60);

    /// <summary>Longest conduit from a board, or to one.</summary>
    public static Length Farthest { get; } = Length.FromMetres(300);

    /// <summary>Three phases are supplied, not one.</summary>
    public bool ThreePhase { get; init; } = true;

    /// <summary>How warm it is where the conduits lie, 10 to 60 °C.</summary>
    public Celsius Ambient { get; init; } = new(40);

    /// <summary>Circuits that share a conduit where most do, 1 to 20.</summary>
    public int Together { get; init; } = 1;

    /// <summary>Most lamps on one breaker, 4 to 60: a breaker that opens leaves the other rooms lit.</summary>
    public int LampsOnCircuit { get; init; } = 24;

    /// <summary>Conduit from the sub-main board to a board, where there are several; above 0 to 300 m.</summary>
    public Length SubMain { get; init; } = Length.FromMetres(5);

    /// <summary>The board stands where it rains or is washed.</summary>
    public bool BoardOutdoors { get; init; }

    /// <summary>The share of what is connected that runs at once, where somebody said; all of it else.</summary>
    public ImmutableArray<DemandShare> Demand { get; init; } = [];

    /// <summary>Local changes to the method's numbers.</summary>
    public ImmutableArray<MetricAmendment> Amendments { get; init; } = [];

    /// <summary>The local change of a number; null where there is none.</summary>
    public MetricAmendment? Amended(MetricNumber number) => Amendments.FirstOrDefault(a => a.Number == number);

    /// <summary>The share of a group that runs at once.</summary>
    public Percent ShareOf(DemandGroup group) => Demand.FirstOrDefault(d => d.Group == group)?.Share ?? new Percent(100);
}
