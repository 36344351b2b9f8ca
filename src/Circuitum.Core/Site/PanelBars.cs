using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Site;

/// <summary>Between which bars of a panel volts are read when it is switched on: what the legs carry, and that no neutral is
/// open.</summary>
/// <param name="Line">As the record names it.</param>
/// <param name="Words">As it is said.</param>
/// <param name="IsAcross">From leg to leg; from a leg to the neutral else.</param>
public sealed record PanelBars(string Line, string Words, bool IsAcross)
{
    /// <summary>All that are read.</summary>
    public static ImmutableArray<PanelBars> All { get; } =
        [new("A-B", "leg to leg", true), new("A-N", "leg A to neutral", false), new("B-N", "leg B to neutral", false)];

    /// <summary>What is read between them where all is well.</summary>
    public Volts Nominal(SupplySystem supply) => IsAcross ? supply.Between : supply.ToNeutral;

    /// <summary>The bars of a line of the record; null where it is none.</summary>
    public static PanelBars? Find(string line) => All.FirstOrDefault(b => b.Line == line);
}
