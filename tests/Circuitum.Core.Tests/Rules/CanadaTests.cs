using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Conductors;
using Circuitum.Core.Demand;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Tags;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>The Canadian method by its own worked cases, each number with its sum.</summary>
public sealed class CanadaTests
{
    private static readonly CodeBook Book = CodeBook.For(Edition.Canada2021);

    private static SquareFeet Metres(decimal square) => new(square / 0.09290304m);

    [Theory] // Table 2, copper, 60, 75 and 90 °C
    [InlineData("14", 15, 20, 25)]
    [InlineData("8", 40, 50, 55)]
    [InlineData("4", 70, 85, 95)]
    [InlineData("1", 110, 130, 145)]
    [InlineData("4/0", 195, 230, 260)]
    public void Ampacities(string gauge, int c60, int c75, int c90) => Assert.Equal([c60, c75, c90],
        new[] { Column.C60, Column.C75, Column.C90 }.Select(c => (int)Book.Conductors.Ampacity(Gauge.Parse(gauge), Metal.Copper, c)!.Value
            .Value));

    [Theory] // Table 5C, both sides of every step
    [InlineData(3, 1.0)]
    [InlineData(4, .8)]
    [InlineData(6, .8)]
    [InlineData(7, .7)]
    [InlineData(24, .7)]
    [InlineData(25, .6)]
    [InlineData(42, .6)]
    [InlineData(43, .5)]
    public void Company_takes_its_share(int carrying, double factor) =>
        Assert.Equal((decimal)factor, Book.Conductors.AdjustmentFactor(carrying));

    [Theory] // 58 A with four or more: 85 × 0.8 = 68 ≥ 58 on 4, 65 × 0.8 = 52 < 58 on 6; 58 ÷ 0.8 = 72.5 ≤ 85
    [InlineData("4", 68)]
    [InlineData("6", 52)]
    // two circuits in one pipe, 75 °C ends: 40 A ÷ 0.8 = 50.0 on 8 (50), 60 ÷ 0.8 = 75.0 on 4 (85); 6 has 65
    [InlineData("8", 40)]
    public void The_column_of_the_terminations_is_adjusted(string gauge, int amps) => Assert.Equal(amps,
        Conductors.Ampacities.InRaceway(Gauge.Parse(gauge), 4, new(30), Column.C75, Book).Value.Value);

    [Fact] // the neutral of the three-wire circuit carries none for heating, and fills the pipe: four count, five are in it
    public void Two_circuits_in_one_pipe_look_their_divided_loads_up()
    {
        Assert.Equal(.8m, Conductors.Ampacities.Adjustment(2, 4, true, Book, Jacket.Loose));
        Gauge Least(decimal load) => Gauge.All.First(g => Book.Conductors.Ampacity(g, Metal.Copper, Column.C75)!.Value.Value >= load / .8m);
        Assert.Equal(("8", "4"), (Least(40).ToString(), Least(60).ToString()));
    }

    [Fact] // 14 AWG of 90 °C in an attic of 50 °C: 25 × 0.82 = 20.5, held to 15
    public void Warmth_is_corrected_from_the_insulation() => Assert.Equal(15m,
        Conductors.Ampacities.InCable(Gauge.Awg14, 1, 2, new(50), Book, "in the attic").Value.Value);

    [Fact] // no hole is counted; 600 mm together is, and 599 is not
    public void Cables_are_adjusted_where_they_lie_together()
    {
        decimal Of(int cables, Length? bundled) => Conductors.Ampacities.InCable(Gauge.Awg12, cables, 2 * cables, new(30), Book, "",
            bundled: bundled).Value.Value;
        Assert.Equal(20m, Of(4, null));
        Assert.Equal(20m, Of(4, Length.FromMetres(.6m)));
        Assert.Equal(14m, Of(4, Length.FromMetres(.601m))); // eight conductors: 20 × 0.7
    }

    // 185 m² on two storeys and 80 m² of basement: 185 + 60 = 245 m²; 5000 + 2 × 1000
    private static readonly LoadList Worked = new()
    {
        Area = Metres(265),
        Basement = Metres(80),
        Loads =
        [
            new("Range", LoadKind.Cooking, 12_000.VoltAmps()), new("Heat", LoadKind.SpaceHeat, 15_000.VoltAmps()),
            new("Dryer", LoadKind.Dryer, 5500.VoltAmps()), new("Water heater", LoadKind.Fixed, 4500.VoltAmps()),
        ],
    };

