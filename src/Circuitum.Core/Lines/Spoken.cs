using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Lines;

/// <summary>The words of a line: lengths, sides, rooms and things, by any of the names that people give them.</summary>
internal static partial class Spoken
{
    /// <summary>A length as it is read off a plan: 13, 13-6, 13'6", 13 ft 6, 30", 3.2 m.</summary>
    public const string LengthPattern = "(?:" + Number + @"\s*m\b|\d+\s*(?:'|ft\b)\s*-?\s*(?:" + Number + "(?:" + Fraction
        + """)?\s*(?:"|in\b)?)?|\d+-\d+(?:""" + Fraction + """)?"?|""" + Number + """\s*(?:"|in\b)|""" + Number + ")";

    private const string Number = @"\d+(?:\.\d+)?";
    private const string Fraction = @"[ -]\d+/\d+";

    /// <summary>Sides of a room.</summary>
    public const string SidePattern = "north|south|east|west|n|s|e|w";

    private static readonly ImmutableArray<(string Words, RoomUse Use)> Uses =
    [
        ("unfinished basement", RoomUse.UnfinishedBasement), ("finished basement", RoomUse.FinishedBasement),
        ("crawl space", RoomUse.CrawlSpace), ("walk-in", RoomUse.Closet), ("closet", RoomUse.Closet), ("wardrobe", RoomUse.Closet),
        ("kitchen", RoomUse.Kitchen), ("dining", RoomUse.Dining), ("nook", RoomUse.Dining), ("pantry", RoomUse.Pantry),
        ("mudroom", RoomUse.Mudroom), ("mud room", RoomUse.Mudroom), ("laundry", RoomUse.Laundry), ("bath", RoomUse.Bath),
        ("powder", RoomUse.Bath), ("ensuite", RoomUse.Bath), ("bedroom", RoomUse.Bedroom), ("guest", RoomUse.Bedroom),
        ("nursery", RoomUse.Bedroom), ("primary", RoomUse.Bedroom), ("living", RoomUse.Family), ("family", RoomUse.Family),
        ("great room", RoomUse.Family), ("rec room", RoomUse.Family), ("den", RoomUse.Den), ("office", RoomUse.Den),
        ("study", RoomUse.Den), ("library", RoomUse.Den), ("hall", RoomUse.Hall), ("corridor", RoomUse.Hall), ("stair", RoomUse.Stair),
        ("entry", RoomUse.Entry), ("foyer", RoomUse.Entry), ("sauna", RoomUse.Sauna), ("garage", RoomUse.Garage),
        ("greenhouse", RoomUse.Greenhouse), ("utility", RoomUse.Utility), ("storage", RoomUse.Utility), ("mechanical", RoomUse.Utility),
        ("workshop", RoomUse.Utility), ("shop", RoomUse.Utility), ("shed", RoomUse.Utility), ("basement", RoomUse.UnfinishedBasement),
    ];

    private static readonly ImmutableArray<(string Words, FixtureKind Kind)> Fixtures =
    [
        ("water heater", FixtureKind.WaterHeater), ("heater", FixtureKind.WaterHeater), ("air handler", FixtureKind.AirHandler),
        ("furnace", FixtureKind.AirHandler), ("sauna heater", FixtureKind.SaunaHeater), ("bath tub", FixtureKind.Tub),
        ("bathtub", FixtureKind.Tub), ("tub", FixtureKind.Tub), ("shower", FixtureKind.Shower), ("vanity", FixtureKind.Vanity),
        ("basin", FixtureKind.Vanity), ("lav", FixtureKind.Vanity), ("toilet", FixtureKind.Toilet), ("wc", FixtureKind.Toilet),
        ("counter", FixtureKind.Counter), ("counters", FixtureKind.Counter), ("island", FixtureKind.Island),
        ("peninsula", FixtureKind.Peninsula), ("cabinet", FixtureKind.Cabinet), ("sink", FixtureKind.Sink), ("range", FixtureKind.Range),
        ("stove", FixtureKind.Range), ("refrigerator", FixtureKind.Refrigerator), ("fridge", FixtureKind.Refrigerator),
        ("ref", FixtureKind.Refrigerator), ("dishwasher", FixtureKind.Dishwasher), ("dw", FixtureKind.Dishwasher),
        ("washer", FixtureKind.Washer), ("dryer", FixtureKind.Dryer), ("bed", FixtureKind.Bed), ("table", FixtureKind.Table),
        ("desk", FixtureKind.Table), ("bench", FixtureKind.Bench), ("shelf", FixtureKind.Shelf), ("shelves", FixtureKind.Shelf),
        ("stairs", FixtureKind.Stair), ("stair", FixtureKind.Stair), ("sofa", FixtureKind.Sofa), ("couch", FixtureKind.Sofa),
        ("fireplace", FixtureKind.Fireplace), ("attic hatch", FixtureKind.AtticHatch), ("scuttle", FixtureKind.AtticHatch),
        ("attic ladder", FixtureKind.AtticLadder), ("attic stair", FixtureKind.AtticLadder),
    ];

    private static readonly ImmutableArray<(string Words, OpeningKind Kind)> Openings =
    [
        ("garage door", OpeningKind.GarageDoor), ("overhead door", OpeningKind.GarageDoor), ("sliding door", OpeningKind.Slider),
        ("patio door", OpeningKind.Slider), ("slider", OpeningKind.Slider), ("cased opening", OpeningKind.Cased),
        ("opening", OpeningKind.Cased), ("archway", OpeningKind.Cased), ("front door", OpeningKind.Door), ("back door", OpeningKind.Door),
        ("door", OpeningKind.Door), ("window", OpeningKind.Window),
    ];

