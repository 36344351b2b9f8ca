using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Us;

/// <summary>Figures that are the same in the 2017, 2020 and 2023 editions.</summary>
internal sealed class UsConductors : AwgConductors
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

    // Table 250.122, rating of the overcurrent device: copper, aluminium.
    private static readonly (int Rating, string Copper, string Aluminium)[] Grounds =
        [(15, "14", "12"), (20, "12", "10"), (60, "10", "8"), (100, "8", "6"), (200, "6", "4"), (300, "4", "2"), (400, "3", "1")];

    // Chapter 9 Table 5, THHN/THWN-2, in².
    private static readonly ImmutableDictionary<string, decimal> ConductorAreas = new Dictionary<string, decimal>
    {
        ["14"] = .0097m,
        ["12"] = .0133m,
        ["10"] = .0211m,
        ["8"] = .0366m,
        ["6"] = .0507m,
        ["4"] = .0824m,
        ["3"] = .0973m,
        ["2"] = .1158m,
        ["1"] = .1562m,
        ["1/0"] = .1855m,
        ["2/0"] = .2223m,
        ["3/0"] = .2679m,
        ["4/0"] = .3237m,
        ["250"] = .3970m,
        ["300"] = .4608m,
        ["350"] = .5242m,
        ["400"] = .5863m,
        ["500"] = .7073m,
        ["600"] = .8676m,
    }.ToImmutableDictionary();

    /// <summary>334.80.</summary>
    public override int? MostInSealedHole => 2;

    /// <summary>310.15(C)(1)(b), and a nipple's length in 376.22 and Chapter 9 note 4.</summary>
    public override Asked BundledBeyond { get; } = Asked.Inches(24);

    /// <inheritdoc/>
    public override string Suffix(Jacket jacket) => jacket switch
    {
        Jacket.Underground => "UF",
        Jacket.Armoured => "MC",
        Jacket.ServiceEntrance => "SER",
        _ => "",
    };

    /// <summary>110.14(C): from the insulation's column, then held.</summary>
    public override bool AdjustsTerminations => false;

    /// <inheritdoc/>
    public override string CableName => "NM";

    /// <inheritdoc/>
    public override string LooseName => "THWN-2";

    /// <inheritdoc/>
    public override Amps? Ampacity(Gauge gauge, Metal metal, Column column)
    {
        var at = (metal == Metal.Copper ? 0 : 3) + column switch { Column.C60 => 0, Column.C75 => 1, _ => 2 };
        var amps = Ampacities[gauge.ToString()][at];
        return amps == 0 ? null : new Amps(amps);
    }

    /// <inheritdoc/>
    public override decimal AdjustmentFactor(int currentCarrying) => currentCarrying switch
    {
        <= 3 => 1m,
        <= 6 => .80m,
        <= 9 => .70m,
        <= 20 => .50m,
        <= 30 => .45m,
        <= 40 => .40m,
        _ => .35m,
    };

    /// <inheritdoc/>
    public override Gauge EquipmentGround(Amps rating, Metal metal)
    {
        var row = Grounds.FirstOrDefault(g => rating.Value <= g.Rating, Grounds[^1]);
        return Gauge.Parse(metal == Metal.Copper ? row.Copper : row.Aluminium);
    }

    /// <inheritdoc/>
    public override SquareInches ConductorArea(Gauge gauge) => new(ConductorAreas[gauge.ToString()]);

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
