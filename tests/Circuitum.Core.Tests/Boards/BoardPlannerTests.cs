using Circuitum.Core.Boards;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;

namespace Circuitum.Core.Tests.Boards;

/// <summary>The worked cases of a metric board, and a sum by hand for each choice.</summary>
public sealed class BoardPlannerTests
{
    [Fact] // 5 × 100 = 500 W; 10 × 150 = 1500 W; 15 × 150 = 2250 W: 13 × 150 = 1950 fit, the rest does not
    public void Lighting_is_10_A_to_1200_W_16_A_to_2000_W_and_split_above()
    {
        Assert.Equal([10m], Briefs.Planned("hall, 3 m: 5 lamps").Of(CircuitUse.Lighting).Select(w => w.Sized.Rating.Value));
        Assert.Equal([16m], Briefs.Planned("hall, 3 m: 10 lamps 150 W").Of(CircuitUse.Lighting).Select(w => w.Sized.Rating.Value));
        var split = Briefs.Planned("hall, 3 m: 15 lamps 150 W").Of(CircuitUse.Lighting);
        Assert.Equal([1950m, 300m], split.Select(w => w.Circuit.Watts.Value));
        Assert.All(split, w => Assert.Equal(2.5m, w.Sized.Size.Value.Value));
    }

    [Fact]
    public void One_breaker_does_not_darken_two_rooms() =>
        Assert.Equal([["hall"], ["study"]], Briefs.Planned("hall, 3 m: 2 lamps", "study, 6 m: 2 lamps").Of(CircuitUse.Lighting)
            .Select(w => w.Circuit.Rooms));

    [Fact] // 3 + 3 + 2 rooms of 400 W make 1200, 1200, 800; whole rooms, as few breakers as can be: 8 × 400 = 3200 W is two of 1600 W
    public void Rooms_are_lit_whole_and_evenly()
    {
        var plan = Briefs.Planned([.. Enumerable.Range(1, 8).Select(i => $"room {i}, {i} m: 4 lamps")]);
        Assert.Equal([1600m, 1600m], plan.Of(CircuitUse.Lighting).Select(w => w.Circuit.Watts.Value));
    }

    [Fact] // 40 lamps of 12 W are 480 W and could all be on one: 24 at most, and rooms whole
    public void A_breaker_that_opens_leaves_other_rooms_lit()
    {
        string[] rooms = [.. Enumerable.Range(1, 5).Select(i => $"room {i}, {i} m: 8 LEDs 12 W")];
        Assert.Equal([16, 24], Briefs.Planned(rooms).Of(CircuitUse.Lighting).Select(w => w.Circuit.Points.Length).Order());
        Assert.Equal(5, Briefs.Planned(["lamps on a circuit: 8", .. rooms]).Of(CircuitUse.Lighting).Count);
        Assert.Equal("1.1–1.8", Briefs.Planned(["lamps on a circuit: 8", .. rooms]).Of(CircuitUse.Lighting)[0].Circuit.Marks);
    }

    [Fact] // a ring's breaker may be larger than what one way carries
    public void A_ring_is_compared_each_way() =>
        Assert.Equal("13.9 ≤ 32, 20 ≤ 32 each way", Briefs.Planned("hall, 8 m: 8 twin sockets").Of(CircuitUse.Ring)[0].Sized.Compared);

    [Fact] // nine on a ring are refused: eight and one radial
    public void Nine_sockets_are_a_ring_of_eight_and_a_radial()
    {
        var plan = Briefs.Planned("kitchen, 8 m: 9 twin sockets");
        Assert.Equal((8, 32m), (plan.Of(CircuitUse.Ring)[0].Circuit.Points.Length, plan.Of(CircuitUse.Ring)[0].Sized.Rating.Value));
        Assert.Equal((1, 20m), (plan.Of(CircuitUse.Radial)[0].Circuit.Points.Length, plan.Of(CircuitUse.Radial)[0].Sized.Rating.Value));
        Assert.Single(plan.Of(CircuitUse.Ring));
    }

