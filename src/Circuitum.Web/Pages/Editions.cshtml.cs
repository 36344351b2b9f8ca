using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Protection;
using Circuitum.Data;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>What another edition would change, outlet by outlet, before it is taken.</summary>
public sealed class EditionsModel(Workbench bench) : PageModel
{
    /// <summary>Key of the job.</summary>
    [FromRoute]
    public string Key { get; set; } = "";

    /// <summary>The edition compared with, by its year; the next one when it is not given.</summary>
    [FromQuery]
    public string? With { get; set; }

    /// <summary>The job.</summary>
    public OpenJob Open { get; private set; } = null!;

    /// <summary>The edition compared with.</summary>
    public Edition Other { get; private set; }

    /// <summary>What differs.</summary>
    public EditionDifference Difference { get; private set; } = null!;

    /// <summary>What was done, or why not.</summary>
    public string? Said { get; private set; }

    /// <summary>True when nothing was done.</summary>
    public bool Refused { get; private set; }

    /// <summary>Shows the page.</summary>
    public async Task<IActionResult> OnGetAsync() => await LoadAsync() ? Page() : NotFound();

    /// <summary>An act that this page does not know.</summary>
    public async Task<IActionResult> OnPostAsync() => await LoadAsync() ? Refuse("There is no such act here. Open the page again.", StatusCodes.Status422UnprocessableEntity) : NotFound();

    /// <summary>Plans by the other edition; the page then shows the way back.</summary>
    public async Task<IActionResult> OnPostTakeAsync(string edition, int from)
    {
        if (await bench.OpenAsync(new JobKey(Key)) is not { } before)
        {
            return NotFound();
        }

        try
        {
            var taken = Entry.Edition(edition);
            var outcome = await bench.ChangeAsync(new(Key), from, Crew.Of(HttpContext), new SetEdition(taken));
            With = ((int)before.Plan.Job.Edition).ToString(System.Globalization.CultureInfo.InvariantCulture);
            await LoadAsync();
            switch (outcome)
            {
                case Outcome.Changed changed:
                    Said = $"{changed.Phrase}. {string.Join(" · ", changed.Followed)}";
                    return Page();
                case Outcome.Overtaken overtaken:
                    return Refuse($"Not saved: {overtaken.Latest.Who} was first with “{overtaken.Latest.Phrase}”. Look again, and do it on top.", StatusCodes.Status409Conflict);
                default:
                    return Refuse(((Outcome.Refused)outcome).Sentence, StatusCodes.Status422UnprocessableEntity);
            }
        }
        catch (FormatException e)
        {
            await LoadAsync();
            return Refuse(e.Message, StatusCodes.Status422UnprocessableEntity);
        }
    }

    private PageResult Refuse(string sentence, int status)
    {
        (Said, Refused, Response.StatusCode) = (sentence, true, status);
        return Page();
    }

    private async Task<bool> LoadAsync()
    {
        if (await bench.OpenAsync(new JobKey(Key)) is not { } open)
        {
            return false;
        }

        var own = open.Plan.Job.Edition;
        var next = own == Edition.Y2023 ? Edition.Y2020 : own == Edition.Y2020 ? Edition.Y2023 : Edition.Y2020;
        (Open, Other) = (open, Enum.TryParse<Edition>(With, out var asked) && Enum.IsDefined(asked) && asked != own ? asked : next);
        Difference = EditionDifference.Between(open.Plan, Planner.Plan(open.Plan.Job with { Edition = Other }));
        return true;
    }
}
