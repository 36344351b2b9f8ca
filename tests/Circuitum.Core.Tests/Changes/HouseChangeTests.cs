using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

public sealed class HouseChangeTests
{
    private static readonly Job Start = new NewJob
    {
        Edition = Edition.Y2020,
        Name = "Cottage",
        FirstRoom = "Kitchen",
        FirstUse = RoomUse.Kitchen,
        Width = Length.FromFeet(14),
        Depth = Length.FromFeet(12)
    }.Start();

    private static Job After(Job job, JobChange change)
    {
        var outcome = change.On(job);
        Assert.True(outcome.Refusal is null, outcome.Refusal);
        return outcome.Job!;
    }

    private static FramedRoom Room(Job job, string id) => Framing.Frame(job).Room(new(id));

    private static string Refused(Job job, JobChange change) => change.On(job).Refusal ?? "not refused";

    [Fact]
    public void A_new_job_is_a_room_of_the_size_typed_with_the_panel_in_it()
    {
        var kitchen = Room(Start, "kitchen");
        Assert.Equal((14.Feet(), 12.Feet()), (kitchen.ClearWidth, kitchen.ClearDepth));
        Assert.Equal((new RoomId("kitchen"), 1, 84.Inches()), (Start.Panels[0].Room, Start.Panels[0].Wall, Start.Panels[0].Offset));
        Assert.NotNull(Planner.Plan(Start));
    }

    [Theory]
    [InlineData(1, Underfloor.Slab)]
    [InlineData(2, Underfloor.CrawlSpace)]
    [InlineData(4, Underfloor.Basement)]
    public void A_house_of_any_storeys_can_be_planned_before_its_upper_rooms_are_drawn(int storeys, Underfloor foundation)
    {
        var job = new NewJob { Edition = Edition.Y2020, Name = "Tall", Storeys = storeys, Foundation = foundation }.Start();
        Assert.Equal(storeys, job.Structures[0].Levels.Length);
        Assert.True(job.Structures[0].Levels[^1].AtticAbove);
        Assert.Equal(foundation == Underfloor.Slab, job.Structures[0].Levels[0].FloorJoists is null);
        Assert.NotNull(Planner.Plan(job));
    }

