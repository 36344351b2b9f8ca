using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Each row: what 2017, 2020 and 2023 ask, 1 for yes.</summary>
public sealed class ProtectionTests
{
    private static readonly Edition[] Editions = [Edition.Y2017, Edition.Y2020, Edition.Y2023];

    private static Outlet Receptacle(RoomUse room, int volts = 120, int rating = 20, bool counter = false, bool nearSink = false,
        bool outdoors = false, Appliance? appliance = null) =>
        new(room, outdoors, true, false, false, counter, nearSink, false, volts.Volts(), rating.Amps(), appliance);

    private static Outlet HardWired(RoomUse room, int volts, int rating, bool outdoors, Appliance appliance) =>
        new(room, outdoors, false, false, false, false, false, false, volts.Volts(), rating.Amps(), appliance);

    private static string Afci(Outlet outlet) =>
        string.Concat(Editions.Select(e => CodeBook.For(e).Protection.Afci(outlet) is null ? '0' : '1'));

    private static string Gfci(Outlet outlet) =>
        string.Concat(Editions.Select(e => CodeBook.For(e).Protection.Gfci(outlet) is null ? '0' : '1'));

    [Fact] // 210.8(A)(5) of 2020 and 2023: every receptacle of a basement, whatever its room is used for
    public void A_bedroom_below_grade_is_in_a_basement() =>
        Assert.Equal("011", Gfci(Receptacle(RoomUse.Bedroom) with { Basement = true }));

    [Fact] // 210.8(E) from 2020
    public void The_receptacle_for_servicing_equipment() =>
        Assert.Equal("011", Gfci(Receptacle(RoomUse.Hall) with { ServesEquipment = true }));

    [Fact] // 210.8(A)(7) of 2023
    public void Where_food_is_prepared_at_a_sink() =>
        Assert.Equal("001", Gfci(Receptacle(RoomUse.Family) with { FoodArea = true }));

    [Fact] // the 6 ft go through a doorway from 2020: 24 in from the door, 30 in beyond it
    public void Six_feet_through_a_doorway()
    {
        var bed = Houses.Rectangle("bed", RoomUse.Bedroom, Length.Zero, Length.Zero, 12.Feet(), 12.Feet()) with
        {
            Openings = [new() { Id = new("d"), Kind = OpeningKind.Door, Wall = 2, Offset = 60.Inches(), Width = 32.Inches() }],
        };
        var bath = Houses.Rectangle("bath", RoomUse.Bath, 12.Feet(), Length.Zero, 10.Feet(), 12.Feet()) with
        {
            Fixtures = [new() { Kind = FixtureKind.Vanity, Wall = 4, Offset = 95.Inches(), Width = 30.Inches(), Depth = 21.Inches() }],
        };
        string Asked(int offset) => string.Concat(Editions.Select(e => Planner.Plan(Houses.House([bed, bath])
            .With(Houses.On("r", "bed", 2, offset)) with
        { Edition = e }).CircuitOf(new("r"))!.Outlets[new("r")].Gfci is null ? '0' : '1'));
        // The door is from 60 to 92; wall 4 of the bath runs the other way, so its basin is south of the door or north of it.
        Assert.Equal("011", Asked(36));
        Assert.Equal("000", Asked(4));
    }

    [Fact] // an air handler on a hall's ceiling, one duplex 10 ft off: the one that 210.63 asks for
    public void The_nearest_receptacle_to_an_air_handler_is_protected()
    {
        var job = Houses.Row(("hall", RoomUse.Hall, 30)).With(Houses.On("near", "hall", 1, 120), Houses.On("far", "hall", 1, 280),
            new Box
            {
                Id = new("ah"),
                Room = new("hall"),
                Mount = Mount.Ceiling,
                X = 60.Inches(),
                Y = 60.Inches(),
                Devices = [new() { Kind = DeviceKind.Equipment, Plate = Houses.Plate(Appliance.AirHandler, 240, 4800) }]
            });
        var plan = Planner.Plan(job);
        Assert.Equal("210.8(E)", plan.CircuitOf(new("near"))!.Outlets[new("near")].Gfci?.Section);
        Assert.Null(plan.CircuitOf(new("far"))!.Outlets[new("far")].Gfci);
    }

