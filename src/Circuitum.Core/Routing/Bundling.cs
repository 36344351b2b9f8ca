using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>Cables that lie together without spacing for more than 24 in.</summary>
/// <param name="Spot">The member where they come together.</param>
/// <param name="Runs">Ids of the runs.</param>
/// <param name="CurrentCarrying">Their current-carrying conductors.</param>
/// <param name="Long">For how long.</param>
/// <param name="Ambient">Of the warmest place on that stretch.</param>
/// <param name="Insulated">In contact with thermal insulation: 334.80 counts more than two cables.</param>
public sealed record CableBundle(Spot Spot, ImmutableArray<RunId> Runs, int CurrentCarrying, Length Long, Celsius Ambient, bool Insulated);

/// <summary>Finds where cables are bundled; what is pulled in a pipe is that pipe's own (see <see cref="Raceway"/>). Through the same holes
/// one after the other, and from the same hole of a plate down its bay where the crew ties them.</summary>
public static class Bundling
{
    /// <summary>Bundles by run: together for longer than is allowed they are adjusted.</summary>
    public static ILookup<RunId, CableBundle> Find(ImmutableArray<RoutedCircuit> circuits, Holes holes, CableColumn column,
        Func<Spot, bool> insulated, Length allowed)
    {
        var carrying = circuits.SelectMany(c => c.Runs).ToDictionary(r => r.Id, r => r.CurrentCarrying);
        // Down an insulated bay and along a warm attic are two places: neither stands for the other.
        var found = new Dictionary<(string Runs, bool Insulated), CableBundle>();
        void Keep(Spot spot, List<RunId> runs, Length together, Celsius ambient, bool inInsulation)
        {
            var key = (string.Join('|', runs), inInsulation);
            if (runs.Count > 1 && together > allowed
                && (!found.TryGetValue(key, out var known) || known.Ambient.Degrees < ambient.Degrees))
            {
                found[key] = new(spot, [.. runs], runs.Sum(r => carrying[r]), together, ambient, inInsulation);
            }
        }

        foreach (var run in circuits.SelectMany(c => c.Runs).Where(r => r.Pipe is null))
        {
            var passed = holes.Of(run);
            for (var i = 0; i < passed.Length; i++)
            {
                if (passed[i].Runs.Length < 2)
                {
                    continue;
                }

                var together = passed[i].Runs.ToList();
                var hottest = passed[i].Ambient;
                for (var j = i + 1; j < passed.Length && together.Count > 1; j++)
                {
                    together.RemoveAll(r => !passed[j].Runs.Contains(r));
                    hottest = new(Math.Max(hottest.Degrees, passed[j].Ambient.Degrees));
                    var far = passed[i].At.SquareTo(passed[j].At);
                    if (far > allowed)
                    {
                        Keep(passed[i].Spot, together, far, hottest, false);
                        break;
                    }
                }
            }
        }

        if (column == CableColumn.Ties)
        {
            foreach (var (spot, runs) in Columns(circuits, holes, allowed))
            {
                Keep(spot, runs.ConvertAll(r => r.Run), runs.Min(r => r.Long), new(30), insulated(spot));
            }
        }

        return found.Values.SelectMany(b => b.Runs.Select(r => (r, b))).ToLookup(x => x.r, x => x.b);
    }

    // Cables that come through one hole of a plate and go down the bay under it for more than 24 in: a tie takes the cables of one hole,
    // the next hole has a tie of its own. One tie around all that enters a panel would cost conductors that no receptacle takes.
    private static IEnumerable<(Spot Spot, List<(RunId Run, Length Long)> Runs)> Columns(ImmutableArray<RoutedCircuit> circuits,
        Holes holes, Length allowed)
    {
        var drops = circuits.SelectMany(c => c.Runs).Where(r => r.Pipe is null).SelectMany(r => r.Way.Passages
                .Where(p => p.Spot.Kind == MemberKind.Plate).Select(p => (r.Id, p.Spot, Long: r.Way.Legs
                    .Where(l => l.Space == Space.StudBay && l.From.Plan == p.At.Plan).Select(l => l.Run).DefaultIfEmpty().Max())))
            .GroupBy(d => (d.Id, d.Spot)).ToDictionary(g => g.Key, g => g.Max(d => d.Long));
        return holes.All.Where(h => h.Spot.Kind == MemberKind.Plate).Select(h => (h.Spot, h.Runs
            .Select(r => (r, Long: drops.GetValueOrDefault((r, h.Spot)))).Where(r => r.Long > allowed).ToList())).Where(c =>
                c.Item2.Count > 0);
    }
}
