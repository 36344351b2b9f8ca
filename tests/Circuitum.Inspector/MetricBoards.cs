using System.Globalization;
using System.Text.RegularExpressions;

namespace Circuitum.Inspector;

/// <summary>Metric boards by the papers: each way against the points that it feeds, by tables typed anew here.</summary>
public static partial class MetricBoards
{
    private static readonly double[] Breakers = [6, 10, 16, 20, 25, 32, 40, 50, 63, 80, 100, 125];

    // mm²: what two and what three loaded singles carry at 30 °C, and the earth beside them.
    private static readonly Dictionary<double, (double Two, double Three, double Earth)> Singles = new()
    {
        [2.5] = (24, 21, 2.5),
        [4] = (32, 28, 4),
        [6] = (41, 36, 6),
        [10] = (57, 50, 10),
        [16] = (76, 68, 16),
        [25] = (101, 89, 16),
        [35] = (125, 110, 16),
        [50] = (151, 134, 25),
        [70] = (192, 171, 35),
        [95] = (232, 207, 50),
    };

    private static readonly (double To, double Factor)[] Warmth =
        [(25, 1.03), (30, 1), (35, .94), (40, .87), (45, .79), (50, .71), (55, .61), (60, .5)];

    private static readonly (int To, double Factor)[] Company = [(1, 1), (2, .8), (3, .7), (4, .65), (5, .6), (6, .57), (7, .54),
        (8, .52), (9, .5), (12, .45), (16, .41), (20, .38)];

    /// <summary>What is wrong and not told of its way or its board.</summary>
    public static List<Finding> Inspect(BoardPapers papers) => [.. Ways(papers).Concat(Together(papers))
        .Where(f => !papers.Told.Exists(t => t.StartsWith(f.Place, StringComparison.Ordinal))).Select(f => f.Finding)];

    private static IEnumerable<(string Place, Finding Finding)> Ways(BoardPapers papers)
    {
        var watts = papers.Points.GroupBy(p => p["point"]).ToDictionary(p => p.Key, p => BoardPapers.Number(p.First(), "watts"));
        foreach (var way in papers.Schedule)
        {
            string place = $"{way["board"]}, way {way["way"]}:", feeds = way["feeds"];
            double Of(string name) => BoardPapers.Number(way, name);
            (string, Finding) Wrong(string check, string what) => (place, new(check, "", [place], $"{place} {what}"));
            var points = way["points"].Split(' ');
            var three = way["phase"].Contains("L1", StringComparison.Ordinal) && way["phase"].Contains("L3", StringComparison.Ordinal);
            var all = points.Sum(p => watts.GetValueOrDefault(p));
            var drawn = three ? all / (Math.Sqrt(3) * 400) : all / 230;
            var (size, breaker) = (Of("phase_mm2"), Of("breaker_amps"));
            if (Math.Abs(all - Of("watts")) > .1 || Math.Abs(drawn - Of("amps")) > .011)
            {
                yield return Wrong("amps", $"{all} W are {drawn:0.00} A");
            }

            if (drawn > breaker + .001 || !Breakers.Contains(breaker))
            {
                yield return Wrong("breaker", $"{drawn:0.00} A behind {breaker} A");
            }

            if (!Singles.TryGetValue(size, out var single))
            {
                yield return Wrong("size", $"there is no single of {size} mm²");
                continue;
            }

            var carries = (three ? single.Three : single.Two) * Warm(papers) * Shared(papers);
            var ring = feeds.StartsWith("ring", StringComparison.Ordinal);
            if (carries < (ring ? 20 : breaker) - .001 || Math.Abs(carries - Of("carries_amps")) > .011)
            {
                yield return Wrong("carries", $"{size} mm² carries {carries:0.00} A");
            }

            if (single.Earth != Of("earth_mm2"))
            {
                yield return Wrong("earth", $"{single.Earth} mm² of earth belong to {size} mm²");
            }

            if (Of("drop_percent") > 4.001)
            {
                yield return Wrong("drop", $"{Of("drop_percent")} % are lost");
            }

            if (Kind(feeds, points.Length, all, breaker, size, way["rooms"].Split("; ").Length, three, papers) is { } broken)
            {
                yield return Wrong("kind", broken);
            }

            var lights = feeds.StartsWith("lighting", StringComparison.Ordinal);
            var trips = lights || feeds.StartsWith("cooker", StringComparison.Ordinal)
                || feeds.Contains("split unit", StringComparison.Ordinal) ? 100 : 30;
            if (Of("rcd_ma") != trips || Of("rcd_amps") < breaker)
            {
                yield return Wrong("residual", $"behind {Of("rcd_amps")} A, {Of("rcd_ma")} mA; {trips} mA are asked");
            }
        }
    }

