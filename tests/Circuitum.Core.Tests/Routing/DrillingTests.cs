using System.Collections.Immutable;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>Holes that are bored anew where something moved are those of boring everything anew.</summary>
public sealed class DrillingTests
{
    private static IEnumerable<string> Told(Holes holes) =>
        holes.All.Select(h =>
            $"{h.Spot}/{h.Spot.Structure}/{h.Spot.Level} {h.Number}: {string.Join(',', h.Runs)} {h.CurrentCarrying} {h.Sealed} "
            + $"{h.Ambient} {h.At}")
        .Concat(holes.ByRun.OrderBy(r => r.Key.ToString(), StringComparer.Ordinal)
            .Select(r => $"{r.Key}: {string.Join(',', r.Value.Select(h => $"{h.Spot}/{h.Spot.Level}.{h.Number}"))}"));

    [Fact] // members relieved by lot, and runs by lot that lie across the joists below
    public void Boring_anew_where_it_moved_is_boring_all_anew() => Gen.Select(RandomHouses.Jobs, Gen.Int[0, 1000]).Sample((job, seed) =>
    {
        var random = new Random(seed);
        var plan = Planner.Plan(job);
        ImmutableArray<RoutedCircuit> routed = [.. plan.Circuits.Select(c => c.Routed)];
        var before = Drilling.Drill(routed, job.HouseRules);
        var relieved = before.All.Select(h => h.Spot).Distinct().Where(_ => random.Next(5) == 0)
            .ToImmutableDictionary(s => s, _ => random.Next(1, 3));
        var across = routed.SelectMany(c => c.Runs).Where(_ => random.Next(6) == 0).Select(r => r.Id).ToImmutableHashSet();
        var again = relieved.Keys.Concat(routed.SelectMany(c => c.Runs).Where(r => across.Contains(r.Id)).SelectMany(r => r.Way.Passages)
            .Select(p => p.Spot).Where(s => s is { Kind: MemberKind.Joist, Level: 0 })).ToHashSet();
        Assert.Equal(Told(Drilling.Drill(routed, job.HouseRules, relieved, across)),
            Told(Drilling.Drill(before, again, routed, job.HouseRules, relieved, across)));
    }, iter: 60);
}
