using System.Runtime.CompilerServices;
using Circuitum.Core.Boards;
using Circuitum.Core.Plans;

namespace Circuitum.Web.Bench;

// Metric boards of a house that is drawn.
public sealed partial class Workbench
{
    // Ways of conduit take longer to find than the rest of a plan: they are found once for each, and forgotten with it.
    private static readonly ConditionalWeakTable<Plan, BoardPlan> Found = [];

    /// <summary>The boards of a plan, where somebody has asked for them; null while nobody has.</summary>
    public static BoardPlan? BoardsFound(Plan plan) => Found.TryGetValue(plan, out var boards) ? boards : null;

    /// <summary>The boards of a plan; null where nothing is laid out, or more than can be planned together.</summary>
    /// <exception cref="PlanningBusyException">Too much is being planned.</exception>
    public async Task<BoardPlan?> BoardsAsync(Plan plan)
    {
        if (BoardsFound(plan) is { } known)
        {
            return known;
        }

        var boards = PointsOfHouse.TooMany(plan) is null ? await PlanAsync(gone => PointsOfHouse.Boards(plan, gone)) : null;
        if (boards is not null)
        {
            Found.AddOrUpdate(plan, boards);
        }

        return boards;
    }
}