    private static LoadSum Of(LoadList list) => BasicMethod.OfDwelling(list, Book.Demand.Basic!, Book);

    [Fact] // 7000 + (10 000 + 3750) + 6000 + 1375 + 1125 = 29 250 W; ÷ 240 = 121.875 A
    public void The_house_that_is_worked_by_hand()
    {
        var sum = Of(Worked);
        Assert.Equal([7000, 13_750, 6000, 2500], sum.Lines.Select(l => (int)l.Counted.Value));
        Assert.Equal(29_250m, sum.Total.Value);
        Assert.Equal(121.875m, sum.Current.Value);
        Assert.Equal(125m, Book.Service.Ratings.First(r => r >= sum.Current).Value);
        Assert.Contains("185 m² + 75 % of 80 m² = 245 m²", sum.Lines[0].Sum, StringComparison.Ordinal);
        Assert.All(sum.Lines, l => Assert.Contains("8-200", l.Section, StringComparison.Ordinal));
    }

    [Fact] // a hot tub of 9.6 kW and a heater without a tank of 14.4 kW count whole: 29 250 + 24 000 = 53 250 W; a water heater is 25 %
    public void Water_that_is_heated_while_it_runs_counts_whole()
    {
        var units = new[] { Appliance.HotTub, Appliance.TanklessHeater, Appliance.WaterHeater }.Select(EquipmentLibrary.Typical).ToList();
        Assert.Equal([9600m, 14_400m, 4500m], units.Select(u => u.Load.Value));
        var drawn = Planner.Plan(House(Houses.Rectangle("den", RoomUse.Den, Length.Zero, Length.Zero, 30.Feet(), 12.Feet()))
            .With([.. units.Select((u, i) => Houses.Appliance($"u{i}", "den", 1, 40 + (90 * i), u))])).Service.List.Loads;
        Assert.Equal([true, true, false], units.Select(u => drawn.Single(l => l.Name == u.Name).WaterAtOnce));
        var sum = Of(Worked with { Loads = [.. Worked.Loads, .. drawn.Where(l => l.WaterAtOnce)] });
        Assert.Equal(53_250m, sum.Total.Value);
        Assert.Equal(24_000m, Assert.Single(sum.Lines, l => l.Section == "8-200(1)(a)(v)").Counted.Value);
    }

    private static Job Utility(Edition edition) => House(
        Houses.Rectangle("utility", RoomUse.Utility, Length.Zero, Length.Zero, 12.Feet(), 12.Feet()),
        Houses.Rectangle("den", RoomUse.Den, 12.Feet(), Length.Zero, 12.Feet(), 12.Feet())) with
    { Edition = edition };

    [Theory] // two receptacles in each of two rooms: one circuit where a utility room may share, two where it may not
    [InlineData(Edition.Canada2021, 2)]
    [InlineData(Edition.Y2023, 1)]
    public void A_utility_room_has_a_circuit_of_its_own(Edition edition, int circuits)
    {
        var job = Utility(edition).With(Houses.On("u1", "utility", 1, 40), Houses.On("u2", "utility", 3, 40), Houses.On("d1", "den", 1, 40),
            Houses.On("d2", "den", 3, 40));
        Assert.Equal(circuits, Planner.Plan(job).Circuits.Length);
        var key = Planner.Plan(job).Circuits.First(c => c.Circuit.Boxes.Contains(new("d1"))).Circuit.Key;
        Assert.Equal(circuits == 2, Tagged(new PinBox(new("u1"), key).On(job).Job!, RuleId.UtilityRoomCircuit).Any());
        Assert.Empty(Tagged(job, RuleId.UtilityRoomCircuit));
    }

    [Theory] // and a receptacle, which laying out by rule places; a shed is none
    [InlineData(Edition.Canada2021, false, true)]
    [InlineData(Edition.Canada2021, true, false)]
    [InlineData(Edition.Y2023, false, false)]
    public void A_utility_room_has_a_receptacle(Edition edition, bool shed, bool asked)
    {
        var job = Utility(edition);
        job = shed ? job with { Structures = [job.Structures[0] with { Accessory = true }] } : job;
        Assert.Equal(asked, Tagged(job, RuleId.UtilityRoomReceptacle).Any(t => t.Severity == Severity.Red));
        Assert.Empty(Tagged(new LayOut([.. job.Rooms.Select(r => r.Id)]).On(job).Job!, RuleId.UtilityRoomReceptacle));
    }

