using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>At tubs and showers: RuleId.TubSwitches, TubLights; hydromassage tubs and hot tubs: RuleId.HydromassageTub, HotTub,
/// HotTubLoad, HotTubDisconnect; warm floors: RuleId.FloorHeating.</summary>
public sealed class TubTests
{
    // A bath of 10 by 12 ft with a tub or shower of 60 by 30 in along its first wall.
    private static Plan Bath(FixtureKind kind, int ceiling, params Box[] boxes)
    {
        var job = Houses.Row(("b", RoomUse.Bath, 10)).With(boxes);
        var level = job.Structures[0].Levels[0];
        return Planner.Plan(job with
        {
            Structures = [job.Structures[0] with
            {
                Levels = [level with
                {
                    CeilingHeight = ceiling.Inches(),
                    Rooms = [level.Rooms[0] with
                    {
                        Fixtures = [new() { Kind = kind, Wall = 1, Width = 60.Inches(), Depth = 30.Inches() }],
                    }],
                }],
            }],
        });
    }

    private static bool IsRed(Plan plan, string section) =>
        plan.Tags.Any(t => t.Rule == section && t.Severity == Severity.Red && t.Subject == Subject.Box(new("x")));

    [Theory] // the tub ends 30 in from the wall, its zone 36 in on: 66
    [InlineData(DeviceKind.Pendant, 65, true)]
    [InlineData(DeviceKind.Pendant, 66, false)]
    [InlineData(DeviceKind.CeilingFan, 15, true)]
    [InlineData(DeviceKind.Lamp, 15, false)]
    public void Nothing_hangs_over_a_tub(DeviceKind kind, int from, bool red) =>
        Assert.Equal(red, IsRed(Bath(FixtureKind.Tub, 96, Houses.Ceiling("x", "b", 30, from, kind)), "410.10(D)"));

    [Theory] // 8 ft over a rim of 20 in is 116; over a threshold of 4 in 100
    [InlineData(FixtureKind.Tub, 115, true)]
    [InlineData(FixtureKind.Tub, 116, false)]
    [InlineData(FixtureKind.Shower, 99, true)]
    [InlineData(FixtureKind.Shower, 100, false)]
    public void Eight_feet_over_the_rim_it_may(FixtureKind kind, int ceiling, bool red) =>
        Assert.Equal(red, IsRed(Bath(kind, ceiling, Houses.Ceiling("x", "b", 30, 15, DeviceKind.Pendant)), "410.10(D)"));

    [Theory] // in the wall of the tub, past its end, and across the room
    [InlineData(1, 59, true)]
    [InlineData(1, 62, false)]
    [InlineData(3, 60, false)]
    public void No_switch_stands_in_a_tub(int wall, int at, bool red) => Assert.Equal(red, IsRed(Bath(FixtureKind.Tub, 96,
        Houses.Ceiling("l", "b", 60, 100), Houses.Switch("x", "b", wall, at, DeviceKind.Switch, "l")), "404.4(C)"));

    [Theory] // 9600 VA are 40 A, and a quarter for what heats for hours 50: in every edition behind ground-fault protection
    [InlineData(Edition.Y2017, "680.12")]
    [InlineData(Edition.Y2020, "680.13")]
    [InlineData(Edition.Y2023, "680.13")]
    public void A_hot_tub_has_its_protection_and_a_disconnect_out_of_reach(Edition edition, string section)
    {
        var job = (Houses.Row(("den", RoomUse.Den, 30)) with { Edition = edition }).With(
            Houses.Appliance("x", "den", 1, 60, EquipmentLibrary.Typical(Appliance.HotTub)) with { Outside = true });
        var plan = Planner.Plan(job);
        var circuit = plan.CircuitOf(new("x"))!;
        Assert.Equal((50m, BreakerKind.Gfci), (circuit.Breaker.Value, circuit.BreakerKind));
        var tag = Assert.Single(plan.Tags, t => t.Rule == section);
        var after = Planner.Plan(Assert.Single(tag.Fixes).Change.On(job).Job!);
        Assert.DoesNotContain(after.Tags, t => t.Rule == section);
        var placed = Assert.Single(after.Job.Boxes, b => b.Devices.Any(d => d.Kind == DeviceKind.Disconnect));
        Assert.True((placed.Offset - 60.Inches()).Abs() >= 60.Inches());
    }

    [Theory] // RuleId.FloorHeating: in a bath and a kitchen; 1800 VA for hours are 18.75 A, which 20 A carry
    [InlineData(RoomUse.Bath, BreakerKind.Gfci)]
    [InlineData(RoomUse.Kitchen, BreakerKind.DualFunction)]
    [InlineData(RoomUse.Garage, BreakerKind.Standard)]
    public void A_warm_floor_has_ground_fault_protection(RoomUse use, BreakerKind kind)
    {
        var plan = Planner.Plan(Houses.Row(("b", use, 10)).With(Houses.Appliance("x", "b", 1, 60,
            EquipmentLibrary.Typical(Appliance.FloorHeating) with { Load = new(1800) })));
        var circuit = plan.CircuitOf(new("x"))!;
        Assert.Equal((20m, kind), (circuit.Breaker.Value, circuit.BreakerKind));
        Assert.Contains(plan.Service.List.Loads, l => l is { Kind: Demand.LoadKind.SpaceHeat, Load.Value: 1800 });
    }

    [Fact] // 680.71: alone, whatever the crew shares, and behind ground-fault protection
    public void A_hydromassage_tub_is_alone_and_protected()
    {
        var tub = EquipmentLibrary.Typical(Appliance.HydromassageTub) with { Individual = false, Load = new(600) };
        var circuit = Planner.Plan(Houses.Row(("b", RoomUse.Bath, 10)).With(Houses.On("r", "b", 1, 60),
            Houses.Appliance("x", "b", 3, 60, tub))).CircuitOf(new("x"))!;
        Assert.Equal(new BoxId("x"), Assert.Single(circuit.Circuit.Boxes));
        Assert.Equal(BreakerKind.Gfci, circuit.BreakerKind);
        Assert.Contains(circuit.Circuit.Why.Steps, s => s.Cite == "680.71");
    }
}
