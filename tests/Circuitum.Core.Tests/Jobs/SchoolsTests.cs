using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Each school divides as it says; a room or a circuit may go its own way.</summary>
public sealed class SchoolsTests
{
    private static Box Machine(string id, Appliance appliance, decimal amps, int offset) =>
        Houses.Appliance(id, "kitchen", 1, offset, Houses.Plate(appliance, 120, amps * 120) with { Cord = true }, DeviceKind.Single);

    private static Job Kitchen(decimal dishwasher = 9.6m, decimal disposer = 7.2m) =>
        Houses.Row(("kitchen", RoomUse.Kitchen, 18), ("bath", RoomUse.Bath, 8), ("bath2", RoomUse.Bath, 8)).With(
        Machine("dw", Appliance.Dishwasher, dishwasher, 20), Machine("dis", Appliance.Disposer, disposer, 34),
            Machine("fridge", Appliance.Refrigerator, 6, 60),
        Houses.On("c1", "kitchen", 3, 30) with { ServesCounter = true }, Houses.On("c2", "kitchen", 3, 80) with { ServesCounter = true },
        Houses.Ceiling("l", "kitchen", 60, 60), Houses.Switch("s", "kitchen", 3, 140, DeviceKind.Switch, "l"),
        Houses.On("b1", "bath", 1, 30), Houses.Ceiling("bl", "bath", 40, 60), Houses.Switch("bs", "bath", 3, 20, DeviceKind.Switch, "bl"),
            Houses.Ceiling("fan", "bath", 60, 60, DeviceKind.BathFan),
        Houses.On("b2", "bath2", 1, 30));

    private static bool Together(Job job, params string[] boxes)
    {
        var plan = Planner.Plan(job);
        return boxes.Select(b => plan.CircuitOf(new(b))!.Circuit.Key).Distinct().Count() == 1;
    }

    [Theory] // 220.18(A), the disposer's motor at 125 %: 9.6 + 9 = 18.6 and 12 + 6.4 × 1.25 = 20 fit 20; 12 + 6.5 × 1.25 = 20.1 does not
    [InlineData(9.6, 7.2, DishwasherAndDisposer.OneWhereItFits, true)]
    [InlineData(12, 6.4, DishwasherAndDisposer.OneWhereItFits, true)]
    [InlineData(12, 6.5, DishwasherAndDisposer.OneWhereItFits, false)]
    [InlineData(9.6, 7.2, DishwasherAndDisposer.OneEach, false)]
    public void Dishwasher_and_disposer(double dishwasher, double disposer, DishwasherAndDisposer school, bool together) =>
        Assert.Equal(together,
            Together(Kitchen((decimal)dishwasher, (decimal)disposer) with { Schools = new() { Dishwasher = school } }, "dw", "dis"));

    [Theory] // by plate, as many inspectors take it: 12 + 8 = 20 fits, 12 + 8.1 does not
    [InlineData(8, true)]
    [InlineData(8.1, false)]
    public void A_motors_quarter_may_be_left_out_by_school(double disposer, bool together) =>
        Assert.Equal(together, Together(Kitchen(12, (decimal)disposer) with { Schools = new() { MotorQuarter = MotorQuarter.LeftOut } },
            "dw", "dis"));

    [Theory] // continuous: 8.8 × 1.25 = 11, 11 + 7.2 × 1.25 = 20 fits; 9.6 × 1.25 + 9 = 21 does not
    [InlineData(8.8, true)]
    [InlineData(9.6, false)]
    public void A_dishwasher_of_long_programmes_is_taken_as_continuous(double dishwasher, bool together) =>
        Assert.Equal(together, Together(Kitchen((decimal)dishwasher) with { Schools = new() { DishwasherRun = DishwasherRun.Continuous } },
            "dw", "dis"));

    [Theory] // half of 20 is 10: 9.6 and 10.0 may have the lights beside them, 10.1 may not
    [InlineData(9.6, true)]
    [InlineData(10.0, true)]
    [InlineData(10.1, false)]
    public void Kitchen_lights_with_the_dishwasher_while_half_the_rating_holds(double dishwasher, bool together)
    {
        var job = new DeleteBox(new("dis"))
            .On(Kitchen((decimal)dishwasher)).Job! with
        { Schools = new() { KitchenLights = KitchenLights.WithDishwasher } };
        Assert.Equal(together, Together(job, "dw", "l"));
        Assert.False(Together(job with { Schools = new() }, "dw", "l"));
    }

    [Fact]
    public void A_refrigerator_alone_or_with_its_kitchen()
    {
        var alone = Planner.Plan(Kitchen() with { Schools = new() { Refrigerator = RefrigeratorCircuit.Alone } })
            .CircuitOf(new("fridge"))!.Circuit;
        Assert.Equal((CircuitKind.Individual, 1), (alone.Kind, alone.Boxes.Length));
        Assert.Equal(CircuitKind.SmallAppliance, Planner.Plan(Kitchen()).CircuitOf(new("fridge"))!.Circuit.Kind);
    }

