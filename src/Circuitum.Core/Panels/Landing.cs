using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Panels;

/// <summary>Stage Panel: where does it land? What stands there first, then pins, then numbers that are written, then by the crew's school;
/// one-poles with the least leg difference that any placing reaches.</summary>
public static class Landing
{
    /// <summary>Lands every circuit on its panel.</summary>
    public static ImmutableArray<PanelSchedule> Land(ImmutableArray<WiredCircuit> circuits, FramedHouse house, Survey survey, Job job,
        CodeBook book)
    {
        var doors = new DoorRooms(circuits, house, survey);
        return [.. job.Panels.Select(p => new PanelSchedule(p, house.Room(p.Room).Room.Name,
            Land(p, [.. circuits.Where(c => c.Circuit.Panel == p.Id)], doors, house, survey, job, book)))];
    }

    /// <summary>Upper spaces beside the main, where an interlock reaches: the right side first.</summary>
    public static ImmutableArray<int> Tops { get; } = [2, 1];

    /// <summary>A breaker of two poles in a space stands at the far end of the bus from a main at the top: nothing fits below it.</summary>
    public static bool IsAtFarEnd(Panel panel, int space) => space + 4 > panel.Spaces;

    /// <summary>Spaces that breakers take: two for each two-pole.</summary>
    public static int SpacesNeeded(IEnumerable<int> poles) => poles.Sum();

    private static ImmutableArray<Landed> Land(Panel panel, List<WiredCircuit> circuits, DoorRooms doors, FramedHouse house, Survey survey,
        Job job, CodeBook book)
    {
        var rooms = house.Rooms.Select((r, i) => (r.Room.Id, i)).ToDictionary(r => r.Id, r => r.i);
        var board = new Board(panel, job.Schools, c => Entering.SideOf(c, panel, house), c => AreaOf(c, rooms, survey),
            LegViews.Of(job.Schools.Balance, survey, book), book);
        var pins = job.Pins.Spaces.ToLookup(p => p.Circuit, p => p.Space);
        var order = circuits.Where(c => !c.Circuit.ByLugs).OrderByDescending(c => c.Breaker)
            .ThenBy(c => c.Circuit.Key.Value, StringComparer.Ordinal).ToList();
        foreach (var circuit in order.Where(c => pins.Contains(c.Circuit.Key)))
        {
            board.Pin(circuit, pins[circuit.Circuit.Key].First());
        }

        // What hangs there before what is only written.
        var built = job.Built.Landed.Where(w => w.Panel == panel.Id).ToDictionary(w => w.Circuit, w => w.Space);
        foreach (var circuit in order.Where(c => !board.Has(c)))
        {
            if (built.TryGetValue(circuit.Circuit.Key, out var space))
            {
                board.Stay(circuit, space);
            }
        }

        var written = job.Written.Where(w => w.Panel == panel.Id).ToDictionary(w => w.Circuit, w => w.Space);
        foreach (var circuit in order.Where(c => !board.Has(c)))
        {
            if (written.TryGetValue(circuit.Circuit.Key, out var space))
            {
                board.Keep(circuit, space);
            }
        }

        if (job.Service.Generator != GeneratorWay.None && panel.Id == job.InletPanel.Id)
        {
            order.Where(c => !board.Has(c) && c.Circuit.Boxes.Any(b => survey[b].Plates.Any(p => p.Appliance == Appliance.GeneratorInlet)))
                .ToList().ForEach(board.BesideMain);
        }

        order.Where(c => !board.Has(c) && c.Circuit.Load.Brings.Value > 0).ToList().ForEach(board.AtFarEnd);
        board.Rest([.. order.Where(c => !board.Has(c))]);
        circuits.FindAll(c => c.Circuit.ByLugs).ForEach(board.OnLugs);
        var planned = Descriptions.Of(circuits, doors, survey, job);
        var held = job.Pins.Descriptions.ToLookup(d => d.Circuit, d => d.Text);
        return [.. circuits.Select(c => new Landed(c, board.SpaceOf(c), held[c.Circuit.Key].FirstOrDefault() ?? planned[c.Circuit.Key],
            board.WhyOf(c)) { Planned = planned[c.Circuit.Key] })
            .OrderBy(l => l.Space ?? int.MaxValue).ThenBy(l => l.Key.Value, StringComparer.Ordinal)];
    }

