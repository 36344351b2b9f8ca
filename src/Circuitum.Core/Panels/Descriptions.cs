using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Panels;

/// <summary>Writes what a stranger reads beside a breaker: rooms and devices, never passing circumstance (408.4(A)).</summary>
public static class Descriptions
{
    /// <summary>Longest description: two lines of a door's schedule name every room (408.4).</summary>
    public const int Longest = DescriptionPin.Longest;

    /// <summary>Descriptions of one panel's circuits, each different from the others.</summary>
    public static Dictionary<CircuitKey, string> Of(IReadOnlyList<WiredCircuit> circuits, Survey survey, Job job)
    {
        var plain = circuits.ToDictionary(c => c.Circuit.Key, c => Plain(c.Circuit, survey, job));
        foreach (var same in plain.GroupBy(p => p.Value).Where(g => g.Count() > 1).ToList())
        {
            Tell(plain, [.. same.OrderBy(p => p.Key.Value, StringComparer.Ordinal)], circuits, survey);
        }

        return plain;
    }

    // Two circuits of the same rooms: by the side of the house that each is on, or by floor, which a stranger can see; a number says
    // nothing.
    private static void Tell(Dictionary<CircuitKey, string> plain, List<KeyValuePair<CircuitKey, string>> same,
        IReadOnlyList<WiredCircuit> circuits, Survey survey)
    {
        (double X, double Y, double Z) Middle(CircuitKey key)
        {
            var at = circuits.First(c => c.Circuit.Key == key).Circuit.Boxes.Select(b => survey[b].Place).ToList();
            return at.Count == 0 ? default : (at.Average(p => (double)p.At.X.Inches), at.Average(p => (double)p.At.Y.Inches),
                at.Average(p => (double)p.Level));
        }

        if (same.Count == 2)
        {
            var (one, other) = (Middle(same[0].Key), Middle(same[1].Key));
            double east = one.X - other.X, south = one.Y - other.Y, up = one.Z - other.Z;
            var sides = Math.Abs(up) > .5 ? ("upstairs", "downstairs", up > 0) : Math.Abs(east) >= Math.Abs(south)
                ? ("east", "west", east > 0) : ("south", "north", south > 0);
            if (Math.Abs(up) > .5 || Math.Max(Math.Abs(east), Math.Abs(south)) >= 24)
            {
                plain[same[0].Key] = $"{same[0].Value}, {(sides.Item3 ? sides.Item1 : sides.Item2)}";
                plain[same[1].Key] = $"{same[1].Value}, {(sides.Item3 ? sides.Item2 : sides.Item1)}";
                return;
            }
        }

        for (var i = 0; i < same.Count; i++)
        {
            plain[same[i].Key] = $"{same[i].Value} ({i + 1})";
        }
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
        // Machines with lamps beside them: both are said.
        var lamps = boxes.Where(b => b.HasLight && !b.Plates.Any()).ToList();
        if (plates.Count > 0 && lamps.Count > 0 && !boxes.Exists(b => b.HasGeneralReceptacle)
            && circuit.Kind is CircuitKind.Individual or CircuitKind.DishwasherAndDisposer or CircuitKind.General)
        {
            var machines = string.Join(" + ", plates.Select((x, i) => i == 0 ? x.p.Name : Lower(x.p.Name)));
            return $"{machines} + {Lower(Rooms(lamps, "", " lights"))}";
        }

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
            .Select(g => Numbered(g.Key)).GroupBy(r => (r.Name, HasNumber: r.Number.Length > 0))
            .Select(g => g.Key.HasNumber ? $"{g.Key.Name} {string.Join(", ", g.Select(r => r.Number).OrderBy(n => n.Length)
                .ThenBy(n => n, StringComparer.Ordinal))}" : g.Key.Name).ToList();
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

    // Bedroom 2 and Bedroom 3 are written bedroom 2, 3; a name without a number is its own.
    private static (string Name, string Number) Numbered(string room)
    {
        var at = room.LastIndexOf(' ');
        return at > 0 && room[(at + 1)..].All(char.IsAsciiDigit) ? (room[..at], room[(at + 1)..]) : (room, "");
    }

    private static string Lower(string name) => name.Length > 1 && char.IsUpper(name[0]) && !char.IsUpper(name[1])
        ? char.ToLowerInvariant(name[0]) + name[1..] : name;

    private static string RoomName(Job job, RoomId id) => job.Rooms.First(r => r.Id == id).Name;
}
