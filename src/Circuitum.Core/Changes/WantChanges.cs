using Circuitum.Core.Jobs;

namespace Circuitum.Core.Changes;

/// <summary>Says what will stand at a wall; one of the same id is replaced.</summary>
public sealed record SetWant(Want Want) : JobChange
{
    /// <inheritdoc/>
    protected override Subject? Selects(Job before) => Subject.Want(Want.Id);

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (_, room) = HouseChange.Find(job, Want.Room);
        phrase = $"{(job.Wants.Any(w => w.Id == Want.Id) ? "Change" : "Want")} {Want.Called} in {room.Name}";
        return job with { Wants = [.. job.Wants.Where(w => w.Id != Want.Id), Want] };
    }

    /// <summary>The first free id.</summary>
    public static string FreeId(Job job) => Ids.Numbered("want", job.Wants.Select(w => w.Id.Value));
}

/// <summary>Drops a want.</summary>
public sealed record DropWant(Id<Want> Id) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var was = job.Wants.FirstOrDefault(w => w.Id == Id)
            ?? throw new ChangeRefusedException($"Want “{Id}” is not in this job any more.");
        phrase = $"Drop {was.Called}";
        return job with { Wants = job.Wants.Remove(was) };
    }
}

/// <summary>Waits for a fact; the plan goes on with what the job says.</summary>
public sealed record AddHold(Hold Hold) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = $"Wait for {Hold.What}";
        return job with { Holds = job.Holds.Add(Hold) };
    }

    /// <summary>The first free id.</summary>
    public static string FreeId(Job job) => Ids.Numbered("hold", job.Holds.Select(h => h.Id.Value));
}
