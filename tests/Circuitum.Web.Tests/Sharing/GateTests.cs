using System.Net;
using Circuitum.Core.Jobs;
using Circuitum.Data.People;
using Circuitum.Web.Sharing;
using Microsoft.AspNetCore.Routing;
using Microsoft.AspNetCore.StaticAssets;
using Microsoft.Extensions.DependencyInjection;

namespace Circuitum.Web.Tests.Sharing;

/// <summary>Every address that the server has, asked for by everybody.</summary>
public sealed class GateTests : IDisposable
{
    private readonly SharedHost shared = new();

    public void Dispose() => shared.Dispose();

    // Who is let in: a (anybody), g (guest of the job), c (crew), l (lead), o (owner). Written by hand: the first for reading, the second
    // for
    // sending; “-” for nobody at all, “.” where the address does not take it.
    private static readonly Dictionary<string, (string Read, string Send)> Expected = new()
    {
        ["/css/plan.css"] = ("agclo", "."),
        ["/sign-in"] = ("agclo", "agclo"),
        ["/invitation/none"] = ("agclo", "agclo"),
        ["/guest/none"] = ("agclo", "agclo"),
        ["/door/none"] = ("agclo", "."),
        ["/"] = ("clo", "lo"),
        ["/Index"] = ("clo", "lo"),
        ["/account"] = ("clo", "clo"),
        ["/people"] = ("o", "o"),
        ["/health"] = ("o", "."),
        ["/health.json"] = ("o", "."),
        ["/new"] = ("lo", "lo"),
        ["/help"] = ("gclo", "."),
        ["/bench"] = ("clo", "clo"),
        ["/api/bench/drop"] = ("clo", "."),
        ["/api/bench/openapi.json"] = ("clo", "."),
        ["/metric-board"] = ("clo", "clo"),
        ["/metric-board/none"] = ("clo", "clo"),
        ["/metric-board/none/site"] = ("clo", "clo"),
        ["/learn"] = ("clo", "clo"),
        ["/learn/none"] = ("clo", "clo"),
        ["/meter"] = ("lo", "lo"),
        ["/meter/readings"] = ("lo", "."),
        ["/drawing/none.svg"] = ("clo", "."),
        ["/job/demo/house"] = ("gclo", "lo"),
        ["/job/demo/boxes"] = ("gclo", "lo"),
        ["/job/demo/circuits"] = ("gclo", "lo"),
        ["/job/demo/runs"] = ("gclo", "lo"),
        ["/job/demo/panel"] = ("gclo", "lo"),
        ["/job/demo/prove"] = ("gclo", "clo"),
        ["/job/demo/site"] = ("gclo", "clo"),
        ["/job/demo/site/entries"] = (".", "clo"),
        ["/job/demo/site/photographs"] = (".", "clo"),
        ["/job/demo/site/photographs/none"] = ("gclo", "."),
        ["/job/demo/events"] = ("gclo", "."),
        ["/job/demo/file/job.circuitum.json"] = ("clo", "."),
        ["/job/demo/file/plan.json"] = ("gclo", "."),
        ["/job/demo/file/whole-job.zip"] = ("lo", "."),
        ["/job/demo/file/as-built.zip"] = ("lo", "."),
        ["/job/demo/file/as-built.pdf"] = ("lo", "."),
        ["/job/demo/ruling/tag.pdf"] = ("gclo", "."),
        ["/job/demo/walls"] = ("gclo", "."),
        ["/job/demo/metric"] = ("gclo", "lo"),
        ["/job/demo/metric/site"] = ("gclo", "clo"),
        ["/job/demo/metric/photographs"] = ("gclo", "."),
        ["/job/demo/places/A"] = ("gclo", "lo"),
        ["/job/demo/prints/A"] = ("gclo", "lo"),
        ["/job/demo/find"] = ("gclo", "."),
        ["/job/demo/material"] = ("gclo", "lo"),
        ["/job/demo/load"] = ("gclo", "lo"),
        ["/job/demo/marks"] = ("gclo", "."),
        ["/job/demo/editions"] = ("gclo", "lo"),
        ["/job/demo/divisions"] = ("gclo", "lo"),
        ["/job/demo/rules"] = ("clo", "lo"),
        ["/job/demo/box/none"] = ("gclo", "."),
        ["/job/demo/make-up/A"] = ("gclo", "."),
        ["/job/demo/history"] = ("clo", "lo"),
        ["/job/demo/money"] = ("lo", "lo"),
        ["/job/demo/share"] = ("lo", "lo"),
    };

