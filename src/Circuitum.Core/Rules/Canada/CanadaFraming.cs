using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Canada;

/// <summary>Holes by the building code, NBC 9.23.5.</summary>
internal sealed class CanadaFraming : FramingRules
{
    /// <summary>NBC 9.23.5.1.</summary>
    public override Fraction OfJoist { get; } = new(1, 4, "a quarter");

    /// <summary>NBC 9.23.5.3: two thirds of a bearing stud stay.</summary>
    public override Fraction OfStud { get; } = new(1, 3, "a third");

    /// <summary>NBC 9.23.5.1.</summary>
    public override Asked FromJoistEdge { get; } = Asked.Millimetres(50);

    /// <summary>What stays beside the hole, in the middle of a third.</summary>
    public override Asked FromStudEdge { get; } = Asked.Millimetres(16);

    /// <summary>By the headroom of the attic, which is not drawn.</summary>
    public override Asked? GuardedFromHatch => null;
}
