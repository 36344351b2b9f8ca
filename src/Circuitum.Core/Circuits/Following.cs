using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>Follows a kept division: its boxes stay together where the rules still let them; what is new or no longer fits joins the
/// circuit where it weighs least.</summary>
internal sealed class Following(Sorted sorted, Job job)
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
            var draft = CircuitDraft.Of(family, own, 0) with { Key = key };
            draft = draft with { Why = draft.Why.Job($"as in the division “{division.Name}”", "") };
            foreach (var (other, bundle) in group.Where(x => x.Family.Id != family.Id))
            {
                if (IsHeld(bundle))
                {
                    draft = draft.With(bundle, other) with { Why = draft.Why.Pin($"{bundle.Boxes[0].Name} is pinned here", key) };
                }
                else
                {
                    loose.Add((other, bundle));
                }
            }

            drafts.Add((draft, family));
        }

        foreach (var (family, bundle) in loose)
        {
            Insert(drafts, family, bundle);
        }

        return CircuitDraft.Keyed(drafts.Select(d => d.Draft), Dividing.Feeders(job));
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

    private void Insert(List<(CircuitDraft Draft, Family Family)> drafts, Family family, Bundle bundle)
    {
        var best = -1;
        var least = long.MaxValue;
        for (var i = 0; i < drafts.Count; i++)
        {
            var (draft, own) = drafts[i];
            if (own.Id != family.Id || draft.Structure != bundle.Structure)
            {
                continue;
            }

            Bundle[] together = [.. draft.Bundles, bundle];
            var weighing = sorted.Weigh(family, together, Reckoning.Between);
            var whole = weighing.Rules.Tallies.Aggregate(default(Tally), (sum, t) => sum + t);
            var added = Enumerable.Range(0, together.Length - 1).Min(b => weighing.Arc(b, together.Length - 1));
            if (weighing.Rules.Carries(whole) && added < least)
            {
                (least, best) = (added, i);
            }
        }

        var alone = sorted.Weigh(family, [bundle], Reckoning.Between);
        if (best >= 0 && least <= alone.Home(0) + alone.Flat(alone.TallyOf(0)))
        {
            drafts[best] = (CircuitDraft.Of(family, [.. drafts[best].Draft.Bundles, bundle], 0) with
            {
                Key = drafts[best].Draft.Key,
                Why = drafts[best].Draft.Why
            }, family);
            return;
        }

        var fresh = CircuitDraft.Of(family, [bundle], drafts.Count(d => d.Family.Id == family.Id));
        drafts.Add((fresh, family));
    }
}
