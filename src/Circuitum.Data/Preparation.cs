using System.Diagnostics;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data;

/// <summary>The file was not made ready; the message says why and what to do.</summary>
public sealed class PreparationException(string message, Exception? inner = null) : Exception(message, inner);

/// <summary>What was found in the database file.</summary>
/// <param name="Missing">Revisions that were acknowledged once and are not in it any more.</param>
public sealed record Prepared(long Missing);

/// <summary>Makes or upgrades the database file before anything is read from it. One program at a time: a lock that the system itself lets
/// go of when its holder is killed.</summary>
public sealed class Preparation(IDbContextFactory<JobsDb> databases)
{
    /// <summary>How long another program that is preparing the same file is waited for.</summary>
    public static TimeSpan Patience { get; } = TimeSpan.FromSeconds(20);

    /// <summary>Prepares the file.</summary>
    /// <param name="say">Told of each step that may take a while.</param>
    /// <exception cref="PreparationException">It cannot be done; the message is for the person who started the program.</exception>
    public async Task<Prepared> RunAsync(Action<string> say)
    {
        await using var db = await databases.CreateDbContextAsync();
        var file = db.Database.GetDbConnection().DataSource;
        try
        {
            await using var alone = await AloneAsync(file, say);
            await ForgetKilledAsync(db, say);
            await UpgradeAsync(db, say);
            return new(await KeptAside.MissingAsync(db));
        }
        catch (Exception e) when (e is not PreparationException && StorageTrouble.Behind(e) is { } trouble)
        {
            throw new PreparationException($"{Path.GetFullPath(file)}: {trouble.Sentence}", e);
        }
        catch (DirectoryNotFoundException e)
        {
            throw new PreparationException($"The folder of {Path.GetFullPath(file)} is not there. Make it, or name another with DATABASE.",
                e);
        }
    }

    private static async Task<FileStream> AloneAsync(string file, Action<string> say)
    {
        var since = Stopwatch.StartNew();
        for (var told = false; ; told = true)
        {
            try
            {
                return new FileStream(file + ".lock", FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
            }
            catch (IOException e) when (e is not DirectoryNotFoundException && StorageTrouble.Behind(e) is null)
            {
                if (since.Elapsed > Patience)
                {
                    throw new PreparationException(
                        $"Another program has been preparing {Path.GetFullPath(file)} for {Patience.TotalSeconds:0} s. End it, then "
                        + $"start again.", e);
                }

                if (!told)
                {
                    say("another program prepares the same file; waiting for it");
                }

                await Task.Delay(100);
            }
        }
    }

    // The migrations keep a lock of their own as a row. Who held it was killed: we hold the file's lock.
    private static async Task ForgetKilledAsync(JobsDb db, Action<string> say)
    {
        if (await HasAsync(db, "__EFMigrationsLock") && await db.Database.ExecuteSqlRawAsync("DELETE FROM \"__EFMigrationsLock\"") > 0)
        {
            say("an earlier start was cut off while it upgraded the file; upgrading again");
        }
    }

    private static async Task UpgradeAsync(JobsDb db, Action<string> say)
    {
        var known = db.Database.GetMigrations().ToList();
        var stands = await HasAsync(db, "__EFMigrationsHistory")
            ? await db.Database.SqlQueryRaw<string>("SELECT MigrationId AS Value FROM \"__EFMigrationsHistory\"").ToListAsync() : [];
        if (stands.Except(known).FirstOrDefault() is { } newer)
        {
            throw new PreparationException(
                $"{Path.GetFullPath(db.Database.GetDbConnection().DataSource)} was made by a newer version of this program ({newer}). "
                + $"Start that one, or name another file with DATABASE.");
        }

        if (known.Except(stands).FirstOrDefault() is { } next)
        {
            if (stands.Count > 0)
            {
                KeepBefore(db.Database.GetDbConnection().DataSource, next, say);
            }

            say(stands.Count == 0 ? "making the job file" : "upgrading the job file");
            await db.Database.MigrateAsync();
        }

        await db.Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL");
    }

    // What an upgrade makes of a file cannot be taken back: the file as it was is kept beside it, once for each step.
    private static void KeepBefore(string file, string migration, Action<string> say)
    {
        var beside = $"{file}.before-{migration}";
        if (!File.Exists(beside))
        {
            say($"keeping the job file as it was in {Path.GetFileName(beside)}");
            var half = beside + ".half";
            File.Delete(half);
            Backups.Copy(file, half);
            File.Move(half, beside);
        }
    }

    private static async Task<bool> HasAsync(JobsDb db, string table) =>
        await db.Database.SqlQuery<int>($"SELECT count(*) AS Value FROM sqlite_master WHERE type = 'table' AND name = {table}")
            .SingleAsync() > 0;
}
