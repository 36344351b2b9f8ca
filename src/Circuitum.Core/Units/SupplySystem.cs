using System.Collections.Immutable;

namespace Circuitum.Core.Units;

/// <summary>What the service brings: the volts that circuits are made of. Circuits ask it, so that no stage knows a number of
/// volts.</summary>
/// <param name="ToNeutral">Between one leg and the neutral.</param>
/// <param name="Between">Between two legs.</param>
public sealed record SupplySystem(Volts ToNeutral, Volts Between)
{
    /// <summary>One transformer winding tapped in its middle: two legs and a neutral, 120 and 240 V.</summary>
    public static SupplySystem SplitPhase { get; } = new(new(120), new(240));

    /// <summary>The volts equipment is made for on this supply.</summary>
    public ImmutableArray<Volts> Offered => [ToNeutral, Between];

    /// <summary>True for what takes both legs.</summary>
    public bool IsAcross(Volts volts) => volts > ToNeutral;

    /// <summary>Poles of the breaker of a circuit of these volts: one a leg.</summary>
    public int Poles(Volts volts) => IsAcross(volts) ? 2 : 1;

    /// <summary>The volts of a circuit that feeds all of these: across two legs as soon as one of them is.</summary>
    public Volts For(IEnumerable<Volts> equipment) => equipment.Any(IsAcross) ? Between : ToNeutral;
}
