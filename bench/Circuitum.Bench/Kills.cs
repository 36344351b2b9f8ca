using System.Diagnostics;
using System.Globalization;
using Circuitum.Data;
using Circuitum.Formats.JobFile;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Bench;

/// <summary>Kills a program in the middle of saving, again and again on one file, and looks each time whether all it had acknowledged is
/// there.</summary>
public static class Kills
{
    private const int ReadyAhead = 4;
    private static readonly string DemoFile = Path.Combine(AppContext.BaseDirectory, "fernhollow.circuitum.json");

    /// <summary>Kills so many times.</summary>
    public static async Task<int> RunAsync(int kills)
    {
        var folder = Directory.CreateTempSubdirectory("circuitum-kills-").FullName;
        var file = Path.Combine(folder, "jobs.db");
        var random = new Random(7);
        long acknowledged = 0, beyond = 0, lost = 0, wrong = 0;
        var since = Stopwatch.StartNew();
        // A program takes seconds until it saves for the first time: the next ones get that far on files of their own meanwhile.
        var ready = new Queue<Process>(Enumerable.Range(0, ReadyAhead).Select(_ => Start(file)));
        for (var kill = 0; kill < kills; kill++)
        {
            using var saver = ready.Dequeue();
            ready.Enqueue(Start(file));
            await saver.StandardInput.WriteLineAsync();
            await saver.StandardInput.FlushAsync();
            var told = new List<int>();
            var reading = Task.Run(async () =>
            {
                while (await saver.StandardOutput.ReadLineAsync() is { } line)
                {
                    if (int.TryParse(line, NumberStyles.None, CultureInfo.InvariantCulture, out var number))
                    {
                        lock (told)
                        {
                            told.Add(number);
                        }
                    }
                }
            });
            while (told.Count == 0 && !saver.HasExited)
            {
                await Task.Delay(1);
            }

            await Task.Delay(random.Next(0, 120));
            saver.Kill();
            await saver.WaitForExitAsync();
            await reading;

            var revisions = new JobRevisions(new At(file), TimeProvider.System);
            await revisions.PrepareAsync();
            var there = await revisions.OfAsync(new("demo"));
            wrong += there.Select(r => r.Number).SequenceEqual(Enumerable.Range(1, there.Count)) ? 0 : 1;
            acknowledged += told.Count;
            lost += told.Count(n => n > there.Count);
            beyond += told.Count > 0 ? there.Count - told.Max() : 0;
            if (kill % 50 == 0)
            {
                wrong += (await revisions.DocumentAsync(new("demo"), there.Count))!.Contains($"\"name\": \"{there.Count}\"",
                    StringComparison.Ordinal) || there.Count == 1 ? 0 : 1;
                JobFiles.Read((await revisions.DocumentAsync(new("demo"), there.Count))!);
            }
        }

        foreach (var left in ready)
        {
            left.Kill();
            await left.WaitForExitAsync();
            left.Dispose();
        }

        await using var db = new At(file).CreateDbContext();
        var sound = await db.Database.SqlQueryRaw<string>("SELECT integrity_check AS Value FROM pragma_integrity_check").SingleAsync();
        Console.WriteLine($"{kills} kills in {since.Elapsed.TotalSeconds:0} s: {acknowledged} saves acknowledged, {lost} lost, {wrong} "
            + $"wrong, {beyond} saved and not yet told; integrity {sound}");
        Databases.Close(file);
        Directory.Delete(folder, recursive: true);
        return lost + wrong == 0 && sound == "ok" ? 0 : 1;
    }

    private static Process Start(string file) => Process.Start(new ProcessStartInfo("dotnet")
    {
        UseShellExecute = false,
        RedirectStandardInput = true,
        RedirectStandardOutput = true,
        ArgumentList = { typeof(Kills).Assembly.Location, "save", file }
    })!;

    /// <summary>Saves once to a file of its own, waits for a line, then saves until it is killed, half a minute at most, and tells each
    /// save that is on the disk.</summary>
    public static async Task<int> SaveAsync(string file)
    {
        var job = JobFiles.Read(await File.ReadAllTextAsync(DemoFile));
        var own = new JobRevisions(new At($"{file}.{Environment.ProcessId}"), TimeProvider.System);
        await own.PrepareAsync();
        await own.StartAsync("crew", "Start", job.Name, JobFiles.Write(job), new("demo"));
        await own.AppendAsync(new("demo"), 1, new(RevisionKind.Change, 0, "crew", "Save", "2", JobFiles.Write(job with { Name = "2" })));
        if (await Console.In.ReadLineAsync() is null)
        {
            return 0;
        }

        var revisions = new JobRevisions(new At(file), TimeProvider.System);
        await revisions.PrepareAsync();
        if (await revisions.NewestAsync(new("demo")) == 0)
        {
            await revisions.StartAsync("crew", "Start", job.Name, JobFiles.Write(job), new("demo"));
        }

        // Not for ever: whoever was to kill it may have been ended first.
        var console = Console.OpenStandardOutput();
        var since = Stopwatch.StartNew();
        for (var from = await revisions.NewestAsync(new("demo")); since.Elapsed < TimeSpan.FromSeconds(30); from++)
        {
            var name = (from + 1).ToString(CultureInfo.InvariantCulture);
            if (await revisions.AppendAsync(new("demo"), from,
                new(RevisionKind.Change, 0, "crew", "Save", name, JobFiles.Write(job with { Name = name }))) is Saving.Saved)
            {
                await console.WriteAsync(System.Text.Encoding.ASCII.GetBytes(name + "\n"));
                await console.FlushAsync();
            }
        }

        return 0;
    }

    private sealed class At(string file) : IDbContextFactory<JobsDb>
    {
        public JobsDb CreateDbContext()
        {
            var options = new DbContextOptionsBuilder<JobsDb>();
            Databases.Use(options, file);
            return new(options.Options);
        }
    }
}
