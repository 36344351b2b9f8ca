using System.Globalization;
using System.Text.RegularExpressions;
using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Lines;

/// <summary>Reads one line as it is said over a paper plan: a room, a closet, an opening, a fixture. What is not said is usual.</summary>
public static partial class HouseLine
{
    /// <summary>Characters of the longest line.</summary>
    public const int Longest = 160;

    // The center line of a partition lies so far from its face.
    private static readonly Length HalfPartition = WallFrame.Interior.Thickness / 2;

    /// <summary>Lines that are understood, one of each kind.</summary>
    public static IReadOnlyList<string> Examples => Writing.Measure == Measure.Metres ? InMetres : InFeet;

    private static IReadOnlyList<string> InMetres { get; } =
    [
        "bed 2 3.4 x 3.4 south of hall, west end", "closet 0.6 deep east in bed 2", "door 0.8 bed 2 to hall", "window 1.5 south of bed 2",
        "front door 0.9 east of living at 1.2", "range 0.76 east of kitchen", "island 1.8 x 0.9 in kitchen",
        "furnish bed 2", "door living to hall and mudroom", "window 1.2 north and west of living", "doors", "furnish all",
        .. BoxLine.Examples, "shed 3 x 3.6, 18 south of house",
    ];

    private static IReadOnlyList<string> InFeet { get; } =
    [
        "bed 2 11 x 11 south of hall, west end", "closet 2-0 deep east in bed 2", "door 2-8 bed 2 to hall", "window 5-0 south of bed 2",
        "front door 3-0 east of living at 4-0", "range 30 east of kitchen", "island 6-0 x 3-0 in kitchen",
        "furnish bed 2", "door living to hall and mudroom", "window 4-0 north and west of living", "doors", "furnish all",
        .. BoxLine.Examples, PanelLine.Example, "shed 10 x 12, 60-0 south of house",
    ];

    /// <summary>What a line does to a job.</summary>
    /// <param name="job">The job.</param>
    /// <param name="level">The level that is drawn: its rooms are meant first.</param>
    /// <param name="text">The line, at most 160 characters.</param>
    /// <exception cref="ChangeRefusedException">It is not understood; the message says what was not, and shows a line that would
    /// be.</exception>
    public static JobChange Read(Job job, LevelId level, string text)
    {
        var line = Spaces().Replace(text.Replace('×', 'x').Replace('’', '\'').Replace('”', '"'), " ").Trim().TrimEnd('.');
        if (line.Length is 0 or > Longest)
        {
            throw new ChangeRefusedException(line.Length == 0 ? $"Say a line, like “{Examples[0]}”."
                : $"A line has at most {Longest} characters; say the next thing in the next line.");
        }

        if (SeveralLines.Of(job, level, line) is { Length: > 1 } several)
        {
            return new SaySeveral(level, several);
        }

        if (DoorsLine().IsMatch(line))
        {
            return new SetDoors(level);
        }

        if (FurnishAllLine().IsMatch(line))
        {
            return new FurnishLevel(level);
        }

        if (FurnishLine().Match(line) is { Success: true } furnish)
        {
            return new FurnishRoom(Spoken.Room(job, level, furnish.Groups["of"].Value).Id);
        }

        if (OutbuildingLine().Match(line) is { Success: true } building)
        {
            return Outbuilding(job, building);
        }

        if (!RoomLine().IsMatch(line) && PanelLine.Read(job, level, line) is { } panel)
        {
            return panel;
        }

        if (ClosetLine().Match(line) is { Success: true } closet)
        {
            return Closet(job, level, closet);
        }

        if (!RoomLine().IsMatch(line) && BoxLine.Read(job, level, line) is { } box)
        {
            return box;
        }

        // “bed 2 11 x 11” is a room, “bed 5 x 6-8 north of bed 2” a bed: a thing has a wall of a room, or “in” it, with no “of” a side.
        if (Spoken.Opening(line) is var (opening, ofOpening))
        {
            return Opening(job, level, opening, ofOpening);
        }

        if (RoomLine().Match(line) is { Success: true } room && !IsFixture(line, room))
        {
            return Room(job, level, room);
        }

        return Spoken.Fixture(line) is var (fixture, ofFixture) ? Fixture(job, level, fixture, ofFixture)
            : throw new ChangeRefusedException($"“{line}” is not understood. Say a room with its size, a door, a window or a thing, like "
                + $"“{Examples[0]}”, “{Examples[2]}” or “{Examples[5]}”.");
    }

