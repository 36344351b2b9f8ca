using Circuitum.Core.Circuits;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Panels;

/// <summary>Rooms as a door's schedule names them: numbered ones together, those of a group by its name where one circuit serves all of
/// them, and a whole storey where two lines do not hold the words otherwise (408.4).</summary>
internal sealed class DoorRooms
{
    private readonly FramedHouse house;

    // Circuits of a kind that something in a room hangs on: the words of one may not claim what hangs on another.
    private readonly ILookup<(CircuitKind Kind, RoomId Room), CircuitKey> on;
    private readonly ILookup<(CircuitKind Kind, string Group), RoomId> groups;
    private readonly ILookup<(CircuitKind Kind, int Structure, int Level), RoomId> storeys;

    public DoorRooms(IEnumerable<WiredCircuit> circuits, FramedHouse house, Survey survey)
    {
        this.house = house;
        var served = circuits.SelectMany(c => c.Circuit.Boxes.Select(b => (c.Kind, c.Key, Box: survey[b]))).Where(x => x.Box.HasOutlet)
            .Select(x => (x.Kind, x.Key, Framed: x.Box.Room)).DistinctBy(x => (x.Kind, x.Key, x.Framed.Room.Id)).ToList();
        on = served.ToLookup(x => (x.Kind, x.Framed.Room.Id), x => x.Key);
        var rooms = served.DistinctBy(x => (x.Kind, x.Framed.Room.Id)).ToList();
        groups = rooms.Where(x => x.Framed.Room.Group is not null).ToLookup(x => (x.Kind, x.Framed.Room.Group!), x => x.Framed.Room.Id);
        storeys = rooms.ToLookup(x => (x.Kind, x.Framed.Structure, x.Framed.Level), x => x.Framed.Room.Id);
    }

    /// <summary>The rooms of some boxes of a circuit, between two words: Lights: hall, north bedrooms, alarms.</summary>
    public string Said(Circuit circuit, IReadOnlyList<PlacedBox> boxes, string before, string after)
    {
        var here = boxes.Select(b => b.Room.Room.Id).ToHashSet();
        List<string> names = [];
        foreach (var byStorey in new[] { false, true })
        {
            names = Listed(boxes.Select(b => Label(circuit, b, here, byStorey)));
            var text = Joined(names, names.Count, before, after);
            if (names.Count < 2 || text.Length <= Descriptions.Longest)
            {
                return text;
            }
        }

        // More rooms than two lines hold: as many as fit, the one with most boxes first, then how many more.
        return Enumerable.Range(1, names.Count - 1).Reverse().Select(shown => Joined(names, shown, before, after))
            .First(t => t.Length <= Descriptions.Longest || t == Joined(names, 1, before, after));
    }

    private string Label(Circuit circuit, PlacedBox box, HashSet<RoomId> here, bool byStorey)
    {
        var (room, kind) = (box.Room.Room, circuit.Kind);
        return room.Group is { } group && IsWhole(circuit, groups[(kind, group)], here) ? char.ToUpperInvariant(group[0]) + group[1..]
            : byStorey && IsWhole(circuit, storeys[(kind, box.Room.Structure, box.Room.Level)], here)
                ? $"All of {Descriptions.Lower(house.LevelOf(room.Id).Level.Name)}"
            : room.Name;
    }

    // Each of them is among these, and hangs on this circuit alone; one room needs no name beside its own.
    private bool IsWhole(Circuit circuit, IEnumerable<RoomId> rooms, HashSet<RoomId> here) => rooms.Skip(1).Any()
        && rooms.All(r => here.Contains(r) && on[(circuit.Kind, r)].All(k => k == circuit.Key));

    /// <summary>Names, each once, the one that comes most often first; bedroom 2 and bedroom 3 are written bedroom 2, 3.</summary>
    public static List<string> Listed(IEnumerable<string> labels) => [.. labels.GroupBy(l => l).OrderByDescending(g => g.Count())
        .ThenBy(g => g.Key, StringComparer.Ordinal).Select(g => Numbered(g.Key)).GroupBy(r => (r.Name, HasNumber: r.Number.Length > 0))
        .Select(g => g.Key.HasNumber ? $"{g.Key.Name} {string.Join(", ", g.Select(r => r.Number).OrderBy(n => n.Length)
            .ThenBy(n => n, StringComparer.Ordinal))}" : g.Key.Name)];

    private static string Joined(List<string> names, int shown, string before, string after)
    {
        if (names.Count == 0)
        {
            return (before + after).Trim();
        }

        var rest = names.Count - shown;
        return before + (before.Length > 0 ? Descriptions.Lower(names[0]) : names[0])
            + string.Concat(names.Skip(1).Take(shown - 1).Select(n => ", " + Descriptions.Lower(n)))
            + (rest > 0 ? $" + {rest} more" : "") + after;
    }

    private static (string Name, string Number) Numbered(string room)
    {
        var at = room.LastIndexOf(' ');
        return at > 0 && room[(at + 1)..].All(char.IsAsciiDigit) ? (room[..at], room[(at + 1)..]) : (room, "");
    }
}
