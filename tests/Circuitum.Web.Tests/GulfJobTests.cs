using System.Net;
using System.Text.RegularExpressions;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Formats.JobFile;

namespace Circuitum.Web.Tests;

/// <summary>A job of the Gulf metric method over the wire: its own stages, its own words, meters, and no page of cable.</summary>
public sealed partial class GulfJobTests(BenchHost host) : IClassFixture<BenchHost>
{
    // What looks like a section of another family: "100" is a number as well.
    private static readonly string[] Sections = [.. Editions.WithPanels
        .SelectMany(e => Enum.GetValues<RuleId>().Where(CodeBook.For(e).Has).Select(r => CodeBook.For(e).Cite(r).Text))
        .SelectMany(t => t.Split(", ")).Where(t => Section().IsMatch(t)).Distinct()];

    [Fact] // every stage, every room, every wall, each box; its boards, their site, and its files
    public async Task It_says_nothing_of_another_family()
    {
        Assert.True(Sections.Length > 200, $"{Sections.Length}");
        await host.Visit().GetAsync("/job/demo-villa/house");
        var plan = Planner.Plan(await host.NewestAsync("demo-villa"));
        var on = plan.House.Rooms.SelectMany(r => r.Sides.Select(s => Subject.Wall(r.Room.Id, s.Number)).Append(Subject.Room(r.Room.Id))
                .Concat(r.Sides.SelectMany(s => s.Openings).Select(o => Subject.Opening(o.Opening.Id)))
                .Concat(r.Room.Fixtures.Select((_, i) => Subject.Fixture(r.Room.Id, i + 1))))
            .Concat(plan.Job.Boxes.Select(b => Subject.Box(b.Id))).Concat(plan.Job.Panels.Select(p => Subject.Panel(p.Id)))
            .Concat(plan.House.Levels.Select(l => Subject.Level(l.Level.Id)))
            .Concat(plan.House.Structures.Select(s => Subject.Structure(s.Structure.Id)));
        var found = new List<string>();
        var read = 0;
        foreach (var address in on.SelectMany((s, i) => new[] { i % 2 == 0 ? "house" : "boxes" }.Select(stage =>
            $"{stage}?on={Uri.EscapeDataString(s.ToString())}")).Concat(["house", "boxes", "metric", "metric/site", "metric/photographs",
            "history", "rules",
            "metric?handler=Schedule", "metric?handler=Points", "metric?handler=Material", "metric?handler=Drawing",
            "file/job.circuitum.json", "file/house.txt"]))
        {
            var text = await host.Visit().GetAsync($"/job/demo-villa/{address}");
            var said = WebUtility.HtmlDecode(Tags().Replace(Told().Replace(Hidden().Replace(text, ""), "> $1 <i "), " "));
            // Words of a file's own grammar are the same in every job.
            var theirs = address.StartsWith("file/", StringComparison.Ordinal) ? Imperial() : Theirs();
            found.AddRange(theirs.Matches(said).Select(m => $"{address}: {Around(said, m.Index)}"));
            found.AddRange(Sections.Where(s => said.Contains(s, StringComparison.Ordinal)).Select(s => $"{address}: {s}"));
            read++;
        }

        Assert.True(read > 200, $"{read}");
        Assert.True(found.Count == 0, $"{found.Count}\n{string.Join('\n', found.Distinct().Take(100))}");
    }

    [Theory] // what has no meaning there leads to the boards, or is refused with where to go
    [InlineData("circuits", "/job/demo-villa/metric")]
    [InlineData("runs", "/job/demo-villa/metric")]
    [InlineData("panel", "/job/demo-villa/metric")]
    [InlineData("prove", "/job/demo-villa/metric")]
    [InlineData("load", "/job/demo-villa/metric")]
    [InlineData("divisions", "/job/demo-villa/metric")]
    [InlineData("material", "/job/demo-villa/metric")]
    [InlineData("money", "/job/demo-villa/metric")]
    [InlineData("editions", "/job/demo-villa/metric")]
    [InlineData("places/A", "/job/demo-villa/metric")]
    [InlineData("prints/A", "/job/demo-villa/metric")]
    [InlineData("site", "/job/demo-villa/metric/site")]
    public async Task Pages_of_cable_lead_to_the_boards(string page, string leads)
    {
        var answer = await host.Visit().Http.GetAsync(new Uri($"/job/demo-villa/{page}", UriKind.Relative));
        Assert.Equal((HttpStatusCode.Redirect, leads), (answer.StatusCode, answer.Headers.Location?.OriginalString));
    }

