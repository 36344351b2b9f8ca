using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Gulf;

/// <summary>What shares a breaker as far as a room says it; its circuits are those of its boards, which
/// <see cref="Boards.BoardPlanner"/> makes.</summary>
internal sealed class GulfDivision : DivisionRules
{
    /// <inheritdoc/>
    public override Amps Lights { get; } = new(10);

    /// <inheritdoc/>
    public override Amps Receptacles => MetricRules.RadialBreaker;

    /// <inheritdoc/>
    public override Amps Counters => MetricRules.RadialBreaker;

    /// <inheritdoc/>
    public override Amps? SplitCounters => null;

    /// <inheritdoc/>
    public override Amps MostForSmallReceptacles => MetricRules.RadialBreaker;

    /// <inheritdoc/>
    public override int? ReceptaclesOfCounterCircuit => null;

    /// <inheritdoc/>
    public override bool RefrigeratorAlone => false;

    /// <inheritdoc/>
    public override bool KeepsUtilityRoomsApart => false;

    /// <inheritdoc/>
    public override string CounterWord => "kitchen";

    /// <inheritdoc/>
    public override bool KeepsBathroomsApart => false;

    /// <inheritdoc/>
    public override int? MostOutlets => null;

    /// <summary>A twin socket.</summary>
    public override VoltAmps Receptacle { get; } = new(400);

    /// <inheritdoc/>
    public override bool HoldsToShares(Amps rating, Volts volts) => false;

    /// <inheritdoc/>
    public override Percent Plugged { get; } = new(100);

    /// <inheritdoc/>
    public override Percent Fastened { get; } = new(100);

    /// <inheritdoc/>
    public override Amps MostOfHeater { get; } = new(63);

    /// <inheritdoc/>
    public override VoltAmps LeastMotor { get; } = new(200);

    /// <inheritdoc/>
    public override VoltAmps GeneralLoad(SquareFeet area) => new(0);

    /// <inheritdoc/>
    public override VoltAmps Carried(Amps rating) => rating * MetricRules.ToNeutral;
}
