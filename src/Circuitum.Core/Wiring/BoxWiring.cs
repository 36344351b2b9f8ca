using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Wiring;

/// <summary>A screw or lead of a device.</summary>
public enum TerminalKind
{
    /// <summary>Brass: the hot.</summary>
    Hot,

    /// <summary>The second leg of 240 V.</summary>
    SecondLeg,

    /// <summary>Silver: the neutral.</summary>
    Neutral,

    /// <summary>The brass of the half that a switch works; the link between the halves is broken off.</summary>
    SwitchedHalf,

    /// <summary>Load-side hot of a protective receptacle.</summary>
    LoadHot,

    /// <summary>Load-side neutral of a protective receptacle.</summary>
    LoadNeutral,

    /// <summary>The feed of a switch.</summary>
    SwitchIn,

    /// <summary>What a switch gives.</summary>
    SwitchOut,

    /// <summary>The dark screw of a three-way switch.</summary>
    Common,

    /// <summary>A traveler screw; on a four-way one of the pair that comes in.</summary>
    TravelerOne,

    /// <summary>The other traveler screw; on a four-way the other that comes in.</summary>
    TravelerTwo,

    /// <summary>On a four-way one of the pair that goes out.</summary>
    OutOne,

    /// <summary>On a four-way the other that goes out.</summary>
    OutTwo,

    /// <summary>Second leg that a disconnect gives.</summary>
    SecondOut,

    /// <summary>A fan's motor lead.</summary>
    FanHot,

    /// <summary>An alarm's signal lead.</summary>
    Signal,

    /// <summary>Green.</summary>
    Ground,
}

/// <summary>A terminal of one device.</summary>
/// <param name="Gang">The device's place in the box, from 0.</param>
/// <param name="Kind">Which screw or lead.</param>
public readonly record struct Terminal(int Gang, TerminalKind Kind);

/// <summary>One conductor's end in a box.</summary>
/// <param name="Run">The run.</param>
/// <param name="Conductor">Which of its conductors.</param>
public sealed record CableEnd(Run Run, Conductor Conductor);

/// <summary>How conductors meet.</summary>
public enum JointBy
{
    /// <summary>One conductor straight on its screw.</summary>
    Screw,

    /// <summary>Two conductors on a receptacle's two screws: what goes on is carried through the device.</summary>
    Device,

    /// <summary>Under a connector, with a pigtail to each screw.</summary>
    Splice,

    /// <summary>Alone, under a connector.</summary>
    Cap,
}

/// <summary>What is joined with what in a box: one point electrically.</summary>
/// <param name="Ends">Conductors of cables.</param>
/// <param name="Terminals">Screws and leads of devices.</param>
/// <param name="By">How they meet.</param>
/// <param name="Onward">Current that goes on from this point into other boxes, where it is carried through a device.</param>
public sealed record Joint(ImmutableArray<CableEnd> Ends, ImmutableArray<Terminal> Terminals, JointBy By, Amps? Onward);

/// <summary>A cable as it stands in the box, lettered from A: the feed first.</summary>
/// <param name="Letter">A, B, C and on.</param>
/// <param name="Run">The run.</param>
/// <param name="In">It comes from the panel's side.</param>
public sealed record BoxCable(char Letter, Run Run, bool In);

/// <summary>The make-up of one box.</summary>
/// <param name="Box">The box.</param>
/// <param name="Cables">Its cables, lettered.</param>
/// <param name="Joints">Every joint.</param>
/// <param name="Protective">The protective receptacle's place, or null: cable <paramref name="Line"/> is its line side.</param>
/// <param name="Line">The cable on the line side of the protective receptacle.</param>
public sealed record BoxWiring(BoxId Box, ImmutableArray<BoxCable> Cables, ImmutableArray<Joint> Joints, int? Protective, BoxCable? Line)
{
    /// <summary>The joint that holds a terminal; null when nothing is on it.</summary>
    public Joint? At(Terminal terminal) => Joints.FirstOrDefault(j => j.Terminals.Contains(terminal));

    /// <summary>The joint that holds a conductor of a run.</summary>
    public Joint? At(Run run, Carried? carries) =>
        Joints.FirstOrDefault(j => j.Ends.Any(e => e.Run.Id == run.Id && e.Conductor.Carries == carries));

    /// <summary>A device that has a screw for either leg: of a duplex, a leg on either half.</summary>
    /// <param name="gang">Its place.</param>
    public bool HasBothLegs(int gang) => At(new Terminal(gang, TerminalKind.SecondLeg)) is not null;

    /// <summary>Splices to be made, the grounds' among them.</summary>
    public int Splices => Joints.Count(j => j.By == JointBy.Splice);
}
