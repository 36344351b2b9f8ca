using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.LowVoltage;
using Circuitum.Core.Plans;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;

namespace Circuitum.Core.Site;

/// <summary>A trench, a pipe or a cable of low voltage, as whoever does it reads it.</summary>
/// <param name="Subject">By its lasting id.</param>
/// <param name="Number">What is written on it: T1, P1, LV3.</param>
/// <param name="Name">From where to where.</param>
/// <param name="What">How deep, how large, which cable.</param>
/// <param name="Long">In the ground, along the pipe, or the feet of all its cables.</param>
public sealed record WorkLine(Subject Subject, string Number, string Name, string What, Length Long);

/// <summary>What is done on site beside the cable of power: trenches, pipes, low voltage.</summary>
public static class OtherWork
{
    /// <summary>Trenches first, for pipes lie in them; then pipes.</summary>
    public static ImmutableArray<WorkLine> TrenchesAndPipes(Plan plan) =>
    [
        .. Trenching.Of(plan).Select(t => new WorkLine(Subject.Trench(t.Trench.Id), t.Trench.Id.Value,
            $"{NameOf(plan, t.Trench.From)} → {NameOf(plan, t.Trench.To)}", $"{t.Cover.Value} deep", t.Long)),
        .. PipeSheets.Pipes(plan).Select(p => new WorkLine(Subject.Pipe(p.Raceway.Pipe.Id), p.Raceway.Pipe.Id.Value,
            $"{p.Raceway.Lead.From.Name} → {p.Raceway.Lead.To.Name}", p.Size.Value, p.Raceway.Lead.Way.Measured)),
    ];

    /// <summary>Every outlet of low voltage that has a way home.</summary>
    public static ImmutableArray<WorkLine> LowVoltage(Plan plan) => [.. plan.LowVoltage.Runs.Select(r => new WorkLine(
        Subject.LowVoltage(r.Outlet.Outlet.Id), r.Outlet.Number, $"{r.Home.Name} → {r.Outlet.Name}",
        (r.Outlet.Outlet.Cables > 1 ? $"{r.Outlet.Outlet.Cables} × " : "") + r.Outlet.Outlet.Kind.Cable(), r.Footage))];

    /// <summary>One of them; null where the plan has it not.</summary>
    public static WorkLine? Find(Plan plan, Subject subject) => (subject.Kind switch
    {
        SubjectKind.Trench or SubjectKind.Pipe => TrenchesAndPipes(plan),
        SubjectKind.LowVoltage => LowVoltage(plan),
        _ => [],
    }).FirstOrDefault(l => l.Subject == subject);

    private static string NameOf(Plan plan, StructureId id) => plan.Job.Structures.First(s => s.Id == id).Name;
}
