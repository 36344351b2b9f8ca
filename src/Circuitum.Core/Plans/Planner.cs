using System.Collections.Immutable;
using Circuitum.Core.Checks;
using Circuitum.Core.Circuits;
using Circuitum.Core.Conductors;
using Circuitum.Core.Demand;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Panels;
using Circuitum.Core.Problems;
using Circuitum.Core.Protection;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Plans;

/// <summary>The whole job, stage by stage, in the order the trade works.</summary>
public static class Planner
{
    /// <summary>The plan of a job: a pure function, the same for the same job.</summary>
    /// <param name="job">A job without problems (see <see cref="JobProblems"/>).</param>
    /// <param name="gone">Ends the planning between two stages, and between two circuits where a stage takes long: nobody waits for it any
    /// more.</param>
    /// <exception cref="ArgumentException">The job contradicts itself.</exception>
    /// <exception cref="OperationCanceledException">It was ended.</exception>
    public static Plan Plan(Job job, CancellationToken gone = default)
    {
        if (JobProblems.First(job) is { } problem)
        {
            throw new ArgumentException(problem.ToString(), nameof(job));
        }

        var book = CodeBook.For(job);
        var house = Framing.Frame(job);
        gone.ThrowIfCancellationRequested();
        var survey = Surveying.Survey(house, job);
        gone.ThrowIfCancellationRequested();
        var circuits = Dividing.Divide(house, survey, job, book);
        var routed = Routes.Route(house, survey, circuits, job, book, gone);
        gone.ThrowIfCancellationRequested();
        var feeders = FeederLoad.Of(circuits, house, survey, job, book);
        var (holes, sized) = Bore(house, routed, feeders, survey, job, book, gone);

        gone.ThrowIfCancellationRequested();
        var safe = Protecting.Protect(sized, survey, job, book);
        gone.ThrowIfCancellationRequested();
        var wired = Wires.Join(safe, survey, book);
        gone.ThrowIfCancellationRequested();
        var panels = Landing.Land(wired, house, survey, job, book);
        gone.ThrowIfCancellationRequested();
        var service = ServiceSizing.Of(circuits, house, survey, job, book);
        gone.ThrowIfCancellationRequested();
        var tags = Checking.Check(new(job, book, house, survey, wired, panels, service));
        gone.ThrowIfCancellationRequested();
        return new(job, book, house, survey, wired, holes, panels, service, tags, Takeoffs.Of(panels));
    }

    // Another hole is cheaper than larger cable: where cables crowd so that one must grow, they are shared out two by two, then one by one,
    // and sized again.
    private static (Holes Holes, ImmutableArray<SizedCircuit> Sized) Bore(FramedHouse house, ImmutableArray<RoutedCircuit> routed,
        ImmutableDictionary<PanelId, FeederLoad> feeders, Survey survey, Job job, CodeBook book, CancellationToken gone)
    {
        bool Insulated(Spot spot) => spot.Kind == MemberKind.Plate
            && house.Structures[spot.Structure].Levels[spot.Level].Walls[spot.Member].Exterior;
        var relieved = ImmutableDictionary<Spot, int>.Empty;
        ImmutableHashSet<RunId> across = [];
        var raceways = Raceways.Of(routed, job);
        var holes = Drilling.Drill(routed, job.HouseRules, relieved, across);
        var bundles = Bundling.Find(routed, holes, job.Schools.Column, Insulated);
        var sized = Sizing.Size(routed, raceways, holes, bundles, feeders, survey, job, book);
        across = Sizing.ThatLieAcross(sized);
        var moved = routed.SelectMany(c => c.Runs).Where(r => across.Contains(r.Id)).SelectMany(r => r.Way.Passages).Select(p => p.Spot)
            .Where(s => s is { Kind: MemberKind.Joist, Level: 0 }).ToHashSet();
        foreach (var most in new[] { 2, 1 })
        {
            gone.ThrowIfCancellationRequested();
            var crowded = Sizing.ToRelieve(sized, raceways, holes, bundles, most, book);
            moved.UnionWith(crowded.Keys);
            if (moved.Count > 0)
            {
                relieved = relieved.SetItems(crowded);
                holes = Drilling.Drill(holes, moved, routed, job.HouseRules, relieved, across);
                bundles = Bundling.Find(routed, holes, job.Schools.Column, Insulated);
                sized = Sizing.Size(routed, raceways, holes, bundles, feeders, survey, job, book, sized, moved);
                moved.Clear();
            }
        }

        return (holes, Sizing.Finish(sized, raceways, book));
    }
}
