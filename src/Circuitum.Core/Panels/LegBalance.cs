namespace Circuitum.Core.Panels;

/// <summary>Splits one-pole loads over two legs so that the legs differ least: exact, over every reachable sum.</summary>
public static class LegBalance
{
    /// <summary>Which loads go on leg A.</summary>
    /// <param name="loads">Whole volt-amperes, zero or more each.</param>
    /// <param name="placesA">One-pole places on leg A.</param>
    /// <param name="placesB">On leg B; together at least as many as loads.</param>
    /// <param name="lead">What leg A already carries more than leg B.</param>
    /// <exception cref="ArgumentException">There are fewer places than loads.</exception>
    public static bool[] OnLegA(IReadOnlyList<int> loads, int placesA, int placesB, int lead)
    {
        if (loads.Count > placesA + placesB)
        {
            throw new ArgumentException("fewer places than loads", nameof(loads));
        }

        int n = loads.Count, total = loads.Sum(), words = (total >> 6) + 1;
        // reach[i][c]: sums on A after i loads with c of them on A.
        var reach = new ulong[n + 1][][];
        reach[0] = [NewBits(words)];
        reach[0][0][0] = 1;
        for (var i = 0; i < n; i++)
        {
            var most = Math.Min(i + 1, placesA);
            reach[i + 1] = new ulong[most + 1][];
            for (var c = 0; c <= most; c++)
            {
                var bits = c < reach[i].Length ? (ulong[])reach[i][c].Clone() : NewBits(words);
                if (c > 0)
                {
                    OrShifted(bits, reach[i][c - 1], loads[i]);
                }

                reach[i + 1][c] = bits;
            }
        }

        // Of equal splits the one with as many breakers on either leg, so that the rows fill from the top.
        var best = (Difference: long.MaxValue, Uneven: int.MaxValue, Count: 0, Sum: 0);
        for (var c = Math.Max(0, n - placesB); c <= Math.Min(n, placesA); c++)
        {
            for (var sum = 0; sum <= total; sum++)
            {
                var difference = Math.Abs(lead + (2L * sum) - total);
                var uneven = Math.Abs((2 * c) - n);
                if ((difference, uneven).CompareTo((best.Difference, best.Uneven)) <= 0 && Has(reach[n][c], sum))
                {
                    best = (difference, uneven, c, sum);
                }
            }
        }

        var onA = new bool[n];
        var (count, left) = (best.Count, best.Sum);
        for (var i = n; i > 0; i--)
        {
            // Off A whenever the rest can make it without this load.
            if (count < reach[i - 1].Length && Has(reach[i - 1][count], left))
            {
                continue;
            }

            onA[i - 1] = true;
            count--;
            left -= loads[i - 1];
        }

        return onA;
    }

    private static ulong[] NewBits(int words) => new ulong[words];

    private static bool Has(ulong[] bits, int at) => (bits[at >> 6] & (1UL << (at & 63))) != 0;

    private static void OrShifted(ulong[] into, ulong[] from, int by)
    {
        int words = by >> 6, bits = by & 63;
        for (var i = into.Length - 1; i >= words; i--)
        {
            var value = from[i - words] << bits;
            if (bits > 0 && i - words - 1 >= 0)
            {
                value |= from[i - words - 1] >> (64 - bits);
            }

            into[i] |= value;
        }
    }
}
