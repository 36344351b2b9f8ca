using Circuitum.Core.Units;
using CsCheck;

namespace Circuitum.Core.Tests;

public sealed class LengthTests
{
    [Theory]
    [InlineData("12-6", 150)]
    [InlineData("12' 6 1/2\"", 150.5)]
    [InlineData("12'-6 1/2\"", 150.5)]
    [InlineData("12.5'", 150)]
    [InlineData("150.5\"", 150.5)]
    [InlineData("6 1/2\"", 6.5)]
    [InlineData("3/4\"", 0.75)]
    [InlineData("18", 18)]
    [InlineData("12'", 144)]
    [InlineData("-4\"", -4)]
    [InlineData("12’ 6”", 150)]
    [InlineData("2.54 cm", 1)]
    [InlineData("25.4 mm", 1)]
    [InlineData("20 ft", 240)]
    [InlineData("4 in", 4)]
    [InlineData("12 ft 6 1/2 in", 150.5)]
    [InlineData("3 feet", 36)]
    public void Is_read_as_the_trade_writes_it(string text, double inches) => Assert.Equal((decimal)inches, Length.Parse(text).Inches);

    [Theory] // 52.5 m is 2066.93 in: 172 ft 3 in; a hair over a foot or over a tenth is the next one
    [InlineData("52.5 m", "52.5 m", "173 ft")]
    [InlineData("172'", "52.5 m", "172 ft")]
    [InlineData("172' 1/64\"", "52.5 m", "173 ft")]
    [InlineData("52.51 m", "52.6 m", "173 ft")]
    [InlineData("0.1 m", "0.1 m", "1 ft")]
    [InlineData("1234.5 m", "1,234.5 m", "4,051 ft")]
    public void Is_cut_to_the_next_foot_or_tenth_of_a_metre(string text, string metres, string feet)
    {
        var length = Length.Parse(text);
        Assert.Equal((metres, feet), (length.Cut(Measure.Metres), length.Cut(Measure.Feet)));
        foreach (var measure in Enum.GetValues<Measure>())
        {
            // Cutting what is cut already takes nothing more.
            Assert.True(length.CutUp(measure) >= length - Length.FromInches(0.0625m));
            Assert.Equal(length.CutUp(measure), length.CutUp(measure).CutUp(measure));
        }
    }

    [Fact] // 150.5 in × 0.0254 = 3.8227 m
    public void Is_measured_in_inches_or_centimetres() =>
        Assert.Equal(("12'-7\"", "3.82 m"),
            (Length.Parse("150.5\"").Measured(Measure.Feet), Length.Parse("150.5\"").Measured(Measure.Metres)));

    [Theory]
    [InlineData("")]
    [InlineData("twelve")]
    [InlineData("12-6-4")]
    [InlineData("1/0\"")]
    [InlineData("12' 6' 4\"")]
    [InlineData("99999999999999999999")]
    [InlineData("1e5")]
    [InlineData("NaN")]
    [InlineData("12'; drop")]
    [InlineData("٣")]
    [InlineData("१२-६")]
    public void What_is_no_length_is_refused_and_quoted(string text)
    {
        var refusal = Assert.Throws<FormatException>(() => Length.Parse(text));
        Assert.Contains($"“{text}”", refusal.Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(150.5, "12'-6 1/2\"")]
    [InlineData(144, "12'-0\"")]
    [InlineData(0.75, "3/4\"")]
    [InlineData(6, "6\"")]
    [InlineData(0, "0\"")]
    [InlineData(-6.25, "-6 1/4\"")]
    public void Is_written_as_the_trade_writes_it(double inches, string text) =>
        Assert.Equal(text, Length.FromInches((decimal)inches).ToString());

    [Fact]
    public void Writing_and_reading_gives_the_same_length() =>
        Gen.Int[-64_000_000, 64_000_000].Sample(parts => Assert.Equal(new Length(parts), Length.Parse(new Length(parts).ToString())));

    [Fact] // and as the scripts write it under the hand: the browser test reads the same file
    public void A_length_is_written_as_its_twin_writes_it()
    {
        using var twins = System.Text.Json.JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "twins.json")));
        Assert.All(twins.RootElement.GetProperty("feet").EnumerateArray(), twin =>
            Assert.Equal(twin.GetProperty("text").GetString(), Length.FromInches(twin.GetProperty("inches").GetDecimal()).ToString()));
    }

    [Theory] // cable is cut to the next foot
    [InlineData(144, 12)]
    [InlineData(144.015625, 13)]
    [InlineData(0, 0)]
    public void Whole_feet_round_up(double inches, int feet) => Assert.Equal(feet, Length.FromInches((decimal)inches).WholeFeetUp);

    [Theory]
    [InlineData("12", "12")]
    [InlineData("1/0", "1/0")]
    [InlineData("250", "250")]
    public void A_gauge_is_read_as_marked(string text, string gauge) => Assert.Equal(gauge, Gauge.Parse(text).ToString());

    [Theory]
    [InlineData("13")]
    [InlineData("")]
    [InlineData("0")]
    public void A_size_that_is_not_sold_is_refused(string text) => Assert.Throws<FormatException>(() => Gauge.Parse(text));
}
