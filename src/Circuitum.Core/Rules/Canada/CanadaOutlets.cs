using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Canada;

/// <summary>Receptacles of dwellings, 26-722 to 26-726.</summary>
internal sealed class CanadaOutlets : OutletRules
{
    private static readonly Length LongSide = Length.FromMetres(.6m), ShortSide = Length.FromMetres(.3m);

    /// <inheritdoc/>
    public override Asked WallReach { get; } = Asked.Millimetres(1800);

    /// <inheritdoc/>
    public override Asked NarrowestWall { get; } = Asked.Millimetres(900);

    /// <inheritdoc/>
    public override Asked CounterReach { get; } = Asked.Millimetres(900);

    /// <inheritdoc/>
    public override Asked NarrowestCounter { get; } = Asked.Millimetres(300);

    /// <inheritdoc/>
    public override Asked BasinReach { get; } = Asked.Millimetres(1000);

    /// <summary>Where practicable; in no case nearer than 500 mm.</summary>
    public override Asked OffTubs { get; } = Asked.Millimetres(1000);

    /// <inheritdoc/>
    public override Asked HallFrom { get; } = Asked.Millimetres(4500);

    /// <inheritdoc/>
    public override int FacesOutdoors => 1;

    /// <inheritdoc/>
    public override bool ServesPeninsulaAtItsEnd => false;

    /// <inheritdoc/>
    public override bool ProvidesForIslands => false;

    /// <inheritdoc/>
    public override bool KeepsReceptaclesOffTubs => true;

    /// <summary>One where it is 600 mm long and 300 mm deep or larger.</summary>
    public override int OfIsland(Length width, Length depth) =>
        Length.Max(width, depth) >= LongSide && Length.Min(width, depth) >= ShortSide ? 1 : 0;
}
