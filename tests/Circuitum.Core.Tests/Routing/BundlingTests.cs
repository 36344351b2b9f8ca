using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Cables together for more than 24 in, and what is tried before copper grows.</summary>
public sealed class BundlingTests
{
    private static readonly CodeBook Book = CodeBook.For(Edition.Y2020);

    [Theory] // Table 310.15(C)(1) begins beyond 24 in and above three conductors: 30 A of 12 at 90 °C
    [InlineData(24, 2, 4, 20)] // 24 in is not more than 24 in
    [InlineData(25, 1, 2, 20)]
    [InlineData(25, 2, 4, 20)] // 30 × .8 = 24, held to 20
    [InlineData(25, 4, 8, 20)] // 30 × .7 = 21, held to 20
    [InlineData(25, 5, 10, 15)] // 30 × .5
    public void A_bundle_is_adjusted_beyond_24_in(int inches, int cables, int carrying, decimal amps) =>
        Assert.Equal(amps, Ampacities.InCable(Gauge.Awg12, cables, carrying, new(30), Book, "there", bundled: inches.Inches()).Value.Value);

    // Six machines side by side at the far end of a room, each its own 20 A circuit: their home runs pass the same joists.
    private static Job Machines(int cablesPerHole, int ambient = 30, CableColumn column = CableColumn.Stackers)
    {
        var job = Houses.Row(("shop", RoomUse.Utility, 40))
            .With([.. Enumerable.Range(0, 6)
                .Select(i => Houses.Appliance($"m{i}", "shop", 2, 40 + (i * 2),
                    Houses.Plate(Appliance.Other, 120, 1900) with { Cord = true, Individual = true, Name = $"Machine {i}" },
                    DeviceKind.Single))]);
        return job with
        {
            Structures = [job.Structures[0] with { Levels = [job.Structures[0].Levels[0] with { AmbientAbove = new(ambient) }] }],
            HouseRules = job.HouseRules with { CablesPerHole = cablesPerHole },
            Schools = job.Schools with { Way = CableWay.Overhead, Column = column },
        };
    }

    [Fact]
    public void Six_home_runs_through_the_same_joists_are_bundled_by_the_crews_habit()
    {
        var plan = Planner.Plan(Machines(6));
        // Two to a hole after relief: twelve conductors together would leave 15 A for 1900 VA, 15.8 A.
        Assert.All(plan.Holes.All.Where(h => h.Spot.Kind == MemberKind.Joist), h => Assert.InRange(h.Runs.Length, 1, 2));
        Assert.All(plan.Circuits, c => Assert.Equal("12-2", c.Cable));
        var why = plan.Circuits[0].Sized.Gauge.Why.Steps;
        Assert.Contains(why, s => s.Text.StartsWith("spread over more holes first", StringComparison.Ordinal)
            && s.Value == "no larger conductor needed");
    }

    [Fact] // two together: 30 × .76 × .8 = 18.24 carries 15.83 A of one machine, next size up 20: three need not be parted further
    public void Three_to_a_hole_are_left_alone_where_the_sum_allows_it()
    {
        var plan = Planner.Plan(Machines(3));
        Assert.True(plan.Holes.Relieved.IsEmpty);
        Assert.Contains(plan.Holes.All, h => h.Spot.Kind == MemberKind.Joist && h.Runs.Length == 3);
    }

    [Fact] // 60 °C: 30 × .71 = 21.3 alone; two together × .8 = 17.0 ≥ 15.83 holds; three × .8 the same
    public void In_a_hot_attic_warmth_counts_with_the_bundle()
    {
        var sized = Planner.Plan(Machines(3, ambient: 60)).Circuits[0].Sized;
        Assert.Equal("12-2", sized.Cable);
        Assert.Equal(17.04m, decimal.Round(sized.Ampacity.Value.Value, 2));
    }

