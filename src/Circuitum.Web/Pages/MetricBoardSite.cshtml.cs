using Circuitum.Core.Boards;
using Circuitum.Data;

namespace Circuitum.Web.Pages;

/// <summary>A metric board of a list on site.</summary>
public sealed class MetricBoardSiteModel(KeptBoards boards, TimeProvider clock) : BoardSitePage(boards, clock)
{
    private readonly KeptBoards boards = boards;

    /// <inheritdoc/>
    public override string Here => $"/metric-board/{Key}/site";

    /// <inheritdoc/>
    public override (string Address, string Words) Back => ($"/metric-board/{Key}", "Its list and boards");

    /// <inheritdoc/>
    protected override async Task<BoardPlan?> PlannedAsync() => Key.Length <= 24 && await boards.FindAsync(Key) is { } kept
        ? BoardPlanner.Plan(BoardText.Read(kept.Text)) : null;
}
