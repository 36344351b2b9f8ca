using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data.People;

/// <summary>Codes on panels' doors, by which whoever stands there finds a breaker or a reset without an account, where the owner allows it.
/// It hangs on a wall for all to see, so it is kept as it is and opens nothing else; another one ends it.</summary>
public sealed class Doors(IDbContextFactory<JobsDb> databases)
{
    /// <summary>The code of a job; null where its doors are closed.</summary>
    public async Task<string?> OfAsync(JobKey job)
    {
        await using var db = await databases.CreateDbContextAsync();
        return await db.Doors.AsNoTracking().Where(d => d.JobKey == job.Value).Select(d => d.Code).SingleOrDefaultAsync();
    }

    /// <summary>The job of a code; null where it opens none any more.</summary>
    public async Task<JobKey?> FindAsync(string code)
    {
        await using var db = await databases.CreateDbContextAsync();
        return await db.Doors.AsNoTracking().Where(d => d.Code == code).Select(d => d.JobKey).SingleOrDefaultAsync() is { } key
            ? new JobKey(key) : null;
    }

    /// <summary>Opens a job's doors by a new code; what was printed with another opens nothing any more. False where there is no such
    /// job.</summary>
    public async Task<bool> OpenAsync(JobKey job, string who)
    {
        await using var db = await databases.CreateDbContextAsync();
        return await db.Database.ExecuteSqlAsync($"""
            INSERT OR REPLACE INTO Doors (JobKey, Code, MadeBy) SELECT Key, {Codes.New()}, {who} FROM Jobs WHERE Key = {job.Value}
            """) == 1;
    }

    /// <summary>Closes them. False where they were closed.</summary>
    public async Task<bool> CloseAsync(JobKey job)
    {
        await using var db = await databases.CreateDbContextAsync();
        return await db.Doors.Where(d => d.JobKey == job.Value).ExecuteDeleteAsync() == 1;
    }
}
