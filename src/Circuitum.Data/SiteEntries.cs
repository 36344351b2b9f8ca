using System.Collections.Concurrent;
using Circuitum.Core.Jobs;
using Circuitum.Core.Site;
using Circuitum.Core.Units;
using Circuitum.Data.People;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data;

/// <summary>What was written down on site: appended beside the revisions, so that no change of the plan takes any of it away.</summary>
public sealed class SiteEntries(IDbContextFactory<JobsDb> databases)
{
    /// <summary>Most entries of one job: a large house has 500 boxes and 3000 steps.</summary>
    public const int MostOfJob = 50_000;

    // Records are read on every page and written seldom.
    private const int MostKept = 64;
    private readonly ConcurrentDictionary<JobKey, SiteRecord> kept = new();

    // Counts what was written: a record that was read before is not kept after.
    private long written;

    /// <summary>The record of a job.</summary>
    public async Task<SiteRecord> OfAsync(JobKey job)
    {
        if (kept.TryGetValue(job, out var known))
        {
            return known;
        }

        var before = Interlocked.Read(ref written);
        await using var db = await databases.CreateDbContextAsync();
        var rows = await db.SiteEntries.AsNoTracking().Where(e => e.JobKey == job.Value).ToListAsync();
        var names = await Names.OfAsync(db, rows.Select(e => e.Who));
        var record = SiteRecord.Of(rows.Select(row => Read(row, names)).OfType<SiteEntry>());
        if (kept.Count >= MostKept)
        {
            kept.Clear();
        }

        kept[job] = record;
        if (Interlocked.Read(ref written) != before)
        {
            kept.TryRemove(job, out _);
        }

        return record;
    }

    /// <summary>Appends entries, all of them or none; one that is there already is left as it is. It is on the disk when this returns.
    /// False when the job would have more than it may.</summary>
    public async Task<bool> AppendAsync(JobKey job, IReadOnlyCollection<SiteEntry> entries)
    {
        await using var db = await databases.CreateDbContextAsync();
        await using var all = await db.Database.BeginTransactionAsync();
        if (await db.SiteEntries.CountAsync(e => e.JobKey == job.Value) + entries.Count > MostOfJob)
        {
            return false;
        }

        foreach (var e in entries)
        {
            await db.Database.ExecuteSqlAsync($"""
                INSERT OR IGNORE INTO SiteEntries
                (JobKey, Id, Subject, Step, At, Received, Who, Revision, Line, Note, Photograph, TakesBack, AsName, AsWhat, AsCut, Used,
                Reel, Reading)
                SELECT Key, {e.Id.Value}, {e.Subject.ToString()}, {e.Step.ToString()}, {e.At.UnixMilliseconds},
                {e.Received.UnixMilliseconds}, {e.Who}, {e.Revision}, {e.Line}, {e.Note}, {e.Photograph}, {e.TakesBack?.Value},
                {e.As?.Name}, {e.As?.What}, {e.As?.Cut.Sixtyfourths}, {e.Used?.Sixtyfourths},
                {e.Reel}, {e.Reading?.ToString()} FROM Jobs WHERE Key = {job.Value}
                """);
        }

        await all.CommitAsync();
        Written(job);
        return true;
    }

    /// <summary>Somebody has another name: what is kept is read again.</summary>
    public void Renamed()
    {
        Interlocked.Increment(ref written);
        kept.Clear();
    }

    /// <summary>Another job is in its place, and nothing of that is done.</summary>
    public async Task ForgetAsync(JobKey job)
    {
        await using var db = await databases.CreateDbContextAsync();
        await db.SiteEntries.Where(e => e.JobKey == job.Value).ExecuteDeleteAsync();
        Written(job);
    }

    private void Written(JobKey job)
    {
        Interlocked.Increment(ref written);
        kept.TryRemove(job, out _);
    }

    private static TestReading? ReadingOf(string text)
    {
        try
        {
            return TestReading.Parse(text);
        }
        catch (FormatException)
        {
            return null;
        }
    }

    // A row of a later version may name what this one does not know: it is left where it is.
    private static SiteEntry? Read(StoredSiteEntry row, Names names) =>
        Subject.TryParse(row.Subject) is { } subject && Enum.TryParse<SiteStep>(row.Step, out var step) && Enum.IsDefined(step)
            ? new(new(row.Id), subject, step, new(row.At),
                new(row.Received), names.Of(row.Who), row.Revision)
            {
                Line = row.Line,
                Note = row.Note,
                Photograph = row.Photograph,
                TakesBack = row.TakesBack is { } back ? new EntryId(back) : null,
                As = row.AsName is { } name ? new(name, row.AsWhat ?? "", new(row.AsCut ?? 0)) : null,
                Used = row.Used is int used ? new Length(used) : null,
                Reel = row.Reel,
                Reading = row.Reading is { } reading ? ReadingOf(reading) : null,
            }
            : null;
}
