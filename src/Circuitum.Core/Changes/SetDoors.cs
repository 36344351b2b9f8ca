using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Sets the doors that a level has not: so many that every room can be reached from every other, each where such rooms usually
/// open into each other, and a way out of a building that has none. One act, one undo; each is moved like any other door.</summary>
public sealed record SetDoors(LevelId Level) : JobChange
{
    // What stands before a door leaves room for a person.
    private static readonly Length Passage = Length.FromInches(30);

    // From a corner, so that the casing fits, and the wall beyond is left for what stands there.
    private static readonly Length FromCorner = Length.FromInches(4);

    private static readonly Length Front = Length.FromFeet(3);
    private static readonly Length IntoCloset = Length.FromInches(30);

    /// <summary>Rooms of a level that have no door, no passage and no other way in.</summary>
    public static IReadOnlyList<Room> Without(FramedHouse house, LevelId level) => [.. Rooms(house, level)
        .Where(r => !r.Sides.SelectMany(s => s.Openings).Any(IsWay)).Select(r => r.Room)];

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var level = HouseChange.Find(job, Level);
        var before = job;
        var set = new List<string>();
        var house = Framing.Frame(job);
        var rooms = Rooms(house, Level).ToList();
        var part = rooms.ToDictionary(r => r.Room.Id, r => r.Room.Id);
        RoomId Part(RoomId id) => part[id] == id ? id : Part(part[id]);
        foreach (var joined in rooms.SelectMany(r => r.Sides.SelectMany(s => s.Openings).Where(IsWay)
                .Select(o => (o.Opening.Id, r.Room.Id)))
            .GroupBy(x => x.Item1).Select(g => g.Select(x => Part(x.Item2)).ToList()).Where(g => g.Count > 1))
        {
            part[Part(joined[0])] = Part(joined[1]);
        }

        var pairs = rooms.SelectMany((a, i) => rooms.Skip(i + 1).Select(b => (A: a.Room, B: b.Room)))
            .Select(p => (p.A, p.B, Strange: Strangeness(p.A, p.B), Walls: SharedWalls.Between(house, p.A.Id, p.B.Id)))
            .Where(p => p.Strange is not null && p.Walls.Count > 0)
            .OrderBy(p => p.Strange).ThenByDescending(p => p.Walls[0].Long).ThenBy(p => p.A.Id.Value, StringComparer.Ordinal);
        foreach (var (a, b, _, _) in pairs)
        {
            if (Part(a.Id) != Part(b.Id) && Between(job, a, b) is { } with)
            {
                (job, part[Part(a.Id)]) = (with, Part(b.Id));
                set.Add($"{a.Name} to {b.Name}");
            }
        }

        if (WayOut(job) is var (room, outside))
        {
            job = outside;
            set.Add($"{room.Name} to the outside");
        }

        if (job == before)
        {
            throw new ChangeRefusedException($"Every room of {level.Name.ToLowerInvariant()} that shares a wall with another "
                + "has its way in.");
        }

