using Circuitum.Core.Checks;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>What may be bored follows from what the member is: RuleId.JoistHoles, MadeJoistHoles, StudHoles, TrussesUncut,
/// CableInAttics.</summary>
public sealed class MemberKindTests
{
    // Two lamps 10 ft apart across joists at 24 in: five of them are crossed.
    private static Job Lamps(JoistKind kind, decimal depth = 6) => Under(Houses.Row(("den", RoomUse.Den, 20))
        .With(Houses.Ceiling("a", "den", 40, 70), Houses.Ceiling("b", "den", 160, 70)), kind, depth);

    private static Job Under(Job job, JoistKind kind, decimal depth) => job with
    {
        Structures = [job.Structures[0] with
        {
            Levels = [job.Structures[0].Levels[0] with
            {
                CeilingJoists = new(JoistRun.NorthSouth, 24.Inches(), Length.FromInches(depth)) { Kind = kind },
            }],
        }],
    };

    [Theory]
    [InlineData(JoistKind.Sawn, 5)]
    [InlineData(JoistKind.IJoist, 5)]
    [InlineData(JoistKind.OpenWeb, 0)]
    [InlineData(JoistKind.RoofTruss, 0)]
    public void Only_what_may_be_bored_is_bored(JoistKind kind, int holes)
    {
        var plan = Planner.Plan(Lamps(kind));
        Assert.Equal(holes, plan.CircuitOf(new("a"))!.Runs[1].Way.Passages.Count(p => p.Spot.Kind == MemberKind.Joist));
    }

    [Fact] // 10 ft from lamp to lamp, west of north-south trusses, and what the home run crosses: one board for one line
    public void Over_trusses_cable_lies_on_boards_that_are_bought()
    {
        var plan = Planner.Plan(Lamps(JoistKind.RoofTruss));
        var board = Assert.Single(Hardware.Of(plan), m => m.Item.StartsWith("Running boards", StringComparison.Ordinal));
        Assert.True(board.Quantity >= 10, board.Quantity.ToString(System.Globalization.CultureInfo.InvariantCulture));
        Assert.Contains("334.23", board.For, StringComparison.Ordinal);
        Assert.DoesNotContain(Hardware.Of(plan), m => m.Item.StartsWith("Holes", StringComparison.Ordinal)
            && m.Item.Contains("joist", StringComparison.Ordinal));
        Assert.DoesNotContain(Hardware.Of(Planner.Plan(Lamps(JoistKind.Sawn))), m => m.Item.StartsWith("Running",
            StringComparison.Ordinal));
    }

    // Two lamps 50 ft apart, 10 in off the north wall; the attic is entered 25 ft along, so far south of that wall.
    private static int Strips(FixtureKind? way, int south)
    {
        var job = Under(Houses.Row(("den", RoomUse.Den, 60)).With(Houses.Ceiling("a", "den", 40, 10), Houses.Ceiling("b", "den", 640, 10)),
            JoistKind.RoofTruss, 6);
        var level = job.Structures[0].Levels[0];
        return Hardware.Of(Planner.Plan(job with
        {
            Structures = [job.Structures[0] with
            {
                Levels = [level with
                {
                    Rooms = [level.Rooms[0] with { Fixtures = way is not { } kind ? [] : [new() { Kind = kind, X = 300.Inches(),
                        Y = south.Inches(), Width = 22.Inches(), Depth = 30.Inches() }] }],
                }],
            }],
        })).Where(m => m.Item.StartsWith("Guard strips", StringComparison.Ordinal)).Sum(m => m.Quantity);
    }

    [Theory] // 320.23(A): 72 in before the hatch, its 22 in, 72 in behind it are 166 in, on both sides 332 in: 28 ft
    [InlineData(20, 28)]
    [InlineData(81, 28)]
    [InlineData(83, 0)]
    public void Strips_guard_cable_within_6_ft_of_a_hatch(int south, int feet) =>
        Assert.Equal(feet, Strips(FixtureKind.AtticHatch, south));

    [Fact] // 50 ft of cable between the lamps alone; nobody has said how one comes up: the strict reading
    public void Where_a_ladder_leads_up_or_nothing_is_drawn_all_of_it_is_guarded()
    {
        Assert.True(Strips(FixtureKind.AtticLadder, 83) >= 100);
        Assert.Equal(Strips(FixtureKind.AtticLadder, 83), Strips(null, 0));
    }

    [Fact]
    public void Holes_in_I_joists_are_listed_apart() =>
        Assert.Contains(Hardware.Of(Planner.Plan(Lamps(JoistKind.IJoist, 9.5m))), m => m.Item.EndsWith("by the maker’s chart",
            StringComparison.Ordinal));

