using Circuitum.Data;

namespace Circuitum.Web.Tests;

public sealed class RevisionTests(BenchHost host) : IClassFixture<BenchHost>
{
    private static NewRevision Change(string phrase, string document) => new(RevisionKind.Change, 0, "crew", phrase, "House", document);

    private async Task<JobKey> JobAsync() => await host.Revisions.StartAsync("crew", "Start", "House", "{\"v\":1}");

    [Fact]
    public async Task Revisions_are_numbered_without_gaps_and_their_documents_come_back()
    {
        var job = await JobAsync();
        var document = "{\"v\":2,\"name\":\"Großmutter’s room — 12′\"}" + new string('x', 100_000);
        Assert.IsType<Saving.Saved>(await host.Revisions.AppendAsync(job, 1, Change("Two", document)));
        Assert.Equal(["Start", "Two"], (await host.Revisions.OfAsync(job)).Select(r => r.Phrase));
        Assert.Equal(document, await host.Revisions.DocumentAsync(job, 2));
        Assert.Equal("{\"v\":1}", await host.Revisions.DocumentAsync(job, 1));
        Assert.Null(await host.Revisions.DocumentAsync(job, 3));
    }

    [Theory]
    [InlineData(0)]
    [InlineData(2)]
    public async Task A_save_from_any_other_than_the_newest_is_refused(int from)
    {
        var job = await JobAsync();
        Assert.Equal(1, Assert.IsType<Saving.Overtaken>(await host.Revisions.AppendAsync(job, from, Change("x", "{}"))).Latest.Number);
        Assert.Single(await host.Revisions.OfAsync(job));
    }

    [Fact]
    public async Task Of_twenty_at_once_one_is_written()
    {
        var job = await JobAsync();
        var savings = await Task.WhenAll(Enumerable.Range(0, 20)
            .Select(i => Task.Run(() => host.Revisions.AppendAsync(job, 1, Change($"{i}", "{}")))));
        Assert.Equal(1, savings.Count(s => s is Saving.Saved));
        Assert.Equal(19, savings.Count(s => s is Saving.Overtaken));
    }

    [Fact]
    public async Task A_job_that_is_not_there_is_gone() =>
        Assert.IsType<Saving.Gone>(await host.Revisions.AppendAsync(new("nothing"), 1, Change("x", "{}")));

    [Fact]
    public async Task Preparing_a_prepared_database_changes_nothing()
    {
        var job = await JobAsync();
        await host.Revisions.PrepareAsync();
        Assert.Single(await host.Revisions.OfAsync(job));
    }

    private static Revision At(int number, RevisionKind kind, int about = 0) =>
        new(number, kind, about, DateTimeOffset.UnixEpoch, "crew", $"r{number}");

    [Fact]
    public void The_timeline_replays_changes_undos_and_redos()
    {
        // 1 start, 2 and 3 changes, 4 undoes 3, 5 undoes 2, 6 redoes 2.
        var timeline = Timeline.Of([At(1, RevisionKind.Start), At(2, RevisionKind.Change), At(3, RevisionKind.Change),
            At(4, RevisionKind.Undo, 3), At(5, RevisionKind.Undo, 2), At(6, RevisionKind.Redo, 2)]);
        Assert.Equal((6, 2, 3), (timeline.Latest.Number, timeline.Undo!.Number, timeline.Redo!.Number));
    }

    [Fact]
    public void A_new_change_after_an_undo_leaves_nothing_to_redo()
    {
        var timeline = Timeline.Of([At(1, RevisionKind.Start), At(2, RevisionKind.Change), At(3, RevisionKind.Undo, 2),
            At(4, RevisionKind.Change)]);
        Assert.Equal((4, null), (timeline.Undo!.Number, timeline.Redo));
        Assert.Null(Timeline.Of([At(1, RevisionKind.Start)]).Undo);
    }
}
