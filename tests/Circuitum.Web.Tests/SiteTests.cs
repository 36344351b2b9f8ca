using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Site;
using Circuitum.Data;
using Circuitum.Web.Bench;
using Circuitum.Web.Site;
using Microsoft.Extensions.DependencyInjection;

namespace Circuitum.Web.Tests;

/// <summary>What phones send from site: kept once each, whatever comes, and beside the plan whatever becomes of it.</summary>
public sealed partial class SiteTests : IDisposable
{
    private const string Entries = "/job/demo/site/entries";
    private const string Run = "run:@A~k-range";
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    private static JsonObject Entry(string subject = Run, string step = "Pulled", Guid? id = null, string? at = null, int revision = 1,
        Guid? back = null, string? used = null, string? note = null, string? line = null) => new()
        {
            ["id"] = (id ?? Guid.NewGuid()).ToString(),
            ["subject"] = subject,
            ["step"] = step,
            ["at"] = at ?? DateTimeOffset.UtcNow.ToString("o"),
            ["revision"] = revision,
            ["takesBack"] = back?.ToString(),
            ["used"] = used,
            ["note"] = note,
            ["line"] = line,
        };

    private static async Task<(HttpStatusCode Status, JsonObject Said)> SendAsync(HttpClient http, params JsonNode?[] entries)
    {
        var answer = await http.PostAsJsonAsync(Entries, new JsonArray([.. entries]));
        return (answer.StatusCode, (JsonObject)JsonNode.Parse(await answer.Content.ReadAsStringAsync())!);
    }

    private Task<SiteRecord> RecordAsync() => host.Services.GetRequiredService<SiteEntries>().OfAsync(new("demo"));

    private static Subject Range => Subject.TryParse(Run)!.Value;

    [Fact]
    public async Task An_entry_sent_five_times_is_kept_once_with_what_it_was()
    {
        var http = host.Visit().Http;
        var id = Guid.NewGuid();
        for (var time = 0; time < 5; time++)
        {
            var (status, said) = await SendAsync(http, Entry(id: id));
            Assert.Equal(HttpStatusCode.OK, status);
            Assert.Equal(id.ToString(), said["kept"]![0]!.GetValue<string>());
        }

        var entry = Assert.Single((await RecordAsync()).Entries);
        Assert.Equal(("Panel A → Induction range", "6-3", 37), (entry.As!.Name, entry.As.What, entry.As.Cut.WholeFeetUp));
        Assert.Equal("crew", entry.Who);
        Assert.Contains("1 of 142", await host.Visit().GetAsync("/job/demo/runs"), StringComparison.Ordinal);
    }

    [Fact] // the first demo's trench to its greenhouse and the pipe in it; a run is not dug, and a trench is not pulled
    public async Task Trenches_and_pipes_are_written_down_in_their_own_steps()
    {
        var v = host.Visit();
        string[] lines = ["trench:garden-trench/Dug", "trench:garden-trench/Filled", "pipe:feeder-G/Laid", "pipe:feeder-G/Inspected"];
        var (status, said) = await SendAsync(v.Http, [.. lines.Select(l => l.Split('/')).Select(l => Entry(l[0], l[1]))]);
        Assert.Equal((HttpStatusCode.OK, 4), (status, said["kept"]!.AsArray().Count));
        var dug = (await RecordAsync()).Entries.Single(e => e.Step == SiteStep.Dug);
        Assert.Equal(("garden-trench, House → Greenhouse", "2'-2\" deep", 95), (dug.As!.Name, dug.As.What, dug.As.Cut.WholeFeetUp));
        (_, said) = await SendAsync(v.Http, Entry("trench:garden-trench", "Pulled"), Entry(Run, "Dug"), Entry("trench:elsewhere", "Dug"),
            Entry("pipe:P9", "Laid"), Entry("lowvoltage:lv-1", "Pulled"));
        Assert.Equal(
            ["“Pulled” is nothing that is done to a trench.", "“Dug” is nothing that is done to a run.",
                "The plan of that revision has no trench “elsewhere”.", "The plan of that revision has no pipe “P9”.",
                "The plan of that revision has no low-voltage outlet “lv-1”."],
            said["refused"]!.AsArray().Select(r => r!["why"]!.GetValue<string>()));
        var page = await v.GetAsync("/job/demo/site");
        Assert.Contains("aria-pressed=\"true\" aria-label=\"dug, garden-trench", page, StringComparison.Ordinal);
        Assert.Contains("0 of 142", WebUtility.HtmlDecode(await v.GetAsync("/job/demo/runs")), StringComparison.Ordinal);
    }

