using System.Collections.Immutable;
using Circuitum.Core.Conductors;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Site;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>What stands in the middle of a slab is reached by a pipe in it, laid before the pour; no cable hangs down to it through the
/// room.</summary>
public sealed class SlabPipesTests
{
    private static Job OnSlab(Job job) => job with
    {
        Structures = [.. job.Structures.Select(s => s with
        {
            Underfloor = Underfloor.Slab,
            Levels = [.. s.Levels.Select(l => l with { FloorJoists = null })],
        })],
    };

    private static Box InFloor(string id, string room, int x, int y) => Houses.Ceiling(id, room, x, y, DeviceKind.Duplex) with
    {
        Mount = Mount.Floor,
    };

    private static Job Den(params Box[] boxes) => OnSlab(Houses.Row(("den", RoomUse.Den, 20))).With(boxes);

    private static Run Between(Plan plan, string one, string other) => plan.Circuits.SelectMany(c => c.Runs)
        .Single(r => new[] { r.From.Box?.Value, r.To.Box?.Value }.Order().SequenceEqual(new[] { one, other }.Order()));

    // The wall's box 60 in along the north wall, 63-1/4 in from the corner of the outline (half a wall of 6-1/2 in lies between); the
    // floor's 120 in east and 72 in south of the inside corner. Level: 120 − 60 = 60 in across, and 72 + 3-1/4 = 75-1/4 in to the wall's
    // middle. Down 4 in, up 4 in and 16 in to the box.
    [Fact]
    public void Island_on_a_slab_is_fed_through_a_pipe_in_it_from_the_wall()
    {
        var plan = Planner.Plan(Den(Houses.On("wall", "den", 1, 60) with { Height = 16.Inches() }, InFloor("island", "den", 120, 72)));
        var run = Between(plan, "wall", "island");
        var up = plan.Survey[new("wall")].Place.At.Z;
        Assert.Equal(Length.FromInches(4 + 60 + 75.25m + 4) + up, run.Way.Measured);
        Assert.Equal([Space.Slab, Space.StudBay], run.Way.Legs.Select(l => l.Space).Distinct().OrderByDescending(s => s));
        Assert.Equal((Jacket.Underground, "12-2 UF"), (run.Jacket, plan.CircuitOf(new("wall"))!.CableOf(run)));

        // 135-1/4 in level and 20 in of stubs at each end's 10 in: 155-1/4 in, 13 ft begun; up, around one corner, up.
        var material = Hardware.Of(plan);
        Assert.Equal(13, material.Single(m => m.Item == "1 in PVC").Quantity);
        Assert.Equal(3, material.Single(m => m.Item == "Bends in 1 in PVC").Quantity);
        Assert.Equal(2, material.Single(m => m.Item == "Caps for stubs in a slab").Quantity);

        var stop = Assert.Single(Walk.Of(plan, SiteRecord.Empty, Closing.Pour));
        Assert.Contains("1 in PVC for 12-2 UF", stop.Lines[0].Text, StringComparison.Ordinal);
        Assert.Contains("270° in all", stop.Lines[0].Text, StringComparison.Ordinal);
        Assert.Contains("den, in the north wall, 5'-0\" from its west corner", stop.Lines[0].Text, StringComparison.Ordinal);
        // Nearest of each pair: 137-1/2 − 72 in off the south wall, 233-1/2 − 120 in off the east one.
        Assert.Contains($"den, {Length.FromInches(65.5m)} off the south wall and {Length.FromInches(113.5m)} off the east wall",
            stop.Lines[0].Text, StringComparison.Ordinal);
        // It leaves the wall squarely, and turns in the middle of the floor: along the wall lies its footing.
        Assert.All(run.Way.Legs.Where(l => l.From.Y == Length.Zero && l.To.Y == Length.Zero), l => Assert.Equal(l.From.X, l.To.X));
    }

    [Fact] // over a crawl space the same box is reached from below, and nothing is poured
    public void Over_a_crawl_space_there_is_no_pipe()
    {
        var plan = Planner.Plan(Houses.Row(("den", RoomUse.Den, 20)).With(Houses.On("wall", "den", 1, 60),
            InFloor("island", "den", 120, 72)));
        Assert.DoesNotContain(plan.Circuits.SelectMany(c => c.Runs).SelectMany(r => r.Way.Legs), l => l.Space == Space.Slab);
        Assert.Empty(Walk.Of(plan, SiteRecord.Empty, Closing.Pour));
        Assert.DoesNotContain(Hardware.Of(plan), m => m.Item.Contains("PVC", StringComparison.Ordinal));
    }

