namespace Circuitum.Data;

/// <summary>Key of a job in the database and in addresses.</summary>
public readonly record struct JobKey(string Value)
{
    /// <summary>A key that no job has: twelve digits, of which a person sees none twice.</summary>
    public static JobKey New(TimeProvider time) => new(Guid.CreateVersion7(time.GetUtcNow()).ToString("N")[^12..]);

    /// <inheritdoc/>
    public override string ToString() => Value;
}

/// <summary>A revision without its document.</summary>
public sealed record Revision(int Number, RevisionKind Kind, int About, DateTimeOffset At, string Who, string Phrase);

/// <summary>A revision about to be written.</summary>
public sealed record NewRevision(RevisionKind Kind, int About, string Who, string Phrase, string JobName, string Document);

/// <summary>A job on the list.</summary>
public sealed record JobListing(JobKey Key, string Name, bool IsDemo, Revision Latest);

/// <summary>What came of a save.</summary>
public abstract record Saving
{
    private Saving()
    {
    }

    /// <summary>Written, and on the disk.</summary>
    public sealed record Saved(Revision Revision) : Saving;

    /// <summary>Someone else was first; nothing was written.</summary>
    public sealed record Overtaken(Revision Latest) : Saving;

    /// <summary>The job is not there any more.</summary>
    public sealed record Gone : Saving;
}
