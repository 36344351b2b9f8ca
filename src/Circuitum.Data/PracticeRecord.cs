using Circuitum.Data.People;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data;

/// <summary>An exercise as somebody did it.</summary>
/// <param name="Exercise">Which.</param>
/// <param name="Seed">The lot it was drawn by: two who did the same had the same.</param>
/// <param name="Steps">Joints made, or looks taken, or choices tried.</param>
/// <param name="Tries">How often it was switched on, or said.</param>
/// <param name="Harm">How often somebody would have been hurt.</param>
/// <param name="Hints">Hints read.</param>
public sealed record Practiced(string Exercise, int Seed, int Steps, int Tries, int Harm, int Hints);

/// <summary>Exercises that were done, by name: added to and never changed.</summary>
public sealed class PracticeRecord(IDbContextFactory<JobsDb> databases, TimeProvider time)
{
    /// <summary>Most that are kept.</summary>
    public const int Most = 20_000;

    /// <summary>Keeps one. False when there are as many as are kept.</summary>
    public async Task<bool> KeepAsync(Practiced done, string who)
    {
        await using var db = await databases.CreateDbContextAsync();
        if (await db.Practice.CountAsync() >= Most)
        {
            return false;
        }

        db.Add(new StoredPractice
        {
            At = time.GetUtcNow().ToUnixTimeMilliseconds(),
            Who = who,
            Exercise = done.Exercise,
            Seed = done.Seed,
            Steps = done.Steps,
            Tries = done.Tries,
            Harm = done.Harm,
            Hints = done.Hints,
        });
        await db.SaveChangesAsync();
        return true;
    }

    /// <summary>Those of an exercise, or of all, the best first: least harm, then fewest tries, then fewest steps, then fewest hints; of
    /// two alike the earlier.</summary>
    /// <param name="exercise">Which; null for all.</param>
    public async Task<IReadOnlyList<(Practiced Done, string Who, DateTimeOffset At)>> OfAsync(string? exercise = null)
    {
        await using var db = await databases.CreateDbContextAsync();
        var rows = await db.Practice.AsNoTracking().Where(p => exercise == null || p.Exercise == exercise)
            .OrderBy(p => p.Harm).ThenBy(p => p.Tries).ThenBy(p => p.Steps).ThenBy(p => p.Hints).ThenBy(p => p.Id).ToListAsync();
        var names = await Names.OfAsync(db, rows.Select(p => p.Who));
        return [.. rows.Select(p => (new Practiced(p.Exercise, p.Seed, p.Steps, p.Tries, p.Harm, p.Hints), names.Of(p.Who),
            DateTimeOffset.FromUnixTimeMilliseconds(p.At)))];
    }
}
