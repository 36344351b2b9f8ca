namespace Circuitum.Core.Circuits;

/// <summary>Divides a family at once: a walk from neighbour to neighbour, cut into circuits where that weighs least. Few bundles are
/// divided exactly.</summary>
internal static class Cutting
{
    // As many as are parted exactly without being felt in an edit.
    private const int Few = 8;

    /// <summary>Circuits, each in the order of its walk.</summary>
    public static List<List<int>> Divide(Weighing weighing)
    {
        var n = weighing.Count;
        if (n == 0)
        {
            return [];
        }

        if (n <= Few)
        {
            return new Subsets([.. Enumerable.Range(0, n)], weighing, [.. Enumerable.Repeat(-1, n)]).Best(weighing.Rules.Least).Circuits;
        }

        var near = Enumerable.Range(0, n).MinBy(weighing.Home);
        var far = Enumerable.Range(0, n).MaxBy(weighing.Home);
        return new[] { Walk(weighing, near), Walk(weighing, far) }.Select(w => Cut(w, weighing)).MinBy(c => c.Weight).Circuits;
    }

    // Always on to what is nearest, rooms kept together by what leaving one weighs.
    private static List<int> Walk(Weighing weighing, int start)
    {
        var left = Enumerable.Range(0, weighing.Count).Where(i => i != start).ToList();
        var walk = new List<int> { start };
        while (left.Count > 0)
        {
            var at = walk[^1];
            int next = 0;
            var least = long.MaxValue;
            for (var i = 0; i < left.Count; i++)
            {
                if (weighing.Arc(at, left[i]) is var arc && arc < least)
                {
                    (least, next) = (arc, i);
                }
            }

            walk.Add(left[next]);
            left.RemoveAt(next);
        }

        return walk;
    }

    // The cheapest cuts of one walk, exactly: best[c][i] parts the first i into at least c circuits.
    private static (long Weight, List<List<int>> Circuits) Cut(List<int> walk, Weighing weighing)
    {
        int n = walk.Count, least = Math.Min(weighing.Rules.Least, n);
        var best = new long[least + 1, n + 1];
        var start = new int[least + 1, n + 1];
        for (var c = 0; c <= least; c++)
        {
            for (var i = 0; i <= n; i++)
            {
                best[c, i] = c == 0 && i == 0 ? 0 : long.MaxValue / 2;
            }
        }

        for (var from = 0; from < n; from++)
        {
            Tally tally = default;
            long chain = 0, dark = 0;
            for (var to = from; to < n; to++)
            {
                tally += weighing.TallyOf(walk[to]);
                if (!weighing.Rules.Carries(tally))
                {
                    break;
                }

                chain += to == from ? 0 : weighing.Arc(walk[to - 1], walk[to]);
                dark += weighing.Self(walk[to]);
                for (var i = from; i < to; i++)
                {
                    dark += weighing.Pair(walk[i], walk[to]);
                }

                var weight = Math.Min(weighing.Home(walk[from]), weighing.Home(walk[to])) + chain + dark + weighing.Flat(tally);
                for (var c = 0; c <= least; c++)
                {
                    var sum = best[Math.Max(0, c - 1), from] + weight;
                    if (sum < best[c, to + 1])
                    {
                        (best[c, to + 1], start[c, to + 1]) = (sum, from);
                    }
                }
            }
        }

        var circuits = new List<List<int>>();
        for (int to = n, c = least; to > 0; c = Math.Max(0, c - 1))
        {
            var from = start[c, to];
            circuits.Insert(0, walk[from..to]);
            to = from;
        }

        return (best[least, n], circuits);
    }
}
