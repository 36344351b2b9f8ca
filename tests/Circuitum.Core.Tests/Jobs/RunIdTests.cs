using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>A run's id says its two ends and its purpose.</summary>
public sealed class RunIdTests
{
    [Theory]
    [InlineData("@A", "k1", RunPurpose.Feed, 1, "@A~k1")]
    [InlineData("k1", "@A", RunPurpose.Feed, 1, "@A~k1")]
    [InlineData("s", "lamp", RunPurpose.Leg, 1, "lamp~s:leg")]
    [InlineData("s", "lamp", RunPurpose.Leg, 2, "lamp~s:leg:2")]
    [InlineData("a", "b", RunPurpose.Feed, 3, "a~b:feed:3")]
    public void It_is_written_by_its_ends_and_read_again(string one, string other, RunPurpose purpose, int number, string text)
    {
        var id = RunId.Of(one, other, purpose, number);
        Assert.Equal(text, id.ToString());
        Assert.Equal(id, RunId.Parse(text));
    }

    [Theory]
    [InlineData("k-range:panel-A>k-range", "@A~k-range:any")]
    [InlineData("lights:b>a", "b~a:any")]
    [InlineData("lights:b>a:2", "b~a:any:2")]
    [InlineData("lights:s1>s2:t", "s1~s2:anytravelers")]
    public void It_reads_what_job_files_wrote_before(string before, string now) => Assert.Equal(RunId.Parse(now), RunId.Parse(before));

    [Theory]
    [InlineData("")]
    [InlineData("a")]
    [InlineData("a~")]
    [InlineData("~b")]
    [InlineData("a~b:teapot")]
    [InlineData("a~b:leg:1")]
    [InlineData("a~b:leg:x")]
    [InlineData("a~b~c")]
    [InlineData("c:a>b:q")]
    public void Whatever_else_is_refused(string text) => Assert.Throws<FormatException>(() => RunId.Parse(text));

    [Fact] // forty characters an end and the longest purpose
    public void The_longest_can_be_selected()
    {
        var id = RunId.Of(new string('a', 40), new string('b', 40), RunPurpose.AnyTravelers, 999).ToString();
        Assert.True(id.Length <= RunId.Longest, $"{id.Length}");
        Assert.Equal(new Subject(SubjectKind.Run, id), Subject.TryParse($"run:{id}"));
    }

    [Fact] // a circuit of two rooms of forty characters, its word and a number
    public void A_circuit_with_a_long_name_can_be_selected()
    {
        var key = $"{new string('r', 40)}-receptacles-{new string('x', 60)}-12";
        Assert.Equal(Subject.Circuit(new(key)), Subject.TryParse($"circuit:{key}"));
    }

    [Fact]
    public void No_two_runs_of_a_house_have_one_id_and_every_one_can_be_selected() => RandomHouses.Jobs.Sample(job =>
    {
        var plan = Planner.Plan(job);
        var runs = plan.Circuits.SelectMany(c => c.Runs).ToList();
        Assert.Equal(runs.Count, runs.Select(r => r.Id).Distinct().Count());
        Assert.All(runs, r => Assert.Equal(r.Id, Subject.TryParse(Subject.Run(r.Id).ToString())!.Value.AsRun));
        Assert.All(runs, r => Assert.Equal(r, plan.FindRun(r.Id)!.Value.Run));
    }, iter: 60);

    // Two receptacles along a wall, the panel in the west: a is nearer to it.
    private static Job Two => Houses.Row(("den", RoomUse.Den, 30)).With(Houses.On("a", "den", 3, 60), Houses.On("b", "den", 3, 300));

    [Fact]
    public void A_box_that_goes_to_another_circuit_takes_what_was_held_with_it()
    {
        var job = Houses.Row(("den", RoomUse.Den, 30), ("hall", RoomUse.Den, 12))
            .With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 1, 160), Houses.On("c", "hall", 1, 60));
        job = job with { HouseRules = job.HouseRules with { OutletsPerCircuit = 4 } };
        var before = Planner.Plan(job);
        var run = before.CircuitOf(new("b"))!.Runs.Single(r => r.Kind == RunKind.Jumper && r.Id == RunId.Of("a", "b", RunPurpose.Feed));
        // Both go to a circuit of another key; the cable between them is the same piece of cable.
        var parted = new SplitCircuit([new("a"), new("b")]).On(job).Job!;
        var after = Planner.Plan(parted);
        Assert.NotEqual(before.CircuitOf(new("b"))!.Key, after.CircuitOf(new("b"))!.Key);
        Assert.NotNull(after.FindRun(run.Id));
    }

    [Fact] // held from a to b; fed from b to a it passes the same two places in the other order
    public void A_way_that_is_held_stays_when_the_feed_is_turned_round()
    {
        var id = RunId.Of("a", "b", RunPurpose.Feed);
        var held = new PinWay(id, [new(120.Inches(), 30.Inches()), new(240.Inches(), 30.Inches())]).On(Two).Job!;
        var forth = Planner.Plan(held).FindRun(id)!.Value.Run;
        var turned = held with { Panels = [held.Panels[0] with { Wall = 2, Offset = 72.Inches() }] };
        var back = Planner.Plan(turned).FindRun(id)!.Value.Run;
        Assert.NotEqual(forth.From.Box, back.From.Box);
        Assert.True(forth.IsPinned && back.IsPinned && forth.IsBackwards != back.IsBackwards);
        Assert.Equal(forth.Way.Measured, back.Way.Measured);
    }

    [Fact] // as a file of before held it: from b to a, places told from b
    public void A_way_of_before_holds_its_run_and_is_moved_and_freed()
    {
        var told = RunId.Parse("den-receptacles:a>b");
        var held = Two with { Pins = new() { Ways = [new(told, [new(120.Inches(), 30.Inches())])] } };
        var run = Planner.Plan(held).FindRun(told)!.Value.Run;
        Assert.True(run.IsPinned);
        var moved = new MoveVia(run.Id, 1, new(150.Inches(), 30.Inches()), false).On(held).Job!;
        Assert.Equal((run.Id, 150m), (moved.Pins.Ways.Single().Run, moved.Pins.Ways.Single().Via.Single().X.Inches));
        Assert.Empty(new PinWay(run.Id, []).On(held).Job!.Pins.Ways);
        Assert.DoesNotContain(Planner.Plan(held).Tags, t => t.Rule == "held ways");
    }
}
