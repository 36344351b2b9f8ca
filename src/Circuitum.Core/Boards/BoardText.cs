using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using Circuitum.Core.Jobs;
using Circuitum.Core.Rules.Gulf;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>The point list as text, a room a line: what is read off a paper plan, and a file that can be compared. Reading what was written
/// gives the same brief.</summary>
public static partial class BoardText
{
    /// <summary>Most characters.</summary>
    public const int MostLong = 20_000;

    /// <summary>Most rooms.</summary>
    public const int MostRooms = 60;

    /// <summary>Most points altogether.</summary>
    public const int MostPoints = 600;

    private const int MostOfItem = 80;
    private static readonly Watts MostWatts = new(50_000);

    // What each kind is written as, one and several, and what it is taken for where nothing is said; none where it must be said.
    private static readonly (PointKind Kind, string One, string Many, int? Watts)[] Kinds =
    [
        (PointKind.TwinSocket, "twin socket", "twin sockets", 400), (PointKind.Socket15, "15 A socket", "15 A sockets", 3000),
        (PointKind.Socket, "socket", "sockets", 200), (PointKind.Led, "LED", "LEDs", 35), (PointKind.Lamp, "lamp", "lamps", 100),
        (PointKind.Strip, "strip", "strips", null), (PointKind.Chandelier, "chandelier", "chandeliers", 1500),
        (PointKind.Cooker, "cooker", "cookers", null), (PointKind.WaterHeater, "water heater", "water heaters", null),
        (PointKind.SplitUnit, "split", "splits", null),
    ];

    private static readonly (string Written, PointKind Kind)[] AlsoWritten =
    [
        ("twin", PointKind.TwinSocket), ("twins", PointKind.TwinSocket), ("double socket", PointKind.TwinSocket),
        ("double sockets", PointKind.TwinSocket), ("single socket", PointKind.Socket), ("single sockets", PointKind.Socket),
        ("15A socket", PointKind.Socket15), ("15A sockets", PointKind.Socket15),
        ("LED lamp", PointKind.Led), ("LED lamps", PointKind.Led), ("light", PointKind.Lamp), ("lights", PointKind.Lamp),
        ("LED strip", PointKind.Strip), ("LED strips", PointKind.Strip), ("hob", PointKind.Cooker), ("heater", PointKind.WaterHeater),
        ("boiler", PointKind.WaterHeater), ("split unit", PointKind.SplitUnit), ("split units", PointKind.SplitUnit),
        ("AC", PointKind.SplitUnit), ("AC unit", PointKind.SplitUnit), ("AC units", PointKind.SplitUnit),
    ];

    // What a line before the rooms says, beside the numbers that an authority sets.
    private static readonly string[] Said = ["rules", "supply", "ambient", "circuits in a conduit", "lamps on a circuit", "points apart",
        "sub-main", "board", "demand"];

    private static readonly (DemandGroup Group, string Word)[] Groups =
    [
        (DemandGroup.Lighting, "lighting"), (DemandGroup.Sockets, "sockets"), (DemandGroup.Cooking, "cooking"),
        (DemandGroup.Water, "water heating"), (DemandGroup.Cooling, "cooling"), (DemandGroup.Other, "other"),
    ];

    /// <summary>What a group is called.</summary>
    public static string Word(DemandGroup group) => Groups.First(g => g.Group == group).Word;

    /// <summary>Reads a point list.</summary>
    /// <exception cref="FormatException">A line is not understood; the message names it, says why, and shows one that would be.</exception>
    public static BoardBrief Read(string text)
    {
        if (text.Length > MostLong)
        {
            throw new FormatException($"The list has {text.Length} characters; {MostLong} is the most. Nothing was read.");
        }

        var brief = LineByLine(new() { Name = "Board", Rooms = [] }, text, (so, line) =>
            line.StartsWith("//", StringComparison.Ordinal) ? so
            : line.StartsWith('#') ? so with { Name = Named(line[1..].Trim(), "The name") }
            : Setting(line) is var (what, to) ? Set(so, what, to)
            : so with { Rooms = so.Rooms.Add(Room(line, so)) });
        return brief.Rooms.IsEmpty
            ? throw new FormatException("There is no room yet. Write one a line: bedroom 1, 12 m: 6 lamps, 4 twin sockets, split 2400 W.")
            : brief.Rooms.Sum(r => r.Points.Length) > MostPoints
                ? throw new FormatException($"There are more than {MostPoints} points; plan the buildings apart.")
                : brief;
    }

