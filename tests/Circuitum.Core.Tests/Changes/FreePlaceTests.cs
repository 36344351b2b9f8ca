using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>What is set lands on nothing: it is refused, and the free stretches are told from the wall's west or north end.</summary>
public sealed class FreePlaceTests
{
    private static readonly RoomId Room = new("kitchen");

    // 12 ft inside each way.
    private static Job House => new NewJob
    {
        Name = "Free",
        Edition = Editions.Newest(RuleFamily.UnitedStates),
        FirstRoom = "Kitchen",
        FirstUse = RoomUse.Kitchen,
        Width = 12.Feet(),
        Depth = 12.Feet(),
    }.Start();

    private static Opening Window(int wall, int feet, int wide = 3) => new()
    {
        Id = new($"w{wall}-{feet}"),
        Kind = OpeningKind.Window,
        Wall = wall,
        Offset = feet.Feet(),
        Width = wide.Feet(),
    };

    private static Fixture On(FixtureKind kind, int wall, int feet, int wide, int deep = 2) => new()
    {
        Kind = kind,
        Wall = wall,
        Offset = feet.Feet(),
        Width = wide.Feet(),
        Depth = deep.Feet(),
    };

    private static Job Done(Job job, JobChange change) => change.On(job) is { Job: { } done } ? done
        : throw new InvalidOperationException(change.On(job).Refusal);

    private static string Refused(Job job, JobChange change)
    {
        var outcome = change.On(job);
        Assert.Null(outcome.Job);
        return outcome.Refusal!;
    }

    [Fact] // wall 3 runs west: 2 ft from its start is 12 − 2 − 3 = 7 ft from its west end
    public void An_opening_is_not_set_upon_another()
    {
        var job = Done(House, new AddOpening(Room, Window(3, 2)));
        Assert.Equal("The window is there already, from 7'-0\" to 10'-0\". The south wall of Kitchen is free 0\" to 7'-0\", from its west "
            + "end.", Refused(job, new AddOpening(Room, Window(3, 4))));
        job = Done(job, new AddOpening(Room, Window(3, 5)));
        Assert.Contains("The window is there already", Refused(job, new MoveOpening(new("w3-5"), 4.Feet())), StringComparison.Ordinal);
        Assert.Equal(6.Feet(), Done(job, new MoveOpening(new("w3-5"), 6.Feet())).Rooms.Single().Openings[1].Offset);
        Assert.Contains("has no 8'-0\" free for a window; the longest free stretch is 4'-0\".", Refused(job, new AddOpening(Room,
            Window(3, 3, 8))), StringComparison.Ordinal);
    }

    [Fact] // the door of a room is in the wall of its neighbor too
    public void A_neighbor_s_door_is_in_the_way()
    {
        var job = Done(House, new AddRoom(Room, 2, Length.Zero, 12.Feet(), 10.Feet(), "Hall", RoomUse.Hall));
        job = Done(job, new AddOpening(Room, Window(2, 3) with { Kind = OpeningKind.Door }));
        var hall = job.Rooms.Last();
        var west = Enumerable.Range(1, 4).Single(w => hall.SideOf(w) == "west");
        Assert.Contains("The door is there already, from 3'-0\" to 6'-0\".", Refused(job, new AddOpening(hall.Id, Window(west, 7))),
            StringComparison.Ordinal);
    }

    [Fact] // the west wall runs north: a tub from 0 to 5 ft of its start leaves 0 to 7 ft from its north end
    public void A_thing_is_not_set_upon_another()
    {
        var job = Done(House, new AddFixture(Room, On(FixtureKind.Tub, 4, 0, 5)));
        Assert.Equal("The tub stands there already. The west wall of Kitchen is free 0\" to 7'-0\", from its north end.",
            Refused(job, new AddFixture(Room, On(FixtureKind.Toilet, 4, 4, 2))));
        // Round the corner too: what stands on the next wall reaches along this one.
        Assert.Contains("free 2'-0\" to 12'-0\", from its west end", Refused(job, new AddFixture(Room, On(FixtureKind.Vanity, 3, 10, 2))),
            StringComparison.Ordinal);
        Done(job, new AddFixture(Room, On(FixtureKind.Toilet, 4, 5, 2)));
        Assert.Equal("The tub stands there already. Set the table beside it.", Refused(job, new AddFixture(Room,
            new() { Kind = FixtureKind.Table, X = 1.Feet(), Y = 9.Feet(), Width = 3.Feet(), Depth = 3.Feet() })));
    }

    [Theory] // what is built in, under or over another
    [InlineData(FixtureKind.Counter, FixtureKind.Sink)]
    [InlineData(FixtureKind.Counter, FixtureKind.Range)]
    [InlineData(FixtureKind.Counter, FixtureKind.Dishwasher)]
    [InlineData(FixtureKind.Vanity, FixtureKind.Sink)]
    [InlineData(FixtureKind.Washer, FixtureKind.Counter)]
    [InlineData(FixtureKind.Bed, FixtureKind.AtticHatch)]
    [InlineData(FixtureKind.Shelf, FixtureKind.Cabinet)]
    [InlineData(FixtureKind.Table, FixtureKind.Bench)]
    public void What_takes_another_in_is_not_in_its_way(FixtureKind host, FixtureKind guest)
    {
        var job = Done(House, new AddFixture(Room, On(host, 1, 2, 6)));
        Assert.Equal(2, Done(job, new AddFixture(Room, On(guest, 1, 4, 2))).Rooms.Single().Fixtures.Length);
    }

    [Fact] // a house of before, where two things overlap, can still be worked on
    public void What_met_already_may_be_moved()
    {
        var job = House;
        job = Houses.House([job.Rooms.Single() with { Fixtures = [On(FixtureKind.Tub, 4, 0, 5), On(FixtureKind.Toilet, 4, 4, 2)] }]);
        Assert.Equal(56.Inches(), Done(job, new SetFixture(Room, 2, On(FixtureKind.Toilet, 4, 4, 2) with { Offset = 56.Inches() })).Rooms
            .Single().Fixtures[1].Offset);
    }

    [Fact]
    public void A_box_is_not_set_upon_another_of_its_height()
    {
        var job = Done(House, new AddBox(Houses.On("a", "kitchen", 1, 40)));
        Assert.Contains("is there already. Set this one a hand to a side", Refused(job, new AddBox(Houses.On("b", "kitchen", 1, 41))),
            StringComparison.Ordinal);
        Assert.Equal(2, Done(job, new AddBox(Houses.On("b", "kitchen", 1, 42))).Boxes.Length);
        Assert.Equal(2, Done(job, new AddBox(Houses.On("b", "kitchen", 1, 40, DeviceKind.Switch))).Boxes.Length);
        Assert.Equal(2, Done(job, new AddBox(Houses.On("b", "kitchen", 1, 40) with { Height = 60.Inches() })).Boxes.Length);
    }
}