    [Theory] // each further 90 m² or part of it
    [InlineData(90, 5000)]
    [InlineData(90.1, 6000)]
    [InlineData(180, 6000)]
    [InlineData(180.1, 7000)]
    public void Area_by_nineties(double area, int watts) =>
        Assert.Equal(watts, BasicMethod.Of(new() { Area = Metres((decimal)area) }, Book.Demand.Basic!, Book).Total.Value);

    [Theory]
    [InlineData(79.9, 14_400)]
    [InlineData(80, 24_000)]
    public void A_dwelling_is_not_taken_for_less(double area, int watts)
    {
        var sum = Of(new() { Area = Metres((decimal)area) });
        Assert.Equal(watts, sum.Total.Value);
        Assert.Equal("8-200(1)(b)", sum.Lines[^1].Section);
    }

    [Fact] // a basement of 80 m² makes no large dwelling of one of 70: 14 400 W
    public void A_basement_does_not_count_for_the_least() =>
        Assert.Equal(14_400m, Of(new() { Area = Metres(150), Basement = Metres(80) }).Total.Value);

    [Theory] // 10 kW whole, 75 per cent beyond; air conditioning of 12 kW against heat of 12 kW, which counts 11 500
    [InlineData(10_000, 0, 10_000)]
    [InlineData(10_001, 0, 10_000.75)]
    [InlineData(12_000, 12_000, 12_000)]
    public void Heat_and_cooling(int heat, int cool, double counted) => Assert.Equal((decimal)counted, BasicMethod.Of(new()
    {
        Area = new(0),
        Loads = [new("Heat", LoadKind.SpaceHeat, heat.VoltAmps()), new("Cool", LoadKind.Cooling, cool.VoltAmps())],
    }, Book.Demand.Basic!, Book).Total.Value);

    [Theory] // 12 kW: 6000; 12.5 kW: 6000 + 40 % of 500; others beside a range 25 %, without one 6000 whole and 25 % beyond
    [InlineData(12_000, 8000, 8000)]
    [InlineData(12_500, 8000, 8200)]
    [InlineData(0, 6000, 6000)]
    [InlineData(0, 8000, 6500)]
    public void Ranges_and_what_is_large(int range, int others, int counted) => Assert.Equal(counted, BasicMethod.Of(new()
    {
        Area = new(0),
        Loads = [.. range == 0 ? (ListedLoad[])[] : [new("Range", LoadKind.Cooking, range.VoltAmps())],
            new("Others", LoadKind.Fixed, others.VoltAmps())],
    }, Book.Demand.Basic!, Book).Total.Value);

    [Theory] // not over 1500 W: in the floor area
    [InlineData(1500, 0)]
    [InlineData(1501, 1501)]
    public void What_is_small_is_in_the_floor_area(int watts, int counted) => Assert.Equal(counted, BasicMethod.Of(new()
    {
        Area = new(0),
        Loads = [new("It", LoadKind.Specific, watts.VoltAmps())],
    }, Book.Demand.Basic!, Book).Total.Value);

    [Theory] // 8-300: 8 kW to 12 kW, 40 % of what is beyond
    [InlineData(7500, 7500)]
    [InlineData(12_000, 8000)]
    [InlineData(14_000, 8800)]
    public void A_ranges_branch_circuit(int rating, int demand) => Assert.Equal(demand, Book.Demand.Range(rating.VoltAmps()).Value);

    [Fact] // Table 22: 4 × 24.6 mL, two for the device, and two connectors that count one: 7 × 1.50 in³
    public void A_box_counts_connectors_and_no_grounds()
    {
        var fourteen = new EnteringCable(Gauge.Awg14, 2);
        Assert.Equal(7 * 1.50m, Book.Boxes.Count([fourteen, fourteen], 1).Value.Value);
        Assert.Equal(4 * 1.50m, Book.Boxes.Count([fourteen], 1).Value.Value);
    }

