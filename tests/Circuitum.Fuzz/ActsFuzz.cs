using System.Diagnostics;
using System.Net;
using Circuitum.Data;
using Circuitum.Web.Bench;
using Circuitum.Web.Tests;
using Microsoft.Extensions.DependencyInjection;
using Xunit.Abstractions;

namespace Circuitum.Fuzz;

/// <summary>Every handler of every page with missing, odd and well-typed fields, in random order, on a job that lives through all of
/// it.</summary>
public sealed class ActsFuzz(ITestOutputHelper output)
{
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(2);

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public async Task No_act_ends_the_server_spoils_the_job_or_gets_a_five_hundred(int seed)
    {
        using var host = new BenchHost();
        var random = new Random(Effort.Seed(seed));
        var visitor = await host.AtAsync("/job/demo/house");
        var bench = host.Services.GetRequiredService<Workbench>();
        var handlers = await Handler.AllAsync(host.Services);
        Assert.True(handlers.Count > 120, $"{handlers.Count} handlers");
        var answers = new Dictionary<HttpStatusCode, int>();
        var done = new List<string>();
        var bad = new List<string>();
        for (var i = 0; i < Effort.Times(500); i++)
        {
            var open = (await bench.OpenAsync(new("demo")))!;
            Assert.Null(open.Spoiled);
            var fields = new Fields(open.Plan, random);
            var handler = handlers[random.Next(handlers.Count)];
            var well = random.Next(10) < 7;
            var address = Address(handler, fields, random, well);
            var sent = handler.Fields.Where(_ => well || random.Next(5) > 0)
                .SelectMany(f => Enumerable.Range(0, f.Type.IsArray ? random.Next(0, 4) : 1)
                .Select(_ => (f.Name, well || random.Next(3) > 0 ? fields.For(f.Name, f.Type) : Odd.Text(random)))).ToList();
            sent.RemoveAll(s => s.Name == "from");
            if (well || random.Next(4) > 0)
            {
                sent.Add(("from", $"{open.Revision}"));
            }

            var told = $"{handler.Method} {address} {string.Join("&", sent.Select(s => $"{s.Name}={s.Item2}"))}";
            var (status, took, text) = await AskAsync(visitor, handler, address, sent);
            if (text.Contains("that this program cannot plan", StringComparison.Ordinal)
                || text.Contains("that cannot be read again", StringComparison.Ordinal))
            {
                bad.Add($"refused at the last moment: {told}");
            }

            if (status == HttpStatusCode.OK && handler.Method == "POST" && (await bench.OpenAsync(new("demo")))!.Revision > open.Revision)
            {
                done.Add(told);
                try
                {
                    var plan = Laws.Hold((await bench.OpenAsync(new("demo")))!.Plan.Job);
                    if (done.Count % 5 == 0)
                    {
                        Laws.Write(plan);
                    }
                }
                catch (Exception e) when (e is not Xunit.Sdk.XunitException)
                {
                    bad.Add($"{e.Message} {string.Join(" < ", e.StackTrace!.Split('\n')
                        .Where(l => l.Contains("Circuitum", StringComparison.Ordinal)).Take(4).Select(l => l.Trim()))}: {told}");
                    await visitor.PostAsync("/job/demo/house?handler=Undo", ("from", $"{open.Revision + 1}"));
                }
            }

            if ((int)status >= 500 || took > Longest)
            {
                // Once more, since the machine may have been away.
                var (again, longer, _) = (int)status >= 500 ? (status, took, "") : await AskAsync(visitor, handler, address, sent);
                if ((int)again >= 500 || longer > Longest)
                {
                    bad.Add($"{(int)again} in {longer.TotalSeconds:0.0} s: {told[..Math.Min(told.Length, 600)]}");
                }
            }

            answers[status] = answers.GetValueOrDefault(status) + 1;
        }

        output.WriteLine(string.Join(", ", answers.OrderBy(a => a.Key).Select(a => $"{(int)a.Key}: {a.Value}"))
            + $"; {done.Count} acts taken");
        Assert.True(bad.Count == 0, string.Join('\n', bad));

