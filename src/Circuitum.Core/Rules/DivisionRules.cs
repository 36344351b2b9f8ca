using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>What branch circuits a dwelling has and what one may carry.</summary>
public abstract class DivisionRules
{
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

    /// <summary>What the floor area brings to the general circuits.</summary>
    public abstract VoltAmps GeneralLoad(SquareFeet area);

    /// <summary>What a circuit from one leg to the neutral carries at its rating.</summary>
    public abstract VoltAmps Carried(Amps rating);

    /// <summary>What so many amperes of such a circuit carry, whole volt-amperes.</summary>
    public VoltAmps Spare(Amps left) => new(Math.Floor(Carried(left).Value));

    /// <summary>Least number of general circuits of a rating.</summary>
    public int LeastGeneralCircuits(SquareFeet area, Amps rating) => (int)Math.Ceiling(GeneralLoad(area).Value / Carried(rating).Value);
}
