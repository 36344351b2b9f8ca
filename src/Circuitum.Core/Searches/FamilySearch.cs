using Circuitum.Core.Circuits;

namespace Circuitum.Core.Searches;

/// <summary>Looks for the best division of one family. Few bundles are divided exactly; many by taking neighbours out and putting them back
/// where they weigh
/// least, over and over, from the division that stands.</summary>
internal sealed class FamilySearch
{
    private readonly int[] held;
    private readonly int[][] near;
    private List<List<int>> current;
    private long currentWeight;
    private ulong lot;

    /// <param name="weights">How the family weighs.</param>
    /// <param name="held">The circuit a person holds each bundle on, or −1.</param>
    /// <param name="standing">The division that stands.</param>
    public FamilySearch(Remembered weights, int[] held, List<List<int>> standing)
    {
        (Weights, this.held, lot) = (weights, held, 0x9E3779B97F4A7C15UL);
        near = [.. Enumerable.Range(0, weights.Count)
            .Select(i => Enumerable.Range(0, weights.Count).OrderBy(j => i == j ? -1 : weights.Arc(i, j)).ToArray())];
        Best = current = [.. standing.Select(c => c.ToList())];
        BestWeight = currentWeight = Weigh(current);
        if (weights.Count <= Subsets.Most)
        {
            var (weight, circuits) = new Subsets([.. Enumerable.Range(0, weights.Count)], weights, held).Best(weights.Rules.Least);
            (Best, BestWeight, Bound, Proven) = (circuits, weight, weight, true);
        }
    }

    /// <summary>How the family weighs.</summary>
    public Remembered Weights { get; }

    /// <summary>The best division found, and what it weighs.</summary>
    public List<List<int>> Best { get; private set; }

    public long BestWeight { get; private set; }

    /// <summary>No division of this family weighs less; null until it is proven.</summary>
    public long? Bound { get; private set; }

    /// <summary>The best is proven the best.</summary>
    public bool Proven { get; }

    /// <summary>One step of the search.</summary>
    /// <param name="heat">How much worse a step may be, as a share of a breaker's weight: falls from 1 to 0 as the search ends.</param>
    public void Step(double heat)
    {
        var tried = current.Select(c => c.ToList()).ToList();
        var seed = Draw(Weights.Count);
        var many = 3 + Draw(Math.Min(10, Weights.Count - 3));
        var taken = near[seed].Take(many + Draw(4)).OrderBy(_ => Draw(1 << 20)).Take(many).ToList();
        foreach (var bundle in taken)
        {
            tried.Find(c => c.Contains(bundle))!.Remove(bundle);
        }

        tried.RemoveAll(c => c.Count == 0);
        foreach (var bundle in Draw(2) == 0 ? taken : taken.OrderByDescending(Weights.Home).ToList())
        {
            Insert(tried, bundle);
        }

        var weight = Weigh(tried);
        if (weight < currentWeight + (long)(heat * Weights.Flat(default) * (Draw(1000) / 1000.0)))
        {
            (current, currentWeight) = (tried, weight);
        }

        if (weight < BestWeight)
        {
            (Best, BestWeight) = ([.. tried.Select(c => Weights.Circuit(c).Order.ToList())], weight);
        }
    }

    /// <summary>Proves a bound; takes longer than many steps, and a lower one when it is stopped.</summary>
    public void Prove(CancellationToken stop) => Bound ??= DivisionBound.Of(Weights, BestWeight, stop);

    /// <summary>Goes on from the best again.</summary>
    public void Return() => (current, currentWeight) = ([.. Best.Select(c => c.ToList())], BestWeight);

    private long Weigh(List<List<int>> circuits) => circuits.Sum(c => Weights.Circuit(c).Weight)
        + (Weighing.Rule * Math.Max(0, Math.Min(Weights.Rules.Least, Weights.Count) - circuits.Count));

    private void Insert(List<List<int>> circuits, int bundle)
    {
        var best = -1;
        var least = Weights.Circuit([bundle]).Weight;
        for (var c = 0; c < circuits.Count; c++)
        {
            if (held[bundle] >= 0 && circuits[c].Exists(b => held[b] >= 0 && held[b] != held[bundle]))
            {
                continue;
            }

            // Bundles that one person holds on one circuit stay together.
            if (held[bundle] >= 0 && circuits[c].Exists(b => held[b] == held[bundle]))
            {
                best = c;
                break;
            }

            var added = Added(circuits[c], bundle);
            if (added < least)
            {
                (least, best) = (added, c);
            }
        }

        if (best < 0)
        {
            circuits.Add([bundle]);
        }
        else
        {
            circuits[best] = [.. Weights.Circuit([.. circuits[best], bundle]).Order];
        }
    }

    // What one more weighs at the best place of the chain as it is: near enough to choose by, weighed exactly after.
    private long Added(List<int> circuit, int bundle)
    {
        var tally = circuit.Aggregate(default(Tally), (sum, b) => sum + Weights.TallyOf(b));
        var flat = Weights.Flat(tally + Weights.TallyOf(bundle));
        if (flat >= Weighing.Never)
        {
            return long.MaxValue;
        }

        var dark = Weights.Self(bundle) + circuit.Sum(b => Weights.Pair(b, bundle));
        var chain = Math.Min(Weights.Home(bundle) - Weights.Home(circuit[0]) + Weights.Arc(bundle, circuit[0]),
            Weights.Arc(circuit[^1], bundle));
        for (var i = 1; i < circuit.Count; i++)
        {
            chain = Math.Min(chain, Weights.Arc(circuit[i - 1], bundle) + Weights.Arc(bundle, circuit[i])
                - Weights.Arc(circuit[i - 1], circuit[i]));
        }

        return dark + chain + flat - Weights.Flat(tally);
    }

    // A fixed sequence (xorshift), so that the same job is always searched the same way.
    private int Draw(int below)
    {
        lot ^= lot << 13;
        lot ^= lot >> 7;
        lot ^= lot << 17;
        return (int)(lot % (ulong)Math.Max(1, below));
    }
}
