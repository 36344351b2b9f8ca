using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Problems;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>How panels are fed and bonded: feed-through lugs, neutral and ground, bars.</summary>
public sealed class SupplyTests
{
    // Panel B in a second room of the house, on the lugs of A.
    private static Job OnLugs(bool listed = true, int rating = 200)
    {
        var job = Houses.Row(("den", RoomUse.Den, 20), ("bed", RoomUse.Bedroom, 12))
            .With(Houses.On("r", "den", 1, 60), Houses.Appliance("heat", "bed", 1, 60, Houses.Plate(Appliance.SpaceHeater, 240, 3000)));
        return job with
        {
            Panels = [job.Panels[0] with { Listing = new() { FeedThrough = listed } },
            Houses.Panel("bed", 12) with { Id = new("B"), Wall = 2, Rating = rating.Amps(), FedFrom = new("A"), ByLugs = true }]
        };
    }

    private static Job Did(Job job, JobChange change) => change.On(job).Job!;

    [Fact] // behind the main of 200 A: 3/0 copper at 75 °C carries 200; no space, no breaker, its load on both legs
    public void Feed_through_lugs_take_no_space_and_no_breaker()
    {
        var job = OnLugs() with { Pipes = [new() { Id = new("p"), Circuits = [new("feeder-B")], Marked75 = true }] };
        var plan = Planner.Plan(job);
        var feeder = plan.Landed(new("feeder-B"))!;
        Assert.Equal(("lugs", 200m, "3/0"), (feeder.SpaceText, feeder.Breaker.Value, feeder.Gauge.ToString()));
        Assert.Equal(plan.Panels[0].Panel.Spaces - 1, plan.Panels[0].Left);
        // The heater's 3000 on both legs, the receptacle's 180 on one.
        Assert.Equal([1500m, 1680], new[] { plan.Panels[0].On(Leg.A).Value, plan.Panels[0].On(Leg.B).Value }.Order());
        Assert.DoesNotContain(plan.Tags, t => t.Rule is "408.54" or "408.36" or "110.3(B)");
        Assert.DoesNotContain(Takeoff.Hardware.Of(plan), m => m.Item == "Breaker 200 A, two poles");
        Assert.Contains(Takeoff.MakeUpGuide.Of(plan.Panels[0], plan.Job, plan.Book).Steps.SelectMany(s => s.Lines),
            l => l.Where == "feed-through lugs");
        Assert.Contains("takes no space", Assert.Throws<ChangeRefusedException>(() => Moving.To(plan.Panels, new("feeder-B"), 5)).Message,
            StringComparison.Ordinal);
    }

