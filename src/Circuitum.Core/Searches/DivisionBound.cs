using Circuitum.Core.Circuits;

namespace Circuitum.Core.Searches;

/// <summary>A weight that no division of a family can go below, proven.</summary>
/// <remarks>
/// Lagrangian relaxation: every bundle is given a price for being served. For k circuits the weight is at least the sum of the prices plus
/// k times the lightest
/// chain once its bundles' prices are taken off, where a chain need not be a true one: it may come back to a bundle (though not at once),
/// pays darkness of its
/// house exactly, of its rooms only while it stays in one, and the least crowding that so many outlets can bring. The prices are raised
/// where chains pass a
/// bundle by and lowered where they pass it twice. The bound is the least over all numbers of circuits that can matter.
/// </remarks>
internal static class DivisionBound
{
    private const int Rounds = 250;

    /// <param name="weights">How the family weighs.</param>
    /// <param name="known">What a known division weighs.</param>
    /// <param name="stop">Ends the raising of prices: any prices prove a bound, better ones a higher one.</param>
    public static long Of(Remembered weights, long known, CancellationToken stop = default)
    {
        if (known >= Weighing.Rule)
        {
            return 0;
        }

        var walk = new RelaxedWalk(weights);
        var breaker = weights.Flat(default);
        var fewest = Math.Max(1, Math.Max(weights.Rules.Least, walk.FewestCircuits));
        var least = known;
        var prices = Enumerable.Repeat((double)known / weights.Count, weights.Count).ToArray();
        for (var k = fewest; k <= weights.Count; k++)
        {
            // So many circuits weigh that much by their breakers and home runs alone: more of them cannot be lighter than what is known.
            if ((k * (breaker + walk.NearestHome)) + walk.SelfSum >= least)
            {
                break;
            }

            least = Math.Min(least, Raise(weights, walk, k, known, prices, stop));
        }

        // Rounding of each pair's darkness is at most half a unit.
        return Math.Max(0, least - (weights.Count * weights.Count));
    }

    private static long Raise(Remembered weights, RelaxedWalk walk, int k, long known, double[] prices, CancellationToken stop)
    {
        var n = weights.Count;
        double best = 0, pace = 1.5;
        var bestPrices = (double[])prices.Clone();
        var passes = new int[n];
        var since = 0;
        for (var round = 0; round == 0 || (round < Rounds && !stop.IsCancellationRequested); round++)
        {
            var lightest = walk.Lightest(prices, passes);
            var bound = prices.Sum() + (k * lightest);
            if (bound > best)
            {
                (best, since) = (bound, 0);
                Array.Copy(prices, bestPrices, n);
                if (best >= known)
                {
                    break;
                }
            }
            else if (++since == 12)
            {
                (pace, since) = (pace * .6, 0);
                Array.Copy(bestPrices, prices, n);
                lightest = walk.Lightest(prices, passes);
            }

            var slope = passes.Sum(p => Math.Pow(1 - (k * p), 2));
            if (slope == 0)
            {
                break;
            }

            var step = pace * Math.Max(known - bound, known * .001) / slope;
            for (var i = 0; i < n; i++)
            {
                prices[i] += step * (1 - (k * passes[i]));
            }
        }

        Array.Copy(bestPrices, prices, n);
        return (long)Math.Floor(Math.Min(best, known));
    }
}

/// <summary>The lightest chain from the panel, prices taken off, that need not be a true circuit: it never weighs more than the true
/// ones.</summary>
internal sealed class RelaxedWalk
{
    private const int LongestRun = 6;

    private readonly Remembered weights;
    private readonly int n;
    private readonly int most;
    private readonly int leastInRoom;
    private readonly bool byOutlets;
    private readonly int[] steps;
    private readonly long[] bySteps;
    private readonly (int All, int InRoom, long PerAll, long PerRoom)[] shares;
    private readonly int[] room;
    private readonly double[] best;
    private readonly double[] second;
    private readonly int[] from;
    private readonly int[] secondFrom;

