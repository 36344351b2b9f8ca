using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Panels;

/// <summary>Stage Panel: where does it land? What stands there first, then pins, then numbers that are written, then by the crew's school; one-poles with the least leg difference that any placing reaches.</summary>
public static class Landing
{
    /// <summary>Lands every circuit on its panel.</summary>
    public static ImmutableArray<PanelSchedule> Land(ImmutableArray<WiredCircuit> circuits, FramedHouse house, Survey survey, Job job) =>
        [.. job.Panels.Select(p => new PanelSchedule(p, house.Room(p.Room).Room.Name, Land(p, [.. circuits.Where(c => c.Circuit.Panel == p.Id)], house, survey, job)))];

    /// <summary>Spaces that breakers take: two for each two-pole.</summary>
    public static int SpacesNeeded(IEnumerable<int> poles) => poles.Sum();

    private static ImmutableArray<Landed> Land(Panel panel, List<WiredCircuit> circuits, FramedHouse house, Survey survey, Job job)
    {
        var rooms = house.Rooms.Select((r, i) => (r.Room.Id, i)).ToDictionary(r => r.Id, r => r.i);
        var board = new Board(panel, job.Schools, c => Entering.SideOf(c, panel, house), c => AreaOf(c, rooms, survey));
        var pins = job.Pins.Spaces.ToLookup(p => p.Circuit, p => p.Space);
        var order = circuits.OrderByDescending(c => c.Protected.Sized.Breaker.Value).ThenBy(c => c.Circuit.Key.Value, StringComparer.Ordinal).ToList();
        foreach (var circuit in order.Where(c => pins.Contains(c.Circuit.Key)))
        {
            board.Pin(circuit, pins[circuit.Circuit.Key].First());
        }

        var written = job.Written.Where(w => w.Panel == panel.Id).ToDictionary(w => w.Circuit, w => w.Space);
        foreach (var circuit in order.Where(c => !pins.Contains(c.Circuit.Key)))
        {
            if (written.TryGetValue(circuit.Circuit.Key, out var space))
            {
                board.Keep(circuit, space);
            }
        }

        board.Rest([.. order.Where(c => !board.Has(c))]);
        var planned = Descriptions.Of(circuits, survey, job);
        var held = job.Pins.Descriptions.ToLookup(d => d.Circuit, d => d.Text);
        return [.. circuits.Select(c => new Landed(c, board.SpaceOf(c), held[c.Circuit.Key].FirstOrDefault() ?? planned[c.Circuit.Key], board.WhyOf(c)) { Planned = planned[c.Circuit.Key] })
            .OrderBy(l => l.Space ?? int.MaxValue).ThenBy(l => l.Wired.Circuit.Key.Value, StringComparer.Ordinal)];
    }

    // Where most of a circuit lies: building and level, then its room in the order of the house.
    private static (int Structure, int Level, int Room) AreaOf(WiredCircuit circuit, Dictionary<RoomId, int> rooms, Survey survey) => circuit.Circuit.Boxes.IsEmpty ? (0, 0, 0) : circuit.Circuit.Boxes
        .Select(b => survey[b]).GroupBy(b => (b.Place.Structure, b.Place.Level, Room: rooms[b.Room.Room.Id])).OrderByDescending(g => g.Count()).ThenBy(g => g.Key).First().Key;

    private sealed class Board(Panel panel, Schools schools, Func<WiredCircuit, Side> sideOf, Func<WiredCircuit, (int, int, int)> areaOf)
    {
        private readonly Dictionary<int, WiredCircuit?> taken = panel.Taken.SelectMany(t => t.Spaces).Where(s => s <= panel.Spaces).Distinct().ToDictionary(s => s, _ => (WiredCircuit?)null);
        private readonly Dictionary<WiredCircuit, (int? Space, Because Why)> landed = new(ReferenceEqualityComparer.Instance);

        public int? SpaceOf(WiredCircuit circuit) => landed[circuit].Space;

        public Because WhyOf(WiredCircuit circuit) => landed[circuit].Why;

        public bool Has(WiredCircuit circuit) => landed.ContainsKey(circuit);

