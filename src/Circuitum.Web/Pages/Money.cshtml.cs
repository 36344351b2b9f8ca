using System.Globalization;
using Circuitum.Core.Jobs;
using Circuitum.Core.Pricing;
using Circuitum.Core.Units;
using Circuitum.Data;
using Circuitum.Formats.Csv;
using Circuitum.Formats.Offers;
using Circuitum.Formats.Pdf;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>What the job costs, what a change of it costs, and the papers that were written of both.</summary>
public sealed class MoneyModel(Workbench bench, Offers offers) : JobPage(bench)
{
    /// <summary>Most characters of a reason.</summary>
    public const int MostReason = 200;

    /// <summary>The terms as typed; the last that were written where nothing is.</summary>
    [BindProperty(SupportsGet = true)]
    public TermsFields Typed { get; set; } = new();

    /// <summary>The revision that a change order is against.</summary>
    [FromQuery]
    public string? Against { get; set; }

    /// <summary>Why the change is asked for.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Reason { get; set; }

    /// <summary>The price list that counts.</summary>
    public PriceList Prices { get; private set; } = PriceListFiles.Shipped;

    /// <summary>Who brought the list in; null while it is the made-up one that ships.</summary>
    public BroughtPrices? Brought { get; private set; }

    /// <summary>The terms that count.</summary>
    public Terms Terms { get; private set; } = Terms.Usual;

    /// <summary>What was written, the newest first.</summary>
    public IReadOnlyList<(WrittenOffer Written, Offer Offer)> Offers { get; private set; } = [];

    /// <summary>What the job costs as it is now.</summary>
    public Offer Estimate { get; private set; } = null!;

    /// <summary>What the change costs; null where none is asked about.</summary>
    public Offer? Change { get; private set; }

    /// <summary>The revision that was last put on paper, which a change is usually against.</summary>
    public int LastOffered => Offers.Count > 0 ? Offers[0].Offer.Revision : 1;

    /// <summary>Writes the estimate down under a number.</summary>
    public Task<IActionResult> OnPostEstimateAsync() => WriteAsync(() => Estimate);

    /// <summary>Writes the change order down under a number.</summary>
    public Task<IActionResult> OnPostChangeAsync(string? against)
    {
        Against = against;
        return WriteAsync(() => Change ?? throw new FormatException("Say which revision the owner agreed to."));
    }

    /// <summary>Takes another price list.</summary>
    public async Task<IActionResult> OnPostPricesAsync(IFormFile? file)
    {
        if (!await LoadAsync())
        {
            return NotFound();
        }

        try
        {
            if (file is null || file.Length == 0)
            {
                throw new FormatException("Choose a CSV file with the columns item, unit and price.");
            }

            if (file.Length > PriceListFiles.MostBytes)
            {
                throw new FormatException(
                    $"“{file.FileName}” is larger than {PriceListFiles.MostBytes / 1024} KB; a price list has a line a thing. Nothing "
                        + $"was read.");
            }

            using var copy = new MemoryStream();
            await file.CopyToAsync(copy);
            var list = PriceListFiles.Read(copy.ToArray());
            if (!await offers.BringAsync(PriceListFiles.Write(list), Crew.Of(HttpContext)))
            {
                throw new FormatException($"There are {Data.Offers.MostLists} price lists already. Nothing was read.");
            }

            await LoadAsync();
            Said = $"{list.Items.Length} prices read. Papers written before keep theirs.";
            return Page();
        }
        catch (FormatException e)
        {
            return Refuse(e.Message, StatusCodes.Status422UnprocessableEntity);
        }
    }

    /// <summary>The price list as a file, to be edited and brought in again.</summary>
    public async Task<IActionResult> OnGetPricesAsync() => await LoadAsync()
        ? File(System.Text.Encoding.UTF8.GetBytes(PriceListFiles.Write(Prices)), "text/csv; charset=utf-8", "prices.csv") : NotFound();

    /// <summary>A written paper: its PDF, its lines as CSV or as a workbook.</summary>
    public async Task<IActionResult> OnGetPaperAsync(int number, string? kind)
    {
        if (!await LoadAsync() || Offers.FirstOrDefault(o => o.Written.Number == number) is not { Written: not null } found)
        {
            return NotFound();
        }

        var name = $"{OfferPdf.Title(found.Offer).ToLowerInvariant().Replace(' ', '-')}-{number}";
        return kind switch
        {
            "csv" => File(System.Text.Encoding.UTF8.GetBytes(OfferFiles.Csv(found.Offer)), "text/csv; charset=utf-8", $"{name}.csv"),
            "xlsx" => File(OfferFiles.Xlsx(found.Offer), "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
                $"{name}.xlsx"),
            _ => File(OfferPdf.Write(found.Offer, number, DateOnly.FromDateTime(found.Written.At.UtcDateTime), found.Written.Who),
                "application/pdf"),
        };
    }

