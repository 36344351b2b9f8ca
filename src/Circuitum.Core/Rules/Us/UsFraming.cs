using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Us;

/// <summary>Holes by the residential code.</summary>
internal sealed class UsFraming : FramingRules
{
    /// <summary>R502.8.1.</summary>
    public override Fraction OfJoist { get; } = new(1, 3, "a third");

    /// <summary>R602.6.</summary>
    public override Fraction OfStud { get; } = new(2, 5, "40 %");

    /// <summary>R502.8.1.</summary>
    public override Asked FromJoistEdge { get; } = Asked.Inches(2);

    /// <summary>R602.6.</summary>
    public override Asked FromStudEdge { get; } = new(Length.FromInches(.625m), "5/8 in");

    /// <summary>320.23(A), by 334.23.</summary>
    public override Asked? GuardedFromHatch { get; } = Asked.Feet(6);
}
