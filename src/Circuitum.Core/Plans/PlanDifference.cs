using Circuitum.Core.House;
using Circuitum.Core.Panels;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;

namespace Circuitum.Core.Plans;

/// <summary>What differs between two plans, told in trade words, the weightiest first.</summary>
public static class PlanDifference
{
    /// <summary>Short phrases: footage by cable, breakers, protection, circuits of boxes, tags come and gone.</summary>
    public static IReadOnlyList<string> Between(Plan before, Plan after)
    {
        var said = new List<string>();
        said.AddRange(SizeDifference.Between(before.House, after.House));
        if (before.Book.FeedsBoards || after.Book.FeedsBoards)
        {
            // Circuits of cable there are at one side at most.
            return said;
        }

        said.AddRange(Breakers(before, after));
        said.AddRange(Protection(before, after));
        said.AddRange(Moved(before, after));
        said.AddRange(Footage(before, after));
        said.AddRange(Currents(before, after));
        said.AddRange(Tags(before, after));
        return said;
    }

    /// <summary>Tags of one plan that the other does not have; the same thing said with other figures is no news.</summary>
    public static IEnumerable<Tag> TagsOnlyIn(Plan here, Plan there)
    {
        var known = there.Tags.Select(t => (t.Subject, t.Headline)).ToHashSet();
        return here.Tags.Where(t => !known.Contains((t.Subject, t.Headline)));
    }

    /// <summary>Circuits with another breaker, cable or protection than before.</summary>
    /// <param name="before">The plan before.</param>
    /// <param name="after">The plan after.</param>
    public static IEnumerable<string> Changed(Plan before, Plan after) => Breakers(before, after).Concat(Protection(before, after));

    private static IEnumerable<string> Breakers(Plan before, Plan after)
    {
        foreach (var (was, now) in Pairs(before, after))
        {
            if (was.Breaker != now.Breaker || was.Cable != now.Cable)
            {
                var again = was.Cable == now.Cable ? ""
                    : $", {was.Wired.Routed.Footage.Cut(after.Job.Schools.Measure)} pulled again";
                yield return $"{now.Description} now {now.Breaker} on {now.Cable}{again}";
            }
        }
    }

    private static IEnumerable<string> Protection(Plan before, Plan after)
    {
        var changed = Pairs(before, after).Where(p => p.Was.BreakerKind != p.Now.BreakerKind).ToList();
        if (changed.Count > 2)
        {
            yield return $"protection of {changed.Count} circuits changed: {string.Join(", ", changed.Select(c => c.Now.SpaceText))}";
            yield break;
        }

        foreach (var (_, now) in changed)
        {
            yield return $"{now.Description} now {(now.BreakerKind == BreakerKind.Standard ? "standard" : now.Mark)}";
        }
    }

    private static IEnumerable<string> Moved(Plan before, Plan after)
    {
        var moved = after.Survey.Boxes.Count(b => before.CircuitOf(b.Box.Id) is { } was
            && was.Circuit.Key != after.CircuitOf(b.Box.Id)!.Circuit.Key);
        if (moved > 0)
        {
            yield return $"{moved} box{(moved == 1 ? "" : "es")} on another circuit";
        }

        var breakers = after.Circuits.Length - before.Circuits.Length;
        if (breakers != 0)
        {
            yield return $"{breakers:+0;-0} breaker{(Math.Abs(breakers) == 1 ? "" : "s")}";
        }
    }

    private static IEnumerable<string> Footage(Plan before, Plan after)
    {
        var measure = after.Job.Schools.Measure;
        var was = before.Takeoff.Cables.ToDictionary(c => c.Cable, c => c.Length);
        var now = after.Takeoff.Cables.ToDictionary(c => c.Cable, c => c.Length);
        return was.Keys.Union(now.Keys).Order(StringComparer.Ordinal)
            .Select(cable => (cable, More: now.GetValueOrDefault(cable) - was.GetValueOrDefault(cable)))
            .Where(d => d.More != Length.Zero)
            .Select(d => $"{(d.More > Length.Zero ? "+" : "−")}{d.More.Abs().Cut(measure)} {d.cable}");
    }

    private static IEnumerable<string> Currents(Plan before, Plan after)
    {
        var changed = Pairs(before, after)
            .Where(p => p.Was.Load.Current != p.Now.Load.Current && p.Now.Kind != Circuits.CircuitKind.Feeder).ToList();
        if (changed.Count is 1 or 2)
        {
            foreach (var (_, now) in changed)
            {
                yield return $"circuit {now.SpaceText} now {now.Load.Current}";
            }
        }
    }

    private static IEnumerable<string> Tags(Plan before, Plan after)
    {
        foreach (var severity in Enum.GetValues<Severity>())
        {
            int was = before.Tags.Count(t => t.Severity == severity), now = after.Tags.Count(t => t.Severity == severity);
            if (was != now)
            {
                // One or two are named: a count alone says that something is wrong, not what.
                var fresh = severity == Severity.Red && now > was ? TagsOnlyIn(after, before).Where(t => t.Severity == severity)
                    .Select(t => t.Headline.TrimEnd('.')).Distinct().ToList() : [];
                var named = fresh.Count is 1 or 2 ? $": {string.Join("; ", fresh)}" : "";
                var word = severity == Severity.Hold ? "hold" : severity.ToString().ToLowerInvariant() + " tag";
                yield return $"{Math.Abs(now - was)} {word}{(Math.Abs(now - was) == 1 ? "" : "s")} {(now > was ? "more" : "fewer")}{named}";
            }
        }
    }

    private static IEnumerable<(Landed Was, Landed Now)> Pairs(Plan before, Plan after) =>
        after.Panels.SelectMany(p => p.Circuits).Select(now => (Was: before.Landed(now.Key)!, Now: now)).Where(p => p.Was is not null);
}