        // A pin is kept even where it collides; the check hangs a tag on it.
        public void Pin(WiredCircuit circuit, int space) => Take(circuit, space, Why.Pin("landed by a person", $"space {space}"));

        // A number that is written stays while its space is there and free.
        public void Keep(WiredCircuit circuit, int space)
        {
            if (space <= panel.Spaces && Free(space) && (circuit.Circuit.Poles == 1 || (space + 2 <= panel.Spaces && Free(space + 2))))
            {
                Take(circuit, space, Why.House("its number is written: it stays until re-landing is asked for", $"space {space}", "written on studs and cables"));
            }
        }

        public void Rest(List<WiredCircuit> circuits)
        {
            List<WiredCircuit> two = circuits.FindAll(c => c.Circuit.Poles == 2), one = circuits.FindAll(c => c.Circuit.Poles == 1);
            if (schools.Landing == LandingSchool.ByArea)
            {
                ByArea(circuits);
                return;
            }

            if (schools.Landing == LandingSchool.LargeAtTop)
            {
                two.ForEach(TwoPole);
            }

            // The two of a multiwire circuit land like one two-pole.
            WiredCircuit? Partner(WiredCircuit c) => c.Circuit.SharesNeutralWith is CircuitKey other ? one.Find(o => o.Circuit.Key == other) : null;
            foreach (var circuit in one.Where(c => Partner(c) is { } other && string.CompareOrdinal(c.Circuit.Key.Value, other.Circuit.Key.Value) < 0).ToList())
            {
                Pair(circuit, Partner(circuit)!);
            }

            one.RemoveAll(Has);
            if (schools.Landing == LandingSchool.LargeAtTop)
            {
                OnePoles(one, 0);
                return;
            }

            // Two-poles below the rows that the one-poles take.
            OnePoles(one, two.Count * 2);
            two.ForEach(TwoPole);
        }

        private void ByArea(List<WiredCircuit> circuits)
        {
            foreach (var circuit in circuits.OrderBy(areaOf).ThenByDescending(c => c.Protected.Sized.Breaker.Value).ThenBy(c => c.Circuit.Key.Value, StringComparer.Ordinal))
            {
                if (Has(circuit))
                {
                    continue;
                }

                if (circuit.Circuit.Poles == 2)
                {
                    TwoPole(circuit);
                }
                else if (circuit.Circuit.SharesNeutralWith is CircuitKey other && circuits.Find(o => o.Circuit.Key == other) is { } partner && !Has(partner))
                {
                    Pair(circuit, partner);
                }
                else if (Spaces.FirstOrDefault(Free) is > 0 and var space)
                {
                    Take(circuit, space, Why.House("neighbours together, from the top", $"space {space}", "school: by area of the house"));
                }
                else
                {
                    landed[circuit] = (null, Why.Plan("no space left", ""));
                }
            }
        }

        private void TwoPole(WiredCircuit circuit)
        {
            var side = sideOf(circuit);
            // The topmost row decides; of its two sides the one where the cable comes in.
            var space = Spaces.Where(s => s + 2 <= panel.Spaces && Free(s) && Free(s + 2)).OrderBy(SpaceNumbers.RowOf).ThenBy(s => OnSide(s, side) ? 0 : 1).ThenBy(s => s).FirstOrDefault();
            if (space == 0)
            {
                landed[circuit] = (null, Why.Plan("no two adjacent spaces left", ""));
                return;
            }

            Take(circuit, space, Entered(Why.House("large two-poles at the top, odd left, even right", $"{circuit.Protected.Sized.Breaker.Value}", "school: two-poles at the top"), side, space)
                .Book("two adjacent spaces on one side, one on each leg", $"{space} and {space + 2}", "240.15(B), 210.4(B)"));
        }

        private void Pair(WiredCircuit one, WiredCircuit other)
        {
            var space = Spaces.FirstOrDefault(s => s + 2 <= panel.Spaces && Free(s) && Free(s + 2));
            if (space == 0)
            {
                landed[one] = landed[other] = (null, Why.Plan("no two adjacent spaces left", ""));
                return;
            }

            var why = Why.Book("multiwire: adjacent spaces on both legs, handles tied", $"{space} and {space + 2}", "210.4(B), 240.15(B)");
            Take(one, space, why);
            Take(other, space + 2, why);
        }

