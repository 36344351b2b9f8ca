using System.Net;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Web.Tests;

/// <summary>From the first look at circuits they stand: over the wire, and through undo.</summary>
public sealed class SeenTests : IDisposable
{
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    private static Task<(HttpStatusCode Status, string Text, HttpResponseMessage Response)> MoveAsync(Visitor visitor, string stage,
        string to) =>
        visitor.PostAsync($"/job/demo/{stage}?handler=Move", ("box", "f-r3"), ("offset", to));

    [Theory]
    [InlineData("house", false)]
    [InlineData("boxes", false)]
    [InlineData("circuits", true)]
    [InlineData("runs", true)]
    [InlineData("panel", true)]
    public async Task Stages_that_show_circuits_make_them_stand(string stage, bool stand)
    {
        var visitor = await host.AtAsync($"/job/demo/{stage}");
        Assert.Equal(HttpStatusCode.OK, (await MoveAsync(visitor, stage, "9-0")).Status);
        var job = await host.NewestAsync();
        Assert.Equal(stand ? Division.AsSeen : null, job.Follows);
        Assert.Equal(stand ? 1 : 0, job.Divisions.Length);
    }

    [Fact] // the revision before the first act follows nothing; what was looked at stands again after it was taken back
    public async Task Undo_gives_back_the_job_as_it_was_and_the_next_act_keeps_again()
    {
        var visitor = await host.AtAsync("/job/demo/circuits");
        var first = await host.NewestAsync();
        await MoveAsync(visitor, "circuits", "9-0");
        await visitor.PostAsync("/job/demo/circuits?handler=Undo");
        Assert.Equal(first.Follows, (await host.NewestAsync()).Follows);
        await MoveAsync(visitor, "circuits", "9-2");
        Assert.Equal(Division.AsSeen, (await host.NewestAsync()).Follows);
        Assert.Contains("they stay as you saw them", await visitor.GetAsync("/job/demo/circuits"), StringComparison.Ordinal);
        var divisions = await visitor.GetAsync("/job/demo/divisions");
        Assert.Contains("As you saw it, stands", divisions, StringComparison.Ordinal);
        Assert.Contains("Divided again", divisions, StringComparison.Ordinal);
        await visitor.PostAsync("/job/demo/divisions?handler=Follow", ("name", ""));
        var again = await host.NewestAsync();
        Assert.Null(again.Follows);
        Assert.Empty(again.Divisions);
    }

    [Fact]
    public async Task A_demo_that_is_reset_has_not_been_looked_at()
    {
        var visitor = await host.AtAsync("/job/demo/circuits");
        await visitor.PostAsync("/?handler=Reset", inPlace: false, ("job", "demo"));
        await visitor.GetAsync("/job/demo/boxes");
        await MoveAsync(visitor, "boxes", "9-0");
        Assert.Null((await host.NewestAsync()).Follows);
    }

    [Theory] // each demo opens on every stage, plans within its checks, and has two or three things worth finding
    [InlineData("demo", "14 Fernhollow Rise")]
    [InlineData("demo-crawl", "3 Quarrel Bend")]
    [InlineData("demo-basement", "27 Tarn Hollow")]
    public async Task Three_demos_are_there(string key, string name)
    {
        var visitor = host.Visit();
        foreach (var stage in new[] { "house", "boxes", "circuits", "runs", "panel" })
        {
            Assert.Contains(name, await visitor.GetAsync($"/job/{key}/{stage}"), StringComparison.Ordinal);
        }

        Assert.Contains("red tag", await visitor.GetAsync($"/job/{key}/boxes"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_manner_that_is_not_one_is_refused()
    {
        var visitor = await host.AtAsync("/job/demo/circuits");
        var (status, text, _) = await visitor.PostAsync("/job/demo/divisions?handler=Manner", ("manner", "by the moon"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("by the moon", text, StringComparison.Ordinal);
    }

    [Fact]
    public void A_new_job_may_begin_in_a_manner_and_takes_the_crews_aims_and_prices()
    {
        var aims = new Aims { Lone = Length.FromFeet(70) };
        var job = new NewJob { Name = "New", Edition = Edition.Y2020, Aims = aims, Manner = DivisionManner.RoomByRoom }.Start();
        Assert.Equal(LightsAndReceptacles.Together, job.Schools.Lighting);
        Assert.Equal(70m, job.Aims.Lone.Feet);
        Assert.True(DivideAs.IsIn(DivisionManner.RoomByRoom, job));
        Assert.Equal(aims, new NewJob { Name = "New", Edition = Edition.Y2020, Aims = aims }.Start().Aims);
    }
}
