using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Site;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>The pull list in a crew's order, what is done of it, and what a late change costs where cables lie.</summary>
public sealed class SitePlanTests
{
    private static readonly Instant Noon = new(1_777_896_000_000);

    private static SiteEntry Pulled(Plan plan, RunId run, int id, string who = "Ida")
    {
        var line = plan.Takeoff.Pulls.First(l => l.Run == run);
        return new(new(new Guid(id, 0, 0, new byte[8])), Subject.Run(run), SiteStep.Pulled, Noon.After(TimeSpan.FromMinutes(id)),
            Noon.After(TimeSpan.FromMinutes(id)), who,
            1)
        {
            As = new($"{line.From} → {line.To}", line.Cable, line.Length),
        };
    }

    private static SiteRecord AllPulled(Plan plan) =>
        SiteRecord.Of(plan.Takeoff.Pulls.Select((l, i) => Pulled(plan, l.Run, i + 1)));

    [Theory]
    [InlineData(2)]
    [InlineData(6)]
    [InlineData(11)]
    public void Every_run_is_in_one_group_whatever_the_manner(int number)
    {
        var plan = Planner.Plan(BuiltHouses.Number(number));
        foreach (var manner in Enum.GetValues<PullManner>())
        {
            var groups = PullOrder.Of(plan, manner);
            Assert.Equal(plan.Takeoff.Pulls.Select(l => l.Run.ToString()).Order(), groups.SelectMany(g => g.Lines).Select(l =>
                l.Run.ToString()).Order());
            Assert.All(groups, g => Assert.Equal(g.Lines.OrderByDescending(l => l.Length).Select(l => l.Length), g.Lines.Select(l =>
                l.Length)));
            Assert.All(groups, g => Assert.Equal(g.Cut, g.Cables.Select(c => c.Cut).Total()));
            Assert.All(groups.Where(g => g.Home), g => Assert.Single(g.Lines.Select(l => plan.FindRun(l.Run)!.Value.Run.From.Panel)
                .Distinct()));
        }

        Assert.Equal(plan.Takeoff.Pulls.Max(l => l.Length), PullOrder.Of(plan, PullManner.LongestFirst)[0].Lines[0].Length);
        var home = PullOrder.Of(plan, PullManner.SameWay).Select(g => g.Home).ToList();
        Assert.Equal(home.OrderDescending(), home);
    }

    [Theory]
    [InlineData(2)]
    [InlineData(6)]
    [InlineData(11)]
    public void Floors_circuits_and_people_add_up_to_the_whole(int number)
    {
        var plan = Planner.Plan(BuiltHouses.Number(number));
        var some = SiteRecord.Of(plan.Takeoff.Pulls.Where((_, i) => i % 3 != 0).Select((l, i) => Pulled(plan, l.Run, i + 1,
            i % 2 == 0 ? "Ida" : "Bo")));
        var all = SiteProgress.Pulled(plan, some);
        Assert.Equal(plan.Takeoff.Pulls.Length, all.All);
        Assert.Equal(plan.Takeoff.Pulls.Length - ((plan.Takeoff.Pulls.Length + 2) / 3), all.Done);
        Assert.Equal(plan.Footage, all.AllCut);
        foreach (var parts in new[] { SiteProgress.ByLevel(plan, some), SiteProgress.ByCircuit(plan, some) })
        {
            Assert.Equal((all.Done, all.All), (parts.Sum(t => t.Done), parts.Sum(t => t.All)));
            Assert.Equal(all.DoneCut, parts.Select(t => t.DoneCut).Total());
        }

        Assert.Equal(all.Done, SiteProgress.ByWho(plan, some).Sum(t => t.Done));
    }

    [Fact]
    public void What_is_pulled_as_planned_clashes_with_nothing()
    {
        var plan = Planner.Plan(BuiltHouses.Number(4));
        Assert.Empty(SiteClashes.Of(plan, AllPulled(plan)));
        Assert.Empty(SiteClashes.Of(plan, SiteRecord.Empty));
    }

