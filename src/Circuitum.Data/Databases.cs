using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace Circuitum.Data;

/// <summary>How the database file is opened.</summary>
public static class Databases
{
    /// <summary>How long another program's lock is waited for before the act is refused.</summary>
    public static TimeSpan Patience { get; } = TimeSpan.FromSeconds(5);

    /// <summary>The file where none is named.</summary>
    public const string Usual = "circuitum.db";

    /// <summary>Opens a file.</summary>
    public static void Use(DbContextOptionsBuilder options, string file) => options
        .UseSqlite(To(file))
        // A save that comes second is refused by the key itself: that is a way of working, not an error.
        .ConfigureWarnings(w => w.Ignore(CoreEventId.SaveChangesFailed).Ignore(RelationalEventId.CommandError)
            .Ignore(RelationalEventId.CommandExecuted));

    /// <summary>Lets go of the connections to a file, so that what is in its log goes into it. Those to other files stay: they may be in
    /// use.</summary>
    public static void Close(string file)
    {
        using var connection = new SqliteConnection(To(file));
        SqliteConnection.ClearPool(connection);
    }

    private static string To(string file) =>
        new SqliteConnectionStringBuilder { DataSource = file, DefaultTimeout = (int)Patience.TotalSeconds }.ToString();
}