    // The name of a thing alone before its size, and a place at a wall or in a room after it.
    private static bool IsFixture(string line, Match room) => Spoken.Fixture(line) is { } thing
        && Spoken.Fixture(room.Groups["name"].Value) is { After: "" }
        && (InRoom().IsMatch(thing.After) || Spoken.Use(room.Groups["name"].Value) is null);

    private static JobChange Room(Job job, LevelId levelId, Match said)
    {
        var (name, as_) = (Spoken.Name(said.Groups["name"].Value), said.Groups["use"]);
        var use = as_.Success ? Spoken.UseCalled(as_.Value) : Spoken.Use(name);
        if (use is not { } kind)
        {
            throw new ChangeRefusedException(as_.Success ? $"“{as_.Value}” is no use of a room; say one like bedroom, den, bath, hall."
                : $"What is “{name}” used as? Say it so: {said.Groups["name"].Value} {said.Groups["w"].Value} x {said.Groups["d"].Value} "
                    + "as bedroom …");
        }

        if (job.Rooms.Any(r => string.Equals(r.Name, name, StringComparison.OrdinalIgnoreCase)))
        {
            throw new ChangeRefusedException($"There is a {name} already; give this one a name of its own.");
        }

        Length width = Spoken.Length(said.Groups["w"].Value, int.MaxValue), depth = Spoken.Length(said.Groups["d"].Value, int.MaxValue);
        var level = HouseChange.Find(job, levelId);
        if (!said.Groups["side"].Success)
        {
            return level.Rooms.IsEmpty ? new FirstRoom(levelId, name, kind, width, depth)
                : throw new ChangeRefusedException($"Where is {name}? Say a side of a room that stands: … south of "
                    + $"{level.Rooms[^1].Name}.");
        }

        var side = Spoken.Side(said.Groups["side"].Value);
        var beside = Spoken.Room(job, levelId, said.Groups["of"].Value);
        var wall = Facing(job, beside, side);
        var (along, away) = side is 'n' or 's' ? (width, depth) : (depth, width);
        var from = From(wall, side, along, said.Groups["end"], said.Groups["at"], beside);
        return new AddRoom(beside.Id, wall.Number, from, along, away, name, kind);
    }

    // From the wall's start, which is the left as it is seen from its room: to the west or north end where nothing is said.
    private static Length From(RoomSide wall, char side, Length wide, Group end, Group at, Room room)
    {
        var reversed = side is 's' or 'w';
        var slack = wall.Clear - wide;
        if (at.Success)
        {
            var offset = Spoken.Length(at.Value);
            return reversed ? slack - offset : offset;
        }

        var word = end.Success ? end.Value.ToLowerInvariant() : "";
        var far = side is 'n' or 's' ? "east" : "south";
        word = word.Length == 1 ? Spoken.Side(word[0]) : word;
        var near = side is 'n' or 's' ? "west" : "north";
        return word is "middle" or "center" or "centre" ? slack / 2
            : word == far ? reversed ? Length.Zero : slack
            : word.Length == 0 || word == near ? reversed ? slack : Length.Zero
            : throw new ChangeRefusedException(
                $"The {Spoken.Side(side)} wall of {room.Name} has a {near} end and a {far} end, no {word} end.");
    }

    // The longest wall of a room that faces a side.
    internal static RoomSide Facing(Job job, Room room, char side) => Framing.Frame(job).Room(room.Id).Sides
        .Where(s => Faces(room, s) == side).MaxBy(s => s.Clear)
        ?? throw new ChangeRefusedException($"{room.Name} has no wall to the {Spoken.Side(side)}.");

    private static char Faces(Room room, RoomSide wall) => Spoken.Side(room.SideOf(wall.Number)!);

