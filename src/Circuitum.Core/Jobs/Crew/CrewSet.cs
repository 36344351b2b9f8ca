namespace Circuitum.Core.Jobs;

/// <summary>A crew's schools and numbers together, kept as a set from job to job.</summary>
public sealed record CrewSet
{
    /// <summary>How the crew works.</summary>
    public Schools Schools { get; init; } = new();

    /// <summary>Its numbers.</summary>
    public HouseRules HouseRules { get; init; } = new();

    /// <summary>What it weighs a division by.</summary>
    public Aims Aims { get; init; } = new();

    /// <summary>What it pays for protection.</summary>
    public DevicePrices Prices { get; init; } = new();

    /// <summary>What it looks at before a closing beside what the plan asks for.</summary>
    public System.Collections.Immutable.ImmutableArray<CrewLine> CrewLines { get; init; } = [];
}
