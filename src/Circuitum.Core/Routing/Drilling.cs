using System.Collections.Frozen;
using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>A bored hole with the runs through it.</summary>
/// <param name="Spot">The member and place.</param>
/// <param name="Number">From 1 at that spot.</param>
/// <param name="Runs">Ids of the runs, in order.</param>
/// <param name="CurrentCarrying">Current-carrying conductors in it.</param>
/// <param name="Sealed">334.80 counts them.</param>
/// <param name="Ambient">Of the warmer side.</param>
public sealed record Hole(Spot Spot, int Number, ImmutableArray<string> Runs, int CurrentCarrying, bool Sealed, Celsius Ambient);

/// <summary>All holes of a plan, and which of them each run passes.</summary>
public sealed record Holes(ImmutableArray<Hole> All, FrozenDictionary<string, ImmutableArray<Hole>> ByRun)
{
    /// <summary>Holes a run passes.</summary>
    public ImmutableArray<Hole> Of(Run run) => ByRun.TryGetValue(run.Id, out var holes) ? holes : [];
}

/// <summary>Shares bored holes out among the cables that pass a member at one place.</summary>
public static class Drilling
{
    /// <summary>Drills for every run; at relieved spots no more than two cables go in one hole.</summary>
    public static Holes Drill(ImmutableArray<RoutedCircuit> circuits, HouseRules rules, ImmutableHashSet<Spot>? relieved = null)
    {
        var relief = relieved ?? [];
        var passing = new Dictionary<Spot, List<(Run Run, Passage Passage)>>();
        foreach (var run in circuits.SelectMany(c => c.Runs))
        {
            foreach (var passage in run.Way.Passages)
            {
                if (!passing.TryGetValue(passage.Spot, out var list))
                {
                    passing[passage.Spot] = list = [];
                }

                list.Add((run, passage));
            }
        }

        var all = ImmutableArray.CreateBuilder<Hole>();
        var byRun = new Dictionary<string, ImmutableArray<Hole>.Builder>();
        foreach (var (spot, cables) in passing.OrderBy(p => p.Key))
        {
            var most = relief.Contains(spot) ? Math.Min(2, rules.CablesPerHole) : rules.CablesPerHole;
            var holes = (cables.Count + most - 1) / most;
            for (var i = 0; i < holes; i++)
            {
                var share = cables.Skip(i * cables.Count / holes).Take(((i + 1) * cables.Count / holes) - (i * cables.Count / holes)).ToList();
                var hole = new Hole(spot, i + 1, [.. share.Select(s => s.Run.Id)], share.Sum(s => s.Run.CurrentCarrying), share[0].Passage.Sealed,
                    share.Max(s => s.Passage.Ambient.Degrees) is var hottest ? new(hottest) : default);
                all.Add(hole);
                foreach (var (run, _) in share)
                {
                    if (!byRun.TryGetValue(run.Id, out var list))
                    {
                        byRun[run.Id] = list = ImmutableArray.CreateBuilder<Hole>();
                    }

                    list.Add(hole);
                }
            }
        }

        return new(all.ToImmutable(), byRun.ToFrozenDictionary(p => p.Key, p => p.Value.ToImmutable()));
    }
}
