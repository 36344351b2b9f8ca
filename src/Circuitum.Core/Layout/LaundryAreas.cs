using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>Where laundry is done: the rules are about areas, and not every house has a room for it (210.52(F), 210.11(C)(2),
/// 210.8(A)).</summary>
internal static class LaundryAreas
{
    private static readonly Length Reach = Length.FromFeet(6);

    /// <summary>Washers that stand in a room of another use.</summary>
    public static IEnumerable<Fixture> WashersIn(FramedRoom room) => room.Room.Use == RoomUse.Laundry ? []
        : room.Room.Fixtures.Where(f => f.Kind == FixtureKind.Washer);

    /// <summary>True for a receptacle of such an area. Kitchens, baths and garages keep theirs on their own circuits, but for a washer's
    /// own.</summary>
    public static bool Has(FramedRoom room, Box box, Point at) => box.Devices.Any(d => d.Kind.IsReceptacle()) && !box.Outside
        && (room.Room.Use == RoomUse.Laundry || box.Devices.Any(d => d.Plate?.Appliance == Appliance.Washer)
            || (room.Room.Use is not (RoomUse.Kitchen or RoomUse.Dining or RoomUse.Pantry or RoomUse.Bath or RoomUse.Garage)
                && WashersIn(room).Any(w => Serves(room, w, at))));

    /// <summary>Within 6 ft of a washer.</summary>
    public static bool Serves(FramedRoom room, Fixture washer, Point at) =>
        Outline.Nearest(room.Footprint(washer), at).At(Length.Zero).StraightTo(at.At(Length.Zero)) <= Reach;
}
