using System.Net;
using System.Text.RegularExpressions;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Rulings;
using Circuitum.Formats.JobFile;

namespace Circuitum.Web.Tests;

/// <summary>A job of one family of rules says nothing in the words, the sections or the cables of another: walked over its pages and
/// files.</summary>
public sealed partial class FamilyWordsTests : IDisposable
{
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    // Every section of the United States that looks like one: "100" is a number as well.
    private static readonly string[] Sections = [.. Editions.Of(RuleFamily.UnitedStates)
        .SelectMany(e => Enum.GetValues<RuleId>().Where(CodeBook.For(e).Has).Select(r => CodeBook.For(e).Cite(r).Text))
        .SelectMany(t => t.Split(", ")).Where(t => UnitedStates().IsMatch(t)).Distinct()];

    [Theory]
    [InlineData("demo", CounterReceptacles.Split)]
    [InlineData("demo-crawl", CounterReceptacles.TwoWire)]
    [InlineData("demo-basement", CounterReceptacles.Split)]
    public async Task A_job_of_the_Canadian_method_says_nothing_of_the_United_States(string key, CounterReceptacles counters)
    {
        Assert.True(Sections.Length > 150, Sections.Length.ToString(System.Globalization.CultureInfo.InvariantCulture));
        var found = new List<string>();
        await foreach (var (address, text) in SaidAsync(key, Edition.Canada2021, counters))
        {
            found.AddRange(Sections.Where(s => text.Contains(s, StringComparison.Ordinal)).Select(s => $"{address}: {Around(text, s)}"));
            // A drawing is in feet and inches, whatever the book; what a rule says is not.
            found.AddRange(!address.StartsWith("ruling", StringComparison.Ordinal)
                && !address.EndsWith("/divisions", StringComparison.Ordinal) ? [] : Imperial().Matches(text).Select(m =>
                $"{address}: {Around(text, m.Value)}"));
            found.AddRange(TheirWords().Matches(text).Select(m => $"{address}: {Around(text, m.Value)}"));
        }

        Assert.True(found.Count == 0, $"{found.Count}\n{string.Join('\n', found.Distinct().Take(150))}");
    }

    [Fact]
    public async Task A_job_of_the_United_States_says_nothing_of_the_Canadian_method()
    {
        var found = new List<string>();
        await foreach (var (address, text) in SaidAsync("demo", Edition.Y2023))
        {
            found.AddRange(Canadian().Matches(text).Select(m => $"{address}: {Around(text, m.Value)}"));
        }

        Assert.True(found.Count == 0, $"{found.Count}\n{string.Join('\n', found.Distinct().Take(150))}");
    }

    private static string Around(string text, string what)
    {
        var at = text.IndexOf(what, StringComparison.Ordinal);
        return text[Math.Max(0, at - 50)..Math.Min(text.Length, at + what.Length + 40)];
    }

