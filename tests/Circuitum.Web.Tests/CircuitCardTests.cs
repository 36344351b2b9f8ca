using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Web.Bench;
using Circuitum.Web.Bench.Cards;

namespace Circuitum.Web.Tests;

/// <summary>What the card of a circuit says, without a browser.</summary>
public sealed class CircuitCardTests
{
    private static CircuitCard Card(string on) => CircuitCard.Of(DemoBench.View(on, Stage.Circuits));

    private static string Fact(CircuitCard card, string what)
    {
        var fact = card.Facts.Single(f => f.What == what);
        return fact.Before + fact.Text + fact.After;
    }

    [Fact] // a washer of 1000 VA and a receptacle of 180: 9.83 A of 20
    public void It_says_breaker_load_and_what_is_left()
    {
        var card = Card("circuit:laundry");
        Assert.Equal("20 A, one pole, AF+GF", Fact(card, "Breaker"));
        Assert.Equal("9.83 A of 20, 49.2 % filled", Fact(card, "Load"));
        Assert.Equal("1,000 VA, Washer", Fact(card, "Largest"));
        // 20 A less 9.83 A is 10.17 A: 1220 VA at 120 V.
        Assert.Equal("1,220 VA", Fact(card, "Room for"));
        Assert.DoesNotContain(card.Facts, f => f.What is "Resets at" or "Shares its neutral");
    }

    [Fact]
    public void A_box_of_it_says_where_it_is_reset() =>
        Assert.Contains("panel", Fact(Card("box:l-washer"), "Resets at"), StringComparison.Ordinal);

    [Fact]
    public void A_feeder_has_no_share_that_is_filled_and_no_room()
    {
        var card = Card("circuit:feeder-G");
        Assert.DoesNotContain("filled", Fact(card, "Load"), StringComparison.Ordinal);
        Assert.DoesNotContain(card.Facts, f => f.What is "Room for" or "Largest" or "Sized for");
        Assert.Equal(SubjectKind.Run, card.Facts.Single(f => f.What == "In").To!.Value.Kind);
    }

    [Fact]
    public void A_box_can_go_to_every_other_circuit_and_to_no_feeder()
    {
        var card = Card("circuit:laundry");
        Assert.Equal(DemoBench.Plan.Panels.Sum(p => p.Circuits.Length) - 1 - DemoBench.Plan.Circuits.Count(c => c.Feeds is not null),
            card.Others.Count);
        Assert.DoesNotContain(card.Landed, card.Others);
    }

    [Fact] // the demo holds a bath receptacle on the laundry's circuit
    public void It_knows_what_is_held_on_it() =>
        Assert.Equal((1, null), (Card("circuit:laundry").HeldBoxes, Card("circuit:laundry").PinnedBreaker));

    [Fact] // two ways are routed for it, so it is asked for and not drawn with every card
    public async Task Ways_together_are_compared_where_that_is_asked()
    {
        using var host = new BenchHost();
        var visitor = host.Visit();
        const string card = "/job/demo/circuits?on=circuit:kitchen-appliances-1";
        var plain = await visitor.GetAsync(card);
        Assert.Contains("Compare the ways both could go", plain, StringComparison.Ordinal);
        Assert.DoesNotContain("Where they part", plain, StringComparison.Ordinal);
        Assert.Contains("Where they part", await visitor.GetAsync(card + "&compare=together"), StringComparison.Ordinal);
        Assert.DoesNotContain("Where they part", await visitor.GetAsync("/job/demo/circuits?on=circuit:laundry&compare=together"),
            StringComparison.Ordinal);
    }
}
