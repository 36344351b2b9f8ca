using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.CodeBook;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;

namespace Circuitum.Core.Protection;

/// <summary>Kinds of breaker.</summary>
public enum BreakerKind
{
    /// <summary>Overcurrent only.</summary>
    Standard,

    /// <summary>Combination arc-fault.</summary>
    Afci,

    /// <summary>Ground-fault.</summary>
    Gfci,

    /// <summary>Arc-fault and ground-fault.</summary>
    DualFunction,
}

/// <summary>What one outlet needs and what gives it.</summary>
/// <param name="Afci">Why it needs AFCI, or null.</param>
/// <param name="Gfci">Why it needs GFCI, or null.</param>
/// <param name="ResetAt">The GFCI device that protects it, or null when a breaker or nothing does.</param>
public sealed record OutletProtection(Need? Afci, Need? Gfci, BoxId? ResetAt);

/// <summary>A sized circuit with its protection.</summary>
public sealed record ProtectedCircuit(SizedCircuit Sized, Figure<BreakerKind> Kind, ImmutableDictionary<BoxId, OutletProtection> Outlets)
{
    /// <summary>The circuit.</summary>
    public Circuit Circuit => Sized.Circuit;

    /// <summary>Its breaker trips on a ground fault.</summary>
    public bool BreakerIsGfci => Kind.Value is BreakerKind.Gfci or BreakerKind.DualFunction;

    /// <summary>True when a box has ground-fault protection, from the breaker or a device.</summary>
    public bool HasGfci(BoxId box) => BreakerIsGfci || Outlets[box].ResetAt is not null;

    /// <summary>How the schedule marks it: AF, GF, AF+GF or nothing.</summary>
    public string Mark => MarkOf(Kind.Value);

    /// <summary>How a kind is marked.</summary>
    public static string MarkOf(BreakerKind kind) => kind switch { BreakerKind.Afci => "AF", BreakerKind.Gfci => "GF", BreakerKind.DualFunction => "AF+GF", _ => "" };
}