    // What its kind of circuit may have; null where it keeps to that.
    private static string? Kind(string feeds, int points, double watts, double breaker, double size, int rooms, bool three,
        BoardPapers papers)
    {
        bool Is(string word) => feeds.Contains(word, StringComparison.Ordinal);
        var lamps = int.TryParse(papers.Setting("lamps on a circuit"), CultureInfo.InvariantCulture, out var said) ? said : 24;
        return Is("lighting") ? points > lamps ? $"{points} lamps" : points > 1 && watts > 2000 ? $"{watts} W of lamps"
                : breaker != (watts <= 1200 ? 10 : 16) && watts <= 2000 ? $"{watts} W of lamps behind {breaker} A" : null
            : Is("ring") ? points is < 5 or > 8 || breaker != 32 || size < 4 ? $"a ring of {points} on {breaker} A" : null
            : Is("15 A socket") ? points != 1 || breaker != 16 ? $"{points} of 15 A on {breaker} A" : null
            : Is("socket") ? points > 4 || breaker != 20 || size < 4 ? $"a radial of {points} on {breaker} A" : null
            : Is("cooker") ? points != 1 || breaker < 32 || size < (breaker > 32 ? 10 : 6) ? $"a cooker on {breaker} A, {size} mm²" : null
            : Is("water heater") ? points != 1 || breaker is not (20 or 25) ? $"{points} water heaters on {breaker} A" : null
            : Is("split unit") ? points > (three ? 1 : 3) || rooms > 1 ? $"{points} units of {rooms} rooms on one way" : null
            : points != 1 ? $"{points} pieces of equipment on one way" : null;
    }

    private static IEnumerable<(string Place, Finding Finding)> Together(BoardPapers papers)
    {
        static (string, Finding) Wrong(string place, string check, string what) => (place + ":",
            new(check, "", [place], $"{place}: {what}"));
        var asked = Listed(papers.List).ToDictionary(p => p.Point, p => p.Watts);
        var fed = papers.Schedule.SelectMany(w => w["points"].Split(' ')).ToList();
        if (!fed.Order(StringComparer.Ordinal).SequenceEqual(asked.Keys.Order(StringComparer.Ordinal)))
        {
            yield return Wrong("the list", "once", $"{fed.Count} points on ways, {asked.Count} in the list");
        }

        foreach (var point in papers.Points.Where(p => !asked.TryGetValue(p["point"], out var watts)
            || Math.Abs(watts - BoardPapers.Number(p, "watts")) > .1))
        {
            yield return Wrong("the list", "once", $"point {point["point"]} of {point["watts"]} W is not the list’s");
        }

        foreach (var board in papers.Schedule.GroupBy(w => w["board"]))
        {
            var places = board.SelectMany(w => Places(w["way"])).ToList();
            if (!places.SequenceEqual(Enumerable.Range(1, places.Count)) || places.Count > 42)
            {
                yield return Wrong(board.Key, "ways", $"ways {string.Join(" ", places)}");
            }

            if (board.GroupBy(w => w["section"]).Any(s => s.Count(w => w["feeds"].StartsWith("ring", StringComparison.Ordinal)) > 6))
            {
                yield return Wrong(board.Key, "rings", "more than six rings behind one device");
            }

            var units = board.Where(w => w["feeds"].Contains("split unit", StringComparison.Ordinal)).ToList();
            if (units.Sum(w => w["points"].Split(' ').Length) > 8 && units.Count < board.Count())
            {
                yield return Wrong(board.Key, "units", "more than eight units on a board with other ways");
            }
        }

        var need = papers.Schedule
            .GroupBy(w => $"breaker {w["curve"]}{w["breaker_amps"]}, {w["poles"]} pole{(w["poles"] == "1" ? "" : "s")}")
            .ToDictionary(g => g.Key, g => (double)g.Count());
        var bought = papers.Material.Where(m => MiniatureBreaker().IsMatch(m["item"])).ToDictionary(m => m["item"],
            m => BoardPapers.Number(m, "quantity"));
        if (!need.OrderBy(n => n.Key, StringComparer.Ordinal).SequenceEqual(bought.OrderBy(b => b.Key, StringComparer.Ordinal)))
        {
            yield return Wrong("the list", "bought", $"{bought.Values.Sum()} breakers bought for {need.Values.Sum()} ways");
        }

        var devices = papers.Material.Where(m => m["item"].StartsWith("residual-current", StringComparison.Ordinal))
            .Sum(m => BoardPapers.Number(m, "quantity"));
        if (devices != papers.Schedule.Select(w => (w["board"], w["section"])).Distinct().Count())
        {
            yield return Wrong("the list", "bought", $"{devices} residual-current devices");
        }

        // A phase or a neutral and an earth lie in every meter of a way at least, and a neutral beside one phase.
        var metres = papers.Schedule.Sum(w => BoardPapers.Number(w, "length_m") * (w["phase"].Length > 2 ? 4 : 3));
        if (papers.Material.Where(m => m["item"].StartsWith("single ", StringComparison.Ordinal))
            .Sum(m => BoardPapers.Number(m, "quantity")) < metres)
        {
            yield return Wrong("the list", "bought", $"fewer than {metres:0} m of singles");
        }
    }

