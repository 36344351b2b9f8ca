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

    /// <summary>This circuit under those words.</summary>
    public ImmutableArray<DescriptionPin> Descriptions { get; init; } = [];

    /// <summary>This circuit's breaker of that line.</summary>
    public ImmutableArray<FamilyPin> Families { get; init; } = [];

    /// <summary>These two circuits in one cable, or apart.</summary>
    public ImmutableArray<TogetherPin> Together { get; init; } = [];

    /// <summary>This run by that way.</summary>
    public ImmutableArray<WayPin> Ways { get; init; } = [];

    /// <summary>The places that a run is held by, from the first end of its id; none where it is free.</summary>
    public ImmutableArray<Point> HeldBy(RunId run) => Ways.FirstOrDefault(p => p.Run.IsMeantFor(run)) is not { } pin ? []
        : pin.From(run.One);
}

/// <summary>A box held on a circuit.</summary>
public sealed record BoxPin(BoxId Box, CircuitKey Circuit);

/// <summary>A circuit held in a space (the upper one of two poles), or in half of one.</summary>
public sealed record SpacePin(CircuitKey Circuit, PanelSpace Space);

/// <summary>A breaker's rating held.</summary>
public sealed record BreakerPin(CircuitKey Circuit, Amps Rating);

/// <summary>A conductor size held.</summary>
public sealed record CablePin(CircuitKey Circuit, Gauge Gauge);

/// <summary>Two circuits that are brought to one place in the way that a person chose, whatever the school says.</summary>
/// <param name="One">The one.</param>
/// <param name="Other">The other, of the same panel; both of one pole.</param>
/// <param name="As">One cable with a shared neutral, one with two neutrals, or each its own.</param>
public sealed record TogetherPin(CircuitKey One, CircuitKey Other, TwoCircuits As)
{
    /// <summary>True when a circuit is one of the two.</summary>
    public bool Has(CircuitKey circuit) => One == circuit || Other == circuit;
}

/// <summary>The panel that feeds a circuit, held.</summary>
public sealed record PanelPin(CircuitKey Circuit, PanelId Panel);

/// <summary>The way of a run, held.</summary>
/// <param name="Run">The run.</param>
/// <param name="Via">1 to 12 places on the plan of its building that the cable passes in order from its first end, in the floor or the
/// ceiling.</param>
public sealed record WayPin(RunId Run, ImmutableArray<Point> Via)
{
    /// <summary>The places in order from one end.</summary>
    public ImmutableArray<Point> From(string end) => end == Run.One ? Via : [.. Via.Reverse()];
}

/// <summary>The words beside a breaker, held.</summary>
/// <param name="Circuit">The circuit.</param>
/// <param name="Text">1 to 112 characters.</param>
/// <param name="Instead">What the planner wrote when they were held: once it would write something else, the circuit has changed under
/// them.</param>
public sealed record DescriptionPin(CircuitKey Circuit, string Text, string Instead)
{
    /// <summary>Longest description: two lines of a door's schedule.</summary>
    public const int Longest = 112;
}

/// <summary>The line of breakers that a circuit's breaker is of.</summary>
/// <param name="Circuit">The circuit.</param>
/// <param name="Family">As it is marked, 1 to 30 characters.</param>
public sealed record FamilyPin(CircuitKey Circuit, string Family);

/// <summary>A space whose number is written.</summary>
/// <param name="Circuit">The circuit.</param>
/// <param name="Panel">The panel.</param>
/// <param name="Space">The upper space of its breaker.</param>
public sealed record WrittenSpace(CircuitKey Circuit, PanelId Panel, PanelSpace Space);
