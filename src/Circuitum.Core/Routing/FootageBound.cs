using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>The least footage that one circuit's boxes could be reached with, whatever way was found.</summary>
/// <param name="Circuit">The circuit.</param>
/// <param name="Planned">To cut, as planned.</param>
/// <param name="Measured">Along the planned ways, with sag and ends, before each run is rounded up to a foot.</param>
/// <param name="Bound">No plan of these boxes on this circuit takes less.</param>
public sealed record CircuitBound(CircuitKey Circuit, Length Planned, Length Measured, Length Bound);

/// <summary>A proven lower bound on footage. Splices are made in boxes only (300.15), and a cable behind a switch serves one set of lamps.
/// So the cables of constant feed join the panel, every box that is always live and a switch of each set into one piece. The travelers of a
/// set, as it is wired here, join its switches, and its legs join the lamps to another of them than is fed. Over all ways to turn the sets
/// that is no less than the least spanning trees, every edge the shortest way through the frame with nothing in the way and no thought for
/// holes.</summary>
public static class FootageBound
{
    /// <summary>One bound for each branch circuit that comes in cables of its own, in the order of the plan.</summary>
    public static ImmutableArray<CircuitBound> Of(ImmutableArray<RoutedCircuit> circuits, FramedHouse house, Job job) =>
        Of(circuits, new Wayfinder(house, job, Labour.None, CableWay.LeastLabour), job);

    private static ImmutableArray<CircuitBound> Of(ImmutableArray<RoutedCircuit> circuits, Wayfinder shortest, Job job) =>
        [.. circuits.Where(c => c.HomeRun is { Kind: RunKind.HomeRun, RidesIn: null } home
            && home.From.Place.Structure == home.To.Place.Structure).Select(c => Of(c, shortest, job))];

    private static CircuitBound Of(RoutedCircuit routed, Wayfinder shortest, Job job)
    {
        var rules = job.HouseRules;
        var placeOf = routed.Runs.Select(r => r.To).DistinctBy(e => e.Box!.Value).ToDictionary(e => e.Box!.Value, e => e.Place);
        var alarms = routed.Runs.Where(r => r.Kind == RunKind.Interconnect).SelectMany(r => new[] { r.From.Box!.Value, r.To.Box!.Value })
            .Distinct().ToList();

        // A way from a box to itself would leave it and come back: two sets that meet in one box need no cable between them.
        Length Between(List<Place> a, List<Place> b) => a.Exists(b.Contains) ? Length.Zero
            : a.SelectMany(p => b.Select(q => shortest.Cost(p, q))).Min();
        Length Least(IEnumerable<BoxId> boxes) =>
            SpanningTree.Least([.. boxes.Distinct().Select(b => new List<Place> { placeOf[b] })], Between);

        // Sets of boxes that their own cables join, and where the feed may come to each.
        List<(List<BoxId> All, List<BoxId> Fed)> sets =
        [
            .. routed.Groups.Select(g =>
                (All: g.Switches.Select(s => s.Box).Concat(g.Lamps).Concat(g.Fan is SwitchGang f ? [f.Box] : []).Distinct().ToList(),
                    Fed: g.Switches.Select(s => s.Box).Concat(g.Loop ? g.Lamps : []).ToList())),
        ];
        if (alarms.Count > 0)
        {
            sets.Add((alarms, alarms));
        }

        // What is live whichever way the sets are turned: boxes of no set, and boxes of one that hold an outlet of their own.
        var outlets = job.Boxes.Where(b => b.Devices.Any(d => !d.Kind.IsSwitch()) && !routed.Groups.Any(g => g.Lamps.Contains(b.Id)))
            .Select(b => b.Id).ToHashSet();
        var fed = routed.Runs.Where(r => r.Kind is RunKind.HomeRun or RunKind.Jumper).Select(r => r.To.Box!.Value).Distinct().ToList();
        var contacts = fed.FindAll(b => !sets.Exists(s => s.Fed.Contains(b))).ConvertAll(b => new List<BoxId> { b });
        var turning = Turning(routed.Groups);
        var still = sets.Where((_, i) => i >= routed.Groups.Length || !turning.Contains(routed.Groups[i])).ToList();
        var live = contacts.Concat(fed.FindAll(b => outlets.Contains(b) && sets.Exists(s => s.Fed.Contains(b)))
            .Select(b => new List<BoxId> { b })).Concat(still.Select(s => s.Fed)).ToList();
        List<List<Place>> Trunk(IEnumerable<BoxId> firsts) => [[routed.HomeRun!.From.Place],
            .. live.Concat(firsts.Select(f => new List<BoxId> { f })).Select(c => c.ConvertAll(b => placeOf[b]))];
        var way = Ends(turning, Least).Select(e => SpanningTree.Least(Trunk(e.Firsts), Between) + e.Cable).Min()
            + still.Select(s => Least(s.All)).Total();
        contacts.AddRange(sets.Select(s => s.Fed));

        // A cable arrives at each box that must be fed, sets that meet in one box counted once, and at all but one of every set.
        var cables = Apart(contacts) + sets.Sum(s => s.All.Count - 1);
        Length With(Length along, int runs) => along + new Length((int)(along.Sixtyfourths * rules.Sag.Value / 100))
            + ((rules.MakeUpAtBox + rules.SlackAtBox) * ((2 * runs) - 1)) + rules.AtPanel;
        return new(routed.Circuit.Key, routed.Footage, With(routed.Runs.Select(r => r.Way.Measured).Total(), routed.Runs.Length),
            With(way, cables));
    }

    // Sets that take their feed at one of several switches, while not too many ways to turn them all come together; the rest are taken as
    // if they were fed wherever it is least.
    private static HashSet<ControlGroup> Turning(ImmutableArray<ControlGroup> groups)
    {
        var turning = new HashSet<ControlGroup>();
        var ways = 1;
        foreach (var group in groups.Where(g => g.Switches.DistinctBy(s => s.Box).Count() > 1))
        {
            if ((ways *= group.Switches.Length) > MostWays)
            {
                break;
            }

            turning.Add(group);
        }

        return turning;
    }

    private const int MostWays = 2048;

    // However those sets are turned: where each takes the feed, and the least that its travelers and legs take then. Travelers run from
    // switch to switch and the legs from another one than is fed, as every set is wired here.
    private static IEnumerable<(ImmutableArray<BoxId> Firsts, Length Cable)> Ends(IEnumerable<ControlGroup> sets,
        Func<IEnumerable<BoxId>, Length> least)
    {
        IEnumerable<(ImmutableArray<BoxId> Firsts, Length Cable)> all = [([], Length.Zero)];
        foreach (var set in sets)
        {
            var boxes = set.Switches.Select(s => s.Box).Distinct().ToList();
            var travelers = least(boxes);
            var options = boxes.ConvertAll(first => (First: first, Cable: travelers + (set.Fan is SwitchGang fan
                ? boxes.Select(b => least([b, fan.Box])).Min() + least(set.Lamps.Prepend(fan.Box))
                : boxes.Where(b => b != first).Select(last => least(set.Lamps.Prepend(last))).Min())));
            all = [.. all.SelectMany(a => options.Select(o => (a.Firsts.Add(o.First), a.Cable + o.Cable)))];
        }

        return all;
    }

    // How many contacts have no box in common with one counted before.
    private static int Apart(List<List<BoxId>> contacts)
    {
        var met = new HashSet<BoxId>();
        return contacts.OrderBy(c => c.Count).Count(c =>
        {
            var apart = !c.Exists(met.Contains);
            met.UnionWith(c);
            return apart;
        });
    }
}
