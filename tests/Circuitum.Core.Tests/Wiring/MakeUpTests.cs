using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Boxes made up as a journeyman would, word for word.</summary>
public sealed class MakeUpTests
{
    private static IReadOnlyList<string> Steps(Job job, string box)
    {
        var plan = Planner.Plan(job);
        return MakeUp.Steps(plan.WiringOf(new(box))!, plan.Survey[new(box)], plan.Book);
    }

    private static Job Two(Schools? schools = null) => Houses.Row(("den", RoomUse.Den, 20))
        .With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 1, 100)) with
    { Schools = schools ?? new() };

    [Fact]
    public void A_receptacle_between_two_cables_is_pigtailed() => Assert.Equal(
        ["Join bare of A and bare of B, with a pigtail to the green screw of the duplex.",
            "Join white of A and white of B, with a pigtail to the silver screw of the duplex.",
            "Join black of A and black of B, with a pigtail to the brass screw of the duplex."], Steps(Two(), "a"));

    [Fact] // 180 VA at 120 V beyond: 1.5 A go on through the device
    public void Or_fed_through_by_the_other_school() =>
        Assert.Contains("Black of A and black of B to the brass screw of the duplex, one under each screw: 1.5 A go on through the "
            + "device.", Steps(Two(new() { Joints = JointSchool.FeedThrough }), "a"));

    [Fact]
    public void The_last_box_needs_no_joint() => Assert.Equal(
        ["Bare of A to the green screw of the duplex.", "White of A to the silver screw of the duplex.",
            "Black of A to the brass screw of the duplex."], Steps(Two(), "b"));

    [Fact] // a bath's first receptacle protects the next: the feed on LINE, the other on LOAD
    public void A_protective_receptacle_has_its_line_and_its_load()
    {
        var job = Houses.Row(("bath", RoomUse.Bath, 20)).With(Houses.On("a", "bath", 1, 60), Houses.On("b", "bath", 1, 100)) with
        { Schools = new() { Gfci = GfciWay.FirstReceptacle } };
        var plan = Planner.Plan(job);
        var wiring = plan.WiringOf(new("a"))!;
        Assert.Equal(0, wiring.Protective);
        Assert.Equal('A', wiring.Line!.Letter);
        var steps = MakeUp.Steps(wiring, plan.Survey[new("a")], plan.Book);
        Assert.Contains("Black of A to the brass screw of the duplex.", steps);
        Assert.Contains("Black of B to the LOAD brass of the duplex.", steps);
        Assert.Contains("White of B to the LOAD silver of the duplex.", steps);
        Assert.Contains(steps, s => s.StartsWith("A is the LINE.", StringComparison.Ordinal));
    }

    [Fact]
    public void A_switch_loop_leaves_its_neutral_for_later()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20))
            .With(Houses.Ceiling("l", "den", 60, 60), Houses.Switch("s", "den", 4, 30, DeviceKind.Switch, "l")) with
        { Schools = new() { Feed = LightingFeed.LightFirst } };
        Assert.Equal(["Bare of A to the green screw of the switch.", "Cap the white of A: a neutral for a later control (404.2(C)).",
            "Black of A to the feed screw of the switch.", "Red of A to the leg screw of the switch."], Steps(job, "s"));
        Assert.Contains("Red of B to the black lead of the lamp.", Steps(job, "l"));
    }

    [Fact] // two conductors, no neutral: the white is the second leg and is marked
    public void A_water_heaters_white_is_re_marked()
    {
        var job = Houses.Row(("shop", RoomUse.Utility, 16))
            .With(Houses.Appliance("it", "shop", 1, 60, Houses.Plate(Appliance.WaterHeater, 240, 4500)));
        var steps = Steps(job, "it");
        Assert.Equal("Re-mark the white of A black: it is the second leg, no neutral (200.7(C)).", steps[0]);
        Assert.Contains("White of A to the second hot of the equipment.", steps);
    }

    [Fact]
    public void A_half_switched_receptacle_loses_its_brass_link()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20))
            .With(Houses.On("h", "den", 1, 100, DeviceKind.HalfSwitched), Houses.Switch("s", "den", 4, 30, DeviceKind.Switch, "h"));
        var steps = Steps(job, "h");
        Assert.Contains($"Black of A to the brass screw of the {Words.Of(DeviceKind.HalfSwitched)}.", steps);
        Assert.Contains(steps, s => s.StartsWith("Red of A to the brass of the switched half", StringComparison.Ordinal));
        Assert.Equal("Break off the link between the two brass screws; leave the silver one.", steps[^1]);
        var runs = Planner.Plan(job).CircuitOf(new("h"))!.Runs;
        Assert.Equal([Carried.Hot, Carried.Switched, Carried.Neutral], runs[^1].Carries.AsEnumerable());
    }

    [Fact] // light and blades apart: 14-3 from the two controls, and with two places for the light the travelers take the hot along, 14-4
    public void A_fans_own_control_has_its_own_hot()
    {
        Box Fan(params DeviceKind[] kinds) =>
            new()
            {
                Id = new("s"),
                Room = new("den"),
                Wall = 4,
                Offset = 30.Inches(),
                Devices = [.. kinds.Select(k => new Device { Kind = k, Controls = [new("f")] })]
            };
        var single = Houses.Row(("den", RoomUse.Den, 20))
            .With(Houses.Ceiling("f", "den", 120, 60, DeviceKind.CeilingFan), Fan(DeviceKind.Switch, DeviceKind.FanControl));
        var sized = Planner.Plan(single).CircuitOf(new("f"))!.Sized;
        Assert.Equal(["14-2", "14-3"], sized.Routed.Runs.Select(sized.CableOf));
        Assert.Contains("Red of B to the leg screw of the fan control.", Steps(single, "s"));

        var both = Houses.Row(("den", RoomUse.Den, 20))
            .With(Houses.Ceiling("f", "den", 120, 60, DeviceKind.CeilingFan), Fan(DeviceKind.ThreeWay, DeviceKind.FanControl),
                Houses.Switch("t", "den", 2, 30, DeviceKind.ThreeWay, "f"));
        sized = Planner.Plan(both).CircuitOf(new("f"))!.Sized;
        Assert.Equal([(RunKind.HomeRun, "14-2"), (RunKind.Traveler, "14-4"), (RunKind.SwitchLeg, "14-3")],
            sized.Routed.Runs.Select(r => (r.Kind, sized.CableOf(r))));
    }
}
