using Circuitum.Core.Demand;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Problems;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>The service of a drawn house: what it lists, its size, conductors, electrodes, and what the edition asks.</summary>
public sealed class ServiceTests
{
    private static readonly Job House = Houses.Row(("den", RoomUse.Den, 20), ("kitchen", RoomUse.Kitchen, 12)).With(
        Houses.Appliance("range", "kitchen", 1, 60, Houses.Plate(Appliance.Range, 240, 12_000) with { Neutral = true }),
        Houses.Appliance("pump", "den", 1, 60, Houses.Plate(Appliance.HeatPump, 240, 4800) with { Mca = new(21.4m), Mocp = 35.Amps() }),
        Houses.Appliance("strips", "den", 1, 90, Houses.Plate(Appliance.AirHandler, 240, 5000)),
        Houses.Appliance("fridge", "kitchen", 3, 60, Houses.Plate(Appliance.Refrigerator, 120, 700) with { Cord = true }));

    [Fact] // what is plugged in is in the 1500s; the air handler's elements help the heat pump
    public void The_list_is_what_is_drawn()
    {
        var list = Planner.Plan(House).Service.List;
        Assert.Equal([LoadKind.Cooking, LoadKind.HeatPump, LoadKind.Supplement], list.Loads.Select(l => l.Kind).Order());
        var furnace = Planner.Plan(House with { Service = new() { OutdoorUnitHeats = false } }).Service.List;
        Assert.Equal([LoadKind.Cooking, LoadKind.SpaceHeat, LoadKind.Cooling], furnace.Loads.Select(l => l.Kind).Order());
    }

    [Fact] // 220.82(B)(3): on a circuit of its own it counts by its plate: 40 % of 1500 beyond 10 kVA; by Part III all of it
    public void A_microwave_on_its_own_circuit_counts()
    {
        var with = Planner.Plan(House.With(Houses.Appliance("micro", "kitchen", 3, 100,
            Houses.Plate(Appliance.Microwave, 120, 1500) with { Cord = true, Individual = true }, DeviceKind.Single))).Service;
        var without = Planner.Plan(House).Service;
        Assert.Equal(600m, with.Optional!.Total.Value - without.Optional!.Total.Value);
        Assert.Equal(1500m, with.Standard.Total.Value - without.Standard.Total.Value);
    }