        // Every revision that was stored reads back; each was planned and written out when it was made.
        var revisions = await host.Revisions.OfAsync(new("demo"));
        Assert.True(revisions.Count > 20, $"{revisions.Count} revisions");
        foreach (var revision in revisions)
        {
            Circuitum.Formats.JobFile.JobFiles.Read((await host.Revisions.DocumentAsync(new("demo"), revision.Number))!);
        }
    }

    private static string Address(Handler handler, Fields fields, Random random, bool well)
    {
        var address = string.Join('/',
            handler.Route.Split('/').Select(part => !part.StartsWith('{') ? part : part.Trim('{', '}').TrimEnd('?').Split(':')[0] switch
            {
                "key" => well || random.Next(20) > 0 ? "demo" : Part(Odd.Text(random)),
                var hole => Part(well || random.Next(5) > 0 ? fields.For(hole, typeof(string)) : Odd.Text(random)),
            }));
        var query = new List<string>();
        if (handler.Name.Length > 0)
        {
            query.Add($"handler={handler.Name}");
        }

        if (random.Next(4) > 0)
        {
            query.Add($"level={Uri.EscapeDataString(well ? fields.For("level", typeof(string)) : Odd.Text(random))}");
            query.Add($"on={Uri.EscapeDataString(well ? fields.For("subject", typeof(string)) : Odd.Text(random))}");
        }

        return address + (query.Count > 0 ? "?" + string.Join('&', query) : "");
    }

    // No server hands on a path with a null in it; the one of the tests throws.
    private static string Part(string text) => Uri.EscapeDataString(Whole(text.Replace("\0", "", StringComparison.Ordinal)));

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    public async Task No_act_on_people_accounts_and_links_gets_a_five_hundred(int seed)
    {
        using var host = new BenchHost { Settings = [("Share", "lan")] };
        var random = new Random(Effort.Seed(seed));
        var visitor = await OwnerAsync(host);
        var plan = (await host.Services.GetRequiredService<Workbench>().OpenAsync(new("demo")))!.Plan;
        string[] pages = ["/sign-in", "/invitation/", "/guest/", "/account", "/people", "/job/{key}/share", "/health"];
        var handlers = (await Handler.AllAsync(host.Services))
            .Where(h => pages.Any(p => h.Route.StartsWith(p, StringComparison.Ordinal))).ToList();
        Assert.True(handlers.Count > 15, $"{handlers.Count} handlers");
        var bad = new List<string>();
        var answers = new Dictionary<HttpStatusCode, int>();
        for (var i = 0; i < Effort.Times(300); i++)
        {
            var fields = new Fields(plan, random);
            var handler = handlers[random.Next(handlers.Count)];
            var address = Address(handler, fields, random, random.Next(2) == 0);
            List<(string Name, Type Type)> asked = [.. handler.Fields, ("password", typeof(string)), ("for", typeof(string))];
            var sent = asked.Where(_ => random.Next(6) > 0)
                .Select(f => (f.Name, random.Next(2) == 0 ? fields.For(f.Name, f.Type) : Odd.Text(random))).ToList();
            var (status, _, _) = await AskAsync(visitor, handler, address, sent);
            answers[status] = answers.GetValueOrDefault(status) + 1;
            if ((int)status >= 500)
            {
                bad.Add($"{(int)status}: {handler.Method} {address} {string.Join("&", sent.Select(s => $"{s.Name}={s.Item2}"))}");
            }

            if (status == HttpStatusCode.Unauthorized)
            {
                visitor = await OwnerAsync(host);
            }
        }

        output.WriteLine(string.Join(", ", answers.OrderBy(a => a.Key).Select(a => $"{(int)a.Key}: {a.Value}")));
        Assert.True(bad.Count == 0, string.Join('\n', bad));
    }

    // Signed in without a try, of which there are thirty.
    private static async Task<Visitor> OwnerAsync(BenchHost host)
    {
        var visitor = host.Visit();
        using var scope = host.Services.CreateScope();
        var members = scope.ServiceProvider.GetRequiredService<Microsoft.AspNetCore.Identity.UserManager<Data.People.Member>>();
        var owner = new Data.People.Member { UserName = $"Owner {Guid.NewGuid():N}"[..20], Role = Data.People.MemberRole.Owner };
        Assert.True((await members.CreateAsync(owner, "crate lantern seven moss")).Succeeded);
        var key = await host.Services.GetRequiredService<Data.People.Sessions>().BeginAsync(owner.Id, "computer");
        visitor.Http.DefaultRequestHeaders.Add("Cookie", $"{Web.Sharing.Gate.Cookie}={key}");
        await visitor.GetAsync("/account");
        return visitor;
    }

    private static async Task<(HttpStatusCode Status, TimeSpan Took, string Text)> AskAsync(Visitor visitor, Handler handler,
        string address, List<(string Name, string Value)> sent)
    {
        var since = Stopwatch.StartNew();
        if (handler.Method == "GET")
        {
            var more = string.Join('&', sent.Select(s => $"{Uri.EscapeDataString(s.Name)}={Escaped(s.Value)}"));
            using var answer = await visitor.Http.GetAsync(address + (address.Contains('?', StringComparison.Ordinal) ? "&" : "?") + more);
            await answer.Content.ReadAsByteArrayAsync();
            return (answer.StatusCode, since.Elapsed, "");
        }

        if (handler.File)
        {
            var name = handler.Name == "Compare" ? "sheet" : "file";
            var (status, said) = await visitor.SendFileAsync("/", address, name, Escaped(sent.FirstOrDefault().Value ?? "a"),
                System.Text.Encoding.UTF8.GetBytes(sent.LastOrDefault().Value ?? ""));
            return (status, since.Elapsed, said);
        }

        var (code, text, response) = await visitor.PostAsync(address, inPlace: !handler.Route.Contains("prints", StringComparison.Ordinal),
            [.. sent.Select(s => (s.Name, Whole(s.Value)))]);
        response.Dispose();
        return (code, since.Elapsed, text);
    }

    private static string Escaped(string value) => Uri.EscapeDataString(Whole(value));

    // What cannot be sent as UTF-8 at all is sent as its mark.
    private static string Whole(string value) => string.Concat(value.EnumerateRunes().Select(r => r.ToString()));
}