    [Fact]
    public void Lugs_that_the_label_has_not_are_red()
    {
        var job = OnLugs(listed: false);
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Rule == "110.3(B)");
        Assert.All(tag.Fixes, f => Assert.DoesNotContain(Planner.Plan(Did(job, f.Change)).Tags, t => t.Rule == "110.3(B)"));
        Assert.Equal(2, tag.Fixes.Length);
    }

    [Fact] // 200 A of the main on a panel of 100
    public void A_panel_on_lugs_is_rated_as_the_main() =>
        Assert.Contains(Planner.Plan(OnLugs(rating: 100)).Tags, t => t.Rule == "408.36" && t.Arithmetic == "200 A > 100 A.");

    [Fact]
    public void Two_feeders_on_the_lugs_are_red()
    {
        var job = OnLugs();
        job = job with { Panels = [.. job.Panels, job.Panels[1] with { Id = new("C"), Wall = 3 }] };
        Assert.Contains(Planner.Plan(job).Tags, t => t is { Severity: Severity.Red, Rule: "110.14(A)" });
    }

    [Fact]
    public void The_panel_on_the_service_is_on_no_lugs()
    {
        var job = OnLugs();
        Assert.Contains("no other panel's lugs",
            JobProblems.First(job with { Panels = [job.Panels[0] with { ByLugs = true }, job.Panels[1]] })!.ToString(),
            StringComparison.Ordinal);
    }

    [Theory] // panel, as found, bonded at the disconnect ahead: the rule that is broken, or none
    [InlineData("A", true, false, null)]
    [InlineData("A", false, false, "250.24(B), 250.28")]
    [InlineData("A", true, true, "250.24(A)(5), 250.142(B)")]
    [InlineData("A", false, true, null)]
    [InlineData("B", true, false, "250.24(A)(5), 250.142(B)")]
    [InlineData("B", false, false, null)]
    [InlineData("B", true, true, "250.24(A)(5), 250.142(B)")]
    [InlineData("B", null, true, null)]
    public void Neutral_and_ground_are_bonded_once(string panel, bool? found, bool ahead, string? rule)
    {
        var job = OnLugs() with { Service = new() { BondedAtDisconnect = ahead } };
        job = job with
        {
            Panels =
            [.. job.Panels.Select(p => p.Id.Value == panel ? p with { Listing = p.Listing with { Bonded = found } } : p)]
        };
        var told = Planner.Plan(job).Tags.Where(t => t.Rule.StartsWith("250.24", StringComparison.Ordinal)).ToList();
        Assert.Equal(rule, told.SingleOrDefault()?.Rule);
        Assert.All(told, t =>
            Assert.DoesNotContain(Planner.Plan(Did(job, t.Fixes[0].Change)).Tags,
                x => x.Rule.StartsWith("250.24", StringComparison.Ordinal)));
    }

    [Fact]
    public void Bonding_at_a_disconnect_that_is_not_there_is_red()
    {
        var job = OnLugs() with { Service = new() { BondedAtDisconnect = true, OutdoorDisconnect = false } };
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Rule == "250.24(A)(5)");
        Assert.All(tag.Fixes, f => Assert.DoesNotContain(Planner.Plan(Did(job, f.Change)).Tags, t => t.Rule == "250.24(A)(5)"));
    }

    // An old receptacle circuit, an old range and an old heater of 100 A: two neutrals, three grounds, of which an 8 has a screw to itself
    [Fact]
    public void What_stood_there_takes_terminals_too()
    {
        TakenSpace Old(int space, int poles, int amps, TakenUse use) =>
            new(space, poles, amps.Amps(), $"Old {space}", new(500)) { Use = use };
        var job = Houses.Row(("den", RoomUse.Den, 20));
        job = job with
        {
            Panels =
            [job.Panels[0] with { Listing = new() { GroundsUnderScrew = 2 },
                Taken = [Old(1, 1, 20, TakenUse.General), Old(2, 2, 50, TakenUse.Cooking), Old(5, 2, 100, TakenUse.Fixed)] }]
        };
        Assert.Equal(new Terminals(2, 0, 3, 2, 3), Terminals.Of(Planner.Plan(job).Panels[0], job.Schools, Books.Us2020));
    }

    [Theory] // a 50 A circuit in 6-3 brings a 10 AWG ground (Table 250.122), which may share its screw; a 70 A one in 4 an 8, which may not
    [InlineData(12_000, "10 bare", 1)]
    [InlineData(16_000, "8 bare", 2)]
    public void The_sheet_and_the_count_take_a_ground_by_its_own_size(int load, string ground, int screws)
    {
        var job = Houses.Row(("den", RoomUse.Den, 20))
            .With(Houses.Appliance("kiln", "den", 1, 60, Houses.Plate(Appliance.Other, 240, load) with { Individual = true }),
                Houses.Appliance("saw", "den", 1, 100, Houses.Plate(Appliance.Other, 240, 3000) with { Individual = true }));
        job = job with { Panels = [job.Panels[0] with { Listing = new() { GroundsUnderScrew = 2 } }] };
        var plan = Planner.Plan(job);
        var lines = Takeoff.MakeUpGuide.Of(plan.Panels[0], job,
            plan.Book).Steps.First(s => s.Title.StartsWith("Grounds", StringComparison.Ordinal)).Lines;
        Assert.Equal(ground, lines[0].What);
        Assert.Equal(screws == 1, lines[0].Where.StartsWith("one screw with", StringComparison.Ordinal));
        Assert.Equal(screws, Terminals.Of(plan.Panels[0], job.Schools, Books.Us2020).GroundScrews);
    }
}
