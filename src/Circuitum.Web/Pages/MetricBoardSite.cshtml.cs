using Circuitum.Core.Boards;
using Circuitum.Core.Site;
using Circuitum.Data;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>A metric board on site: what is laid, drawn in, connected and measured, circuit by circuit.</summary>
public sealed class MetricBoardSiteModel(KeptBoards boards, TimeProvider clock) : PageModel
{
    /// <summary>The list it is planned from.</summary>
    public KeptBoard Kept { get; private set; } = null!;

    /// <summary>What it is planned to.</summary>
    public BoardPlan Plan { get; private set; } = null!;

    /// <summary>What is done.</summary>
    public BoardSite Site { get; private set; } = null!;

    /// <summary>Why what was sent was not written down; null where it was.</summary>
    public string? Problem { get; private set; }

    /// <summary>The address of this page.</summary>
    public string Here => $"/metric-board/{Kept.Key}/site";

    /// <summary>Shows what is done.</summary>
    public async Task<IActionResult> OnGetAsync(string key) => await OpenAsync(key) ? Page() : NotFound();

    /// <summary>Writes a step down.</summary>
    public async Task<IActionResult> OnPostAsync(string key, string? subject, BoardStep step, string? reading)
    {
        if (!await OpenAsync(key))
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
            _ = asked is null ? [] : BoardReading.Wrong(step, line.Way?.Sized, read);
        }
        catch (FormatException e)
        {
            return Refused($"{e.Message} Nothing was written down.");
        }

        return await WriteAsync(new(new(Guid.NewGuid()), line.Subject, step, Now, Crew.Of(HttpContext), line.Words,
            asked is null ? "" : read, null), line.Subject);
    }

    /// <summary>Takes a step back.</summary>
    public async Task<IActionResult> OnPostBackAsync(string key, string? entry)
    {
        if (!await OpenAsync(key))
        {
            return NotFound();
        }

        var done = Site.Lines.SelectMany(l => l.Steps).Select(s => s.Done).OfType<BoardEntry>().Concat(Site.Gone)
            .FirstOrDefault(e => e.Id == EntryId.TryParse(entry));
        // Two who share a phone press the same button: once is enough.
        return done is null ? Redirect(Here)
            : await WriteAsync(done with { Id = new(Guid.NewGuid()), At = Now, Who = Crew.Of(HttpContext), TakesBack = done.Id },
                done.Subject);
    }

    /// <summary>Where a line stands on the page.</summary>
    public static string Place(string subject) => subject.Replace(' ', '-');

    private Core.Units.Instant Now => new(clock.GetUtcNow().ToUnixTimeMilliseconds());

    private async Task<IActionResult> WriteAsync(BoardEntry entry, string subject) => await boards.AppendAsync(Kept.Key, [entry])
        ? Redirect($"{Here}#{Uri.EscapeDataString(Place(subject))}")
        : Refused($"{KeptBoards.MostEntries} facts are written down for this board, which is all it holds.");

    private PageResult Refused(string problem)
    {
        Problem = problem;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private async Task<bool> OpenAsync(string key)
    {
        if (key.Length > 24 || await boards.FindAsync(key) is not { } kept)
        {
            return false;
        }

        (Kept, Plan) = (kept, BoardPlanner.Plan(BoardText.Read(kept.Text)));
        Site = BoardSite.Of(Plan, await boards.EntriesAsync(key));
        return true;
    }
}
