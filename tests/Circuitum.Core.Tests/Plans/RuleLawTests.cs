using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Problems;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>What holds of every house, whatever it is.</summary>
public sealed class RuleLawTests
{
    [Fact] // more to carry is never a smaller service, nor a smaller feeder
    public void Another_load_lowers_no_service_and_no_feeder()
    {
        var fed = 0;
        Gen.Select(RandomHouses.Jobs, Gen.Int[200, 9000], Gen.Int[0, 4], Gen.Bool)
        .Sample((drawn, load, what, across) =>
        {
            // A second panel in the last room, where there is more than one.
            var rooms = drawn.Rooms.ToList();
            var job = rooms.Count < 2 ? drawn : drawn with
            {
                Panels = [.. drawn.Panels,
                    Houses.Panel(rooms[^1].Id.Value, 20) with { Id = new("B"), Wall = 2, Offset = 40.Inches(), FedFrom = new("A") }],
            };
            var appliance = new[] { Appliance.Other, Appliance.SpaceHeater, Appliance.Pump, Appliance.AirHandler,
                Appliance.WaterHeater }[what];
            var more = job.With(Houses.Appliance("one-more", job.Rooms.First().Id.Value, 1, 12,
                Houses.Plate(appliance, across ? 240 : 120, across ? load : Math.Min(load, 1900)) with { Motor = load % 2 == 0 }));
            if (JobProblems.First(more) is not null || JobProblems.First(job) is not null)
            {
                return;
            }

            var (before, after) = (Planner.Plan(job), Planner.Plan(more));
            // The book itself makes three appliances of 100 per cent four of 75 (220.53).
            static bool Four(Demand.LoadSum sum) => sum.Lines.Any(l => l.Section == "220.53");
            // A panel that takes the one that came may leave its laundry to the other: a circuit less, and its 1500 VA with it (220.52).
            var (had, has) = (before.Service.List, after.Service.List);
            if (has.SmallApplianceCircuits + has.LaundryCircuits < had.SmallApplianceCircuits + had.LaundryCircuits)
            {
                return;
            }

            Assert.True(after.Service.Standard.Total >= before.Service.Standard.Total
                || (Four(after.Service.Standard) && !Four(before.Service.Standard)));
            // And it takes electric heat at 40 per cent from the fourth control on (220.82(C)(5)).
            Assert.True(after.Service.Optional!.Total >= before.Service.Optional!.Total
                || (after.Service.List.HeatingControls >= 4 && before.Service.List.HeatingControls < 4));
            // Where the same boxes are behind it; others may have gone to another panel for the one that came.
            foreach (var feeder in before.Circuits.Where(c => c.Sized.Feeding is not null))
            {
                var now = after.Circuits.Single(c => c.Circuit.Key == feeder.Circuit.Key);
                var behind = feeder.Circuit.Load.Items.Select(i => i.Box).ToHashSet();
                if (behind.IsSubsetOf(now.Circuit.Load.Items.Select(i => i.Box)))
                {
                    fed++;
                    Assert.True(now.Sized.Feeding!.Current >= feeder.Sized.Feeding!.Current
                        || (Four(now.Sized.Feeding.Chosen) && !Four(feeder.Sized.Feeding.Chosen)), feeder.Circuit.Key.Value);
                }
            }
        }, iter: 150, threads: 1);
        Assert.True(fed > 10, $"{fed} feeders were compared");
    }

    [Fact] // 210.8 grows from edition to edition; 2023 alone lets listed heating and cooling off outdoors
    public void A_later_edition_takes_no_ground_fault_protection_away() => RandomHouses.Jobs.Sample(job =>
    {
        var plans = Editions.Of(RuleFamily.UnitedStates).Select(e => Planner.Plan(job with { Edition = e, Amendments = [] })).ToList();
        foreach (var (earlier, later) in plans.Zip(plans.Skip(1)))
        {
            foreach (var box in earlier.Survey.Boxes)
            {
                bool Asked(Plan plan) => plan.CircuitOf(box.Box.Id)!.Outlets[box.Box.Id].Gfci is not null;
                var listed = box.Plates.Any(p => p.Appliance is Appliance.HeatPump or Appliance.AirHandler);
                Assert.True(!Asked(earlier) || Asked(later) || (listed && later.Job.Edition == Edition.Y2023),
                    $"{box.Box.Id}, {earlier.Job.Edition} to {later.Job.Edition}");
            }
        }
    }, iter: 60);
}