    // While the program is written, styles and scripts that changed since it was built: not there when it is published.
    private const string NewFiles = "{**path:file}";

    [Fact]
    public async Task Every_address_lets_in_whom_it_should_and_nobody_else()
    {
        var people = new Dictionary<char, Visitor>
        {
            ['a'] = shared.Host.Visit(),
            ['g'] = await shared.GuestAsync("demo"),
            ['c'] = await shared.ComesAsync(MemberRole.Crew, "Cora"),
            ['l'] = await shared.ComesAsync(MemberRole.Lead, "Lew"),
            ['o'] = await shared.ComesAsync(MemberRole.Owner, "Odile"),
        };
        await people['a'].GetAsync("/sign-in");
        var wrong = new List<string>();
        foreach (var (address, (read, send)) in Expected)
        {
            foreach (var (who, visitor) in people)
            {
                using var answer = await visitor.Http.GetAsync(address, HttpCompletionOption.ResponseHeadersRead);
                Check(wrong, $"GET {address} by {who}", read, who, answer);
                if (send != ".")
                {
                    // Without a token, so that who is let in changes nothing: it is refused behind the gate, with 400.
                    using var sent = await visitor.Http.PostAsync(address, new FormUrlEncodedContent([]));
                    Check(wrong, $"POST {address} by {who}", send, who, sent);
                }
            }
        }

        Assert.Empty(wrong);
    }

    private static void Check(List<string> wrong, string what, string lets, char who, HttpResponseMessage answer)
    {
        if (lets == ".")
        {
            return;
        }

        // What the gate itself answers: to sign in first, that it is for others, or for a guest that there is no such thing here.
        var turnedAway = answer.StatusCode is HttpStatusCode.Unauthorized or HttpStatusCode.Forbidden
            || (answer.StatusCode == HttpStatusCode.Redirect && answer.Headers.Location!.ToString().StartsWith("/sign-in?back=",
                StringComparison.Ordinal))
            || (who == 'g' && answer.StatusCode == HttpStatusCode.NotFound
                && answer.Content.ReadAsStringAsync().Result.Contains("Your link opens one job", StringComparison.Ordinal));
        if (turnedAway == lets.Contains(who) || (int)answer.StatusCode >= 500)
        {
            wrong.Add($"{what}: {(int)answer.StatusCode}");
        }
    }

    [Fact]
    public void No_address_is_left_out_of_that_list()
    {
        shared.Host.CreateClient();
        var patterns = shared.Host.Services.GetServices<EndpointDataSource>().SelectMany(s => s.Endpoints).OfType<RouteEndpoint>()
            .Where(e => e.Metadata.GetMetadata<StaticAssetDescriptor>() is null && e.RoutePattern.RawText != NewFiles).Select(e =>
                e.RoutePattern.RawText!.TrimStart('/'))
            .Distinct(StringComparer.OrdinalIgnoreCase).ToList();
        Assert.NotEmpty(patterns);
        var matchers = Expected.Keys.ToList();
        var missing = patterns.Where(p => !matchers.Any(a => new Microsoft.AspNetCore.Routing.Template.TemplateMatcher(
            Microsoft.AspNetCore.Routing.Template.TemplateParser.Parse(p), []).TryMatch(a, []))).ToList();
        Assert.Empty(missing);
        Assert.Empty(patterns.Except(Addresses.Patterns, StringComparer.OrdinalIgnoreCase));
        Assert.Empty(Addresses.Patterns.Except(patterns, StringComparer.OrdinalIgnoreCase));
    }

