using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Problems;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Tags;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Several circuits in one pipe: fill, bends, and the worst stretch are the pipe's.</summary>
public sealed class PipeTests
{
    // Heaters of 3000 W at 240 V: 12.5 A, 15.6 A with 125 %, 20 A on 12.
    private static Job Heaters(int count, int watts = 3000) => Houses.Row(("shop", RoomUse.Utility, 30)).With(
        [.. Enumerable.Range(1, count)
            .Select(i => Houses.Appliance($"h{i}", "shop", 1, 60 + (i * 24), Houses.Plate(Appliance.SpaceHeater, 240, watts)))]);

    private static Job InOne(Job job, params string[] boxes)
    {
        var plan = Planner.Plan(job);
        return boxes.Aggregate(job, (j, b) => new PutInPipe(plan.CircuitOf(new(b))!.Circuit.Key, new("P1")).On(j).Job!);
    }

    private static SizedCircuit Of(Plan plan, string box) => plan.CircuitOf(new(box))!.Sized;

    [Fact] // 4 × 12 and two grounds: 6 × .0133 = .0798 in 40 % of .285 = .1140; four conductors: 30 × .8 = 24, held to 20
    public void Two_circuits_fill_half_an_inch_and_keep_their_conductor()
    {
        var plan = Planner.Plan(InOne(Heaters(2), "h1", "h2"));
        var (one, other) = (Of(plan, "h1"), Of(plan, "h2"));
        Assert.Same(one.Pipe, other.Pipe);
        Assert.Equal(("2 × 12 + 12 G", "1/2 in PVC"), (one.Cable, one.Pipe!.Size.Value));
        Assert.Equal(6, one.Pipe.Contents.Sum(c => c.Count));
        Assert.Equal(4, one.Pipe.Raceway.Worst(one.Routed.HomeRun!, 24.Inches()).CurrentCarrying);
        Assert.Equal(20m, one.Ampacity.Value.Value);
        Assert.Contains(one.Ampacity.Why.Steps,
            s => s.Text.Contains("4 current-carrying conductors in P1 with 1 more", StringComparison.Ordinal) && s.Value == "24 A");
    }

    [Fact] // ten conductors: 30 × .5 = 15 A is less than 15.6; 10 gives 20
    public void Five_circuits_need_a_larger_conductor_and_say_where()
    {
        string[] all = ["h1", "h2", "h3", "h4", "h5"];
        var plan = Planner.Plan(InOne(Heaters(5), all));
        Assert.All(all, b => Assert.Equal("2 × 10 + 12 G", Of(plan, b).Cable));
        Assert.Equal(Gauge.Awg12, Of(Planner.Plan(Heaters(5)), "h1").Gauge.Value);
        // 10 × .0211 + 5 × .0133 = .2775 in²: over .2032 of 3/4, in .3328 of 1 in.
        Assert.Equal("1 in PVC", Of(plan, "h1").Pipe!.Size.Value);
    }

    [Fact] // one more circuit in the pipe never lets another carry more
    public void One_more_circuit_never_raises_an_ampacity()
    {
        string[] all = ["h1", "h2", "h3", "h4", "h5", "h6"];
        var job = Heaters(6);
        decimal PerConductor(SizedCircuit c) =>
            Books.Us2020.Conductors.AdjustmentFactor(c.Pipe!.Raceway.Worst(c.Routed.HomeRun!, 24.Inches()).CurrentCarrying);
        var before = all.ToDictionary(b => b, _ => 1m);
        for (var n = 1; n <= all.Length; n++)
        {
            var plan = Planner.Plan(InOne(job, all[..n]));
            Assert.All(all[..n], b => Assert.True(PerConductor(Of(plan, b)) <= before[b]));
            before = all.ToDictionary(b => b, b => all.Take(n).Contains(b) ? PerConductor(Of(plan, b)) : before[b]);
            Assert.DoesNotContain(plan.Tags, t => t.Stage == Stage.Runs);
        }

        Assert.Equal(.5m, before["h1"]);
    }

