using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Lines;

/// <summary>Takes the lines of a house's text apart.</summary>
internal static partial class HouseTextReader
{
    private const string Name = """(?:"(?<name>(?:[^"]|"")+)"|(?<name>[^",]+?))""";
    private const string Long = "(?:-?(?:" + Spoken.LengthPattern + "))";
    private const string Place = "at (?<x>" + Long + ") (?<ew>east|west), (?<y>" + Long + ") (?<ns>north|south)";
    private const string Wall = @"(?<wall>north|east|south|west|wall \d+)";
    private const RegexOptions Options = RegexOptions.CultureInvariant | RegexOptions.IgnoreCase;

    /// <summary>Characters of the longest line: a room of 40 walls has 800.</summary>
    public const int Longest = 1000;

    // A large house has 30 000; every line is held against a dozen patterns.
    private const int MostCharacters = 200_000;

    /// <summary>Why a text is too long to be read; null when it is not.</summary>
    public static string? TooMuch(string text) => text.Length > MostCharacters
        ? string.Create(CultureInfo.InvariantCulture, $"A house’s text has at most {MostCharacters:#,0} characters; this one has ")
            + string.Create(CultureInfo.InvariantCulture, $"{text.Length:#,0}.")
        : text.Split('\n') is var lines && lines.Length > DrawHouse.Most
            ? string.Create(CultureInfo.InvariantCulture, $"{DrawHouse.Most:#,0} lines are read at once; these are {lines.Length:#,0}.")
        : Array.FindIndex(lines, l => l.Length > Longest) is >= 0 and var at
            ? string.Create(CultureInfo.InvariantCulture, $"Line {at + 1} has {lines[at].Length:#,0} characters; a line has at most ")
                + string.Create(CultureInfo.InvariantCulture, $"{Longest:#,0}.")
        : null;

    /// <summary>True for a text that has a line of a house's text in it; what is only spoken has none. One too long to be spoken is
    /// taken for one, to be refused as such.</summary>
    public static bool IsIn(string text) => TooMuch(text) is not null || text.Split('\n').Select(Bare).Any(l =>
        l.StartsWith("- ", StringComparison.Ordinal)
        || BuildingLine().IsMatch(l) || StoreyLine().IsMatch(l) || OutlineLine().IsMatch(l) || OverLine().IsMatch(l)
        || TrenchLine().IsMatch(l));

    /// <summary>A line without what stands behind its #; a # in a name between quotation marks is the name's.</summary>
    public static string Bare(string line) => BeforeComment().Match(line).Value.Trim();

    /// <summary>The line, taken apart.</summary>
    /// <exception cref="ChangeRefusedException">It is not understood; the message says how such a line is written.</exception>
    public static HouseTextLine Read(string line) => line switch
    {
        ['-', ' ', .. var item] => Item(item.Trim()),
        _ when BuildingLine().Match(line) is { Success: true } m => ReadBuilding(m),
        _ when StoreyLine().Match(line) is { Success: true } m => ReadStorey(m),
        _ when OverLine().Match(line) is { Success: true } m => new HouseTextLine.Over(new(NameOf(m),
            Kind<ObstructionKind>(m.Groups["kind"].Value), At(m), Size(m, "w"), Size(m, "d"))),
        _ when TrenchLine().Match(line) is { Success: true } m => ReadTrench(m),
        _ when OutlineLine().Match(line) is { Success: true } m => ReadOutline(m),
        _ => new HouseTextLine.Spoke(line),
    };

    private static HouseTextLine.Building ReadBuilding(Match said)
    {
        var building = new HouseTextLine.Building(NameOf(said), At(said), Underfloor.Slab, false, false, false);
        foreach (var fact in Facts(said))
        {
            building = fact switch
            {
                "damp" => building with { Damp = true },
                "apart" => building with { Apart = true },
                "burns fuel" => building with { BurnsFuel = true },
                _ => building with { Underfloor = Kind<Underfloor>(fact) },
            };
        }

        return building;
    }

