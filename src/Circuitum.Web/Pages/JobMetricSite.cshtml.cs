using Circuitum.Core.Boards;
using Circuitum.Data;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Pages;

/// <summary>The metric boards of a house that is drawn on site.</summary>
public sealed class JobMetricSiteModel(Workbench bench, KeptBoards boards, TimeProvider clock) : BoardSitePage(boards, clock)
{
    /// <inheritdoc/>
    public override string Here => $"/job/{Key}/metric/site";

    /// <inheritdoc/>
    public override (string Address, string Words) Back => ($"/job/{Key}/metric", "The house with its conduits");

    /// <inheritdoc/>
    public override string? Photographs => $"/job/{Key}/metric/photographs";

    /// <inheritdoc/>
    protected override async Task<BoardPlan?> PlannedAsync() => await bench.OpenAsync(new(Key)) is { } open
        ? await bench.BoardsAsync(open.Plan) : null;
}
