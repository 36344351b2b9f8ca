using Circuitum.Core.Boards;
using Circuitum.Core.Rules.Gulf;
using Circuitum.Web.Pages;

namespace Circuitum.Web.Bench;

/// <summary>Metric boards as they are shown, of a list or of a house that is drawn.</summary>
/// <param name="Plan">The boards; null where they cannot be planned.</param>
/// <param name="Tags">What is to be looked at.</param>
/// <param name="Problem">Why they cannot be planned, or what was not done; null where there is nothing to say.</param>
public sealed record MetricBoardsView(BoardPlan? Plan, IReadOnlyList<BoardTag> Tags, string? Problem)
{
    /// <summary>What is asked of them.</summary>
    public required BoardQuestions Asks { get; init; }

    /// <summary>Where a circuit is shown on the drawing; null without one.</summary>
    public Func<MetricBoard, BoardWay, string>? Drawn { get; init; }

    /// <summary>The way that is looked at.</summary>
    public BoardWay? Chosen { get; init; }

    /// <summary>Volts of the supply, in words.</summary>
    public string Supply => Plan!.Brief.Fed.ThreePhase ? $"three phases, {MetricRules.ToNeutral} and {MetricRules.Between}"
        : $"one phase, {MetricRules.ToNeutral}";
}
