using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Site;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;

namespace Circuitum.Core.Pricing;

/// <summary>What the change from one plan to another costs: what comes, what is left out, and what lies in the walls already and comes out
/// again, which nobody takes back.</summary>
public static class ChangeOrders
{
    /// <summary>Heading of what the new plan has more of.</summary>
    public const string Comes = "comes to it";

    /// <summary>Heading of what it has less of.</summary>
    public const string LeftOut = "is left out";

    /// <summary>Heading of what was pulled for nothing.</summary>
    public const string Lost = "was pulled, and comes out";

    /// <summary>The change order between two plans of one job.</summary>
    /// <param name="before">The plan that was agreed, with its revision.</param>
    /// <param name="after">The plan now, with its revision.</param>
    /// <param name="record">What is done on site.</param>
    /// <param name="prices">The crew's list.</param>
    /// <param name="terms">On what terms.</param>
    /// <param name="reason">Who asked, and why.</param>
    public static Offer Between((Plan Plan, int Revision) before, (Plan Plan, int Revision) after, SiteRecord record, PriceList prices,
        Terms terms, string reason)
    {
        var again = SiteClashes.Come(before.Plan, after.Plan, record);
        var (was, now) = (Counted(before.Plan), Counted(after.Plan));
        return new(OfferKind.ChangeOrder, after.Plan.Job.Name, after.Revision, terms,
            [.. Differences(was, now, prices, terms), .. LostOn(again, after.Plan, prices, terms)])
        {
            From = before.Revision,
            Reason = reason,
            Facts = [.. Facts(before.Plan, after.Plan, Apart(HolesIn(now), HolesIn(was)), again)],
            Floors = [.. Floors(before.Plan, after.Plan)],
        };
    }

    // Line against line of the two material lists; what is the same is no part of the change.
    private static IEnumerable<OfferLine> Differences(Dictionary<(string Item, string Unit), int> was,
        Dictionary<(string Item, string Unit), int> now, PriceList prices, Terms terms) =>
        was.Keys.Union(now.Keys)
            .Select(k => (k.Item, k.Unit, More: now.GetValueOrDefault(k) - was.GetValueOrDefault(k))).Where(d => d.More != 0)
            .OrderByDescending(d => d.More > 0)
            .Select(d => Estimates.Line(d.More > 0 ? Comes : LeftOut, d.Item, d.Unit, d.More, "", prices, terms));

    private static Dictionary<(string Item, string Unit), int> Counted(Plan plan) => Hardware.Of(plan).GroupBy(m => (m.Item, m.Unit))
        .ToDictionary(g => g.Key, g => g.Sum(m => m.Quantity));

    // Cable that lies already is paid for and pulled: its credit is taken back, with its waste, and taking it out is work.
    private static IEnumerable<OfferLine> LostOn(IReadOnlyList<SiteClash> again, Plan after, PriceList prices, Terms terms)
    {
        var waste = 1 + (after.Job.HouseRules.Waste.Value / 100);
        foreach (var cable in again.Where(c => c.Entry.Step == SiteStep.Pulled).GroupBy(c => c.Entry.As!.What)
            .OrderBy(g => g.Key, StringComparer.Ordinal))
        {
            var lies = cable.Select(c => c.Lost).Total();
            var bought = Hardware.Long(after, cable.Key, new((int)(lies.Sixtyfourths * waste)), "");
            var outAgain = Hardware.Long(after, PriceList.TakingOut, lies, cable.Key);
            yield return Estimates.Line(Lost, bought.Item, bought.Unit, bought.Quantity,
                $"{lies.Cut(after.Job.Schools.Measure)} lie there, with waste", prices, terms);
            yield return Estimates.Line(Lost, outAgain.Item, outAgain.Unit, outAgain.Quantity, outAgain.For, prices, terms);
        }
    }

    private static IEnumerable<OfferFact> Facts(Plan before, Plan after, string holes, IReadOnlyList<SiteClash> again)
    {
        foreach (var said in PlanDifference.Changed(before, after))
        {
            yield return new("Circuit", said);
        }

        yield return new("Cable", Apart(after.Footage, before.Footage, after.Job.Schools.Measure));
        yield return new("Breakers", Apart(after.Circuits.Length, before.Circuits.Length));
        yield return new("Boxes", Apart(after.Survey.Boxes.Length, before.Survey.Boxes.Length));
        yield return new("Holes", holes);
        var pulled = again.Where(c => c.Entry.Step == SiteStep.Pulled).ToList();
        yield return new("Pulled again", pulled.Count == 0 ? "nothing" : $"{pulled.Count} {(pulled.Count == 1 ? "run" : "runs")}: "
            + $"{pulled.Select(c => c.Lost).Total().Cut(after.Job.Schools.Measure)} out, "
            + $"{pulled.Select(c => c.Again).Total().Cut(after.Job.Schools.Measure)} in");
    }

    private static int HolesIn(Dictionary<(string Item, string Unit), int> list) =>
        list.Where(m => m.Key.Unit == "holes").Sum(m => m.Value);

    private static string Apart(int now, int was) => now == was ? $"{now}, as before" : $"{was} → {now}";

    private static string Apart(Length now, Length was, Measure measure) => now == was ? $"{now.Cut(measure)}, as before"
        : $"{(now > was ? "+" : "−")}{(now - was).Abs().Cut(measure)}";

    // Floors of the plan now, each with what comes and changes, and what was there.
    private static IEnumerable<OfferFloor> Floors(Plan before, Plan after)
    {
        foreach (var structure in after.House.Structures)
        {
            foreach (var level in structure.Levels)
            {
                ImmutableArray<OfferMark> marks = [.. Marks(before, after, level)];
                if (!marks.IsEmpty)
                {
                    yield return new($"{structure.Structure.Name}, {level.Level.Name}",
                        [.. level.Rooms.Select(r => new OfferRoom(r.Room.Name, r.Inside))], marks);
                }
            }
        }
    }

    private static IEnumerable<OfferMark> Marks(Plan before, Plan after, FramedLevel level)
    {
        var rooms = level.Rooms.Select(r => r.Room.Id).ToHashSet();
        foreach (var box in after.Survey.Boxes.Where(b => rooms.Contains(b.Box.Room)))
        {
            var was = before.Survey.Find(box.Box.Id);
            if (was is null)
            {
                yield return new(box.Place.At.Plan, '+', box.Name);
            }
            else if (was.Place != box.Place || !Same(was.Box, box.Box) || Feeds(before, box) != Feeds(after, box))
            {
                yield return new(box.Place.At.Plan, '~', box.Name);
            }
        }

        foreach (var gone in before.Survey.Boxes.Where(b => rooms.Contains(b.Box.Room) && after.Survey.Find(b.Box.Id) is null))
        {
            yield return new(gone.Place.At.Plan, '−', gone.Name);
        }
    }

    // Lists inside a device are compared by what is in them: the two plans come from two readings of the job.
    private static bool Same(Box was, Box now) => was.Devices.Length == now.Devices.Length
        && was.Devices.Zip(now.Devices).All(d => d.First with { Controls = d.Second.Controls } == d.Second
            && d.First.Controls.SequenceEqual(d.Second.Controls));

    private static (CircuitKey Key, Amps Breaker, string Cable)? Feeds(Plan plan, PlacedBox box) =>
        plan.CircuitOf(box.Box.Id) is { } circuit && plan.Landed(circuit.Circuit.Key) is { } landed
            ? (landed.Key, landed.Breaker, landed.Cable) : null;
}
