using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

public sealed class FootageBoundTests
{
    [Fact] // no plan takes less than its bound, by any school
    public void No_plan_takes_less_than_the_bound() => Gen.Select(RandomHouses.Jobs, Gen.Int[0, 2], Gen.Bool).Sample((job, way, lay) =>
    {
        var plan = Planner.Plan(job with
        { Schools = job.Schools with { Way = (CableWay)way, Lay = lay ? CableLay.Shortest : CableLay.Squared } });
        Assert.All(FootageBound.Of([.. plan.Circuits.Select(c => c.Routed)], plan.House, plan.Job), b =>
        {
            Assert.True(b.Bound <= b.Measured, $"{b.Circuit}: {b.Bound} > {b.Measured}");
            Assert.True(b.Measured <= b.Planned);
        });
    }, iter: 80);

    // Two receptacles at 14 in, 40 in apart on one wall, panel top at 72 in, 60 in from the nearer by the walls: by the holes at 24 in
    [Fact]
    public void A_bound_by_hand()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 1, 100));
        var plan = Planner.Plan(job);
        var bound = Assert.Single(FootageBound.Of([plan.CircuitOf(new("a"))!.Routed], plan.House, job));

        // Panel on wall 4, 72 in from its start: 72 in from the south wall's face, x on the west wall's centre line. a is 60 + 3-1/4 in
        // east of it.
        var routed = plan.CircuitOf(new("a"))!.Routed;
        var square = routed.HomeRun!.From.Place.At.Plan.SquareTo(routed.HomeRun.To.Place.At.Plan).Inches;
        // Rises: panel 72 → 24 is 48, box 14 → 24 is 10, and 10 + 10 between the boxes.
        var ways = square + 48 + 10 + 40 + 10 + 10;
        var ends = 48 + (3 * 14);
        Assert.Equal(decimal.Round((ways * 1.03m) + ends, 1), decimal.Round(bound.Bound.Inches, 1));
    }
}
