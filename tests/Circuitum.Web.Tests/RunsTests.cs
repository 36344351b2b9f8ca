using System.Net;
using System.Text.Json;
using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Takeoff;

namespace Circuitum.Web.Tests;

/// <summary>Runs over the wire: ways held, boxes taken, cards and lists read, quick sums asked.</summary>
public sealed class RunsTests : IDisposable
{
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    private Task<Job> NowAsync() => host.NewestAsync();

    private static string Run(Job job) => Planner.Plan(job).CircuitOf(new("k-island"))!.HomeRun!.Id.ToString();

    [Fact]
    public async Task A_way_is_held_moved_taken_out_and_freed()
    {
        var visitor = await host.AtAsync("/job/demo/runs");
        var run = Run(await NowAsync());
        var (status, _, _) = await visitor.PostAsync($"/job/demo/runs?on=run:{run}&handler=Via", ("place", $"+1 {run}"), ("x", "150\""),
            ("y", "200\""));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(150m, (await NowAsync()).Pins.Ways.Single().Via.Single().X.Inches);
        await visitor.PostAsync($"/job/demo/runs?on=run:{run}&handler=Via", ("place", $"1 {run}"), ("x", "12'-0\""), ("y", "200\""));
        Assert.Equal(144m, (await NowAsync()).Pins.Ways.Single().Via.Single().X.Inches);
        var (_, text, _) = await visitor.PostAsync($"/job/demo/runs?on=run:{run}&handler=FreeWay", ("run", run));
        Assert.Empty((await NowAsync()).Pins.Ways);
        Assert.Contains("Free the way of a run", text, StringComparison.Ordinal);
    }

    [Fact] // the shed of Quarrel Bend hangs on cable for the ground from the panel on
    public async Task Cable_for_the_ground_is_joined_at_the_wall()
    {
        var visitor = await host.AtAsync("/job/demo-crawl/runs");
        var plan = Planner.Plan(await host.NewestAsync("demo-crawl"));
        var run = plan.Circuits.SelectMany(c => c.Runs).Single(r => InsideCable.Of(plan, r) is not null);
        var address = $"/job/demo-crawl/runs?on={Uri.EscapeDataString("run:" + run.Id)}";
        Assert.Contains("Set a joint box at the", await visitor.GetAsync(address), StringComparison.Ordinal);
        var (status, text, _) = await visitor.PostAsync(address + "&handler=Join", ("run", run.Id.ToString()));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("joint box", text, StringComparison.Ordinal);
        var after = Planner.Plan(await host.NewestAsync("demo-crawl"));
        Assert.Equal(Core.Rules.Jacket.Nonmetallic, after.Circuits.Single(c => c.Key == run.Circuit).HomeRun!.Jacket);

        // Asked again for what is no more, it says so and nothing moves.
        var (again, said, _) = await visitor.PostAsync(address + "&handler=Join", ("run", run.Id.ToString()));
        Assert.Equal((HttpStatusCode.UnprocessableEntity, true),
            (again, said.Contains("No box is offered on this cable any more", StringComparison.Ordinal)));
    }

    [Fact]
    public async Task A_storey_says_the_way_of_its_cable_and_a_room_its_group()
    {
        var visitor = await host.AtAsync("/job/demo/house");
        var level = (await NowAsync()).Levels.First();
        var fields = new (string, string)[]
        {
            ("fields.level", level.Id.Value), ("fields.name", level.Name), ("fields.ceilingHeight", level.CeilingHeight.ToString()),
            ("fields.kind", level.CeilingJoists.Kind.ToString()), ("fields.run", level.CeilingJoists.Run.ToString()),
            ("fields.spacing", level.CeilingJoists.Spacing.ToString()), ("fields.joistDepth", level.CeilingJoists.Depth.ToString()),
            ("fields.above", "30 °C"), ("fields.way", "Overhead"),
        };
        Assert.Equal(HttpStatusCode.OK, (await visitor.PostAsync("/job/demo/house?handler=Level", fields)).Status);
        Assert.Equal(CableWay.Overhead, (await NowAsync()).Levels.First().Way);

        var room = (await NowAsync()).Rooms.First(r => r.Use == RoomUse.Bedroom);
        await visitor.PostAsync("/job/demo/house?handler=GroupRoom", ("room", room.Id.Value), ("group", " north bedrooms "));
        Assert.Equal("north bedrooms", (await NowAsync()).Rooms.First(r => r.Id == room.Id).Group);
        Assert.Contains("north bedrooms", await visitor.GetAsync($"/job/demo/house?on=room:{room.Id}"), StringComparison.Ordinal);
        await visitor.PostAsync("/job/demo/house?handler=GroupRoom", ("room", room.Id.Value), ("group", ""));
        Assert.Null((await NowAsync()).Rooms.First(r => r.Id == room.Id).Group);
    }

