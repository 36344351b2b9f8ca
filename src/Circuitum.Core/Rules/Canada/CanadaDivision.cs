using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Canada;

/// <summary>Branch circuits by 8-104, 8-304 and 26-650 to 26-658.</summary>
internal sealed class CanadaDivision(SupplySystem supply) : DivisionRules
{
    private static readonly Amps OneAmpere = new(1);

    /// <summary>The trade's usual: 14 AWG.</summary>
    public override Amps Lights { get; } = new(15);

    /// <summary>14-600: a receptacle of 15 A has 15 A before it.</summary>
    public override Amps Receptacles { get; } = new(15);

    /// <summary>26-722: receptacles with a T-slot on circuits of 20 A and two wires.</summary>
    public override Amps Counters { get; } = new(20);

    /// <summary>26-722: split receptacles of 15 A on three wires, both legs opened together (14-302).</summary>
    public override Amps? SplitCounters { get; } = new Amps(15);

    /// <summary>14-600.</summary>
    public override Amps MostForSmallReceptacles { get; } = new(15);

    /// <summary>26-654: at most two on one circuit.</summary>
    public override int? ReceptaclesOfCounterCircuit => 2;

    /// <summary>26-654.</summary>
    public override bool RefrigeratorAlone => true;

    /// <summary>26-654.</summary>
    public override bool KeepsUtilityRoomsApart => true;

    /// <inheritdoc/>
    public override string CounterWord => "counter";

    /// <inheritdoc/>
    public override bool KeepsBathroomsApart => false;

    /// <summary>8-304(1).</summary>
    public override int? MostOutlets => 12;

    /// <summary>8-304(2): 1 A.</summary>
    public override VoltAmps Receptacle => OneAmpere * supply.ToNeutral;

    /// <summary>8-104: 80 per cent of the breaker.</summary>
    public override Percent Plugged { get; } = new(80);

    /// <summary>8-104: the same of what is fastened; the book knows no half.</summary>
    public override Percent Fastened { get; } = new(80);

    /// <inheritdoc/>
    public override bool HoldsToShares(Amps rating, Volts volts) => false;

    /// <summary>62-114: elements behind 60 A at most, at 80 per cent.</summary>
    public override Amps MostOfHeater { get; } = new(48);

    /// <summary>28-108; small fans are left out as everywhere.</summary>
    public override VoltAmps LeastMotor { get; } = new(200);

    /// <summary>8-304 counts outlets.</summary>
    public override VoltAmps GeneralLoad(SquareFeet area) => new(0);

    /// <inheritdoc/>
    public override VoltAmps Carried(Amps rating) => rating * supply.ToNeutral;
}