    [Theory] // a third of the depth, and 2 in left on both sides; an I-joist's web between flanges of 1-1/2 in
    [InlineData(JoistKind.Sawn, 9.25, 3.078125)]
    [InlineData(JoistKind.Sawn, 5.5, 1.5)]
    [InlineData(JoistKind.Sawn, 4.75, .75)]
    [InlineData(JoistKind.Sawn, 3.5, 0)]
    [InlineData(JoistKind.IJoist, 9.5, 6.5)]
    public void The_largest_hole(JoistKind kind, double depth, double most) =>
        Assert.Equal((decimal)most, FramingChecks.Most(new(JoistRun.EastWest, 16.Inches(),
            Length.FromInches((decimal)depth))
        { Kind = kind }, CodeBook.For(Edition.Y2020).Framing)
            .Inches);

    [Theory] // holes of 3/4 in: 2×4 joists take none, 4-3/4 in just one; trusses are not asked
    [InlineData(JoistKind.Sawn, 3.5, true)]
    [InlineData(JoistKind.Sawn, 4.625, true)]
    [InlineData(JoistKind.Sawn, 4.75, false)]
    [InlineData(JoistKind.RoofTruss, 3.5, false)]
    public void Joists_too_shallow_to_bore_are_told(JoistKind kind, double depth, bool red)
    {
        var plan = Planner.Plan(Lamps(kind, (decimal)depth));
        Assert.Equal(red, plan.Tags.Any(t => t.Rule == "R502.8.1" && t.Severity == Severity.Red));
        if (red)
        {
            var fix = Assert.Single(plan.Tags.First(t => t.Rule == "R502.8.1").Fixes);
            var after = Planner.Plan(fix.Change.On(plan.Job).Job!);
            Assert.Equal(JoistKind.RoofTruss, after.Job.Structures[0].Levels[0].CeilingJoists.Kind);
            Assert.DoesNotContain(after.Tags, t => t.Rule == "R502.8.1");
        }
    }

    [Theory] // outside diameters: EMT 1.163 and 1.510 in, PVC 0.840, 1.315 and 1.660 in
    [InlineData(ConduitKind.Emt, "1", 1.375)]
    [InlineData(ConduitKind.Emt, "1-1/4", 1.75)]
    [InlineData(ConduitKind.Pvc40, "1/2", 1)]
    [InlineData(ConduitKind.Pvc40, "1", 1.375)]
    [InlineData(ConduitKind.Pvc40, "1-1/4", 1.75)]
    [InlineData(ConduitKind.Pvc40, "2", 2.5625)]
    public void A_hole_is_no_smaller_than_the_pipe_through_it(ConduitKind kind, string trade, double inches) =>
        Assert.Equal((decimal)inches, HoleSizes.ForPipe(kind, trade).Inches);

    [Fact] // 1-1/4 in pipe wants 1-3/4: more than 40 % of 3-1/2 (1.4 in), less than of 5-1/2 (2.2 in)
    public void Studs_are_not_bored_away()
    {
        Job Piped(bool wide)
        {
            var job = Houses.Row(("a", RoomUse.Utility, 20), ("b", RoomUse.Utility, 20));
            job = job.With(Houses.Appliance("m", "b", 1, 200, Houses.Plate(Appliance.VehicleCharger, 240,
                19_000) with
            { Continuous = true }));
            return job with
            {
                Schools = new() { Way = CableWay.LeastLabour },
                Pipes = [new() { Id = new("p"), Circuits = [new("m")] }],
                Structures = [job.Structures[0] with
                {
                    Underfloor = Underfloor.Slab,
                    Levels = [job.Structures[0].Levels[0] with
                    {
                        FloorJoists = null,
                        Rooms = wide ? job.Structures[0].Levels[0].Rooms : [.. job.Structures[0].Levels[0].Rooms.Select(r => r with
                        {
                            Builds = [.. Enumerable.Range(1, 4).Select(w => new WallBuild { Wall = w, Framing = WallFraming.Wood2x4 })],
                        })],
                        Obstructions = [new("Tank", ObstructionKind.Shaft, new((-12).Inches(), (-12).Inches()), 600.Inches(),
                            200.Inches())],
                    }],
                }],
            };
        }

        bool Told(Job job) => Planner.Plan(job).Tags.Any(t => t.Rule == "R602.6");
        Assert.Contains(Planner.Plan(Piped(false)).CircuitOf(new("m"))!.HomeRun!.Way.Passages, p => p.Spot.Kind == MemberKind.Stud);
        Assert.True(Told(Piped(false)));
        Assert.False(Told(Piped(true)));
    }

    [Fact] // no plan bores a truss or an open web, whatever the house
    public void No_truss_is_ever_bored() => Gen.Select(RandomHouses.Jobs, Gen.OneOfConst(JoistKind.OpenWeb, JoistKind.RoofTruss))
        .Sample((job, kind) => Assert.DoesNotContain(Planner.Plan(job with
        {
            Structures = [.. job.Structures.Select(s => s with
            {
                Levels = [.. s.Levels.Select(l => l with { CeilingJoists = l.CeilingJoists with { Kind = kind },
                    FloorJoists = l.FloorJoists is { } floor ? floor with { Kind = JoistKind.OpenWeb } : null })],
            })],
        }).Holes.All, h => h.Spot.Kind == MemberKind.Joist), iter: 60);
}
