using System.Collections.Immutable;
using System.Text.Json;
using Circuitum.Core.Pricing;
using Circuitum.Core.Units;
using Circuitum.Formats.Csv;
using MiniExcelLibs;

namespace Circuitum.Formats.Offers;

/// <summary>An estimate or a change order as it is kept, and as it leaves: JSON, CSV and a workbook.</summary>
public static class OfferFiles
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web) { MaxDepth = 16 };

    /// <summary>Writes an offer whole, as it is kept.</summary>
    public static string Write(Offer offer) => JsonSerializer.Serialize(Kept.Of(offer), Json);

    /// <summary>Reads what was kept.</summary>
    /// <exception cref="FormatException">It is no offer.</exception>
    public static Offer Read(string document)
    {
        try
        {
            return JsonSerializer.Deserialize<Kept>(document, Json)!.Offer();
        }
        catch (Exception e) when (e is JsonException or NullReferenceException or ArgumentException)
        {
            throw new FormatException("This offer cannot be read.", e);
        }
    }

    /// <summary>Every line with its price, its work and its amount; then the sum.</summary>
    public static string Csv(Offer offer) => CsvFiles.Write("group,item,quantity,unit,price,amount,hours,taxed,for", Rows(offer));

    /// <summary>The same as a workbook; no cell is a formula.</summary>
    public static byte[] Xlsx(Offer offer)
    {
        using var stream = new MemoryStream();
        stream.SaveAs(new Dictionary<string, object>
        {
            ["Lines"] = offer.Lines.Select(l => new
            {
                group = l.Group,
                item = l.Item,
                quantity = l.Quantity,
                unit = l.Unit,
                price = l.Price?.Value,
                amount = l.Price is null ? (decimal?)null : l.Material.Value,
                hours = l.Work.Value,
                taxed = l.Taxed ? "yes" : "no",
                how_counted = l.Price is null ? "no price known" : l.For,
            }),
            ["Sum"] = SumOf(offer).Select(s => new { what = s.What, amount = s.Amount.Value }),
        });
        return stream.ToArray();
    }

    /// <summary>The sum, line by line as it is written on the offer.</summary>
    public static IEnumerable<(string What, Money Amount)> SumOf(Offer offer)
    {
        var (sum, terms) = (offer.Sum, offer.Terms);
        yield return ("Material", sum.Material);
        yield return ($"Markup on material, {terms.Markup}", sum.Markup);
        yield return ($"Labor, {sum.Hours} at {terms.Rate.In(terms.Sign)}", sum.Labor);
        if (sum.Discount != Money.Zero)
        {
            yield return ($"Discount, {terms.Discount}", Money.Zero - sum.Discount);
        }

        yield return ($"Sales tax, {terms.Tax} of {sum.Taxable.In(terms.Sign)}", sum.Tax);
        yield return (sum.Total < Money.Zero ? "Given back" : "Total", sum.Total);
        if (sum.Deposit != Money.Zero)
        {
            yield return ($"Deposit when signed, {terms.Deposit}", sum.Deposit);
        }
    }

    private static IEnumerable<object[]> Rows(Offer offer) => offer.Lines.Select(l => new object[]
        {
            l.Group, l.Item, l.Quantity, l.Unit, l.Price?.ToString() ?? "", l.Price is null ? "" : l.Material.ToString(), l.Work.Value,
            l.Taxed ? "yes" : "no", l.Price is null ? "no price known" : l.For,
        })
        .Concat(SumOf(offer).Select(s => new object[] { "sum", s.What, "", "", "", s.Amount.ToString(), "", "", "" }));

    // As it stands in the database: plain numbers, so that no version of this program reads them otherwise.
    private sealed record Kept(OfferKind Kind, string Job, int Revision, int? From, string Reason, KeptTerms Terms, List<KeptLine> Lines,
        List<OfferFact> Facts, List<KeptFloor> Floors)
    {
        public static Kept Of(Offer p) => new(p.Kind, p.Job, p.Revision, p.From, p.Reason,
            new(p.Terms.Rate.Value, p.Terms.Markup.Value, p.Terms.Tax.Value, p.Terms.Discount.Value, p.Terms.Deposit.Value,
                p.Terms.Supplier,
                p.Terms.Sign, p.Terms.Words),
            [.. p.Lines.Select(l => new KeptLine(l.Group, l.Item, l.Unit, l.Quantity, l.Price?.Value, l.Hours.Value, l.Taxed, l.For))],
            [.. p.Facts],
            [.. p.Floors.Select(f => new KeptFloor(f.Name, [.. f.Rooms.Select(r => new KeptRoom(r.Name, [.. r.Corners.Select(Flat)]))],
                [.. f.Marks.Select(m => new KeptMark(Flat(m.At), m.Kind, m.Name))]))]);

        public Offer Offer() => new(Kind, Job, Revision,
            new(new(Terms.Rate), new(Terms.Markup), new(Terms.Tax), new(Terms.Discount), new(Terms.Deposit))
            { Supplier = Terms.Supplier, Sign = Terms.Sign, Words = Terms.Words },
            [.. Lines.Select(l => new OfferLine(l.Group, l.Item, l.Unit, l.Quantity, l.Price is { } price ? new Money(price) : null,
                new(l.Hours), l.Taxed, l.For))])
        {
            From = From,
            Reason = Reason,
            Facts = [.. Facts],
            Floors = [.. Floors.Select(f => new OfferFloor(f.Name,
                [.. f.Rooms.Select(r => new OfferRoom(r.Name, [.. r.Corners.Select(At)]))],
                [.. f.Marks.Select(m => new OfferMark(At(m.At), m.Kind, m.Name))]))],
        };

        private static int[] Flat(Point at) => [at.X.Sixtyfourths, at.Y.Sixtyfourths];

        private static Point At(int[] at) => new(new(at[0]), new(at[1]));
    }

    private sealed record KeptTerms(decimal Rate, decimal Markup, decimal Tax, decimal Discount, decimal Deposit, string Supplier,
        string Sign,
        string Words);

    private sealed record KeptLine(string Group, string Item, string Unit, int Quantity, decimal? Price, decimal Hours, bool Taxed,
        string For);

    private sealed record KeptFloor(string Name, List<KeptRoom> Rooms, List<KeptMark> Marks);

    private sealed record KeptRoom(string Name, List<int[]> Corners);

    private sealed record KeptMark(int[] At, char Kind, string Name);
}
