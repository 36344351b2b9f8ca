using Circuitum.Core.Checks;
using Circuitum.Core.Circuits;
using Circuitum.Core.Conductors;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Panels;
using Circuitum.Core.Protection;
using Circuitum.Core.Routing;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Wiring;

namespace Circuitum.Core;

/// <summary>The whole job, stage by stage, in the order the trade works.</summary>
public static class Planner
{
    /// <summary>The plan of a job: a pure function, the same for the same job.</summary>
    /// <param name="job">A job without problems (see <see cref="JobProblems"/>).</param>
    /// <exception cref="ArgumentException">The job contradicts itself.</exception>
    public static Plan Plan(Job job)
    {
        if (JobProblems.First(job) is { } problem)
        {
            throw new ArgumentException(problem.ToString(), nameof(job));
        }

        var book = CodeBook.CodeBook.For(job);
        var house = Framing.Frame(job);
        var survey = Surveying.Survey(house, job);
        var circuits = Dividing.Divide(house, survey, job, book);
        var routed = Routes.Route(house, survey, circuits, job, book);
        var holes = Drilling.Drill(routed, job.HouseRules);
        var sized = Sizing.Size(routed, holes, survey, job, book);

        // Another hole is cheaper than larger cable: crowded sealed holes are shared out, then sized again.
        if (Sizing.ToRelieve(sized, holes, book) is { Count: > 0 } crowded)
        {
            holes = Drilling.Drill(routed, job.HouseRules, crowded);
            sized = Sizing.Size(routed, holes, survey, job, book);
        }

        var safe = Protecting.Protect(sized, survey, job, book);
        var wired = Wires.Join(safe, survey, book);
        var panels = Landing.Land(wired, house, survey, job);
        var tags = Checking.Check(new(job, book, house, survey, wired, panels));
        return new(job, book, house, survey, wired, holes, panels, tags, Takeoffs.Of(panels));
    }
}