    [Theory] // Table 53
    [InlineData(Buried.Cable, false, 600)]
    [InlineData(Buried.Cable, true, 900)]
    [InlineData(Buried.Pvc, false, 450)]
    [InlineData(Buried.Pvc, true, 600)]
    public void Cover(Buried what, bool underDrive, int millimetres) =>
        Assert.Equal(Length.FromMetres(millimetres / 1000m), Book.Burial.Cover(what, underDrive).Value);

    private static Outlet At(RoomUse room, bool receptacle = true, bool counter = false, bool sink = false, bool tub = false,
        bool outdoors = false, int amps = 15, Appliance? appliance = null) =>
        new(room, outdoors, receptacle, !receptacle, false, counter, sink, tub, 120.Volts(), amps.Amps(), appliance);

    [Fact]
    public void Protection_goes_by_water_weather_and_receptacles()
    {
        string Of(Outlet o) => $"{(Book.Protection.Afci(o) is null ? "-" : "a")}{(Book.Protection.Gfci(o) is null ? "-" : "g")}";
        Assert.Equal("a-", Of(At(RoomUse.Bedroom)));
        Assert.Equal("--", Of(At(RoomUse.Bedroom, receptacle: false)));
        Assert.Equal("-g", Of(At(RoomUse.Bath, sink: true)));
        Assert.Equal("--", Of(At(RoomUse.Bath)));
        Assert.Equal("-g", Of(At(RoomUse.Kitchen, counter: true, sink: true, amps: 20)));
        Assert.Equal("a-", Of(At(RoomUse.Kitchen, counter: true, amps: 20)));
        Assert.Equal("--", Of(At(RoomUse.Kitchen, appliance: Appliance.Refrigerator)));
        Assert.Equal("a-", Of(At(RoomUse.Garage)));
        Assert.Equal("ag", Of(At(RoomUse.Laundry, sink: true)));
        Assert.Equal("-g", Of(At(RoomUse.Family, outdoors: true)));
        Assert.Equal("--", Of(At(RoomUse.Den, amps: 30)));
    }

    private static Job House(params Room[] rooms) => Houses.House([.. rooms]) with { Edition = Edition.Canada2021 };

    private static IEnumerable<Tag> Tagged(Job job, RuleId rule) => Planner.Plan(job).Tags.Where(t => t.Cite.Cites(rule));

    private static WallSpace Wall(Length clear, params Length[] receptacles) => new(new("r"), clear, [], [.. receptacles], false)
    {
        Within = Book.Outlets.WallReach,
        AskedFrom = Book.Outlets.NarrowestWall,
    };

    [Theory] // 1.8 m is 70.87 in: from a receptacle in the middle of a wall 70 in to each end are served, 71 are not
    [InlineData(70, true)]
    [InlineData(71, false)]
    public void No_point_of_a_wall_is_farther_than_1800(int inches, bool served) =>
        Assert.Equal(served, Wall(inches.Inches() * 2, inches.Inches()).Served);

    [Theory] // 900 mm is 35.43 in of wall, 300 mm 11.81 in of counter
    [InlineData(35, false)]
    [InlineData(36, true)]
    public void A_wall_of_900_counts(int inches, bool counts) => Assert.Equal(counts, Wall(inches.Inches()).Least > 0);

    /// <summary>A kitchen 26 ft long whose counter has so many receptacles, c0 and on, 30 in apart.</summary>
    /// <param name="receptacles">At the counter.</param>
    /// <param name="more">What stands there beside the counter.</param>
    internal static Job Kitchen(int receptacles, params Fixture[] more)
    {
        var kitchen = Houses.Rectangle("kitchen", RoomUse.Kitchen, Length.Zero, Length.Zero, 26.Feet(), 12.Feet()) with
        {
            Fixtures = [new() { Kind = FixtureKind.Counter, Wall = 1, Offset = Length.Zero, Width = 24.Feet(), Depth = 25.Inches() },
                .. more],
        };
        return House(kitchen).With([.. Enumerable.Range(0, receptacles)
            .Select(i => Houses.On($"c{i}", "kitchen", 1, 20 + (30 * i)) with { ServesCounter = true })]);
    }

