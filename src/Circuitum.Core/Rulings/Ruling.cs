using System.Collections.Immutable;
using Circuitum.Core.Reasons;

namespace Circuitum.Core.Rulings;

/// <summary>A line of the loads that a ruling counts.</summary>
/// <param name="What">The load or outlet.</param>
/// <param name="Value">Its figure with the unit.</param>
/// <param name="Note">How the rule takes it; may be empty.</param>
public sealed record RulingLine(string What, string Value, string Note);

/// <summary>A section with what it says of this case, in our own words.</summary>
public sealed record Cited(Citation Cite, string Says)
{
    /// <summary>The citation as it is printed.</summary>
    public string Section => Cite.Text;
}

/// <summary>One decision argued on one page: for whoever has to show the arithmetic and the article.</summary>
public sealed record Ruling
{
    /// <summary>What it is about: a circuit with its space, a box, a room.</summary>
    public required string About { get; init; }

    /// <summary>The question.</summary>
    public required string Question { get; init; }

    /// <summary>The answer, one or two sentences.</summary>
    public required string Answer { get; init; }

    /// <summary>The loads or outlets counted.</summary>
    public ImmutableArray<RulingLine> Lines { get; init; } = [];

    /// <summary>The sum, step by step.</summary>
    public required Because Sum { get; init; }

    /// <summary>The section that governs.</summary>
    public required Cited Governs { get; init; }

    /// <summary>A section often quoted here that does not govern, and why; null where there is none.</summary>
    public Cited? Quoted { get; init; }

    /// <summary>The local amendment that bears on it, or that there is none.</summary>
    public required string Local { get; init; }
}

/// <summary>What a ruling sheet of a circuit can be about.</summary>
public enum RulingTopic
{
    /// <summary>Equipment fastened in place and half of the rating.</summary>
    HalfRating,

    /// <summary>Loads of three hours or more.</summary>
    ContinuousLoads,

    /// <summary>How many outlets.</summary>
    OutletCap,

    /// <summary>Bathrooms on one circuit.</summary>
    SharedBaths,

    /// <summary>AFCI and GFCI.</summary>
    Protection,

    /// <summary>The breaker's rating.</summary>
    Breaker,

    /// <summary>The conductor.</summary>
    Conductor,

    /// <summary>Voltage drop.</summary>
    VoltageDrop,

    /// <summary>Why these boxes are together.</summary>
    Together,

    /// <summary>Where it lands in the panel.</summary>
    Space,
}
