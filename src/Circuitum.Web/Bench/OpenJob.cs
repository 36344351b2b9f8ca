using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Site;
using Circuitum.Data;

namespace Circuitum.Web.Bench;

/// <summary>A job as it lies on the bench: its newest revision, planned.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Timeline">Its newest revision and what can be undone.</param>
/// <param name="Plan">Its plan.</param>
public sealed record OpenJob(JobKey Key, Timeline Timeline, Plan Plan)
{
    /// <summary>Number of the newest revision.</summary>
    public int Revision => Timeline.Latest.Number;

    /// <summary>Somebody has looked at its circuits: they stand.</summary>
    public bool Seen { get; init; }

    /// <summary>What is done of it on site.</summary>
    public SiteRecord Site { get; init; } = SiteRecord.Empty;

    /// <summary>Why this is not the newest revision's plan: that one cannot be opened. Null when it is.</summary>
    public string? Spoiled { get; init; }
}

/// <summary>What came of a change.</summary>
public abstract record Outcome
{
    private Outcome()
    {
    }

    /// <summary>It is done and saved.</summary>
    /// <param name="Job">The job after it.</param>
    /// <param name="Phrase">What was done.</param>
    /// <param name="Followed">What else changed.</param>
    public sealed record Changed(OpenJob Job, string Phrase, IReadOnlyList<string> Followed) : Outcome
    {
        /// <summary>What is looked at now; null where it is what was looked at before.</summary>
        public Subject? Selects { get; init; }
    }

    /// <summary>It cannot be done; one sentence says why. Nothing is saved.</summary>
    public sealed record Refused(string Sentence) : Outcome
    {
        /// <summary>Rooms whose kept sizes stand in its way; freed, it can be done.</summary>
        public IReadOnlyList<RoomId> Frees { get; init; } = [];
    }

    /// <summary>It can be done, and breaks a rule that was kept; nothing is saved until it is asked for again.</summary>
    public sealed record Vetoed(string Sentence) : Outcome;

    /// <summary>Someone else was first; nothing is saved.</summary>
    public sealed record Overtaken(Revision Latest) : Outcome;

    /// <summary>There is no such job.</summary>
    public sealed record Gone : Outcome;
}