    [Theory] // case 11: 48 A continuous is 60 A: 6 carries 65 at 75 °C, 55 at 60 °C
    [InlineData(true, "2 × 6 + 10 G")]
    [InlineData(false, "2 × 4 + 10 G")]
    public void A_vehicle_charger_in_pipe_by_how_its_ends_are_marked(bool marked75, string pulled)
    {
        var job = InOne(Houses.Row(("bay", RoomUse.Garage, 20))
            .With(Houses.Appliance("car", "bay", 1, 120, Houses.Plate(Appliance.VehicleCharger, 240, 11520))), "car");
        var plan = Planner.Plan(new SetPipe(job.Pipes[0] with { Marked75 = marked75 }).On(job).Job!);
        // 60 A: a ground of 10 copper by Table 250.122; neither conductor is larger than it needs be.
        Assert.Equal((60m, pulled), (Of(plan, "car").Breaker.Value.Value, Of(plan, "car").Cable));
    }

    private static Run Along(string id, Run like, params (int X, int Y, int Z)[] inches)
    {
        var points = inches.Select(p => new Point3(p.X.Inches(), p.Y.Inches(), p.Z.Inches())).ToList();
        return like with
        {
            Id = RunId.Parse($"@A~{id}"),
            Circuit = new(id),
            Pipe = new("P1"),
            Jacket = Jacket.Loose,
            Way = new([.. points.Zip(points.Skip(1)).Select(p => new PathLeg(Space.Joists, p.First, p.Second, new(30)))], [], Length.Zero,
                false)
        };
    }

    private static readonly Run Some = Planner.Plan(Heaters(1)).CircuitOf(new("h1"))!.HomeRun!;

    [Theory] // 310.15(C)(1)(b): a nipple of 24 in adjusts nothing, 25 in does
    [InlineData(24, 2)]
    [InlineData(25, 4)]
    public void A_nipple_adjusts_nothing(int together, int carrying)
    {
        var raceway = new Raceway(new() { Id = new("P1"), Circuits = [new("a"), new("b")] },
            [Along("a", Some, (0, 0, 0), (120, 0, 0)), Along("b", Some, (0, 0, 0), (together, 0, 0), (together, 90, 0))]);
        Assert.All(raceway.Runs, r => Assert.Equal(carrying, raceway.Worst(r, 24.Inches()).CurrentCarrying));
        Assert.Equal(together, raceway.With(raceway.Runs[1]).Inches);
    }

    [Fact] // a goes 200 in, b leaves after 100, c after 20: c and the others share a nipple, a and b 100 in
    public void The_worst_stretch_is_the_longest_with_most()
    {
        var raceway = new Raceway(new() { Id = new("P1"), Circuits = [new("a"), new("b"), new("c")] },
            [Along("a", Some, (0, 0, 0), (200, 0, 0)), Along("b", Some, (0, 0, 0), (100, 0, 0), (100, 50, 0)),
                Along("c", Some, (0, 0, 0), (20, 0, 0), (20, 100, 0))]);
        var worst = raceway.Worst(raceway.Lead, 24.Inches());
        Assert.Equal((4, 100m, "@A~a|@A~b"), (worst.CurrentCarrying, worst.Long.Inches, string.Join('|', worst.Runs)));
        Assert.Equal(2, raceway.Worst(raceway.Runs[2], 24.Inches()).CurrentCarrying);
    }

    // Six right turns in one plane: a square-toothed line.
    private static Run Teeth => Along("a", Some, (0, 0, 0), (60, 0, 0), (60, 60, 0), (120, 60, 0), (120, 0, 0), (180, 0, 0), (180, 60, 0),
        (240, 60, 0));