    [Fact] // 210.11(C)(3) and its exception
    public void Baths_share_or_are_each_alone_or_whole()
    {
        Assert.True(Together(Kitchen(), "b1", "b2"));
        Assert.False(Together(Kitchen() with { Schools = new() { Baths = BathReceptacles.OneEach } }, "b1", "b2"));
        var whole = Kitchen() with { Schools = new() { Baths = BathReceptacles.Whole } };
        Assert.True(Together(whole, "b1", "bl", "bs", "fan"));
        Assert.False(Together(whole, "b1", "b2"));
        Assert.DoesNotContain(Planner.Plan(whole).Tags, t => t.Rule.StartsWith("210.11(C)(3)", StringComparison.Ordinal));
    }

    [Fact]
    public void One_room_goes_its_own_way()
    {
        var job = Kitchen() with { RoomSchools = [new() { Room = new("bath"), Baths = BathReceptacles.Whole }] };
        Assert.True(Together(job, "b1", "bl"));
        Assert.False(Together(job, "b1", "b2"));
        Assert.Equal(CircuitKind.Bathroom, Planner.Plan(job).CircuitOf(new("b2"))!.Circuit.Kind);
    }

    [Fact] // one bedroom with its light on its receptacles' circuit, the other apart
    public void Lights_together_in_one_room_only()
    {
        var job = Houses.Row(("one", RoomUse.Bedroom, 12), ("two", RoomUse.Bedroom, 12)).With(
            Houses.On("r1", "one", 1, 30), Houses.Ceiling("l1", "one", 60, 60), Houses.Switch("s1", "one", 3, 20, DeviceKind.Switch, "l1"),
            Houses.On("r2", "two", 1, 30), Houses.Ceiling("l2", "two", 60, 60),
                Houses.Switch("s2", "two", 3, 20, DeviceKind.Switch, "l2")) with
        {
            RoomSchools = [new() { Room = new("one"), Lighting = LightsAndReceptacles.Together }],
        };
        Assert.True(Together(job, "r1", "l1"));
        Assert.False(Together(job, "r2", "l2"));
    }

    [Fact]
    public void One_circuit_has_a_larger_home_run_and_the_breaker_stays()
    {
        var job = Kitchen() with { CircuitSchools = [new() { Circuit = new("baths"), HomeRun = HomeRunSize.OneLarger }] };
        var sized = Planner.Plan(job).CircuitOf(new("b1"))!.Sized;
        Assert.Equal(("10", "12", 20m), (sized.HomeRunGauge.ToString(), sized.Gauge.Value.ToString(), sized.Breaker.Value.Value));
        Assert.Equal("12", Planner.Plan(Kitchen()).CircuitOf(new("b1"))!.HomeRunGauge.ToString());
    }

    [Theory] // a second panel at the far room: everything near it, or the heavy ones home to the main
    [InlineData(SubpanelHolds.EverythingNear, "B", "B")]
    [InlineData(SubpanelHolds.LightsAndReceptacles, "A", "B")]
    public void A_subpanel_holds_what_the_school_says(SubpanelHolds school, string heater, string receptacle)
    {
        var job = Houses.Row(("near", RoomUse.Den, 16), ("middle", RoomUse.Den, 16), ("far", RoomUse.Den, 16)).With(
            Houses.Appliance("wh", "far", 3, 60, Houses.Plate(Appliance.WaterHeater, 240, 4500)), Houses.On("r", "far", 1, 60)) with
        {
            Panels = [Houses.Panel("near"),
                new() { Id = new("B"), Room = new("far"), Wall = 2, Offset = 72.Inches(), Rating = 60.Amps(), Spaces = 12,
                    FedFrom = new("A") }],
            Schools = new() { Subpanel = school },
        };
        var plan = Planner.Plan(job);
        Assert.Equal((heater, receptacle), (plan.CircuitOf(new("wh"))!.Circuit.Panel.Value, plan.CircuitOf(new("r"))!.Circuit.Panel.Value));
    }

    // No aim is worth a broken rule: two small-appliance circuits stand however dear a breaker is; for next to nothing a third is had
    [Theory]
    [InlineData(1, 3)]
    [InlineData(30, 2)]
    [InlineData(500, 2)]
    public void Two_small_appliance_circuits_or_more_whatever_a_breaker_costs(int feet, int circuits) =>
        Assert.Equal(circuits,
            Planner.Plan(Kitchen() with { Aims = new() { Breaker = feet.Feet(), Lone = Length.Zero } }).Circuits.Count(c =>
                c.Circuit.Kind == CircuitKind.SmallAppliance));
}