    // Every page and file of text, as people read them: without tags, coordinates, and the lists that a book is chosen from.
    private async IAsyncEnumerable<(string Address, string Text)> SaidAsync(string key, Edition edition,
        CounterReceptacles counters = CounterReceptacles.TwoWire)
    {
        var visitor = await host.AtAsync($"/job/{key}/house");
        var job = await host.NewestAsync(key);
        // As a new job of the method is started: cable by the meter.
        var measure = edition.Family() == RuleFamily.Canada ? Core.Units.Measure.Metres : Core.Units.Measure.Feet;
        job = job with { Edition = edition, Schools = job.Schools with { Measure = measure, Counters = counters } };
        key = (await host.Revisions.StartAsync("somebody", "Start", job.Name, JobFiles.Write(job))).ToString();
        var plan = Planner.Plan(await host.NewestAsync(key));
        string[] stages = ["house", "boxes", "circuits", "runs", "panel", "site", "prove"];
        var on = plan.House.Rooms.Select(r => Subject.Room(r.Room.Id))
            .Concat(plan.Survey.Boxes.Where((_, i) => i % 5 == 0).Select(b => Subject.Box(b.Box.Id)))
            .Concat(plan.Circuits.Select(c => Subject.Circuit(c.Key)))
            .Concat(plan.Circuits.Select(c => c.HomeRun).OfType<Core.Routing.Run>().Select(r => Subject.Run(r.Id)))
            .Concat(plan.Job.Panels.Select(p => Subject.Panel(p.Id)));
        string[] beside = ["load", "rules", "divisions", "material", "places/A", "prints/A", "marks", "walls", "make-up/A", "money",
            "site?view=test", "file/schedule.csv", "file/tags.csv", "file/plan.json", "file/material.csv", "file/pull-list.csv",
            "file/home-runs.csv", "file/material-by-box.csv", "file/ground.svg", "file/cable-labels.txt", "file/box-labels.txt"];
        var sheets = plan.Circuits.Take(8).SelectMany(c =>
            new[] { $"circuits?on={Uri.EscapeDataString(Subject.Circuit(c.Key).ToString())}" });
        // What a ruling sheet says, before it is set on paper.
        foreach (var landed in plan.Panels.SelectMany(p => p.Circuits))
        {
            foreach (var topic in CircuitRulings.Topics(landed))
            {
                yield return ($"ruling {topic} on {landed.Key}", Said(CircuitRulings.On(plan, landed, topic)));
            }
        }

        foreach (var tag in plan.Tags)
        {
            yield return ($"ruling on {tag.Headline}", Said(TagRulings.On(plan, tag)));
        }

        var opened = 0;
        foreach (var address in stages.Select(s => $"/job/{key}/{s}")
            .Concat(on.SelectMany((s, i) => new[] { 0, 3 }.Select(shift => $"/job/{key}/{stages[(i + shift) % 5]}?on="
                + Uri.EscapeDataString(s.ToString()))))
            .Concat(beside.Concat(sheets).Select(b => $"/job/{key}/{b}")))
        {
            var answer = await visitor.Http.GetAsync(address);
            if (answer.StatusCode == HttpStatusCode.OK)
            {
                opened++;
                var text = await answer.Content.ReadAsStringAsync();
                yield return (address, WebUtility.HtmlDecode(Tags().Replace(Told().Replace(Options().Replace(text, ""), "> $1 <i "), " ")));
            }
        }

        Assert.True(opened > 150, $"{opened} pages");
    }

    private static string Said(Ruling ruling) => string.Join('\n', new[] { ruling.About, ruling.Question, ruling.Answer, ruling.Local,
        ruling.Governs.Section, ruling.Governs.Says, ruling.Quoted?.Section, ruling.Quoted?.Says }
        .Concat(ruling.Lines.SelectMany(l => new[] { l.What, l.Value, l.Note }))
        .Concat(ruling.Sum.Steps.SelectMany(s => new[] { s.Text, s.Value, s.Cite })));

    [GeneratedRegex(@"^(Table )?\d{3}\.\d|^Chapter 9|^R\d{3}")]
    private static partial Regex UnitedStates();

    [GeneratedRegex(@"\b(NM|NM-B|UF|UF-B|MC|SER|THWN-2|THHN|NFPA)\b|small-appliance|model code|3 VA/ft|× 3 VA|article \d{3}|the 1500s")]
    private static partial Regex TheirWords();

    [GeneratedRegex(@"\b\d+ (ft|in)\b(?! \d)|ft²|\d/\d (ft|in)\b")]
    private static partial Regex Imperial();

    [GeneratedRegex(@"\b(2|4|6|8|10|12|14|16|26|28|30|62|86)-\d{3}\b|NMD90|NMWU|AC90|ACWU|RW90|\bNBC\b|T-slot|Section \d+\b|Canadian")]
    private static partial Regex Canadian();

    [GeneratedRegex(@"(?s)<(script|style)\b.*?</\1>|(?s)<select name=""edition"".*?</select>|<a class=""skip""[^>]*>[^<]*</a>")]
    private static partial Regex Options();

    // What is told to people stands in some attributes as well.
    [GeneratedRegex(@"\b(?:title|aria-label|placeholder|alt)=""([^""]*)""")]
    private static partial Regex Told();

    [GeneratedRegex(@"(?s)<[^>]*>")]
    private static partial Regex Tags();
}