    /// <inheritdoc/>
    protected override async Task ReadAsync()
    {
        Brought = await offers.PricesAsync();
        Prices = PriceListFiles.Kept(Brought?.Document);
        Offers = [.. (await offers.OfAsync(new(Key))).Select(o => (o, OfferFiles.Read(o.Document)))];
        var last = Offers.Count > 0 ? Offers[0].Offer.Terms
            : await offers.NewestAsync() is { } newest ? OfferFiles.Read(newest.Document).Terms : Terms.Usual;
        Terms = last;
        try
        {
            Terms = Typed.Read(last, Prices);
            Change = await ChangeAsync();
        }
        catch (FormatException e)
        {
            Refuse(e.Message, StatusCodes.Status422UnprocessableEntity);
        }

        Estimate = Estimates.Of(Open.Plan, Open.Revision, Prices, Terms);
    }

    private async Task<Offer?> ChangeAsync()
    {
        if (string.IsNullOrWhiteSpace(Against))
        {
            return null;
        }

        if (!int.TryParse(Against, NumberStyles.None, CultureInfo.InvariantCulture, out var number) || number < 1 || number > Open.Revision
            || await PlanAtAsync(number) is not { } then)
        {
            throw new FormatException($"There is no revision “{Against}”; the newest is {Open.Revision}.");
        }

        var reason = (Reason ?? "").Trim();
        return reason.Length > MostReason
            ? throw new FormatException($"The reason has {reason.Length} characters; at most {MostReason}.")
            : ChangeOrders.Between((then, number), (Open.Plan, Open.Revision), Open.Site, Prices, Terms, reason);
    }

    private async Task<IActionResult> WriteAsync(Func<Offer> offer)
    {
        if (!await LoadAsync())
        {
            return NotFound();
        }

        if (Refused)
        {
            return Page();
        }

        try
        {
            var written = offer();
            if (written.Lines.IsEmpty)
            {
                throw new FormatException("Nothing differs between the two plans. Nothing was written.");
            }

            var number = await offers.WriteAsync(new(Key), OfferFiles.Write(written), Crew.Of(HttpContext))
                ?? throw new FormatException($"This job has {Data.Offers.MostOfJob} papers already. Nothing was written.");
            await LoadAsync();
            Said = $"{OfferPdf.Title(written)} {number} is written: {written.Sum.Total.In(written.Terms.Sign)}. It does not change any "
                + $"more.";
            return Page();
        }
        catch (FormatException e)
        {
            return Refuse(e.Message, StatusCodes.Status422UnprocessableEntity);
        }
    }
}

/// <summary>Terms as they are typed; a field that is not sent keeps what was written last.</summary>
public sealed class TermsFields
{
    /// <summary>An hour's work.</summary>
    public string? Rate { get; set; }

    /// <summary>On the material.</summary>
    public string? Markup { get; set; }

    /// <summary>Sales tax.</summary>
    public string? Tax { get; set; }

    /// <summary>Off the whole.</summary>
    public string? Discount { get; set; }

    /// <summary>When signed.</summary>
    public string? Deposit { get; set; }

    /// <summary>Whose prices; empty for the cheapest.</summary>
    public string? Supplier { get; set; }

    /// <summary>Sign of the money.</summary>
    public string? Sign { get; set; }

    /// <summary>What else is agreed.</summary>
    public string? Words { get; set; }

    // Every form sends it, so that a field left empty is empty and not the last one's.
    /// <summary>They were typed here.</summary>
    public bool Sent { get; set; }

    /// <summary>Reads them.</summary>
    /// <param name="last">What is kept where nothing was sent.</param>
    /// <param name="prices">The list whose suppliers can be chosen.</param>
    /// <exception cref="FormatException">One cannot be read, or cannot be; the message says which.</exception>
    public Terms Read(Terms last, PriceList prices)
    {
        if (!Sent)
        {
            return last;
        }

        var supplier = Supplier ?? "";
        if (supplier.Length > 0 && !prices.Suppliers.Contains(supplier, StringComparer.OrdinalIgnoreCase))
        {
            throw new FormatException($"The price list names no supplier “{supplier}”.");
        }

        var terms = new Terms(Money.Parse(Rate ?? ""), Share(Markup, "markup"), Share(Tax, "sales tax"), Share(Discount, "discount"),
            Share(Deposit, "deposit"))
        { Supplier = supplier, Sign = (Sign ?? "").Trim(), Words = (Words ?? "").Trim() };
        return terms.Problem() is { } problem ? throw new FormatException(problem) : terms;
    }

    private static Percent Share(string? text, string of)
    {
        try
        {
            return Entry.Percent(text);
        }
        catch (FormatException e)
        {
            throw new FormatException($"The {of}: {e.Message}", e);
        }
    }
}
