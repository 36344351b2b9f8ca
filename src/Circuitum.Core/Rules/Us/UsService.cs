using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Us;

/// <summary>Services of dwellings: their tables are the same in the 2017, 2020 and 2023 editions.</summary>
internal sealed class UsService(Edition edition) : ServiceRules
{
    // Table 310.12(A), from 2020: the 83 per cent rule worked out, copper and aluminium. 2017 has the rule (310.15(B)(7)) without a table.
    private static readonly ImmutableArray<(int Rating, string Copper, string Aluminium)> Dwelling =
    [
        (100, "4", "2"), (110, "3", "1"), (125, "2", "1/0"), (150, "1", "2/0"), (175, "1/0", "3/0"), (200, "2/0", "4/0"),
        (225, "3/0", "250"), (250, "4/0", "300"), (300, "250", "350"), (350, "350", "500"), (400, "400", "600"),
    ];

    // Table 250.66 by the size of the service conductor: the largest of the row, and the electrode conductor in copper.
    private static readonly ImmutableArray<(string Copper, string Aluminium, string Electrode)> Electrodes =
        [("2", "1/0", "8"), ("1/0", "3/0", "6"), ("3/0", "250", "4"), ("350", "500", "2"), ("600", "600", "1/0")];

    /// <inheritdoc/>
    public override ImmutableArray<Amps> Ratings { get; } = [.. Dwelling.Select(d => new Amps(d.Rating))];

    /// <summary>225.33.</summary>
    public override int MostThrows => 6;

    /// <summary>230.79(C).</summary>
    public override Amps Least { get; } = new(100);

    /// <summary>225.39(D).</summary>
    public override Amps LeastOfBuilding { get; } = new(60);

    /// <summary>310.12 (2017: 310.15(B)(7)).</summary>
    public override Percent WholeDwelling { get; } = new(83);

    /// <summary>110.26(A)(2).</summary>
    public override Asked WorkingWidth { get; } = Asked.Inches(30);

    /// <summary>110.26(A)(1), condition 1 at 150 V or less to ground.</summary>
    public override Asked WorkingDepth { get; } = Asked.Inches(36);

    /// <summary>110.26(A)(3).</summary>
    public override Asked Headroom { get; } = new(Length.FromInches(78), "6-1/2 ft");

    /// <summary>240.24(A).</summary>
    public override Asked HighestHandle { get; } = new(Length.FromInches(79), "6'-7\"");

    /// <summary>250.52(A)(5).</summary>
    public override string Rod => "5/8 in × 8 ft";

    /// <summary>250.53(A)(3).</summary>
    public override Asked RodsApart { get; } = Asked.Feet(6);

    /// <summary>250.53(A)(2) exception.</summary>
    public override bool OneRodWhereMeasured => true;

    /// <summary>230.67, from 2020.</summary>
    public override bool AsksSurgeProtection => edition >= Edition.Y2020;

    /// <summary>230.85, from 2020.</summary>
    public override bool AsksOutdoorDisconnect => edition >= Edition.Y2020;

    /// <inheritdoc/>
    public override Gauge? DwellingConductor(Amps rating, Metal metal) =>
        edition >= Edition.Y2020 && Dwelling.FirstOrDefault(d => d.Rating == rating.Value) is { Copper: not null } row
            ? Gauge.Parse(metal == Metal.Copper ? row.Copper : row.Aluminium) : null;

    /// <inheritdoc/>
    public override Gauge ElectrodeConductor(Gauge service, Metal metal) =>
        Gauge.Parse(Electrodes.First(e => service <= Gauge.Parse(metal == Metal.Copper ? e.Copper : e.Aluminium)
            || e == Electrodes[^1]).Electrode);
}
