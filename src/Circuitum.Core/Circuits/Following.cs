using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>Follows a kept division: its boxes stay together where the rules still let them; what is new or no longer fits joins the
/// circuit where it weighs least.</summary>
internal sealed class Following(Sorted sorted, Survey survey, Job job)
{
    private readonly Dictionary<BoxId, CircuitKey> pinned = job.Pins.Boxes.ToDictionary(p => p.Box, p => p.Circuit);

    public List<CircuitDraft> Drafts(Division division)
    {
        var kept = division.Circuits.SelectMany(c => c.Boxes.Select(b => (Box: b, c.Key))).ToDictionary(x => x.Box, x => x.Key);
        var groups = new Dictionary<(int Structure, string Key), List<(Family Family, Bundle Bundle)>>();
        var loose = new List<(Family Family, Bundle Bundle)>();
        foreach (var entry in sorted.Families.SelectMany(f => f.Bundles.Select(b => (f.Family, Bundle: b))))
        {
            if (KeyOf(entry.Bundle, kept) is not CircuitKey key)
            {
                loose.Add(entry);
                continue;
            }

            if (!groups.TryGetValue((entry.Bundle.Structure, key.Value), out var group))
            {
                groups[(entry.Bundle.Structure, key.Value)] = group = [];
            }

            group.Add(entry);
        }

        var drafts = new List<(CircuitDraft Draft, Family Family)>();
        var order = division.Circuits.Select((c, i) => (c.Key.Value, i)).ToDictionary(x => x.Value, x => x.i);
        foreach (var ((_, key), group) in groups.OrderBy(g => order.GetValueOrDefault(g.Key.Key, int.MaxValue))
            .ThenBy(g => g.Key.Key, StringComparer.Ordinal))
        {
            // The family of most outlets names the circuit, of those that no person put there; held boxes of others stay, kept ones of
            // others are loose again.
            var native = group.Where(x => !IsHeld(x.Bundle)).ToList();
            var family = (native.Count > 0 ? native : group).GroupBy(x => x.Family.Id).OrderByDescending(g => g.Sum(x => x.Bundle.Outlets))
                .ThenBy(g => g.Key, StringComparer.Ordinal).First().First().Family;
            var own = group.Where(x => x.Family.Id == family.Id).Select(x => x.Bundle).ToList();
            if (division.Name == Division.AsSeen)
            {
                loose.AddRange(Overfull(family, own).Select(b => (family, b)));
            }

            var draft = CircuitDraft.Of(family, own, 0) with { Key = key };
            draft = draft with { Why = draft.Why.Job($"as in the division “{division.Name}”", "") };
            foreach (var (other, bundle) in group.Where(x => x.Family.Id != family.Id))
            {
                if (IsHeld(bundle))
                {
                    draft = draft.With(bundle, other,
                        sorted.Book.Division.Receptacles) with
                    { Why = draft.Why.Pin($"{bundle.Boxes[0].Name} is pinned here", key) };
                }
                else
                {
                    loose.Add((other, bundle));
                }
            }

            drafts.Add((draft, family));
        }

        // A family that nothing was kept of is divided as the planner divides it: that moves no box that was seen elsewhere.
        var fresh = new List<(Family Family, IReadOnlyList<Bundle> Bundles)>();
        foreach (var group in loose.GroupBy(l => l.Family.Id))
        {
            var (family, bundles) = (group.First().Family, group.Select(l => l.Bundle).ToList());
            if (drafts.Any(d => d.Family.Id == family.Id))
            {
                Insert(drafts, family, bundles);
            }
            else
            {
                fresh.Add((family, bundles));
            }
        }

        var stand = drafts.GroupBy(d => d.Family.Id).Select(g => (g.First().Family, g.Count())).ToList();
        return CircuitDraft.Keyed(drafts.Select(d => d.Draft).Concat(Dividing.Construct(sorted, survey, job, fresh, stand)),
            Dividing.Feeders(job));
    }

