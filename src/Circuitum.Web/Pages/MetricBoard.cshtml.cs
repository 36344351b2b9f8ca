using Circuitum.Core.Boards;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules.Gulf;
using Circuitum.Data;
using Circuitum.Formats.Csv;
using Circuitum.Formats.Pdf;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>A metric board from a point list: typed, brought as a file, or read off a drawn house; planned while it is typed.</summary>
public sealed class MetricBoardModel(Workbench bench, JobRevisions revisions) : PageModel
{
    private const string FileType = "text/csv; charset=utf-8";

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

    /// <summary>The villa to begin with, or the points of a drawn house.</summary>
    public async Task<IActionResult> OnGetAsync([FromQuery] string? job)
    {
        if (job is null)
        {
            return await ShowAsync(Villa.Text);
        }

        if (job.Length > 40 || await bench.OpenAsync(new(job)) is not { } open)
        {
            return NotFound();
        }

        var brief = PointsOfHouse.Of(open.Plan);
        return brief.Rooms.IsEmpty ? await ShowAsync(Villa.Text, $"Nothing is laid out in {open.Plan.Job.Name} yet: place its boxes first.")
            : await ShowAsync(BoardText.Write(brief));
    }

    /// <summary>Plans what was typed, and shows all of the page.</summary>
    public Task<IActionResult> OnPostAsync([FromForm] string? find)
    {
        // Answers that nobody's button sends are passed over: the list stands all the same.
        Answers = find is { Length: < 60 } && AnswersOf(find) is { Length: <= TripFinder.MostAnswers } sent
            && sent.All(a => a is 't' or 'h') ? find : null;
        return ShowAsync(Sent);
    }

    /// <summary>Plans what is being typed, and shows what comes of it.</summary>
    public IActionResult OnPostShow()
    {
        Read(Sent);
        return Partial("_MetricBoards", this);
    }

    /// <summary>Takes a list that was kept as a file.</summary>
    public async Task<IActionResult> OnPostBringAsync(IFormFile? file)
    {
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

    /// <summary>Where the search for what opens a section's device stands; null while nobody asked.</summary>
    public TripFinder? Finding(MetricBoard board, BoardSection section) =>
        Answers is { } sent && sent.StartsWith(AskedOf(board, section), StringComparison.Ordinal)
            ? TripFinder.After(section, AnswersOf(sent)) : null;

    /// <summary>What was answered so far, for the next button.</summary>
    public static string AnswersOf(string? sent) => sent is null ? "" : sent[(sent.LastIndexOf('/') + 1)..];

    /// <summary>How a section is told by its button, the answers after it.</summary>
    public static string AskedOf(MetricBoard board, BoardSection section) => $"{board.Name}/{section.Letter}/";

    /// <summary>The section that is searched, and the answers: “Board A/C/th”.</summary>
    public string? Answers { get; private set; }

    /// <summary>The name of the field for the reading of a ring.</summary>
    public static string EndsField(MetricBoard board, BoardWay way) => $"ends {board.Name} {way.Number}";

    /// <summary>What was typed for a ring's ends.</summary>
    public string EndsTyped(MetricBoard board, BoardWay way) =>
        Request.HasFormContentType ? Request.Form[EndsField(board, way)].ToString() : "";

    /// <summary>What the reading of a ring says, or why it is none; nothing where nothing was typed.</summary>
    public IReadOnlyList<string> EndsSay(MetricBoard board, BoardWay way)
    {
        if (EndsTyped(board, way) is not { Length: > 0 } typed || way.Sized.RingEnds is not { } ends)
        {
            return [];
        }

        try
        {
            return RingReading.Parse(typed).Against(ends.Phase, ends.Earth);
        }
        catch (FormatException e)
        {
            return [e.Message];
        }
    }

    /// <summary>Volts of the supply, in words.</summary>
    public string Supply => Plan!.Brief.ThreePhase ? $"three phases, {MetricRules.ToNeutral} and {MetricRules.Between}"
        : $"one phase, {MetricRules.ToNeutral}";

    /// <summary>How a tag is read out.</summary>
    public static string Word(Severity severity) => Told.Name(severity);

    // What was typed, whose lines the reader of other fields would join.
    private string Sent => Lines(Request.HasFormContentType ? Request.Form["text"].ToString() : "");

    private static string Lines(string text) => text.Length > BoardText.MostLong * 4 ? text
        : string.Join('\n', text.ReplaceLineEndings("\n").Split('\n').Select(Printed.Of));

    private async Task<IActionResult> FileAsync(string name, string type, Func<BoardPlan, byte[]> write)
    {
        Read(Sent);
        return Plan is null ? await ShowAsync(Sent) : File(write(Plan), type, name);
    }

    private async Task<IActionResult> ShowAsync(string text, string? problem = null)
    {
        Read(text);
        Jobs = await revisions.ListAsync();
        Problem = problem ?? Problem;
        Response.StatusCode = Problem is null ? StatusCodes.Status200OK : StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private void Read(string text)
    {
        Text = text;
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
