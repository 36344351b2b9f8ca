using System.Globalization;
using Circuitum.Core.Jobs;
using Circuitum.Data;
using Circuitum.Formats.JobFile;
using CsCheck;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace Circuitum.Web.Tests;

/// <summary>Revisions lie as what makes them of the one before, and come back as they were.</summary>
public sealed class RevisionDocumentTests
{
    private static string Again(string before, byte[] difference) => string.Join('\n', Difference.Apply(before.Split('\n'), difference));

    [Fact]
    public void What_was_made_of_a_text_makes_the_other_again()
    {
        // Few different lines, so that stretches move, repeat and overlap; among them empty ones and some with every kind of letter.
        var text = Gen.OneOfConst("", "a", "b", "{", "},", "  \"x\": 1", "č \u2028 \ud83d\udd0c\r").Array[0, 40]
            .Select(lines => string.Join('\n', lines));
        Gen.Select(text, text).Sample((before, after) => Again(before, Difference.Of(before, after)) == after, iter: 3000);
    }

    [Fact]
    public void A_line_that_changes_in_a_thousand_is_a_few_bytes()
    {
        string[] lines = [.. Enumerable.Range(0, 1000).Select(i => string.Create(CultureInfo.InvariantCulture, $"line {i}"))];
        var before = string.Join('\n', lines);
        lines[500] = "another";
        lines[900] = "and another";
        Assert.InRange(Difference.Of(before, string.Join('\n', lines)).Length, 10, 60);
    }

    [Fact]
    public void Bytes_that_were_damaged_are_told_and_nothing_else()
    {
        const string Before = "a\nb\nc\nd", After = "a\nx\nc\nd\ne";
        var packed = Difference.Of(Before, After);
        for (var at = 0; at < packed.Length; at++)
        {
            for (var bit = 0; bit < 8; bit++)
            {
                byte[] damaged = [.. packed];
                damaged[at] ^= (byte)(1 << bit);
                var thrown = Record.Exception(() => Again(Before, damaged));
                Assert.True(thrown is null or DamagedDocumentException, $"byte {at}, bit {bit}: {thrown}");
            }
        }
    }

    private static Job Step(Job job, Random random)
    {
        var at = random.Next(job.Boxes.Length);
        return random.Next(4) switch
        {
            0 => job with { Name = $"Job {random.Next(100)}" },
            1 => job with { Boxes = job.Boxes.RemoveAt(at) },
            _ => job with { Boxes = job.Boxes.SetItem(at, job.Boxes[at] with { Name = $"Box {random.Next(1000)}" }) },
        };
    }

    [Fact]
    public async Task Two_hundred_steps_are_read_back_each_as_it_was_and_take_a_tenth_of_the_room()
    {
        using var host = new BenchHost();
        var job = await host.NewestAsync();
        var random = new Random(21);
        var documents = new List<string> { JobFiles.Write(job) };
        var key = await host.Revisions.StartAsync("crew", "Start", job.Name, documents[0]);
        for (var number = 1; number < 200; number++)
        {
            job = Step(job, random);
            documents.Add(JobFiles.Write(job));
            // Now and then by another program on the same file, that has nothing in mind.
            var writes = number % 10 == 0
                ? new JobRevisions(host.Services.GetRequiredService<IDbContextFactory<JobsDb>>(), TimeProvider.System) : host.Revisions;
            Assert.IsType<Saving.Saved>(await writes.AppendAsync(key, number, new(RevisionKind.Change, 0, "crew", "A step", job.Name,
                documents[number])));
        }

        for (var number = 1; number <= 200; number++)
        {
            Assert.Equal(documents[number - 1], await host.Revisions.DocumentAsync(key, number));
        }

        Assert.Null(await host.Revisions.DocumentAsync(key, 201));
        Assert.Null(await host.Revisions.DocumentAsync(key, 0));
        await using var db = await host.Services.GetRequiredService<IDbContextFactory<JobsDb>>().CreateDbContextAsync();
        var rows = await db.Revisions.Where(r => r.JobKey == key.Value).OrderBy(r => r.Number).ToListAsync();
        Assert.Equal([1, 65, 129, 193], rows.Where(r => !r.IsDifference).Select(r => r.Number));
        var whole = rows.Where(r => !r.IsDifference).Average(r => r.Document.Length);
        Assert.True(rows.Average(r => r.Document.Length) < whole / 10, $"{rows.Average(r => r.Document.Length):0} of {whole:0} bytes");

        // The whole of it leaves and comes back in its archive.
        await using var zip = new MemoryStream();
        Assert.True(await JobArchives.WriteAsync(host.Services.GetRequiredService<IDbContextFactory<JobsDb>>(), key, zip));
        zip.Position = 0;
        var again = await JobArchives.ReadAsync(host.Services.GetRequiredService<IDbContextFactory<JobsDb>>(), TimeProvider.System, zip,
            _ => { }, p => ("image/jpeg", p), _ => { });
        foreach (var number in new[] { 1, 2, 64, 65, 66, 128, 200 })
        {
            Assert.Equal(documents[number - 1], await host.Revisions.DocumentAsync(again, number));
        }
    }

    [Fact]
    public async Task Where_one_is_damaged_the_job_opens_as_it_was_before_and_goes_on()
    {
        using var host = new BenchHost();
        var job = await host.NewestAsync();
        var key = await host.Revisions.StartAsync("crew", "Start", job.Name, JobFiles.Write(job));
        for (var number = 1; number < 70; number++)
        {
            job = job with { Name = $"Job {number + 1}" };
            await host.Revisions.AppendAsync(key, number, new(RevisionKind.Change, 0, "crew", "A step", job.Name, JobFiles.Write(job)));
        }

        await using (var db = await host.Services.GetRequiredService<IDbContextFactory<JobsDb>>().CreateDbContextAsync())
        {
            Assert.Equal(1, await db.Database.ExecuteSqlAsync(
                $"UPDATE Revisions SET Document = x'FFFFFF' WHERE JobKey = {key.Value} AND Number = 65"));
        }

        using var later = new BenchHost { Settings = [("Database", host.Database)] };
        await Assert.ThrowsAsync<DamagedDocumentException>(() => later.Revisions.DocumentAsync(key, 70));
        var visitor = later.Visit();
        var page = await visitor.GetAsync($"/job/{key}/boxes");
        Assert.Contains("Revision 70 cannot be opened", page, StringComparison.Ordinal);
        Assert.Contains("This is revision 64", page, StringComparison.Ordinal);
        Assert.Contains("damaged", await visitor.GetAsync($"/job/{key}/file/job.circuitum.json", System.Net.HttpStatusCode.Conflict),
            StringComparison.Ordinal);
        var box = job.Boxes[0].Id.Value;
        var (status, _, _) = await visitor.PostAsync($"/job/{key}/boxes?handler=NameBox", ("box", box), ("name", "After"), ("from", "70"));
        Assert.Equal(System.Net.HttpStatusCode.OK, status);
        Assert.Contains("After", await later.Revisions.DocumentAsync(key, 71), StringComparison.Ordinal);
        Assert.DoesNotContain("cannot be opened", await visitor.GetAsync($"/job/{key}/boxes"), StringComparison.Ordinal);
    }
}
