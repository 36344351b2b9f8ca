using Circuitum.Core.Jobs;
using Circuitum.Data.People;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data;

/// <summary>A schedule that was printed.</summary>
/// <param name="Revision">The revision that stands on it.</param>
/// <param name="Paper">Letter, A4 or door.</param>
/// <param name="Who">Who printed it.</param>
/// <param name="At">When.</param>
public sealed record PrintedSheet(int Revision, string Paper, string Who, DateTimeOffset At);

/// <summary>Which revisions of a panel's schedule went to paper, so that what changed since can be told.</summary>
public sealed class Sheets(IDbContextFactory<JobsDb> databases, TimeProvider time)
{
    /// <summary>Most sheets that are listed.</summary>
    public const int Listed = 12;

    /// <summary>Keeps that a schedule was printed.</summary>
    public async Task KeepAsync(JobKey job, PanelId panel, int revision, string paper, string who)
    {
        await using var db = await databases.CreateDbContextAsync();
        db.Add(new StoredSheet
        {
            JobKey = job.Value,
            Panel = panel.Value,
            Revision = revision,
            Paper = paper,
            Who = who,
            At = time.GetUtcNow().ToUnixTimeMilliseconds()
        });
        await db.SaveChangesAsync();
    }

    /// <summary>What was printed of a panel, the newest first.</summary>
    public async Task<IReadOnlyList<PrintedSheet>> OfAsync(JobKey job, PanelId panel)
    {
        await using var db = await databases.CreateDbContextAsync();
        var rows = await db.Sheets.Where(s => s.JobKey == job.Value && s.Panel == panel.Value).OrderByDescending(s => s.Id).Take(Listed)
            .ToListAsync();
        var names = await Names.OfAsync(db, rows.Select(s => s.Who));
        return [.. rows.Select(s =>
            new PrintedSheet(s.Revision, s.Paper, names.Of(s.Who), DateTimeOffset.FromUnixTimeMilliseconds(s.At)))];
    }
}
