using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>What a crew marks, labels, leaves and looks for on site.</summary>
public sealed class OnSiteTests
{
    private static Job Bedroom => Houses.Row(("hall", RoomUse.Hall, 8), ("bed", RoomUse.Bedroom, 14)).With(
        Houses.On("r1", "bed", 3, 30), Houses.On("r2", "bed", 3, 100), Houses.On("r3", "bed", 1, 60),
        Houses.Ceiling("lamp", "bed", 80, 70), Houses.Switch("sw", "bed", 1, 20, DeviceKind.Switch, "lamp"));

    [Fact] // a two-gang box is 2-1/4 + 1-13/16 = 4-1/16 in wide: at 3'-4" its near edge is at 40 − 2-1/32 in
    public void A_wall_sheet_measures_from_the_corner_on_the_left()
    {
        var job = Bedroom.With(new Box
        {
            Id = new("two"),
            Room = new("bed"),
            Wall = 1,
            Offset = 40.Inches(),
            Devices = [new() { Kind = DeviceKind.Switch, Controls = [new("lamp")] }, new() { Kind = DeviceKind.Duplex }],
        });
        var wall = Assert.Single(WallSheets.Of(Planner.Plan(job), new("bed")), w => w.Side.Number == 1);
        Assert.Equal(["sw", "two", "r3"], wall.Marks.Select(m => job.Boxes.First(b => b.Offset == m.Middle && b.Wall == 1).Id.Value));
        var two = wall.Marks[1];
        Assert.Equal(40m - 2.03125m, two.NearEdge.Inches);
        Assert.Equal(2, two.Gangs);
        Assert.StartsWith("S+R A", two.Stud, StringComparison.Ordinal);
        Assert.Equal(job.HouseRules.SwitchHeight, two.Bottom);
    }

    [Fact] // every box on a wall stands on exactly one sheet
    public void No_box_on_a_wall_is_left_out()
    {
        var plan = Planner.Plan(BuiltHouses.Number(5));
        Assert.Equal(plan.Survey.Boxes.Count(b => b.Box.Mount == Mount.Wall), WallSheets.Of(plan).Sum(w => w.Marks.Length));
    }

    [Fact] // with pigtails a device takes nothing with it; where it carries the feed on, all that hangs on it dies
    public void What_dies_with_a_device_is_what_it_carries()
    {
        for (var number = 1; number <= 10; number++)
        {
            var job = BuiltHouses.Number(number);
            foreach (var school in Enum.GetValues<JointSchool>())
            {
                var plan = Planner.Plan(job with { Schools = job.Schools with { Joints = school, Gfci = GfciWay.Breaker } });
                foreach (var circuit in plan.Circuits.Where(c => c.Devices.IsEmpty))
                {
                    foreach (var box in circuit.Circuit.Boxes.Where(b => plan.Survey[b].Box.Devices is [{ Kind: DeviceKind.Duplex }]))
                    {
                        var dead = Failure.Of(circuit, plan.Survey, school, new(box, 0)).Select(b => b.Box.Id.Value).ToHashSet();
                        // By the tree of runs alone: the hot of any cable that leaves sits on the device, not in a splice.
                        var carried = circuit.Wiring(plan.Survey[box], school).Joints.Any(j => j.By == JointBy.Device);
                        var beyond = circuit.Circuit.Boxes.Where(b => b != box && !plan.Survey[b].SwitchesOnly
                            && circuit.WayTo(b).Any(r => r.From.Box == box)).Select(b => b.Value).ToHashSet();
                        Assert.True(carried ? dead.SetEquals(beyond) : dead.Count == 0, $"house {number}, {school}, {box}");
                    }
                }
            }
        }
    }

    [Fact]
    public void Without_pigtails_something_does_die()
    {
        var plan = Planner.Plan(Bedroom with { Schools = new() { Joints = JointSchool.FeedThrough } });
        var circuit = plan.CircuitOf(new("r1"))!;
        Assert.Contains(circuit.Circuit.Boxes, b => plan.Survey[b].HasGeneralReceptacle
            && !Failure.Of(circuit, plan.Survey, JointSchool.FeedThrough, new(b, 0)).IsEmpty);
    }