    [Theory] // both sides of a radial's most
    [InlineData(4, CircuitUse.Radial)]
    [InlineData(5, CircuitUse.Ring)]
    public void Four_sockets_are_a_radial_and_five_a_ring(int sockets, CircuitUse use) =>
        Assert.Equal(use, Assert.Single(Briefs.Planned($"hall, 5 m: {sockets} twin sockets").Ways()).Circuit.Use);

    [Fact] // 8 m there, seven times 4 m between, 8 m back: 44 m; 4.61 mΩ/m: 0.203 Ω
    public void A_ring_comes_back_and_its_ends_are_told()
    {
        var ring = Briefs.Planned("kitchen, 8 m: 8 twin sockets").Of(CircuitUse.Ring)[0].Sized;
        Assert.Equal(9, ring.Circuit.Legs.Length);
        Assert.Equal(44m, decimal.Round(ring.Circuit.Conduit.Metres, 1));
        Assert.Equal((.203m, .203m), (decimal.Round(ring.RingEnds!.Value.Phase.Value, 3), decimal.Round(ring.RingEnds.Value.Earth.Value,
            3)));
        // 32 A in eight parts of 4 A at 8, 12 … 36 of 44 m. 16 A from each end; the fourth is the lowest:
        // 16 × 8 + 12 × 4 + 8 × 4 + 4 × 4 = 224 Am × 11 mV = 2.464 V of 230.
        Assert.Equal(1.07m, decimal.Round(ring.Drop.Value, 2));
        Assert.Equal((4m, 32m), (ring.Size.Value.Value, ring.Carries.Value));
    }

    [Fact]
    public void Sockets_of_the_kitchen_and_of_the_garden_are_apart() =>
        Assert.Equal([["hall"], ["kitchen"], ["garden"]],
            Briefs.Planned("hall, 3 m: 2 sockets", "kitchen, 5 m: 2 sockets", "garden, 9 m, outdoors: socket")
                .Of(CircuitUse.Radial).Select(w => w.Circuit.Rooms));

    [Fact]
    public void A_socket_of_15_A_is_alone() =>
        Assert.Equal([16m, 16m], Briefs.Planned("hall, 3 m: 2 15 A sockets").Of(CircuitUse.Socket15).Select(w => w.Sized.Rating.Value));

    [Theory] // 7.2 kW ÷ 230 = 31.3 A; 41 × 0.79 = 32.39 A still; 8.5 kW ÷ 230 = 36.96 A
    [InlineData("7.2 kW", 30, 32, 6)]
    [InlineData("7.2 kW", 45, 32, 6)]
    [InlineData("8.5 kW", 30, 40, 10)]
    public void A_cooker_has_its_own_way_of_two_poles(string watts, int ambient, int breaker, int size)
    {
        var way = Assert.Single(Briefs.Planned($"ambient: {ambient}", $"kitchen, 9 m: cooker {watts}").Ways()).Sized;
        Assert.Equal((breaker, (decimal)size, 2), ((int)way.Rating.Value, way.Size.Value.Value, way.Rated.Poles));
    }

    [Fact] // 12 kW ÷ (√3 × 400) = 17.32 A
    public void A_cooker_on_three_phases_has_four_poles()
    {
        var plan = Briefs.Planned("kitchen, 9 m: cooker 12 kW three phases");
        var way = Assert.Single(plan.Ways());
        Assert.Equal((17.32m, 32m, 4, 0), (decimal.Round(way.Sized.Rated.Current.Value, 2), way.Sized.Rating.Value, way.Sized.Rated.Poles,
            way.Phase));
        Assert.Equal([4000m, 4000m, 4000m], plan.Boards[0].Loads.Connected.Select(w => decimal.Round(w.Value, 3)));
        Assert.Equal(0, decimal.Round(plan.Boards[0].Loads.Neutral.Value, 3));
    }

    [Theory] // 4.6 kW ÷ 230 = 20 A
    [InlineData("4.6 kW", 20)]
    [InlineData("4.7 kW", 25)]
    public void A_water_heater_is_alone_on_20_or_25_A(string watts, int breaker) =>
        Assert.Equal(breaker, Assert.Single(Briefs.Planned($"bath, 9 m: water heater {watts}").Ways()).Sized.Rating.Value);

