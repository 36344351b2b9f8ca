using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Site;

/// <summary>A length of cable to be cut.</summary>
/// <param name="Run">The run it is for.</param>
/// <param name="Name">What is written on its end.</param>
/// <param name="Length">Feet to cut; more than nothing.</param>
public sealed record Cut(RunId Run, string Name, Length Length);

/// <summary>A reel and what is cut from it, the longest first.</summary>
/// <param name="Name">As the crew calls it; empty for one that has to be bought.</param>
/// <param name="Length">What is on it before.</param>
/// <param name="Cuts">What is cut from it.</param>
public sealed record ReelCuts(string Name, Length Length, ImmutableArray<Cut> Cuts)
{
    /// <summary>What is left on it.</summary>
    public Length Left => Length - Cuts.Select(c => c.Length).Total();
}

/// <summary>Which cut comes from which reel.</summary>
/// <param name="Standing">The reels that stand there, in the order given.</param>
/// <param name="Bought">New full reels.</param>
/// <param name="LeastBought">No way to cut needs fewer new reels; equal to those bought where that is proved.</param>
/// <param name="TooLong">Cuts longer than a full reel and than any that stands there.</param>
public sealed record ReelPlan(ImmutableArray<ReelCuts> Standing, ImmutableArray<ReelCuts> Bought, int LeastBought,
    ImmutableArray<Cut> TooLong)
{
    /// <summary>No fewer reels can do.</summary>
    public bool IsProved => Bought.Length == LeastBought;
}

/// <summary>
/// Assigns cuts of one kind of cable to reels so that the fewest are bought. The longest cut goes first, to the reel where least is left
/// after it; where that takes more reels than a lower bound allows, all ways are searched, as far as a fixed number of steps goes.
/// </summary>
public static class ReelCutting
{
    // A search of this many steps takes a few hundredths of a second; it is a count, so that the same job gives the same answer.
    private const int MostSteps = 300_000;

    /// <summary>Assigns the cuts.</summary>
    /// <param name="standing">What stands in the van, by name, with what is left on each.</param>
    /// <param name="cuts">What is to be cut.</param>
    /// <param name="full">A full reel as it is bought; more than nothing.</param>
    /// <exception cref="ArgumentOutOfRangeException">A full reel has no length, or a reel or a cut less than none.</exception>
    public static ReelPlan Of(IReadOnlyList<(string Name, Length Left)> standing, IReadOnlyList<Cut> cuts, Length full)
    {
        if (full <= Length.Zero || standing.Any(r => r.Left < Length.Zero) || cuts.Any(c => c.Length <= Length.Zero))
        {
            throw new ArgumentOutOfRangeException(nameof(cuts), "A reel, a cut or a full reel has no length.");
        }

        var left = standing.Select(r => r.Left).ToList();
        var ordered = cuts.OrderByDescending(c => c.Length).ThenBy(c => c.Name, StringComparer.Ordinal).ToList();
        var tooLong = TooLong(left, ordered, full);
        var fitting = ordered.Except(tooLong).ToList();
        var least = LeastNew(left, fitting, full);
        var found = BestFit(left, fitting, full);
        for (var fewer = least; fewer < found.New; fewer++)
        {
            var (places, exhausted) = Search([.. left, .. Enumerable.Repeat(full, fewer)], fitting);
            if (places is not null)
            {
                found = (places, fewer);
                break;
            }

            if (!exhausted)
            {
                break;
            }

            least = fewer + 1;
        }

        var reels = standing.Select(r => (r.Name, r.Left)).Concat(Enumerable.Repeat(("", full), found.New))
            .Select((r, i) => new ReelCuts(r.Item1, r.Item2, [.. fitting.Where((_, c) => found.Places[c] == i)])).ToList();
        return new([.. reels.Take(standing.Count)], [.. reels.Skip(standing.Count)], least, [.. tooLong]);
    }

    // What is longer than a full reel can only come from one that stands there.
    private static List<Cut> TooLong(List<Length> standing, List<Cut> cuts, Length full)
    {
        var left = new List<Length>(standing);
        var none = new List<Cut>();
        foreach (var cut in cuts.Where(c => c.Length > full))
        {
            var best = Enumerable.Range(0, left.Count).Where(r => left[r] >= cut.Length).OrderBy(r => left[r]).Cast<int?>()
                .FirstOrDefault();
            if (best is int reel)
            {
                left[reel] -= cut.Length;
            }
            else
            {
                none.Add(cut);
            }
        }

        return none;
    }

    // Never fewer than the feet that are missing fill, and never fewer than the cuts that cannot share a reel need.
    private static int LeastNew(List<Length> standing, List<Cut> cuts, Length full)
    {
        long all = cuts.Sum(c => (long)c.Length.Sixtyfourths), there = standing.Sum(r => (long)r.Sixtyfourths);
        var byFeet = all <= there ? 0 : (all - there + full.Sixtyfourths - 1) / full.Sixtyfourths;
        // Of cuts longer than half of the longest reel no two share one.
        var longest = standing.Append(full).Max();
        var alone = cuts.Where(c => c.Length.Sixtyfourths * 2L > longest.Sixtyfourths).ToList();
        var taken = standing.Count(r => alone.Exists(c => c.Length <= r));
        return (int)Math.Max(byFeet, Math.Max(0, alone.Count - taken));
    }

    private static (int[] Places, int New) BestFit(List<Length> standing, List<Cut> cuts, Length full)
    {
        var left = new List<Length>(standing);
        var places = new int[cuts.Count];
        long Rank(int reel) => (reel < standing.Count ? 1L << 40 : 0) - left[reel].Sixtyfourths;
        for (var c = 0; c < cuts.Count; c++)
        {
            var best = -1;
            for (var r = 0; r < left.Count; r++)
            {
                // What stands there is used up before a new one is opened.
                if (left[r] >= cuts[c].Length && (best < 0 || Rank(r) > Rank(best)))
                {
                    best = r;
                }
            }

            if (best < 0)
            {
                best = left.Count;
                left.Add(full);
            }

            left[best] -= cuts[c].Length;
            places[c] = best;
        }

        return (places, left.Count - standing.Count);
    }

    // Every way to cut from these reels, the longest cut first; reels with equally much left are tried once.
    private static (int[]? Places, bool Exhausted) Search(List<Length> reels, List<Cut> cuts)
    {
        var left = reels.Select(r => r.Sixtyfourths).ToArray();
        var places = new int[cuts.Count];
        var tail = new long[cuts.Count + 1];
        for (var c = cuts.Count - 1; c >= 0; c--)
        {
            tail[c] = tail[c + 1] + cuts[c].Length.Sixtyfourths;
        }

        var steps = 0;
        bool Place(int c)
        {
            if (c == cuts.Count)
            {
                return true;
            }

            if (++steps > MostSteps || left.Sum(l => (long)l) < tail[c])
            {
                return false;
            }

            var tried = new HashSet<int>();
            for (var r = 0; r < left.Length; r++)
            {
                if (left[r] < cuts[c].Length.Sixtyfourths || !tried.Add(left[r]))
                {
                    continue;
                }

                left[r] -= cuts[c].Length.Sixtyfourths;
                places[c] = r;
                if (Place(c + 1))
                {
                    return true;
                }

                left[r] += cuts[c].Length.Sixtyfourths;
            }

            return false;
        }

        var placed = Place(0);
        return (placed ? places : null, steps <= MostSteps);
    }
}
