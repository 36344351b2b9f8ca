using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;

namespace Circuitum.Core.Tests;

public sealed class UnitsTests
{
    [Fact]
    public void A_quantity_prints_with_its_unit()
    {
        Assert.Equal("19.68 A", new Amps(19.684m).ToString());
        Assert.Equal("20 A", 20.Amps().ToString());
        Assert.Equal("117.4 V", new Volts(117.4m).ToString());
        Assert.Equal("35,347 VA", new VoltAmps(35347.4m).ToString());
        Assert.Equal("640 VA", 640.VoltAmps().ToString());
        Assert.Equal("18.00 in³", new CubicInches(18).ToString());
        Assert.Equal("0.1732 in²", new SquareInches(.1732m).ToString());
        Assert.Equal("2.6 %", new Percent(2.554m).ToString());
        Assert.Equal("48 °C", new Celsius(48).ToString());
        Assert.Equal("1,914 ft²", new SquareFeet(1914.2m).ToString());
    }

    [Fact]
    public void Load_over_volts_is_current()
    {
        Assert.Equal(18.75m, (4500.VoltAmps() / 240.Volts()).Value);
        Assert.Equal(2m, (120.Volts() - 118.Volts()).Value);
        Assert.Equal(1500m, new[] { 700.VoltAmps(), 800.VoltAmps() }.Total().Value);
        Assert.True(15.Amps() < 20.Amps() && 20.Amps() >= 20.Amps());
    }

    [Theory]
    [InlineData(150.4, 1, 150)]
    [InlineData(150.5, 1, 151)]
    [InlineData(7, 12, 12)]
    [InlineData(5.9, 12, 0)]
    public void Nearest_rounds_half_up(double inches, int step, int nearest) =>
        Assert.Equal(nearest, Length.FromInches((decimal)inches).Nearest(step.Inches()).Inches);

    [Fact]
    public void Distances_are_square_on_the_plan_and_straight_in_the_air()
    {
        var a = new Point(0.Feet(), 0.Feet());
        Assert.Equal(7m, a.SquareTo(new(3.Feet(), 4.Feet())).Feet);
        Assert.Equal(5m, a.At(Length.Zero).StraightTo(new Point(3.Feet(), 4.Feet()).At(Length.Zero)).Feet);
        Assert.Equal(13m, a.At(Length.Zero).StraightTo(new Point(3.Feet(), 4.Feet()).At(12.Feet())).Feet);
    }

    [Fact]
    public void Gauges_are_ordered_from_thin_to_thick()
    {
        Assert.True(Gauge.Awg14 < Gauge.Awg12 && Gauge.Parse("1/0") > Gauge.Parse("1") && Gauge.Parse("250") > Gauge.Parse("4/0"));
        Assert.Equal("8", Books.Us2020.Conductors.Next(Gauge.Awg10).ToString());
        Assert.Null(Books.Us2020.Conductors.Next(Gauge.Parse("600")));
        // By their cross-sections: 2.08 and 3.31 mm² about 2.5.
        Assert.True(Gauge.Awg14 < Gauge.Metric[1] && Gauge.Metric[1] < Gauge.Awg12);
        Assert.Equal(["2.5 mm²", "14 AWG", "4/0 AWG", "250 kcmil"], new[] { Gauge.Metric[1], Gauge.Awg14, Gauge.Parse("4/0"),
            Gauge.Parse("250") }.Select(g => g.Words));
        Assert.False(Gauge.TryParse("2.5 mm²", out _));
    }

    [Theory]
    [InlineData("box:k-1", SubjectKind.Box, "k-1")]
    [InlineData("run:@A~l-washer", SubjectKind.Run, "@A~l-washer")]
    [InlineData("PANEL:A", SubjectKind.Panel, "A")]
    public void A_subject_is_read_from_its_address(string text, SubjectKind kind, string id) =>
        Assert.Equal(new Subject(kind, id), Subject.TryParse(text));

    [Theory]
    [InlineData(null)]
    [InlineData("")]
    [InlineData("box")]
    [InlineData("box:")]
    [InlineData("teapot:1")]
    [InlineData("7:1")]
    public void What_names_no_subject_is_none(string? text) => Assert.Null(Subject.TryParse(text));

    [Fact]
    public void Reasons_are_equal_when_their_steps_are()
    {
        var one = Because.Of("Why").Book("a", "1 A", "240.4").House("b", "", "rule").Pin("c", "2 A");
        Assert.Equal(one, Because.Of("Why").Book("a", "1 A", "240.4").House("b", "", "rule").Pin("c", "2 A"));
        Assert.NotEqual(one, Because.Of("Why").Book("a", "1 A", "240.4"));
        Assert.Equal([Source.Book, Source.HouseRule, Source.Pin, Source.Job, Source.Assumed], one.Then(Because.Of("").Job("d", ""))
            .Assume("e", "").Steps.Select(s => s.From));
    }

    [Theory]
    [InlineData(DeviceKind.GfciReceptacle, "GFCI receptacle")]
    [InlineData(DeviceKind.ThreeWay, "three-way switch")]
    [InlineData(DeviceKind.SmokeAlarm, "smoke alarm")]
    public void Kinds_are_said_in_trade_words(DeviceKind kind, string words) => Assert.Equal(words, Words.Of(kind));

    [Fact]
    public void A_cased_opening_is_called_so() => Assert.Equal("cased opening", Words.Of(OpeningKind.Cased));

    [Fact]
    public void An_outline_knows_its_inside_its_edge_and_its_area()
    {
        Point P(int x, int y) => new(x.Feet(), y.Feet());
        Point[] square = [P(0, 0), P(4, 0), P(4, 3), P(0, 3)];
        Assert.Equal(12m, Outline.Area(square).Value);
        Assert.True(Outline.Contains(square, P(2, 1)) && Outline.Contains(square, P(0, 1)) && Outline.Contains(square, P(4, 3)));
        Assert.False(Outline.Contains(square, P(5, 1)) || Outline.Contains(square, P(2, 4)));
        Assert.Equal(new Point(2.Feet(), 18.Inches()), Outline.Middle(square));
    }
}
