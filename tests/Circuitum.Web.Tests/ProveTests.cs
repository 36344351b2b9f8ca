using System.Net;
using System.Text.RegularExpressions;
using Circuitum.Core.Proving;
using Circuitum.Web.Bench;
using Circuitum.Web.Proving;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Primitives;

namespace Circuitum.Web.Tests;

/// <summary>Prove over the wire: the whole state stands in the address, and an address from anywhere is read without harm.</summary>
public sealed partial class ProveTests : IDisposable
{
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    private async Task<OpenJob> DemoAsync() => (await host.Services.GetRequiredService<Workbench>().OpenAsync(new("demo")))!;

    [Fact]
    public async Task A_thrown_switch_lights_its_lamp_and_no_other()
    {
        var visit = host.Visit();
        // The pantry's light has one switch of its own.
        var before = Lit(await visit.GetAsync("/job/demo/prove?level=ground"));
        var after = Lit(await visit.GetAsync("/job/demo/prove?level=ground&thrown=" + With(await DemoAsync(), "pa-sw.0")));
        Assert.DoesNotContain(before, l => l.StartsWith("Pantry", StringComparison.Ordinal));
        Assert.Equal(["Pantry closet light"], after.Except(before));
        Assert.Empty(before);
    }

    // The set that is dark, and one switch more.
    private static string With(OpenJob job, string more) => string.Join(',', ProveQuery.AllOff(job.Plan)
        .Select(s => $"{s.Box.Value}.{s.Gang}").Append(more));

    private static List<string> Lit(string page) => [.. Lamps().Matches(page).Select(m => m.Groups["name"].Value)];

