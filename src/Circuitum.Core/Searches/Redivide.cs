using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Searches;

/// <summary>Looks for a better division than the one that stands, by the crew's aims and around a person's pins, and says how far it can be
/// from the best.</summary>
/// <remarks>The search is a function of the job and the number of steps; whoever calls may stop it sooner.</remarks>
public static class Redivide
{
    // Steps between two looks at the clock and the progress.
    private const int Stretch = 100;
    private const int Wave = 3000;
    private const int Cold = 1000;

    /// <summary>What the division that a job follows comes to.</summary>
    public static AimAmounts Weigh(Job job) => new Search(job).Standing;

    /// <summary>What several divisions of one job come to.</summary>
    /// <param name="job">The job.</param>
    /// <param name="divisions">Names of kept divisions; null the planner's own.</param>
    public static IReadOnlyList<AimAmounts> Weigh(Job job, IReadOnlyList<string?> divisions)
    {
        // Ways through the frame are the same for all of them, and what takes most of the time: each is found once.
        var finder = new Wayfinder(Framing.Frame(job), job);
        var known = new Dictionary<(Place, Place), Length>();
        Length Between(Place a, Place b) => known.TryGetValue((a, b), out var cost) ? cost : known[(a, b)] = finder.Cost(a, b);
        return [.. divisions.Select(name => new Search(job with { Follows = name }, Between).Standing)];
    }

    /// <summary>Searches for a better division.</summary>
    /// <param name="job">A job without problems.</param>
    /// <param name="name">Name of the division found.</param>
    /// <param name="steps">Steps of the search, 0 or more; families of few bundles are divided exactly whatever the steps.</param>
    /// <param name="progress">Told of the best so far, now and then.</param>
    /// <param name="stop">Ends the search; the best so far is returned.</param>
    public static Redivision Find(Job job, string name, int steps, Action<Redivision>? progress = null, CancellationToken stop = default)
    {
        var search = new Search(job);
        var families = search.Open();
        var many = families.Where(f => !f.Proven).ToList();
        var done = 0;
        void Tell() => progress?.Invoke(search.Told(families, name, Math.Min(done, steps), steps));
        Tell();
        while (many.Count > 0 && done < steps && !stop.IsCancellationRequested)
        {
            // What lies near is found cold; then heat falls in waves: each cools down and goes on from the best.
            var heat = done < Cold ? .02 : .6 * (1 - (done % Wave / (double)Wave));
            foreach (var family in many)
            {
                if (done % Wave == 0)
                {
                    family.Return();
                }

                for (var i = 0; i < Stretch && done + i < steps; i++)
                {
                    family.Step(heat);
                }
            }

            done += Stretch;
            Tell();
            if (done == Cold)
            {
                Prove();
            }
        }

        Prove();
        void Prove()
        {
            foreach (var family in many.Where(f => f.Bound is null))
            {
                family.Prove(stop);
                Tell();
            }
        }

        return search.Told(families, name, Math.Min(done, steps), steps);
    }

    // What is fixed and what is open of one job.
    private sealed class Search
    {
        private readonly List<(CircuitDraft Draft, List<(Family Family, Bundle Bundle)> Bundles)> standing;
        private readonly List<(Family Family, Weighing Weighing)> weighings = [];
        private readonly List<List<List<int>>> divisions = [];
        private readonly Job job;

        public Search(Job job, Func<Place, Place, Length>? between = null)
        {
            this.job = job;
            var book = CodeBook.For(job);
            var house = Framing.Frame(job);
            var survey = Surveying.Survey(house, job);
            var choice = new PanelChoice(house, job, book);
            var sorted = new Sorted(house, survey, job, book, choice);
            between ??= new Wayfinder(house, job).Cost;
            var familyOf = sorted.Families.SelectMany(f => f.Bundles.Select(b => (f.Family, b)))
                .ToDictionary(x => x.b, x => x.Family, ReferenceEqualityComparer.Instance as IEqualityComparer<Bundle>);
            // Joints go where their circuit goes: they are in no family.
            standing = [.. Dividing.Drafts(sorted, survey, job)
                .Select(d => (d, d.Bundles.Where(familyOf.ContainsKey).Select(b => (familyOf[b], b)).ToList()))
                .Where(s => s.Item2.Count > 0)];
            foreach (var family in sorted.Families)
            {
                // A circuit on which a person put bundles of other families stays as it is.
                var open = standing.Where(s => s.Bundles.TrueForAll(b => b.Family.Id == family.Family.Id))
                    .Select(s => s.Bundles.ConvertAll(b => b.Bundle)).ToList();
                var bundles = open.SelectMany(c => c).ToList();
                if (bundles.Count == 0)
                {
                    continue;
                }

                var weighing = sorted.Weigh(family.Family, bundles, between);
                weighings.Add((family.Family, weighing));
                divisions.Add([.. open.Select(c => c.Select(b => bundles.IndexOf(b)).ToList())]);
            }

            HoldLeast(survey, book);
            Standing = Amounts([.. weighings.Select(w => new Remembered(w.Weighing))], divisions);
        }

        public AimAmounts Standing { get; }

        public List<FamilySearch> Open()
        {
            var pins = job.Pins.Boxes.ToDictionary(p => p.Box, p => p.Circuit.Value);
            var keys = pins.Values.Distinct().Order(StringComparer.Ordinal).ToList();
            var searches = new List<FamilySearch>();
            for (var i = 0; i < weighings.Count; i++)
            {
                var held = weighings[i].Weighing.Bundles.Select(b => b.Boxes.Where(x => pins.ContainsKey(x.Box.Id))
                    .Select(x => keys.IndexOf(pins[x.Box.Id])).FirstOrDefault(-1)).ToArray();
                searches.Add(new(new Remembered(weighings[i].Weighing), held, divisions[i]));
            }

            return searches;
        }

