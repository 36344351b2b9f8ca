using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using static Circuitum.Tests.Support.Houses;

namespace Circuitum.Core.Tests;

/// <summary>The list for the counter: what covers the boxes, and large receptacles by what they are asked for.</summary>
public sealed class TrimMaterialTests
{
    private static int Of(Plan plan, string item) => Hardware.Of(plan).Where(m => m.Item == item).Sum(m => m.Quantity);

    private static Job Machine(Appliance appliance, int? breaker = null) => Row(("kitchen", RoomUse.Kitchen, 16), ("utility",
        RoomUse.Utility, 10))
        .With(Appliance("m", "kitchen", 1, 60, EquipmentLibrary.Typical(appliance) with
        { Breaker = breaker is int b ? new(b) : null, Mca = null, Mocp = null }, DeviceKind.ApplianceReceptacle));

    [Theory] // Table 210.21(B)(3): 30 A on 30, 40 or 50 A on 40, 50 on 50; a range of 50 A takes four wires
    [InlineData(Core.Jobs.Appliance.Dryer, null, "Receptacle 30 A, 125/250 V, four wires (14-30)")]
    [InlineData(Core.Jobs.Appliance.Range, null, "Receptacle 50 A, 125/250 V, four wires (14-50)")]
    [InlineData(Core.Jobs.Appliance.Range, 40, "Receptacle 50 A, 125/250 V, four wires (14-50)")]
    [InlineData(Core.Jobs.Appliance.Range, 60, "Receptacle 60 A, 125/250 V, four wires (14-60)")]
    [InlineData(Core.Jobs.Appliance.VehicleCharger, null, "Receptacle 50 A, 250 V, three wires (6-50)")]
    public void A_large_receptacle_is_asked_for_by_rating_and_wires(Appliance appliance, int? breaker, string item)
    {
        var plan = Planner.Plan(Machine(appliance, breaker));
        Assert.Equal(1, Of(plan, item));
        Assert.Equal(1, Of(plan, "Wall plate for a large receptacle"));
        Assert.Equal(0, Of(plan, "Appliance receptacle"));
    }

    [Fact] // two single boxes, one of two gangs, one outdoors, a lamp in the ceiling
    public void Plates_by_gangs_and_a_cover_outdoors()
    {
        var plan = Planner.Plan(Row(("den", RoomUse.Den, 16)).With(On("a", "den", 1, 40), On("b", "den", 1, 100),
            On("c", "den", 3, 60) with { Devices = [new() { Kind = DeviceKind.Duplex }, new() { Kind = DeviceKind.Duplex }] },
            On("d", "den", 3, 120) with { Outside = true }, Ceiling("l", "den", 60, 60),
            Switch("s", "den", 1, 130, DeviceKind.Switch, "l")));
        Assert.Equal(3, Of(plan, "Wall plate, 1 gang"));
        Assert.Equal(1, Of(plan, "Wall plate, 2 gangs"));
        Assert.Equal(1, Of(plan, "In-use cover, 1 gang"));
        Assert.Equal(1, Hardware.Of(plan).Count(m => m.Item.StartsWith("Panel A, 200 A, main breaker, 42 spaces",
            StringComparison.Ordinal)));
    }

    [Fact] // 300 ft of 12-2 with 5 % is 315 ft: 2 reels of 250 ft; 6-3 is cut
    public void Small_cable_comes_in_reels_and_large_is_cut() => Assert.All(Enumerable.Range(1, 8), number =>
    {
        foreach (var line in Hardware.Of(Planner.Plan(BuiltHouses.Number(number))).Where(m => m.For.Contains(" cut, waste",
            StringComparison.Ordinal)))
        {
            var gauge = line.Item.Split('-')[0];
            if (gauge is "14" or "12" or "10")
            {
                Assert.Contains($", {(line.Quantity + 249) / 250} reel", line.For, StringComparison.Ordinal);
            }
            else
            {
                Assert.EndsWith("cut to length", line.For, StringComparison.Ordinal);
            }
        }
    });

    [Fact] // the list and the boxes' own cards say the same: boxes by their volume, devices by what stands in them
    public void The_list_is_the_sum_of_the_boxes() => Assert.All(Enumerable.Range(1, 20), number =>
    {
        var plan = Planner.Plan(BuiltHouses.Number(number));
        var lines = Hardware.Of(plan);
        foreach (var given in plan.Survey.Boxes.Where(b => plan.CircuitOf(b.Box.Id)!.Boxes[b.Box.Id].Given is not null)
            .GroupBy(b => plan.CircuitOf(b.Box.Id)!.Boxes[b.Box.Id].Given!.Value.ToString()))
        {
            Assert.True(lines.Where(m => m.For == "boxes").Where(m => m.Item.Contains(given.Key, StringComparison.Ordinal)
                || m.Item.Contains("314.28", StringComparison.Ordinal)).Sum(m => m.Quantity) >= given.Count(), $"{number}: {given.Key}");
        }

        Assert.Equal(plan.Survey.Boxes.Length, lines.Where(m => m.For == "boxes").Sum(m => m.Quantity));
        Assert.Equal(plan.Survey.Boxes.Sum(b => b.Box.Devices.Count(d => d.Kind != DeviceKind.Equipment)),
            lines.Where(m => m.For == "devices").Sum(m => m.Quantity));
        var covered = plan.Survey.Boxes.Count(b => b.Box.Mount == Mount.Wall && b.Box.Devices.All(d => d.Kind.IsReceptacle()
            || d.Kind.IsSwitch())
            && !b.Box.Devices.Any(d => d.Kind == DeviceKind.Disconnect));
        Assert.True(lines.Where(m => m.Item.Contains("plate", StringComparison.OrdinalIgnoreCase) && m.Phase == MaterialPhase.Trim
            || m.Item.StartsWith("In-use", StringComparison.Ordinal)).Sum(m => m.Quantity) >= covered);
        Assert.All(lines.Where(m => m.For == "devices"), m => Assert.Equal(MaterialPhase.Trim, m.Phase));
        Assert.All(lines.Where(m => m.For == "boxes"), m => Assert.Equal(MaterialPhase.Rough, m.Phase));
    });
}
