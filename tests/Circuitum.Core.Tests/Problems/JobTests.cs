using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Problems;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>What makes a job impossible to plan, and what a change refuses.</summary>
public sealed class JobTests
{
    private static readonly Job Good = Houses.Row(("den", RoomUse.Den, 12)).With(Houses.On("b", "den", 1, 30));

    private static Job Rooms(Func<Room, Room> change) =>
        Good with
        {
            Structures =
            [Good.Structures[0] with {
                Levels = [Good.Structures[0].Levels[0] with { Rooms = [change(Good.Structures[0].Levels[0].Rooms[0])] }] }]
        };

    private static Job Boxes(Func<Box, Box> change) => Good with { Boxes = [change(Good.Boxes[0])] };

    private static Point P(int x, int y) => new(x.Feet(), y.Feet());

    public static TheoryData<string, Job> Impossible => new()
    {
        { "name", Good with { Name = " " } },
        { "rules", Good with { Edition = (Edition)2019 } },
        { "panels", Good with { Panels = [] } },
        { "panels", Good with { Panels = [Houses.Panel("den"), Houses.Panel("den") with { Id = new("B") }] } },
        { "fedFrom", Good with { Panels = [Houses.Panel("den"), Houses.Panel("den") with { Id = new("B"), FedFrom = new("C") }] } },
        { "fedFrom", Good with { Panels = [Houses.Panel("den"), Houses.Panel("den") with { Id = new("B"), FedFrom = new("C") },
            Houses.Panel("den") with { Id = new("C"), FedFrom = new("B") }] } },
        { "spaces", Good with { Panels = [Houses.Panel("den", 3)] } },
        { "spaces", Good with { Panels = [Houses.Panel("den", 86)] } },
        { "rating", Good with { Panels = [Houses.Panel("den") with { Rating = 29.Amps() }] } },
        { "wall 1", Rooms(r => r with { Corners = [P(0, 0), P(12, 2), P(12, 12), P(0, 12)] }) },
        { "crosses itself", Rooms(r => r with { Corners = [P(0, 0), P(6, 0), P(6, 10), P(2, 10), P(2, -4), P(0, -4)] }) },
        { "clockwise", Rooms(r => r with { Corners = [P(0, 0), P(0, 12), P(12, 12), P(12, 0)] }) },
        { "corners", Rooms(r => r with { Corners = [P(0, 0), P(12, 0), P(12, 12)] }) },
        { "does not fit", Rooms(r =>
            r with { Openings = [new() { Id = new("d"), Kind = OpeningKind.Door, Wall = 1, Offset = 130.Inches(),
                Width = 32.Inches() }] }) },
        { "wall 5 is not there",
            Rooms(r => r with { Openings =
                [new() { Id = new("d"), Kind = OpeningKind.Door, Wall = 5, Offset = 10.Inches(), Width = 32.Inches() }] }) },
        { "is not in the house", Boxes(b => b with { Room = new("attic") }) },
        { "wall 9 is not there", Boxes(b => b with { Wall = 9 }) },
        { "not on wall 1", Boxes(b => b with { Offset = -Length.FromInches(1) }) },
        { "past the end of its wall", Boxes(b => b with { Offset = 140.Inches() }) }, // 12'-0" on centres, 11'-5 1/2" clear
        { "lies outside", Boxes(b => b with { Mount = Mount.Ceiling, X = 200.Inches(), Y = 10.Inches() }) },
        { "height", Boxes(b => b with { Height = -Length.FromInches(1) }) },
        { "1 to 6 devices", Boxes(b => b with { Devices = [] }) },
        { "needs a nameplate", Boxes(b => b with { Devices = [new() { Kind = DeviceKind.Equipment }] }) },
        { "volts must be 120 or 240",
            Boxes(b => b with { Devices = [new() { Kind = DeviceKind.Equipment, Plate = Houses.Plate(Appliance.Other, 400, 100) }] }) },
        { "1 to 50,000 VA", Boxes(b =>
            b with { Devices = [new() { Kind = DeviceKind.Equipment, Plate = Houses.Plate(Appliance.Other, 240, 0) }] }) },
        { "MCA and MOCP together",
            Boxes(b => b with { Devices =
                [new() { Kind = DeviceKind.Equipment, Plate = Houses.Plate(Appliance.HeatPump, 240, 4000) with { Mca = new(20) } }] }) },
        { "MOCP not below MCA",
            Boxes(b => b with { Devices =
                [new() { Kind = DeviceKind.Equipment,
                    Plate = Houses.Plate(Appliance.HeatPump, 240, 4000) with { Mca = new(20), Mocp = new(15) } }] }) },
        { "no box of this job", Boxes(b => b with { Devices = [new() { Kind = DeviceKind.Switch, Controls = [new("ghost")] }] }) },
        { "used twice", Good.With(Houses.On("b", "den", 2, 30)) },
        { "letters, digits and dashes", Good.With(Houses.On("a b", "den", 2, 30)) },
        { "houseRules.sag", Good with { HouseRules = new() { Sag = new(31) } } },
        { "houseRules.cablesPerHole", Good with { HouseRules = new() { CablesPerHole = 0 } } },
        { "pins.boxes", Good with { Pins = new() { Boxes = [new(new("ghost"), new("den-receptacles"))] } } },
        { "pinned twice", Good with { Pins = new() { Boxes = [new(new("b"), new("x")), new(new("b"), new("y"))] } } },
        { "holds", Good with { Holds = [new(new("h"), "kitchen sink", "x", "y", "z")] } },
        { "amendments", Good with { Amendments = [new(AmendedRule.OutletsPerGeneralCircuit, null, "county")] } },
    };

