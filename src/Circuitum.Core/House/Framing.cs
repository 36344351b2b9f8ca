using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.House;

/// <summary>Stage House: what is framed?</summary>
public static class Framing
{
    // Two inside faces of one wall stand no farther from its center line than this.
    private static readonly Length Near = Length.FromInches(6.5m);

    /// <summary>Derives walls, inside faces and heights from the rooms.</summary>
    public static FramedHouse Frame(Job job) => new([.. job.Structures.Select(Structure)]);

    private static FramedStructure Structure(Structure structure, int index)
    {
        var levels = ImmutableArray.CreateBuilder<FramedLevel>();
        var floor = Length.Zero;
        foreach (var level in structure.Levels)
        {
            levels.Add(Level(level, index, levels.Count, floor));
            floor += level.CeilingHeight + level.CeilingJoists.Depth;
        }

        return new(index, structure, levels.ToImmutable());
    }

    private static FramedLevel Level(Level level, int structure, int index, Length floor)
    {
        var strips = Strips(level);
        var rooms = level.Rooms.Select(r => Inside(r, strips, structure, index)).ToImmutableArray();
        var walls = Walls(strips, rooms, level.Reservations);
        return new(structure, index, level, floor,
            [.. rooms.Select(r => r with { Sides = [.. r.Sides.Select(s => s with { Openings = Seen(r, s, walls) })] })], walls);
    }

    // A door is listed by one room and breaks the wall of both.
    private static ImmutableArray<SideOpening> Seen(FramedRoom room, RoomSide side, ImmutableArray<Wall> walls) =>
    [
        .. walls.Where(w => w.Rooms.Contains(room.Room.Id) && w.AlongX == side.AlongX
            && ((w.AlongX ? w.Start.Y - side.Start.Y : w.Start.X - side.Start.X).Abs() <= Near))
            .SelectMany(w => w.Openings.Select(o => (o.Opening, A: side.Offset(w.At(o.From)), B: side.Offset(w.At(o.To)))))
            .Select(o => new SideOpening(o.Opening, Length.Max(Length.Zero, Length.Min(o.A, o.B)),
                Length.Min(side.Clear, Length.Max(o.A, o.B))))
            .Where(o => o.From < o.To)
            .DistinctBy(o => o.Opening.Id)
            .OrderBy(o => o.From),
    ];

    // A line that carries walls, cut wherever a room's corner lies on it; for each piece the room on either side.
    private static List<Strip> Strips(Level level)
    {
        var edges = level.Rooms.SelectMany(r =>
            r.Corners.Select((a, i) =>
                (Room: r, A: a, B: r.Corners[(i + 1) % r.Corners.Length], Build: r.Builds.FirstOrDefault(b => b.Wall == i + 1)))).ToList();
        var strips = new List<Strip>();
        foreach (var line in edges.GroupBy(e => (AlongX: e.A.Y == e.B.Y, At: e.A.Y == e.B.Y ? e.A.Y : e.A.X))
            .OrderBy(g => g.Key.AlongX ? 0 : 1).ThenBy(g => g.Key.At))
        {
            Length Along(Point p) => line.Key.AlongX ? p.X : p.Y;
            var cuts = line.SelectMany(e => new[] { Along(e.A), Along(e.B) }).Distinct().Order().ToList();
            for (var i = 0; i + 1 < cuts.Count; i++)
            {
                Length from = cuts[i], to = cuts[i + 1];
                var sides = line.Where(e => Length.Min(Along(e.A), Along(e.B)) <= from && Length.Max(Along(e.A), Along(e.B)) >= to)
                    .ToList();
                if (sides.Count > 0)
                {
                    var rooms = sides.Select(e => e.Room.Id).Distinct().ToImmutableArray();
                    var built = sides.FirstOrDefault(e => e.Build is not null);
                    strips.Add(new(line.Key.AlongX, line.Key.At, from, to, rooms, built.Build is { } build ? WallFrame.Of(build)
                        : rooms.Length == 1 ? WallFrame.Exterior : WallFrame.Interior)
                    {
                        Built = built.Build is { } said ? (built.Room.Id, said) : null,
                    });
                }
            }
        }

        return strips;
    }

