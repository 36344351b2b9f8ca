using Circuitum.Core;
using Circuitum.Core.Plans;
using Circuitum.Data;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Tests;

/// <summary>How plans are kept, shared and ended.</summary>
public sealed class KeepingTests
{
    private static readonly Plan Plan = Planner.Plan(Demo.Read());

    private static OpenJob Open(string key, int revision = 1) =>
        new(new(key), Timeline.Of(
            [.. Enumerable.Range(1, revision)
                .Select(n => new Revision(n, n == 1 ? RevisionKind.Start : RevisionKind.Change, 0, DateTimeOffset.UnixEpoch, "crew",
                    "x"))]), Plan);

    [Fact] // the forty-first open job once emptied the shelf
    public void The_plan_that_was_not_looked_at_longest_goes_first()
    {
        var kept = new KeptPlans(TimeProvider.System);
        for (var i = 0; i < 200; i++)
        {
            kept.Keep(Open($"job-{i}"));
            Assert.NotNull(kept.Find(new("job-0")));
        }

        Assert.InRange(kept.Count, 50, KeptPlans.MostWeight / Plan.Job.Boxes.Length);
        Assert.NotNull(kept.Find(new("job-199")));
        Assert.Null(kept.Find(new("job-1")));
    }

    [Fact]
    public void An_older_revision_does_not_take_the_place_of_a_newer()
    {
        var kept = new KeptPlans(TimeProvider.System);
        kept.Keep(Open("a", 3));
        kept.Keep(Open("a", 2));
        Assert.Equal(3, kept.Find(new("a"))!.Revision);
    }

    [Fact]
    public void What_nobody_looks_at_is_given_back()
    {
        var clock = new HandClock();
        var kept = new KeptPlans(clock);
        kept.Keep(Open("a"));
        clock.Pass(KeptPlans.Oldest / 2);
        kept.Keep(Open("b"));
        clock.Pass((KeptPlans.Oldest / 2) + TimeSpan.FromSeconds(1));
        Assert.Equal(1, kept.DropOld());
        Assert.Null(kept.Find(new("a")));
        Assert.NotNull(kept.Find(new("b")));
    }

    [Fact]
    public async Task Planning_ends_when_nobody_waits_for_it()
    {
        using var planning = new Planning(TimeProvider.System);
        using var gone = new CancellationTokenSource();
        var begun = new TaskCompletionSource();
        var ended = new TaskCompletionSource();
        var work = planning.DoAsync(token =>
        {
            begun.SetResult();
            token.WaitHandle.WaitOne(TimeSpan.FromSeconds(30));
            ended.SetResult();
            token.ThrowIfCancellationRequested();
            return 1;
        }, gone.Token);
        await begun.Task;
        await gone.CancelAsync();
        await ended.Task.WaitAsync(TimeSpan.FromSeconds(10));
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => work);
    }

    [Fact]
    public async Task What_takes_longer_than_any_may_is_refused_and_the_others_go_on()
    {
        var clock = new HandClock();
        using var planning = new Planning(clock);
        var begun = new TaskCompletionSource();
        var dear = planning.DoAsync(token =>
        {
            begun.SetResult();
            token.WaitHandle.WaitOne(TimeSpan.FromSeconds(30));
            token.ThrowIfCancellationRequested();
            return 1;
        }, default);
        await begun.Task;
        Assert.Equal(2, await planning.DoAsync(_ => 2, default));
        clock.Pass(Planning.Longest + TimeSpan.FromSeconds(1));
        Assert.Contains("20 s to plan", (await Assert.ThrowsAsync<PlanningBusyException>(() => dear)).Message, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_line_that_is_full_refuses_with_a_sentence()
    {
        using var planning = new Planning(TimeProvider.System);
        using var go = new ManualResetEventSlim();
        var places = Math.Max(2, Environment.ProcessorCount);
        var holding = Enumerable.Range(0, places)
            .Select(_ => planning.DoAsync(_ => { go.Wait(CancellationToken.None); return 0; }, default)).ToList();
        var waiting = Enumerable.Range(0, Planning.MostWaiting).Select(_ => planning.DoAsync(_ => 0, default)).ToList();
        await Assert.ThrowsAsync<PlanningBusyException>(() => planning.DoAsync(_ => 0, default));
        go.Set();
        await Task.WhenAll([.. holding, .. waiting]);
    }

    [Fact]
    public void A_plan_that_is_ended_before_it_begins_is_none() =>
        Assert.Throws<OperationCanceledException>(() => Planner.Plan(Demo.Read(), new CancellationToken(canceled: true)));
}
