using System.Collections.Immutable;

namespace Circuitum.Core.Units;

/// <summary>What the service brings: the volts that circuits are made of. Circuits ask it, so that no stage knows a number of
/// volts.</summary>
/// <param name="ToNeutral">Between one leg and the neutral.</param>
/// <param name="Between">Between two legs.</param>
/// <param name="ThreePhase">What takes more than one leg takes three, a third of a turn apart; two legs of one winding else.</param>
public sealed record SupplySystem(Volts ToNeutral, Volts Between, bool ThreePhase = false)
{
    // Three phases bring √3 times their volts for each ampere of each.
    private const decimal Root3 = 1.7320508m;

    /// <summary>One transformer winding tapped in its middle: two legs and a neutral, 120 and 240 V.</summary>
    public static SupplySystem SplitPhase { get; } = new(new(120), new(240));

    /// <summary>The volts equipment is made for on this supply.</summary>
    public ImmutableArray<Volts> Offered => [ToNeutral, Between];

    /// <summary>What a plate that gives amperes draws: through every leg that equipment of these volts takes.</summary>
    public VoltAmps Load(Amps current, Volts volts) => current * volts * (OverThreePhases(volts) ? Root3 : 1);

    /// <summary>True for what takes three phases.</summary>
    public bool OverThreePhases(Volts volts) => ThreePhase && IsAcross(volts);

    /// <summary>True for what takes more than one leg.</summary>
    public bool IsAcross(Volts volts) => volts > ToNeutral;

    /// <summary>Poles of the breaker of a circuit of these volts: one a leg.</summary>
    public int Poles(Volts volts) => IsAcross(volts) ? 2 : 1;

    /// <summary>The volts of a circuit that feeds all of these: across two legs as soon as one of them is.</summary>
    public Volts For(IEnumerable<Volts> equipment) => equipment.Any(IsAcross) ? Between : ToNeutral;
}
