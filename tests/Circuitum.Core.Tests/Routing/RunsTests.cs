using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Conductors;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>Ways by the kind of wall, by the crew's manner, and by a person's hand; what is counted from them.</summary>
public sealed class RunsTests
{
    private static Job Den(WallFraming framing, Length spacing, params int[] chases)
    {
        var room = Houses.Rectangle("den", RoomUse.Den, Length.Zero, Length.Zero, 20.Feet(), 12.Feet()) with
        {
            Builds = [new() { Wall = 1, Framing = framing, Spacing = spacing, ChaseHeights = [.. chases.Select(c => c.Inches())] }],
        };
        return Houses.House([room]).With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 1, 100));
    }

    private static ImmutableArray<Run> RunsOf(Job job, string box = "a") => Planner.Plan(job).CircuitOf(new(box))!.Runs;

    private static Run Jumper(Job job) => RunsOf(job).First(r => r.Kind == RunKind.Jumper);

    [Fact]
    public void Steel_studs_take_armoured_cable_and_are_not_bored_or_plated()
    {
        var plan = Planner.Plan(Den(WallFraming.MetalStud, 16.Inches()));
        var sized = plan.CircuitOf(new("a"))!.Sized;
        Assert.All(sized.Routed.Runs, r => Assert.Equal("12-2 MC", sized.CableOf(r)));
        var material = Hardware.Of(plan);
        // Two runs, a connector at either end of each.
        Assert.Equal(4, material.Single(m => m.Item == "MC connectors").Quantity);
        var steel = plan.House.Levels.Single().Walls.Single(w => w.Frame.Framing == WallFraming.MetalStud).Index;
        var studs = plan.Holes.All.Where(h => h.Spot.Kind == MemberKind.Stud).ToList();
        Assert.Contains(studs, h => h.Spot.Member == steel);
        Assert.Equal(studs.Count(h => h.Spot.Member != steel), material.Where(m => m.Item.EndsWith("in studs", StringComparison.Ordinal))
            .Sum(m => m.Quantity));
        Assert.All(studs.Where(h => h.Spot.Member == steel), h => Assert.Equal(0, Hardware.PlatesAt(plan, h)));
    }

    [Fact]
    public void Nothing_is_bored_along_furring_over_masonry()
    {
        Assert.DoesNotContain(Jumper(Den(WallFraming.MasonryFurred, 16.Inches())).Way.Legs, l => l.Space == Space.Studs);
        Assert.Contains(Jumper(Den(WallFraming.Wood2x4, 16.Inches())).Way.Legs, l => l.Space == Space.Studs);
    }

    [Fact] // box at 14 in is brought up 6 in to the level chase at 20, along 40 in, and down again: 52 in, nothing bored
    public void In_an_insulated_panel_cable_follows_its_level_chase()
    {
        var run = Jumper(Den(WallFraming.InsulatedPanel, 48.Inches(), 20, 44));
        Assert.Equal([Space.StudBay, Space.Chase, Space.StudBay], run.Way.Legs.Select(l => l.Space));
        Assert.Equal(52m, run.Way.Measured.Inches);
        Assert.Empty(run.Way.Passages);
    }

    [Fact] // upright chases at every 48 in of the wall's centre line: nothing else leads up or down
    public void A_panel_without_level_chases_is_left_by_its_upright_ones()
    {
        var plan = Planner.Plan(Den(WallFraming.InsulatedPanel, 48.Inches()));
        var inside = plan.Circuits.SelectMany(c => c.Runs).SelectMany(r => r.Way.Legs)
            .Where(l => l.Space == Space.Chase && l.From.Plan == l.To.Plan).ToList();
        Assert.NotEmpty(inside);
        Assert.All(inside, l => Assert.True(l.From.X.Inches % 48 == 0));
        // What the panels' setter bores: plates over or under those chases only.
        var sheet = PreDrill.Of(plan);
        Assert.NotEmpty(sheet);
        Assert.All(sheet, h => Assert.Equal(0, h.FromStart.Inches % 48));
        Assert.All(sheet, h => Assert.StartsWith("den, wall 1", h.Wall, StringComparison.Ordinal));
    }

    // The wall's center line begins at the corner of the outline; the room's inside corner lies half a 2×6 wall of 6-1/2 in further on:
    // 3-1/4 + 12 = 15-1/4 in, then every 24 in. Measured from below, from the outside of the studs: 5-1/2 / 2 = 2-3/4 in further west, and
    // half the panel's own 6-1/2 in = 3-1/4 in from the north.
    [Fact]
    public void Upright_chases_are_counted_from_the_first_one_as_it_was_measured()
    {
        var plan = Planner.Plan(Panels(24.Inches(), 12.Inches(), Length.FromInches(1.25m)));
        var sheet = PreDrill.Of(plan);
        Assert.NotEmpty(sheet);
        Assert.All(sheet, h => Assert.Equal(15.25m, h.FromStart.Inches % 24));
        Assert.All(sheet, h => Assert.Equal((h.FromStart + Length.FromInches(2.75m), Length.FromInches(3.25m)), (h.FromWest, h.FromNorth)));
        Assert.All(sheet, h => Assert.True(h.Bit <= Length.FromInches(1.25m)));
        var material = Hardware.Of(plan);
        Assert.Equal(0, material.Single(m => m.Item == "Plugs for access holes of insulated panels").Quantity);
        Assert.Equal(sheet.Length + 2, material.Single(m => m.Item == "Foam seals in insulated panels").Quantity);
    }

    [Theory] // 6-3 for a range of 50 A wants a hole of 1 in: a chase of 1 in takes it, one of a sixty-fourth less does not
    [InlineData(64, false)]
    [InlineData(63, true)]
    public void Cable_that_is_too_thick_for_its_chase_is_told(int width, bool thick)
    {
        var job = Panels(48.Inches(), null, new(width)).With(Houses.Appliance("range", "den", 1, 150,
            EquipmentLibrary.Typical(Appliance.Range), DeviceKind.ApplianceReceptacle));
        Assert.Equal(thick, Planner.Plan(job).Tags.Any(t => t.Headline.Contains("goes into a chase of", StringComparison.Ordinal)));
    }

    private static Job Panels(Length spacing, Length? first, Length? width) => new BuildWall(new("den"), 1, new()
    {
        Wall = 1,
        Framing = WallFraming.InsulatedPanel,
        Spacing = spacing,
        FirstChase = first,
        ChaseWidth = width,
    }).On(Den(WallFraming.InsulatedPanel, spacing)).Job!;

    [Fact]
    public void A_house_of_studs_has_nothing_to_pre_drill() =>
        Assert.Empty(PreDrill.Of(Planner.Plan(Den(WallFraming.Wood2x6, 16.Inches()))));

    [Fact] // a and b on a side wall of panels that meets another: the way along the chases passes the corner by its access hole
    public void Two_panels_that_meet_are_passed_by_a_corner_access_hole()
    {
        var room = Houses.Rectangle("den", RoomUse.Den, Length.Zero, Length.Zero, 20.Feet(), 12.Feet()) with
        {
            Builds = [new() { Wall = 1, Framing = WallFraming.InsulatedPanel, Spacing = 48.Inches(), ChaseHeights = [20.Inches()] },
                new() { Wall = 2, Framing = WallFraming.InsulatedPanel, Spacing = 48.Inches(), ChaseHeights = [20.Inches()] }],
        };
        var job = Houses.House([room]).With(Houses.On("a", "den", 1, 210), Houses.On("b", "den", 2, 20));
        var run = RunsOf(job).First(r => r.Kind == RunKind.Jumper);
        Assert.Contains(run.Way.Passages, p => p.Spot.Kind == MemberKind.Corner);
        Assert.Contains(PreDrill.Of(Planner.Plan(job)), h => h.Where.StartsWith("corner access", StringComparison.Ordinal)
            && h.Above == 20.Inches());
    }

    [Fact]
    public void By_the_school_from_below_wall_boxes_are_reached_through_the_crawl_space_and_ceilings_from_above()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20))
            .With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 3, 100), Houses.Ceiling("l", "den", 100, 60)) with
        { Schools = new() { Way = CableWay.FromBelow, Lighting = LightsAndReceptacles.Together } };
        foreach (var run in RunsOf(job))
        {
            var toCeiling = new[] { run.From.Place, run.To.Place }.Any(p => p.Mount == Mount.Ceiling);
            Assert.All(run.Way.Legs.Where(l => l.Space is Space.Joists or Space.Attic),
                l => Assert.Equal(!toCeiling, l.From.Z < Length.Zero));
            Assert.DoesNotContain(run.Way.Legs, l => l.Space == Space.Studs);
        }

        Assert.Contains(RunsOf(job), r => r.To.Box == new BoxId("l"));
    }

    [Theory] // the crew's way, and another that holds on this storey alone
    [InlineData(CableWay.Overhead, CableWay.FromBelow, true)]
    [InlineData(CableWay.FromBelow, CableWay.Overhead, false)]
    [InlineData(CableWay.FromBelow, null, true)]
    public void A_storey_may_have_a_way_of_its_own(CableWay crew, CableWay? here, bool below)
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 3, 100)) with
        { Schools = new() { Way = crew } };
        job = job with
        {
            Structures = [job.Structures[0] with { Levels = [job.Structures[0].Levels[0] with { Way = here }] }],
        };
        var legs = RunsOf(job).SelectMany(r => r.Way.Legs).ToList();
        Assert.Contains(legs, l => l.Space is Space.Joists or Space.Attic);
        Assert.All(legs.Where(l => l.Space is Space.Joists or Space.Attic), l => Assert.Equal(below, l.From.Z < Length.Zero));
        Assert.DoesNotContain(legs, l => l.Space == Space.Studs);
    }

    [Fact] // 120 in east and 50 in south: squared 170 + 6 up and down, straight √(120² + 50²) = 130 + 6
    public void The_short_school_goes_straight_across_a_ceiling()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.Ceiling("a", "den", 40, 20), Houses.Ceiling("b", "den", 160, 70));
        Assert.Equal(176m, Jumper(job).Way.Measured.Inches);
        var straight = Jumper(job with { Schools = new() { Lay = CableLay.Shortest } });
        Assert.Equal(136m, straight.Way.Measured.Inches);
        // The same five joists at 24 in are met, each where the cable crosses it.
        Assert.Equal(5, straight.Way.Passages.Length);
        Assert.Equal(5, straight.Way.Passages.Select(p => p.At.Y).Distinct().Count());
    }

    [Fact] // the shaft is in the ceiling only: the wall boxes are reached from the other side
    public void What_is_closed_above_is_reached_from_below()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 3, 60)) with
        { Schools = new() { Way = CableWay.Overhead } };
        var closed = job with
        {
            Structures = [job.Structures[0]
                with { Levels = [job.Structures[0].Levels[0]
                    with { Obstructions =
                        [new("Beam", ObstructionKind.Beam, new(-20.Inches(), 60.Inches()), 400.Inches(), 8.Inches())] }] }]
        };
        var run = RunsOf(closed).First(r => r.Kind == RunKind.Jumper);
        Assert.False(run.Way.Blocked);
        Assert.Contains(run.Way.Legs, l => l.From.Z < Length.Zero);
    }

    private static Job Lamps => Houses.Row(("den", RoomUse.Den, 20))
        .With(Houses.Ceiling("a", "den", 40, 20), Houses.Ceiling("b", "den", 160, 20));

    private static (RunId Id, Job Held) Hold(Job job, params (int X, int Y)[] via)
    {
        var id = RunsOf(job)[1].Id;
        return (id, new PinWay(id, [.. via.Select(v => new Point(v.X.Inches(), v.Y.Inches()))]).On(job).Job!);
    }

    [Fact] // straight across 120 in; held by a place 60 in south of the line: 60 down and 60 back more
    public void A_held_way_passes_its_places_in_order()
    {
        var (id, held) = Hold(Lamps, (100, 83));
        var run = RunsOf(held).Single(r => r.Id == id);
        Assert.True(run.IsPinned);
        // Boxes lie at y = 20 + 3-1/4: the place at 83 is 59-3/4 south of them.
        Assert.Equal(120 + (2 * 59.75m) + 6, run.Way.Measured.Inches);
        Assert.Contains(run.Way.Legs, l => l.To.Plan == new Point(100.Inches(), 83.Inches()));
        Assert.Empty(new PinWay(id, []).On(held).Job!.Pins.Ways);
    }

    [Fact]
    public void Places_on_a_way_are_moved_put_in_and_taken_out()
    {
        var (id, held) = Hold(Lamps, (100, 83));
        var two = new MoveVia(id, 2, new(120.Inches(), 40.Inches()), true).On(held).Job!;
        Assert.Equal([100m, 120m], two.Pins.Ways[0].Via.Select(v => v.X.Inches));
        var moved = new MoveVia(id, 1, new(90.Inches(), 83.Inches()), false).On(two).Job!;
        Assert.Equal([90m, 120m], moved.Pins.Ways[0].Via.Select(v => v.X.Inches));
        Assert.Equal([120m], new MoveVia(id, 1, null, false).On(moved).Job!.Pins.Ways[0].Via.Select(v => v.X.Inches));
        Assert.Contains("not in this job any more", new MoveVia(id, 3, null, false).On(two).Refusal!, StringComparison.Ordinal);
        Assert.Contains("12 places at most", new PinWay(id, [.. Enumerable.Range(0, 13).Select(i => new Point(i.Inches(), 0.Inches()))])
            .On(Lamps).Refusal!, StringComparison.Ordinal);
        Assert.Null(new PinWay(id, [.. Enumerable.Range(0, 12).Select(i => new Point((40 + (10 * i)).Inches(), 30.Inches()))])
            .On(Lamps).Refusal);
    }

    [Theory] // the room is 240 by 144 in between its walls' centre lines
    [InlineData(240, 144, false)]
    [InlineData(241, 100, true)]
    [InlineData(100, 145, true)]
    [InlineData(-1, 20, true)]
    public void A_place_outside_the_building_is_told_and_freed(int x, int y, bool told)
    {
        var (id, held) = Hold(Lamps, (x, y));
        var tag = Planner.Plan(held).Tags.SingleOrDefault(t => t.Rule == "routing" && t.Subject.AsRun == id);
        Assert.Equal(told, tag is not null);
        if (tag is not null)
        {
            Assert.DoesNotContain(Planner.Plan(tag.Fixes.Single().Change.On(held).Job!).Tags, t => t.Rule == "routing");
        }
    }

    [Theory]
    [InlineData(12_000, null)]
    [InlineData(12_001, "within 1000 ft")]
    public void A_place_on_a_way_lies_within_a_thousand_feet(int inches, string? says)
    {
        var outcome = new PinWay(RunsOf(Lamps)[1].Id, [new Point(inches.Inches(), 0.Inches())]).On(Lamps);
        Assert.Equal(says is null, outcome.Job is not null);
        Assert.Contains(says ?? "", outcome.Refusal ?? "", StringComparison.Ordinal);
    }

    [Fact]
    public void A_way_held_for_a_run_that_is_no_more_is_told_and_can_be_freed()
    {
        var (_, held) = Hold(Lamps, (100, 83));
        var gone = new DeleteBox(new("b")).On(held).Job!;
        var tag = Assert.Single(Planner.Plan(gone).Tags, t => t.Rule == "held ways");
        Assert.Empty(tag.Fixes[0].Change.On(gone).Job!.Pins.Ways);
    }

    [Fact] // whatever is held, the pieces still join from box to box and pass every place
    public void A_held_way_still_joins_its_boxes() => Gen.Select(Gen.Int[5, 230], Gen.Int[5, 140]).Array[1, 4].Sample(via =>
    {
        var (id, held) = Hold(Lamps, via);
        var run = RunsOf(held).Single(r => r.Id == id);
        Assert.Equal((run.From.Place.At, run.To.Place.At), (run.Way.Legs[0].From, run.Way.Legs[^1].To));
        Assert.All(run.Way.Legs.Zip(run.Way.Legs.Skip(1)), pair => Assert.Equal(pair.First.To, pair.Second.From));
        Assert.All(via, v =>
            Assert.Contains(run.Way.Legs, l => l.From.Plan == new Point(v.Item1.Inches(), v.Item2.Inches())
                || l.To.Plan == new Point(v.Item1.Inches(), v.Item2.Inches())));
    }, iter: 60);

    private static readonly Gen<(Job Job, Obstruction Block)> Obstructed = Gen.Select(RandomHouses.Jobs, Gen.Int[10, 120], Gen.Int[20, 90],
        Gen.Int[8, 60], Gen.Int[8, 40], (job, x, y, w, d) =>
    {
        var block = new Obstruction("Shaft", ObstructionKind.Shaft, new(x.Inches(), y.Inches()), w.Inches(), d.Inches());
        return (job with
        {
            Structures =
            [job.Structures[0] with { Levels = [job.Structures[0].Levels[0] with { Obstructions = [block] }] }]
        }, block);
    });

    [Fact] // cable over a ceiling never passes the inside of what stands there, unless it begins or ends in it or is tagged
    public void No_way_crosses_an_obstruction_or_leaves_the_framing() => Obstructed.Sample(drawn =>
    {
        var plan = Planner.Plan(drawn.Job);
        var (west, north) = (drawn.Block.Corner.X, drawn.Block.Corner.Y);
        var (east, south) = (west + drawn.Block.Width, north + drawn.Block.Depth);
        bool Inside(Point p) => p.X > west && p.X < east && p.Y > north && p.Y < south;
        var corners = plan.House.Levels.Single().Rooms.SelectMany(r => r.Room.Corners).ToList();
        foreach (var run in plan.Circuits.SelectMany(c => c.Runs).Where(r => !r.Way.Blocked))
        {
            foreach (var leg in run.Way.Legs)
            {
                Assert.InRange(leg.To.X.Inches, corners.Min(c => c.X.Inches), corners.Max(c => c.X.Inches));
                Assert.InRange(leg.To.Y.Inches, corners.Min(c => c.Y.Inches), corners.Max(c => c.Y.Inches));
                if (leg.Space is Space.Joists or Space.Attic && leg.From.Z > Length.Zero && !Inside(run.From.Place.At.Plan)
                    && !Inside(run.To.Place.At.Plan))
                {
                    Assert.All(Enumerable.Range(0, 17),
                        i => Assert.False(Inside(new(leg.From.X + new Length((int)((long)(leg.To.X - leg.From.X).Sixtyfourths * i / 16)),
                            leg.From.Y + new Length((int)((long)(leg.To.Y - leg.From.Y).Sixtyfourths * i / 16))))));
                }
            }
        }
    }, iter: 60);

    [Fact] // counted again from the drawn pieces: every joist line between the ends of a piece, every stud between the ends of a stretch
    public void The_members_that_are_drawn_are_the_members_that_are_counted() => Gen.Select(RandomHouses.Jobs, Gen.Bool)
        .Sample((job, straight) =>
    {
        var plan = Planner.Plan(job with { Schools = job.Schools with { Lay = straight ? CableLay.Shortest : CableLay.Squared } });
        foreach (var run in plan.Circuits.SelectMany(c => c.Runs))
        {
            static int Lines(Length a, Length b, int spacing) =>
                Math.Abs((int)Math.Floor(a.Inches / spacing) - (int)Math.Floor(b.Inches / spacing));
            // Floor joists at 16 in, ceiling joists at 24 in, both from the west.
            var joists = run.Way.Legs.Where(l => l.Space is Space.Joists or Space.Attic)
                .Sum(l => Lines(l.From.X, l.To.X, l.From.Z < Length.Zero ? 16 : 24));
            Assert.Equal(joists, run.Way.Passages.Count(p => p.Spot.Kind == MemberKind.Joist));
        }
    }, iter: 60);

    [Fact] // more cables in a hole never carry more, warmer places never carry more
    public void One_more_cable_never_raises_an_ampacity() =>
        Gen.Select(Gen.Int[0, 5], Gen.Int[1, 12], Gen.Int[26, 60], Gen.Int[0, 2], Gen.Int[0, 1])
        .Sample((gauge, cables, ambient, jacket, bundled) =>
    {
        var book = CodeBook.For(Edition.Y2020);
        decimal Of(int n, int degrees) =>
            Ampacities.InCable(Gauge.All[gauge], n, 2 * n, new(degrees), book, "", (Jacket)jacket, bundled == 1 ? 30.Inches()
                : null).Value.Value;
        Assert.True(Of(cables + 1, ambient) <= Of(cables, ambient));
        Assert.True(Of(cables, ambient + 5) <= Of(cables, ambient));
    });

    [Fact] // a crew that puts fewer in a hole never needs a larger conductor
    public void A_smaller_allowed_bundle_never_makes_a_larger_conductor() => Gen.Select(RandomHouses.Jobs, Gen.Int[2, 9], Gen.Int[30, 55])
        .Sample((job, most, ambient) =>
    {
        var warm = job with
        {
            Structures = [job.Structures[0] with { Levels = [job.Structures[0].Levels[0] with { AmbientAbove = new(ambient) }] }]
        };
        ImmutableArray<Gauge> With(int cables) =>
            [.. Planner.Plan(warm with { HouseRules = warm.HouseRules with { CablesPerHole = cables } }).Circuits.Select(c => c.Gauge)];
        Assert.All(With(most - 1).Zip(With(most)), pair => Assert.True(pair.First <= pair.Second, $"{pair.First} > {pair.Second}"));
    }, iter: 40);

    private static Job TwoParts(params string[] heads)
    {
        var unit = Houses.Appliance("unit", "den", 2, 60,
            Houses.Plate(Appliance.HeatPump, 240, 3600) with { Name = "Heat pump", Mca = 18.Amps(), Mocp = 25.Amps(), Individual = true });
        // The heads stand nearer to the panel than the unit does.
        return Houses.Row(("den", RoomUse.Den, 30))
            .With([unit with { Devices = [unit.Devices[0] with { Controls = [.. heads.Select(h => new BoxId(h))] }] },
                .. Enumerable.Range(0, 2).Select(i => Houses.On($"a-head{i}", "den", 4, 30 + (i * 40), DeviceKind.IndoorHead))]);
    }

    [Fact]
    public void Equipment_in_two_parts_is_one_circuit_the_supply_to_the_unit_and_a_cable_back_to_each_head()
    {
        var plan = Planner.Plan(TwoParts("a-head0", "a-head1"));
        var circuit = plan.CircuitOf(new("unit"))!;
        Assert.Equal("unit", circuit.Circuit.Key.Value);
        Assert.Equal(["HomeRun unit 12-2", "Interconnect a-head0 12-3", "Interconnect a-head1 12-3"],
            circuit.Runs.Select(r => $"{r.Kind} {r.To.Box} {circuit.CableOf(r)}"));
        // Both legs reach the heads, the signal joins all three.
        var energised = new Energised(circuit, plan.Survey, JointSchool.Pigtail, new HashSet<SwitchGang>());
        Assert.True(energised.IsSound && energised.Has(new("a-head0"), 0) && energised.Has(new("a-head1"), 0)
            && energised.IsGrounded(new("a-head1"), 0));
        Assert.Contains("Red of A to the signal lead of the indoor head.",
            MakeUp.Steps(plan.WiringOf(new("a-head0"))!, plan.Survey[new("a-head0")], plan.Book));
        Assert.DoesNotContain(plan.Tags, t => t.Rule == "two parts");
    }

    [Fact]
    public void A_head_that_belongs_to_no_unit_is_told()
    {
        var loose = TwoParts("a-head0");
        Assert.Equal("a-head1", Assert.Single(Planner.Plan(loose).Tags, t => t.Rule == "two parts").Subject.Id);
        var tied = new SetControls(new("unit"), 0, [new("a-head0"), new("a-head1")]).On(loose);
        Assert.StartsWith("A cable goes back from Heat pump to", tied.Phrase, StringComparison.Ordinal);
        Assert.DoesNotContain(Planner.Plan(tied.Job!).Tags, t => t.Rule == "two parts");
        Assert.Contains("is no indoor head", new SetControls(new("unit"), 0, [new("unit")]).On(loose).Refusal!, StringComparison.Ordinal);
        var switched = loose.With(Houses.Switch("s", "den", 1, 40, DeviceKind.Switch));
        Assert.Contains("fed by its outdoor unit, not by a switch", new SetControls(new("s"), 0, [new("a-head0")]).On(switched).Refusal!,
            StringComparison.Ordinal);
    }

    [Fact] // a storey that is not drawn yet between two that are: the way goes straight up through it
    public void A_level_without_rooms_between_two_is_passed()
    {
        var job = Houses.House([Houses.Rectangle("shop", RoomUse.Utility, Length.Zero, Length.Zero, 20.Feet(), 12.Feet())]) with
        { Panels = [Houses.Panel("shop")] };
        var ground = job.Structures[0].Levels[0];
        var loft = Houses.Rectangle("loft", RoomUse.Den, Length.Zero, Length.Zero, 20.Feet(), 12.Feet());
        var tall = job with
        {
            Structures = [job.Structures[0] with { Levels = [ground, ground with { Id = new("middle"), Name = "Middle", Rooms = [] },
                ground with { Id = new("top"), Name = "Top", Rooms = [loft] }] }],
        };
        var plan = Planner.Plan(tall.With(Houses.On("r", "loft", 2, 30)));
        var home = Assert.Single(plan.Circuits).HomeRun!;
        Assert.True(home.Way.Measured > 16.Feet());
    }
}
