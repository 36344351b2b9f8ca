using Circuitum.Core.Boards;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Data;
using Circuitum.Formats.Csv;
using Circuitum.Formats.Pdf;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>A metric board from a point list: typed, brought as a file, or read off a drawn house; planned while it is typed.</summary>
public sealed class MetricBoardModel(Workbench bench, JobRevisions revisions, KeptBoards boards) : PageModel
{
    private const string FileType = "text/csv; charset=utf-8";

    private string? found;

    /// <summary>What is in the field.</summary>
    public string Text { get; private set; } = "";

    /// <summary>What it is planned to; null where it cannot be read.</summary>
    public BoardPlan? Plan { get; private set; }

    /// <summary>Why it cannot be read; null where it can.</summary>
    public string? Problem { get; private set; }

    /// <summary>What is to be looked at.</summary>
    public IReadOnlyList<BoardTag> Tags { get; private set; } = [];

    /// <summary>Jobs whose points can be read.</summary>
    public IReadOnlyList<JobListing> Jobs { get; private set; } = [];

    /// <summary>The list that is kept here; null for one that is not.</summary>
    public KeptBoard? Kept { get; private set; }

    /// <summary>The address of this list.</summary>
    public string Here => Kept is { } kept ? $"/metric-board/{kept.Key}" : "/metric-board";

    /// <summary>The number of the keeping that what is in the field was made from.</summary>
    public int After { get; private set; }

    /// <summary>A list that is kept here, the points of a drawn house, or the villa to begin with.</summary>
    public async Task<IActionResult> OnGetAsync([FromQuery] string? job)
    {
        if (job is null)
        {
            return await FoundAsync() ? await ShowAsync(Kept?.Text ?? Villa.Text) : NotFound();
        }

        if (job.Length > 40 || await bench.OpenAsync(new(job)) is not { } open)
        {
            return NotFound();
        }

        Drawn = job;
        var brief = PointsOfHouse.Of(open.Plan);
        return PointsOfHouse.TooMany(open.Plan) is { } many ? await ShowAsync(Villa.Text, many)
            : brief.Rooms.IsEmpty ? await ShowAsync(Villa.Text, $"Nothing is laid out in {open.Plan.Job.Name} yet: place its boxes first.")
            : await ShowAsync(BoardText.Write(brief));
    }

    /// <summary>Keeps the list here: as a board of its own, or as the next of this one.</summary>
    public async Task<IActionResult> OnPostSaveAsync([FromForm] int after)
    {
        if (!await FoundAsync())
        {
            return NotFound();
        }

        Read(Sent);
        if (Plan is null)
        {
            return await ShowAsync(Sent);
        }

        var (name, who) = (Plan.Brief.Name, Crew.Of(HttpContext));
        if (Kept is not { } kept)
        {
            return await boards.BeginAsync(name, Sent, who) is { } key ? Redirect($"/metric-board/{key}")
                : await ShowAsync(Sent, $"{KeptBoards.Most} boards are kept here; delete one that is not needed, or keep this list as a "
                    + "file.");
        }

        // A list that stands as it was kept is not kept again.
        if (kept.Text == Sent || await boards.KeepAsync(kept.Key, after, name, Sent, who))
        {
            return Redirect(Here);
        }

        return await ShowAsync(Sent, kept.Number >= KeptBoards.MostOfBoard
            ? "This board was kept as often as may be; keep the list as a file and begin it anew."
            : $"{kept.Who} kept another list here meanwhile, and yours was not kept. It is in the field: keep it once more to put it after "
                + "theirs.");
    }

    /// <summary>Deletes what is kept here, once its name was typed.</summary>
    public async Task<IActionResult> OnPostDeleteAsync(string? typed)
    {
        if (!await FoundAsync() || Kept is not { } kept)
        {
            return NotFound();
        }

        if (typed?.Trim() != kept.Name)
        {
            return await ShowAsync(kept.Text, $"Nothing was deleted: type “{kept.Name}” to delete it with what was written down on site.");
        }

        await boards.DeleteAsync(kept.Key);
        return Redirect("/");
    }

