using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Panels;

/// <summary>Two one-pole breakers in one space, where the panel's label lists them.</summary>
public static class Tandem
{
    /// <summary>Largest rating that is reckoned with in half a space: what is made for branch circuits of 15 and 20 A. A usual limit, no
    /// rule.</summary>
    public static Amps Largest { get; } = new(20);

    /// <summary>True when a circuit may have half a space: one pole to 20 A, no neutral shared (both halves are on one leg), and no
    /// arc-fault or ground-fault protection in the breaker, which is not reckoned with at half width.</summary>
    public static bool Takes(WiredCircuit circuit) => WhyNot(circuit) is null;

    /// <summary>Why a circuit cannot have half a space; null when it can.</summary>
    public static string? WhyNot(WiredCircuit circuit) => circuit.Circuit.Poles == 2 ? "it has two poles"
        : circuit.Circuit.SharesNeutralWith is not null
        ? $"it shares its neutral, and both halves are on one leg ({circuit.Book.Cite(RuleId.Multiwire, RuleId.SharedNeutralTogether)})"
        : circuit.Mark.Length > 0 ? $"its breaker is {circuit.Mark}, which half a space is not reckoned to hold"
        : circuit.Breaker > Largest ? $"its breaker is over {Largest}"
        : null;

    /// <summary>Tandem breakers that a panel can still take beside its full-size ones: by its circuits, and by those that it has.</summary>
    /// <param name="panel">The panel.</param>
    /// <param name="standing">Spaces that hold halves already.</param>
    public static int Left(Panel panel, int standing) => Math.Max(0, (panel.Listing.Circuits ?? int.MaxValue) - panel.Spaces - standing);

    /// <summary>True when the label lists a tandem breaker in a space.</summary>
    public static bool IsListed(Panel panel, int space) => panel.Listing.TandemSpaces.Contains(space);
}
