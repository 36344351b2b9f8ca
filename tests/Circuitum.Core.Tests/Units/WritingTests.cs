using Circuitum.Core.Units;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>What a job that is drawn in meters says and reads: 25.4 mm to the inch, and 1/64 in is 0.396875 mm.</summary>
public sealed class WritingTests
{
    [Theory] // 12'-6" is 3.81 m; 3.2 m is kept as 8063/64 in, which is 3.2000 m; a millimeter is what a tape shows
    [InlineData("3.2 m", "3.2 m")]
    [InlineData("3 m", "3.0 m")]
    [InlineData("12'-6\"", "3.81 m")]
    [InlineData("1'-0\"", "305 mm")]
    [InlineData("450 mm", "450 mm")]
    [InlineData("999 mm", "999 mm")]
    [InlineData("1 m", "1.0 m")]
    [InlineData("-4\"", "-102 mm")]
    [InlineData("0", "0 mm")]
    [InlineData("1000'", "304.8 m")]
    public void A_length_is_written_in_meters_to_the_millimeter(string text, string metres)
    {
        var length = Length.Parse(text);
        using var written = Writing.In(Measure.Metres);
        Assert.Equal(metres, length.ToString());
    }

    [Theory] // a drawing in meters says 3.2 and 450 without a unit; from 30 to 100 either could be meant
    [InlineData("3.2", 3.2)]
    [InlineData("30", 30)]
    [InlineData("-0.2", -.2)]
    [InlineData("100", .1)]
    [InlineData("450", .45)]
    [InlineData("12500", 12.5)]
    [InlineData("12'-6\"", 3.81)]
    [InlineData("6\"", .1524)]
    [InlineData("90 cm", .9)]
    [InlineData("-90 cm", -.9)]
    public void What_is_typed_without_a_unit_is_meters_or_millimeters(string text, double metres)
    {
        using var written = Writing.In(Measure.Metres);
        Assert.Equal(Length.FromMetres((decimal)metres), Length.Parse(text));
    }

    [Theory]
    [InlineData("30.1")]
    [InlineData("90")]
    [InlineData("-45")]
    [InlineData("99.9")]
    [InlineData("99999999999")]
    public void What_could_be_either_is_refused_with_a_way_to_write_it(string text)
    {
        using var written = Writing.In(Measure.Metres);
        Assert.Contains("3.2 m or 450 mm", Assert.Throws<FormatException>(() => Length.Parse(text)).Message, StringComparison.Ordinal);
    }

    [Fact] // the same text is inches elsewhere
    public void Without_a_word_a_bare_number_is_inches() => Assert.Equal(Length.FromInches(3.2m), Length.Parse("3.2"));

    [Fact] // half a millimeter and half of 1/64 in
    public void What_is_written_lies_within_a_millimeter_and_what_is_kept_is_the_same() =>
        Gen.Int[-64_000_000, 64_000_000].Sample(parts =>
        {
            var length = new Length(parts);
            Assert.Equal(length, Length.Parse(length.Exactly()));
            using var written = Writing.In(Measure.Metres);
            Assert.Equal(length, Length.Parse(length.Exactly()));
            Assert.True((Length.Parse(length.ToString()) - length).Abs() <= new Length(2), length.ToString());
        });

    [Fact] // 17 3/4 in is the nearest quarter to 450 mm, and 450.85 mm
    public void A_tape_shows_quarters_or_millimeters()
    {
        var length = Length.FromMetres(.45m);
        Assert.Equal("1'-5 3/4\"", length.Taped(Length.FromInches(.25m)));
        using var written = Writing.In(Measure.Metres);
        Assert.Equal("450 mm", length.Taped(Length.FromInches(.25m)));
    }

    [Fact] // 100 in is 2.54 m; 99.7 in is 2.53238 m
    public void A_hand_puts_down_on_inches_or_centimeters()
    {
        var length = Length.FromInches(99.7m);
        Assert.Equal(Length.FromInches(100), length.Snapped(Length.FromInches(1)));
        using var written = Writing.In(Measure.Metres);
        Assert.Equal(Length.FromMetres(2.53m), length.Snapped(Length.FromInches(1)));
    }

    [Fact]
    public void Limits_are_said_as_the_house_is_drawn()
    {
        string[] Said() => [Limit.Feet(2, 10), Limit.Inches(8, 48), Limit.Inches(.75m, 4), Limit.Feet(1), Limit.Inches(1)];
        Assert.Equal(["2 to 10 ft", "8 to 48 in", "3/4 to 4 in", "1 ft", "1 in"], Said());
        using var written = Writing.In(Measure.Metres);
        Assert.Equal(["610 mm to 3.048 m", "203 mm to 1.219 m", "19 mm to 102 mm", "305 mm", "25 mm"], Said());
    }

    [Fact]
    public async Task What_is_opened_deeper_turns_the_whole_flow_and_no_other()
    {
        Assert.Equal(Measure.Feet, Writing.Measure);
        Writing.Turn(Measure.Metres);
        Assert.Equal(Measure.Feet, Writing.Measure);
        using (Writing.In(Measure.Feet))
        {
            await Task.Run(() => Writing.Turn(Measure.Metres));
            Assert.Equal(Measure.Metres, Writing.Measure);
            using (Writing.In(Measure.Feet))
            {
                Assert.Equal(Measure.Feet, Writing.Measure);
            }

            Assert.Equal(Measure.Metres, Writing.Measure);
            var other = Task.Run(() =>
            {
                using var mine = Writing.In(Measure.Feet);
                return Writing.Measure;
            });
            Assert.Equal(Measure.Feet, await other);
            Assert.Equal(Measure.Metres, Writing.Measure);
        }

        Assert.Equal(Measure.Feet, Writing.Measure);
    }

    [Fact] // and as the scripts write it under the hand: the browser test reads the same file
    public void A_length_in_meters_is_written_as_its_twin_writes_it()
    {
        using var twins = System.Text.Json.JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "twins.json")));
        using var written = Writing.In(Measure.Metres);
        Assert.All(twins.RootElement.GetProperty("metres").EnumerateArray(), twin =>
            Assert.Equal(twin.GetProperty("text").GetString(), Length.FromInches(twin.GetProperty("inches").GetDecimal()).ToString()));
    }
}
