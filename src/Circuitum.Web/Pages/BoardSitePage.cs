using Circuitum.Core.Boards;
using Circuitum.Core.Jobs;
using Circuitum.Core.Site;
using Circuitum.Data;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>Metric boards on site: what is laid, drawn in, connected and measured, circuit by circuit.</summary>
public abstract class BoardSitePage(KeptBoards boards, TimeProvider clock) : PageModel
{
    private const int LongestSeen = 300;

    /// <summary>What they are planned to.</summary>
    public BoardPlan Plan { get; private set; } = null!;

    /// <summary>What is done.</summary>
    public BoardSite Site { get; private set; } = null!;

    /// <summary>Why what was sent was not written down; null where it was.</summary>
    public string? Problem { get; private set; }

    /// <summary>The key of the address.</summary>
    [FromRoute]
    public string Key { get; set; } = "";

    /// <summary>The address of this page.</summary>
    public abstract string Here { get; }

    /// <summary>The page of the boards themselves, and what it is called.</summary>
    public abstract (string Address, string Words) Back { get; }

    /// <summary>Where photographs of its rooms are taken; null where no house is drawn.</summary>
    public virtual string? Photographs => null;

    /// <summary>Shows what is done.</summary>
    public async Task<IActionResult> OnGetAsync() => await OpenAsync() ? Page() : NotFound();

    /// <summary>Writes a step down.</summary>
    /// <param name="subject">The circuit, or the device.</param>
    /// <param name="step">Which.</param>
    /// <param name="reading">What a tester showed, where the step asks for it.</param>
    /// <param name="seen">The circuit as it stood on the page; as it stands now where nothing is sent.</param>
    /// <param name="kept">When it was pressed on a phone that kept it, and its id there.</param>
    public async Task<IActionResult> OnPostAsync(string? subject, BoardStep step, string? reading, string? seen, KeptOnPhone kept)
    {
        if (!await OpenAsync())
        {
            return NotFound();
        }

        if (Site.Lines.FirstOrDefault(l => l.Subject == subject) is not { } line || line.Steps.All(s => s.Step != step))
        {
            return Refused("The plan was changed meanwhile and has no such step. Nothing was written down; look again.");
        }

        var read = (reading ?? "").Trim();
        var asked = BoardReading.Of(step);
        if (asked is { } test && read.Length is 0 or > BoardReading.Longest)
        {
            return Refused($"{line.Words}: {step.Words()} needs its reading, like {test.Example}. Nothing was written down.");
        }

        try
        {
            _ = asked is null ? [] : line.Wrong(step, read);
        }
        catch (FormatException e)
        {
            return Refused($"{e.Message} Nothing was written down.");
        }

        var words = Printed.Of(seen ?? "").Trim() is { Length: > 0 and <= LongestSeen } then ? then : line.Words;
        return await WriteAsync(new(kept.EntryId, line.Subject, step, kept.Before(clock), Crew.Of(HttpContext), words,
            asked is null ? "" : read, null), line.Subject);
    }

    /// <summary>Takes a step back.</summary>
    /// <param name="entry">The entry that did it.</param>
    /// <param name="kept">When it was pressed on a phone that kept it, and its id there.</param>
    public async Task<IActionResult> OnPostBackAsync(string? entry, KeptOnPhone kept)
    {
        if (!await OpenAsync())
        {
            return NotFound();
        }

        var done = Site.Lines.SelectMany(l => l.Steps).Select(s => s.Done).OfType<BoardEntry>().Concat(Site.Gone)
            .FirstOrDefault(e => e.Id == EntryId.TryParse(entry));
        // Two who share a phone press the same button: once is enough.
        return done is null ? Redirect(Here)
            : await WriteAsync(done with { Id = kept.EntryId, At = kept.Before(clock), Who = Crew.Of(HttpContext), TakesBack = done.Id },
                done.Subject);
    }

    /// <summary>Where a line stands on the page.</summary>
    public static string Place(string subject) => subject.Replace(' ', '-');

    /// <summary>The boards of the address; null where there are none.</summary>
    protected abstract Task<BoardPlan?> PlannedAsync();

    private async Task<IActionResult> WriteAsync(BoardEntry entry, string subject) => await boards.AppendAsync(Key, [entry])
        ? Redirect($"{Here}#{Uri.EscapeDataString(Place(subject))}")
        : Refused($"{KeptBoards.MostEntries} facts are written down for this board, which is all it holds.");

    private PageResult Refused(string problem)
    {
        Problem = problem;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private async Task<bool> OpenAsync()
    {
        if (await PlannedAsync() is not { } plan)
        {
            return false;
        }

        Plan = plan;
        Site = BoardSite.Of(plan, await boards.EntriesAsync(Key));
        return true;
    }
}
