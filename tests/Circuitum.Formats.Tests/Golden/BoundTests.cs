using Circuitum.Core.Plans;
using Circuitum.Core.Routing;

namespace Circuitum.Formats.Tests.Golden;

/// <summary>What is said to be the least that a circuit's boxes can be reached with lies below every plan.</summary>
public sealed class BoundTests
{
    [Theory] // studs of wood and steel, furring, insulated panels, pipes, outbuildings, every school of ways
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void No_plan_of_any_frame_takes_less(int quarter)
    {
        for (var number = (quarter * 125) + 1; number <= (quarter + 1) * 125; number++)
        {
            var plan = Planner.Plan(GoldenHouses.Number(number));
            Assert.All(FootageBound.Of([.. plan.Circuits.Select(c => c.Routed)], plan.House, plan.Job),
                b => Assert.True(b.Bound <= b.Measured, $"house {number}, {b.Circuit}: {b.Bound} > {b.Measured}"));
        }
    }
}
