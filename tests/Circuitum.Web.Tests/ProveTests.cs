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

    private const string Outlet = "/job/demo/prove?circuit=family-receptacles&on=b4-r3&one=A.BK&other=A.WH&instrument=";

    [Fact]
    public async Task Ohms_are_refused_on_what_is_live_and_read_on_what_is_off()
    {
        var visit = host.Visit();
        Assert.Contains("Not there: it is live.", await visit.GetAsync(Outlet + "Ohms"), StringComparison.Ordinal);
        Assert.Contains("Not there: it is live.", await visit.GetAsync(Outlet + "Toner"), StringComparison.Ordinal);
        // Off, nothing joins the two: no lamp is on the circuit.
        Assert.Contains("Beyond its range", await visit.GetAsync(Outlet + "Ohms&open=family-receptacles"), StringComparison.Ordinal);
        Assert.Contains("It is heard at", await visit.GetAsync(Outlet + "Toner&open=family-receptacles"), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("Volts", "11[0-9][.][0-9] V")]
    [InlineData("TwoPole", "The lamp of 120 V")]
    [InlineData("Contactless", "It glows: live")]
    public async Task Each_instrument_shows_what_it_would_and_what_to_mind(string instrument, string shows)
    {
        var page = await host.Visit().GetAsync(Outlet + instrument);
        Assert.Matches($"""class="reading" role="status">{shows}""", page);
        var dead = await host.Visit().GetAsync(Outlet + instrument + "&open=family-receptacles");
        Assert.DoesNotMatch($"""class="reading" role="status">{shows}""", dead);
    }

    [Fact]
    public async Task What_was_looked_for_is_kept_in_the_record_of_the_circuit()
    {
        var visit = host.Visit();
        const string found = "/job/demo/prove?circuit=family-receptacles&view=find&seen=0.Dead,1.Dead";
        await visit.GetAsync(found);
        var kept = await visit.PostAsync(found + "&handler=Keep", inPlace: false);
        Assert.Equal(HttpStatusCode.Redirect, kept.Status);
        var page = await visit.GetAsync(found);
        Assert.Contains("Looked for before", page, StringComparison.Ordinal);
        Assert.Contains("Seen: The breaker opened; The breaker, closed again once opens again. It may be: a fastener joins", page,
            StringComparison.Ordinal);
        Assert.Contains("fault looked for", await visit.GetAsync("/job/demo/file/site.csv"), StringComparison.Ordinal);
        // Nothing seen, or a fault that is only hidden for practice, is no fact.
        foreach (var nothing in new[] { "&view=find", "&view=find&fault=5&hidden=true&seen=0.Works" })
        {
            var answer = await visit.PostAsync($"/job/demo/prove?circuit=family-receptacles{nothing}&handler=Keep", inPlace: false);
            Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.Status);
            Assert.Contains("there is nothing to keep", answer.Text, StringComparison.Ordinal);
        }
    }

    [Theory]
    [InlineData("demo", 30)]
    [InlineData("demo-crawl", 20)]
    [InlineData("demo-basement", 21)]
    public async Task Every_circuit_of_the_demos_is_as_it_should_be_in_every_position(string job, int circuits)
    {
        var page = await host.Visit().GetAsync($"/job/{job}/prove?view=all");
        var said = Regex.Match(page, @"(\d+) circuits switched on, (\d+) sets of switches");
        Assert.True(said.Success);
        Assert.Equal(circuits, int.Parse(said.Groups[1].Value, System.Globalization.CultureInfo.InvariantCulture));
    }

    [Fact]
    public async Task Before_board_can_be_read_with_nothing_live()
    {
        var page = await host.Visit().GetAsync("/job/demo/prove?view=board&dead=true");
        Assert.Contains("nothing joined: hot, neutral and ground open to each other", page, StringComparison.Ordinal);
        Assert.Contains("read through at the panel", page, StringComparison.Ordinal);
        Assert.DoesNotContain("turn on and off, bright", page, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_reading_is_ticked_on_site_and_stays_ticked()
    {
        var visit = host.Visit();
        var page = await visit.GetAsync("/job/demo/site?view=readings");
        var board = new BoardWalk((await DemoAsync()).Plan, dead: false);
        Assert.Equal(board.Count, Regex.Count(page, "class=\"tick-step\""));
        Assert.DoesNotContain("aria-pressed=\"true\"", page, StringComparison.Ordinal);
        // Every one of them has a line of its own in the record.
        var lines = board.Stops.SelectMany(s => s.Readings).Select(r => (r.Subject, r.Line)).ToList();
        Assert.Equal(lines.Count, lines.Distinct().Count());
        Assert.All(lines, l => Assert.InRange(l.Line.Length, 1, Core.Site.SiteEntry.LongestLine));
        var reading = board.Stops[0].Readings[0];
        var sent = await visit.Http.PostAsync("/job/demo/site/entries", System.Net.Http.Json.JsonContent.Create(new[]
        {
            new
            {
                id = Guid.NewGuid().ToString(), subject = reading.Subject.ToString(), step = "Passed", at = "2026-11-30T08:00:00Z",
                revision = (await DemoAsync()).Revision, line = reading.Line,
            },
        }));
        Assert.Contains("\"refused\":[]", await sent.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(1, Regex.Count(await visit.GetAsync("/job/demo/site?view=readings"), "aria-pressed=\"true\""));
        Assert.DoesNotContain("aria-pressed=\"true\"", await visit.GetAsync("/job/demo/site?view=readings&dead=true"),
            StringComparison.Ordinal);
    }

    [Fact] // 12 AWG carries 30 A at 90 °C: 27 A for an hour on 20 A is 79 °C, 33.75 A on 25 A 106 °C
    public async Task A_larger_breaker_is_shown_to_cook_the_wire()
    {
        var page = await host.Visit().GetAsync("/job/demo/prove?circuit=family-receptacles");
        Assert.Contains("<td>20 A, planned</td><td>57 °C</td>", Packed(page), StringComparison.Ordinal);
        Assert.Contains("<td>25 A, not allowed</td><td>72 °C</td><td>106 °C</td>", Packed(page), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_cannot_be_looked_for_can_be_placed_and_not_hidden()
    {
        var job = await DemoAsync();
        var house = new HouseNetwork(job.Plan);
        var circuit = job.Plan.Circuits.First(c => c.Key.ToString() == "family-receptacles");
        var first = new Finder(house, circuit.Key).Suspects.Length;
        var besides = Suspect.Besides(house, circuit).ToList();
        var arc = first + besides.FindIndex(s => s.Fault is Fault.Arcing);
        Assert.Contains("on an arc", await host.Visit().GetAsync($"/job/demo/prove?circuit=family-receptacles&fault={arc}"
            + $"&plug={((Fault.Arcing)besides[arc - first].Fault!).Box.Value}.Vacuum"), StringComparison.Ordinal);
        for (var i = 0; i <= besides.Count; i++)
        {
            Assert.DoesNotContain("A fault is hidden", await host.Visit().GetAsync(
                $"/job/demo/prove?circuit=family-receptacles&view=find&hidden=true&fault={first + i}"), StringComparison.Ordinal);
        }
    }

    private static string Packed(string page) => Regex.Replace(page, @">\s+<", "><");

    [Fact] // 1.93 Ω a thousand feet, out and back, cool: 3.17 mΩ a foot
    public async Task A_short_is_placed_along_its_cable_by_ohms()
    {
        var visit = host.Visit();
        const string seen = "/job/demo/prove?circuit=family-receptacles&view=find&seen=0.Dead,1.Dead";
        Assert.Contains("Where along the cable", await visit.GetAsync(seen), StringComparison.Ordinal);
        Assert.Matches(@"role=""status"">\d+'-\d+.* from Panel A, give or take", await visit.GetAsync(seen + "&near=0.05&last=0.01"));
        Assert.Contains("more than this cable has", await visit.GetAsync(seen + "&near=90"), StringComparison.Ordinal);
        Assert.DoesNotContain("give or take", await visit.GetAsync(seen + "&near=abc"), StringComparison.Ordinal);
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
