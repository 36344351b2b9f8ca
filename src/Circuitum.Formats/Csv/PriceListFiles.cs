using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using Circuitum.Core.Pricing;
using Circuitum.Core.Units;
using CsvHelper;

namespace Circuitum.Formats.Csv;

/// <summary>A crew's price list as CSV: item, unit, price, hours, and where they have it supplier and taxed.</summary>
public static class PriceListFiles
{
    /// <summary>Largest file.</summary>
    public const int MostBytes = TypedCsv.MostBytes;

    private const int MostName = 120;
    private static readonly string[] Units = ["each", "ft", "m", "holes"];

    /// <summary>The made-up list that ships: every crew sets its own prices.</summary>
    public static PriceList Shipped { get; } = Read(OfShipped());

    /// <summary>Reads a list.</summary>
    /// <exception cref="FormatException">It is no such list; the message names the line and says what to do.</exception>
    public static PriceList Read(byte[] file) => TypedCsv.Read(file, "a price list has a line a thing", Lines);

    /// <summary>The list that a crew brought in, as it is kept; the one that ships where they brought none.</summary>
    public static PriceList Kept(string? document) => document is null ? Shipped : Read(Encoding.UTF8.GetBytes(document));

    /// <summary>Writes a list as it can be read again.</summary>
    public static string Write(PriceList list) => CsvFiles.Write("item,unit,price,hours,supplier,taxed", list.Items.Select(i => new object[]
    {
        i.Item, i.Unit, i.Price.ToString(), i.Hours.Value.ToString("0.###", CultureInfo.InvariantCulture), i.Supplier,
        i.Taxed ? "yes" : "no",
    }));

    private static PriceList Lines(CsvReader csv)
    {
        if (!csv.Read() || !csv.ReadHeader())
        {
            throw new FormatException("The file is empty. Its first line names the columns: item, unit, price, hours, supplier, taxed.");
        }

        var columns = csv.HeaderRecord!.Select(h => h.Trim().ToLowerInvariant()).ToList();
        if (new[] { "item", "unit", "price" }.FirstOrDefault(needed => !columns.Contains(needed)) is { } missing)
        {
            throw new FormatException(
                $"Line 1 names no column “{missing}”. Name the columns item, unit, price, and where there are such hours, supplier, "
                    + $"taxed.");
        }

        var items = ImmutableArray.CreateBuilder<PriceItem>();
        while (csv.Read())
        {
            if (items.Count == PriceList.MostItems)
            {
                throw new FormatException($"Line {csv.Parser.Row}: more than {PriceList.MostItems} lines. Nothing was read.");
            }

            if (Item(csv, columns) is { } item)
            {
                items.Add(item);
            }
        }

        return items.Count == 0 ? throw new FormatException("There is no line below the names of the columns. Nothing was read.")
            : new(items.ToImmutable());
    }

    // Null for a line that names nothing.
    private static PriceItem? Item(CsvReader csv, List<string> columns)
    {
        string Field(string name) => columns.Contains(name) && csv.TryGetField<string>(name, out var value) ? (value ?? "").Trim() : "";
        var (row, name, unit) = (csv.Parser.Row, Field("item").TrimStart('\''), Field("unit").ToLowerInvariant());
        if (name.Length == 0)
        {
            return null;
        }

        if (name.Length > MostName || name.Count(c => c == '*') > 4 || name.Any(char.IsControl))
        {
            throw new FormatException($"Line {row}: a name has at most {MostName} characters and four stars, on one line.");
        }

        if (!Units.Contains(unit))
        {
            throw new FormatException($"Line {row}, {name}: “{TypedCsv.Quoted(unit)}” is no unit of the material list; "
                + "write each, ft, m or holes.");
        }

        var supplier = Field("supplier").TrimStart('\'');
        if (supplier.Length > 40 || supplier.Any(char.IsControl))
        {
            throw new FormatException($"Line {row}, {name}: a supplier's name has at most 40 characters.");
        }

        try
        {
            return new(name, unit, Money.Parse(Field("price")), Field("hours") is { Length: > 0 } hours ? LaborHours.Parse(hours) : default)
            {
                Supplier = supplier,
                Taxed = Field("taxed").ToLowerInvariant() switch
                {
                    "" or "yes" or "y" or "true" or "1" => true,
                    "no" or "n" or "false" or "0" => false,
                    var other => throw new FormatException($"taxed is yes or no, not “{TypedCsv.Quoted(other)}”."),
                },
            };
        }
        catch (FormatException e)
        {
            throw new FormatException($"Line {row}, {name}: {e.Message}", e);
        }
    }

    private static byte[] OfShipped()
    {
        using var stream = typeof(PriceListFiles).Assembly.GetManifestResourceStream("prices.csv")!;
        using var copy = new MemoryStream();
        stream.CopyTo(copy);
        return copy.ToArray();
    }
}
