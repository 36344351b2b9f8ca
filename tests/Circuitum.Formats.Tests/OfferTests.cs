using System.Text;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Pricing;
using Circuitum.Core.Site;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Formats.Csv;
using Circuitum.Formats.JobFile;
using Circuitum.Formats.Offers;
using Circuitum.Formats.Pdf;
using Circuitum.Tests.Support;
using CsCheck;
using MiniExcelLibs;

namespace Circuitum.Formats.Tests;

/// <summary>The price list as a file, and estimates and change orders as they are kept, printed and sent.</summary>
public sealed class OfferTests
{
    private static PriceList Read(string text) => PriceListFiles.Read(Encoding.UTF8.GetBytes(text));

    [Fact] // nothing is priced silently: the list that ships knows every thing that the houses here take
    public void The_list_that_ships_prices_every_house()
    {
        var missing = Enumerable.Range(1, 60).Select(n => Planner.Plan(BuiltHouses.Number(n))).Concat(
            new[] { "fernhollow", "quarrel-bend", "tarn-hollow" }.Select(n => Planner.Plan(
                JobFiles.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", $"{n}.circuitum.json"))))))
            .SelectMany(p => Estimates.Of(p, 1, PriceListFiles.Shipped, Terms.Usual).Unpriced).Select(l =>
                $"{l.Item}, {l.Unit}").Distinct();
        Assert.Empty(missing);
        Assert.NotNull(PriceListFiles.Shipped.Find(PriceList.TakingOut, "ft"));
        Assert.Equal(["Counter", "Yard"], PriceListFiles.Shipped.Suppliers.AsEnumerable());
    }

    [Fact]
    public void A_list_that_is_written_reads_the_same() => Gen.Select(
        Gen.String[Gen.OneOfConst('a', '*', ' ', ',', '"', '-', '2', 'é', '='), 1, 20], Gen.OneOfConst("each", "ft", "m", "holes"),
        Gen.Int[0, 10_000_000], Gen.Int[0, 1_000_000], Gen.OneOfConst("", "Yard", "A, B"), Gen.Bool).Array[1, 12].Sample(rows =>
        {
            var list = new PriceList([.. rows.Where(r => r.Item1.Trim().Length > 0 && r.Item1.Count(c => c == '*') <= 4).Select(r =>
                new PriceItem(r.Item1.Trim(), r.Item2, new(r.Item3 / 100m), new(r.Item4 / 1000m))
                { Supplier = r.Item5, Taxed = r.Item6 })]);
            return list.Items.IsEmpty || Read(PriceListFiles.Write(list)).Items.SequenceEqual(list.Items);
        }, iter: 400);

    [Theory]
    [InlineData("", "The file is empty")]
    [InlineData("item,unit\nx,each", "no column “price”")]
    [InlineData("item,unit,price\n", "no line below")]
    [InlineData("item,unit,price\nbox,each,1.00\nbox,pair,1", "Line 3, box: “pair” is no unit")]
    [InlineData("item,unit,price\nbox,each,-1", "Line 2, box: “-1” is no amount of money")]
    [InlineData("item,unit,price,hours\nbox,each,1,2.0001", "Line 2, box: “2.0001” is no time")]
    [InlineData("item,unit,price,taxed\nbox,each,1,maybe", "Line 2, box: taxed is yes or no")]
    [InlineData("item,unit,price\nbox,each,=1+1", "Line 2, box: “=1+1” is no amount")]
    [InlineData("item,unit,price\n*a*b*c*d*,each,1", "Line 2: a name has at most")]
    public void A_list_that_is_none_is_told_by_its_line(string text, string says) =>
        Assert.Contains(says, Assert.Throws<FormatException>(() => Read(text)).Message, StringComparison.Ordinal);

    [Fact]
    public void A_list_from_a_sheet_with_semicolons_is_read()
    {
        var item = Assert.Single(Read("Item;Unit;Price;Hours;Supplier;Taxed\r\n12-2;FT;0.58;0.013;Yard;No\r\n;;;;;\r\n").Items);
        Assert.Equal(new PriceItem("12-2", "ft", new(0.58m), new(0.013m)) { Supplier = "Yard", Taxed = false }, item);
    }

    [Fact]
    public void Files_that_are_too_large_or_no_text_are_refused()
    {
        Assert.Contains("larger than 512 KB", Assert.Throws<FormatException>(() => PriceListFiles.Read(new byte[(512 * 1024) + 1])).Message,
            StringComparison.Ordinal);
        Assert.Contains("no CSV", Assert.Throws<FormatException>(() => PriceListFiles.Read([105, 0, 1])).Message, StringComparison.Ordinal);
        var many = "item,unit,price\n" + string.Concat(Enumerable.Repeat("box,each,1\n", PriceList.MostItems + 1));
        Assert.Contains("more than 2000 lines", Assert.Throws<FormatException>(() => Read(many)).Message, StringComparison.Ordinal);
    }

    private static (Offer Offer, Plan After) Larger()
    {
        var job = Houses.Row(("a", RoomUse.Kitchen, 12)).With(Houses.Appliance("range", "a", 1, 60,
            Houses.Plate(Appliance.Range, 240, 7000) with { Neutral = true, Breaker = 30.Amps() }));
        var before = Planner.Plan(job);
        var after = Planner.Plan(new SetPlateBreaker(new("range"), 0, 50.Amps()).On(job).Job!);
        var pull = before.Takeoff.Pulls[0];
        var record = SiteRecord.Of([new(new(Guid.NewGuid()), Subject.Run(pull.Run), SiteStep.Pulled, new(1), new(1), "Ida", 1)
            { As = new("x", pull.Cable, pull.Length) }]);
        return (ChangeOrders.Between((before, 1), (after, 2), record, PriceListFiles.Shipped,
            Terms.Usual with { Tax = new(8), Supplier = "Yard" }, "A larger range"), after);
    }

    [Fact]
    public void What_is_kept_reads_the_same_to_the_last_cent()
    {
        foreach (var offer in new[] { Larger().Offer, Estimates.Of(Planner.Plan(BuiltHouses.Number(3)), 4,
            Read("item,unit,price\n12-2,ft,1"),
            Terms.Usual) })
        {
            var read = OfferFiles.Read(OfferFiles.Write(offer));
            Assert.Equal(OfferFiles.Write(offer), OfferFiles.Write(read));
            Assert.Equal(offer.Sum, read.Sum);
            Assert.Equal(offer.Lines.AsEnumerable(), read.Lines);
            Assert.Equal((offer.From, offer.Reason, offer.Unpriced.Length), (read.From, read.Reason, read.Unpriced.Length));
        }

        Assert.Throws<FormatException>(() => OfferFiles.Read("{}"));
        Assert.Throws<FormatException>(() => OfferFiles.Read("nothing"));
    }

    [Fact]
    public void A_printed_change_order_says_what_why_and_how_much()
    {
        var (offer, _) = Larger();
        var text = PdfText.Of(OfferPdf.Write(offer, 7, new(2026, 3, 4), "Ida"));
        Assert.Contains("Change order 7", text, StringComparison.Ordinal);
        Assert.Contains("2026-03-04 · written by Ida · revision 2 of the plan, against revision 1", text, StringComparison.Ordinal);
        Assert.Contains("Asked for: A larger range", text, StringComparison.Ordinal);
        Assert.Contains(offer.Sum.Total.In("$"), text, StringComparison.Ordinal);
        Assert.Contains("Was pulled, and comes out", text, StringComparison.Ordinal);
        Assert.Contains("Cable taken out", text, StringComparison.Ordinal);
        Assert.Contains("For the owner", text, StringComparison.Ordinal);
    }

    [Fact]
    public void A_printed_estimate_of_any_house_has_every_line_and_says_what_has_no_price()
    {
        var plan = Planner.Plan(BuiltHouses.Number(8));
        var list = new PriceList([.. PriceListFiles.Shipped.Items.Where(i => i.Item != "Switch")]);
        var text = PdfText.Of(OfferPdf.Write(Estimates.Of(plan, 1, list, Terms.Usual), 1, new(2026, 3, 4), "Ida"));
        foreach (var line in Hardware.Of(plan).Where(m => m.Quantity > 0))
        {
            Assert.Contains(PdfText.Tight(line.Item), PdfText.Tight(text), StringComparison.Ordinal);
        }

        Assert.Contains("1 line has no price and is not in the total.", text, StringComparison.Ordinal);
    }

    [Fact]
    public void Lists_that_leave_hold_the_sum_and_no_formula()
    {
        var (offer, _) = Larger();
        var csv = OfferFiles.Csv(offer);
        Assert.Contains($"sum,Total,,,,{offer.Sum.Total},,,", csv, StringComparison.Ordinal);
        Assert.Equal(offer.Lines.Length + OfferFiles.SumOf(offer).Count() + 1, csv.Trim().Split('\n').Length);
        var rows = new MemoryStream(OfferFiles.Xlsx(offer)).Query(useHeaderRow: true, sheetName: "Lines").ToList();
        Assert.Equal(offer.Lines.Length, rows.Count);
        Assert.Equal((double)offer.Lines[0].Quantity, (double)((IDictionary<string, object>)rows[0])["quantity"]);
    }
}