    [Theory]
    [InlineData("Save", "lo", "/metric-board/none")]
    [InlineData("Delete", "o", "/metric-board/none")]
    [InlineData("Show", "clo", "/metric-board")]
    [InlineData("Delete", "o")]
    [InlineData("delete", "o")]
    [InlineData("Backup", "o")]
    [InlineData("Backup&handler=Reset", "o")]
    [InlineData("Reset", "lo")]
    [InlineData("Bring", "lo")]
    [InlineData("Who", "")]
    public async Task Acts_on_lists_are_told_apart(string handler, string lets, string list = "/")
    {
        foreach (var (who, role) in new[] { ('c', MemberRole.Crew), ('l', MemberRole.Lead), ('o', MemberRole.Owner) })
        {
            var visitor = await shared.ComesAsync(role, $"Somebody {who}");
            using var sent = await visitor.Http.PostAsync($"{list}?handler={handler}", new FormUrlEncodedContent([]));
            Assert.Equal(lets.Contains(who) ? HttpStatusCode.BadRequest : HttpStatusCode.Forbidden, sent.StatusCode);
        }
    }

    [Fact]
    public async Task A_guest_reads_his_job_and_hears_of_no_other()
    {
        var guest = await shared.GuestAsync("demo-crawl");
        Assert.Contains("Quarrel Bend", await guest.GetAsync("/job/demo-crawl/house"), StringComparison.Ordinal);
        foreach (var address in new[] { "/job/demo/house", "/job/demo/site", "/job/demo/file/plan.json", "/job/demo/events",
            "/job/demo/prove",
            "/", "/people", "/job/demo-crawl/money", "/job/demo-crawl/history", "/job/demo-crawl/file/whole-job.zip" })
        {
            Assert.DoesNotContain("Fernhollow", await guest.GetAsync(address, HttpStatusCode.NotFound), StringComparison.Ordinal);
        }

        var house = await guest.GetAsync("/job/demo-crawl/house");
        foreach (var closed in new[] { "all jobs", "/history", "/money", "/rules", "as-built.zip", "job.circuitum.json", "/share" })
        {
            Assert.DoesNotContain(closed, house, StringComparison.Ordinal);
        }

        Assert.Contains("<span>revision 1</span>", house, StringComparison.Ordinal);
        var sent = await guest.PostAsync("/job/demo-crawl/boxes?handler=Height", ("box", "x"), ("height", "20"));
        Assert.Equal(HttpStatusCode.Forbidden, sent.Status);
        Assert.Contains("as a guest", sent.Text, StringComparison.Ordinal);
    }

    [Fact] // the owner opens it, whoever stands there reads one page of one job; another code or closing it ends what hangs there
    public async Task The_code_on_the_door_opens_one_page_where_the_owner_allows_it()
    {
        var doors = shared.Host.Services.GetRequiredService<Doors>();
        var (owner, lead, anyone) = (await shared.ComesAsync(MemberRole.Owner, "Odile"), await shared.ComesAsync(MemberRole.Lead, "Lew"),
            shared.Host.Visit());
        await lead.GetAsync("/job/demo/share");
        Assert.Equal(HttpStatusCode.Forbidden, (await lead.PostAsync("/job/demo/share?handler=OpenDoor", inPlace: false)).Status);
        Assert.Null(await doors.OfAsync(new("demo")));
        await owner.GetAsync("/job/demo/share");
        Assert.Contains("Open: print", (await owner.PostAsync("/job/demo/share?handler=OpenDoor", inPlace: false)).Text,
            StringComparison.Ordinal);
        var code = (await doors.OfAsync(new("demo")))!;
        Assert.Equal(33, code.Length);
        var rooms = await anyone.GetAsync($"/door/{code}/A");
        Assert.Contains("Which room?", rooms, StringComparison.Ordinal);
        var kitchen = WebUtility.HtmlDecode(await anyone.GetAsync($"/door/{code}/A?room=kitchen"));
        Assert.Contains("<b>A5/7</b>", kitchen, StringComparison.Ordinal);
        Assert.Contains($"href=\"/door/{code}/A\"", kitchen, StringComparison.Ordinal);
        // Nothing else: no link into the job, and no other page by it.
        Assert.DoesNotContain("/job/", kitchen, StringComparison.Ordinal);
        foreach (var address in new[] { "/job/demo/find", "/job/demo/panel", "/job/demo/events", "/", $"/door/{code}x/A", "/door/demo" })
        {
            using var closed = await anyone.Http.GetAsync(address);
            Assert.True(closed.StatusCode is HttpStatusCode.Redirect or HttpStatusCode.Unauthorized or HttpStatusCode.NotFound, address);
        }

        await owner.GetAsync("/job/demo/prints/A");
        await owner.PostAsync("/job/demo/share?handler=OpenDoor", inPlace: false);
        Assert.NotEqual(code, await doors.OfAsync(new("demo")));
        await anyone.GetAsync($"/door/{code}/A", HttpStatusCode.NotFound);
        var other = await doors.OfAsync(new("demo"));
        await owner.PostAsync("/job/demo/share?handler=CloseDoor", inPlace: false);
        Assert.Contains("opens nothing any more", await anyone.GetAsync($"/door/{other}", HttpStatusCode.NotFound),
            StringComparison.Ordinal);
        Assert.False(await doors.OpenAsync(new("none"), "Odile"));
    }