    private static JobChange Closet(Job job, LevelId level, Match said)
    {
        var room = Spoken.Room(job, level, said.Groups["of"].Value);
        var side = Spoken.Side(said.Groups["side"].Value);
        var depth = Spoken.Length(said.Groups["d"].Value);
        // The partition leaves the wall whose far end is that side: what lies beyond it is the new room.
        var wall = Facing(job, room, side switch { 'n' => 'w', 'e' => 'n', 's' => 'e', _ => 's' });
        var stem = Spoken.Name(said.Groups["name"].Value);
        var name = job.Rooms.Any(r => string.Equals(r.Name, stem, StringComparison.OrdinalIgnoreCase)) || stem.Equals("closet",
            StringComparison.OrdinalIgnoreCase) ? $"{room.Name} {stem.ToLowerInvariant()}" : stem;
        return new SplitRoom(room.Id, wall.Number, wall.Clear - depth - HalfPartition, name, Spoken.Use(stem) ?? RoomUse.Closet);
    }

    // So far from the house's wall to its own, both outside; level with the house's west or north side unless it is said how far from it.
    private static JobChange Outbuilding(Job job, Match said)
    {
        var home = job.Structures[0];
        var feeding = job.Panels.FirstOrDefault(p => p.FedFrom is null)
            ?? throw new ChangeRefusedException("There is no panel in the house to feed it from.");
        var (name, side) = (Spoken.Name(said.Groups["name"].Value), Spoken.Side(said.Groups["side"].Value));
        var house = Framing.Frame(job);
        var inside = home.Levels.SelectMany(l => l.Rooms).SelectMany(r => house.Room(r.Id).Inside).ToList();
        Length width = Spoken.Length(said.Groups["w"].Value, int.MaxValue), depth = Spoken.Length(said.Groups["d"].Value, int.MaxValue),
            far = Spoken.Length(said.Groups["far"].Value, int.MaxValue) + (WallFrame.Exterior.Thickness * 2),
            along = said.Groups["at"].Success ? Spoken.Length(said.Groups["at"].Value, int.MaxValue) : Length.Zero,
            west = inside.Min(p => p.X), east = inside.Max(p => p.X), north = inside.Min(p => p.Y), south = inside.Max(p => p.Y);
        var (x, y) = side switch
        {
            'n' => (west + along, north - far - depth),
            's' => (west + along, south + far),
            'e' => (east + far, north + along),
            _ => (west - far - width, north + along),
        };
        return new AddStructure(name, x - west, y - north, Spoken.Use(name) ?? RoomUse.Utility, width, depth, feeding.Id,
            said.Groups["bus"].Success ? new Amps(decimal.Parse(said.Groups["bus"].Value, CultureInfo.InvariantCulture)) : null,
            said.Groups["cover"].Success ? Spoken.Length(said.Groups["cover"].Value, 4) : Length.FromFeet(2));
    }

    private static JobChange Opening(Job job, LevelId level, OpeningKind kind, string rest)
    {
        if (OpeningLine().Match(rest) is not { Success: true } said)
        {
            throw new ChangeRefusedException($"Where is the {Words.Of(kind)}? Say the two rooms, or a side of one: “{Examples[2]}”, "
                + $"“{Examples[3]}”.");
        }

        var width = said.Groups["w"].Success ? Spoken.Length(said.Groups["w"].Value, 20) : UsualSizes.Of(kind);
        var sill = said.Groups["sill"].Success ? Spoken.Length(said.Groups["sill"].Value) : Length.FromInches(36);
        var house = Framing.Frame(job);
        Room room;
        var into = false;
        RoomSide wall;
        (Length From, Length To) stretch;
        if (said.Groups["side"].Success)
        {
            room = Spoken.Room(job, level, said.Groups["of"].Value);
            wall = Facing(job, room, Spoken.Side(said.Groups["side"].Value));
            stretch = (Length.Zero, wall.Clear);
        }
        else
        {
            room = Spoken.Room(job, level, said.Groups["a"].Value);
            var other = Spoken.Room(job, level, said.Groups["b"].Value);
            (wall, stretch) = Shared(house, room, other);
            into = kind == OpeningKind.Door && DoorSwing.SwingsOut(room.Use, other.Use);
        }

        var offset = Place(wall, stretch, width, said.Groups["at"], job, room, kind);
        return new AddOpening(room.Id, new()
        {
            Id = new(AddOpening.FreeId(job, room.Id)),
            Kind = kind,
            Wall = wall.Number,
            Offset = offset,
            Width = width,
            Sill = sill,
            SwingsOut = into,
        });
    }

