using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Problems;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Moves a wall square to itself: every room on its straight line, as far as that line is one wall, follows.</summary>
/// <param name="Room">A room it serves.</param>
/// <param name="Wall">Its number in that room.</param>
/// <param name="By">Away from that room when positive: the room grows.</param>
public sealed record MoveWall(RoomId Room, int Wall, Length By) : HouseChange
{
    /// <inheritdoc/>
    protected override bool KeepsWalls => true;

    /// <inheritdoc/>
    protected override bool Resizes => true;

    /// <inheritdoc/>
    protected override Job Draw(Job job, out string phrase)
    {
        var (level, room) = Find(job, Room);
        var moved = Moved(level, room, Wall, By, out var rooms);
        phrase = $"Move the {room.SideOf(Wall)} wall of {room.Name} {By.Abs()} {(By < Length.Zero ? "in" : "out")}"
            + $"{(rooms > 1 ? $", {rooms} rooms follow" : "")}";
        return With(job, moved);
    }

    internal static Level Moved(Level level, Room room, int wall, Length by, out int rooms)
    {
        if (wall < 1 || wall > room.Corners.Length)
        {
            throw new ChangeRefusedException($"“{room.Name}” has walls 1 to {room.Corners.Length}; there is no wall {wall}.");
        }

        var edges = level.Rooms.SelectMany(r => r.Corners.Select((a, i) => new Edge(r.Id, i, a, r.Corners[(i + 1) % r.Corners.Length])))
            .ToList();
        var first = edges.First(e => e.Room == room.Id && e.Number == wall - 1);
        var line = edges.Where(e => e.AlongX == first.AlongX && e.Line == first.Line).ToList();
        var moving = new HashSet<Edge> { first };
        for (var queue = new Queue<Edge>(moving); queue.TryDequeue(out var at);)
        {
            foreach (var next in line.Where(e => e.From < at.To && e.To > at.From && moving.Add(e)))
            {
                queue.Enqueue(next);
            }
        }

        // Clockwise, the outside is to the left of the way walked.
        var outward = first.AlongX ? (first.B.X > first.A.X ? -by : by) : first.B.Y > first.A.Y ? by : -by;
        rooms = moving.Select(e => e.Room).Distinct().Count();
        return level with
        {
            Rooms =
            [.. level.Rooms.Select(r => moving.Any(e => e.Room == r.Id) ? r with { Corners = Corners(r, moving, first.AlongX, outward) }
                : r)]
        };
    }

    private static ImmutableArray<Point> Corners(Room room, HashSet<Edge> moving, bool alongX, Length by)
    {
        var numbers = moving.Where(e => e.Room == room.Id).Select(e => e.Number).ToHashSet();
        var count = room.Corners.Length;
        return [.. room.Corners.Select((p, i) => numbers.Contains(i) || numbers.Contains((i + count - 1) % count) ? alongX
            ? p.By(Length.Zero, by) : p.By(by, Length.Zero) : p)];
    }

    private sealed record Edge(RoomId Room, int Number, Point A, Point B)
    {
        public bool AlongX => A.Y == B.Y;

        public Length Line => AlongX ? A.Y : A.X;

        public Length From => AlongX ? Length.Min(A.X, B.X) : Length.Min(A.Y, B.Y);

        public Length To => AlongX ? Length.Max(A.X, B.X) : Length.Max(A.Y, B.Y);
    }
}

/// <summary>Gives a wall the clear length that was measured: the wall at its far end moves, or the one at its near end where a neighbor's
/// kept size holds the far one.</summary>
public sealed record SetWallLength(RoomId Room, int Wall, Length Clear) : HouseChange
{
    /// <inheritdoc/>
    protected override bool KeepsWalls => true;

    /// <inheritdoc/>
    protected override bool Resizes => true;

    /// <inheritdoc/>
    protected override Job Draw(Job job, out string phrase)
    {
        var (level, room) = Find(job, Room);
        if (Clear < Length.FromInches(12))
        {
            throw new ChangeRefusedException($"{Clear} is no wall of a room; walls are at least {Limit.Feet(1)}.");
        }

        var count = room.Corners.Length;
        var by = Clear - RoomFitting.Side(job, room, Wall).Clear;
        phrase = $"Make the {room.SideOf(Wall)} wall of {room.Name} {Clear} clear";
        Job Moved(int wall, int turn) => With(job, MoveWall.Moved(level, room, wall, TurnsOut(room, turn) ? by : -by, out _));
        var far = Moved((Wall % count) + 1, Wall % count);
        if (!IsHeld(job, far))
        {
            return far;
        }

        var near = Moved(((Wall + count - 2) % count) + 1, Wall - 1);
        return IsHeld(job, near) ? far : near;
    }

    /// <inheritdoc/>
    protected override bool IsAbout(RoomId room) => room == Room;

    private bool IsHeld(Job job, Job drawn) => JobProblems.FirstOfOutlines(drawn) is null
        && SizeLocks.Broken(job, drawn, IsAbout).Count > 0;

    // The wall at that corner stands square to this one; where the room turns inward there, out is in.
    private static bool TurnsOut(Room room, int corner)
    {
        var count = room.Corners.Length;
        Point before = room.Corners[(corner + count - 1) % count], at = room.Corners[corner], after = room.Corners[(corner + 1) % count];
        return ((long)(at.X - before.X).Sixtyfourths * (after.Y - at.Y).Sixtyfourths)
            - ((long)(at.Y - before.Y).Sixtyfourths * (after.X - at.X).Sixtyfourths) > 0;
    }
}

/// <summary>Says how a wall is built; null puts it back to the usual framing.</summary>
public sealed record BuildWall(RoomId Room, int Wall, WallBuild? Build) : HouseChange
{
    /// <inheritdoc/>
    protected override bool KeepsWalls => true;

    /// <inheritdoc/>
    protected override Job Draw(Job job, out string phrase)
    {
        var (_, room) = Find(job, Room);
        RoomFitting.Side(job, room, Wall);
        phrase = $"Build the {room.SideOf(Wall)} wall of {room.Name} {(Build is null ? "as usual" : $"of {Words.Of(Build.Framing)}")}";
        var others = room.Builds.Where(b => b.Wall != Wall);
        return With(job, room with { Builds = Build is null ? [.. others] : [.. others, Build with { Wall = Wall }] });
    }
}
