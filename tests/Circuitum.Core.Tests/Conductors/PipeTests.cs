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

    [Theory] // 6 × .0133 = .0798 in² goes into half an inch, 40 % of .285; a person may want more, never gets less
    [InlineData(null, "1/2 in PVC")]
    [InlineData("1", "1 in PVC")]
    [InlineData("1/2", "1/2 in PVC")]
    public void A_pipe_is_as_large_as_a_person_wants_it(string? least, string size)
    {
        var job = InOne(Heaters(2), "h1", "h2");
        job = new SetPipe(job.Pipes[0] with { AtLeast = least }).On(job).Job!;
        Assert.Equal(size, Of(Planner.Plan(job), "h1").Pipe!.Size.Value);
        // Ten conductors of 10 and five grounds need 1 in whatever is asked.
        var five = InOne(Heaters(5), "h1", "h2", "h3", "h4", "h5");
        five = new SetPipe(five.Pipes[0] with { AtLeast = "3/4" }).On(five).Job!;
        Assert.Equal("1 in PVC", Of(Planner.Plan(five), "h1").Pipe!.Size.Value);
        Assert.Contains("“7/8” is none", new SetPipe(job.Pipes[0] with { AtLeast = "7/8" }).On(job).Refusal, StringComparison.Ordinal);
    }

    [Fact] // what comes out of one pipe looks alike: a band for each circuit but the first
    public void Circuits_in_one_pipe_are_told_apart_by_bands()
    {
        var sheet = Assert.Single(PipeSheets.Of(Planner.Plan(InOne(Heaters(3), "h1", "h2", "h3"))));
        Assert.Equal(["no band", "blue bands", "orange bands"], sheet.Circuits.Select(c => c.Band));
        Assert.Contains(sheet.Order, o => o.StartsWith("Band the conductors", StringComparison.Ordinal));
        Assert.Null(Assert.Single(PipeSheets.Of(Planner.Plan(InOne(Heaters(1), "h1")))).Circuits.Single().Band);
    }

    // Two receptacles on a wall of a shop: home run, and one run from box to box. Three conductors of 12, .0399 in², in half an inch of
    // thin steel: 40 % of .304 = .1216. Its hole is larger than .706 in outside: 3/4 in.
    [Fact]
    public void A_run_from_box_to_box_is_pulled_in_a_pipe_of_its_own()
    {
        var job = Houses.Row(("shop", RoomUse.Utility, 30)).With(Houses.On("a", "shop", 1, 60), Houses.On("b", "shop", 1, 160));
        var plain = Planner.Plan(job);
        var run = plain.Circuits.Single().Runs.Single(r => r.Kind == RunKind.Jumper);
        var piped = new PutRunInPipe(run.Id, new("P1")).On(job).Job!;
        piped = new SetPipe(piped.Pipes[0] with { Kind = ConduitKind.Emt }).On(piped).Job!;
        var plan = Planner.Plan(piped);
        var circuit = plan.Circuits.Single();
        var (home, between) = (circuit.HomeRun!, circuit.Runs.Single(r => r.Kind == RunKind.Jumper));
        Assert.Equal((Jacket.Nonmetallic, Jacket.Loose), (home.Jacket, between.Jacket));
        Assert.Equal(("12-2", "2 × 12 + 12 G"), (circuit.CableOf(home), circuit.CableOf(between)));
        Assert.Equal("1/2 in EMT", circuit.Sized.PipeOf(between)!.Size.Value);
        Assert.Null(circuit.Pipe);
        Assert.Equal(plain.Circuits.Single().Sized.Ampacity.Value, circuit.Sized.Ampacity.Value);
        var studs = plan.Holes.Of(between).Where(h => h.Spot.Kind == MemberKind.Stud).ToList();
        Assert.NotEmpty(studs);
        Assert.All(studs, h => Assert.Equal(.75m, Hardware.BitOf(plan, h).Inches));
        var material = Hardware.Of(plan);
        Assert.Equal(between.Way.Measured.WholeFeetUp, material.Single(m => m.Item == "1/2 in EMT").Quantity);
        Assert.Equal(between.Length.Value.WholeFeetUp * 2, material.Single(m => m.Item == "12 THWN-2").Quantity);
        Assert.DoesNotContain(plan.Tags, t => t.Rule == "pipes");

        // Its box goes: the pipe is told, and let go by the tag's own act.
        var gone = new DeleteBox(new("b")).On(piped).Job!;
        var tag = Assert.Single(Planner.Plan(gone).Tags, t => t.Rule == "pipes");
        Assert.Empty(Assert.Single(tag.Fixes).Change.On(gone).Job!.Pipes);
        Assert.Empty(new PutRunInPipe(run.Id, null).On(piped).Job!.Pipes);
    }

    [Fact] // the home run in one pipe, what goes on in another: each is sized for itself
    public void A_circuit_may_lie_in_two_pipes()
    {
        var job = Houses.Row(("shop", RoomUse.Utility, 30)).With(Houses.On("a", "shop", 1, 60), Houses.On("b", "shop", 1, 160));
        var circuit = Planner.Plan(job).Circuits.Single();
        job = new PutInPipe(circuit.Circuit.Key, new("P1")).On(job).Job!;
        job = new PutRunInPipe(circuit.Runs[1].Id, new("P2")).On(job).Job!;
        var plan = Planner.Plan(job);
        Assert.Equal(["P1", "P2"], PipeSheets.Pipes(plan).Select(p => p.Raceway.Pipe.Id.Value).Order());
        Assert.All(plan.Circuits.Single().Runs, r => Assert.Equal("2 × 12 + 12 G", plan.Circuits.Single().CableOf(r)));
        Assert.Contains("lies in two pipes", new PutRunInPipe(circuit.Runs[1].Id, new("P3")).On(job).Job is { } moved
            ? new SetPipe(moved.Pipes[0] with { Runs = [circuit.Runs[1].Id] }).On(moved).Refusal : "", StringComparison.Ordinal);
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
