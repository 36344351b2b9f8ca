using Circuitum.Core.Rules.Gulf;
using Circuitum.Core.Units;

namespace Circuitum.Core.Tests.Boards;

public sealed class MetricConductorTests
{
    [Theory]
    [InlineData(1.5, 17.5, 15.5)]
    [InlineData(2.5, 24, 21)]
    [InlineData(4, 32, 28)]
    [InlineData(6, 41, 36)]
    [InlineData(10, 57, 50)]
    [InlineData(16, 76, 68)]
    [InlineData(25, 101, 89)]
    [InlineData(35, 125, 110)]
    [InlineData(50, 151, 134)]
    [InlineData(70, 192, 171)]
    [InlineData(95, 232, 207)]
    public void A_conductor_carries_what_its_table_says(double size, double two, double three)
    {
        Assert.Equal((decimal)two, MetricConductors.Carries(new((decimal)size), threePhase: false).Value);
        Assert.Equal((decimal)three, MetricConductors.Carries(new((decimal)size), threePhase: true).Value);
    }

    [Theory] // the row at or above the place, both sides of each
    [InlineData(25, 1.03)]
    [InlineData(25.1, 1.00)]
    [InlineData(30, 1.00)]
    [InlineData(30.1, .94)]
    [InlineData(40, .87)]
    [InlineData(45, .79)]
    [InlineData(45.1, .71)]
    [InlineData(60, .50)]
    public void Warmth_takes_from_it(double degrees, double factor) =>
        Assert.Equal((decimal)factor, MetricConductors.AmbientFactor(new((decimal)degrees)));

    [Fact]
    public void Above_60_degrees_there_is_no_factor() => Assert.Null(MetricConductors.AmbientFactor(new(60.1m)));

    [Theory]
    [InlineData(1, 1.00)]
    [InlineData(2, .80)]
    [InlineData(9, .50)]
    [InlineData(10, .45)]
    [InlineData(12, .45)]
    [InlineData(13, .41)]
    [InlineData(20, .38)]
    public void Company_takes_from_it(int circuits, double factor) =>
        Assert.Equal((decimal)factor, MetricConductors.GroupFactor(circuits));

    [Fact]
    public void More_than_twenty_circuits_share_no_conduit() => Assert.Null(MetricConductors.GroupFactor(21));

    [Theory]
    [InlineData(2.5, 2.5)]
    [InlineData(16, 16)]
    [InlineData(25, 16)]
    [InlineData(35, 16)]
    [InlineData(50, 25)]
    [InlineData(70, 35)]
    [InlineData(95, 50)]
    public void The_protective_conductor_follows_the_phase(double phase, double earth) =>
        Assert.Equal((decimal)earth, MetricConductors.Earth(new((decimal)phase)).Value);

    [Theory] // squares of the outsides against two fifths of the square of the inside
    [InlineData(3, 2.5, 20)] // 3 × 12.96 = 38.9 of 99.9
    [InlineData(3, 4, 20)] // 52.9
    [InlineData(6, 4, 25)] // 105.8 of 169.7
    [InlineData(5, 10, 32)] // 192.2 of 283.0
    [InlineData(5, 16, 32)] // 266.5
    [InlineData(5, 25, 40)] // 405.0 of 473.3
    public void Conduit_is_filled_to_two_fifths(int singles, double size, int outside) =>
        Assert.Equal(outside, MetricConductors.Conduit(Enumerable.Repeat(new SquareMillimetres((decimal)size), singles)));

    [Fact]
    public void No_conduit_is_invented_for_what_none_holds() =>
        Assert.Null(MetricConductors.Conduit(Enumerable.Repeat(new SquareMillimetres(95), 5)));

    [Fact] // 4 mm² is 4.61 milliohm a meter: 52 m of it 0.240 ohm
    public void A_conductor_has_the_resistance_of_its_length() =>
        Assert.Equal(.240m, decimal.Round(MetricConductors.Resistance(new(4), Length.FromMetres(52)).Value, 3));

    [Fact]
    public void A_size_that_is_not_made_is_refused() =>
        Assert.Contains("3 mm²", Assert.Throws<ArgumentException>(() => MetricConductors.Carries(new(3), false)).Message,
            StringComparison.Ordinal);
}