        var left = rooms.GroupBy(r => Part(r.Room.Id)).OrderByDescending(g => g.Count()).Skip(1).SelectMany(g => g).Select(r => r.Room.Name)
            .ToList();
        phrase = $"Set {(set.Count == 1 ? "a door" : $"{set.Count} doors")}: {string.Join(", ", set)}"
            + (left.Count > 0 ? $"; no wall to a door for {string.Join(", ", left)}" : "");
        return job;
    }

    private static IEnumerable<FramedRoom> Rooms(FramedHouse house, LevelId level) => house.Levels.First(l => l.Level.Id == level).Rooms
        .Where(r => r.Room.Use != RoomUse.CrawlSpace);

    private static bool IsWay(SideOpening opening) => opening.Opening.Kind != OpeningKind.Window;

    private static Job? Between(Job job, Room a, Room b)
    {
        var house = Framing.Frame(job);
        var open = DoorSwing.IsOpen(a.Use) && DoorSwing.IsOpen(b.Use);
        var width = a.Use == RoomUse.Closet || b.Use == RoomUse.Closet ? IntoCloset : UsualSizes.Of(open ? OpeningKind.Cased
            : OpeningKind.Door);
        return SharedWalls.Between(house, a.Id, b.Id).Select(w => Set(job, house, w, a.Id, b.Id,
            open ? OpeningKind.Cased : OpeningKind.Door, width, open)).FirstOrDefault(j => j is not null);
    }

    // A building without a way out gets one where people come in.
    private (Room Room, Job Job)? WayOut(Job job)
    {
        var house = Framing.Frame(job);
        var building = job.Structures.First(s => s.Levels.Any(l => l.Id == Level));
        // A wall may be to the weather in one part and to a room in another: outside is where only one room has the door.
        var doors = building.Levels.SelectMany(l => l.Rooms).SelectMany(r => house.Room(r.Id).Sides).SelectMany(s => s.Openings)
            .Where(o => o.Opening.Kind is OpeningKind.Door or OpeningKind.Slider).GroupBy(o => o.Opening.Id);
        if (doors.Any(d => d.Count() == 1) || Below(house))
        {
            return null;
        }

        RoomUse[] first = [RoomUse.Entry, RoomUse.Family, RoomUse.Hall, RoomUse.Mudroom, RoomUse.Kitchen, RoomUse.Utility];
        return Rooms(house, Level).Select(r => r.Room).Where(r => !IsPrivate(r.Use))
            .OrderBy(r => Array.IndexOf(first, r.Use) is >= 0 and var at ? at : first.Length)
            .SelectMany(r => SharedWalls.Outside(house, r.Id).Select(w => (Room: r, Wall: w)))
            .Select(x => (x.Room, Job: Set(job, house, x.Wall, x.Room.Id, null, OpeningKind.Door, Front, false)))
            .Where(x => x.Job is not null).Select(x => ((Room, Job)?)(x.Room, x.Job!)).FirstOrDefault();
    }

    // Nobody comes in through a wall with earth behind it: below another level where rooms of a basement are.
    private bool Below(FramedHouse house) => Rooms(house, Level).All(r => r.Room.Use is RoomUse.UnfinishedBasement
        or RoomUse.FinishedBasement or RoomUse.Stair or RoomUse.Utility) && house.Levels.First(l => l.Level.Id == Level) is var level
        && house.Levels.Any(l => l.Structure == level.Structure && l.Index > level.Index);

    private static Job? Set(Job job, FramedHouse house, WallStretch wall, RoomId a, RoomId? b, OpeningKind kind, Length width, bool middle)
    {
        Length least = wall.From + FromCorner, most = wall.To - FromCorner - width, wish = middle ? (least + most) / 2 : least;
        for (var at = least; at <= most; at += Length.FromInches(1))
        {
            // The one that is wished, then what lies about it.
            var offset = middle ? (at - least).Sixtyfourths / Length.FromInches(1).Sixtyfourths is var step && step % 2 == 0
                ? wish + Length.FromInches(step / 2) : wish - Length.FromInches((step + 1) / 2) : at;
            if (offset < least || offset > most || !IsClear(house, wall.Side, a, b, offset, width))
            {
                continue;
            }

            var opening = new Opening
            {
                Id = new(AddOpening.FreeId(job, a)),
                Kind = kind,
                Wall = wall.Side.Number,
                Offset = offset.Snapped(Length.FromInches(.5m)),
                Width = width,
                SwingsOut = b is RoomId to && DoorSwing.SwingsOut(house.Room(a).Room.Use, house.Room(to).Room.Use),
            };
            if (new AddOpening(a, opening).On(job).Job is { } with)
            {
                return with;
            }
        }

        return null;
    }

    // No other opening within the width of its studs, and nothing that stands before it in either room.
    private static bool IsClear(FramedHouse house, RoomSide side, RoomId a, RoomId? b, Length at, Length width)
    {
        var studs = Length.FromInches(6);
        if (side.Openings.Any(o => o.From < at + width + studs && at < o.To + studs))
        {
            return false;
        }

        Point from = side.Into(side.At(at), Passage), to = side.Into(side.At(at + width), -(Passage + (side.HalfThickness * 2)));
        var before = Shapes.Box(from, to);
        return new[] { a, b }.OfType<RoomId>().Select(house.Room).All(r => r.Room.Fixtures.All(f =>
        {
            var (northWest, southEast) = r.Footprint(f);
            return !Shapes.Overlap(before, Shapes.Box(northWest, southEast));
        }));
    }

    private static bool IsPrivate(RoomUse use) => use is RoomUse.Bedroom or RoomUse.Bath or RoomUse.Closet or RoomUse.Pantry
        or RoomUse.Sauna;

    /// <summary>How strange a door between two rooms is: 0 is where one looks for it; null where none is made. A garage never opens into a
    /// room for sleeping, R302.5.1.</summary>
    private static int? Strangeness(Room a, Room b) => Related(a, b) ? 0 : Pair(a.Use, b.Use) ?? Pair(b.Use, a.Use) ?? Unlike(a.Use, b.Use);

    // “Main bath” and “Main bedroom”; “Bedroom 2 closet” and “Bedroom 2”.
    private static bool Related(Room a, Room b) => (IsPrivate(a.Use) && b.Use == RoomUse.Bedroom && a.Use != RoomUse.Bedroom
            && Begins(a.Name, b.Name))
        || (IsPrivate(b.Use) && a.Use == RoomUse.Bedroom && b.Use != RoomUse.Bedroom && Begins(b.Name, a.Name));

    private static bool Begins(string name, string bedroom) => name.StartsWith(bedroom, StringComparison.OrdinalIgnoreCase)
        || bedroom.Split(' ') is [var first, _] && first.Length > 2 && !first.Equals("bedroom", StringComparison.OrdinalIgnoreCase)
            && name.StartsWith(first + " ", StringComparison.OrdinalIgnoreCase);

    private static int? Pair(RoomUse a, RoomUse b) => (a, b) switch
    {
        (RoomUse.Pantry, RoomUse.Kitchen) or (RoomUse.Mudroom, RoomUse.Garage) => 0,
        (RoomUse.Kitchen, RoomUse.Dining) or (RoomUse.Mudroom, RoomUse.Kitchen) or (RoomUse.Closet, RoomUse.Bedroom)
            or (RoomUse.Sauna, RoomUse.Bath) => 1,
        (RoomUse.Hall or RoomUse.Entry, RoomUse.Closet or RoomUse.Pantry or RoomUse.Garage) => 4,
        (RoomUse.Hall or RoomUse.Entry, _) => 1,
        (RoomUse.Dining or RoomUse.Kitchen, RoomUse.Family) => 2,
        (RoomUse.Bath, RoomUse.Bedroom) or (RoomUse.Closet, RoomUse.Den or RoomUse.Bath) => 3,
        (RoomUse.Utility or RoomUse.Kitchen, RoomUse.Garage) or (RoomUse.Laundry, RoomUse.Kitchen) => 4,
        (RoomUse.Family, RoomUse.Bedroom or RoomUse.Den) => 5,
        _ => null,
    };

    private static int? Unlike(RoomUse a, RoomUse b) => (a, b) switch
    {
        (RoomUse.Garage, RoomUse.Bedroom) or (RoomUse.Bedroom, RoomUse.Garage) or (RoomUse.Bath, RoomUse.Bath)
            or (RoomUse.Closet, RoomUse.Closet) => null,
        _ when IsPrivate(a) && IsPrivate(b) => 15,
        _ when a == RoomUse.Bath || b == RoomUse.Bath => 12,
        _ => 10,
    };
}
