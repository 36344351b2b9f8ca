using System.Text;
using Circuitum.Core.Boards;
using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Formats.Csv;
using Circuitum.Formats.Pdf;
using Circuitum.Formats.Svg;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Http.Extensions;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>A house that is drawn, planned by the metric method: conduits over its plan, each length measured, and the boards they go
/// to.</summary>
public sealed class JobMetricModel(Workbench bench) : JobPage(bench)
{
    private const int MostSaid = 2000;
    private const string FileType = "text/csv; charset=utf-8";
    private string? typed;

    /// <summary>How it is fed, as lines of a point list say it: as the job has it, or as it was typed and not taken.</summary>
    public string Fed => typed ?? BoardText.Lines(Open.Plan.Job.Metric ?? new());

    /// <summary>The level drawn.</summary>
    [FromQuery]
    public string? Level { get; set; }

    /// <summary>The circuit that is looked at: “Board A/7”.</summary>
    [FromQuery]
    public string? Way { get; set; }

    /// <summary>The boards; null where nothing is laid out.</summary>
    public BoardPlan? Plan { get; private set; }

    /// <summary>Why there are none.</summary>
    public string? Problem { get; private set; }

    /// <summary>The level that is drawn.</summary>
    public FramedLevel Drawn { get; private set; } = null!;

    /// <summary>The circuit that is looked at.</summary>
    public BoardWay? Chosen { get; private set; }

    /// <summary>Conduit in all of it.</summary>
    public decimal Metres => Plan!.Boards.SelectMany(b => b.Ways).Sum(w => w.Circuit.WithDrops.Metres);

    /// <summary>The boards as they are shown.</summary>
    public MetricBoardsView View => new(Plan, Plan is null ? [] : BoardChecks.Of(Plan), null)
    {
        Asks = BoardQuestions.Of(Here(level: Drawn.Level.Id.Value), Request.Query["find"], name => Request.Query[name].ToString()),
        Drawn = (board, way) => Here(way: Told(board, way), level: LevelOf(way)) + "#drawn",
        Chosen = Chosen,
    };

    /// <summary>The drawing of the level with its conduits.</summary>
    public string Drawing => ConduitDrawing.Draw(Open.Plan, Plan!, Drawn, Chosen, standalone: false);

    /// <summary>The address of this page with another level or circuit, or of one of its files.</summary>
    public string Here(string? way = null, string? level = null, string? handler = null) => $"/job/{Key}/metric"
        + new QueryBuilder(new[] { ("handler", handler), ("level", level), ("way", way) }
            .Where(p => !string.IsNullOrEmpty(p.Item2)).Select(p => KeyValuePair.Create(p.Item1, p.Item2!)));

    /// <summary>Says how it is fed: from then on the house is planned by this method as well. A field of lines is read by itself: others
    /// are one line.</summary>
    public async Task<IActionResult> OnPostFeedAsync(int from)
    {
        var lines = string.Join('\n', Request.Form["fed"].ToString().ReplaceLineEndings("\n").Split('\n').Select(Printed.Of));
        var answer = await ChangeAsync(from, () => Task.FromResult<JobChange>(new SetMetricFeed(lines.Length <= MostSaid
            ? BoardText.Feed(lines) : throw new FormatException($"How it is fed has {lines.Length} characters; {MostSaid} is the most."))));
        typed = Refused ? lines : null;
        return answer;
    }

    /// <summary>Plans it by this method no more.</summary>
    public Task<IActionResult> OnPostNoneAsync(int from) => ChangeAsync(from, () => Task.FromResult<JobChange>(new SetMetricFeed(null)));

    /// <summary>How many tags hang on the boards, for the strip of the stages: found after the page that shows it.</summary>
    public async Task<IActionResult> OnGetCountsAsync() => await LoadAsync() ? Partial("_BoardCounts", Plan) : NotFound();

    /// <summary>The schedules on A4.</summary>
    public Task<IActionResult> OnGetPrintAsync() => FileAsync("boards.pdf", "application/pdf", BoardPdf.Write);

    /// <summary>The schedule as a list.</summary>
    public Task<IActionResult> OnGetScheduleAsync() => FileAsync("board-schedule.csv", FileType, p => Utf8(BoardCsv.Schedule(p)));

    /// <summary>The points as a list.</summary>
    public Task<IActionResult> OnGetPointsAsync() => FileAsync("board-points.csv", FileType, p => Utf8(BoardCsv.Points(p)));

    /// <summary>What is bought.</summary>
    public Task<IActionResult> OnGetMaterialAsync() => FileAsync("board-material.csv", FileType, p => Utf8(BoardCsv.Material(p)));

    /// <summary>The level with its conduits, to be printed to scale.</summary>
    public Task<IActionResult> OnGetDrawingAsync() => FileAsync("conduits.svg", "image/svg+xml",
        p => Utf8(ConduitDrawing.Draw(Open.Plan, p, Drawn, Chosen, standalone: true)));

    /// <inheritdoc/>
    protected override async Task ReadAsync()
    {
        var levels = Open.Plan.House.Levels.ToList();
        Drawn = levels.Find(l => l.Level.Id.Value == Level) ?? levels[0];
        Problem = PointsOfHouse.TooMany(Open.Plan);
        Plan = await BoardsAsync();
        Problem ??= Plan is null ? $"Nothing is laid out in {Open.Plan.Job.Name} yet: place its boxes first." : null;
        Chosen = Plan?.Boards.SelectMany(b => b.Ways.Select(w => (Name: Told(b, w), Way: w))).FirstOrDefault(w => w.Name == Way).Way;
        Response.StatusCode = Problem is null ? StatusCodes.Status200OK : StatusCodes.Status422UnprocessableEntity;
    }

    private static string Told(MetricBoard board, BoardWay way) => $"{board.Name}/{way.Number}";

    private string? LevelOf(BoardWay way) => way.Circuit.Points[0].Point.At is { } at
        ? Open.Plan.House.Structures[at.Structure].Levels[at.Level].Level.Id.Value : null;

    private async Task<IActionResult> FileAsync(string name, string type, Func<BoardPlan, byte[]> write) => !await LoadAsync() ? NotFound()
        : Plan is { } plan ? File(write(plan), type, name) : Page();

    private static byte[] Utf8(string text) => Encoding.UTF8.GetBytes(text);
}
