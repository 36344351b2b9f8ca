using System.Net;

namespace Circuitum.Web.Tests;

/// <summary>Every page opens by every edition: what a rule is cited by is asked only where an edition has the rule.</summary>
public sealed class EditionPagesTests : IDisposable
{
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    [Theory]
    [InlineData("2017")]
    [InlineData("2020")]
    [InlineData("2023")]
    [InlineData("canada-2021")]
    public async Task Every_page_opens(string edition)
    {
        var visitor = await host.AtAsync("/job/demo/house");
        var (status, _, _) = await visitor.PostAsync("/job/demo/house?handler=Edition", ("edition", edition));
        Assert.Equal(HttpStatusCode.OK, status);
        var plan = Core.Plans.Planner.Plan(await host.NewestAsync());
        string[] stages = ["house", "boxes", "circuits", "runs", "panel"];
        var on = plan.House.Rooms.Select(r => Core.Jobs.Subject.Room(r.Room.Id))
            .Concat(plan.Survey.Boxes.Where((_, i) => i % 7 == 0).Select(b => Core.Jobs.Subject.Box(b.Box.Id)))
            .Concat(plan.Circuits.Select(c => Core.Jobs.Subject.Circuit(c.Key)))
            .Concat(plan.Circuits.Select(c => c.HomeRun).OfType<Core.Routing.Run>().Select(r => Core.Jobs.Subject.Run(r.Id)))
            .Concat(plan.Job.Panels.Select(p => Core.Jobs.Subject.Panel(p.Id)))
            .Concat(plan.Job.Structures.Select(s => Core.Jobs.Subject.Structure(s.Id)));
        string[] beside = ["load", "rules", "divisions", "editions", "material", "places/A", "marks", "walls", "find", "make-up/A",
            "box/k-sw-hall"];
        var addresses = stages.Select(s => $"/job/demo/{s}")
            .Concat(on.Select((s, i) => $"/job/demo/{stages[i % stages.Length]}?on={Uri.EscapeDataString(s.ToString())}"))
            .Concat(beside.Select(b => $"/job/demo/{b}"))
            .Concat(QuickSums.AllSums.List.Select(s => $"/bench/{s.Name}?edition={edition}"));
        var failed = new List<string>();
        foreach (var address in addresses)
        {
            var answer = await visitor.Http.GetAsync(address);
            if (answer.StatusCode != HttpStatusCode.OK)
            {
                failed.Add($"{(int)answer.StatusCode} {address}");
            }
        }

        Assert.True(failed.Count == 0, string.Join('\n', failed));
    }
}
