using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>Stage Circuits: what shares a breaker? Constructive, deterministic; required circuits first, then neighbours together.</summary>
public static class Dividing
{
    /// <summary>Divides all boxes into branch circuits and adds the feeders of downstream panels.</summary>
    public static ImmutableArray<Circuit> Divide(FramedHouse house, Survey survey, Job job, CodeBook.CodeBook book)
    {
        var bundles = Bundles.Tie(survey);
        var pinned = job.Pins.Boxes.ToDictionary(p => p.Box, p => p.Circuit);
        var drafts = new List<Draft>();
        foreach (var structure in house.Structures)
        {
            var free = bundles.Where(b => b.Structure == structure.Index && !b.Boxes.Any(x => pinned.ContainsKey(x.Box.Id))).ToList();
            drafts.AddRange(new StructureDivision(house, structure, job, book).Divide(free));
        }

        var all = WithPins(drafts, bundles.Where(b => b.Boxes.Any(x => pinned.ContainsKey(x.Box.Id))), pinned);
        var panels = PanelOfStructure(house, job);
        var circuits = Keyed(all).Select(d => d.ToCircuit(panels[d.Structure])).ToList();
        circuits.AddRange(job.Panels.Where(p => p.FedFrom is not null).Select(p => Feeder(p, circuits)));
        return [.. circuits];
    }

    private static List<Draft> WithPins(List<Draft> drafts, IEnumerable<Bundle> pinnedBundles, Dictionary<BoxId, CircuitKey> pinned)
    {
        var keyed = Keyed(drafts);
        foreach (var bundle in pinnedBundles)
        {
            var key = bundle.Boxes.Where(b => pinned.ContainsKey(b.Box.Id)).Select(b => pinned[b.Box.Id]).First();
            var target = keyed.Find(d => d.Key == key.Value && d.Structure == bundle.Structure);
            if (target is null)
            {
                keyed.Add(new(key.Value, bundle.IsLighting ? CircuitKind.Lighting : bundle.Boxes.SelectMany(b => b.Plates).Any() ? CircuitKind.Individual : CircuitKind.Receptacles,
                    bundle.Structure, [bundle], bundle.IsLighting ? 15.Amps() : bundle.Boxes.SelectMany(b => b.Plates).Any() ? null : 20.Amps(),
                    Because.Of("Why this circuit").Pin("a box is pinned to a circuit of its own", key.Value)));
            }
            else
            {
                keyed[keyed.IndexOf(target)] = target with
                {
                    Bundles = target.Bundles.Add(bundle),
                    Why = target.Why.Pin($"{bundle.Boxes[0].Name} is pinned here", key.Value),
                };
            }
        }

        return keyed;
    }

    // Two circuits that start in one room are told apart by a number.
    private static List<Draft> Keyed(IEnumerable<Draft> drafts)
    {
        var used = new Dictionary<string, int>();
        var keyed = new List<Draft>();
        foreach (var draft in drafts)
        {
            var count = used[draft.Key] = used.GetValueOrDefault(draft.Key) + 1;
            keyed.Add(count == 1 ? draft : draft with { Key = $"{draft.Key}-{count}" });
        }

        return keyed;
    }

    private static Dictionary<int, PanelId> PanelOfStructure(FramedHouse house, Job job) =>
        job.Panels.GroupBy(p => house.Room(p.Room).Structure).ToDictionary(g => g.Key, g => g.OrderBy(p => p.FedFrom is null ? 0 : 1).ThenBy(p => p.Id.Value, StringComparer.Ordinal).First().Id);

    private static Circuit Feeder(Panel panel, List<Circuit> circuits)
    {
        var items = circuits.Where(c => c.Panel == panel.Id).SelectMany(c => c.Load.Items).ToImmutableArray();
        return new()
        {
            Key = new($"feeder-{panel.Id}"),
            Kind = CircuitKind.Feeder,
            Panel = panel.FedFrom!.Value,
            Feeds = panel.Id,
            Boxes = [],
            Load = new(240.Volts(), items),
            Why = Because.Of("Why this circuit").Plan($"everything panel {panel.Id} feeds", new CircuitLoad(240.Volts(), items).Connected.ToString()),
        };
    }
}

/// <summary>A circuit in the making.</summary>
internal sealed record Draft(string Key, CircuitKind Kind, int Structure, ImmutableArray<Bundle> Bundles, Amps? Rating, Because Why)
{
    public Circuit ToCircuit(PanelId panel)
    {
        var boxes = Bundles.SelectMany(b => b.Boxes).OrderBy(b => b.Box.Id.Value, StringComparer.Ordinal).ToList();
        return new()
        {
            Key = new(Key),
            Kind = Kind,
            Panel = panel,
            Boxes = [.. boxes.Select(b => b.Box.Id)],
            UsualRating = Rating,
            Load = CircuitLoad.Of(boxes),
            Why = Why,
        };
    }
}