    [Theory] // two circuits at least, at most two on each: 2, 3, 4 → 2; 5, 6 → 3; 7 → 4
    [InlineData(2, 2)]
    [InlineData(3, 2)]
    [InlineData(4, 2)]
    [InlineData(5, 3)]
    [InlineData(6, 3)]
    [InlineData(7, 4)]
    public void Counters_are_dealt_out(int receptacles, int circuits)
    {
        var plan = Planner.Plan(Kitchen(receptacles));
        var counters = plan.Circuits.Where(c => c.Circuit.Kind == CircuitKind.SmallAppliance).ToList();
        Assert.Equal(circuits, counters.Count);
        Assert.All(counters, c => Assert.Equal((20m, 12), (c.Breaker.Value, int.Parse(c.Gauge.ToString(),
            System.Globalization.CultureInfo.InvariantCulture))));
        for (var i = 0; i + 1 < receptacles; i++)
        {
            Assert.DoesNotContain(counters, c => c.Circuit.Boxes.Contains(new($"c{i}")) && c.Circuit.Boxes.Contains(new($"c{i + 1}")));
        }

        Assert.Empty(plan.Tags.Where(t => t.Cite.Cites(RuleId.CounterNeighbors)));
    }

    [Fact]
    public void Neighbors_that_a_person_puts_together_are_tagged()
    {
        var job = Kitchen(4);
        var key = Planner.Plan(job).Circuits.First(c => c.Circuit.Boxes.Contains(new("c0"))).Circuit.Key;
        Assert.NotEmpty(Tagged(new PinBox(new("c1"), key).On(job).Job!, RuleId.CounterNeighbors));
    }

    [Fact] // twelve of 1 A on 15 A; the thirteenth goes elsewhere, and where it is held it is tagged
    public void Twelve_outlets_are_the_most()
    {
        var den = Houses.Rectangle("den", RoomUse.Den, Length.Zero, Length.Zero, 40.Feet(), 12.Feet());
        Job With(int count) => House(den).With([.. Enumerable.Range(0, count).Select(i => Houses.On($"r{i}", "den", 1, 12 + (18 * i)))])
            with
        { HouseRules = new() { OutletsPerCircuit = 30, LargestFill = new(100) } };
        Job Held(Job job)
        {
            var key = Planner.Plan(job).Circuits[0].Circuit.Key;
            return job.Boxes.Aggregate(job, (held, b) => new PinBox(b.Id, key).On(held).Job!);
        }

        Assert.All(Planner.Plan(With(25)).Circuits, c => Assert.InRange(c.Circuit.Boxes.Length, 1, 12));
        Assert.Single(Planner.Plan(Held(With(12))).Circuits);
        Assert.Empty(Tagged(Held(With(12)), RuleId.OutletCap));
        Assert.Contains("13 > 12", Assert.Single(Tagged(Held(With(13)), RuleId.OutletCap)).Arithmetic, StringComparison.Ordinal);
    }

    [Fact] // a 15 A receptacle has 15 A before it, one with a T-slot 20
    public void Receptacles_suit_their_breaker()
    {
        var den = Houses.Rectangle("den", RoomUse.Den, Length.Zero, Length.Zero, 20.Feet(), 12.Feet());
        var job = House(den).With(Houses.On("r", "den", 1, 60), Houses.On("s", "den", 1, 120));
        var circuit = Assert.Single(Planner.Plan(job).Circuits);
        Assert.Equal((15m, "14"), (circuit.Breaker.Value, circuit.Gauge.ToString()));
        var twenty = new PinBreaker(circuit.Circuit.Key, 20.Amps()).On(job).Job!;
        Assert.Empty(Tagged(twenty, RuleId.ReceptacleRatings));
        Assert.NotEmpty(Tagged(new SetRating(new("r"), 0, 15.Amps()).On(twenty).Job!, RuleId.ReceptacleRatings));
    }