    private static HouseTextLine.Storey ReadStorey(Match said)
    {
        var level = new Level
        {
            Id = new("level"),
            Name = NameOf(said),
            CeilingHeight = Size(said, "h"),
            CeilingJoists = new(JoistRun.NorthSouth, Length.FromInches(24), Length.FromInches(5.5m)),
            Rooms = [],
        };
        foreach (var fact in Facts(said))
        {
            level = fact switch
            {
                "attic above" => level with { AtticAbove = true },
                "below grade" => level with { Basement = true },
                "above grade" => level with { Basement = false },
                "never finished" => level with { NeverFinished = true },
                "cable overhead" => level with { Way = CableWay.Overhead },
                "cable from below" => level with { Way = CableWay.FromBelow },
                "cable by least labor" => level with { Way = CableWay.LeastLabour },
                _ when JoistFact().Match(fact) is { Success: true } m => m.Groups["where"].Value == "floor"
                    ? level with { FloorJoists = ReadJoists(m) } : level with { CeilingJoists = ReadJoists(m) },
                _ when AmbientFact().Match(fact) is { Success: true } m => m.Groups["where"].Value == "above"
                    ? level with { AmbientAbove = new(Whole(m, "t")) } : level with { AmbientBelow = new(Whole(m, "t")) },
                _ => throw new ChangeRefusedException($"“{fact}” is no fact of a level; write one like “{HouseText.Examples[1].Line}”."),
            };
        }

        return new(level);
    }

    private static Joists ReadJoists(Match said) => new(Kind<JoistRun>(said.Groups["run"].Value), Size(said, "s"), Size(said, "d"))
    {
        Kind = Enum.GetValues<JoistKind>().First(k => Words.Of(k).Equals(said.Groups["kind"].Value, StringComparison.OrdinalIgnoreCase)),
    };

    private static HouseTextLine.Dug ReadTrench(Match said) => new(NameOf(said), NameOf(said, "to"),
        [.. said.Groups["p"].Captures.Select(p => PointPart().Match(p.Value)).Select(At)], Size(said, "depth"),
        said.Groups["apart"].Success ? Size(said, "apart") : null,
        said.Groups["drive"].Success);

    private static HouseTextLine.Outline ReadOutline(Match said)
    {
        var (name, use, from) = (NameOf(said), Kind<RoomUse>(said.Groups["use"].Value), At(said));
        HouseTextLine.Outline Kept(HouseTextLine.Outline outline) => outline with
        {
            KeepsWidth = said.Groups["keepsWidth"].Success,
            KeepsDepth = said.Groups["keepsDepth"].Success,
        };
        if (said.Groups["w"].Success)
        {
            return Kept(new(name, use, House.Shapes.Box(from, from.By(Size(said, "w"), Size(said, "d")))));
        }

        var corners = ImmutableArray.CreateBuilder<Point>();
        foreach (var leg in said.Groups["leg"].Captures.Select(c => LegPart().Match(c.Value)))
        {
            corners.Add(from);
            var along = Size(leg, "l");
            from = leg.Groups["side"].Value.ToLowerInvariant() switch
            {
                "east" => from.By(along, Length.Zero),
                "west" => from.By(-along, Length.Zero),
                "south" => from.By(Length.Zero, along),
                _ => from.By(Length.Zero, -along),
            };
        }

        var (x, y) = (from.X - corners[0].X, from.Y - corners[0].Y);
        return x == Length.Zero && y == Length.Zero ? Kept(new(name, use, corners.ToImmutable()))
            : throw new ChangeRefusedException($"The walls of {name} do not close: the last one ends "
                + string.Join(" and ", new[] { (Off: x, Plus: "east", Minus: "west"), (Off: y, Plus: "south", Minus: "north") }
                    .Where(o => o.Off != Length.Zero)
                    .Select(o => $"{o.Off.Abs()} too far {(o.Off > Length.Zero ? o.Plus : o.Minus)}")) + ".");
    }

    private static HouseTextLine Item(string line)
    {
        if (BuiltItem().Match(line) is { Success: true } built)
        {
            return new HouseTextLine.Built(built.Groups["wall"].Value, new()
            {
                Wall = 1,
                Framing = WallWords.All.First(w => w.Word.Equals(built.Groups["of"].Value, StringComparison.OrdinalIgnoreCase)).Framing,
                Spacing = Size(built, "s"),
                ChaseHeights = [.. built.Groups["c"].Captures.Select(c => Sized(c.Value))],
                FirstChase = built.Groups["first"].Success ? Size(built, "first") : null,
                ChaseWidth = built.Groups["wide"].Success ? Size(built, "wide") : null,
            });
        }

        if (KeepItem().Match(line) is { Success: true } keep)
        {
            return new HouseTextLine.Kept(keep.Groups["wall"].Value, Size(keep, "at"), Size(keep, "w"), NameOf(keep));
        }

        if (SpareItem().Match(line) is { Success: true } spare)
        {
            return new HouseTextLine.Spare(spare.Groups["wall"].Value, Size(spare, "at"), NameOf(spare),
                spare.Groups["cord"].Value != "no");
        }

        if (BoardItem().Match(line) is { Success: true } board)
        {
            return new HouseTextLine.Board(board.Groups["id"].Value.ToUpperInvariant(),
                new(decimal.Parse(board.Groups["a"].Value, CultureInfo.InvariantCulture)), Whole(board, "n"), board.Groups["wall"].Value,
                Size(board, "at"), board.Groups["top"].Success ? Size(board, "top") : null,
                board.Groups["from"].Success ? board.Groups["from"].Value.ToUpperInvariant() : null, board.Groups["lugs"].Success,
                board.Groups["existing"].Success);
        }

        return CutItem().Match(line) is { Success: true } cut ? ReadCut(cut)
            : ThingItem().Match(line) is { Success: true } thing ? ReadThing(thing)
            : throw new ChangeRefusedException("This is not understood of a room. Write a thing of it with its wall and its place, like "
                + $"“{HouseText.Examples[4].Line}” or “{HouseText.Examples[6].Line}”.");
    }

