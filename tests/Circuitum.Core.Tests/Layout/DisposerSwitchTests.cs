using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>A disposer is worked from the counter.</summary>
public sealed class DisposerSwitchTests
{
    private static readonly Box Disposer = Houses.On("d", "k", 1, 60, DeviceKind.Single) with
    {
        Height = 18.Inches(),
        Devices = [new() { Kind = DeviceKind.Single, Plate = EquipmentLibrary.Typical(Appliance.Disposer) }],
    };

    private static Job Kitchen => Houses.Row(("u", RoomUse.Utility, 8), ("k", RoomUse.Kitchen, 14)).With(Disposer);

    private static Tag? Told(Job job) => Planner.Plan(job).Tags.SingleOrDefault(t => t.Headline == "k: the disposer has no switch.");

    private static Job Mended(Job job) => Told(job)!.Fixes.Single().Change.On(job).Job!;

    [Fact] // 44 in up as what serves a counter, within six feet on the disposer's wall, on its circuit
    public void A_press_sets_its_switch_over_the_counter_on_its_own_circuit()
    {
        Assert.Equal(Severity.Amber, Told(Kitchen)!.Severity);
        var mended = Mended(Kitchen);
        var box = mended.Boxes.Single(b => b.Devices.Any(d => d.Controls.Contains(Disposer.Id)));
        Assert.Equal((1, 44m), (box.Wall, box.Height!.Value.Inches));
        Assert.InRange((box.Offset - Disposer.Offset).Abs().Inches, 2, 72);
        Assert.Null(Told(mended));
        var plan = Planner.Plan(mended);
        Assert.Equal(plan.CircuitOf(Disposer.Id)!.Circuit.Key, plan.CircuitOf(box.Id)!.Circuit.Key);
        Assert.Equal("Place the disposer's switch in k", Told(Kitchen)!.Fixes.Single().Change.On(Kitchen).Phrase);
    }

    [Fact]
    public void A_crew_with_a_button_on_the_sink_is_asked_for_no_box() =>
        Assert.Null(Told(Kitchen with { Schools = new() { DisposerSwitch = DisposerSwitch.OnTheSink } }));

    [Fact] // windows from corner to corner at 36 in: nothing stands at 44 in on that wall, and another wall takes it
    public void Where_a_window_takes_the_wall_another_takes_the_switch()
    {
        var level = Kitchen.Structures[0].Levels[0];
        var window = new Opening
        {
            Id = new("w"),
            Kind = OpeningKind.Window,
            Wall = 1,
            Offset = 4.Inches(),
            Width = 150.Inches(),
            Sill = 36.Inches(),
        };
        var job = Kitchen with
        {
            Structures = [Kitchen.Structures[0] with { Levels = [level with { Rooms = [level.Rooms[0],
                level.Rooms[1] with { Openings = [window] }] }] }],
        };
        var box = Mended(job).Boxes.Single(b => b.Devices.Any(d => d.Controls.Contains(Disposer.Id)));
        Assert.NotEqual(1, box.Wall);
    }

    [Fact] // thrown off it is dead, on it has the volts of its circuit
    public void Its_switch_stops_it()
    {
        var plan = Planner.Plan(Mended(Kitchen));
        var box = plan.Job.Boxes.Single(b => b.Devices.Any(d => d.Controls.Contains(Disposer.Id)));
        var house = new HouseNetwork(plan);
        decimal At(bool on) => house.Solve(HouseState.AsPlanned with { Thrown = on ? [new(box.Id, 0)] : [] },
            plan.CircuitOf(Disposer.Id)!.Circuit.Key).Between(Disposer.Id, 0, TerminalKind.Hot, TerminalKind.Neutral).Value;
        Assert.Equal(0m, decimal.Round(At(false), 1));
        Assert.InRange(At(true), 110, 120);
    }

    [Fact] // a lamp's switch would tie the lights to the disposer's breaker
    public void No_switch_of_a_lamp_stands_in_its_box()
    {
        var laid = new LayOut([new("k")]).On(Kitchen).Job!;
        var box = laid.Boxes.Single(b => b.Devices.Any(d => d.Controls.Contains(Disposer.Id)));
        Assert.Single(box.Devices);
    }
}
