using System.Net;
using System.Text;
using System.Text.Json;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Site;
using Circuitum.Web.Bench;
using Circuitum.Web.Pages;
using Circuitum.Web.Tests;
using Microsoft.Extensions.DependencyInjection;

namespace Circuitum.Fuzz;

/// <summary>Entries from site at random, true and odd, while the plan changes under them: kept or refused in a sentence, and every list
/// of Site opens whatever became of what they are about.</summary>
public sealed class SiteFuzz
{
    private static readonly string[] Steps = Enum.GetNames<SiteStep>();

    [Theory]
    [InlineData(11)]
    [InlineData(12)]
    public async Task No_entry_ends_the_server_and_every_list_opens(int seed)
    {
        using var host = new BenchHost();
        var random = new Random(Effort.Seed(seed));
        var visitor = await host.AtAsync("/job/demo/boxes");
        var bench = host.Services.GetRequiredService<Workbench>();
        var (kept, refused) = (0, 0);
        for (var i = 0; i < Effort.Times(120); i++)
        {
            var open = (await bench.OpenAsync(new("demo")))!;
            if (random.Next(4) == 0)
            {
                await ChangeAsync(visitor, open, random);
            }

            var sent = Enumerable.Range(0, random.Next(1, 12)).Select(_ => Entry(open, random)).ToList();
            var answer = await visitor.Http.PostAsync("/job/demo/site/entries",
                new StringContent(JsonSerializer.Serialize(sent), Encoding.UTF8, "application/json"));
            var said = await answer.Content.ReadAsStringAsync();
            Assert.True(answer.StatusCode is HttpStatusCode.OK or HttpStatusCode.UnprocessableEntity, $"{answer.StatusCode}: {said}");
            if (answer.StatusCode == HttpStatusCode.OK)
            {
                using var read = JsonDocument.Parse(said);
                kept += read.RootElement.GetProperty("kept").GetArrayLength();
                refused += read.RootElement.GetProperty("refused").GetArrayLength();
                Assert.All(read.RootElement.GetProperty("refused").EnumerateArray(), r =>
                    Assert.EndsWith(".", r.GetProperty("why").GetString(), StringComparison.Ordinal));
            }

            var (view, _, _) = SiteModel.Views[random.Next(SiteModel.Views.Length)];
            var closing = Enum.GetNames<Closing>()[random.Next(3)];
            await visitor.GetAsync($"/job/demo/site?view={view}&closing={closing}&groups={random.Next(-1, 15)}");
        }

        Assert.True(kept > 100 && refused > 20, $"{kept} kept, {refused} refused");
        await visitor.GetAsync("/job/demo/runs");
        Assert.Equal(HttpStatusCode.OK, (await visitor.Http.GetAsync("/job/demo/file/site.csv")).StatusCode);
    }

    private static async Task ChangeAsync(Visitor visitor, OpenJob open, Random random)
    {
        var box = Any(open.Plan.Job.Boxes, random)?.Id.Value ?? "none";
        visitor.Revision = open.Revision;
        await (random.Next(5) switch
        {
            0 => visitor.PostAsync("/job/demo/boxes?handler=Delete", ("box", box)),
            1 => visitor.PostAsync("/job/demo/boxes?handler=Move", ("box", box), ("offset", $"{random.Next(5, 150)}\"")),
            2 => visitor.PostAsync("/job/demo/boxes?handler=LayOut"),
            3 => visitor.PostAsync("/job/demo/panel?handler=Reland"),
            _ => visitor.PostAsync("/job/demo/boxes?handler=Undo"),
        });
    }

    private static Dictionary<string, object?> Entry(OpenJob open, Random random)
    {
        var odd = random.Next(4) == 0;
        var back = random.Next(4) == 0 ? Any(open.Site.Entries, random) : null;
        return new()
        {
            ["id"] = random.Next(20) == 0 ? Odd.Text(random) : Guid.NewGuid().ToString(),
            ["subject"] = odd && random.Next(2) == 0 ? Odd.Text(random) : back?.Subject.ToString() ?? SubjectOf(open.Plan, random),
            ["step"] = odd && random.Next(2) == 0 ? Odd.Text(random) : back?.Step.ToString() ?? Steps[random.Next(Steps.Length)],
            ["line"] = random.Next(3) == 0 ? "flush" : "",
            ["at"] = odd && random.Next(3) == 0 ? Odd.Text(random) : DateTimeOffset.UtcNow.AddHours(random.Next(-50, 50)).ToString("o"),
            ["revision"] = odd ? random.Next(-2, open.Revision + 3) : open.Revision,
            ["takesBack"] = back?.Id.ToString(),
            ["used"] = random.Next(5) == 0 ? Odd.Text(random) : null,
            ["note"] = random.Next(3) == 0 ? Odd.Text(random) : null,
            ["reel"] = random.Next(3) == 0 ? $"R{random.Next(3)}" : random.Next(9) == 0 ? Odd.Text(random) : null,
            ["what"] = random.Next(3) == 0 ? "12-2" : random.Next(9) == 0 ? Odd.Text(random) : null,
            ["reading"] = random.Next(3) == 0 ? "WiredRight 121V" : random.Next(9) == 0 ? Odd.Text(random) : null,
        };
    }

    private static string SubjectOf(Plan plan, Random random) => random.Next(7) switch
    {
        0 => $"box:{Any(plan.Job.Boxes, random)?.Id}",
        1 => $"circuit:{Any(plan.Circuits, random)?.Key}",
        2 => $"room:{Any([.. plan.Job.Rooms], random)?.Id}",
        6 => $"reel:R{random.Next(3)}",
        3 => $"wall:{Any([.. plan.Job.Rooms], random)?.Id}.{random.Next(0, 6)}",
        _ => $"run:{Any(plan.Takeoff.Pulls, random)?.Run}",
    };

    private static T? Any<T>(IReadOnlyList<T> all, Random random) where T : class => all.Count == 0 ? null : all[random.Next(all.Count)];
}