    [Fact] // the shared wall goes from 6-1/2 to 4-1/2 in; both rooms keep the inside size that was typed for the new one
    public void A_room_is_placed_against_a_wall_by_its_inside_size()
    {
        var job = After(Start,
            new AddRoom(new("kitchen"), 2, Length.Zero, 10.Feet(), Length.FromFeet(11, 6), "Bedroom 1", RoomUse.Bedroom));
        var bedroom = Room(job, "bedroom-1");
        Assert.Equal((Length.FromFeet(11, 6), 10.Feet()), (bedroom.ClearWidth, bedroom.ClearDepth));
        var wall = Assert.Single(Framing.Frame(job).Structures[0].Levels[0].Walls, w => w.Rooms.Length == 2);
        Assert.Equal(4.5m, wall.Thickness.Inches);
        Assert.False(wall.AlongX);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    public void On_every_side_the_new_room_has_its_size_and_shares_the_wall(int wall)
    {
        var job = After(Start, new AddRoom(new("kitchen"), wall, 24.Inches(), 8.Feet(), 9.Feet(), "Den", RoomUse.Den));
        var den = Room(job, "den");
        Assert.Equal(wall % 2 == 1 ? (8.Feet(), 9.Feet()) : (9.Feet(), 8.Feet()), (den.ClearWidth, den.ClearDepth));
        Assert.Contains(Framing.Frame(job).Structures[0].Levels[0].Walls, w => w.Rooms.Length == 2);
    }

    [Fact]
    public void A_side_that_falls_nearly_on_another_wall_is_that_wall()
    {
        // The kitchen is 12'-0" deep; a room beside it typed 11'-10" would leave two walls in each other.
        var job = After(Start, new AddRoom(new("kitchen"), 2, Length.Zero, Length.FromFeet(11, 10), 10.Feet(), "Den", RoomUse.Den));
        Assert.Equal(Room(job, "kitchen").Room.Corners[2].Y, Room(job, "den").Room.Corners[2].Y);
    }

    [Fact]
    public void A_wall_between_two_rooms_moves_for_both_and_everything_stays_where_it_stood()
    {
        var job = After(Start, new AddRoom(new("kitchen"), 2, Length.Zero, 12.Feet(), 10.Feet(), "Den", RoomUse.Den));
        job = After(job, new AddOpening(new("den"),
            new() { Id = new("win"), Kind = OpeningKind.Window, Wall = 1, Offset = 36.Inches(), Width = 36.Inches() }));
        job = After(job, new AddBox(Houses.On("far", "den", 2, 30)));
        job = After(job, new AddBox(Houses.On("north", "den", 1, 96)));
        job = After(job, new AddBox(Houses.Ceiling("lamp", "den", 60, 72)));
        var before = Planner.Plan(job);
        var moved = Planner.Plan(After(job, new MoveWall(new("kitchen"), 2, 18.Inches())));
        Assert.Equal(before.House.Room(new("kitchen")).ClearWidth + 18.Inches(), moved.House.Room(new("kitchen")).ClearWidth);
        Assert.Equal(before.House.Room(new("den")).ClearWidth - 18.Inches(), moved.House.Room(new("den")).ClearWidth);
        Assert.All(new[] { "far", "north", "lamp" }, id => Assert.Equal(before.Survey[new(id)].Place.At, moved.Survey[new(id)].Place.At));
        Assert.Equal(18.Inches(), moved.House.Room(new("den")).Room.Openings[0].Offset);
    }

    [Fact]
    public void A_wall_is_not_moved_through_a_window_and_the_answer_says_which()
    {
        var job = After(Start, new AddRoom(new("kitchen"), 2, Length.Zero, 12.Feet(), 10.Feet(), "Den", RoomUse.Den));
        job = After(job, new AddOpening(new("den"),
            new() { Id = new("win"), Kind = OpeningKind.Window, Wall = 1, Offset = 12.Inches(), Width = 36.Inches() }));
        Assert.Contains("win", Refused(job, new MoveWall(new("kitchen"), 2, 24.Inches())), StringComparison.Ordinal);
    }

    [Fact]
    public void A_measured_wall_is_typed_and_its_far_end_moves()
    {
        var job = After(Start, new SetWallLength(new("kitchen"), 1, Length.FromFeet(15, 3.5m)));
        Assert.Equal(Length.FromFeet(15, 3.5m), Room(job, "kitchen").ClearWidth);
        job = After(job, new SetWallLength(new("kitchen"), 4, 11.Feet()));
        Assert.Equal(11.Feet(), Room(job, "kitchen").ClearDepth);
    }

    [Fact]
    public void A_room_is_split_by_a_partition_and_what_was_in_it_is_in_the_part_where_it_stands()
    {
        var job = After(Start, new AddBox(Houses.On("west", "kitchen", 1, 20)));
        job = After(job, new AddBox(Houses.On("east", "kitchen", 1, 140)));
        job = After(job, new AddBox(Houses.Ceiling("lamp", "kitchen", 150, 30)));
        var before = Planner.Plan(job);
        var split = Planner.Plan(After(job, new SplitRoom(new("kitchen"), 1, 8.Feet(), "Pantry", RoomUse.Pantry)));
        // 96 in to the centre line of a 4-1/2 in partition: 93-3/4 clear on one side, 168 − 96 − 2-1/4 = 69-3/4 on the other.
        Assert.Equal(93.75m, split.House.Room(new("kitchen")).ClearWidth.Inches);
        Assert.Equal(69.75m, split.House.Room(new("pantry")).ClearWidth.Inches);
        Assert.Equal(["kitchen", "pantry", "pantry"], new[] { "west", "east", "lamp" }.Select(id => split.Survey[new(id)].Box.Room.Value));
        Assert.All(new[] { "west", "east", "lamp" }, id => Assert.Equal(before.Survey[new(id)].Place.At, split.Survey[new(id)].Place.At));
    }

    [Fact]
    public void Two_rooms_become_an_L_and_what_stood_on_the_wall_between_goes()
    {
        var job = After(Start, new AddRoom(new("kitchen"), 2, Length.Zero, 6.Feet(), 10.Feet(), "Nook", RoomUse.Dining));
        job = After(job, new AddBox(Houses.On("between", "nook", 4, 30)));
        job = After(job, new AddBox(Houses.On("end", "nook", 2, 30)));
        var outcome = new MergeRooms(new("nook"), new("kitchen")).On(job);
        Assert.Contains("1 thing on a wall that is gone", outcome.Phrase, StringComparison.Ordinal);
        var room = Assert.Single(outcome.Job!.Structures[0].Levels[0].Rooms);
        Assert.Equal(6, room.Corners.Length);
        Assert.Equal("end", Assert.Single(outcome.Job.Boxes).Id.Value);
        Assert.NotNull(Planner.Plan(outcome.Job));
    }

    [Fact]
    public void A_corner_is_cut_off_and_only_an_outward_one()
    {
        var job = After(Start, new CutCorner(new("kitchen"), 2, 4.Feet(), 5.Feet()));
        var room = Room(job, "kitchen").Room;
        Assert.Equal(6, room.Corners.Length);
        // Wall 2 starts at the north-east corner: 4 ft of it go, and 5 ft of the north wall.
        Assert.Equal((5.Feet(), 4.Feet()), (room.Corners[2].SquareTo(room.Corners[3]), room.Corners[1].SquareTo(room.Corners[2])));
        Assert.Contains("turns inward",
            string.Join(' ', Enumerable.Range(1, 6).Select(c => Refused(job, new CutCorner(new("kitchen"), c, 14.Inches(), 14.Inches())))),
            StringComparison.Ordinal);
    }

    [Fact]
    public void Rooms_may_not_take_the_same_floor()
    {
        Assert.Contains("take the same floor",
            Refused(Start, new DrawRoom(new("ground"), "Den", RoomUse.Den, new(60.Inches(), 60.Inches()),
                new(300.Inches(), 300.Inches()))), StringComparison.Ordinal);
    }

    [Fact]
    public void A_drawn_room_says_its_inside_size()
    {
        var outcome = new DrawRoom(new("ground"), "Den", RoomUse.Den,
            new(Start.Structures[0].Levels[0].Rooms[0].Corners[1].X, Length.Zero), new(400.Inches(), 120.Inches())).On(Start);
        // 174.5 to 400: 225.5 less 2-1/4 and 3-1/4; 120 less 3-1/4 twice.
        Assert.Equal("Draw Den, 18'-4\" × 9'-5 1/2\" inside", outcome.Phrase);
    }

    [Fact]
    public void A_room_with_the_panel_in_it_is_not_deleted_another_is_with_its_boxes()
    {
        Assert.Contains("Panel A stands in Kitchen", Refused(Start, new DeleteRoom(new("kitchen"))), StringComparison.Ordinal);
        var job = After(Start, new AddRoom(new("kitchen"), 2, Length.Zero, 6.Feet(), 10.Feet(), "Nook", RoomUse.Dining));
        job = After(job, new AddBox(Houses.On("gone", "nook", 2, 30)));
        var outcome = new DeleteRoom(new("nook")).On(job);
        Assert.Equal("Delete Nook with 1 box", outcome.Phrase);
        Assert.Empty(outcome.Job!.Boxes);
    }

    [Fact] // 2×6 in place of 2×4: both rooms keep their inside, and the wall beyond moves by 2 in
    public void A_wall_built_otherwise_changes_its_thickness_and_its_studs()
    {
        var job = After(Start, new AddRoom(new("kitchen"), 2, Length.Zero, 12.Feet(), 10.Feet(), "Den", RoomUse.Den));
        var before = Room(job, "den").ClearWidth;
        job = After(job, new BuildWall(new("den"), 4, new() { Wall = 4, Framing = WallFraming.Wood2x6, Spacing = 24.Inches() }));
        Assert.Equal(before, Room(job, "den").ClearWidth);
        var wall = Assert.Single(Framing.Frame(job).Structures[0].Levels[0].Walls, w => w.Rooms.Length == 2);
        Assert.Equal((24.Inches(), 6.5m), (wall.Frame.Spacing, wall.Thickness.Inches));
        Assert.Equal(1, wall.Bay(30.Inches()));
        Assert.Equal(before, Room(After(job, new BuildWall(new("den"), 4, null)), "den").ClearWidth);
    }

    [Fact]
    public void An_outbuilding_comes_with_its_panel_and_a_trench_from_wall_to_wall()
    {
        var job = After(Start,
            new AddStructure("Greenhouse", 2.Feet(), 60.Feet(), RoomUse.Greenhouse, 16.Feet(), 10.Feet(), new("A"), new(60), 18.Inches()));
        var trench = Assert.Single(job.Trenches);
        // From the south face's line at 12'-6 1/2" to 60 ft, in the middle of what both walls have in common.
        Assert.Equal(Length.FromFeet(60) - Length.FromFeet(12, 6.5m), trench.Path[0].SquareTo(trench.Path[^1]));
        Assert.Equal("B", job.Panels[1].Id.Value);
        Assert.NotNull(Planner.Plan(job));
        var moved = After(job, new MoveStructure(job.Structures[1].Id, 30.Feet(), 40.Feet(), 24.Inches()));
        Assert.Equal(24.Inches(), moved.Trenches[0].Depth);
        Assert.NotNull(Planner.Plan(moved));
    }

    [Fact]
    public void A_fixture_set_by_hand_stands_wholly_in_its_room()
    {
        Assert.Contains("wall 1 of Kitchen is 14'-0\" clear",
            Refused(Start, new AddFixture(new("kitchen"),
                new() { Kind = FixtureKind.Counter, Wall = 1, Offset = 10.Feet(), Width = 5.Feet(), Depth = 25.Inches() })),
            StringComparison.Ordinal);
        Assert.Contains("does not stand in Kitchen",
            Refused(Start, new AddFixture(new("kitchen"),
                new() { Kind = FixtureKind.Island, X = 12.Feet(), Y = 2.Feet(), Width = 4.Feet(), Depth = 3.Feet() })),
            StringComparison.Ordinal);
    }

    [Fact]
    public void A_drawing_underneath_is_scaled_from_one_known_length()
    {
        var job = After(Start,
            new SetUnderlay(new("ground"), new(new string('a', 64), "plan.dxf", new(Length.Zero, Length.Zero), 50.Feet(), 30.Feet())));
        job = After(job, new ScaleUnderlay(new("ground"), 10.Feet(), 12.Feet()));
        Assert.Equal((60.Feet(), 36.Feet()), (job.Structures[0].Levels[0].Underlay!.Width, job.Structures[0].Levels[0].Underlay!.Depth));
    }

    [Fact] // whatever is moved, all else keeps its absolute place
    public void Moving_any_wall_leaves_boxes_on_other_walls_in_place() =>
        Gen.Select(DrawnHouses.Jobs, Gen.Int[0, 8], Gen.Int[1, 4], Gen.Int[-10, 10]).Sample((job, room, wall, by) =>
    {
        var rooms = job.Structures[0].Levels[0].Rooms;
        var laid = LayOut.Everything.On(job).Job!;
        var before = Planner.Plan(laid);
        var outcome = new MoveWall(rooms[room % rooms.Length].Id, wall, by.Inches()).On(laid);
        if (outcome.Job is null)
        {
            return;
        }

        var after = Planner.Plan(outcome.Job);
        foreach (var box in before.Survey.Boxes.Where(b => b.Place.Wall is not null))
        {
            var now = after.Survey[box.Box.Id];
            Assert.Equal((box.Box.Room, box.Box.Wall), (now.Box.Room, now.Box.Wall));
            var along = box.Room.Sides[box.Box.Wall - 1].AlongX ? (box.Place.At.X, now.Place.At.X) : (box.Place.At.Y, now.Place.At.Y);
            var clear = now.Room.Sides[box.Box.Wall - 1].Clear;
            Assert.True(along.Item1 == along.Item2 || now.Box.Offset == Length.Zero || now.Box.Offset == clear,
                $"{box.Name} {box.Box.Offset} → {now.Box.Offset} of {clear}");
        }
    }, iter: 120);

    [Fact]
    public void A_split_merged_again_is_the_room_it_was() => Gen.Select(Gen.Int[1, 4], Gen.Int[20, 120]).Sample((wall, at) =>
    {
        var job = After(Start, new SplitRoom(new("kitchen"), wall, at.Inches(), "Other", RoomUse.Den));
        var again = After(job, new MergeRooms(new("other"), new("kitchen")));
        Assert.Equal(Start.Structures[0].Levels[0].Rooms[0].Corners.AsEnumerable(), again.Structures[0].Levels[0].Rooms[0].Corners);
    }, iter: 40);
}
