using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>A trench and everything that lies in it.</summary>
public sealed class TrenchTests
{
    private static Job Shed(bool panel = true) => Houses.WithShed(panel ? Houses.ShedPanel : null).With(Houses.On("r", "shop", 1, 40));

    private static decimal Ground(Job job) => Planner.Plan(job).Circuits.SelectMany(c => c.Runs).SelectMany(r => r.Way.Legs)
        .Where(l => l.Space == Space.Trench && l.From.Z == l.To.Z).Sum(l => l.Run.Feet);

    private static Job Did(Job job, JobChange change) => change.On(job).Job!;

    [Fact] // (20, 6) to (45, 12) to (70, 6): twice √(25² + 6²) = 25.71 ft, 1.42 ft more than 50
    public void A_corner_leads_it_round_and_is_paid_for()
    {
        var straight = Shed();
        var round = Did(straight, new MoveTrenchCorner("t", 1, new Point(45.Feet(), 12.Feet()), true));
        Assert.Equal(1.42m, decimal.Round(Ground(round) - Ground(straight), 2));
        // Two corners in the earth more than the two sweeps.
        var pulls = Assert.Single(PipeSheets.Of(Planner.Plan(round))).Pipe.Raceway.Pulls;
        Assert.Contains(pulls, p => p.Bends.Any(b => b.At == "corner of the trench"));
        Assert.Equal(straight.Trenches[0].Path.AsEnumerable(), Did(round, new MoveTrenchCorner("t", 1, null, false)).Trenches[0].Path);
        Assert.Equal("That corner of the trench is not in this job any more.",
            new MoveTrenchCorner("t", 2, new Point(1.Feet(), 1.Feet()), false).On(round).Refusal);
        Assert.Equal("Trench “u” is not in this job any more.", new MoveTrenchCorner("u", 1, null, false).On(round).Refusal);
    }

    [Fact] // two turns of 90° out of the house and up at the shed are sweeps; the fittings at the walls begin and end the pull
    public void The_pull_in_the_ground_has_its_two_sweeps()
    {
        var pulls = PipeSheets.Of(Planner.Plan(Shed()))[0].Pipe.Raceway.Pulls;
        Assert.Equal(3, pulls.Length);
        Assert.Equal([90, 90], pulls[1].Bends.Where(b => b.At == "sweep between wall and trench").Select(b => b.Degrees));
    }

    [Theory] // 12 in of earth between power and data
    [InlineData(12, false)]
    [InlineData(11, true)]
    public void A_data_pipe_keeps_its_distance(int apart, bool told)
    {
        var job = Did(Shed(), new SetTrench("t", 24.Inches(), apart.Inches(), false));
        var plan = Planner.Plan(job);
        var tag = plan.Tags.FirstOrDefault(t => t.Headline.Contains("data pipe", StringComparison.Ordinal));
        Assert.Equal(told, tag is not null);
        if (tag is not null)
        {
            Assert.Equal(Severity.Amber, tag.Severity);
            Assert.Equal(12m, Did(job, tag.Fixes[0].Change).Trenches[0].DataPipe!.Value.Inches);
        }

        Assert.Single(Hardware.Of(plan), l => l.Item.StartsWith("1 in PVC for data", StringComparison.Ordinal));
    }

    [Theory] // Table 300.5(A): UF 24 in, under a dwelling's driveway 18; PVC 18 in either
    [InlineData(false, false, 24)]
    [InlineData(false, true, 18)]
    [InlineData(true, false, 18)]
    public void The_cover_is_that_of_what_asks_most(bool panel, bool underDrive, int inches)
    {
        var job = Shed(panel) with { Schools = new() { Gfci = GfciWay.EachPlace } };
        bool Told(int depth) =>
            Planner.Plan(Did(job, new SetTrench("t", depth.Inches(), null, underDrive))).Tags.Any(t => t.Rule == "300.5");
        Assert.False(Told(inches));
        Assert.True(Told(inches - 1));
        var shallow = Did(job, new SetTrench("t", (inches - 1).Inches(), null, underDrive));
        var mended = Did(shallow, Planner.Plan(shallow).Tags.First(t => t.Rule == "300.5").Fixes[0].Change);
        Assert.Equal(inches, mended.Trenches[0].Depth.Inches);
        Assert.Equal(inches + 2, Assert.Single(Trenching.Of(Planner.Plan(mended))).Cover.Value.Inches);
    }

    [Fact] // the branch circuit in the feeder's kind of pipe instead of UF: conductors and their ground
    public void A_branch_circuit_may_lie_in_a_pipe_too()
    {
        var job = Shed(panel: false);
        var key = Planner.Plan(job).CircuitOf(new("r"))!.Circuit.Key;
        var piped = Did(job, new PutInPipe(key, new("P1")));
        var sized = Planner.Plan(piped).CircuitOf(new("r"))!.Sized;
        Assert.Equal(("2 × 12 + 12 G", "1/2 in PVC"), (sized.Cable, sized.Pipe!.Size.Value));
        Assert.True(sized.Pipe.Raceway.Buried);
        Assert.Contains(Planner.Plan(Did(piped, new SetPipe(piped.Pipes[0] with { Kind = ConduitKind.Emt }))).Tags,
            t => t.Rule == "358.10(B)");
    }

    [Fact]
    public void A_data_pipe_farther_than_the_trench_is_wide_is_no_job() =>
        Assert.Contains("0 to 48 in", new SetTrench("t", 24.Inches(), 49.Inches(), false).On(Shed()).Refusal, StringComparison.Ordinal);
}
