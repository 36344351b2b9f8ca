using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Panels;

/// <summary>Stage Panel: where does it land? Pins first, large two-poles at the top, then one-poles with the least leg difference that any placing reaches.</summary>
public static class Landing
{
    /// <summary>Lands every circuit on its panel.</summary>
    public static ImmutableArray<PanelSchedule> Land(ImmutableArray<WiredCircuit> circuits, FramedHouse house, Survey survey, Job job) =>
        [.. job.Panels.Select(p => new PanelSchedule(p, house.Room(p.Room).Room.Name, Land(p, [.. circuits.Where(c => c.Circuit.Panel == p.Id)], survey, job)))];

    /// <summary>Spaces that breakers take: two for each two-pole.</summary>
    public static int SpacesNeeded(IEnumerable<int> poles) => poles.Sum();

    private static ImmutableArray<Landed> Land(Panel panel, List<WiredCircuit> circuits, Survey survey, Job job)
    {
        var board = new Board(panel.Spaces);
        var pins = job.Pins.Spaces.ToLookup(p => p.Circuit, p => p.Space);
        var order = circuits.OrderByDescending(c => c.Protected.Sized.Breaker.Value).ThenBy(c => c.Circuit.Key.Value, StringComparer.Ordinal).ToList();
        foreach (var circuit in order.Where(c => pins.Contains(c.Circuit.Key)))
        {
            board.Pin(circuit, pins[circuit.Circuit.Key].First());
        }

        foreach (var circuit in order.Where(c => c.Circuit.Poles == 2 && !pins.Contains(c.Circuit.Key)))
        {
            board.TwoPole(circuit);
        }

        // The two of a multiwire circuit land like one two-pole, unless a person landed either.
        bool Paired(WiredCircuit c) => !pins.Contains(c.Circuit.Key) && c.Circuit.SharesNeutralWith is CircuitKey other && !pins.Contains(other) && circuits.Exists(o => o.Circuit.Key == other);
        foreach (var circuit in order.Where(c => Paired(c) && string.CompareOrdinal(c.Circuit.Key.Value, c.Circuit.SharesNeutralWith!.Value.Value) < 0))
        {
            board.Pair(circuit, circuits.Find(o => o.Circuit.Key == circuit.Circuit.SharesNeutralWith)!);
        }

        board.OnePoles([.. order.Where(c => c.Circuit.Poles == 1 && !pins.Contains(c.Circuit.Key) && !Paired(c))]);
        var described = Descriptions.Of(circuits, survey, job);
        return [.. circuits.Select(c => new Landed(c, board.SpaceOf(c), described[c.Circuit.Key], board.WhyOf(c))).OrderBy(l => l.Space ?? int.MaxValue).ThenBy(l => l.Wired.Circuit.Key.Value, StringComparer.Ordinal)];
    }

    private sealed class Board(int spaces)
    {
        private readonly Dictionary<int, WiredCircuit> taken = [];
        private readonly Dictionary<WiredCircuit, (int? Space, Because Why)> landed = new(ReferenceEqualityComparer.Instance);

        public int? SpaceOf(WiredCircuit circuit) => landed[circuit].Space;

        public Because WhyOf(WiredCircuit circuit) => landed[circuit].Why;

        // A pin is kept even where it collides; the check hangs a tag on it.
        public void Pin(WiredCircuit circuit, int space)
        {
            Take(circuit, space, Why.Pin("landed by a person", $"space {space}"));
        }

        public void TwoPole(WiredCircuit circuit)
        {
            for (var space = 1; space + 2 <= spaces; space++)
            {
                if (Free(space) && Free(space + 2))
                {
                    Take(circuit, space, Why.House("large two-poles at the top, odd left, even right", $"{circuit.Protected.Sized.Breaker.Value}", "school: two-poles at the top")
                        .Book("two adjacent spaces on one side, one on each leg", $"{space} and {space + 2}", "240.15(B), 210.4(B)"));
                    return;
                }
            }

            landed[circuit] = (null, Why.Plan("no two adjacent spaces left", ""));
        }

        public void Pair(WiredCircuit one, WiredCircuit other)
        {
            var space = Enumerable.Range(1, Math.Max(0, spaces - 2)).FirstOrDefault(s => Free(s) && Free(s + 2), -1);
            if (space < 0)
            {
                landed[one] = landed[other] = (null, Why.Plan("no two adjacent spaces left", ""));
                return;
            }

            var why = Why.Book("multiwire: adjacent spaces on both legs, handles tied", $"{space} and {space + 2}", "210.4(B), 240.15(B)");
            Take(one, space, why);
            Take(other, space + 2, why);
        }

        public void OnePoles(List<WiredCircuit> circuits)
        {
            var free = Enumerable.Range(1, spaces).Where(Free).ToList();
            foreach (var over in circuits.Skip(free.Count))
            {
                landed[over] = (null, Why.Plan("no space left", ""));
            }

            var placed = circuits.Take(free.Count).ToList();
            var loads = placed.Select(Load).ToList();
            Queue<int> onA = new(free.Where(s => SpaceNumbers.LegOf(s) == Leg.A)), onB = new(free.Where(s => SpaceNumbers.LegOf(s) == Leg.B));
            var lead = taken.Where(t => t.Value.Circuit.Poles == 1).Sum(t => SpaceNumbers.LegOf(t.Key) == Leg.A ? Load(t.Value) : -Load(t.Value));
            var legs = LegBalance.OnLegA(loads, onA.Count, onB.Count, lead);
            var difference = Math.Abs(lead + loads.Select((l, i) => legs[i] ? l : -l).Sum());
            for (var i = 0; i < placed.Count; i++)
            {
                Take(placed[i], (legs[i] ? onA : onB).Dequeue(), Why
                    .House("one-poles below, by least difference between the legs", $"leg {(legs[i] ? "A" : "B")}", "school: least leg difference among the rest")
                    .Plan("the least difference that any placing of these breakers reaches", $"{difference} VA"));
            }
        }

        private static Because Why => Because.Of("Why this space");

        private static int Load(WiredCircuit circuit) => (int)decimal.Round(circuit.Circuit.Load.Connected.Value);

        private bool Free(int space) => !taken.ContainsKey(space);

        private void Take(WiredCircuit circuit, int space, Because why)
        {
            landed[circuit] = (space, why);
            taken.TryAdd(space, circuit);
            if (circuit.Circuit.Poles == 2)
            {
                taken.TryAdd(space + 2, circuit);
            }
        }
    }
}
