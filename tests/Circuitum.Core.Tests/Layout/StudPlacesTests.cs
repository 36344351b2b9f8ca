using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Where a box can be nailed on the north wall of a den, 14 by 12 ft on centre lines: 161-1/2 in clear, studs every 16 in from the
/// wall's start.</summary>
public sealed class StudPlacesTests
{
    private static readonly Length Low = 14.Inches();

    private static Room Den(params Opening[] openings) =>
        Houses.Rectangle("den", RoomUse.Den, Length.Zero, Length.Zero, 14.Feet(), 12.Feet()) with { Openings = [.. openings] };

    private static Opening On(OpeningKind kind, int offset, int width, int sill = 36) =>
        new() { Id = new($"o{offset}"), Kind = kind, Wall = 1, Offset = offset.Inches(), Width = width.Inches(), Sill = sill.Inches() };

    private static (StudPlaces Places, RoomSide Side) At(Room room, Length height, Func<Job, Job>? more = null)
    {
        var job = (more ?? (j => j))(Houses.House([room]));
        var house = Framing.Frame(job);
        return (new Draft(job, house).Places(house.Room(new("den")), height), house.Room(new("den")).Sides[0]);
    }

    private static string Free((StudPlaces Places, RoomSide Side) at) =>
        string.Join(' ', at.Places.Free(at.Side, Length.Zero, at.Side.Clear).Select(f => $"{f.From.Inches:0.###}-{f.To.Inches:0.###}"));

    [Fact] // a corner stud and half a box: 2-5/8 from each end
    public void A_bare_wall_is_free_but_for_its_corners() => Assert.Equal("2.625-158.875", Free(At(Den(), Low)));

    [Fact] // king, trimmer and half a box beside both jambs: 4-1/8
    public void A_door_takes_its_width_and_its_jambs() =>
        Assert.Equal("2.625-55.875 96.125-158.875", Free(At(Den(On(OpeningKind.Door, 60, 32)), Low)));

    [Theory] // the box is 4 in high and the sill plate 1-1/2: 14 + 5-1/2 = 19-1/2
    [InlineData(20, "2.625-158.875")]
    [InlineData(19, "2.625-55.875 100.125-158.875")]
    public void A_window_takes_the_wall_only_where_its_sill_is_low(int sill, string free) =>
        Assert.Equal(free, Free(At(Den(On(OpeningKind.Window, 60, 36, sill)), Low)));

    [Fact]
    public void At_switch_height_a_usual_window_is_in_the_way() =>
        Assert.Equal("2.625-55.875 100.125-158.875", Free(At(Den(On(OpeningKind.Window, 60, 36)), 48.Inches())));

    [Fact]
    public void Another_box_at_that_height_is_in_the_way_and_one_above_it_is_not()
    {
        var job = (Job j) => j.With(Houses.On("r", "den", 1, 80), Houses.Switch("s", "den", 1, 40, DeviceKind.Switch));
        Assert.Equal("2.625-77.5 82.5-158.875", Free(At(Den(), Low, job)));
    }

    [Fact]
    public void Kept_bays_are_kept() =>
        Assert.Equal("2.625-60 92-158.875",
            Free(At(Den(), Low, j =>
                new ReserveBays(new()
                {
                    Id = new("b"),
                    For = "drain",
                    Room = new("den"),
                    Wall = 1,
                    Offset = 60.Inches(),
                    Width = 32.Inches()
                })
                .On(j).Job!)));

    [Fact] // a cabinet needs no jamb: only half a box beside it
    public void Beside_a_cabinet_only_the_box_itself_counts()
    {
        var (places, side) = At(Den(), Low);
        var free = Assert.Single(places.Free(side, 40.Inches(), 100.Inches()));
        Assert.Equal((41.25m, 98.75m), (free.From.Inches, free.To.Inches));
    }

    [Theory] // studs at 64 and 80 on centre are at 60-3/4 and 76-3/4 of the inside; a box beside one is 1-7/8 off
    [InlineData(61, 62.625)]
    [InlineData(59, 58.875)]
    [InlineData(70, 74.875)]
    public void The_nearest_place_is_beside_a_stud(int wish, double at)
    {
        var (places, side) = At(Den(), Low);
        Assert.Equal((decimal)at, places.Nearest(side, wish.Inches(), Length.Zero, side.Clear)!.Value.Inches);
    }

    [Fact]
    public void Where_nothing_is_free_there_is_no_place()
    {
        var (places, side) = At(Den(On(OpeningKind.Slider, 2, 156)), Low);
        Assert.Null(places.Nearest(side, 60.Inches(), Length.Zero, side.Clear));
    }

    [Fact]
    public void Ways_into_a_room_are_found_from_both_sides_and_the_bath_is_none()
    {
        var den = Den(On(OpeningKind.Door, 60, 32)) with
        {
            Openings = [new() { Id = new("in"), Kind = OpeningKind.Door, Wall = 3, Offset = 40.Inches(), Width = 32.Inches() },
                new() { Id = new("b"), Kind = OpeningKind.Door, Wall = 2, Offset = 40.Inches(), Width = 32.Inches() },
                new() { Id = new("out"), Kind = OpeningKind.Slider, Wall = 1, Offset = 40.Inches(), Width = 72.Inches() }]
        };
        var house = Framing.Frame(
            Houses.House([den, Houses.Rectangle("hall", RoomUse.Hall, Length.Zero, 12.Feet(), 14.Feet(), 4.Feet()),
                Houses.Rectangle("bath", RoomUse.Bath, 14.Feet(), Length.Zero, 8.Feet(), 12.Feet())]));
        Assert.Equal(["out:", "b:bath", "in:hall"], Doorways.Of(house, house.Room(new("den")))
            .Select(d => $"{d.Opening.Opening.Id}:{d.Other?.Room.Id}"));
        Assert.Equal(["out", "in"], Doorways.Entrances(house, house.Room(new("den"))).Select(d => d.Opening.Opening.Id.Value));
        Assert.Equal(["in"], Doorways.Of(house, house.Room(new("hall"))).Select(d => d.Opening.Opening.Id.Value));
    }
}
