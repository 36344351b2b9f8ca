using Circuitum.Data.People;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data;

/// <summary>A set of rules as saved.</summary>
public sealed record SavedRuleSet(string Name, string Document, string Who, DateTimeOffset At);

/// <summary>Crews' sets of schools and house rules, reused from job to job. Saving under a known name keeps the older one and counts as
/// newer.</summary>
public sealed class RuleSets(IDbContextFactory<JobsDb> databases, TimeProvider time)
{
    /// <summary>The newest set of each name, by name.</summary>
    public async Task<IReadOnlyList<SavedRuleSet>> ListAsync()
    {
        await using var db = await databases.CreateDbContextAsync();
        var rows = await db.RuleSets.OrderByDescending(s => s.Id).ToListAsync();
        var names = await Names.OfAsync(db, rows.Select(s => s.Who));
        return [.. rows.DistinctBy(s => s.Name).OrderBy(s => s.Name, StringComparer.OrdinalIgnoreCase)
            .Select(s => new SavedRuleSet(s.Name, s.Document, names.Of(s.Who), DateTimeOffset.FromUnixTimeMilliseconds(s.At)))];
    }

    /// <summary>Saves a set.</summary>
    public async Task SaveAsync(string name, string document, string who)
    {
        await using var db = await databases.CreateDbContextAsync();
        db.Add(new StoredRuleSet { Name = name, Document = document, Who = who, At = time.GetUtcNow().ToUnixTimeMilliseconds() });
        await db.SaveChangesAsync();
    }
}
