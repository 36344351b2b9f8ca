using Circuitum.Data.People;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data;

/// <summary>A name that somebody gave a revision: permit set, as pulled.</summary>
/// <param name="Number">The revision.</param>
/// <param name="Name">The name.</param>
/// <param name="Who">Who named it.</param>
/// <param name="At">When.</param>
public sealed record Milestone(int Number, string Name, string Who, DateTimeOffset At);

/// <summary>Revisions that have names. A revision may have several, and a name stays: what was called the permit set is what was
/// handed in.</summary>
public sealed class Milestones(IDbContextFactory<JobsDb> databases, TimeProvider time)
{
    /// <summary>Longest name.</summary>
    public const int Longest = 40;

    /// <summary>Most names of one job.</summary>
    public const int MostOfJob = 200;

    /// <summary>The names of a job, the newest revision first.</summary>
    public async Task<IReadOnlyList<Milestone>> OfAsync(JobKey job)
    {
        await using var db = await databases.CreateDbContextAsync();
        var rows = await db.Milestones.AsNoTracking().Where(m => m.JobKey == job.Value).OrderByDescending(m => m.Number).ThenBy(m => m.At)
            .ToListAsync();
        var names = await Names.OfAsync(db, rows.Select(m => m.Who));
        return [.. rows.Select(m => new Milestone(m.Number, m.Name, names.Of(m.Who), DateTimeOffset.FromUnixTimeMilliseconds(m.At)))];
    }

    /// <summary>Names a revision, in one statement. False where the job has no such revision, the name is taken, or there are as many as
    /// are kept.</summary>
    public async Task<bool> NameAsync(JobKey job, int number, string name, string who)
    {
        await using var db = await databases.CreateDbContextAsync();
        return await db.Database.ExecuteSqlAsync($"""
            INSERT INTO Milestones (JobKey, Name, Number, At, Who)
            SELECT JobKey, {name}, Number, {time.GetUtcNow().ToUnixTimeMilliseconds()}, {who} FROM Revisions
            WHERE JobKey = {job.Value} AND Number = {number}
                AND (SELECT COUNT(*) FROM Milestones WHERE JobKey = {job.Value}) < {MostOfJob}
                AND NOT EXISTS (SELECT 1 FROM Milestones WHERE JobKey = {job.Value} AND Name = {name})
            """) == 1;
    }
}
