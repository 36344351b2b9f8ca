using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Proving;

/// <summary>Where a conductor is landed in a panel.</summary>
public enum PanelPlace
{
    /// <summary>Nowhere: it hangs free, capped.</summary>
    Free,

    /// <summary>On the breaker, or on its first pole.</summary>
    Breaker,

    /// <summary>On the second pole of the breaker.</summary>
    SecondPole,

    /// <summary>On the bar for neutrals.</summary>
    NeutralBar,

    /// <summary>On the bar for grounds.</summary>
    GroundBar,
}

/// <summary>Where a lead of an instrument touches.</summary>
public abstract record Probe
{
    private Probe()
    {
    }

    /// <summary>A screw or lead of a device.</summary>
    /// <param name="Box">The box.</param>
    /// <param name="Gang">The device's place in it, from 0.</param>
    /// <param name="Terminal">Which screw.</param>
    public sealed record AtScrew(BoxId Box, int Gang, TerminalKind Terminal) : Probe;

    /// <summary>A conductor of a run where it ends.</summary>
    /// <param name="Box">The box; null for the panel.</param>
    /// <param name="Run">The run.</param>
    /// <param name="Colour">Which of its conductors.</param>
    public sealed record AtEnd(BoxId? Box, RunId Run, ConductorColour Colour) : Probe;

    /// <summary>A bar of a panel.</summary>
    /// <param name="Panel">The panel.</param>
    /// <param name="Ground">The bar for grounds; the one for neutrals else.</param>
    public sealed record AtBar(PanelId Panel, bool Ground) : Probe;
}

/// <summary>What an instrument lets through between its probes.</summary>
/// <param name="One">One lead.</param>
/// <param name="Other">The other.</param>
/// <param name="Ohms">Its own resistance.</param>
public sealed record Probed(Probe One, Probe Other, Ohms Ohms);

/// <summary>How a house stands: what is open, thrown, plugged in and broken. As it is planned, everything is closed and nothing is
/// thrown.</summary>
public sealed record HouseState
{
    /// <summary>As it is planned, all switches off.</summary>
    public static HouseState AsPlanned { get; } = new();

    /// <summary>The switches that light every lamp of some groups: one that is alone is thrown, and sets of three- and four-ways light
    /// theirs with none thrown.</summary>
    public static IEnumerable<SwitchGang> LampsOn(IEnumerable<ControlGroup> groups) =>
        groups.Where(g => g.Switches.Length == 1).Select(g => g.Switches[0]);

    /// <summary>The switches that leave every lamp of some groups dark: a set of three-ways has no off of its own, and is dark with its
    /// first thrown.</summary>
    public static IEnumerable<SwitchGang> LampsOff(IEnumerable<ControlGroup> groups) =>
        groups.Where(g => g.Switches.Length > 1).Select(g => g.Switches[0]);

    /// <summary>Breakers that are open.</summary>
    public ImmutableHashSet<CircuitKey> Open { get; init; } = [];

    /// <summary>Protective receptacles that have opened.</summary>
    public ImmutableHashSet<BoxId> Tripped { get; init; } = [];

    /// <summary>Switches that are thrown.</summary>
    public ImmutableHashSet<SwitchGang> Thrown { get; init; } = [];

    /// <summary>What is plugged in.</summary>
    public ImmutableArray<Plugged> Plugged { get; init; } = [];

    /// <summary>What is not as planned.</summary>
    public ImmutableArray<Fault> Faults { get; init; } = [];

    /// <summary>Boxes that somebody made up by hand: every joint of them, instead of the plan's. What is in no joint hangs free.</summary>
    public ImmutableDictionary<BoxId, ImmutableArray<Joint>> Made { get; init; } = ImmutableDictionary<BoxId, ImmutableArray<Joint>>.Empty;

    /// <summary>Conductors that somebody landed by hand in a panel, instead of where the plan lands them.</summary>
    public ImmutableDictionary<(PanelId Panel, RunId Run, ConductorColour Colour), PanelPlace> Landed { get; init; } =
        ImmutableDictionary<(PanelId Panel, RunId Run, ConductorColour Colour), PanelPlace>.Empty;

    /// <summary>An instrument that lets a current through between its two probes; null for none.</summary>
    public Probed? Probed { get; init; }

    /// <summary>Loads draw the current of their plate whatever their volts, as sums on paper have it; they are resistances else.</summary>
    public bool CurrentsOfPlates { get; init; }

    /// <summary>Every known appliance runs; lamps go by their switches.</summary>
    public bool AppliancesRun { get; init; } = true;
}
