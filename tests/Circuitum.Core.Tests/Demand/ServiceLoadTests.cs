using Circuitum.Core.Demand;
using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;

namespace Circuitum.Core.Tests;

/// <summary>Both methods of a dwelling's load, line by line, worked by hand.</summary>
public sealed class ServiceLoadTests
{
    private static readonly CodeBook Book = CodeBook.For(Edition.Y2020);

    private static ListedLoad L(string name, LoadKind kind, int load, bool motor = false, bool neutral = false) =>
        new(name, kind, new(load)) { Motor = motor, Neutral = neutral };

    // Case 20: 2140 ft², 2 small-appliance, laundry, four fixed of 8000, range 12, dryer 5.6, cooling 6, heat 9.6 kW.
    private static readonly LoadList House = new()
    {
        Area = new(2140),
        Loads =
        [
            L("dishwasher", LoadKind.Fixed, 1200, neutral: true), L("disposer", LoadKind.Fixed, 800, motor: true, neutral: true),
            L("water heater", LoadKind.Fixed, 4500), L("well pump", LoadKind.Fixed, 1500, motor: true),
            L("range", LoadKind.Cooking, 12_000, neutral: true), L("dryer", LoadKind.Dryer, 5600, neutral: true),
                L("cooling", LoadKind.Cooling, 6000, motor: true), L("heat", LoadKind.SpaceHeat, 9600),
        ],
    };

    private static LoadList With(params ListedLoad[] more) => House with { Loads = [.. House.Loads, .. more] };

    private static LoadList Without(string name) => House with { Loads = House.Loads.RemoveAll(l => l.Name == name) };

    private static decimal Line(LoadSum sum, string section) =>
        sum.Lines.Single(l => l.Section.Contains(section, StringComparison.Ordinal)).Counted.Value;

    private static readonly ListedLoad Car = L("car", LoadKind.Vehicle, 9600);

    [Fact] // 5772 + 6000 + 8000 + 5600 + 9600 + 375 = 35,347 VA, 147.3 A → 150 A
    public void Case_20_by_the_standard_method()
    {
        var sum = StandardMethod.Of(House, Book);
        Assert.Equal([5772m, 6000, 8000, 5600, 9600, 375], sum.Lines.Select(l => l.Counted.Value));
        Assert.Equal((35_347m, 147.3m), (sum.Total.Value, decimal.Round(sum.Current.Value, 1)));
        Assert.Equal(150m, Book.StandardAtLeast(sum.Current)!.Value.Value);
        var car = StandardMethod.Of(With(Car), Book);
        Assert.Equal((44_947m, 187.3m, 200m),
            (car.Total.Value, decimal.Round(car.Current.Value, 1), Book.StandardAtLeast(car.Current)!.Value.Value));
    }

    [Fact] // 36 520 → 10 000 + 10 608, heat 65 % 6240: 26,848 VA, 111.9 A → 125 A; with the car 30 688, 127.9 A → 150 A
    public void Case_21_by_the_optional_method()
    {
        var sum = OptionalMethod.Of(House, Books.Us2020);
        Assert.Equal([20_608m, 6240], sum.Lines.Select(l => l.Counted.Value));
        Assert.Equal((26_848m, 111.9m), (sum.Total.Value, decimal.Round(sum.Current.Value, 1)));
        var car = OptionalMethod.Of(With(Car), Books.Us2020);
        Assert.Equal((24_448m, 30_688m, 127.9m), (car.Lines[0].Counted.Value, car.Total.Value, decimal.Round(car.Current.Value, 1)));
    }

    [Fact] // a microwave that cooks in place of the pump: three count from 2020, 6500 + the microwave at 100 %; four in 2017
    public void Three_fixed_appliances_take_no_75_per_cent()
    {
        var three = StandardMethod.Of(Without("well pump"), Book);
        Assert.Equal(6500m, Line(three, "220.14(A)"));
        Assert.Equal(6000m, Line(StandardMethod.Of(House, Book), "220.53"));
    }

