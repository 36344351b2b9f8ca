using System.Collections.Concurrent;
using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Data;
using Circuitum.Formats.JobFile;

namespace Circuitum.Web.Bench;

/// <summary>Opens jobs, plans them, and saves what is done to them as new revisions.</summary>
public sealed class Workbench(JobRevisions revisions)
{
    // Plans are functions of jobs: what is kept here can always be made again.
    private const int MostOpen = 40;
    private readonly ConcurrentDictionary<JobKey, OpenJob> open = new();

    /// <summary>The newest revision of a job, planned; null when there is no such job.</summary>
    public async Task<OpenJob?> OpenAsync(JobKey key)
    {
        if (open.TryGetValue(key, out var known) && known.Revision == await revisions.NewestAsync(key))
        {
            return known;
        }

        var all = await revisions.OfAsync(key);
        return all.Count == 0 ? null : Keep(new(key, Timeline.Of(all), Planner.Plan(await JobAtAsync(key, all[^1].Number))));
    }

    /// <summary>Starts a job from what a file says; its key.</summary>
    public async Task<JobKey> StartAsync(Job job, string who, string phrase = "Bring in a job file") => await revisions.StartAsync(who, phrase, job.Name, JobFiles.Write(job));

    /// <summary>Does one thing to a job.</summary>
    /// <param name="key">The job.</param>
    /// <param name="from">The revision it is done to.</param>
    /// <param name="who">Who does it.</param>
    /// <param name="change">The thing.</param>
    /// <param name="veto">Sees the plan before and after; a sentence from it keeps the change from being saved.</param>
    public Task<Outcome> ChangeAsync(JobKey key, int from, string who, JobChange change, Func<DivisionEffect, string?>? veto = null) => StepAsync(key, from, who, current =>
    {
        var outcome = change.On(current.Plan.Kept);
        return Task.FromResult<Step>(outcome.Job is { } job ? new(job, RevisionKind.Change, 0, outcome.Phrase, null) : new(null, default, 0, "", outcome.Refusal));
    }, veto);

    /// <summary>Takes the last change back.</summary>
    public Task<Outcome> UndoAsync(JobKey key, int from, string who) => StepAsync(key, from, who, async current => current.Timeline.Undo is { } undo
        ? new(await JobAtAsync(key, undo.Number - 1), RevisionKind.Undo, undo.Number, $"Undo “{undo.Phrase}”", null)
        : new(null, default, 0, "", "There is nothing to undo."));

    /// <summary>Does the last undone change again.</summary>
    public Task<Outcome> RedoAsync(JobKey key, int from, string who) => StepAsync(key, from, who, async current => current.Timeline.Redo is { } redo
        ? new(await JobAtAsync(key, redo.Number), RevisionKind.Redo, redo.Number, $"Redo “{redo.Phrase}”", null)
        : new(null, default, 0, "", "There is nothing to redo."));

    /// <summary>The plan as it was at a revision; null when there is none.</summary>
    public async Task<Plan?> PlanAtAsync(JobKey key, int number) => Planner.Plan(await JobAtAsync(key, number));

    /// <summary>Puts another whole job in place, as a change that can be undone.</summary>
    public Task<Outcome> ReplaceAsync(JobKey key, int from, string who, Job job, string phrase) =>
        StepAsync(key, from, who, _ => Task.FromResult(new Step(job, RevisionKind.Change, 0, phrase, null)));

    private async Task<Outcome> StepAsync(JobKey key, int from, string who, Func<OpenJob, Task<Step>> make, Func<DivisionEffect, string?>? veto = null)
    {
        if (await OpenAsync(key) is not { } before)
        {
            return new Outcome.Gone();
        }

        if (before.Revision != from)
        {
            return new Outcome.Overtaken(before.Timeline.Latest);
        }

        var step = await make(before);
        if (step.Job is null)
        {
            return new Outcome.Refused(step.Refusal!);
        }

        // The document is written beside the planning: neither needs the other.
        var document = Task.Run(() => JobFiles.Write(step.Job));
        var plan = Planner.Plan(step.Job);
        if (veto?.Invoke(new(before.Plan, plan)) is { } against)
        {
            return new Outcome.Vetoed(against);
        }

        return await revisions.AppendAsync(key, from, new(step.Kind, step.About, who, step.Phrase, step.Job.Name, await document)) switch
        {
            Saving.Saved saved => new Outcome.Changed(Keep(new(key, before.Timeline.After(saved.Revision), plan)), step.Phrase, PlanDifference.Between(before.Plan, plan)),
            Saving.Overtaken overtaken => new Outcome.Overtaken(overtaken.Latest),
            _ => new Outcome.Gone(),
        };
    }

    private async Task<Job> JobAtAsync(JobKey key, int number) => JobFiles.Read((await revisions.DocumentAsync(key, number))!);

    private OpenJob Keep(OpenJob job)
    {
        if (open.Count >= MostOpen && !open.ContainsKey(job.Key))
        {
            open.Clear();
        }

        return open[job.Key] = job;
    }

    private sealed record Step(Job? Job, RevisionKind Kind, int About, string Phrase, string? Refusal);
}
