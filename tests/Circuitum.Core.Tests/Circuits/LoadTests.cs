using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;

namespace Circuitum.Core.Tests;

public sealed class LoadTests
{
    private static readonly CodeBook Book = CodeBook.For(Edition.Y2020);

    private static LoadItem Item(string name, decimal amps, LoadUse use, bool continuous = false) =>
        new(new(name), name, new(amps * 120), use, continuous, false);

    private static CircuitLoad Of(params LoadItem[] items) => new(120.Volts(), 1, [.. items]);

    private static readonly LoadItem Disposer = Item("disposer", 7.2m, LoadUse.Fastened);
    private static readonly LoadItem Lights = Item("lights", 1m, LoadUse.Lighting);

    private static LoadItem Dishwasher(decimal amps, bool continuous = false) => Item("dishwasher", amps, LoadUse.Fastened, continuous);

    [Fact] // 9.6 + 7.2 = 16.8
    public void Dishwasher_and_disposer_alone_may_fill_a_20_A_circuit()
    {
        var load = Of(Dishwasher(9.6m), Disposer);
        Assert.Equal(16.8m, load.Required.Value);
        Assert.True(PermissibleLoads.Permits(load, 20.Amps(), Book));
    }

    [Fact] // 9.6 × 1.25 + 7.2 = 19.2
    public void A_continuous_dishwasher_with_a_disposer_still_fits()
    {
        var load = Of(Dishwasher(9.6m, continuous: true), Disposer);
        Assert.Equal(19.2m, load.Required.Value);
        Assert.True(PermissibleLoads.Permits(load, 20.Amps(), Book));
    }

    [Fact] // 16.8 > 10
    public void With_the_kitchens_lights_the_fixed_load_is_over_half_and_refused_with_the_sum()
    {
        var fault = Assert.Single(PermissibleLoads.Faults(Of(Dishwasher(9.6m), Disposer, Lights), 20.Amps(), Book));
        Assert.Equal("210.23(A)", fault.Section);
        Assert.Equal("dishwasher 9.6 A + disposer 7.2 A = 16.8 A > 50 % of 20 A = 10 A.", fault.Arithmetic);
    }

    [Theory] // 9.6 ≤ 10, 10.0 ≤ 10, 10.2 > 10
    [InlineData(9.6, true)]
    [InlineData(10.0, true)]
    [InlineData(10.2, false)]
    public void Lights_with_a_dishwasher_turn_on_half_the_rating(double amps, bool permitted) =>
        Assert.Equal(permitted, PermissibleLoads.Permits(Of(Dishwasher((decimal)amps), Lights), 20.Amps(), Book));

    [Theory] // 80 % of 15 is 12
    [InlineData(12.0, true)]
    [InlineData(12.1, false)]
    public void One_plugged_load_takes_at_most_four_fifths(double amps, bool permitted) =>
        Assert.Equal(permitted, PermissibleLoads.Permits(Of(Item("heater", (decimal)amps, LoadUse.CordAndPlug)), 15.Amps(), Book));

    [Fact]
    public void From_2023_the_paragraph_is_B()
    {
        var book = CodeBook.For(Edition.Y2023);
        Assert.Equal("210.23(B)", Assert.Single(PermissibleLoads.Faults(Of(Dishwasher(10.2m), Lights), 20.Amps(), book)).Section);
    }

    [Theory] // 2140 × 3 = 6420 VA; over 1800 and 2400
    [InlineData(15, 4)]
    [InlineData(20, 3)]
    public void General_circuits_of_2140_square_feet(int rating, int least) =>
        Assert.Equal(least, Books.Us2020.Division.LeastGeneralCircuits(new(2140), rating.Amps()));

    [Theory] // 1800 VA exactly is one 15 A circuit, a foot more is two
    [InlineData(600, 1)]
    [InlineData(601, 2)]
    public void The_least_number_turns_at_a_full_circuit(int area, int least) =>
        Assert.Equal(least, Books.Us2020.Division.LeastGeneralCircuits(new(area), 15.Amps()));

    [Theory] // Table 220.55 column C, note 1: 5 % for each kW or major fraction over 12
    [InlineData(8750, 7000)] // column B runs through 8-3/4 kW: 80 %
    [InlineData(8751, 8000)]
    [InlineData(1750, 1750)] // the table begins above 1-3/4 kW
    [InlineData(1751, 1400.8)]
    [InlineData(28000, 28000)] // and ends at 27
    [InlineData(12000, 8000)]
    [InlineData(12490, 8000)]
    [InlineData(12500, 8400)]
    [InlineData(13600, 8800)]
    [InlineData(8000, 6400)] // column B: 80 %
    public void Demand_of_one_range(int rating, double demand) =>
        Assert.Equal((decimal)demand, Books.Us2020.Demand.Range(new(rating)).Value);

    [Fact]
    public void Standard_ratings_have_a_10_from_2023_only()
    {
        Assert.Equal(15m, CodeBook.For(Edition.Y2020).StandardAtLeast(new(9)).Value().Value);
        Assert.Equal(10m, CodeBook.For(Edition.Y2023).StandardAtLeast(new(9)).Value().Value);
        Assert.Equal(25m, Book.StandardAtLeast(new(20.01m)).Value().Value);
        Assert.Null(Book.StandardAtLeast(new(401)));
        Assert.Null(Book.StandardAtMost(new(14)));
    }
}

internal static class Nullables
{
    public static T Value<T>(this T? value) where T : struct => value!.Value;
}