    [Theory] // 500 W counts from 2020, 499 does not; in 2017 anything fastened does
    [InlineData(Edition.Y2020, 500, true)]
    [InlineData(Edition.Y2020, 499, false)]
    [InlineData(Edition.Y2023, 499, false)]
    [InlineData(Edition.Y2017, 499, true)]
    public void The_fourth_must_be_large_enough(Edition edition, int watts, bool four)
    {
        var list = Without("well pump") with { Loads = [.. Without("well pump").Loads, L("fan", LoadKind.Fixed, watts)] };
        Assert.Equal(four, StandardMethod.Of(list, CodeBook.For(edition)).Lines.Any(l => l.Section == "220.53"));
    }

    [Theory] // 1000 ft²: 3000 + 3000 + 1500 = 7500 → 3000 + 35 % of 4500 = 4575; 38,500 ft² is 120 000; 40 000 is 124 500
    [InlineData(1000, 4575)]
    [InlineData(38_500, 43_950)]
    [InlineData(40_000, 45_075)]
    public void Lighting_by_its_steps(int area, int demand) =>
        Assert.Equal(demand, StandardMethod.Of(new() { Area = new(area) }, Book).Total.Value);

    [Theory] // 1500 each; a feeder may carry none of them, a service two and one at least
    [InlineData(0, 0, 0)]
    [InlineData(1, 0, 1500)]
    [InlineData(2, 1, 4500)]
    [InlineData(3, 2, 7500)]
    public void Small_appliance_and_laundry_circuits(int small, int laundry, int general) =>
        Assert.Equal(general <= 3000 ? general : 3000 + ((general - 3000) * .35m),
            StandardMethod.Of(new() { Area = new(0), SmallApplianceCircuits = small, LaundryCircuits = laundry }, Book).Total.Value);

    [Theory] // Table 220.55 by its columns and notes
    [InlineData("8000", 6400)] // column B, 80 %
    [InlineData("8750", 7000)]
    [InlineData("8751", 8000)] // column C
    [InlineData("12000", 8000)]
    [InlineData("12499", 8000)] // less than a major fraction
    [InlineData("12500", 8400)]
    [InlineData("13600", 8800)] // case 13
    [InlineData("3499", 2799.2)] // column A
    [InlineData("3500", 2800)]
    [InlineData("10000 12000", 11000)] // two, column C
    [InlineData("9000 10000 12000", 14000)]
    [InlineData("16000 10000", 12100)] // note 2: (16 + 12) ÷ 2 = 14, 10 % on 11
    [InlineData("3000 3000", 4500)] // column A, 75 %
    [InlineData("5000 6000", 7150)] // column B, 65 %
    [InlineData("3000 6000", 7200)] // .8 × 3 + .8 × 6, less than 11
    [InlineData("6000 7000 8000", 11550)] // 55 %
    [InlineData("12000 4000", 11000)] // C for two 11, or 8 + 3.2 = 11.2
    [InlineData("12000 3000", 10400)] // 8 + 2.4
    [InlineData("28000", 28000)] // beyond the table
    [InlineData("5000 5000 5000 5000 5000 5000", 30000)]
    public void Cooking_columns(string ratings, double demand) =>
        Assert.Equal((decimal)demand,
            Books.Us2020.Demand.Cooking(
                [.. ratings.Split(' ')
                    .Select(r => new VoltAmps(int.Parse(r, System.Globalization.CultureInfo.InvariantCulture)))]).Demand.Value);

    [Theory] // 220.54: never less than 5000
    [InlineData(4500, 5000)]
    [InlineData(5000, 5000)]
    [InlineData(5600, 5600)]
    public void A_dryer_counts_5000_or_more(int plate, int counted) =>
        Assert.Equal(counted,
            Line(StandardMethod.Of(new() { Area = new(0), Loads = [L("dryer", LoadKind.Dryer, plate)] }, Book), "220.54"));