    [Fact]
    public async Task A_guest_sees_the_drawing_under_his_job_and_no_other()
    {
        var drawings = shared.Host.Services.GetRequiredService<Data.Drawings>();
        var crew = await shared.ComesAsync(MemberRole.Crew, "Cora");
        var his = await drawings.KeepAsync("his");
        var other = await drawings.KeepAsync("another");
        var guest = await shared.GuestAsync("demo");
        Assert.False(await drawings.IsOfAsync(new("demo"), his));
        var job = await shared.Host.NewestAsync();
        await shared.Host.Revisions.AppendAsync(new("demo"), 1, new(Data.RevisionKind.Change, 0, "crew", "Lay it under", job.Name,
            Formats.JobFile.JobFiles.Write(job).Replace("\"name\": \"Ground\"", $"\"name\": \"{his}\"", StringComparison.Ordinal)));
        Assert.True(await drawings.IsOfAsync(new("demo"), his));
        Assert.False(await drawings.IsOfAsync(new("demo"), other));
        Assert.Equal(HttpStatusCode.NotFound, (await guest.Http.GetAsync($"/drawing/{other}.svg")).StatusCode);
        Assert.NotNull(crew);
    }

    [Fact]
    public async Task What_cannot_be_done_is_not_offered()
    {
        var crew = await shared.ComesAsync(MemberRole.Crew, "Cora");
        var list = await crew.GetAsync("/");
        Assert.DoesNotContain("Start a new job", list, StringComparison.Ordinal);
        Assert.DoesNotContain("Download a backup", list, StringComparison.Ordinal);
        Assert.DoesNotContain("Reset the demo", list, StringComparison.Ordinal);
        Assert.DoesNotContain("Who is at the bench", list, StringComparison.Ordinal);
        var house = await crew.GetAsync("/job/demo/house");
        var forms = System.Text.RegularExpressions.Regex.Count(house, "<form[^>]*method=\"post\"");
        Assert.True(forms > 3, $"{forms} forms");
        Assert.Equal(forms, System.Text.RegularExpressions.Regex.Count(house, "<fieldset disabled class=\"read-only\">"));
        Assert.Contains("data-may=\"read\"", house, StringComparison.Ordinal);
        var lead = await shared.ComesAsync(MemberRole.Lead, "Lew");
        Assert.DoesNotContain("read-only", await lead.GetAsync("/job/demo/house"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Alone_on_loopback_nobody_signs_in_and_there_are_no_accounts()
    {
        using var alone = new BenchHost();
        var visitor = await alone.AtAsync("/job/demo/house");
        foreach (var address in new[] { "/sign-in", "/account", "/people", "/invitation/abc", "/guest/abc", "/job/demo/share",
            "/door/abc/A" })
        {
            Assert.Contains("--share", await visitor.GetAsync(address, HttpStatusCode.NotFound), StringComparison.Ordinal);
        }

        Assert.Contains("Nothing is wrong", await visitor.GetAsync("/health"), StringComparison.Ordinal);
        Assert.DoesNotContain("/share", await visitor.GetAsync("/job/demo/house"), StringComparison.Ordinal);
    }
}