        public Redivision Told(List<FamilySearch> searches, string name, int step, int steps)
        {
            var found = Amounts([.. searches.Select(s => s.Weights)], [.. searches.Select(s => s.Best)]);
            return new(Named(searches, name), Standing, found, searches.TrueForAll(s => s.Bound is not null)
                ? InFeet(searches.Sum(s => s.Bound!.Value)) : null, step, steps);
        }

        // 210.11(A): the general circuits still carry what the floor area asks for. What stands has some to spare; each family may give up
        // its share of that.
        private void HoldLeast(Survey survey, CodeBook book)
        {
            var general = weighings.Select((w, i) => (w.Family, w.Weighing, divisions[i].Count)).Where(w => w.Family.CountsForFloor)
                .ToList();
            var spare = -LeastGeneral.Short(survey, book, general.Select(g => (g.Family, g.Count)));
            if (general.Count == 0 || !LeastGeneral.IsAsked(survey))
            {
                return;
            }

            foreach (var (family, weighing, count) in general)
            {
                weighing.Rules.Least = Math.Max(0, count - (int)Math.Floor(Math.Max(0, spare) / general.Count / weighing.Rules.Full));
            }
        }

        private Division Named(List<FamilySearch> searches, string name)
        {
            var kept = standing.Where(s => s.Bundles.Select(b => b.Family.Id).Distinct().Count() > 1)
                .Select(s => new KeptCircuit(new(s.Draft.Key), Boxes(s.Bundles.Select(b => b.Bundle)))).ToList();
            var used = kept.Select(k => k.Key.Value).ToHashSet();
            for (var f = 0; f < searches.Count; f++)
            {
                var bundles = weighings[f].Weighing.Bundles;
                var old = standing.Where(s => s.Bundles.TrueForAll(b => b.Family.Id == weighings[f].Family.Id))
                    .Select(s => (s.Draft.Key, Boxes: s.Bundles.SelectMany(b => b.Bundle.Boxes).Select(b => b.Box.Id).ToHashSet()))
                    .ToList();
                // Each circuit keeps the key of the one it has most boxes in common with, so that pins and habits go on.
                var fresh = searches[f].Best.Select(c => Boxes(c.Select(i => bundles[i]))).ToList();
                var keyOf = fresh.Select(c => job.Pins.Boxes.Where(p => c.Contains(p.Box)).Select(p => p.Circuit.Value)
                    .FirstOrDefault(used.Add)).ToArray();
                foreach (var (i, key, _) in fresh.SelectMany((boxes, i) =>
                    old.Select(o => (i, o.Key, Common: boxes.Count(o.Boxes.Contains)))).Where(x => x.Common > 0)
                    .OrderByDescending(x => x.Common).ThenBy(x => x.i))
                {
                    if (keyOf[i] is null && used.Add(key))
                    {
                        keyOf[i] = key;
                    }
                }

                for (var i = 0; i < fresh.Count; i++)
                {
                    kept.Add(new(new(keyOf[i]
                        ?? Free(CircuitDraft.Of(weighings[f].Family, [.. searches[f].Best[i].Select(b => bundles[b])], i).Key, used)),
                        fresh[i]));
                }
            }

            return new() { Name = name, Circuits = [.. kept] };
        }

        private static string Free(string key, HashSet<string> used)
        {
            var free = used.Contains(key) ? Enumerable.Range(2, used.Count + 1).Select(i => $"{key}-{i}").First(k => !used.Contains(k))
                : key;
            used.Add(free);
            return free;
        }

        private static ImmutableArray<BoxId> Boxes(IEnumerable<Bundle> bundles) =>
            [.. bundles.SelectMany(b => b.Boxes).Select(b => b.Box.Id)];

        private AimAmounts Amounts(IReadOnlyList<Remembered> weights, IReadOnlyList<List<List<int>>> circuits)
        {
            long cable = 0, weight = 0;
            var dark = 0.0;
            var crowding = 0m;
            int breakers = 0, crossings = 0, left = 0, lone = 0;
            for (var f = 0; f < weights.Count; f++)
            {
                var weighing = weighings[f].Weighing;
                foreach (var circuit in circuits[f])
                {
                    var (own, order) = weights[f].Circuit(circuit);
                    weight += own;
                    breakers++;
                    var tally = circuit.Aggregate(default(Tally), (sum, b) => sum + weighing.TallyOf(b));
                    lone += Weighing.Halves(tally);
                    dark += weighing.Darkness(circuit);
                    crowding += circuit.Count > 1 ? weighing.Beyond(tally.Connected) : 0;
                    cable += weighing.HomeCable(order[0]).Sixtyfourths;
                    for (var i = 1; i < order.Length; i++)
                    {
                        cable += weighing.Cable(order[i - 1], order[i]).Sixtyfourths;
                        crossings += Math.Abs(weighing.Bundles[order[i - 1]].Feed.Level - weighing.Bundles[order[i]].Feed.Level);
                        left += weighing.Bundles[order[i - 1]].Room == weighing.Bundles[order[i]].Room ? 0 : 1;
                    }
                }
            }

            return new(new((int)Math.Min(int.MaxValue, cable)), breakers, (decimal)Math.Round(dark, 2), new(decimal.Round(crowding, 1)),
                crossings, left, lone / 2m, (int)(weight / Weighing.Rule), InFeet(weight % Weighing.Rule));
        }

        private static Length InFeet(long weight) => new((int)Math.Min(int.MaxValue, weight % Weighing.Rule / 100));
    }
}
