using System.Collections.Immutable;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Site;

/// <summary>In what order a crew pulls.</summary>
public enum PullManner
{
    /// <summary>Home runs that go the same way together, the longest group first; then room by room.</summary>
    SameWay,

    /// <summary>The group with the longest single cable first, whatever it is.</summary>
    LongestFirst,

    /// <summary>One floor after the other, from the lowest.</summary>
    ByStory,
}

/// <summary>Cable of one kind that a group needs on the floor.</summary>
/// <param name="Cable">12-2.</param>
/// <param name="Runs">How many runs.</param>
/// <param name="Cut">Their feet together.</param>
/// <param name="Longest">The longest of them.</param>
public sealed record GroupCable(string Cable, int Runs, Length Cut, Length Longest);

/// <summary>Runs that are pulled in one go.</summary>
/// <param name="Name">Home runs from A to Kitchen; Kitchen, box to box.</param>
/// <param name="Level">The floor where they end.</param>
/// <param name="Home">They are home runs or feeders.</param>
/// <param name="Lines">The runs, the longest first.</param>
public sealed record PullGroup(string Name, string Level, bool Home, ImmutableArray<PullLine> Lines)
{
    /// <summary>All feet of the group.</summary>
    public Length Cut => Lines.Select(l => l.Length).Total();

    /// <summary>What it needs, by kind of cable.</summary>
    public ImmutableArray<GroupCable> Cables => [.. Lines.GroupBy(l => l.Cable).OrderBy(g => g.Key, StringComparer.Ordinal)
        .Select(g => new GroupCable(g.Key, g.Count(), g.Select(l => l.Length).Total(), g.Max(l => l.Length)))];
}

/// <summary>The pull list in the order a crew works.</summary>
public static class PullOrder
{
    /// <summary>Every run of the plan in one group. Home runs and feeders that go from one panel to one room are a group; so are the runs
    /// that end in one room.</summary>
    public static ImmutableArray<PullGroup> Of(Plan plan, PullManner manner)
    {
        var places = new RunPlaces(plan);
        var groups = plan.Takeoff.Pulls
            .GroupBy(line => (Home: line.Kind is RunKind.HomeRun or RunKind.Feeder, From: Panel(plan, line), To: places.Of(line)))
            .Select(g => new PullGroup(g.Key.Home ? $"From panel {g.Key.From} to {g.Key.To.Room}" : $"{g.Key.To.Room}, box to box",
                g.Key.To.Level, g.Key.Home, [.. g.OrderByDescending(l => l.Length).ThenBy(l => l.LabelFrom, StringComparer.Ordinal)]))
            .ToList();
        var floor = places.Levels.Select((name, i) => (name, i)).ToDictionary(x => x.name, x => x.i);
        return [.. (manner switch
        {
            PullManner.LongestFirst => groups.OrderByDescending(g => g.Lines[0].Length),
            PullManner.ByStory => groups.OrderBy(g => floor[g.Level]).ThenByDescending(g => g.Home).ThenByDescending(g => g.Cut),
            _ => groups.OrderByDescending(g => g.Home).ThenByDescending(g => g.Cut),
        }).ThenBy(g => g.Name, StringComparer.Ordinal)];
    }

    /// <summary>What is pulled next: runs that are not written down as pulled, in the order of their groups.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="record">What is done.</param>
    /// <param name="manner">The order.</param>
    /// <param name="most">So many at most.</param>
    public static ImmutableArray<PullLine> Next(Plan plan, SiteRecord record, PullManner manner, int most) =>
        [.. Of(plan, manner).SelectMany(g => g.Lines).Where(l => !record.Pulled.Contains(l.Run)).Take(most)];

    // What begins at no panel is a group by its room alone.
    private static string Panel(Plan plan, PullLine line) => line.Kind is RunKind.HomeRun or RunKind.Feeder
        ? plan.FindRun(line.Run)!.Value.Run.From.Panel?.Value ?? "" : "";
}
