using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.House;

/// <summary>Where rooms meet each other and the weather.</summary>
public static class SharedWalls
{
    /// <summary>Stretches of wall that two rooms share, as the first of them sees them, the longest first.</summary>
    public static IReadOnlyList<WallStretch> Between(FramedHouse house, RoomId room, RoomId other) => room == other ? []
        : Stretches(house, room, w => w.Rooms.Contains(room) && w.Rooms.Contains(other));

    /// <summary>Stretches of a room's walls that have the weather behind them, the longest first.</summary>
    public static IReadOnlyList<WallStretch> Outside(FramedHouse house, RoomId room) =>
        Stretches(house, room, w => w.Exterior && w.Rooms.Length == 1 && w.Rooms.Contains(room));

    private static List<WallStretch> Stretches(FramedHouse house, RoomId room, Func<Wall, bool> which)
    {
        var framed = house.Room(room);
        return [.. house.LevelOf(room).Walls.Where(which)
            .SelectMany(w => framed.Sides.Where(s => s.AlongX == w.AlongX && s.HalfThickness + Length.FromInches(3) > Off(s, w.Start))
                .Select(s => (Side: s, A: s.Offset(w.Start), B: s.Offset(w.End))))
            .Select(x => new WallStretch(x.Side, Length.Max(Length.Zero, Length.Min(x.A, x.B)),
                Length.Min(x.Side.Clear, Length.Max(x.A, x.B))))
            .Where(x => x.To > x.From).OrderByDescending(x => x.Long)];
    }

    private static Length Off(RoomSide side, Point at) => (side.AlongX ? at.Y - side.Start.Y : at.X - side.Start.X).Abs();
}

/// <summary>A part of a room's wall.</summary>
/// <param name="Side">The wall as its room sees it.</param>
/// <param name="From">From the wall's start.</param>
/// <param name="To">From the wall's start.</param>
public sealed record WallStretch(RoomSide Side, Length From, Length To)
{
    /// <summary>Its length.</summary>
    public Length Long => To - From;
}
