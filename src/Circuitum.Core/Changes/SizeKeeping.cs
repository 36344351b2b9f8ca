using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Problems;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Keeps inside sizes when walls change their kind beside them: a wall that becomes shared, or is built otherwise, grows and thins
/// away from the faces that were measured.</summary>
internal static class SizeKeeping
{
    /// <summary>The drawn job with its wall lines moved by so little that every room is as large inside as it was, and a new one as large
    /// as it was typed or drawn. Where that cannot all be, what was there goes first.</summary>
    /// <param name="before">The job as it stood.</param>
    /// <param name="drawn">The job with its new outlines.</param>
    /// <param name="typed">A new room's inside size; null where none was typed.</param>
    public static Job Keep(Job before, Job drawn, (RoomId Room, Length Width, Length Depth)? typed)
    {
        var was = Framing.Frame(RoomFitting.Emptied(before)).Rooms.ToDictionary(r => r.Room.Id);
        var kept = drawn;
        foreach (var level in drawn.Levels)
        {
            var now = Framing.Frame(RoomFitting.Emptied(kept)).Rooms.Where(r => level.Rooms.Any(l => l.Id == r.Room.Id)).ToList();
            var wanted = now.Where(r => was.TryGetValue(r.Room.Id, out var old) && SameOutline(old.Room, r.Room))
                .Select(r => (Room: r, Width: was[r.Room.Id].ClearWidth, Depth: was[r.Room.Id].ClearDepth))
                .Concat(now.Where(r => !was.ContainsKey(r.Room.Id)).Select(r => r.Room.Id == typed?.Room
                    ? (Room: r, typed.Value.Width, typed.Value.Depth) : (Room: r, Width: r.ClearWidth, Depth: r.ClearDepth)))
                // What a person keeps goes before all else.
                .OrderByDescending(w => w.Room.Room.KeepsWidth || w.Room.Room.KeepsDepth).ToList();
            if (wanted.Exists(w => w.Width != w.Room.ClearWidth || w.Depth != w.Room.ClearDepth))
            {
                var moved = HouseChange.With(kept, Moved(HouseChange.Find(kept, level.Id), wanted, was));
                kept = JobProblems.FirstOfOutlines(moved) is null ? moved : kept;
            }
        }

        return kept;
    }

    // A room that was drawn anew itself is as large as it was drawn.
    private static bool SameOutline(Room old, Room now) => old.Corners.AsSpan().SequenceEqual(now.Corners.AsSpan());

    private static Level Moved(Level level, List<(FramedRoom Room, Length Width, Length Depth)> wanted,
        Dictionary<RoomId, FramedRoom> was)
    {
        var vertical = new Lines(level, vertical: true);
        var horizontal = new Lines(level, vertical: false);
        foreach (var (room, width, depth) in wanted)
        {
            vertical.Keep(room, width - room.ClearWidth);
            horizontal.Keep(room, depth - room.ClearDepth);
        }

        foreach (var (room, _, _) in wanted.Where(w => was.ContainsKey(w.Room.Room.Id)))
        {
            vertical.Stay(was[room.Room.Id], room);
            horizontal.Stay(was[room.Room.Id], room);
        }

        return level with
        {
            Rooms = [.. level.Rooms.Select(r => r with { Corners = [.. r.Corners.Select((p, i) =>
                p.By(vertical.Move(r, i), horizontal.Move(r, i)))] })],
        };
    }

    // The wall lines of one direction: edges that lie on one line and touch are one, and move together. What is asked of two lines is that
    // one moves so much farther than the other.
    private sealed class Lines
    {
        private readonly Dictionary<(RoomId Room, int Edge), int> lineOf = [];
        private readonly List<(int Line, Length Move)> stays = [];
        private readonly bool vertical;
        private readonly int[] root;
        private readonly Length[] ahead;
        private ImmutableArray<Length>? moves;

        public Lines(Level level, bool vertical)
        {
            this.vertical = vertical;
            var edges = level.Rooms.SelectMany(r => r.Corners.Select((a, i) => (Room: r.Id, Edge: i, A: a,
                B: r.Corners[(i + 1) % r.Corners.Length]))).Where(e => (e.A.X == e.B.X) == vertical).ToList();
            var count = 0;
            foreach (var line in edges.GroupBy(e => vertical ? e.A.X : e.A.Y))
            {
                var to = new Length(int.MinValue);
                foreach (var e in line.OrderBy(e => Length.Min(Along(e.A), Along(e.B))))
                {
                    if (Length.Min(Along(e.A), Along(e.B)) > to)
                    {
                        count++;
                    }

                    to = Length.Max(to, Length.Max(Along(e.A), Along(e.B)));
                    lineOf[(e.Room, e.Edge)] = count - 1;
                }
            }

            root = [.. Enumerable.Range(0, count)];
            ahead = new Length[count];
        }

        /// <summary>Asks that the room be so much larger than it is, unless what was asked before it leaves no choice.</summary>
        public void Keep(FramedRoom room, Length by)
        {
            int? LineAt(Length face) => Enumerable.Range(0, room.Sides.Length).Where(i => room.Sides[i].AlongX != vertical
                && On(room.Sides[i].Start) == face).Select(i => (int?)lineOf[(room.Room.Id, i)]).FirstOrDefault();
            if (LineAt(room.Inside.Min(On)) is not int low || LineAt(room.Inside.Max(On)) is not int high)
            {
                return;
            }

            var (a, b) = (Find(low), Find(high));
            if (a.Root != b.Root)
            {
                root[b.Root] = a.Root;
                ahead[b.Root] = a.Ahead + by - b.Ahead;
            }
        }

        /// <summary>Wishes that the faces of a room stay where they were.</summary>
        public void Stay(FramedRoom was, FramedRoom now)
        {
            for (var i = 0; i < now.Sides.Length; i++)
            {
                if (lineOf.TryGetValue((now.Room.Id, i), out var line))
                {
                    stays.Add((line, On(was.Sides[i].Start) - On(now.Sides[i].Start)));
                }
            }
        }

        /// <summary>How far a corner of a room moves in this direction.</summary>
        public Length Move(Room room, int corner)
        {
            var before = (corner + room.Corners.Length - 1) % room.Corners.Length;
            var line = lineOf.TryGetValue((room.Id, corner), out var own) ? own : lineOf[(room.Id, before)];
            return Moves()[line];
        }

        // Lines that are tied together move so that as many faces as can be stay where they were.
        private ImmutableArray<Length> Moves()
        {
            var back = stays.Select(s => (At: Find(s.Line), s.Move)).GroupBy(s => s.At.Root).ToDictionary(g => g.Key, g => g
                .GroupBy(s => s.At.Ahead - s.Move).OrderByDescending(m => m.Count()).ThenBy(m => m.Key.Abs()).ThenBy(m => m.Key)
                .First().Key);
            return moves ??= [.. Enumerable.Range(0, root.Length).Select(Find).Select(f => f.Ahead - back.GetValueOrDefault(f.Root))];
        }

        private (int Root, Length Ahead) Find(int line)
        {
            var sum = Length.Zero;
            while (root[line] != line)
            {
                sum += ahead[line];
                line = root[line];
            }

            return (line, sum);
        }

        private Length On(Point p) => vertical ? p.X : p.Y;

        private Length Along(Point p) => vertical ? p.Y : p.X;
    }
}
