using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Us;

/// <summary>Branch circuits by 210.11 and 210.23, their load by 220.</summary>
internal sealed class UsDivision(SupplySystem supply) : DivisionRules
{
    /// <summary>The trade's usual: 14 AWG.</summary>
    public override Amps Lights { get; } = new(15);

    /// <summary>20 A: the usual circuit of the trade, asked for in 210.11(C).</summary>
    public override Amps Receptacles { get; } = new(20);

    /// <summary>210.11(C)(1).</summary>
    public override Amps Counters { get; } = new(20);

    /// <inheritdoc/>
    public override Amps? SplitCounters => null;

    /// <summary>Table 210.21(B)(3).</summary>
    public override Amps MostForSmallReceptacles { get; } = new(20);

    /// <summary>210.52(B)(1) has more on them than counters.</summary>
    public override int? ReceptaclesOfCounterCircuit => null;

    /// <summary>210.52(B)(1) exception 2 allows it, and asks it of nobody.</summary>
    public override bool RefrigeratorAlone => false;

    /// <inheritdoc/>
    public override bool KeepsUtilityRoomsApart => false;

    /// <inheritdoc/>
    public override string CounterWord => "small-appliance";

    /// <summary>210.11(C)(3).</summary>
    public override bool KeepsBathroomsApart => true;

    /// <summary>The book has none.</summary>
    public override int? MostOutlets => null;

    /// <summary>220.14(I), a yoke.</summary>
    public override VoltAmps Receptacle { get; } = new(180);

    /// <summary>210.23(A) (2023: (B)).</summary>
    public override Percent Plugged { get; } = new(80);

    /// <summary>210.23(A) (2023: (B)).</summary>
    public override Percent Fastened { get; } = new(50);

    /// <summary>210.23(A) (2023: (B)): of 15 and 20 A.</summary>
    public override bool HoldsToShares(Amps rating, Volts volts) => rating.Value is 15 or 20 && volts == supply.ToNeutral;

    /// <summary>424.22(B).</summary>
    public override Amps MostOfHeater { get; } = new(48);

    /// <summary>220.18(A): over 1/8 hp; that draws some 200 VA.</summary>
    public override VoltAmps LeastMotor { get; } = new(200);

    /// <summary>210.11(A) with 220.12 (2020: 220.14(J), 2023: 220.41): 3 VA a square foot.</summary>
    public override VoltAmps GeneralLoad(SquareFeet area) => new(area.Value * 3);

    /// <inheritdoc/>
    public override VoltAmps Carried(Amps rating) => rating * supply.ToNeutral;
}
