using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>The runs of one branch circuit: a tree of constant feed, and behind switches their travelers and legs.</summary>
internal sealed class CircuitRoute
{
    private readonly Circuit circuit;
    private readonly RunEnd panel;
    private readonly Wayfinder finder;
    private readonly Job job;
    private readonly CodeBook book;
    private readonly List<PlacedBox> boxes;
    private readonly Dictionary<BoxId, PlacedBox> byId;
    private readonly ImmutableArray<ControlGroup> groups;
    private readonly List<Run> runs = [];
    private readonly HashSet<RunId> ids = [];
    private readonly HashSet<int> damp;
    private readonly Func<Place, Place, Length> cost;
    private readonly Dictionary<object, int> places;
    private readonly int?[,]? costs;
    private readonly HashSet<(int, int, RunPurpose)> lies;
    private int? serves;

    public CircuitRoute(Circuit circuit, Survey survey, RunEnd panel, Wayfinder finder, Job job, CodeBook book)
    {
        (this.circuit, this.panel, this.finder, this.job, this.book) = (circuit, panel, finder, job, book);
        boxes = [.. circuit.Boxes.Select(id => survey[id])];
        byId = boxes.ToDictionary(b => b.Box.Id);
        places = boxes.Select((b, i) => (b.Place, Index: i)).Append((panel.Place, Index: boxes.Count))
            .ToDictionary(p => (object)p.Place, p => p.Index, ReferenceEqualityComparer.Instance);
        costs = boxes.Count > MostWeighed ? null : new int?[places.Count, places.Count];
        cost = costs is null ? Reckoning.Between : Asked;
        lies = Lying();
        damp = [.. boxes.Where(b => b.Room.Room.Use == RoomUse.Greenhouse).Select(b => b.Place.Structure)];
        groups = ControlGroups.Of(boxes, job.Schools, p => cost(panel.Place, p.Place));
        // What the feed is near anyway: boxes that are always live, and switches that work alone.
        var near = boxes.Where(b => groups.All(g => !g.Has(b.Box.Id)) || b.Box.Devices.Any(d => !d.Kind.IsSwitch() && !d.Kind.IsLight())
            || groups.Any(g => g.Switches.Length == 1 && g.Switches[0].Box == b.Box.Id)).Select(b => b.Place).Append(panel.Place).ToList();
        groups = [.. groups.Select(g => CanTurn(g) ? InOrder(g, near) : g)];
        if (costs is not null && groups.Count(CanTurn) > 1)
        {
            groups = Together(groups);
        }
    }

    // Cables of this circuit that are pulled already, by the places of their ends.
    private HashSet<(int, int, RunPurpose)> Lying()
    {
        if (job.Built.Runs.IsEmpty)
        {
            return [];
        }

        var at = boxes.Select((b, i) => (End: RunId.EndOf(b.Box.Id), Index: i)).Append((panel.End, boxes.Count))
            .ToDictionary(e => e.Item1, e => e.Item2, StringComparer.Ordinal);
        return [.. job.Built.Runs.Where(r => at.ContainsKey(r.Run.One) && at.ContainsKey(r.Run.Other))
            .SelectMany(r => new[] { (at[r.Run.One], at[r.Run.Other], r.Run.Purpose), (at[r.Run.Other], at[r.Run.One], r.Run.Purpose) })];
    }

    // No way round is as dear as pulling again what lies there: it counts as 1300 ft saved.
    private static readonly Length Lies = new(-1_000_000);

    // What a cable for a purpose still costs.
    private Length Still(Place a, Place b, RunPurpose purpose) => lies.Count > 0 && places.TryGetValue(a, out var from)
        && places.TryGetValue(b, out var to) && lies.Contains((from, to, purpose)) ? Lies
        : a.Structure == b.Structure ? cost(a, b) : cost(a, b) + Crossing;

    // What goes to another building goes once, and does not come back: it counts as 1000 ft more.
    private static readonly Length Crossing = Length.FromFeet(1000);

    private Length StillFeed(Place a, Place b) => Still(a, b, RunPurpose.Feed);

    private Length StillLeg(Place a, Place b) => Still(a, b, RunPurpose.Leg);