    [Fact] // a box at the fourth corner takes that bend: 270° before it, 180° behind
    public void Bends_are_counted_from_pull_point_to_pull_point()
    {
        var open = new Raceway(new() { Id = new("P1"), Circuits = [new("a")] }, [Teeth]);
        Assert.Equal(540, Assert.Single(open.Pulls).Degrees);
        var boxed = open with { Pipe = open.Pipe with { Stops = [new(PipeStopKind.PullBox, 240.Inches())] } };
        Assert.Equal([(240m, 270), (180m, 180)], boxed.Pulls.Select(p => (p.Long.Inches, p.Degrees)));
        var joined = open with { Pipe = open.Pipe with { Stops = [new(PipeStopKind.Splice, 240.Inches())] } };
        Assert.Equal(540, Assert.Single(joined.Pulls).Degrees);
    }

    [Fact] // held by a zigzag the pipe turns too often; the button sets boxes until it does not
    public void Too_many_bends_are_told_and_the_button_mends_them()
    {
        var job = InOne(Heaters(1), "h1");
        var run = Of(Planner.Plan(job), "h1").Routed.HomeRun!;
        job = new PinWay(run.Id,
            [.. Enumerable.Range(0, 4).Select(i => new Point((80 + (i * 40)).Inches(), (i % 2 == 0 ? 30 : 90).Inches()))]).On(job).Job!;
        var rounds = 0;
        Tag? Told(Job j) => Planner.Plan(j).Tags.FirstOrDefault(t => t.Rule == "352.26");
        Assert.NotNull(Told(job));
        while (Told(job) is { } tag && rounds++ < 5)
        {
            job = Assert.Single(tag.Fixes).Change.On(job).Job!;
        }

        Assert.InRange(rounds, 1, 4);
        Assert.All(Of(Planner.Plan(job), "h1").Pipe!.Raceway.Pulls, p => Assert.True(p.Degrees <= 360));
    }

    [Fact] // a feeder's own pipe, which nobody drew: the plan sets its pull boxes, and tags nothing of its own making
    public void A_pipe_that_nobody_drew_never_bends_too_often()
    {
        var boxes = 0;
        foreach (var number in Enumerable.Range(1, 60).Where(n => n % 4 is 1 or 3))
        {
            var job = BuiltHouses.Number(number);
            var plan = Planner.Plan(job with { Schools = job.Schools with { Feeders = FeederWay.Pipe } });
            var pipes = FittedPipe.Each(plan.Circuits.Select(c => c.Sized)).ToList();
            Assert.All(pipes.SelectMany(p => p.Raceway.Pulls), p => Assert.True(p.Bends.Sum(b => b.Degrees) <= 360));
            Assert.DoesNotContain(plan.Tags, t => t.Rule is "352.26" or "358.26");
            boxes += pipes.Sum(p => p.Raceway.PullBoxes.Length);
        }

        Assert.True(boxes > 0);
    }