    /// <summary>How a house that is drawn is fed, as lines before the rooms of a list say it.</summary>
    /// <param name="text">Supply, ambient, circuits in a conduit and so on, a line each; what is not said is as usual.</param>
    /// <exception cref="FormatException">A line is not understood, or is not asked where the house is drawn; the message names it, says
    /// why, and shows one that would be.</exception>
    public static MetricFeed Feed(string text) => LineByLine(new() { Name = "", Rooms = [] }, text, (so, line) =>
        Setting(line) is not var (what, to)
            ? throw new FormatException($"“{Short(line)}” does not say how it is fed; write supply: three phases, ambient: 40 °C, "
                + "circuits in a conduit: 2, lamps on a circuit: 24, demand: lighting 66 %, sockets on a ring: 8, by whose rule it is.")
        : NotDrawn(Set(so, what, to), so)).Fed;

    // What a drawing says itself is not said beside it.
    private static BoardBrief NotDrawn(BoardBrief said, BoardBrief before) => said.Apart != before.Apart
        ? throw new FormatException("points apart are measured on the drawing; leave the line out.")
        : said.BoardPlace.Length > 0
            ? throw new FormatException("where the board stands is on the drawing; write board: outdoors, or leave the line out.")
        : said;

    /// <summary>How a house is fed, as lines, so that reading them gives the same.</summary>
    public static string Lines(MetricFeed feed) => Settings(feed, []) + (feed.BoardOutdoors ? "board: outdoors\n" : "") + Shares(feed)
        + Local(feed);

    // Each line that says something, in order; one that is not understood is told by its number.
    private static BoardBrief LineByLine(BoardBrief brief, string text, Func<BoardBrief, string, BoardBrief> read)
    {
        var number = 0;
        foreach (var line in text.ReplaceLineEndings("\n").Split('\n').Select(l => l.Trim()))
        {
            number++;
            try
            {
                brief = line.Length == 0 ? brief : read(brief, line);
            }
            catch (FormatException e)
            {
                throw new FormatException($"Line {number}: {e.Message}", e);
            }
        }

        return brief;
    }

    /// <summary>Writes a point list, so that reading it gives the same brief.</summary>
    public static string Write(BoardBrief brief)
    {
        var text = new StringBuilder().Append(CultureInfo.InvariantCulture, $"# {brief.Name}\n")
            .Append(CultureInfo.InvariantCulture, $"rules: {MetricRules.Key}\n")
            .Append(Settings(brief.Fed, [$"points apart: {Metres(brief.Apart)}"]));
        string[] stands = [.. new[] { brief.BoardPlace, brief.Fed.BoardOutdoors ? "outdoors" : "" }.Where(w => w.Length > 0)];
        if (stands.Length > 0)
        {
            text.Append(CultureInfo.InvariantCulture, $"board: {string.Join(", ", stands)}\n");
        }

        text.Append(Shares(brief.Fed)).Append(Local(brief.Fed)).Append('\n');
        foreach (var room in brief.Rooms)
        {
            text.Append(CultureInfo.InvariantCulture, $"{room.Name}, {Metres(room.FromBoard)}{(room.Outdoors ? ", outdoors" : "")}: ")
                .Append(string.Join(", ", Runs(room.Points).Select(r => Item(r.Point, r.Count)))).Append('\n');
        }

        return text.ToString();
    }

    private static string Settings(MetricFeed feed, IEnumerable<string> between) => string.Concat(new[]
    {
        $"supply: {(feed.ThreePhase ? "three phases" : "one phase")}", $"ambient: {feed.Ambient}",
        $"circuits in a conduit: {feed.Together}", $"lamps on a circuit: {feed.LampsOnCircuit}",
    }.Concat(between).Append($"sub-main: {Metres(feed.SubMain)}").Select(l => l + "\n"));

    private static string Shares(MetricFeed feed) => feed.Demand.IsEmpty ? ""
        : $"demand: {string.Join(", ", feed.Demand.OrderBy(d => d.Group).Select(d => $"{Word(d.Group)} {d.Share}"))}\n";

    private static string Local(MetricFeed feed) => string.Concat(feed.Amendments.OrderBy(a => a.Number)
        .Select(a => $"{MetricAmendment.Limits(a.Number).Words}: {a.Value}, by {a.By}\n"));

