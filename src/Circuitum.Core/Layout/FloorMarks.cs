using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>Where to mark the floor so that a laser carries the place up to the ceiling: two measures from walls.</summary>
/// <param name="Box">The ceiling box.</param>
/// <param name="Room">Its room.</param>
/// <param name="First">Wall measured from, and how far.</param>
/// <param name="Second">A wall square to it, and how far.</param>
public sealed record FloorMark(PlacedBox Box, FramedRoom Room, (int Wall, Length Off) First, (int Wall, Length Off) Second);

/// <summary>Measures floor marks.</summary>
public static class FloorMarks
{
    /// <summary>A mark for each ceiling box, level by level, room by room.</summary>
    public static ImmutableArray<FloorMark> Of(Survey survey) =>
    [
        .. survey.Boxes.Where(b => b.Box.Mount == Mount.Ceiling).OrderBy(b => b.Place.Structure).ThenBy(b => b.Place.Level)
        .ThenBy(b => b.Room.Room.Name, StringComparer.Ordinal).ThenBy(b => b.Name, StringComparer.Ordinal)
            .Select(b => (Box: b, Marks: Measures(b.Room, b.Place.At.Plan)))
            .Select(x => new FloorMark(x.Box, x.Box.Room, x.Marks.First, x.Marks.Second)),
    ];

    /// <summary>A place in a room by two measures from walls square to each other.</summary>
    public static ((int Wall, Length Off) First, (int Wall, Length Off) Second) Measures(FramedRoom room, Point at) =>
        (Nearest(room, at, alongX: true), Nearest(room, at, alongX: false));

    // The nearest wall of that direction that the tape meets squarely.
    private static (int Wall, Length Off) Nearest(FramedRoom room, Point at, bool alongX)
    {
        var facing = room.Sides.Where(s => s.AlongX == alongX && s.Offset(at) >= Length.Zero && s.Offset(at) <= s.Clear).ToList();
        return (facing.Count > 0 ? facing : room.Sides.Where(s => s.AlongX == alongX))
            .Select(s => (s.Number, Off: (alongX ? at.Y - s.Start.Y : at.X - s.Start.X).Abs())).MinBy(x => x.Off);
    }
}
