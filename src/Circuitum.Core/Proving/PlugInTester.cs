using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Proving;

/// <summary>What a plug-in tester's three lamps mean.</summary>
public enum TesterSays
{
    /// <summary>Hot to neutral and hot to ground: as it should be, as far as a tester sees. A ground tied to the neutral reads so
    /// too.</summary>
    Correct,

    /// <summary>Hot to neutral alone: no ground.</summary>
    OpenGround,

    /// <summary>Hot to ground alone: no neutral.</summary>
    OpenNeutral,

    /// <summary>No lamp: no hot, or nothing at all.</summary>
    Dead,

    /// <summary>Hot to neutral, and neutral to ground: hot and neutral have changed places.</summary>
    Reversed,

    /// <summary>Hot to ground and neutral to ground, not between them: no neutral, and a load beyond holds it at the hot; or hot and ground
    /// have changed places.</summary>
    HotOnNeutralGoneAstray,

    /// <summary>All three, or another picture: more than one thing is wrong.</summary>
    Strange,
}

/// <summary>A plug-in tester, a small stand-in of our own: a lamp between each two slots, lit from 80 V.</summary>
/// <param name="HotNeutral">The lamp between hot and neutral.</param>
/// <param name="HotGround">The lamp between hot and ground.</param>
/// <param name="NeutralGround">The lamp between neutral and ground.</param>
public sealed record PlugInTester(bool HotNeutral, bool HotGround, bool NeutralGround)
{
    private static readonly Volts Lights = new(80);

    /// <summary>Where it goes into a receptacle: at the hot, and at the second leg where the circuit splits it.</summary>
    /// <param name="circuit">The receptacle's; null for none.</param>
    /// <param name="kind">The receptacle.</param>
    public static ImmutableArray<TerminalKind> Halves(WiredCircuit? circuit, DeviceKind kind) =>
        circuit?.Load.Splits(kind) == true ? [TerminalKind.Hot, TerminalKind.SecondLeg] : [TerminalKind.Hot];

    /// <summary>Plugs it in.</summary>
    /// <param name="energy">The circuit as it stands.</param>
    /// <param name="box">A box on it.</param>
    /// <param name="gang">A receptacle of the box, by its place from 0.</param>
    /// <param name="half">Its hot: the second leg is that of a split receptacle's second half.</param>
    public static PlugInTester At(Energy energy, BoxId box, int gang, TerminalKind half = TerminalKind.Hot) => new(
        energy.Between(box, gang, half, TerminalKind.Neutral) > Lights,
        energy.Between(box, gang, half, TerminalKind.Ground) > Lights,
        energy.Between(box, gang, TerminalKind.Neutral, TerminalKind.Ground) > Lights);

    /// <summary>What that means.</summary>
    public TesterSays Says => (HotNeutral, HotGround, NeutralGround) switch
    {
        (true, true, false) => TesterSays.Correct,
        (true, false, false) => TesterSays.OpenGround,
        (false, true, false) => TesterSays.OpenNeutral,
        (false, false, false) => TesterSays.Dead,
        (true, false, true) => TesterSays.Reversed,
        (false, true, true) => TesterSays.HotOnNeutralGoneAstray,
        _ => TesterSays.Strange,
    };
}
