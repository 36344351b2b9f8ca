using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Switches at one door are gangs of one box, not boxes side by side.</summary>
public sealed class OneBoxAtADoorTests
{
    [Fact] // on 40 houses laid out by the rules: no two boxes of switches within a foot of a wall that work one room's lamps
    public void Switches_of_one_room_at_one_door_share_a_box() => Assert.All(Enumerable.Range(1, 40), number =>
    {
        var job = BuiltHouses.Number(number);
        var boxes = job.Boxes.ToDictionary(b => b.Id);
        var switches = job.Boxes.Where(b => b.Mount == Mount.Wall && !b.Outside && b.Devices.All(d => d.Kind.IsSwitch())
            && b.Devices.SelectMany(d => d.Controls).All(lamp => boxes[lamp].Room == b.Room)).ToList();
        Assert.NotEmpty(switches);
        Assert.Equal([], switches.SelectMany((a, i) => switches.Skip(i + 1).Where(b => a.Room == b.Room && a.Wall == b.Wall
            && (a.Offset - b.Offset).Abs() <= 12.Inches()).Select(b => $"{a.Id} and {b.Id}")));
    });

    [Fact]
    public void No_box_has_more_than_four_gangs() => Assert.All(Enumerable.Range(1, 40), number =>
        Assert.DoesNotContain(BuiltHouses.Number(number).Boxes, b => b.Devices.Length > 4));

    [Fact] // an air handler at the door of every room: what shuts it off is no gang of the lamp's switch, which is on another circuit
    public void What_shuts_a_machine_off_stands_in_a_box_of_its_own() => Assert.All(Enumerable.Range(1, 20), number =>
    {
        var job = BuiltHouses.Number(number);
        var house = House.Framing.Frame(job);
        job = job with { Boxes = job.Boxes.RemoveAll(b => b.Devices.All(d => d.Kind.IsSwitch())) };
        var machines = house.Rooms.SelectMany(r => r.Sides.SelectMany(s => s.Openings.Where(o => o.Opening.Kind == OpeningKind.Door)
                .Select(o => (r, s, At: o.To + 8.Inches())))).Where(x => x.At < x.s.Clear - 12.Inches()).DistinctBy(x => x.r.Room.Id)
            .Select((x, i) => Houses.Appliance($"ah-{i}", x.r.Room.Id.Value, x.s.Number, 1, Houses.Plate(Appliance.AirHandler, 240, 9000))
                with
            { Offset = x.At }).ToArray();
        var laid = Changes.LayOut.Everything.On(job.With(machines)).Job!;
        Assert.Contains(laid.Boxes, b => b.Devices.Any(d => d.Kind == DeviceKind.Disconnect));
        Assert.DoesNotContain(laid.Boxes, b => b.Devices.Any(d => d.Kind == DeviceKind.Disconnect) && b.Devices.Length > 1);
    });
}