    /// <summary>What a kind is called, one of it.</summary>
    public static string Word(PointKind kind) => Kinds.FirstOrDefault(k => k.Kind == kind).One ?? "equipment";

    /// <summary>What a point of a kind is taken for where nothing is said; null where it must be.</summary>
    public static Watts? Usual(PointKind kind) => Kinds.FirstOrDefault(k => k.Kind == kind).Watts is int watts ? new Watts(watts) : null;

    private static IEnumerable<(BriefPoint Point, int Count)> Runs(ImmutableArray<BriefPoint> points)
    {
        for (var i = 0; i < points.Length;)
        {
            var to = i;
            while (to < points.Length && points[to] == points[i])
            {
                to++;
            }

            yield return (points[i], to - i);
            i = to;
        }
    }

    private static string Item(BriefPoint point, int count)
    {
        var kind = Kinds.FirstOrDefault(k => k.Kind == point.Kind);
        var name = kind.One is null ? point.Name : count == 1 ? kind.One : kind.Many;
        return $"{(count == 1 ? "" : $"{count} ")}{name}{(point.Assumed ? "" : $" {Number(point.Watts.Value)} W")}"
            + $"{(point.ThreePhase ? " three phases" : "")}";
    }

    private static string Metres(Length length) => length.Metres.ToString("0.##", CultureInfo.InvariantCulture) + " m";

    private static string Number(decimal value) => value.ToString("0.###", CultureInfo.InvariantCulture);

    // A line that says how the list is fed: a word that is known, and what stands after its colon.
    private static (string What, string To)? Setting(string line)
    {
        var colon = line.IndexOf(':', StringComparison.Ordinal);
        var what = colon < 0 ? "" : line[..colon].TrimEnd().ToLowerInvariant();
        return Said.Contains(what) || Enum.GetValues<MetricNumber>().Any(n => MetricAmendment.Limits(n).Words == what)
            ? (what, line[(colon + 1)..].Trim()) : null;
    }

    private static BoardBrief Set(BoardBrief brief, string what, string to) => what switch
    {
        "rules" => Mine(to) ? brief : throw new FormatException($"“{Short(to)}” are the rules of another family; this list is planned by "
            + $"{MetricRules.Key}, and a house by the others is a job of its own."),
        "points apart" => brief with { Apart = Far(to) },
        "board" => Placed(brief, to),
        var setting => brief with { Fed = Set(brief.Fed, setting, to) },
    };

    private static MetricFeed Set(MetricFeed feed, string what, string to) => what switch
    {
        "supply" => feed with { ThreePhase = Phases(to) },
        "ambient" => feed with { Ambient = Warm(to) },
        "circuits in a conduit" => feed with { Together = Together(to) },
        "lamps on a circuit" => feed with { LampsOnCircuit = Lamps(to) },
        "sub-main" => feed with { SubMain = Far(to) },
        "demand" => feed with { Demand = Shares(to) },
        _ => feed with
        {
            Amendments = Amended(feed.Amendments, Enum.GetValues<MetricNumber>().First(n => MetricAmendment.Limits(n).Words == what), to),
        },
    };

    // The last word holds, as it does of every line.
    private static ImmutableArray<MetricAmendment> Amended(ImmutableArray<MetricAmendment> so, MetricNumber number, string to)
    {
        var (words, least, most) = MetricAmendment.Limits(number);
        var match = Amendment().Match(to);
        if (!match.Success || Printed.Problem(match.Groups["by"].Value) is not null)
        {
            throw new FormatException($"“{Short(to)}” is no local number; write {words}: {MetricRules.Most(number)}, by whose rule it is. "
                + $"It may lie from {least} to {most}.");
        }

        var value = int.Parse(match.Groups["n"].Value, CultureInfo.InvariantCulture);
        return MetricAmendment.Problem(number, value) is { } problem ? throw new FormatException(problem + ".")
            : [.. so.Where(a => a.Number != number), new(number, value, match.Groups["by"].Value)];
    }

    // A list from before files named their family says nothing of it.
    private static bool Mine(string to) => to.Trim().Equals(MetricRules.Key, StringComparison.OrdinalIgnoreCase);

    private static bool Phases(string to) => to.Trim().ToLowerInvariant() switch
    {
        "three phases" or "three phase" or "3 phases" or "3 phase" or "3-phase" or "three-phase" => true,
        "one phase" or "single phase" or "1 phase" or "1-phase" or "single-phase" => false,
        _ => throw new FormatException($"“{Short(to)}” is no supply; write supply: three phases, or supply: one phase."),
    };

