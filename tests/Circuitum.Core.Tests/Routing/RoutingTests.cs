using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

public sealed class RoutingTests
{
    private static Run HomeRun(Job job, string box) => Planner.Plan(job).CircuitOf(new(box))!.HomeRun!;

    [Fact] // along one wall: up 10 in from 14 to the holes at 24, along 40 in, down 10
    public void A_jumper_along_one_wall_goes_through_its_studs()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 1, 100));
        var run = Assert.Single(Planner.Plan(job).CircuitOf(new("a"))!.Runs, r => r.Kind == RunKind.Jumper);
        Assert.Equal([Space.StudBay, Space.Studs, Space.StudBay], run.Way.Legs.Select(l => l.Space));
        Assert.Equal(60m, run.Way.Measured.Inches);
        // Offsets begin at the inside face, 3-1/4 in from the wall's start: 63.25 and 103.25; studs at 64, 80 and 96 lie between.
        Assert.Equal(3, run.Way.Passages.Count(p => p.Spot.Kind == MemberKind.Stud));
    }

    [Fact] // 60 measured + 3 % sag 1.8 + 2 × (6 + 8) = 89.8 in → 8 ft
    public void Footage_adds_sag_make_up_and_slack_and_is_cut_to_the_next_foot()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 1, 100));
        var run = Planner.Plan(job).CircuitOf(new("a"))!.Runs[1];
        Assert.Equal(8, run.Length.Value.WholeFeetUp);
        Assert.Equal("8 ft", run.Length.Why.Steps[^1].Value);
    }

    [Fact]
    public void A_crew_that_leaves_more_slack_pulls_more()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 1, 100));
        var slack = job with { HouseRules = job.HouseRules with { SlackAtBox = 20.Inches() } };
        Assert.Equal(Planner.Plan(job).Footage.WholeFeetUp + 3,
            Planner.Plan(slack).Footage.WholeFeetUp); // home run 1 × 12 in, jumper 2 × 12 in
    }

    private static Job WithDoorBetween(OpeningKind kind, int sill)
    {
        var room = Houses.Rectangle("den", RoomUse.Den, Length.Zero, Length.Zero, 20.Feet(), 12.Feet()) with
        {
            Openings = [new() { Id = new("o"), Kind = kind, Wall = 1, Offset = 70.Inches(), Width = 20.Inches(), Sill = sill.Inches() }],
        };
        return Houses.House([room]).With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 1, 100));
    }

    private static bool ThroughStuds(Job job) => Planner.Plan(job).CircuitOf(new("a"))!.Runs[1].Way.Legs.Any(l => l.Space == Space.Studs);

    [Theory] // holes at 24 in: a sill at 30 leaves cripples to bore, a sill at 24 does not
    [InlineData(OpeningKind.Window, 30, true)]
    [InlineData(OpeningKind.Window, 24, false)]
    [InlineData(OpeningKind.Door, 0, false)]
    public void A_cable_does_not_cross_a_door_or_a_low_window(OpeningKind kind, int sill, bool through) =>
        Assert.Equal(through, ThroughStuds(WithDoorBetween(kind, sill)));

    [Fact]
    public void By_the_overhead_school_nothing_runs_through_studs()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 1, 100));
        Assert.False(ThroughStuds(job with { Schools = new() { Way = CableWay.Overhead } }));
    }

    [Fact]
    public void A_cable_goes_around_a_shaft_and_a_shaft_across_the_whole_house_is_tagged()
    {
        // Two ceiling boxes 10 ft apart with a shaft between them, then a wall of one.
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.Ceiling("a", "den", 40, 70), Houses.Ceiling("b", "den", 160, 70));
        Job Blocked(Obstruction o) =>
            job with { Structures = [job.Structures[0] with { Levels = [job.Structures[0].Levels[0] with { Obstructions = [o] }] }] };
        Run Between(Job j) => Planner.Plan(j).CircuitOf(new("a"))!.Runs[1];

        // 120 in across, and 3 in up into the middle of the joists at either end.
        Assert.Equal(126m, Between(job).Way.Measured.Inches);
        // North edge at 60, boxes at 73.25 (70 + 3-1/4): up 13.25 and back adds 26.5.
        var around = Between(Blocked(new("Shaft", ObstructionKind.Shaft, new(80.Inches(), 60.Inches()), 20.Inches(), 60.Inches())));
        Assert.Equal(152.5m, around.Way.Measured.Inches);
        Assert.False(around.Way.Blocked);
        var wall = Blocked(new("Shaft", ObstructionKind.Shaft, new(80.Inches(), -20.Inches()), 20.Inches(), 400.Inches()));
        Assert.Contains(Planner.Plan(wall).Tags, t => t.Rule == "routing" && t.Subject.Kind == SubjectKind.Run);
    }

    // Two wings 8 ft apart, 16 ft wide each; a roof of 4 ft between them from 4 to 8 ft south. Lamps 40 in east and 20 in south of the
    // inside corners: 24 ft apart, 23-1/4 in south of the outline. To the roof's edge at 48 in and back: twice 24-3/4 in. Up 3 in twice.
    private static Job Wings(ObstructionKind? roof)
    {
        var job = Houses.House([Houses.Rectangle("west", RoomUse.Den, Length.Zero, Length.Zero, 16.Feet(), 12.Feet()),
            Houses.Rectangle("east", RoomUse.Den, 24.Feet(), Length.Zero, 16.Feet(), 12.Feet())])
            .With(Houses.Ceiling("a", "west", 40, 20), Houses.Ceiling("b", "east", 40, 20)) with
        { Panels = [Houses.Panel("west")] };
        return roof is not { } kind ? job : job with
        {
            Structures = [job.Structures[0] with
            {
                Levels = [job.Structures[0].Levels[0] with
                {
                    Obstructions = [new("Breezeway", kind, new(16.Feet(), 4.Feet()), 8.Feet(), 4.Feet())],
                }],
            }],
        };
    }

    [Fact]
    public void Two_wings_are_joined_over_the_roof_between_them()
    {
        var plan = Planner.Plan(Wings(ObstructionKind.Breezeway));
        var run = plan.Circuits.SelectMany(c => c.Runs).Single(r => r.To.Box?.Value == "b");
        Assert.Equal((288 + 49.5m + 6, false, Jacket.Nonmetallic), (run.Way.Measured.Inches, run.Way.Blocked, run.Jacket));
        Assert.DoesNotContain(plan.Tags, t => t.Rule == "routing");
        // Without it there is no way in the air; open below it is a damp place.
        Assert.Contains(Planner.Plan(Wings(null)).Tags, t => t.Rule == "routing");
        var open = Planner.Plan(Wings(ObstructionKind.OpenRoof)).Circuits.SelectMany(c => c.Runs).ToLookup(r => r.To.Box!.Value.Value);
        Assert.Equal((Jacket.Nonmetallic, Jacket.Underground), (open["a"].Single().Jacket, open["b"].Single().Jacket));
    }

    [Fact] // wings and roofs by lot: nothing is in the open air, and nothing is blocked
    public void Over_two_wings_cable_keeps_to_rooms_and_the_roof()
    {
        for (var number = 0; number < 40; number++)
        {
            var draw = new Draw((uint)number + 900);
            int wide = 12 + draw.Below(8), gap = 4 + draw.Below(12), shift = draw.Below(6), deep = 10 + draw.Below(6);
            int from = shift + draw.Below(3), roof = 3 + draw.Below(Math.Min(deep, deep + shift) - from - 2);
            var job = Houses.House([Houses.Rectangle("west", RoomUse.Bedroom, Length.Zero, Length.Zero, wide.Feet(), deep.Feet()),
                Houses.Rectangle("east", RoomUse.Bedroom, (wide + gap).Feet(), shift.Feet(), wide.Feet(), deep.Feet())]) with
            { Panels = [Houses.Panel("west")], Schools = CrewSchools.Number(number) };
            var corner = new Point(wide.Feet(), from.Feet());
            job = LayOut.Everything.On(job with
            {
                Structures = [job.Structures[0] with
                {
                    Levels = [job.Structures[0].Levels[0] with
                    {
                        Obstructions = [new("Breezeway", ObstructionKind.Breezeway, corner, gap.Feet(), roof.Feet())],
                    }],
                }],
            }).Job!;
            var (west, east, north, south) = (corner.X, corner.X + gap.Feet(), corner.Y, corner.Y + roof.Feet());
            var passed = 0;
            foreach (var run in Planner.Plan(job).Circuits.SelectMany(c => c.Runs))
            {
                Assert.False(run.Way.Blocked, $"{number}: {run.Id} is blocked");
                foreach (var leg in run.Way.Legs.Where(l => Length.Min(l.From.X, l.To.X) < east && Length.Max(l.From.X, l.To.X) > west))
                {
                    // Where it enters the gap and where it leaves it; some crews pull aslant.
                    passed++;
                    foreach (var x in new[] { Length.Max(west, Length.Min(leg.From.X, leg.To.X)), Length.Min(east, Length.Max(leg.From.X,
                        leg.To.X)) })
                    {
                        var y = leg.From.X == leg.To.X ? leg.From.Y.Inches : leg.From.Y.Inches + ((leg.To.Y - leg.From.Y).Inches
                            * (x - leg.From.X).Inches / (leg.To.X - leg.From.X).Inches);
                        Assert.True(y >= north.Inches - .1m && y <= south.Inches + .1m, $"{number}: {run.Id} is in the open air");
                    }
                }
            }

            Assert.True(passed > 0, $"{number}: nothing goes over");
        }
    }

    // A den with its panel at 68-3/4 in along the west wall, and a beam over that wall from 50 to 90 in.
    private static Job UnderBeam(int from, int to, Underfloor underfloor = Underfloor.Slab)
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.On("r", "den", 1, 120));
        return job with
        {
            Schools = new() { Way = CableWay.Overhead },
            Structures = [job.Structures[0] with
            {
                Underfloor = underfloor,
                Levels = [job.Structures[0].Levels[0] with
                {
                    Obstructions = [new("Beam", ObstructionKind.Beam, new((-6).Inches(), from.Inches()), 12.Inches(), (to
                        - from).Inches())],
                }],
            }],
        };
    }

    [Fact] // bays are centred at 8, 24, 40 … in: 40 lies nearer than 104, and the studs at 48 and 64 are bored on the way there
    public void A_beam_over_the_panel_is_passed_by_the_next_open_bay()
    {
        var run = Planner.Plan(UnderBeam(50, 90)).CircuitOf(new("r"))!.HomeRun!;
        Assert.False(run.Way.Blocked);
        Assert.Equal([3, 4], run.Way.Passages.Where(p => p.Spot.Kind == MemberKind.Stud).Select(p => p.Spot.Number).Order());
        Assert.Equal(40.Inches(), Assert.Single(run.Way.Legs, l => l.Space == Space.Studs).To.Y);
        Assert.DoesNotContain(run.Way.Legs, l => l.From.Z != l.To.Z && l.Space == Space.StudBay && l.From.Plan == run.From.Place.At.Plan
            && l.To.Z > 96.Inches());
    }

    [Theory] // nothing opens upward in the whole wall: under the floor, or on a slab through the studs round the corner
    [InlineData(Underfloor.CrawlSpace, Space.Joists)]
    [InlineData(Underfloor.Slab, Space.Studs)]
    public void A_beam_over_the_whole_wall_sends_the_cable_another_way(Underfloor underfloor, Space space)
    {
        var job = UnderBeam(-20, 200, underfloor);
        var plan = Planner.Plan(underfloor == Underfloor.Slab ? job : job with { Schools = new() { Way = CableWay.FromBelow } });
        var run = plan.CircuitOf(new("r"))!.HomeRun!;
        Assert.False(run.Way.Blocked);
        Assert.Contains(run.Way.Legs, l => l.Space == space);
        Assert.DoesNotContain(run.Way.Legs, l => l.To.Z > 96.Inches());
    }

    [Theory] // 334.12(B)(4): what is pulled under a damp floor is cable for damp places; what stays overhead is not
    [InlineData(CableWay.FromBelow, true, Jacket.Underground)]
    [InlineData(CableWay.FromBelow, false, Jacket.Nonmetallic)]
    [InlineData(CableWay.Overhead, true, Jacket.Nonmetallic)]
    public void Under_a_damp_floor_cable_is_for_damp_places(CableWay way, bool damp, Jacket jacket)
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.On("r", "den", 2, 60)) with { Schools = new() { Way = way } };
        job = job with { Structures = [job.Structures[0] with { DampUnderfloor = damp }] };
        Assert.Equal(jacket, Planner.Plan(job).CircuitOf(new("r"))!.HomeRun!.Jacket);
    }

    // A den with a window from 73-1/4 to 93-1/4 in along its north wall (70 in from the corner of the wall's middle line, 3-1/4 in), and a
    // receptacle under it, at 83-1/4.
    private static Run UnderWindow(int sill, int height = 15)
    {
        var room = Houses.Rectangle("den", RoomUse.Den, Length.Zero, Length.Zero, 20.Feet(), 12.Feet()) with
        {
            Openings = [new() { Id = new("o"), Kind = OpeningKind.Window, Wall = 1, Offset = 70.Inches(), Width = 20.Inches(),
                Sill = sill.Inches() }],
        };
        var job = Houses.House([room]).With(Houses.On("r", "den", 1, 80) with { Height = height.Inches() });
        return Planner.Plan(job with { Schools = new() { Way = CableWay.Overhead } }).CircuitOf(new("r"))!.HomeRun!;
    }

    // Bays are centred at 8, 24 … 72, 88, 104 in; with 3 in of studs at either jamb 70-1/4 to 96-1/4 is shut. 104 is nearer than 56, and
    // the stud at 96 is bored on the way: at the crew's 24 in, or at the box where the sill is lower than that.
    [Theory]
    [InlineData(36, 24)]
    [InlineData(20, 15)]
    public void A_cable_from_overhead_to_a_box_under_a_window_comes_down_beside_it(int sill, int height)
    {
        var run = UnderWindow(sill);
        Assert.False(run.Way.Blocked);
        var bored = Assert.Single(run.Way.Legs, l => l.Space == Space.Studs && l.From.Y == run.To.Place.At.Y);
        Assert.Equal((height, height, 104m, 83.25m), ((int)bored.From.Z.Inches, (int)bored.To.Z.Inches, bored.From.X.Inches,
            bored.To.X.Inches));
        Assert.Equal([6], run.Way.Passages.Where(p => p.Spot.Kind == MemberKind.Stud).Select(p => p.Spot.Number));
    }

    [Fact] // nothing hangs in an opening, in a house of any kind; worked out with the rooms' own corners and openings
    public void No_cable_hangs_in_a_door_or_a_window() => Assert.All(Enumerable.Range(1, 60), number =>
    {
        var plan = Planner.Plan(BuiltHouses.Number(number));
        foreach (var run in plan.Circuits.SelectMany(c => c.Runs).Where(r => !r.Way.Blocked))
        {
            foreach (var leg in run.Way.Legs.Where(l => l.Space is Space.StudBay or Space.Studs))
            {
                Assert.False(Hangs(plan, run, leg), $"{number}: {run.Id} hangs in an opening at {leg.From} to {leg.To}");
            }
        }
    });

    private static bool Hangs(Plan plan, Run run, PathLeg leg) => plan.House.Structures[run.To.Place.Structure].Levels.Any(level =>
        level.Rooms.Any(room => room.Sides.Any(side => side.Openings.Any(o =>
        {
            // The opening as a strip of the wall, 8 in deep to either side of the face of the board.
            Point a = side.At(o.From), b = side.At(o.To);
            decimal west = Math.Min(a.X.Inches, b.X.Inches), east = Math.Max(a.X.Inches, b.X.Inches),
                north = Math.Min(a.Y.Inches, b.Y.Inches), south = Math.Max(a.Y.Inches, b.Y.Inches);
            bool Over(decimal from, decimal to, decimal low, decimal high) =>
                Math.Min(from, to) < high - .1m && Math.Max(from, to) > low + .1m;
            var alongX = a.Y == b.Y;
            var floor = level.Floor.Inches;
            var foot = o.Opening.Kind == OpeningKind.Window ? o.Opening.Sill.Inches : 0;
            return Over(leg.From.X.Inches, leg.To.X.Inches, alongX ? west : west - 8, alongX ? east : east + 8)
                && Over(leg.From.Y.Inches, leg.To.Y.Inches, alongX ? north - 8 : north, alongX ? south + 8 : south)
                && Over(leg.From.Z.Inches, leg.To.Z.Inches, floor + foot, floor + 82)
                && WallHolds(leg, side);
        }))));

    // Legs in the wall that the opening is in, between its two faces: along it, or up and down.
    private static bool WallHolds(PathLeg leg, RoomSide side)
    {
        var middle = side.Into(side.Start, -side.HalfThickness);
        return side.AlongX ? leg.From.Y == leg.To.Y && (leg.From.Y - middle.Y).Abs() < side.HalfThickness
            : leg.From.X == leg.To.X && (leg.From.X - middle.X).Abs() < side.HalfThickness;
    }

    [Theory] // joists run north and south at 24 in: east to west crosses them, north to south does not
    [InlineData(40, 70, 160, 70, 5)]
    [InlineData(40, 20, 40, 110, 0)]
    public void Only_joists_that_are_crossed_are_bored(int x1, int y1, int x2, int y2, int joists)
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.Ceiling("a", "den", x1, y1), Houses.Ceiling("b", "den", x2, y2));
        var run = Planner.Plan(job).CircuitOf(new("a"))!.Runs[1];
        Assert.Equal(joists, run.Way.Passages.Count(p => p.Spot.Kind == MemberKind.Joist));
    }

    [Fact]
    public void A_dimmer_group_is_fed_at_the_switch_and_the_leg_goes_on_from_lamp_to_lamp()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.Ceiling("l1", "den", 60, 60), Houses.Ceiling("l2", "den", 120, 60),
            Houses.Switch("s", "den", 4, 30, DeviceKind.Dimmer, "l1", "l2"));
        var runs = Planner.Plan(job).CircuitOf(new("s"))!.Runs;
        Assert.Equal([(RunKind.HomeRun, "s"), (RunKind.SwitchLeg, "l1"), (RunKind.SwitchLeg, "l2")],
            runs.Select(r => (r.Kind, r.To.Box!.Value.Value)));
    }

    [Fact]
    public void Three_ways_are_joined_by_a_three_wire_and_the_far_one_gives_the_leg()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20))
            .With(Houses.Ceiling("l", "den", 120, 60), Houses.Switch("near", "den", 4, 30, DeviceKind.ThreeWay, "l"),
                Houses.Switch("far", "den", 2, 30, DeviceKind.ThreeWay, "l"));
        var sized = Planner.Plan(job).CircuitOf(new("l"))!.Sized;
        Assert.Equal([(RunKind.HomeRun, "near", "14-2"), (RunKind.Traveler, "far", "14-3"), (RunKind.SwitchLeg, "l", "14-2")],
            sized.Routed.Runs.Select(r => (r.Kind, r.To.Box!.Value.Value, sized.CableOf(r))));
    }

    [Fact]
    public void Three_cables_to_a_hole_and_a_crowded_sealed_one_is_shared_out_before_copper_grows()
    {
        // Eight receptacle circuits come down one bay over the panel: no sealed hole may hold so many that 12 copper fails 20 A.
        var job = Houses.Row(("shop", RoomUse.Utility, 40))
            .With([.. Enumerable.Range(0, 8)
                .Select(i => Houses.Appliance($"m{i}", "shop", 2, 12 + (i * 14),
                    Houses.Plate(Appliance.Other, 120, 1400) with { Cord = true, Individual = true, Name = $"Machine {i}" },
                    DeviceKind.Single))]);
        var plan = Planner.Plan(job);
        Assert.All(plan.Holes.All, h => Assert.InRange(h.Runs.Length, 1, 3));
        Assert.All(plan.Circuits, c => Assert.Equal("12-2", c.Cable));
    }
}
