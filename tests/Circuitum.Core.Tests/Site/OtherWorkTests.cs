using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Site;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Trenches, pipes and low voltage are written down like cable, and told where the plan leaves them.</summary>
public sealed class OtherWorkTests
{
    private static readonly Instant Noon = new(1_777_896_000_000);

    private static readonly LowVoltageOutlet Data = new()
    {
        Id = new("d"),
        Kind = LowVoltageKind.Data,
        Room = new("den"),
        Wall = 2,
        Offset = 101.Inches(),
        Cables = 2,
    };

    // A shed with a panel of its own behind 50 ft of trench, and one data outlet in the den.
    private static Job Yard
    {
        get
        {
            var shed = Houses.WithShed(Houses.ShedPanel).With(Houses.On("r", "shop", 1, 40));
            return shed with
            {
                LowVoltage = [Data],
                LowVoltageHomes = [new() { Id = new("can"), Room = new("den"), Wall = 4, Offset = 36.Inches() }],
            };
        }
    }

    private static SiteEntry Done(Plan plan, Subject subject, SiteStep step)
    {
        var line = OtherWork.Find(plan, subject)!;
        return new(new(Guid.NewGuid()), subject, step, Noon, Noon, "Ida", 1)
        {
            As = new($"{line.Number}, {line.Name}", line.What, line.Long),
        };
    }

    [Fact] // 50 ft from wall to wall, 24 in and the crew's 2 in; two cables count twice
    public void A_trench_its_pipe_and_each_outlet_are_lines_of_their_own()
    {
        var plan = Planner.Plan(Yard);
        var ground = OtherWork.TrenchesAndPipes(plan);
        Assert.Equal([SubjectKind.Trench, SubjectKind.Pipe], ground.Select(l => l.Subject.Kind));
        Assert.Equal(("House → Shed", "2'-2\" deep", 50m), (ground[0].Name, ground[0].What, decimal.Round(ground[0].Long.Feet)));
        Assert.Equal("Panel A → Panel G", ground[1].Name);
        var low = Assert.Single(OtherWork.LowVoltage(plan));
        Assert.Equal(("LV1", "2 × Data cable, category 6"), (low.Number, low.What));
        Assert.Equal(plan.LowVoltage.Runs[0].Length.Value * 2, low.Long);
        Assert.All(ground.Add(low), l => Assert.NotEmpty(SiteSteps.Of(l.Subject.Kind)));
        Assert.Equal("LV1, den low-voltage can → den data", SiteNames.Of(plan, low.Subject));
    }

    [Fact]
    public void What_is_done_as_planned_clashes_with_nothing()
    {
        var plan = Planner.Plan(Yard);
        var pipe = OtherWork.TrenchesAndPipes(plan)[1].Subject;
        var record = SiteRecord.Of([Done(plan, Subject.Trench(new("t")), SiteStep.Dug), Done(plan, pipe, SiteStep.Laid),
            Done(plan, Subject.LowVoltage(Data.Id), SiteStep.Pulled)]);
        Assert.Empty(SiteClashes.Of(plan, record));
        Assert.Equal(3, record.Standing.Length);
    }

    [Fact] // moved to the far end of the den its cables are too short: both come out, both go in again
    public void Low_voltage_that_is_pulled_is_told_when_its_way_grows_and_when_it_goes()
    {
        var before = Planner.Plan(Yard with { LowVoltage = [Data with { Wall = 4, Offset = 60.Inches() }] });
        var record = SiteRecord.Of([Done(before, Subject.LowVoltage(Data.Id), SiteStep.Pulled)]);
        var after = Planner.Plan(Yard);
        var clash = Assert.Single(SiteClashes.Of(after, record));
        Assert.Equal((ClashKind.Short, OtherWork.LowVoltage(before)[0].Long, OtherWork.LowVoltage(after)[0].Long),
            (clash.Kind, clash.Lost, clash.Again));
        Assert.True(clash.Again > clash.Lost);
        var gone = Planner.Plan(new DropLowVoltage(Data.Id).On(Yard).Job!);
        Assert.Equal(ClashKind.Gone, Assert.Single(SiteClashes.Of(gone, record)).Kind);
        Assert.StartsWith("On site: 1 pulled run does not fit any more", SiteClashes.CostOf(before, gone, record),
            StringComparison.Ordinal);
    }

    [Fact] // dug to 2'-2", wanted at 3'-2": nothing is lost by digging on
    public void A_trench_that_is_to_be_deeper_is_told_at_no_loss()
    {
        var before = Planner.Plan(Yard);
        var record = SiteRecord.Of([Done(before, Subject.Trench(new("t")), SiteStep.Dug)]);
        var after = Planner.Plan(Yard with { Trenches = [Yard.Trenches[0] with { Depth = 36.Inches() }] });
        var clash = Assert.Single(SiteClashes.Of(after, record));
        Assert.Equal((Length.Zero, Length.Zero), (clash.Lost, clash.Again));
        Assert.EndsWith("the plan has 3'-2\" deep there now.", clash.Words, StringComparison.Ordinal);
    }
}
