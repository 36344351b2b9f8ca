using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>Choices of a person that the planner respects; one that breaks a rule is kept and red-tagged.</summary>
public sealed record Pins
{
    /// <summary>This box on that circuit.</summary>
    public ImmutableArray<BoxPin> Boxes { get; init; } = [];

    /// <summary>This circuit's breaker in that space.</summary>
    public ImmutableArray<SpacePin> Spaces { get; init; } = [];

    /// <summary>This rating on that circuit.</summary>
    public ImmutableArray<BreakerPin> Breakers { get; init; } = [];

    /// <summary>This conductor on that circuit.</summary>
    public ImmutableArray<CablePin> Cables { get; init; } = [];

    /// <summary>Boxes that have an individual circuit because a person wants it.</summary>
    public ImmutableArray<BoxId> Individual { get; init; } = [];

    /// <summary>This circuit from that panel.</summary>
    public ImmutableArray<PanelPin> Panels { get; init; } = [];

    /// <summary>This run by that way.</summary>
    public ImmutableArray<WayPin> Ways { get; init; } = [];
}

/// <summary>A box held on a circuit.</summary>
public sealed record BoxPin(BoxId Box, CircuitKey Circuit);

/// <summary>A circuit held in a space (the upper one of two poles).</summary>
public sealed record SpacePin(CircuitKey Circuit, int Space);

/// <summary>A breaker's rating held.</summary>
public sealed record BreakerPin(CircuitKey Circuit, Amps Rating);

/// <summary>A conductor size held.</summary>
public sealed record CablePin(CircuitKey Circuit, Gauge Gauge);

/// <summary>The panel that feeds a circuit, held.</summary>
public sealed record PanelPin(CircuitKey Circuit, PanelId Panel);

/// <summary>The way of a run, held.</summary>
/// <param name="Run">The run's id; it stays while the run's ends stay on the circuit.</param>
/// <param name="Via">1 to 12 places on the plan of its building that the cable passes in order, in the floor or the ceiling.</param>
public sealed record WayPin(string Run, ImmutableArray<Point> Via);
