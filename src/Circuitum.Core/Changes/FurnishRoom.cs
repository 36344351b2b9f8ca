using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Puts into a room what a room of its use has and this one has not: on the likeliest walls, clear of doors, of what stands there
/// and of each other. What finds no place is left out and told.</summary>
public sealed record FurnishRoom(RoomId Room) : JobChange
{
    // A person passes a door and stands before what they use.
    private static readonly Length Passage = Length.FromInches(30);

    /// <summary>What a room of a use has, in the order it is placed; nothing for a use without a set.</summary>
    public static ImmutableArray<FixtureKind> SetOf(RoomUse use) => use switch
    {
        RoomUse.Bath => [FixtureKind.Tub, FixtureKind.Vanity, FixtureKind.Toilet],
        RoomUse.Kitchen => [FixtureKind.Counter, FixtureKind.Sink, FixtureKind.Dishwasher, FixtureKind.Refrigerator, FixtureKind.Counter,
            FixtureKind.Range],
        RoomUse.Laundry => [FixtureKind.Washer, FixtureKind.Dryer],
        RoomUse.Bedroom => [FixtureKind.Bed],
        RoomUse.Closet => [FixtureKind.Shelf],
        _ => [],
    };

    /// <summary>What of its set a room has not. What is there already is not put in again, however many of it the set has; a shower stands
    /// for a tub.</summary>
    public static ImmutableArray<FixtureKind> MissingFrom(Room room)
    {
        var there = room.Fixtures.Select(f => f.Kind == FixtureKind.Shower ? FixtureKind.Tub : f.Kind).ToList();
        return [.. SetOf(room.Use).Where(kind => !there.Remove(kind))];
    }

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (_, room) = HouseChange.Find(job, Room);
        if (SetOf(room.Use).IsEmpty)
        {
            throw new ChangeRefusedException($"There is no set for a {Words.Of(room.Use)}: put its things in one by one.");
        }

        var (placed, left) = (new List<FixtureKind>(), new List<FixtureKind>());
        foreach (var kind in MissingFrom(room))
        {
            var framed = Framing.Frame(job).Room(Room);
            if (Place(framed, kind) is { } fixture && new AddFixture(Room, fixture).On(job).Job is { } with)
            {
                job = with;
                placed.Add(kind);
            }
            else
            {
                left.Add(kind);
            }
        }

        if (placed.Count == 0)
        {
            throw new ChangeRefusedException(left.Count == 0 ? $"{room.Name} has all that a {Words.Of(room.Use)} has."
                : $"{room.Name} has no place clear of its doors for {Listed(left)}.");
        }

