using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Proving;

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

    /// <summary>Loads draw the current of their plate whatever their volts, as sums on paper have it; they are resistances else.</summary>
    public bool CurrentsOfPlates { get; init; }

    /// <summary>Every known appliance runs; lamps go by their switches.</summary>
    public bool AppliancesRun { get; init; } = true;
}
