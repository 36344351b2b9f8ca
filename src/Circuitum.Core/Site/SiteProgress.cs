using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Units;

namespace Circuitum.Core.Site;

/// <summary>How much of something is pulled.</summary>
/// <param name="Name">A floor, a circuit, a person.</param>
/// <param name="Done">Runs pulled.</param>
/// <param name="All">Runs there are.</param>
/// <param name="DoneCut">Their feet by the plan.</param>
/// <param name="AllCut">Feet of all.</param>
public sealed record Tally(string Name, int Done, int All, Length DoneCut, Length AllCut);

/// <summary>Counts what is done against what the plan has now.</summary>
public static class SiteProgress
{
    /// <summary>All runs of the plan.</summary>
    public static Tally Pulled(Plan plan, SiteRecord record) => Of("all", plan.Takeoff.Pulls, record);

    /// <summary>By the floor where a run ends, from the lowest of the first building.</summary>
    public static ImmutableArray<Tally> ByLevel(Plan plan, SiteRecord record)
    {
        var places = new RunPlaces(plan);
        return [.. places.Levels.GroupJoin(plan.Takeoff.Pulls, name => name, line => places.Of(line).Level, (name, lines) =>
            Of(name, lines, record)).Where(t => t.All > 0)];
    }

    /// <summary>By the circuit, in the order of the panels.</summary>
    public static ImmutableArray<Tally> ByCircuit(Plan plan, SiteRecord record) =>
        [.. plan.Panels.SelectMany(p => p.Circuits).GroupJoin(plan.Takeoff.Pulls, c => c.Key, l => l.Circuit,
            (c, lines) => Of($"{c.Panel}{c.SpaceText} {c.Description}", lines, record))];

    /// <summary>By who pulled it, who most first; runs that the plan has no more are not counted.</summary>
    public static ImmutableArray<Tally> ByWho(Plan plan, SiteRecord record) =>
        [.. plan.Takeoff.Pulls.Select(l => (Line: l, Entry: record.Of(Subject.Run(l.Run), SiteStep.Pulled)))
            .Where(x => x.Entry is not null).GroupBy(x => x.Entry!.Who, x => x.Line).Select(g => Of(g.Key, g, record))
            .OrderByDescending(t => t.DoneCut).ThenBy(t => t.Name, StringComparer.Ordinal)];

    /// <summary>By the reel it came from; runs of which nobody said are not counted.</summary>
    public static ImmutableArray<Tally> ByReel(Plan plan, SiteRecord record) =>
        [.. plan.Takeoff.Pulls.Select(l => (Line: l, Reel: record.ReelOf(Subject.Run(l.Run))))
            .Where(x => x.Reel is not null).GroupBy(x => x.Reel!, x => x.Line).OrderBy(g => g.Key, StringComparer.Ordinal)
            .Select(g => Of(g.Key, g, record))];

    private static Tally Of(string name, IEnumerable<PullLine> lines, SiteRecord record)
    {
        var all = lines.ToList();
        var done = all.Where(l => record.Is(Subject.Run(l.Run), SiteStep.Pulled)).ToList();
        return new(name, done.Count, all.Count, done.Select(l => l.Length).Total(), all.Select(l => l.Length).Total());
    }
}
