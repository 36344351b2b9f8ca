using System.Collections.Immutable;
using Circuitum.Core.Rules.Gulf;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>Circuits of one board over its phases.</summary>
internal static class Sharing
{
    /// <summary>A phase for each circuit, 1 to 3 and 0 for all three, and what they bring.</summary>
    public static (ImmutableArray<int> Phases, PhaseLoads Loads) Over(IReadOnlyList<RatedCircuit> circuits, BoardBrief brief)
    {
        if (!brief.Fed.ThreePhase)
        {
            return ([.. circuits.Select(_ => 1)], Loads(circuits, [.. circuits.Select(_ => 1)], brief, proven: true));
        }

        var single = circuits.Select((c, i) => (c, i)).Where(c => !c.c.Circuit.ThreePhase).ToList();
        var shared = PhaseBalance.Over(single.ConvertAll(s => (int)decimal.Round(Running(s.c, brief).Value)));
        var phases = new int[circuits.Count];
        for (var i = 0; i < single.Count; i++)
        {
            phases[single[i].i] = shared.Phases[i] + 1;
        }

        return ([.. phases], Loads(circuits, phases, brief, shared.Proven));
    }

    /// <summary>What circuits on these phases bring.</summary>
    public static PhaseLoads Loads(IReadOnlyList<RatedCircuit> circuits, IReadOnlyList<int> phases, BoardBrief brief, bool proven)
    {
        ImmutableArray<Watts> On(Func<RatedCircuit, Watts> load) =>
            [.. Enumerable.Range(1, brief.Fed.ThreePhase ? 3 : 1).Select(p => circuits.Select((c, i) => phases[i] == p ? load(c)
                : phases[i] == 0 ? load(c) * (1 / 3m) : new Watts(0)).Total())];
        return Of(On(c => c.Circuit.Watts), On(c => Running(c, brief)), proven);
    }

    /// <summary>Boards whose phases are named so that together, each L1 on L1, they differ least: the first as it is, each of the others
    /// turned beside those before it.</summary>
    public static ImmutableArray<(ImmutableArray<int> Phases, PhaseLoads Loads)> Turned(
        ImmutableArray<(ImmutableArray<int> Phases, PhaseLoads Loads)> boards)
    {
        var turned = ImmutableArray.Create(boards[0]);
        foreach (var (phases, loads) in boards.Skip(1))
        {
            var before = Together([.. turned.Select(t => t.Loads)]).Running;
            var turn = Turns(before.Length).MinBy(t => Spread(before, Each(loads.Running, t)))!;
            turned = turned.Add(([.. phases.Select(p => p == 0 ? 0 : Array.IndexOf(turn, p - 1) + 1)],
                Of(Each(loads.Connected, turn), Each(loads.Running, turn), loads.Proven)));
        }

        return turned;
    }

    /// <summary>Loads of boards together, each L1 on L1.</summary>
    public static PhaseLoads Together(ImmutableArray<PhaseLoads> boards)
    {
        ImmutableArray<Watts> Sum(Func<PhaseLoads, ImmutableArray<Watts>> of) =>
            [.. Enumerable.Range(0, of(boards[0]).Length).Select(i => boards.Select(b => of(b)[i]).Total())];
        return Of(Sum(b => b.Connected), Sum(b => b.Running), proven: false);
    }

    private static ImmutableArray<Watts> Each(ImmutableArray<Watts> phases, int[] turn) => [.. turn.Select(i => phases[i])];

    /// <summary>What a circuit brings while everything runs that runs at once.</summary>
    public static Watts Running(RatedCircuit circuit, BoardBrief brief) =>
        circuit.Circuit.Watts * (brief.Fed.ShareOf(circuit.Circuit.Group).Value / 100);

    private static decimal Spread(ImmutableArray<Watts> a, ImmutableArray<Watts> b) =>
        a.Select((w, i) => w.Value + b[i].Value).ToList() is var sums ? sums.Max() - sums.Min() : 0;

    private static IEnumerable<int[]> Turns(int phases) => phases == 1 ? [[0]]
        : [[0, 1, 2], [0, 2, 1], [1, 0, 2], [1, 2, 0], [2, 0, 1], [2, 1, 0]];

    // The three currents stand a third of a turn apart: what does not cancel comes back in the neutral.
    private static PhaseLoads Of(ImmutableArray<Watts> connected, ImmutableArray<Watts> running, bool proven)
    {
        var amps = running.Select(w => (w / MetricRules.ToNeutral).Value).ToArray();
        var square = amps.Length == 1 ? amps[0] * amps[0]
            : (amps[0] * amps[0]) + (amps[1] * amps[1]) + (amps[2] * amps[2])
                - (amps[0] * amps[1]) - (amps[1] * amps[2]) - (amps[2] * amps[0]);
        return new(connected, running, new((decimal)Math.Sqrt((double)Math.Max(0, square))), proven);
    }
}
