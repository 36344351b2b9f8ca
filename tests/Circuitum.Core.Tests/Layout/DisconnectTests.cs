using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Equipment with a motor or electric heat has something in sight that shuts it off: RuleId.HeatingDisconnect,
/// MotorDisconnect.</summary>
public sealed class DisconnectTests
{
    private static Job With(Appliance appliance, string room = "far", bool own = false) =>
        Houses.Row(("den", RoomUse.Utility, 12), ("far", RoomUse.Utility, 12)).With(Houses.Appliance("m", room, 1, 60,
            Houses.Plate(appliance, 240, 4000) with { Motor = true, OwnDisconnect = own }));

    [Theory]
    [InlineData(Appliance.AirHandler, "424.19")]
    [InlineData(Appliance.Pump, "430.102(B)")]
    public void Out_of_sight_of_the_panel_it_is_owed_and_laid_out(Appliance appliance, string section)
    {
        var job = With(appliance);
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Rule == section);
        Assert.Equal((Severity.Red, Subject.Box(new("m"))), (tag.Severity, tag.Subject));
        var after = Planner.Plan(Assert.Single(tag.Fixes).Change.On(job).Job!);
        Assert.DoesNotContain(after.Tags, t => t.Rule == section);
        var placed = Assert.Single(after.Job.Boxes, b => b.Devices.Any(d => d.Kind == DeviceKind.Disconnect));
        Assert.False(placed.Outside);
        Assert.Equal(after.CircuitOf(new("m")), after.CircuitOf(placed.Id));
        Assert.DoesNotContain(after.Tags, t => t.Subject == Subject.Circuit(after.CircuitOf(new("m"))!.Circuit.Key)
            && t.Severity == Severity.Red);
    }

    [Theory] // 4000 W at 240 V is 16.7 A, 20.8 A at 125 %: 25 A on 10 AWG; the pump's motor is a quarter more and stays on 10
    [InlineData(Appliance.AirHandler)]
    [InlineData(Appliance.Pump)]
    public void From_what_shuts_it_off_a_whip_of_its_size_goes_on(Appliance appliance)
    {
        var job = With(appliance);
        Assert.DoesNotContain(Hardware.Of(Planner.Plan(job)), m => m.Item.StartsWith("Whip", StringComparison.Ordinal));
        var mended = Planner.Plan(job).Tags.First(t => t.Rule is "424.19" or "430.102(B)").Fixes.Single().Change.On(job).Job!;
        var whip = Assert.Single(Hardware.Of(Planner.Plan(mended)), m => m.Item.StartsWith("Whip", StringComparison.Ordinal));
        Assert.Equal(("Whip of 10 AWG, flexible metal, up to 6 ft", 1, MaterialPhase.Service), (whip.Item, whip.Quantity, whip.Phase));
        var outside = mended with { Boxes = [.. mended.Boxes.Select(b => b with { Outside = true })] };
        Assert.Contains(Hardware.Of(Planner.Plan(outside)), m => m.Item == "Whip of 10 AWG, liquid-tight, up to 6 ft");
    }

    [Theory] // 24 in along the wall, 48 in down from the disconnect, over to the pad, 6 in made up at either end
    [InlineData(null, 6)]
    [InlineData(0, 7)]
    [InlineData(12 * 64, 8)]
    [InlineData(36 * 64, 10)]
    [InlineData((36 * 64) + 1, 11)]
    public void A_unit_on_a_pad_has_a_whip_that_reaches_it(int? off, int feet)
    {
        var unit = Houses.Appliance("m", "den", 1, 60, Houses.Plate(Appliance.HeatPump, 240, 4000)) with { Outside = true };
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(unit, Houses.Switch("d", "den", 1, 84, DeviceKind.Disconnect, "m") with
        {
            Outside = true,
            Height = 48.Inches(),
        });
        var plan = Planner.Plan(new SetPad(new("m"), off is int far ? new Length(far) : null).On(job).Job!);
        var material = Hardware.Of(plan);
        Assert.EndsWith($"liquid-tight, up to {feet} ft", Assert.Single(material, m => m.Item.StartsWith("Whip", StringComparison.Ordinal))
            .Item, StringComparison.Ordinal);
        Assert.Equal(off is null ? 0 : 1, material.Count(m => m.Item == "Pad for equipment outdoors"));
    }

    [Fact] // to 10 ft from the wall, and outdoors only
    public void A_pad_lies_outdoors_within_ten_feet()
    {
        var unit = Houses.Appliance("m", "den", 1, 60, Houses.Plate(Appliance.HeatPump, 240, 4000)) with { Outside = true };
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(unit, Houses.On("r", "den", 1, 100) with { Outside = true });
        Assert.NotNull(new SetPad(new("m"), 10.Feet()).On(job).Job);
        Assert.Contains("0 to 10 ft from its wall", new SetPad(new("m"), 10.Feet() + new Length(1)).On(job).Refusal,
            StringComparison.Ordinal);
        Assert.Contains("0 to 10 ft from its wall", new SetPad(new("r"), 2.Feet()).On(job).Refusal, StringComparison.Ordinal);
        var on = new SetPad(new("m"), 2.Feet()).On(job).Job!;
        Assert.Null(new SetBoxPlace(new("m"), false, false).On(on).Job!.Boxes.First(b => b.Id == new BoxId("m")).OnPad);
    }

    [Theory] // the panel in its own room is in sight, and so is what is built in; a water heater's breaker is locked off instead
    [InlineData(Appliance.AirHandler, "den", false)]
    [InlineData(Appliance.AirHandler, "far", true)]
    [InlineData(Appliance.Pump, "far", true)]
    [InlineData(Appliance.WaterHeater, "far", false)]
    public void Nothing_more_is_owed(Appliance appliance, string room, bool own) =>
        Assert.DoesNotContain(Planner.Plan(With(appliance, room, own)).Tags, t => t.Rule is "424.19" or "430.102(B)" or "440.14");

    [Fact] // in the attic over a hall it is owed the same, and placed beside it
    public void An_air_handler_in_the_attic_has_one_too()
    {
        var job = With(Appliance.AirHandler);
        job = job with { Boxes = [job.Boxes[0] with { Mount = Mount.Ceiling, X = 40.Inches(), Y = 60.Inches() }] };
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Rule == "424.19");
        var after = tag.Fixes[0].Change.On(job).Job!;
        Assert.Equal((Mount.Ceiling, 64.Inches()), after.Boxes.Where(b => b.Devices.Any(d => d.Kind == DeviceKind.Disconnect))
            .Select(b => (b.Mount, b.X)).Single());
        Assert.DoesNotContain(Planner.Plan(after).Tags, t => t.Rule == "424.19");
    }

    [Fact] // a hall of 41-1/2 in with the unit in its middle: no 2 ft to the east or west, but along it
    public void In_a_narrow_hall_it_stands_along_it()
    {
        var job = Houses.Row(("den", RoomUse.Utility, 12), ("hall", RoomUse.Hall, 4)).With(new Box
        {
            Id = new("m"),
            Room = new("hall"),
            Mount = Mount.Ceiling,
            X = 20.Inches(),
            Y = 60.Inches(),
            Devices = [new() { Kind = DeviceKind.Equipment, Plate = Houses.Plate(Appliance.AirHandler, 240, 4000) }],
        });
        var after = new LayOut([new("hall")]).On(job).Job!;
        var placed = Assert.Single(after.Boxes, b => b.Devices.Any(d => d.Kind == DeviceKind.Disconnect));
        Assert.Equal((20.Inches(), 84.Inches()), (placed.X, placed.Y));
    }
}
