using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Proving;

/// <summary>Something that is not as it was planned: one thing, in one place.</summary>
public abstract record Fault
{
    private Fault()
    {
    }

    /// <summary>A conductor of a run is parted along its way.</summary>
    /// <param name="Run">The run.</param>
    /// <param name="Colour">Which of its conductors.</param>
    public sealed record Parted(RunId Run, ConductorColour Colour) : Fault;

    /// <summary>A fastener joins two conductors of a run, halfway where nothing else is said.</summary>
    /// <param name="Run">The run.</param>
    /// <param name="One">One of its conductors.</param>
    /// <param name="Other">The other.</param>
    public sealed record Nailed(RunId Run, ConductorColour One, ConductorColour Other) : Fault
    {
        /// <summary>How far along the run from its feeding end, above 0 and below 100 %.</summary>
        public Percent Along { get; init; } = new(50);
    }

    /// <summary>A conductor was left out of its joint, or came out of it.</summary>
    /// <param name="Box">In which box; null for the panel.</param>
    /// <param name="Run">Of which run.</param>
    /// <param name="Colour">Which conductor.</param>
    public sealed record LeftOut(BoxId? Box, RunId Run, ConductorColour Colour) : Fault;

    /// <summary>A conductor sits loosely in its joint.</summary>
    /// <param name="Box">In which box.</param>
    /// <param name="Run">Of which run.</param>
    /// <param name="Colour">Which conductor.</param>
    /// <param name="Ohms">What the joint has.</param>
    public sealed record Loose(BoxId Box, RunId Run, ConductorColour Colour, Ohms Ohms) : Fault;

    /// <summary>Hot and neutral change places at a receptacle.</summary>
    /// <param name="Box">The box.</param>
    /// <param name="Gang">The device's place in it, from 0.</param>
    public sealed record Turned(BoxId Box, int Gang) : Fault;

    /// <summary>The feed is on the LOAD screws of a protective receptacle and what goes on is on LINE.</summary>
    /// <param name="Box">The box.</param>
    /// <param name="Gang">The device's place in it, from 0.</param>
    public sealed record LineForLoad(BoxId Box, int Gang) : Fault;

    /// <summary>The ground screw of a receptacle is tied to its neutral, and to no ground.</summary>
    /// <param name="Box">The box.</param>
    /// <param name="Gang">The device's place in it, from 0.</param>
    public sealed record Bootleg(BoxId Box, int Gang) : Fault;

    /// <summary>Neutral and ground touch in a box.</summary>
    /// <param name="Box">The box.</param>
    public sealed record NeutralOnGround(BoxId Box) : Fault;

    /// <summary>A switch that does not move any more.</summary>
    /// <param name="Switch">Which.</param>
    /// <param name="Closed">It stays on.</param>
    public sealed record Stuck(SwitchGang Switch, bool Closed) : Fault;

    /// <summary>A traveler is on the common screw of a three-way, and what belongs there on the traveler's.</summary>
    /// <param name="Switch">Which.</param>
    public sealed record TravelerOnCommon(SwitchGang Switch) : Fault;

    /// <summary>A protective receptacle that opens no more.</summary>
    /// <param name="Box">The box.</param>
    public sealed record WillNotTrip(BoxId Box) : Fault;

    /// <summary>Neutral and ground bars are bonded in a panel where they belong apart.</summary>
    /// <param name="Panel">The panel.</param>
    public sealed record BarsBonded(PanelId Panel) : Fault;

    /// <summary>The neutral of a circuit is off its bar, and joined with that of another circuit in one of its boxes.</summary>
    /// <param name="Circuit">The circuit.</param>
    /// <param name="Box">A box of the other.</param>
    public sealed record BorrowedNeutral(CircuitKey Circuit, BoxId Box) : Fault;

    /// <summary>The hots of two circuits of a panel are on each other's breakers.</summary>
    /// <param name="One">One circuit.</param>
    /// <param name="Other">The other.</param>
    public sealed record WrongCircuit(CircuitKey One, CircuitKey Other) : Fault;

    /// <summary>A breaker of another rating is in the panel.</summary>
    /// <param name="Circuit">Whose.</param>
    /// <param name="Rating">What is in.</param>
    public sealed record WrongBreaker(CircuitKey Circuit, Amps Rating) : Fault;

    /// <summary>Something arcs in a box, or in what is plugged in there: declared, because no sum knows it.</summary>
    /// <param name="Box">The box.</param>
    public sealed record Arcing(BoxId Box) : Fault;

    /// <summary>The neutral of the service is lost outside.</summary>
    public sealed record ServiceNeutralLost : Fault;
}