    [Fact] // case 1: the last box of a circuit is taken out: the one cable to it comes out, its feet are lost, nothing is pulled
    public void A_box_taken_out_costs_its_cable()
    {
        var job = Houses.Row(("a", RoomUse.Bedroom, 12));
        job = job.With(Houses.On("r1", "a", 1, 30), Houses.On("r2", "a", 1, 90));
        var plan = Planner.Plan(job);
        var record = AllPulled(plan);
        Assert.Equal(2, plan.Takeoff.Pulls.Length);
        var last = plan.Takeoff.Pulls.First(l => l.Kind == RunKind.Jumper);
        var end = plan.FindRun(last.Run)!.Value.Run.To.Box!.Value;
        var after = Planner.Plan(new DeleteBox(end).On(job).Job!);
        var clash = Assert.Single(SiteClashes.Of(after, record));
        Assert.Equal((ClashKind.Gone, last.Length, Length.Zero), (clash.Kind, clash.Lost, clash.Again));
        Assert.Contains($"{last.From} → {last.To}", clash.Words, StringComparison.Ordinal);
    }

    [Fact] // case 2: the range wants 50 A after its 10-3 is pulled: that run again, 10-3 out and 6-3 in, by the same feet
    public void A_larger_range_costs_its_home_run()
    {
        var job = Houses.Row(("a", RoomUse.Kitchen, 12)).With(Houses.Appliance("range", "a", 1, 60,
            Houses.Plate(Appliance.Range, 240, 7000) with { Neutral = true, Breaker = 30.Amps() }));
        var plan = Planner.Plan(job);
        var run = Assert.Single(plan.Takeoff.Pulls);
        Assert.Equal("10-3", run.Cable);
        var after = Planner.Plan(new SetPlateBreaker(new("range"), 0, 50.Amps()).On(job).Job!);
        var clash = Assert.Single(SiteClashes.Of(after, AllPulled(plan)));
        Assert.Equal((ClashKind.OtherCable, run.Length, run.Length), (clash.Kind, clash.Lost, clash.Again));
        var feet = run.Length.WholeFeetUp;
        Assert.Equal($"On site: 1 pulled run does not fit any more: {feet} ft come out, {feet} ft go in",
            SiteClashes.CostOf(plan, after, AllPulled(plan)));
        Assert.Null(SiteClashes.CostOf(plan, after, SiteRecord.Empty));
        Assert.Null(SiteClashes.CostOf(after, after, AllPulled(plan)));
        Assert.Contains("10-3", clash.Words, StringComparison.Ordinal);
        Assert.Contains("6-3", clash.Words, StringComparison.Ordinal);

        // Kept as it lies, the plan has 10-3 again, and a red tag: 30 A on 10 copper is not 50.
        var kept = Planner.Plan(clash.Keep!.On(new SetPlateBreaker(new("range"), 0, 50.Amps()).On(job).Job!).Job!);
        Assert.Empty(SiteClashes.Of(kept, AllPulled(plan)));
        Assert.Contains(kept.Tags, t => t.Severity == Severity.Red && t.Rule.StartsWith("240.4", StringComparison.Ordinal));
    }

    [Fact] // case 3: a box is moved 5 ft along its wall away from the panel: the cable that was cut is short by what the plan adds
    public void A_box_moved_away_finds_its_cable_short()
    {
        var job = Houses.Row(("a", RoomUse.Bedroom, 16)).With(Houses.On("r1", "a", 1, 100));
        var plan = Planner.Plan(job);
        var near = Assert.Single(plan.Takeoff.Pulls);
        foreach (var offset in new[] { 40, 160 })
        {
            var after = Planner.Plan(new MoveBox(new("r1"), Length.FromInches(offset)).On(job).Job!);
            var now = Assert.Single(after.Takeoff.Pulls);
            var clashes = SiteClashes.Of(after, AllPulled(plan));
            if (now.Length > near.Length)
            {
                var clash = Assert.Single(clashes);
                Assert.Equal((ClashKind.Short, near.Length, now.Length), (clash.Kind, clash.Lost, clash.Again));
            }
            else
            {
                // What is cut longer than the way has slack, and stays.
                Assert.Empty(clashes);
            }
        }
    }

