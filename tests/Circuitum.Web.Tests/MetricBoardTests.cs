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

    [GeneratedRegex("<textarea[^>]*>(?<text>[^<]*)</textarea>")]
    private static partial Regex Field();

    [GeneratedRegex("<svg class=\"sprite\".*?</svg>|<script.*?</script>", RegexOptions.Singleline)]
    private static partial Regex Scripts();

    [GeneratedRegex("<[^>]+>")]
    private static partial Regex Tags();
}