    // The longest stretch of wall that two rooms share, as the first of them sees it.
    private static (RoomSide Wall, (Length From, Length To) Stretch) Shared(FramedHouse house, Room room, Room other) =>
        SharedWalls.Between(house, room.Id, other.Id) is [var found, ..] ? (found.Side, (found.From, found.To))
            : throw new ChangeRefusedException($"{room.Name} and {other.Name} share no wall.");

    // In the middle of the longest stretch that nothing stands in; where it is said, from the west or north end of the wall.
    private static Length Place(RoomSide wall, (Length From, Length To) stretch, Length width, Group at, Job job, Room room,
        OpeningKind kind)
    {
        var reversed = Faces(room, wall) is 's' or 'w';
        if (at.Success)
        {
            var from = Spoken.Length(at.Value);
            return reversed ? stretch.To - from - width : stretch.From + from;
        }

        var free = Stretches.Free(stretch, wall.Openings.Select(o => (o.From, o.To))).OrderByDescending(f => f.To - f.From).ToList();
        return free.Count > 0 && free[0].To - free[0].From >= width
            ? ((free[0].From + free[0].To - width) / 2).Snapped(Length.FromInches(.5m))
            : throw new ChangeRefusedException($"A {Words.Of(kind)} of {width} does not fit there: the {room.SideOf(wall.Number)} wall of "
                + $"{job.Rooms.First(r => r.Id == room.Id).Name} has {(free.Count > 0 ? free[0].To - free[0].From : Length.Zero)} free.");
    }

    private static JobChange Fixture(Job job, LevelId level, FixtureKind kind, string rest)
    {
        if (FixtureLine().Match(rest) is not { Success: true } said)
        {
            throw new ChangeRefusedException($"Where is the {Words.Of(kind)}? Say a wall of a room, or the room: “{Examples[5]}”, "
                + $"“{Examples[6]}”.");
        }

        var (wide, deep) = UsualSizes.Of(kind);
        Length width = said.Groups["w"].Success ? Spoken.Length(said.Groups["w"].Value, kind == FixtureKind.Counter ? 20 : 12) : wide,
            depth = said.Groups["d"].Success ? Spoken.Length(said.Groups["d"].Value) : deep;
        var room = Spoken.Room(job, level, said.Groups["of"].Value);
        var fixture = new Fixture { Kind = kind, Width = width, Depth = depth };
        if (!said.Groups["side"].Success)
        {
            var inside = Framing.Frame(job).Room(room.Id);
            Length x = (inside.ClearWidth - width) / 2, y = (inside.ClearDepth - depth) / 2;
            return new AddFixture(room.Id, fixture with { X = x.Snapped(Length.FromInches(1)), Y = y.Snapped(Length.FromInches(1)) });
        }

        var wall = Facing(job, room, Spoken.Side(said.Groups["side"].Value));
        var reversed = Faces(room, wall) is 's' or 'w';
        if (said.Groups["at"].Success)
        {
            var from = Spoken.Length(said.Groups["at"].Value);
            return new AddFixture(room.Id, fixture with { Wall = wall.Number, Offset = reversed ? wall.Clear - from - width : from });
        }

        // What stands on a counter stands in its length; what stands on the floor stands clear of doors and of its like.
        var onCounter = kind is FixtureKind.Sink or FixtureKind.Range or FixtureKind.Dishwasher;
        var taken = wall.Openings.Where(o => o.Opening.Kind != OpeningKind.Window).Select(o => (o.From, o.To)).Concat(room.Fixtures
            .Where(f => f.Wall == wall.Number && !(onCounter && f.Kind == FixtureKind.Counter)).Select(f => (f.Offset,
                f.Offset + f.Width)));
        var free = Stretches.Free((Length.Zero, wall.Clear), taken);
        var fits = free.Where(f => f.To - f.From >= width).ToList();
        if (fits.Count == 0)
        {
            var most = free.Select(f => f.To - f.From).DefaultIfEmpty(Length.Zero).Max();
            throw new ChangeRefusedException($"A {Words.Of(kind)} of {width} does not fit: the {room.SideOf(wall.Number)} wall of "
                + $"{room.Name} has {most} free.");
        }

        // A sink stands under the window where there is one, all else at the west or north end.
        var window = kind == FixtureKind.Sink ? wall.Openings.FirstOrDefault(o => o.Opening.Kind == OpeningKind.Window) : null;
        var (start, end) = reversed ? fits[^1] : fits[0];
        var offset = window is not null ? Length.Max(Length.Zero, (window.From + window.To - width) / 2).Snapped(Length.FromInches(.5m))
            : reversed ? end - width : start;
        return new AddFixture(room.Id, fixture with { Wall = wall.Number, Offset = offset });
    }

