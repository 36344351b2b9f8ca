using Circuitum.Core.Site;
using Circuitum.Core.Units;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>What a tester showed: written down, read again, and judged on both sides of each boundary.</summary>
public sealed class TestReadingTests
{
    [Theory]
    [InlineData("WiredRight 121V 0.3Ω", "wired right, 121 V, ground 0.3 Ω")]
    [InlineData("OpenHot", "dead")]
    [InlineData("240.5V", "240.5 V")]
    [InlineData("0Ω 0V", "0 V, ground 0 Ω")]
    public void It_is_read_and_told(string written, string told) => Assert.Equal(told, TestReading.Parse(written).Words);

    [Theory]
    [InlineData("")]
    [InlineData("  ")]
    [InlineData("121")]
    [InlineData("V")]
    [InlineData("1001V")]
    [InlineData("-1V")]
    [InlineData("121V 122V")]
    [InlineData("wiredright")]
    [InlineData("1")]
    [InlineData("9")]
    [InlineData("WiredRight OpenHot")]
    [InlineData("1e3V")]
    public void What_is_none_is_refused(string written) => Assert.Throws<FormatException>(() => TestReading.Parse(written));

    [Theory] // 5 percent of 120 V is 6 V, of 240 V 12 V; 1 Ω is the habit
    [InlineData("114V", 120, 0)]
    [InlineData("113.9V", 120, 1)]
    [InlineData("126V", 120, 0)]
    [InlineData("126.1V", 120, 1)]
    [InlineData("228V", 240, 0)]
    [InlineData("121V", 240, 1)]
    [InlineData("1Ω", 120, 0)]
    [InlineData("1.01Ω", 120, 1)]
    [InlineData("WiredRight 120V 0.2Ω", 120, 0)]
    [InlineData("OpenGround 119V", 120, 1)]
    [InlineData("HotAndNeutralReversed 90V 5Ω", 120, 3)]
    public void It_is_judged(string written, int nominal, int troubles) =>
        Assert.Equal(troubles, TestReading.Parse(written).Troubles(new(nominal)).Length);

    [Fact]
    public void Every_pattern_but_one_is_a_trouble_with_a_place_to_look() => Assert.All(Enum.GetValues<TesterPattern>(), p =>
    {
        var troubles = new TestReading(p, null, null).Troubles(new(120));
        Assert.Equal(p == TesterPattern.WiredRight ? 0 : 1, troubles.Length);
        Assert.All(troubles, t => Assert.StartsWith(TestReading.Told(p) + ": ", t, StringComparison.Ordinal));
    });

    [Fact]
    public void What_is_written_down_is_read_the_same() => Gen.Select(Gen.Int[-1, 5], Gen.Int[-1, 10_000], Gen.Int[-1, 5000])
        .Where((p, v, g) => p >= 0 || v >= 0 || g >= 0).Sample((p, v, g) =>
        {
            var reading = new TestReading(p < 0 ? null : (TesterPattern)p, v < 0 ? null : new Volts(v / 10m),
                g < 0 ? null : new Ohms(g / 1000m));
            Assert.Equal(reading, TestReading.Parse(reading.ToString()));
        });
}
