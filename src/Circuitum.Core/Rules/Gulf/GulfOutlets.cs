using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Gulf;

/// <summary>Where a house is laid out by rule: the method asks for no outlet, so these are what crews usually do, and no tag hangs on
/// them.</summary>
internal sealed class GulfOutlets : OutletRules
{
    /// <inheritdoc/>
    public override Asked WallReach => Asked.Metric(2500);

    /// <inheritdoc/>
    public override Asked NarrowestWall => Asked.Metric(1000);

    /// <inheritdoc/>
    public override Asked CounterReach => Asked.Metric(1000);

    /// <inheritdoc/>
    public override Asked NarrowestCounter => Asked.Metric(400);

    /// <summary>A shaver's or a mirror's socket is not proposed near a basin: a bath has none.</summary>
    public override Asked BasinReach => Asked.Metric(3000);

    /// <summary>701.512: 3 m from the edge of a bath or shower.</summary>
    public override Asked OffTubs => Asked.Metric(3000);

    /// <inheritdoc/>
    public override Asked HallFrom => Asked.Metric(4000);

    /// <inheritdoc/>
    public override int FacesOutdoors => 1;

    /// <inheritdoc/>
    public override int OfIsland(Length width, Length depth) => 1;

    /// <inheritdoc/>
    public override bool ServesPeninsulaAtItsEnd => false;

    /// <inheritdoc/>
    public override bool ProvidesForIslands => false;

    /// <inheritdoc/>
    public override bool KeepsReceptaclesOffTubs => true;
}
