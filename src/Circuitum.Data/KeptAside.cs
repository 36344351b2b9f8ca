using System.Globalization;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data;

/// <summary>How many revisions were acknowledged, in a small file beside the database: so a log that was lost, or a copy of a running
/// server's file, is noticed at the next start.</summary>
internal sealed class KeptAside
{
    // Often enough to notice what was lost, seldom enough to cost a save nothing.
    private static readonly TimeSpan Apart = TimeSpan.FromMilliseconds(500);
    private int due;

    /// <summary>Writes it within half a second, once for all that is saved until then.</summary>
    public void Soon(IDbContextFactory<JobsDb> databases)
    {
        if (Interlocked.Exchange(ref due, 1) == 0)
        {
            _ = Task.Run(async () =>
            {
                await Task.Delay(Apart);
                Volatile.Write(ref due, 0);
                try
                {
                    await using var db = await databases.CreateDbContextAsync();
                    await WriteAsync(db);
                }
                catch (ObjectDisposedException)
                {
                    // The program ends: the next start writes it.
                }
            });
        }
    }

    /// <summary>Where it stands.</summary>
    public static string PathOf(JobsDb db) => db.Database.GetDbConnection().DataSource + ".newest";

    /// <summary>Writes what the database holds now. What fails here fails no save: the revision is on the disk already.</summary>
    private static async Task WriteAsync(JobsDb db)
    {
        try
        {
            // Put in place whole: a number half written would tell of revisions that never were.
            var fresh = PathOf(db) + ".new";
            await File.WriteAllTextAsync(fresh, (await RowsAsync(db)).ToString(CultureInfo.InvariantCulture));
            File.Move(fresh, PathOf(db), overwrite: true);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or Microsoft.Data.Sqlite.SqliteException)
        {
            // It is told late, or not at all; nothing is lost by that.
        }
    }

    /// <summary>Before jobs are deleted: until the next save nothing is expected.</summary>
    public static void Forget(JobsDb db)
    {
        try
        {
            File.Delete(PathOf(db));
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            // Then the next start may miss what was deleted, and says so.
        }
    }

    /// <summary>Revisions that were acknowledged and are not there; 0 when all are, or when nobody knows.</summary>
    public static async Task<long> MissingAsync(JobsDb db)
    {
        try
        {
            return long.TryParse(await File.ReadAllTextAsync(PathOf(db)), NumberStyles.None, CultureInfo.InvariantCulture, out var known)
                ? Math.Max(0, known - await RowsAsync(db)) : 0;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return 0;
        }
    }

    // Revisions are only ever added, so the newest row's number is their count; after a job was deleted it still only grows with the next
    // save.
    private static async Task<long> RowsAsync(JobsDb db) =>
        await db.Database.SqlQueryRaw<long>("SELECT coalesce(max(rowid), 0) AS Value FROM Revisions").SingleAsync();
}
