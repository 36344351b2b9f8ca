using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Pricing;
using Circuitum.Core.Site;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>What things cost: which line of a list counts, the sum of a offer, and what a change costs where cable lies.</summary>
public sealed class PricingTests
{
    private static readonly Terms Plain = new(new(60), new(0), new(0), new(0), new(0));

    private static PriceItem Item(string name, string unit, decimal price, decimal hours, string supplier = "") =>
        new(name, unit, new(price), new(hours)) { Supplier = supplier };

    private static PriceList List(params PriceItem[] items) => new([.. items]);

    // Everything by one line a unit, so that any house is priced in full.
    private static PriceList Flat { get; } = List(Item("*", "each", 3, 0.1m), Item("*", "ft", 0.75m, 0.01m), Item("*", "holes", 0, 0.02m),
        Item(PriceList.TakingOut, "ft", 0, 0.005m));

    [Theory]
    [InlineData("12-2", "12-2", true)]
    [InlineData("12-2", "12-2 UF", false)]
    [InlineData("12-* UF", "12-3 UF", true)]
    [InlineData("* THWN-2", "4 THWN-2", true)]
    [InlineData("* THWN-2", "4 THWN-2 aluminum", false)]
    [InlineData("Panel *, 200 A, *", "Panel A, 200 A, main breaker, 42 spaces", true)]
    [InlineData("Panel *, 200 A, *", "Panel B, 100 A, main breaker, 24 spaces", false)]
    [InlineData("a*ba", "aba", true)]
    [InlineData("ab*ba", "aba", false)]
    [InlineData("*a*b*", "xbxax", false)]
    [InlineData("*", "anything", true)]
    public void A_star_stands_for_any_words(string pattern, string item, bool fits) =>
        Assert.Equal(fits, Item(pattern, "each", 1, 0).Is(item, "each"));

    [Fact]
    public void The_line_that_says_most_counts_then_the_supplier_then_the_price()
    {
        var list = List(Item("*", "ft", 9, 0), Item("12-*", "ft", 2, 0), Item("12-2", "ft", 0.62m, 0, "Counter"),
            Item("12-2", "ft", 0.58m, 0, "Yard"));
        Assert.Equal(new Money(0.58m), list.Find("12-2", "ft")!.Price);
        Assert.Equal(new Money(0.62m), list.Find("12-2", "ft", "counter")!.Price);
        Assert.Equal(new Money(0.58m), list.Find("12-2", "ft", "Nobody")!.Price);
        Assert.Equal(new Money(2), list.Find("12-3", "ft")!.Price);
        Assert.Equal(new Money(9), list.Find("6-3", "ft")!.Price);
        Assert.Null(list.Find("12-2", "each"));
        // 0.3048 m to the foot: a metre of 0.58 by the foot is 1.9029.
        Assert.Equal(1.9029m, decimal.Round(list.Find("12-2", "m")!.Price.Value, 4));
    }

    [Fact] // 10 × 12.00 + 100 × 0.50 = 170; markup 20 % 34; 4 h at 75 = 300; 504; less 10 % 453.60; tax 8 % on (120 + 24) less 10 %
    public void A_sum_is_worked_by_hand()
    {
        var offer = new Offer(OfferKind.Estimate, "x", 1, new(new(75), new(20), new(8), new(10), new(30)),
        [
            new("rough", "box", "each", 10, new(12), new(0.2m), true, ""),
            new("rough", "hole", "holes", 100, new(0.5m), new(0.02m), false, ""),
            new("rough", "unknown", "each", 3, null, default, true, ""),
        ]);
        var sum = offer.Sum;
        Assert.Equal((170m, 34m, 4m, 300m), (sum.Material.Value, sum.Markup.Value, sum.Hours.Value, sum.Labor.Value));
        Assert.Equal((50.40m, 129.60m, 10.37m), (sum.Discount.Value, sum.Taxable.Value, sum.Tax.Value));
        Assert.Equal((463.97m, 139.19m), (sum.Total.Value, sum.Deposit.Value));
        Assert.Equal("unknown", Assert.Single(offer.Unpriced).Item);
    }

