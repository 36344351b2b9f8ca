using System.Diagnostics;
using System.Globalization;
using Circuitum.Core.Units;
using Circuitum.Data;
using Circuitum.Formats.JobFile;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Bench;

/// <summary>So many steps on one job in one file: how large it gets, and how long writing and reading one takes at the end against the
/// beginning.</summary>
public static class Growth
{
    private const int Told = 1000;

    /// <summary>Grows a file that is not there yet; every tenth step takes the one before back.</summary>
    public static async Task<int> RunAsync(string file, int steps)
    {
        var options = new DbContextOptionsBuilder<JobsDb>();
        Databases.Use(options, file);
        var revisions = new JobRevisions(new At(options.Options), TimeProvider.System);
        await revisions.PrepareAsync();
        var job = JobFiles.Read(await File.ReadAllTextAsync(Path.Combine(AppContext.BaseDirectory, "fernhollow.circuitum.json")));
        var key = new JobKey("demo");
        await revisions.StartAsync("crew", "Start", job.Name, JobFiles.Write(job), key);
        var random = new Random(7);
        var writing = new List<double>();
        var before = job;
        for (var number = 1; number <= steps; number++)
        {
            var undo = number % 10 == 0;
            var at = random.Next(job.Boxes.Length);
            var next = undo ? before : job with
            {
                Boxes = job.Boxes.SetItem(at, job.Boxes[at] with { Height = Length.FromInches(random.Next(12, 60)) }),
            };
            (before, job) = (job, next);
            var document = JobFiles.Write(job);
            var since = Stopwatch.GetTimestamp();
            await revisions.AppendAsync(key, number, new(undo ? RevisionKind.Undo : RevisionKind.Change, undo ? number : 0, "crew",
                $"Set the height of {job.Boxes[at].Id}", job.Name, document));
            writing.Add(Stopwatch.GetElapsedTime(since).TotalMilliseconds);
            if (number % (steps / 10) == 0)
            {
                var read = await ReadAsync(revisions, key, number, random);
                Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{number} steps: "
                    + $"{(new FileInfo(file).Length + new FileInfo(file + "-wal").Length) / 1048576.0:0.0} MB; a step is written in "
                    + $"{Median(writing.TakeLast(Told)):0.00} ms, read in {read:0.00} ms"));
            }
        }

        return 0;
    }

    private static async Task<double> ReadAsync(JobRevisions revisions, JobKey key, int newest, Random random)
    {
        var times = new List<double>();
        for (var i = 0; i < 100; i++)
        {
            var since = Stopwatch.GetTimestamp();
            await revisions.DocumentAsync(key, Math.Max(1, newest - random.Next(200)));
            times.Add(Stopwatch.GetElapsedTime(since).TotalMilliseconds);
        }

        return Median(times);
    }

    private static double Median(IEnumerable<double> times) => times.Order().ToList() is var sorted ? sorted[sorted.Count / 2] : 0;

    private sealed class At(DbContextOptions<JobsDb> options) : IDbContextFactory<JobsDb>
    {
        public JobsDb CreateDbContext() => new(options);
    }
}
