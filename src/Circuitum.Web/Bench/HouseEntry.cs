using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;

namespace Circuitum.Web.Bench;

/// <summary>Reads how forms name parts of the house.</summary>
public static class HouseEntry
{
    /// <summary>A wall, fixture or obstruction told as owner and number: kitchen.3.</summary>
    /// <exception cref="FormatException">It is not written so.</exception>
    public static (string Of, int Number) Numbered(string? text)
    {
        var dot = (text ?? "").LastIndexOf('.');
        return dot > 0 ? (text![..dot], Entry.Count(text[(dot + 1)..]))
            : throw new FormatException($"“{text}” names no wall; write it like kitchen.3.");
    }

    /// <summary>A room of the job.</summary>
    /// <exception cref="ChangeRefusedException">It is not there.</exception>
    public static Room Room(Job job, string? id) => job.Rooms.FirstOrDefault(r => r.Id.Value == id)
        ?? throw new ChangeRefusedException($"Room “{id}” is not in this job any more.");
}
