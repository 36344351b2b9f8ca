using System.Globalization;
using Circuitum.Core.Reasons;
using Circuitum.Data;
using Circuitum.Web.Live;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Web.Edge;

/// <summary>How a server does at a moment.</summary>
/// <param name="Troubles">What is wrong, each with what to do; empty where nothing is.</param>
/// <param name="Running">How long it runs.</param>
/// <param name="Memory">What it holds, bytes.</param>
/// <param name="Jobs">Jobs.</param>
/// <param name="Revisions">Revisions of all jobs.</param>
/// <param name="File">The job file, bytes.</param>
/// <param name="Free">What is free on its disk, bytes.</param>
/// <param name="Backup">The day of the newest backup; null where none is written.</param>
/// <param name="Windows">Windows that are open on a job.</param>
/// <param name="Reads">Pages and files.</param>
/// <param name="Sends">Changes and other things that were sent.</param>
/// <param name="Refused">Answers with a status of 400 and above.</param>
public sealed record Health(IReadOnlyList<string> Troubles, TimeSpan Running, long Memory, int Jobs, int Revisions, long File, long Free,
    DateOnly? Backup, int Windows, Answered Reads, Answered Sends, IReadOnlyDictionary<int, long> Refused)
{
    /// <summary>Line by line for a person.</summary>
    public IEnumerable<(string Name, string Value)> Lines
    {
        get
        {
            yield return ("runs for", Running.TotalHours >= 48 ? Text($"{Running.TotalDays:0} days") : Text($"{Running:hh\\:mm\\:ss}"));
            yield return ("memory", Megabytes(Memory));
            yield return ("jobs, revisions", Text($"{Jobs:#,0}, {Revisions:#,0}"));
            yield return ("job file", Megabytes(File));
            yield return ("free on its disk", Megabytes(Free));
            yield return ("newest backup", Backup is { } day ? day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) : "none by itself");
            yield return ("windows open", Text($"{Windows}"));
            yield return ("pages and files", Times(Reads));
            yield return ("changes", Times(Sends));
            yield return ("refused", Refused.Count == 0 ? "none"
                : string.Join(", ", Refused.OrderBy(r => r.Key).Select(r => Text($"{r.Value} × {r.Key}"))));
        }
    }

    private static string Times(Answered a) => a.Count == 0 ? "none"
        : Text($"{a.Count:#,0}; half within {a.Median.TotalMilliseconds:0} ms, 95 of 100 within {a.Most.TotalMilliseconds:0} ms");

    private static string Megabytes(long bytes) => Text($"{bytes / 1048576.0:#,0.#} MB");

    private static string Text(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}

/// <summary>Looks how the server does.</summary>
public sealed class HealthReport(IDbContextFactory<JobsDb> databases, Figures figures, BackupSchedule backups, LiveJobs live,
    Standing standing, TimeProvider clock)
{
    // Less is too little for the next upgrade and its copy of the file as it was.
    private const long Scarce = 512L * 1024 * 1024;
    private const int OldBackup = 2;

    /// <summary>Where a program asks.</summary>
    public static void MapHealth(IEndpointRouteBuilder app) => app.MapGet("/health.json", async (HealthReport report) =>
    {
        var health = await report.OfAsync();
        return Results.Json(new
        {
            health.Troubles,
            RunningSeconds = (long)health.Running.TotalSeconds,
            MemoryBytes = health.Memory,
            health.Jobs,
            health.Revisions,
            FileBytes = health.File,
            FreeBytes = health.Free,
            health.Backup,
            health.Windows,
            Reads = Times(health.Reads),
            Sends = Times(health.Sends),
            health.Refused,
        }, statusCode: health.Troubles.Count == 0 ? StatusCodes.Status200OK : StatusCodes.Status503ServiceUnavailable);
    });

    /// <summary>Looks.</summary>
    public async Task<Health> OfAsync()
    {
        await using var db = await databases.CreateDbContextAsync();
        var file = Path.GetFullPath(db.Database.GetDbConnection().DataSource);
        var free = new DriveInfo(Path.GetDirectoryName(file)!).AvailableFreeSpace;
        var troubles = new List<string>();
        if (standing.Trouble is { } trouble)
        {
            troubles.Add(trouble);
        }

        if (backups.Trouble is { } lost)
        {
            troubles.Add(lost);
        }
        else if (backups.Folder is not null && backups.Newest is { } newest
            && DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime).DayNumber - newest.DayNumber > OldBackup)
        {
            troubles.Add(string.Create(CultureInfo.InvariantCulture,
                $"The newest backup is of {newest:yyyy-MM-dd}. See whether its folder can be written to."));
        }

        if (free < Scarce)
        {
            troubles.Add(string.Create(CultureInfo.InvariantCulture,
                $"The disk of the job file has {free / 1048576} MB left. Make room before nothing can be saved."));
        }

        return new(troubles, figures.Running, Figures.Memory, await db.Jobs.CountAsync(), await db.Revisions.CountAsync(),
            new FileInfo(file).Length, free, backups.Newest, live.Windows, figures.Reads, figures.Sends, figures.Refused);
    }

    private static object Times(Answered a) => new { a.Count, MedianMs = a.Median.TotalMilliseconds, Ms95 = a.Most.TotalMilliseconds };
}
