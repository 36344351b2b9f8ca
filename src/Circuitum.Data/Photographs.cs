using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data;

/// <summary>Photographs of a job, kept once each by the fingerprint of what is in them.</summary>
public sealed class Photographs(IDbContextFactory<JobsDb> databases)
{
    /// <summary>Most photographs of one job.</summary>
    public const int MostOfJob = 2000;

    /// <summary>Keeps a picture; one that is there already stays as it is. It is on the disk when this returns. False when the job has as
    /// many as it may.</summary>
    public async Task<bool> KeepAsync(JobKey job, string fingerprint, string mediaType, byte[] picture)
    {
        await using var db = await databases.CreateDbContextAsync();
        if (await db.Photographs.CountAsync(p => p.JobKey == job.Value) >= MostOfJob)
        {
            return await db.Photographs.AnyAsync(p => p.JobKey == job.Value && p.Fingerprint == fingerprint);
        }

        await db.Database.ExecuteSqlAsync($"""
            INSERT OR IGNORE INTO Photographs (JobKey, Fingerprint, MediaType, Picture)
            SELECT Key, {fingerprint}, {mediaType}, {picture} FROM Jobs WHERE Key = {job.Value}
            """);
        return true;
    }

    /// <summary>A picture of a job; null when it has none of that fingerprint.</summary>
    public async Task<(string MediaType, byte[] Picture)?> FindAsync(JobKey job, string fingerprint)
    {
        await using var db = await databases.CreateDbContextAsync();
        return await db.Photographs.AsNoTracking().FirstOrDefaultAsync(p => p.JobKey == job.Value && p.Fingerprint == fingerprint)
            is { } found ? (found.MediaType, found.Picture) : null;
    }
}
