using System.Net;
using System.Text.RegularExpressions;
using Circuitum.Cli;
using Circuitum.Data.People;
using Circuitum.Web.Sharing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace Circuitum.Web.Tests.Sharing;

/// <summary>Accounts, sessions and links: made, used once, ended.</summary>
public sealed class AccountTests : IDisposable
{
    private readonly SharedHost shared = new();

    public void Dispose() => shared.Dispose();

    private async Task<Visitor> SignInAsync(string name, string password, HttpStatusCode expected = HttpStatusCode.Redirect)
    {
        var visitor = shared.Host.Visit();
        await visitor.GetAsync("/sign-in?back=%2Fjob%2Fdemo%2Fhouse");
        var came = await visitor.PostAsync("/sign-in", inPlace: false, ("name", name), ("password", password),
            ("back", "/job/demo/house"));
        Assert.Equal(expected, came.Status);
        if (expected == HttpStatusCode.Redirect)
        {
            Assert.Equal("/job/demo/house", came.Response.Headers.Location!.ToString());
        }

        return visitor;
    }

    [Fact]
    public async Task Of_twelve_who_take_one_invitation_at_once_one_has_an_account()
    {
        shared.Host.CreateClient();
        var code = (await shared.Invitations.MakeAsync(MemberRole.Crew, "", "Finch", Invitations.Stands))!;
        var visitors = Enumerable.Range(0, 12).Select(_ => shared.Host.Visit()).ToList();
        foreach (var visitor in visitors)
        {
            Assert.Contains("Finch", await visitor.GetAsync($"/invitation/{code}"), StringComparison.Ordinal);
        }

        var came = await Task.WhenAll(visitors.Select(async (visitor, i) => (await visitor.PostAsync($"/invitation/{code}", inPlace: false,
            ("name", $"Finch {i}"), ("password", SharedHost.Password))).Status));
        Assert.Single(came, HttpStatusCode.Redirect);
        var late = shared.Host.Visit();
        Assert.Contains("was used", await late.GetAsync($"/invitation/{code}", HttpStatusCode.NotFound), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_stops_an_account_takes_no_invitation()
    {
        await shared.ComesAsync(MemberRole.Owner, "Odile");
        var code = await shared.Invitations.MakeAsync(MemberRole.Crew, "", "", Invitations.Stands);
        var visitor = shared.Host.Visit();
        await visitor.GetAsync($"/invitation/{code}");
        foreach (var (name, password, says) in new[]
        {
            ("", SharedHost.Password, "Say the name"),
            ("@Wren", "Wren and others", "does not begin with @"),
            ("ODILE", SharedHost.Password, "has the name"),
            ("Wren", "short", "at least 15 characters; this has 5"),
            ("Wren", "passwordpassword", "tried first"),
            ("Wren", "WrenWrenWrenWren1", "tried first"),
            ("Wren", "123456789012345678", "tried first"),
            ("Wren", "abcdefghijklmnop", "tried first"),
            ("Wren", new string('x', 129), "at most 128"),
        })
        {
            var (status, text, _) = await visitor.PostAsync($"/invitation/{code}", inPlace: false, ("name", name), ("password", password));
            Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
            Assert.Contains(says, text, StringComparison.Ordinal);
        }

        Assert.NotNull(await shared.Invitations.FindAsync(code!));
    }

    [Fact]
    public async Task Who_did_it_is_a_person_and_an_old_name_stays_text()
    {
        // Before the server was shared somebody typed the same name.
        shared.Host.CreateClient();
        await shared.Host.Revisions.AppendAsync(new("demo"), 1, new(Data.RevisionKind.Change, 0, "Lew", "Something", "14 Fernhollow Rise",
            (await shared.Host.Revisions.DocumentAsync(new("demo"), 1))!));
        var lead = await shared.ComesAsync(MemberRole.Lead, "Lew");
        await lead.GetAsync("/job/demo/boxes");
        Assert.Equal(HttpStatusCode.OK, (await lead.PostAsync("/job/demo/boxes?handler=Height", ("box", "f-r2"), ("height",
            "20\""))).Status);
        var all = await shared.Host.Revisions.OfAsync(new("demo"));
        Assert.Equal(["Circuitum", "Lew (typed)", "Lew"], all.Select(r => r.Who));
        await using var db = await shared.Host.Services.GetRequiredService<IDbContextFactory<Data.JobsDb>>()
            .CreateDbContextAsync();
        Assert.Equal(db.Users.Single().Id, db.Revisions.Single(r => r.Number == 3).Who);
        // What is typed into a cookie is nobody.
        lead.Http.DefaultRequestHeaders.Add("Cookie", "crew=Somebody else");
        await lead.PostAsync("/job/demo/boxes?handler=Height", ("box", "f-r2"), ("height", "21\""));
        Assert.Equal("Lew", (await shared.Host.Revisions.LatestAsync(new("demo")))!.Who);
    }

    [Fact]
    public async Task A_job_that_leaves_takes_names_along_and_nobodys_id()
    {
        var lead = await shared.ComesAsync(MemberRole.Lead, "Lew");
        await lead.GetAsync("/job/demo/boxes");
        await lead.PostAsync("/job/demo/boxes?handler=Height", ("box", "f-r2"), ("height", "20\""));
        var sent = await lead.Http.PostAsync("/job/demo/site/entries", System.Net.Http.Json.JsonContent.Create(new[] { new {
            id = Guid.NewGuid(), subject = "circuit:kitchen", step = "Tested", at = "2026-11-30T08:00:00Z", revision = 2, line = "" } }));
        Assert.Equal(HttpStatusCode.OK, sent.StatusCode);
        var bytes = await lead.Http.GetByteArrayAsync("/job/demo/file/whole-job.zip");
        using var zip = new System.IO.Compression.ZipArchive(new MemoryStream(bytes));
        using var reader = new StreamReader(zip.GetEntry("revisions.json")!.Open());
        var text = await reader.ReadToEndAsync();
        Assert.Contains("\"who\": \"Lew\"", text, StringComparison.Ordinal);
        Assert.DoesNotContain("\"@", text, StringComparison.Ordinal);

        using var elsewhere = new BenchHost();
        var (status, _) = await elsewhere.Visit().BringAsync(bytes, "whole-job.zip");
        Assert.Equal(HttpStatusCode.Redirect, status);
    }

    [Fact]
    public async Task A_wrong_password_a_name_that_nobody_has_and_a_locked_account_hear_the_same()
    {
        await shared.ComesAsync(MemberRole.Lead, "Lew");
        var visitor = shared.Host.Visit();
        await visitor.GetAsync("/sign-in");
        var heard = new HashSet<string>();
        for (var i = 0; i < 9; i++)
        {
            heard.Add(Problem((await visitor.PostAsync("/sign-in", inPlace: false, ("name", "Lew"), ("password",
                "not this one at all"))).Text));
        }

        heard.Add(Problem((await visitor.PostAsync("/sign-in", inPlace: false, ("name", "Nobody"), ("password",
            "not this one at all"))).Text));
        // Locked: the right one does not help now.
        heard.Add(Problem((await visitor.PostAsync("/sign-in", inPlace: false, ("name", "Lew"), ("password", SharedHost.Password))).Text));
        Assert.Single(heard);
        Assert.Contains("do not go together", heard.Single(), StringComparison.Ordinal);

        // Whoever has the machine has a way in, and the lock is gone with it.
        using StringWriter output = new(), errors = new();
        Assert.Equal(0, CommandLine.Run(["recover", shared.Host.Database, "lew"], output, errors));
        var link = output.ToString()[output.ToString().IndexOf("/invitation/", StringComparison.Ordinal)..].Trim();
        await visitor.GetAsync(link);
        Assert.Equal(HttpStatusCode.Redirect,
            (await visitor.PostAsync(link, inPlace: false, ("name", "Lew"), ("password", "ladder biscuit north four"))).Status);
        await SignInAsync("Lew", "ladder biscuit north four");
        await SignInAsync("Lew", SharedHost.Password, HttpStatusCode.UnprocessableEntity);
    }

    private static string Problem(string page) =>
        Regex.Match(page, "role=\"alert\">([^<]*)<").Groups[1].Value;

    [Fact]
    public async Task From_one_address_it_is_tried_thirty_times_in_five_minutes_and_no_more()
    {
        var visitor = shared.Host.Visit();
        await visitor.GetAsync("/sign-in");
        for (var i = 0; i < Tries.Most; i++)
        {
            Assert.Equal(HttpStatusCode.UnprocessableEntity,
                (await visitor.PostAsync("/sign-in", inPlace: false, ("name", $"N{i}"), ("password", "x"))).Status);
        }

        var (status, text, answer) = await visitor.PostAsync("/sign-in", inPlace: false, ("name", "N"), ("password", "x"));
        Assert.Equal(HttpStatusCode.TooManyRequests, status);
        Assert.Equal(300, answer.Headers.RetryAfter!.Delta!.Value.TotalSeconds);
        Assert.Contains("too often", text, StringComparison.Ordinal);
        // Reading is not trying.
        await visitor.GetAsync("/sign-in");
    }

    [Fact]
    public async Task A_session_that_is_ended_is_ended_at_once_whoever_ends_it()
    {
        var owner = await shared.ComesAsync(MemberRole.Owner, "Odile");
        await shared.ComesAsync(MemberRole.Lead, "Lew");
        var phone = await SignInAsync("Lew", SharedHost.Password);
        var laptop = await SignInAsync("Lew", SharedHost.Password);
        await phone.GetAsync("/job/demo/house");

        // Their own: the other browser.
        var account = await laptop.GetAsync("/account");
        Assert.Equal(3, Regex.Count(account, "since 20"));
        var others = Regex.Matches(account, "name=\"session\" value=\"([0-9a-f]{64})\"");
        Assert.Equal(2, others.Count);
        foreach (Match other in others)
        {
            await laptop.PostAsync("/account?handler=End", inPlace: false, ("session", other.Groups[1].Value));
        }

        await phone.GetAsync("/job/demo/house", HttpStatusCode.Unauthorized);
        await laptop.GetAsync("/job/demo/house");

        // The owner.
        var lew = (await PeopleAsync(owner))["Lew"];
        await owner.PostAsync("/people?handler=SignOut", inPlace: false, ("member", lew));
        await laptop.GetAsync("/job/demo/house", HttpStatusCode.Unauthorized);

        // A role that is taken is taken from the next request on.
        var again = await SignInAsync("Lew", SharedHost.Password);
        await again.GetAsync("/job/demo/money");
        await owner.PostAsync("/people?handler=Role", inPlace: false, ("member", lew), ("role", "Crew"));
        await again.GetAsync("/job/demo/money", HttpStatusCode.Forbidden);

        // Who is not here any more is out, and does not get in.
        await owner.PostAsync("/people?handler=Leave", inPlace: false, ("member", lew));
        await again.GetAsync("/job/demo/house", HttpStatusCode.Unauthorized);
        await SignInAsync("Lew", SharedHost.Password, HttpStatusCode.UnprocessableEntity);
        Assert.Contains("Who was here", await owner.GetAsync("/people"), StringComparison.Ordinal);

        // Signing out takes the key away here and there.
        await owner.PostAsync("/account?handler=Out", inPlace: false);
        await owner.GetAsync("/people", HttpStatusCode.Unauthorized);
    }

    private static async Task<Dictionary<string, string>> PeopleAsync(Visitor owner) =>
        Regex.Matches(await owner.GetAsync("/people"),
            "<b>(?<name>[^<]+)</b>[^<]*<small>[^<]*</small></span>\\s*<details>.*?name=\"member\"\\s+value=\"(?<id>[^\"]+)\"",
            RegexOptions.Singleline).ToDictionary(m => m.Groups["name"].Value, m => m.Groups["id"].Value);

    [Fact]
    public async Task Another_name_is_shown_in_everything_that_was_done()
    {
        var owner = await shared.ComesAsync(MemberRole.Owner, "Odile");
        var lead = await shared.ComesAsync(MemberRole.Lead, "Lew");
        await lead.GetAsync("/job/demo/boxes");
        await lead.PostAsync("/job/demo/boxes?handler=Height", ("box", "f-r2"), ("height", "20\""));
        var run = Regex.Match(await lead.GetAsync("/job/demo/site"), "data-subject=\"([^\"]+)\" data-step=\"Pulled\"").Groups[1].Value;
        using var sent = await lead.Http.PostAsync("/job/demo/site/entries", System.Net.Http.Json.JsonContent.Create(new[] { new {
            id = Guid.NewGuid(), subject = run, step = "Pulled", at = "2026-11-30T08:00:00Z", revision = 2, line = "" } }));
        Assert.Contains("title=\"Lew\"", await lead.GetAsync("/job/demo/site"), StringComparison.Ordinal);
        var id = (await PeopleAsync(owner))["Lew"];
        foreach (var (name, says) in new[] { ("Odile", "already"), ("", "Say the name"), ("@x", "does not begin") })
        {
            var refused = await owner.PostAsync("/people?handler=Name", inPlace: false, ("member", id), ("name", name));
            Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.Status);
            Assert.Contains(says, refused.Text, StringComparison.Ordinal);
        }

        await owner.PostAsync("/people?handler=Name", inPlace: false, ("member", id), ("name", "Llewelyn"));
        Assert.Contains("title=\"Llewelyn\"", await lead.GetAsync("/job/demo/site"), StringComparison.Ordinal);
        Assert.Contains("Llewelyn: ", await lead.GetAsync("/job/demo/boxes"), StringComparison.Ordinal);
        Assert.Contains("Llewelyn, ", await lead.GetAsync("/job/demo/history"), StringComparison.Ordinal);
        await SignInAsync("Llewelyn", SharedHost.Password);
        await SignInAsync("Lew", SharedHost.Password, HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task The_owner_cannot_put_himself_out()
    {
        var owner = await shared.ComesAsync(MemberRole.Owner, "Odile");
        await owner.GetAsync("/people");
        await using var db = await shared.Host.Services.GetRequiredService<IDbContextFactory<Data.JobsDb>>()
            .CreateDbContextAsync();
        var id = db.Users.Single().Id;
        foreach (var act in new[] { "Leave", "SignOut", "Role", "Renew" })
        {
            Assert.Equal(HttpStatusCode.UnprocessableEntity,
                (await owner.PostAsync($"/people?handler={act}", inPlace: false, ("member", id), ("role", "Crew"))).Status);
        }

        await owner.GetAsync("/people");
    }

    [Fact]
    public async Task A_guests_link_ends_when_it_is_ended_and_when_its_time_is_over()
    {
        var lead = await shared.ComesAsync(MemberRole.Lead, "Lew");
        await lead.GetAsync("/job/demo/share");
        var made = await lead.PostAsync("/job/demo/share?handler=Make", inPlace: false, ("for", "inspector"), ("days", "7"));
        Assert.Equal(HttpStatusCode.OK, made.Status);
        var link = Regex.Match(made.Text, "/guest/[0-9a-z]+").Value;
        var guest = shared.Host.Visit();
        Assert.Contains("14 Fernhollow Rise", await guest.GetAsync(link), StringComparison.Ordinal);
        await guest.GetAsync("/job/demo/house", HttpStatusCode.Unauthorized);
        await guest.PostAsync(link, inPlace: false);
        await guest.GetAsync("/job/demo/house");

        var id = (await shared.Links.OfAsync(new("demo"))).Single().Id;
        // Only on the job it is of.
        Assert.Contains("had ended already", (await lead.PostAsync("/job/demo-crawl/share?handler=End", inPlace: false,
            ("id", id.ToString(System.Globalization.CultureInfo.InvariantCulture)))).Text, StringComparison.Ordinal);
        await lead.PostAsync("/job/demo/share?handler=End", inPlace: false,
            ("id", id.ToString(System.Globalization.CultureInfo.InvariantCulture)));
        await guest.GetAsync("/job/demo/house", HttpStatusCode.Unauthorized);
        Assert.Contains("has ended", await guest.GetAsync(link, HttpStatusCode.NotFound), StringComparison.Ordinal);

        // One whose time is over is as one that was ended.
        var brief = await shared.GuestAsync("demo");
        await brief.GetAsync("/job/demo/house");
        var until = (await shared.Links.OfAsync(new("demo"))).Single();
        Assert.InRange(until.Until, DateTimeOffset.UtcNow.AddDays(6), DateTimeOffset.UtcNow.AddDays(7));
        await using var db = await shared.Host.Services.GetRequiredService<IDbContextFactory<Data.JobsDb>>()
            .CreateDbContextAsync();
        var now = DateTimeOffset.UtcNow.ToUnixTimeMilliseconds();
        Assert.Equal(1, await db.GuestLinks.Where(l => l.Id == until.Id).ExecuteUpdateAsync(s => s.SetProperty(l => l.Until, now)));
        await brief.GetAsync("/job/demo/marks", HttpStatusCode.Unauthorized);
    }

    [Theory]
    [InlineData("https://elsewhere.example/")]
    [InlineData("//elsewhere.example")]
    [InlineData("/\\elsewhere.example")]
    public async Task Signing_in_leads_nowhere_else(string back)
    {
        await shared.ComesAsync(MemberRole.Lead, "Lew");
        var visitor = shared.Host.Visit();
        await visitor.GetAsync("/sign-in");
        var came = await visitor.PostAsync("/sign-in", inPlace: false, ("name", "Lew"), ("password", SharedHost.Password), ("back", back));
        Assert.Equal("/", came.Response.Headers.Location!.ToString());
    }

    [Fact]
    public async Task What_is_kept_opens_nothing()
    {
        var lead = await shared.ComesAsync(MemberRole.Lead, "Lew");
        var code = await shared.Invitations.MakeAsync(MemberRole.Owner, "", "", Invitations.Stands);
        Assert.NotNull(lead);
        await using var db = await shared.Host.Services.GetRequiredService<IDbContextFactory<Data.JobsDb>>()
            .CreateDbContextAsync();
        Assert.DoesNotContain(db.Invitations.ToList(), i => i.CodeHash == code);
        // The hash itself is no code.
        foreach (var kept in db.Invitations.Select(i => i.CodeHash).ToList())
        {
            Assert.Null(await shared.Invitations.FindAsync(kept));
        }

        foreach (var kept in db.Sessions.Select(s => s.KeyHash).ToList())
        {
            Assert.Null(await shared.Sessions.FindAsync(kept));
        }
    }

    [Fact]
    public async Task An_open_line_ends_with_the_session()
    {
        var lead = await shared.ComesAsync(MemberRole.Lead, "Lew");
        using var answer = await lead.Http.GetAsync("/job/demo/events", HttpCompletionOption.ResponseHeadersRead);
        using var reader = new StreamReader(await answer.Content.ReadAsStreamAsync());
        await using var db = await shared.Host.Services.GetRequiredService<IDbContextFactory<Data.JobsDb>>()
            .CreateDbContextAsync();
        await shared.Sessions.EndAllAsync(db.Users.Single().Id);
        using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(20));
        while (await reader.ReadLineAsync(patience.Token) is not null)
        {
            // What was on its way before.
        }
    }
}
