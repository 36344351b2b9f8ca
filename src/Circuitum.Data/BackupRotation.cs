using System.Globalization;

namespace Circuitum.Data;

/// <summary>Backups of a folder, one a day: the last days are kept, then one a week, then one a month.</summary>
public static class BackupRotation
{
    private const string Before = "circuitum-";
    private const string After = ".backup";

    /// <summary>Days that are all kept.</summary>
    public const int Days = 7;

    /// <summary>Weeks of which one is kept.</summary>
    public const int Weeks = 5;

    /// <summary>Months of which one is kept.</summary>
    public const int Months = 12;

    /// <summary>The days to be kept of those that there are: the first of its week or month stands for it, so that what is kept today is
    /// kept tomorrow.</summary>
    /// <param name="days">Days of which there is a backup.</param>
    public static IReadOnlySet<DateOnly> Kept(IEnumerable<DateOnly> days)
    {
        var newest = days.Distinct().OrderDescending().ToList();
        return newest.Take(Days)
            .Concat(newest.GroupBy(d => ISOWeek.GetYear(d.ToDateTime(default)) * 100 + ISOWeek.GetWeekOfYear(d.ToDateTime(default)))
                .OrderByDescending(g => g.Key).Take(Weeks).Select(g => g.Min()))
            .Concat(newest.GroupBy(d => (d.Year * 12) + d.Month).OrderByDescending(g => g.Key).Take(Months).Select(g => g.Min()))
            .ToHashSet();
    }

    /// <summary>Makes the backup of a day where it is not there yet, and takes away what is not to be kept. Files of other names are never
    /// touched.</summary>
    /// <param name="database">The database; it may be in use.</param>
    /// <param name="folder">The folder; it is made where it is not there.</param>
    /// <param name="today">The day.</param>
    /// <returns>What is in it; null where it was there already.</returns>
    /// <exception cref="PreparationException">It cannot be done; the message says why.</exception>
    public static BackupContents? Make(string database, string folder, DateOnly today)
    {
        var file = Path.Combine(folder, $"{Before}{today:yyyy-MM-dd}{After}");
        try
        {
            Directory.CreateDirectory(folder);
            if (File.Exists(file))
            {
                return null;
            }

            // Under another name until it is whole and looked through.
            var half = file + ".half";
            File.Delete(half);
            var contents = Backups.Write(database, half);
            File.Move(half, file);
            var there = Of(folder).ToList();
            var kept = Kept(there.Select(b => b.Day));
            foreach (var (path, _) in there.Where(b => !kept.Contains(b.Day)))
            {
                File.Delete(path);
            }

            return contents;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new PreparationException($"No backup was written to {folder}: {e.Message}", e);
        }
    }

    /// <summary>The backups of a folder, the newest first.</summary>
    public static IEnumerable<(string Path, DateOnly Day)> Of(string folder) => !Directory.Exists(folder) ? [] :
        Directory.EnumerateFiles(folder, $"{Before}*{After}")
            .Select(p => (Path: p, Is: DateOnly.TryParseExact(Path.GetFileName(p)[Before.Length..^After.Length], "yyyy-MM-dd",
                CultureInfo.InvariantCulture, DateTimeStyles.None, out var day), Day: day))
            .Where(b => b.Is).OrderByDescending(b => b.Day).Select(b => (b.Path, b.Day));
}