    [Fact] // the range wants 50 A after its 10-3 is pulled: no credit for the 10-3, its feet to take out, all of the 6-3
    public void Cable_that_lies_is_not_given_back()
    {
        var job = Houses.Row(("a", RoomUse.Kitchen, 12)).With(Houses.Appliance("range", "a", 1, 60,
            Houses.Plate(Appliance.Range, 240, 7000) with { Neutral = true, Breaker = 30.Amps() }));
        var (before, after) = (Planner.Plan(job), Planner.Plan(new SetPlateBreaker(new("range"), 0, 50.Amps()).On(job).Job!));
        var run = Assert.Single(before.Takeoff.Pulls);
        var feet = run.Length.WholeFeetUp;
        var bought = (int)Math.Ceiling(run.Length.Feet * (1 + (job.HouseRules.Waste.Value / 100)));
        var pulled = Pulled(before);

        var unpulled = ChangeOrders.Between((before, 1), (after, 2), SiteRecord.Empty, Flat, Plain, "larger range");
        Assert.Equal(-bought, Of(unpulled, "10-3"));
        Assert.Equal(bought, Of(unpulled, "6-3"));
        Assert.DoesNotContain(unpulled.Lines, l => l.Group == ChangeOrders.Lost);
        Assert.Contains(unpulled.Facts, f => f is { What: "Pulled again", Says: "nothing" });

        var offer = ChangeOrders.Between((before, 1), (after, 2), pulled, Flat, Plain, "larger range");
        Assert.Equal(0, Of(offer, "10-3"));
        Assert.Equal(bought, Of(offer, "6-3"));
        Assert.Equal(feet, Of(offer, PriceList.TakingOut));
        Assert.Contains(offer.Facts, f => f.What == "Pulled again" && f.Says == $"1 run: {feet} ft out, {feet} ft in");
        Assert.Equal('~', Assert.Single(Assert.Single(offer.Floors).Marks).Kind);
        // More by the 10-3 kept at 0.75 and 0.01 h of 60, and by taking it out at 0.005 h of 60.
        var more = (bought * (0.75m + 0.6m)) + (feet * 0.3m);
        Assert.InRange(offer.Sum.Total.Value - unpulled.Sum.Total.Value - more, -0.02m, 0.02m);
    }

    [Fact] // the last box of a circuit goes after its cable was pulled: the box and its device come back, the cable does not
    public void A_box_left_out_gives_back_all_but_its_cable()
    {
        var job = Houses.Row(("a", RoomUse.Bedroom, 12));
        job = job.With(Houses.On("r1", "a", 1, 30), Houses.On("r2", "a", 1, 90));
        var before = Planner.Plan(job);
        var last = before.Takeoff.Pulls.First(l => l.Kind == Routing.RunKind.Jumper);
        var end = before.FindRun(last.Run)!.Value.Run.To.Box!.Value;
        var after = Planner.Plan(new DeleteBox(end).On(job).Job!);
        var offer = ChangeOrders.Between((before, 3), (after, 7), Pulled(before), Flat, Plain, "");
        Assert.InRange(Of(offer, last.Cable), 0, 1);
        Assert.Equal(last.Length.WholeFeetUp, Of(offer, PriceList.TakingOut));
        Assert.Equal((3, 7), (offer.From, offer.Revision));
        Assert.Contains(offer.Lines, l => l.Group == ChangeOrders.LeftOut && l.Item.StartsWith("1-gang box", StringComparison.Ordinal)
            && l.Quantity == -1);
        Assert.Equal('−', Assert.Single(offer.Floors).Marks.Single(m => m.Kind == '−').Kind);
        Assert.Contains(offer.Facts, f => f is { What: "Boxes", Says: "2 → 1" });
    }

