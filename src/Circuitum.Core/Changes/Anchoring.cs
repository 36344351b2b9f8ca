using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Keeps what is on walls, ceilings and floors where it stands when the rooms around it are drawn anew.</summary>
internal static class Anchoring
{
    // A wall that was not moved lies where it lay, but for half the difference of two thicknesses.
    private static readonly Length Same = Length.FromInches(4);

    /// <summary>The drawn job with every place on a wall told anew from its new corners.</summary>
    /// <param name="before">The job as it stood.</param>
    /// <param name="drawn">The job with its new outlines; places on walls still told from the old corners.</param>
    /// <param name="keepsWalls">Things stay on the wall of the same number, however far it moved.</param>
    /// <param name="lost">How many stood on a wall that is gone.</param>
    public static Job Keep(Job before, Job drawn, bool keepsWalls, out int lost)
    {
        var old = Framing.Frame(before);
        var bare = drawn with { Structures = [.. drawn.Structures.Select(s => s with { Levels = [.. s.Levels.Select(Bare)] })] };
        var now = new Anchors(old, Framing.Frame(bare), keepsWalls);
        var rooms = Rooms(before, now);
        var result = drawn with
        {
            Structures =
            [
                .. drawn.Structures.Select(s => s with
                {
                    Levels =
                    [
                        .. s.Levels.Select(l => l with
                        {
                            Rooms = [.. l.Rooms.Select(r => rooms.TryGetValue(r.Id, out var kept)
                                ? r with { Openings = [.. kept.Openings], Fixtures = [.. kept.Fixtures], Builds = keepsWalls ? r.Builds
                                    : [.. kept.Builds.DistinctBy(b => b.Wall)] } : r)],
                            Reservations = [.. l.Reservations.Select(x => now.On(x.Room, x.Wall, x.Offset, x.Width) is { } at
                                ? x with { Room = at.Room, Wall = at.Wall, Offset = at.Offset } : now.Gone<Reservation>())
                                .OfType<Reservation>()],
                            Chases = [.. l.Chases.Select(x => now.On(x.Room, x.Wall, x.Offset, Length.Zero) is { } at
                                ? x with { Room = at.Room, Wall = at.Wall, Offset = at.Offset } : now.Gone<Chase>()).OfType<Chase>()],
                        }),
                    ],
                }),
            ],
            Panels = [.. drawn.Panels.Select(p => now.On(p.Room, p.Wall, p.Offset, Length.Zero) is { } at
                ? p with { Room = at.Room, Wall = at.Wall, Offset = at.Offset }
                : throw new ChangeRefusedException($"Panel {p.Id} stands on that wall. Move it first."))],
            Wants = [.. drawn.Wants.Select(w => now.On(w.Room, w.Wall, w.Offset, w.Width) is { } at
                ? w with { Room = at.Room, Wall = at.Wall, Offset = at.Offset } : now.Gone<Want>()).OfType<Want>()],
            LowVoltage = [.. drawn.LowVoltage.Select(o => Outlet(o, now)).OfType<LowVoltageOutlet>()],
            LowVoltageHomes = [.. drawn.LowVoltageHomes.Select(h => now.On(h.Room, h.Wall, h.Offset, Length.Zero) is { } at
                ? h with { Room = at.Room, Wall = at.Wall, Offset = at.Offset } : now.Gone<LowVoltageHome>()).OfType<LowVoltageHome>()],
            Boxes = [.. drawn.Boxes.Select(b => Box(b, now)).OfType<Box>()],
        };
        lost = now.Lost;
        var left = result.Boxes.Select(b => b.Id).ToHashSet();
        return drawn.Boxes.Where(b => !left.Contains(b.Id)).Aggregate(result, (job, gone) => DeleteBox.Without(job, gone.Id));
    }

    private static Level Bare(Level level) =>
        level with { Rooms = [.. level.Rooms.Select(r => r with { Openings = [], Fixtures = [] })], Reservations = [], Chases = [] };

    private static Box? Box(Box box, Anchors now) =>
        now.At(box.Mount, box.Room, box.Wall, box.Offset, box.X, box.Y) is var (room, wall, offset, x, y)
            ? box with { Room = room, Wall = wall, Offset = offset, X = x, Y = y } : now.Gone<Box>();

    private static LowVoltageOutlet? Outlet(LowVoltageOutlet outlet, Anchors now) =>
        now.At(outlet.Mount, outlet.Room, outlet.Wall, outlet.Offset, outlet.X, outlet.Y) is var (room, wall, offset, x, y)
            ? outlet with { Room = room, Wall = wall, Offset = offset, X = x, Y = y } : now.Gone<LowVoltageOutlet>();

