using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>What branch circuits a dwelling has and what one may carry.</summary>
public abstract class DivisionRules
{
    /// <summary>Rating of circuits for lights, and of the smallest for receptacles.</summary>
    public abstract Amps Lights { get; }

    /// <summary>Rating of circuits for receptacles, lights apart.</summary>
    public abstract Amps Receptacles { get; }

    /// <summary>Rating of the circuits for a kitchen's counters.</summary>
    public abstract Amps Counters { get; }

    /// <summary>Rating of three-wire circuits for split receptacles at counters; null where the book does not know them.</summary>
    public abstract Amps? SplitCounters { get; }

    /// <summary>The crew splits the receptacles at counters, and the book knows how.</summary>
    /// <param name="schools">The crew's.</param>
    public bool SplitsCounters(Schools schools) => schools.Counters == CounterReceptacles.Split && SplitCounters is not null;

    /// <summary>Rating of the circuits for a kitchen's counters as the crew feeds them.</summary>
    /// <param name="schools">The crew's.</param>
    public Amps CountersOf(Schools schools) => SplitsCounters(schools) ? SplitCounters!.Value : Counters;

    /// <summary>The rating by which a general circuit's cable is guessed before it is reckoned: no more than a counter's.</summary>
    /// <param name="usual">What it usually has; null where that is not known.</param>
    public Amps Small(Amps? usual) => usual is not { } rating || rating <= Lights ? Lights : Counters;

    /// <summary>The largest circuit that receptacles of the smaller rating may be on.</summary>
    public abstract Amps MostForSmallReceptacles { get; }

    /// <summary>A counter's circuits feed nothing but counters, neighbors not on the same one, and at most so many receptacles each; null
    /// where they feed all of kitchen, dining and pantry.</summary>
    public abstract int? ReceptaclesOfCounterCircuit { get; }

    /// <summary>A refrigerator has a circuit of its own, whatever the crew's way.</summary>
    public abstract bool RefrigeratorAlone { get; }

    /// <summary>The receptacles of a utility room have a circuit of their own.</summary>
    public abstract bool KeepsUtilityRoomsApart { get; }

    /// <summary>The circuits of a kitchen's counters, in a word: small-appliance.</summary>
    public abstract string CounterWord { get; }

    /// <summary>Bathroom receptacles have circuits kept for them.</summary>
    public abstract bool KeepsBathroomsApart { get; }

    /// <summary>Most outlets on a circuit of two wires; null where the book has no number.</summary>
    public abstract int? MostOutlets { get; }

    /// <summary>What a receptacle outlet is taken for where nobody knows what is plugged in.</summary>
    public abstract VoltAmps Receptacle { get; }

    /// <summary>True for circuits that hold what is plugged in and what is fastened to a share of their rating.</summary>
    public abstract bool HoldsToShares(Amps rating, Volts volts);

    /// <summary>The share that one appliance plugged in may take.</summary>
    public abstract Percent Plugged { get; }

    /// <summary>The share that what is fastened in place may take beside lights or things plugged in.</summary>
    public abstract Percent Fastened { get; }

    /// <summary>The most that one undivided set of heating elements draws.</summary>
    public abstract Amps MostOfHeater { get; }

    /// <summary>A smaller motor is counted with what it stands beside.</summary>
    public abstract VoltAmps LeastMotor { get; }

    /// <summary>What the floor area brings to the general circuits; nothing where outlets are counted instead.</summary>
    public abstract VoltAmps GeneralLoad(SquareFeet area);

    /// <summary>What a circuit from one leg to the neutral carries at its rating.</summary>
    public abstract VoltAmps Carried(Amps rating);

    /// <summary>What so many amperes of such a circuit carry, whole volt-amperes.</summary>
    public VoltAmps Spare(Amps left) => new(Math.Floor(Carried(left).Value));

    /// <summary>Least number of general circuits of a rating.</summary>
    public int LeastGeneralCircuits(SquareFeet area, Amps rating) => (int)Math.Ceiling(GeneralLoad(area).Value / Carried(rating).Value);
}
