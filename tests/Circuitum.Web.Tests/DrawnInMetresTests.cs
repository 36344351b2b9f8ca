using System.Net;
using System.Text.RegularExpressions;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Formats.JobFile;
using Circuitum.Web.Bench;
using Microsoft.Extensions.DependencyInjection;

namespace Circuitum.Web.Tests;

/// <summary>A house that its crew draws in meters: every place is said so, and what is typed is read so.</summary>
public sealed partial class DrawnInMetresTests(BenchHost host) : IClassFixture<BenchHost>
{
    [Theory] // two storeys and a greenhouse; an L with a shed; a basement
    [InlineData("demo")]
    [InlineData("demo-crawl")]
    [InlineData("demo-basement")]
    public async Task No_page_of_the_house_says_feet(string demo)
    {
        var key = await StartAsync(demo);
        var plan = Planner.Plan(await host.NewestAsync(key));
        var job = plan.Job;
        var on = plan.House.Rooms.SelectMany(r => new[] { Subject.Room(r.Room.Id), Subject.Wall(r.Room.Id, 1) })
            .Concat(job.Boxes.Where((_, i) => i % 4 == 0).Select(b => Subject.Box(b.Id)))
            .Concat(job.Panels.Select(p => Subject.Panel(p.Id)))
            .Concat(plan.House.Levels.Select(l => Subject.Level(l.Level.Id)));
        var found = new List<string>();
        var read = 0;
        foreach (var address in on.SelectMany(s => new[] { "house", "boxes" }.Select(stage =>
            $"/job/{key}/{stage}?on={Uri.EscapeDataString(s.ToString())}")).Concat([$"/job/{key}/runs", $"/job/{key}/walls",
            $"/job/{key}/marks", $"/job/{key}/rules", $"/job/{key}/places/A"]))
        {
            var text = await host.Visit().GetAsync(address);
            read += Metres().Count(text);
            // What is shown and what stands in a field; not what scripts read.
            var said = Tags().Replace(Values().Replace(Scripts().Replace(text, ""), "> $1 <i "), " ");
            found.AddRange(FeetAndInches().Matches(said)
                .Select(m => $"{address}: {said[Math.Max(0, m.Index - 60)..(m.Index + m.Length)].ReplaceLineEndings(" ")}"));
        }

        Assert.True(read > 1000, $"{read}");
        Assert.True(found.Count == 0, $"{found.Count}\n{string.Join('\n', found.Distinct().Take(80))}");
    }

    [Fact] // after a start of the server the first thing may be what is typed
    public async Task What_is_typed_is_read_in_meters_before_anybody_opened_the_job()
    {
        var key = await StartAsync("demo");
        var page = await host.AtAsync($"/job/{key}/boxes");
        var box = (await host.NewestAsync(key)).Boxes.First(b => b.Id.Value == "f-r2");
        host.Services.GetRequiredService<KeptPlans>().Clear();
        var (status, text, _) = await page.PostAsync($"/job/{key}/boxes?handler=Move", ("box", box.Id.Value), ("offset", "1.2"));
        Assert.True(status == HttpStatusCode.OK, text);
        Assert.Equal(Length.FromMetres(1.2m), (await host.NewestAsync(key)).Boxes.First(b => b.Id == box.Id).Offset);
        (status, text, _) = await page.PostAsync($"/job/{key}/boxes?handler=Move", ("box", box.Id.Value), ("offset", "45"));
        Assert.NotEqual(HttpStatusCode.OK, status);
        Assert.Contains("“45” is no length; write it like 3.2 m or 450 mm.", text, StringComparison.Ordinal);
    }

    [Fact] // the planner counts in the same lengths, whatever they are written in
    public async Task The_plan_is_the_same_plan()
    {
        var job = await host.NewestAsync(await StartAsync("demo"));
        var (metres, feet) = (Planner.Plan(job), Planner.Plan(job with { Schools = job.Schools with { Drawn = Measure.Feet } }));
        Assert.Equal(feet.Footage, metres.Footage);
        Assert.Equal(feet.Tags.Select(t => (t.Severity, t.Subject, t.Rule)), metres.Tags.Select(t => (t.Severity, t.Subject, t.Rule)));
        Assert.Equal(Measure.Feet, Writing.Measure);
    }

    [Theory]
    [InlineData("demo")]
    [InlineData("demo-crawl")]
    [InlineData("demo-basement")]
    [InlineData("demo-villa")]
    public async Task The_file_of_such_a_job_is_in_meters_and_reads_back(string demo)
    {
        var job = await host.NewestAsync(await StartAsync(demo));
        var text = JobFiles.Write(job);
        Assert.DoesNotMatch("""\d'-\d|\d\\"|\\u0022"|\\u0027""", text);
        Assert.Contains(" m\"", text, StringComparison.Ordinal);
        Assert.Equal(text, JobFiles.Write(JobFiles.Read(text)));
        var inFeet = job with { Schools = job.Schools with { Drawn = Measure.Feet } };
        Assert.Equal(JobFiles.Write(inFeet), JobFiles.Write(JobFiles.Read(text) with { Schools = inFeet.Schools }));
    }

    [Fact] // said by the hand: a room of 4.2 by 3.6 m
    public async Task A_line_is_understood_in_meters()
    {
        var key = await StartAsync("demo");
        var page = await host.AtAsync($"/job/{key}/house?level=upper");
        var job = await host.NewestAsync(key);
        var beside = job.Rooms.First();
        Assert.Contains("bed 2 3.4 x 3.4 south of hall", await page.GetAsync($"/job/{key}/house"), StringComparison.Ordinal);
        var (status, text, _) = await page.PostAsync($"/job/{key}/house?handler=Say", ("lines", "shed 3 x 3.6, 18 south of house"));
        Assert.True(status == HttpStatusCode.OK, text);
        var shed = (await host.NewestAsync(key)).Structures.Last();
        var room = Planner.Plan(await host.NewestAsync(key)).House.Room(shed.Levels[0].Rooms[0].Id);
        Assert.Equal((Length.FromMetres(3), Length.FromMetres(3.6m)), (room.ClearWidth, room.ClearDepth));
        Assert.NotEqual(beside.Id, room.Room.Id);
    }

    private async Task<string> StartAsync(string demo)
    {
        await host.Visit().GetAsync($"/job/{demo}/house");
        var job = await host.NewestAsync(demo);
        job = job with { Schools = job.Schools with { Drawn = Measure.Metres, Measure = Measure.Metres } };
        return (await host.Revisions.StartAsync("somebody", "Start", job.Name, JobFiles.Write(job))).ToString();
    }

    // What a book of another measure asks stays in its own words: 6 ft.
    [GeneratedRegex(@"\d'|\d"" ?")]
    private static partial Regex FeetAndInches();

    [GeneratedRegex(@"\d m\b|\d mm\b")]
    private static partial Regex Metres();

    [GeneratedRegex("""(?s)<(script|style|title|select)\b.*?</\1>""")]
    private static partial Regex Scripts();

    [GeneratedRegex("""\b(?:title|aria-label|placeholder|alt|value)="([^"]*)"(?=[\s>/])""")]
    private static partial Regex Values();

    [GeneratedRegex(@"(?s)<[^>]*>")]
    private static partial Regex Tags();
}