    private static HouseTextLine.Cut ReadCut(Match said)
    {
        var opening = new Opening
        {
            Id = new("o"),
            Kind = Kind<OpeningKind>(said.Groups["kind"].Value),
            Wall = 1,
            Offset = Length.Zero,
            Width = Size(said, "w"),
        };
        var hinged = "";
        foreach (var fact in Facts(said))
        {
            if (SillFact().Match(fact) is { Success: true } sill)
            {
                opening = opening with { Sill = Size(sill, "l") };
            }
            else if (fact.StartsWith("hinged ", StringComparison.Ordinal))
            {
                hinged = fact["hinged ".Length..];
            }
            else
            {
                opening = fact switch
                {
                    "swings out" => opening with { SwingsOut = true },
                    "onto a deck" => opening with { Deck = true },
                    "no deck" => opening with { Deck = false },
                    _ => throw new ChangeRefusedException($"“{fact}” is no fact of an opening; write one like "
                        + $"“{HouseText.Examples[5].Line}”."),
                };
            }
        }

        return new(said.Groups["wall"].Value, Size(said, "at"), opening, hinged);
    }

    private static HouseTextLine.Thing ReadThing(Match said)
    {
        var free = !said.Groups["wall"].Success;
        var fixture = new Fixture { Kind = Kind<FixtureKind>(said.Groups["kind"].Value), Width = Size(said, "w"), Depth = Size(said, "d") };
        if (free)
        {
            var (x, y) = At(said);
            fixture = fixture with { X = x, Y = y };
        }

        foreach (var fact in Facts(said))
        {
            fixture = fact switch
            {
                "electric" => fixture with { Electric = true },
                "burns fuel" => fixture with { BurnsFuel = true },
                _ => throw new ChangeRefusedException($"“{fact}” is no fact of a thing; it may be electric, or burn fuel (“burns fuel”)."),
            };
        }

        return new(free ? null : said.Groups["wall"].Value, free ? Length.Zero : Size(said, "at"), fixture);
    }

    // The kinds that a pattern let through are words of ours; of all else the words are told.
    private static T Kind<T>(string words) where T : struct, Enum => Enum.GetValues<T>()
        .Where(k => Words.Plain(k).Equals(words.Trim(), StringComparison.OrdinalIgnoreCase)).Select(k => (T?)k).FirstOrDefault()
        ?? throw new ChangeRefusedException($"“{words.Trim()}” is none of "
            + $"{string.Join(", ", Enum.GetValues<T>().Select(k => Words.Plain(k)))}.");

    private static IEnumerable<string> Facts(Match said) => said.Groups["fact"].Captures.Select(c => c.Value.Trim().ToLowerInvariant());

    private static string NameOf(Match said, string group = "name") =>
        said.Groups[group].Value.Replace("\"\"", "\"", StringComparison.Ordinal);

    private static Point At(Match said)
    {
        Length x = Size(said, "x"), y = Size(said, "y");
        return new(said.Groups["ew"].Value.Equals("west", StringComparison.OrdinalIgnoreCase) ? -x : x,
            said.Groups["ns"].Value.Equals("north", StringComparison.OrdinalIgnoreCase) ? -y : y);
    }

    private static int Whole(Match said, string group) => int.Parse(said.Groups[group].Value, CultureInfo.InvariantCulture);

    private static Length Size(Match said, string group) => Sized(said.Groups[group].Value);

    // In feet where no unit is said, as a room's size is.
    private static Length Sized(string text) => text.StartsWith('-') ? -Sized(text[1..])
        : text.Trim(' ', '0', '-', 'm', '.') is "" ? Length.Zero : Spoken.Length(text, int.MaxValue);

    [GeneratedRegex("""^(?:"(?:[^"]|"")*"|(?<=\S)"|[^"#])*""", Options)]
    private static partial Regex BeforeComment();

