using System.Collections.Immutable;

namespace Circuitum.Core.Proving;

/// <summary>The readings that show that a circuit is made up as planned: every single fault that any reading can show is shown by one of
/// these.</summary>
/// <param name="Tests">Where to look, in the order of the finder's places.</param>
/// <param name="Unseen">Faults that no reading of the finder shows.</param>
/// <param name="Proved">No set of less effort shows as much.</param>
public sealed record Readings(ImmutableArray<Test> Tests, ImmutableArray<Suspect> Unseen, bool Proved)
{
    /// <summary>Effort of all of them.</summary>
    public int Effort => Tests.Sum(t => t.Effort);
}

/// <summary>Finds the readings of least effort before board covers the wires: a cover of all faults by places to look.</summary>
public static class BeforeTheBoard
{
    // Tries before the best so far is taken as it is; a circuit of a house takes a few hundred.
    private const int MostTries = 200_000;

    /// <summary>The readings for a circuit, live, or dead where the finder is of a dead one. Closing a breaker again is no reading: it is
    /// what one does after a fault; and live, no joint is taken apart.</summary>
    public static Readings Of(Finder finder)
    {
        var planned = finder.AsPlanned;
        bool IsReading(Test test) => test != Test.Reset && (finder.IsDead || test.By == LookBy.Standing);
        var shows = finder.Suspects.Select(s => (s.Suspect, By: Enumerable.Range(0, finder.Tests.Length)
            .Where(t => IsReading(finder.Tests[t]) && s.Looks[t] != planned[t]).ToImmutableArray())).ToList();
        // Of two faults of which the one is shown wherever the other is, the other asks for more.
        var asked = shows.Where(s => !s.By.IsEmpty).Select(s => s.By).DistinctBy(b => string.Join(' ', b)).OrderBy(b => b.Length).ToList();
        var least = new List<HashSet<int>>();
        foreach (var by in asked)
        {
            if (!least.Exists(l => l.IsSubsetOf(by)))
            {
                least.Add([.. by]);
            }
        }

        var cover = new Cover(least, [.. finder.Tests.Select(t => t.Effort)]);
        var chosen = cover.Find(MostTries);
        return new([.. chosen.Order().Select(t => finder.Tests[t])], [.. shows.Where(s => s.By.IsEmpty).Select(s => s.Suspect)],
            cover.Proved);
    }

    // Branch and bound: the fault that fewest readings show is shown by one of them.
    private sealed class Cover(List<HashSet<int>> asked, ImmutableArray<int> effort)
    {
        private List<int> best = [];
        private int bestEffort = int.MaxValue;
        private int tries;

        public bool Proved { get; private set; } = true;

        public List<int> Find(int most)
        {
            Try([], 0, asked, most);
            return best;
        }

        private void Try(List<int> chosen, int so, List<HashSet<int>> left, int most)
        {
            if (++tries > most)
            {
                Proved = false;
                return;
            }

            if (left.Count == 0)
            {
                if (so < bestEffort)
                {
                    (best, bestEffort) = ([.. chosen], so);
                }

                return;
            }

            if (so + AtLeast(left) >= bestEffort)
            {
                return;
            }

            var hardest = left.MinBy(l => l.Count)!;
            // What shows most for its effort first, so that the first set found is a good one.
            foreach (var test in hardest.OrderBy(t => (double)effort[t] / left.Count(l => l.Contains(t))).ThenBy(t => t))
            {
                chosen.Add(test);
                Try(chosen, so + effort[test], left.FindAll(l => !l.Contains(test)), most);
                chosen.RemoveAt(chosen.Count - 1);
            }
        }

        // Faults that share no reading each take one of their own.
        private int AtLeast(List<HashSet<int>> left)
        {
            var (sum, used) = (0, new HashSet<int>());
            foreach (var set in left.OrderBy(l => l.Count))
            {
                if (!set.Overlaps(used))
                {
                    used.UnionWith(set);
                    sum += set.Min(t => effort[t]);
                }
            }

            return sum;
        }
    }
}
