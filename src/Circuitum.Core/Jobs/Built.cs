using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>What lay in the house already when the plan was last changed, as the record on site said. The plan keeps to it as it keeps to a
/// pin, but for what a rule or a person asks for against it: that is told as what it costs.</summary>
public sealed record Built
{
    /// <summary>Nothing is there yet.</summary>
    public static Built None { get; } = new();

    /// <summary>Cables that are pulled.</summary>
    public ImmutableArray<BuiltRun> Runs { get; init; } = [];

    /// <summary>Breakers that are landed.</summary>
    public ImmutableArray<LandedSpace> Landed { get; init; } = [];

    /// <summary>The size a run was pulled in; null while it is not.</summary>
    public Gauge? GaugeOf(RunId run) => Runs.FirstOrDefault(r => r.Run == run)?.Gauge;

    /// <summary>The same runs and spaces in the same order.</summary>
    public bool IsSameAs(Built other) => Runs.SequenceEqual(other.Runs) && Landed.SequenceEqual(other.Landed);
}

/// <summary>A cable that is pulled.</summary>
/// <param name="Run">Between which ends, and what for.</param>
/// <param name="Gauge">Its conductors.</param>
public sealed record BuiltRun(RunId Run, Gauge Gauge);

/// <summary>A breaker that is landed.</summary>
/// <param name="Circuit">Its circuit.</param>
/// <param name="Panel">In which panel.</param>
/// <param name="Space">The upper space that it takes.</param>
public sealed record LandedSpace(CircuitKey Circuit, PanelId Panel, PanelSpace Space);
