using Circuitum.Core.Boards;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Formats.Csv;
using Circuitum.Inspector;
using Circuitum.Tests.Support;

namespace Circuitum.Formats.Tests.Inspection;

/// <summary>The inspector at metric boards: he reads the point list and what was written for it, and knows no code of the
/// planner's.</summary>
[Trait("Category", "Inspector")]
public sealed class MetricInspectionTests
{
    private static BoardPapers Of(BoardBrief brief)
    {
        var plan = BoardPlanner.Plan(brief);
        return BoardPapers.Read(BoardText.Write(brief), BoardCsv.Schedule(plan), BoardCsv.Points(plan), BoardCsv.Material(plan),
            BoardChecks.Of(plan).Where(t => t.Severity == Severity.Red).Select(t => $"{t.Where}: {t.Headline}"));
    }

    private static void FindsNothing(string what, BoardBrief brief)
    {
        var found = MetricBoards.Inspect(Of(brief));
        Assert.True(found.Count == 0, $"{what}: {string.Join("; ", found.Select(f => f.What))}");
    }

    [Theory] // as warm as the method has factors for, alone and in company, on one phase and on three
    [InlineData("supply: three phases\nambient: 45 °C")]
    [InlineData("supply: one phase\nambient: 30 °C")]
    [InlineData("ambient: 60 °C\ncircuits in a conduit: 9")]
    [InlineData("ambient: 25 °C\ncircuits in a conduit: 20\nlamps on a circuit: 4")]
    [InlineData("ambient: 41 °C\ncircuits in a conduit: 12\nlamps on a circuit: 60\nsub-main: 40 m")]
    public void It_finds_nothing_in_the_villa(string fed) =>
        FindsNothing(fed, BoardText.Read(Villa.Text) with { Fed = BoardText.Feed(fed) });

    [Fact] // houses as people build them, their points read off and every fifth fed otherwise
    public void It_finds_nothing_in_houses_that_are_drawn()
    {
        for (var number = 1; number <= 40; number++)
        {
            var fed = new MetricFeed { Ambient = new(25 + (number % 8 * 5)), Together = 1 + (number % 9), ThreePhase = number % 5 != 0 };
            FindsNothing($"house {number}", PointsOfHouse.Of(Planner.Plan(BuiltHouses.Number(number))) with { Fed = fed });
        }
    }

    private static Dictionary<string, string> Way(BoardPapers papers, string feeds) =>
        papers.Schedule.First(w => w["feeds"].StartsWith(feeds, StringComparison.Ordinal));

    // Each fault with the check that must find it.
    private static readonly (string Name, string Check, Action<BoardPapers> Plant)[] Planted =
    [
        ("a breaker below its load", "breaker", p => Way(p, "cooker")["breaker_amps"] = "32"),
        ("a breaker that nobody makes", "breaker", p => Way(p, "ring")["breaker_amps"] = "30"),
        ("a conductor too small", "carries", p => Way(p, "cooker")["phase_mm2"] = "4"),
        ("an ampacity that the table has not", "carries", p => Way(p, "ring")["carries_amps"] = "32"),
        ("an earth too small", "earth", p => Way(p, "cooker")["earth_mm2"] = "4"),
        ("watts that the points have not", "amps", p => Way(p, "lighting")["watts"] = "100"),
        ("too much lost", "drop", p => Way(p, "ring")["drop_percent"] = "4.2"),
        ("nine sockets on a ring", "kind", p => Way(p, "ring of 8")["points"] += " 1.5"),
        ("five sockets on a radial", "kind", p => Way(p, "radial")["points"] += " 1.5 3.8 3.9"),
        ("lamps behind 16 A that need 10", "kind", p => Way(p, "lighting, 24")["breaker_amps"] = "16"),
        ("two water heaters on a way", "kind", p => Way(p, "water heater")["points"] += " 11.6"),
        ("units of two rooms on a way", "kind", p => Way(p, "2 split")["rooms"] += "; dining room"),
        ("sockets behind 100 mA", "residual", p => Way(p, "ring")["rcd_ma"] = "100"),
        ("a device smaller than its breaker", "residual", p => Way(p, "cooker")["rcd_amps"] = "25"),
        ("a point on two ways", "once", p => Way(p, "lighting")["points"] += " 1.5"),
        ("a point on none", "once", p => p.Schedule.RemoveAt(p.Schedule.Count - 1)),
        ("a point of other watts", "once", p => p.Points[0]["watts"] = "60"),
        ("two ways in one place", "ways", p => p.Schedule[1]["way"] = "1"),
        ("seven rings behind a device", "rings", p => p.Schedule.InsertRange(5, [Way(p, "ring"), Way(p, "ring")])),
        ("nine units among others", "units", p => p.Schedule.ForEach(w => w["board"] = "Board A")),
        ("a breaker too few", "bought", p => p.Material.First(m => m["item"] == "breaker B32, 1 pole")["quantity"] = "6"),
        ("a residual-current device too few", "bought",
            p => p.Material.First(m => m["item"].StartsWith("residual", StringComparison.Ordinal))["quantity"] = "0"),
        ("too little conductor", "bought", p => p.Material.Where(m => m["item"].StartsWith("single", StringComparison.Ordinal)).ToList()
            .ForEach(m => m["quantity"] = "9")),
    ];

    public static TheoryData<string> Faults => [.. Planted.Select(f => f.Name)];

    [Theory, MemberData(nameof(Faults))]
    public void It_finds_what_is_planted(string name)
    {
        var fault = Planted.First(f => f.Name == name);
        var papers = Of(BoardText.Read(Villa.Text)) with { Told = [] };
        var before = MetricBoards.Inspect(papers).Where(f => f.Check == fault.Check).Select(f => f.What).ToList();
        fault.Plant(papers);
        Assert.Contains(MetricBoards.Inspect(papers), f => f.Check == fault.Check && !before.Contains(f.What));
    }
}
