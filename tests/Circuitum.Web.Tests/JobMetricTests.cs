using System.Net;
using System.Text.RegularExpressions;

namespace Circuitum.Web.Tests;

/// <summary>A drawn house as a metric board over the wire: its conduits, its files, and what is not understood.</summary>
public sealed partial class JobMetricTests(BenchHost host) : IClassFixture<BenchHost>
{
    private static readonly string[] Files = ["Print", "Drawing", "Schedule", "Points", "Material"];

    [Theory] // two storeys and a greenhouse; an L with a shed; a basement
    [InlineData("demo", 3)]
    [InlineData("demo-crawl", 2)]
    [InlineData("demo-basement", 2)]
    public async Task Every_level_shows_its_conduits(string key, int levels)
    {
        var page = await host.Visit().GetAsync($"/job/{key}/metric");
        int from = page.IndexOf("aria-label=\"Levels\"", StringComparison.Ordinal), to = page.IndexOf("</nav>", StringComparison.Ordinal);
        var links = LevelLink().Matches(page[from..to]).Select(m => WebUtility.HtmlDecode(m.Groups[1].Value)).ToList();
        Assert.Equal(levels, links.Count);
        foreach (var link in links)
        {
            var level = await host.Visit().GetAsync(link);
            Assert.Contains("class=\"conduit ", level, StringComparison.Ordinal);
            Assert.Contains("m of conduit", level, StringComparison.Ordinal);
        }
    }

    [Fact] // nothing of the other family stands on the drawing, in its schedule or beside it
    public async Task It_speaks_meters_and_square_millimeters()
    {
        var page = WebUtility.HtmlDecode(Tag().Replace(Script().Replace(await host.Visit().GetAsync("/job/demo-crawl/metric"), ""), "\n"));
        Assert.Contains("\n3 m\n", page, StringComparison.Ordinal);
        Assert.DoesNotMatch(@"\bAWG\b|\b\d+ ft\b|\d'-\d|\bAFCI\b|\bGFCI\b|\b(120|240) V\b|\b210\.\d", page);
    }

    [Fact]
    public async Task A_circuit_is_lit_and_its_lengths_are_told()
    {
        var page = await host.Visit().GetAsync("/job/demo-crawl/metric?way=Board%20A%2F4");
        Assert.Contains("conduit sockets chosen", page, StringComparison.Ordinal);
        Assert.Contains("conduit lighting other", page, StringComparison.Ordinal);
        Assert.Matches(@"Way 4: ring of \d sockets", page);
        Assert.Contains("m from the board", page, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Every_file_is_taken_along_as_it_is_fed()
    {
        var http = host.Visit().Http;
        foreach (var file in Files)
        {
            var answer = await http.GetAsync(new Uri($"/job/demo/metric?handler={file}&fed=supply%3A+one+phase", UriKind.Relative));
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
            Assert.NotEqual("text/html", answer.Content.Headers.ContentType!.MediaType);
        }

        var one = await http.GetStringAsync(new Uri("/job/demo/metric?handler=Schedule&fed=supply%3A+one+phase", UriKind.Relative));
        Assert.DoesNotContain("L2", one, StringComparison.Ordinal);
    }

    [Theory] // in the words of the list, with its line; nothing is planned by half
    [InlineData("ambient: 90 °C", "Line 1: “90 °C” is no warmth of a conduit")]
    [InlineData("supply: one phase\nfountain", "Line 2: “fountain” does not say how it is fed")]
    public async Task What_is_not_understood_is_told(string fed, string says)
    {
        var answer = await host.Visit().Http.GetAsync(new Uri("/job/demo/metric?fed=" + Uri.EscapeDataString(fed),
            UriKind.Relative));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(says, WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync()), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_job_that_is_not_there_is_not_found() => Assert.Equal(HttpStatusCode.NotFound,
        (await host.CreateClient().GetAsync(new Uri("/job/none/metric", UriKind.Relative))).StatusCode);

    [GeneratedRegex("href=\"([^\"]*level=[^\"]*)\"")]
    private static partial Regex LevelLink();

    [GeneratedRegex("(?s)<[^>]*>")]
    private static partial Regex Tag();

    [GeneratedRegex(@"(?s)<(script|style)\b.*?</\1>|<textarea.*?</textarea>")]
    private static partial Regex Script();
}
