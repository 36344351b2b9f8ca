using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Every act says in one phrase what was done, or in one sentence why not; undoing it by its opposite leaves the job as it
/// was.</summary>
public sealed class SmallChangeTests
{
    private static readonly Job Job = Houses.Row(("den", RoomUse.Den, 14), ("bath", RoomUse.Bath, 8))
        .With(Houses.On("r", "den", 1, 60), Houses.Ceiling("l", "den", 60, 60), Houses.Switch("s", "den", 2, 60, DeviceKind.Switch, "l"));

    public static TheoryData<JobChange, string> Done => new()
    {
        { new NameRoom(new("den"), " Study "), "Call den Study" },
        { new SetRoomUse(new("den"), RoomUse.Bedroom), "Use den as bedroom" },
        { new ReserveBays(new() { Id = new("b"), For = "the stack", Room = new("den"), Wall = 1, Offset = 20.Inches(),
            Width = 32.Inches() }),
            "Keep 2'-8\" of wall 1 of den for the stack" },
        { new LeaveChase(new() { Id = new("c"), For = "later", Room = new("den"), Wall = 1, Offset = 20.Inches() }),
            "Leave a chase for later in wall 1 of den" },
        { new SetWant(new() { Id = new("w"), Kind = WantKind.Desk, Room = new("den"), Wall = 1, Offset = 20.Inches(),
            Width = 48.Inches() }),
            "Want desk in den" },
        { new AddHold(new(new("h"), "box:r", "its height", "the owner", "board")), "Wait for its height" },
        { new SetPanel(new() { Id = new("B"), Room = new("den"), Wall = 3, Offset = 60.Inches(), Rating = 100.Amps(), Spaces = 20,
            FedFrom = new("A") }), "Hang panel B in den" },
        { new AddDevice(new("s"), new() { Kind = DeviceKind.Dimmer }), "Add a dimmer to den switch" },
        { new NameBox(new("r"), "Desk"), "Call den receptacle Desk" },
        { new SetRating(new("r"), 0, 20.Amps()), "Make den receptacle 20 A" },
        { new SetBoxPlace(new("r"), true, false), "den receptacle: serves a counter" },
        { new PutRunInPipe(RunId.Parse("@A~r"), new("P1")), "Pull a run from box to box in pipe P1" },
        { new SetHeights([new("r"), new("s")], 20.Inches()), "Set 2 boxes at 1'-8\"" },
        { new SetStructure(new("house"), "House", Underfloor.Basement, true, true), "Change House" },
        { new AddLevel(new("house"), "Upper"), "Add level Upper to House" },
        { new AddObstruction(new("ground"), new("Beam", ObstructionKind.Beam, new(Length.Zero, 60.Inches()), 80.Inches(), 4.Inches())),
            "Put in Beam" },
        { new UseCrewSet("Denser", new() { HouseRules = new() { ReceptacleReach = 5.Feet() } }), "Work by the rules “Denser”" },
    };

    [Theory]
    [MemberData(nameof(Done))]
    public void What_was_done_is_said_in_one_phrase(JobChange change, string phrase)
    {
        var outcome = change.On(Job);
        Assert.Equal((null, phrase), (outcome.Refusal, outcome.Phrase));
        Assert.NotNull(Planner.Plan(outcome.Job!));
    }

