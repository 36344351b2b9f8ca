using Circuitum.Core.Rules.Gulf;
using Circuitum.Core.Units;

namespace Circuitum.Core.Tests.Boards;

public sealed class MetricRulesTests
{
    [Theory] // both sides of each step
    [InlineData(500, 10)]
    [InlineData(1200, 10)]
    [InlineData(1201, 16)]
    [InlineData(1500, 16)]
    [InlineData(2000, 16)]
    public void Lighting_has_its_breaker_by_its_watts(int watts, int breaker) =>
        Assert.Equal(breaker, MetricRules.LightingBreaker(new(watts), new())!.Value.Value);

    [Fact]
    public void Above_2000_watts_lighting_is_split() => Assert.Null(MetricRules.LightingBreaker(new(2001), new()));

    [Theory]
    [InlineData(31.3, 32, 6)]
    [InlineData(32, 32, 6)]
    [InlineData(32.1, 40, 10)]
    [InlineData(40.1, 50, 10)]
    [InlineData(63, 63, 10)]
    [InlineData(5, 32, 6)]
    public void A_cooker_has_32_amperes_and_6_or_40_and_10(double current, int breaker, int size) =>
        Assert.Equal((breaker, size), ((int)MetricRules.Cooker(new((decimal)current))!.Value.Breaker.Value,
            (int)MetricRules.Cooker(new((decimal)current))!.Value.Least.Value));

    [Fact]
    public void A_cooker_above_63_amperes_has_no_circuit() => Assert.Null(MetricRules.Cooker(new(63.1m)));

    [Theory]
    [InlineData(13, 20)]
    [InlineData(20, 20)]
    [InlineData(20.1, 25)]
    [InlineData(25, 25)]
    public void A_water_heater_has_20_or_25(double current, int breaker) =>
        Assert.Equal(breaker, MetricRules.WaterHeaterBreaker(new((decimal)current))!.Value.Value);

    [Fact]
    public void A_water_heater_above_25_amperes_has_no_circuit() => Assert.Null(MetricRules.WaterHeaterBreaker(new(25.1m)));

    [Theory]
    [InlineData(125, 125)]
    [InlineData(125.1, 160)]
    [InlineData(250, 250)]
    public void A_sub_main_may_be_larger_than_a_board(double current, int rating) =>
        Assert.Equal(rating, MetricRules.SubMainAtLeast(new((decimal)current))!.Value.Value);

    [Fact]
    public void No_sub_main_is_larger_than_250() => Assert.Null(MetricRules.SubMainAtLeast(new(250.1m)));

    [Theory]
    [InlineData(10, 0)]
    [InlineData(10.1, 1)]
    [InlineData(20, 1)]
    [InlineData(31, 3)]
    public void A_conduit_has_a_box_every_ten_meters(double metres, int boxes) =>
        Assert.Equal(boxes, MetricRules.DrawBoxes(Length.FromMetres((decimal)metres)));

    [Fact]
    public void Every_rule_is_cited_by_words_of_its_own()
    {
        var cited = Enum.GetValues<MetricRule>().Select(r => MetricRules.Cite(r).Text).ToList();
        Assert.Equal(cited.Count, cited.Distinct().Count());
        Assert.DoesNotContain("", cited);
    }
}
