using Circuitum.Core.Boards;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;

namespace Circuitum.Formats.Svg;

/// <summary>Draws the conduits of a metric board over the plan of a house: in the slab over the ceiling as lines, in the slab under the
/// floor dashed, and at every point the number of its way.</summary>
public static class ConduitDrawing
{
    /// <summary>One level with the conduits of its points.</summary>
    /// <param name="plan">The house.</param>
    /// <param name="boards">The boards planned for it, each point where it stands.</param>
    /// <param name="level">The level.</param>
    /// <param name="chosen">The circuit that is looked at; all alike when null.</param>
    /// <param name="standalone">With its style sheet, for use outside the application.</param>
    /// <exception cref="ArgumentException">The boards were not planned for a house that is drawn.</exception>
    public static string Draw(Plan plan, BoardPlan boards, FramedLevel level, BoardWay? chosen, bool standalone)
    {
        var ways = boards.Brief.Ways ?? throw new ArgumentException("These boards are planned from a list.", nameof(boards));
        return PlanDrawing.Draw(plan, level.Level.Id, new()
        {
            Stage = Core.Reasons.Stage.Boxes,
            Standalone = standalone,
            Sizes = Core.Units.Measure.Metres,
            Id = "conduits",
            Over = svg =>
            {
                foreach (var board in boards.Boards.Where(b => b.Stand > 0).DistinctBy(b => b.Stand))
                {
                    svg.Open("g", ("class", "conduit feeder" + (chosen is null ? "" : " other")));
                    Legs(svg, [ways.Between(ways.Boards[0], ways.Boards[board.Stand])], level);
                    svg.Close("g");
                }

                foreach (var way in boards.Boards.SelectMany(b => b.Ways).OrderBy(w => w == chosen ? 1 : 0))
                {
                    Way(svg, way, ways, level, chosen is null ? "" : way == chosen ? " chosen" : " other");
                }
            },
        });
    }

    private static void Way(SvgText svg, BoardWay way, ConduitWays ways, FramedLevel level, string css)
    {
        var group = way.Circuit.Group switch
        {
            DemandGroup.Lighting => "lighting",
            DemandGroup.Sockets => "sockets",
            _ => "power",
        };
        svg.Open("g", ("class", $"conduit {group}{css}"));
        Legs(svg, ways.Along(way.Circuit), level);
        foreach (var at in way.Circuit.Points.Select(p => p.Point.At!).Where(p => p.Structure == level.Structure && p.Level == level.Index))
        {
            svg.Words(way.Numbers, at.At.X.Inches + 9, at.At.Y.Inches - 6, "way");
        }

        svg.Close("g");
    }

    // What lies in slabs, on the level of its far end.
    private static void Legs(SvgText svg, IEnumerable<ConduitWay> ways, FramedLevel level)
    {
        foreach (var leg in ways.Where(w => w.Structure == level.Structure && w.Level == level.Index).SelectMany(w => w.Legs)
            .Where(l => l.In is ConduitIn.SlabOver or ConduitIn.SlabUnder))
        {
            svg.Empty("path", ("class", leg.In == ConduitIn.SlabUnder ? "run under" : "run"),
                ("d", $"M{SvgText.N(leg.From.X)} {SvgText.N(leg.From.Y)}L{SvgText.N(leg.To.X)} {SvgText.N(leg.To.Y)}"));
        }
    }
}
