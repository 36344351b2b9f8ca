using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Proving;

/// <summary>Circuits in one state, solved: what a meter would read between any two screws, and a clamp around any conductor.</summary>
public sealed class Energy
{
    private readonly Network network;
    private readonly double[] volts;
    private readonly Func<BoxId, int, TerminalKind, int?> screwAt;
    private readonly Func<Probe, int?> leadAt;
    private readonly Dictionary<(BoxId? Box, RunId Run, ConductorColour Colour), int> ends;
    private readonly Dictionary<(RunId Run, ConductorColour Colour), int> conductors;
    private readonly Dictionary<CircuitKey, ImmutableArray<int>> poles;
    private readonly Dictionary<CircuitKey, int> neutrals;
    private readonly Dictionary<BoxId, (int Hot, int Neutral)> sensors;

    internal Energy(Network network, double[] volts, Func<BoxId, int, TerminalKind, int?> screwAt, Func<Probe, int?> leadAt,
        Dictionary<(BoxId? Box, RunId Run, ConductorColour Colour), int> ends, Dictionary<(RunId Run, ConductorColour Colour),
            int> conductors, Dictionary<CircuitKey, ImmutableArray<int>> poles,
        Dictionary<CircuitKey, int> neutrals, Dictionary<BoxId, (int Hot, int Neutral)> sensors, ImmutableArray<CircuitKey> circuits)
    {
        (this.network, this.volts, this.screwAt, this.leadAt, this.ends, this.conductors) = (network, volts, screwAt, leadAt, ends,
            conductors);
        (this.poles, this.neutrals, this.sensors, Circuits) = (poles, neutrals, sensors, circuits);
    }

    /// <summary>The circuits that were solved.</summary>
    public ImmutableArray<CircuitKey> Circuits { get; }

    /// <summary>The network with the volts of its nodes, for whoever holds it against the laws.</summary>
    internal (Network Network, double[] Volts) Solved => (network, volts);

    /// <summary>Volts between two screws of a device as a meter shows them, never below zero; the face of a protective receptacle is on its
    /// load side. Nothing on a screw reads as floating.</summary>
    public Volts Between(BoxId box, int gang, TerminalKind one, TerminalKind other) =>
        new((decimal)Math.Abs(At(box, gang, one) - At(box, gang, other)));

    /// <summary>Volts between two conductors of a run at one of its ends, as a meter shows them on the ends in the open box; never below
    /// zero.</summary>
    /// <param name="box">The box; null for the panel.</param>
    /// <param name="run">A run that ends there.</param>
    /// <param name="one">One conductor.</param>
    /// <param name="other">The other.</param>
    public Volts Ends(BoxId? box, RunId run, ConductorColour one, ConductorColour other) =>
        ends.TryGetValue((box, run, one), out var a) && ends.TryGetValue((box, run, other), out var b)
            ? new((decimal)Math.Abs(volts[a] - volts[b])) : new(0);

    /// <summary>Volts between a screw and the neutral of the service, which is the earth's; never below zero. What hangs free has
    /// none.</summary>
    public Volts ToEarth(BoxId box, int gang, TerminalKind kind) => new((decimal)Math.Abs(At(box, gang, kind)));

    /// <summary>Volts between what two leads touch, never below zero; null where one of them is not among the circuits.</summary>
    public Volts? Between(Probe one, Probe other) => At(one) is double a && At(other) is double b ? new((decimal)Math.Abs(a - b)) : null;

    /// <summary>Volts between what a lead touches and the earth; null where it is not among the circuits.</summary>
    public Volts? ToEarth(Probe probe) => At(probe) is double at ? new((decimal)Math.Abs(at)) : null;

    /// <summary>Current in a conductor of a run, never below zero; nothing where it is parted.</summary>
    public Amps Through(RunId run, ConductorColour colour) => new((decimal)Math.Abs(Signed(run, colour)));

    /// <summary>What a clamp around the whole cable reads: what goes out and does not come back by it.</summary>
    public Amps Around(RunId run) => new((decimal)Math.Abs(conductors.Where(c => c.Key.Run == run).Sum(c => Signed(run, c.Key.Colour))));

    /// <summary>Current through a circuit's breaker, the larger of its poles.</summary>
    public Amps AtBreaker(CircuitKey circuit) =>
        new((decimal)poles.GetValueOrDefault(circuit, []).Select(p => Math.Abs(network.Through(p, volts))).DefaultIfEmpty().Max());

    /// <summary>What leaves by a circuit's breaker and does not come back by its neutral.</summary>
    public Amps LostAtBreaker(CircuitKey circuit) => new((decimal)Math.Abs(
        poles.GetValueOrDefault(circuit, []).Sum(p => network.Through(p, volts))
        - (neutrals.TryGetValue(circuit, out var neutral) ? network.Through(neutral, volts) : 0)));

    /// <summary>What leaves by a protective receptacle's contacts and does not come back by them; null where there is none, or where it has
    /// opened.</summary>
    public Amps? LostAt(BoxId box) => sensors.TryGetValue(box, out var sensor) && sensor.Hot >= 0
        ? new((decimal)Math.Abs(network.Through(sensor.Hot, volts) + network.Through(sensor.Neutral, volts))) : null;

    /// <summary>Protective receptacles that are closed.</summary>
    public IEnumerable<BoxId> Closed => sensors.Where(s => s.Value.Hot >= 0).Select(s => s.Key);

    private double Signed(RunId run, ConductorColour colour) =>
        conductors.TryGetValue((run, colour), out var element) ? network.Through(element, volts) : 0;

    private double? At(Probe probe) => leadAt(probe) is int node ? volts[node] : null;

    private double At(BoxId box, int gang, TerminalKind kind) => screwAt(box, gang, kind) is int node ? volts[node] : 0;
}
