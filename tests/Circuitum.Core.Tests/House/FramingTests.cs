using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

public sealed class FramingTests
{
    private static readonly Job TwoRooms = Houses.Row(("west", RoomUse.Den, 12), ("east", RoomUse.Den, 10));

    [Fact] // one wall shared, three more each
    public void Two_rooms_side_by_side_share_one_wall()
    {
        var walls = Framing.Frame(TwoRooms).Structures[0].Levels[0].Walls;
        Assert.Equal(7, walls.Length);
        var shared = Assert.Single(walls, w => !w.Exterior);
        Assert.Equal(["west", "east"], shared.Rooms.Select(r => r.Value));
        Assert.Equal((4.5m, 12m), (shared.Thickness.Inches, shared.Run.Feet));
    }

    [Fact] // 12'-0" less half of 6-1/2 and half of 4-1/2 = 11'-6 1/2"; 12'-0" less 6-1/2 = 11'-5 1/2"
    public void Clear_sizes_are_measured_between_the_faces()
    {
        var west = Framing.Frame(TwoRooms).Room(new("west"));
        Assert.Equal((138.5m, 137.5m), (west.ClearWidth.Inches, west.ClearDepth.Inches));
        Assert.Equal([138.5m, 137.5m, 138.5m, 137.5m], west.Sides.Select(s => s.Clear.Inches));
    }

    [Fact]
    public void A_door_listed_by_one_room_breaks_the_wall_of_both()
    {
        var rooms = TwoRooms.Structures[0].Levels[0].Rooms;
        var door = new Opening { Id = new("d"), Kind = OpeningKind.Door, Wall = 2, Offset = 24.Inches(), Width = 32.Inches() };
        var framed = Framing.Frame(Houses.House([rooms[0] with { Openings = [door] }, rooms[1]]));
        Assert.Equal((24m, 56m),
            (framed.Room(new("west")).Sides[1].Openings[0].From.Inches, framed.Room(new("west")).Sides[1].Openings[0].To.Inches));
        // Seen from the east room the wall starts at the other corner: 137.5 − 56 and 137.5 − 24.
        Assert.Equal((81.5m, 113.5m),
            (framed.Room(new("east")).Sides[3].Openings[0].From.Inches, framed.Room(new("east")).Sides[3].Openings[0].To.Inches));
    }

    [Fact] // an L of 12 × 12 less 6 × 4: clear outline and area by centre lines
    public void An_L_keeps_its_inner_corner()
    {
        var room = Houses.Rectangle("l", RoomUse.Den, Length.Zero, Length.Zero, 12.Feet(), 12.Feet()) with
        {
            Corners = [P(0, 0), P(12, 0), P(12, 12), P(6, 12), P(6, 8), P(0, 8)],
        };
        var framed = Framing.Frame(Houses.House([room])).Room(new("l"));
        Assert.Equal(120m, Outline.Area(room.Corners).Value);
        // Wall 5 gains half an outer wall round the inner corner and loses as much at the outer one; wall 3 loses at both.
        Assert.Equal((72m, 65.5m), (framed.Sides[4].Clear.Inches, framed.Sides[2].Clear.Inches));
        Assert.True(Outline.Contains(framed.Inside, P(2, 2)));
        Assert.False(Outline.Contains(framed.Inside, P(2, 10)));
    }

    [Fact] // 22 × 12 ft on centre lines, 22'-6 1/2" × 12'-6 1/2" outside = 282.71 ft²
    public void Floor_area_goes_by_outside_dimensions()
    {
        var area = Planner.Plan(TwoRooms).Survey.FloorArea.Value;
        // The four outside corners, 3-1/4 in square each, belong to no room's edge: .29 ft² less.
        Assert.InRange(area, 282.3m, 282.8m);
    }

    [Fact]
    public void A_garage_is_no_floor_area() =>
        Assert.InRange(Planner.Plan(Houses.Row(("den", RoomUse.Den, 12), ("garage", RoomUse.Garage, 20))).Survey.FloorArea.Value, 140m,
            155m);

    [Fact]
    public void Names_that_would_be_the_same_are_numbered()
    {
        var plan = Planner.Plan(TwoRooms.With(Houses.On("b", "west", 1, 30), Houses.On("a", "west", 1, 60), Houses.On("c", "east", 1, 30)));
        Assert.Equal(["west receptacle 1", "west receptacle 2", "east receptacle"], plan.Survey.Boxes.Select(b => b.Name));
    }

    [Theory]
    [InlineData(DeviceKind.Duplex, 14)]
    [InlineData(DeviceKind.Switch, 48)]
    public void Heights_are_the_crews_until_set(DeviceKind kind, int inches)
    {
        var job = TwoRooms.With(Houses.On("b", "west", 1, 30, kind));
        Assert.Equal(inches, Planner.Plan(job).Survey[new("b")].Height.Inches);
        Assert.Equal(20, Planner.Plan(new SetHeight(new("b"), 20.Inches()).On(job).Job!).Survey[new("b")].Height.Inches);
    }

    private static Point P(int x, int y) => new(x.Feet(), y.Feet());
}
