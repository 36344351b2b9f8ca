using System.Net;
using Circuitum.Data;
using Circuitum.Formats.JobFile;

namespace Circuitum.Web.Tests;

/// <summary>The server is killed with no warning in the middle of saving; every revision it had acknowledged is there afterwards.</summary>
public sealed class KillTests
{
    [Theory]
    [InlineData(40)]
    [InlineData(230)]
    [InlineData(610)]
    public async Task Kill_9_in_the_middle_of_saving_loses_no_acknowledged_revision(int afterMilliseconds)
    {
        var folder = Directory.CreateTempSubdirectory("circuitum-kill-").FullName;
        var database = Path.Combine(folder, "jobs.db");
        using var server = ServerProcess.Start(database);
        using var http = await server.AnswersAsync();
        var visitor = new Visitor(http);
        await visitor.GetAsync("/job/demo/boxes");

        // Once the first save is acknowledged the clock starts; saves go on until the server is gone.
        var acknowledged = new List<(int Revision, int Inches)>();
        Task? killer = null;
        try
        {
            for (var i = 0; i < 2000; i++)
            {
                var inches = 20 + (i % 100);
                var (status, _, _) = await visitor.PostAsync("/job/demo/boxes?handler=Move", ("box", "f-r2"), ("offset", $"{inches}\""));
                Assert.Equal(HttpStatusCode.OK, status);
                acknowledged.Add((visitor.Revision, inches));
                killer ??= Task.Run(async () =>
                {
                    await Task.Delay(afterMilliseconds);
                    server.Kill();
                });
            }
        }
        catch (HttpRequestException)
        {
            // The server is gone.
        }

        await killer!;
        await server.EndedAsync();
        Assert.True(acknowledged.Count is > 0 and < 2000);

        var revisions = new JobRevisions(new DatabaseAt(database), TimeProvider.System);
        await revisions.PrepareAsync();
        var kept = await revisions.OfAsync(new("demo"));
        Assert.Equal(Enumerable.Range(1, kept.Count), kept.Select(r => r.Number));
        Assert.All(acknowledged, a => Assert.Contains(kept, r => r.Number == a.Revision));
        foreach (var (revision, inches) in acknowledged)
        {
            var job = JobFiles.Read((await revisions.DocumentAsync(new("demo"), revision))!);
            Assert.Equal(inches, job.Boxes.Single(b => b.Id.Value == "f-r2").Offset.Inches);
        }

        Databases.Close(database);
        Directory.Delete(folder, recursive: true);
    }
}