        phrase = $"Furnish {room.Name} with {Listed(placed)}" + (left.Count > 0 ? $"; no place is left for {Listed(left)}" : "");
        return job;
    }

    private static string Listed(List<FixtureKind> kinds) => string.Join(", ", kinds.GroupBy(k => k)
        .Select(g => g.Count() > 1 ? $"{g.Count()} {Words.Of(g.Key)}s" : Words.Of(g.Key)));

    private static Fixture? Place(FramedRoom room, FixtureKind kind)
    {
        var counters = room.Room.Fixtures.Where(f => f is { Kind: FixtureKind.Counter, Wall: not null }).ToList();
        return kind switch
        {
            FixtureKind.Counter => Counter(room),
            FixtureKind.Sink => In(room, kind, counters.FirstOrDefault(), Window(room, counters.FirstOrDefault())),
            FixtureKind.Dishwasher => In(room, kind, counters.FirstOrDefault(), Beside(room)),
            FixtureKind.Range => In(room, kind, counters.LastOrDefault(), null),
            FixtureKind.Tub => Free(room, FixtureKind.Tub) ?? Free(room, FixtureKind.Shower),
            _ => Free(room, kind),
        };
    }

    // Where something stands in the length of a counter: about the place that is wished, or in the middle of what is free of it.
    private static Fixture? In(FramedRoom room, FixtureKind kind, Fixture? counter, Length? wish)
    {
        var (width, depth) = UsualSizes.Of(kind);
        if (counter is not { Wall: int wall })
        {
            return Free(room, kind);
        }

        Length from = counter.Offset, to = counter.Offset + counter.Width - width, middle = wish ?? (from + to) / 2;
        return Steps(from, to).OrderBy(at => (at - middle).Abs()).Select(at => new Fixture
        {
            Kind = kind,
            Wall = wall,
            Offset = at,
            Width = width,
            Depth = depth,
        }).FirstOrDefault(f => !Stands(room, FixtureKind.Counter).Any(o => Meets(o, room.Footprint(f))));
    }

    // Under the first window over the counter.
    private static Length? Window(FramedRoom room, Fixture? counter) => counter is { Wall: int wall }
        && room.Sides[wall - 1].Openings.FirstOrDefault(o => o.Opening.Kind == OpeningKind.Window) is { } window
        ? ((window.From + window.To - UsualSizes.Of(FixtureKind.Sink).Width) / 2).Snapped(Length.FromInches(1)) : null;

    // To the right of the sink.
    private static Length? Beside(FramedRoom room) => room.Room.Fixtures.FirstOrDefault(f => f.Kind == FixtureKind.Sink) is { } sink
        ? sink.Offset + sink.Width : null;

    // As long as the wall lets it be, 4 ft at the least; along a window first, else along the longest stretch.
    private static Fixture? Counter(FramedRoom room)
    {
        var depth = UsualSizes.Of(FixtureKind.Counter).Depth;
        var blocked = Stands(room, null).ToList();
        return room.Sides.SelectMany(s => Stretches(room, s, depth, blocked).Select(f => (Side: s, f.From, f.To)))
            .Where(x => x.To - x.From >= Length.FromFeet(4))
            .OrderBy(x => Glazed(x.Side, x.From, x.To) ? 0 : 1)
            .ThenByDescending(x => x.To - x.From).ThenBy(x => x.Side.Number)
            .Select(x => Cut(x.Side, x.From, x.To, depth)).FirstOrDefault();
    }

    // At the end without a window a refrigerator's width is left where there is more than enough.
    private static Fixture Cut(RoomSide side, Length from, Length to, Length depth)
    {
        var left = UsualSizes.Of(FixtureKind.Refrigerator).Width;
        if (to - from > Length.FromFeet(9))
        {
            (from, to) = !Glazed(side, to - left, to) ? (from, to - left)
                : !Glazed(side, from, from + left) ? (from + left, to) : (from, to);
        }

        return new() { Kind = FixtureKind.Counter, Wall = side.Number, Offset = from, Width = to - from, Depth = depth };
    }

    // Inch by inch the places of a wall that a strip of that depth would have free.
    private static List<(Length From, Length To)> Stretches(FramedRoom room, RoomSide side, Length depth,
        List<(Point NorthWest, Point SouthEast)> blocked)
    {
        var inch = Length.FromInches(1);
        var free = new List<(Length From, Length To)>();
        for (var at = Length.Zero; at + inch <= side.Clear; at += inch)
        {
            var cell = room.Footprint(new() { Kind = FixtureKind.Counter, Wall = side.Number, Offset = at, Width = inch, Depth = depth });
            if (!IsInside(room, cell) || blocked.Exists(b => Meets(b, cell)))
            {
                continue;
            }

            if (free.Count > 0 && free[^1].To == at)
            {
                free[^1] = (free[^1].From, at + inch);
            }
            else
            {
                free.Add((at, at + inch));
            }
        }

        return free;
    }

    // On the wall where its like stand, from a corner on: pipes share a wall, a bed stands in the middle of the longest.
    private static Fixture? Free(FramedRoom room, FixtureKind kind)
    {
        var (usual, depth) = UsualSizes.Of(kind);
        // A shelf is cut to its closet.
        Length Wide(RoomSide side) => kind == FixtureKind.Shelf ? Length.Min(usual, side.Clear) : usual;
        var blocked = Stands(room, null).ToList();
        var wet = room.Room.Fixtures.Where(f => f.Wall is not null).Select(f => f.Wall!.Value).ToHashSet();
        return room.Sides.SelectMany(s => Steps(Length.Zero, s.Clear - Wide(s)).Select(at => (Side: s, Fixture: new Fixture
        {
            Kind = kind,
            Wall = s.Number,
            Offset = at,
            Width = Wide(s),
            Depth = depth,
        })))
            .Where(x => room.Footprint(x.Fixture) is var place && IsInside(room, place) && !blocked.Exists(b => Meets(b, place))
                && !(kind is FixtureKind.Bed or FixtureKind.Refrigerator
                    && Glazed(x.Side, x.Fixture.Offset, x.Fixture.Offset + x.Fixture.Width)))
            .OrderBy(x => kind is FixtureKind.Bed or FixtureKind.Shelf || wet.Contains(x.Side.Number) ? 0 : 1)
            .ThenBy(x => kind == FixtureKind.Bed ? (x.Fixture.Offset + (usual / 2) - (x.Side.Clear / 2)).Abs() : Length.Zero)
            .ThenByDescending(x => x.Side.Clear).ThenBy(x => x.Side.Number).ThenBy(x => x.Fixture.Offset)
            .Select(x => x.Fixture).FirstOrDefault();
    }

    private static bool Glazed(RoomSide side, Length from, Length to) => side.Openings.Any(o => o.Opening.Kind == OpeningKind.Window
        && o.From < to && o.To > from);

    private static IEnumerable<Length> Steps(Length from, Length to)
    {
        for (var at = from; at <= to; at += Length.FromInches(1))
        {
            yield return at;
        }
    }

    // What stands there, but for one kind that takes things in; and the floor before every door, as deep as its leaf or a passage.
    private static IEnumerable<(Point NorthWest, Point SouthEast)> Stands(FramedRoom room, FixtureKind? takesIn) =>
        room.Room.Fixtures.Where(f => f.Kind != takesIn).Select(room.Footprint).Concat(room.Sides.SelectMany(s => s.Openings
            .Where(o => o.Opening.Kind != OpeningKind.Window).Select(o => room.Footprint(new()
            {
                Kind = FixtureKind.Cabinet,
                Wall = s.Number,
                Offset = o.From,
                Width = o.To - o.From,
                Depth = Length.Max(o.Opening.Kind == OpeningKind.Door ? o.Opening.Width : Length.Zero, Passage),
            }))));

    private static bool Meets((Point NorthWest, Point SouthEast) a, (Point NorthWest, Point SouthEast) b) =>
        a.NorthWest.X < b.SouthEast.X && b.NorthWest.X < a.SouthEast.X && a.NorthWest.Y < b.SouthEast.Y && b.NorthWest.Y < a.SouthEast.Y;

    private static bool IsInside(FramedRoom room, (Point NorthWest, Point SouthEast) place)
    {
        var middle = new Point((place.NorthWest.X + place.SouthEast.X) / 2, (place.NorthWest.Y + place.SouthEast.Y) / 2);
        var bit = Length.FromInches(.25m);
        return Shapes.Box(place.NorthWest.By(bit, bit), place.SouthEast.By(-bit, -bit)).Append(middle)
            .All(p => Outline.Contains(room.Inside, p));
    }
}

/// <summary>Furnishes every room of a level that lacks something of its set; what finds no place is told.</summary>
public sealed record FurnishLevel(LevelId Level) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var level = HouseChange.Find(job, Level);
        var (done, left) = (new List<string>(), new List<string>());
        foreach (var room in level.Rooms.Where(r => !FurnishRoom.MissingFrom(r).IsEmpty))
        {
            if (new FurnishRoom(room.Id).On(job).Job is { } with)
            {
                job = with;
                done.Add(room.Name);
            }

            if (FurnishRoom.MissingFrom(job.Rooms.First(r => r.Id == room.Id)) is { IsEmpty: false } missing)
            {
                left.Add($"{string.Join(", ", missing.Distinct().Select(Words.Of))} in {room.Name}");
            }
        }

        if (done.Count == 0)
        {
            throw new ChangeRefusedException(left.Count == 0
                ? $"Every room of {level.Name.ToLowerInvariant()} with a usual set of things has it."
                : $"There is no place clear of the doors for {string.Join("; ", left)}.");
        }

        phrase = $"Furnish {string.Join(", ", done)}" + (left.Count > 0 ? $"; no place is left for {string.Join("; ", left)}" : "");
        return job;
    }
}