    [Fact] // both ways of the sum: 15.83 ÷ (.71 × .8 = .568) = 27.88 ≤ 30
    public void The_sum_is_told_the_other_way_round_too()
    {
        var steps = Planner.Plan(Machines(3, ambient: 60)).Circuits[0].Sized.Gauge.Why.Steps;
        var step = Assert.Single(steps, s => s.Text.StartsWith("the other way round", StringComparison.Ordinal));
        Assert.Contains("0.5680", step.Text, StringComparison.Ordinal);
        Assert.Equal("27.88 A ≤ 30 A", step.Value);
    }

    [Fact] // tied behind a staple they are in contact down the bay; in stackers they are not
    public void Ties_make_a_column_a_bundle_and_stackers_do_not()
    {
        static ILookup<RunId, CableBundle> Of(CableColumn column)
        {
            var plan = Planner.Plan(Machines(3, column: column));
            return Bundling.Find([.. plan.Circuits.Select(c => c.Routed)], plan.Holes, column, _ => true, 24.Inches());
        }

        // Along the joists they lie together either way.
        static List<CableBundle> AtPlates(ILookup<RunId, CableBundle> all) => [.. all.SelectMany(b => b)
            .Where(b => b.Insulated && b.Spot.Kind == MemberKind.Plate)];
        Assert.Empty(AtPlates(Of(CableColumn.Stackers)));
        Assert.Empty(AtPlates(Of(CableColumn.StapleOverStaple)));
        var ties = AtPlates(Of(CableColumn.Ties));
        Assert.NotEmpty(ties);
        Assert.All(ties, b => Assert.True(b.Long > 24.Inches()));
    }

    [Fact] // three of a hole in one tie: six conductors, 30 × .8 = 24 A ≥ 20, so that 12 stays 12; all six in one would leave 30 × .5 = 15
    public void A_tie_takes_the_cables_of_one_hole_however_many_come_down()
    {
        var plan = Planner.Plan(Machines(3, column: CableColumn.Ties));
        var bundles = Bundling.Find([.. plan.Circuits.Select(c => c.Routed)], plan.Holes, CableColumn.Ties, _ => true, 24.Inches());
        Assert.All(bundles.SelectMany(b => b), b => Assert.True(b.Runs.Length <= 3));
        Assert.Contains(bundles.SelectMany(b => b), b => b.Runs.Length == 3);
        Assert.All(plan.Circuits, c => Assert.Equal("12-2", c.Sized.Cable));
    }

    [Fact] // two tied down an insulated bay at 30 °C and bored through an attic of 60 °C: both places count, 30 × .71 × .8 = 17.04 in the
    // attic
    public void A_tie_in_a_cool_wall_does_not_hide_the_warm_attic()
    {
        var plan = Planner.Plan(Machines(2, ambient: 60, column: CableColumn.Ties));
        var bundles = Bundling.Find([.. plan.Circuits.Select(c => c.Routed)], plan.Holes, CableColumn.Ties, _ => true, 24.Inches())
            .SelectMany(b => b).ToList();
        Assert.Contains(bundles, b => b.Insulated && b.Ambient.Degrees == 30);
        Assert.Contains(bundles, b => !b.Insulated && b.Ambient.Degrees == 60);
    }

    [Fact] // 6-3 of a range lies straight across the joists of the crawl space; 12-2 is bored through
    public void Large_cable_lies_across_the_joists_underfoot()
    {
        var job = Houses.Row(("shop", RoomUse.Utility, 30))
            .With(Houses.Appliance("range", "shop", 2, 60, Houses.Plate(Appliance.Range, 240, 12000) with { Neutral = true, Cord = true },
                DeviceKind.ApplianceReceptacle), Houses.On("r", "shop", 2, 100)) with
        { Schools = new() { Way = CableWay.FromBelow } };
        var plan = Planner.Plan(job);
        Run HomeRun(string box) => plan.CircuitOf(new(box))!.HomeRun!;
        Assert.Contains(HomeRun("range").Way.Passages, p => p.Spot.Kind == MemberKind.Joist);
        Assert.DoesNotContain(plan.Holes.Of(HomeRun("range")), h => h.Spot.Kind == MemberKind.Joist);
        Assert.Contains(plan.Holes.Of(HomeRun("r")), h => h.Spot.Kind == MemberKind.Joist);
    }
}
