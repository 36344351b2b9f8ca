using Circuitum.Core;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>What another book would change, outlet by outlet, before it is taken.</summary>
public sealed class EditionsModel(Workbench bench) : JobPage(bench)
{
    /// <summary>The book compared with, by its key; the next one when it is not given.</summary>
    [FromQuery]
    public string? With { get; set; }

    /// <summary>The book compared with.</summary>
    public Edition Other { get; private set; }

    /// <summary>What differs.</summary>
    public EditionDifference Difference { get; private set; } = null!;

    /// <summary>Plans by the other book; the page then shows the way back.</summary>
    public async Task<IActionResult> OnPostTakeAsync(string edition, int from)
    {
        if (!await LoadAsync())
        {
            return NotFound();
        }

        With = Open.Plan.Job.Edition.Key();
        return await ChangeAsync(from, () => Task.FromResult<JobChange>(new SetEdition(Entry.Edition(edition))));
    }

    /// <inheritdoc/>
    protected override async Task ReadAsync()
    {
        var own = Open.Plan.Job.Edition;
        // The next of its family, or the one before it; of a family with one book another family's newest.
        var next = Editions.Of(own.Family()).Where(e => e != own).OrderBy(e => Math.Abs(e - own)).ThenByDescending(e => e)
            .Concat(Editions.WithPanels.Where(e => e.Family() != own.Family()).Reverse()).First();
        Other = Editions.TryParse(With, out var asked) && asked != own ? asked : next;
        Difference = EditionDifference.Between(Open.Plan, await PlanAsync(Open.Plan.Job with { Edition = Other }));
    }
}
