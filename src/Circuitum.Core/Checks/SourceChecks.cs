using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;

namespace Circuitum.Core.Checks;

/// <summary>Tags on a bus that is fed from two ends: the main's and an inverter's current may meet in it.</summary>
internal static class SourceChecks
{
    // So much of the bus where the two stand at opposite ends: RuleId.SourceOnBus.
    private static readonly Percent FromBothEnds = new(120);

    public static IEnumerable<Tag> Check(Checked plan) =>
        !plan.Book.Has(RuleId.SourceOnBus) ? [] : plan.Panels.SelectMany(p => Of(plan, p));

    private static IEnumerable<Tag> Of(Checked plan, PanelSchedule schedule)
    {
        var (panel, sources) = (schedule.Panel, schedule.Circuits.Where(c => c.Wired.Circuit.Load.Brings.Value > 0).ToList());
        if (sources.Count == 0)
        {
            yield break;
        }

        Amps bus = panel.Listing.Bus ?? panel.Rating, main = MainOf(plan, panel);
        // At 125 per cent, as their breakers are chosen.
        var brought = new Amps(sources.Sum(s => s.Wired.Circuit.Load.Required.Value));
        var near = sources.Find(s => s.Space is { } space && !Landing.IsAtFarEnd(panel, space.Number));
        var most = near is null ? FromBothEnds * bus : bus;
        if (main + brought <= most)
        {
            yield break;
        }

        var fits = plan.Book.StandardAtMost(most - brought);
        yield return new(Severity.Red, Stage.Panel, Subject.Panel(panel.Id), plan.Book.Cite(RuleId.SourceOnBus),
            $"The bus of panel {panel.Id} may carry more than it is rated for.",
            $"{main} from the main and {brought} from {string.Join(" and ", sources.Select(s => s.Description))} are {main + brought}; "
                + (near is null ? $"{FromBothEnds} of the {bus} bus {most}. " : $"the bus {bus}, of which {FromBothEnds} would do with the "
                    + $"breaker at the far end from the main, space {near.SpaceText} is not. ")
                + "A smaller main, a larger bus, or a connection ahead of the main.")
        {
            Fixes = [.. near is null ? [] : (Fix[])[new("Free the space", new FreeSpace(near.Key))],
                .. fits is Amps smaller && smaller < main && panel is { Listing.MainLugs: false } ? (Fix[])[new($"A main of {smaller}",
                    new SetPanel(panel with { Rating = smaller, Listing = panel.Listing with { Bus = bus } }))] : []],
        };
    }

    // What feeds the bus from its other end: the panel's own main, or the breaker of its feeder where it has lugs alone.
    private static Amps MainOf(Checked plan, Panel panel) => panel.Listing.MainLugs
        && plan.Circuits.FirstOrDefault(c => c.Circuit.Feeds == panel.Id) is { } feeder ? feeder.Breaker : panel.Rating;
}
