namespace Circuitum.Core.Circuits;

/// <summary>Divides a few bundles exactly: every set of them is weighed with its cheapest chain, and the best way to part them all is found
/// over the sets.</summary>
/// <remarks>Held and Karp's recursion for the chains, then dynamic programming over subsets: 2ⁿ·n² and 3ⁿ steps, so for at most <see
/// cref="Most"/> bundles.</remarks>
internal sealed class Subsets
{
    /// <summary>Most bundles that are divided exactly.</summary>
    public const int Most = 15;

    private readonly int n;
    private readonly long[] weight;
    private readonly int[] last;
    private readonly sbyte[] from;

    /// <summary>Weighs every set.</summary>
    /// <param name="bundles">Which bundles of the weighing; at most <see cref="Most"/>.</param>
    /// <param name="weighing">How they weigh.</param>
    /// <param name="held">For each bundle of the weighing the circuit it is held on by a person, or −1; bundles of one stay together, those
    /// of two never share.</param>
    public Subsets(IReadOnlyList<int> bundles, IWeights weighing, int[] held)
    {
        n = bundles.Count;
        var sets = 1 << n;
        weight = new long[sets];
        last = new int[sets];
        from = new sbyte[sets * n];
        var chain = new long[sets * n];
        var tally = new Tally[sets];
        var dark = new long[sets];
        var circuit = new int[sets];
        circuit[0] = -1;
        var together = Enumerable.Range(0, n).Where(i => held[bundles[i]] >= 0).GroupBy(i => held[bundles[i]])
            .ToDictionary(g => g.Key, g => g.Sum(i => 1 << i));
        for (var set = 1; set < sets; set++)
        {
            var low = int.TrailingZeroCount(set);
            var rest = set & (set - 1);
            tally[set] = tally[rest] + weighing.TallyOf(bundles[low]);
            var own = held[bundles[low]];
            circuit[set] = circuit[rest] == -2 || (own >= 0 && circuit[rest] >= 0 && own != circuit[rest]) ? -2
                : Math.Max(own, circuit[rest]);
            var flat = circuit[set] == -2 ? Weighing.Never : weighing.Flat(tally[set]);
            if (flat >= Weighing.Never)
            {
                weight[set] = Weighing.Never;
                continue;
            }

            var darkness = dark[rest] + weighing.Self(bundles[low]);
            for (var left = rest; left != 0; left &= left - 1)
            {
                darkness += weighing.Pair(bundles[low], bundles[int.TrailingZeroCount(left)]);
            }

            dark[set] = darkness;
            var whole = flat + darkness + Chain(set, chain, bundles, weighing);
            // What one person holds on one circuit stays together.
            weight[set] = circuit[set] >= 0 && (set & together[circuit[set]]) != together[circuit[set]] ? Weighing.Never : whole;
        }
    }

    /// <summary>What a set weighs.</summary>
    public long Of(int set) => weight[set];

    /// <summary>The best division of all of them into at least so many circuits, each in the order of its chain; and what it
    /// weighs.</summary>
    public (long Weight, List<List<int>> Circuits) Best(int least = 0)
    {
        var sets = 1 << n;
        least = Math.Min(least, n);
        var best = new long[least + 1][];
        var taken = new int[least + 1][];
        for (var c = 0; c <= least; c++)
        {
            (best[c], taken[c]) = (new long[sets], new int[sets]);
            best[c][0] = c == 0 ? 0 : Weighing.Never;
            var after = best[Math.Max(0, c - 1)];
            for (var set = 1; set < sets; set++)
            {
                // The circuit that holds the lowest bundle, and the best of what is left.
                var low = set & -set;
                var rest = set ^ low;
                // Alone, where nothing else can be: a bundle by itself is always carried.
                var lightest = Weighing.Never;
                var which = low;
                for (var sub = rest; ; sub = (sub - 1) & rest)
                {
                    var one = weight[sub | low];
                    if (one < lightest && one + after[rest ^ sub] is var sum && sum < lightest)
                    {
                        (lightest, which) = (sum, sub | low);
                    }

                    if (sub == 0)
                    {
                        break;
                    }
                }

                (best[c][set], taken[c][set]) = (lightest, which);
            }
        }

        var circuits = new List<List<int>>();
        for (int set = sets - 1, c = least; set != 0; c = Math.Max(0, c - 1))
        {
            var mask = taken[c][set];
            circuits.Add(Order(mask));
            set ^= mask;
        }

        return (best[least][sets - 1], circuits);
    }

    private long Chain(int set, long[] chain, IReadOnlyList<int> bundles, IWeights weighing)
    {
        var least = long.MaxValue;
        for (var ends = set; ends != 0; ends &= ends - 1)
        {
            var end = int.TrailingZeroCount(ends);
            var before = set ^ (1 << end);
            long cost;
            if (before == 0)
            {
                cost = weighing.Home(bundles[end]);
                from[(set * n) + end] = -1;
            }
            else
            {
                cost = long.MaxValue;
                for (var prevs = before; prevs != 0; prevs &= prevs - 1)
                {
                    var prev = int.TrailingZeroCount(prevs);
                    var through = chain[(before * n) + prev] + weighing.Arc(bundles[prev], bundles[end]);
                    if (through < cost)
                    {
                        (cost, from[(set * n) + end]) = (through, (sbyte)prev);
                    }
                }
            }

            chain[(set * n) + end] = cost;
            if (cost < least)
            {
                (least, last[set]) = (cost, end);
            }
        }

        return least;
    }

    private List<int> Order(int set)
    {
        var order = new List<int>();
        for (var end = last[set]; end >= 0;)
        {
            order.Add(end);
            var before = from[(set * n) + end];
            set ^= 1 << end;
            end = before;
        }

        order.Reverse();
        return order;
    }
}

/// <summary>The parts a circuit's weight is summed from.</summary>
internal interface IWeights
{
    Tally TallyOf(int i);

    long Home(int i);

    long Arc(int i, int j);

    long Self(int i);

    long Pair(int i, int j);

    long Flat(Tally t);
}
