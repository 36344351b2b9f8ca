using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Units;

namespace Circuitum.Core.Takeoff;

/// <summary>One breaker of a schedule, wherever it was read.</summary>
/// <param name="Panel">The panel.</param>
/// <param name="Space">Its upper space.</param>
/// <param name="Poles">1 or 2; null where the sheet does not say.</param>
/// <param name="Description">What it reads.</param>
/// <param name="Breaker">Its rating; null where the sheet does not say.</param>
public sealed record ScheduleLine(PanelId Panel, PanelSpace Space, int? Poles, string Description, Amps? Breaker);

/// <summary>How a line differs from the plan.</summary>
public enum ScheduleChange
{
    /// <summary>In the plan, not on the sheet.</summary>
    Missing,

    /// <summary>On the sheet, not in the plan.</summary>
    Extra,

    /// <summary>The same circuit on another space.</summary>
    Moved,

    /// <summary>The same space under other words.</summary>
    Renamed,

    /// <summary>Another breaker.</summary>
    Rated,
}

/// <summary>One difference.</summary>
/// <param name="Change">What kind.</param>
/// <param name="Panel">The panel.</param>
/// <param name="Space">The space to look at: the plan's, or the sheet's where the plan has none.</param>
/// <param name="Sheet">What the sheet says.</param>
/// <param name="Plan">What the plan says.</param>
public sealed record ScheduleDifference(ScheduleChange Change, PanelId Panel, PanelSpace Space, string Sheet, string Plan);

/// <summary>Holds a schedule that somebody typed, or one that was printed before, against the plan.</summary>
public static class ScheduleComparison
{
    /// <summary>The schedule as it is planned.</summary>
    public static ImmutableArray<ScheduleLine> LinesOf(ImmutableArray<PanelSchedule> panels) =>
    [
        .. panels.SelectMany(p => p.Circuits.Where(c => c.Space is not null)
            .Select(c => new ScheduleLine(p.Panel.Id, c.Space!.Value, c.Poles, c.Description, c.Breaker))
            .Concat(p.Panel.Taken.Select(t => new ScheduleLine(p.Panel.Id, t.Space, t.Poles, t.Description, t.Rating))))
            .OrderBy(l => l.Panel.Value, StringComparer.Ordinal).ThenBy(l => l.Space),
    ];

    /// <summary>What is missing, more, moved, renamed or rated otherwise. Words are the same when letters and digits are.</summary>
    /// <param name="sheet">The sheet, each space once.</param>
    /// <param name="plan">The plan's lines.</param>
    public static ImmutableArray<ScheduleDifference> Of(IReadOnlyList<ScheduleLine> sheet, IReadOnlyList<ScheduleLine> plan)
    {
        var found = new List<ScheduleDifference>();
        var bySpace = sheet.ToDictionary(l => (l.Panel, l.Space));
        var matched = new HashSet<ScheduleLine>(ReferenceEqualityComparer.Instance);
        var left = new List<ScheduleLine>();
        foreach (var line in plan)
        {
            if (bySpace.TryGetValue((line.Panel, line.Space), out var there) && Same(there.Description, line.Description))
            {
                matched.Add(there);
                found.AddRange(Rated(there, line));
            }
            else
            {
                left.Add(line);
            }
        }

        // What is read elsewhere has moved; of the rest, the same space is another name.
        foreach (var line in left.ToList())
        {
            if (sheet.FirstOrDefault(s => !matched.Contains(s) && s.Panel == line.Panel && Same(s.Description, line.Description))
                is { } elsewhere)
            {
                matched.Add(elsewhere);
                left.Remove(line);
                found.Add(new(ScheduleChange.Moved, line.Panel, line.Space, $"space {elsewhere.Space}: {elsewhere.Description}",
                    $"space {line.Space}"));
                found.AddRange(Rated(elsewhere, line));
            }
        }

        foreach (var line in left)
        {
            if (bySpace.TryGetValue((line.Panel, line.Space), out var there) && matched.Add(there))
            {
                found.Add(new(ScheduleChange.Renamed, line.Panel, line.Space, there.Description, line.Description));
                found.AddRange(Rated(there, line));
            }
            else
            {
                found.Add(new(ScheduleChange.Missing, line.Panel, line.Space, "", Told(line)));
            }
        }

        found.AddRange(sheet.Where(s => !matched.Contains(s))
            .Select(s => new ScheduleDifference(ScheduleChange.Extra, s.Panel, s.Space, Told(s), "")));
        return [.. found.OrderBy(d => d.Panel.Value, StringComparer.Ordinal).ThenBy(d => d.Space).ThenBy(d => d.Change)];
    }

    private static IEnumerable<ScheduleDifference> Rated(ScheduleLine sheet, ScheduleLine plan)
    {
        if ((sheet.Breaker is Amps amps && amps != plan.Breaker) || (sheet.Poles is int poles && poles != plan.Poles))
        {
            yield return new(ScheduleChange.Rated, plan.Panel, plan.Space, Breaker(sheet), Breaker(plan));
        }
    }

    private static string Told(ScheduleLine line) => $"{line.Description}{(line.Breaker is null ? "" : ", " + Breaker(line))}";

    private static string Breaker(ScheduleLine line) =>
        $"{line.Breaker?.ToString() ?? "no rating"}{(line.Poles is int poles ? poles == 2 ? ", two poles" : ", one pole" : "")}";

    private static bool Same(string a, string b) => Plain(a) == Plain(b);

    private static string Plain(string text) => string.Concat(text.Where(char.IsLetterOrDigit).Select(char.ToLowerInvariant));
}
