using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>Stairs that stand over one another: only the highest has a ceiling, the others are open to the one above.</summary>
internal static class Stairs
{
    /// <summary>The stairs of one well, a stair itself among them, as they are listed: one lamp lights them all.</summary>
    public static IEnumerable<FramedRoom> OfWell(FramedHouse house, FramedRoom stair) => house.Rooms.Where(r =>
        r.Structure == stair.Structure && r.Room.Use == RoomUse.Stair && Outline.Contains(r.Room.Corners, stair.Middle));

    /// <summary>The highest stair of a well.</summary>
    public static FramedRoom Top(FramedHouse house, FramedRoom stair) =>
        OfWell(house, stair).Append(stair).MaxBy(r => r.Level)!;

    /// <summary>The stair that a place under the ceiling of a level is open to; null where there is a ceiling.</summary>
    public static FramedRoom? Over(FramedHouse house, int structure, int level, Point at) => house.Rooms.FirstOrDefault(r =>
        r.Structure == structure && r.Level == level + 1 && r.Room.Use == RoomUse.Stair && Outline.Contains(r.Room.Corners, at));
}