    private static bool CanTurn(ControlGroup group) => group.Switches.Length is > 1 and <= MostInOrder;

    // Where one set takes its feed decides what is near for the next: all ways to turn them are weighed together while there are not too
    // many, and else one set after the other as long as that takes less cable.
    private ImmutableArray<ControlGroup> Together(ImmutableArray<ControlGroup> alone)
    {
        var ways = alone.Select(g => CanTurn(g) ? Working(g).ConvertAll(o => g with { Switches = [.. o] }) : [g]).ToList();
        var (best, least) = (alone, CableOf(alone));
        void Try(ImmutableArray<ControlGroup> sets)
        {
            if (CableOf(sets) is var cable && cable < least)
            {
                (best, least) = (sets, cable);
            }
        }

        if (ways.Aggregate(1L, (n, w) => n * w.Count) <= MostTurned)
        {
            IEnumerable<ImmutableArray<ControlGroup>> all = [[]];
            all = ways.Aggregate(all, (some, w) => some.SelectMany(s => w.Select(s.Add)));
            all.ToList().ForEach(Try);
            return best;
        }

        for (var before = long.MaxValue; least < before;)
        {
            before = least;
            for (var i = 0; i < ways.Count; i++)
            {
                foreach (var turned in ways[i])
                {
                    Try(best.SetItem(i, turned));
                }
            }
        }

        return best;
    }

    // As near as trees without thought for room in boxes come: of the feed to the first switches and what is always live, and of each set.
    private long CableOf(ImmutableArray<ControlGroup> sets)
    {
        var fed = boxes.Where(b => TakesFeed(b, sets) || (!b.HasAlarm && !b.IsHead && NeedsFeed(b, sets))).Select(b => b.Place);
        return SpanningTree.Least([panel.Place, .. fed], StillFeed).Sixtyfourths + sets.Where(CanTurn).Sum(g => OfSet(g, g.Switches));
    }

    private long OfSet(ControlGroup group, IReadOnlyList<SwitchGang> order) => order.Zip(order.Skip(1))
        .Sum(p => (long)Still(byId[p.First.Box].Place, byId[p.Second.Box].Place, RunPurpose.Travelers).Sixtyfourths)
        + SpanningTree.Least([byId[order[^1].Box].Place, .. group.Lamps.Select(l => byId[l].Place)], StillLeg).Sixtyfourths;

    // What the cheapest way between two places of the circuit costs, found once.
    private Length Asked(Place a, Place b) => places.TryGetValue(a, out var from) && places.TryGetValue(b, out var to)
        ? new(costs![from, to] ??= finder.Cost(a, b).Sixtyfourths) : finder.Cost(a, b);

    // Ways to turn the sets of one circuit that are all weighed.
    private const int MostTurned = 256;

    // A circuit of more boxes than any breaker carries is put in order by reckoned distance: each pair by its cheapest way would take
    // minutes, and help nobody.
    private const int MostWeighed = 100;

    // Sets of more places than this are taken from the panel's side on.
    private const int MostInOrder = 4;

    // Which of a set takes the feed and which gives the leg: the order with the least cable to the feed, between the switches and on to the
    // lamps among those that work.
    private ControlGroup InOrder(ControlGroup group, List<Place> near)
    {
        var feeds = group.Switches.ToDictionary(s => s, s => near.Min(p => StillFeed(p, byId[s.Box].Place).Sixtyfourths));
        return group with { Switches = [.. Working(group).MinBy(o => feeds[o[0]] + OfSet(group, o))!] };
    }

    // A four-way stands between two others, whatever that costs; only where the kinds make no set is it by cable alone.
    private List<SwitchGang[]> Working(ControlGroup group)
    {
        var orders = Orders([.. group.Switches])
            .Where(o => group.Fan is not SwitchGang fan || !o.Any(s => s.Box == fan.Box) || o[^1].Box == fan.Box).ToList();
        var working = orders.FindAll(o => Switching.IsSet([.. o.Select(s => byId[s.Box].Box.Devices[s.Gang].Kind)]));
        return working.Count > 0 ? working : orders;
    }

