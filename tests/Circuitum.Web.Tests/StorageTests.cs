using System.Net;
using Circuitum.Data;
using Circuitum.Formats.JobFile;
using Circuitum.Web.Bench;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace Circuitum.Web.Tests;

/// <summary>What can go wrong with the file that all jobs are in: each is told in a sentence, loses nothing that was acknowledged, and is
/// over when its cause is.</summary>
public sealed class StorageTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("circuitum-storage-").FullName;

    private string File => Path.Combine(folder, "jobs.db");

    public void Dispose()
    {
        Databases.Close(File);
        Directory.Delete(folder, recursive: true);
    }

    [Fact] // kill -9 while the migrations hold their lock: the row stays, and every later start would wait for it for ever
    public async Task A_start_that_was_killed_while_it_upgraded_the_file_is_gone_on_with()
    {
        await using (var db = new DatabaseAt(File).CreateDbContext())
        {
            await db.Database.MigrateAsync("20261125023050_RuleSetsAndDrawings");
            await db.Database.ExecuteSqlRawAsync(
                "CREATE TABLE IF NOT EXISTS \"__EFMigrationsLock\" (\"Id\" INTEGER NOT NULL PRIMARY KEY, \"Timestamp\" TEXT NOT NULL)");
            await db.Database.ExecuteSqlRawAsync("INSERT INTO \"__EFMigrationsLock\" VALUES (1, '2026-11-27 08:00:00')");
        }

        var said = new List<string>();
        await new Preparation(new DatabaseAt(File)).RunAsync(said.Add).WaitAsync(TimeSpan.FromSeconds(15));
        Assert.Contains(said, s => s.Contains("was cut off", StringComparison.Ordinal));
        Assert.Empty(await new JobRevisions(new DatabaseAt(File), TimeProvider.System).ListAsync());
    }

    [Fact]
    public async Task Ten_that_start_at_once_on_a_new_file_all_start()
    {
        await Task.WhenAll(Enumerable.Range(0, 10).Select(_ => Task.Run(async () =>
        {
            var revisions = new JobRevisions(new DatabaseAt(File), TimeProvider.System);
            await revisions.PrepareAsync();
            await new Demo(revisions).LoadOnceAsync();
        })));
        // Each demo once, the first at the head.
        Assert.Equal(["14 Fernhollow Rise", "3 Quarrel Bend", "27 Tarn Hollow", "Villa Saltbush"],
            (await new JobRevisions(new DatabaseAt(File), TimeProvider.System).ListAsync()).Select(j => j.Name));
    }

    [Theory]
    [InlineData("this is no database, and far longer than the header of one would be: it is a text about a house",
        "damaged, or is no job file")]
    [InlineData("", null)]
    public async Task A_file_that_is_none_is_told(string text, string? says)
    {
        await System.IO.File.WriteAllTextAsync(File, text);
        var start = new Preparation(new DatabaseAt(File)).RunAsync(_ => { });
        if (says is null)
        {
            await start;
            return;
        }

        var refused = await Assert.ThrowsAsync<PreparationException>(() => start);
        Assert.Contains(says, refused.Message, StringComparison.Ordinal);
        Assert.Contains(File, refused.Message, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_folder_that_is_not_there_and_a_file_of_a_newer_version_are_told()
    {
        Assert.Contains("is not there",
            (await Assert.ThrowsAsync<PreparationException>(() => new Preparation(new DatabaseAt(Path.Combine(folder, "none", "jobs.db")))
                .RunAsync(_ => { }))).Message, StringComparison.Ordinal);
        var revisions = new JobRevisions(new DatabaseAt(File), TimeProvider.System);
        await revisions.PrepareAsync();
        await using (var db = new DatabaseAt(File).CreateDbContext())
        {
            await db.Database.ExecuteSqlRawAsync("INSERT INTO \"__EFMigrationsHistory\" VALUES ('20991231000000_FromTheFuture', '99.0.0')");
        }

        Assert.Contains("newer version", (await Assert.ThrowsAsync<PreparationException>(() => revisions.PrepareAsync())).Message,
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_file_that_another_program_holds_refuses_the_edit_in_a_sentence_and_takes_it_afterwards()
    {
        using var host = new BenchHost();
        var visitor = await host.AtAsync("/job/demo/boxes");
        using (var other = new SqliteConnection($"Data Source={host.Database}"))
        {
            other.Open();
            Execute(other, "BEGIN IMMEDIATE");
            var (status, text, answer) = await visitor.PostAsync("/job/demo/boxes?handler=Move", ("box", "f-r2"), ("offset", "44\""));
            Assert.Equal(HttpStatusCode.ServiceUnavailable, status);
            Assert.Equal("Not saved. The job file is held by another program. Close what reads or copies it, or try again in a moment.",
                text);
            Assert.Equal("5", answer.Headers.GetValues("Retry-After").Single());
            // Reading goes on.
            await visitor.GetAsync("/job/demo/boxes");
            Execute(other, "ROLLBACK");
        }

        Assert.Equal(HttpStatusCode.OK,
            (await visitor.PostAsync("/job/demo/boxes?handler=Move", ("box", "f-r2"), ("offset", "44\""))).Status);
    }

    [Theory] // SQLite's result codes
    [InlineData(13, "The disk is full")]
    [InlineData(8, "may not be written")]
    [InlineData(10, "The disk did not take")]
    [InlineData(11, "damaged")]
    [InlineData(14, "cannot be opened")]
    [InlineData(1, null)]
    public void What_the_file_could_not_do_is_told_in_words(int code, string? says)
    {
        var trouble = StorageTrouble.Behind(new InvalidOperationException("save",
            new DbUpdateException("update", new SqliteException("x", code))));
        Assert.Equal(says is null, trouble is null);
        Assert.Contains(says ?? "", trouble?.Sentence ?? "", StringComparison.Ordinal);
    }

    [Fact] // the log is lost, or the file was copied alone while a server was running
    public async Task Revisions_that_were_acknowledged_and_are_not_there_are_noticed()
    {
        var revisions = new JobRevisions(new DatabaseAt(File), TimeProvider.System);
        await revisions.PrepareAsync();
        await new Demo(revisions).LoadOnceAsync();
        while (!System.IO.File.Exists(File + ".newest"))
        {
            await Task.Yield();
        }

        Assert.Equal(0, (await revisions.PrepareAsync()).Missing);
        await System.IO.File.WriteAllTextAsync(File + ".newest", $"{40 + Demo.All.Count}");
        Assert.Equal(40, (await revisions.PrepareAsync()).Missing);
    }

    [Fact]
    public async Task With_the_clock_set_back_saves_go_on_in_order()
    {
        var clock = new Clock();
        var revisions = new JobRevisions(new DatabaseAt(File), clock);
        await revisions.PrepareAsync();
        var key = await revisions.StartAsync("crew", "Start", "House", "{}");
        for (var number = 1; number < 6; number++)
        {
            clock.Now -= TimeSpan.FromDays(400);
            Assert.IsType<Saving.Saved>(await revisions.AppendAsync(key, number,
                new(RevisionKind.Change, 0, "crew", $"{number}", "House", "{}")));
        }

        Assert.Equal([1, 2, 3, 4, 5, 6], (await revisions.OfAsync(key)).Select(r => r.Number));
        Assert.Equal(6, Assert.Single(await revisions.ListAsync()).Latest.Number);
        clock.Now -= TimeSpan.FromDays(400);
        Assert.NotEqual(key, await revisions.StartAsync("crew", "Start", "Barn", "{}"));
    }

    [Fact]
    public async Task An_address_that_is_in_use_ends_the_start_with_a_sentence()
    {
        using var first = ServerProcess.Start(File);
        using var http = await first.AnswersAsync();
        using var second = ServerProcess.Start(Path.Combine(folder, "other.db"), first.Address);
        var (code, errors) = await second.EndedAsync();
        Assert.Equal(1, code);
        Assert.Contains("The address is in use", errors, StringComparison.Ordinal);
        Assert.DoesNotContain("   at ", errors, StringComparison.Ordinal);
    }

    [Fact] // saved by a server that was killed, copied whole, opened elsewhere
    public async Task What_a_killed_server_acknowledged_is_in_its_backup()
    {
        using (var server = ServerProcess.Start(File))
        {
            using var http = await server.AnswersAsync();
            var visitor = new Visitor(http);
            await visitor.GetAsync("/job/demo/boxes");
            Assert.Equal(HttpStatusCode.OK,
                (await visitor.PostAsync("/job/demo/boxes?handler=Move", ("box", "f-r2"), ("offset", "45\""))).Status);
            server.Kill();
            await server.EndedAsync();
        }

        var backup = Path.Combine(folder, "backup.db");
        Assert.Equal(1 + Demo.All.Count, Backups.Write(File, backup).Revisions);
        var job = JobFiles.Read((await new JobRevisions(new DatabaseAt(backup), TimeProvider.System).DocumentAsync(Demo.Key, 2))!);
        Assert.Equal(45, job.Boxes.Single(b => b.Id.Value == "f-r2").Offset.Inches);
    }

    private static void Execute(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    private sealed class Clock : TimeProvider
    {
        public DateTimeOffset Now { get; set; } = new(2026, 11, 27, 12, 0, 0, TimeSpan.Zero);

        public override DateTimeOffset GetUtcNow() => Now;
    }
}
