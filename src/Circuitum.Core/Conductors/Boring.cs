using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Demand;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Conductors;

/// <summary>Bores the frame and sizes what lies in the holes: each asks something of the other, so they are done in turn until neither asks
/// for more.</summary>
public static class Boring
{
    // Another hole is cheaper than larger cable: where cables crowd so that one must grow, they are shared out two by two, then one by one,
    // and sized again.
    /// <summary>Bores, bundles and sizes until no member would be bored otherwise.</summary>
    public static (Holes Holes, ImmutableArray<SizedCircuit> Sized) Bore(FramedHouse house, ImmutableArray<RoutedCircuit> routed,
        ImmutableDictionary<PanelId, FeederLoad> feeders, Survey survey, Job job, CodeBook book, CancellationToken gone)
    {
        bool Insulated(Spot spot) => book.Conductors.MostInSealedHole is not null && spot.Kind == MemberKind.Plate
            && house.Structures[spot.Structure].Levels[spot.Level].Walls[spot.Member].Exterior;
        var relieved = ImmutableDictionary<Spot, int>.Empty;
        ImmutableHashSet<RunId> across = [];
        var raceways = Raceways.Of(routed, job);
        var holes = Drilling.Drill(routed, job.HouseRules, relieved, across);
        var bundles = Bundling.Find(routed, holes, job.Schools.Column, Insulated, book.Conductors.BundledBeyond.Length);
        var sized = Sizing.Size(routed, raceways, holes, bundles, feeders, survey, job, book);
        across = ThatLieAcross(sized);
        var moved = routed.SelectMany(c => c.Runs).Where(r => across.Contains(r.Id)).SelectMany(r => r.Way.Passages).Select(p => p.Spot)
            .Where(s => s is { Kind: MemberKind.Joist, Level: 0 }).ToHashSet();
        foreach (var most in new[] { 2, 1 })
        {
            gone.ThrowIfCancellationRequested();
            var crowded = ToRelieve(sized, raceways, holes, bundles, most, book);
            moved.UnionWith(crowded.Keys);
            if (moved.Count > 0)
            {
                relieved = relieved.SetItems(crowded);
                holes = Drilling.Drill(holes, moved, routed, job.HouseRules, relieved, across);
                bundles = Bundling.Find(routed, holes, job.Schools.Column, Insulated, book.Conductors.BundledBeyond.Length);
                sized = Sizing.Size(routed, raceways, holes, bundles, feeders, survey, job, book, sized, moved);
                moved.Clear();
            }
        }

        return (holes, Sizing.Finish(sized, raceways, book));
    }

    /// <summary>Members where the cables are shared out among more holes, so many to each, because together they would cost a larger
    /// conductor.</summary>
    /// <param name="sized">As sized with the holes.</param>
    /// <param name="raceways">The pipes that some of them are pulled in.</param>
    /// <param name="holes">The holes.</param>
    /// <param name="bundles">Cables that lie together.</param>
    /// <param name="most">Cables left in a hole: 2, or 1 where two are still too many.</param>
    /// <param name="book">The edition.</param>
    public static ImmutableDictionary<Spot, int> ToRelieve(ImmutableArray<SizedCircuit> sized, ImmutableArray<Raceway> raceways,
        Holes holes, ILookup<RunId, CableBundle> bundles, int most, CodeBook book)
    {
        var pipeOf = Sizing.Piped(raceways);
        var relieve = ImmutableDictionary.CreateBuilder<Spot, int>();
        foreach (var circuit in sized.Where(c => c.Circuit.Kind != CircuitKind.Feeder))
        {
            // What would do if every cable lay alone where it lies: warmth is not mended by another hole.
            var alone = Sizing.ByNeed(circuit.Circuit, circuit.Breaker.Value,
                [.. Sizing.WorstPlaces(circuit.Routed.Runs, [.. pipeOf[circuit.Circuit.Key]], holes, bundles, book)
                    .Select(p => p.Piped is null ? p with { Cables = 1, CurrentCarrying = 2, Bundled = null } : p)], book, circuit.Jacket,
                circuit.Mca).Gauge;
            bool TooMany(Run run, int cables, int carrying, Celsius ambient, Length? bundled) =>
                !Sizing.Carries(alone, circuit.Circuit, circuit.Breaker.Value,
                    Ampacities.InCable(alone, cables, carrying, ambient, book, "", run.Jacket, bundled).Value, book, circuit.Mca);
            foreach (var run in circuit.Routed.Runs.Where(r => r.Pipe is null))
            {
                var passed = holes.Of(run);
                foreach (var hole in passed.Where(h => h.Sealed && h.Runs.Length > most
                    && TooMany(run, h.Runs.Length, h.CurrentCarrying, h.Ambient, null)))
                {
                    relieve[hole.Spot] = most;
                }

                foreach (var bundle in bundles[run.Id]
                    .Where(b => b.Runs.Length > most
                        && TooMany(run, b.Runs.Length, b.CurrentCarrying, b.Ambient, b.Insulated ? null : b.Long)))
                {
                    foreach (var hole in passed.Where(h => bundle.Runs.All(h.Runs.Contains)))
                    {
                        relieve[hole.Spot] = most;
                    }
                }
            }
        }

        return relieve.ToImmutable();
    }

    /// <summary>Runs of 6-2, 8-3 or larger, which may lie straight across joists underfoot, 334.15(C).</summary>
    public static ImmutableHashSet<RunId> ThatLieAcross(ImmutableArray<SizedCircuit> sized) =>
        [.. sized.Where(c => c.Circuit.Kind != CircuitKind.Feeder && c.Gauge.Value >= Units.Gauge.Awg8).SelectMany(c => c.Routed.Runs
            .Where(r => (c.GaugeOf(r) >= Units.Gauge.Awg6 || r.Conductors >= 3)
                && r.Way.Passages.Any(p => p.Spot is { Kind: MemberKind.Joist, Level: 0 })).Select(r => r.Id))];
}
