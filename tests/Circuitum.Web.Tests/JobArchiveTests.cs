using System.IO.Compression;
using System.Net;
using System.Text;
using Circuitum.Data;
using Circuitum.Formats.JobFile;
using Circuitum.Formats.Offers;
using Circuitum.Formats.Photographs;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace Circuitum.Web.Tests;

/// <summary>Everything of a job in one archive: it comes back the same, and nothing bad in it is believed.</summary>
public sealed class JobArchiveTests : IDisposable
{
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    // A job that was worked at: changed, undone, named, written down on site, photographed, printed, priced.
    private async Task<byte[]> ArchiveAsync()
    {
        var visitor = await host.AtAsync("/job/demo/boxes");
        await visitor.PostAsync("/job/demo/boxes?handler=Height", ("box", "f-r2"), ("height", "20\""));
        await visitor.GetAsync("/job/demo/boxes");
        await visitor.PostAsync("/job/demo/boxes?handler=Undo", ("from", "2"));
        await visitor.GetAsync("/job/demo/history");
        await visitor.PostAsync("/job/demo/history?handler=Name", inPlace: false, ("number", "2"), ("name", "permit set"));
        await visitor.Http.PostAsync("/job/demo/site/entries", new StringContent("""
            [{"id":"0d4f7e8e-9a53-4a0e-8b36-1f2f5a0f0c11","subject":"box:f-r2","step":"MadeUp","at":"2026-11-30T08:00:00Z","revision":3}]
            """, Encoding.UTF8, "application/json"));
        await visitor.GetAsync("/job/demo/money");
        await visitor.PostAsync("/job/demo/money?handler=Estimate", inPlace: false);
        return await (await visitor.Http.GetAsync("/job/demo/file/whole-job.zip")).Content.ReadAsByteArrayAsync();
    }

    private static SortedDictionary<string, string> Files(byte[] archive)
    {
        using var zip = new ZipArchive(new MemoryStream(archive));
        return new(zip.Entries.ToDictionary(e => e.FullName, e =>
        {
            using var from = e.Open();
            using var into = new MemoryStream();
            from.CopyTo(into);
            return Convert.ToHexString(into.ToArray());
        }), StringComparer.Ordinal);
    }

    [Fact] // into another server, and out again: file by file the same
    public async Task A_job_comes_back_from_its_archive_the_same()
    {
        var archive = await ArchiveAsync();
        using var other = new BenchHost();
        var (status, text) = await (await other.AtAsync("/")).BringAsync(archive, "whole-job.zip");
        Assert.Equal(HttpStatusCode.Redirect, status);
        _ = text;
        var key = (await other.Revisions.ListAsync()).Single(j => !j.IsDemo).Key;
        var again = await (await other.Visit().Http.GetAsync($"/job/{key}/file/whole-job.zip")).Content.ReadAsByteArrayAsync();
        Assert.Equal(Files(archive), Files(again));
        Assert.Contains("milestones.json", Files(archive).Keys);
        Assert.Equal(3, Files(archive).Keys.Count(k => k.StartsWith("revisions/", StringComparison.Ordinal)));
        // It is worked at like any other: undone, and named.
        var page = await other.Visit().GetAsync($"/job/{key}/history");
        Assert.Contains("permit set", page, StringComparison.Ordinal);
    }