    [Fact] // a garage beside a crawl space stands on a slab of its own: the pipe keeps to it
    public void A_garage_beside_a_crawl_space_has_its_own_slab()
    {
        var plan = Planner.Plan(Houses.Row(("den", RoomUse.Den, 20), ("garage", RoomUse.Garage, 20))
            .With(InFloor("lift", "garage", 100, 60), Houses.On("door", "garage", 1, 40)));
        var run = Between(plan, "door", "lift");
        Assert.Contains(run.Way.Legs, l => l.Space == Space.Slab);
        Assert.All(run.Way.Legs, l => Assert.True(l.From.X >= 20.Feet() && l.To.X >= 20.Feet()));
    }

    [Fact] // a window under the box's own bay is no way for cable: a door is, and then the pipe comes up elsewhere
    public void The_lamp_over_it_and_the_pipe_meet_in_the_nearest_wall()
    {
        var plan = Planner.Plan(Den(Houses.Ceiling("lamp", "den", 120, 72), InFloor("island", "den", 100, 30)) with
        {
            Schools = new() { Lighting = LightsAndReceptacles.Together },
        });
        foreach (var run in plan.Circuits.SelectMany(c => c.Runs).Where(r => r.To.Box?.Value == "island" || r.From.Box?.Value == "island"))
        {
            Assert.All(run.Way.Legs.Where(l => l.Space == Space.StudBay), l => Assert.True(IsInWallOrCeiling(plan, l, run)));
        }
    }

    // A cable that goes up or down does so in a wall, or comes out of the ceiling at what hangs there.
    private static bool IsInWallOrCeiling(Plan plan, PathLeg leg, Run run)
    {
        var at = leg.From.Plan;
        return plan.House.Structures.SelectMany(s => s.Levels).SelectMany(l => l.Walls).Any(w => w.AlongX
                ? w.Start.Y == at.Y && w.Start.X <= at.X && at.X <= w.End.X : w.Start.X == at.X && w.Start.Y <= at.Y && at.Y <= w.End.Y)
            || new[] { run.From.Place, run.To.Place }.Any(p => p.Mount == Mount.Ceiling && p.At.Plan == at)
            || plan.House.Structures[run.From.Place.Structure].Structure.Underfloor != Underfloor.Slab;
    }

    // Islands in the middle of every ground floor room of thirty houses, whatever their foundation was.
    [Fact]
    public void Nothing_hangs_in_the_air_and_nothing_leaves_the_slab()
    {
        var pipes = 0;
        for (var number = 0; number < 30; number++)
        {
            var house = OnSlab(BuiltHouses.Number(number));
            var framed = Framing.Frame(house);
            var boxes = framed.Structures[0].Levels[0].Rooms.Where(r => r.Room.Use is RoomUse.Kitchen or RoomUse.Family or RoomUse.Bedroom)
                .Select((r, i) => InFloor($"in-floor-{i}", r.Room.Id.Value, (int)(r.ClearWidth.Inches / 2),
                    (int)(r.ClearDepth.Inches / 2)));
            var plan = Planner.Plan(house.With([.. boxes]));
            foreach (var run in plan.Circuits.SelectMany(c => c.Runs).Where(r => SlabPipeSheet.Lies(r.Way)))
            {
                pipes++;
                Assert.Equal(Jacket.Underground, run.Jacket);
                Assert.All(run.Way.Legs.Where(l => l.Space == Space.StudBay),
                    l => Assert.True(IsInWallOrCeiling(plan, l, run), run.Id.ToString()));
                var structure = plan.House.Structures[run.From.Place.Structure];
                foreach (var leg in run.Way.Legs.Where(l => l.Space == Space.Slab && l.From.Z == l.To.Z))
                {
                    var middle = new Point((leg.From.X + leg.To.X) / 2, (leg.From.Y + leg.To.Y) / 2);
                    var around = new[] { (1, 1), (1, -1), (-1, 1), (-1, -1) }.Select(d => middle.By(new(d.Item1), new(d.Item2)));
                    Assert.True(around.Any(p => structure.Levels.Any(l => l.Rooms.Any(r => Outline.Contains(r.Room.Corners, p)))),
                        $"{number}: {run.Id} leaves the slab");
                }
            }

            Assert.All(FootageBound.Of([.. plan.Circuits.Select(c => c.Routed)], plan.House, plan.Job),
                b => Assert.True(b.Bound <= b.Measured, $"{number}: {b}"));
        }

        Assert.True(pipes > 60, $"{pipes} pipes");
    }
}
