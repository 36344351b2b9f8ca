using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;

namespace Circuitum.Core.Site;

/// <summary>What something of the record is called, by the plan as it is now.</summary>
public static class SiteNames
{
    /// <summary>Kitchen counter 1; A14, Kitchen; the north wall of Kitchen. Its id where the plan has it no more.</summary>
    public static string Of(Plan plan, Subject subject) => subject.Kind switch
    {
        SubjectKind.Box when plan.Survey.Find(new(subject.Id)) is { } box => box.Name,
        SubjectKind.Circuit when plan.Landed(new(subject.Id)) is { } landed => $"{landed.Panel}{landed.SpaceText}, {landed.Description}",
        SubjectKind.Run when subject.AsRun is { } id && plan.FindRun(id) is var (_, run) => $"{run.From.Name} → {run.To.Name}",
        SubjectKind.Room when Room(plan, subject.Id) is { } room => room.Name,
        SubjectKind.Wall when subject.Numbered is var (of, wall) && Room(plan, of) is { } room =>
            $"the {room.SideOf(wall)} wall of {room.Name}",
        SubjectKind.Panel => $"Panel {subject.Id}",
        SubjectKind.Structure => plan.Job.Structures.FirstOrDefault(s => s.Id.Value == subject.Id)?.Name ?? subject.Id,
        _ => OtherWork.Find(plan, subject) is { } line ? $"{line.Number}, {line.Name}" : subject.Id,
    };

    private static Room? Room(Plan plan, string id) => plan.Job.Rooms.FirstOrDefault(r => r.Id.Value == id);
}
