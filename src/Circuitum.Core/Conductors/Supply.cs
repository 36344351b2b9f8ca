using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Conductors;

/// <summary>Takes what feeders lose off the volts of the circuits behind them.</summary>
internal static class Supply
{
    /// <summary>The same circuits, each starting from the volts at its panel.</summary>
    public static ImmutableArray<SizedCircuit> Behind(ImmutableArray<SizedCircuit> circuits)
    {
        var feeders = circuits.Where(c => c.Circuit.Kind == CircuitKind.Feeder).ToDictionary(c => c.Circuit.Feeds!.Value);
        return [.. circuits.Select(c => Less(c, LostTo(c.Circuit.Panel, feeders)))];
    }

    // Panels do not feed themselves: JobProblems refuses such a job.
    private static Percent LostTo(PanelId panel, Dictionary<PanelId, SizedCircuit> feeders) =>
        feeders.TryGetValue(panel, out var feeder) ? feeder.Drop.Value + LostTo(feeder.Circuit.Panel, feeders) : new(0);

    private static SizedCircuit Less(SizedCircuit circuit, Percent share)
    {
        if (share.Value == 0)
        {
            return circuit;
        }

        var lost = share * circuit.Circuit.Load.AtOutlets;
        return circuit with
        {
            VoltsAtPanel = circuit.VoltsAtPanel - lost,
            VoltsAt = circuit.VoltsAt.ToImmutableDictionary(v => v.Key, v => v.Value - lost),
        };
    }
}
