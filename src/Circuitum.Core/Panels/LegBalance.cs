namespace Circuitum.Core.Panels;

/// <summary>Room for one-poles on a leg.</summary>
/// <param name="Spaces">Free spaces.</param>
/// <param name="Tandems">How many of them the label lists for tandem breakers: each may take two.</param>
public readonly record struct LegRoom(int Spaces, int Tandems);

/// <summary>Splits one-pole loads over two legs so that the legs differ least: exact, over every reachable sum.</summary>
public static class LegBalance
{
    /// <summary>Which loads go on leg A, each in a space of its own.</summary>
    /// <param name="loads">Whole volt-amperes, zero or more each.</param>
    /// <param name="placesA">One-pole places on leg A.</param>
    /// <param name="placesB">On leg B; together at least as many as loads.</param>
    /// <param name="lead">What leg A already carries more than leg B.</param>
    /// <exception cref="ArgumentException">There are fewer places than loads.</exception>
    public static bool[] OnLegA(IReadOnlyList<int> loads, int placesA, int placesB, int lead) =>
        OnLegA(loads, new bool[loads.Count], new(placesA, 0), new(placesB, 0), lead);

    /// <summary>Which loads go on leg A where a space may hold two of those that half a space suits; no more tandems are used than the
    /// count asks for.</summary>
    /// <param name="loads">Whole volt-amperes, zero or more each.</param>
    /// <param name="half">Whether half a space suits each.</param>
    /// <param name="a">Room on leg A.</param>
    /// <param name="b">Room on leg B.</param>
    /// <param name="lead">What leg A already carries more than leg B.</param>
    /// <exception cref="ArgumentException">The loads find no room.</exception>
    public static bool[] OnLegA(IReadOnlyList<int> loads, IReadOnlyList<bool> half, LegRoom a, LegRoom b, int lead)
    {
        int n = loads.Count, total = loads.Sum(), words = (total >> 6) + 1;
        var tandems = Math.Max(0, n - a.Spaces - b.Spaces);
        // Without tandems it does not matter whom half a space suits.
        var suits = tandems == 0 ? 0 : half.Count(h => h);
        int Suits(int load) => tandems > 0 && half[load] ? 1 : 0;
        int Index(int count, int suited) => (count * (suits + 1)) + suited;
        bool Fits(LegRoom leg, int count, int suited) => Math.Max(0, count - leg.Spaces) is var two
            && two <= Math.Min(leg.Tandems, suited / 2);
        // reach[i]: sums on A after i loads with so many of them on A, of which half a space suits so many; null where there are none.
        var reach = new ulong[n + 1][][];
        reach[0] = new ulong[suits + 1][];
        reach[0][0] = new ulong[words];
        reach[0][0][0] = 1;
        for (var i = 0; i < n; i++)
        {
            var most = Math.Min(i + 1, a.Spaces + a.Tandems);
            reach[i + 1] = new ulong[(most + 1) * (suits + 1)][];
            for (var c = 0; c <= most; c++)
            {
                for (var e = 0; e <= Math.Min(c, suits); e++)
                {
                    var without = Has(reach[i], Index(c, e));
                    var with = c > 0 && e >= Suits(i) ? Has(reach[i], Index(c - 1, e - Suits(i))) : null;
                    if (without is null && with is null)
                    {
                        continue;
                    }

                    var bits = without is null ? new ulong[words] : (ulong[])without.Clone();
                    if (with is not null)
                    {
                        OrShifted(bits, with, loads[i]);
                    }

                    reach[i + 1][Index(c, e)] = bits;
                }
            }
        }

        // Of equal splits the one with as many breakers on either leg, so that the rows fill from the top.
        var best = (Difference: long.MaxValue, Uneven: int.MaxValue, Count: -1, Suited: 0, Sum: 0);
        for (var c = 0; c <= Math.Min(n, a.Spaces + a.Tandems); c++)
        {
            for (var e = 0; e <= Math.Min(c, suits); e++)
            {
                var there = Has(reach[n], Index(c, e));
                if (there is null || !Fits(a, c, e) || !Fits(b, n - c, suits - e) || Math.Max(0, c - a.Spaces)
                    + Math.Max(0, n - c - b.Spaces) > tandems)
                {
                    continue;
                }

                if (Nearest(there, total, (long)total - lead) is int sum)
                {
                    var difference = Math.Abs(lead + (2L * sum) - total);
                    var uneven = Math.Abs((2 * c) - n);
                    if ((difference, uneven).CompareTo((best.Difference, best.Uneven)) <= 0)
                    {
                        best = (difference, uneven, c, e, sum);
                    }
                }
            }
        }

        if (best.Count < 0)
        {
            throw new ArgumentException("fewer places than loads", nameof(loads));
        }

        var onA = new bool[n];
        var (count, suited, left) = (best.Count, best.Suited, best.Sum);
        for (var i = n; i > 0; i--)
        {
            // Off A whenever the rest can make it without this load.
            if (Has(reach[i - 1], Index(count, suited)) is { } there && Has(there, left))
            {
                continue;
            }

            onA[i - 1] = true;
            count--;
            suited -= Suits(i - 1);
            left -= loads[i - 1];
        }

        return onA;
    }

    // The reachable sum whose double is nearest to what is wanted; of two as near the larger.
    private static int? Nearest(ulong[] bits, int total, long wanted)
    {
        var (low, high) = (wanted >> 1, wanted - (wanted >> 1));
        for (; low >= 0 || high <= total; low--, high++)
        {
            if (high >= 0 && high <= total && Has(bits, (int)high))
            {
                return (int)high;
            }

            if (low >= 0 && low <= total && Has(bits, (int)low))
            {
                return (int)low;
            }
        }

        return null;
    }

    private static ulong[]? Has(ulong[][] reach, int index) => index < reach.Length ? reach[index] : null;

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
