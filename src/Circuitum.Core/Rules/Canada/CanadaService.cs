using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Canada;

/// <summary>Services of dwellings, Section 6 and 8-200, and their electrodes, Section 10.</summary>
internal sealed class CanadaService : ServiceRules
{
    private static readonly int[] Offered = [60, 100, 125, 150, 200, 225, 250, 300, 350, 400];

    /// <inheritdoc/>
    public override ImmutableArray<Amps> Ratings { get; } = [.. Offered.Select(r => new Amps(r))];

    /// <summary>6-104: one disconnect; a panel of main lugs behind the service is no disconnect.</summary>
    public override int MostThrows => 1;

    /// <summary>8-200(1)(b): 14 400 W. From 80 m² its load is never less than 24 000 W.</summary>
    public override Amps Least { get; } = new(60);

    /// <summary>The load decides.</summary>
    public override Amps LeastOfBuilding { get; } = new(0);

    /// <summary>Conductors carry their rating by Tables 2 and 4; what Table 39 eases is not taken.</summary>
    public override Percent WholeDwelling { get; } = new(100);

    /// <inheritdoc/>
    public override bool EasesWholeDwelling(Amps rating) => false;

    /// <inheritdoc/>
    public override Gauge? DwellingConductor(Amps rating, Metal metal) => null;

    /// <summary>10-114: 6 AWG copper, whatever the service.</summary>
    public override Gauge ElectrodeConductor(Gauge service, Metal metal) => Gauge.Awg6;

    /// <summary>2-308: 1 m with a secure footing.</summary>
    public override Asked WorkingWidth { get; } = Asked.Millimetres(1000);

    /// <summary>2-308.</summary>
    public override Asked WorkingDepth { get; } = Asked.Millimetres(1000);

    /// <summary>2-308.</summary>
    public override Asked Headroom { get; } = Asked.Millimetres(2200);

    /// <summary>26-600.</summary>
    public override Asked HighestHandle { get; } = Asked.Millimetres(1700);

    /// <summary>10-102.</summary>
    public override string Rod => "15.8 mm × 3 m";

    /// <summary>10-102.</summary>
    public override Asked RodsApart { get; } = Asked.Millimetres(3000);

    /// <summary>10-102: always two.</summary>
    public override bool OneRodWhereMeasured => false;

    /// <inheritdoc/>
    public override bool AsksSurgeProtection => false;

    /// <inheritdoc/>
    public override bool AsksOutdoorDisconnect => false;
}
