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
    /// <param name="circuits">The panel's circuits.</param>
    /// <param name="rooms">How rooms are named in the doors of this job.</param>
    /// <param name="survey">Where the boxes are.</param>
    /// <param name="job">The job.</param>
    internal static Dictionary<CircuitKey, string> Of(IReadOnlyList<WiredCircuit> circuits, DoorRooms rooms, Survey survey, Job job)
    {
        var plain = circuits.ToDictionary(c => c.Circuit.Key, c => Plain(c.Circuit, rooms, survey, job));
        foreach (var same in plain.GroupBy(p => p.Value).Where(g => g.Count() > 1).ToList())
        {
            Tell(plain, [.. same.OrderBy(p => p.Key.Value, StringComparer.Ordinal)], circuits, survey);
        }

        return plain;
    }

    // Circuits of the same rooms: by the side of the house that each is on, or by floor, which a stranger can see; where they lie among
    // each other by their outlets, since a number says nothing.
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

        // More than two: in their row across the house, where they are a step apart.
        var row = same.Select(s => (s.Key, s.Value, At: Middle(s.Key))).ToList();
        double Spread(Func<(double X, double Y, double Z), double> of) => row.Max(r => of(r.At)) - row.Min(r => of(r.At));
        var across = Spread(a => a.X) >= Spread(a => a.Y);
        var inRow = row.OrderBy(r => across ? r.At.X : r.At.Y).ToList();
        if (same.Count == 2 || inRow.Zip(inRow.Skip(1), (a, b) => across ? b.At.X - a.At.X : b.At.Y - a.At.Y).Any(s => s < 24))
        {
            TellByOutlets(plain, same, circuits, survey);
            return;
        }

        for (var i = 0; i < inRow.Count; i++)
        {
            plain[inRow[i].Key] = $"{inRow[i].Value}, {InRow(i, inRow.Count, across)}";
        }
    }

    // By all its outlets, or where they are too many for two lines by the one its home run comes to.
    private static void TellByOutlets(Dictionary<CircuitKey, string> plain, List<KeyValuePair<CircuitKey, string>> same,
        IReadOnlyList<WiredCircuit> circuits, Survey survey)
    {
        var told = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        foreach (var (key, words) in same)
        {
            var circuit = circuits.First(c => c.Circuit.Key == key);
            var outlets = circuit.Circuit.Boxes.Select(b => survey[b]).Where(b => b.HasOutlet).ToList();
            var alone = outlets.DistinctBy(b => b.Room.Room.Id).Count() == 1 ? outlets[0].Room.Room.Name + " " : "";
            var names = DoorRooms.Listed(outlets.Select(b => b.Name).Order(StringComparer.Ordinal)
                .Select(n => alone.Length > 0 && n.StartsWith(alone, StringComparison.OrdinalIgnoreCase) ? n[alone.Length..] : Lower(n)));
            var end = words[(words.LastIndexOf(' ') + 1)..] + " ";
            var all = names is [var only] && only.StartsWith(end, StringComparison.OrdinalIgnoreCase)
                ? $"{words} {only[end.Length..]}" : $"{words}: {string.Join(", ", names)}";
            var first = circuit.HomeRun?.To.Box is BoxId at ? $"{words}, first {Lower(survey[at].Name)}" : words;
            var said = new[] { all, first, words }.First(t => t.Length <= Longest || t == words);
            // Two outlets of one name on two circuits: nothing is left but a number.
            plain[key] = said != words && told.Add(said) ? said
                : Enumerable.Range(1, same.Count).Select(n => $"{words} ({n})").First(told.Add);
        }
    }

    private static string InRow(int at, int of, bool across) => at == 0 ? across ? "west" : "north"
        : at == of - 1 ? across ? "east" : "south"
        : of == 3 ? "middle" : $"{at + 1}{(at == 1 ? "nd" : at == 2 ? "rd" : "th")} from the {(across ? "west" : "north")}";

    /// <summary>True when words name a room, the equipment or the building of a circuit, whatever else they say.</summary>
    public static bool SaysWhere(string text, WiredCircuit circuit, Survey survey) => circuit.Circuit.Kind == CircuitKind.Feeder
        || circuit.Circuit.Boxes.Select(b => survey[b])
        .SelectMany(b => b.Plates.Select(p => p.Name).Append(b.Room.Room.Name).Append(b.Room.Room.Group ?? b.Room.Room.Name)
            .Append(b.Box.Outside ? "outdoor" : b.Room.Room.Name))
        .Any(name => text.Contains(name, StringComparison.OrdinalIgnoreCase));

    private static string Plain(Circuit circuit, DoorRooms doors, Survey survey, Job job)
    {
        string Rooms(IEnumerable<PlacedBox> boxes, string before, string after) => doors.Said(circuit, [.. boxes], before, after);
        // Where its cable is joined is passing circumstance: the room of a joint box is none that it serves.
        var boxes = circuit.Boxes.Select(id => survey[id]).Where(b => !b.IsJoint).ToList();
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
            CircuitKind.SmallAppliance => SmallAppliance(boxes, Rooms),
            CircuitKind.Lighting => Rooms(boxes.Where(b => b.HasOutlet), "Lights: ", boxes.Any(b => b.HasAlarm) ? ", alarms" : ""),
            CircuitKind.General => Rooms(boxes.Where(b => b.HasOutlet), "", " lights, receptacles"),
            CircuitKind.Outdoor => "Outdoor receptacles",
            _ => Rooms(boxes, "", " receptacles"),
        };
    }

    // The counter first: it is what people look for.
    private static string SmallAppliance(List<PlacedBox> boxes, Func<IEnumerable<PlacedBox>, string, string, string> Rooms)
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

    /// <summary>A name as it stands inside a sentence; what is written in capitals stays so.</summary>
    internal static string Lower(string name) => name.Length > 1 && char.IsUpper(name[0]) && !char.IsUpper(name[1])
        ? char.ToLowerInvariant(name[0]) + name[1..] : name;

    private static string RoomName(Job job, RoomId id) => job.Rooms.First(r => r.Id == id).Name;
}
