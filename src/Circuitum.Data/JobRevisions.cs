using Circuitum.Data.People;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data;

/// <summary>The append-only list of revisions of every job. Nothing is overwritten; an acknowledged save is on the disk.</summary>
public sealed class JobRevisions(IDbContextFactory<JobsDb> databases, TimeProvider time)
{
    // SQLite's own code for a broken primary key or unique index.
    private const int Constraint = 19;

    // One writer at a time, as SQLite has it: the others wait here, where waiting takes no thread.
    private readonly SemaphoreSlim writing = new(1);
    private readonly KeptAside aside = new();
    private readonly RevisionDocuments documents = new();

    /// <summary>Makes or upgrades the database file, see <see cref="Preparation"/>; what was found in it.</summary>
    /// <exception cref="PreparationException">It cannot be done.</exception>
    public Task<Prepared> PrepareAsync(Action<string>? say = null) => new Preparation(databases).RunAsync(say ?? (_ => { }));

    /// <summary>Takes a job off the list with all its revisions; nothing brings it back but a backup. False when there is none.</summary>
    public async Task<bool> DeleteAsync(JobKey job)
    {
        await writing.WaitAsync();
        try
        {
            await using var db = await databases.CreateDbContextAsync();
            KeptAside.Forget(db);
            await using var all = await db.Database.BeginTransactionAsync();
            // Boards of lists have entries as well, which no job takes along: those of a job go by its key.
            await db.BoardEntries.Where(e => e.BoardKey == job.Value).ExecuteDeleteAsync();
            var gone = await db.Jobs.Where(j => j.Key == job.Value).ExecuteDeleteAsync() > 0;
            await all.CommitAsync();
            return gone;
        }
        finally
        {
            writing.Release();
        }
    }

    /// <summary>Writes a backup of everything to a file that is not there yet.</summary>
    /// <exception cref="PreparationException">It cannot be done.</exception>
    public BackupContents Backup(string to)
    {
        using var db = databases.CreateDbContext();
        return Backups.Write(db.Database.GetDbConnection().DataSource, to);
    }

    /// <summary>Every job with its newest revision, the newest first.</summary>
    public async Task<IReadOnlyList<JobListing>> ListAsync()
    {
        await using var db = await databases.CreateDbContextAsync();
        var newest = await db.Revisions.GroupBy(r => r.JobKey).Select(g => new { g.Key, Number = g.Max(r => r.Number) })
            .Join(db.Revisions, n => new { JobKey = n.Key, n.Number }, r => new { r.JobKey, r.Number }, (n, r) => r)
            .Join(db.Jobs, r => r.JobKey, j => j.Key,
                (r, j) => new { j.IsDemo, r.JobKey, r.Number, r.Kind, r.About, r.At, r.Who, r.Phrase, r.JobName })
            .OrderByDescending(r => r.At).ToListAsync();
        var names = await Names.OfAsync(db, newest.Select(r => r.Who));
        return [.. newest.Select(r => new JobListing(new(r.JobKey), r.JobName, r.IsDemo,
            new(r.Number, r.Kind, r.About, Time(r.At), names.Of(r.Who), r.Phrase)))];
    }

    /// <summary>What a job is called; null when there is none.</summary>
    public async Task<string?> NameAsync(JobKey job)
    {
        await using var db = await databases.CreateDbContextAsync();
        return await db.Revisions.Where(r => r.JobKey == job.Value).OrderByDescending(r => r.Number).Select(r => r.JobName)
            .FirstOrDefaultAsync();
    }

    /// <summary>Number of a job's newest revision; 0 when there is no such job.</summary>
    public async Task<int> NewestAsync(JobKey job)
    {
        await using var db = await databases.CreateDbContextAsync();
        return await db.Revisions.Where(r => r.JobKey == job.Value).Select(r => (int?)r.Number).MaxAsync() ?? 0;
    }

    /// <summary>All revisions of a job, oldest first; empty when there is no such job.</summary>
    public async Task<IReadOnlyList<Revision>> OfAsync(JobKey job)
    {
        await using var db = await databases.CreateDbContextAsync();
        var rows = await db.Revisions.Where(r => r.JobKey == job.Value).OrderBy(r => r.Number)
            .Select(r => new { r.Number, r.Kind, r.About, r.At, r.Who, r.Phrase }).ToListAsync();
        var names = await Names.OfAsync(db, rows.Select(r => r.Who));
        return [.. rows.Select(r => new Revision(r.Number, r.Kind, r.About, Time(r.At), names.Of(r.Who), r.Phrase))];
    }

