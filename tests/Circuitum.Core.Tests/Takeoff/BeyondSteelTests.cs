using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Armored cable joined to the crew's own where studs of steel end: offered where enough lies beyond, and then it is less.
/// </summary>
public sealed class BeyondSteelTests
{
    // Sixty feet of rooms in a row, the panel in the west wall of the first; the south wall of the last is of steel, with one receptacle.
    private static Job Row(int feet, WallFraming framing, params Box[] more)
    {
        var job = Houses.Row(("near", RoomUse.Utility, feet / 2), ("far", RoomUse.Utility, feet / 2));
        var level = job.Structures[0].Levels[0];
        var far = level.Rooms[1] with { Builds = [new() { Wall = 3, Framing = framing }] };
        return (job with
        {
            Structures = [job.Structures[0] with { Underfloor = Underfloor.Slab, Levels = [level with
            {
                FloorJoists = null,
                Rooms = [level.Rooms[0], far],
            }] }],
            Schools = new() { Way = CableWay.Overhead },
        }).With([Houses.On("steel", "far", 3, 60), .. more]);
    }

    private static BeyondSteel? Offered(Plan plan) =>
        plan.Circuits.SelectMany(c => c.Runs).Select(r => BeyondSteel.Of(plan, r)).OfType<BeyondSteel>().FirstOrDefault();

    private static decimal Armored(Plan plan) =>
        plan.Circuits.SelectMany(c => c.Runs).Where(r => r.Jacket == Jacket.Armoured).Sum(r => r.Way.Measured.Feet);

    [Fact]
    public void What_lies_beyond_the_steel_is_the_crews_own_cable_behind_a_joint()
    {
        var plan = Planner.Plan(Row(60, WallFraming.MetalStud));
        var offer = Offered(plan);
        Assert.NotNull(offer);
        // All of one home run: what is in its wall and what is beyond are all of it.
        Assert.Equal(plan.Circuits.Single().HomeRun!.Way.Measured, offer.InSteel + offer.Beyond);
        Assert.Equal((Mount.Ceiling, "far"), (offer.Joint.Box.Mount, offer.Joint.Box.Room.Value));
        var after = Planner.Plan(offer.Joint.On(plan.Job).Job!);
        var circuit = after.Circuits.Single();
        Assert.Equal((offer.Joint.Box.Id, Jacket.Nonmetallic), (circuit.HomeRun!.To.Box!.Value, circuit.HomeRun.Jacket));
        Assert.Equal(Jacket.Armoured, circuit.Runs.Single(r => r.From.Box == offer.Joint.Box.Id).Jacket);
        // In its wall and over to the box, which is 8 in off it.
        Assert.InRange(Armored(after), offer.InSteel.Feet, offer.InSteel.Feet + 3);
        Assert.DoesNotContain(after.Tags, t => t.Severity == Severity.Red && t.Subject == Subject.Box(offer.Joint.Box.Id));
        Assert.Null(Offered(after));
    }

    [Fact] // wood, a crew that pulls armored cable everywhere, too little beyond
    public void It_is_not_offered_where_it_saves_nothing()
    {
        Assert.Null(Offered(Planner.Plan(Row(60, WallFraming.Wood2x4))));
        var everywhere = Row(60, WallFraming.MetalStud);
        Assert.Null(Offered(Planner.Plan(everywhere with { Schools = everywhere.Schools with { Cable = CableKind.Armoured } })));
        Assert.Null(Offered(Planner.Plan(Row(16, WallFraming.MetalStud))));
    }

    [Fact] // one wall of steel in each of forty houses as people build them: where it is offered, less is armored, and nothing turns red
    public void Where_it_is_offered_less_is_armored()
    {
        var offers = 0;
        for (var number = 1; number <= 40; number++)
        {
            var job = BuiltHouses.Number(number);
            job = job with
            {
                Schools = job.Schools with { Cable = CableKind.Nonmetallic, Way = CableWay.Overhead },
                Structures = [.. job.Structures.Select(s => s with { Levels = [.. s.Levels.Select(l => l with
                {
                    Rooms = [.. l.Rooms.Select(r => r.Use is RoomUse.Bedroom or RoomUse.Family or RoomUse.Bath ? r with
                        { Builds = [new() { Wall = 3, Framing = WallFraming.MetalStud }] } : r)],
                })] })],
            };
            var plan = Planner.Plan(job);
            if (Offered(plan) is not { } offer)
            {
                continue;
            }

            offers++;
            var after = Planner.Plan(offer.Joint.On(job).Job!);
            Assert.True(Armored(after) < Armored(plan), $"{number}: {Armored(plan):0.0} ft, then {Armored(after):0.0} ft");
            Assert.True(after.Tags.Count(t => t.Severity == Severity.Red)
                <= plan.Tags.Count(t => t.Severity == Severity.Red), $"{number}: "
                + string.Join("; ", after.Tags.Where(t => t.Severity == Severity.Red).Select(t => t.Headline)));
        }

        Assert.True(offers > 5, $"{offers} offers");
    }
}
