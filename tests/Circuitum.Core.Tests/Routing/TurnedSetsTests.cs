using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Which of its switches takes the feed of a set, where several sets share a circuit.</summary>
public sealed class TurnedSetsTests
{
    // Switches of each set near the panel and 32 ft farther along the wall; the lamp over the near one.
    private static Job Hall(int sets) => Houses.Row(("den", RoomUse.Den, 42)).With([.. Enumerable.Range(0, sets).SelectMany(i => new[]
    {
        Houses.Switch($"near{i}", "den", 1, 40 + (12 * i), DeviceKind.ThreeWay, $"lamp{i}"),
        Houses.Switch($"far{i}", "den", 1, 424 + (12 * i), DeviceKind.ThreeWay, $"lamp{i}"),
        Houses.Ceiling($"lamp{i}", "den", 40 + (12 * i), 20),
    })]);

    // The circuit of the lamps, and what its sets are fed at.
    private static (Length Cable, IEnumerable<string> Fed) Of(Job job)
    {
        var circuit = Planner.Plan(job).Circuits.Single(c => c.Routed.Groups.Length > 0).Routed;
        return (circuit.Runs.Select(r => r.Way.Measured).Total(), circuit.Groups.Select(g => g.Switches[0].Box.Value));
    }

    [Fact] // one set: 3 ft of feed, 32 of travelers, 32 of leg; or 35 of feed, 32 of travelers and the lamp beside: as much
    public void Three_sets_share_the_way_to_the_far_end()
    {
        // Fed near, each of three takes 32 ft there and 32 back to its lamp: 192 ft. Fed far, the feed goes there once and the travelers
        // come back: 32 + 3 × 32 = 128 ft. Any one of them turned alone is worse than none.
        var (cable, fed) = Of(Hall(3));
        Assert.All(fed, f => Assert.StartsWith("far", f, StringComparison.Ordinal));
        Assert.InRange(cable.Feet, 4 * 32, 6 * 32);
    }

    [Fact]
    public void The_bound_of_such_sets_is_near()
    {
        var plan = Planner.Plan(Hall(3));
        var circuit = plan.Circuits.Single(c => c.Routed.Groups.Length > 0);
        var bound = Assert.Single(FootageBound.Of([circuit.Routed], plan.House, plan.Job));
        Assert.InRange(bound.Measured.Feet / bound.Bound.Feet, 1, 1.15m);
        // A bound that let every lamp hang between its switches would stop at the way there: 32 ft for each set and no more.
        Assert.True(bound.Bound.Feet > 4 * 32, $"{bound.Bound}");
    }
}
