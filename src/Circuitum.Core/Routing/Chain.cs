namespace Circuitum.Core.Routing;

/// <summary>Orders many boxes into a cheap chain from a start.</summary>
internal static class Chain
{
    /// <summary>Nearest box first, then turned and moved about until nothing is gained; 0 … n − 1 in order.</summary>
    public static int[] Improved(int n, int[] first, int[,] cost)
    {
        var order = new List<int>();
        var left = Enumerable.Range(0, n).ToList();
        while (left.Count > 0)
        {
            var next = order.Count == 0 ? left.MinBy(i => first[i]) : left.MinBy(i => cost[order[^1], i]);
            order.Add(next);
            left.Remove(next);
        }

        long Total(List<int> o)
        {
            long sum = first[o[0]];
            for (var i = 1; i < o.Count; i++)
            {
                sum += cost[o[i - 1], o[i]];
            }

            return sum;
        }

        var best = Total(order);
        for (var better = true; better;)
        {
            better = false;
            for (var i = 0; i < n; i++)
            {
                for (var j = i + 1; j < n; j++)
                {
                    var turned = order.ToList();
                    turned.Reverse(i, j - i + 1);
                    var moved = order.ToList();
                    moved.RemoveAt(i);
                    moved.Insert(j, order[i]);
                    foreach (var candidate in new[] { turned, moved })
                    {
                        if (Total(candidate) is var total && total < best)
                        {
                            (order, best, better) = (candidate, total, true);
                        }
                    }
                }
            }
        }

        return [.. order];
    }
}