    [Fact]
    public void A_joint_between_boxes_is_red_until_a_box_stands_there_or_it_is_pulled_new()
    {
        var job = InOne(Heaters(1), "h1");
        job = new SetPipe(job.Pipes[0] with { Stops = [new(PipeStopKind.Splice, 10.Feet())] }).On(job).Job!;
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Rule.Contains("300.13(A)", StringComparison.Ordinal));
        Assert.Equal((Severity.Red, 2), (tag.Severity, tag.Fixes.Length));
        Assert.All(tag.Fixes,
            f => Assert.DoesNotContain(Planner.Plan(f.Change.On(job).Job!).Tags,
                t => t.Rule.Contains("300.13(A)", StringComparison.Ordinal)));
    }

    [Fact]
    public void Cable_with_its_jacket_on_is_told_and_sized_by_its_maker()
    {
        var job = InOne(Heaters(1), "h1");
        job = new SetPipe(job.Pipes[0] with { Jacketed = true }).On(job).Job!;
        var plan = Planner.Plan(job);
        Assert.Equal("12-2", Of(plan, "h1").Cable);
        Assert.Equal("PVC by the cable's width", Of(plan, "h1").Pipe!.Size.Value);
        var tag = Assert.Single(plan.Tags, t => t.Headline.Contains("jacket", StringComparison.Ordinal));
        Assert.Equal("2 × 12 + 12 G", Of(Planner.Plan(tag.Fixes[0].Change.On(job).Job!), "h1").Cable);
        Assert.StartsWith("Thread every length", PipeSheets.Of(plan)[0].Order[0], StringComparison.Ordinal);
    }

    [Fact] // jumpers go on in cable, held to 60 °C whatever the pipe's ends are marked
    public void Only_the_home_run_is_in_the_pipe()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 1, 150));
        job = InOne(job, "a");
        var sized = Of(Planner.Plan(new SetPipe(job.Pipes[0] with { Marked75 = true }).On(job).Job!), "a");
        Assert.Equal(["2 × 12 + 12 G", "12-2"], sized.Routed.Runs.Select(sized.CableOf));
        Assert.Equal(20m, sized.Ampacity.Value.Value);
    }

    [Fact]
    public void A_circuit_lies_in_one_pipe_and_an_empty_pipe_goes()
    {
        var job = InOne(Heaters(2), "h1", "h2");
        var keys = job.Pipes[0].Circuits;
        job = new PutInPipe(keys[1], new(PutInPipe.NextId(job))).On(job).Job!;
        Assert.Equal(["P1", "P2"], job.Pipes.Select(p => p.Id.Value));
        job = new PutInPipe(keys[1], null).On(job).Job!;
        Assert.Equal("P1", Assert.Single(job.Pipes).Id.Value);
        Assert.Contains("two pipes",
            JobProblems.First(job with { Pipes = [.. job.Pipes, new() { Id = new("P2"), Circuits = [keys[0]] }] })!.ToString(),
            StringComparison.Ordinal);
        Assert.Contains("1 to 9 circuits", JobProblems.First(job with { Pipes = [new() { Id = new("P2"), Circuits = [] }] })!.ToString(),
            StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_kept_for_a_circuit_that_is_no_more_is_told()
    {
        var job = new PutInPipe(new("gone"), new("P1")).On(Heaters(1)).Job!;
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Rule == "pipes");
        Assert.Empty(tag.Fixes[0].Change.On(job).Job!.Pipes);
    }

    [Fact] // one along the north wall, one in the south-west corner: the rise over the panel is common, and a foot beyond
    public void Circuits_that_go_another_way_are_told()
    {
        bool Told(Job job) => Planner.Plan(job).Tags.Any(t => t.Headline.Contains("goes another way", StringComparison.Ordinal));
        Assert.False(Told(InOne(Heaters(2), "h1", "h2")));
        Assert.True(Told(InOne(Heaters(1).With(Houses.Appliance("south", "shop", 3, 350, Houses.Plate(Appliance.SpaceHeater, 240, 3000))),
            "h1", "south")));
    }

    [Fact] // each conductor once, the pipe once, as long as its longest
    public void The_material_counts_each_pipe_once()
    {
        var plan = Planner.Plan(InOne(Heaters(2), "h1", "h2"));
        var lines = Hardware.Of(plan);
        Assert.Equal(2 * (Of(plan, "h1").Routed.HomeRun!.Length.Value.WholeFeetUp
            + Of(plan, "h2").Routed.HomeRun!.Length.Value.WholeFeetUp), lines.Where(l => l.Item == "12 THWN-2").Sum(l => l.Quantity));
        Assert.Equal(Of(plan, "h1").Pipe!.Raceway.Lead.Way.Measured.WholeFeetUp,
            Assert.Single(lines, l => l.Item == "1/2 in PVC").Quantity);
        // Nothing in a pipe is stapled, and it has a hole to itself.
        Assert.DoesNotContain(plan.Holes.All, h => h.Runs.Length > 2);
    }
}