    [Theory] // the larger of heating and cooling
    [InlineData(6000, 5999, 6000)]
    [InlineData(6000, 6001, 6001)]
    public void Heating_against_cooling(int heat, int cool, int counted) =>
        Assert.Equal(counted,
            Line(StandardMethod.Of(new()
            {
                Area = new(0),
                Loads = [L("heat", LoadKind.SpaceHeat, heat), L("cool", LoadKind.Cooling, cool)]
            }, Book), "220.60"));

    [Fact] // 220.60: cooling is compared with its motor at 125 %: 6000 + 1500 against the heat; what is left out turns no motor
    public void Only_a_motor_that_is_counted_adds_a_quarter()
    {
        LoadList Of(int heat, int cool) =>
            new() { Area = new(0), Loads = [L("heat", LoadKind.SpaceHeat, heat), L("cool", LoadKind.Cooling, cool, motor: true)] };
        Assert.DoesNotContain(StandardMethod.Of(Of(7500, 6000), Book).Lines, l => l.Section == "220.50");
        Assert.Equal(1500m, Line(StandardMethod.Of(Of(7499, 6000), Book), "220.50"));
    }

    [Fact] // standard: 4800 + 5000; optional: 4800 + 65 % of 5000 = 8050
    public void A_heat_pump_with_its_supplement()
    {
        LoadList list = new()
        {
            Area = new(0),
            Loads = [L("pump", LoadKind.HeatPump, 4800, motor: true), L("strips", LoadKind.Supplement, 5000)]
        };
        Assert.Equal(9800m, Line(StandardMethod.Of(list, Book), "220.51"));
        Assert.Equal(8050m, Line(OptionalMethod.Of(list, Books.Us2020), "220.82(C)(3)"));
        LoadList alone = new() { Area = new(0), Loads = [L("pump", LoadKind.HeatPump, 4800, motor: true)] };
        Assert.Equal(4800m, OptionalMethod.Of(alone, Books.Us2020).Lines[^1].Counted.Value);
    }

    [Theory] // 10,000 VA: three controls 6500, four 4000
    [InlineData(3, 6500)]
    [InlineData(4, 4000)]
    public void Four_controls(int controls, int counted) =>
        Assert.Equal(counted,
            OptionalMethod.Of(new() { Area = new(0), HeatingControls = controls, Loads = [L("heat", LoadKind.SpaceHeat, 10_000)] },
                Books.Us2020).Lines[^1].Counted.Value);

    [Theory] // 220.82(B): 10 000 at 100 %, the next at 40
    [InlineData(5500, 10_000)] // 4500 of circuits + 5500
    [InlineData(5600, 10_040)]
    public void The_first_ten_kilovolt_amperes(int fixedLoad, int demand) =>
        Assert.Equal(demand,
            OptionalMethod.Of(new() { Area = new(0), Loads = [L("load", LoadKind.Fixed, fixedLoad)] }, Books.Us2020).Total.Value);

    [Theory] // 220.57 from 2023: 7200 or more
    [InlineData(Edition.Y2020, 5000, 5000)]
    [InlineData(Edition.Y2023, 5000, 7200)]
    [InlineData(Edition.Y2023, 9600, 9600)]
    public void A_vehicle(Edition edition, int plate, int counted) =>
        Assert.Equal(counted,
            StandardMethod.Of(new() { Area = new(0), Loads = [L("car", LoadKind.Vehicle, plate)] },
                CodeBook.For(edition)).Lines.Single(l => l.Text == "car").Counted.Value);