    [Fact] // 220.60: a gas furnace's blower runs with the cooling as well: 6000 + 1500 and 800
    public void A_blower_is_never_left_out()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(
            Houses.Appliance("cool", "den", 1, 60, Houses.Plate(Appliance.HeatPump, 240, 6000)),
            Houses.Appliance("blower", "den", 1, 90, Houses.Plate(Appliance.AirHandler, 120, 800))) with
        { Service = new() { OutdoorUnitHeats = false } };
        var service = Planner.Plan(job).Service;
        Assert.Contains(service.Standard.Lines, l => l.Text == "AirHandler" && l.Counted.Value == 800);
        Assert.Equal(6000m, service.Standard.Lines.Single(l => l.Text == "heating or cooling").Counted.Value);
        Assert.Contains("AirHandler 800 VA", service.Optional!.Lines[0].Sum, StringComparison.Ordinal);
    }

    [Fact] // 230.42(A)(1), 625.42: 11,520 VA and a quarter, 2880
    public void Vehicle_charging_counts_a_quarter_more_at_the_service()
    {
        var car = Planner.Plan(House.With(Houses.Appliance("car", "den", 3, 100, Houses.Plate(Appliance.VehicleCharger, 240, 11_520))))
            .Service;
        Assert.Equal(2880m, car.Standard.Lines.Single(l => l.Section.Contains("230.42(A)(1)", StringComparison.Ordinal)).Counted.Value);
        Assert.DoesNotContain(car.Optional!.Lines, l => l.Section.Contains("230.42", StringComparison.Ordinal));
    }

    [Theory] // 220.53: from 2020 fixed cooking of any size helps no four
    [InlineData(Edition.Y2017, true)]
    [InlineData(Edition.Y2020, false)]
    public void A_small_cooktop_does_not_make_four(Edition edition, bool four)
    {
        Box At(string id, int inches, Nameplate plate) => Houses.Appliance(id, "kitchen", 1, inches, plate);
        var job = (Houses.Row(("kitchen", RoomUse.Kitchen, 20)) with { Edition = edition }).With(
            At("dw", 30, Houses.Plate(Appliance.Dishwasher, 120, 1200)), At("dis", 60, Houses.Plate(Appliance.Disposer, 120, 800)),
            At("wh", 90, Houses.Plate(Appliance.WaterHeater, 240, 4500)), At("top", 120, Houses.Plate(Appliance.Cooktop, 240, 1500)));
        Assert.Equal(four, Planner.Plan(job).Service.Standard.Lines.Any(l => l.Section == "220.53"));
    }

    [Theory] // Table 310.12(A)
    [InlineData(100, "4", "2")]
    [InlineData(125, "2", "1/0")]
    [InlineData(200, "2/0", "4/0")]
    [InlineData(400, "400", "600")]
    public void Conductors_of_a_dwellings_service(int rating, string copper, string aluminium) =>
        Assert.Equal((copper, aluminium),
            (Books.Us2020.Service.DwellingConductor(rating.Amps(), Metal.Copper)!.Value.ToString(),
                Books.Us2020.Service.DwellingConductor(rating.Amps(), Metal.Aluminium)!.Value.ToString()));

    [Fact] // 2017 has the 83 per cent rule without a table: 83 % of each rating in the 75 °C column is what the later table says
    public void The_rule_of_2017_and_the_table_after_it_say_the_same() =>
        Assert.All(new[] { FeederMetal.Copper, FeederMetal.Aluminium }, metal => Assert.All([100, 110, 125, 150, 175, 200, 225, 250, 300,
            350, 400], rating =>
        {
            ServiceSize In(Edition edition) => Planner.Plan(House with
            {
                Edition = edition,
                Service = new() { Metal = metal },
                Panels = [Houses.Panel("den") with { Rating = rating.Amps() }],
            }).Service.Panel;
            var (before, after) = (In(Edition.Y2017).Conductor, In(Edition.Y2020).Conductor);
            Assert.Equal(after.Value, before.Value);
            bool ByTable(Because why) => why.Steps.Any(s => s.Cite.Contains("its table", StringComparison.Ordinal));
            Assert.Equal((false, true), (ByTable(before.Why), ByTable(after.Why)));
        }));

    [Fact] // with three that are fixed a sauna's 6000 makes no four at 75 %: it is heating, at 100 % (220.51, 220.53)
    public void A_sauna_is_heating_and_makes_no_four()
    {
        Box At(string id, int inches, Nameplate plate) => Houses.Appliance(id, "kitchen", 1, inches, plate);
        var lines = Planner.Plan(Houses.Row(("kitchen", RoomUse.Kitchen, 20)).With(
            At("dw", 30, Houses.Plate(Appliance.Dishwasher, 120, 1200)), At("dis", 60, Houses.Plate(Appliance.Disposer, 120, 800)),
            At("wh", 90, Houses.Plate(Appliance.WaterHeater, 240, 4500)),
            At("sauna", 120, Houses.Plate(Appliance.SaunaHeater, 240, 6000)))).Service.Standard.Lines;
        Assert.DoesNotContain(lines, l => l.Section.Contains("220.53", StringComparison.Ordinal));
        Assert.Equal(6000m, Assert.Single(lines, l => l.Section.Contains("220.51", StringComparison.Ordinal)).Counted.Value);
        Assert.Contains(lines, l => l.Counted.Value == 6500);
    }

    [Theory] // Table 250.66, either side of its rows
    [InlineData("2", Metal.Copper, "8")]
    [InlineData("1", Metal.Copper, "6")]
    [InlineData("1/0", Metal.Copper, "6")]
    [InlineData("2/0", Metal.Copper, "4")]
    [InlineData("3/0", Metal.Copper, "4")]
    [InlineData("4/0", Metal.Copper, "2")]
    [InlineData("400", Metal.Copper, "1/0")]
    [InlineData("1/0", Metal.Aluminium, "8")]
    [InlineData("2/0", Metal.Aluminium, "6")]
    [InlineData("4/0", Metal.Aluminium, "4")]
    [InlineData("250", Metal.Aluminium, "4")]
    [InlineData("300", Metal.Aluminium, "2")]
    public void Electrode_conductors(string service, Metal metal, string electrode) =>
        Assert.Equal(electrode, Books.Us2020.Service.ElectrodeConductor(Gauge.Parse(service), metal).ToString());

    [Fact] // a small load still has 100 A; the next one up beside it, and what is left on each
    public void The_smallest_that_carries_it_and_the_next()
    {
        var service = Planner.Plan(House).Service;
        Assert.Equal([100m, 110], service.Sizes.Select(s => s.Rating.Value));
        Assert.All(service.Sizes, s => Assert.Equal(s.Rating.Value - service.Chosen.Current.Value, s.Left.Value));
        Assert.Equal(("2", "8"), (service.Sizes[0].Conductor.Value.ToString(), service.Sizes[0].Electrode.Value.ToString()));
    }

    // 60 A measured: 60 × 1.25 + 12 000 ÷ 240 = 125 A when what is drawn was there; else the range's 12 000 and the pump's 9800 come on
    // top, and the floor's and circuits'
    [Fact]
    public void A_measured_peak_stands_in_for_the_list()
    {
        Service measured = new() { Method = LoadMethod.Optional, MeasuredPeak = 60.Amps(), Future = new(12_000), DrawnWasMeasured = true };
        var service = Planner.Plan(House with { Service = measured }).Service;
        Assert.Equal(125m, service.Chosen.Current.Value);
        Assert.Equal(125m, service.Sizes[0].Rating.Value);
        var drawn = Planner.Plan(House with { Service = measured with { DrawnWasMeasured = false } }).Service;
        Assert.Equal([18_000m, (drawn.List.Area.Value * 3) + 1500, 12_000, 9800, 12_000], drawn.Chosen.Lines.Select(l => l.Counted.Value));
    }

    // 400 ft² more at 3 VA; an old range 8000 by column C and heater 2000; lights and receptacles are in the area, their 900 VA by survey
    // nowhere
    [Fact]
    public void What_stood_there_before_is_counted_by_what_it_is()
    {
        var old = House with
        {
            Service = new() { Existing = true, ExistingArea = new(400) },
            Panels = [House.Panels[0]
                with { Taken = [new(1, 2, 40.Amps(), "Old range", new(12_000)) { Use = TakenUse.Cooking },
                    new(2, 1, 15.Amps(), "Old rooms", new(900)), new(5, 2, 20.Amps(), "Old heater", new(2000)) { Use = TakenUse.Fixed },
                    new(6, 1, 20.Amps(), "Old laundry", new(0)) { Use = TakenUse.Laundry }] }],
            Boxes = [],
        };
        var list = Planner.Plan(old).Service.List;
        Assert.Equal([("Old range, there before", LoadKind.Cooking, 12_000m), ("Old heater, there before", LoadKind.Fixed, 2000)],
            list.Loads.Select(l => (l.Name, l.Kind, l.Load.Value)));
        Assert.Equal((2, 1, Planner.Plan(House with { Boxes = [] }).Service.List.Area.Value + 400),
            (list.SmallApplianceCircuits, list.LaundryCircuits, list.Area.Value));
    }

    [Fact] // a panel of 150 V·A too little is mended by the button
    public void A_service_that_does_not_carry_its_load_is_red()
    {
        var job = House with { Panels = [House.Panels[0] with { Rating = 100.Amps() }], Service = new() { Future = new(24_000) } };
        var plan = Planner.Plan(job);
        var tag = Assert.Single(plan.Tags, t => t.Rule == "220.40, 230.42");
        var mended = Planner.Plan(tag.Fixes[0].Change.On(job).Job!);
        Assert.Equal(plan.Service.Sizes[0].Rating, mended.Job.Panels[0].Rating);
        Assert.DoesNotContain(mended.Tags, t => t.Rule == "220.40, 230.42");
    }

    public static TheoryData<string, Service> Missing => new()
    {
        { "230.67", new() { SurgeProtection = false } },
        { "230.85", new() { OutdoorDisconnect = false } },
        { "250.50", new() { Rods = 0 } },
        { "250.53(A)(2)", new() { Rods = 1 } },
        { "250.53(D)(2)", new() { Rods = 0, WaterPipe = true } },
        { "250.94", new() { IntersystemBonding = false } },
    };

    [Theory]
    [MemberData(nameof(Missing))]
    public void What_the_service_lacks_is_told_and_each_button_mends_it(string rule, Service service)
    {
        var job = House with { Service = service };
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Rule == rule);
        Assert.All(tag.Fixes, f => Assert.DoesNotContain(Planner.Plan(f.Change.On(job).Job!).Tags, t => t.Rule == rule));
        Assert.DoesNotContain(Planner.Plan(House).Tags, t => t.Rule == rule);
    }

    [Fact]
    public void Surge_protection_and_disconnect_are_asked_from_2020() =>
        Assert.DoesNotContain(
            Planner.Plan(House with
            {
                Edition = Edition.Y2017,
                Service = new() { SurgeProtection = false, OutdoorDisconnect = false }
            }).Tags, t => t.Rule is "230.67" or "230.85");

    [Fact]
    public void One_rod_at_25_ohm_or_footing_steel_will_do()
    {
        foreach (var service in new Service[] { new() { Rods = 1, RodMeasured = true }, new() { Rods = 0, FootingSteel = true },
            new() { Rods = 1, FootingSteel = true } })
        {
            Assert.DoesNotContain(Planner.Plan(House with { Service = service }).Tags,
                t => t.Rule.StartsWith("250.5", StringComparison.Ordinal));
        }
    }

    [Theory]
    [InlineData("service.future", -1)]
    [InlineData("service.future", 100_001)]
    public void A_service_out_of_range_is_no_job(string where, int future) =>
        Assert.StartsWith(where, JobProblems.First(House with { Service = new() { Future = new(future) } })!.ToString(),
            StringComparison.Ordinal);
}
