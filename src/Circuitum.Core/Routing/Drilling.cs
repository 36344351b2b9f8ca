using System.Collections.Immutable;
using System.Runtime.InteropServices;
using Circuitum.Core.House;
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
/// <param name="At">Where it is.</param>
public sealed record Hole(Spot Spot, int Number, ImmutableArray<RunId> Runs, int CurrentCarrying, bool Sealed, Celsius Ambient, Point3 At);

/// <summary>Joists that holes are bored in.</summary>
public static class BoredJoists
{
    /// <summary>The level that the joists of a spot belong to, and whether they are under it: the lowest level's floor, else the ceiling of
    /// the level below the cavity.</summary>
    public static (FramedLevel Level, Joists Joists, bool Under) Of(FramedHouse house, Spot spot)
    {
        var under = spot.Level == 0;
        var level = house.Structures[spot.Structure].Levels[under ? 0 : spot.Level - 1];
        return (level, under ? level.Level.FloorJoists! : level.Level.CeilingJoists, under);
    }
}

/// <summary>All holes of a plan, and which of them each run passes.</summary>
public sealed record Holes(ImmutableArray<Hole> All, IReadOnlyDictionary<RunId, ImmutableArray<Hole>> ByRun)
{
    /// <summary>Members where fewer cables than usual go in a hole, and how many.</summary>
    public ImmutableDictionary<Spot, int> Relieved { get; init; } = ImmutableDictionary<Spot, int>.Empty;

    /// <summary>How many relieved members runs pass, and the fewest cables to a hole there.</summary>
    public (int Spots, int Most) RelievedOn(ImmutableArray<Run> runs)
    {
        if (Relieved.IsEmpty)
        {
            return (0, 0);
        }

        var spots = runs.SelectMany(r => Of(r)).Select(h => h.Spot).Where(Relieved.ContainsKey).Distinct().ToList();
        return (spots.Count, spots.Count == 0 ? 0 : spots.Min(s => Relieved[s]));
    }

    /// <summary>Holes a run passes.</summary>
    public ImmutableArray<Hole> Of(Run run) => ByRun.TryGetValue(run.Id, out var holes) ? holes : [];
}

/// <summary>Shares bored holes out among the cables that pass a member at one place.</summary>
public static class Drilling
{
    /// <summary>Drills for every run.</summary>
    /// <param name="circuits">Every circuit with its runs.</param>
    /// <param name="rules">The crew's cables in a hole.</param>
    /// <param name="relieved">Spots where fewer cables go in one hole, and how many.</param>
    /// <param name="across">Runs large enough to lie straight across the joists of a crawl space or an unfinished basement, without holes
    /// (334.15(C)).</param>
    public static Holes Drill(ImmutableArray<RoutedCircuit> circuits, HouseRules rules, ImmutableDictionary<Spot, int>? relieved = null,
        ImmutableHashSet<RunId>? across = null)
    {
        var relief = relieved ?? ImmutableDictionary<Spot, int>.Empty;
        ImmutableArray<Hole> all = [.. Passing(circuits, across, null).OrderBy(p => p.Key)
            .SelectMany(p => Bored(p.Key, p.Value, rules, relief))];
        var byRun = new Dictionary<RunId, List<Hole>>();
        foreach (var hole in all)
        {
            foreach (var run in hole.Runs)
            {
                (CollectionsMarshal.GetValueRefOrAddDefault(byRun, run, out _) ??= []).Add(hole);
            }
        }

        return new(all, byRun.ToDictionary(p => p.Key, p => p.Value.ToImmutableArray())) { Relieved = relief };
    }

    /// <summary>Drills some members anew; all others stay as they were.</summary>
    /// <param name="before">As drilled for the same runs.</param>
    /// <param name="again">The members.</param>
    /// <param name="circuits">Every circuit with its runs.</param>
    /// <param name="rules">The crew's cables in a hole.</param>
    /// <param name="relieved">Spots where fewer cables go in one hole, and how many.</param>
    /// <param name="across">Runs that lie across without holes.</param>
    public static Holes Drill(Holes before, IReadOnlySet<Spot> again, ImmutableArray<RoutedCircuit> circuits, HouseRules rules,
        ImmutableDictionary<Spot, int> relieved, ImmutableHashSet<RunId> across)
    {
        var passing = Passing(circuits, across, again);
        var bored = again.Order().SelectMany(s => passing.TryGetValue(s, out var through) ? Bored(s, through, rules, relieved) : [])
            .ToList();
        ImmutableArray<Hole> all = [.. before.All.Where(h => !again.Contains(h.Spot)).Concat(bored).OrderBy(h => h.Spot)];
        var byRun = new Dictionary<RunId, ImmutableArray<Hole>>(before.ByRun);
        foreach (var run in before.All.Where(h => again.Contains(h.Spot)).SelectMany(h => h.Runs).Distinct())
        {
            ImmutableArray<Hole> passed = [.. before.ByRun[run].Where(h => !again.Contains(h.Spot))
                .Concat(bored.SelectMany(h => h.Runs.Where(r => r == run).Select(_ => h))).OrderBy(h => h.Spot)];
            if (passed.IsEmpty)
            {
                byRun.Remove(run);
            }
            else
            {
                byRun[run] = passed;
            }
        }

        return new(all, byRun) { Relieved = relieved };
    }

    // What passes each member: of all members, or of some.
    private static Dictionary<Spot, List<(Run Run, Passage Passage)>> Passing(ImmutableArray<RoutedCircuit> circuits,
        ImmutableHashSet<RunId>? across,
            IReadOnlySet<Spot>? only)
    {
        var passing = new Dictionary<Spot, List<(Run Run, Passage Passage)>>();
        foreach (var run in circuits.SelectMany(c => c.Runs))
        {
            var lies = across is not null && across.Contains(run.Id);
            foreach (var passage in run.Way.Passages)
            {
                if ((!lies || passage.Spot is not { Kind: MemberKind.Joist, Level: 0 }) && only?.Contains(passage.Spot) != false)
                {
                    (CollectionsMarshal.GetValueRefOrAddDefault(passing, passage.Spot, out _) ??= []).Add((run, passage));
                }
            }
        }

        return passing;
    }

    // The holes of one member: cables shared out evenly, a pipe in a hole of its own, whatever is pulled in it.
    private static IEnumerable<Hole> Bored(Spot spot, List<(Run Run, Passage Passage)> through, HouseRules rules,
        ImmutableDictionary<Spot, int> relief)
    {
        var most = relief.TryGetValue(spot, out var few) ? Math.Min(few, rules.CablesPerHole) : rules.CablesPerHole;
        var cables = through.FindAll(t => t.Run.Pipe is null);
        var shared = (cables.Count + most - 1) / most;
        var shares = Enumerable.Range(0, shared)
            .Select(i => cables.GetRange(i * cables.Count / shared, ((i + 1) * cables.Count / shared) - (i * cables.Count / shared)))
            .Concat(through.Where(t => t.Run.Pipe is not null).GroupBy(t => t.Run.Pipe).Select(g => g.ToList()));
        return shares.Select((share, i) => new Hole(spot, i + 1, [.. share.Select(s => s.Run.Id)], share.Sum(s => s.Run.CurrentCarrying),
            share[0].Passage.Sealed, new(share.Max(s => s.Passage.Ambient.Degrees)), share[0].Passage.At));
    }
}