    // Where most of a circuit lies: building and level, then its room in the order of the house.
    private static (int Structure, int Level, int Room) AreaOf(WiredCircuit circuit, Dictionary<RoomId, int> rooms, Survey survey) =>
        circuit.Circuit.Boxes.IsEmpty ? (0, 0, 0) : circuit.Circuit.Boxes
        .Select(b => survey[b]).GroupBy(b => (b.Place.Structure, b.Place.Level, Room: rooms[b.Room.Room.Id]))
        .OrderByDescending(g => g.Count()).ThenBy(g => g.Key).First().Key;

    private sealed class Board(Panel panel, Schools schools, Func<WiredCircuit, Side> sideOf, Func<WiredCircuit, (int, int, int)> areaOf,
        Func<WiredCircuit, VoltAmps> loadOf, CodeBook book)
    {
        private readonly Dictionary<PanelSpace, WiredCircuit?> taken = panel.Taken.SelectMany(t => t.Spaces)
            .Where(s => s.Number <= panel.Spaces).Distinct().ToDictionary(s => s, _ => (WiredCircuit?)null);
        private readonly HashSet<WiredCircuit> held = new(ReferenceEqualityComparer.Instance);
        private readonly Dictionary<WiredCircuit, (PanelSpace? Space, Because Why)> landed = new(ReferenceEqualityComparer.Instance);

        public PanelSpace? SpaceOf(WiredCircuit circuit) => landed[circuit].Space;

        public Because WhyOf(WiredCircuit circuit) => landed[circuit].Why;

        public bool Has(WiredCircuit circuit) => landed.ContainsKey(circuit);

        // A pin is kept even where it collides; the check hangs a tag on it.
        public void Pin(WiredCircuit circuit, PanelSpace space) => Hold(circuit, space, Why.Pin("landed by a person", $"space {space}"));

        // A number that is written stays while its space is there and free.
        public void Keep(WiredCircuit circuit, PanelSpace space) => Stand(circuit, space,
            Why.House("its number is written: it stays until re-landing is asked for", $"space {space}", "written on studs and cables"));

        // So does a breaker that is landed.
        public void Stay(WiredCircuit circuit, PanelSpace space) => Stand(circuit, space,
            Why.House("landed there on site: it stays until the tick is taken back", $"space {space}", "what is landed stays"));

        private void Stand(WiredCircuit circuit, PanelSpace space, Because why)
        {
            if (space.Number <= panel.Spaces && Free(space)
                && (circuit.Circuit.Poles == 1 || (space.Number + 2 <= panel.Spaces && Free(space.Number + 2))))
            {
                Hold(circuit, space, why);
            }
        }

        // An interlock holds the breaker beside the main: the top of either side, where one is free.
        public void BesideMain(WiredCircuit circuit)
        {
            if (Tops.Where(s => Free(s) && Free(s + 2)).Select(s => (int?)s).FirstOrDefault() is int space)
            {
                Hold(circuit, space,
                    Why.Book("beside the main, where an interlock holds it and the main so that never both are on",
                        $"{space} and {space + 2}", book.Cite(RuleId.TransferEquipment, RuleId.BackFed)));
            }
        }

        // A source at the end of the bus that the main does not feed: nowhere in between do both add up.
        public void AtFarEnd(WiredCircuit circuit)
        {
            if (Spaces.Where(s => IsAtFarEnd(panel, s) && s + 2 <= panel.Spaces && Free(s) && Free(s + 2)).OrderDescending()
                .Select(s => (int?)s).FirstOrDefault() is int space)
            {
                Hold(circuit, space, Why.Book("at the far end of the bus from the main, so that their currents do not add up in it",
                    $"{space} and {space + 2}", book.Cite(book.Has(RuleId.SourceOnBus)
                        ? [RuleId.SourceOnBus, RuleId.BackFed] : [RuleId.BackFed])));
            }
        }

        public void OnLugs(WiredCircuit circuit) =>
            landed[circuit] = (null, Why.Job("on the feed-through lugs at the far end of the bus", "no space"));

        private void Hold(WiredCircuit circuit, PanelSpace space, Because why)
        {
            held.Add(circuit);
            Take(circuit, space, why);
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
            WiredCircuit? Partner(WiredCircuit c) => c.Circuit.SharesNeutralWith is CircuitKey other
                ? one.Find(o => o.Circuit.Key == other) : null;
            foreach (var circuit in one.Where(c => Partner(c) is { } other
                && string.CompareOrdinal(c.Circuit.Key.Value, other.Circuit.Key.Value) < 0).ToList())
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
            foreach (var circuit in circuits.OrderBy(areaOf).ThenByDescending(c => c.Breaker)
                .ThenBy(c => c.Circuit.Key.Value, StringComparer.Ordinal))
            {
                if (Has(circuit))
                {
                    continue;
                }

                if (circuit.Circuit.Poles == 2)
                {
                    TwoPole(circuit);
                }
                else if (circuit.Circuit.SharesNeutralWith is CircuitKey other && circuits.Find(o => o.Circuit.Key == other) is { } partner
                    && !Has(partner))
                {
                    Pair(circuit, partner);
                }
                else if (Spaces.FirstOrDefault(s => Free(s)) is > 0 and var space)
                {
                    Take(circuit, space, Why.House("neighbors together, from the top", $"space {space}",
                        "crew's way: by area of the house"));
                }
                else if (!Halve(circuit))
                {
                    landed[circuit] = (null, Why.Plan("no space left", ""));
                }
            }
        }

        private void TwoPole(WiredCircuit circuit)
        {
            var side = sideOf(circuit);
            // The topmost row decides; of its two sides the one where the cable comes in.
            var space = Spaces.Where(s => s + 2 <= panel.Spaces && Free(s) && Free(s + 2)).OrderBy(SpaceNumbers.RowOf)
                .ThenBy(s => OnSide(s, side) ? 0 : 1).ThenBy(s => s).FirstOrDefault();
            if (space == 0)
            {
                landed[circuit] = (null, Why.Plan("no two adjacent spaces left", ""));
                return;
            }

            Take(circuit, space,
                Entered(Why.House("large two-poles at the top, odd left, even right", $"{circuit.Breaker}",
                    "crew's way: two-poles at the top"), side, space)
                .Book("two adjacent spaces on one side, one on each leg", $"{space} and {space + 2}",
                    book.Cite(RuleId.CommonTrip, RuleId.MultiwireDisconnect)));
        }

        private void Pair(WiredCircuit one, WiredCircuit other)
        {
            var space = Spaces.FirstOrDefault(s => s + 2 <= panel.Spaces && Free(s) && Free(s + 2));
            if (space == 0)
            {
                landed[one] = landed[other] = (null, Why.Plan("no two adjacent spaces left", ""));
                return;
            }

            var why = Why.Book("multiwire: adjacent spaces on both legs, handles tied", $"{space} and {space + 2}",
                book.Cite(RuleId.MultiwireDisconnect, RuleId.CommonTrip))
                .Book("a tie around the two and their neutral in the panel, so that nobody parts them", "grouped",
                    book.Cite(RuleId.MultiwireGrouped));
            Take(one, space, why);
            Take(other, space + 2, why);
        }

        // Which leg is exact; which of the leg's spaces is by the side the cable comes in, arc-fault ones together, neighbors together.
        private void OnePoles(List<WiredCircuit> circuits, int below)
        {
            var free = Spaces.Where(s => Free(s)).ToList();
            if (circuits.Count > free.Count - below)
            {
                // Halves beside a half that is taken go first, before a new tandem is begun.
                var more = circuits.Count - free.Count + below;
                foreach (var circuit in circuits.OrderBy(Load))
                {
                    more -= more > 0 && Beside(circuit) ? 1 : 0;
                }

                circuits = circuits.FindAll(c => !Has(c));
            }

            var tandems = TandemsIn(free[..Math.Max(0, free.Count - below)], circuits);
            if (free.Count - below + tandems < circuits.Count)
            {
                below = Math.Clamp(free.Count + tandems - circuits.Count, 0, below);
                tandems = TandemsIn(free[..(free.Count - below)], circuits);
            }

            free = free[..(free.Count - below)];
            tandems = Math.Min(tandems, Math.Max(0, circuits.Count - free.Count));
            // What half a space suits is kept before others where not all find room.
            var paired = circuits.Where(Tandem.Takes).Take(2 * tandems).ToHashSet(ReferenceEqualityComparer.Instance);
            var room = free.Count + tandems - paired.Count;
            var placed = new List<WiredCircuit>();
            foreach (var circuit in circuits)
            {
                if (paired.Contains(circuit) || room-- > 0)
                {
                    placed.Add(circuit);
                }
                else
                {
                    landed[circuit] = (null, Why.Plan("no space left", ""));
                }
            }

            var loads = placed.Select(Load).ToList();
            List<int> onA = free.FindAll(s => SpaceNumbers.LegOf(s) == Leg.A), onB = free.FindAll(s => SpaceNumbers.LegOf(s) == Leg.B);
            var lead = taken.Where(t => t.Value is { Circuit.Poles: 1 })
                .Sum(t => SpaceNumbers.LegOf(t.Key.Number) == Leg.A ? Load(t.Value!) : -Load(t.Value!))
                + panel.Taken.Where(t => t.Poles == 1)
                    .Sum(t => (SpaceNumbers.LegOf(t.Space.Number) == Leg.A ? 1 : -1) * (int)decimal.Round(t.Load.Value));
            LegRoom Room(List<int> on) => new(on.Count, on.Count(s => Tandem.IsListed(panel, s)));
            var legs = LegBalance.OnLegA(loads, [.. placed.Select(Tandem.Takes)], Room(onA), Room(onB), lead);
            var difference = Math.Abs(lead + loads.Select((l, i) => legs[i] ? l : -l).Sum());
            foreach (var leg in Enum.GetValues<Leg>())
            {
                foreach (var (circuit, space) in Arranged([.. placed.Where((_, i) => legs[i] == (leg == Leg.A))], leg == Leg.A ? onA : onB))
                {
                    Take(circuit, space,
                        Entered(Why.House("one-poles by least difference between the legs", $"leg {leg}",
                            "crew's way: least leg difference"),
                            sideOf(circuit), space.Number)
                        .Plan($"the least difference that any placing of these breakers reaches"
                            + $"{(schools.Balance == LegView.Connected ? "" : $", {Words.Of(schools.Balance)}")}", $"{difference} VA")
                        is var why && space.IsHalf ? Halves(why) : why);
                }
            }
        }

        // As many tandems as the count asks for, the label lists in these spaces, and circuits suit.
        private int TandemsIn(List<int> free, List<WiredCircuit> circuits) =>
            new[] { Math.Max(0, circuits.Count - free.Count), free.Count(s => Tandem.IsListed(panel, s)), circuits.Count(Tandem.Takes) / 2,
                Tandem.Left(panel, Halved) }.Min();

        private int Halved => taken.Keys.Where(s => s.IsHalf).Select(s => s.Number).Distinct().Count();

        // The other half of a space whose one half is taken.
        private bool Beside(WiredCircuit circuit)
        {
            if (!Tandem.Takes(circuit) || taken.Keys.Where(s => s.IsHalf && Tandem.IsListed(panel, s.Number)).SelectMany(s => s.Halves)
                .Where(Free).Order().Select(s => (PanelSpace?)s).FirstOrDefault() is not { } half)
            {
                return false;
            }

            Take(circuit, half, Why.Plan("the other half of a tandem breaker", $"space {half}"));
            return true;
        }

        // A circuit that the planner gave a listed space takes the upper half of it, this one the lower.
        private bool Halve(WiredCircuit circuit)
        {
            if (Beside(circuit))
            {
                return true;
            }

            var shares = landed.Where(l => l.Value.Space is { IsHalf: false } at && Tandem.IsListed(panel, at.Number)
                && Tandem.Takes(l.Key) && !held.Contains(l.Key)).OrderByDescending(l => l.Value.Space).Select(l => l.Key).FirstOrDefault();
            if (shares is null || !Tandem.Takes(circuit) || Tandem.Left(panel, Halved) == 0)
            {
                return false;
            }

            var space = landed[shares].Space!.Value;
            taken.Remove(space);
            Take(shares, space.Halves.First(),
                Halves(Why.House("neighbors together, from the top", $"space {space}",
                        "crew's way: by area of the house")));
            Take(circuit, space.Halves.Last(), Halves(Why));
            return true;
        }

        private Because Halves(Because why) =>
            why.Book("the panel is full: two in one space, where its label lists it", panel.Listing.Circuits is { } circuits
                ? $"{panel.Spaces} spaces, {circuits} circuits" : "tandem", book.Cite(RuleId.BreakerCount, RuleId.ListedUse));

        private IEnumerable<(WiredCircuit Circuit, PanelSpace Space)> Arranged(List<WiredCircuit> circuits, List<int> free)
        {
            // Where there are more circuits than spaces, the lightest share the lowest spaces that are listed for two.
            var two = Math.Max(0, circuits.Count - free.Count);
            var shared = free.Where(s => Tandem.IsListed(panel, s)).TakeLast(two).SelectMany(s => new PanelSpace(s).Halves).ToList();
            var halved = circuits.Where(Tandem.Takes).OrderBy(Load).ThenBy(c => c.Circuit.Key.Value, StringComparer.Ordinal).Take(2 * two)
                .ToHashSet(ReferenceEqualityComparer.Instance);
            var whole = circuits.FindAll(c => !halved.Contains(c));
            var open = free.FindAll(s => shared.TrueForAll(h => h.Number != s));
            // Spaces used: the topmost, or as far apart as they go.
            List<int> used = [.. Enumerable.Range(0, whole.Count)
                .Select(i => open[schools.Spares == SpareSpaces.Spread ? i * open.Count / whole.Count : i])];
            var left = used.FindAll(s => s % 2 == 1);
            var right = used.FindAll(s => s % 2 == 0);
            var bySide = whole.OrderBy(c => sideOf(c) switch { Side.Left => 0, Side.Either => 1, _ => 2 }).ThenBy(Neighbours)
                .ThenBy(c => c.Circuit.Key.Value, StringComparer.Ordinal).ToList();
            return Down(bySide.GetRange(0, left.Count), left).Concat(Down(bySide.GetRange(left.Count, right.Count), right))
                .Select(x => (x.Item1, new PanelSpace(x.Item2)))
                .Concat(circuits.Where(halved.Contains).OrderBy(Neighbours).ThenBy(c => c.Circuit.Key.Value, StringComparer.Ordinal)
                    .Zip(shared));
        }

        private IEnumerable<(WiredCircuit, int)> Down(List<WiredCircuit> circuits, List<int> column) => circuits.OrderBy(Neighbours)
            .ThenBy(c => c.Circuit.Key.Value, StringComparer.Ordinal).Zip(column);

        private (int ArcFault, (int, int, int) Area) Neighbours(WiredCircuit circuit) =>
            (circuit.Mark.Contains("AF", StringComparison.Ordinal) ? 0 : 1, areaOf(circuit));

        private static Because Entered(Because why, Side side, int space) => side == Side.Either ? why
            : OnSide(space, side) ? why.Plan("on the side where its cable comes in", side == Side.Left ? "left" : "right")
            : why.Plan($"its cable comes in from the {(side == Side.Left ? "left" : "right")}", "crosses the panel");

        private static bool OnSide(int space, Side side) => side == Side.Either || (space % 2 == 1) == (side == Side.Left);

        private static Because Why => Because.Of("Why this space");

        private int Load(WiredCircuit circuit) => (int)decimal.Round(loadOf(circuit).Value);

        private IEnumerable<int> Spaces => Enumerable.Range(1, panel.Spaces);

        private bool Free(PanelSpace space) => space.IsHalf ? !taken.ContainsKey(space) && !taken.ContainsKey(space.Number)
            : !taken.ContainsKey(space) && !space.Halves.Any(taken.ContainsKey);

        private void Take(WiredCircuit circuit, PanelSpace space, Because why)
        {
            landed[circuit] = (space, why);
            taken.TryAdd(space, circuit);
            if (circuit.Circuit.Poles == 2)
            {
                taken.TryAdd(space.Number + 2, circuit);
            }
        }
    }
}
