using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Conductors;

/// <summary>Sums current and voltage along the runs of a circuit.</summary>
internal static class Drops
{
    /// <summary>Fills in the current through each run, the volts left at each box and the worst drop.</summary>
    public static SizedCircuit Measure(SizedCircuit sized)
    {
        var (routed, book) = (sized.Routed, sized.Book);
        // Where receptacles are split one half alone may be used: a leg and the neutral lose, of what is between them.
        var (volts, outlets) = (routed.Circuit.Load.Volts, routed.Circuit.Load.AtOutlets);
        var load = routed.Runs.ToDictionary(r => r.Id, _ => 0m);
        var counted = new HashSet<BoxId>();
        var byId = routed.Runs.ToDictionary(r => r.Id);

        // Leaves first: each run carries its own box and everything it feeds. A box reached twice is counted where its load hangs.
        foreach (var run in routed.Runs.Reverse())
        {
            if (run.To.Box is BoxId box && counted.Add(box))
            {
                load[run.Id] += routed.Circuit.Load.At(box).Value;
            }

            if (run.Upstream is RunId up)
            {
                load[up] += load[run.Id];
            }
        }

        var lost = new Dictionary<RunId, decimal>();
        var left = ImmutableDictionary.CreateBuilder<BoxId, Volts>();
        Run? worst = null;
        foreach (var run in routed.Runs)
        {
            // Conductors that come in another circuit's cable lose on that way too.
            var drop = sized.Lost(run, new VoltAmps(load[run.Id]) / volts).Value;
            lost[run.Id] = drop + (run.Upstream is RunId up ? lost[up] : 0);
            if (run.To.Box is BoxId box)
            {
                left[box] = new(outlets.Value - lost[run.Id]);
            }

            worst = worst is null || lost[run.Id] > lost[worst.Id] ? run : worst;
        }

        var why = Because.Of("Why these volts");
        for (var run = worst; run is not null; run = run.Upstream is RunId up ? byId[up] : null)
        {
            var amps = new VoltAmps(load[run.Id]) / volts;
            why = why with
            {
                Steps = why.Steps.Insert(0,
                    new Step($"{run.From.Name} to {run.To.Name}: 2 × {amps} × {run.Length.Value.Roughly(sized.Measure)} "
                        + $"of {sized.GaugeOf(run)}"
                        + (sized.SharedBefore(run) is { } cable
                            ? $", and {cable.Length.Value.Roughly(sized.Measure)} of {sized.GaugeOf(cable)} in the cable it shares" : ""),
                    sized.Lost(run, amps).ToString(), Source.Book, book.Cite(RuleId.ConductorProperties))),
            };
        }

        var total = VoltageDrop.Share(new(worst is null ? 0 : lost[worst.Id]), outlets);
        return sized with
        {
            VoltsAt = left.ToImmutable(),
            Through = load.ToImmutableDictionary(p => p.Key, p => new VoltAmps(p.Value) / volts),
            Drop = new(total, why.Assume($"general outlets at {book.Division.Receptacle}, lamps at their watts, all on at once",
                total.ToString())),
        };
    }
}
