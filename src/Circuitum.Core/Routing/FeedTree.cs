using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>How boxes are fed: what feeds each, and the order in which they are reached.</summary>
/// <param name="Parent">The box that feeds each, −1 for the start.</param>
/// <param name="Order">Every box after the one that feeds it.</param>
internal sealed record FeedTree(int[] Parent, int[] Order)
{
    /// <summary>Exact up to so many boxes; beyond, a chain improved by exchange and by hanging boxes elsewhere.</summary>
    public const int Exact = 12;

    /// <summary>The cheapest way to feed boxes 0 … n − 1 from a start that feeds one of them; a box that branches feeds two.</summary>
    /// <param name="n">How many; none gives an empty tree.</param>
    /// <param name="fromStart">Cost from the start, in 1/64 in.</param>
    /// <param name="between">Cost between two boxes, the same both ways.</param>
    /// <param name="branches">Whether a box has room for a third cable.</param>
    public static FeedTree Of(int n, Func<int, int> fromStart, Func<int, int, int> between, Func<int, bool> branches)
    {
        if (n <= 1)
        {
            return new(n == 0 ? [] : [-1], n == 0 ? [] : [0]);
        }

        var first = new int[n];
        var cost = new int[n, n];
        var may = new bool[n];
        for (var i = 0; i < n; i++)
        {
            (first[i], may[i]) = (fromStart(i), branches(i));
            for (var j = i + 1; j < n; j++)
            {
                cost[i, j] = cost[j, i] = between(i, j);
            }
        }

        return InOrder(n <= Exact ? ExactParents(n, first, cost, may) : Improved(n, first, cost, may));
    }

    /// <summary>Cables and branches of a tree as one figure, in 1/64 in.</summary>
    public static long Cost(int[] parent, int[] first, int[,] cost)
    {
        var children = new int[parent.Length];
        long sum = 0;
        for (var i = 0; i < parent.Length; i++)
        {
            sum += parent[i] < 0 ? first[i] : cost[parent[i], i];
            if (parent[i] >= 0 && ++children[parent[i]] > 1)
            {
                sum += Labour.Usual.Branch.Sixtyfourths;
            }
        }

        return sum;
    }

    // Cheapest tree over each set of boxes with each of them as its root: the root feeds one box, or the set is parted between two.
    private static int[] ExactParents(int n, int[] first, int[,] cost, bool[] may)
    {
        var sets = 1 << n;
        int[] rooted = new int[sets * n], hung = new int[sets * n];
        var part = new short[sets * n];
        var head = new sbyte[sets * n];
        for (var set = 1; set < sets; set++)
        {
            for (var root = 0; root < n; root++)
            {
                if ((set & (1 << root)) == 0)
                {
                    continue;
                }

                var rest = set ^ (1 << root);
                var best = rest == 0 ? 0 : hung[(rest * n) + root];
                short parted = 0;
                if (may[root] && (rest & (rest - 1)) != 0)
                {
                    // The part with the lowest box is named first, so that each parting is met once.
                    var lowest = rest & -rest;
                    var others = rest ^ lowest;
                    for (var sub = (others - 1) & others; ; sub = (sub - 1) & others)
                    {
                        var one = sub | lowest;
                        var both = hung[(one * n) + root] + hung[((rest ^ one) * n) + root] + Labour.Usual.Branch.Sixtyfourths;
                        if (both < best)
                        {
                            (best, parted) = (both, (short)one);
                        }

                        if (sub == 0)
                        {
                            break;
                        }
                    }
                }

                rooted[(set * n) + root] = best;
                part[(set * n) + root] = parted;
            }

            for (var above = 0; above < n; above++)
            {
                if ((set & (1 << above)) != 0)
                {
                    continue;
                }

                var best = int.MaxValue;
                for (var at = 0; at < n; at++)
                {
                    if ((set & (1 << at)) != 0 && cost[above, at] + rooted[(set * n) + at] is var sum && sum < best)
                    {
                        (best, head[(set * n) + above]) = (sum, (sbyte)at);
                    }
                }

                hung[(set * n) + above] = best;
            }
        }

        var all = sets - 1;
        var start = Enumerable.Range(0, n).MinBy(i => (long)first[i] + rooted[(all * n) + i]);
        var parent = new int[n];
        parent[start] = -1;
        void Hang(int set, int root)
        {
            var rest = set ^ (1 << root);
            if (rest == 0)
            {
                return;
            }

            var parted = part[(set * n) + root];
            foreach (var sub in parted == 0 ? [rest] : new[] { (int)parted, rest ^ parted })
            {
                var at = head[(sub * n) + root];
                parent[at] = root;
                Hang(sub, at);
            }
        }

        Hang(all, start);
        return parent;
    }

    private static int[] Improved(int n, int[] first, int[,] cost, bool[] may)
    {
        var order = Chain.Improved(n, first, cost);
        var parent = new int[n];
        for (var i = 0; i < n; i++)
        {
            parent[order[i]] = i == 0 ? -1 : order[i - 1];
        }

        var fed = new int[n];
        foreach (var by in parent.Where(p => p >= 0))
        {
            fed[by]++;
        }

        var branch = Labour.Usual.Branch.Sixtyfourths;
        for (var better = true; better;)
        {
            better = false;
            for (var at = 0; at < n; at++)
            {
                for (var to = 0; to < n; to++)
                {
                    var was = parent[at];
                    if (was < 0 || to == was || fed[to] >= (may[to] ? 2 : 1))
                    {
                        continue;
                    }

                    // What the tree costs changes by this one cable and by the branches at both ends of the exchange.
                    var more = (long)cost[to, at] - cost[was, at] + (fed[to] > 0 ? branch : 0) - (fed[was] > 1 ? branch : 0);
                    if (more < 0 && !Below(parent, to, at))
                    {
                        parent[at] = to;
                        fed[was]--;
                        fed[to]++;
                        better = true;
                    }
                }
            }
        }

        return parent;
    }

    private static bool Below(int[] parent, int at, int top)
    {
        for (; at >= 0; at = parent[at])
        {
            if (at == top)
            {
                return true;
            }
        }

        return false;
    }

    // The shorter branch is written first, as it is made up first. Without recursion: a person can put thousands of boxes on one circuit.
    private static FeedTree InOrder(int[] parent)
    {
        var children = Enumerable.Range(0, parent.Length).ToLookup(i => parent[i]);
        var down = new List<int>(parent.Length) { children[-1].Single() };
        for (var i = 0; i < down.Count; i++)
        {
            down.AddRange(children[down[i]]);
        }

        var size = new int[parent.Length];
        foreach (var at in Enumerable.Reverse(down))
        {
            size[at] = 1 + children[at].Sum(c => size[c]);
        }

        var order = new List<int>(parent.Length);
        var waiting = new Stack<int>([down[0]]);
        while (waiting.TryPop(out var at))
        {
            order.Add(at);
            foreach (var next in children[at].OrderByDescending(c => size[c]).ThenByDescending(c => c))
            {
                waiting.Push(next);
            }
        }

        return new(parent, [.. order]);
    }
}
