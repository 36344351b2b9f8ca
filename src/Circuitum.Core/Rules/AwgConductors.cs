using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>What conductors by gauge have in common whatever the book: the metal in them, what they carry and what protects the small ones,
/// the pipes they are pulled in, and how heat takes from them. Cited by the section of the United States; the Canadian Tables 2, 4, 5A, 8
/// and 9, 4-006 and 14-104(2) have the same figures. What differs comes with the book.</summary>
/// <param name="grounds">Equipment grounding conductors by the rating of the overcurrent device, small to large; the last serves all
/// above.</param>
/// <param name="areas">Area of one loose conductor by its gauge, in².</param>
public abstract class AwgConductors(ImmutableArray<(int Rating, string Copper, string Aluminium)> grounds,
    ImmutableDictionary<string, decimal> areas) : ConductorRules
{
    // Rows of Table 310.16 (310.15(B)(16) in 2017): copper 60, 75, 90, aluminium 60, 75, 90; 0 where the table has none.
    private static readonly ImmutableDictionary<string, int[]> Ampacities = new Dictionary<string, int[]>
    {
        ["14"] = [15, 20, 25, 0, 0, 0],
        ["12"] = [20, 25, 30, 15, 20, 25],
        ["10"] = [30, 35, 40, 25, 30, 35],
        ["8"] = [40, 50, 55, 35, 40, 45],
        ["6"] = [55, 65, 75, 40, 50, 55],
        ["4"] = [70, 85, 95, 55, 65, 75],
        ["3"] = [85, 100, 115, 65, 75, 85],
        ["2"] = [95, 115, 130, 75, 90, 100],
        ["1"] = [110, 130, 145, 85, 100, 115],
        ["1/0"] = [125, 150, 170, 100, 120, 135],
        ["2/0"] = [145, 175, 195, 115, 135, 150],
        ["3/0"] = [165, 200, 225, 130, 155, 175],
        ["4/0"] = [195, 230, 260, 150, 180, 205],
        ["250"] = [215, 255, 290, 170, 205, 230],
        ["300"] = [240, 285, 320, 195, 230, 260],
        ["350"] = [260, 310, 350, 210, 250, 280],
        ["400"] = [280, 335, 380, 225, 270, 305],
        ["500"] = [320, 380, 430, 260, 310, 350],
        ["600"] = [350, 420, 475, 285, 340, 385],
    }.ToImmutableDictionary();

    // Table 310.15(B)(1) (2017: 310.15(B)(2)(a)), from 30 °C: upper bound of the row, then columns 60, 75, 90; 0 where none is allowed.
    private static readonly (decimal UpTo, decimal C60, decimal C75, decimal C90)[] Ambients =
    [
        (10, 1.29m, 1.20m, 1.15m), (15, 1.22m, 1.15m, 1.12m), (20, 1.15m, 1.11m, 1.08m), (25, 1.08m, 1.05m, 1.04m), (30, 1, 1, 1),
        (35, .91m, .94m, .96m), (40, .82m, .88m, .91m), (45, .71m, .82m, .87m), (50, .58m, .75m, .82m), (55, .41m, .67m, .76m),
        (60, 0, .58m, .71m), (65, 0, .47m, .65m), (70, 0, .33m, .58m), (75, 0, 0, .50m), (80, 0, 0, .41m), (85, 0, 0, .29m),
    ];

    // Chapter 9 Table 8, ohm per 1000 ft at 75 °C: copper uncoated (solid to 10), aluminium.
    private static readonly ImmutableDictionary<string, (decimal Copper, decimal Aluminium)> Resistances =
        new Dictionary<string, (decimal, decimal)>
        {
            ["14"] = (3.07m, 0),
            ["12"] = (1.93m, 3.18m),
            ["10"] = (1.21m, 2.00m),
            ["8"] = (.778m, 1.28m),
            ["6"] = (.491m, .808m),
            ["4"] = (.308m, .508m),
            ["3"] = (.245m, .403m),
            ["2"] = (.194m, .319m),
            ["1"] = (.154m, .253m),
            ["1/0"] = (.122m, .201m),
            ["2/0"] = (.0967m, .159m),
            ["3/0"] = (.0766m, .126m),
            ["4/0"] = (.0608m, .100m),
            ["250"] = (.0515m, .0847m),
            ["300"] = (.0429m, .0707m),
            ["350"] = (.0367m, .0605m),
            ["400"] = (.0321m, .0529m),
            ["500"] = (.0258m, .0424m),
            ["600"] = (.0214m, .0353m),
        }.ToImmutableDictionary();

    // Chapter 9 Table 8, circular mils.
    private static readonly ImmutableDictionary<string, int> CircularMils = new Dictionary<string, int>
    {
        ["14"] = 4110,
        ["12"] = 6530,
        ["10"] = 10_380,
        ["8"] = 16_510,
        ["6"] = 26_240,
        ["4"] = 41_740,
        ["3"] = 52_620,
        ["2"] = 66_360,
        ["1"] = 83_690,
        ["1/0"] = 105_600,
        ["2/0"] = 133_100,
        ["3/0"] = 167_800,
        ["4/0"] = 211_600,
        ["250"] = 250_000,
        ["300"] = 300_000,
        ["350"] = 350_000,
        ["400"] = 400_000,
        ["500"] = 500_000,
        ["600"] = 600_000,
    }.ToImmutableDictionary();

    // Chapter 9 Table 4, PVC schedule 40, whole area in².
    private static readonly (string Trade, decimal Area)[] Pvc40 =
        [("1/2", .285m), ("3/4", .508m), ("1", .832m), ("1-1/4", 1.453m), ("1-1/2", 1.986m), ("2", 3.291m)];

    // Chapter 9 Table 4, PVC schedule 80 and EMT, whole area in².
    private static readonly (string Trade, decimal Area)[] Pvc80 =
        [("1/2", .217m), ("3/4", .409m), ("1", .688m), ("1-1/4", 1.237m), ("1-1/2", 1.711m), ("2", 2.874m)];

    private static readonly (string Trade, decimal Area)[] Tubing =
        [("1/2", .304m), ("3/4", .533m), ("1", .864m), ("1-1/4", 1.496m), ("1-1/2", 2.036m), ("2", 3.356m)];

    /// <inheritdoc/>
    public override IReadOnlyList<Gauge> Sizes => Gauge.All;

    /// <summary>Its conductors' own size to 10 AWG, 10 to 6 AWG, 8 to 2 AWG, 6 to 4/0, 4 beyond.</summary>
    public override Gauge GroundWith(Gauge conductors) => conductors <= Gauge.Awg10 ? conductors
        : conductors <= Gauge.Awg6 ? Gauge.Awg10 : conductors <= Gauge.Awg2 ? Gauge.Awg8 : conductors <= Four0 ? Gauge.Awg6 : Gauge.Awg4;

    private static Gauge Four0 { get; } = Gauge.Parse("4/0");

    /// <inheritdoc/>
    public override decimal? AmbientFactor(Celsius ambient, Column column)
    {
        var row = Ambients.FirstOrDefault(r => ambient.Degrees <= r.UpTo);
        var factor = column switch { Column.C60 => row.C60, Column.C75 => row.C75, _ => row.C90 };
        return factor == 0 ? null : factor;
    }

    /// <inheritdoc/>
    public override decimal? OhmsPerThousandFeet(Gauge gauge, Metal metal) =>
        Resistances.TryGetValue(gauge.ToString(), out var row) && (metal == Metal.Copper ? row.Copper : row.Aluminium) is > 0 and var ohms
            ? ohms : null;

    /// <inheritdoc/>
    public override int CircularMil(Gauge gauge) => CircularMils[gauge.ToString()];

    /// <inheritdoc/>
    public override IEnumerable<(string Trade, SquareInches Area)> Conduit(ConduitKind kind) =>
        (kind switch { ConduitKind.Pvc80 => Pvc80, ConduitKind.Emt => Tubing, _ => Pvc40 })
            .Select(p => (p.Trade, new SquareInches(p.Area)));

    /// <inheritdoc/>
    public override Percent RacewayFill(int conductors) => new(conductors switch { 1 => 53, 2 => 31, _ => 40 });

    /// <inheritdoc/>
    public override Amps? Ampacity(Gauge gauge, Metal metal, Column column)
    {
        var at = (metal == Metal.Copper ? 0 : 3) + column switch { Column.C60 => 0, Column.C75 => 1, _ => 2 };
        var amps = Ampacities[gauge.ToString()][at];
        return amps == 0 ? null : new Amps(amps);
    }

    /// <inheritdoc/>
    public override Gauge EquipmentGround(Amps rating, Metal metal)
    {
        var row = grounds.FirstOrDefault(g => rating.Value <= g.Rating, grounds[^1]);
        return Gauge.Parse(metal == Metal.Copper ? row.Copper : row.Aluminium);
    }

    /// <inheritdoc/>
    public override SquareInches ConductorArea(Gauge gauge) => new(areas[gauge.ToString()]);

    /// <summary>110.14(C)(1)(b): over 100 A, or larger than 1 AWG.</summary>
    public override bool TerminatesAt75(Amps rating, Gauge gauge) => rating.Value > 100 || gauge > One;

    private static Gauge One { get; } = Gauge.Parse("1");

    /// <inheritdoc/>
    public override Amps? SmallConductorLimit(Gauge gauge, Metal metal) => (metal, gauge.ToString()) switch
    {
        (Metal.Copper, "14") => new Amps(15),
        (Metal.Copper, "12") => new Amps(20),
        (Metal.Copper, "10") => new Amps(30),
        (Metal.Aluminium, "12") => new Amps(15),
        (Metal.Aluminium, "10") => new Amps(25),
        _ => null,
    };
}
