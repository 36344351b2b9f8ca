namespace Circuitum.Core.Routing;

/// <summary>Orders many boxes into a cheap chain from a start.</summary>
internal static class Chain
{
    /// <summary>Nearest box first, then turned and moved about until nothing is gained; 0 … n − 1 in order.</summary>
    public static int[] Improved(int n, int[] first, int[,] cost)
    {
        var order = new List<int>();
        var loose = Enumerable.Range(0, n).ToList();
        while (loose.Count > 0)
        {
            var next = order.Count == 0 ? loose.MinBy(i => first[i]) : loose.MinBy(i => cost[order[^1], i]);
            order.Add(next);
            loose.Remove(next);
        }

        // Only the cables at both ends of what is turned or moved change: the rest of the chain need not be summed again.
        var chain = order.ToArray();
        long Into(int before, int at) => before < 0 ? first[at] : cost[chain[before], at];
        long Onward(int at, int after) => after == n ? 0 : cost[at, chain[after]];
        for (var better = true; better;)
        {
            better = false;
            for (var i = 0; i < n; i++)
            {
                for (var j = i + 1; j < n; j++)
                {
                    int here = chain[i], there = chain[j];
                    var left = Into(i - 1, here) + Onward(there, j + 1);
                    var turned = Into(i - 1, there) + Onward(here, j + 1) - left;
                    var moved = Into(i - 1, chain[i + 1]) + cost[there, here] + Onward(here, j + 1) - left - cost[here, chain[i + 1]];
                    if (Math.Min(turned, moved) >= 0)
                    {
                        continue;
                    }

                    better = true;
                    if (turned <= moved)
                    {
                        Array.Reverse(chain, i, j - i + 1);
                    }
                    else
                    {
                        Array.Copy(chain, i + 1, chain, i, j - i);
                        chain[j] = here;
                    }
                }
            }
        }

        return chain;
    }
}
