using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Web.Bench;
using Circuitum.Web.Edge;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>A page about one job beside the bench: it shows it, does things to it, and says what was done or why not.</summary>
public abstract class JobPage(Workbench bench) : PageModel, IRefuses
{
    /// <summary>Key of the job.</summary>
    [FromRoute]
    public string Key { get; set; } = "";

    /// <summary>The job.</summary>
    public OpenJob Open { get; private set; } = null!;

    /// <summary>What was done, or why not.</summary>
    public string? Said { get; protected set; }

    /// <summary>True when nothing was done.</summary>
    public bool Refused { get; private set; }

    /// <summary>Shows the page.</summary>
    public virtual async Task<IActionResult> OnGetAsync() => await LoadAsync() ? Page() : NotFound();

    /// <summary>An act that this page does not know.</summary>
    public async Task<IActionResult> OnPostAsync() => await LoadAsync()
        ? Refuse("There is no such act here. Open the page again.", StatusCodes.Status422UnprocessableEntity) : NotFound();

    /// <inheritdoc/>
    public async Task<IActionResult> RefusedAsync(string sentence) => await LoadAsync()
        ? Refuse(sentence, StatusCodes.Status422UnprocessableEntity) : NotFound();

    /// <summary>Plans a job as it might be.</summary>
    protected Task<Core.Plans.Plan> PlanAsync(Core.Jobs.Job job) => bench.PlanAsync(job);

    /// <summary>Does a longer piece of planning.</summary>
    protected Task<T> PlanAsync<T>(Func<CancellationToken, T> work) => bench.PlanAsync(work);

    /// <summary>The metric boards of the job as it is open; null where there are none.</summary>
    protected Task<Core.Boards.BoardPlan?> BoardsAsync() => bench.BoardsAsync(Open.Plan);

    /// <summary>The plan as it was at an earlier revision.</summary>
    protected Task<Core.Plans.Plan?> PlanAtAsync(int revision) => bench.PlanAtAsync(new(Key), revision);

    /// <summary>Puts another whole job in place, from the revision that the form names.</summary>
    protected Task<Outcome> ReplaceAsync(int from, Core.Jobs.Job job, string phrase) =>
        bench.ReplaceAsync(new(Key), from, Crew.Of(HttpContext), job, phrase);

    /// <summary>Reads what the page shows from the job as it is open now.</summary>
    protected abstract Task ReadAsync();

    /// <summary>What the address names stands in the job: a panel, a box, a room.</summary>
    protected virtual bool IsThere => true;

    /// <summary>Opens the job; false when there is none, or not what the address names.</summary>
    protected async Task<bool> LoadAsync()
    {
        if (await bench.OpenAsync(new(Key)) is not { } open)
        {
            return false;
        }

        Open = open;
        await ReadAsync();
        return IsThere;
    }

    /// <summary>Does one thing to the job, from the revision that the form names.</summary>
    /// <param name="from">That revision.</param>
    /// <param name="change">The thing; a <see cref="FormatException"/> is answered with its sentence.</param>
    /// <param name="after">Done when it is saved, before the page is read again.</param>
    protected Task<IActionResult> ChangeAsync(int from, Func<Task<JobChange>> change, Action? after = null) =>
        ChangeAsync(from, _ => change(), after);

    /// <summary>Does one thing to the job as it stands, from the revision that the form names.</summary>
    /// <param name="from">That revision.</param>
    /// <param name="change">The thing; a <see cref="FormatException"/> is answered with its sentence.</param>
    /// <param name="after">Done when it is saved, before the page is read again.</param>
    protected async Task<IActionResult> ChangeAsync(int from, Func<Core.Jobs.Job, Task<JobChange>> change, Action? after = null)
    {
        var outcome = await bench.DoAsync(new(Key), from, Crew.Of(HttpContext), open => change(open.Plan.Job));
        if (outcome is Outcome.Changed)
        {
            after?.Invoke();
        }

        if (ActAnswer.Of(outcome) is not { } answer || !await LoadAsync())
        {
            return NotFound();
        }

        Said = string.Join(" ",
            new[] { answer.Said.Phrase.TrimEnd('.') + ".", string.Join(" · ", answer.Said.Followed) }.Where(t => t.Length > 0));
        (Refused, Response.StatusCode) = (answer.Said.Refused, answer.Status);
        return Page();
    }

    /// <summary>The page with one sentence of refusal.</summary>
    protected PageResult Refuse(string sentence, int status)
    {
        (Said, Refused, Response.StatusCode) = (sentence, true, status);
        return Page();
    }
}
