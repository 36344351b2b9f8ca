using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Pulls the home run or feeder of a circuit in a pipe instead of cable; null takes it out again, and a pipe that is left empty
/// goes.</summary>
/// <param name="Circuit">The circuit.</param>
/// <param name="Pipe">Id of a pipe of the job, or a new one.</param>
public sealed record PutInPipe(CircuitKey Circuit, Id<Pipe>? Pipe) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var without = job.Pipes.Select(p => p with { Circuits = p.Circuits.Remove(Circuit) }).Where(p => !p.IsEmpty()).ToImmutableArray();
        if (Pipe is null)
        {
            phrase = $"Take {Circuit} out of its pipe";
            return job with { Pipes = without };
        }

        phrase = $"Pull {Circuit} in pipe {Pipe}";
        return job with { Pipes = Into(job, without, Pipe.Value, p => p with { Circuits = p.Circuits.Remove(Circuit).Add(Circuit) }) };
    }

    // A pipe that was emptied for it keeps what it is made of; one that nobody has heard of is new.
    internal static ImmutableArray<Pipe> Into(Job job, ImmutableArray<Pipe> without, Id<Pipe> id, Func<Pipe, Pipe> add) =>
        without.FirstOrDefault(p => p.Id == id) is { } known ? without.Replace(known, add(known))
            : without.Add(add(job.Pipes.FirstOrDefault(p => p.Id == id) ?? new() { Id = id, Circuits = [] }));

    /// <summary>The next free id: P1, P2.</summary>
    public static string NextId(Job job) => Enumerable.Range(1, job.Pipes.Length + 1).Select(n => $"P{n}")
        .First(id => job.Pipes.All(p => p.Id.Value != id));
}

/// <summary>Pulls a run from box to box in a pipe instead of cable; null takes it out again, and a pipe that is left empty goes.</summary>
/// <param name="Run">The run; no home run, which goes by its circuit.</param>
/// <param name="Pipe">Id of a pipe of the job, or a new one.</param>
public sealed record PutRunInPipe(RunId Run, Id<Pipe>? Pipe) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var without = job.Pipes.Select(p => p with { Runs = p.Runs.Remove(Run) }).Where(p => !p.IsEmpty()).ToImmutableArray();
        if (Pipe is not { } id)
        {
            phrase = "Take a run out of its pipe";
            return job with { Pipes = without };
        }

        phrase = $"Pull a run from box to box in pipe {id}";
        return job with { Pipes = PutInPipe.Into(job, without, id, p => p with { Runs = p.Runs.Remove(Run).Add(Run) }) };
    }
}

/// <summary>Sets what a pipe is and what is along it; one that the planner assumed for a feeder becomes the job's own.</summary>
public sealed record SetPipe(Pipe Pipe) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var sorted = Pipe with { Stops = [.. Pipe.Stops.OrderBy(s => s.Along).ThenBy(s => s.Kind)] };
        phrase = $"Change pipe {Pipe.Id}";
        return job with
        {
            Pipes = job.Pipes.FirstOrDefault(p => p.Id == Pipe.Id) is { } known ? job.Pipes.Replace(known, sorted)
            : job.Pipes.Add(sorted)
        };
    }
}