        // Which leg is exact; which of the leg's spaces is by the side the cable comes in, arc-fault ones together, neighbours together.
        private void OnePoles(List<WiredCircuit> circuits, int below)
        {
            var free = Spaces.Where(Free).ToList();
            if (free.Count - below < circuits.Count)
            {
                below = Math.Max(0, free.Count - circuits.Count);
            }

            free = free.GetRange(0, free.Count - below);
            foreach (var over in circuits.Skip(free.Count))
            {
                landed[over] = (null, Why.Plan("no space left", ""));
            }

            var placed = circuits.Take(free.Count).ToList();
            var loads = placed.Select(Load).ToList();
            List<int> onA = free.FindAll(s => SpaceNumbers.LegOf(s) == Leg.A), onB = free.FindAll(s => SpaceNumbers.LegOf(s) == Leg.B);
            var lead = taken.Where(t => t.Value is { Circuit.Poles: 1 }).Sum(t => SpaceNumbers.LegOf(t.Key) == Leg.A ? Load(t.Value!) : -Load(t.Value!))
                + panel.Taken.Where(t => t.Poles == 1).Sum(t => (SpaceNumbers.LegOf(t.Space) == Leg.A ? 1 : -1) * (int)decimal.Round(t.Load.Value));
            var legs = LegBalance.OnLegA(loads, onA.Count, onB.Count, lead);
            var difference = Math.Abs(lead + loads.Select((l, i) => legs[i] ? l : -l).Sum());
            foreach (var leg in Enum.GetValues<Leg>())
            {
                foreach (var (circuit, space) in Arranged([.. placed.Where((_, i) => legs[i] == (leg == Leg.A))], leg == Leg.A ? onA : onB))
                {
                    Take(circuit, space, Entered(Why.House("one-poles by least difference between the legs", $"leg {leg}", "school: least leg difference"), sideOf(circuit), space)
                        .Plan("the least difference that any placing of these breakers reaches", $"{difference} VA"));
                }
            }
        }

        private IEnumerable<(WiredCircuit Circuit, int Space)> Arranged(List<WiredCircuit> circuits, List<int> free)
        {
            // Spaces used: the topmost, or as far apart as they go.
            List<int> used = [.. Enumerable.Range(0, circuits.Count).Select(i => free[schools.Spares == SpareSpaces.Spread ? i * free.Count / circuits.Count : i])];
            var left = used.FindAll(s => s % 2 == 1);
            var right = used.FindAll(s => s % 2 == 0);
            var bySide = circuits.OrderBy(c => sideOf(c) switch { Side.Left => 0, Side.Either => 1, _ => 2 }).ThenBy(Neighbours).ThenBy(c => c.Circuit.Key.Value, StringComparer.Ordinal).ToList();
            return Down(bySide.GetRange(0, left.Count), left).Concat(Down(bySide.GetRange(left.Count, right.Count), right));
        }

        private IEnumerable<(WiredCircuit, int)> Down(List<WiredCircuit> circuits, List<int> column) => circuits.OrderBy(Neighbours).ThenBy(c => c.Circuit.Key.Value, StringComparer.Ordinal).Zip(column);

        private (int ArcFault, (int, int, int) Area) Neighbours(WiredCircuit circuit) => (circuit.Protected.Mark.Contains("AF", StringComparison.Ordinal) ? 0 : 1, areaOf(circuit));

        private static Because Entered(Because why, Side side, int space) => side == Side.Either ? why
            : OnSide(space, side) ? why.Plan("on the side where its cable comes in", side == Side.Left ? "left" : "right")
            : why.Plan($"its cable comes in from the {(side == Side.Left ? "left" : "right")}", "crosses the panel");

        private static bool OnSide(int space, Side side) => side == Side.Either || (space % 2 == 1) == (side == Side.Left);

        private static Because Why => Because.Of("Why this space");

        private static int Load(WiredCircuit circuit) => (int)decimal.Round(circuit.Circuit.Load.Connected.Value);

        private IEnumerable<int> Spaces => Enumerable.Range(1, panel.Spaces);

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
