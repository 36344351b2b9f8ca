using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Net.Sockets;
using Circuitum.Data;
using Circuitum.Formats.JobFile;
using Microsoft.EntityFrameworkCore;

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
        var address = $"http://127.0.0.1:{FreePort()}";
        using var server = Start(address, database);
        using var http = new HttpClient(new SocketsHttpHandler { UseCookies = true }) { BaseAddress = new(address) };
        await UntilItAnswers(http, server);
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
        await server.WaitForExitAsync();
        Assert.True(acknowledged.Count is > 0 and < 2000);

        var revisions = new JobRevisions(new Factory(database), TimeProvider.System);
        await revisions.PrepareAsync();
        var kept = await revisions.OfAsync(new("demo"));
        Assert.Equal(Enumerable.Range(1, kept.Count), kept.Select(r => r.Number));
        Assert.All(acknowledged, a => Assert.Contains(kept, r => r.Number == a.Revision));
        foreach (var (revision, inches) in acknowledged)
        {
            var job = JobFiles.Read((await revisions.DocumentAsync(new("demo"), revision))!);
            Assert.Equal(inches, job.Boxes.Single(b => b.Id.Value == "f-r2").Offset.Inches);
        }

        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private static Process Start(string address, string database)
    {
        var start = new ProcessStartInfo("dotnet") { RedirectStandardOutput = true, RedirectStandardError = true, WorkingDirectory = AppContext.BaseDirectory };
        foreach (var argument in new[] { "exec", Path.Combine(AppContext.BaseDirectory, "Circuitum.Web.dll"), "--urls", address, "--Database", database, "--Logging:LogLevel:Default", "Warning" })
        {
            start.ArgumentList.Add(argument);
        }

        return Process.Start(start)!;
    }

    private static async Task UntilItAnswers(HttpClient http, Process server)
    {
        var patience = Stopwatch.StartNew();
        while (true)
        {
            try
            {
                await http.GetStringAsync("/");
                return;
            }
            catch (HttpRequestException) when (patience.Elapsed < TimeSpan.FromSeconds(60) && !server.HasExited)
            {
                await Task.Delay(50);
            }
        }
    }

    private static int FreePort()
    {
        using var socket = new TcpListener(IPAddress.Loopback, 0);
        socket.Start();
        return ((IPEndPoint)socket.LocalEndpoint).Port;
    }

    private sealed class Factory(string database) : IDbContextFactory<JobsDb>
    {
        public JobsDb CreateDbContext() => new(new DbContextOptionsBuilder<JobsDb>().UseSqlite(string.Create(CultureInfo.InvariantCulture, $"Data Source={database}")).Options);
    }
}
