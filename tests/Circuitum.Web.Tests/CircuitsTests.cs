using System.Net;
using Circuitum.Core.Jobs;
using Circuitum.Formats.JobFile;

namespace Circuitum.Web.Tests;

/// <summary>Circuits by hand, divisions found and kept, editions read, rulings printed: over the wire.</summary>
public sealed class CircuitsTests : IDisposable
{
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    private async Task<int> RevisionsAsync() => (await host.Revisions.OfAsync(new("demo"))).Count;

    [Fact]
    public async Task A_move_is_weighed_without_being_done()
    {
        var visitor = await host.AtAsync("/job/demo/circuits");
        var effect = await visitor.GetAsync("/job/demo/circuits?handler=Weigh&box=f-r2&circuit=grandmother-receptacles");
        Assert.Contains("13.5 A → 12 A of 20 A", effect, StringComparison.Ordinal);
        Assert.Contains("Rooms one breaker leaves dark", effect, StringComparison.Ordinal);
        Assert.Equal(1, await RevisionsAsync());
    }

    [Theory]
    [InlineData("box=f-r2&circuit=feeder-G", "A feeder supplies a panel")]
    [InlineData("box=f-r2&circuit=potting-receptacles", "is in another building")]
    [InlineData("box=f-r2&circuit=l-dryer", "works at 120 V and that circuit is of 240 V")]
    [InlineData("box=ghost&circuit=laundry", "ghost")]
    [InlineData("box=f-r2&circuit=ghost", "not in the plan any more")]
    [InlineData("does=split", "Pick the boxes")]
    [InlineData("does=merge&circuit=laundry&into=laundry", "with itself")]
    [InlineData("", "“”")]
    public async Task What_cannot_be_is_answered_with_its_reason(string asked, string says)
    {
        var visitor = await host.AtAsync("/job/demo/circuits");
        Assert.Contains(says, await visitor.GetAsync($"/job/demo/circuits?handler=Weigh&{asked}"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_move_that_breaks_a_rule_is_saved_only_when_asked_for_again()
    {
        var visitor = await host.AtAsync("/job/demo/circuits?on=box:f-r2");
        var (status, text, _) = await visitor.PostAsync("/job/demo/circuits?on=box:f-r2&handler=ToCircuit", ("box", "f-r2"),
            ("circuit", "kitchen-appliances-1"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("Not done:", text, StringComparison.Ordinal);
        Assert.Contains("210.52(B)(2)", text, StringComparison.Ordinal);
        Assert.Contains("""name="anyway" value="true""", text, StringComparison.Ordinal);
        Assert.Equal(1, await RevisionsAsync());
        (status, _, _) = await visitor.PostAsync("/job/demo/circuits?on=box:f-r2&handler=ToCircuit", ("box", "f-r2"),
            ("circuit", "kitchen-appliances-1"), ("anyway", "true"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains((await host.NewestAsync()).Pins.Boxes, p => p.Box.Value == "f-r2" && p.Circuit.Value == "kitchen-appliances-1");
    }

    [Theory]
    [InlineData("ToCircuit", "box", "", "circuit", "")]
    [InlineData("Split", "boxes", "", "x", "")]
    [InlineData("Split", "boxes", "f-r1 ghost", "x", "")]
    [InlineData("Merge", "circuit", "ghost", "into", "laundry")]
    [InlineData("Individual", "box", "ghost", "individual", "true")]
    [InlineData("PinPanel", "circuit", "laundry", "panel", "Z")]
    [InlineData("PinPanel", "circuit", "laundry", "panel", "G")]
    [InlineData("PinPanel", "circuit", "ghost", "panel", "A")]
    [InlineData("CircuitSchools", "circuit", "laundry", "gfci", "everywhere")]
    [InlineData("RoomSchools", "room", "ghost", "baths", "Whole")]
    [InlineData("Schools", "gfci", "7", "afci", "Breaker")]
    public async Task Bad_input_gets_one_sentence_and_changes_nothing(string handler, string first, string one, string second, string two)
    {
        var visitor = await host.AtAsync("/job/demo/circuits");
        var (status, text, _) = await visitor.PostAsync($"/job/demo/circuits?handler={handler}", (first, one), (second, two));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("said refused", text, StringComparison.Ordinal);
        Assert.Equal(1, await RevisionsAsync());
    }

    [Fact]
    public async Task Schools_that_are_not_sent_stay_as_they_are()
    {
        var visitor = await host.AtAsync("/job/demo/house");
        await visitor.PostAsync("/job/demo/house?handler=Schools", ("gfci", "LeastCost"));
        await visitor.PostAsync("/job/demo/house?handler=Schools", ("refrigerator", "Alone"));
        var schools = (await host.NewestAsync()).Schools;
        Assert.Equal((GfciWay.LeastCost, RefrigeratorCircuit.Alone, LightsAndReceptacles.Apart),
            (schools.Gfci, schools.Refrigerator, schools.Lighting));
    }

    [Fact]
    public async Task A_circuit_and_a_room_can_go_their_own_way_and_back()
    {
        var visitor = await host.AtAsync("/job/demo/circuits");
        await visitor.PostAsync("/job/demo/circuits?handler=CircuitSchools", ("circuit", "laundry"), ("gfci", "FirstReceptacle"),
            ("homeRun", ""));
        await visitor.PostAsync("/job/demo/circuits?handler=RoomSchools", ("room", "bath"), ("baths", "Whole"));
        var job = await host.NewestAsync();
        Assert.Equal(GfciWay.FirstReceptacle, job.SchoolsOn(new("laundry")).Gfci);
        Assert.Equal((BathReceptacles.Whole, BathReceptacles.MayShare),
            (job.SchoolsIn(new("bath")).Baths, job.SchoolsIn(new("kitchen")).Baths));
        await visitor.PostAsync("/job/demo/circuits?handler=CircuitSchools", ("circuit", "laundry"), ("gfci", ""));
        Assert.Empty((await host.NewestAsync()).CircuitSchools);
    }

    [Fact] // chosen on the job's sheet under the book that knows it; 1500 W in one half, 1200 W in the other: 12.5 A on the fuller leg
    public async Task Counters_are_split_where_the_crew_says_so()
    {
        var visitor = await host.AtAsync("/job/demo/house");
        Assert.DoesNotContain("Counter receptacles", await visitor.GetAsync("/job/demo/house"), StringComparison.Ordinal);
        var job = await host.NewestAsync();
        var key = (await host.Revisions.StartAsync("somebody", "Start", "Split", JobFiles.Write(job with { Edition = Edition.Canada2021 })))
            .ToString();
        Assert.Contains("Counter receptacles", await visitor.GetAsync($"/job/{key}/house"), StringComparison.Ordinal);
        await visitor.PostAsync($"/job/{key}/house?handler=Schools", ("from", "1"), ("counters", "Split"));
        Assert.Equal(CounterReceptacles.Split, (await host.NewestAsync(key)).Schools.Counters);
        var plugged = await visitor.GetAsync(
            $"/job/{key}/circuits?handler=PlugIn&box=k-counter-r1&loads=Kettle&loads=Vacuum");
        Assert.Contains("12.5 A through 15 A", plugged, StringComparison.Ordinal);
        Assert.Contains("its own half", plugged, StringComparison.Ordinal);
        Assert.Contains("Break off the link", await visitor.GetAsync($"/job/{key}/box/k-counter-r1"), StringComparison.Ordinal);
        var circuit = Core.Plans.Planner.Plan(await host.NewestAsync(key)).CircuitOf(new("k-counter-r1"))!.Key;
        Assert.Contains("correct in the second half",
            await visitor.GetAsync($"/job/{key}/prove?circuit={circuit}&on=k-counter-r1"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Plugging_in_is_answered_and_nonsense_is_refused()
    {
        var visitor = await host.AtAsync("/job/demo/circuits");
        // 700 VA of the refrigerator + 1500 + 1500: 30.83 A
        Assert.Contains("30.83 A through 20 A",
            await visitor.GetAsync("/job/demo/circuits?handler=PlugIn&box=k-counter-r1&loads=Kettle&loads=Heater"),
            StringComparison.Ordinal);
        Assert.Contains("Tick what is plugged in", await visitor.GetAsync("/job/demo/circuits?handler=PlugIn&box=k-counter-r1"),
            StringComparison.Ordinal);
        await visitor.GetAsync("/job/demo/circuits?handler=PlugIn&box=k-counter-r1&loads=Welder", HttpStatusCode.UnprocessableEntity);
        await visitor.GetAsync("/job/demo/circuits?handler=PlugIn&box=l-dryer&loads=Kettle", HttpStatusCode.UnprocessableEntity);
        await visitor.GetAsync("/job/demo/circuits?handler=PlugIn", HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task A_better_division_is_found_kept_followed_and_dropped()
    {
        var visitor = await host.AtAsync("/job/demo/divisions");
        await visitor.GetAsync("/job/demo/circuits");
        var (status, text, _) = await visitor.PostAsync("/job/demo/divisions?handler=Find", ("seconds", "60"));
        Assert.Equal((HttpStatusCode.OK, true), (status, text.Contains("Looking,", StringComparison.Ordinal)));
        using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(30));
        while (!(await visitor.GetAsync("/job/demo/divisions?handler=Search")).Contains("Best so far", StringComparison.Ordinal))
        {
            await Task.Delay(50, patience.Token);
        }

        (_, text, _) = await visitor.PostAsync("/job/demo/divisions?handler=Cancel");
        Assert.Contains("Found a better division.", text, StringComparison.Ordinal);
        Assert.Contains("Accept this division", text, StringComparison.Ordinal);
        (status, _, _) = await visitor.PostAsync("/job/demo/divisions?handler=Accept", ("name", "Shorter"), ("follow", "true"));
        Assert.Equal(HttpStatusCode.OK, status);
        var job = await host.NewestAsync();
        Assert.Equal(("Shorter", "Shorter"), (job.Follows, Assert.Single(job.Divisions).Name));
        await visitor.GetAsync("/job/demo/circuits");
        Assert.Equal(HttpStatusCode.OK, (await visitor.PostAsync("/job/demo/divisions?handler=Drop", ("name", "Shorter"))).Status);
        Assert.Null((await host.NewestAsync()).Follows);
    }

    [Theory]
    [InlineData("Find", "seconds", "soon", "Choose how long to look")]
    [InlineData("Find", "seconds", "86400", "Choose how long to look")]
    [InlineData("Accept", "name", "x", "What was found is not there any more")]
    [InlineData("Keep", "name", " ", "Give the division a name")]
    [InlineData("Keep", "name", "a name of more than forty characters, which is too long", "40 characters")]
    [InlineData("Follow", "name", "ghost", "is not in this job any more")]
    [InlineData("Drop", "name", "ghost", "is not in this job any more")]
    [InlineData("Demolish", "name", "x", "no such act")]
    public async Task The_divisions_refuse_what_they_cannot_do(string handler, string field, string value, string says)
    {
        var visitor = await host.AtAsync("/job/demo/circuits");
        var (status, text, _) = await visitor.PostAsync($"/job/demo/divisions?handler={handler}", inPlace: false, (field, value));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(says, text, StringComparison.Ordinal);
        Assert.Equal(1, await RevisionsAsync());
    }

    [Fact]
    public async Task Of_two_who_keep_a_division_under_one_name_the_second_is_told_and_under_two_both_stand()
    {
        Visitor first = await host.AtAsync("/job/demo/circuits"), second = await host.AtAsync("/job/demo/circuits");
        await first.PostAsync("/job/demo/divisions?handler=Keep", inPlace: false, ("name", "One"));
        Assert.Equal(HttpStatusCode.Conflict,
            (await second.PostAsync("/job/demo/divisions?handler=Keep", inPlace: false, ("name", "One"))).Status);
        Assert.Equal("One", Assert.Single((await host.NewestAsync()).Divisions, d => d.Name != Division.AsSeen).Name);
        Assert.NotEqual(HttpStatusCode.Conflict,
            (await second.PostAsync("/job/demo/divisions?handler=Keep", inPlace: false, ("name", "Two"))).Status);
        Assert.Equal(["One", "Two"], (await host.NewestAsync()).Divisions.Select(d => d.Name).Where(n => n != Division.AsSeen).Order());
    }

    [Fact]
    public async Task Editions_are_compared_and_taken()
    {
        var visitor = await host.AtAsync("/job/demo/circuits");
        Assert.Contains("Outlets protected otherwise · 9", await visitor.GetAsync("/job/demo/editions?with=2023"),
            StringComparison.Ordinal);
        Assert.Contains("2020 or 2017", await visitor.GetAsync("/job/demo/editions?with=2017"), StringComparison.Ordinal);
        // An edition that is none is as if none had been named.
        Assert.Contains("2020 or 2023", await visitor.GetAsync("/job/demo/editions?with=1999"), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.UnprocessableEntity,
            (await visitor.PostAsync("/job/demo/editions?handler=Take", ("edition", "1999"))).Status);
        Assert.Equal(HttpStatusCode.OK, (await visitor.PostAsync("/job/demo/editions?handler=Take", ("edition", "2023"))).Status);
        Assert.Equal(Edition.Y2023, (await host.NewestAsync()).Edition);
    }

    [Fact]
    public async Task Aims_and_prices_are_set_and_bad_ones_refused()
    {
        var visitor = await host.AtAsync("/job/demo/circuits");
        (string, string)[] aims = [("aims.cable", "50 %"), ("aims.breaker", "45-0"), ("aims.darkness", "4'"), ("aims.crowding", "1'"),
            ("aims.wantedFill", "55"), ("aims.crossing", "12'"), ("aims.lone", "60'"), ("aims.leavingRoom", "4'")];
        Assert.Equal(HttpStatusCode.OK, (await visitor.PostAsync("/job/demo/rules?handler=Aims", inPlace: false, aims)).Status);
        var job = await host.NewestAsync();
        Assert.Equal((50m, 45m, 55m), (job.Aims.Cable.Value, job.Aims.Breaker.Feet, job.Aims.WantedFill.Value));
        await visitor.GetAsync("/job/demo/circuits");
        var (status, text, _) = await visitor.PostAsync("/job/demo/rules?handler=Aims", inPlace: false,
            [.. aims[..1], ("aims.breaker", "9000'"), .. aims[2..]]);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("500", text, StringComparison.Ordinal);
        (status, text, _) = await visitor.PostAsync("/job/demo/rules?handler=Prices", inPlace: false, ("prices.breaker", "cheap"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("“cheap” is no price", text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("/job/demo/ruling/half-rating.pdf?on=circuit:k-disposer", HttpStatusCode.OK)]
    [InlineData("/job/demo/ruling/shared-baths.pdf?on=circuit:baths", HttpStatusCode.OK)]
    [InlineData("/job/demo/ruling/tag.pdf?on=circuit:car&rule=NextSizeUp", HttpStatusCode.OK)]
    [InlineData("/job/demo/ruling/half-rating.pdf?on=circuit:car", HttpStatusCode.NotFound)]
    [InlineData("/job/demo/ruling/half-rating.pdf?on=box:f-r2", HttpStatusCode.NotFound)]
    [InlineData("/job/demo/ruling/tag.pdf?on=circuit:car&rule=nothing", HttpStatusCode.NotFound)]
    [InlineData("/job/demo/ruling/verdict.pdf?on=circuit:car", HttpStatusCode.NotFound)]
    [InlineData("/job/demo/ruling/half-rating.pdf", HttpStatusCode.NotFound)]
    [InlineData("/job/nobody/ruling/half-rating.pdf?on=circuit:car", HttpStatusCode.NotFound)]
    [InlineData("/job/nobody/divisions", HttpStatusCode.NotFound)]
    [InlineData("/job/nobody/editions", HttpStatusCode.NotFound)]
    public async Task Rulings_and_pages_are_there_or_not(string address, HttpStatusCode status) =>
        Assert.Equal(status, (await host.Visit().Http.GetAsync(address)).StatusCode);
}