    [Fact]
    public async Task Two_circuits_are_put_in_one_pipe_and_the_pipe_is_set()
    {
        var visitor = await host.AtAsync("/job/demo/runs");
        var (island, other) = (Planner.Plan(await NowAsync()).CircuitOf(new("k-island"))!.Circuit,
            Planner.Plan(await NowAsync()).Circuits.First(c => c.Circuit.Key.Value == "feeder-G").Circuit);
        foreach (var key in new[] { island.Key, other.Key })
        {
            var (status, _, _) = await visitor.PostAsync("/job/demo/runs?handler=PutInPipe", ("circuit", key.Value), ("pipe", "P1"));
            Assert.Equal(HttpStatusCode.OK, status);
        }

        Assert.Equal([island.Key, other.Key], Assert.Single((await NowAsync()).Pipes).Circuits.AsEnumerable());
        await visitor.PostAsync("/job/demo/runs?handler=Pipe", ("pipe", "P1"), ("circuit", island.Key.Value), ("kind", "Pvc80"),
            ("marked75", "true"));
        await visitor.PostAsync("/job/demo/runs?handler=AddStop", ("pipe", "P1"), ("circuit", island.Key.Value), ("along", "6'"),
            ("kind", "PullBox"));
        var pipe = (await NowAsync()).Pipes[0];
        Assert.Equal((ConduitKind.Pvc80, true, 72m), (pipe.Kind, pipe.Marked75, pipe.Stops.Single().Along.Inches));
        await visitor.PostAsync("/job/demo/runs?handler=DropStop", ("pipe", "P1"), ("circuit", island.Key.Value), ("stop", "0"));
        Assert.Empty((await NowAsync()).Pipes[0].Stops);
        var text = await visitor.GetAsync(
            $"/job/demo/runs?on=run:"
            + $"{Uri.EscapeDataString(Planner.Plan(await NowAsync()).CircuitOf(new("k-island"))!.HomeRun!.Id.ToString())}");
        Assert.Contains("Pipe P1", WebUtility.HtmlDecode(text), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_run_from_box_to_box_is_put_in_a_pipe_and_taken_out()
    {
        var visitor = await host.AtAsync("/job/demo/runs");
        var run = Planner.Plan(await NowAsync()).Circuits.SelectMany(c => c.Runs)
            .First(r => r.Kind == Core.Routing.RunKind.Jumper && r.From.Place.Structure == 0).Id;
        var (status, text, _) = await visitor.PostAsync("/job/demo/runs?handler=PutRunInPipe", ("run", run.ToString()), ("pipe", "P1"));
        Assert.True(status == HttpStatusCode.OK, text);
        Assert.Equal([run], Assert.Single((await NowAsync()).Pipes).Runs.AsEnumerable());
        await visitor.PostAsync("/job/demo/runs?handler=Pipe", ("pipe", "P1"), ("circuit", "none"), ("kind", "Emt"), ("atLeast", "3/4"));
        Assert.Equal((ConduitKind.Emt, "3/4"), ((await NowAsync()).Pipes[0].Kind, (await NowAsync()).Pipes[0].AtLeast));
        var card = WebUtility.HtmlDecode(await visitor.GetAsync($"/job/demo/runs?on=run:{Uri.EscapeDataString(run.ToString())}"));
        Assert.Contains("3/4 in EMT", card, StringComparison.Ordinal);
        var (refused, why, _) = await visitor.PostAsync("/job/demo/runs?handler=Pipe", ("pipe", "P1"), ("circuit", "none"),
            ("kind", "Emt"), ("atLeast", "5/8"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused);
        Assert.Contains("“5/8” is none", WebUtility.HtmlDecode(why), StringComparison.Ordinal);
        await visitor.PostAsync("/job/demo/runs?handler=PutRunInPipe", ("run", run.ToString()), ("pipe", ""));
        Assert.Empty((await NowAsync()).Pipes);
    }

    [Fact]
    public async Task Footage_is_told_in_metres_where_the_crew_measures_so()
    {
        var visitor = await host.AtAsync("/job/demo/runs");
        Assert.Contains("ft", await visitor.GetAsync("/job/demo/material"), StringComparison.Ordinal);
        var (status, _, _) = await visitor.PostAsync("/job/demo/runs?handler=Schools", ("measure", "Metres"));
        Assert.Equal(HttpStatusCode.OK, status);
        var metres = Planner.Plan(await NowAsync()).Footage.Cut(Core.Units.Measure.Metres);
        Assert.Contains(metres, await visitor.GetAsync("/job/demo/runs"), StringComparison.Ordinal);
        Assert.Matches(@"12-2</td>\s*<td[^>]*>\d+ m<", await visitor.GetAsync("/job/demo/material"));
    }

    [Fact]
    public async Task The_trench_is_set_and_led_round_a_corner()
    {
        var visitor = await host.AtAsync("/job/demo/runs");
        var trench = (await NowAsync()).Trenches.Single();
        await visitor.PostAsync("/job/demo/runs?handler=Trench", ("trench", trench.Id.Value), ("cover", "20\""), ("dataPipe", "12\""),
            ("underDrive", "true"));
        await visitor.PostAsync("/job/demo/runs?handler=Via", ("place", $"+1 trench:{trench.Id}"), ("x", "40'"), ("y", "60'"));
        var changed = (await NowAsync()).Trenches.Single();
        Assert.Equal((20m, 12m, true, trench.Path.Length + 1),
            (changed.Depth.Inches, changed.DataPipe!.Value.Inches, changed.UnderDrive, changed.Path.Length));
        await visitor.PostAsync("/job/demo/runs?handler=DropVia", ("place", $"1 trench:{trench.Id}"));
        Assert.Equal(trench.Path.Length, (await NowAsync()).Trenches.Single().Path.Length);
    }

    [Theory]
    [InlineData("Pipe", "pipe", "P7", "not in this job any more")]
    [InlineData("AddStop", "along", "far", "is no length")]
    [InlineData("DropStop", "stop", "3", "not in this job any more")]
    [InlineData("Trench", "cover", "4\"", "6 to 48 in of cover")]
    [InlineData("Via", "x", "five", "is no length")]
    [InlineData("Via", "place", "nothing", "No such place")]
    [InlineData("Via", "place", "9 a~b", "not in this job any more")]
    [InlineData("DropVia", "place", "1 a~b", "not in this job any more")]
    [InlineData("Volume", "volume", "big", "is no volume")]
    [InlineData("Volume", "volume", "900", "holds from 4 to 200")]
    public async Task What_cannot_be_is_told_and_nothing_is_saved(string handler, string field, string typed, string says)
    {
        var visitor = await host.AtAsync("/job/demo/runs");
        var fields = new Dictionary<string, string>
        {
            ["place"] = "+1 a~b",
            ["x"] = "10\"",
            ["y"] = "10\"",
            ["box"] = "f-r2",
            ["volume"] = "18",
            ["pipe"] = "feeder-G",
            ["circuit"] = "feeder-G",
            ["kind"] = handler == "Pipe" ? "Emt" : "PullBox",
            ["along"] = "4'",
            ["stop"] = "0",
            ["trench"] = "garden-trench",
            ["cover"] = "20\"",
            [field] = typed
        };
        var (status, text, _) = await visitor.PostAsync($"/job/demo/runs?handler={handler}", [.. fields.Select(f => (f.Key, f.Value))]);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.True(WebUtility.HtmlDecode(text).Contains(says, StringComparison.Ordinal), text);
        Assert.Single(await host.Revisions.OfAsync(new("demo")));
    }

    [Fact]
    public async Task Every_box_of_the_demo_has_its_card()
    {
        var job = await NowAsync();
        using var client = host.CreateClient();
        foreach (var box in job.Boxes)
        {
            var text = await client.GetStringAsync($"/job/demo/box/{box.Id}");
            Assert.Contains("class=\"make-up\"", text, StringComparison.Ordinal);
            Assert.Contains("Make it up", text, StringComparison.Ordinal);
        }
    }

    [Theory]
    [InlineData("/job/demo/box/ghost")]
    [InlineData("/job/ghost/box/k-island")]
    [InlineData("/job/ghost/material")]
    [InlineData("/bench/ghost")]
    [InlineData("/api/bench/ghost")]
    public async Task What_is_not_there_is_not_found(string address)
    {
        using var client = host.CreateClient();
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync(new Uri(address, UriKind.Relative))).StatusCode);
    }

    [Fact]
    public async Task The_material_page_says_how_far_above_the_bound_it_is()
    {
        using var client = host.CreateClient();
        var text = await client.GetStringAsync("/job/demo/material");
        Assert.Matches(@"this plan is \d\.\d % above it", text);
        Assert.Contains("Staples near boxes", text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("cable-labels.pdf", "application/pdf")]
    [InlineData("box-labels.pdf", "application/pdf")]
    [InlineData("cable-labels.txt", "text/plain")]
    [InlineData("material.csv", "text/csv")]
    public async Task Lists_and_labels_are_handed_out(string name, string type)
    {
        using var client = host.CreateClient();
        var answer = await client.GetAsync(new Uri($"/job/demo/file/{name}", UriKind.Relative));
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Equal(type, answer.Content.Headers.ContentType!.MediaType);
    }

    [Theory] // the worked cases, asked as a program asks them
    [InlineData("ampacity?gauge=12&cables=3&carrying=6", "Ampacity", "20 A")] // case 6
    [InlineData("ampacity?gauge=12&cables=5&carrying=10", "Ampacity", "15 A")]
    [InlineData("ampacity?gauge=12&cables=5", "Ampacity", "15 A")] // two a cable where nothing is said
    [InlineData("ampacity?gauge=12&carrying=4&ambient=48", "Ampacity", "19.68 A")] // 12-2-2: 30 × .82 × .8
    [InlineData("ampacity?gauge=14&cables=5&carrying=10&receptacles=no", "Largest breaker", "15 A")] // case 7: 12.5 A, next size up
    [InlineData("ampacity?gauge=14&cables=5&carrying=10", "Largest breaker", "none")]
    [InlineData("ampacity?gauge=12&cables=3&carrying=6&ambient=48", "Ampacity", "19.68 A")] // case 9
    [InlineData("ampacity?wiring=pipe&gauge=6&terminations=75", "Ampacity", "65 A")] // case 11
    [InlineData("ampacity?wiring=pipe&gauge=4/0&metal=aluminium&carrying=3&terminations=75", "Ampacity", "180 A")]
    [InlineData("drop?amps=16&gauge=12&length=80", "Drop", "4.94 V")] // case 15
    [InlineData("drop?amps=12&gauge=14&length=40&then=8 × 12, 4 × 12", "Drop", "3.83 V")] // case 16
    [InlineData("drop?amps=48&volts=240&gauge=6&length=130", "Drop", "6.13 V")] // case 17
    [InlineData("box?cables=12-2, 14-2", "Needed", "15.25 in³")] // case 2
    [InlineData("box?cables=12-2-2, 12-2, 12-2", "Needed", "24.75 in³")] // case 4
    [InlineData("conduit", "Smallest pipe", "3/4 in")] // case 17
    [InlineData("burial?what=protectedBranch&margin=0", "Cover", "1'-0\"")]
    [InlineData("breaker?load=4500", "Required", "23.44 A")] // case 12
    [InlineData("breaker?load=7000&mca=21.4&mocp=35&continuous=no", "Breaker", "35 A, two poles")] // case 14
    [InlineData("breaker?load=7000&mca=21.4&mocp=35&continuous=no", "Copper NM", "10 AWG")]
    [InlineData("range?rating=13.6 kW", "Demand", "8,800 VA")] // case 13
    [InlineData("spacing?wall=12 ft", "Receptacles", "1")] // case 22
    [InlineData("spacing?wall=12 ft 1 in", "Receptacles", "2")]
    [InlineData("spacing?wall=1 ft 11 in", "Receptacles", "0")]
    [InlineData("spacing?wall=2 ft", "Receptacles", "1")]
    public async Task A_quick_sum_answers_with_its_reasons(string asked, string figure, string value)
    {
        using var client = host.CreateClient();
        using var answer = JsonDocument.Parse(await client.GetStringAsync($"/api/bench/{asked}"));
        Assert.Equal(value, answer.RootElement.GetProperty("figures").GetProperty(figure).GetString());
        Assert.NotEqual(0, answer.RootElement.GetProperty("why").GetArrayLength());
        // The page of the same address says the same.
        Assert.Contains(value, WebUtility.HtmlDecode(await client.GetStringAsync($"/bench/{asked}")), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("ampacity?gauge=13", "no conductor size")]
    [InlineData("ampacity?cables=0", "from 1 to 40")]
    [InlineData("ampacity?ambient=200", "−40 to 85")]
    [InlineData("ampacity?wiring=pipe&gauge=14&metal=aluminium", "begins at 12")]
    [InlineData("ampacity?metal=aluminium", "worked out for copper")]
    [InlineData("ampacity?wiring=tin", "from its list")]
    [InlineData("ampacity?guage=12", "“guage” is not asked")]
    [InlineData("ampacity?edition=2014", "no 2014 edition")]
    [InlineData("drop?length=far", "is no length")]
    [InlineData("drop?then=8", "no piece of a chain")]
    [InlineData("drop?gauge=14&metal=aluminium", "begins at 12")]
    [InlineData("box?cables=12", "no cable")]
    [InlineData("box?devices=7", "from 0 to 6")]
    [InlineData("conduit?conductors=many", "are no conductors")]
    [InlineData("conduit?bends=200", "from 1 to 180")]
    [InlineData("conduit?pipe=lead", "not on the list")]
    [InlineData("burial?drive=maybe", "neither yes nor no")]
    [InlineData("breaker?load=60 kW", "1 VA to 50 kW")]
    [InlineData("range?rating=30 kW", "1.75 to 27")]
    [InlineData("spacing?reach=3 in", "at least a foot")]
    public async Task A_quick_sum_that_cannot_be_read_says_what_and_how(string asked, string says)
    {
        using var client = host.CreateClient();
        var answer = await client.GetAsync(new Uri($"/api/bench/{asked}", UriKind.Relative));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        using var json = JsonDocument.Parse(await answer.Content.ReadAsStringAsync());
        Assert.Contains(says, json.RootElement.GetProperty("error").GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_OpenAPI_document_names_every_sum_and_every_question()
    {
        using var client = host.CreateClient();
        using var document = JsonDocument.Parse(await client.GetStringAsync("/api/bench/openapi.json"));
        Assert.StartsWith("3.1", document.RootElement.GetProperty("openapi").GetString(), StringComparison.Ordinal);
        Assert.Equal(QuickSums.AllSums.List.Select(s => $"/api/bench/{s.Name}"), document.RootElement.GetProperty("paths")
            .EnumerateObject().Select(p => p.Name));
        foreach (var sum in QuickSums.AllSums.List)
        {
            var asked = document.RootElement.GetProperty("paths").GetProperty($"/api/bench/{sum.Name}").GetProperty("get")
                .GetProperty("parameters");
            Assert.Equal(sum.Fields.Select(f => f.Name), asked.EnumerateArray().Select(p => p.GetProperty("name").GetString()));
            // And every usual answer works as it stands.
            Assert.Equal(HttpStatusCode.OK, (await client.GetAsync(new Uri($"/api/bench/{sum.Name}", UriKind.Relative))).StatusCode);
        }
    }

    [Fact]
    public async Task A_bad_sum_on_its_page_keeps_what_was_typed()
    {
        using var client = host.CreateClient();
        var answer = await client.GetAsync(new Uri("/bench/drop?amps=16&length=far", UriKind.Relative));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        var text = WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync());
        Assert.Contains("“far” is no length", text, StringComparison.Ordinal);
        Assert.Contains("value=\"far\"", text, StringComparison.Ordinal);
    }
}