    [Fact] // 6 kW ÷ 230 = 26.09 A
    public void A_water_heater_above_25_A_is_red() =>
        Assert.Contains(BoardChecks.Of(Briefs.Planned("bath, 9 m: water heater 6 kW")), t => t.Severity == Severity.Red
            && t.Arithmetic.Contains("26.09 A", StringComparison.Ordinal));

    [Fact] // three of one room on one circuit: 6900 W ÷ 230 = 30 A; a fourth is apart; two rooms share none
    public void Three_units_of_one_room_are_looped_and_no_more()
    {
        Assert.Equal(30m, Assert.Single(Briefs.Planned("bedroom, 9 m: 3 splits 2300 W").Ways()).Sized.Rated.Current.Value);
        Assert.Equal([3, 1], Briefs.Planned("bedroom, 9 m: 4 splits 2300 W").Ways().Select(w => w.Circuit.Points.Length));
        Assert.Equal(2, Briefs.Planned("bedroom, 9 m: split 2300 W", "study, 9 m: split 2300 W").Ways().Count());
        // 3 × 2600 W is 33.9 A: the third is apart.
        Assert.Equal([2, 1], Briefs.Planned("bedroom, 9 m: 3 splits 2600 W").Ways().Select(w => w.Circuit.Points.Length));
    }

    [Fact]
    public void A_unit_on_three_phases_is_alone()
    {
        var ways = Briefs.Planned("hall, 9 m: 2 splits 6 kW three phases, split 2 kW").Ways().ToList();
        Assert.Equal([3, 3, 1], ways.Select(w => w.Sized.Rated.Poles));
        Assert.All(ways, w => Assert.Equal(Curve.C, w.Sized.Rated.Curve));
    }

    [Theory]
    [InlineData(8, 1)]
    [InlineData(9, 2)]
    public void Nine_cooling_units_have_a_board_of_their_own(int units, int boards)
    {
        var plan = Briefs.Planned([.. Enumerable.Range(1, units).Select(i => $"room {i}, {i} m: 2 lamps, split 2000 W")]);
        Assert.Equal(boards, plan.Boards.Length);
        Assert.Equal(boards == 2, plan.SubMain is not null);
        Assert.Equal(units, plan.Boards[^1].Ways.Count(w => w.Circuit.Use == CircuitUse.Cooling));
    }

    [Theory] // six rings stand behind one device; of seven, four and three
    [InlineData(6, new[] { 6 })]
    [InlineData(7, new[] { 4, 3 })]
    public void Seven_rings_have_two_devices(int rings, int[] behind)
    {
        var plan = Briefs.Planned([.. Enumerable.Range(1, rings).Select(i => $"room {i}, {i} m: 8 twin sockets"), "hall, 2 m: lamp"]);
        Assert.Equal(behind, plan.Boards[0].Sections.Where(s => s.Milliamps == 30).Select(s => s.Ways.Length));
    }

    [Fact] // lighting 100 mA, a garden's 30, what people hold 30, cooking and cooling 100
    public void Sections_stand_behind_what_their_circuits_ask_for()
    {
        var plan = Briefs.Planned("hall, 3 m: 2 lamps, 2 sockets, split 2000 W, cooker 7 kW, water heater 2 kW",
            "garden, 9 m, outdoors: lamp");
        Assert.Equal([("A", 100), ("B", 30), ("C", 30), ("D", 100)],
            plan.Boards[0].Sections.Select(s => ($"{s.Letter}", s.Milliamps)));
        Assert.Equal([1, 1, 2, 2], plan.Boards[0].Sections.Select(s => s.Ways.Length));
    }

    [Fact]
    public void A_board_of_one_kind_has_two_sections_all_the_same() =>
        Assert.Equal([2, 2], Briefs.Planned([.. Enumerable.Range(1, 4).Select(i => $"room {i}, {i} m: split 2000 W")])
            .Boards[0].Sections.Select(s => s.Ways.Length));

