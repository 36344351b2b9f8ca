using System.Collections.Immutable;
using Circuitum.Core;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Formats.Svg;

/// <summary>Draws what a chosen run can be taken hold of by: the places it is held by, and the middle of every stretch in a floor or an
/// attic.</summary>
internal static class ViaDrawing
{
    /// <summary>Handles on the level where the run begins.</summary>
    public static void Draw(SvgText svg, Plan plan, FramedLevel level, DrawingView view)
    {
        if (view.Link is null || view.Stage != Stage.Runs || view.Selected?.AsRun is not { } chosen
            || plan.FindRun(chosen) is not var (_, run)
            || run.From.Place.Structure != level.Structure)
        {
            return;
        }

        if (plan.Job.Trenches.FirstOrDefault(t => t.From == plan.House.Structures[run.From.Place.Structure].Structure.Id
            && t.To == plan.House.Structures[run.To.Place.Structure].Structure.Id) is { } trench)
        {
            Corners(svg, trench, plan.House.Structures[level.Structure].Structure.Origin);
            return;
        }

        // Places are told from the first end of the run's id, wherever it is fed from.
        var via = plan.Job.Pins.HeldBy(run.Id);
        var passed = 0;
        foreach (var leg in run.IsBackwards ? run.Way.Legs.Reverse().Select(l => l with { From = l.To, To = l.From }) : run.Way.Legs)
        {
            if (leg.Space is Space.Joists or Space.Attic && leg.Run > Length.FromFeet(1) && via.Length < Core.Changes.PinWay.Most)
            {
                Handle(svg, $"+{passed + 1} {run.Id}", new((leg.From.X + leg.To.X) / 2, (leg.From.Y + leg.To.Y) / 2), "via spare");
            }

            while (passed < via.Length && leg.To.Plan == via[passed])
            {
                passed++;
            }
        }

        for (var i = 0; i < via.Length; i++)
        {
            Handle(svg, $"{i + 1} {run.Id}", via[i], "via");
        }
    }

    // Corners of a trench on the plan of the building it comes from, and the middle of every stretch between them.
    private static void Corners(SvgText svg, Core.Jobs.Trench trench, Point origin)
    {
        var path = trench.Path.Select(p => p.By(-origin.X, -origin.Y)).ToList();
        for (var i = 0; i + 1 < path.Count && path.Count < Core.Jobs.Trench.MostPoints; i++)
        {
            Handle(svg, $"+{i + 1} trench:{trench.Id}", new((path[i].X + path[i + 1].X) / 2, (path[i].Y + path[i + 1].Y) / 2), "via spare");
        }

        for (var i = 1; i + 1 < path.Count; i++)
        {
            Handle(svg, $"{i} trench:{trench.Id}", path[i], "via");
        }
    }

    private static void Handle(SvgText svg, string key, Point at, string css) => svg
        .Open("g", ("class", css), ("data-drag", "via"), ("data-key", key), ("data-x", SvgText.N(at.X)), ("data-y", SvgText.N(at.Y)))
        .Empty("circle", ("class", "hit"), ("cx", SvgText.N(at.X)), ("cy", SvgText.N(at.Y)), ("r", "9"))
        .Empty("circle", ("class", "via-ring"), ("cx", SvgText.N(at.X)), ("cy", SvgText.N(at.Y)), ("r", "3.6"))
        .Close("g");
}