    /// <summary>The document of one revision, or null.</summary>
    public async Task<string?> DocumentAsync(JobKey job, int number)
    {
        await using var db = await databases.CreateDbContextAsync();
        return await RevisionDocuments.ReadAsync(db, job.Value, number);
    }

    /// <summary>The documents of a job from a revision on, one after the other.</summary>
    /// <exception cref="DamagedDocumentException">One of them cannot be unpacked.</exception>
    public async IAsyncEnumerable<(int Number, string Document)> DocumentsAsync(JobKey job, int from)
    {
        await using var db = await databases.CreateDbContextAsync();
        await foreach (var read in RevisionDocuments.AllAsync(db, job.Value, from))
        {
            yield return read;
        }
    }

    /// <summary>Starts a job with its first revision; a demo under its own key.</summary>
    public async Task<JobKey> StartAsync(string who, string phrase, string jobName, string document, JobKey? demo = null)
    {
        await using var db = await databases.CreateDbContextAsync();
        var key = (demo ?? JobKey.New(time)).Value;
        db.Add(new StoredJob { Key = key, IsDemo = demo is not null, StartedAt = Now() });
        db.Add(Row(key, 1, new(RevisionKind.Start, 0, who, phrase, jobName, document), RevisionDocuments.Lay(1, null, document)));
        await writing.WaitAsync();
        try
        {
            await db.SaveChangesAsync();
        }
        catch (DbUpdateException e) when (demo is not null && e.InnerException is SqliteException { SqliteErrorCode: Constraint })
        {
            // Another program on the same file put the demo there first.
            return new(key);
        }
        finally
        {
            writing.Release();
        }

        aside.Soon(databases);
        return new(key);
    }

    /// <summary>Appends a revision that was made from another; refused when that one is no longer the newest.</summary>
    public async Task<Saving> AppendAsync(JobKey job, int from, NewRevision revision)
    {
        await using var db = await databases.CreateDbContextAsync();
        var row = Row(job.Value, from + 1, revision, await documents.LayAsync(db, job.Value, from + 1, revision.Document));
        await writing.WaitAsync();
        try
        {
            // One statement: it is written where the revision it was made from is the newest, and nowhere else.
            var written = await db.Database.ExecuteSqlAsync($"""
                INSERT INTO Revisions (JobKey, Number, Kind, About, At, Who, Phrase, JobName, Document, IsDifference)
                SELECT {row.JobKey}, {row.Number}, {row.Kind}, {row.About}, {row.At}, {row.Who}, {row.Phrase}, {row.JobName},
                {row.Document}, {row.IsDifference}
                WHERE (SELECT MAX(Number) FROM Revisions WHERE JobKey = {row.JobKey}) = {from}
                """);
            if (written == 1)
            {
                documents.Written(job.Value, row.Number, revision.Document);
                aside.Soon(databases);
                var who = await Names.OneAsync(db, row.Who);
                return new Saving.Saved(new(row.Number, row.Kind, row.About, Time(row.At), who, row.Phrase));
            }
        }
        catch (SqliteException e) when (e.SqliteErrorCode == Constraint)
        {
            // Another program on the same file came first, or took the job away.
        }
        finally
        {
            writing.Release();
        }

        return await LatestAsync(db, job) is { } first ? new Saving.Overtaken(first) : new Saving.Gone();
    }

    /// <summary>The newest revision of a job; null when there is no such job.</summary>
    public async Task<Revision?> LatestAsync(JobKey job)
    {
        await using var db = await databases.CreateDbContextAsync();
        return await LatestAsync(db, job);
    }

    private static async Task<Revision?> LatestAsync(JobsDb db, JobKey job)
    {
        var row = await db.Revisions.Where(r => r.JobKey == job.Value).OrderByDescending(r => r.Number)
            .Select(r => new { r.Number, r.Kind, r.About, r.At, r.Who, r.Phrase }).FirstOrDefaultAsync();
        return row is null ? null
            : new(row.Number, row.Kind, row.About, Time(row.At), await Names.OneAsync(db, row.Who), row.Phrase);
    }

    private StoredRevision Row(string key, int number, NewRevision r, Laid laid) => new()
    {
        JobKey = key,
        Number = number,
        Kind = r.Kind,
        About = r.About,
        At = Now(),
        Who = r.Who,
        Phrase = r.Phrase,
        JobName = r.JobName,
        Document = laid.Bytes,
        IsDifference = laid.IsDifference,
    };

    private long Now() => time.GetUtcNow().ToUnixTimeMilliseconds();

    private static DateTimeOffset Time(long at) => DateTimeOffset.FromUnixTimeMilliseconds(at);
}
