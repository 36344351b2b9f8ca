using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Data;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Tests;

/// <summary>What one look at the bench shows.</summary>
public sealed class BenchViewTests
{
    private static readonly OpenJob Job = new(new("demo"),
        Timeline.Of([new(1, RevisionKind.Start, 0, DateTimeOffset.UnixEpoch, "crew", "Start")]), Planner.Plan(Demo.Read()));

    private static BenchView At(Stage stage, string? on = null, string? level = null) => new(Job, stage, level, on);

    [Theory] // a box of the upper floor brings its level along
    [InlineData("box:ub-vanity", "upper")]
    [InlineData("box:gh-pump", "orchids")]
    [InlineData("room:study", "upper")]
    [InlineData("panel:G", "orchids")]
    [InlineData("circuit:laundry", "ground")]
    [InlineData(null, "ground")]
    public void The_level_is_the_selections(string? on, string level) => Assert.Equal(level, At(Stage.Boxes, on).Level.Level.Id.Value);

    [Fact]
    public void A_level_asked_for_is_kept() => Assert.Equal("ground", At(Stage.Boxes, "box:ub-vanity", "ground").Level.Level.Id.Value);

    [Fact]
    public void A_box_has_its_circuit_and_a_run_its_own()
    {
        var box = At(Stage.Circuits, "box:b-r");
        Assert.Equal(("b-r", "laundry"), (box.Box!.Box.Id.Value, box.Circuit!.Key.Value));
        var run = At(Stage.Runs, "run:k-range:panel-A>k-range");
        Assert.Equal(("k-range", 37), (run.Circuit!.Key.Value, run.Run!.Length.Value.WholeFeetUp));
        Assert.Null(run.Box);
    }

    [Theory]
    [InlineData("box:ghost")]
    [InlineData("circuit:ghost")]
    [InlineData("room:ghost")]
    [InlineData("run:ghost")]
    [InlineData("panel:Z")]
    [InlineData("teapot:1")]
    [InlineData("")]
    public void What_is_not_there_is_put_down(string on)
    {
        var view = At(Stage.Circuits, on);
        Assert.Null(view.Selected);
        Assert.Null(view.Circuit);
    }

    [Fact]
    public void The_panel_shown_is_the_selected_the_circuits_or_the_services()
    {
        Assert.Equal("G", At(Stage.Panel, "panel:G").Panel.Panel.Id.Value);
        Assert.Equal("G", At(Stage.Panel, "circuit:gh-pump").Panel.Panel.Id.Value);
        Assert.Equal("A", At(Stage.Panel, "circuit:feeder-G").Panel.Panel.Id.Value);
        Assert.Equal("A", At(Stage.Panel).Panel.Panel.Id.Value);
    }

    [Fact]
    public void Counts_on_the_strip_add_up_to_the_tags()
    {
        var view = At(Stage.House);
        Assert.Equal(Job.Plan.Tags.Length, Enum.GetValues<Stage>().Sum(s => Enum.GetValues<Severity>().Sum(v => view.Count(s, v))));
        Assert.Equal(2, view.Count(Stage.Circuits, Severity.Red));
    }

    [Fact]
    public void The_worst_tag_of_a_circuit_counts_its_runs_and_boxes()
    {
        var view = At(Stage.Circuits);
        Assert.Equal(Severity.Red, view.Worst(Job.Plan.Landed(new("car"))!));
        // A crew that wants 1 % at the far end finds the family room's circuit amber.
        var strict = Planner.Plan(Job.Plan.Job with { HouseRules = Job.Plan.Job.HouseRules with { DropTarget = new(1) } });
        Assert.Equal(Severity.Amber, new BenchView(Job with { Plan = strict }, Stage.Circuits, null, null)
            .Worst(strict.Landed(new("family-receptacles"))!));
        Assert.Null(view.Worst(Job.Plan.Landed(new("l-dryer"))!));
    }

    [Fact]
    public void Addresses_carry_stage_level_and_selection_and_lead_back()
    {
        var view = At(Stage.Runs, "run:k-range:panel-A>k-range", "ground");
        var address = view.Link(view.Selected);
        Assert.Equal("/job/demo/runs?level=ground&on=run%3Ak-range%3Apanel-A%3Ek-range", address);
        Assert.Equal(address + "&handler=Move", view.Act("Move"));
        Assert.Equal("/job/demo/panel?on=circuit%3Alaundry", view.Link(Subject.Circuit(new("laundry")), Stage.Panel));
        Assert.Equal("/job/demo/runs?level=ground", view.Link(null));
    }

    [Theory] // the one look: which button or breaker to reset
    [InlineData(GfciWay.Breaker, "k-counter-r1", "panel A, space 21, both")]
    [InlineData(GfciWay.FirstReceptacle, "k-counter-r1", "ground fault: the button at Kitchen counter 4; arc fault: panel A, space 21")]
    [InlineData(GfciWay.FirstReceptacle, "k-counter-r4", "ground fault: its own button; arc fault: panel A, space 21")]
    [InlineData(GfciWay.Breaker, "f-r2", "arc fault: panel A, space 18")]
    [InlineData(GfciWay.Breaker, "l-heater", "no reset: not protected by AFCI or GFCI")]
    public void An_outlet_tells_where_it_resets(GfciWay way, string box, string says)
    {
        var job = Job.Plan.Job;
        var view = new BenchView(Job with { Plan = Planner.Plan(job with { Schools = job.Schools with { Gfci = way } }) }, Stage.Circuits,
            null, $"box:{box}");
        Assert.Equal(says, view.ResetOf(new(box)));
    }

    [Fact]
    public void A_count_is_said_in_words()
    {
        Assert.Equal(["1 red tag", "3 amber tags", "1 hold", "2 holds"],
            new[] { Told.Count(Severity.Red, 1), Told.Count(Severity.Amber, 3), Told.Count(Severity.Hold, 1),
                Told.Count(Severity.Hold, 2) });
        Assert.Equal(["1 box", "2 boxes", "1 room", "0 rooms"],
            new[] { Told.Many(1, "box", "boxes"), Told.Many(2, "box", "boxes"), Told.Many(1, "room"), Told.Many(0, "room") });
        Assert.Equal("Hold", Told.Name(Severity.Hold));
    }

    [Fact]
    public void Each_space_of_the_board_shows_its_breaker_once()
    {
        var panel = At(Stage.Panel).Panel;
        var spaces = Enumerable.Range(1, panel.Panel.Spaces).Select(s => new BreakerView(At(Stage.Panel), panel, s)).ToList();
        Assert.Equal(panel.Circuits.Length, spaces.Count(s => !s.Occupants.IsEmpty && !s.IsLowerPole));
        Assert.Equal(panel.Circuits.Count(c => c.Poles == 2), spaces.Count(s => s.IsLowerPole));
        Assert.Equal(panel.Left, spaces.Count(s => s.Occupants.IsEmpty));
        Assert.True(spaces[0].Left && !spaces[1].Left);
    }
}