    [Fact] // two phones, fifty entries each, all at once and in batches that overlap
    public async Task Two_phones_at_once_lose_nothing_and_double_nothing()
    {
        var boxes = (await host.NewestAsync()).Boxes.Take(50).Select(b => $"box:{b.Id}").ToList();
        var mine = boxes.Select(b => Entry(b, "MadeUp")).ToList();
        var theirs = boxes.Select(b => Entry(b, "Inspected")).ToList();
        await Task.WhenAll(Enumerable.Range(0, 5).SelectMany(n => new[] { mine, theirs }.Select(async all =>
        {
            var (status, said) = await SendAsync(host.Visit().Http, [.. all.Skip(n * 10).Concat(all.Take(15)).Select(e => e.DeepClone())]);
            Assert.Equal(HttpStatusCode.OK, status);
            Assert.Empty(said["refused"]!.AsArray());
        })));
        var record = await RecordAsync();
        Assert.Equal(100, record.Entries.Length);
        Assert.Equal(50, boxes.Count(b => record.Is(Subject.TryParse(b)!.Value, SiteStep.MadeUp)
            && record.Is(Subject.TryParse(b)!.Value, SiteStep.Inspected)));
    }

    [Fact]
    public async Task Undoing_a_change_of_the_plan_takes_no_entry_away_and_resetting_the_demo_does()
    {
        var v = await host.AtAsync("/job/demo/boxes");
        await SendAsync(v.Http, Entry());
        Assert.Equal(HttpStatusCode.OK, (await v.PostAsync("/job/demo/boxes?handler=Move", ("box", "f-r2"), ("offset", "44\""))).Status);
        await SendAsync(v.Http, Entry("box:f-r2", "MadeUp", revision: 2));
        Assert.Equal(HttpStatusCode.OK, (await v.PostAsync("/job/demo/boxes?handler=Undo")).Status);
        Assert.Equal(2, (await RecordAsync()).Entries.Length);
        await v.GetAsync("/");
        await v.PostAsync("/?handler=Reset", false, ("job", "demo"));
        Assert.Empty((await RecordAsync()).Entries);
    }

