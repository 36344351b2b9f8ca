using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>What is measured inside is what is framed, on whichever side of the house the room is put.</summary>
public sealed class RoomFittingTests
{
    private static readonly Job Start = new NewJob
    {
        Edition = Edition.Y2020,
        Name = "Fitting",
        FirstRoom = "Core",
        FirstUse = RoomUse.Hall,
        Width = 20.Feet(),
        Depth = 20.Feet()
    }.Start();

    private static FramedRoom Framed(Job job, string id) => Framing.Frame(job).Room(new(id));

    [Fact] // to the sixty-fourth, except where a wall would have fallen within a wall of another
    public void A_typed_size_is_the_inside_size() =>
        Gen.Select(Gen.Int[1, 4], Gen.Int[0, 100], Gen.Int[40 * 64, 130 * 64], Gen.Int[40 * 64, 200 * 64])
        .Sample((wall, from, along, away) =>
    {
        var outcome = new AddRoom(new("core"), wall, from.Inches(), new(along), new(away), "Den", RoomUse.Den).On(Start);
        Assert.Null(outcome.Refusal);
        var den = Framed(outcome.Job!, "den");
        var (wide, deep) = wall % 2 == 1 ? (along, away) : (away, along);
        Assert.Equal(away, (wall % 2 == 1 ? den.ClearDepth : den.ClearWidth).Sixtyfourths);
        var snapped = Math.Abs((wall % 2 == 1 ? den.ClearWidth.Sixtyfourths : den.ClearDepth.Sixtyfourths) - along);
        Assert.InRange(snapped, 0, (int)(2 * 6.5 * 64));
        Assert.Equal(wide + deep, along + away);
    }, iter: 200);

    [Fact]
    public void Rooms_all_round_a_room_leave_it_its_size()
    {
        var job = Start;
        foreach (var (wall, name) in new[] { (1, "North"), (2, "East"), (3, "South"), (4, "West") })
        {
            job = new AddRoom(new("core"), wall, Length.Zero, 20.Feet(), 8.Feet(), name, RoomUse.Bedroom).On(job).Job!;
        }

        // Each of its walls is 4-1/2 in now where it was 6-1/2: they thin away from the room that was there.
        Assert.Equal((20.Feet(), 20.Feet()), (Framed(job, "core").ClearWidth, Framed(job, "core").ClearDepth));
        Assert.Equal(4, Framing.Frame(job).Structures[0].Levels[0].Walls.Count(w => w.Rooms.Length == 2));
    }

    [Fact]
    public void A_box_stays_where_it_stood_while_a_wall_beside_it_turns_from_outer_to_inner()
    {
        var job = new AddBox(Houses.On("r", "core", 1, 60)).On(Start).Job!;
        var before = Planner.Plan(job).Survey[new("r")].Place.At;
        job = new AddRoom(new("core"), 4, Length.Zero, 20.Feet(), 8.Feet(), "West", RoomUse.Bedroom).On(job).Job!;
        Assert.Equal(before, Planner.Plan(job).Survey[new("r")].Place.At);
        // The wall thins away from the corner it is measured from.
        Assert.Equal(60.Inches(), job.Boxes[0].Offset);
    }

    [Theory]
    [InlineData("A room is at least 1 ft", 0, 6, 120)]
    [InlineData("there is no wall", 9, 120, 120)]
    public void What_is_no_room_is_refused(string says, int wall, int along, int away) =>
        Assert.Contains(says,
            new AddRoom(new("core"), wall == 0 ? 1 : wall, Length.Zero, along.Inches(), away.Inches(), "Den", RoomUse.Den)
            .On(Start).Refusal, StringComparison.Ordinal);

    [Fact]
    public void The_first_room_of_a_storey_stands_over_the_north_west_of_the_house()
    {
        var job = new AddLevel(new("house"), "Upper").On(Start).Job!;
        job = new FirstRoom(new("upper"), "Loft", RoomUse.Den, 12.Feet(), 10.Feet()).On(job).Job!;
        var loft = Framed(job, "loft");
        Assert.Equal((12.Feet(), 10.Feet()), (loft.ClearWidth, loft.ClearDepth));
        Assert.Equal(Framed(job, "core").Room.Corners[0], loft.Room.Corners[0]);
        Assert.Contains("has rooms already", new FirstRoom(new("upper"), "Other", RoomUse.Den, 12.Feet(), 10.Feet()).On(job).Refusal,
            StringComparison.Ordinal);
        Assert.False(job.Structures[0].Levels[0].AtticAbove);
        Assert.Contains("Only an empty level", new DeleteLevel(new("upper")).On(job).Refusal, StringComparison.Ordinal);
        job = new DeleteRoom(new("loft")).On(job).Job!;
        Assert.Single(new DeleteLevel(new("upper")).On(job).Job!.Structures[0].Levels);
    }

    [Fact]
    public void A_room_is_repeated_on_the_storey_above()
    {
        var job = new AddLevel(new("house"), "Upper").On(Start).Job!;
        job = new RepeatRoom(new("core"), new("upper"), "Landing", RoomUse.Hall).On(job).Job!;
        Assert.Equal(Framed(job, "core").Room.Corners.AsEnumerable(), Framed(job, "landing").Room.Corners);
    }
}