    [Fact]
    public async Task A_nail_opens_the_breaker_and_the_page_says_so()
    {
        var job = await DemoAsync();
        var circuit = job.Plan.Circuits.First(c => c.Key.ToString() == "kitchen-lights");
        var finder = new Finder(new(job.Plan), circuit.Key);
        var nail = finder.Suspects.Select((s, i) => (s.Suspect, i)).First(x => x.Suspect.Fault is Fault.Nailed f
            && f.Run == circuit.HomeRun!.Id && f.Other == Core.Wiring.ConductorColour.Bare).i;
        var page = await host.Visit().GetAsync($"/job/demo/prove?circuit=kitchen-lights&fault={nail}");
        Assert.Contains("Opened", page, StringComparison.Ordinal);
        Assert.Contains(", open, 0 A through it", page, StringComparison.Ordinal);
        // Hidden, neither the breaker nor the boxes give it away before somebody looks.
        var hidden = await host.Visit().GetAsync($"/job/demo/prove?view=find&circuit=kitchen-lights&fault={nail}&hidden=true");
        Assert.Contains("not looked at", hidden, StringComparison.Ordinal);
        Assert.DoesNotContain("0 A through it", hidden, StringComparison.Ordinal);
        Assert.DoesNotContain("Kitchen can 1, dark", hidden, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_was_seen_leaves_the_suspects_that_explain_it_and_says_where_to_look()
    {
        var job = await DemoAsync();
        var circuit = job.Plan.Circuits.First(c => c.Key.ToString() == "laundry");
        var finder = new Finder(new(job.Plan), circuit.Key);
        var breaker = finder.Tests.IndexOf(Test.Breaker);
        var outlet = finder.Tests.IndexOf(finder.Tests.First(t => t.Box is not null && t.Gang is not null));
        var page = await host.Visit().GetAsync($"/job/demo/prove?view=find&circuit=laundry&seen={breaker}.Works,{outlet}.Dead");
        var left = finder.Explain([new(finder.Tests[breaker], Finding.Works), new(finder.Tests[outlet], Finding.Dead)]);
        Assert.NotEmpty(left);
        Assert.Contains($"{left.Length} suspects", page, StringComparison.Ordinal);
        Assert.Contains(left[0].Suspect.In(job.Plan), page, StringComparison.Ordinal);
        Assert.Contains("Look next", page, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_readings_before_board_are_one_walk_through_the_house()
    {
        var job = await DemoAsync();
        var page = await host.Visit().GetAsync("/job/demo/prove?view=board");
        var house = new HouseNetwork(job.Plan);
        var all = house.Branches.Sum(c => BeforeTheBoard.Of(new(house, c.Key)).Tests.Length);
        Assert.Contains($"{all} readings", page, StringComparison.Ordinal);
        Assert.Contains("Proved: no readings of less effort show as much.", page, StringComparison.Ordinal);
        Assert.Equal(all, page.Split("<td class=\"tick-box\">").Length - 1);
        Assert.Contains("read correct on a tester", page, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Any_state_of_the_house_is_read_back_from_its_address()
    {
        var plan = (await DemoAsync()).Plan;
        var circuit = plan.Circuits.First(c => c.Key.ToString() == "laundry");
        var at = new ProveQuery
        {
            View = "find",
            Circuit = circuit.Key,
            Level = "ground",
            On = circuit.Circuit.Boxes[0],
            Thrown = ProveQuery.AllOn(plan),
            Open = [plan.Circuits[0].Key],
            Plugged = [new(circuit.Circuit.Boxes.First(b => Core.Wiring.PlugIn.CanBeAt(plan.Survey[b])), Core.Wiring.Portable.Kettle)],
            Fault = 7,
            Hidden = true,
            Seen = [(0, Finding.Works), (3, Finding.NoGround)],
        };
        var query = new QueryCollection(QueryHelpers.ParseQuery(at.Address("demo").Split('?')[1]));
        Assert.Equal(at.Address("demo"), ProveQuery.Read(query, plan).Address("demo"));
        Assert.Equal(ProveQuery.AllOff(plan), ProveQuery.Read(new QueryCollection(), plan).Thrown.AsEnumerable());
    }

    [Theory]
    [InlineData("circuit=nothing&thrown=x.0,.,e-sw.99,e-sw.-1,k-r1.0&open=nothing&tripped=e-sw&plug=e-sw.Kettle,x.Nothing")]
    [InlineData("fault=999999&hidden=true&seen=99999.Works,0.Nothing,.,a.b,0.Works,0.Dead")]
    [InlineData("fault=-1&view=nothing&level=nothing&on=nothing&seen=0.7&thrown=")]
    [InlineData("thrown=%00,%FF,%3Cscript%3E&on=%3Cscript%3E&circuit=%3Cscript%3E&level=%3Cscript%3E")]
    public async Task An_address_that_names_what_is_not_there_is_read_without_it(string query)
    {
        var page = await host.Visit().Http.GetStringAsync($"/job/demo/prove?{query}");
        Assert.Contains("switched on", page, StringComparison.Ordinal);
        Assert.DoesNotContain("<script>", page.Split("<body>")[1], StringComparison.Ordinal);
    }

    [Fact]
    public async Task Addresses_by_lot_are_all_read()
    {
        var random = new Random(5);
        var visit = host.Visit();
        string[] names = ["circuit", "thrown", "open", "tripped", "plug", "fault", "seen", "on", "level", "view", "hidden"];
        string[] parts = ["laundry", "kitchen-lights", "e-sw.0", "k-r1", "b-r.Kettle", "7", "0.Works", "2.Dead", "find", "true", ",", ".",
            "-"];
        for (var i = 0; i < 60; i++)
        {
            var query = string.Join('&', names.Where(_ => random.Next(2) == 0)
                .Select(n => $"{n}={string.Concat(Enumerable.Range(0, random.Next(4)).Select(_ => parts[random.Next(parts.Length)]))}"));
            Assert.Equal(HttpStatusCode.OK, (await visit.Http.GetAsync($"/job/demo/prove?{query}")).StatusCode);
        }
    }

    [Fact]
    public async Task A_job_that_is_not_there_is_not_there() =>
        Assert.Equal(HttpStatusCode.NotFound, (await host.Visit().Http.GetAsync("/job/nothing/prove")).StatusCode);

    [GeneratedRegex("aria-label=\"(?<name>[^\"]+), lit[^\"]*\"", RegexOptions.ExplicitCapture)]
    private static partial Regex Lamps();
}