    [Fact]
    public void A_circuit_that_lands_elsewhere_is_told()
    {
        var plan = Planner.Plan(BuiltHouses.Number(4));
        var landed = plan.Panels[0].Circuits[0];
        SiteEntry Landed(string space) => new(new(new Guid(1, 0, 0, new byte[8])), Subject.Circuit(landed.Key), SiteStep.Landed, Noon, Noon,
            "Ida", 1)
        { As = new(landed.Description, space, Length.Zero) };
        Assert.Empty(SiteClashes.Of(plan, SiteRecord.Of([Landed($"{landed.Panel}{landed.SpaceText}")])));
        Assert.Equal(ClashKind.OtherSpace, Assert.Single(SiteClashes.Of(plan, SiteRecord.Of([Landed("A99")]))).Kind);

        // Landed where it was, and moved in the plan: kept, the plan has it there again. In another panel no pin can.
        var was = $"{landed.Panel}{landed.SpaceText}";
        var free = Enumerable.Range(1, plan.Panels[0].Panel.Spaces - 2).Select(n => new PanelSpace(n)).First(s => plan.Panels[0].Circuits
            .All(c => !c.Spaces.Contains(s.Number) && !c.Spaces.Contains(s.Number + 2)));
        var moved = new PinSpace(landed.Key, free).On(plan.Job).Job!;
        var clash = Assert.Single(SiteClashes.Of(Planner.Plan(moved), SiteRecord.Of([Landed(was)])));
        Assert.Empty(SiteClashes.Of(Planner.Plan(clash.Keep!.On(moved).Job!), SiteRecord.Of([Landed(was)])));
        Assert.Null(Assert.Single(SiteClashes.Of(plan, SiteRecord.Of([Landed("Z1")]))).Keep);
        var gone = Landed("A1") with { Subject = new(SubjectKind.Circuit, "no-such-circuit") };
        Assert.Equal(ClashKind.Gone, Assert.Single(SiteClashes.Of(plan, SiteRecord.Of([gone]))).Kind);
    }

    // What was used is planned and so many inches more at each box and at the panel, as a crew with other hands would use it.
    private static SiteRecord Used(Plan plan, int inchesAtBox, int inchesAtPanel) => SiteRecord.Of(plan.Takeoff.Pulls.Select((l, i) =>
        Pulled(plan, l.Run, i + 1) with
        {
            Used = l.Length + Length.FromInches(l.Kind == RunKind.Jumper ? 2 * inchesAtBox : inchesAtBox + inchesAtPanel),
        }));

    [Theory] // 8 in and 4 ft are planned
    [InlineData(4, 18)]
    [InlineData(-3, -12)]
    [InlineData(0, 24)]
    [InlineData(6, 0)]
    public void Allowances_are_found_again_from_what_was_used(int atBox, int atPanel)
    {
        var plan = Planner.Plan(BuiltHouses.Number(7));
        var better = BetterAllowances.Of(plan.Job.HouseRules, UsedFootage.Of(plan, Used(plan, atBox, atPanel)))!;
        Assert.Equal(plan.Job.HouseRules.SlackAtBox + Length.FromInches(atBox), better.Slack);
        Assert.Equal(plan.Job.HouseRules.AtPanel + Length.FromInches(atPanel), better.AtPanel);
        Assert.Equal(2, better.Sum.Length);

        // A plan by them agrees with what was used: both are cut to the next foot, so less than a foot apart.
        var rules = plan.Job.HouseRules with { SlackAtBox = better.Slack, AtPanel = better.AtPanel };
        var again = Planner.Plan(plan.Job with { HouseRules = rules });
        Assert.All(UsedFootage.Of(again, Used(plan, atBox, atPanel)).Where(u => u.Kind is RunKind.Jumper or RunKind.HomeRun),
            u => Assert.InRange(u.Median.Inches, -12, 12));
    }

    [Fact]
    public void Too_little_measured_offers_nothing_and_limits_hold()
    {
        var plan = Planner.Plan(BuiltHouses.Number(7));
        var few = SiteRecord.Of(Used(plan, 4, 4).Entries.Take(BetterAllowances.Enough - 1));
        Assert.Null(BetterAllowances.Of(plan.Job.HouseRules, UsedFootage.Of(plan, few)));
        Assert.Null(BetterAllowances.Of(plan.Job.HouseRules, UsedFootage.Of(plan, Used(plan, 0, 0))));
        var wild = BetterAllowances.Of(plan.Job.HouseRules, UsedFootage.Of(plan, Used(plan, -40, 900)))!;
        Assert.Equal((Length.Zero, Length.FromInches(240)), (wild.Slack, wild.AtPanel));
    }
}
