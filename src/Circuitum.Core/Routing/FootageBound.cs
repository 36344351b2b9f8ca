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
/// So the cables of
/// constant feed join the panel, every box that is always live and some switch of each set into one piece, and the cables of each set join
/// its switches and
/// lamps: no less than the least spanning tree over either, each edge the shortest way
/// through the frame with nothing in the way and no thought for holes.</summary>
public static class FootageBound
{
    /// <summary>One bound for each branch circuit that comes in cables of its own, in the order of the plan.</summary>
    public static ImmutableArray<CircuitBound> Of(ImmutableArray<RoutedCircuit> circuits, FramedHouse house, Job job) =>
        Of(circuits, new Wayfinder(house, job with { Schools = job.Schools with { Way = CableWay.LeastLabour } }, Labour.None), job);

    private static ImmutableArray<CircuitBound> Of(ImmutableArray<RoutedCircuit> circuits, Wayfinder shortest, Job job) =>
        [.. circuits.Where(c => c.HomeRun is { Kind: RunKind.HomeRun, RidesIn: null } home
            && home.From.Place.Structure == home.To.Place.Structure).Select(c => Of(c, shortest, job))];

    private static CircuitBound Of(RoutedCircuit routed, Wayfinder shortest, Job job)
    {
        var rules = job.HouseRules;
        var placeOf = routed.Runs.Select(r => r.To).DistinctBy(e => e.Box!.Value).ToDictionary(e => e.Box!.Value, e => e.Place);
        var alarms = routed.Runs.Where(r => r.Kind == RunKind.Interconnect).SelectMany(r => new[] { r.From.Box!.Value, r.To.Box!.Value })
            .Distinct().ToList();

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

        var always = routed.Runs.Where(r => r.Kind is RunKind.HomeRun or RunKind.Jumper).Select(r => r.To.Box!.Value).Distinct()
            .Where(b => !sets.Exists(s => s.Fed.Contains(b))).ToList();
        var contacts = always.Select(b => new List<BoxId> { b }).Concat(sets.Select(s => s.Fed)).ToList();
        List<List<Place>> trunk = [[routed.HomeRun!.From.Place], .. contacts.Select(c => c.ConvertAll(b => placeOf[b]))];
        // Two sets that meet in one box need no cable between them: a way from a box to itself would leave it and come back.
        Length Between(List<Place> a, List<Place> b) => a.Exists(b.Contains) ? Length.Zero
            : a.SelectMany(p => b.Select(q => shortest.Cost(p, q))).Min();
        var way = SpanningTree.Least(trunk, Between);
        foreach (var (all, _) in sets)
        {
            way += SpanningTree.Least(all.ConvertAll(b => new List<Place> { placeOf[b] }), Between);
        }

        // A cable arrives at each box that must be fed, sets that meet in one box counted once, and at all but one of every set.
        var cables = Apart(contacts) + sets.Sum(s => s.All.Count - 1);
        Length With(Length along, int runs) => along + new Length((int)(along.Sixtyfourths * rules.Sag.Value / 100))
            + ((rules.MakeUpAtBox + rules.SlackAtBox) * ((2 * runs) - 1)) + rules.AtPanel;
        return new(routed.Circuit.Key, routed.Footage, With(routed.Runs.Select(r => r.Way.Measured).Total(), routed.Runs.Length),
            With(way, cables));
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
