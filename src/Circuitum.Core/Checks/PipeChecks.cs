using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;

namespace Circuitum.Core.Checks;

/// <summary>Tags on pipes: bends between pull points, splices between boxes, jackets, jams, and circuits that go another way.</summary>
internal static class PipeChecks
{
    public static IEnumerable<Tag> Check(Checked plan) =>
        FittedPipe.Each(plan.Circuits.Select(c => c.Sized)).SelectMany(f => Check(plan, f)).Concat(Idle(plan));

    private static IEnumerable<Tag> Check(Checked plan, FittedPipe fitted)
    {
        var (raceway, pipe) = (fitted.Raceway, fitted.Raceway.Pipe);
        var subject = Subject.Run(raceway.Lead.Id);
        foreach (var pull in raceway.Pulls.Where(p => p.TooMany))
        {
            yield return new(Severity.Red, Stage.Runs, subject, pipe.Kind == ConduitKind.Emt ? plan.Book.Cite(RuleId.TubingBends)
                : plan.Book.Cite(RuleId.PlasticBends), $"Pipe {pipe.Id} bends too much between two pull points.",
                $"{pull.Degrees}° from {Feet(pull.From)} to {Feet(pull.To)} along; at most {Raceway.MostDegrees}°.")
            {
                Fixes = [new Fix($"Set a pull box {Feet(pull.LastPulled)} along", With(pipe, new(PipeStopKind.PullBox, pull.LastPulled)))],
            };
        }

        foreach (var splice in pipe.Stops.Where(s => s.Kind == PipeStopKind.Splice))
        {
            yield return new(Severity.Red, Stage.Runs, subject, pipe.Kind == ConduitKind.Emt
                ? plan.Book.Cite(RuleId.WholeConductors, RuleId.BoxAtJoint, RuleId.TubingJoints)
                : plan.Book.Cite(RuleId.WholeConductors, RuleId.BoxAtJoint, RuleId.PlasticJoints),
                $"Conductors are joined in pipe {pipe.Id}, {Feet(splice.Along)} along.",
                $"Between boxes conductors are whole; a joint stands in a box that stays reachable ({plan.Book.Cite(RuleId.BoxReachable)}"
                + $"). Pull them new, or set a box there.")
            {
                Fixes =
                [
                    new Fix("Set a box there",
                        new SetPipe(pipe with { Stops = pipe.Stops.Replace(splice, splice with { Kind = PipeStopKind.PullBox }) })),
                    new Fix("Pulled new, no joint", new SetPipe(pipe with { Stops = pipe.Stops.Remove(splice) })),
                ],
            };
        }

        if (raceway.Jacketed)
        {
            yield return new(Severity.Amber, Stage.Runs, subject, "good practice",
                $"Cable with its jacket on is pulled in pipe {pipe.Id}.",
                $"It binds at every fitting, and "
                + $"{(raceway.Buried
                        ? $"only cable listed for wet places may lie in a pipe in the ground ({plan.Book.Cite(RuleId.WetBelowGrade)})"
                        : $"its width, which only the maker gives, decides the pipe ({plan.Book.Cite(RuleId.PipeOneCable)})")}. "
                    + "Thread the pieces over it before they are joined.")
            {
                Fixes = [new Fix("Pull loose conductors", new SetPipe(pipe with { Jacketed = false }))],
            };
        }

        if (fitted.Sum is { Trade: null })
        {
            yield return new(Severity.Red, Stage.Runs, subject, plan.Book.Cite(RuleId.PipeFill),
                $"No pipe to 2 in holds what is pulled in {pipe.Id}.", "Take a circuit out of it.");
        }

        if (fitted.Sum is { Jams: true })
        {
            yield return new(Severity.Amber, Stage.Runs, subject, plan.Book.Cite(RuleId.PipeJam),
                $"Three conductors of one size may wedge in pipe {pipe.Id}.",
                $"The pipe is 2.8 to 3.2 times as wide as one of them; take the size above {fitted.Size.Value}.");
        }

        if (pipe.Kind == ConduitKind.Emt && raceway.Buried)
        {
            yield return new(Severity.Amber, Stage.Runs, subject, plan.Book.Cite(RuleId.TubingInEarth),
                $"Pipe {pipe.Id} is thin steel in the earth.",
                "EMT lies in earth only with corrosion protection that the authority approves.")
            {
                Fixes = [new Fix("PVC instead", new SetPipe(pipe with { Kind = ConduitKind.Pvc40 }))],
            };
        }

        foreach (var run in raceway.Runs.Skip(1).Where(r => raceway.With(r) * 4 < r.Way.Measured))
        {
            yield return new(Severity.Amber, Stage.Runs, Subject.Run(run.Id), "pipes",
                $"{run.Circuit} is in pipe {pipe.Id} and goes another way.",
                $"It shares {Feet(raceway.With(run))} of its {Feet(run.Way.Measured)} with {raceway.Lead.Circuit}, which the pipe "
                + $"follows. Hold its way along the pipe, or take it out.")
            {
                Fixes = [new Fix("Take it out of the pipe", run.Kind is RunKind.HomeRun or RunKind.Feeder ? new PutInPipe(run.Circuit, null)
                    : new PutRunInPipe(run.Id, null))],
            };
        }
    }

    // What is no more stays in its pipe, and is told.
    private static IEnumerable<Tag> Idle(Checked plan)
    {
        if (plan.Job.Pipes.IsEmpty)
        {
            yield break;
        }

        var runs = plan.Circuits.SelectMany(c => c.Runs).Select(r => r.Id).ToHashSet();
        foreach (var (pipe, run) in plan.Job.Pipes.SelectMany(p => p.Runs.Where(r => !runs.Contains(r)).Select(r => (p, r))))
        {
            yield return new(Severity.Amber, Stage.Runs, Subject.Run(run), "pipes", $"Pipe {pipe.Id} is kept for a run that is no more.",
                "Its two boxes are not joined by one cable now.")
            {
                Fixes = [new Fix("Take it out of the pipe", new PutRunInPipe(run, null))],
            };
        }

        var pulled = plan.Circuits.Where(c => c.Pipe is not null).Select(c => c.Circuit.Key).ToHashSet();
        foreach (var (pipe, key) in plan.Job.Pipes.SelectMany(p => p.Circuits.Where(c => !pulled.Contains(c)).Select(c => (p, c))))
        {
            yield return new(Severity.Amber, Stage.Runs, Subject.Circuit(key), "pipes",
                $"Pipe {pipe.Id} is kept for {key}, which no home run comes by.",
                "The circuit is no more, or its conductors come in another's cable.")
            {
                Fixes = [new Fix("Take it out of the pipe", new PutInPipe(key, null))],
            };
        }
    }

    private static SetPipe With(Pipe pipe, PipeStop stop) => new(pipe with { Stops = pipe.Stops.Add(stop) });

    private static string Feet(Length length) => length.Cut(Measure.Feet);
}