    /// <summary>Plans what was typed, and shows all of the page.</summary>
    public async Task<IActionResult> OnPostAsync([FromForm] string? find)
    {
        if (!await FoundAsync())
        {
            return NotFound();
        }

        found = find;
        return await ShowAsync(Sent);
    }

    /// <summary>Plans what is being typed, and shows what comes of it.</summary>
    public IActionResult OnPostShow()
    {
        Read(Sent);
        return Partial("_MetricBoards", View);
    }

    /// <summary>Takes a list that was kept as a file.</summary>
    public async Task<IActionResult> OnPostBringAsync(IFormFile? file)
    {
        if (!await FoundAsync())
        {
            return NotFound();
        }

        if (file is null || file.Length > BoardText.MostLong * 4)
        {
            return await ShowAsync(Villa.Text, file is null ? "Choose a file first."
                : $"The file is too large: a list has {BoardText.MostLong} characters at most.");
        }

        using var reader = new StreamReader(file.OpenReadStream());
        return await ShowAsync(Lines(await reader.ReadToEndAsync()));
    }

    /// <summary>The schedules on A4.</summary>
    public Task<IActionResult> OnPostPrintAsync() =>
        FileAsync("boards.pdf", "application/pdf", BoardPdf.Write);

    /// <summary>The schedule as a list.</summary>
    public Task<IActionResult> OnPostScheduleAsync() =>
        FileAsync("board-schedule.csv", FileType, plan => Utf8(BoardCsv.Schedule(plan)));

    /// <summary>The points as a list.</summary>
    public Task<IActionResult> OnPostPointsAsync() =>
        FileAsync("board-points.csv", FileType, plan => Utf8(BoardCsv.Points(plan)));

    /// <summary>What is bought.</summary>
    public Task<IActionResult> OnPostMaterialAsync() =>
        FileAsync("board-material.csv", FileType, plan => Utf8(BoardCsv.Material(plan)));

    /// <summary>The point list itself, to be kept and brought again.</summary>
    public Task<IActionResult> OnPostKeepAsync() =>
        FileAsync("points.board.txt", "text/plain; charset=utf-8", plan => Utf8(BoardText.Write(plan.Brief)));

    /// <summary>What is asked of the boards.</summary>
    public BoardQuestions Asks { get; private set; } = null!;

    /// <summary>The boards as they are shown.</summary>
    public MetricBoardsView View => new(Plan, Tags, Problem) { Asks = Asks };

    /// <summary>The house that the points were read off; null for a list.</summary>
    public string? Drawn { get; private set; }

    /// <summary>How a tag is read out.</summary>
    public static string Word(Severity severity) => Told.Name(severity);

    // What was typed, whose lines the reader of other fields would join.
    private string Sent => Lines(Request.HasFormContentType ? Request.Form["text"].ToString() : "");

    private static string Lines(string text) => text.Length > BoardText.MostLong * 4 ? text
        : string.Join('\n', text.ReplaceLineEndings("\n").Split('\n').Select(Printed.Of));

    // The list of the address, where it names one; false where there is none of that name.
    private async Task<bool> FoundAsync() => RouteData.Values["key"] is not string key
        || (key.Length <= 24 && (Kept = await boards.FindAsync(key)) is not null);

    private async Task<IActionResult> FileAsync(string name, string type, Func<BoardPlan, byte[]> write)
    {
        if (!await FoundAsync())
        {
            return NotFound();
        }

        Read(Sent);
        return Plan is null ? await ShowAsync(Sent) : File(write(Plan), type, name);
    }

    private async Task<IActionResult> ShowAsync(string text, string? problem = null)
    {
        Read(text);
        After = Kept?.Number ?? 0;
        Jobs = await revisions.ListAsync();
        Problem = problem ?? Problem;
        Response.StatusCode = Problem is null ? StatusCodes.Status200OK : StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private void Read(string text)
    {
        Text = text;
        Asks = BoardQuestions.Of(Here, found, name => Request.HasFormContentType ? Request.Form[name].ToString() : "");
        try
        {
            Plan = BoardPlanner.Plan(BoardText.Read(text));
            Tags = BoardChecks.Of(Plan);
        }
        catch (FormatException e)
        {
            Problem = e.Message;
        }
    }

    private static byte[] Utf8(string text) => System.Text.Encoding.UTF8.GetBytes(text);
}
