using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

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
/// <param name="ResetAt">The box whose ground-fault device protects it, or null when a breaker or nothing does.</param>
public sealed record OutletProtection(Need? Afci, Need? Gfci, BoxId? ResetAt)
{
    /// <summary>The box whose arc-fault device protects it, or null when the breaker or nothing does.</summary>
    public BoxId? AfciResetAt { get; init; }
}

/// <summary>Kinds of protective receptacle.</summary>
public enum ProtectiveKind
{
    /// <summary>Ground-fault.</summary>
    Gfci,

    /// <summary>Arc-fault, at the first outlet.</summary>
    Afci,

    /// <summary>Both in one.</summary>
    Dual,
}

/// <summary>A protective receptacle in a box.</summary>
/// <param name="Kind">What it protects against.</param>
/// <param name="Load">Boxes on its load terminals: the runs that leave for them are protected.</param>
/// <param name="Around">Boxes that it feeds pigtailed around itself, from the line side.</param>
/// <param name="Placed">A person placed it; the planner did otherwise.</param>
public sealed record ProtectiveDevice(ProtectiveKind Kind, ImmutableArray<BoxId> Load, ImmutableArray<BoxId> Around, bool Placed);

/// <summary>A way to protect a circuit, with its price.</summary>
/// <param name="Name">In the trade's words.</param>
/// <param name="Price">Breaker and devices by the crew's prices.</param>
/// <param name="Refused">Why it cannot be had here; null when it can.</param>
public sealed record ProtectionWay(string Name, Money Price, string? Refused);

/// <summary>A sized circuit with its protection.</summary>
public sealed record ProtectedCircuit(SizedCircuit Sized, Figure<BreakerKind> Kind, ImmutableDictionary<BoxId, OutletProtection> Outlets)
{
    /// <summary>Protective receptacles on it, placed or planned.</summary>
    public ImmutableDictionary<BoxId, ProtectiveDevice> Devices { get; init; } = ImmutableDictionary<BoxId, ProtectiveDevice>.Empty;

    /// <summary>Every way that was weighed, the one taken first.</summary>
    public ImmutableArray<ProtectionWay> Ways { get; init; } = [];

    /// <summary>The circuit.</summary>
    public Circuit Circuit => Sized.Circuit;

    /// <summary>Its runs and what its switches work.</summary>
    public RoutedCircuit Routed => Sized.Routed;

    /// <summary>Its breaker trips on a ground fault.</summary>
    public bool BreakerIsGfci => Kind.Value is BreakerKind.Gfci or BreakerKind.DualFunction;

    /// <summary>Its breaker trips on an arc fault.</summary>
    public bool BreakerIsAfci => Kind.Value is BreakerKind.Afci or BreakerKind.DualFunction;

    /// <summary>True when a box has ground-fault protection, from the breaker or a device.</summary>
    public bool HasGfci(BoxId box) => BreakerIsGfci || Outlets[box].ResetAt is not null;

    /// <summary>True when a box has arc-fault protection, from the breaker or a first-outlet device.</summary>
    public bool HasAfci(BoxId box) => BreakerIsAfci || Outlets[box].AfciResetAt is not null;

    /// <summary>How the schedule marks it: AF, GF, AF+GF or nothing.</summary>
    public string Mark => MarkOf(Kind.Value);

    /// <summary>The kind of breaker that protects against arc faults, ground faults, both or neither.</summary>
    public static BreakerKind KindOf(bool arc, bool ground) => (arc, ground) switch
    {
        (true, true) => BreakerKind.DualFunction,
        (true, false) => BreakerKind.Afci,
        (false, true) => BreakerKind.Gfci,
        _ => BreakerKind.Standard,
    };

    /// <summary>How a kind is marked.</summary>
    public static string MarkOf(BreakerKind kind) =>
        kind switch { BreakerKind.Afci => "AF", BreakerKind.Gfci => "GF", BreakerKind.DualFunction => "AF+GF", _ => "" };
}
