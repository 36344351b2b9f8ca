using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Panels;

/// <summary>Writes what a stranger reads beside a breaker: rooms and devices, never passing circumstance (408.4(A)).</summary>
public static class Descriptions
{
    /// <summary>Longest description, so that a door's schedule stays legible.</summary>
    public const int Longest = DescriptionPin.Longest;

    /// <summary>Descriptions of one panel's circuits, each different from the others.</summary>
    public static Dictionary<CircuitKey, string> Of(IReadOnlyList<WiredCircuit> circuits, Survey survey, Job job)
    {
        var plain = circuits.ToDictionary(c => c.Circuit.Key, c => Plain(c.Circuit, survey, job));
        foreach (var same in plain.GroupBy(p => p.Value).Where(g => g.Count() > 1).ToList())
        {
            var number = 0;
            foreach (var (key, text) in same.OrderBy(p => p.Key.Value, StringComparer.Ordinal))
            {
                plain[key] = $"{text} ({++number})";
            }
        }

        return plain;
    }

    /// <summary>True when words name a room, the equipment or the building of a circuit, whatever else they say.</summary>
    public static bool SaysWhere(string text, WiredCircuit circuit, Survey survey) => circuit.Circuit.Kind == CircuitKind.Feeder
        || circuit.Circuit.Boxes.Select(b => survey[b])
        .SelectMany(b => b.Plates.Select(p => p.Name).Append(b.Room.Room.Name).Append(b.Box.Outside ? "outdoor" : b.Room.Room.Name))
        .Any(name => text.Contains(name, StringComparison.OrdinalIgnoreCase));

    private static string Plain(Circuit circuit, Survey survey, Job job)
    {
        var boxes = circuit.Boxes.Select(id => survey[id]).ToList();
        var plates = boxes.SelectMany(b => b.Plates.Select(p => (b, p))).ToList();
        return circuit.Kind switch
        {
            CircuitKind.Feeder => $"Panel {circuit.Feeds}, {Lower(RoomName(job, job.Panels.First(p => p.Id == circuit.Feeds).Room))}",
            CircuitKind.Individual when plates.Count > 0 => WithRoom(plates[0].p.Name, plates[0].b),
            CircuitKind.DishwasherAndDisposer =>
                WithRoom(string.Join(" + ", plates.Select((x, i) => i == 0 ? x.p.Name : Lower(x.p.Name))), plates[0].b),
            CircuitKind.SmallAppliance => SmallAppliance(boxes),
            CircuitKind.Lighting => Rooms(boxes.Where(b => !b.SwitchesOnly), "Lights: ", boxes.Any(b => b.HasAlarm) ? ", alarms" : ""),
            CircuitKind.General => Rooms(boxes.Where(b => !b.SwitchesOnly), "", " lights, receptacles"),
            CircuitKind.Outdoor => "Outdoor receptacles",
            _ => Rooms(boxes, "", " receptacles"),
        };
    }

    // The counter first: it is what people look for.
    private static string SmallAppliance(List<PlacedBox> boxes)
    {
        var counters = boxes.Where(b => b.Box.ServesCounter).ToList();
        var walls = boxes.Except(counters).ToList();
        return counters.Count == 0 ? Rooms(walls, "", " receptacles")
            : walls.Count == 0 ? Rooms(counters, "", " counter")
            : $"{Rooms(counters, "", " counter")} + {Lower(Rooms(walls, "", " receptacles"))}";
    }

    private static string WithRoom(string what, PlacedBox box)
    {
        var where = box.Box.Outside ? "outdoor" : Lower(box.Room.Room.Name);
        var text = what.Contains(where, StringComparison.OrdinalIgnoreCase) ? what : $"{what}, {where}";
        return text.Length <= Longest ? text : what;
    }

    // As many rooms as fit, the one with most boxes first, then how many more.
    private static string Rooms(IEnumerable<PlacedBox> boxes, string before, string after)
    {
        var rooms = boxes.GroupBy(b => b.Room.Room.Name).OrderByDescending(g => g.Count()).ThenBy(g => g.Key, StringComparer.Ordinal)
            .Select(g => g.Key).ToList();
        if (rooms.Count == 0)
        {
            return (before + after).Trim();
        }

        for (var shown = rooms.Count; shown > 1; shown--)
        {
            var rest = rooms.Count - shown;
            var text = before + (before.Length > 0 ? Lower(rooms[0]) : rooms[0])
                + string.Concat(rooms.Skip(1).Take(shown - 1).Select(r => ", " + Lower(r))) + (rest > 0 ? $" + {rest} more" : "") + after;
            if (text.Length <= Longest)
            {
                return text;
            }
        }

        return before + (before.Length > 0 ? Lower(rooms[0]) : rooms[0]) + (rooms.Count > 1 ? $" + {rooms.Count - 1} more" : "") + after;
    }

    private static string Lower(string name) => name.Length > 1 && char.IsUpper(name[0]) && !char.IsUpper(name[1])
        ? char.ToLowerInvariant(name[0]) + name[1..] : name;

    private static string RoomName(Job job, RoomId id) => job.Rooms.First(r => r.Id == id).Name;
}
