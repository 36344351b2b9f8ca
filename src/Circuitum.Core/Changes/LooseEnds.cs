using System.Collections.Immutable;
using Circuitum.Core.Jobs;

namespace Circuitum.Core.Changes;

/// <summary>What a change leaves behind that names a box, room or panel which is gone.</summary>
internal static class LooseEnds
{
    /// <summary>The job without them; the same job where there are none.</summary>
    public static Job Drop(Job job)
    {
        if (job.RoomSchools.IsEmpty && job.Pins.Individual.IsEmpty && job.Pins.Panels.IsEmpty && job.Divisions.IsEmpty
            && job.Service.TransferPanel is null)
        {
            return job;
        }

        var boxes = job.Boxes.Select(b => b.Id).ToHashSet();
        var rooms = job.Rooms.Select(r => r.Id).ToHashSet();
        var panels = job.Panels.Select(p => p.Id).ToHashSet();
        return job with
        {
            RoomSchools = job.RoomSchools.RemoveAll(r => !rooms.Contains(r.Room)),
            Pins = job.Pins with
            {
                Individual = job.Pins.Individual.RemoveAll(b => !boxes.Contains(b)),
                Panels = job.Pins.Panels.RemoveAll(p => !panels.Contains(p.Panel))
            },
            Service = job.Service.TransferPanel is PanelId behind && !panels.Contains(behind) ? job.Service with { TransferPanel = null }
                : job.Service,
            Divisions = [.. job.Divisions.Select(d => Without(d, boxes))],
        };
    }

    private static Division Without(Division division, HashSet<BoxId> boxes) => division.Circuits.All(c => c.Boxes.All(boxes.Contains))
        ? division : division with
        {
            Circuits = [.. division.Circuits.Select(c => c with { Boxes = c.Boxes.RemoveAll(b => !boxes.Contains(b)) })
            .Where(c => !c.Boxes.IsEmpty)],
        };
}