    // What every old room held, handed to the rooms that hold it now. A new room that the drawing itself furnished keeps its own.
    private static Dictionary<RoomId, (List<Opening> Openings, List<Fixture> Fixtures, List<WallBuild> Builds)> Rooms(Job before,
        Anchors now)
    {
        var held = new Dictionary<RoomId, (List<Opening> Openings, List<Fixture> Fixtures, List<WallBuild> Builds)>();
        (List<Opening> Openings, List<Fixture> Fixtures, List<WallBuild> Builds) At(RoomId id) => held.TryGetValue(id, out var lists)
            ? lists : held[id] = ([], [], []);
        foreach (var room in before.Rooms.Where(r => now.Knows(r.Id)))
        {
            if (now.Stands(room.Id))
            {
                At(room.Id);
            }

            foreach (var opening in room.Openings)
            {
                if (now.On(room.Id, opening.Wall, opening.Offset, opening.Width) is { } at)
                {
                    At(at.Room).Openings.Add(opening with { Wall = at.Wall, Offset = at.Offset });
                }
                else
                {
                    now.Gone<Opening>();
                }
            }

            foreach (var fixture in room.Fixtures)
            {
                if (fixture.Wall is int wall && now.On(room.Id, wall, fixture.Offset, fixture.Width) is { } on)
                {
                    At(on.Room).Fixtures.Add(fixture with { Wall = on.Wall, Offset = Length.Max(Length.Zero, on.Offset) });
                }
                else if (fixture.Wall is null && now.Over(room.Id, fixture.X, fixture.Y) is { } over)
                {
                    At(over.Room).Fixtures.Add(fixture with { X = over.X, Y = over.Y });
                }
                else
                {
                    now.Gone<Fixture>();
                }
            }

            foreach (var build in room.Builds)
            {
                if (now.OnWall(room.Id, build.Wall) is { } at)
                {
                    At(at.Room).Builds.Add(build with { Wall = at.Wall });
                }
            }
        }

        return held;
    }

    private sealed class Anchors(FramedHouse old, FramedHouse now, bool keepsWalls)
    {
        private readonly Dictionary<RoomId, FramedRoom> before = old.Rooms.ToDictionary(r => r.Room.Id);
        private readonly Dictionary<RoomId, FramedRoom> after = now.Rooms.ToDictionary(r => r.Room.Id);

        public int Lost { get; private set; }

        public T? Gone<T>() where T : class
        {
            Lost++;
            return null;
        }

        public bool Knows(RoomId id) => before.ContainsKey(id);

        public bool Stands(RoomId id) => after.ContainsKey(id);

        public (RoomId Room, int Wall)? OnWall(RoomId room, int wall) =>
            On(room, wall, before[room].Sides[wall - 1].Clear / 2, Length.Zero) is { } at ? (at.Room, at.Wall) : null;

        /// <summary>Where what stood at a place of a wall, a ceiling or a floor stands now; null where that is gone.</summary>
        public (RoomId Room, int Wall, Length Offset, Length X, Length Y)? At(Mount mount, RoomId room, int wall, Length offset, Length x,
            Length y) => mount == Mount.Wall
            ? On(room, wall, offset, Length.Zero) is { } on ? (on.Room, on.Wall, on.Offset, x, y) : null
            : Over(room, x, y) is { } over ? (over.Room, wall, offset, over.X, over.Y) : null;

        public (RoomId Room, int Wall, Length Offset)? On(RoomId id, int wall, Length offset, Length width)
        {
            // What the drawing itself put into a new room is told from the new corners already.
            if (!before.TryGetValue(id, out var room))
            {
                return (id, wall, offset);
            }

            var side = room.Sides[wall - 1];
            Point start = side.At(offset), middle = side.At(offset + (width / 2));
            var stays = after.TryGetValue(id, out var same) && keepsWalls && same.Sides.Length == room.Sides.Length;
            var found = stays ? (Room: same!, Side: same!.Sides[wall - 1]) : Heirs(room)
                .SelectMany(r => r.Sides.Select(s => (Room: r, Side: s)))
                .Where(x => x.Side.AlongX == side.AlongX && Forward(x.Side) == Forward(side) && Off(x.Side, middle) <= Same
                    && Past(x.Side, middle) <= Same)
                .OrderBy(x => Past(x.Side, middle)).ThenBy(x => x.Room.Room.Id == id ? 0 : 1).FirstOrDefault();
            if (found.Side is null)
            {
                return null;
            }

            // A thing of no width is pushed back onto its wall; an opening that no longer fits is told to whoever moved the wall.
            var at = found.Side.Offset(start);
            return (found.Room.Room.Id, found.Side.Number, width == Length.Zero ? Length.Max(Length.Zero, Length.Min(at, found.Side.Clear))
                : at);
        }

        public (RoomId Room, Length X, Length Y)? Over(RoomId id, Length x, Length y)
        {
            if (!before.TryGetValue(id, out var room))
            {
                return (id, x, y);
            }

            var at = room.NorthWest.By(x, y);
            var heirs = Heirs(room).ToList();
            var found = heirs.Find(r => Outline.Contains(r.Inside, at)) ?? heirs.Find(r => r.Room.Id == id);
            if (found is null)
            {
                return null;
            }

            Length east = at.X - found.NorthWest.X, south = at.Y - found.NorthWest.Y;
            return (found.Room.Id, Length.Max(Length.Zero, Length.Min(east, found.ClearWidth)),
                Length.Max(Length.Zero, Length.Min(south, found.ClearDepth)));
        }

        // The room itself, rooms that were not there before, and where it is gone any room on its level.
        private IEnumerable<FramedRoom> Heirs(FramedRoom room) =>
            after.Values.Where(r => r.Structure == room.Structure && r.Level == room.Level
                && (r.Room.Id == room.Room.Id || !before.ContainsKey(r.Room.Id) || !after.ContainsKey(room.Room.Id)));

        private static bool Forward(RoomSide side) => side.AlongX ? side.End.X >= side.Start.X : side.End.Y >= side.Start.Y;

        private static Length Off(RoomSide side, Point at) => (side.AlongX ? at.Y - side.Start.Y : at.X - side.Start.X).Abs();

        private static Length Past(RoomSide side, Point at)
        {
            var along = side.Offset(at);
            return along < Length.Zero ? -along : along > side.Clear ? along - side.Clear : Length.Zero;
        }
    }
}
