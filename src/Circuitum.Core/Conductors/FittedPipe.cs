using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Conductors;

/// <summary>A pipe with what is pulled in it, sized: one object for every circuit in it.</summary>
/// <param name="Raceway">The pipe and its runs.</param>
/// <param name="Contents">Conductors by circuit, grounds among them; none when cable is pulled with its jacket on.</param>
/// <param name="Sum">Its size by fill, jam ratio, and the worst pull; null when cable is pulled with its jacket on, whose width only its
/// maker gives.</param>
/// <param name="Size">3/4 in PVC, and why.</param>
public sealed record FittedPipe(Raceway Raceway, ImmutableArray<PulledConductors> Contents, ConduitSum? Sum, Figure<string> Size)
{
    /// <summary>Hands every circuit in a pipe the pipe, sized for all that is in it.</summary>
    public static ImmutableArray<SizedCircuit> Fit(ImmutableArray<SizedCircuit> circuits, ImmutableArray<Raceway> raceways, CodeBook book)
    {
        if (raceways.IsEmpty)
        {
            return circuits;
        }

        var byKey = circuits.ToDictionary(c => c.Circuit.Key);
        var fitted = raceways.Select(r => Of(r, byKey, book)).SelectMany(f => f.Raceway.Runs.Select(r => (r.Circuit, f)))
            .ToLookup(x => x.Circuit, x => x.f);
        return [.. circuits.Select(c => fitted.Contains(c.Circuit.Key) ? c with { Pipes = [.. fitted[c.Circuit.Key].Distinct()] } : c)];
    }

    /// <summary>Every pipe that circuits are pulled in, once.</summary>
    public static IEnumerable<FittedPipe> Each(IEnumerable<SizedCircuit> circuits) => circuits.SelectMany(c => c.Pipes)
        .DistinctBy(p => p.Raceway.Pipe.Id);

    private static FittedPipe Of(Raceway raceway, Dictionary<CircuitKey, SizedCircuit> byKey, CodeBook book)
    {
        var kind = ConduitFill.NameOf(raceway.Pipe.Kind, true);
        if (raceway.Jacketed)
        {
            return new(raceway, [], null,
                new($"{kind} by the cable's width",
                    Because.Of("Why this pipe")
                    .Book("one cable fills 53 % at most, two 31 %, more 40 %, each by its larger width as its maker gives it",
                        "measure it", book.Cite(RuleId.PipeOneCable))));
        }

        ImmutableArray<PulledConductors> contents = [.. raceway.Runs.SelectMany(r => In(byKey[r.Circuit], r)).GroupBy(c => c.Gauge)
            .OrderByDescending(g => g.Key).Select(g => new PulledConductors(g.Sum(c => c.Count), g.Key))];
        var pull = raceway.Pulls.MaxBy(p => p.Degrees)!;
        var sum = ConduitFill.Size(raceway.Pipe.Kind, contents, [.. pull.Bends.Select(b => b.Degrees)], pull.Long, book,
            raceway.Pipe.AtLeast);
        return new(raceway, contents, sum, new(sum.Trade is null ? $"{kind} larger than 2 in" : $"{sum.Trade} in {kind}", sum.Why));
    }

    /// <summary>What one run brings into its pipe: its conductors and its ground.</summary>
    public static IEnumerable<PulledConductors> In(SizedCircuit circuit, Run run) =>
        [new(run.Conductors, circuit.GaugeOf(run)), new(1, circuit.Ground!.Value)];
}