    private static IEnumerable<SwitchGang[]> Orders(SwitchGang[] left) => left.Length == 0 ? [[]]
        : left.SelectMany(x => Orders([.. left.Where(y => y != x)]).Select(rest => (SwitchGang[])[x, .. rest]));

    private bool TwoLegs => circuit.Poles > 1;

    private bool NeedsNeutral => !TwoLegs || circuit.Load.Split || boxes.SelectMany(b => b.Plates).Any(p => p.Neutral);

    private ImmutableArray<Carried> Feed => (TwoLegs, NeedsNeutral) switch
    {
        (true, true) => [Carried.Hot, Carried.SecondLeg, Carried.Neutral],
        (true, false) => [Carried.Hot, Carried.SecondLeg],
        _ => [Carried.Hot, Carried.Neutral],
    };

    /// <summary>The circuit with its runs, fed from its panel, or from a box where its conductors leave a cable they share.</summary>
    /// <param name="shared">The box where its conductors leave the cable of another home run; null to come from the panel in a cable of its
    /// own.</param>
    public RoutedCircuit Pull(Run? shared = null)
    {
        if (boxes.Count == 0)
        {
            return new(circuit, [], []);
        }

        var alarms = boxes.Where(b => b.HasAlarm).ToList();
        var firstAlarm = alarms.MinBy(a => cost(panel.Place, a.Place));
        var heads = boxes.Where(b => !b.IsHead)
            .SelectMany(b => b.Box.Devices.Where(d => d.Kind == DeviceKind.Equipment).SelectMany(d => d.Controls).Distinct()
                .Where(byId.ContainsKey).Select(h => (Unit: b, Head: byId[h])))
            .Where(h => h.Head.IsHead).DistinctBy(h => (h.Unit.Box.Id, h.Head.Box.Id)).ToList();
        var fed = Trunk([.. boxes.Where(b => TakesFeed(b, groups)
            || (b.HasAlarm ? b == firstAlarm : NeedsFeed(b, groups) && !heads.Exists(h => h.Head == b)))], shared);
        foreach (var (group, number) in groups.Select((g, i) => (g, i)))
        {
            serves = number;
            if (group.Loop)
            {
                var lamp = byId[group.Lamps[0]];
                Add(RunKind.SwitchLoop, lamp, byId[group.Switches[0].Box], fed[lamp.Box.Id],
                    [Carried.Hot, Carried.Switched, Carried.Neutral]);
                Legs(group, lamp, fed[lamp.Box.Id], group.Lamps.RemoveAt(0));
            }
            else
            {
                Behind(group, fed[group.Switches[0].Box]);
            }
        }

        serves = null;
        foreach (var (unit, head) in heads)
        {
            // The supply goes to the unit; from it a cable with the signal goes back to each head. Behind a disconnect the unit is fed by
            // its leg.
            Add(RunKind.Interconnect, unit, head, fed.GetValueOrDefault(unit.Box.Id) ?? runs.Find(r => r.To.Box == unit.Box.Id),
                [Carried.Hot, TwoLegs ? Carried.SecondLeg : Carried.Neutral, Carried.Signal]);
        }

        if (firstAlarm is not null)
        {
            var others = alarms.Where(a => a != firstAlarm).ToList();
            var tree = Tree(others, firstAlarm.Place, _ => false, RunPurpose.Signal);
            var reached = new Dictionary<int, Run>();
            foreach (var at in tree.Order)
            {
                var (from, upstream) = tree.Parent[at] < 0 ? (firstAlarm, fed[firstAlarm.Box.Id])
                    : (others[tree.Parent[at]], reached[tree.Parent[at]]);
                reached[at] = Add(RunKind.Interconnect, from, others[at], upstream, [Carried.Hot, Carried.Neutral, Carried.Signal]);
            }
        }

        return new(circuit, [.. runs], groups);
    }

    /// <summary>A box that takes the constant feed: an outlet that is always live, the first switch of its lamps, a lamp without a
    /// switch.</summary>
    private static bool NeedsFeed(PlacedBox box, ImmutableArray<ControlGroup> groups)
    {
        var id = box.Box.Id;
        if (TakesFeed(box, groups))
        {
            return true;
        }

        // What a switch works, and what only switches, is reached from the switch.
        var isLamp = groups.Any(g => g.Lamps.Contains(id));
        return !groups.Any(g => g.Has(id)) || (!isLamp && box.Box.Devices.Any(d => !d.Kind.IsSwitch()));
    }

