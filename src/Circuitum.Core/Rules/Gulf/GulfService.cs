using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Gulf;

/// <summary>What feeds the boards: an incomer of theirs, or a sub-main before them. Room before a board is what crews keep.</summary>
internal sealed class GulfService : ServiceRules
{
    /// <inheritdoc/>
    public override int MostThrows => 1;

    /// <inheritdoc/>
    public override ImmutableArray<Amps> Ratings { get; } = [new(40), new(63), new(80), new(100), new(125), new(160), new(200), new(250)];

    /// <inheritdoc/>
    public override Amps Least { get; } = new(0);

    /// <inheritdoc/>
    public override Amps LeastOfBuilding { get; } = new(0);

    /// <inheritdoc/>
    public override bool EasesWholeDwelling(Amps rating) => false;

    /// <inheritdoc/>
    public override Percent WholeDwelling { get; } = new(100);

    /// <inheritdoc/>
    public override Gauge? DwellingConductor(Amps rating, Metal metal) => null;

    /// <inheritdoc/>
    public override Gauge ElectrodeConductor(Gauge service, Metal metal) => service;

    /// <inheritdoc/>
    public override Asked WorkingWidth => Asked.Metric(700);

    /// <inheritdoc/>
    public override Asked WorkingDepth => Asked.Metric(1000);

    /// <inheritdoc/>
    public override Asked Headroom => Asked.Metric(2000);

    /// <inheritdoc/>
    public override Asked HighestHandle => Asked.Metric(2000);

    /// <inheritdoc/>
    public override string Rod => "1.5 m";

    /// <inheritdoc/>
    public override Asked RodsApart => Asked.Metric(3000);

    /// <inheritdoc/>
    public override bool OneRodWhereMeasured => true;

    /// <inheritdoc/>
    public override bool AsksSurgeProtection => false;

    /// <inheritdoc/>
    public override bool AsksOutdoorDisconnect => false;
}