    [Fact]
    public async Task Days_and_lines_of_the_crew_s_own_stand_on_the_walk()
    {
        var v = await host.AtAsync("/job/demo/site?view=walk");
        var yesterday = DateTime.Now.AddDays(-1).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);
        var (set, page, _) = await v.PostAsync("/job/demo/site?view=walk&handler=ClosingDay", false, ("closing", "Walls"),
            ("day", yesterday));
        Assert.Equal(HttpStatusCode.OK, set);
        Assert.Contains($"Insulation and board: {yesterday}", page, StringComparison.Ordinal);
        // On every list, until it is ready.
        Assert.Contains("yesterday", await v.GetAsync("/job/demo/site?view=pull"), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await v.PostAsync("/job/demo/site?view=walk&handler=ClosingDay", false,
            ("closing", "Walls"), ("day", "soon"))).Status);

        await v.GetAsync("/job/demo/site?view=walk");
        var (added, walk, _) = await v.PostAsync("/job/demo/site?view=walk&closing=Walls&handler=CrewLine", false, ("before", "Walls"),
            ("text", "Backing for the towel bars"), ("everyRoom", "true"));
        Assert.Equal(HttpStatusCode.OK, added);
        Assert.True(walk.Split("Backing for the towel bars").Length > 10);
        var (entered, _) = await SendAsync(v.Http, Entry("room:kitchen", "Passed", revision: 3, line: "own-crew-1"));
        Assert.Equal(HttpStatusCode.OK, entered);
        Assert.True((await RecordAsync()).Is(Subject.Room(new("kitchen")), SiteStep.Passed, "own-crew-1"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await v.PostAsync("/job/demo/site?view=walk&handler=CrewLine", false,
            ("before", "Walls"), ("text", ""))).Status);
        await v.GetAsync("/job/demo/site?view=walk");
        Assert.Equal(HttpStatusCode.OK, (await v.PostAsync("/job/demo/site?view=walk&handler=DropCrewLine", false, ("line",
            "crew-1"))).Status);
        Assert.DoesNotContain("Backing for the towel bars", await v.GetAsync("/job/demo/site?view=walk"), StringComparison.Ordinal);
    }

    [Fact] // the range's breaker and cable are changed after it is pulled: told with its feet until it is taken back
    public async Task A_change_against_a_pulled_run_is_told_and_can_be_taken_back()
    {
        var v = await host.AtAsync("/job/demo/circuits");
        var id = Guid.NewGuid();
        await SendAsync(v.Http, Entry(id: id));
        Assert.DoesNotContain("the plan has changed", await v.GetAsync("/job/demo/site"), StringComparison.Ordinal);
        var (status, bench, _) = await v.PostAsync("/job/demo/boxes?handler=PlateBreaker", ("box", "k-range"), ("place", "0"),
            ("breaker", "70"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("On site: 1 pulled run does not fit any more: 37 ft come out, 37 ft go in", bench, StringComparison.Ordinal);
        Assert.Contains("1 place where what is done does not fit the plan", bench, StringComparison.Ordinal);
        var page = WebUtility.HtmlDecode(await v.GetAsync("/job/demo/site"));
        Assert.Contains("Panel A → Induction range: 6-3, 37 ft, is pulled; the plan has 4-3 there now.", page, StringComparison.Ordinal);
        // Kept as it lies: the plan pins 6 AWG, and the page has nothing against it any more; undone, it has.
        var (kept, after, _) = await v.PostAsync("/job/demo/site?handler=Keep", false, ("entry", id.ToString()));
        Assert.True(kept == HttpStatusCode.OK, after);
        Assert.DoesNotContain("the plan has changed", after, StringComparison.Ordinal);
        Assert.Contains("to 6 AWG", WebUtility.HtmlDecode(after), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await v.PostAsync("/job/demo/site?handler=Keep", false, ("entry",
            "none"))).Status);
        await v.GetAsync("/job/demo/boxes");
        Assert.Equal(HttpStatusCode.OK, (await v.PostAsync("/job/demo/boxes?handler=Undo")).Status);
        Assert.Contains("the plan has changed", await v.GetAsync("/job/demo/site"), StringComparison.Ordinal);
        await SendAsync(v.Http, Entry(back: id, revision: 2));
        Assert.DoesNotContain("the plan has changed", await v.GetAsync("/job/demo/site"), StringComparison.Ordinal);
        Assert.False((await RecordAsync()).Is(Range, SiteStep.Pulled));
    }

    [Theory]
    [InlineData("run:@A~no-such-box", "Pulled", 1, null, null, "has no run")]
    [InlineData("box:ghost", "MadeUp", 1, null, null, "has no box")]
    [InlineData("circuit:ghost", "Landed", 1, null, null, "has no circuit")]
    [InlineData("room:kitchen", "Pulled", 1, null, null, "nothing that is done to a room")]
    [InlineData(Run, "MadeUp", 1, null, null, "nothing that is done to a run")]
    [InlineData(Run, "2", 1, null, null, "nothing that is done to a run")]
    [InlineData("nonsense", "Pulled", 1, null, null, "nothing that a plan has")]
    [InlineData(Run, "Pulled", 99, null, null, "no revision 99")]
    [InlineData(Run, "Pulled", -1, null, null, "no revision -1")]
    [InlineData(Run, "Pulled", 1, "yesterday", null, "is no time")]
    [InlineData(Run, "Pulled", 1, "1970-01-01T00:00:00Z", null, "is no time")]
    [InlineData(Run, "Pulled", 1, "9999-12-31T23:59:59Z", null, "is no time")]
    [InlineData(Run, "Pulled", 1, null, "3000-0", "no length of cable")]
    [InlineData(Run, "Pulled", 1, null, "long", "long")]
    public async Task What_cannot_be_kept_is_refused_by_itself_in_a_sentence(string subject, string step, int revision, string? at,
        string? used, string why)
    {
        var good = Guid.NewGuid();
        var (status, said) = await SendAsync(host.Visit().Http, Entry(subject, step, at: at, revision: revision, used: used),
            Entry(id: good));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains(why, said["refused"]![0]!["why"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal(good.ToString(), Assert.Single(said["kept"]!.AsArray())!.GetValue<string>());
        Assert.Single((await RecordAsync()).Entries);
    }

    [Fact] // a line of the walk is seen, or wrong in a word, until it is mended
    public async Task A_walk_is_passed_line_by_line_and_a_correction_stands_until_it_is_mended()
    {
        var v = host.Visit();
        var id = Guid.NewGuid();
        var (_, said) = await SendAsync(v.Http, Entry("room:study", "Passed", line: "flush"),
            Entry("room:study", "Correction", id, note: "3/8 in proud <b>", line: "flush"), Entry("room:study", "Correction",
                line: "flush"),
            Entry("room:ghost", "Passed", line: "flush"), Entry("room:study", "Passed"), Entry(line: "flush"));
        Assert.Equal(2, said["kept"]!.AsArray().Count);
        Assert.Equal(["What is wrong? A correction says it in a word.", "The plan of that revision has no room “ghost”.",
            "“” is no line of the walk.", "“flush” is no line of the walk."], said["refused"]!.AsArray().Select(r =>
                r!["why"]!.GetValue<string>()));
        var page = await v.Http.GetStringAsync("/job/demo/site?view=walk");
        Assert.Contains("1 correction", page, StringComparison.Ordinal);
        Assert.Contains("3/8 in proud &lt;b&gt;", page, StringComparison.Ordinal);
        await SendAsync(v.Http, Entry("room:study", "Correction", back: id, line: "flush"));
        Assert.DoesNotContain("3/8 in proud", await v.GetAsync("/job/demo/site?view=walk"), StringComparison.Ordinal);
        Assert.Contains("Trench to Greenhouse", await v.GetAsync("/job/demo/site?view=walk&closing=Trench"), StringComparison.Ordinal);
    }

    // The smallest JPEG that has a scan, with a word in it to tell pictures apart, and Exif.
    private static byte[] Picture(byte word) => [0xFF, 0xD8, 0xFF, 0xE1, 0, 12, .. "Exif\0\0GPS!"u8, 0xFF, 0xDA, 0, 2, word, 0xFF, 0xD9];

    private static async Task<(HttpStatusCode Status, string Said)> PhotographAsync(HttpClient http, byte[] picture,
        string type = "image/jpeg",
        string subject = "wall:kitchen.1", string? at = null, Guid? id = null)
    {
        var content = new ByteArrayContent(picture);
        content.Headers.ContentType = new(type);
        var answer = await http.PostAsync($"/job/demo/site/photographs?id={id ?? Guid.NewGuid()}&subject={subject}&revision=1&note=open&at="
            + Uri.EscapeDataString(at ?? DateTimeOffset.UtcNow.ToString("o")), content);
        return (answer.StatusCode, await answer.Content.ReadAsStringAsync());
    }

    [Fact] // the same picture of two walls is kept once; sent again with its id nothing is added
    public async Task A_photograph_is_kept_once_by_what_is_in_it()
    {
        var v = host.Visit();
        var id = Guid.NewGuid();
        for (var time = 0; time < 3; time++)
        {
            Assert.Equal(HttpStatusCode.OK, (await PhotographAsync(v.Http, Picture(7), id: id)).Status);
        }

        await PhotographAsync(v.Http, Picture(7), subject: "wall:kitchen.2");
        await PhotographAsync(v.Http, Picture(8), subject: "room:kitchen");
        var record = await RecordAsync();
        Assert.Equal(3, record.Entries.Length);
        Assert.Equal(2, record.Entries.Select(e => e.Photograph).Distinct().Count());
        var wall = record.Entries.First(e => e.Subject.Kind == SubjectKind.Wall);
        var answer = await v.Http.GetAsync($"/job/demo/site/photographs/{wall.Photograph}");
        Assert.Equal("image/jpeg", answer.Content.Headers.ContentType!.MediaType);
        Assert.Equal("nosniff", Assert.Single(answer.Headers.GetValues("X-Content-Type-Options")));
        Assert.Equal([0xFF, 0xD8, 0xFF, 0xDA, 0, 2, 7, 0xFF, 0xD9], await answer.Content.ReadAsByteArrayAsync());
        await v.GetAsync("/job/demo/site/photographs/none", HttpStatusCode.NotFound);
        await v.GetAsync($"/job/demo-crawl/site/photographs/{record.Entries[0].Photograph}", HttpStatusCode.NotFound);
    }

    [Fact] // a circle and a word; taken away by another entry, and shown beside the wall on the plan
    public async Task Something_on_a_photograph_is_circled()
    {
        var v = host.Visit();
        var shot = Guid.NewGuid();
        await PhotographAsync(v.Http, Picture(7), id: shot);
        var circle = Guid.NewGuid();
        var entry = Entry("wall:kitchen.1", "Circled", id: circle, line: $"{shot} 40 55", note: "no plate here");
        var (_, said) = await SendAsync(v.Http, entry);
        Assert.Empty(said["refused"]!.AsArray());
        var page = await v.GetAsync("/job/demo/site?view=walk");
        Assert.Contains("cx=\"40%\" cy=\"55%\"", page, StringComparison.Ordinal);
        Assert.Contains("no plate here", page, StringComparison.Ordinal);
        Assert.Contains("cx=\"40%\" cy=\"55%\"", await v.GetAsync("/job/demo/house?on=wall:kitchen.1"), StringComparison.Ordinal);
        foreach (var (line, note, says) in new[] { ($"{shot} 40", "x", "no place on a photograph"), ("", "x", "no place on a photograph"),
            ($"{shot} 40 101", "x", "no place on a photograph"), ($"{shot} 40 55", "", "What is circled?") })
        {
            var (_, refused) = await SendAsync(v.Http, Entry("wall:kitchen.1", "Circled", line: line, note: note));
            Assert.Contains(says, refused["refused"]![0]!["why"]!.GetValue<string>(), StringComparison.Ordinal);
        }

        await SendAsync(v.Http, Entry("wall:kitchen.1", "Circled", back: circle, line: $"{shot} 40 55"));
        Assert.DoesNotContain("no plate here", await v.GetAsync("/job/demo/site?view=walk"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_is_no_photograph_is_refused_in_a_sentence()
    {
        var http = host.Visit().Http;
        foreach (var (picture, type, subject, status, says) in new[]
        {
            ("GIF89a, say"u8.ToArray(), "image/gif", "wall:kitchen.1", HttpStatusCode.OK, "no picture that is kept here"),
            ("<html>"u8.ToArray(), "image/jpeg", "wall:kitchen.1", HttpStatusCode.OK, "no picture that is kept here"),
            (Picture(1)[..8], "image/jpeg", "wall:kitchen.1", HttpStatusCode.OK, "cut off"),
            ([], "image/jpeg", "wall:kitchen.1", HttpStatusCode.OK, "no picture"),
            (Picture(1), "text/plain", "wall:kitchen.1", HttpStatusCode.UnsupportedMediaType, "Send the picture itself"),
            (Picture(1), "image/jpeg", "wall:kitchen.9", HttpStatusCode.OK, "has no wall"),
            (Picture(1), "image/jpeg", "room:ghost", HttpStatusCode.OK, "has no room"),
            (Picture(1), "image/jpeg", "opening:front-door", HttpStatusCode.OK, "nothing that is done to"),
            (new byte[10 * 1024 * 1024 + 1], "image/jpeg", "wall:kitchen.1", HttpStatusCode.OK, "at most 10 MB"),
            (new byte[20 * 1024 * 1024], "image/jpeg", "wall:kitchen.1", HttpStatusCode.RequestEntityTooLarge, "too large"),
        })
        {
            var (got, said) = await PhotographAsync(http, picture, type, subject);
            Assert.Equal(status, got);
            Assert.Contains(says, said, StringComparison.OrdinalIgnoreCase);
        }

        Assert.Empty((await RecordAsync()).Entries);
        // A photograph cannot be claimed without its picture.
        var (_, claimed) = await SendAsync(http, Entry("room:kitchen", "Photographed"));
        Assert.Contains("nothing that is done to", claimed["refused"]![0]!["why"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact] // an open file of everything, what is taken back among it; what a spreadsheet would run is text
    public async Task The_record_leaves_as_a_list()
    {
        var v = host.Visit();
        var id = Guid.NewGuid();
        await SendAsync(v.Http, Entry(id: id, used: "39-6", note: "=1+1", at: "2026-05-04T12:00:00Z"),
            Entry(back: id, at: "2026-05-04T13:00:00+00:00"));
        var lines = (await v.Http.GetStringAsync("/job/demo/file/site.csv")).TrimEnd('\n').Split('\n');
        Assert.Equal("id,at,received,who,revision,subject,step,line,name,what,cut_ft,used,note,photograph,takes_back,reel,reading",
            lines[0]);
        Assert.Equal(3, lines.Length);
        Assert.StartsWith($"{id},2026-05-04T12:00:00Z,", lines[1], StringComparison.Ordinal);
        Assert.EndsWith(",crew,1,run:@A~k-range,pulled,,Panel A → Induction range,6-3,37,\"39'-6\"\"\",\"'=1+1\",,,,", lines[1],
            StringComparison.Ordinal);
        Assert.EndsWith($",{id},,", lines[2], StringComparison.Ordinal);
        Assert.Single((await v.Http.GetStringAsync("/job/demo-crawl/file/site.csv")).TrimEnd('\n').Split('\n'));
    }

    [Fact]
    public async Task What_is_no_list_of_entries_is_refused_whole()
    {
        var http = host.Visit().Http;
        foreach (var (body, type, status) in new[]
        {
            ("[", "application/json", HttpStatusCode.UnprocessableEntity),
            ("{}", "application/json", HttpStatusCode.UnprocessableEntity),
            ("[null]", "application/json", HttpStatusCode.UnprocessableEntity),
            ("[{\"id\":7}]", "application/json", HttpStatusCode.UnprocessableEntity),
            ("[[[[[[[[[[]]]]]]]]]]", "application/json", HttpStatusCode.UnprocessableEntity),
            ("[]", "text/plain", HttpStatusCode.UnsupportedMediaType),
            (JsonSerializer.Serialize(Enumerable.Range(0, SentEntry.MostAtOnce + 1).Select(_ => new { id = Guid.NewGuid() })),
                "application/json", HttpStatusCode.UnprocessableEntity),
            (new string(' ', 2_000_000), "application/json", HttpStatusCode.RequestEntityTooLarge),
        })
        {
            var answer = await http.PostAsync(Entries, new StringContent(body, Encoding.UTF8, type));
            Assert.Equal(status, answer.StatusCode);
            Assert.InRange((await answer.Content.ReadAsStringAsync()).Length, 20, 1000);
        }

        Assert.Equal(HttpStatusCode.NotFound, (await http.PostAsJsonAsync("/job/nothing/site/entries", new JsonArray())).StatusCode);
        Assert.Empty((await RecordAsync()).Entries);
    }

    [Fact]
    public async Task Another_sites_page_cannot_write_here()
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, Entries) { Content = JsonContent.Create(new JsonArray(Entry())) };
        request.Headers.Add("Sec-Fetch-Site", "cross-site");
        Assert.Equal(HttpStatusCode.Forbidden, (await host.Visit().Http.SendAsync(request)).StatusCode);
        Assert.Empty((await RecordAsync()).Entries);
    }

    [Fact] // a day ahead is not believed, a day behind may be: there was no signal; both stand
    public async Task A_wrong_clock_is_kept_and_told()
    {
        var v = host.Visit();
        await SendAsync(v.Http, Entry(at: DateTimeOffset.UtcNow.AddDays(1).ToString("o")),
            Entry("box:f-r2", "MadeUp", at: DateTimeOffset.UtcNow.AddDays(-1).ToString("o")));
        var record = await RecordAsync();
        Assert.Equal(2, record.Standing.Length);
        Assert.All(record.Entries, e => Assert.True(e.When.UnixMilliseconds <= DateTimeOffset.UtcNow.ToUnixTimeMilliseconds()));
        Assert.Contains("the phone’s clock said", WebUtility.HtmlDecode(await v.GetAsync("/job/demo/site?view=done")),
            StringComparison.Ordinal);
    }

    private static JsonObject Reel(string name, string? cable, string? on, string step = "Counted") =>
        With(Entry($"reel:{name}", step, used: on), ("what", cable));

    private static JsonObject With(JsonObject entry, params (string Name, string? Value)[] more)
    {
        foreach (var (name, value) in more)
        {
            entry[name] = value;
        }

        return entry;
    }

    [Fact] // by hand: the dryer's run is 27 ft of 10-3; R1 has 40 ft of it, so 13 are left
    public async Task Reels_are_worked_out_from_what_stands_in_the_van()
    {
        var v = host.Visit();
        await SendAsync(v.Http, Reel("R1", "10-3", "40"), Reel("R2", "12-2", "120-0"));
        var page = WebUtility.HtmlDecode(await v.GetAsync("/job/demo/site?view=reels&full=250-0"));
        Assert.Contains("10-3: nothing to buy", page, StringComparison.Ordinal);
        Assert.Contains("HR A13/15 Dryer 27 ft", page, StringComparison.Ordinal);
        Assert.Contains("13 ft left", page, StringComparison.Ordinal);
        Assert.DoesNotContain("3 × 6", page, StringComparison.Ordinal);
        // A home run of two groups that come next needs no reel for the rest of the house.
        Assert.DoesNotContain("10-3", WebUtility.HtmlDecode(await v.GetAsync("/job/demo/site?view=reels&groups=1")).Split("full reel")[1],
            StringComparison.Ordinal);
        Assert.Contains("10 to 5000 ft", WebUtility.HtmlDecode(await v.GetAsync("/job/demo/site?view=reels&full=1-0",
            HttpStatusCode.UnprocessableEntity)), StringComparison.Ordinal);

        // Pulled from it, it has 13 left, and the list says where the run came from.
        await SendAsync(v.Http, With(Entry("run:@A~l-dryer"), ("reel", "R1")));
        page = WebUtility.HtmlDecode(await v.GetAsync("/job/demo/site?view=reels"));
        Assert.Contains("10-3, <b>13 ft left", page, StringComparison.Ordinal);
        Assert.Contains("from R1", WebUtility.HtmlDecode(await v.GetAsync("/job/demo/site?view=done")), StringComparison.Ordinal);
        await SendAsync(v.Http, Reel("R1", null, null, "Finished"));
        Assert.DoesNotContain("data-reel-row=\"R1\"", await v.GetAsync("/job/demo/site?view=reels"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_reel_that_is_none_is_refused_in_a_sentence()
    {
        var (_, said) = await SendAsync(host.Visit().Http, Reel("R1", "", "40"), Reel("R1", "12-2", "x"), Reel("R1", "12-2", null),
            Reel("R1", "12-2", "5001"), Reel(new string('r', 25), "12-2", "40"), Reel("R1", "12-2", "40", "Pulled"),
            With(Entry(Run), ("reel", new string('r', 25))));
        Assert.Equal(
            [
                "Which cable is on reel R1? Write it like 12-2.",
                "“x” is no length; write it like 12'-6 1/2\" or 150.5\".",
                "“” is no length; write it like 12'-6 1/2\" or 150.5\".",
                "“5001” is no length of cable, more than nothing and at most 5000'-0\".",
                $"“{new string('r', 25)}” is no name of a reel; it has 1 to 24 characters.",
                "“Pulled” is nothing that is done to a reel.",
                $"“{new string('r', 25)}” is no name of a reel; it has 1 to 24 characters.",
            ], said["refused"]!.AsArray().Select(r => r!["why"]!.GetValue<string>()));
        Assert.Empty((await RecordAsync()).Entries);
    }

    [Fact] // 104 V is 13 percent under 120; read again at 119 it is right
    public async Task A_tester_s_reading_is_kept_judged_and_read_again()
    {
        var v = host.Visit();
        await SendAsync(v.Http, With(Entry("box:f-r2", "Metered"), ("reading", "OpenGround 104V")));
        var page = WebUtility.HtmlDecode(await v.GetAsync("/job/demo/site?view=test"));
        Assert.Contains("Read, and not right: 2", page, StringComparison.Ordinal);
        Assert.Contains("104 V is more than 5 % from 120", page, StringComparison.Ordinal);
        await SendAsync(v.Http, With(Entry("box:f-r2", "Metered"), ("reading", "WiredRight 119V 0.4Ω")));
        page = WebUtility.HtmlDecode(await v.GetAsync("/job/demo/site?view=test"));
        Assert.DoesNotContain("not right", page, StringComparison.Ordinal);
        Assert.Contains("wired right, 119 V, ground 0.4 Ω", page, StringComparison.Ordinal);
        Assert.Equal(2, (await RecordAsync()).Standing.Count(e => e.Step == SiteStep.Metered));
        Assert.EndsWith(",,,,\"wired right, 119 V, ground 0.4 Ω\"\n", await v.GetAsync("/job/demo/file/site.csv"),
            StringComparison.Ordinal);
        // Between the bars of a panel: 236 of 240 is right, 150 from a leg to the neutral is a neutral that is open.
        await SendAsync(v.Http, With(Entry("panel:A", "Metered", line: "A-B"), ("reading", "236V")),
            With(Entry("panel:A", "Metered", line: "B-N"), ("reading", "150V")));
        page = WebUtility.HtmlDecode(await v.GetAsync("/job/demo/site?view=test"));
        Assert.Contains("Read, and not right: 1", page, StringComparison.Ordinal);
        Assert.Contains("Panel A, leg B to neutral<small>150 V is more than 5 % from 120: a neutral may be open", page,
            StringComparison.Ordinal);
        var (_, said) = await SendAsync(v.Http, With(Entry("panel:A", "Metered", line: "C"), ("reading", "9V")),
            Entry("box:f-r2", "Metered"), With(Entry("box:f-r2", "Metered"), ("reading", "9 V")),
            With(Entry(Run, "Metered"), ("reading", "120V")));
        Assert.Equal(["“C” is between no bars of a panel.", "Nothing was read.", "“9” is no reading; write volts like 121, ohms like 0.3.",
            "“Metered” is nothing that is done to a run."], said["refused"]!.AsArray().Select(r => r!["why"]!.GetValue<string>()));
    }

    [Fact] // the breaker is landed and the first run pulled: what a change would have moved stays, and an undo knows it too
    public async Task What_is_pulled_and_landed_is_kept_by_the_next_change()
    {
        var v = await host.AtAsync("/job/demo/boxes");
        var bench = host.Services.GetRequiredService<Workbench>();
        await SendAsync(v.Http, Entry(), Entry("circuit:k-range", "Landed"));
        Assert.Empty((await bench.OpenAsync(new("demo")))!.Plan.Job.Built.Runs);
        await v.PostAsync("/job/demo/boxes?handler=Move", ("box", "f-r2"), ("offset", "60\""));
        var built = (await bench.OpenAsync(new("demo")))!.Plan.Job.Built;
        Assert.Equal(("@A~k-range", "6"), (Assert.Single(built.Runs).Run.ToString(), built.Runs[0].Gauge.ToString()));
        Assert.Equal("k-range", Assert.Single(built.Landed).Circuit.Value);
        Assert.Contains("The plan keeps its ends and its cable", await v.GetAsync("/job/demo/runs?on=run:@A~k-range"),
            StringComparison.Ordinal);
    }

    [Fact] // every list, for houses that are ours and one just begun; no page of a job that is not there
    public async Task Every_list_opens()
    {
        var v = host.Visit();
        foreach (var (view, _, _) in Pages.SiteModel.Views)
        {
            // The villa's boards have a site of their own.
            foreach (var job in Demo.All.Where(d => d.Key.Value != "demo-villa"))
            {
                Assert.Contains("runs pulled", await v.GetAsync($"/job/{job.Key}/site?view={view}&order=ByStory"),
                    StringComparison.Ordinal);
            }
        }

        await v.GetAsync("/job/nothing/site", HttpStatusCode.NotFound);
    }

    [Fact] // an answer of 200 is on the disk: the server is killed while it receives, nothing acknowledged is missing or there twice
    public async Task Kill_9_while_receiving_loses_nothing_acknowledged()
    {
        var folder = Directory.CreateTempSubdirectory("circuitum-site-kill-").FullName;
        var database = Path.Combine(folder, "jobs.db");
        var acknowledged = new List<string>();
        using (var server = ServerProcess.Start(database))
        {
            using var http = await server.AnswersAsync();
            var visitor = new Visitor(http);
            var boxes = (await host.NewestAsync()).Boxes;
            Task? killer = null;
            try
            {
                for (var i = 0; i < 3000; i++)
                {
                    var id = Guid.NewGuid();
                    var (status, _) = await SendAsync(visitor.Http, Entry($"box:{boxes[i % boxes.Length].Id}", "MadeUp", id));
                    Assert.Equal(HttpStatusCode.OK, status);
                    acknowledged.Add(id.ToString());
                    killer ??= Task.Run(async () =>
                    {
                        await Task.Delay(300);
                        server.Kill();
                    });
                }
            }
            catch (HttpRequestException)
            {
                // The server is gone.
            }

            await killer!;
            await server.EndedAsync();
        }

        Assert.InRange(acknowledged.Count, 1, 2999);
        using (var again = ServerProcess.Start(database))
        {
            using var http = await again.AnswersAsync();
            // What the phone did not see acknowledged it sends again: with all the others, which are there.
            Assert.Equal(HttpStatusCode.OK, (await SendAsync(http, [.. acknowledged.Take(200).Select(id =>
                Entry("box:f-r2", "MadeUp", Guid.Parse(id)))])).Status);
            again.Kill();
            await again.EndedAsync();
        }

        await using var db = new Microsoft.Data.Sqlite.SqliteConnection($"Data Source={database}");
        await db.OpenAsync();
        await using var command = db.CreateCommand();
        command.CommandText = "SELECT lower(Id) FROM SiteEntries";
        var there = new List<string>();
        await using (var rows = await command.ExecuteReaderAsync())
        {
            while (await rows.ReadAsync())
            {
                there.Add(rows.GetString(0));
            }
        }

        Assert.Empty(acknowledged.Except(there));
        Assert.Equal(there.Count, there.Distinct().Count());
        Assert.InRange(there.Count - acknowledged.Count, 0, 1);
    }

    [Fact]
    public async Task What_was_used_becomes_a_set_of_rules_for_the_next_job()
    {
        var visit = host.Visit();
        var token = async () => Form().Match(await visit.Http.GetStringAsync("/job/demo/money")).Groups[1].Value;
        async Task<(HttpStatusCode Status, string Text)> KeepAsync(string name)
        {
            using var form = new FormUrlEncodedContent([new("__RequestVerificationToken", await token()), new("name", name)]);
            var answer = await visit.Http.PostAsync("/job/demo/site?view=done&handler=Allowances", form);
            return (answer.StatusCode, WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync()));
        }

        var (early, why) = await KeepAsync("");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, early);
        Assert.Contains("Too little is measured", why, StringComparison.Ordinal);
        // Five jumpers used 12 in more than planned: six a box.
        var plan = (await host.Services.GetRequiredService<Workbench>().OpenAsync(new("demo")))!.Plan;
        var jumpers = plan.Takeoff.Pulls.Where(l => l.Kind == Core.Routing.RunKind.Jumper).Take(5).ToList();
        await SendAsync(visit.Http, [.. jumpers.Select(l => Entry(Subject.Run(l.Run).ToString(), used: $"{l.Length.WholeFeetUp + 1}'"))]);
        var (status, text) = await KeepAsync("Our hands");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("Kept as “Our hands”: 1'-2\" behind a box", text, StringComparison.Ordinal);
        Assert.Contains("Our hands", await visit.GetAsync("/new"), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await KeepAsync(new string('n', 41))).Status);
    }

    [Fact] // 13 runs of two ends fill a page; a word that is no order is refused, not taken for one
    public async Task Labels_are_printed_for_what_is_pulled_next()
    {
        var visit = host.Visit();
        Assert.Contains("next-labels.pdf?order=SameWay", await visit.GetAsync("/job/demo/site"), StringComparison.Ordinal);
        var page = await visit.Http.GetAsync("/job/demo/file/next-labels.pdf?order=ByStory");
        Assert.Equal(HttpStatusCode.OK, page.StatusCode);
        Assert.StartsWith("%PDF-", await page.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.BadRequest, (await visit.Http.GetAsync("/job/demo/file/next-labels.pdf?order=sideways")).StatusCode);
    }

    [Fact]
    public async Task The_as_built_book_holds_everything_in_open_formats()
    {
        var visit = host.Visit();
        await SendAsync(visit.Http, Entry());
        await host.Services.GetRequiredService<Offers>().WriteAsync(new("demo"), Formats.Offers.OfferFiles.Write(
            Core.Pricing.Estimates.Of((await host.Services.GetRequiredService<Workbench>().OpenAsync(new("demo")))!.Plan, 1,
                Formats.Csv.PriceListFiles.Shipped, Core.Pricing.Terms.Usual)), "Ida");
        await using var zip = new System.IO.Compression.ZipArchive(new MemoryStream(
            await visit.Http.GetByteArrayAsync("/job/demo/file/as-built.zip")));
        var names = zip.Entries.Select(e => e.FullName).ToList();
        Assert.Contains("plan/schedule.pdf", names);
        Assert.Contains("plan/plan.json", names);
        Assert.Contains("offers/1 Estimate.pdf", names);
        Assert.Contains("offers/1 Estimate.csv", names);
        Assert.Contains("as-built.pdf", names);
        var book = await visit.Http.GetAsync("/job/demo/file/as-built.pdf");
        Assert.Equal("application/pdf", book.Content.Headers.ContentType!.MediaType);
        Assert.StartsWith("%PDF-", await book.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        using var site = new StreamReader(await zip.GetEntry("site/site.csv")!.OpenAsync());
        Assert.Contains(Run, await site.ReadToEndAsync(), StringComparison.Ordinal);
        using var job = new StreamReader(await zip.GetEntry("job.circuitum.json")!.OpenAsync());
        Assert.Equal("14 Fernhollow Rise", Formats.JobFile.JobFiles.Read(await job.ReadToEndAsync()).Name);
    }

    [System.Text.RegularExpressions.GeneratedRegex("name=\"__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"")]
    private static partial System.Text.RegularExpressions.Regex Form();
}
