using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>Laws that hold for every plan without pins.</summary>
public sealed class PlanLawTests
{
    private static void Holds(Action<Plan> law) => RandomHouses.Jobs.Sample(job => law(Planner.Plan(job)), iter: 120);

    [Fact]
    public void Every_box_is_on_exactly_one_circuit_and_fed_by_one_run() => Holds(plan =>
    {
        Assert.Equal(plan.Job.Boxes.Select(b => b.Id.Value).Order(StringComparer.Ordinal), plan.Circuits.SelectMany(c => c.Circuit.Boxes)
            .Select(b => b.Value).Order(StringComparer.Ordinal));
        Assert.All(plan.Circuits, c => Assert.All(c.Circuit.Boxes, b =>
        {
            var way = c.WayTo(b);
            Assert.Equal("panel-A", way[0].From.Id);
            Assert.Equal(b, way[^1].To.Box);
        }));
    });

    [Fact]
    public void No_circuit_carries_more_than_its_breaker_nor_its_conductor_less() => Holds(plan => Assert.All(plan.Circuits, c =>
    {
        Assert.True(c.Circuit.Load.Required <= c.Breaker, $"{c.Circuit.Key}: {c.Circuit.Load.Required} > {c.Breaker}");
        Assert.True(c.Circuit.Load.Required <= c.Ampacity);
        Assert.True(plan.Book.Protects(c.Breaker, c.Ampacity, c.Circuit.Load.PortableReceptacles));
    }));

    [Fact] // what the planner decides itself satisfies its own checks; what a person placed may not
    public void A_plan_without_pins_has_no_red_tag_on_loads_or_conductors() => Holds(plan =>
        Assert.DoesNotContain(plan.Tags, t => t.Severity == Severity.Red
            && (t.Rule.StartsWith("210.1", StringComparison.Ordinal) || t.Rule.StartsWith("210.23", StringComparison.Ordinal)
                || t.Rule.StartsWith("240.4", StringComparison.Ordinal))
            && t.Rule is not "210.11(A)" and not "210.11(C)(1)"));

    [Fact]
    public void No_two_breakers_share_a_space_and_a_two_pole_spans_both_legs() => Holds(plan =>
    {
        var spaces = plan.Panels[0].Circuits.SelectMany(c => c.Spaces).ToList();
        Assert.Equal(spaces.Count, spaces.Distinct().Count());
        Assert.All(plan.Panels[0].Circuits.Where(c => c.Poles == 2), c =>
        {
            var (upper, lower) = (c.Spaces.First().Number, c.Spaces.Last().Number);
            Assert.Equal(upper + 2, lower);
            Assert.NotEqual(SpaceNumbers.LegOf(upper), SpaceNumbers.LegOf(lower));
        });
    });

    [Fact]
    public void No_run_is_shorter_than_the_straight_line_and_its_legs_join_up() =>
        Holds(plan => Assert.All(plan.Circuits.SelectMany(c => c.Runs), run =>
    {
        Assert.True(run.Way.Measured >= run.From.Place.At.StraightTo(run.To.Place.At));
        Assert.True(run.Length.Value > run.Way.Measured);
        Assert.All(run.Way.Legs.Zip(run.Way.Legs.Skip(1)), pair => Assert.Equal(pair.First.To, pair.Second.From));
        if (!run.Way.Legs.IsEmpty)
        {
            Assert.Equal((run.From.Place.At, run.To.Place.At), (run.Way.Legs[0].From, run.Way.Legs[^1].To));
        }
    }));

    [Fact]
    public void No_hole_holds_more_than_the_crew_puts_in_one_and_every_passage_has_its_hole() => Holds(plan =>
    {
        Assert.All(plan.Holes.All, h => Assert.InRange(h.Runs.Length, 1, plan.Job.HouseRules.CablesPerHole));
        // 6-2 and 8-3 lie straight across the joists underfoot (334.15(C)); everything else is bored.
        var across = Conductors.Boring.ThatLieAcross([.. plan.Circuits.Select(c => c.Sized)]);
        Assert.Equal(plan.Circuits.SelectMany(c => c.Runs)
            .Sum(r => r.Way.Passages.Count(p => !across.Contains(r.Id) || p.Spot is not { Kind: Routing.MemberKind.Joist, Level: 0 })),
            plan.Holes.All.Sum(h => h.Runs.Length));
    });

    [Fact]
    public void Volts_fall_along_every_way_by_what_each_run_carries() =>
        Holds(plan => Assert.All(plan.Circuits, c => Assert.All(c.Circuit.Boxes, box =>
    {
        var sized = c.Sized;
        var lost = c.WayTo(box)
            .Sum(r => Conductors.VoltageDrop.Of(sized.Through[r.Id], sized.GaugeOf(r), r.Length.Value, Books.Us2020).Value);
        Assert.Equal(decimal.Round(c.Circuit.Load.Volts.Value - lost, 6), decimal.Round(sized.VoltsAt[box].Value, 6));
    })));

    [Fact]
    public void Current_into_the_first_box_is_the_whole_circuits() => Holds(plan => Assert.All(plan.Circuits, c =>
        Assert.Equal(decimal.Round(c.Circuit.Load.Current.Value, 6),
            decimal.Round(c.Runs.Where(r => r.Upstream is null).Sum(r => c.Sized.Through[r.Id].Value), 6))));

    [Fact]
    public void Boxes_that_need_AFCI_or_GFCI_have_it_unless_a_device_is_in_the_way_and_tagged() =>
        Holds(plan => Assert.All(plan.Circuits, c => Assert.All(c.Outlets, outlet =>
    {
        Assert.True(outlet.Value.Afci is null || c.BreakerKind is Protection.BreakerKind.Afci or Protection.BreakerKind.DualFunction);
        Assert.True(outlet.Value.Gfci is null || c.HasGfci(outlet.Key)
            || plan.Tags.Any(t => t.Subject == Subject.Box(outlet.Key) && t.Rule == outlet.Value.Gfci.Section));
    })));

    [Fact]
    public void The_pull_list_adds_up_to_the_footage() => Holds(plan =>
    {
        Assert.Equal(plan.Takeoff.Pulls.Sum(p => p.Length.WholeFeetUp), plan.Takeoff.Cables.Sum(c => c.Length.WholeFeetUp));
        Assert.Equal(plan.Circuits.Sum(c => c.Runs.Length), plan.Takeoff.Pulls.Length);
    });

    [Fact]
    public void Every_fix_that_a_tag_offers_can_be_made() =>
        Holds(plan => Assert.All(plan.Tags.SelectMany(t => t.Fixes), fix => Assert.Null(fix.Change.On(plan.Job).Refusal)));

    [Fact]
    public void Descriptions_fit_the_door_and_differ() => Holds(plan =>
    {
        var words = plan.Panels[0].Circuits.Select(c => c.Description).ToList();
        Assert.Equal(words.Count, words.Distinct().Count());
        Assert.All(words, w => Assert.InRange(w.Length, 1, Panels.Descriptions.Longest));
    });
}
