using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;

namespace Circuitum.Core.Tests;

/// <summary>The printed tables, row by row.</summary>
public sealed class TablesTests
{
    [Theory] // Table 310.16: copper 60, 75, 90, aluminium 60, 75, 90; 0 where the table has none
    [InlineData("14", 15, 20, 25, 0, 0, 0)]
    [InlineData("12", 20, 25, 30, 15, 20, 25)]
    [InlineData("10", 30, 35, 40, 25, 30, 35)]
    [InlineData("8", 40, 50, 55, 35, 40, 45)]
    [InlineData("6", 55, 65, 75, 40, 50, 55)]
    [InlineData("4", 70, 85, 95, 55, 65, 75)]
    [InlineData("3", 85, 100, 115, 65, 75, 85)]
    [InlineData("2", 95, 115, 130, 75, 90, 100)]
    [InlineData("1", 110, 130, 145, 85, 100, 115)]
    [InlineData("1/0", 125, 150, 170, 100, 120, 135)]
    [InlineData("2/0", 145, 175, 195, 115, 135, 150)]
    [InlineData("3/0", 165, 200, 225, 130, 155, 175)]
    [InlineData("4/0", 195, 230, 260, 150, 180, 205)]
    [InlineData("250", 215, 255, 290, 170, 205, 230)]
    [InlineData("300", 240, 285, 320, 195, 230, 260)]
    [InlineData("350", 260, 310, 350, 210, 250, 280)]
    [InlineData("400", 280, 335, 380, 225, 270, 305)]
    [InlineData("500", 320, 380, 430, 260, 310, 350)]
    [InlineData("600", 350, 420, 475, 285, 340, 385)]
    public void Ampacities(string size, params int[] row)
    {
        var gauge = Gauge.Parse(size);
        var read = new[] { Metal.Copper,
            Metal.Aluminium }.SelectMany(m =>
                new[] { Column.C60, Column.C75, Column.C90 }.Select(c => (int)(Books.Us2020.Conductors.Ampacity(gauge, m, c)?.Value ?? 0)));
        Assert.Equal(row, read);
    }

    [Fact] // a thicker conductor never carries less, a hotter column never less than a cooler
    public void Ampacities_rise_with_size_and_column()
    {
        foreach (var (thin, thick) in Gauge.All.Zip(Gauge.All.Skip(1)))
        {
            Assert.True(Books.Us2020.Conductors.Ampacity(thin, Metal.Copper, Column.C60) < Books.Us2020.Conductors.Ampacity(thick,
                Metal.Copper, Column.C60));
            Assert.True(Books.Us2020.Conductors.Ampacity(thin, Metal.Copper, Column.C60) < Books.Us2020.Conductors.Ampacity(thin,
                Metal.Copper, Column.C90));
            Assert.True(Books.Us2020.Conductors.OhmsPerThousandFeet(thin,
                Metal.Copper) > Books.Us2020.Conductors.OhmsPerThousandFeet(thick, Metal.Copper));
            Assert.True(Books.Us2020.Conductors.CircularMil(thin) < Books.Us2020.Conductors.CircularMil(thick));
            Assert.True(Books.Us2020.Conductors.ConductorArea(thin).Value < Books.Us2020.Conductors.ConductorArea(thick).Value);
        }
    }

    [Theory] // Table 250.122, both sides of a row
    [InlineData(15, "14")]
    [InlineData(16, "12")]
    [InlineData(20, "12")]
    [InlineData(30, "10")]
    [InlineData(60, "10")]
    [InlineData(61, "8")]
    [InlineData(100, "8")]
    [InlineData(200, "6")]
    [InlineData(300, "4")]
    [InlineData(400, "3")]
    public void Equipment_grounds(int rating, string ground) =>
        Assert.Equal(ground, Books.Us2020.Conductors.EquipmentGround(rating.Amps(), Metal.Copper).ToString());

    [Theory] // Chapter 9 Table 1
    [InlineData(1, 53)]
    [InlineData(2, 31)]
    [InlineData(3, 40)]
    [InlineData(9, 40)]
    public void Raceway_fill(int conductors, int percent) => Assert.Equal(percent, Books.Us2020.Conductors.RacewayFill(conductors).Value);

    [Theory] // 240.4(D)
    [InlineData("14", Metal.Copper, 15)]
    [InlineData("12", Metal.Copper, 20)]
    [InlineData("10", Metal.Copper, 30)]
    [InlineData("8", Metal.Copper, null)]
    [InlineData("12", Metal.Aluminium, 15)]
    [InlineData("10", Metal.Aluminium, 25)]
    public void Small_conductors(string size, Metal metal, int? limit) =>
        Assert.Equal(limit, (int?)Books.Us2020.Conductors.SmallConductorLimit(Gauge.Parse(size), metal)?.Value);

    [Fact] // 240.6(A)
    public void Standard_ratings() =>
        Assert.Equal([15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300, 350, 400],
            CodeBook.For(Edition.Y2020).StandardRatings.Select(r => (int)r.Value));

    [Theory] // paragraphs moved between the editions
    [InlineData(Edition.Y2017, "210.23(A)", "220.12", "424.3(B)", "Table 310.15(B)(3)(a)", "Table 310.15(B)(2)(a)")]
    [InlineData(Edition.Y2020, "210.23(A)", "220.11", "424.4(B)", "Table 310.15(C)(1)", "Table 310.15(B)(1)")]
    [InlineData(Edition.Y2023, "210.23(B)", "220.5(C)", "424.4(B)", "Table 310.15(C)(1)", "Table 310.15(B)(1)")]
    public void Sections_are_cited_by_edition(Edition edition, string loads, string area, string heating, string adjustment, string ambient)
    {
        var book = CodeBook.For(edition);
        Assert.Equal((loads, area, heating, adjustment, ambient), Cited(book));
    }

    private static (string, string, string, string, string) Cited(CodeBook book)
    {
        string Text(RuleId rule) => book.Cite(rule).Text;
        return (Text(RuleId.PermissibleFifteenTwenty), Text(RuleId.FloorArea), Text(RuleId.SpaceHeating), Text(RuleId.AdjustmentTable),
            Text(RuleId.AmbientTable));
    }

    [Theory] // 240.4(B): 28 A is no standard size, 30 is the next; 30 itself leaves nothing to go up to
    [InlineData(28, 30, false, true)]
    [InlineData(28, 30, true, false)]
    [InlineData(30, 35, false, false)]
    [InlineData(28, 35, false, false)]
    [InlineData(30, 30, true, true)]
    public void The_next_size_up(int ampacity, int rating, bool portable, bool allowed) =>
        Assert.Equal(allowed, CodeBook.For(Edition.Y2020).Protects(rating.Amps(), ampacity.Amps(), portable));
}
