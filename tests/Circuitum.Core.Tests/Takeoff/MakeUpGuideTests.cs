using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Rules;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>The ordered sheet for making a panel up.</summary>
public sealed class MakeUpGuideTests
{
    // A range of 50 A on 6-3, a heater of 20 A on 12-2 with a white that is hot, a bedroom on an AFCI breaker, a pump.
    private static Job House(PanelListing? listing = null)
    {
        var job = Houses.Row(("bed", RoomUse.Bedroom, 12), ("den", RoomUse.Den, 12)).With(Houses.On("r1", "bed", 1, 30),
            Houses.Appliance("range", "den", 1, 40, Houses.Plate(Appliance.Range, 240, 12_000) with { Neutral = true }),
            Houses.Appliance("heat", "den", 3, 60, Houses.Plate(Appliance.SpaceHeater, 240, 3000)),
                Houses.Appliance("pump", "den", 3, 30, Houses.Plate(Appliance.Pump, 120, 900) with { Individual = true }));
        return job with { Panels = [job.Panels[0] with { Listing = listing ?? new() }] };
    }

    private static PanelMakeUp Guide(Job job) => MakeUpGuide.Of(Planner.Plan(job).Panels[0], job, CodeBook.For(job));

    private static PanelStep Step(PanelMakeUp guide, string title) =>
        guide.Steps.Single(s => s.Title.StartsWith(title, StringComparison.Ordinal));

    [Fact]
    public void Grounds_go_first_the_largest_at_the_head()
    {
        var guide = Guide(House());
        Assert.Equal(["Bring", "Grounds,", "Neutrals,", "Breakers,", "Whites", "Hots,", "Before"],
            guide.Steps.Select(s => s.Title.Split(' ')[0]));
        // Table 250.122: 50 A takes a 10; the others bring the 12 of their cable.
        Assert.Equal(["10 bare", "12 bare", "12 bare", "12 bare"], Step(guide, "Grounds").Lines.Select(l => l.What));
        Assert.All(Step(guide, "Grounds").Lines, l => Assert.Equal("a screw of its own", l.Where));
    }

    [Fact] // four small ones, two under a screw: two pairs, each naming the other
    public void Small_grounds_are_doubled_where_the_label_allows()
    {
        var lines = Step(Guide(House(new() { GroundsUnderScrew = 2 })), "Grounds").Lines;
        Assert.All(lines, l => Assert.StartsWith("one screw with", l.Where, StringComparison.Ordinal));
        Assert.Equal($"one screw with {lines[1].Number}", lines[0].Where);
        Assert.Equal($"one screw with {lines[0].Number}", lines[1].Where);
    }

    [Fact] // the heater's neutral is none; the bedroom's lands on its breaker, whose tail takes the terminal
    public void Neutrals_leave_out_what_has_none_and_tails_take_terminals()
    {
        var lines = Step(Guide(House()), "Neutrals").Lines;
        Assert.Equal(3, lines.Length);
        // Bedroom and den at 120 V are on AFCI breakers (210.12(A)).
        Assert.Equal(2, lines.Count(l => l.Where == "on the breaker, tail to the bar"));
        Assert.Equal("6 white", lines[0].What);
    }

    [Fact]
    public void The_white_of_a_two_wire_240_is_re_marked() =>
        Assert.Equal("12 white", Assert.Single(Step(Guide(House()), "Whites").Lines).What);

    [Fact]
    public void Torque_is_what_was_read_off_and_never_made_up()
    {
        Assert.All(Guide(House()).Steps, s => Assert.Null(s.Torque));
        Assert.Equal("as marked 35 in-lb", Step(Guide(House(new() { BarTorque = "as marked 35 in-lb" })), "Grounds").Torque);
    }

    [Fact]
    public void Terminals_that_stay_open_are_told()
    {
        var lines = Step(Guide(House(new() { NeutralTerminals = 24, GroundTerminals = 10 })), "Before").Lines;
        Assert.Contains(lines, l => l is { What: "21 of 24", Where: "neutral terminals left" });
        Assert.Contains(lines, l => l is { What: "6 of 10", Where: "ground terminals left" });
    }
}