    // What is written short on plans.
    private static readonly ImmutableDictionary<string, string> Short = new Dictionary<string, string>
    {
        ["bed"] = "bedroom",
        ["br"] = "bedroom",
        ["bdrm"] = "bedroom",
        ["ba"] = "bath",
        ["bathroom"] = "bath",
        ["kit"] = "kitchen",
        ["gar"] = "garage",
        ["mbr"] = "main bedroom",
        ["master"] = "main",
        ["lr"] = "living room",
        ["fr"] = "family room",
        ["dr"] = "dining room",
        ["clo"] = "closet",
        ["cl"] = "closet",
        ["wic"] = "walk-in closet",
        ["lau"] = "laundry",
        ["util"] = "utility",
        ["mud"] = "mudroom",
    }.ToImmutableDictionary();

    /// <summary>A length; without a unit in feet to so many, beyond it in inches.</summary>
    /// <param name="text">As it was said.</param>
    /// <param name="feet">Of a thing 12, of an opening 20: nobody makes a door of 16 in. Of a room all of it.</param>
    /// <exception cref="ChangeRefusedException">It is none.</exception>
    public static Length Length(string text, int feet = 12)
    {
        var plain = text.Trim();
        var metric = Writing.Measure == Measure.Metres;
        if (!metric && decimal.TryParse(plain, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var bare))
        {
            return bare > 5000 ? throw new ChangeRefusedException($"{plain} is no length of a house.")
                : Units.Length.FromInches(bare <= feet ? bare * 12 : bare);
        }

        return Units.Length.TryParse(plain, out var length) && length > Units.Length.Zero ? length
            : throw new ChangeRefusedException($"“{text.Trim()}” is no length; say {(metric ? "3.2, 3.2 m or 450" : "13, 13-6 or 30\"")}.");
    }

    /// <summary>A side by its word or its letter.</summary>
    public static char Side(string text) => char.ToLowerInvariant(text.Trim()[0]);

    /// <summary>North, south, east, west.</summary>
    public static string Side(char side) => side switch { 'n' => "north", 's' => "south", 'e' => "east", _ => "west" };

    /// <summary>What a room is used as, by a word of its name; null when none tells.</summary>
    public static RoomUse? Use(string name)
    {
        var plain = Plain(name);
        return Uses.Where(u => Holds(plain, u.Words)).Select(u => (RoomUse?)u.Use).FirstOrDefault();
    }

    /// <summary>A use by its own word.</summary>
    public static RoomUse? UseCalled(string words) => Enum.GetValues<RoomUse>()
        .Where(u => string.Equals(Words.Plain(u), words.Trim(), StringComparison.OrdinalIgnoreCase)).Select(u => (RoomUse?)u)
        .FirstOrDefault() ?? Use(words);

    /// <summary>The fixture that a line begins with, and what follows; the longest name goes first.</summary>
    public static (FixtureKind Kind, string After)? Fixture(string line) => First(Fixtures, line);

    /// <summary>The opening that a line begins with, and what follows.</summary>
    public static (OpeningKind Kind, string After)? Opening(string line) => First(Openings, line);

    /// <summary>A room of the job by any of its names: as it is called, short, or the beginning of it where only one begins so.</summary>
    /// <exception cref="ChangeRefusedException">None is called so, or several are.</exception>
    public static Room Room(Job job, LevelId level, string words)
    {
        var plain = Plain(words);
        // What is on the level that is drawn goes before what is elsewhere.
        var rooms = job.Levels.OrderBy(l => l.Id == level ? 0 : 1).SelectMany(l => l.Rooms.Select(r => (Room: r, Name: Plain(r.Name), Here:
            l.Id == level))).ToList();
        foreach (var test in new Func<string, bool>[] { n => n == plain, n => Holds(n, plain) && n.StartsWith(plain,
            StringComparison.Ordinal), n => Holds(n, plain) })
        {
            var found = rooms.Where(r => test(r.Name)).ToList();
            found = found.Exists(r => r.Here) ? [.. found.Where(r => r.Here)] : found;
            if (found.Count == 1)
            {
                return found[0].Room;
            }

            if (found.Count > 1)
            {
                throw new ChangeRefusedException(
                    $"“{words.Trim()}” may be {string.Join(" or ", found.Take(4).Select(r => r.Room.Name))}: say which.");
            }
        }

        throw new ChangeRefusedException($"No room is called “{words.Trim()}”. There are {string.Join(", ", rooms.Take(12)
            .Select(r => r.Room.Name))}.");
    }

    /// <summary>A name as it is written on the plan: what was typed, with a capital.</summary>
    public static string Name(string words)
    {
        var name = string.Join(' ', words.Split(' ', StringSplitOptions.RemoveEmptyEntries)
            .Select(w => Short.TryGetValue(w.ToLowerInvariant(), out var whole) ? whole : w));
        return name.Length == 0 ? name : char.ToUpperInvariant(name[0]) + name[1..];
    }

    private static string Plain(string name) => string.Join(' ', Word().Matches(name.ToLowerInvariant()).Select(m =>
        Short.GetValueOrDefault(m.Value, m.Value)));

    private static bool Holds(string name, string words) => words.Length > 0
        && $" {name} ".Contains($" {words} ", StringComparison.Ordinal);

    private static (T Kind, string After)? First<T>(ImmutableArray<(string Words, T Kind)> known, string line)
    {
        foreach (var (words, kind) in known.OrderByDescending(k => k.Words.Length))
        {
            if (line.StartsWith(words, StringComparison.OrdinalIgnoreCase)
                && (line.Length == words.Length || !char.IsLetter(line[words.Length])))
            {
                return (kind, line[words.Length..].Trim());
            }
        }

        return null;
    }

    [GeneratedRegex(@"[\p{L}\p{N}-]+", RegexOptions.CultureInvariant)]
    private static partial Regex Word();
}
