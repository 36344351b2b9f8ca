using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Canada;

/// <summary>Conductors by Tables 2, 4, 5A, 5C and 16.</summary>
internal sealed class CanadaConductors : AwgConductors
{
    // Table 2, copper, and Table 4, aluminium, at most three conductors: 60, 75, 90 °C each; 0 where the table has none.
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

    // Table 16, rating of the overcurrent device: copper, aluminium.
    private static readonly (int Rating, string Copper, string Aluminium)[] Grounds =
        [(20, "14", "12"), (30, "12", "10"), (60, "10", "8"), (100, "8", "6"), (200, "6", "4"), (300, "4", "2"), (400, "3", "1")];

    // Table 10, cross-linked insulation of 600 V without a jacket, in².
    private static readonly ImmutableDictionary<string, decimal> ConductorAreas = new Dictionary<string, decimal>
    {
        ["14"] = .0139m,
        ["12"] = .0181m,
        ["10"] = .0243m,
        ["8"] = .0437m,
        ["6"] = .0590m,
        ["4"] = .0814m,
        ["3"] = .0962m,
        ["2"] = .1146m,
        ["1"] = .1534m,
        ["1/0"] = .1825m,
        ["2/0"] = .2190m,
        ["3/0"] = .2642m,
        ["4/0"] = .3197m,
        ["250"] = .3904m,
        ["300"] = .4536m,
        ["350"] = .5166m,
        ["400"] = .5782m,
        ["500"] = .6984m,
        ["600"] = .8709m,
    }.ToImmutableDictionary();

    private static Gauge One { get; } = Gauge.Parse("1");

    /// <summary>The book counts no holes: cables are adjusted where they lie together.</summary>
    public override int? MostInSealedHole => null;

    /// <summary>4-004.</summary>
    public override Asked BundledBeyond { get; } = Asked.Millimetres(600);

    /// <summary>4-006: the lowest termination temperature governs; the trade looks the divided load up in its column.</summary>
    public override bool AdjustsTerminations => true;

    /// <inheritdoc/>
    public override string CableName => "NMD90";

    /// <inheritdoc/>
    public override string LooseName => "RW90";

    /// <inheritdoc/>
    public override string Suffix(Jacket jacket) => jacket switch
    {
        Jacket.Nonmetallic => "",
        Jacket.Underground => "NMWU",
        Jacket.Armoured => "AC90",
        Jacket.ServiceEntrance => "ACWU90",
        _ => "",
    };

    /// <inheritdoc/>
    public override Amps? Ampacity(Gauge gauge, Metal metal, Column column)
    {
        var amps = Ampacities[gauge.ToString()][(metal == Metal.Copper ? 0 : 3) + column switch
        {
            Column.C60 => 0,
            Column.C75 => 1,
            _ =>
            2
        }];
        return amps == 0 ? null : new Amps(amps);
    }

    /// <summary>Table 5C.</summary>
    public override decimal AdjustmentFactor(int currentCarrying) => currentCarrying switch
    {
        <= 3 => 1m,
        <= 6 => .80m,
        <= 24 => .70m,
        <= 42 => .60m,
        _ => .50m,
    };

    /// <inheritdoc/>
    public override Gauge EquipmentGround(Amps rating, Metal metal)
    {
        var row = Grounds.FirstOrDefault(g => rating.Value <= g.Rating, Grounds[^1]);
        return Gauge.Parse(metal == Metal.Copper ? row.Copper : row.Aluminium);
    }

    /// <inheritdoc/>
    public override SquareInches ConductorArea(Gauge gauge) => new(ConductorAreas[gauge.ToString()]);

    /// <summary>4-006: over 100 A, or larger than 1 AWG.</summary>
    public override bool TerminatesAt75(Amps rating, Gauge gauge) => rating.Value > 100 || gauge > One;

    /// <summary>14-104(2).</summary>
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
