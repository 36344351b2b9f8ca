using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data;

/// <summary>Jobs whose circuits somebody has looked at: a change moves nothing that it does not touch from then on.</summary>
public sealed class Looks(IDbContextFactory<JobsDb> databases, TimeProvider time)
{
    /// <summary>Somebody has looked at the job's circuits.</summary>
    public async Task<bool> HasAsync(JobKey job)
    {
        await using var db = await databases.CreateDbContextAsync();
        return await db.Looks.AnyAsync(l => l.JobKey == job.Value);
    }

    /// <summary>Another job is in its place, and nobody has looked at that.</summary>
    public async Task ForgetAsync(JobKey job)
    {
        await using var db = await databases.CreateDbContextAsync();
        await db.Looks.Where(l => l.JobKey == job.Value).ExecuteDeleteAsync();
    }

    /// <summary>Keeps that somebody looks at the job's circuits; once is enough. Nothing is kept of a job that is not there.</summary>
    public async Task KeepAsync(JobKey job)
    {
        if (await HasAsync(job))
        {
            return;
        }

        await using var db = await databases.CreateDbContextAsync();
        // One statement, so that two who look at once, or a job that goes meanwhile, do no harm.
        await db.Database.ExecuteSqlAsync($"""
            INSERT OR IGNORE INTO Looks (JobKey, At)
            SELECT Key, {time.GetUtcNow().ToUnixTimeMilliseconds()} FROM Jobs WHERE Key = {job.Value}
            """);
    }
}
