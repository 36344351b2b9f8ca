using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;

namespace Circuitum.Core.Searches;

/// <summary>Weights of one family, each asked for once: ways through the frame are dear to find. Whole circuits are remembered
/// too.</summary>
internal sealed class Remembered : IWeights
{
    // Beyond this a circuit's chain is ordered by exchange, not exactly.
    private const int Exact = 11;

    private readonly Weighing weighing;
    private readonly long[] home;
    private readonly long[] self;
    private readonly long[,] arc;
    private readonly long[,] pair;
    private readonly Dictionary<string, (long Weight, int[] Order)> circuits = [];

    public Remembered(Weighing weighing)
    {
        this.weighing = weighing;
        var n = weighing.Count;
        (home, self, arc, pair) = (new long[n], new long[n], new long[n, n], new long[n, n]);
        for (var i = 0; i < n; i++)
        {
            (home[i], self[i]) = (weighing.Home(i), weighing.Self(i));
            for (var j = 0; j < i; j++)
            {
                arc[i, j] = arc[j, i] = weighing.Arc(i, j);
                pair[i, j] = pair[j, i] = weighing.Pair(i, j);
            }
        }
    }

    public int Count => weighing.Count;

    public FamilyRules Rules => weighing.Rules;

    public Tally TallyOf(int i) => weighing.TallyOf(i);

    public long Home(int i) => home[i];

    public long Arc(int i, int j) => arc[i, j];

    public long Self(int i) => self[i];

    public long Pair(int i, int j) => pair[i, j];

    public long Flat(Tally t) => weighing.Flat(t);

    public (int All, int InRoom, long PerAll, long PerRoom) Share(int i) => weighing.Share(i);

    public RoomId RoomOf(int i) => weighing.Bundles[i].Room.Room.Id;

    public long Crowding(decimal connected) => weighing.Crowding(connected);

    /// <summary>A circuit's weight and the order of its chain.</summary>
    public (long Weight, int[] Order) Circuit(IReadOnlyList<int> bundles)
    {
        var sorted = bundles.Order().ToArray();
        var key = string.Create(sorted.Length, sorted, (span, s) =>
        {
            for (var i = 0; i < s.Length; i++)
            {
                span[i] = (char)s[i];
            }
        });
        if (circuits.TryGetValue(key, out var known))
        {
            return known;
        }

        return circuits[key] = WeighNew(sorted);
    }

    private (long Weight, int[] Order) WeighNew(int[] bundles)
    {
        var flat = Flat(bundles.Aggregate(default(Tally), (sum, b) => sum + TallyOf(b)));
        if (flat >= Weighing.Never)
        {
            return (Weighing.Never, bundles);
        }

        var dark = 0L;
        for (var i = 0; i < bundles.Length; i++)
        {
            dark += Self(bundles[i]);
            for (var j = 0; j < i; j++)
            {
                dark += Pair(bundles[i], bundles[j]);
            }
        }

        var order = bundles.Length <= Exact ? Shortest(bundles) : Exchanged(bundles);
        return (flat + dark + Chain(order), order);
    }

    private long Chain(int[] order)
    {
        var sum = home[order[0]];
        for (var i = 1; i < order.Length; i++)
        {
            sum += arc[order[i - 1], order[i]];
        }

        return sum;
    }

    // Held and Karp over the sets of one circuit.
    private int[] Shortest(int[] bundles)
    {
        int n = bundles.Length, sets = 1 << n;
        var best = new long[sets * n];
        var from = new sbyte[sets * n];
        for (var set = 1; set < sets; set++)
        {
            for (var ends = set; ends != 0; ends &= ends - 1)
            {
                var end = int.TrailingZeroCount(ends);
                var before = set ^ (1 << end);
                if (before == 0)
                {
                    (best[(set * n) + end], from[(set * n) + end]) = (home[bundles[end]], -1);
                    continue;
                }

                var least = long.MaxValue;
                for (var prevs = before; prevs != 0; prevs &= prevs - 1)
                {
                    var prev = int.TrailingZeroCount(prevs);
                    var cost = best[(before * n) + prev] + arc[bundles[prev], bundles[end]];
                    if (cost < least)
                    {
                        (least, from[(set * n) + end]) = (cost, (sbyte)prev);
                    }
                }

                best[(set * n) + end] = least;
            }
        }

        var all = sets - 1;
        var last = Enumerable.Range(0, n).MinBy(i => best[(all * n) + i]);
        var order = new int[n];
        for (var at = n - 1; at >= 0; at--)
        {
            order[at] = bundles[last];
            var prev = from[(all * n) + last];
            all ^= 1 << last;
            last = prev;
        }

        return order;
    }

    private int[] Exchanged(int[] bundles)
    {
        var order = bundles.OrderBy(b => home[b]).ToArray();
        for (var better = true; better;)
        {
            better = false;
            for (var i = 0; i < order.Length && !better; i++)
            {
                for (var j = i + 1; j < order.Length && !better; j++)
                {
                    var turned = (int[])order.Clone();
                    Array.Reverse(turned, i, j - i + 1);
                    if (Chain(turned) < Chain(order))
                    {
                        (order, better) = (turned, true);
                    }
                }
            }
        }

        return order;
    }
}
