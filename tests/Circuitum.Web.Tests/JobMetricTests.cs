using System.Globalization;
using System.Net;
using System.Text.RegularExpressions;
using Circuitum.Data;
using Circuitum.Formats.JobFile;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

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

    [Fact] // said once, it is kept with the job: the files, the stages and the copy of the job have it
    public async Task How_it_is_fed_is_kept_with_the_house()
    {
        var key = await NewAsync();
        var page = await host.AtAsync($"/job/{key}/metric");
        Assert.Contains("As usual, until somebody says so", await page.GetAsync($"/job/{key}/metric"), StringComparison.Ordinal);
        Assert.DoesNotContain(">Boards<", await host.Visit().GetAsync($"/job/{key}/boxes"), StringComparison.Ordinal);
        var (status, text, _) = await page.PostAsync($"/job/{key}/metric?handler=Feed", ("from", "1"),
            ("fed", "supply: one phase\r\nambient: 45 °C"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("Plan a metric board.", text, StringComparison.Ordinal);
        var job = await host.NewestAsync(key);
        Assert.Equal((false, 45m), (job.Metric!.ThreePhase, job.Metric.Ambient.Degrees));
        Assert.Contains(">Boards<", await host.Visit().GetAsync($"/job/{key}/boxes"), StringComparison.Ordinal);
        foreach (var file in Files)
        {
            var answer = await page.Http.GetAsync(new Uri($"/job/{key}/metric?handler={file}", UriKind.Relative));
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
            Assert.NotEqual("text/html", answer.Content.Headers.ContentType!.MediaType);
        }

        var one = await page.Http.GetStringAsync(new Uri($"/job/{key}/metric?handler=Schedule", UriKind.Relative));
        Assert.DoesNotContain("L2", one, StringComparison.Ordinal);
        await page.PostAsync($"/job/{key}/metric?handler=None", ("from", "2"));
        Assert.Null((await host.NewestAsync(key)).Metric);
    }

    [Theory] // in the words of the list, with its line; nothing is planned by half, and what was typed stays in the field
    [InlineData("ambient: 90 °C", "Line 1: “90 °C” is no warmth of a conduit")]
    [InlineData("supply: one phase\r\nfountain", "Line 2: “fountain” does not say how it is fed")]
    public async Task What_is_not_understood_is_told(string fed, string says)
    {
        var key = await NewAsync();
        var page = await host.AtAsync($"/job/{key}/metric");
        var (status, text, _) = await page.PostAsync($"/job/{key}/metric?handler=Feed", ("from", "1"), ("fed", fed));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(says, WebUtility.HtmlDecode(text), StringComparison.Ordinal);
        Assert.Contains(fed.Split('\n')[^1], WebUtility.HtmlDecode(text), StringComparison.Ordinal);
        Assert.Null((await host.NewestAsync(key)).Metric);
    }

    [Fact] // halves of a section: what opens it is found by answers
    public async Task What_opens_a_device_is_asked_for_over_the_house()
    {
        var page = await host.Visit().GetAsync("/job/demo-villa/metric?find=Board%20A%2FC%2F");
        var first = Answer().Match(page);
        Assert.True(first.Success);
        var next = await host.Visit().GetAsync("/job/demo-villa/metric?find="
            + Uri.EscapeDataString(WebUtility.HtmlDecode(first.Groups[1].Value)));
        Assert.NotEqual(Found().Match(page).Value, Found().Match(next).Value);
    }

    [Fact] // written down circuit by circuit, beside the house's own record, and in its archive
    public async Task The_boards_of_a_house_are_kept_on_site()
    {
        var key = await NewAsync();
        var site = await host.AtAsync($"/job/{key}/metric/site");
        var subject = WebUtility.HtmlDecode(Subject().Match(await site.GetAsync($"/job/{key}/metric/site")).Groups[1].Value);
        await site.PostAsync($"/job/{key}/metric/site", ("subject", subject), ("step", "Conduit"));
        var done = await host.Visit().GetAsync($"/job/{key}/metric/site");
        Assert.Contains("1 of ", done, StringComparison.Ordinal);
        Assert.Contains("✓ conduit laid", done, StringComparison.Ordinal);

        using var zip = new MemoryStream();
        Assert.True(await JobArchives.WriteAsync(Databases, new(key), zip));
        zip.Position = 0;
        var brought = await JobArchives.ReadAsync(Databases, TimeProvider.System, zip, _ => { }, p => ("image/png", p), _ => { });
        Assert.Contains("✓ conduit laid", await host.Visit().GetAsync($"/job/{brought}/metric/site"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_job_that_is_not_there_is_not_found() => Assert.Equal(HttpStatusCode.NotFound,
        (await host.CreateClient().GetAsync(new Uri("/job/none/metric", UriKind.Relative))).StatusCode);

    private IDbContextFactory<JobsDb> Databases => host.Services.GetRequiredService<IDbContextFactory<JobsDb>>();

    // The shed’s house as a job of its own: what is done to it is seen by no other test.
    private async Task<string> NewAsync() => (await host.Revisions.StartAsync("somebody", "Start", "House",
        JobFiles.Write(await host.NewestAsync("demo-crawl")))).ToString();

    [Fact] // sent twice by a phone that kept it: one fact, at the phone's time, as the circuit stood on its page; no time to come
    public async Task A_fact_that_a_phone_kept_is_written_down_once()
    {
        await host.Visit().GetAsync("/job/demo-villa/house");
        var villa = await host.NewestAsync("demo-villa");
        var key = (await host.Revisions.StartAsync("somebody", "Start", villa.Name, JobFiles.Write(villa))).ToString();
        var here = $"/job/{key}/metric/site";
        var site = await host.AtAsync(here);
        var subject = WebUtility.HtmlDecode(Subject().Match(await site.GetAsync(here)).Groups[1].Value);
        var pressed = DateTimeOffset.UtcNow.AddHours(-3);
        (string, string)[] fact = [("subject", subject), ("step", "Conduit"), ("id", "6f9619ff-8b86-4d01-b42d-00cf4fc964ff"),
            ("at", pressed.ToUnixTimeMilliseconds().ToString(CultureInfo.InvariantCulture)), ("seen", "ring of 3 sockets 1.1, B32, 4 mm²")];
        await site.PostAsync(here, fact);
        await site.PostAsync(here, fact);
        var done = await site.GetAsync(here);
        Assert.Single(Regex.Matches(done, "✓ conduit laid"));
        Assert.Contains($"{pressed:yyyy-MM-dd HH:mm} UTC", done, StringComparison.Ordinal);
        Assert.Contains("Done as ring of 3 sockets 1.1, B32, 4 mm²; the plan has it otherwise now", done, StringComparison.Ordinal);
        await site.PostAsync(here, ("subject", subject), ("step", "DrawnIn"), ("id", "no id"), ("at", "99999999999999"));
        Assert.Contains($"{DateTimeOffset.UtcNow:yyyy-MM-dd}", await site.GetAsync(here), StringComparison.Ordinal);
        Assert.DoesNotContain("5138-11-16", await site.GetAsync(here), StringComparison.Ordinal);
    }

    [GeneratedRegex("href=\"([^\"]*level=[^\"]*)\"")]
    private static partial Regex LevelLink();

    [GeneratedRegex("name=\"find\" value=\"([^\"]+t)\"")]
    private static partial Regex Answer();

    [GeneratedRegex("(?s)metric-find\" role=\"status\"><p><b>.*?</p>.*?</p>")]
    private static partial Regex Found();

    [GeneratedRegex("name=\"subject\"\\s+value=\"([^\"]+)\"><input type=\"hidden\" name=\"step\" value=\"Conduit\"")]
    private static partial Regex Subject();

    [GeneratedRegex("(?s)<[^>]*>")]
    private static partial Regex Tag();

    [GeneratedRegex(@"(?s)<(script|style)\b.*?</\1>|<textarea.*?</textarea>")]
    private static partial Regex Script();
}
