using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Problems;

namespace Circuitum.Core.Changes;

/// <summary>What came of a change: the changed job with a phrase for it, or one sentence why not.</summary>
public sealed record ChangeOutcome(Job? Job, string Phrase, string? Refusal)
{
    /// <summary>What a person looks at when it is done: what the change has made; null where they go on looking at what they looked
    /// at.</summary>
    public Subject? Selects { get; init; }

    /// <summary>Rooms whose kept sizes stood in its way: freed, it can be done.</summary>
    public ImmutableArray<RoomId> Frees { get; init; } = [];
}

/// <summary>One thing a person does to a job.</summary>
public abstract record JobChange
{
    /// <summary>Applies the change. A refused change leaves nothing behind.</summary>
    public ChangeOutcome On(Job job)
    {
        try
        {
            var changed = LooseEnds.Drop(OnSupply.Settled(Apply(job, out var phrase)));
            return JobProblems.First(changed) is { } problem ? new(null, phrase, problem.Told(changed))
                : new(changed, phrase, null) { Selects = Selects(job) };
        }
        catch (ChangeRefusedException refused)
        {
            return new(null, "", refused.Message) { Frees = refused is SizeKeptException kept ? kept.Rooms : [] };
        }
    }

    /// <summary>Applies the change to a job whose circuits a person has looked at: they stand as they were seen, and what is new joins
    /// the circuit where it weighs least. Refused like <see cref="On"/>.</summary>
    /// <param name="job">The job.</param>
    /// <param name="standing">Its circuits as they stand.</param>
    public ChangeOutcome OnSeen(Job job, ImmutableArray<KeptCircuit> standing)
    {
        var kept = SeenCircuits.Keep(job, standing);
        var outcome = On(kept);
        return outcome.Job is { } changed ? outcome with { Job = SeenCircuits.After(kept, changed) } : outcome;
    }

    /// <summary>Makes the changed job and says in one phrase what was done.</summary>
    /// <exception cref="ChangeRefusedException">The change names what is not there.</exception>
    protected abstract Job Apply(Job job, out string phrase);

    /// <summary>The changed job before anything is asked of it as a whole, for a change that is made of several.</summary>
    /// <exception cref="ChangeRefusedException">The change names what is not there.</exception>
    internal Job Unchecked(Job job, out string phrase) => Apply(job, out phrase);

    /// <summary>What it makes, to be looked at when it is done; null where it makes nothing.</summary>
    /// <param name="before">The job before it.</param>
    protected virtual Subject? Selects(Job before) => null;

    /// <summary>The box, or a refusal.</summary>
    protected static Box Find(Job job, BoxId id) => job.Boxes.FirstOrDefault(b => b.Id == id)
        ?? throw new ChangeRefusedException($"Box “{id}” is not in this job any more.");

    /// <summary>The job with one box replaced.</summary>
    protected static Job With(Job job, Box box) => job with { Boxes = job.Boxes.SetItem(job.Boxes.IndexOf(Find(job, box.Id)), box) };

    /// <summary>What people call a box: its name, its equipment's, or its room's and what is in it.</summary>
    protected static string Called(Job job, Box box) =>
        box.Name ?? (job.Rooms.FirstOrDefault(r => r.Id == box.Room) is { } room ? BoxNames.For(box, room) : box.Id.Value);
}

/// <summary>A change that cannot be made; the message is one sentence for the person who asked.</summary>
public class ChangeRefusedException(string message) : Exception(message);
