using Circuitum.Core;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>What another edition would change, outlet by outlet, before it is taken.</summary>
public sealed class EditionsModel(Workbench bench) : JobPage(bench)
{
    /// <summary>The edition compared with, by its year; the next one when it is not given.</summary>
    [FromQuery]
    public string? With { get; set; }

    /// <summary>The edition compared with.</summary>
    public Edition Other { get; private set; }

    /// <summary>What differs.</summary>
    public EditionDifference Difference { get; private set; } = null!;

    /// <summary>Plans by the other edition; the page then shows the way back.</summary>
    public async Task<IActionResult> OnPostTakeAsync(string edition, int from)
    {
        if (!await LoadAsync())
        {
            return NotFound();
        }

        With = ((int)Open.Plan.Job.Edition).ToString(System.Globalization.CultureInfo.InvariantCulture);
        return await ChangeAsync(from, () => Task.FromResult<JobChange>(new SetEdition(Entry.Edition(edition))));
    }

    /// <inheritdoc/>
    protected override async Task ReadAsync()
    {
        var own = Open.Plan.Job.Edition;
        var next = own == Edition.Y2023 ? Edition.Y2020 : own == Edition.Y2020 ? Edition.Y2023 : Edition.Y2020;
        Other = Enum.TryParse<Edition>(With, out var asked) && Enum.IsDefined(asked) && asked != own ? asked : next;
        Difference = EditionDifference.Between(Open.Plan, await PlanAsync(Open.Plan.Job with { Edition = Other }));
    }
}