    // Where the feed of a group comes in: everything of it hangs on this box, whatever else is in it.
    private static bool TakesFeed(PlacedBox box, ImmutableArray<ControlGroup> groups) =>
        groups.Any(g => g.Loop ? g.Lamps[0] == box.Box.Id : g.Switches[0].Box == box.Box.Id);

    // From the first switch by travelers to the last, on to a fan's control that stands elsewhere, and from there to the lamps.
    private void Behind(ControlGroup group, Run upstream)
    {
        var half = group.Lamps.Any(l => byId[l].Box.Devices.Any(d => d.Kind == DeviceKind.HalfSwitched));
        var constant = group.Fan is not null || half;
        var at = byId[group.Switches[0].Box];
        foreach (var next in group.Switches.Skip(1).Select(s => byId[s.Box]))
        {
            upstream = Add(RunKind.Traveler, at, next, upstream,
                [.. Only(constant, Carried.Hot), Carried.TravelerOne, Carried.TravelerTwo, Carried.Neutral]);
            at = next;
        }

        if (group.Fan is SwitchGang fan && fan.Box != at.Box.Id)
        {
            var control = byId[fan.Box];
            upstream = Add(RunKind.SwitchLeg, at, control, upstream, [Carried.Hot, Carried.Switched, Carried.Neutral]);
            at = control;
        }

        Legs(group, at, upstream, group.Lamps);
    }

    private void Legs(ControlGroup group, PlacedBox start, Run upstream, IReadOnlyList<BoxId> lamps)
    {
        // A lamp in the box of its last switch needs no cable.
        var ends = lamps.Where(id => id != start.Box.Id).Select(id => byId[id]).ToList();
        var tree = Tree(ends, start.Place, i => ends[i].Box.Devices.Length == 1 && ends[i].HasLight, RunPurpose.Leg);
        var beyond = new List<PlacedBox>[ends.Count];
        foreach (var at in tree.Order.Reverse())
        {
            beyond[at] = [ends[at], .. Enumerable.Range(0, ends.Count).Where(i => tree.Parent[i] == at).SelectMany(i => beyond[i])];
        }

        var reached = new Dictionary<int, Run>();
        foreach (var at in tree.Order)
        {
            var half = beyond[at].Any(b => b.Box.Devices.Any(d => d.Kind == DeviceKind.HalfSwitched));
            var fan = group.Fan is not null && beyond[at].Any(b => b.Box.Devices.Any(d => d.Kind == DeviceKind.CeilingFan));
            ImmutableArray<Carried> carries = TwoLegs ? Feed
                : [.. Only(half, Carried.Hot), Carried.Switched, .. Only(fan, Carried.Fan), Carried.Neutral];
            var (from, before) = tree.Parent[at] < 0 ? (start, upstream) : (ends[tree.Parent[at]], reached[tree.Parent[at]]);
            reached[at] = Add(RunKind.SwitchLeg, from, ends[at], before, carries);
        }
    }

    private static IEnumerable<Carried> Only(bool when, Carried what) => when ? [what] : [];

    private Dictionary<BoxId, Run> Trunk(List<PlacedBox> trunk, Run? shared)
    {
        var start = shared?.To.Place ?? panel.Place;
        var tree = Tree(trunk, start, i => HasRoomToBranch(trunk[i]), RunPurpose.Feed);
        var fed = new Dictionary<BoxId, Run>();
        foreach (var at in tree.Order)
        {
            var box = trunk[at];
            if (tree.Parent[at] >= 0)
            {
                var from = trunk[tree.Parent[at]];
                fed[box.Box.Id] = Add(RunKind.Jumper, from, box, fed[from.Box.Id], Feed);
            }
            else
            {
                fed[box.Box.Id] = Add(RunKind.HomeRun, shared?.To ?? panel, End(box), null, Feed, shared?.Id);
            }
        }

        return fed;
    }