    private static IEnumerable<int> Places(string way) => way.Split('–') is [var first, var last]
        ? Enumerable.Range(Number(first), Number(last) - Number(first) + 1) : [Number(way)];

    private static int Number(string number) => int.Parse(number, CultureInfo.InvariantCulture);

    private static double Warm(BoardPapers papers) => Degrees().Match(papers.Setting("ambient")) is { Success: true } said
        ? Warmth.First(w => double.Parse(said.Value, CultureInfo.InvariantCulture) <= w.To).Factor : .87;

    private static double Shared(BoardPapers papers) =>
        int.TryParse(papers.Setting("circuits in a conduit"), CultureInfo.InvariantCulture, out var together)
            ? Company.First(c => together <= c.To).Factor : 1;

    // Rooms in their order, their points in theirs: “kitchen, 14 m: 8 LEDs 18 W, cooker 8.5 kW” is 1.1 to 1.9.
    private static IEnumerable<(string Point, double Watts)> Listed(string list)
    {
        var room = 0;
        foreach (var line in list.Split('\n').Select(l => RoomLine().Match(l)).Where(m => m.Success))
        {
            room++;
            var number = 0;
            foreach (var item in line.Groups["items"].Value.Split(',', StringSplitOptions.TrimEntries).Select(i => ItemWords().Match(i)))
            {
                var watts = item.Groups["w"].Success
                    ? double.Parse(item.Groups["w"].Value, CultureInfo.InvariantCulture) * (item.Groups["k"].Length > 0 ? 1000 : 1)
                    : Usual(item.Groups["what"].Value);
                for (var n = item.Groups["n"].Success ? Number(item.Groups["n"].Value) : 1; n > 0; n--)
                {
                    yield return ($"{room}.{++number}", watts);
                }
            }
        }
    }

    private static double Usual(string what) => what.TrimEnd('s') switch
    {
        "twin socket" => 400,
        "15 A socket" => 3000,
        "socket" => 200,
        "LED" => 35,
        "lamp" => 100,
        "chandelier" => 1500,
        _ => throw new FormatException($"“{what}” has no watts of its own."),
    };

    [GeneratedRegex(@"^breaker [A-D]\d+, \d poles?$")]
    private static partial Regex MiniatureBreaker();

    [GeneratedRegex(@"[\d.]+")]
    private static partial Regex Degrees();

    [GeneratedRegex(@"^[^:#]+, [\d.]+ m(, outdoors)?: (?<items>.+)$")]
    private static partial Regex RoomLine();

    [GeneratedRegex(@"^(?:(?!15 A )(?<n>\d+) )?(?<what>(?:15 A )?\p{L}[^\d]*?)(?: (?<w>[\d.]+) (?<k>k?)W)?(?: three phases)?$")]
    private static partial Regex ItemWords();
}
