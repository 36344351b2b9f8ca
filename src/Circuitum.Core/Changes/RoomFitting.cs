using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Problems;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Turns what people measure, inside sizes, into wall center lines: which wall is thick is known only when the room
/// stands.</summary>
internal static class RoomFitting
{
    // A wall that would fall on another, or so near that both could not be framed, is that wall.
    private static readonly Length Snap = Length.FromInches(6.5m);

    /// <summary>12'-0" × 10'-6": the inside of a room as it stands.</summary>
    public static string Inside(Job job, RoomId id)
    {
        if (JobProblems.FirstOfOutlines(job) is { } problem)
        {
            throw new ChangeRefusedException(problem.Told(job));
        }

        var room = Framing.Frame(Emptied(job)).Room(id);
        return $"{room.ClearWidth} × {room.ClearDepth}";
    }

    /// <summary>A wall of a room as it stands, or a refusal.</summary>
    public static RoomSide Side(Job job, Room room, int wall) => wall >= 1 && wall <= room.Corners.Length
        ? Framing.Frame(job).Room(room.Id).Sides[wall - 1]
        : throw new ChangeRefusedException($"“{room.Name}” has walls 1 to {room.Corners.Length}; there is no wall {wall}.");

    /// <summary>The job with a rectangular room, its north-west corner on these center lines.</summary>
    public static Job At(Job job, Level level, Room room, Point corner, Length width, Length depth)
    {
        Point opposite = corner.By(width + WallFrame.Exterior.Thickness, depth + WallFrame.Exterior.Thickness);
        return Grown(job, level, room, corner, opposite, width, depth, eastward: true, southward: true);
    }

    /// <summary>The job with a rectangular room against a wall of its neighbour.</summary>
    public static Job Beside(Job job, Level level, Room beside, int wall, Length from, Length along, Length away, Room room)
    {
        var side = Side(job, beside, wall);
        var line = side.Into(side.Start, -side.HalfThickness);
        var inner = side.At(from);
        // Beyond the shared wall the walls at the new room's sides lie half a thickness outside its inside corner.
        var half = WallFrame.Exterior.Thickness / 2;
        if (side.AlongX)
        {
            var eastward = side.End.X > side.Start.X;
            var near = Snapped(level, vertical: true, eastward ? inner.X - half : inner.X + half, line.Y, line.Y);
            var far = eastward ? near + along + half + half : near - along - half - half;
            var south = !eastward;
            var deep = south ? line.Y + away + half + half : line.Y - away - half - half;
            return Grown(job, level, room, new(near, line.Y), new(far, deep), along, away, eastward, south);
        }

        var southward = side.End.Y > side.Start.Y;
        var start = Snapped(level, vertical: false, southward ? inner.Y - half : inner.Y + half, line.X, line.X);
        var end = southward ? start + along + half + half : start - along - half - half;
        var east = southward;
        var wide = east ? line.X + away + half + half : line.X - away - half - half;
        return Grown(job, level, room, new(line.X, start), new(wide, end), away, along, east, southward);
    }

    // The corner stays; the walls opposite it are moved until the inside is as asked, unless another wall stands there.
    private static Job Grown(Job job, Level level, Room room, Point corner, Point opposite, Length width, Length depth, bool eastward,
        bool southward)
    {
        Job Drawn(Point to) =>
            HouseChange.With(job, level with { Rooms = level.Rooms.Add(room with { Corners = Shapes.Box(corner, to) }) });
        var empty = Emptied(job);
        var emptyLevel = HouseChange.Find(empty, level.Id);
        for (var tries = 0; tries < 3; tries++)
        {
            opposite = Snapped(level, corner, opposite);
            var tried = HouseChange.With(empty,
                emptyLevel with { Rooms = emptyLevel.Rooms.Add(room with { Corners = Shapes.Box(corner, opposite) }) });
            if (JobProblems.FirstOfOutlines(tried) is not null)
            {
                break;
            }

            var framed = Framing.Frame(tried).Room(room.Id);
            Length dx = width - framed.ClearWidth, dy = depth - framed.ClearDepth;
            if (dx == Length.Zero && dy == Length.Zero)
            {
                break;
            }

            var next = new Point(eastward ? opposite.X + dx : opposite.X - dx, southward ? opposite.Y + dy : opposite.Y - dy);
            opposite = Snapped(level, corner, next);
        }

        return Drawn(opposite);
    }

    private static Point Snapped(Level level, Point corner, Point opposite) => new(
        Snapped(level, vertical: true, opposite.X, Length.Min(corner.Y, opposite.Y), Length.Max(corner.Y, opposite.Y)),
        Snapped(level, vertical: false, opposite.Y, Length.Min(corner.X, opposite.X), Length.Max(corner.X, opposite.X)));

    // Only a wall that the new one would lie along, or end at, is that wall: the line of a room elsewhere is none of it.
    private static Length Snapped(Level level, bool vertical, Length at, Length low, Length high)
    {
        var lines = level.Rooms.SelectMany(r => r.Corners.Select((a, i) => (A: a, B: r.Corners[(i + 1) % r.Corners.Length])))
            .Where(e => (e.A.X == e.B.X) == vertical && (vertical ? Length.Min(e.A.Y, e.B.Y) : Length.Min(e.A.X, e.B.X)) <= high + Snap
                && (vertical ? Length.Max(e.A.Y, e.B.Y) : Length.Max(e.A.X, e.B.X)) >= low - Snap)
            .Select(e => vertical ? e.A.X : e.A.Y).Distinct();
        return lines.Where(l => (l - at).Abs() < Snap).OrderBy(l => (l - at).Abs()).Cast<Length?>().FirstOrDefault() ?? at;
    }

    // Only outlines matter for walls: what is on them need not fit yet.
    internal static Job Emptied(Job job) => job with
    {
        Structures = [.. job.Structures.Select(s =>
            s with { Levels = [.. s.Levels.Select(l =>
                l with { Reservations = [], Rooms = [.. l.Rooms.Select(r => r with { Openings = [], Fixtures = [] })] })] })],
    };
}