    [Theory]
    [InlineData(RoomUse.Bedroom, false, "111", "000")]
    [InlineData(RoomUse.Bath, false, "000", "111")]
    [InlineData(RoomUse.Kitchen, true, "111", "111")]
    [InlineData(RoomUse.Kitchen, false, "111", "001")] // a refrigerator beyond 6 ft of the sink
    [InlineData(RoomUse.FinishedBasement, false, "111", "011")]
    [InlineData(RoomUse.Garage, false, "000", "111")]
    [InlineData(RoomUse.Laundry, false, "111", "111")]
    [InlineData(RoomUse.UnfinishedBasement, false, "000", "111")]
    [InlineData(RoomUse.CrawlSpace, false, "000", "111")]
    [InlineData(RoomUse.Closet, false, "111", "000")]
    public void Receptacles_of_120_V_by_place(RoomUse room, bool counter, string afci, string gfci)
    {
        var outlet = Receptacle(room, counter: counter);
        Assert.Equal((afci, gfci), (Afci(outlet), Gfci(outlet)));
    }

    [Fact]
    public void A_dryer_receptacle_of_30_A_240_V_in_the_laundry_from_2020() =>
        Assert.Equal(("000", "011"),
            (Afci(Receptacle(RoomUse.Laundry, 240, 30, appliance: Appliance.Dryer)),
                Gfci(Receptacle(RoomUse.Laundry, 240, 30, appliance: Appliance.Dryer))));

    [Fact]
    public void A_range_receptacle_of_50_A_beyond_6_ft_of_the_sink_from_2023() =>
        Assert.Equal(("000", "001"),
            (Afci(Receptacle(RoomUse.Kitchen, 240, 50, appliance: Appliance.Range)),
                Gfci(Receptacle(RoomUse.Kitchen, 240, 50, appliance: Appliance.Range))));

    [Fact]
    public void In_an_accessory_building_every_receptacle_whatever_its_room() =>
        Assert.Equal("111", Gfci(Receptacle(RoomUse.Utility) with { Accessory = true }));

    [Fact]
    public void Outdoors_every_receptacle_in_every_edition() => Assert.Equal("111", Gfci(Receptacle(RoomUse.Dining, outdoors: true)));

    [Fact]
    public void Within_6_ft_of_a_sink_in_every_edition() => Assert.Equal("111", Gfci(Receptacle(RoomUse.Mudroom, nearSink: true)));

    [Fact]
    public void A_dishwasher_in_every_edition_by_its_own_section()
    {
        var outlet = Receptacle(RoomUse.Pantry, appliance: Appliance.Dishwasher);
        Assert.Equal(["210.8(D)", "422.5(A)", "210.8(D)"], Editions.Select(e => CodeBook.For(e).Protection.Gfci(outlet)!.Section));
    }

    [Theory] // 2023 excepts listed HVAC until 2026-09-01; without a permit's day the stricter side is planned
    [InlineData(Edition.Y2017, null, false)]
    [InlineData(Edition.Y2020, "2026-05-18", true)]
    [InlineData(Edition.Y2023, "2026-08-31", false)]
    [InlineData(Edition.Y2023, "2026-09-01", true)]
    [InlineData(Edition.Y2023, null, true)]
    public void A_hard_wired_condensing_unit_of_35_A(Edition edition, string? permitted, bool needed)
    {
        var book = CodeBook.For(edition, permitted: permitted is null ? null
            : DateOnly.Parse(permitted, System.Globalization.CultureInfo.InvariantCulture));
        Assert.Equal(needed, book.Protection.Gfci(HardWired(RoomUse.Family, 240, 35, true, Appliance.HeatPump)) is not null);
    }

    [Fact]
    public void An_amendment_takes_the_condenser_out_and_one_takes_the_kitchen_out_of_AFCI()
    {
        var condenser = CodeBook.For(Edition.Y2020, [new(AmendedRule.NoGfciForCondensers, null, "local 12")]);
        Assert.Null(condenser.Protection.Gfci(HardWired(RoomUse.Family, 240, 35, true, Appliance.HeatPump)));
        var kitchen = CodeBook.For(Edition.Y2020, [new(AmendedRule.NoAfciInKitchenAndLaundry, null, "local 7")]);
        Assert.Null(kitchen.Protection.Afci(Receptacle(RoomUse.Kitchen)));
        Assert.NotNull(kitchen.Protection.Afci(Receptacle(RoomUse.Dining)));
    }

