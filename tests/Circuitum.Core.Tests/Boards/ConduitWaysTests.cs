using System.Collections.Immutable;
using Circuitum.Core.Boards;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>Conduit in block walls and slabs: lengths by hand, corners gone around, the outline never left, the least order proved by
/// trying all.</summary>
public sealed class ConduitWaysTests
{
    private static ConduitWays Of(Job job) => new(Framing.Frame(job), job,
        [Surveying.PlacePanel(Framing.Frame(job), job.Panels[0])]);

    private static Place Placed(Job job, string box) => Surveying.Survey(Framing.Frame(job), job)[new(box)].Place;

    private static decimal Between(Job job, string a, string b) => Of(job).Between(Placed(job, a), Placed(job, b)).Length.Inches;

    // Sockets 14 in up and a ceiling at 96 in: by the floor 14 + 120 + 14, by the ceiling 82 + 120 + 82.
    [Fact]
    public void Sockets_are_joined_in_the_slab_under_them()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.On("a", "den", 1, 40), Houses.On("b", "den", 1, 160));
        var low = Placed(job, "a").At.Z.Inches;
        Assert.InRange(low, 12, 20);
        Assert.Equal((2 * low) + 120, Between(job, "a", "b"));
        var way = Of(job).Between(Placed(job, "a"), Placed(job, "b"));
        Assert.Equal([ConduitIn.Wall, ConduitIn.SlabUnder, ConduitIn.Wall], way.Legs.Select(l => l.In));
        Assert.Equal(2, way.Bends);
    }

    // Across a ceiling 120 in east and 50 in south: √(120² + 50²) = 130, with nothing up or down.
    [Fact]
    public void Lamps_are_joined_straight_in_the_slab_over_them()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.Ceiling("a", "den", 40, 20), Houses.Ceiling("b", "den", 160, 70));
        Assert.Equal(130m, Between(job, "a", "b"));
        Assert.Equal(ConduitIn.SlabOver, Assert.Single(Of(job).Between(Placed(job, "a"), Placed(job, "b")).Legs).In);
    }

    // A switch 48 in up under a ceiling of 96 in, its lamp 60 in from the wall's middle: what hangs is reached from above, 48 down.
    [Fact]
    public void A_switch_is_reached_from_the_slab_that_its_lamp_hangs_on()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.Ceiling("l", "den", 40, 60),
            Houses.Switch("s", "den", 1, 40, DeviceKind.Switch, "l"));
        var (lamp, at) = (Placed(job, "l"), Placed(job, "s"));
        Assert.Equal((lamp.At.Y - at.At.Y).Inches + (96 - at.At.Z.Inches), Between(job, "l", "s"));
    }

    // An L: a wing of 20 by 12 ft, and 12 by 20 ft south of its west end. From the east end, 20 in from the south wall of the wing, to the
    // south end the straight way would leave it: it bends at the inner corner (12 ft, 12 ft).
    private static Job Ell() => Houses.House([Houses.Rectangle("wing", RoomUse.Family, Length.Zero, Length.Zero, 20.Feet(), 12.Feet()),
        Houses.Rectangle("leg", RoomUse.Den, Length.Zero, 12.Feet(), 12.Feet(), 20.Feet())]);

    [Fact]
    public void A_corner_that_stands_in_the_way_is_gone_around()
    {
        var job = Ell().With(Houses.Ceiling("a", "wing", 220, 120), Houses.Ceiling("b", "leg", 130, 200));
        var (a, b) = (Placed(job, "a").At.Plan, Placed(job, "b").At.Plan);
        var corner = new Point(12.Feet(), 12.Feet());
        var way = Of(job).Between(Placed(job, "a"), Placed(job, "b"));
        Assert.Equal([corner], way.Legs.Take(1).Select(l => l.To.Plan));
        double Far(Point p, Point q) => Math.Sqrt(Math.Pow((double)(p.X - q.X).Inches, 2) + Math.Pow((double)(p.Y - q.Y).Inches, 2));
        Assert.Equal(Far(a, corner) + Far(corner, b), (double)way.Length.Inches, .1);
    }

    [Fact] // 50 ft of trench at 24 in: down and up again 2 ft each
    public void Another_building_is_reached_by_its_trench()
    {
        var job = Houses.WithShed(null).With(Houses.On("s", "shop", 1, 40));
        var way = Of(job).Between(Surveying.PlacePanel(Framing.Frame(job), job.Panels[0]), Placed(job, "s"));
        Assert.Equal(54m * 12, way.Legs.Single(l => l.In == ConduitIn.Ground).Long.Inches);
        Assert.Equal((1, 0), (way.Structure, way.Level));
    }

    [Fact] // every place of every way in a slab lies in a room of the storey over it or under it
    public void No_way_leaves_the_outline()
    {
        var bent = 0;
        for (var number = 1; number <= 24; number++)
        {
            var plan = Planner.Plan(BuiltHouses.Number(number));
            var ways = PointsOfHouse.Placed(plan).Ways!;
            var places = plan.Survey.Boxes.Where(b => b.Place.Structure == 0).Select(b => b.Place).ToList();
            foreach (var (a, b) in places.Zip(places.Skip(7)).Where(p => p.First.Level == p.Second.Level))
            {
                var way = ways.Between(a, b);
                bent += way.Legs.Count(l => l.In != ConduitIn.Wall) > 1 ? 1 : 0;
                Assert.All(way.Legs.Where(l => l.In is ConduitIn.SlabOver or ConduitIn.SlabUnder), l => Assert.All(
                    Enumerable.Range(1, 19), i => Assert.True(IsInside(plan, a.Structure, Along(l, i)), $"house {number}: {a} to {b}")));
                Assert.Equal(way.Length, ways.Between(b, a).Length);
            }
        }

        Assert.True(bent > 20, $"{bent} ways around a corner");
    }

    private static Point Along(ConduitLeg leg, int twentieths) => new(leg.From.X + ((leg.To.X - leg.From.X) * twentieths / 20),
        leg.From.Y + ((leg.To.Y - leg.From.Y) * twentieths / 20));

    private static bool IsInside(Plan plan, int structure, Point at) => plan.House.Structures[structure].Levels.SelectMany(l => l.Rooms)
        .Any(r => new[] { -1, 0, 1 }.Any(dx => new[] { -1, 0, 1 }.Any(dy => Outline.Contains(r.Room.Corners,
            at.By(new(dx), new(dy))))));

    [Fact] // against all orders of up to six points
    public void The_order_of_points_takes_the_least_conduit()
    {
        Gen.Select(Gen.Int[1, 6], Gen.Int[0, 4000].Array[6], Gen.Int[0, 4000].Array[36], Gen.Bool).Sample((n, first, cost, ring) =>
        {
            int Cost(int i, int j) => cost[(Math.Min(i, j) * 6) + Math.Max(i, j)];
            long Of(IReadOnlyList<int> o) => first[o[0]] + o.Zip(o.Skip(1), (i, j) => (long)Cost(i, j)).Sum() + (ring ? first[o[^1]] : 0);
            var found = ConduitOrder.Of(n, i => new(first[i]), (i, j) => new(Cost(i, j)), ring);
            Assert.Equal(Enumerable.Range(0, n), found.Order());
            Assert.Equal(Orders([.. Enumerable.Range(0, n)]).Min(Of), Of(found));
        });
    }

    private static IEnumerable<ImmutableList<int>> Orders(ImmutableList<int> left) => left.IsEmpty ? [[]]
        : left.SelectMany(x => Orders(left.Remove(x)).Select(r => r.Insert(0, x)));
}