    [Theory]
    [InlineData("file/schedule.csv")]
    [InlineData("file/plan.json")]
    [InlineData("file/pull-list.csv")]
    [InlineData("file/ground.svg")]
    public async Task Lists_of_cable_are_not_there(string file) => Assert.Contains("its points go to boards, at /job/demo-villa/metric",
        await host.Visit().GetAsync($"/job/demo-villa/{file}", HttpStatusCode.NotFound), StringComparison.Ordinal);

    [Fact] // nothing of the job changes by an act of a stage that is not there
    public async Task An_act_on_cable_is_refused()
    {
        var page = await host.AtAsync("/job/demo-villa/boxes");
        var before = (await host.NewestAsync("demo-villa")).Boxes.Length;
        var (status, text, _) = await page.PostAsync("/job/demo-villa/circuits?handler=Add", ("room", "kitchen"));
        Assert.Equal(HttpStatusCode.NotFound, status);
        Assert.Contains("planned by the Gulf metric method", text, StringComparison.Ordinal);
        Assert.Equal(before, (await host.NewestAsync("demo-villa")).Boxes.Length);
    }

    [Fact] // a stranger's way: a new job by the method, a room in meters, a socket by hand, boxes by rule, boards
    public async Task A_job_is_started_drawn_laid_out_and_fed()
    {
        var start = await host.AtAsync("/new");
        var (_, _, started) = await start.PostAsync("/new", inPlace: false, ("from", "0"), ("name", "Garden house"),
            ("edition", "gulf-metric-2022"), ("storeys", "1"), ("foundation", "Slab"), ("ceiling", "3"), ("floorRun", "EastWest"),
            ("floorSpacing", "0.4"), ("roofRun", "EastWest"), ("roofSpacing", "0.6"), ("attic", "50"), ("service", "100"),
            ("spaces", "24"), ("first", "Store"), ("use", "Utility"), ("width", "2.5"), ("depth", "2"), ("panelWall", "1"), ("lines", ""));
        Assert.Equal(HttpStatusCode.Redirect, started.StatusCode);
        var key = started.Headers.Location!.OriginalString.Split('/')[2];
        var page = await host.AtAsync($"/job/{key}/house");
        Assert.Equal(Length.FromMetres(3), (await host.NewestAsync(key)).Structures[0].Levels[0].CeilingHeight);
        var (status, text, _) = await page.PostAsync($"/job/{key}/house?handler=Say", ("lines", "living 5 x 4 east of store"));
        Assert.True(status == HttpStatusCode.OK, text);
        (status, text, _) = await page.PostAsync($"/job/{key}/boxes?handler=LayOut");
        Assert.True(status == HttpStatusCode.OK, text);
        var room = (await host.NewestAsync(key)).Rooms.Last();
        (status, text, _) = await page.PostAsync($"/job/{key}/boxes?handler=Add", ("room", room.Id.Value), ("wall", "1"), ("offset", "0.9"),
            ("kind", "Duplex"), ("outside", "false"));
        Assert.True(status == HttpStatusCode.OK, text);
        var plan = Planner.Plan(await host.NewestAsync(key));
        var living = plan.House.Room(room.Id);
        Assert.Equal((Length.FromMetres(5), Length.FromMetres(4)), (living.ClearWidth, living.ClearDepth));
        Assert.Contains(plan.Job.Boxes, b => b.Room == room.Id && b.Offset == Length.FromMetres(.9m));
        var boards = await host.Visit().GetAsync($"/job/{key}/metric");
        Assert.Contains("m of conduit", boards, StringComparison.Ordinal);
        Assert.Contains("ring of", boards, StringComparison.Ordinal);
    }

