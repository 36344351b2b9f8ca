using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Us;

/// <summary>Figures that are the same in the 2017, 2020 and 2023 editions.</summary>
internal sealed class UsConductors() : AwgConductors(Grounds, ConductorAreas)
{
    // Table 250.122, rating of the overcurrent device: copper, aluminium.
    private static readonly ImmutableArray<(int Rating, string Copper, string Aluminium)> Grounds =
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

    /// <summary>310.14(A)(2), Exception: the lesser of 10 ft and 10 %.</summary>
    public override Asked? ShortStretch { get; } = Asked.Feet(10);

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
    public override bool GreenIn(Jacket jacket) => jacket is Jacket.Loose or Jacket.Armoured;

    /// <summary>6 ft, 330.30(C); crews hold it as often as the other.</summary>
    public override Asked ArmouredSupported => Asked.Feet(6);

    /// <inheritdoc/>
    public override string LooseName => "THWN-2";

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
}
