using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Data;
using Circuitum.Web.Bench;
using Microsoft.Extensions.DependencyInjection;

namespace Circuitum.Web.Tests;

/// <summary>Searches beside the bench: one for a job, few at once, always to be stopped, never lost.</summary>
public sealed class DivisionSearchesTests : IDisposable
{
    private static readonly JobKey Demo = new("demo");
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    private DivisionSearches Searches => host.Services.GetRequiredService<DivisionSearches>();

    private async Task<OpenJob> OpenAsync()
    {
        await host.AtAsync("/job/demo/circuits");
        return (await host.Services.GetRequiredService<Workbench>().OpenAsync(Demo))!;
    }

    private Task<SearchState> UntilAsync(JobKey key, Func<SearchState, bool> so) => UntilAsync(Searches, key, so);

    private static async Task<SearchState> UntilAsync(DivisionSearches searches, JobKey key, Func<SearchState, bool> so)
    {
        using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(120));
        while (searches.Of(key) is not { } state || !so(state))
        {
            await Task.Delay(20, patience.Token);
        }

        return searches.Of(key)!;
    }

    [Fact]
    public async Task A_search_ends_when_its_time_is_over_and_keeps_what_it_found()
    {
        var job = await OpenAsync();
        var clock = new HandClock();
        using var searches = new DivisionSearches(clock);
        searches.Start(Demo, job, 45);
        var found = await UntilAsync(searches, Demo, s => s.Latest?.IsBetter == true);
        Assert.True(found.Running);
        clock.Pass(TimeSpan.FromSeconds(45));
        var ended = await UntilAsync(searches, Demo, s => !s.Running);
        Assert.True(ended.Latest!.IsBetter);
        Assert.NotNull(ended.Latest.Bound);
        Assert.Equal((job.Revision, TimeSpan.FromSeconds(45)), (ended.Revision, ended.Elapsed));
    }

    [Fact]
    public async Task A_second_search_of_a_job_takes_the_place_of_the_first()
    {
        var job = await OpenAsync();
        Searches.Start(Demo, job, 300);
        await UntilAsync(Demo, s => s.Latest is not null);
        Searches.Start(Demo, job, 60);
        Assert.Equal(60, Searches.Of(Demo)!.Seconds);
        await Searches.StopAsync(Demo);
        await UntilAsync(Demo, s => !s.Running);
    }

    [Fact]
    public async Task A_third_search_waits_its_turn_and_can_be_stopped_while_it_waits()
    {
        var job = await OpenAsync();
        JobKey[] keys = [new("one"), new("two"), new("three")];
        Searches.Start(keys[0], job, 300);
        Searches.Start(keys[1], job, 300);
        await UntilAsync(keys[0], s => s.Latest is not null);
        await UntilAsync(keys[1], s => s.Latest is not null);
        Searches.Start(keys[2], job, 300);
        await Searches.StopAsync(keys[2]);
        var waited = await UntilAsync(keys[2], s => !s.Running);
        Assert.Null(waited.Latest);
        await Searches.StopAsync(keys[0]);
        await Searches.StopAsync(keys[1]);
        Assert.All(keys, key => Assert.NotNull(Searches.Of(key)));
        Searches.Drop(keys[0]);
        Assert.Null(Searches.Of(keys[0]));
    }

    [Fact]
    public async Task What_was_found_still_fits_a_job_that_has_changed_since()
    {
        var job = await OpenAsync();
        Searches.Start(Demo, job, 300);
        await UntilAsync(Demo, s => s.Latest is not null);
        await Searches.StopAsync(Demo);
        var found = (await UntilAsync(Demo, s => !s.Running)).Latest!.Division;
        var changed = new DeleteBox(new("f-r2")).On(job.Plan.Job).Job!;
        var plan = Core.Plans.Planner.Plan(new KeepDivision(found, Follow: true).On(changed).Job!);
        Assert.Equal(changed.Boxes.Length, plan.Circuits.Sum(c => c.Circuit.Boxes.Length));
    }

    [Fact]
    public async Task Stopping_what_does_not_run_is_no_harm()
    {
        await Searches.StopAsync(new("nobody"));
        Searches.Drop(new("nobody"));
        Assert.Null(Searches.Of(new("nobody")));
    }
}