    [Fact] // a foot and a half more at one end of every run that ends there
    public void A_hold_leaves_cable_until_it_comes()
    {
        var job = Bedroom;
        var held = new AddHold(new(new("h"), "box:lamp", "fixture height", "owner", "before board") { Slack = 18.Inches() }).On(job).Job!;
        Plan before = Planner.Plan(job), after = Planner.Plan(held);
        foreach (var run in before.Circuits.SelectMany(c => c.Runs))
        {
            var now = after.FindRun(run.Id)!.Value.Run;
            var ends = new[] { run.From.Box, run.To.Box }.Count(b => b == new BoxId("lamp"));
            Assert.InRange((now.Length.Value - run.Length.Value).Inches, 18 * ends - 11.99m, (18 * ends) + 11.99m);
            Assert.Equal(ends > 0, now.Length.Why.Steps.Any(s => s.Text.Contains("while a fact is waited for", StringComparison.Ordinal)));
        }

        Assert.Contains(before.Circuits.SelectMany(c => c.Runs), r => r.To.Box == new BoxId("lamp"));
        Assert.Contains("0 to 20 ft", new AddHold(new(new("h"), "room:bed", "size", "", "") { Slack = 1.Feet() }).On(job).Refusal,
            StringComparison.Ordinal);
        Assert.Contains("0 to 20 ft", new AddHold(new(new("h"), "box:lamp", "size", "", "") { Slack = 21.Feet() }).On(job).Refusal,
            StringComparison.Ordinal);
    }

    [Fact] // one cable on LINE, the others on LOAD; a box of two gangs says what each works
    public void Strips_say_LINE_and_LOAD_and_what_each_gang_works()
    {
        var baths = Houses.Row(("hall", RoomUse.Hall, 8), ("bath", RoomUse.Bath, 12)) with
        {
            Schools = new() { Gfci = GfciWay.FirstReceptacle },
        };
        var plan = Planner.Plan(baths.With(Houses.On("r1", "bath", 3, 30), Houses.On("r2", "bath", 3, 100),
            Houses.Ceiling("lamp", "bath", 60, 70), Houses.Ceiling("fan", "bath", 90, 70, DeviceKind.BathFan), new Box
            {
                Id = new("sw"),
                Room = new("bath"),
                Wall = 1,
                Offset = 20.Inches(),
                Devices = [new() { Kind = DeviceKind.Switch, Controls = [new("lamp")] },
                    new() { Kind = DeviceKind.Switch, Controls = [new("fan")] }],
            }));
        var strips = Labels.Of(plan, LabelKind.Cables);
        var device = plan.Circuits.SelectMany(c => c.Devices.Keys).Single();
        var wiring = plan.WiringOf(device)!;
        Assert.Equal(1, strips.Count(l => l.Where == plan.Survey[device].Name && l.Big.Contains("LINE", StringComparison.Ordinal)));
        Assert.Equal(wiring.Cables.Length - 1,
            strips.Count(l => l.Where == plan.Survey[device].Name && l.Big.Contains("LOAD", StringComparison.Ordinal)));
        var switches = Assert.Single(Labels.Of(plan, LabelKind.Boxes), l => l.Lines.Any(x => x.StartsWith("2: ",
            StringComparison.Ordinal)));
        Assert.Contains("1: switch works bath lamp", switches.Lines);
        Assert.Contains("2: switch works bath fan", switches.Lines);
    }

    [Fact] // the one look on the phone: which button
    public void A_dead_outlet_names_the_button_that_brings_it_back()
    {
        var job = Houses.Row(("hall", RoomUse.Hall, 8), ("bath", RoomUse.Bath, 12)).With(Houses.On("r1", "bath", 3, 30),
            Houses.On("r2", "bath", 3, 100));
        var byDevice = Planner.Plan(job with { Schools = new() { Gfci = GfciWay.FirstReceptacle } });
        var button = byDevice.Circuits.SelectMany(c => c.Devices.Keys).Single();
        Assert.All(job.Boxes, b => Assert.Equal(button, Resets.ButtonOf(byDevice, b.Id)));
        var byBreaker = Planner.Plan(job with { Schools = new() { Gfci = GfciWay.Breaker } });
        Assert.All(job.Boxes, b => Assert.Null(Resets.ButtonOf(byBreaker, b.Id)));
        Assert.All(job.Boxes, b => Assert.StartsWith("ground fault: panel A", Resets.Of(byBreaker, b.Id), StringComparison.Ordinal));
    }
}