    [Fact] // there and back: the demo of another family comes under the method, and returns
    public async Task A_house_in_cable_comes_under_the_method_and_back()
    {
        await host.Visit().GetAsync("/job/demo/house");
        var job = await host.NewestAsync("demo");
        var key = (await host.Revisions.StartAsync("somebody", "Start", job.Name, JobFiles.Write(job))).ToString();
        var page = await host.AtAsync($"/job/{key}/house");
        var (status, text, _) = await page.PostAsync($"/job/{key}/house?handler=Edition", ("edition", "gulf-metric-2022"));
        Assert.True(status == HttpStatusCode.OK, text);
        Assert.Contains(">Boards<", text, StringComparison.Ordinal);
        Assert.DoesNotContain(">Circuits<", text, StringComparison.Ordinal);
        Assert.Contains("m of conduit", await host.Visit().GetAsync($"/job/{key}/metric"), StringComparison.Ordinal);
        (status, text, _) = await page.PostAsync($"/job/{key}/house?handler=Edition", ("edition", "2023"));
        Assert.True(status == HttpStatusCode.OK, text);
        Assert.Contains(">Circuits<", await host.Visit().GetAsync($"/job/{key}/house"), StringComparison.Ordinal);
        Assert.NotEmpty(Planner.Plan(await host.NewestAsync(key)).Circuits);
    }

    [Fact] // a board in another room, a cooker on three phases, a number of the authority's: each by what a person sends
    public async Task Another_board_a_plate_of_three_phases_and_a_local_number_are_planned()
    {
        await host.Visit().GetAsync("/job/demo-villa/house");
        var villa = await host.NewestAsync("demo-villa");
        var key = (await host.Revisions.StartAsync("somebody", "Start", villa.Name, JobFiles.Write(villa))).ToString();
        var page = await host.AtAsync($"/job/{key}/boxes");
        var (status, text, _) = await page.PostAsync($"/job/{key}/boxes?handler=WholePlate", ("box", "kitchen-r-2"), ("place", "0"),
            ("fields.appliance", "Range"), ("fields.name", "Cooker"), ("fields.volts", "400"), ("fields.load", "15 A"));
        Assert.True(status == HttpStatusCode.OK, text);
        Assert.Contains("400 V on three phases", await host.Visit().GetAsync($"/job/{key}/boxes?on=box%3Akitchen-r-2"),
            StringComparison.Ordinal);
        // 15 A of each of three phases: √3 × 400 × 15 = 10 392 VA.
        Assert.Equal(10_392, decimal.Round((await host.NewestAsync(key)).Boxes.Single(b => b.Id.Value == "kitchen-r-2").Devices[0].Plate!
            .Load.Value));
        (status, text, _) = await page.PostAsync($"/job/{key}/house?handler=Panel", ("fields.id", "B"), ("fields.wall", "main-bedroom.1"),
            ("fields.offset", "3"), ("fields.rating", "125 A"), ("fields.spaces", "42"), ("fields.fedFrom", "A"));
        Assert.True(status == HttpStatusCode.OK, text);
        Assert.Contains("Hang board B in Main bedroom", text, StringComparison.Ordinal);
        var fed = "supply: three phases\nsockets on a ring: 6, by the port authority";
        (status, text, _) = await page.PostAsync($"/job/{key}/metric?handler=Feed", ("fed", fed));
        Assert.True(status == HttpStatusCode.OK, text);
        Assert.Contains("sockets on a ring: 6, by the port authority", text, StringComparison.Ordinal);
        Assert.Contains("in Main bedroom, everything", text, StringComparison.Ordinal);
        Assert.Contains("to a board", text, StringComparison.Ordinal);
        Assert.DoesNotContain("ring of 7 sockets", text, StringComparison.Ordinal);
        Assert.Contains("a ring of at most 6 sockets", text, StringComparison.Ordinal);
        var schedule = await host.Visit().GetAsync($"/job/{key}/metric?handler=Schedule");
        Assert.Contains("L1 L2 L3", schedule.Split('\n').Single(l => l.Contains("cooker", StringComparison.Ordinal)),
            StringComparison.Ordinal);
        // The strip asks for the boards' tags once they are found, and says them with every page from then on.
        Assert.Contains("red tag", await host.Visit().GetAsync($"/job/{key}/metric?handler=Counts"), StringComparison.Ordinal);
        var strip = await host.Visit().GetAsync($"/job/{key}/house");
        Assert.DoesNotContain("handler=Counts", strip, StringComparison.Ordinal);
        (status, text, _) = await page.PostAsync($"/job/{key}/house?handler=DeletePanel", ("panel", "B"));
        Assert.True(status == HttpStatusCode.OK, text);
        Assert.Contains("handler=Counts", text, StringComparison.Ordinal);
    }

