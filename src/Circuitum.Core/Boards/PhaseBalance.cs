using System.Collections.Immutable;
using System.Numerics;

namespace Circuitum.Core.Boards;

/// <summary>Shares single-phase loads out over three phases so that the fullest and the emptiest differ least.</summary>
public static class PhaseBalance
{
    /// <summary>Placings tried before the best so far is taken.</summary>
    private const int MostSteps = 200_000;

    /// <summary>A phase for each load, 0 to 2.</summary>
    /// <param name="Phases">In the order of the loads.</param>
    /// <param name="Spread">Between the fullest phase and the emptiest.</param>
    /// <param name="Proven">No placing has a smaller spread.</param>
    public sealed record Shared(ImmutableArray<int> Phases, int Spread, bool Proven);

    /// <summary>The placing with the least spread, found by trying the larger loads first and leaving what cannot become better.</summary>
    /// <param name="loads">Whole watts, zero or more each.</param>
    public static Shared Over(IReadOnlyList<int> loads)
    {
        var order = Enumerable.Range(0, loads.Count).OrderByDescending(i => loads[i]).ToArray();
        var unit = loads.Aggregate(0, (a, b) => (int)BigInteger.GreatestCommonDivisor(a, b));
        var search = new Search([.. order.Select(i => loads[i])], Math.Max(1, unit));
        search.Try(0);
        var phases = new int[loads.Count];
        for (var i = 0; i < order.Length; i++)
        {
            phases[order[i]] = search.Best[i];
        }

        return new([.. phases], search.Spread, search.Proven);
    }

    private sealed class Search(int[] loads, int unit)
    {
        private readonly int[] at = new int[loads.Length];
        private readonly int[] sums = new int[3];
        private readonly int total = loads.Sum();
        private int steps;

        public int[] Best { get; private set; } = new int[loads.Length];

        public int Spread { get; private set; } = int.MaxValue;

        // Loads of one measure can only differ by it, and three equal sums need a whole that three divide.
        public bool Proven => steps < MostSteps || Spread <= Least;

        private int Least { get; } = loads.Sum() / unit % 3 == 0 ? 0 : unit;

        public void Try(int load)
        {
            if (load == loads.Length)
            {
                if (sums.Max() - sums.Min() is var spread && spread < Spread)
                {
                    (Spread, Best) = (spread, (int[])at.Clone());
                }

                return;
            }

            // The emptiest first; of phases that are as full only one.
            var (a, b, c) = (0, 1, 2);
            if (sums[b] < sums[a])
            {
                (a, b) = (b, a);
            }

            if (sums[c] < sums[b])
            {
                (b, c) = (c, b);
            }

            if (sums[b] < sums[a])
            {
                (a, b) = (b, a);
            }

            var (emptiest, middle, fullest) = (sums[a], sums[b], sums[c]);
            Place(load, a);
            if (middle != emptiest)
            {
                Place(load, b);
            }

            if (fullest != middle)
            {
                Place(load, c);
            }
        }

        private void Place(int load, int phase)
        {
            if (Spread <= Least || steps >= MostSteps)
            {
                return;
            }

            steps++;
            sums[phase] += loads[load];
            // The emptiest ends with a third of the whole at most, so the fullest may not stand further above that.
            if ((3L * Math.Max(sums[0], Math.Max(sums[1], sums[2]))) - total < 3L * Spread)
            {
                at[load] = phase;
                Try(load + 1);
            }

            sums[phase] -= loads[load];
        }
    }
}
