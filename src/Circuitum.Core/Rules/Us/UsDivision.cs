using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Us;

/// <summary>Branch circuits by 210.11 and 210.23, their load by 220.</summary>
internal sealed class UsDivision(SupplySystem supply) : DivisionRules
{
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
