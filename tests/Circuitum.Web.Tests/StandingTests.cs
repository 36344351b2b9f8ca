using System.Net;
using System.Text;
using Circuitum.Core.Jobs;
using Circuitum.Data;
using Circuitum.Formats.JobFile;
using Circuitum.Web.Bench;
using Microsoft.Extensions.DependencyInjection;

namespace Circuitum.Web.Tests;

/// <summary>What was found under attack, each once: nothing a person sends ends the server, spoils a job, or gets a five hundred.</summary>
public sealed class StandingTests
{
    // Boxes that, put on another circuit by hand, make cables come back to a box that they left.
    [Theory]
    [InlineData("l-washer", "entry-lights")]
    [InlineData("d-r4", "entry-lights")]
    [InlineData("k-island", "entry-lights")]
    [InlineData("e-sw", "house-outdoors")]
    public async Task A_box_moved_to_any_circuit_leaves_the_places_of_the_panel_to_be_asked(string box, string circuit)
    {
        using var host = new BenchHost();
        var visitor = await host.AtAsync("/job/demo/circuits");
        var (status, text, _) = await visitor.PostAsync("/job/demo/circuits?handler=ToCircuit", ("box", box), ("circuit", circuit),
            ("anyway", "true"));
        Assert.True(status == HttpStatusCode.OK, text);
        Assert.Contains("ft", await visitor.GetAsync("/job/demo/places/A"), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("PinSpace", "space", "3")]
    [InlineData("PinCable", "gauge", "12")]
    [InlineData("PinBreaker", "rating", "20")]
    [InlineData("Family", "family", "Line B")]
    [InlineData("PutInPipe", "pipe", "P1")]
    [InlineData("Describe", "text", "Den")]
    [InlineData("AddDevice", "box", "f-r2")]
    [InlineData("Centre", "box", "f-r2")]
    public async Task A_form_that_leaves_a_field_out_is_told_which_and_nothing_is_stored(string handler, string field, string value)
    {
        using var host = new BenchHost();
        var visitor = await host.AtAsync("/job/demo/panel");
        var (status, text, _) = await visitor.PostAsync($"/job/demo/panel?handler={handler}", (field, value));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("did not send “", text, StringComparison.Ordinal);
        Assert.Single(await host.Revisions.OfAsync(Demo.Key));
    }

    [Theory]
    [InlineData("PinSpace", "space", "3")]
    [InlineData("PinBreaker", "rating", "20")]
    public async Task A_circuit_left_empty_is_no_circuit(string handler, string field, string value)
    {
        using var host = new BenchHost();
        var visitor = await host.AtAsync("/job/demo/panel");
        var (status, text, _) = await visitor.PostAsync($"/job/demo/panel?handler={handler}", ("circuit", ""), (field, value));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("names no circuit", text, StringComparison.Ordinal);
        Assert.Single(await host.Revisions.OfAsync(Demo.Key));
    }

    [Fact]
    public async Task Every_pair_of_rooms_is_merged_or_refused()
    {
        using var host = new BenchHost();
        var visitor = await host.AtAsync("/job/demo/house");
        var rooms = (await host.NewestAsync()).Rooms.Select(r => r.Id.Value).ToList();
        var merged = 0;
        foreach (var (room, with) in rooms.SelectMany(r => rooms.Where(w => w != r).Select(w => (r, w))))
        {
            var (status, text, _) = await visitor.PostAsync("/job/demo/house?handler=MergeRooms", ("room", room), ("with", with));
            Assert.True(status == HttpStatusCode.OK
                || (status == HttpStatusCode.UnprocessableEntity && !text.Contains("cannot plan", StringComparison.Ordinal)),
                $"{room} with {with}: {text}");
            if (status == HttpStatusCode.OK)
            {
                merged++;
                Assert.Equal(HttpStatusCode.OK, (await visitor.PostAsync("/job/demo/house?handler=Undo")).Status);
            }
        }

        Assert.True(merged > 20, $"{merged} merged");
    }

    [Theory]
    [InlineData("level=.1")]
    [InlineData("level=%C3%A9:%C3%BC&on=%C3%A9:%C3%BC")]
    [InlineData("on=%EF%BF%BE")]
    [InlineData("on=wall:.1")]
    [InlineData("on=run:a:b>c")]
    public async Task Odd_addresses_show_the_bench(string query)
    {
        using var host = new BenchHost();
        foreach (var stage in new[] { "house", "boxes", "circuits", "runs", "panel" })
        {
            await host.Visit().GetAsync($"/job/demo/{stage}?{query}");
        }
    }

    [Theory]
    [InlineData("TRACE")]
    [InlineData("PUT")]
    [InlineData("PATCH")]
    [InlineData("DELETE")]
    [InlineData("FOO")]
    public async Task Only_GET_HEAD_and_POST_are_let_in(string method)
    {
        using var host = new BenchHost();
        using var http = host.CreateClient();
        var answer = await http.SendAsync(new(new(method), "/job/demo/house"));
        Assert.Equal(HttpStatusCode.MethodNotAllowed, answer.StatusCode);
        Assert.Equal(["GET", "HEAD", "POST"], answer.Content.Headers.Allow);
        Assert.Contains("not done at this address", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("localhost", HttpStatusCode.OK)]
    [InlineData("127.0.0.1:5080", HttpStatusCode.OK)]
    [InlineData("evil.example", HttpStatusCode.BadRequest)]
    [InlineData("localhost.evil.example", HttpStatusCode.BadRequest)]
    public async Task Only_hosts_that_are_ours_are_answered(string name, HttpStatusCode status)
    {
        using var host = new BenchHost();
        using var http = host.CreateClient();
        using var request = new HttpRequestMessage(HttpMethod.Get, "/");
        request.Headers.Host = name;
        Assert.Equal(status, (await http.SendAsync(request)).StatusCode);
    }

    [Fact]
    public async Task Every_answer_says_what_a_browser_may_do_and_what_is_private_is_not_kept()
    {
        using var host = new BenchHost();
        using var http = host.CreateClient();
        foreach (var address in new[] { "/", "/job/demo/house", "/job/demo/file/schedule.csv", "/job/demo/file/job.circuitum.json",
            "/nothing", "/bench" })
        {
            var answer = await http.GetAsync(address);
            Assert.Contains("no-store", answer.Headers.GetValues("Cache-Control").Single(), StringComparison.Ordinal);
            Assert.Equal("same-origin", answer.Headers.GetValues("Cross-Origin-Opener-Policy").Single());
            Assert.Equal("same-origin", answer.Headers.GetValues("Cross-Origin-Resource-Policy").Single());
            Assert.Contains("camera=()", answer.Headers.GetValues("Permissions-Policy").Single(), StringComparison.Ordinal);
            Assert.False(answer.Headers.Contains("Server"));
        }
    }

    [Theory]
    [InlineData("schedule.xlsx", "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet")]
    [InlineData("material.xlsx", "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet")]
    [InlineData("schedule.csv", "text/csv; charset=utf-8")]
    [InlineData("cable-labels.txt", "text/plain; charset=utf-8")]
    public async Task Files_are_sent_as_what_they_are_and_their_head_can_be_asked_for(string name, string type)
    {
        using var host = new BenchHost();
        using var http = host.CreateClient();
        var answer = await http.SendAsync(new(HttpMethod.Head, $"/job/demo/file/{name}"));
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Equal(type, answer.Content.Headers.ContentType!.ToString());
    }

    [Theory]
    [InlineData("Lead\r\nX: y")]
    [InlineData("a\u0000b")]
    [InlineData("x\u202Ey")]
    public async Task A_crew_name_of_several_lines_is_refused(string who)
    {
        using var host = new BenchHost();
        var visitor = await host.AtAsync("/job/demo/boxes");
        Assert.InRange((int)(await visitor.PostAsync("/?handler=Who", ("who", who))).Status, 400, 422);
        Assert.Equal(HttpStatusCode.UnprocessableEntity,
            (await visitor.PostAsync("/?handler=Who", ("who", new string('x', 10_000)))).Status);
    }

    [Fact]
    public async Task A_field_of_100_kB_or_a_form_of_2_MB_is_refused_in_a_sentence()
    {
        using var host = new BenchHost();
        var visitor = await host.AtAsync("/job/demo/boxes");
        var (status, text, _) = await visitor.PostAsync("/job/demo/boxes?handler=NameBox", ("box", "f-r2"),
            ("name", new string('x', 100_000)));
        Assert.Equal(HttpStatusCode.BadRequest, status);
        Assert.Contains("a field is too long", text, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge,
            (await visitor.PostAsync("/job/demo/boxes?handler=NameBox", ("box", "f-r2"), ("name", new string('x', 2_000_000)))).Status);
        Assert.Single(await host.Revisions.OfAsync(Demo.Key));
    }

    [Theory]
    [InlineData("a\u0007b")]
    [InlineData("a\ufffeb")]
    [InlineData("a\u202eb\u2069")]
    public async Task A_name_that_does_not_print_is_refused(string name)
    {
        using var host = new BenchHost();
        var visitor = await host.AtAsync("/job/demo/boxes");
        Assert.Equal(HttpStatusCode.UnprocessableEntity,
            (await visitor.PostAsync("/job/demo/boxes?handler=NameBox", ("box", "f-r2"), ("name", name))).Status);
    }

    [Theory]
    [InlineData("  north   wall \r\n behind", "north wall behind")]
    [InlineData("abc \u2067שלום", "abc \u2067שלום\u2069")]
    public async Task A_name_is_kept_on_one_line_with_its_direction_closed(string typed, string kept)
    {
        using var host = new BenchHost();
        var visitor = await host.AtAsync("/job/demo/boxes");
        Assert.Equal(HttpStatusCode.OK,
            (await visitor.PostAsync("/job/demo/boxes?handler=NameBox", ("box", "f-r2"), ("name", typed))).Status);
        Assert.Equal(kept, (await host.NewestAsync()).Boxes.Single(b => b.Id.Value == "f-r2").Name);
    }

    [Fact]
    public async Task A_newest_revision_that_cannot_be_read_is_told_the_one_before_is_opened_and_undo_reaches_it()
    {
        using var host = new BenchHost();
        var good = await host.NewestAsync();
        await host.Revisions.AppendAsync(Demo.Key, 1,
            new(RevisionKind.Change, 0, "crew", "Spoil it", good.Name,
                JobFiles.Write(good).Replace("\"boxes\"", "\"boxen\"", StringComparison.Ordinal)));
        var visitor = host.Visit();
        var page = await visitor.GetAsync("/job/demo/boxes");
        Assert.Contains("Revision 2 cannot be opened", page, StringComparison.Ordinal);
        Assert.Contains("This is revision 1", page, StringComparison.Ordinal);
        Assert.Contains("boxen", await visitor.GetAsync("/job/demo/file/job.circuitum.json"), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, (await visitor.PostAsync("/job/demo/boxes?handler=Undo", ("from", "2"))).Status);
        Assert.DoesNotContain("cannot be opened", await visitor.GetAsync("/job/demo/boxes"), StringComparison.Ordinal);
        Assert.Equal(JobFiles.Write(good), JobFiles.Write(await host.NewestAsync()));
        // Doing it again would bring back what nobody can read.
        var (status, text, _) = await visitor.PostAsync("/job/demo/boxes?handler=Redo");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("cannot be read", text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_job_of_which_nothing_can_be_read_says_so_and_gives_its_file()
    {
        using var host = new BenchHost();
        var key = await host.Revisions.StartAsync("crew", "Start", "Broken", "{\"no\":\"job\"}");
        using var http = host.CreateClient();
        var answer = await http.GetAsync($"/job/{key}/house");
        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        Assert.Contains($"/job/{key}/file/job.circuitum.json", WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync()),
            StringComparison.Ordinal);
        Assert.Equal("{\"no\":\"job\"}", await http.GetStringAsync($"/job/{key}/file/job.circuitum.json"));
    }

    [Fact]
    public async Task A_job_is_deleted_by_typing_its_name_and_the_demo_stays()
    {
        using var host = new BenchHost();
        var key = await host.Revisions.StartAsync("crew", "Start", "Barn", JobFiles.Write(await host.NewestAsync()));
        var visitor = await host.AtAsync("/job/demo/boxes");
        Assert.Equal(HttpStatusCode.UnprocessableEntity,
            (await visitor.PostAsync("/?handler=Delete", ("job", key.Value), ("typed", "Bern"))).Status);
        Assert.Equal(HttpStatusCode.UnprocessableEntity,
            (await visitor.PostAsync("/?handler=Delete", ("job", "demo"), ("typed", "14 Fernhollow Rise"))).Status);
        Assert.Equal(1 + Demo.All.Count, (await host.Revisions.ListAsync()).Count);
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.PostAsync("/?handler=Delete", ("job", key.Value), ("typed", "barn"))).Status);
        Assert.Equal(0, await host.Revisions.NewestAsync(key));
        await visitor.GetAsync($"/job/{key}/house", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_backup_is_downloaded_whole_while_the_server_runs()
    {
        using var host = new BenchHost();
        var visitor = await host.AtAsync("/job/demo/boxes");
        await visitor.PostAsync("/job/demo/boxes?handler=Move", ("box", "f-r2"), ("offset", "44\""));
        var (status, _, answer) = await visitor.PostAsync("/?handler=Backup", inPlace: false);
        Assert.Equal(HttpStatusCode.OK, status);
        var folder = Directory.CreateTempSubdirectory("circuitum-backup-test-").FullName;
        var file = Path.Combine(folder, "backup.db");
        await File.WriteAllBytesAsync(file, await answer.Content.ReadAsByteArrayAsync());
        Assert.Equal(new BackupContents(Demo.All.Count, 1 + Demo.All.Count, 0, 0), Backups.Restore(file, Path.Combine(folder, "jobs.db")));
        Assert.Throws<PreparationException>(() => Backups.Restore(file, Path.Combine(folder, "jobs.db")));
        await File.WriteAllBytesAsync(file, (await File.ReadAllBytesAsync(file))[..4096]);
        Assert.Throws<PreparationException>(() => Backups.Restore(file, Path.Combine(folder, "other.db")));
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task A_meter_has_room_for_so_many_listeners()
    {
        using var host = new BenchHost();
        using var http = host.CreateClient();
        using var gone = new CancellationTokenSource();
        var listening = new List<HttpResponseMessage>();
        for (var i = 0; i < Meter.DistanceMeter.MostListening; i++)
        {
            listening.Add(await http.GetAsync("/meter/readings", HttpCompletionOption.ResponseHeadersRead, gone.Token));
        }

        while (host.Services.GetRequiredService<Meter.DistanceMeter>().HasRoom)
        {
            await Task.Yield();
        }

        Assert.Equal(HttpStatusCode.ServiceUnavailable,
            (await http.GetAsync("/meter/readings", HttpCompletionOption.ResponseHeadersRead)).StatusCode);
        listening.ForEach(l => l.Dispose());
    }

    [Fact]
    public async Task An_error_that_was_not_foreseen_answers_a_line_on_the_bench_with_its_number()
    {
        using var host = new BenchHost();
        var visitor = await host.AtAsync("/job/demo/boxes");
        using var context = new JobsDbBroken(host.Database);
        var (status, text, answer) = await visitor.PostAsync("/job/demo/boxes?handler=Move", ("box", "f-r2"), ("offset", "44\""));
        Assert.True((int)status >= 500, text);
        Assert.Equal("line", answer.Headers.GetValues("X-Said").Single());
        Assert.Equal("none", answer.Headers.GetValues("HX-Reswap").Single());
        Assert.DoesNotContain("<html", text, StringComparison.Ordinal);
    }

    // A table that is gone is what no page foresees.
    private sealed class JobsDbBroken : IDisposable
    {
        public JobsDbBroken(string file)
        {
            using var db = new Microsoft.Data.Sqlite.SqliteConnection($"Data Source={file}");
            db.Open();
            using var drop = db.CreateCommand();
            drop.CommandText = "DROP TABLE Revisions";
            drop.ExecuteNonQuery();
        }

        public void Dispose()
        {
            // The host deletes its file.
        }
    }
}
