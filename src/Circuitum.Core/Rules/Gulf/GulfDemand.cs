using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Gulf;

/// <summary>All that is connected: what runs at once is said with how the boards are fed.</summary>
internal sealed class GulfDemand : DemandRules
{
    /// <inheritdoc/>
    public override VoltAmps LeastCooking { get; } = new(1750);

    /// <inheritdoc/>
    public override (VoltAmps Demand, string Sum) Cooking(IReadOnlyList<VoltAmps> ratings) => (ratings.Total(), "all of it");

    /// <inheritdoc/>
    public override Amps? LeastRangeCircuit(VoltAmps rating) => null;

    /// <inheritdoc/>
    public override string RangeOfLeastCircuit => "none";

    /// <inheritdoc/>
    public override Percent Dryers(int count) => new(100);

    /// <inheritdoc/>
    public override bool CountsTowardsFour(VoltAmps load, bool cooking) => false;

    /// <inheritdoc/>
    public override BasicLoad? Basic => null;

    /// <inheritdoc/>
    public override VoltAmps LeastVehicle => new(0);
}
