using System.Net;
using System.Text.RegularExpressions;
using Circuitum.Core.Boards;

namespace Circuitum.Web.Tests;

/// <summary>The metric board over the wire.</summary>
public sealed partial class MetricBoardTests : IDisposable
{
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    [Fact]
    public async Task A_list_is_planned_and_can_be_taken_away_in_every_form()
    {
        var visitor = await host.AtAsync("/metric-board");
        const string list = "board: hall\nhall, 8 m: 9 twin sockets";
        var (status, page, _) = await visitor.PostAsync("/metric-board", inPlace: false, ("text", list));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("ring of 8 sockets", page, StringComparison.Ordinal);
        Assert.Contains("<b>1 socket</b>", page, StringComparison.Ordinal);
        foreach (var (handler, begins) in new[] { ("Print", "%PDF-"), ("Schedule", "board,section"), ("Points", "point,room"),
            ("Material", "group,item"), ("Keep", "# Board") })
        {
            var (sent, file, _) = await visitor.PostAsync($"/metric-board?handler={handler}", inPlace: false, ("text", list));
            Assert.Equal(HttpStatusCode.OK, sent);
            Assert.StartsWith(begins, file, StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task What_cannot_be_read_is_told_and_stays_in_the_field()
    {
        var visitor = await host.AtAsync("/metric-board");
        foreach (var handler in new[] { "", "?handler=Print", "?handler=Keep" })
        {
            var (status, page, _) = await visitor.PostAsync($"/metric-board{handler}", inPlace: false, ("text", "hall, 8 m: fountain"));
            Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
            Assert.Contains("Line 1: “fountain” is not known", WebUtility.HtmlDecode(page), StringComparison.Ordinal);
            Assert.Contains("hall, 8 m: fountain</textarea>", page, StringComparison.Ordinal);
        }

        // While it is typed the answer stands beside the field, and nothing is refused.
        var (typed, part, _) = await visitor.PostAsync("/metric-board?handler=Show", inPlace: false, ("text", "hall, 8 m: foun"));
        Assert.Equal(HttpStatusCode.OK, typed);
        Assert.Contains("role=\"alert\"", part, StringComparison.Ordinal);
        Assert.DoesNotContain("<html", part, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await visitor.PostAsync("/metric-board", inPlace: false)).Status);
        Assert.Equal(HttpStatusCode.UnprocessableEntity,
            (await visitor.PostAsync("/metric-board?handler=Bring", inPlace: false)).Status);
    }

    [Fact]
    public async Task The_points_of_a_drawn_house_are_read_off_it()
    {
        var visitor = host.Visit();
        var text = WebUtility.HtmlDecode(Field().Match(await visitor.GetAsync("/metric-board?job=demo")).Groups["text"].Value);
        var brief = BoardText.Read(text);
        Assert.Equal("14 Fernhollow Rise", brief.Name);
        var job = await host.NewestAsync();
        // Every receptacle without a plate is a socket of the list, and so is what is plugged in.
        var plain = job.Boxes.Sum(b => b.Devices.Count(d => d.Plate is null
            && Core.Jobs.DeviceKinds.IsGeneralReceptacle(d.Kind)));
        Assert.True(brief.Rooms.Sum(r => r.Points.Count(p => p.Kind is PointKind.TwinSocket or PointKind.Socket)) >= plain);
        Assert.Contains(brief.Rooms, r => r.Outdoors);
        Assert.Contains("cooker 12000 W", text, StringComparison.Ordinal);
        Assert.DoesNotContain("Line ", BoardText.Write(brief), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Every_demo_is_read_and_planned()
    {
        var visitor = host.Visit();
        foreach (var key in new[] { "demo", "demo-crawl", "demo-basement" })
        {
            Assert.Contains("Section A: residual-current device", await visitor.GetAsync($"/metric-board?job={key}"),
                StringComparison.Ordinal);
        }

        Assert.Equal(HttpStatusCode.NotFound, (await host.CreateClient().GetAsync(new Uri("/metric-board?job=none", UriKind.Relative)))
            .StatusCode);
    }

    [Fact]
    public async Task A_device_that_opens_is_searched_by_halves_and_a_ring_by_its_ends()
    {
        var visitor = await host.AtAsync("/metric-board");
        var list = ("text", string.Join('\n', Enumerable.Range(1, 4).Select(i => $"room {i}, {i} m: 8 twin sockets")));
        var (_, asked, _) = await visitor.PostAsync("/metric-board", inPlace: false, list, ("find", "Board A/A/"));
        Assert.Contains("put on 1 only", asked, StringComparison.Ordinal);
        var (_, held, _) = await visitor.PostAsync("/metric-board", inPlace: false, list, ("find", "Board A/A/h"));
        Assert.Contains("Way 2: ring of 8 sockets, room 2", held, StringComparison.Ordinal);
        var (_, cut, _) = await visitor.PostAsync("/metric-board", inPlace: false, list, ("ends Board A 1", "0.2, open, 0.2"));
        Assert.Contains("the neutral is cut", cut, StringComparison.Ordinal);
        var (odd, told, _) = await visitor.PostAsync("/metric-board", inPlace: false, list, ("ends Board A 1", "much"),
            ("find", "Board A/A/xyz"));
        Assert.Equal(HttpStatusCode.OK, odd);
        Assert.Contains("is no reading of a ring", told, StringComparison.Ordinal);
    }

    [Fact] // the method has no word of the books that the jobs are planned by
    public async Task The_page_says_nothing_in_the_words_of_the_United_States()
    {
        var page = Scripts().Replace(await host.Visit().GetAsync("/metric-board"), "");
        var said = WebUtility.HtmlDecode(Tags().Replace(page, " "));
        foreach (var theirs in new[] { "AWG", "receptacle", "GFCI", "AFCI", "kcmil", " ft", "NEC", "ground " })
        {
            Assert.DoesNotContain(theirs, said, StringComparison.Ordinal);
        }

        foreach (var handler in new[] { "Schedule", "Points", "Material" })
        {
            var visitor = await host.AtAsync("/metric-board");
            var (_, file, _) = await visitor.PostAsync($"/metric-board?handler={handler}", inPlace: false, ("text", Villa.Text));
            Assert.DoesNotMatch("AWG|receptacle|GFCI|AFCI|_ft|120 V", file);
        }
    }

    private const string Hall = "# Lodge\nhall, 8 m: 6 LEDs 12 W, 8 twin sockets";

    private static async Task<(Visitor Visitor, string Address)> KeptAsync(BenchHost host, string list = Hall)
    {
        var visitor = await host.AtAsync("/metric-board");
        var (status, _, response) = await visitor.PostAsync("/metric-board?handler=Save", inPlace: false, ("text", list),
            ("after", "0"));
        Assert.Equal(HttpStatusCode.Redirect, status);
        var address = response.Headers.Location!.OriginalString;
        await visitor.GetAsync(address);
        return (visitor, address);
    }

    [Fact]
    public async Task A_list_is_saved_here_and_found_on_the_list_of_jobs()
    {
        var (visitor, address) = await KeptAsync(host);
        Assert.Contains("hall, 8 m: 6 LEDs 12 W, 8 twin sockets</textarea>", await visitor.GetAsync(address), StringComparison.Ordinal);
        Assert.Contains($"<a href=\"{address}\"><b>Lodge</b>", await visitor.GetAsync("/"), StringComparison.Ordinal);
        await visitor.GetAsync(address);
        // What stands as it was saved is not saved again; what cannot be read is not either.
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.PostAsync($"{address}?handler=Save", inPlace: false, ("text", Hall),
            ("after", "1"))).Status);
        Assert.Contains("saved once", await visitor.GetAsync(address), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await visitor.PostAsync($"{address}?handler=Save", inPlace: false,
            ("text", "hall, 8 m: fountain"), ("after", "1"))).Status);
        Assert.Contains("saved once", await visitor.GetAsync(address), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Of_two_who_save_from_one_list_the_second_is_told_and_loses_nothing()
    {
        var (visitor, address) = await KeptAsync(host);
        const string theirs = "# Lodge\nhall, 8 m: 4 twin sockets", mine = "# Lodge\nhall, 8 m: 3 twin sockets";
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.PostAsync($"{address}?handler=Save", inPlace: false, ("text", theirs),
            ("after", "1"))).Status);
        var (status, told, _) = await visitor.PostAsync($"{address}?handler=Save", inPlace: false, ("text", mine), ("after", "1"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("kept another list here meanwhile", told, StringComparison.Ordinal);
        Assert.Contains("3 twin sockets</textarea>", told, StringComparison.Ordinal);
        Assert.Contains("name=\"after\" value=\"2\"", told, StringComparison.Ordinal);
        Assert.Contains("4 twin sockets</textarea>", await visitor.GetAsync(address), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.PostAsync($"{address}?handler=Save", inPlace: false, ("text", mine),
            ("after", "2"))).Status);
        Assert.Contains("saved 3 times", await visitor.GetAsync(address), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_is_done_on_site_is_written_down_read_and_taken_back()
    {
        var (visitor, address) = await KeptAsync(host);
        var site = $"{address}/site";
        Assert.Contains("0 of 13 steps done", await visitor.GetAsync(site), StringComparison.Ordinal);
        (string, string) ring = ("subject", "Ring hall 7"), device = ("subject", "Device Board A B");
        async Task<string> SentAsync(HttpStatusCode expected, string handler, params (string, string)[] fields)
        {
            var (status, text, _) = await visitor.PostAsync(site + handler, inPlace: false, fields);
            Assert.Equal(expected, status);
            return WebUtility.HtmlDecode(text);
        }

        await SentAsync(HttpStatusCode.Redirect, "", ring, ("step", "Conduit"));
        await SentAsync(HttpStatusCode.Redirect, "", ring, ("step", "Ends"), ("reading", "0.2, open, 0.2"));
        await SentAsync(HttpStatusCode.Redirect, "", device, ("step", "Trips"), ("reading", "24"));
        Assert.Contains("needs its reading", await SentAsync(HttpStatusCode.UnprocessableEntity, "", ring, ("step", "Insulation")),
            StringComparison.Ordinal);
        Assert.Contains("write it like 200", await SentAsync(HttpStatusCode.UnprocessableEntity, "", ring, ("step", "Insulation"),
            ("reading", "good")), StringComparison.Ordinal);
        Assert.Contains("has no such step", await SentAsync(HttpStatusCode.UnprocessableEntity, "", ring, ("step", "Trips"),
            ("reading", "24")), StringComparison.Ordinal);
        var page = WebUtility.HtmlDecode(await visitor.GetAsync(site));
        Assert.Contains("3 of 13 steps done", page, StringComparison.Ordinal);
        Assert.Contains("the neutral is cut", page, StringComparison.Ordinal);
        await SentAsync(HttpStatusCode.Redirect, "?handler=Back", ("entry", Entry().Match(page).Groups["id"].Value));
        Assert.Contains("2 of 13 steps done", await visitor.GetAsync(site), StringComparison.Ordinal);
        // Another list: what was done and is in it no more is told.
        await visitor.GetAsync(address);
        await visitor.PostAsync($"{address}?handler=Save", inPlace: false, ("text", "# Lodge\nhall, 8 m: 6 LEDs 12 W"), ("after", "1"));
        Assert.Contains("Done, and in no plan now", await visitor.GetAsync(site), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_board_is_deleted_with_its_site_by_typing_its_name()
    {
        var (visitor, address) = await KeptAsync(host);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await visitor.PostAsync($"{address}?handler=Delete", inPlace: false,
            ("typed", "Lodg"))).Status);
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.PostAsync($"{address}?handler=Delete", inPlace: false,
            ("typed", "Lodge"))).Status);
        await visitor.GetAsync(address, HttpStatusCode.NotFound);
        await visitor.GetAsync($"{address}/site", HttpStatusCode.NotFound);
        Assert.DoesNotContain("<b>Lodge</b>", await visitor.GetAsync("/"), StringComparison.Ordinal);
    }

    [GeneratedRegex("name=\"entry\"\\s+value=\"(?<id>[0-9a-f-]+)\"")]
    private static partial Regex Entry();

    [GeneratedRegex("<textarea[^>]*>(?<text>[^<]*)</textarea>")]
    private static partial Regex Field();

    [GeneratedRegex("<svg class=\"sprite\".*?</svg>|<script.*?</script>", RegexOptions.Singleline)]
    private static partial Regex Scripts();

    [GeneratedRegex("<[^>]+>")]
    private static partial Regex Tags();
}
