using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>The crew's numbers on one page, and sets of them.</summary>
public sealed class RulesModel(Workbench bench, CrewRules rules) : JobPage(bench)
{
    /// <summary>The job.</summary>
    public Job Job => Open.Plan.Job;

    /// <summary>The numbers that have a meaning under the job's book.</summary>
    public IEnumerable<CrewNumber<HouseRules>> Numbers => Asked(Job);

    /// <summary>Sets kept.</summary>
    public IReadOnlyList<RuleSet> Sets { get; private set; } = [];

    /// <summary>Sets the numbers.</summary>
    public Task<IActionResult> OnPostRulesAsync(int from) => ChangeAsync(from, job => Task.FromResult<JobChange>(new SetHouseRules(
        CrewForms.Numbers(Request.Form, "fields.", Asked(job), job.HouseRules) with
        {
            ListedForFirstOutlet = CodeBook.For(job).Has(RuleId.ArcFaultFirstOutlet)
                ? Request.Form.ContainsKey("fields.listedForFirstOutlet") : job.HouseRules.ListedForFirstOutlet,
        })));

    /// <summary>Sets the weights of the aims.</summary>
    public Task<IActionResult> OnPostAimsAsync(int from) => ChangeAsync(from, () => Task.FromResult<JobChange>(new SetAims(
        CrewForms.Numbers(Request.Form, "aims.", AimNumbers.All, new Aims()))));

    /// <summary>Sets the prices.</summary>
    public Task<IActionResult> OnPostPricesAsync(int from) => ChangeAsync(from, () => Task.FromResult<JobChange>(new SetPrices(
        CrewForms.Numbers(Request.Form, "prices.", PriceNumbers.All, new DevicePrices()))));

    /// <summary>Works by a set.</summary>
    public Task<IActionResult> OnPostUseAsync(string name, int from) => ChangeAsync(from, async () =>
        await rules.FindAsync(name ?? "") is { } set ? new UseCrewSet(set.Name, set.Rules)
            : throw new FormatException($"There is no set “{name}” any more."));

    /// <summary>Saves the job's numbers and schools as a set.</summary>
    public async Task<IActionResult> OnPostSaveAsync(string? name)
    {
        if (!await LoadAsync())
        {
            return NotFound();
        }

        if (name is null || name.Trim().Length is 0 or > 40)
        {
            return Refuse("Give the set a name of 1 to 40 characters.", StatusCodes.Status422UnprocessableEntity);
        }

        await rules.SaveAsync(name.Trim(), Job, Crew.Of(HttpContext));
        await LoadAsync();
        Said = $"Saved the set “{name.Trim()}”.";
        return Page();
    }

    private static IEnumerable<CrewNumber<HouseRules>> Asked(Job job)
    {
        var book = CodeBook.For(job);
        return HouseRuleNumbers.All.Where(book.Leaves);
    }

    /// <inheritdoc/>
    protected override async Task ReadAsync() => Sets = await rules.ListAsync();
}
