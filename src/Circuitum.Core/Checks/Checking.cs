using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Demand;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.LowVoltage;
using Circuitum.Core.Panels;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Tags;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Checks;

/// <summary>What the checks look at: everything planned before them.</summary>
public sealed record Checked(Job Job, CodeBook Book, FramedHouse House, Survey Survey, ImmutableArray<WiredCircuit> Circuits,
    Holes Holes, ImmutableArray<PanelSchedule> Panels, ServicePlan Service, LowVoltagePlan LowVoltage);

/// <summary>Stage Checks: hangs tags, stage by stage, in the order of work.</summary>
public static class Checking
{
    /// <summary>Every tag of a plan; the order is stable.</summary>
    public static ImmutableArray<Tag> Check(Checked plan) =>
    [
        .. Holds(plan.Job),
        .. Found(plan).Where(t => plan.Book.Asks(t.Cite)),
    ];

    // What a book does not ask hangs no tag.
    private static IEnumerable<Tag> Found(Checked plan) =>
    [
        .. BoxChecks.Check(plan),
        .. TubChecks.Check(plan),
        .. GarageChecks.Check(plan),
        .. AlarmChecks.Check(plan),
        .. CircuitChecks.Check(plan),
        .. ProtectionChecks.Check(plan),
        .. RunChecks.Check(plan),
        .. FramingChecks.Check(plan),
        .. PanelChecks.Check(plan),
        .. SourceChecks.Check(plan),
        .. LowVoltageChecks.Check(plan),
    ];

    private static IEnumerable<Tag> Holds(Job job) => job.Holds.Select(h =>
    {
        var subject = Subject.TryParse(h.Subject)!.Value;
        var stage = subject.Kind switch
        {
            SubjectKind.Room or SubjectKind.Wall or SubjectKind.Opening or SubjectKind.Fixture
            or SubjectKind.Obstruction or SubjectKind.Level or SubjectKind.Structure or SubjectKind.Bays or SubjectKind.Chase =>
            Stage.House,
            SubjectKind.Box or SubjectKind.Want or SubjectKind.LowVoltage or SubjectKind.LowVoltageHome => Stage.Boxes,
            SubjectKind.Circuit => Stage.Circuits,
            SubjectKind.Run =>
            Stage.Runs,
            _ => Stage.Panel
        };
        return new Tag(Severity.Hold, stage, subject, "waiting", $"Waiting for {h.What}.",
            $"{h.Who}, {h.By}. The plan goes on with what the job says now.")
        {
            Fixes = [new Fix("It has come", new ReleaseHold(h.Id))],
        };
    });
}
