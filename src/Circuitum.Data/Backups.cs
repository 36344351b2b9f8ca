using Microsoft.Data.Sqlite;

namespace Circuitum.Data;

/// <summary>What a backup holds.</summary>
public sealed record BackupContents(int Jobs, int Revisions, int Drawings, int RuleSets);

/// <summary>Whole copies of the database: every job with every revision, drawings and rule sets. A copy of the file of a running server is
/// none.</summary>
public static class Backups
{
    /// <summary>Writes a backup of a database that may be in use; it is one moment of it.</summary>
    /// <param name="database">The file to copy.</param>
    /// <param name="to">The file to make; it must not be there yet.</param>
    /// <returns>What is in it.</returns>
    /// <exception cref="PreparationException">It cannot be done; the message says why.</exception>
    public static BackupContents Write(string database, string to)
    {
        if (!File.Exists(database))
        {
            throw new PreparationException($"There is no file {database}.");
        }

        if (File.Exists(to))
        {
            throw new PreparationException($"{to} is there already. Give the backup a name of its own.");
        }

        try
        {
            Copy(database, to);
            return Look(to);
        }
        catch (Exception e) when (e is not PreparationException && (StorageTrouble.Behind(e) is not null || e is SqliteException))
        {
            File.Delete(to);
            throw new PreparationException($"No backup was written: {StorageTrouble.Behind(e)?.Sentence ?? e.Message}", e);
        }
    }

    /// <summary>Copies a database of any version as it stands; it is one moment of it.</summary>
    internal static void Copy(string database, string to)
    {
        using var from = Open(database, SqliteOpenMode.ReadOnly);
        using var vacuum = from.CreateCommand();
        vacuum.CommandText = "VACUUM INTO $to";
        vacuum.Parameters.AddWithValue("$to", to);
        vacuum.ExecuteNonQuery();
    }

    /// <summary>Puts a backup in an empty place, to be served from there.</summary>
    /// <returns>What is in it.</returns>
    /// <exception cref="PreparationException">There is something in that place, or the file is no sound backup.</exception>
    public static BackupContents Restore(string backup, string database)
    {
        if (!File.Exists(backup))
        {
            throw new PreparationException($"There is no file {backup}.");
        }

        if (new[] { "", "-wal", "-shm" }.Select(end => database + end).FirstOrDefault(File.Exists) is { } there)
        {
            throw new PreparationException($"{there} is there already. Move it away first: nothing is overwritten.");
        }

        var contents = Look(backup);
        File.Copy(backup, database);
        File.Delete(database + ".newest");
        return contents;
    }

    private static BackupContents Look(string file)
    {
        try
        {
            using var db = Open(file, SqliteOpenMode.ReadOnly);
            if (Ask(db, "PRAGMA integrity_check") is not "ok")
            {
                throw new PreparationException($"{file} is damaged.");
            }

            int Count(string table) =>
                Convert.ToInt32(Ask(db, $"SELECT count(*) FROM {table}"), System.Globalization.CultureInfo.InvariantCulture);
            return new(Count("Jobs"), Count("Revisions"), Count("Drawings"), Count("RuleSets"));
        }
        catch (SqliteException e)
        {
            throw new PreparationException(
                $"{file} is no job file of this program, or only half of one: a copy of a running server’s file is no backup.", e);
        }
    }

    private static object? Ask(SqliteConnection db, string sql)
    {
        using var command = db.CreateCommand();
        command.CommandText = sql;
        return command.ExecuteScalar();
    }

    private static SqliteConnection Open(string file, SqliteOpenMode mode)
    {
        var connection = new SqliteConnection(new SqliteConnectionStringBuilder
        {
            DataSource = file,
            Mode = mode,
            Pooling = false,
            DefaultTimeout = 10
        }.ToString());
        connection.Open();
        return connection;
    }
}