    [Theory] // 210.8(F): outdoor outlets to 50 A, so a 60 A one is beyond it
    [InlineData(50, "011")]
    [InlineData(60, "000")]
    public void A_hard_wired_car_charger_outdoors_turns_at_50_A(int rating, string gfci) =>
        Assert.Equal(gfci, Gfci(HardWired(RoomUse.Mudroom, 240, rating, true, Appliance.VehicleCharger)));

    [Fact]
    public void A_hall_light_and_a_bath_light_on_one_circuit_take_AFCI_for_the_hall()
    {
        var job = Houses.Row(("hall", RoomUse.Hall, 8), ("bath", RoomUse.Bath, 8)).With(
            Houses.Ceiling("hall-lamp", "hall", 30, 60), Houses.Switch("hall-sw", "hall", 1, 30, DeviceKind.Switch, "hall-lamp"),
            Houses.Ceiling("bath-lamp", "bath", 30, 60), Houses.Switch("bath-sw", "bath", 1, 30, DeviceKind.Switch, "bath-lamp"));
        var plan = Planner.Plan(job);
        var circuit = plan.CircuitOf(new("bath-lamp"))!;
        Assert.Same(circuit, plan.CircuitOf(new("hall-lamp")));
        Assert.Equal(15m, circuit.Breaker.Value);
        Assert.Equal(BreakerKind.Afci, circuit.BreakerKind);
        Assert.Null(circuit.Outlets[new("bath-lamp")].Afci);
        Assert.Equal("210.12(A)", circuit.Outlets[new("hall-lamp")].Afci!.Section);
    }

    // A, B and C along the wall away from the panel, a GFCI device at B.
    private static Plan Chain(bool feedsLoadSide) => Planner.Plan(Houses.Row(("garage", RoomUse.Garage, 24)).With(
        Houses.On("a", "garage", 3, 40),
        Houses.On("b", "garage", 3, 130) with { Devices = [new() { Kind = DeviceKind.GfciReceptacle, FeedsLoadSide = feedsLoadSide }] },
        Houses.On("c", "garage", 3, 220)) with
    {
        Panels = [new() { Id = new("A"), Room = new("garage"), Wall = 2, Offset = 100.Inches(), Rating = 100.Amps(), Spaces = 20 }],
    });

    private static string Order(Plan plan) => string.Concat(plan.CircuitOf(new("a"))!.Runs.Select(r => r.To.Box!.Value.Value));

    private static string Protected(Plan plan) =>
        string.Concat(new[] { "a", "b", "c" }.Where(b => plan.CircuitOf(new(b))!.HasGfci(new(b))));

    [Fact]
    public void With_C_on_the_load_side_of_the_device_at_B_both_are_protected_and_A_is_tagged()
    {
        var plan = Chain(feedsLoadSide: true);
        Assert.Equal("abc", Order(plan));
        Assert.Equal("bc", Protected(plan));
        var tag = Assert.Single(plan.Tags, t => t.Severity == Severity.Red && t.Rule == "210.8(A)(2)");
        Assert.Equal(Subject.Box(new("a")), tag.Subject);
        Assert.Equal(["Move the device to garage receptacle 1", "Use a GFCI breaker"], tag.Fixes.Select(f => f.Label));
    }

    [Fact]
    public void With_C_pigtailed_on_the_line_side_only_B_is_protected() => Assert.Equal("b", Protected(Chain(feedsLoadSide: false)));

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    public void Either_fix_protects_all_three(int fix)
    {
        var plan = Chain(feedsLoadSide: true);
        var mended = Planner.Plan(plan.Tags.Single(t => t.Rule == "210.8(A)(2)").Fixes[fix].Change.On(plan.Job).Job!);
        Assert.Equal("abc", Protected(mended));
        Assert.DoesNotContain(mended.Tags, t => t.Rule == "210.8(A)(2)");
    }
}