    [Theory]
    [InlineData(1)]
    [InlineData(5)]
    [InlineData(9)]
    [InlineData(14)]
    public void A_change_costs_the_difference_of_two_estimates_and_its_way_back_gives_it_back(int number)
    {
        var (before, after) = (Planner.Plan(BuiltHouses.Number(number)), Planner.Plan(BuiltHouses.Number(number + 20)));
        var there = ChangeOrders.Between((before, 1), (after, 2), SiteRecord.Empty, Flat, Plain, "");
        var back = ChangeOrders.Between((after, 2), (before, 1), SiteRecord.Empty, Flat, Plain, "");
        var (was, now) = (Estimates.Of(before, 1, Flat, Plain), Estimates.Of(after, 2, Flat, Plain));
        Assert.Empty(was.Unpriced);
        Assert.Equal(now.Sum.Material.Value - was.Sum.Material.Value, there.Sum.Material.Value);
        Assert.Equal(now.Sum.Hours.Value - was.Sum.Hours.Value, there.Sum.Hours.Value);
        Assert.Equal(there.Sum.Material.Value, -back.Sum.Material.Value);
        Assert.Equal(there.Sum.Hours.Value, -back.Sum.Hours.Value);
        var read = Planner.Plan(BuiltHouses.Number(number));
        var same = ChangeOrders.Between((before, 1), (read, 2), SiteRecord.Empty, Flat, Plain, "");
        Assert.Empty(same.Lines);
        Assert.Empty(same.Floors);
        Assert.Equal(Hardware.Of(before).Sum(m => Math.Max(0, m.Quantity)), was.Lines.Sum(l => l.Quantity));
    }

    [Fact]
    public void What_has_no_price_is_a_line_that_says_so()
    {
        var plan = Planner.Plan(BuiltHouses.Number(2));
        var offer = Estimates.Of(plan, 1, List(Item("12-2", "ft", 1, 0)), Plain);
        Assert.Equal(offer.Lines.Length - 1, offer.Unpriced.Length);
        Assert.Equal(offer.Lines.Single(l => l.Price is not null).Quantity, offer.Sum.Total.Value);
    }

    [Theory]
    [InlineData("12.50", 12.50)]
    [InlineData("$1,250", 1250)]
    [InlineData(" 0 ", 0)]
    public void Money_is_read_as_it_is_written(string text, decimal value) => Assert.Equal(value, Money.Parse(text).Value);

    [Theory]
    [InlineData("")]
    [InlineData("-3")]
    [InlineData("1.234")]
    [InlineData("1e5")]
    [InlineData("1000001")]
    [InlineData("twelve")]
    public void What_is_no_money_is_refused(string text) => Assert.Throws<FormatException>(() => Money.Parse(text));

    [Fact]
    public void Money_is_written_with_its_sign_before_it()
    {
        Assert.Equal("$1,234.50", new Money(1234.5m).In("$"));
        Assert.Equal("−$3.00", new Money(-3).In("$"));
        Assert.Equal("3.01", new Money(3.005m).ToTheCent.In(""));
    }

    [Theory]
    [InlineData(1001, 0, 0, 0, 0, "An hour")]
    [InlineData(75, 301, 0, 0, 0, "markup")]
    [InlineData(75, 0, -1, 0, 0, "tax")]
    [InlineData(75, 0, 0, 101, 0, "discount")]
    [InlineData(75, 0, 0, 0, 101, "deposit")]
    public void Terms_that_cannot_be_are_told(decimal rate, decimal markup, decimal tax, decimal discount, decimal deposit, string says)
    {
        Assert.Contains(says, new Terms(new(rate), new(markup), new(tax), new(discount), new(deposit)).Problem()!,
            StringComparison.Ordinal);
        Assert.Null(Terms.Usual.Problem());
    }

    private static int Of(Offer offer, string item) => offer.Lines.Where(l => l.Item == item).Sum(l => l.Quantity);

    private static SiteRecord Pulled(Plan plan) => SiteRecord.Of(plan.Takeoff.Pulls.Select((l, i) =>
        new SiteEntry(new(new Guid(i + 1, 0, 0, new byte[8])), Subject.Run(l.Run), SiteStep.Pulled, new(1_777_896_000_000 + i),
            new(1_777_896_000_000 + i), "Ida", 1)
        { As = new($"{l.From} → {l.To}", l.Cable, l.Length) }));
}
