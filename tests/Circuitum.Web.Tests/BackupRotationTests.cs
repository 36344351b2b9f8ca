using Circuitum.Data;
using Circuitum.Web.Bench;
using Circuitum.Web.Edge;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Microsoft.Extensions.DependencyInjection;

namespace Circuitum.Web.Tests;

/// <summary>Backups that write themselves: which are kept, that they come back, and the file as it was before an upgrade.</summary>
public sealed class BackupRotationTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("circuitum-rotation-").FullName;

    public void Dispose()
    {
        Directory.Delete(folder, recursive: true);
    }

    private static readonly DateOnly First = new(2026, 1, 1);

    [Fact] // two years, a backup every day: seven days, five weeks, twelve months, and no more
    public void Days_weeks_and_months_are_kept()
    {
        var there = new HashSet<DateOnly>();
        for (var day = 0; day < 730; day++)
        {
            var today = First.AddDays(day);
            there.Add(today);
            there.IntersectWith(BackupRotation.Kept(there));
            Assert.All(Enumerable.Range(0, Math.Min(day + 1, BackupRotation.Days)), back => Assert.Contains(today.AddDays(-back), there));
            Assert.InRange(there.Count, 1, BackupRotation.Days + BackupRotation.Weeks + BackupRotation.Months);
        }

        var last = First.AddDays(729);
        Assert.All(Enumerable.Range(0, BackupRotation.Months), back => Assert.Contains(there, d => d.Year == last.AddMonths(-back).Year
            && d.Month == last.AddMonths(-back).Month));
        // Of the last five weeks each has one.
        Assert.All(Enumerable.Range(0, BackupRotation.Weeks - 1), back => Assert.Contains(there, d => d > last.AddDays(-7 * (back + 1))
            && d <= last.AddDays(-7 * back)));
        // A crew that was away for a year keeps what it had.
        Assert.True(there.IsSubsetOf(BackupRotation.Kept(there)));
    }

    [Fact]
    public async Task A_days_backup_is_made_once_and_comes_back_the_same()
    {
        using var host = new BenchHost();
        var visitor = await host.AtAsync("/job/demo/boxes");
        await visitor.PostAsync("/job/demo/boxes?handler=Height", ("box", "f-r2"), ("height", "20\""));
        var made = BackupRotation.Make(host.Database, folder, First);
        Assert.Equal(1 + Demo.All.Count, made!.Revisions);
        Assert.Null(BackupRotation.Make(host.Database, folder, First));
        // What is not ours in the folder stays.
        File.WriteAllText(Path.Combine(folder, "circuitum-notes.backup"), "x");
        Assert.NotNull(BackupRotation.Make(host.Database, folder, First.AddDays(1)));
        Assert.Equal([First.AddDays(1), First], BackupRotation.Of(folder).Select(b => b.Day));
        Assert.True(File.Exists(Path.Combine(folder, "circuitum-notes.backup")));
        var back = Path.Combine(folder, "back.db");
        Assert.Equal(made, Backups.Restore(BackupRotation.Of(folder).Last().Path, back));
    }

    [Fact]
    public void A_folder_that_cannot_be_is_said_and_nothing_half_stays()
    {
        var file = Path.Combine(folder, "file");
        File.WriteAllText(file, "");
        using var host = new BenchHost();
        _ = host.Services;
        Assert.Contains("No backup was written", Assert.Throws<PreparationException>(() => BackupRotation.Make(host.Database,
            Path.Combine(file, "below"), First)).Message, StringComparison.Ordinal);
        Assert.Empty(Directory.EnumerateFiles(folder, "*.half"));
    }

    [Fact]
    public async Task The_job_list_says_of_the_backup_that_writes_itself()
    {
        using var plain = new BenchHost();
        Assert.Contains("Started with BACKUPS=folder", await plain.Visit().GetAsync("/"), StringComparison.Ordinal);
        using var host = new BenchHost().WithWebHostBuilder(b => b.UseSetting("Backups", Path.Combine(folder, "kept")));
        host.Services.GetRequiredService<BackupSchedule>().Make();
        var page = await new Visitor(host.CreateClient()).GetAsync("/");
        Assert.Contains("One is written every day by itself", page, StringComparison.Ordinal);
        Assert.Single(BackupRotation.Of(Path.Combine(folder, "kept")));
    }

    [Fact] // a file of the step before the last: kept as it was, then upgraded
    public async Task Before_an_upgrade_the_file_is_kept_as_it_was()
    {
        var file = Path.Combine(folder, "old.db");
        var options = new DbContextOptionsBuilder<JobsDb>();
        Databases.Use(options, file);
        string last;
        await using (var db = new JobsDb(options.Options))
        {
            var all = db.Database.GetMigrations().ToList();
            last = all[^1];
            await db.GetService<IMigrator>().MigrateAsync(all[^2]);
            await db.Database.ExecuteSqlRawAsync("INSERT INTO Jobs (Key, IsDemo, StartedAt) VALUES ('k', 0, 0)");
        }

        Databases.Close(file);
        var said = new List<string>();
        await new JobRevisions(new Factory(options.Options), TimeProvider.System).PrepareAsync(said.Add);
        var kept = $"{file}.before-{last}";
        Assert.Contains(said, s => s.Contains(Path.GetFileName(kept), StringComparison.Ordinal));
        Databases.Close(file);
        var before = new DbContextOptionsBuilder<JobsDb>();
        Databases.Use(before, kept);
        await using var old = new JobsDb(before.Options);
        Assert.Equal([last], await old.Database.GetPendingMigrationsAsync());
        Assert.Equal(1, await old.Database.SqlQuery<int>($"SELECT COUNT(*) AS Value FROM Jobs").SingleAsync());
    }

    private sealed class Factory(DbContextOptions<JobsDb> options) : IDbContextFactory<JobsDb>
    {
        public JobsDb CreateDbContext() => new(options);
    }
}