    public RelaxedWalk(Remembered weights)
    {
        (this.weights, n) = (weights, weights.Count);
        shares = [.. Enumerable.Range(0, n).Select(weights.Share)];
        var rooms = Enumerable.Range(0, n).Select(weights.RoomOf).Distinct().ToList();
        room = [.. Enumerable.Range(0, n).Select(i => rooms.IndexOf(weights.RoomOf(i)))];
        var tallies = Enumerable.Range(0, n).Select(weights.TallyOf).ToArray();
        // Outlets are the measure of a chain's length where every bundle has some; bundles where one has none.
        steps = tallies.All(t => t.Outlets > 0) ? [.. tallies.Select(t => t.Outlets)] : [.. tallies.Select(_ => 1)];
        var load = Enumerable.Range(0, n).Min(i => tallies[i].Connected / steps[i]);
        most = MostSteps(tallies, load);
        leastInRoom = shares.Min(s => s.InRoom);
        byOutlets = tallies.All(t => t.Outlets > 0);
        // A bundle alone is not crowded; the house's darkness is known from the number of outlets.
        bySteps = [.. Enumerable.Range(0, most + 1)
            .Select(q => (q > steps.Max() ? weights.Crowding(load * q) : 0) + (byOutlets ? shares[0].PerAll * q * q : 0))];
        NearestHome = Enumerable.Range(0, n).Min(weights.Home);
        SelfSum = Enumerable.Range(0, n).Sum(weights.Self);
        FewestCircuits = (int)Math.Ceiling(steps.Sum() / (double)most);
        var states = n * (most + 1) * LongestRun;
        (best, second, from, secondFrom) = (new double[states], new double[states], new int[states], new int[states]);
    }

    public long NearestHome { get; }

    public long SelfSum { get; }

    public int FewestCircuits { get; }

    /// <summary>Its weight; and how often it passes each bundle.</summary>
    public double Lightest(double[] prices, int[] passes)
    {
        Array.Fill(best, double.PositiveInfinity);
        Array.Fill(second, double.PositiveInfinity);
        Array.Fill(from, -1);
        Array.Fill(secondFrom, -1);
        var lightest = double.PositiveInfinity;
        var end = -1;
        for (var i = 0; i < n; i++)
        {
            best[At(i, steps[i], 0)] = weights.Home(i) + Own(i) - prices[i];
        }

        for (var q = 1; q <= most; q++)
        {
            for (var i = 0; i < n; i++)
            {
                for (var run = 0; run < LongestRun; run++)
                {
                    var at = At(i, q, run);
                    if (double.IsInfinity(best[at]))
                    {
                        continue;
                    }

                    var whole = best[at] + bySteps[q];
                    if (whole < lightest)
                    {
                        (lightest, end) = (whole, at);
                    }

                    Extend(at, i, q, run, prices);
                }
            }
        }

        Array.Clear(passes);
        Count(end, passes);
        return lightest + weights.Flat(default);
    }

    private void Extend(int at, int i, int q, int run, double[] prices)
    {
        var before = from[at] < 0 ? -1 : NodeOf(from[at]);
        for (var j = 0; j < n; j++)
        {
            if (j == i || q + steps[j] > most)
            {
                continue;
            }

            // Not straight back to where it came from: then by the second best way here.
            var reach = j == before ? second[at] : best[at];
            if (double.IsInfinity(reach))
            {
                continue;
            }

            var stays = room[i] == room[j];
            var next = At(j, q + steps[j], stays ? Math.Min(run + 1, LongestRun - 1) : 0);
            // In one room each outlet darkens with those of its run before it.
            var dark = stays ? 2 * shares[j].PerRoom * shares[j].InRoom * (run + 1) * leastInRoom : 0;
            var weight = reach + weights.Arc(i, j) + Own(j) + dark - prices[j];
            var code = (at * 2) + (j == before ? 1 : 0);
            if (weight < best[next])
            {
                if (from[next] >= 0 && NodeOf(from[next]) != i)
                {
                    (second[next], secondFrom[next]) = (best[next], from[next]);
                }

                (best[next], from[next]) = (weight, code);
            }
            else if (weight < second[next] && (from[next] < 0 || NodeOf(from[next]) != i))
            {
                (second[next], secondFrom[next]) = (weight, code);
            }
        }
    }

    private long Own(int i) => weights.Self(i) - (byOutlets ? shares[i].PerAll * shares[i].All * shares[i].All : 0);

    private void Count(int end, int[] passes)
    {
        var code = end * 2;
        while (code >= 0)
        {
            int at = code / 2;
            passes[NodeOf(code)]++;
            code = code % 2 == 0 ? from[at] : secondFrom[at];
        }
    }

    private int NodeOf(int code) => code / 2 / (LongestRun * (most + 1));

    private int At(int i, int q, int run) => (((i * (most + 1)) + q) * LongestRun) + run;

    // As many as the cap and the fill can hold, were all of them the lightest.
    private int MostSteps(Tally[] tallies, decimal load)
    {
        var sum = steps.Sum();
        var least = steps.Min();
        var at = steps.Max();
        for (var q = least; q <= sum; q++)
        {
            var tally = new Tally(2, tallies.All(t => t.Outlets > 0) ? q : 2, load * q, load * q, 0, false, 0, 0, false, false, 0, 0);
            if (!weights.Rules.Carries(tally))
            {
                break;
            }

            at = Math.Max(at, q);
        }

        return at;
    }
}