    private static byte[] Changed(byte[] archive, string name, Func<string, string?> change)
    {
        var stream = new MemoryStream();
        stream.Write(archive);
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Update, leaveOpen: true))
        {
            var entry = zip.GetEntry(name)!;
            string text;
            using (var reader = new StreamReader(entry.Open()))
            {
                text = reader.ReadToEnd();
            }

            entry.Delete();
            if (change(text) is { } other)
            {
                using var into = new StreamWriter(zip.CreateEntry(name).Open());
                into.Write(other);
            }
        }

        return stream.ToArray();
    }

    [Fact]
    public async Task What_is_wrong_with_an_archive_is_said_and_nothing_of_it_is_kept()
    {
        var archive = await ArchiveAsync();
        (string Says, byte[] Bytes)[] bad =
        [
            ("is no archive", [1, 2, 3]),
            ("is no archive", archive[..(archive.Length / 2)]),
            ("has no archive.json", Changed(archive, "archive.json", _ => null)),
            ("it says something", Changed(archive, "archive.json", t => t.Replace("circuitum-archive", "something",
                StringComparison.Ordinal))),
            ("archive.json cannot be read", Changed(archive, "archive.json", _ => "{")),
            ("has no revisions/000002.circuitum.json", Changed(archive, "revisions/000002.circuitum.json", _ => null)),
            ("count on from 1", Changed(archive, "revisions.json", t => t.Replace("\"number\": 2", "\"number\": 7",
                StringComparison.Ordinal))),
            ("undoes what was not done", Changed(archive, "revisions.json", t => t.Replace("\"kind\": \"change\"",
                "\"kind\": \"undo\"", StringComparison.Ordinal))),
            ("revisions.json cannot be read", Changed(archive, "revisions.json", t => t.Replace("\"who\": \"crew\"", "\"who\": null",
                StringComparison.Ordinal))),
            ("was not taken", Changed(archive, "revisions/000003.circuitum.json", _ => "{\"format\":\"other\"}")),
            ("the same number or id", Changed(archive, "milestones.json", t => t.Replace("[", "[" + t.Trim()[1..^1] + ",",
                StringComparison.Ordinal))),
            ("This offer cannot be read", Changed(archive, "offers.json", t => t.Replace("\"document\": \"{", "\"document\": \"[",
                StringComparison.Ordinal))),
            ("site.json cannot be read", Changed(archive, "site.json", t => t.Replace("\"step\"", "\"stop\"", StringComparison.Ordinal))),
        ];
        var before = (await host.Revisions.ListAsync()).Count;
        var visitor = await host.AtAsync("/");
        foreach (var (says, bytes) in bad)
        {
            var (status, text) = await visitor.BringAsync(bytes, "whole-job.zip");
            Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
            Assert.Contains(says, text, StringComparison.Ordinal);
        }

        Assert.Equal(before, (await host.Revisions.ListAsync()).Count);
    }

    [Fact] // a file that says it is small and unpacks without end
    public async Task What_unpacks_without_end_is_stopped()
    {
        var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            await using var into = zip.CreateEntry("archive.json").Open();
            var zeros = new byte[1024 * 1024];
            for (var i = 0; i < 40; i++)
            {
                await into.WriteAsync(zeros);
            }
        }

        Assert.InRange(stream.Length, 1, 200_000);
        var (status, text) = await (await host.AtAsync("/")).BringAsync(stream.ToArray(), "whole-job.zip");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("larger than what such an archive holds", text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_hundred_archives_with_bytes_turned_are_each_read_or_refused()
    {
        var archive = await ArchiveAsync();
        var databases = host.Services.GetRequiredService<IDbContextFactory<JobsDb>>();
        var lot = new Random(7);
        var (read, refused) = (0, 0);
        for (var i = 0; i < 200; i++)
        {
            var bytes = (byte[])archive.Clone();
            for (var turned = 0; turned <= i % 4; turned++)
            {
                bytes[lot.Next(bytes.Length)] ^= (byte)(1 << lot.Next(8));
            }

            try
            {
                await JobArchives.ReadAsync(databases, TimeProvider.System, new MemoryStream(bytes), d => JobFiles.Read(d),
                    p => Photograph.Read(p) is var photograph ? (photograph.MediaType, photograph.Bytes) : default,
                    o => OfferFiles.Read(o));
                read++;
            }
            catch (Exception e) when (e is FormatException or JobFileException)
            {
                refused++;
            }
        }

        Assert.Equal(200, read + refused);
        Assert.True(refused > 20, $"{refused} refused");
    }
}