    // What a person divided by hand is theirs, and tagged; what the planner divided keeps the rules: the largest load leaves first.
    private List<Bundle> Overfull(Family family, List<Bundle> own)
    {
        var leave = new List<Bundle>();
        while (own.Count > 1 && sorted.RulesOf(family, own) is { CarriesAll: false } rules
            && own.Select((b, i) => (Bundle: b, rules.Tallies[i].Connected)).Where(b => !IsHeld(b.Bundle))
                .OrderByDescending(b => b.Connected).Select(b => b.Bundle).FirstOrDefault() is { } largest)
        {
            own.Remove(largest);
            leave.Add(largest);
        }

        return leave;
    }

    private bool IsHeld(Bundle bundle) => bundle.Boxes.Any(b => pinned.ContainsKey(b.Box.Id));

    private CircuitKey? KeyOf(Bundle bundle, Dictionary<BoxId, CircuitKey> kept)
    {
        foreach (var box in bundle.Boxes)
        {
            if (pinned.TryGetValue(box.Box.Id, out var held))
            {
                return held;
            }
        }

        // Where boxes of one bundle were kept apart, its outlet decides.
        return kept.TryGetValue(bundle.Anchor.Box.Id, out var key) ? key : bundle.Boxes.Where(b => kept.ContainsKey(b.Box.Id))
            .Select(b => (CircuitKey?)kept[b.Box.Id]).FirstOrDefault();
    }

    // Each where it adds least to what the aims weigh: the way to it, the dark it makes, and rules that it would break.
    private void Insert(List<(CircuitDraft Draft, Family Family)> drafts, Family family, IReadOnlyList<Bundle> loose)
    {
        var structure = loose[0].Structure;
        var circuits = drafts.Select((d, i) => (d, i)).Where(x => x.d.Family.Id == family.Id && x.d.Draft.Structure == structure)
            .Select(x => (At: x.i, Bundles: new List<int>())).ToList();
        var all = new List<Bundle>();
        foreach (var (at, bundles) in circuits)
        {
            bundles.AddRange(Enumerable.Range(all.Count, drafts[at].Draft.Bundles.Length));
            all.AddRange(drafts[at].Draft.Bundles);
        }

        var weighing = sorted.Weigh(family, [.. all, .. loose], Reckoning.Between);
        for (var next = all.Count; next < weighing.Count; next++)
        {
            var add = weighing.TallyOf(next);
            var alone = weighing.Home(next) + weighing.Self(next) + weighing.Flat(add);
            var best = circuits.Select(c => (Circuit: c, Added: Added(weighing, c.Bundles, next, add)))
                .Where(c => c.Added < Weighing.Never).OrderBy(c => c.Added).ThenBy(c => c.Circuit.At).FirstOrDefault();
            if (best.Circuit.Bundles is { } joined && (best.Added <= alone || family.StaysOne))
            {
                joined.Add(next);
                drafts[best.Circuit.At] = (CircuitDraft.Of(family, [.. joined.Select(b => weighing.Bundles[b])], 0) with
                { Key = drafts[best.Circuit.At].Draft.Key, Why = drafts[best.Circuit.At].Draft.Why }, family);
                continue;
            }

            circuits.Add((drafts.Count, [next]));
            drafts.Add((CircuitDraft.Of(family, [weighing.Bundles[next]], drafts.Count(d => d.Family.Id == family.Id)), family));
        }
    }

    private static long Added(Weighing weighing, List<int> circuit, int next, Tally add)
    {
        var before = circuit.Aggregate(default(Tally), (sum, b) => sum + weighing.TallyOf(b));
        return !weighing.Rules.Carries(before + add) ? Weighing.Never
            : circuit.Min(b => weighing.Arc(b, next)) + circuit.Sum(b => weighing.Pair(b, next)) + weighing.Self(next)
            + weighing.Flat(before + add) - (weighing.Rules.Carries(before) ? weighing.Flat(before) : 0);
    }
}
