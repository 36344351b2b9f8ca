using System.Net;
using System.Text;
using System.Text.RegularExpressions;
using Circuitum.Core.Pricing;
using Circuitum.Data;
using Circuitum.Formats.Offers;
using Microsoft.Extensions.DependencyInjection;

namespace Circuitum.Web.Tests;

/// <summary>Estimates and change orders over the wire: what is written stays, and what cannot be is told.</summary>
public sealed partial class MoneyTests : IDisposable
{
    private const string Page = "/job/demo/money";
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    private static async Task<(HttpStatusCode Status, string Text)> WriteAsync(HttpClient http, string handler, params (string,
        string)[] fields)
    {
        var token = Token().Match(await http.GetStringAsync(Page)).Groups[1].Value;
        using var form = new FormUrlEncodedContent([new("__RequestVerificationToken", token),
            .. fields.Select(f => new KeyValuePair<string, string>(f.Item1, f.Item2))]);
        var answer = await http.PostAsync($"{Page}?handler={handler}", form);
        return (answer.StatusCode, WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync()));
    }

    private async Task<Offer> WrittenAsync(int number) => OfferFiles.Read((await host.Services.GetRequiredService<Offers>()
        .OfAsync(new("demo"))).Single(o => o.Number == number).Document);

    [Fact]
    public async Task A_written_estimate_keeps_its_prices_and_terms_whatever_comes()
    {
        var visit = host.Visit();
        var (status, text) = await WriteAsync(visit.Http, "Estimate", ("typed.sent", "true"), ("typed.rate", "90"), ("typed.markup", "10"),
            ("typed.tax", "8"), ("typed.discount", "5"), ("typed.deposit", "25"), ("typed.sign", "$"), ("typed.words", "Good for a week."));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("Estimate 1 is written", text, StringComparison.Ordinal);
        var first = await WrittenAsync(1);
        Assert.Equal((90m, 10m, 8m, 5m, 25m, "Good for a week."), (first.Terms.Rate.Value, first.Terms.Markup.Value, first.Terms.Tax.Value,
            first.Terms.Discount.Value, first.Terms.Deposit.Value, first.Terms.Words));
        var pdf = await visit.Http.GetByteArrayAsync($"{Page}?handler=Paper&number=1");
        Assert.Equal("%PDF", Encoding.ASCII.GetString(pdf, 0, 4));

        // Another list, at ten times the price of a switch: the next paper has it, the first does not.
        var list = await visit.Http.GetStringAsync($"{Page}?handler=Prices");
        var dearer = list.Replace("Switch,each,1.20,", "Switch,each,12.00,", StringComparison.Ordinal);
        Assert.NotEqual(list, dearer);
        var (brought, said) = await visit.SendFileAsync(Page, $"{Page}?handler=Prices", "file", "prices.csv",
            Encoding.UTF8.GetBytes(dearer));
        Assert.Equal(HttpStatusCode.OK, brought);
        Assert.Contains("prices read. Papers written before keep theirs.", said, StringComparison.Ordinal);
        Assert.DoesNotContain("These prices and hours are made up", said, StringComparison.Ordinal);
        // A form that sends no terms keeps the last that were written.
        Assert.Equal(HttpStatusCode.OK, (await WriteAsync(visit.Http, "Estimate")).Status);
        var second = await WrittenAsync(2);
        var switches = second.Lines.Single(l => l.Item == "Switch");
        Assert.Equal(10.80m * switches.Quantity, second.Sum.Material.Value - first.Sum.Material.Value);
        Assert.Equal(first.Terms, second.Terms);
        Assert.Equal(OfferFiles.Write(first), OfferFiles.Write(await WrittenAsync(1)));
    }

    [Fact]
    public async Task A_change_order_is_against_what_was_last_offered()
    {
        var visit = host.Visit();
        await WriteAsync(visit.Http, "Estimate");
        await visit.GetAsync("/job/demo/boxes?on=box:k-range");
        Assert.Equal(HttpStatusCode.OK, (await visit.PostAsync("/job/demo/boxes?on=box:k-range&handler=PlateBreaker",
            ("box", "k-range"), ("place", "0"), ("breaker", "60"))).Status);
        var page = await visit.GetAsync($"{Page}?against=1&reason=A+larger+range");
        Assert.Contains("Induction range, kitchen now 60 A", page, StringComparison.Ordinal);
        var (status, text) = await WriteAsync(visit.Http, "Change", ("against", "1"), ("reason", "A larger range"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("Change order 2 is written", text, StringComparison.Ordinal);
        var order = await WrittenAsync(2);
        Assert.Equal((OfferKind.ChangeOrder, 1, 2, "A larger range"), (order.Kind, order.From, order.Revision, order.Reason));
        // One box is touched, of 140: the plan before was read anew, and nothing else differs.
        Assert.Equal("Induction range", Assert.Single(Assert.Single(order.Floors).Marks).Name);
        Assert.Contains("sum,", await visit.Http.GetStringAsync($"{Page}?handler=Paper&number=2&kind=csv"), StringComparison.Ordinal);
        Assert.NotEmpty(await visit.Http.GetByteArrayAsync($"{Page}?handler=Paper&number=2&kind=xlsx"));
        Assert.Equal(HttpStatusCode.NotFound, (await visit.Http.GetAsync($"{Page}?handler=Paper&number=3")).StatusCode);

        // From the plan now to the plan now there is nothing to write.
        var (none, why) = await WriteAsync(visit.Http, "Change", ("against", "2"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, none);
        Assert.Contains("Nothing differs between the two plans", why, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("typed.rate=much", "“much” is no amount of money")]
    [InlineData("typed.rate=1500&typed.markup=0&typed.tax=0&typed.discount=0&typed.deposit=0", "An hour at")]
    [InlineData("typed.rate=75&typed.markup=lots", "The markup: “lots” is not a share")]
    [InlineData("typed.rate=75&typed.markup=400&typed.tax=0&typed.discount=0&typed.deposit=0", "A markup of 400 %")]
    [InlineData("typed.rate=75&typed.markup=0&typed.tax=0&typed.discount=0&typed.deposit=0&typed.supplier=Nobody", "no supplier “Nobody”")]
    public async Task Terms_that_cannot_be_are_told_and_nothing_is_written(string query, string says)
    {
        var visit = host.Visit();
        Assert.Contains(says, await visit.GetAsync($"{Page}?typed.sent=true&{query}", HttpStatusCode.UnprocessableEntity),
            StringComparison.Ordinal);
        var fields = query.Split('&').Select(p => p.Split('=')).Select(p => (p[0], p[1])).Append(("typed.sent", "true")).ToArray();
        var (status, text) = await WriteAsync(visit.Http, "Estimate", fields);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(says, text, StringComparison.Ordinal);
        Assert.Empty(await host.Services.GetRequiredService<Offers>().OfAsync(new("demo")));
    }

    [Theory]
    [InlineData("0")]
    [InlineData("99")]
    [InlineData("-1")]
    [InlineData("first")]
    public async Task A_revision_that_never_was_is_told(string against) => Assert.Contains($"There is no revision “{against}”",
        await host.Visit().GetAsync($"{Page}?against={against}", HttpStatusCode.UnprocessableEntity), StringComparison.Ordinal);

    [Theory]
    [InlineData("", "Choose a CSV file")]
    [InlineData("item,price\nbox,1", "no column “unit”")]
    [InlineData("item,unit,price\nbox,each,dear", "Line 2, box")]
    public async Task A_price_list_that_is_none_changes_nothing(string file, string says)
    {
        var visit = host.Visit();
        var (status, text) = await visit.SendFileAsync(Page, $"{Page}?handler=Prices", "file", "prices.csv", Encoding.UTF8.GetBytes(file));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(says, text, StringComparison.Ordinal);
        Assert.Contains("These prices and hours are made up", await visit.GetAsync(Page), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Papers_written_at_once_have_numbers_of_their_own()
    {
        var offers = host.Services.GetRequiredService<Offers>();
        await host.Visit().GetAsync(Page);
        var numbers = await Task.WhenAll(Enumerable.Range(0, 12).Select(i => offers.WriteAsync(new("demo"), "{}", $"hand {i}")));
        Assert.Equal(Enumerable.Range(1, 12), numbers.Select(n => n!.Value).Order());
        Assert.Null(await offers.WriteAsync(new("nothing"), "{}", "x"));
    }

    [GeneratedRegex("name=\"__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"")]
    private static partial Regex Token();
}
