using System.Collections.Concurrent;
using System.Text.Json;
using Circuitum.Core;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Site;
using Circuitum.Core.Units;
using Circuitum.Data;
using Circuitum.Formats.JobFile;

namespace Circuitum.Web.Bench;

/// <summary>Opens jobs, plans them, and saves what is done to them as new revisions.</summary>
public sealed partial class Workbench(JobRevisions revisions, Looks looks, SiteEntries site, Planning planning, KeptPlans kept,
    IHttpContextAccessor asking, ILogger<Workbench> log)
{
    // How many revisions back one is looked for that can be read.
    private const int MostBack = 50;

    // Where one that lies whole is damaged, those after it cannot be read, up to the next that does.
    private const int MostUnread = 70;

    private readonly JobTurns turns = new();

    // How often a change is tried on top of what came first while it was planned.
    private const int Tries = 3;
    private readonly ConcurrentDictionary<(JobKey, int), Opening> openings = new();

    // Whoever asked has gone when the request is ended; a test without one waits for ever.
    private CancellationToken Gone => asking.HttpContext?.RequestAborted ?? CancellationToken.None;

    /// <summary>The newest revision of a job, planned; null when there is no such job. Where the newest cannot be read, the newest that
    /// can, with a sentence about it.</summary>
    /// <exception cref="PlanningBusyException">Too much is being planned.</exception>
    public async Task<OpenJob?> OpenAsync(JobKey key)
    {
        if (await NewestAsync(key) is not { } job)
        {
            return null;
        }

        // What is read from a form, and whatever is said from here on, is in what this house is drawn in.
        job.Plan.Job.TurnWriting();
        return job with { Site = await site.OfAsync(key) };
    }

    /// <summary>The plan as it is kept, or opened where it is not; null when there is no such job.</summary>
    /// <exception cref="PlanningBusyException">Too much is being planned.</exception>
    public async Task<Plan?> GlanceAsync(JobKey key) => (kept.Find(key) ?? await NewestAsync(key))?.Plan;

    private async Task<OpenJob?> NewestAsync(JobKey key)
    {
        var newest = await revisions.NewestAsync(key);
        if (newest == 0)
        {
            kept.Drop(key);
            return null;
        }

        if (kept.Find(key) is { } known && known.Revision == newest)
        {
            return known;
        }

        // What several ask for at once is planned once, and ended when the last of them has gone.
        while (true)
        {
            var opening = openings.GetOrAdd((key, newest), _ => new Opening());
            if (opening.Join(token => ReadAsync(key, token)) is { } read)
            {
                try
                {
                    return await read.WaitAsync(Gone);
                }
                finally
                {
                    if (opening.Leave())
                    {
                        openings.TryRemove(new((key, newest), opening));
                    }
                }
            }

            openings.TryRemove(new((key, newest), opening));
        }
    }

    /// <summary>Keeps that somebody looks at the circuits of a job: from then on they stay where they are. A look that cannot be kept is
    /// still a look.</summary>
    public async Task LookAsync(OpenJob job)
    {
        if (job.Seen || !job.Plan.Circuits.Any(c => c.Circuit.Boxes.Length > 0))
        {
            return;
        }

        try
        {
            await looks.KeepAsync(job.Key);
            kept.Keep(job with { Seen = true });
        }
        catch (Exception e) when (StorageTrouble.Behind(e) is not null)
        {
            CannotKeepLook(e, job.Key.Value);
        }
    }

    /// <summary>Plans a job as it might be; nothing is kept.</summary>
    /// <exception cref="PlanningBusyException">Too much is being planned.</exception>
    public Task<Plan> PlanAsync(Job job) => planning.PlanAsync(job, Gone);

    /// <summary>Does a longer piece of planning.</summary>
    /// <exception cref="PlanningBusyException">Too much is being planned.</exception>
    public Task<T> PlanAsync<T>(Func<CancellationToken, T> work) => planning.DoAsync(work, Gone);

    /// <summary>Starts a job from what a file says; its key. It is planned before it is taken, so that whatever is on the list can be
    /// opened.</summary>
    /// <exception cref="PlanningBusyException">Too much is being planned, or this takes too long.</exception>
    /// <exception cref="JobFileException">It cannot be planned.</exception>
    public async Task<JobKey> StartAsync(Job job, string who, string phrase = "Bring in a job file")
    {
        Plan plan;
        try
        {
            plan = await PlanAsync(job);
        }
        catch (Exception e) when (!IsEnded(e))
        {
            CannotPlan(e, job.Name);
            throw new JobFileException(
                "It reads, and cannot be planned: two things in it contradict each other in a way this program does not name. Nothing "
                + "was kept.");
        }

        var key = await revisions.StartAsync(who, phrase, job.Name, JobFiles.Write(job));
        kept.Keep(new(key, Timeline.Of(await revisions.OfAsync(key)), plan));
        return key;
    }

    /// <summary>Does one thing to a job: the only way in for what a person does. The job is opened once; who came first meanwhile is found
    /// when it is saved. Where what came first touches no part of it, it is done on top and both are told.</summary>
    /// <param name="key">The job.</param>
    /// <param name="from">The revision that was looked at.</param>
    /// <param name="who">Who does it.</param>
    /// <param name="make">Makes the thing of the job as it is; what it cannot read is a refusal.</param>
    /// <param name="veto">Sees the plan before and after; a sentence from it keeps the change from being saved.</param>
    /// <exception cref="PlanningBusyException">Too much is being planned.</exception>
    public Task<Outcome> DoAsync(JobKey key, int from, string who, Func<OpenJob, Task<JobChange>> make,
        Func<DivisionEffect, string?>? veto = null) => turns.DoAsync(key, () => StepAsync(key, from, who, async current =>
    {
        try
        {
            var change = await make(current);
            var outcome = current.Seen ? change.OnSeen(current.Plan.Kept, current.Plan.Standing) : change.On(current.Plan.Kept);
            return outcome.Job is { } job ? new(job, RevisionKind.Change, 0, outcome.Phrase, null) { Selects = outcome.Selects }
                : new(null, default, 0, "", outcome.Refusal) { Frees = outcome.Frees };
        }
        catch (Exception e) when (e is FormatException or ChangeRefusedException)
        {
            return new(null, default, 0, "", e.Message);
        }
    }, veto, Tries), Gone);

    /// <summary>Takes the last change back.</summary>
    public Task<Outcome> UndoAsync(JobKey key, int from, string who) =>
        StepAsync(key, from, who, async current => current.Timeline.Undo is { } undo
        ? await BackAsync(key, undo.Number - 1, RevisionKind.Undo, undo.Number, $"Undo “{undo.Phrase}”")
        : new(null, default, 0, "", "There is nothing to undo."));

    /// <summary>Does the last undone change again.</summary>
    public Task<Outcome> RedoAsync(JobKey key, int from, string who) =>
        StepAsync(key, from, who, async current => current.Timeline.Redo is { } redo
        ? await BackAsync(key, redo.Number, RevisionKind.Redo, redo.Number, $"Redo “{redo.Phrase}”")
        : new(null, default, 0, "", "There is nothing to redo."));

    /// <summary>The plan as it was at a revision; null when there is none, or none that can be read.</summary>
    /// <exception cref="PlanningBusyException">Too much is being planned.</exception>
    public async Task<Plan?> PlanAtAsync(JobKey key, int number) => await TryReadAsync(key, number) is { Job: { } job }
        ? await PlanAsync(job) : null;

    /// <summary>Puts another whole job in place, as a change that can be undone; nobody has looked at its circuits.</summary>
    public async Task<Outcome> ReplaceAsync(JobKey key, int from, string who, Job job, string phrase)
    {
        var outcome = await StepAsync(key, from, who, _ => Task.FromResult(new Step(job, RevisionKind.Change, 0, phrase, null)));
        if (outcome is Outcome.Changed changed)
        {
            await looks.ForgetAsync(key);
            return changed with { Job = kept.Keep(changed.Job with { Seen = false }) };
        }

        return outcome;
    }

    private async Task<Step> BackAsync(JobKey key, int number, RevisionKind kind, int about, string phrase)
    {
        var (job, why, _) = await TryReadAsync(key, number);
        return job is not null ? new(job, kind, about, phrase, null)
            : new(null, default, 0, "", $"Revision {number} cannot be read ({why}). Nothing was changed.");
    }

    // What came first between the revision that was looked at and the newest; null where that cannot be read any more.
    private async Task<JobParts?> CameFirstAsync(JobKey key, int from, string newest)
    {
        try
        {
            return await revisions.DocumentAsync(key, from) is { } looked ? JobParts.Between(looked, newest) : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private async Task<Outcome> StepAsync(JobKey key, int from, string who, Func<OpenJob, Task<Step>> make,
        Func<DivisionEffect, string?>? veto = null, int tries = 0)
    {
        if (await OpenAsync(key) is not { } before)
        {
            return new Outcome.Gone();
        }

        var behind = before.Revision - from;
        if (behind != 0 && (tries == 0 || behind is < 0 or > MostBack || before.Spoiled is not null))
        {
            return new Outcome.Overtaken(before.Timeline.Latest);
        }

        var step = await make(before);
        if (step.Job is null)
        {
            return behind == 0 ? new Outcome.Refused(step.Refusal!) { Frees = step.Frees } : new Outcome.Overtaken(before.Timeline.Latest);
        }

        if (behind != 0)
        {
            var newest = JobFiles.Write(before.Plan.Job);
            var mine = JobParts.Between(newest, JobFiles.Write(step.Job));
            // What is so already has nothing to be done on top.
            if (mine.IsNone || await CameFirstAsync(key, from, newest) is not { } first || first.Touches(mine))
            {
                return new Outcome.Overtaken(before.Timeline.Latest);
            }
        }

        // What is pulled and landed by now binds it.
        var job = Binding.Bind(step.Job, before.Plan, before.Site);
        // The document is written, and read back, beside the planning: neither needs the other.
        var document = Task.Run(() => JobFiles.WriteWhole(job, before.Spoiled is null ? before.Plan.Job : null));
        Plan plan;
        try
        {
            plan = await PlanAsync(job);
        }
        catch (Exception e) when (!IsEnded(e))
        {
            CannotPlan(e, step.Phrase);
            return new Outcome.Refused(
                $"Not done: “{step.Phrase}” makes a job that this program cannot plan. Nothing was changed. It is in the log; please "
                + $"report it.");
        }

        if (veto?.Invoke(new(before.Plan, plan)) is { } against)
        {
            return new Outcome.Vetoed(against);
        }

        if (await document is not { } whole)
        {
            CannotReadBack(step.Phrase);
            return new Outcome.Refused(
                $"Not done: “{step.Phrase}” makes a job that cannot be read again. Nothing was changed. It is in the log; please report "
                + $"it.");
        }

        var saving = await revisions.AppendAsync(key, before.Revision, new(step.Kind, step.About, who, step.Phrase, step.Job.Name, whole));
        if (saving is Saving.Overtaken && tries > 1)
        {
            // Somebody was first while this was planned: on top of that, where it may.
            return await StepAsync(key, from, who, make, veto, tries - 1);
        }

        if (saving is Saving.Saved)
        {
            job.TurnWriting();
        }

        return saving switch
        {
            Saving.Saved saved => new Outcome.Changed(kept.Keep(new(key, before.Timeline.After(saved.Revision), plan)
            { Seen = before.Seen }) with
            { Site = before.Site }, step.Phrase,
                [.. behind == 0 ? [] : new[] { Told.First(before.Timeline.Latest, behind) },
                    .. new[] { SiteClashes.CostOf(before.Plan, plan, before.Site) }.OfType<string>(),
                    .. PlanDifference.Between(before.Plan, plan)])
            { Selects = step.Selects },
            Saving.Overtaken overtaken => new Outcome.Overtaken(overtaken.Latest),
            _ => new Outcome.Gone(),
        };
    }

    // The newest revision that can be read and planned; told where it is not the newest.
    private async Task<OpenJob?> ReadAsync(JobKey key, CancellationToken gone)
    {
        var all = await revisions.OfAsync(key);
        if (all.Count == 0)
        {
            return null;
        }

        string? spoiled = null;
        for (var number = all[^1].Number; number > Math.Max(0, all[^1].Number - MostUnread); number--)
        {
            var (job, why, document) = await TryReadAsync(key, number);
            if (job is not null)
            {
                try
                {
                    var plan = await (Demo.PlanOf(key, document!) ?? planning.PlanAsync(job, gone));
                    return kept.Keep(new(key, Timeline.Of(all), plan)
                    {
                        Seen = await looks.HasAsync(key),
                        Spoiled = spoiled is null ? null
                            : $"Revision {all[^1].Number} cannot be opened ({spoiled}). This is revision {number}, and what you do next "
                            + $"is done to it. Nothing is lost: each revision’s file can still be fetched.",
                    });
                }
                catch (Exception e) when (!IsEnded(e))
                {
                    CannotPlan(e, $"{key}, revision {number}");
                    why = "it cannot be planned";
                }
            }

            spoiled ??= why;
        }

        throw new SpoiledJobException(
            $"None of the last revisions of this job can be opened ({spoiled}). Its file can be fetched at /job/{key}"
            + $"/file/job.circuitum.json.");
    }

    private async Task<(Job? Job, string? Why, string? Document)> TryReadAsync(JobKey key, int number)
    {
        try
        {
            return await revisions.DocumentAsync(key, number) is { } document ? (JobFiles.Read(document), null, document)
                : (null, "it is not there", null);
        }
        catch (Exception e) when (e is JobFileException or DamagedDocumentException)
        {
            CannotRead(key.Value, number, e.Message);
            return (null, e.Message.TrimEnd('.'), null);
        }
    }

    private static bool IsEnded(Exception e) => e is OperationCanceledException or PlanningBusyException;

    [LoggerMessage(LogLevel.Error, "A job could not be planned: {What}")]
    private partial void CannotPlan(Exception e, string what);

    [LoggerMessage(LogLevel.Error, "A job could not be read back and was not saved: {What}")]
    private partial void CannotReadBack(string what);

    [LoggerMessage(LogLevel.Warning, "That the circuits of {Job} were looked at could not be kept")]
    private partial void CannotKeepLook(Exception e, string job);

    [LoggerMessage(LogLevel.Warning, "Revision {Number} of {Job} cannot be read: {Why}")]
    private partial void CannotRead(string job, int number, string why);

    private sealed record Step(Job? Job, RevisionKind Kind, int About, string Phrase, string? Refusal)
    {
        public IReadOnlyList<RoomId> Frees { get; init; } = [];

        public Subject? Selects { get; init; }
    }

    // One reading and planning of a job, and those who wait for it.
    private sealed class Opening
    {
        private readonly Lock gate = new();
        private readonly CancellationTokenSource gone = new();
        private Task<OpenJob?>? reading;
        private int waiting;

        // Null once the last who waited has gone.
        public Task<OpenJob?>? Join(Func<CancellationToken, Task<OpenJob?>> read)
        {
            lock (gate)
            {
                if (gone.IsCancellationRequested)
                {
                    return null;
                }

                waiting++;
                return reading ??= Task.Run(() => read(gone.Token));
            }
        }

        public bool Leave()
        {
            lock (gate)
            {
                if (--waiting > 0)
                {
                    return false;
                }

                gone.Cancel();
                return true;
            }
        }
    }
}

/// <summary>No revision of a job can be opened; the message says how to get its file.</summary>
public sealed class SpoiledJobException(string message) : Exception(message);
