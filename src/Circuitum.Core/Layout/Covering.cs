using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>A place on a line where a box could stand, and how much is against it: 0 on a stud, 1 between studs, more behind a
/// door.</summary>
internal readonly record struct Stand(Length At, int Against);

/// <summary>Fewest places that serve a line so that no point of it is farther than the reach; of those the ones with least against them,
/// and the evenest.</summary>
internal static class Covering
{
    /// <summary>The places to add to what stands there already; where some stretch cannot be served, as much of the rest as can
    /// be.</summary>
    /// <param name="clear">Length of the line.</param>
    /// <param name="closed">Its end is its start.</param>
    /// <param name="reach">Farthest a point may lie from a receptacle.</param>
    /// <param name="standing">Receptacles there already, from the start.</param>
    /// <param name="spots">Where one could stand. For the least number to be exact it holds every place that <see cref="Critical"/>
    /// names.</param>
    public static IReadOnlyList<Length> Place(Length clear, bool closed, Length reach, IReadOnlyList<Length> standing,
        IReadOnlyList<Stand> spots)
    {
        var sorted = spots.DistinctBy(s => s.At).OrderBy(s => s.At).ToArray();
        if (closed)
        {
            var start = standing.Count > 0 ? standing[0] : First(clear, reach, sorted);
            if (start is not Length cut)
            {
                return [];
            }

            Length Turned(Length at) => at >= cut ? at - cut : at + clear - cut;
            var round = sorted.Select(s => s with { At = Turned(s.At) }).Where(s => s.At > Length.Zero).OrderBy(s => s.At).ToArray();
            var fixedPlaces = standing.Skip(1).Select(Turned).Order().Append(clear).ToList();
            var placed = Between(Length.Zero, fixedPlaces, reach, round).Select(at => at + cut >= clear ? at + cut - clear : at + cut);
            return [.. (standing.Count > 0 ? placed : placed.Prepend(cut)).Order()];
        }

        return [.. Between(null, [.. standing, null], reach, sorted, clear)];
    }

    /// <summary>Places that a least number may need: multiples of twice the reach beyond an end, a standing receptacle, or the end of a
    /// free stretch.</summary>
    public static IEnumerable<Length> Critical(Length clear, Length reach, IEnumerable<Length> standing, IEnumerable<Length> freeEnds)
    {
        foreach (var start in standing.Concat(freeEnds).Append(-reach))
        {
            for (var at = start; at <= clear; at += reach * 2)
            {
                if (at >= Length.Zero)
                {
                    yield return at;
                }
            }
        }

        yield return clear / 2;
    }

    private static IEnumerable<Length> Between(Length? left, IReadOnlyList<Length?> rights, Length reach, Stand[] spots, Length end)
    {
        foreach (var right in rights)
        {
            var (from, to) = (left ?? Length.Zero, right ?? end);
            foreach (var at in Gap(from, left is not null, to, right is not null, reach, [.. spots.Where(s => s.At >= from && s.At <= to)]))
            {
                yield return at;
            }

            left = right;
        }
    }

    private static IEnumerable<Length> Between(Length left, List<Length> rights, Length reach, Stand[] spots) =>
        Between(left, [.. rights.Select(r => (Length?)r)], reach, spots, rights[^1]);

    // One stretch between two receptacles, or between a receptacle and an end, or between two ends.
    private static List<Length> Gap(Length from, bool fromServed, Length to, bool toServed, Length reach, Stand[] spots)
    {
        int r = reach.Sixtyfourths, left = from.Sixtyfourths, right = to.Sixtyfourths;
        int first = fromServed ? 2 * r : r, last = toServed ? 2 * r : r;
        var none = Math.Max(0, right - left - (fromServed && toServed ? 2 * r : fromServed || toServed ? r : 0));
        if (none == 0 && (fromServed || toServed))
        {
            return [];
        }

        var best = new Cost[spots.Length];
        var back = new int[spots.Length];
        var low = 0;
        for (var i = 0; i < spots.Length; i++)
        {
            var at = spots[i].At.Sixtyfourths;
            best[i] = Cost.Of(Math.Max(0, at - left - first), spots[i].Against, fromServed ? at - left : 2 * (at - left));
            back[i] = -1;
            while (low < i && at - spots[low].At.Sixtyfourths > 2 * r)
            {
                low++;
            }

            // Beyond twice the reach only the nearest matters: it leaves least unserved.
            for (var j = Math.Max(0, low - 1); j < i; j++)
            {
                var apart = at - spots[j].At.Sixtyfourths;
                var cost = best[j].Plus(Cost.Of(Math.Max(0, apart - (2 * r)), spots[i].Against, apart));
                if (cost.Less(best[i]))
                {
                    (best[i], back[i]) = (cost, j);
                }
            }
        }

        var chosen = -1;
        var least = new Cost(none, 0);
        for (var i = 0; i < spots.Length; i++)
        {
            var beyond = right - spots[i].At.Sixtyfourths;
            var cost = best[i].Plus(new(Math.Max(0, beyond - last), Cost.Uneven(toServed ? beyond : 2 * beyond)));
            if (cost.Less(least))
            {
                (least, chosen) = (cost, i);
            }
        }

        var places = new List<Length>();
        for (; chosen >= 0; chosen = back[chosen])
        {
            places.Add(spots[chosen].At);
        }

        places.Reverse();
        return places;
    }

    // Where to begin a line without end: the start from which going as far as each reach allows takes the fewest.
    private static Length? First(Length clear, Length reach, Stand[] spots)
    {
        (int Count, int Against, Length At)? best = null;
        foreach (var start in spots.Where(s => s.At <= reach * 2))
        {
            var count = 1;
            var against = start.Against;
            for (var at = start.At; start.At + clear - at > reach * 2 && count <= spots.Length; count++)
            {
                var limit = at + (reach * 2);
                var next = spots.LastOrDefault(s => s.At > at && s.At <= limit);
                if (next == default)
                {
                    next = spots.FirstOrDefault(s => s.At > at);
                    if (next == default)
                    {
                        break;
                    }
                }

                at = next.At;
            }

            if (best is null || (count, against, start.At).CompareTo(best.Value) < 0)
            {
                best = (count, against, start.At);
            }
        }

        return best?.At ?? (spots.Length > 0 ? spots[0].At : null);
    }

    // Compared in this order: what stays unserved, how many, what is against them, how uneven.
    private readonly record struct Cost(long Unserved, long Rest)
    {
        private const long One = 1_000_000_000;
        private const long Objection = 1_000_000;

        public static Cost Of(int unserved, int against, int apart) => new(unserved, One + (against * Objection) + Uneven(apart));

        // Sum of squares in inches: least where the places are even.
        public static long Uneven(int sixtyfourths) => (long)(sixtyfourths / 64) * (sixtyfourths / 64) / 16;

        public Cost Plus(Cost other) => new(Unserved + other.Unserved, Rest + other.Rest);

        public bool Less(Cost other) => Unserved < other.Unserved || (Unserved == other.Unserved && Rest < other.Rest);
    }
}
