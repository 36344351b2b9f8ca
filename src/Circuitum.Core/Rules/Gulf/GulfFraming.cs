namespace Circuitum.Core.Rules.Gulf;

/// <summary>Block and slab have nothing to bore; where a partition is framed all the same, as crews keep it.</summary>
internal sealed class GulfFraming : FramingRules
{
    /// <inheritdoc/>
    public override Fraction OfJoist => new(1, 4, "a quarter");

    /// <inheritdoc/>
    public override Fraction OfStud => new(1, 3, "a third");

    /// <inheritdoc/>
    public override Asked FromJoistEdge => Asked.Metric(50);

    /// <inheritdoc/>
    public override Asked FromStudEdge => Asked.Metric(50);

    /// <inheritdoc/>
    public override Asked? GuardedFromHatch => null;
}
