using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>Holes in sawn lumber, as the residential or building code beside a book has them.</summary>
public abstract class FramingRules
{
    /// <summary>The share of a joist's depth that a hole may take.</summary>
    public abstract Fraction OfJoist { get; }

    /// <summary>The share of a bearing stud's depth that a hole may take.</summary>
    public abstract Fraction OfStud { get; }

    /// <summary>A hole in a joist keeps this far from both edges.</summary>
    public abstract Asked FromJoistEdge { get; }

    /// <summary>A hole in a stud keeps this far from its edges.</summary>
    public abstract Asked FromStudEdge { get; }

    /// <summary>Cable over the members of an attic is guarded so far around a hatch without a ladder; null where the book says it
    /// otherwise.</summary>
    public abstract Asked? GuardedFromHatch { get; }
}

/// <summary>A part of a whole, as a book writes it: a third.</summary>
/// <param name="Of">So many parts.</param>
/// <param name="Parts">Of this many.</param>
/// <param name="Words">In words.</param>
public readonly record struct Fraction(int Of, int Parts, string Words)
{
    /// <summary>That share of a length.</summary>
    public Length Share(Length length) => new(length.Sixtyfourths * Of / Parts);

    /// <inheritdoc/>
    public override string ToString() => Words;
}
