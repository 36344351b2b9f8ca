using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Wiring;

/// <summary>A stop on the way from the breaker.</summary>
/// <param name="Box">The box; null for the panel.</param>
/// <param name="Name">As labelled.</param>
/// <param name="By">The run that arrives; null at the panel.</param>
/// <param name="Cable">Its cable.</param>
/// <param name="Through">Current through that run.</param>
/// <param name="Left">Volts left here.</param>
/// <param name="Reset">Where its ground-fault protection resets: a box, the breaker, or nowhere.</param>
/// <param name="End">The last box of its branch.</param>
public sealed record Station(BoxId? Box, string Name, Run? By, string Cable, Amps Through, Volts Left, GfciReset Reset, bool End);

/// <summary>Where ground-fault protection resets.</summary>
/// <param name="AtBreaker">At the breaker.</param>
/// <param name="At">At this box.</param>
public readonly record struct GfciReset(bool AtBreaker, BoxId? At)
{
    /// <summary>There is any.</summary>
    public bool Any => AtBreaker || At is not null;
}

/// <summary>The way from the breaker to a box and on to the end of its chain.</summary>
public static class Trace
{
    /// <summary>Stations to a box, then the longest chain beyond it; the home run's box when none is chosen.</summary>
    public static ImmutableArray<Station> To(WiredCircuit circuit, BoxId? box, string panel)
    {
        var sized = circuit.Sized;
        var volts = sized.Circuit.Load.Volts;
        var stations = ImmutableArray.CreateBuilder<Station>();
        stations.Add(new(null, panel, null, "", new(0), sized.VoltsAtPanel, new(circuit.BreakerIsGfci, null), false));
        var runs = box is BoxId chosen ? [.. circuit.WayTo(chosen)] : new List<Run>();
        if (runs.Count == 0 && sized.Routed.HomeRun is { } home)
        {
            runs.Add(home);
        }

        while (runs.Count > 0 && Onward(circuit, runs[^1]) is { } next)
        {
            runs.Add(next);
        }

        if (runs.Count > 0 && sized.SharedBefore(runs[0]) is { } cable)
        {
            // Where it leaves the cable of another circuit: a box that it only passes.
            var through = sized.Through[runs[0].Id];
            stations.Add(new(cable.To.Box, cable.To.Name, cable, sized.CableOf(cable), through,
                sized.VoltsAtPanel - sized.Lost(cable, through), new(circuit.BreakerIsGfci, null), false));
        }

        foreach (var run in runs)
        {
            var at = run.To.Box;
            stations.Add(new(at, run.To.Name, run, sized.CableOf(run), sized.Through[run.Id],
                at is BoxId b ? sized.VoltsAt[b] : volts - (circuit.Drop * volts),
                at is BoxId r ? new(circuit.BreakerIsGfci, circuit.Outlets[r].ResetAt) : default,
                at is BoxId e && circuit.Boxes[e].IsEnd));
        }

        return stations.ToImmutable();
    }

    private static Run? Onward(WiredCircuit circuit, Run run) => run.To.Box is BoxId at
        ? circuit.Boxes[at].Out.Where(r => r.Upstream == run.Id).OrderBy(r => r.Kind).FirstOrDefault()
        : null;
}
