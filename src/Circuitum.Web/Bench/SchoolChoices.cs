using Circuitum.Core.Jobs;

namespace Circuitum.Web.Bench;

/// <summary>A list of schools to choose from, as a job, a room or a circuit shows it.</summary>
/// <param name="View">The bench.</param>
/// <param name="Choices">The questions.</param>
/// <param name="Own">What the room or circuit has of its own; null for the job's own list, where every question has an answer.</param>
public sealed record SchoolsView(BenchView View, IEnumerable<School> Choices, Func<School, Enum?>? Own)
{
    /// <summary>The list of the job.</summary>
    public static SchoolsView OfJob(BenchView view) => new(view, SchoolList.All.Where(view.Plan.Book.Leaves), null);

    /// <summary>The list of one circuit.</summary>
    public static SchoolsView Of(BenchView view, CircuitKey circuit)
    {
        var own = view.Plan.Job.CircuitSchools.FirstOrDefault(c => c.Circuit == circuit);
        return new(view, SchoolList.OfCircuits.Where(view.Plan.Book.Leaves), school => own is null ? null : school.OfCircuit!(own));
    }

    /// <summary>The list of one room.</summary>
    public static SchoolsView Of(BenchView view, Room room)
    {
        var own = view.Plan.Job.RoomSchools.FirstOrDefault(r => r.Room == room.Id);
        return new(view, SchoolList.OfRooms.Where(s => s.AskedIn(room.Use) && view.Plan.Book.Leaves(s)),
            school => own is null ? null : school.OfRoom!(own));
    }
}
