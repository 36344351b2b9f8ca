using Circuitum.Core.Boards;
using Circuitum.Core.Site;
using Circuitum.Core.Units;
using Circuitum.Data.People;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data;

/// <summary>A point list as it was kept.</summary>
/// <param name="Key">In addresses, 1 to 24 letters, digits and dashes.</param>
/// <param name="Number">From 1, by board.</param>
/// <param name="Name">What the work is called.</param>
/// <param name="Text">The list.</param>
/// <param name="Who">Who kept it.</param>
/// <param name="At">When.</param>
public sealed record KeptBoard(string Key, int Number, string Name, string Text, string Who, DateTimeOffset At);

/// <summary>Point lists of metric boards, each keeping of one a row that is never changed; and what was written down on site beside
/// them.</summary>
public sealed class KeptBoards(IDbContextFactory<JobsDb> databases, TimeProvider time)
{
    /// <summary>Most boards.</summary>
    public const int Most = 500;

    /// <summary>Most keepings of one.</summary>
    public const int MostOfBoard = 2000;

    /// <summary>Most facts of the site of one.</summary>
    public const int MostEntries = 20_000;

    private const int Constraint = 19;

    /// <summary>The newest of each, by name; without their lists.</summary>
    public async Task<IReadOnlyList<KeptBoard>> ListAsync()
    {
        await using var db = await databases.CreateDbContextAsync();
        var rows = await db.Boards.AsNoTracking().Where(b => b.Number == db.Boards.Where(o => o.Key == b.Key).Max(o => o.Number))
            .Select(b => new { b.Key, b.Number, b.Name, b.Who, b.At }).ToListAsync();
        var names = await Names.OfAsync(db, rows.Select(b => b.Who));
        return [.. rows.OrderBy(b => b.Name, StringComparer.OrdinalIgnoreCase).ThenBy(b => b.Key, StringComparer.Ordinal)
            .Select(b => new KeptBoard(b.Key, b.Number, b.Name, "", names.Of(b.Who), DateTimeOffset.FromUnixTimeMilliseconds(b.At)))];
    }

    /// <summary>The newest of a board, or null.</summary>
    public async Task<KeptBoard?> FindAsync(string key)
    {
        await using var db = await databases.CreateDbContextAsync();
        var row = await db.Boards.AsNoTracking().Where(b => b.Key == key).OrderByDescending(b => b.Number).FirstOrDefaultAsync();
        return row is null ? null : new(row.Key, row.Number, row.Name, row.Document, (await Names.OfAsync(db, [row.Who])).Of(row.Who),
            DateTimeOffset.FromUnixTimeMilliseconds(row.At));
    }

    /// <summary>Begins a board; null when there are as many as are kept.</summary>
    /// <param name="name">What the work is called.</param>
    /// <param name="text">The list.</param>
    /// <param name="who">Who keeps it.</param>
    public async Task<string?> BeginAsync(string name, string text, string who)
    {
        await using var db = await databases.CreateDbContextAsync();
        await using var all = await db.Database.BeginTransactionAsync();
        if (await db.Boards.CountAsync(b => b.Number == 1) >= Most)
        {
            return null;
        }

        var key = JobKey.New(time).Value;
        db.Add(Row(key, 1, name, text, who));
        await db.SaveChangesAsync();
        await all.CommitAsync();
        return key;
    }

    /// <summary>Keeps a list as the next of its board. False when somebody kept another meanwhile, when the board is gone, or when there
    /// are as many as are kept: then nothing is.</summary>
    /// <param name="key">The board.</param>
    /// <param name="after">The number that it was made from.</param>
    /// <param name="name">What the work is called.</param>
    /// <param name="text">The list.</param>
    /// <param name="who">Who keeps it.</param>
    public async Task<bool> KeepAsync(string key, int after, string name, string text, string who)
    {
        await using var db = await databases.CreateDbContextAsync();
        if (after is < 1 or >= MostOfBoard || !await db.Boards.AnyAsync(b => b.Key == key && b.Number == after))
        {
            return false;
        }

        db.Add(Row(key, after + 1, name, text, who));
        try
        {
            await db.SaveChangesAsync();
            return true;
        }
        catch (DbUpdateException e) when (e.InnerException is SqliteException { SqliteErrorCode: Constraint })
        {
            return false;
        }
    }

    /// <summary>Deletes a board with all that was kept of it and written down beside it.</summary>
    public async Task DeleteAsync(string key)
    {
        await using var db = await databases.CreateDbContextAsync();
        await using var all = await db.Database.BeginTransactionAsync();
        await db.BoardEntries.Where(e => e.BoardKey == key).ExecuteDeleteAsync();
        await db.Boards.Where(b => b.Key == key).ExecuteDeleteAsync();
        await all.CommitAsync();
    }

    /// <summary>Another house is in the place of a job, and nothing of that is done.</summary>
    public async Task ForgetAsync(JobKey job)
    {
        await using var db = await databases.CreateDbContextAsync();
        await db.BoardEntries.Where(e => e.BoardKey == job.Value).ExecuteDeleteAsync();
    }

    /// <summary>What was written down on site of a board that is kept, or of the boards of a job.</summary>
    public async Task<IReadOnlyList<BoardEntry>> EntriesAsync(string key)
    {
        await using var db = await databases.CreateDbContextAsync();
        var rows = await db.BoardEntries.AsNoTracking().Where(e => e.BoardKey == key).ToListAsync();
        var names = await Names.OfAsync(db, rows.Select(e => e.Who));
        // A step that a newer program wrote is passed over here.
        return [.. rows.Where(e => Enum.TryParse<BoardStep>(e.Step, out _)).Select(e => new BoardEntry(new(e.Id), e.Subject,
            Enum.Parse<BoardStep>(e.Step), new(e.At), names.Of(e.Who), e.AsWhat, e.Reading,
            e.TakesBack is { } back ? new EntryId(back) : null))];
    }

    /// <summary>Writes facts down, all of them or none; one that is there already is left as it is. False when the board, or the job, is
    /// gone or has as many as are kept.</summary>
    public async Task<bool> AppendAsync(string key, IReadOnlyCollection<BoardEntry> entries)
    {
        await using var db = await databases.CreateDbContextAsync();
        await using var all = await db.Database.BeginTransactionAsync();
        if ((!await db.Boards.AnyAsync(b => b.Key == key) && !await db.Jobs.AnyAsync(j => j.Key == key))
            || await db.BoardEntries.CountAsync(e => e.BoardKey == key) + entries.Count > MostEntries)
        {
            return false;
        }

        foreach (var e in entries)
        {
            await db.Database.ExecuteSqlAsync($"""
                INSERT OR IGNORE INTO BoardEntries (BoardKey, Id, Subject, Step, At, Who, AsWhat, Reading, TakesBack)
                VALUES ({key}, {e.Id.Value}, {e.Subject}, {e.Step.ToString()}, {e.At.UnixMilliseconds}, {e.Who}, {e.As}, {e.Reading},
                {e.TakesBack?.Value})
                """);
        }

        await all.CommitAsync();
        return true;
    }

    private StoredBoard Row(string key, int number, string name, string text, string who) => new()
    {
        Key = key,
        Number = number,
        Name = name,
        At = time.GetUtcNow().ToUnixTimeMilliseconds(),
        Who = who,
        Document = text,
    };
}
