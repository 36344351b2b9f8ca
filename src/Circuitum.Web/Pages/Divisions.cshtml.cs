using Circuitum.Core;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Redividing;
using Circuitum.Core.Units;
using Circuitum.Data;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>One division of the job beside the others.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Kept">It is kept under that name.</param>
/// <param name="Stands">The plan follows it.</param>
/// <param name="Plan">The plan that follows it.</param>
/// <param name="Amounts">What it comes to.</param>
public sealed record ComparedDivision(string Name, bool Kept, bool Stands, Plan Plan, AimAmounts Amounts);

/// <summary>An aim as a row: how it is called, what a division has of it, and what it weighs.</summary>
public sealed record AimRow(string Words, Func<AimAmounts, string> Value, Func<Aims, string> Weight);

/// <summary>Divisions of a job: a better one is looked for, several are kept and compared.</summary>
public sealed class DivisionsModel(Workbench bench, DivisionSearches searches) : PageModel
{
    /// <summary>Key of the job.</summary>
    [FromRoute]
    public string Key { get; set; } = "";

    /// <summary>The level drawn in the small plans.</summary>
    [FromQuery]
    public string? Level { get; set; }

    /// <summary>The job.</summary>
    public OpenJob Open { get; private set; } = null!;

    /// <summary>The plan that stands.</summary>
    public Plan Plan => Open.Plan;

    /// <summary>The search that runs or has run.</summary>
    public SearchState? Search { get; private set; }

    /// <summary>What the plan that follows the found division differs by; null while there is none.</summary>
    public DivisionEffect? Found { get; private set; }

    /// <summary>Divisions to compare.</summary>
    public IReadOnlyList<ComparedDivision> Compared { get; private set; } = [];

    /// <summary>What was done, or why not.</summary>
    public string? Said { get; private set; }

    /// <summary>True when nothing was done.</summary>
    public bool Refused { get; private set; }

    /// <summary>Seconds a search may take.</summary>
    public static IReadOnlyList<int> Times { get; } = [5, 10, 30, 60, 300];

    /// <summary>The aims.</summary>
    public static IReadOnlyList<AimRow> Rows { get; } =
    [
        new("Cable of the chains", a => $"{a.Cable.WholeFeetUp} ft", w => $"{w.Cable} of a foot"),
        new("Breakers", a => $"{a.Breakers}", w => $"{w.Breaker} each"),
        new("Darkness, outlets", a => a.Darkness.ToString("0.0", System.Globalization.CultureInfo.InvariantCulture), w => $"{w.Darkness} each"),
        new("Beyond the wanted fill", a => a.Crowding.ToString(), w => $"{w.Crowding} a hundredth above {w.WantedFill}"),
        new("Floors crossed", a => $"{a.Crossings}", w => $"{w.Crossing} each"),
        new("Into another room", a => $"{a.RoomsLeft}", w => $"{w.LeavingRoom} each"),
        new("All by the crew's weights", a => $"{a.Weight.WholeFeetUp} ft", _ => "feet of cable"),
    ];

    /// <summary>Shows the page.</summary>
    public async Task<IActionResult> OnGetAsync() => await LoadAsync() ? Page() : NotFound();

    /// <summary>The search only, asked for while it runs.</summary>
    public async Task<IActionResult> OnGetSearchAsync() => await LoadAsync(compare: false) ? Partial("_Search", this) : NotFound();

    /// <summary>An act that this page does not know.</summary>
    public async Task<IActionResult> OnPostAsync() => await LoadAsync() ? Refuse("There is no such act here. Open the page again.", StatusCodes.Status422UnprocessableEntity) : NotFound();

    /// <summary>Starts a search.</summary>
    public async Task<IActionResult> OnPostFindAsync(string seconds)
    {
        if (await bench.OpenAsync(new JobKey(Key)) is not { } open)
        {
            return NotFound();
        }

        if (!int.TryParse(seconds, out var time) || !Times.Contains(time))
        {
            await LoadAsync();
            return Refuse("Choose how long to look from the list.", StatusCodes.Status422UnprocessableEntity);
        }

        searches.Start(open.Key, open, time);
        return await SearchOnlyAsync();
    }

    /// <summary>Ends the search; what it found stays.</summary>
    public async Task<IActionResult> OnPostCancelAsync()
    {
        await searches.StopAsync(new(Key));
        return await SearchOnlyAsync();
    }

    /// <summary>Puts the found division away.</summary>
    public Task<IActionResult> OnPostPutAwayAsync()
    {
        searches.Drop(new(Key));
        return SearchOnlyAsync();
    }

    /// <summary>Keeps the found division under a name, and follows it where asked.</summary>
    public Task<IActionResult> OnPostAcceptAsync(string? name, bool follow, int from) => ChangeAsync(from, () => searches.Of(new(Key))?.Latest is { } found
        ? new KeepDivision(found.Division with { Name = string.IsNullOrWhiteSpace(name) ? DivisionSearches.Name : name.Trim() }, follow)
        : throw new FormatException("What was found is not there any more. Look again."), () => searches.Drop(new(Key)));

    /// <summary>Keeps the division that stands.</summary>
    public Task<IActionResult> OnPostKeepAsync(string? name, int from) => ChangeAsync(from, () => string.IsNullOrWhiteSpace(name) ? throw new FormatException("Give the division a name of 1 to 40 characters.") : new KeepStanding(name));

    /// <summary>Follows a kept division, or the planner's own.</summary>
    public Task<IActionResult> OnPostFollowAsync(string? name, int from) => ChangeAsync(from, () => new FollowDivision(string.IsNullOrEmpty(name) ? null : name));

    /// <summary>Drops a kept division.</summary>
    public Task<IActionResult> OnPostDropAsync(string? name, int from) => ChangeAsync(from, () => new DropDivision(name ?? ""));

    private async Task<IActionResult> SearchOnlyAsync() => !await LoadAsync(compare: !Request.Headers.ContainsKey("HX-Request")) ? NotFound() : Request.Headers.ContainsKey("HX-Request") ? Partial("_Search", this) : Page();

    private async Task<IActionResult> ChangeAsync(int from, Func<JobChange> change, Action? after = null)
    {
        if (!await LoadAsync(compare: false))
        {
            return NotFound();
        }

        try
        {
            var outcome = await bench.ChangeAsync(new(Key), from, Crew.Of(HttpContext), change());
            if (outcome is Outcome.Changed)
            {
                after?.Invoke();
            }

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

    private async Task<bool> LoadAsync(bool compare = true)
    {
        if (await bench.OpenAsync(new JobKey(Key)) is not { } open)
        {
            return false;
        }

        (Open, Search) = (open, searches.Of(open.Key));
        if (Search is { Running: false, Latest: { IsBetter: true } found } && new KeepDivision(found.Division, true).On(Plan.Job).Job is { } after)
        {
            Found = new(Plan, Planner.Plan(after));
        }

        if (compare)
        {
            Compared = [.. Divisions().Select(Compare)];
        }

        return true;
    }

    // The planner's own first, then what is kept.
    private IEnumerable<(string Name, string? Follow)> Divisions() => Plan.Job.Divisions.Select(d => (d.Name, (string?)d.Name)).Prepend(("The planner's own", null));

    private ComparedDivision Compare((string Name, string? Follow) division)
    {
        var job = Plan.Job with { Follows = division.Follow };
        var stands = Plan.Job.Follows == division.Follow;
        return new(division.Name, division.Follow is not null, stands, stands ? Plan : Planner.Plan(job), Redivide.Weigh(job));
    }
}