    public static TheoryData<JobChange, string> Refused => new()
    {
        { new NameRoom(new("den"), ""), "1 to 40 characters" },
        { new SetRoomUse(new("cellar"), RoomUse.Den), "is not in this job any more" },
        { new ReleaseBays(new("none")), "are not in this job any more" },
        { new CloseChase(new("none")), "is not in this job any more" },
        { new DropWant(new("none")), "is not in this job any more" },
        { new DeletePanel(new("Z")), "is not in this job any more" },
        { new DeletePanel(new("A")), "exactly one panel is fed by the service" },
        { new SetPanel(new() { Id = new("B"), Room = new("den"), Wall = 3, Offset = 60.Inches(), Rating = 100.Amps(), Spaces = 20,
            FedFrom = new("Q") }), "is no panel that can feed this one" },
        { new SetPanel(new() { Id = new("A"), Room = new("den"), Wall = 3, Offset = 60.Inches(), Rating = 20.Amps(), Spaces = 20 }),
            "30 to 400 A" },
        { new RemoveDevice(new("s"), 0), "at least one device" },
        { new RemoveDevice(new("s"), 3), "there is no number 4" },
        { new SetControls(new("r"), 0, [new("l")]), "works no lamp" },
        { new SetControls(new("s"), 0, [new("gone")]), "is not in this job any more" },
        { new CentreBox(new("l"), CentreOn.Wall, 0), "nothing of that kind" },
        { new CentreBox(new("r"), CentreOn.Opening, 1), "there is no number 1" },
        { new DeleteOpening(new("none")), "is not in this job any more" },
        { new MoveOpening(new("none"), Length.Zero), "is not in this job any more" },
        { new DeleteFixture(new("den"), 1), "there is no number 1" },
        { new DeleteObstruction(new("ground"), 1), "there is no number 1" },
        { new MergeRooms(new("den"), new("den")), "Only two rooms of one level" },
        { new SplitRoom(new("den"), 1, 6.Inches(), "Other", RoomUse.Den), "Leave at least 1 ft on both sides" },
        { new CutCorner(new("den"), 9, 2.Feet(), 2.Feet()), "there is no corner 9" },
        { new CutCorner(new("den"), 1, 6.Inches(), 2.Feet()), "at least 1 ft each way" },
        { new CutCorner(new("den"), 1, 14.Feet(), 2.Feet()), "less than 1 ft of wall" },
        { new SetWallLength(new("den"), 1, 6.Inches()), "walls are at least 1 ft" },
        { new MoveStructure(new("house"), Length.Zero, Length.Zero, 18.Inches()), "No trench leads to House" },
        { new AddStructure("Shed", Length.Zero, 60.Feet(), RoomUse.Utility, 8.Feet(), 8.Feet(), new("Q"), 60.Amps(), 18.Inches()),
            "There is no panel Q" },
        { new AddStructure("Shed", Length.Zero, 60.Feet(), RoomUse.Utility, 8.Feet(), 8.Feet(), new("A"), 60.Amps(), 2.Inches()),
            "6 to 48 in of cover" },
    };

    [Theory]
    [MemberData(nameof(Refused))]
    public void What_cannot_be_done_is_told_and_nothing_is_changed(JobChange change, string says)
    {
        var outcome = change.On(Job);
        Assert.Null(outcome.Job);
        Assert.Contains(says, outcome.Refusal, StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_kept_wanted_or_hung_is_taken_back_again()
    {
        var kept = new ReserveBays(new()
        {
            Id = new("b"),
            For = "the stack",
            Room = new("den"),
            Wall = 1,
            Offset = 20.Inches(),
            Width = 32.Inches()
        }).On(Job).Job!;
        Assert.Empty(new ReleaseBays(new("b")).On(kept).Job!.Structures[0].Levels[0].Reservations);
        var chased = new LeaveChase(new() { Id = new("c"), For = "later", Room = new("den"), Wall = 1, Offset = 20.Inches() }).On(Job).Job!;
        Assert.Empty(new CloseChase(new("c")).On(chased).Job!.Structures[0].Levels[0].Chases);
        var wanted = new SetWant(new()
        {
            Id = new("w"),
            Kind = WantKind.Bed,
            Room = new("den"),
            Wall = 1,
            Offset = 20.Inches(),
            Width = 48.Inches()
        }).On(Job).Job!;
        Assert.Empty(new DropWant(new("w")).On(wanted).Job!.Wants);
        var hung = new SetPanel(new()
        {
            Id = new("B"),
            Room = new("den"),
            Wall = 3,
            Offset = 60.Inches(),
            Rating = 100.Amps(),
            Spaces = 20,
            FedFrom = new("A")
        }).On(Job).Job!;
        Assert.Single(new DeletePanel(new("B")).On(hung).Job!.Panels);
        var beamed = new AddObstruction(new("ground"),
            new("Beam", ObstructionKind.Beam, new(Length.Zero, 60.Inches()), 80.Inches(), 4.Inches())).On(Job).Job!;
        Assert.Empty(new DeleteObstruction(new("ground"), 1).On(beamed).Job!.Structures[0].Levels[0].Obstructions);
    }

    [Theory]
    [InlineData("Bedroom 2", "bedroom-2")]
    [InlineData("Grandmother's room", "grandmother-s-room")]
    [InlineData("···", "room")]
    [InlineData("A name that is very much longer than any id may be", "a-name-that-is-very-much-longer")]
    public void Ids_are_made_of_names(string name, string id) => Assert.Equal(id, Ids.Slug(name, "room"));

    [Fact]
    public void A_taken_id_gets_the_next_number() =>
        Assert.Equal(("den", "den-1", "den-3"),
            (Ids.Free("den", []), Ids.Free("den", ["den"]), Ids.Free("den", ["den", "den-1", "den-2"])));
}