    [GeneratedRegex("^building " + Name + " " + Place + "(?:, (?<fact>[^,]+))*$", Options)]
    private static partial Regex BuildingLine();

    [GeneratedRegex("^level " + Name + ", ceiling (?<h>" + Long + ")(?:, (?<fact>[^,]+))*$", Options)]
    private static partial Regex StoreyLine();

    [GeneratedRegex("^(?<where>floor|above) (?<kind>sawn joists|i-joists|open-web trusses|roof trusses) (?<d>" + Long + ") deep (?<s>"
        + Long + ") on center (?<run>north south|east west)$", Options)]
    private static partial Regex JoistFact();

    [GeneratedRegex("^(?<t>-?[0-9]{1,3}) ?°? ?c (?<where>above|below)$", Options)]
    private static partial Regex AmbientFact();

    [GeneratedRegex("^(?<kind>beam|shaft|chimney|stair opening|duct|plumbing wall|breezeway|open roof) (?<w>" + Long + ") x (?<d>" + Long
        + ") " + Place + " called " + Name + "$", Options)]
    private static partial Regex OverLine();

    private const string TrenchPoint = "(?<p>" + Long + " (?:east|west) " + Long + " (?:north|south))";

    [GeneratedRegex("^trench (?<depth>" + Long + ") deep from " + Name + """ to (?:"(?<to>(?:[^"]|"")+)"|(?<to>[^",]+?)) by """
        + TrenchPoint + "(?:; " + TrenchPoint + ")*(?:, data pipe (?<apart>" + Long + ") apart)?(?<drive>, under the drive)?$", Options)]
    private static partial Regex TrenchLine();

    [GeneratedRegex("^(?<x>" + Long + ") (?<ew>east|west) (?<y>" + Long + ") (?<ns>north|south)$", Options)]
    private static partial Regex PointPart();

    [GeneratedRegex("^" + Name + " as (?<use>[a-z ]+), on centers (?:(?<w>" + Long + ") x (?<d>" + Long + ") " + Place
        + "|from (?<x>" + Long + ") (?<ew>east|west), (?<y>" + Long + ") (?<ns>north|south): (?<leg>" + Long
        + " (?:north|south|east|west))(?:, (?<leg>" + Long + " (?:north|south|east|west)))+)(?<keepsWidth>, width kept)?"
        + "(?<keepsDepth>, depth kept)?$", Options)]
    private static partial Regex OutlineLine();

    [GeneratedRegex("^(?<l>" + Long + ") (?<side>north|south|east|west)$", Options)]
    private static partial Regex LegPart();

    [GeneratedRegex("^" + Wall + " built of (?<of>2x4|2x6|metal studs|masonry|insulated panel), (?<s>" + Long
        + ") on center(?:, chases at (?<c>" + Long + ")(?: and (?<c>" + Long + "))*)?(?:, first chase at (?<first>" + Long
        + "))?(?:, chases (?<wide>" + Long + ") wide)?$", Options)]
    private static partial Regex BuiltItem();

    [GeneratedRegex("^keep (?<w>" + Long + ") " + Wall + " at (?<at>" + Long + ") for " + Name + "$", Options)]
    private static partial Regex KeepItem();

    [GeneratedRegex("^spare way " + Wall + " at (?<at>" + Long + ") for " + Name + "(?:, (?<cord>with a|no) cord)?$", Options)]
    private static partial Regex SpareItem();

    [GeneratedRegex(@"^panel (?<id>[a-z0-9]{1,2}) (?<a>\d{1,4}(?:\.\d+)?) ?a (?<n>\d{1,3}) spaces " + Wall + " at (?<at>" + Long
        + ")(?:, top (?<top>" + Long + "))?(?:, fed from (?<from>[a-z0-9]{1,2})(?<lugs> by lugs)?)?(?<existing>, existing)?$", Options)]
    private static partial Regex BoardItem();

    [GeneratedRegex("^(?<kind>door|cased opening|window|slider|garage door) (?<w>" + Long + ") " + Wall + " at (?<at>" + Long
        + ")(?:, (?<fact>[^,]+))*$", Options)]
    private static partial Regex CutItem();

    [GeneratedRegex("^(?<kind>[a-z ]+?) (?<w>" + Long + ") x (?<d>" + Long + ") (?:" + Wall + " at (?<at>" + Long + ")|" + Place
        + ")(?:, (?<fact>[^,]+))*$", Options)]
    private static partial Regex ThingItem();

    [GeneratedRegex("^sill (?<l>" + Long + ")$", Options)]
    private static partial Regex SillFact();
}