    [Fact] // 220.83(B): 36 520 → 8000 + 40 % of 28 520 = 19 408, the heat 9600 at 100 %; (A): the heat among them, 46 120 → 8000 + 15 248
    public void A_dwelling_that_had_its_service_before()
    {
        Assert.Equal([19_408m, 9600], OptionalMethod.OfExisting(House, true, Books.Us2020).Lines.Select(l => l.Counted.Value));
        Assert.Equal([23_248m], OptionalMethod.OfExisting(House, false, Books.Us2020).Lines.Select(l => l.Counted.Value));
        // Four controls: the heat is among the rest, and the cooling stands alone.
        var four = OptionalMethod.OfExisting(House with { HeatingControls = 4 }, true, Books.Us2020);
        Assert.Equal([23_248m, 6000], four.Lines.Select(l => l.Counted.Value));
        Assert.Equal([19_408m, 9600],
            OptionalMethod.OfExisting(House with { HeatingControls = 3 }, true, Books.Us2020).Lines.Select(l => l.Counted.Value));
    }

    [Fact] // 80 A × 240 × 1.25 = 24 000; 300 ft² 900, the car 9600, the larger of 3000 and 2000; 3000 allowed
    public void What_is_added_comes_on_top_of_what_was_measured()
    {
        Assert.Equal([24_000m, 3000],
            OptionalMethod.OfMeasured(80.Amps(), null, new(3000), Books.Us2020).Lines.Select(l => l.Counted.Value));
        LoadList added = new()
        {
            Area = new(300),
            SmallApplianceCircuits = 0,
            LaundryCircuits = 0,
            Loads = [Car, L("heat", LoadKind.SpaceHeat, 3000), L("cooling", LoadKind.Cooling, 2000)]
        };
        Assert.Equal([24_000m, 900, 9600, 3000, 3000],
            OptionalMethod.OfMeasured(80.Amps(), added, new(3000), Books.Us2020).Lines.Select(l => l.Counted.Value));
        Assert.Equal([24_000m, 1500],
            OptionalMethod.OfMeasured(80.Amps(), new() { Area = new(0), SmallApplianceCircuits = 1, LaundryCircuits = 0 }, new(0),
                Books.Us2020).Lines.Select(l => l.Counted.Value));
    }

    [Fact] // neutral: 5772 + .75 × 2000 + .7 × 8000 + .7 × 5600 = 16,792 VA, 70 A; nothing of heat, pump or heater
    public void The_neutral_leaves_out_what_is_240()
    {
        var sum = StandardMethod.Of(House, Book);
        Assert.Equal(16_792m, sum.Lines.Sum(l => l.Neutral.Value));
        Assert.Equal(70.0m, decimal.Round(sum.NeutralCurrent.Value, 1));
    }

    [Fact] // above 200 A 70 %: 240 A of neutral is 200 + 28
    public void The_neutral_above_200_A()
    {
        var sum = new LoadSum(LoadMethod.Standard, 240.Volts(), [new("all", "", new(60_000), "", new(57_600))]);
        Assert.Equal(228m, sum.NeutralCurrent.Value);
    }

    [Fact] // more to carry is never less load, by either method
    public void More_load_is_never_less()
    {
        var random = new Random(7);
        for (var i = 0; i < 300; i++)
        {
            ListedLoad Any() => L($"l{random.Next()}", (LoadKind)random.Next(0, 9), random.Next(1751, 12_000), random.Next(2) == 0,
                random.Next(2) == 0);
            LoadList list = new()
            {
                Area = new(random.Next(500, 4000)),
                Loads = [.. Enumerable.Range(0, random.Next(0, 5)).Select(_ => Any())],
                HeatingControls = 1
            };
            var more = list with { Loads = [.. list.Loads, L("more", random.Next(2) == 0 ? LoadKind.SpaceHeat : LoadKind.Vehicle, 3000)] };
            Assert.True(StandardMethod.Of(more, Book).Total >= StandardMethod.Of(list, Book).Total);
            Assert.True(OptionalMethod.Of(more, Books.Us2020).Total >= OptionalMethod.Of(list, Books.Us2020).Total);
        }
    }
}
