using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Site;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>What is pulled and landed binds the plan, as long as no rule and no person asks for other.</summary>
public sealed class BindingTests
{
    private static readonly Instant Noon = new(1_777_896_000_000);

    private static SiteEntry Entry(int id, Subject subject, SiteStep step, AsDone done) =>
        new(new(new Guid(id, 0, 0, new byte[8])), subject, step, Noon, Noon, "Ida", 1) { As = done };

    private static SiteRecord Pulled(Plan plan, Func<Run, bool>? which = null) => SiteRecord.Of(plan.Takeoff.Pulls
        .Where(l => which is null || which(plan.FindRun(l.Run)!.Value.Run))
        .Select((l, i) => Entry(i + 1, Subject.Run(l.Run), SiteStep.Pulled, new($"{l.From} → {l.To}", l.Cable, l.Length))));

    // A change as the bench does it: circuits that were looked at stand, then what is pulled binds.
    private static Plan After(Plan before, JobChange change, SiteRecord record)
    {
        var outcome = change.OnSeen(before.Kept, before.Standing);
        Assert.True(outcome.Job is not null, outcome.Refusal);
        return Planner.Plan(Binding.Bind(outcome.Job!, before, record));
    }

    private static IEnumerable<string> Ends(Plan plan) => plan.Circuits.SelectMany(c => c.Runs).Select(r => r.Id.ToString()).Order();

    [Fact] // r1 at 2 ft and r3 at 14 ft of one wall, the panel on the west wall; r2 comes between them at 8 ft
    public void A_receptacle_between_two_is_fed_from_one_of_them_and_the_cable_that_lies_stays()
    {
        var plan = Planner.Plan(Houses.Row(("a", RoomUse.Bedroom, 16)).With(Houses.On("r1", "a", 1, 24), Houses.On("r3", "a", 1, 168)));
        Assert.Equal(["@A~r1", "r1~r3"], Ends(plan));
        var add = new AddBox(Houses.On("r2", "a", 1, 96));
        Assert.Equal(["@A~r1", "r1~r2", "r2~r3"], Ends(After(plan, add, SiteRecord.Empty)));

        // From r3 it is as far as from r1, and no box branches.
        var bound = After(plan, add, Pulled(plan));
        Assert.Equal(["@A~r1", "r1~r3", "r2~r3"], Ends(bound));
        Assert.Empty(SiteClashes.Of(bound, Pulled(plan)));

        // Taken back, it is free, and the plan goes its shortest way again.
        Assert.Equal(["@A~r1", "r1~r2", "r2~r3"], Ends(Planner.Plan(Binding.Bind(bound.Job, bound, SiteRecord.Empty))));
    }

    [Fact] // a crew that pulls home runs a size larger pulled this one in 10, and then gave that habit up
    public void A_cable_that_is_larger_than_it_need_be_stays()
    {
        var job = Houses.Row(("a", RoomUse.Bedroom, 16)).With(Houses.On("r1", "a", 1, 24), Houses.On("r2", "a", 1, 96));
        var plan = Planner.Plan(job with { Schools = job.Schools with { HomeRun = HomeRunSize.OneLarger } });
        var larger = plan.Circuits.Single().Sized.HomeRunGauge;
        Assert.True(larger > plan.Circuits.Single().Sized.Gauge.Value);
        var usual = job with { Schools = job.Schools with { HomeRun = HomeRunSize.Own } };
        Assert.True(Planner.Plan(usual).Circuits.Single().Sized.HomeRunGauge < larger);
        Assert.Equal(larger, Planner.Plan(Binding.Bind(usual, plan, Pulled(plan))).Circuits.Single().Sized.HomeRunGauge);
    }

    [Fact] // 10 AWG is good for 30 A and not for 50: the rule goes before what lies, and what it costs is told
    public void What_a_rule_asks_for_against_it_is_told_and_binds_no_more()
    {
        var job = Houses.Row(("a", RoomUse.Kitchen, 12)).With(Houses.Appliance("range", "a", 1, 60,
            Houses.Plate(Appliance.Range, 240, 7000) with { Neutral = true, Breaker = 30.Amps() }));
        var plan = Planner.Plan(job);
        var after = After(plan, new SetPlateBreaker(new("range"), 0, 50.Amps()), Pulled(plan));
        Assert.Equal("6-3", Assert.Single(after.Takeoff.Pulls).Cable);
        Assert.Equal(ClashKind.OtherCable, Assert.Single(SiteClashes.Of(after, Pulled(plan))).Kind);

        // The next change begins from a plan that the cable does not fit: it binds nothing, and 30 A brings 10-3 back.
        Assert.Empty(Binding.Bind(after.Job, after, Pulled(plan)).Built.Runs);
        Assert.Empty(SiteClashes.Of(After(after, new SetPlateBreaker(new("range"), 0, 30.Amps()), Pulled(plan)), Pulled(plan)));
    }

    [Fact]
    public void A_landed_breaker_stays_where_a_larger_one_comes()
    {
        var job = Houses.Shop(12, new(), ("saw", 120, 1200), ("lathe", 120, 1000));
        var plan = Planner.Plan(job);
        var landed = plan.Landed(new("saw"))!;
        var record = SiteRecord.Of([Entry(1, Subject.Circuit(landed.Key), SiteStep.Landed,
            new(landed.Description, $"{landed.Panel}{landed.SpaceText}", Length.Zero))]);
        var add = new AddBox(Houses.Appliance("welder", "shop", 3, 60, Houses.Plate(Appliance.Other, 240, 9000)));
        Assert.NotEqual(landed.Space, After(plan, add, SiteRecord.Empty).Landed(landed.Key)!.Space);
        var bound = After(plan, add, record);
        Assert.Equal(landed.Space, bound.Landed(landed.Key)!.Space);
        Assert.Empty(SiteClashes.Of(bound, record));
    }

    /// <summary>Over houses as people build them, all cable pulled, or every second: a receptacle that joins a circuit, or one that goes,
    /// leaves every other cable where it lies. Without binding many would be pulled again, so the law has something to say.</summary>
    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    public void A_receptacle_more_or_less_leaves_every_other_pulled_cable_where_it_lies(int every)
    {
        var freed = 0;
        for (var number = 1; number <= 12; number++)
        {
            var plan = Planner.Plan(BuiltHouses.Number(number));
            var record = SiteRecord.Of(Pulled(plan).Entries.Where((_, i) => i % every == 0));
            var room = plan.House.Rooms.First(r => r.Room.Use is RoomUse.Bedroom or RoomUse.Family);
            var side = room.Sides.MaxBy(s => s.Clear)!;
            var gone = plan.Survey.Boxes.Last(b => b.Room == room && b.Box.Devices.Any(d => d.Kind.IsReceptacle())).Box.Id;
            foreach (var (change, box) in new (JobChange, BoxId)[]
            {
                (new AddBox(Houses.On("one-more", room.Room.Id.Value, room.Sides.IndexOf(side) + 1, 10) with { Offset = side.Clear / 3 }),
                    new("one-more")),
                (new DeleteBox(gone), gone),
            })
            {
                bool Elsewhere(SiteClash clash) => clash.Entry.Subject.AsRun is not { } run
                    || (run.One != RunId.EndOf(box) && run.Other != RunId.EndOf(box));
                freed += SiteClashes.Of(After(plan, change, SiteRecord.Empty), record).Count(Elsewhere);
                Assert.Empty(SiteClashes.Of(After(plan, change, record), record).Where(Elsewhere)
                    .Select(c => $"house {number}: {c.Words}"));
            }
        }

        Assert.True(freed > 4, $"{freed} pulled again without binding");
    }
}