    private static Celsius Warm(string to) =>
        decimal.TryParse(to.Replace("°C", "", StringComparison.Ordinal).Replace("C", "", StringComparison.Ordinal).Trim(),
            NumberStyles.Number, CultureInfo.InvariantCulture, out var degrees) && degrees >= MetricFeed.Ambients.Least.Degrees
            && degrees <= MetricFeed.Ambients.Most.Degrees ? new(degrees)
            : throw new FormatException($"“{Short(to)}” is no warmth of a conduit; write ambient: 40 °C, from 10 to 60.");

    private static int Together(string to) => int.TryParse(to, NumberStyles.None, CultureInfo.InvariantCulture, out var count)
        && count is >= 1 and <= MetricFeed.MostTogether ? count
        : throw new FormatException($"“{Short(to)}” is no number of circuits; write circuits in a conduit: 2, from 1 to 20.");

    private static int Lamps(string to) => int.TryParse(to, NumberStyles.None, CultureInfo.InvariantCulture, out var count)
        && count >= MetricFeed.Lamps.Least && count <= MetricFeed.Lamps.Most ? count
        : throw new FormatException($"“{Short(to)}” is no number of lamps; write lamps on a circuit: 24, from 4 to 60.");

    private static BoardBrief Placed(BoardBrief brief, string to)
    {
        var words = to.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).ToList();
        var outdoors = words.RemoveAll(w => w.Equals("outdoors", StringComparison.OrdinalIgnoreCase)) > 0;
        return brief with
        {
            Fed = brief.Fed with { BoardOutdoors = outdoors },
            BoardPlace = words.Count == 0 ? "" : Named(string.Join(" ", words), "The place")
        };
    }

    private static ImmutableArray<DemandShare> Shares(string to)
    {
        var shares = new SortedDictionary<DemandGroup, Percent>();
        foreach (var part in to.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
        {
            var match = Share().Match(part);
            var group = Groups.Where(g => g.Word.Equals(match.Groups["what"].Value.Trim(), StringComparison.OrdinalIgnoreCase)).ToList();
            if (!match.Success || group.Count == 0 || decimal.Parse(match.Groups["n"].Value, CultureInfo.InvariantCulture) is <= 0 or > 100)
            {
                throw new FormatException($"“{Short(part)}” is no share; write demand: lighting 66 %, sockets 40 %, with any of "
                    + $"{string.Join(", ", Groups.Select(g => g.Word))}, above 0 to 100 %.");
            }

            shares[group[0].Group] = new(decimal.Parse(match.Groups["n"].Value, CultureInfo.InvariantCulture));
        }

        return [.. shares.Select(s => new DemandShare(s.Key, s.Value))];
    }

    private static BriefRoom Room(string line, BoardBrief brief)
    {
        if (brief.Rooms.Length == MostRooms)
        {
            throw new FormatException($"there are more than {MostRooms} rooms; plan the buildings apart.");
        }

        var colon = line.IndexOf(':', StringComparison.Ordinal);
        var head = (colon < 0 ? line : line[..colon]).Split(',', StringSplitOptions.TrimEntries);
        if (colon < 0 || head.Length is < 2 or > 3 || (head.Length == 3 && !head[2].Equals("outdoors", StringComparison.OrdinalIgnoreCase)))
        {
            throw new FormatException($"“{Short(line)}” is no room with its points; write bedroom 1, 12 m: 6 lamps, 4 twin sockets. "
                + "The meters are conduit from the board to the room’s first point; a garden has “, outdoors” after them.");
        }

        var name = Named(head[0], "The room’s name");
        if (brief.Rooms.Any(r => r.Name.Equals(name, StringComparison.OrdinalIgnoreCase)))
        {
            throw new FormatException($"“{name}” is there already; give the second one a name of its own, or write its points in one "
                + "line.");
        }

        var points = ImmutableArray.CreateBuilder<BriefPoint>();
        foreach (var item in line[(colon + 1)..].Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
        {
            var (point, count) = Point(item);
            points.AddRange(Enumerable.Repeat(point, count));
        }

        return points.Count == 0 ? throw new FormatException($"“{name}” has no points; write what stands in it after the colon.")
            : new(name, Far(head[1]), head.Length == 3, points.ToImmutable());
    }

    private static (BriefPoint Point, int Count) Point(string item)
    {
        var match = item.Length > MostOfItem ? Match.Empty : Points().Match(item);
        var words = match.Groups["what"].Value.Trim();
        if (!match.Success || words.Length == 0)
        {
            throw new FormatException($"“{Short(item)}” is no point; write 6 lamps, 4 twin sockets, cooker 7.2 kW, split 2400 W.");
        }

        var count = match.Groups["n"].Success ? int.Parse(match.Groups["n"].Value, CultureInfo.InvariantCulture) : 1;
        if (count is < 1 or > 60)
        {
            throw new FormatException($"“{Short(item)}”: from 1 to 60 of a kind.");
        }

        var known = Kinds.Where(k => Same(k.One, words) || Same(k.Many, words)).Select(k => (PointKind?)k.Kind)
            .Concat(AlsoWritten.Where(a => Same(a.Written, words)).Select(a => (PointKind?)a.Kind)).FirstOrDefault();
        var watts = Power(match, item) ?? (known is { } k ? Usual(k) : null)
            ?? throw new FormatException(known is null ? $"“{words}” is not known; with its watts it is equipment of its own: {words} "
                + "750 W. "
                + $"Known are {string.Join(", ", Kinds.Select(k => k.Many))}."
                : $"“{words}” needs its watts: {words} 2400 W.");
        var three = match.Groups["three"].Success;
        if (three && known is not (null or PointKind.Cooker or PointKind.WaterHeater or PointKind.SplitUnit))
        {
            throw new FormatException($"“{Short(item)}”: only cookers, water heaters, splits and equipment of its own take three phases.");
        }

        var kind = known ?? PointKind.Fixed;
        return (new(kind, kind == PointKind.Fixed ? Named(words, "The equipment’s name") : Word(kind), watts, !match.Groups["w"].Success,
            three),
            count);
    }

    private static Watts? Power(Match match, string item)
    {
        if (!match.Groups["w"].Success)
        {
            return null;
        }

        var value = decimal.Parse(match.Groups["w"].Value, CultureInfo.InvariantCulture)
            * (match.Groups["unit"].Length == 2 ? 1000 : 1);
        return value >= 1 && value <= MostWatts.Value ? new Watts(value)
            : throw new FormatException($"“{Short(item)}”: from 1 W to {MostWatts}.");
    }

    private static Length Far(string text) => Distance().Match(text) is { Success: true } match
        && Length.FromMetres(decimal.Parse(match.Groups["n"].Value, CultureInfo.InvariantCulture)) is var length
        && length > Length.Zero && length <= MetricFeed.Farthest ? length
        : throw new FormatException($"“{Short(text)}” is no length of conduit; write 12 m or 8.5 m, to {Metres(MetricFeed.Farthest)}.");

    private static string Named(string text, string what) => Printed.Problem(text) is { } problem
        ? throw new FormatException($"{what} {problem}.") :
        text.Length is 0 or > 40 || text.Any(c => char.IsControl(c) || c is ':' or ',') ? throw new FormatException(
            $"{what} has 1 to 40 characters, without a comma or a colon.") : text;

    private static bool Same(string a, string b) => a.Equals(b, StringComparison.OrdinalIgnoreCase);

    private static string Short(string text) => text.Length > 60 ? text[..60] + "…" : text;

    [GeneratedRegex(@"^(?<n>\d{1,4})(?: ?[AW%])?\s*,?\s+by (?<by>\S.{0,59})$", RegexOptions.IgnoreCase)]
    private static partial Regex Amendment();

    [GeneratedRegex(@"^(?:(?!15 ?A\b)(?<n>\d{1,3})\s*[×x]?\s+)?(?<what>(?:15 ?A )?\p{L}[^\d:,]*?)"
        + @"(?:\s+(?<w>\d{1,6}(?:\.\d{1,3})?)\s*(?<unit>k?W)(?: each)?)?(?<three>\s+(?:three|3)[ -]phases?)?$", RegexOptions.IgnoreCase)]
    private static partial Regex Points();

    [GeneratedRegex(@"^(?<n>\d{1,4}(?:\.\d{1,3})?)\s*m$", RegexOptions.IgnoreCase)]
    private static partial Regex Distance();

    [GeneratedRegex(@"^(?<what>[\p{L} ]+?)\s+(?<n>\d{1,3}(?:\.\d)?)\s*%$")]
    private static partial Regex Share();
}
