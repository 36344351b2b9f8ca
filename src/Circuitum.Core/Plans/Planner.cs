using System.Collections.Immutable;
using Circuitum.Core.Checks;
using Circuitum.Core.Circuits;
using Circuitum.Core.Conductors;
using Circuitum.Core.Demand;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.LowVoltage;
using Circuitum.Core.Panels;
using Circuitum.Core.Problems;
using Circuitum.Core.Protection;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
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
    public static Plan Plan(Job job, CancellationToken gone = default) => Plan(job, CodeBook.For(job), gone);

    /// <summary>The plan of a job by a book: the job's own, or one of a family that no job is kept by yet.</summary>
    /// <param name="job">A job without problems by that book.</param>
    /// <param name="book">The rules.</param>
    /// <param name="gone">Ends the planning.</param>
    /// <exception cref="ArgumentException">The job contradicts itself.</exception>
    /// <exception cref="OperationCanceledException">It was ended.</exception>
    public static Plan Plan(Job job, CodeBook book, CancellationToken gone = default)
    {
        // Whatever a stage says is said as the house is drawn, whoever asks.
        using var written = job.AsWritten();
        if (JobProblems.First(job, book) is { } problem)
        {
            throw new ArgumentException(problem.ToString(), nameof(job));
        }

        var house = Framing.Frame(job);
        gone.ThrowIfCancellationRequested();
        var survey = Surveying.Survey(house, job, book);
        gone.ThrowIfCancellationRequested();
        // Where points go to boards in conduit there is no circuit of cable and no feeder: the boards are planned of the points.
        var landed = book.FeedsBoards ? job with { Panels = [.. job.Panels.Where(p => p.FedFrom is null)] } : job;
        var circuits = book.FeedsBoards ? [] : Dividing.Divide(house, survey, landed, book);
        var routed = Routes.Route(house, survey, circuits, landed, book, gone);
        gone.ThrowIfCancellationRequested();
        var feeders = FeederLoad.Of(circuits, house, survey, landed, book);
        var (holes, sized) = Boring.Bore(house, routed, feeders, survey, landed, book, gone);

        gone.ThrowIfCancellationRequested();
        var safe = Protecting.Protect(sized, survey, landed, book);
        gone.ThrowIfCancellationRequested();
        var wired = Wires.Join(safe, survey, book);
        gone.ThrowIfCancellationRequested();
        var panels = Landing.Land(wired, house, survey, landed, book);
        gone.ThrowIfCancellationRequested();
        var service = ServiceSizing.Of(circuits, house, survey, landed, book);
        gone.ThrowIfCancellationRequested();
        var low = LowVoltageRoutes.Route(house, landed, wired.SelectMany(c => c.Runs));
        var tags = Checking.Check(new(landed, book, house, survey, wired, holes, panels, service, low));
        gone.ThrowIfCancellationRequested();
        return new(job, book, house, survey, wired, holes, panels, service, tags, Takeoffs.Of(panels)) { LowVoltage = low };
    }
}