    [Fact] // 4 × 8050 W = 32 200 W ÷ 230 = 140 A: two boards of 70 A, 80 A each, behind a sub-main of 160 A
    public void A_load_of_140_A_has_two_boards_behind_a_sub_main()
    {
        var plan = Briefs.Planned(["supply: one phase", .. Enumerable.Range(1, 4).Select(i => $"kitchen {i}, 9 m: cooker 8.05 kW")]);
        Assert.Equal([80m, 80m], plan.Boards.Select(b => b.Incomer.Value.Value));
        Assert.Equal(160m, plan.SubMain!.Incomer.Value.Value);
        // 80 A: 25 mm² carries 101 A, 16 mm² 76 A; 70 A × 5 m × 1.75 mV = 0.61 V.
        Assert.Equal((25m, 16m, .27m), (plan.Boards[0].Feeder!.Size.Value.Value, plan.Boards[0].Feeder!.Earth.Value,
            decimal.Round(plan.Boards[0].Feeder!.Drop.Value, 2)));
    }

    [Theory] // 1500 W ÷ 230 = 6.52 A × 11 mV: at 100 m 7.17 V, 3.1 %; at 150 m 10.76 V, 4.7 %; 6 mm² then 7.14 V, 3.1 %
    [InlineData(100, 4, 3.12)]
    [InlineData(150, 6, 3.10)]
    public void A_long_way_is_drawn_in_larger(int metres, int size, double drop)
    {
        var way = Assert.Single(Briefs.Planned($"garden, {metres} m, outdoors: garden pump 1500 W").Ways()).Sized;
        Assert.Equal(((decimal)size, (decimal)drop), (way.Size.Value.Value, decimal.Round(way.Drop.Value, 2)));
        Assert.Equal((metres / 10) - 1, way.DrawBoxes);
    }

    [Fact] // 20 A: 32 × 0.87 = 27.8; three together × 0.7 = 19.5 A is too little: 6 mm², 41 × 0.87 × 0.7 = 24.97 A
    public void Company_and_warmth_make_it_larger()
    {
        var way = Assert.Single(Briefs.Planned("ambient: 40", "circuits in a conduit: 3", "hall, 5 m: 4 sockets").Ways()).Sized;
        Assert.Equal((6m, 24.97m), (way.Size.Value.Value, decimal.Round(way.Carries.Value, 2)));
    }

    [Fact] // 60 °C and twenty together: 232 × 0.5 × 0.38 = 44.08 A
    public void What_no_conductor_carries_is_red()
    {
        var plan = Briefs.Planned("ambient: 60", "circuits in a conduit: 20", "kitchen, 5 m: cooker 14 kW");
        Assert.Contains(BoardChecks.Of(plan), t => t.Severity == Severity.Red
            && t.Arithmetic.Contains("No conductor to 95 mm² carries 63 A at 60 °C with 20 circuits", StringComparison.Ordinal));
    }

    [Fact] // sockets at 40 %: 3 rings of 8 × 400 W = 3200 W, 1280 W each, one on each phase
    public void Demand_that_is_typed_reduces_the_incomer_and_nothing_else()
    {
        string[] rooms = [.. Enumerable.Range(1, 3).Select(i => $"room {i}, {i} m: 8 twin sockets")];
        var plan = Briefs.Planned(["demand: sockets 40 %", .. rooms]);
        Assert.Equal([1280m, 1280m, 1280m], plan.Boards[0].Loads.Running.Select(w => w.Value));
        Assert.Equal([3200m, 3200m, 3200m], plan.Boards[0].Loads.Connected.Select(w => w.Value));
        Assert.Equal(Briefs.Planned(rooms).Ways().Select(w => w.Sized.Size.Value), plan.Ways().Select(w => w.Sized.Size.Value));
    }

    [Fact] // 2300 W, 10 A, on one phase alone: 10 A in the neutral
    public void What_does_not_cancel_comes_back_in_the_neutral() =>
        Assert.Equal(10m, decimal.Round(Briefs.Planned("hall, 5 m: split 2300 W").Boards[0].Loads.Neutral.Value, 3));

