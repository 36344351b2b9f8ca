using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Lines;
using Circuitum.Core.Plans;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Tests;

/// <summary>The Gulf metric method as a book: a job is started by it, or comes under it, and its house is laid out and planned.</summary>
public sealed class GulfBookTests
{
    private static readonly CodeBook Book = CodeBook.For(Edition.Gulf2022);

    private static readonly NewJob Answers = new() { Name = "Villa", Edition = Edition.Gulf2022 };

    private static Gauge Size(string name) => Book.Conductors.Sizes.First(g => g.ToString() == name);

    [Theory] // the columns of two loaded conductors
    [InlineData("1.5 mm²", 17.5)]
    [InlineData("2.5 mm²", 24)]
    [InlineData("4 mm²", 32)]
    [InlineData("95 mm²", 232)]
    public void Conductors_carry_what_the_table_says(string size, double amps) =>
        Assert.Equal(new Amps((decimal)amps), Book.Conductors.Ampacity(Size(size), Metal.Copper, Column.C75));

    [Fact] // 7.41 mΩ/m × 304.8 m = 2.2586 Ω; 25 and 35 mm² are earthed by 16, 50 by 25
    public void Resistance_and_earth_are_the_tables()
    {
        Assert.Equal(2.2586m, decimal.Round(Book.Conductors.OhmsPerThousandFeet(Size("2.5 mm²"), Metal.Copper)!.Value, 4));
        Assert.Equal(["4 mm²", "16 mm²", "16 mm²", "25 mm²"],
            new[] { "4 mm²", "25 mm²", "35 mm²", "50 mm²" }.Select(s => Book.Conductors.GroundWith(Size(s)).ToString()));
        Assert.Null(Book.Conductors.Ampacity(Size("4 mm²"), Metal.Aluminium, Column.C75));
    }

    [Theory] // four loaded conductors are two circuits
    [InlineData(2, 1)]
    [InlineData(3, .80)]
    [InlineData(4, .80)]
    [InlineData(6, .70)]
    [InlineData(40, .38)]
    [InlineData(60, .38)]
    public void Circuits_in_a_conduit_are_corrected(int loaded, double factor) =>
        Assert.Equal((decimal)factor, Book.Conductors.AdjustmentFactor(loaded));

    [Fact] // a socket stands at 450 mm, a switch at 1200 mm
    public void A_new_job_is_drawn_in_meters_and_feeds_boards()
    {
        var job = Answers.Start();
        Assert.Equal((Measure.Metres, Measure.Metres), (job.Schools.Measure, job.Schools.Drawn));
        Assert.Equal((Length.FromMetres(.45m), Length.FromMetres(1.2m)), (job.HouseRules.ReceptacleHeight, job.HouseRules.SwitchHeight));
        Assert.NotNull(job.Metric);
        Assert.Null((Answers with { Edition = Edition.Y2020 }).Start().Metric);
        Assert.Equal(Length.FromInches(14), (Answers with { Edition = Edition.Y2020 }).Start().HouseRules.ReceptacleHeight);
    }

    [Fact] // a crew's own heights are its own
    public void Heights_that_a_crew_has_said_stay() => Assert.Equal(Length.FromInches(20),
        (Answers with { HouseRules = new() { ReceptacleHeight = Length.FromInches(20) } }).Start().HouseRules.ReceptacleHeight);

    [Fact] // 240 V is not offered on 230/400: one phase brings it, and what had a plug of its own gets a connection
    public void Equipment_comes_on_the_supply_of_its_book()
    {
        var job = Furnished(Answers with { Edition = Edition.Y2020 });
        Assert.Contains(Plates(job), p => p.Plate!.Volts == new Volts(240));
        var villa = new SetEdition(Edition.Gulf2022).On(job).Job!;
        Assert.All(Plates(villa), p => Assert.Equal(new Volts(230), p.Plate!.Volts));
        Assert.DoesNotContain(Plates(villa), p => p.Kind == DeviceKind.ApplianceReceptacle);
        Assert.Contains(Plates(villa), p => p.Plate!.Name == "Cooker");
        Assert.NotNull(villa.Metric);
        var back = new SetEdition(Edition.Y2020).On(villa).Job!;
        Assert.All(Plates(back), p => Assert.Contains(p.Plate!.Volts, new[] { new Volts(120), new Volts(240) }));
        Assert.Equal(Plates(job).Where(p => p.Plate!.Load.Value > 1800).Select(p => p.Plate!.Volts),
            Plates(back).Where(p => p.Plate!.Load.Value > 1800).Select(p => p.Plate!.Volts));
    }

    [Fact] // what is laid out there has no device that protects, and its names are sockets
    public void A_house_is_laid_out_and_named_in_its_words()
    {
        var plan = Planner.Plan(Furnished(Answers));
        Assert.NotEmpty(plan.Survey.Boxes);
        Assert.All(plan.Survey.Boxes.SelectMany(b => b.Box.Devices), d =>
            Assert.False(d.Kind is DeviceKind.GfciReceptacle or DeviceKind.AfciReceptacle, d.Kind.ToString()));
        Assert.DoesNotContain(plan.Survey.Boxes, b => b.Name.Contains("receptacle", StringComparison.OrdinalIgnoreCase));
        Assert.Contains(plan.Survey.Boxes, b => b.Name.Contains("socket", StringComparison.Ordinal));
        Assert.All(plan.Tags, t => Assert.Empty(t.Cite.Ids));
    }

    [Fact]
    public void It_has_nothing_but_boards()
    {
        Assert.True(Book.FeedsBoards);
        var refused = new SetMetricFeed(null).On(Answers.Start());
        Assert.Contains("nothing but boards", refused.Refusal, StringComparison.Ordinal);
        Assert.DoesNotContain(Edition.Gulf2022, Editions.WithPanels);
        Assert.All(Editions.WithPanels, e => Assert.False(CodeBook.For(e).FeedsBoards));
        Assert.Equal(Editions.All.Length - 1, Editions.WithPanels.Length);
    }

    private static Job Furnished(NewJob answers)
    {
        var job = StartFromText.Start(answers, "kitchen 4 m x 3.6 m\nrange 0.76 m east of kitchen\n"
            + "refrigerator 0.9 m north of kitchen\nliving 5.4 m x 4.5 m north of kitchen, west end\n"
            + "bath 2.4 m x 1.8 m west of kitchen\nwater heater west of bath\nheat pump east of living");
        return LayOut.Everything.On(job).Job!;
    }

    private static List<Device> Plates(Job job) => [.. job.Boxes.SelectMany(b => b.Devices).Where(d => d.Plate is not null)];
}
