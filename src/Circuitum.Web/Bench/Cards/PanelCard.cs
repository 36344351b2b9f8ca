using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Demand;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Web.Bench.Cards;

/// <summary>A leg of a panel, and how it is drawn beside the other.</summary>
/// <param name="Leg">The leg.</param>
/// <param name="Load">What is on it.</param>
/// <param name="Share">Of the heavier leg, 0 to 1.</param>
public sealed record LegLine(Leg Leg, VoltAmps Load, decimal Share);

/// <summary>What is on the legs by one way of looking.</summary>
/// <param name="View">The way of looking.</param>
/// <param name="A">On leg A.</param>
/// <param name="B">On leg B.</param>
public sealed record LegsLine(LegView View, VoltAmps A, VoltAmps B);

/// <summary>What the card of a panel says and offers; the page only lays it out.</summary>
/// <param name="Schedule">The panel.</param>
/// <param name="Legs">Its legs as the school balances them.</param>
/// <param name="Apart">How far they are apart so.</param>
/// <param name="ByView">Its legs by each way of looking.</param>
/// <param name="Facts">Its bars, label and cabinet, line by line.</param>
public sealed record PanelCard(PanelSchedule Schedule, ImmutableArray<LegLine> Legs, Percent Apart, ImmutableArray<LegsLine> ByView,
    ImmutableArray<CardFact> Facts)
{
    /// <summary>The card of the panel that is selected, or of what is.</summary>
    public static PanelCard Of(BenchView view)
    {
        var (panel, plan) = (view.Panel, view.Plan);
        Func<WiredCircuit, VoltAmps> By(LegView way) => LegViews.Of(way, plan.Survey, plan.Book);
        var taken = By(plan.Job.Schools.Balance);
        var heavier = Math.Max(1, Math.Max(panel.On(Leg.A, taken).Value, panel.On(Leg.B, taken).Value));
        return new(panel, [.. Enum.GetValues<Leg>().Select(l => new LegLine(l, panel.On(l, taken), panel.On(l, taken).Value / heavier))],
            panel.ApartBy(taken),
            [.. Enum.GetValues<LegView>().Select(v => new LegsLine(v, panel.On(Leg.A, By(v)), panel.On(Leg.B, By(v))))],
            [.. FactsOf(view)]);
    }

    /// <summary>A load in kVA, to a tenth.</summary>
    public static string Kilo(VoltAmps load) => (load.Value / 1000).ToString("0.0", CultureInfo.InvariantCulture);

    private static IEnumerable<CardFact> FactsOf(BenchView view)
    {
        var (panel, plan) = (view.Panel, view.Plan);
        var listing = panel.Panel.Listing;
        var terminals = Terminals.Of(panel, plan.Job.Schools, plan.Book);
        string Of(int? most, string what = "") => most is { } n ? $", {(what.Length == 0 ? "of " : "")}{n}{what}" : "";
        yield return new("Neutral terminals", $"{terminals.Neutrals} taken, {terminals.Tails} of them tails{Of(listing.NeutralTerminals)}");
        yield return new("Ground terminals", $"{terminals.GroundScrews} for {terminals.Grounds}{Of(listing.GroundTerminals)}");
        yield return new("Poles", $"{panel.Poles} in {panel.Panel.Spaces} spaces{Of(listing.Circuits, " by the label")}");
        yield return new("Cables in", $"{terminals.Cables}{Of(listing.Knockouts, " knockouts")}");
        var bonds = plan.Job.BondsAt(panel.Panel);
        yield return new("Neutral and ground", bonds ? "bonded here and nowhere beyond" : "apart, no bonding screw")
        {
            Cites = plan.Book.Cite(bonds ? RuleId.NeutralBond : RuleId.NeutralApart),
        };
    }
}
