using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Canada;

/// <summary>Conductors by Tables 2, 4, 5A, 5C and 16.</summary>
internal sealed class CanadaConductors() : AwgConductors(Grounds, ConductorAreas)
{
    // Table 16, rating of the overcurrent device: copper, aluminium.
    private static readonly ImmutableArray<(int Rating, string Copper, string Aluminium)> Grounds =
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

    /// <summary>The book counts no holes: cables are adjusted where they lie together.</summary>
    public override int? MostInSealedHole => null;

    /// <summary>4-004.</summary>
    public override Asked BundledBeyond { get; } = Asked.Millimetres(600);

    /// <summary>4-006: the lowest termination temperature governs; the trade looks the divided load up in its column.</summary>
    public override bool AdjustsTerminations => true;

    /// <inheritdoc/>
    public override bool GreenIn(Jacket jacket) => jacket == Jacket.Loose;

    /// <summary>1.5 m, 12-618 with 12-510.</summary>
    public override Asked ArmouredSupported => Asked.Millimetres(1500);

    /// <inheritdoc/>
    public override string LooseName => "RW90";

    /// <summary>The worst place counts.</summary>
    public override Asked? ShortStretch => null;

    /// <inheritdoc/>
    public override string Suffix(Jacket jacket) => jacket switch
    {
        Jacket.Nonmetallic => "",
        Jacket.Underground => "NMWU",
        Jacket.Armoured => "AC90",
        Jacket.ServiceEntrance => "ACWU90",
        _ => "",
    };

    /// <summary>Table 5C.</summary>
    public override decimal AdjustmentFactor(int currentCarrying) => currentCarrying switch
    {
        <= 3 => 1m,
        <= 6 => .80m,
        <= 24 => .70m,
        <= 42 => .60m,
        _ => .50m,
    };
}
