namespace Circuitum.Core.Jobs;

/// <summary>Into which of two rooms a door usually swings: out of the way of those who pass.</summary>
public static class DoorSwing
{
    /// <summary>Rooms that people pass through, which stand open to each other.</summary>
    public static bool IsOpen(RoomUse use) => use is RoomUse.Hall or RoomUse.Entry or RoomUse.Family or RoomUse.Kitchen or RoomUse.Dining;

    /// <summary>True when the leaf of a door set from the first room swings into the other: never into a closet or a garage, and out of
    /// a hall into what lies behind the door.</summary>
    public static bool SwingsOut(RoomUse from, RoomUse to) => from is RoomUse.Closet or RoomUse.Pantry or RoomUse.Garage
        || (to is not (RoomUse.Closet or RoomUse.Pantry or RoomUse.Garage) && ((IsOpen(from) && !IsOpen(to))
            || (to == RoomUse.Bath && from != RoomUse.Bath)));
}