    [GeneratedRegex(@"\s+", RegexOptions.CultureInvariant)]
    private static partial Regex Spaces();

    [GeneratedRegex("^(?<name>.+?) (?<w>" + Spoken.LengthPattern + @")\s*(?:x|by)\s*(?<d>" + Spoken.LengthPattern
        + @")(?: as (?<use>[a-z -]+?))?(?:,? (?:on )?(?:the )?(?<side>" + Spoken.SidePattern
        + @")(?: side| wall)?(?: of)? (?:the )?(?<of>.+?)"
        + "(?:,? (?:at the )?(?<end>north|south|east|west|middle|center|centre|[nsew])(?: end)?"
        + "|,? at (?<at>" + Spoken.LengthPattern + "))?)?(?: as (?<use>[a-z -]+?))?$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex RoomLine();

    [GeneratedRegex("^(?<name>(?:[a-z' -]+ )?(?:closet|walk-in|pantry|wardrobe)) (?<d>" + Spoken.LengthPattern
        + ") deep,? (?:on |at )?(?:the )?(?<side>" + Spoken.SidePattern + ")(?: side| wall| end)? (?:in|of) (?:the )?(?<of>.+)$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex ClosetLine();

    [GeneratedRegex("^(?:(?<w>" + Spoken.LengthPattern + @")(?: wide)?,? )?(?:(?:on |in )?(?:the )?(?<side>" + Spoken.SidePattern
        + @")(?: side| wall)?(?: of)? (?:the )?(?<of>(?:(?! to ).)+?)"
        + "|(?:from |between )?(?:the )?(?<a>.+?) (?:to|and) (?:the )?(?<b>.+?))(?:,? (?:at (?<at>"
        + Spoken.LengthPattern + ")|sill (?:at )?(?<sill>" + Spoken.LengthPattern + ")))*$", RegexOptions.IgnoreCase
        | RegexOptions.CultureInvariant)]
    private static partial Regex OpeningLine();

    [GeneratedRegex("^(?:(?<w>" + Spoken.LengthPattern + @")(?:\s*(?:x|by)\s*(?<d>" + Spoken.LengthPattern
        + @"))?(?: wide)?,? )?(?:(?:on |at )?(?:the )?(?<side>" + Spoken.SidePattern
        + @")(?: side| wall)? (?:(?:of|in) )?(?:the )?|in (?:the )?)(?<of>.+?)(?:,? at (?<at>" + Spoken.LengthPattern + "))?$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex FixtureLine();

    [GeneratedRegex("^(?<name>.+?) (?<w>" + Spoken.LengthPattern + @")\s*(?:x|by)\s*(?<d>" + Spoken.LengthPattern + "),? (?<far>"
        + Spoken.LengthPattern + ") (?<side>" + Spoken.SidePattern + ")(?: of)?(?: the)? house(?:,? (?:at (?<at>" + Spoken.LengthPattern
        + @")|(?:with )?(?:an? )?(?<bus>\d{2,3}) ?a(?:mps?)? panel|(?:trench )?(?<cover>" + Spoken.LengthPattern + ") deep))*$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex OutbuildingLine();

    [GeneratedRegex("^(?:set )?(?:the )?(?:missing )?doors$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex DoorsLine();

    [GeneratedRegex("^furnish (?:all|everything|(?:all|the) rooms|the house)$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex FurnishAllLine();

    [GeneratedRegex("^furnish (?:the )?(?<of>.+)$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex FurnishLine();

    [GeneratedRegex("(?:^| )in (?:the )?.+$|" + "wall (?:of|in) ", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex InRoom();
}
