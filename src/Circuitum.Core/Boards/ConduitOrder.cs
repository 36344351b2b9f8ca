using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>The order in which conduit passes points, so that least of it is laid.</summary>
internal static class ConduitOrder
{
    /// <summary>The least there is up to so many points; beyond, a row improved by exchange.</summary>
    public const int Exact = 12;

    /// <summary>Points 0 … n − 1 in order from the board; of a ring back to it.</summary>
    /// <param name="n">At least one.</param>
    /// <param name="fromBoard">Conduit from the board to each.</param>
    /// <param name="between">Conduit between two, the same both ways.</param>
    /// <param name="ring">It ends where it began.</param>
    public static int[] Of(int n, Func<int, Length> fromBoard, Func<int, int, Length> between, bool ring)
    {
        var first = Enumerable.Range(0, n).Select(i => fromBoard(i).Sixtyfourths).ToArray();
        var cost = new int[n, n];
        for (var i = 0; i < n; i++)
        {
            for (var j = 0; j < i; j++)
            {
                cost[i, j] = cost[j, i] = between(i, j).Sixtyfourths;
            }
        }

        return n <= Exact ? Least(n, first, cost, ring) : Chain.Improved(n, first, cost);
    }

    // The least row over each set of points that ends at each of them, from those of one point less.
    private static int[] Least(int n, int[] first, int[,] cost, bool ring)
    {
        var sets = 1 << n;
        var least = new long[sets, n];
        var before = new int[sets, n];
        for (var set = 1; set < sets; set++)
        {
            for (var last = 0; last < n; last++)
            {
                if ((set & (1 << last)) == 0)
                {
                    continue;
                }

                var rest = set ^ (1 << last);
                (least[set, last], before[set, last]) = rest == 0 ? (first[last], -1)
                    : Enumerable.Range(0, n).Where(i => (rest & (1 << i)) != 0).Select(i => (least[rest, i] + cost[i, last], i)).Min();
            }
        }

        var order = new int[n];
        var (at, all) = (Enumerable.Range(0, n).MinBy(i => least[sets - 1, i] + (ring ? first[i] : 0)), sets - 1);
        for (var i = n - 1; i >= 0; i--)
        {
            order[i] = at;
            (at, all) = (before[all, at], all ^ (1 << at));
        }

        return order;
    }
}