    [Fact] // where boxes are set is the crew's: in meters, in its words; what is of cable is neither shown nor lost
    public async Task The_crews_numbers_are_those_of_places()
    {
        await host.Visit().GetAsync("/job/demo-villa/house");
        var villa = await host.NewestAsync("demo-villa");
        villa = villa with { HouseRules = villa.HouseRules with { CablesPerHole = 5 } };
        var key = (await host.Revisions.StartAsync("somebody", "Start", villa.Name, JobFiles.Write(villa))).ToString();
        var page = await host.AtAsync($"/job/{key}/rules");
        var shown = await host.Visit().GetAsync($"/job/{key}/rules");
        Assert.Contains("Sockets, bottom at", shown, StringComparison.Ordinal);
        Assert.DoesNotContain("cablesPerHole", shown, StringComparison.Ordinal);
        Assert.DoesNotContain("Aims of a division", shown, StringComparison.Ordinal);
        var (status, text, _) = await page.PostAsync($"/job/{key}/rules?handler=Rules", ("from", "1"),
            ("fields.receptacleReach", "1.8"),
            ("fields.counterReach", "0.6"), ("fields.receptacleHeight", "0.3"), ("fields.switchHeight", "1.2"),
            ("fields.counterHeight", "1.1"), ("fields.switchFromJamb", "150"), ("fields.canSpacing", "1.5"));
        Assert.True(status == HttpStatusCode.OK, text);
        var rules = (await host.NewestAsync(key)).HouseRules;
        Assert.Equal((Length.FromMetres(.3m), Length.FromMetres(1.2m), 5), (rules.ReceptacleHeight, rules.SwitchHeight,
            rules.CablesPerHole));
        (status, text, _) = await page.PostAsync($"/job/{key}/rules?handler=Rules", ("from", "2"), ("fields.receptacleReach", "9"),
            ("fields.counterReach", "0.6"), ("fields.receptacleHeight", "0.3"), ("fields.switchHeight", "1.2"),
            ("fields.counterHeight", "1.1"), ("fields.switchFromJamb", "150"), ("fields.canSpacing", "1.5"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("must lie from 610 mm to 1.829 m", text, StringComparison.Ordinal);
    }

    private static string Around(string text, int at) =>
        text[Math.Max(0, at - 50)..Math.Min(text.Length, at + 50)].ReplaceLineEndings(" ");

    [GeneratedRegex("""in³|ft²|\b\d+ ft\b|\d'-\d|\d\\?" |\b(?:120|240)\b|Canadian""")]
    private static partial Regex Imperial();

    // An insulated panel is a wall.
    [GeneratedRegex("""receptacle|\b[AG]FCI\b|\bAWG\b|in³|ft²|\b\d+ ft\b|\d'-\d|\d" |\b(?:120|240) V\b|Canadian|\bNM\b"""
        + """|\bMCA\b|\bpanel [A-Z]\b|a panel(?!,)|small-appliance|three-way|four-way|\bcans\b""", RegexOptions.IgnoreCase)]
    private static partial Regex Theirs();

    [GeneratedRegex(@"^(?:Table )?\d{3}\.\d|^Chapter 9|^R\d{3}|^\d{1,2}-\d{3}")]
    private static partial Regex Section();

    [GeneratedRegex("""(?s)<(script|style)\b.*?</\1>|(?s)<select name="edition".*?</select>|<a class="skip"[^>]*>[^<]*</a>"""
        + """|(?<=<option(?: [^>]*)?\s)value="[^"]*["]""")]
    private static partial Regex Hidden();

    [GeneratedRegex("""\b(?:title|aria-label|placeholder|alt|value)="([^"]*)"(?=[\s>/])""")]
    private static partial Regex Told();

    [GeneratedRegex(@"(?s)<[^>]*>")]
    private static partial Regex Tags();
}