    [Fact] // a rule: the planner grows the conductor until 3 per cent hold, and tags what a person holds smaller
    public void Voltage_drop_is_a_rule()
    {
        var far = Houses.Row(("hall", RoomUse.Hall, 100), ("den", RoomUse.Den, 20)) with { Edition = Edition.Canada2021 };
        var job = far.With([.. Enumerable.Range(0, 8).Select(i => Houses.On($"r{i}", "den", 1, 12 + (24 * i)))]);
        var circuit = Assert.Single(Planner.Plan(job).Circuits);
        Assert.True(!(circuit.Drop > new Percent(3)), circuit.Drop.ToString());
        Assert.True(circuit.Sized.HomeRunGauge > Gauge.Awg14);
        Assert.NotEmpty(Tagged(new PinCable(circuit.Circuit.Key, Gauge.Awg14).On(job).Job!, RuleId.VoltageDropLimit));
        Assert.Equal(Gauge.Awg14, Assert.Single(Planner.Plan(job with
        {
            Edition = Edition.Y2020,
            HouseRules = new() { DropTarget = new(8) },
            Pins = new() { Breakers = [new(circuit.Circuit.Key, 15.Amps())] }
        }).Circuits).Sized.HomeRunGauge);
    }

    [Theory] // what a plan by this book never has, whatever the house
    [InlineData(1)]
    [InlineData(4)]
    [InlineData(5)]
    [InlineData(7)]
    [InlineData(9)]
    [InlineData(11)]
    public void A_house_laid_out_and_planned_by_it_keeps_its_own_rules(int number)
    {
        var house = BuiltHouses.Number(number) with { Edition = Edition.Canada2021 };
        var job = LayOut.Everything.On(house).Job ?? house;
        var plan = Planner.Plan(job);
        RuleId[] kept = [RuleId.CounterNeighbors, RuleId.CounterCircuits, RuleId.CounterReach, RuleId.WallReach, RuleId.OutletCap,
            RuleId.ReceptacleRatings, RuleId.SmallConductors, RuleId.BranchConductors, RuleId.SmallApplianceOnly, RuleId.RefrigeratorAlone];
        Assert.Empty(plan.Tags.Where(t => t.Severity == Severity.Red && kept.Any(t.Cite.Cites)).Select(t => t.Headline));
        Assert.All(plan.Tags, t => Assert.True(Book.Asks(t.Cite), t.Headline));
        foreach (var circuit in plan.Circuits.Where(c => c.Circuit.Kind != CircuitKind.Feeder))
        {
            // Refrigerators alone; no receptacle of a wall with more than twelve; nothing of a rule of another family.
            var boxes = circuit.Circuit.Boxes.Select(b => plan.Survey[b]).ToList();
            Assert.True(!circuit.Circuit.IsGeneral || boxes.Count(b => !b.SwitchesOnly) <= 12, circuit.Circuit.Key.Value);
            Assert.True(boxes.Count == 1 || !boxes.Exists(b => b.Plates.Any(p => p.Appliance == Appliance.Refrigerator)));
        }
    }

    [Fact] // 1.7 m is 66.9 in to the handle, 3 in more to the cabinet's top: 69 in; cable by the meter
    public void A_new_job_begins_as_the_book_has_it()
    {
        Job New(Edition edition) => new NewJob
        {
            Edition = edition,
            Name = "New",
            FirstRoom = "Utility",
            FirstUse = RoomUse.Utility,
        }.Start();
        var job = New(Edition.Canada2021);
        Assert.Equal((Measure.Metres, 69.Inches()), (job.Schools.Measure, job.Panels[0].Top));
        Assert.Equal((Measure.Feet, 72.Inches()), (New(Edition.Y2020).Schools.Measure, New(Edition.Y2020).Panels[0].Top));
        Assert.Empty(Tagged(job, RuleId.BreakerHeight));
    }

    [Theory]
    [InlineData(1800, "1.8 m (5'-10 3/4\")")]
    [InlineData(900, "900 mm (2'-11 3/8\")")]
    [InlineData(1000, "1 m (3'-3 3/8\")")]
    public void Meters_have_feet_beside_them(int millimetres, string words)
    {
        var asked = Asked.Millimetres(millimetres);
        Assert.Equal(words, asked.Words);
        Assert.True(Length.Parse(words[(words.IndexOf('(', StringComparison.Ordinal) + 1)..^1]) <= asked.Length);
    }

    [Fact] // a rule is a clause, or good practice, or not asked; and the table knows every one
    public void Every_rule_is_decided_on() => Assert.All(Enum.GetValues<RuleId>(), r =>
    {
        Assert.NotEqual("", Book.Cite(r).Text);
        Assert.True(Book.Has(r) || Book.Cite(r).Text == "good practice", r.ToString());
    });
}