    [Fact]
    public void A_socket_in_a_bath_is_red_and_one_in_a_bedroom_is_not()
    {
        Assert.Contains(BoardChecks.Of(Briefs.Planned("bath, 5 m: socket")), t => t.Severity == Severity.Red);
        Assert.DoesNotContain(BoardChecks.Of(Briefs.Planned("bedroom, 5 m: socket")), t => t.Severity == Severity.Red);
    }

    [Fact]
    public void Three_phases_on_a_supply_of_one_are_red() =>
        Assert.Contains(BoardChecks.Of(Briefs.Planned("supply: one phase", "hall, 5 m: split 6 kW three phases")),
            t => t.Severity == Severity.Red && t.Headline.Contains("three phases", StringComparison.Ordinal));

    [Fact]
    public void A_board_nobody_placed_and_watts_nobody_typed_are_asked_for()
    {
        var plan = BoardPlanner.Plan(BoardText.Read("hall, 5 m: 2 lamps, socket"));
        Assert.Equal(["Nobody said where the board stands.", "3 points are taken at the method’s own watts."],
            BoardChecks.Of(plan).Where(t => t.Severity == Severity.Hold).Select(t => t.Headline));
        Assert.Empty(BoardChecks.Of(BoardPlanner.Plan(BoardText.Read("board: hall\nhall, 5 m: 3 lamps 20 W, lamp 20 W, lamp 20 W")))
            .Where(t => t.Severity == Severity.Hold));
    }

    [Fact] // 3 m in four singles, 30 cm more at each end: 3.6 m of each, bought 4
    public void What_is_drawn_in_is_bought_by_color_with_its_ends()
    {
        var lines = BoardMaterial.Of(Briefs.Planned("supply: one phase", "hall, 3 m: lamp"));
        Assert.Equal(["single 2.5 mm² blue 4 m", "single 2.5 mm² brown 4 m", "single 2.5 mm² green-yellow 4 m"],
            lines.Where(l => l.Group == "conductors").Select(l => $"{l.Item} {l.Quantity} {l.Unit}"));
        Assert.Contains(new("conduit", "PVC conduit 20 mm", 3, "m"), lines);
        Assert.Contains(new("board", "breaker B10, 1 pole", 1, "pcs"), lines);
        Assert.Contains(new("board", "residual-current device 25 A, 100 mA, 2 poles", 1, "pcs"), lines);
    }

    [Fact] // twelve 15 A sockets are twelve ways: two rooms are 24, four 48, halved and halved again
    public void A_board_cut_in_two_tells_the_rooms_of_each_half_once()
    {
        static string[] Serves(int rooms, int sockets) => [.. Briefs.Planned(["ways of a board: 12, by the port",
            .. Enumerable.Range(1, rooms).Select(i => $"room {i}, 5 m: {sockets} 15 A sockets")]).Boards.Select(b => b.Serves)];

        Assert.Equal(["everything"], Serves(2, 6));
        Assert.Equal(["room 1", "room 2"], Serves(2, 12));
        Assert.Equal(["room 1 to room 2", "room 3 to room 4"], Serves(4, 6));
        Assert.Equal(["room 1", "room 2", "room 3", "room 4"], Serves(4, 12));
    }

    [Fact]
    public void The_villa_has_a_board_for_cooling_and_three_things_to_find()
    {
        var plan = BoardPlanner.Plan(BoardText.Read(Villa.Text));
        Assert.Equal(["all but cooling", "cooling"], plan.Boards.Select(b => b.Serves));
        // 2 × 3100 W in the sitting room, looped: 26.96 A, 32 A; 45 °C: 4 mm² carries 25.3 A, 6 mm² 32.4 A.
        Assert.Contains(plan.Ways(), w => w.Circuit.Points.Length == 2 && w.Circuit.Use == CircuitUse.Cooling
            && w.Sized.Rating.Value == 32 && w.Sized.Size.Value.Value == 6);
        Assert.Equal(2, BoardChecks.Of(plan).Count(t => t.Severity == Severity.Red));
        Assert.Equal(1, BoardChecks.Of(plan).Count(t => t.Severity == Severity.Hold));
        Assert.All(plan.Boards, b => Assert.True(b.Loads.Proven));
    }
}
