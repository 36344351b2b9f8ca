using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data.People;

/// <summary>A guest's link.</summary>
/// <param name="Id">Row number.</param>
/// <param name="Job">The job it reads.</param>
/// <param name="For">Whom it is for.</param>
/// <param name="MadeBy">Who made it, by name.</param>
/// <param name="Until">When it ends.</param>
public sealed record GuestLink(int Id, JobKey Job, string For, string MadeBy, DateTimeOffset Until);

/// <summary>Links by which somebody without an account reads one job until a time.</summary>
public sealed class GuestLinks(IDbContextFactory<JobsDb> databases, TimeProvider time)
{
    /// <summary>Most that are open on one job.</summary>
    public const int MostOfJob = 50;

    /// <summary>Makes one; its code is told here and nowhere again. Null where there is no such job, or it has too many.</summary>
    public async Task<string?> MakeAsync(JobKey job, string forWhom, TimeSpan stands, string madeBy)
    {
        await using var db = await databases.CreateDbContextAsync();
        if (!await db.Jobs.AnyAsync(j => j.Key == job.Value)
            || await Open(db).CountAsync(l => l.JobKey == job.Value) >= MostOfJob)
        {
            return null;
        }

        var (code, now) = (Codes.New(), Now);
        db.Add(new StoredGuestLink
        {
            CodeHash = Codes.Hash(code),
            JobKey = job.Value,
            For = forWhom,
            MadeBy = madeBy,
            At = now,
            Until = now + (long)stands.TotalMilliseconds,
        });
        await db.SaveChangesAsync();
        return code;
    }

    /// <summary>The link of a code; null where there is none that is open.</summary>
    public async Task<GuestLink?> FindAsync(string code)
    {
        await using var db = await databases.CreateDbContextAsync();
        var hash = Codes.Hash(code);
        return await Open(db).FirstOrDefaultAsync(l => l.CodeHash == hash) is { } row
            ? Read(row, await Names.OneAsync(db, row.MadeBy)) : null;
    }

    /// <summary>The open links of a job, the newest first.</summary>
    public async Task<IReadOnlyList<GuestLink>> OfAsync(JobKey job)
    {
        await using var db = await databases.CreateDbContextAsync();
        var rows = await Open(db).Where(l => l.JobKey == job.Value).OrderByDescending(l => l.Id).ToListAsync();
        var names = await Names.OfAsync(db, rows.Select(r => r.MadeBy));
        return [.. rows.Select(r => Read(r, names.Of(r.MadeBy)))];
    }

    /// <summary>Ends one of a job's links; whoever reads by it reads no more. False where it had ended.</summary>
    public async Task<bool> EndAsync(JobKey job, int id)
    {
        await using var db = await databases.CreateDbContextAsync();
        var now = Now;
        return await db.GuestLinks.Where(l => l.Id == id && l.JobKey == job.Value && l.Ended == null)
            .ExecuteUpdateAsync(s => s.SetProperty(l => l.Ended, now)) == 1;
    }

    private long Now => time.GetUtcNow().ToUnixTimeMilliseconds();

    private IQueryable<StoredGuestLink> Open(JobsDb db)
    {
        var now = Now;
        return db.GuestLinks.AsNoTracking().Where(l => l.Ended == null && l.Until > now);
    }

    private static GuestLink Read(StoredGuestLink row, string madeBy) =>
        new(row.Id, new(row.JobKey), row.For, madeBy, DateTimeOffset.FromUnixTimeMilliseconds(row.Until));
}
