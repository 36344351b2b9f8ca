namespace Circuitum.Core.Routing;

/// <summary>Orders boxes into the cheapest chain from a start: exact for ten boxes or fewer, improved by exchange beyond.</summary>
internal static class Chain
{
    public const int Exact = 10;

    /// <summary>Order of 0 … n − 1.</summary>
    public static int[] Order(int n, Func<int, int> fromStart, Func<int, int, int> between)
    {
        if (n <= 1)
        {
            return n == 0 ? [] : [0];
        }

        var first = Enumerable.Range(0, n).Select(fromStart).ToArray();
        var cost = new int[n, n];
        for (var i = 0; i < n; i++)
        {
            for (var j = i + 1; j < n; j++)
            {
                cost[i, j] = cost[j, i] = between(i, j);
            }
        }

        return n <= Exact ? ExactOrder(n, first, cost) : Improved(n, first, cost);
    }

    // Held and Karp: cheapest way to have visited a set and stand at its last.
    private static int[] ExactOrder(int n, int[] first, int[,] cost)
    {
        var sets = 1 << n;
        var best = new long[sets, n];
        var from = new sbyte[sets, n];
        for (var set = 1; set < sets; set++)
        {
            for (var last = 0; last < n; last++)
            {
                if ((set & (1 << last)) == 0)
                {
                    continue;
                }

                var before = set ^ (1 << last);
                if (before == 0)
                {
                    best[set, last] = first[last];
                    from[set, last] = -1;
                    continue;
                }

                best[set, last] = long.MaxValue;
                for (var prev = 0; prev < n; prev++)
                {
                    if ((before & (1 << prev)) != 0 && best[before, prev] + cost[prev, last] < best[set, last])
                    {
                        best[set, last] = best[before, prev] + cost[prev, last];
                        from[set, last] = (sbyte)prev;
                    }
                }
            }
        }

        var all = sets - 1;
        var end = Enumerable.Range(0, n).MinBy(i => best[all, i]);
        var order = new int[n];
        for (var at = n - 1; at >= 0; at--)
        {
            order[at] = end;
            var prev = from[all, end];
            all ^= 1 << end;
            end = prev;
        }

        return order;
    }

    private static int[] Improved(int n, int[] first, int[,] cost)
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