    [Theory]
    [MemberData(nameof(Impossible), DisableDiscoveryEnumeration = true)]
    public void An_impossible_job_is_named_and_never_planned(string says, Job job)
    {
        var problem = JobProblems.First(job);
        Assert.NotNull(problem);
        Assert.Contains(says, problem.ToString(), StringComparison.Ordinal);
        Assert.Throws<ArgumentException>(() => Planner.Plan(job));
    }

    [Fact]
    public void The_good_job_has_no_problem() => Assert.Null(JobProblems.First(Good));

    [Fact] // 11'-5 1/2" clear
    public void A_box_may_stand_at_the_very_end_of_its_wall() =>
        Assert.Null(JobProblems.First(Boxes(b => b with { Offset = Length.FromInches(137.5m) })));

    [Fact]
    public void A_change_says_what_it_did()
    {
        Assert.Equal("Move den receptacle 6\"", new MoveBox(new("b"), 36.Inches()).On(Good).Phrase);
        Assert.Equal("Plan by the 2023 edition", new SetEdition(Edition.Y2023).On(Good).Phrase);
        Assert.Equal("Make den receptacle a GFCI receptacle", new SetDeviceKind(new("b"), 0, DeviceKind.GfciReceptacle).On(Good).Phrase);
    }

    public static TheoryData<string, JobChange> Refused => new()
    {
        { "not in this job any more", new MoveBox(new("ghost"), 36.Inches()) },
        { "past the end of its wall", new MoveBox(new("b"), 140.Inches()) },
        { "on a wall", new PlaceBox(new("b"), 10.Inches(), 10.Inches()) },
        { "there is no number 2", new SetDeviceKind(new("b"), 1, DeviceKind.Single) },
        { "has no nameplate", new SetPlateAmps(new("b"), 0, new(20), new(30)) },
        { "needs a nameplate", new SetDeviceKind(new("b"), 0, DeviceKind.Equipment) },
        { "50,000 VA", new SetLoad(new("b"), 0, new(60_000)) },
        { "used twice", new AddBox(Houses.On("b", "den", 1, 60)) },
        { "a space lies from 1 to 84", new PinSpace(new("den-receptacles"), 0) },
        { "10 to 400 A", new PinBreaker(new("den-receptacles"), 500.Amps()) },
        { "not in this job any more", new ReleaseHold(new("ghost")) },
    };

    [Theory]
    [MemberData(nameof(Refused), DisableDiscoveryEnumeration = true)]
    public void A_change_that_cannot_be_made_leaves_the_job_as_it_was(string says, JobChange change)
    {
        var outcome = change.On(Good);
        Assert.Null(outcome.Job);
        Assert.Contains(says, outcome.Refusal, StringComparison.Ordinal);
    }

    [Fact]
    public void Deleting_a_lamp_takes_its_switch_leg_its_pin_and_its_hold_along()
    {
        var job = Good.With(Houses.Ceiling("l", "den", 40, 40), Houses.Switch("s", "den", 3, 20, DeviceKind.Switch, "l")) with
        {
            Pins = new() { Boxes = [new(new("l"), new("x"))] },
            Holds = [new(new("h"), "box:l", "its kind", "the owner", "soon")],
        };
        var after = new DeleteBox(new("l")).On(job).Job!;
        Assert.Empty(after.Boxes.Single(b => b.Id.Value == "s").Devices[0].Controls);
        Assert.Empty(after.Pins.Boxes);
        Assert.Empty(after.Holds);
    }

    [Fact]
    public void Moving_a_box_tells_the_footage_that_followed()
    {
        var before = Planner.Plan(Good);
        var after = Planner.Plan(new MoveBox(new("b"), 90.Inches()).On(Good).Job!);
        var feet = after.Footage.WholeFeetUp - before.Footage.WholeFeetUp;
        Assert.True(feet > 0);
        Assert.Equal([$"+{feet} ft 12-2"], PlanDifference.Between(before, after));
        Assert.Empty(PlanDifference.Between(before, before));
    }
}