    private static FramedRoom Inside(Room room, List<Strip> strips, int structure, int level)
    {
        var corners = room.Corners;
        var half = new Length[corners.Length];
        var exterior = new bool[corners.Length];
        for (var i = 0; i < corners.Length; i++)
        {
            Point a = corners[i], b = corners[(i + 1) % corners.Length];
            var alongX = a.Y == b.Y;
            var along = strips.Where(s => s.AlongX == alongX && s.Line == (alongX ? a.Y : a.X) && s.Rooms.Contains(room.Id)
                && s.From >= Length.Min(alongX ? a.X : a.Y, alongX ? b.X : b.Y)
                && s.To <= Length.Max(alongX ? a.X : a.Y, alongX ? b.X : b.Y)).ToList();
            exterior[i] = along.Exists(s => s.Rooms.Length == 1);
            half[i] = along.Max(s => s.Frame.Thickness) / 2;
        }

        var inside = new Point[corners.Length];
        for (var i = 0; i < corners.Length; i++)
        {
            var before = (i + corners.Length - 1) % corners.Length;
            var shifted = corners[i];
            foreach (var edge in new[] { before, i })
            {
                Point a = corners[edge], b = corners[(edge + 1) % corners.Length];
                // Clockwise on the plan: the room is to the right of the way walked.
                shifted = a.Y == b.Y
                    ? shifted.By(Length.Zero, b.X > a.X ? half[edge] : -half[edge])
                    : shifted.By(b.Y > a.Y ? -half[edge] : half[edge], Length.Zero);
            }

            inside[i] = shifted;
        }

        return new(room, structure, level,
            [.. inside.Select((p, i) => new RoomSide(i + 1, p, inside[(i + 1) % inside.Length], half[i], exterior[i]))]);
    }

    private static ImmutableArray<Wall> Walls(List<Strip> strips, ImmutableArray<FramedRoom> rooms,
        ImmutableArray<Reservation> reservations)
    {
        var walls = ImmutableArray.CreateBuilder<Wall>();
        var byId = rooms.ToDictionary(r => r.Room.Id);
        foreach (var strip in strips)
        {
            var exterior = strip.Rooms.Length == 1;
            var start = strip.AlongX ? new Point(strip.From, strip.Line) : new Point(strip.Line, strip.From);
            var end = strip.AlongX ? new Point(strip.To, strip.Line) : new Point(strip.Line, strip.To);
            var wall = new Wall(walls.Count, start, end, strip.Frame, exterior, strip.Rooms, []);
            if (strip.Built is { Build.FirstChase: { } first } built)
            {
                // A person measures from the corner of the room; upright chases go on at their spacing through all of the wall.
                var side = byId[built.Room].Sides[built.Build.Wall - 1];
                var corner = Length.Min(wall.Along(side.Start), wall.Along(side.End));
                wall = wall with { Frame = wall.Frame.WithChaseAt(corner + first) };
            }

            var openings = strip.Rooms.SelectMany(id => byId[id].Room.Openings.Select(o => (Room: byId[id], Opening: o)))
                .Where(x => OnWall(x.Room.Sides[x.Opening.Wall - 1], strip))
                .Select(x => Cut(x.Room, x.Opening, wall))
                .Where(o => o.From < wall.Run && o.To > Length.Zero)
                .OrderBy(o => o.From);
            walls.Add(wall with { Openings = [.. openings], Reserved = [.. Kept(reservations, byId, strip, wall)] });
        }

        return walls.ToImmutable();
    }

    private static IEnumerable<ReservedStretch> Kept(ImmutableArray<Reservation> reservations, Dictionary<RoomId, FramedRoom> rooms,
        Strip strip, Wall wall)
    {
        foreach (var kept in reservations.Where(r => strip.Rooms.Contains(r.Room) && OnWall(rooms[r.Room].Sides[r.Wall - 1], strip)))
        {
            var side = rooms[kept.Room].Sides[kept.Wall - 1];
            Length a = wall.Along(side.At(kept.Offset)), b = wall.Along(side.At(kept.Offset + kept.Width));
            if (Length.Max(a, b) > Length.Zero && Length.Min(a, b) < wall.Run)
            {
                yield return new(kept, Length.Min(a, b), Length.Max(a, b));
            }
        }
    }

    private static bool OnWall(RoomSide side, Strip strip) =>
        side.AlongX == strip.AlongX && ((side.AlongX ? side.Start.Y : side.Start.X) - strip.Line).Abs() <= Near;

    private static WallOpening Cut(FramedRoom room, Opening opening, Wall wall)
    {
        var side = room.Sides[opening.Wall - 1];
        Length a = wall.Along(side.At(opening.Offset)), b = wall.Along(side.At(opening.Offset + opening.Width));
        return new(opening, room.Room.Id, Length.Min(a, b), Length.Max(a, b));
    }

    private sealed record Strip(bool AlongX, Length Line, Length From, Length To, ImmutableArray<RoomId> Rooms, WallFrame Frame)
    {
        /// <summary>What a person said of its framing, and in which room.</summary>
        public (RoomId Room, WallBuild Build)? Built { get; init; }
    }
}
