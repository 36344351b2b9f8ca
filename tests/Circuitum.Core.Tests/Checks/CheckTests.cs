using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

public sealed class CheckTests
{
    private static Job Shop(Func<Panel, Panel> panel, params Fixture[] fixtures)
    {
        var room = Houses.Rectangle("shop", RoomUse.Utility, Length.Zero, Length.Zero, 14.Feet(), 12.Feet()) with
        { Fixtures = [.. fixtures] };
        return Houses.House([room]) with { Panels = [panel(Houses.Panel("shop"))] };
    }

    private static Tag[] RedOn(Job job) => [.. Planner.Plan(job).Tags.Where(t => t.Severity == Severity.Red && t.Stage == Stage.Circuits)];

    [Theory] // RuleId.SwitchHeight: the grip 2 in over the bottom of the box, at most 79 in; a disconnect goes where its machine is
    [InlineData(DeviceKind.Switch, 77, false)]
    [InlineData(DeviceKind.Switch, 78, true)]
    [InlineData(DeviceKind.Disconnect, 90, false)]
    public void A_switch_is_within_reach(DeviceKind kind, int height, bool red)
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.Ceiling("l", "den", 60, 60),
            Houses.Switch("x", "den", 1, 60, kind, "l") with { Height = height.Inches() });
        Assert.Equal(red, Planner.Plan(job).Tags.Any(t => t is { Rule: "404.8(A)", Severity: Severity.Red }
            && t.Subject == Subject.Box(new("x"))));
    }

    [Theory] // 210.11(C)(3), 210.52(B)(2), 210.11(C)(2), (C)(4): fastened equipment is on none of the circuits kept for receptacles
    [InlineData(RoomUse.Bath, 500, false)]
    [InlineData(RoomUse.Kitchen, 750, false)]
    [InlineData(RoomUse.Kitchen, 600, true)]
    [InlineData(RoomUse.Laundry, 300, false)]
    [InlineData(RoomUse.Garage, 300, false)]
    public void Small_equipment_rides_on_no_circuit_that_is_kept_for_receptacles(RoomUse use, int load, bool cord)
    {
        var plate = Houses.Plate(Appliance.Other, 120, load) with { Cord = cord };
        var job = Houses.Row(("here", use, 12), ("there", use, 12)).With(Houses.On("r1", "here", 1, 30), Houses.On("r2", "there", 1, 30),
            Houses.Appliance("it", "here", 3, 40, plate, cord ? DeviceKind.Duplex : DeviceKind.Equipment));
        var plan = Planner.Plan(job);
        Assert.True(plan.CircuitOf(new("it"))!.Circuit.IsGeneral);
        Assert.DoesNotContain(plan.Tags, t => t.Severity == Severity.Red && t.Stage == Stage.Circuits
            && t.Headline.Contains("circuit", StringComparison.Ordinal));
        // Held there by a person it is red.
        var kept = plan.CircuitOf(new("r1"))!.Circuit.Key;
        Assert.Contains(RedOn(job with { Pins = new() { Boxes = [new(new("it"), kept), new(new("r2"), kept)] } }),
            t => t.Headline.StartsWith("Other may not be on", StringComparison.Ordinal));
    }

    [Fact] // 440.14: within sight of the unit; laid out by rule it stands beside it
    public void An_outdoor_unit_has_a_disconnect()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.Appliance("unit", "den", 1, 60,
            Houses.Plate(Appliance.HeatPump, 240, 4800) with { Mca = new(21.4m), Mocp = 35.Amps() }) with
        { Outside = true });
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Rule == "440.14");
        Assert.Equal((Severity.Red, Subject.Box(new("unit"))), (tag.Severity, tag.Subject));
        var mended = tag.Fixes[0].Change.On(job).Job!;
        var disconnect = Assert.Single(mended.Boxes, b => b.Devices[0].Kind == DeviceKind.Disconnect);
        Assert.InRange(disconnect.Offset.Inches, 12m, 108m);
        var plan = Planner.Plan(mended);
        Assert.DoesNotContain(plan.Tags, t => t.Rule == "440.14");
        Assert.Empty(RedOn(mended));
        // In between: panel, disconnect, unit.
        Assert.Equal([disconnect.Id, new("unit")], plan.CircuitOf(new("unit"))!.WayTo(new("unit")).Select(r => r.To.Box!.Value));
    }

    [Theory] // 250.140
    [InlineData(false, true)]
    [InlineData(true, false)]
    public void A_new_dryer_has_four_wires(bool neutral, bool red) =>
        Assert.Equal(red, Planner.Plan(Houses.Row(("laundry", RoomUse.Laundry, 12)).With(Houses.Appliance("d", "laundry", 1, 30,
            Houses.Plate(Appliance.Dryer, 240, 5600) with { Cord = true, Neutral = neutral }, DeviceKind.ApplianceReceptacle)))
            .Tags.Any(t => t.Rule == "250.140" && t.Severity == Severity.Red));

    [Theory] // 210.21(B)(3): 20 A receptacles on a 15 A circuit of several
    [InlineData(15, true)]
    [InlineData(20, false)]
    public void Twenty_ampere_receptacles_on_fifteen(int held, bool red)
    {
        var twenty = Houses.On("b", "den", 1, 120) with { Devices = [new() { Kind = DeviceKind.Duplex, Rating = 20.Amps() }] };
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.On("a", "den", 1, 30), twenty);
        var key = Planner.Plan(job).CircuitOf(new("a"))!.Circuit.Key;
        Assert.Equal(red, RedOn(job with { Pins = new() { Breakers = [new(key, held.Amps())] } })
            .Any(t => t.Subject == Subject.Box(new("b"))));
    }

    [Theory] // 210.52(C)(2) of 2023: none is asked, but a way for one later
    [InlineData(Edition.Y2020, false)]
    [InlineData(Edition.Y2023, true)]
    public void An_island_without_a_receptacle_leaves_a_way_for_one(Edition edition, bool amber)
    {
        var room = Houses.Rectangle("kitchen", RoomUse.Kitchen, Length.Zero, Length.Zero, 16.Feet(), 14.Feet()) with
        {
            Fixtures = [new() { Kind = FixtureKind.Island, X = 60.Inches(), Y = 60.Inches(), Width = 60.Inches(), Depth = 36.Inches() }],
        };
        Assert.Equal(amber, Planner.Plan(Houses.House([room]) with { Edition = edition }).Tags
            .Any(t => t.Severity == Severity.Amber && t.Rule == "210.52(C)(2)"));
    }

    [Fact] // 440.14 asks for it: it is a part of the unit, no other equipment and no light
    public void A_disconnect_is_at_home_on_the_circuit_of_its_unit()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(
            Houses.Appliance("unit", "den", 1, 60,
                Houses.Plate(Appliance.HeatPump, 240, 4800) with { Mca = new(21.4m), Mocp = 35.Amps() }) with
            { Outside = true },
            Houses.Switch("off", "den", 1, 90, DeviceKind.Disconnect, "unit") with { Outside = true });
        Assert.Empty(RedOn(job));
        Assert.Equal(new("unit"), Planner.Plan(job).CircuitOf(new("off"))!.Circuit.Key);
    }

    [Theory] // 424.4(A): several heaters on 15, 20, 25 or 30 A: 2 × 1500 VA × 1.25 = 15.6 A; 2 × 3000 = 31.25 A on 40
    [InlineData(1500, false)]
    [InlineData(3000, true)]
    public void Heaters_may_share_a_circuit_up_to_30_A(int each, bool red)
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(
            Houses.Appliance("h1", "den", 1, 60, Houses.Plate(Appliance.SpaceHeater, 240, each)),
            Houses.Appliance("h2", "den", 1, 120, Houses.Plate(Appliance.SpaceHeater, 240, each)));
        var held = job with { Pins = new() { Boxes = [new(new("h1"), new("heat")), new(new("h2"), new("heat"))] } };
        Assert.Single(Planner.Plan(held).Circuits.Select(c => c.Circuit.Key));
        Assert.Equal(red, RedOn(held).Any(t => t.Rule == "424.4(A)"));
        Assert.Equal(red, RedOn(held).Length > 0);
    }

    [Fact] // Table 220.55 note 4: 7.4 + 4.8 kW as one range, 8 kW: 33.3 A → 40 A on 8
    public void A_cooktop_and_an_oven_of_one_room_are_one_range()
    {
        var job = Houses.Row(("kitchen", RoomUse.Kitchen, 20)).With(
            Houses.Appliance("top", "kitchen", 1, 60, Houses.Plate(Appliance.Cooktop, 240, 7400)),
            Houses.Appliance("oven", "kitchen", 1, 120, Houses.Plate(Appliance.Oven, 240, 4800)));
        var held = job with { Pins = new() { Boxes = [new(new("top"), new("cook")), new(new("oven"), new("cook"))] } };
        var circuit = Planner.Plan(held).CircuitOf(new("top"))!;
        Assert.Equal(33.3m, decimal.Round(circuit.Load.Required.Value, 1));
        Assert.Equal(40m, circuit.Breaker.Value);
        Assert.DoesNotContain(RedOn(held), t => t.Subject == Subject.Circuit(circuit.Circuit.Key));
    }

    [Theory] // 424.22(B): 11,520 VA are 48 A, 11 521 more
    [InlineData(11_520, false)]
    [InlineData(11_521, true)]
    public void Heating_over_48_A_is_subdivided(int load, bool red) =>
        Assert.Equal(red, RedOn(Houses.Row(("utility", RoomUse.Utility, 20)).With(
            Houses.Appliance("f", "utility", 1, 60, Houses.Plate(Appliance.AirHandler, 240, load)))).Any(t => t.Rule == "424.22(B)"));

    [Theory] // 424.22(B): 19,200 VA are 80 A, two of 40 A, at 125 % 50 A each; 24,000 are 100 A, three of 33.3 A, at 125 % 41.7 A
    [InlineData(19_200, 2, 9600)]
    [InlineData(24_000, 3, 8000)]
    public void A_large_heater_is_divided_at_a_press(int load, int supplies, int each)
    {
        var job = Houses.Row(("utility", RoomUse.Utility, 20)).With(
            Houses.Appliance("f", "utility", 1, 60, Houses.Plate(Appliance.AirHandler, 240, load)));
        var fix = Assert.Single(Planner.Plan(job).Tags.Single(t => t.Rule == "424.22(B)").Fixes);
        Assert.Equal($"Divide it into {supplies} supplies", fix.Label);
        var divided = fix.Change.On(job).Job!;
        var plan = Planner.Plan(divided);
        var heaters = plan.Circuits.Where(c => c.Load.Items.Any(i => i.Load.Value == each)).ToList();
        Assert.Equal(supplies, heaters.Count);
        Assert.All(heaters, h => Assert.Equal(50, h.Breaker.Value));
        Assert.DoesNotContain(plan.Tags, t => t.Rule == "424.22(B)");
        Assert.Contains("no more than one supply", fix.Change.On(divided).Refusal!, StringComparison.Ordinal);
    }

    [Fact] // 210.52(B)(3)
    public void A_kitchens_counters_are_on_two_circuits_of_its_own()
    {
        Box At(string id, string room, int inches) => Houses.On(id, room, 1, inches) with { ServesCounter = true };
        var job = Houses.Row(("k1", RoomUse.Kitchen, 16), ("k2", RoomUse.Kitchen, 16)).With(At("a", "k1", 30), At("b", "k1", 90),
            At("c", "k2", 30), At("d", "k2", 90));
        bool Red(params (string Box, string Circuit)[] pins) => RedOn(job with
        {
            Pins = new() { Boxes = [.. pins.Select(p => new BoxPin(new(p.Box), new(p.Circuit)))] },
        }).Any(t => t.Rule == "210.52(B)(3)");
        Assert.False(Red());
        Assert.True(Red(("a", "one"), ("b", "one"), ("c", "two"), ("d", "three")));
        Assert.True(Red(("a", "one"), ("b", "two"), ("c", "two"), ("d", "three")));
        Assert.False(Red(("a", "one"), ("b", "two"), ("c", "three"), ("d", "four")));
    }

    [Theory] // 210.23(A) of 2023: a circuit of 10 A feeds no receptacle
    [InlineData(Edition.Y2023, 10, true)]
    [InlineData(Edition.Y2023, 15, false)]
    public void Ten_amperes_feed_no_receptacle(Edition edition, int held, bool red)
    {
        var job = (Houses.Row(("den", RoomUse.Den, 20)) with { Edition = edition }).With(Houses.On("r", "den", 1, 30));
        var key = Planner.Plan(job).CircuitOf(new("r"))!.Circuit.Key;
        Assert.Equal(red, RedOn(job with { Pins = new() { Breakers = [new(key, held.Amps())] } }).Any(t => t.Rule == "210.23(A)"));
    }

    [Theory] // 250.53(D)(2) with (A)(2): the rod beside a water pipe is itself supplemented
    [InlineData(1, false, true)]
    [InlineData(1, true, false)]
    [InlineData(2, false, false)]
    public void One_unmeasured_rod_beside_a_water_pipe_is_not_enough(int rods, bool measured, bool red) =>
        Assert.Equal(red, Planner.Plan(Shop(p => p) with { Service = new() { WaterPipe = true, Rods = rods, RodMeasured = measured } })
            .Tags.Any(t => t.Rule == "250.53(A)(2)"));

    [Theory] // 110.26(A)(3): 6-1/2 ft
    [InlineData(77, true)]
    [InlineData(78, false)]
    public void Headroom_before_a_panel(int ceiling, bool red)
    {
        var job = Shop(p => p with { Top = 60.Inches() });
        Assert.Equal(red, Planner.Plan(job with
        {
            Structures = [job.Structures[0] with { Levels = [job.Structures[0].Levels[0] with { CeilingHeight = ceiling.Inches() }] }],
        }).Tags.Any(t => t.Rule == "110.26(A)(3)"));
    }

    [Theory] // 230.70, 230.90(A): lugs alone are no disconnect
    [InlineData(true, false, true)]
    [InlineData(true, true, false)]
    [InlineData(false, false, false)]
    public void A_service_panel_of_lugs_alone_has_its_main_ahead(bool lugs, bool outdoors, bool red) =>
        Assert.Equal(red, Planner.Plan(Shop(p => p with { Listing = new() { MainLugs = lugs } }) with
        {
            Service = new() { BondedAtDisconnect = outdoors },
        }).Tags.Any(t => t.Rule == "230.70"));

    [Fact] // 225.30: one feeder; 225.33: seven throws are one too many
    public void A_building_has_one_feeder_and_six_throws()
    {
        Panel At(string id, int wall, string from, bool lugs) => Houses.ShedPanel with
        {
            Id = new(id),
            Wall = wall,
            FedFrom = new(from),
            Listing = new() { MainLugs = lugs },
        };
        Job With(params Panel[] panels) => Houses.WithShed(null) is var job ? job with { Panels = [job.Panels[0], .. panels] } : null!;
        Assert.Contains(Planner.Plan(With(At("G", 4, "A", false), At("H", 2, "A", false))).Tags,
            t => t.Rule == "225.30" && t.Severity == Severity.Red);
        Assert.DoesNotContain(Planner.Plan(With(At("G", 4, "A", false), At("H", 2, "G", false))).Tags, t => t.Rule == "225.30");
        bool Throws(int machines, bool lugs) => Planner.Plan(With(At("G", 4, "A", lugs)).With([.. Enumerable.Range(0, machines)
            .Select(i => Houses.Appliance($"m{i}", "shop", 1, 10 + (i * 15),
                Houses.Plate(Appliance.Other, 240, 1000) with { Individual = true }))])).Tags.Any(t => t.Rule == "225.33");
        Assert.Equal([false, true, false], [Throws(6, true), Throws(7, true), Throws(7, false)]);
    }

    [Fact] // 210.11(C)(4)
    public void A_garages_receptacle_belongs_on_its_circuit()
    {
        var job = Houses.Row(("garage", RoomUse.Garage, 20), ("bed", RoomUse.Bedroom, 12))
            .With(Houses.On("g", "garage", 1, 30), Houses.On("b", "bed", 1, 30));
        Assert.Empty(RedOn(job));
        var key = Planner.Plan(job).CircuitOf(new("b"))!.Circuit.Key;
        Assert.Contains(RedOn(job with { Pins = new() { Boxes = [new(new("g"), key)] } }), t => t.Rule == "210.11(C)(4)");
    }

    [Theory] // 240.24(A): the highest handle at most 6'-7", so its top at most about 6'-10"
    [InlineData(82, false)]
    [InlineData(83, true)]
    public void A_panel_too_high_to_reach(int top, bool tagged) =>
        Assert.Equal(tagged, Planner.Plan(Shop(p => p with { Top = top.Inches() })).Tags.Any(t => t.Rule == "240.24(A)"));

    [Theory] // 110.26(A): the cabinet at 72 takes 64-3/4 to 79-1/4; any 30 in that hold it will do
    [InlineData(37, 27, false)] // ends at 64
    [InlineData(38, 27, true)]
    [InlineData(80, 20, false)]
    [InlineData(79, 20, true)]
    public void Something_in_front_of_a_panel(int offset, int width, bool tagged)
    {
        var shelf = new Fixture
        {
            Kind = FixtureKind.Bench,
            Wall = 4,
            Offset = offset.Inches(),
            Width = width.Inches(),
            Depth = 20.Inches()
        };
        Assert.Equal(tagged, Planner.Plan(Shop(p => p, shelf)).Tags.Any(t => t.Rule == "110.26(A)"));
    }

    [Theory] // 210.23(A)(2): fastened in place at most 10 A of 20 beside a lamp: 1150 VA are 9.58 A, 1210 are 10.08
    [InlineData(1150, false, false)]
    [InlineData(1210, false, true)]
    [InlineData(1150, true, true)] // its instructions ask for a circuit of its own
    public void Kitchen_lights_put_on_the_dishwashers_circuit(int load, bool individual, bool red)
    {
        var job = Houses.Row(("kitchen", RoomUse.Kitchen, 20)).With(Houses.Ceiling("l", "kitchen", 60, 60),
            Houses.Switch("s", "kitchen", 3, 40, DeviceKind.Switch, "l"), Houses.Appliance("dw", "kitchen", 1, 60,
                Houses.Plate(Appliance.Dishwasher, 120, load) with { Cord = true, Motor = true, Individual = individual },
                    DeviceKind.Single));
        var key = Planner.Plan(job).CircuitOf(new("dw"))!.Circuit.Key;
        var pinned = Planner.Plan(job with { Pins = new() { Boxes = [new(new("l"), key), new(new("s"), key)] } });
        Assert.Equal(red, pinned.Tags.Any(t => t.Severity == Severity.Red && t.Stage == Stage.Circuits
            && t.Rule.Contains("210.23", StringComparison.Ordinal)));
    }

    [Theory] // 110.26(A)(3): shelves hold what stands in the way as well as any bench
    [InlineData(40, true)]
    [InlineData(80, false)]
    public void A_shelf_in_front_of_a_panel(int offset, bool tagged) => Assert.Equal(tagged, Planner.Plan(Shop(p => p, new Fixture
    {
        Kind = FixtureKind.Shelf,
        Wall = 4,
        Offset = offset.Inches(),
        Width = 40.Inches(),
        Depth = 12.Inches(),
    })).Tags.Any(t => t.Rule == "110.26(A)"));

    [Theory] // between two benches: from 60 to 90 is 30 in, to 89 one less
    [InlineData(90, false)]
    [InlineData(89, true)]
    public void Thirty_inches_between_two_things_are_enough(int second, bool tagged)
    {
        var left = new Fixture { Kind = FixtureKind.Bench, Wall = 4, Offset = 30.Inches(), Width = 30.Inches(), Depth = 20.Inches() };
        Assert.Equal(tagged, Planner.Plan(Shop(p => p, left, left with { Offset = second.Inches() })).Tags.Any(t => t.Rule == "110.26(A)"));
    }

    [Theory] // 36 in deep from the west wall: an island 36 in off it is clear, at 35 not
    [InlineData(36, false)]
    [InlineData(35, true)]
    public void Thirty_six_inches_before_it_stay_clear_of_what_stands_free(int east, bool tagged) =>
        Assert.Equal(tagged,
            Planner.Plan(Shop(p => p,
                new Fixture
                {
                    Kind = FixtureKind.Table,
                    X = east.Inches(),
                    Y = 10.Inches(),
                    Width = 30.Inches(),
                    Depth = 110.Inches()
                })).Tags.Any(t => t.Rule == "110.26(A)"));

    [Theory]
    [InlineData(3, true)]
    [InlineData(8, false)]
    public void A_panel_needs_wall_behind_it(int offset, bool tagged) =>
        Assert.Equal(tagged, Planner.Plan(Shop(p => p with { Offset = offset.Inches() })).Tags.Any(t => t.Rule == "framing"));

    [Fact]
    public void A_duct_over_a_panel_is_in_its_space_and_a_beam_is_not()
    {
        Job With(ObstructionKind kind)
        {
            var job = Shop(p => p);
            var level = job.Structures[0].Levels[0];
            return job with
            {
                Structures =
                [job.Structures[0] with {
                    Levels = [level with {
                        Obstructions = [new("It", kind, new(Length.Zero, 60.Inches()), 40.Inches(), 20.Inches())] }] }]
            };
        }

        Assert.Contains(Planner.Plan(With(ObstructionKind.Duct)).Tags, t => t.Rule == "110.26(E)");
        Assert.DoesNotContain(Planner.Plan(With(ObstructionKind.Beam)).Tags, t => t.Rule == "110.26(E)");
    }

    [Fact]
    public void A_room_without_a_switched_light_is_tagged_and_a_closet_is_not()
    {
        var plan = Planner.Plan(Houses.Row(("bed", RoomUse.Bedroom, 12), ("closet", RoomUse.Closet, 4)));
        Assert.Equal(["room:bed"], plan.Tags.Where(t => t.Rule == "210.70(A)").Select(t => t.Subject.ToString()));
        var lit = Planner.Plan(plan.Job.With(Houses.Ceiling("l", "bed", 60, 60), Houses.Switch("s", "bed", 1, 20, DeviceKind.Switch, "l")));
        Assert.DoesNotContain(lit.Tags, t => t.Rule == "210.70(A)");
    }

    [Fact] // a lamp that no switch works is not a switched one
    public void An_unswitched_lamp_does_not_do() =>
        Assert.Contains(Planner.Plan(Houses.Row(("bed", RoomUse.Bedroom, 12)).With(Houses.Ceiling("l", "bed", 60, 60))).Tags,
            t => t.Rule == "210.70(A)");

    [Fact]
    public void A_stamped_box_that_is_too_small_is_tagged_with_the_sum()
    {
        var job = Houses.Row(("bed", RoomUse.Bedroom, 12))
            .With(Houses.On("r1", "bed", 1, 30) with { Volume = new(12) }, Houses.On("r2", "bed", 1, 90));
        // Fed and feeding on in 12-2: 4 × 2.25 + 2 × 2.25 + 2.25 = 15.75.
        Assert.Contains(Planner.Plan(job).Tags,
            t => t.Rule == "314.16" && t.Arithmetic.StartsWith("15.75 in³ needed, 12.00 in³ stamped", StringComparison.Ordinal));
        Assert.DoesNotContain(Planner.Plan(job with { Boxes = [.. job.Boxes.Select(b => b with { Volume = new(18) })] }).Tags,
            t => t.Rule == "314.16");
    }

    [Fact]
    public void A_far_end_that_loses_more_than_the_crew_wants_is_amber_and_a_larger_size_mends_it()
    {
        var job = Houses.Row(("den", RoomUse.Den, 90))
            .With([.. Enumerable.Range(0, 9).Select(i => Houses.On($"r{i}", "den", 1, 100 + (i * 110)))]);
        var plan = Planner.Plan(job);
        var tag = Assert.Single(plan.Tags, t => t.Rule == "210.19 note, house rule");
        Assert.Equal((Severity.Amber, "Home run in 10, 25 ft: 3.1 %"), (tag.Severity, tag.Fixes[0].Label));
        var mended = Planner.Plan(tag.Fixes[0].Change.On(job).Job!);
        Assert.True(mended.Circuits[0].Drop.Value < plan.Circuits[0].Drop.Value);
        Assert.Equal(20m, mended.Circuits[0].Breaker.Value);
    }

    [Fact]
    public void A_larger_home_run_by_school_leaves_the_breaker_to_the_smaller_wire()
    {
        var job = Houses.Row(("den", RoomUse.Den, 30)).With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 1, 200)) with
        { Schools = new() { HomeRun = HomeRunSize.OneLarger } };
        var sized = Planner.Plan(job).Circuits[0].Sized;
        Assert.Equal(["10-2", "12-2"], sized.Routed.Runs.Select(sized.CableOf));
        Assert.Equal(20m, sized.Breaker.Value.Value);
    }

    [Fact] // 20 × 36 + 6.5 = outside; 3 VA on each of about 750 ft² is more than one 15 A circuit carries
    public void Too_few_general_circuits_for_the_floor_are_tagged()
    {
        var job = Houses.Row(("den", RoomUse.Den, 60))
            .With([.. Enumerable.Range(0, 21).Select(i => Houses.Ceiling($"l{i:00}", "den", 20 + (i * 30), 60, DeviceKind.SmokeAlarm))]);
        var plan = Planner.Plan(job with { HouseRules = job.HouseRules with { OutletsPerCircuit = 30 } });
        Assert.Single(plan.Circuits);
        Assert.Contains(plan.Tags, t => t.Rule == "210.11(A)");
    }

    [Fact] // 80 × 12 ft inside the walls, some 1000 ft² outside them: 3000 VA on two circuits of 15 A, 1800 VA each, one in each panel
    public void General_circuits_of_every_panel_of_the_dwelling_count_for_the_floor()
    {
        IEnumerable<Box> Lamps(string room) => Enumerable.Range(0, 12)
            .Select(i => Houses.Ceiling($"{room}-{i:00}", room, 20 + (i * 36), 60));
        var job = Houses.Row(("west", RoomUse.Den, 40), ("east", RoomUse.Den, 40)).With([.. Lamps("west"), .. Lamps("east")]);
        job = job with
        {
            Panels = [job.Panels[0],
            Houses.Panel("east", 12) with { Id = new("B"), Wall = 2, Rating = 100.Amps(), FedFrom = new("A") }]
        };
        var plan = Planner.Plan(job with { HouseRules = job.HouseRules with { OutletsPerCircuit = 12 } });
        Assert.Equal(["A", "B"], plan.Circuits.Where(c => c.Circuit.IsGeneral).Select(c => c.Circuit.Panel.Value)
            .Order(StringComparer.Ordinal));
        Assert.InRange(plan.Survey.FloorArea.Value, 900, 1199);
        Assert.DoesNotContain(plan.Tags, t => t.Rule == "210.11(A)");
    }

    [Fact]
    public void Labels_say_HR_IN_OUT_and_END()
    {
        var job = Houses.Row(("den", RoomUse.Den, 30)).With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 1, 200));
        var pulls = Planner.Plan(job).Takeoff.Pulls;
        Assert.Equal([RunKind.HomeRun, RunKind.Jumper], pulls.Select(p => p.Kind));
        Assert.Equal(("HR A1 den receptacle 1", "HR A1 from Panel A"), (pulls[0].LabelFrom, pulls[0].LabelTo));
        Assert.Equal(("A1 OUT to den receptacle 2", "A1 IN from den receptacle 1 END"), (pulls[1].LabelFrom, pulls[1].LabelTo));
    }

    [Fact]
    public void Alarms_are_joined_by_a_three_wire_on_a_lighting_circuit()
    {
        var job = Houses.Row(("hall", RoomUse.Hall, 12), ("bed", RoomUse.Bedroom, 12))
            .With(Houses.Ceiling("a1", "hall", 40, 40, DeviceKind.SmokeAlarm), Houses.Ceiling("a2", "bed", 40, 40, DeviceKind.SmokeAlarm),
                Houses.Ceiling("l", "hall", 60, 60), Houses.Switch("s", "hall", 1, 20, DeviceKind.Switch, "l"));
        var circuit = Planner.Plan(job).CircuitOf(new("a1"))!;
        Assert.Contains(new("a2"), circuit.Circuit.Boxes);
        var joined = Assert.Single(circuit.Runs, r => r.Kind == RunKind.Interconnect);
        Assert.Equal("14-3", circuit.CableOf(joined));
    }
}
