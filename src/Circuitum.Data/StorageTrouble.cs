using Microsoft.Data.Sqlite;

namespace Circuitum.Data;

/// <summary>What keeps the database file from being read or written, in words for whoever is at the bench.</summary>
/// <param name="Sentence">What is wrong and what to do.</param>
/// <param name="Passes">True when the same act may succeed later without anybody doing anything.</param>
public sealed record StorageTrouble(string Sentence, bool Passes)
{
    // SQLite's primary result codes, https://www.sqlite.org/rescode.html.
    private const int Busy = 5;
    private const int Locked = 6;
    private const int ReadOnly = 8;
    private const int InputOutput = 10;
    private const int Corrupt = 11;
    private const int Full = 13;
    private const int CannotOpen = 14;
    private const int NotADatabase = 26;

    /// <summary>The trouble behind an exception; null when the file is not what failed.</summary>
    public static StorageTrouble? Behind(Exception? e)
    {
        for (; e is not null; e = e.InnerException)
        {
            switch (e)
            {
                case SqliteException sqlite when Of(sqlite.SqliteErrorCode) is { } trouble:
                    return trouble;
                // ERROR_DISK_FULL and ENOSPC as .NET reports them.
                case IOException io when (io.HResult & 0xFFFF) is 112 or 28:
                    return Of(Full);
                // EROFS: the disk itself is mounted for reading.
                case IOException io when (io.HResult & 0xFFFF) is 30:
                    return Of(ReadOnly);
                case UnauthorizedAccessException:
                    return Of(ReadOnly);
            }
        }

        return null;
    }

    private static StorageTrouble? Of(int code) => code switch
    {
        Busy or Locked => new("The job file is held by another program. Close what reads or copies it, or try again in a moment.", true),
        Full => new("The disk is full. Free some space, then try again.", false),
        ReadOnly => new("The job file, or the folder it is in, may not be written. Give the program the right to write there, then try "
            + "again.", false),
        InputOutput => new("The disk did not take or give what was asked of it. Look at the disk, then try again.", false),
        Corrupt or NotADatabase => new("The job file is damaged, or is no job file. Stop the program and put a backup in its place.",
            false),
        CannotOpen => new("The job file cannot be opened. Its folder may be gone, or may not be written.", false),
        _ => null,
    };
}