    private FeedTree Tree(List<PlacedBox> ends, Place start, Func<int, bool> branches, RunPurpose purpose) => FeedTree.Of(ends.Count,
        i => Still(start, ends[i].Place, purpose).Sixtyfourths,
        (i, j) => Still(ends[i].Place, ends[j].Place, purpose).Sixtyfourths, branches);

    // The box, or the largest usual one of its gangs, holds one feed in and two out beside its own legs, 314.16.
    private bool HasRoomToBranch(PlacedBox box)
    {
        if (!box.IsJoint && (TwoLegs || job.Schools.Branches == FeedBranches.Never || box.Box.Mount != Mount.Wall || box.Plates.Any()))
        {
            return false;
        }

        var gauge = book.Conductors.LeastFor(book.Division.Small(circuit.UsualRating));
        var legs = groups.Where(g => g.Has(box.Box.Id))
            .Select(g => new EnteringCable(gauge, g.Switches.Length > 1 || g.Fan is not null ? 3 : 2));
        var needed = box.Needed([.. legs, new(gauge, 2), new(gauge, 2), new(gauge, 2)], book).Value;
        return box.Most is { } room && needed.Value <= room.Value;
    }

    private Run Add(RunKind kind, PlacedBox from, PlacedBox to, Run? upstream, ImmutableArray<Carried> carries) =>
        Add(kind, End(from), End(to), upstream, carries);

    private Run Add(RunKind kind, RunEnd from, RunEnd to, Run? upstream, ImmutableArray<Carried> carries, RunId? ridesIn = null)
    {
        // Several of one purpose may lie between the same two ends: each has a number.
        var number = 1;
        while (!ids.Add(RunId.Of(from.End, to.End, kind.PurposeOf(), number)))
        {
            number++;
        }

        var id = RunId.Of(from.End, to.End, kind.PurposeOf(), number);
        var pin = Held(id);
        var way = from.Place.Structure == to.Place.Structure ? finder.Find(from.Place, to.Place, pin?.From(from.End) ?? [])
            : FeederRoute.ByTrench(from.Place, to.Place, finder, finder.House, job, cool: true,
                straightOut: from.Box is { } box && byId.TryGetValue(box, out var joint) && joint.IsJoint);
        var pipe = kind == RunKind.HomeRun && ridesIn is null ? Raceways.For(job, circuit.Key, false)
            : job.Pipes.IsEmpty ? null : job.Pipes.FirstOrDefault(p => p.Runs.Contains(id));
        var run = new Run(id, circuit.Key, kind, from, to, upstream?.Id, carries, way,
            Routes.Footage(way, from, to, job))
        {
            IsPinned = pin is not null,
            RidesIn = ridesIn,
            Group = serves,
            Pipe = pipe?.Id,
            Jacket = pipe is { Jacketed: false } ? Jacket.Loose : JacketFor(from, to, way)
        };
        runs.Add(run);
        return run;
    }

    // The run's place among those between its ends, as ways were held by before runs had purposes.
    private WayPin? Held(RunId id) => job.Pins.Ways.FirstOrDefault(p => p.Run == id)
        ?? job.Pins.Ways.FirstOrDefault(p =>
            p.Run.IsMeantFor(id,
                ids.Count(i => i.IsBetweenEndsOf(id) && (i.Purpose == RunPurpose.Travelers) == (id.Purpose == RunPurpose.Travelers))));

    // Damp places take UF; steel studs take armored cable with its own fittings (300.4(B), 330.30); all
    // else what the crew pulls.
    private Jacket JacketFor(RunEnd from, RunEnd to, Way way) =>
        damp.Contains(from.Place.Structure) || damp.Contains(to.Place.Structure)
            || FeederRoute.PassesDamp(way, finder.House.Structures[from.Place.Structure].Structure) ? Jacket.Underground
        : new[] { from, to }.Any(e => e.Box is not null && e.Place.Wall is int wall
            && finder.FrameOf(e.Place.Structure, e.Place.Level, wall).Framing == WallFraming.MetalStud)
            || finder.PassesSteel(way) ? Jacket.Armoured
        : job.Schools.Cable == CableKind.Armoured ? Jacket.Armoured : Jacket.Nonmetallic;

    private static RunEnd End(PlacedBox box) => new(box.Place, box.Name, box.Box.Id, null);
}
