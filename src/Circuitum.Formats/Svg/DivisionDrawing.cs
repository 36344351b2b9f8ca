using Circuitum.Core;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;

namespace Circuitum.Formats.Svg;

/// <summary>A level drawn small: which boxes are chained on which circuit. Made to be laid beside the same level divided
/// otherwise.</summary>
public static class DivisionDrawing
{
    private static readonly string[] Dashes = ["", "7 3", "2 3", "10 3 2 3"];

    /// <summary>Boxes that share their circuit with other boxes than in another plan of the same job.</summary>
    public static IReadOnlySet<BoxId> Moved(Plan from, Plan to)
    {
        var before = from.Circuits.ToDictionary(c => c.Circuit.Key, c => c.Circuit.Boxes.ToHashSet());
        return to.Circuits.SelectMany(c => c.Circuit.Boxes.Where(b => !before.TryGetValue(c.Circuit.Key, out var had) || !had.Contains(b)))
            .ToHashSet();
    }

    /// <summary>The level of a plan as SVG; boxes that another plan has on another circuit are filled.</summary>
    public static string Draw(Plan plan, Plan standing, LevelId levelId)
    {
        var level = plan.House.Levels.First(l => l.Level.Id == levelId);
        var corners = level.Rooms.SelectMany(r => r.Room.Corners).ToList();
        decimal left = corners.Min(c => c.X).Inches - 34, top = corners.Min(c => c.Y).Inches - 30,
            width = corners.Max(c => c.X).Inches + 40 - left, height = corners.Max(c => c.Y).Inches + 20 - top;
        var moved = Moved(standing, plan);
        var svg = new SvgText();
        svg.Open("svg", ("class", "small-plan"), ("viewBox", $"{SvgText.N(left)} {SvgText.N(top)} {SvgText.N(width)} {SvgText.N(height)}"),
            ("role", "img"), ("aria-label", $"{level.Level.Name}: {plan.Circuits.Length} circuits"));
        foreach (var room in level.Rooms)
        {
            svg.Empty("path", ("class", "outline"), ("d", HouseDrawing.Path(room.Room.Corners)));
        }

        foreach (var landed in plan.Panels.SelectMany(p => p.Circuits).Where(l => l.Boxes.Length > 1))
        {
            Chain(svg, plan, level, landed, moved);
        }

        return svg.Close("svg").ToString();
    }

    private static void Chain(SvgText svg, Plan plan, FramedLevel level, Core.Panels.Landed landed, IReadOnlySet<BoxId> moved)
    {
        bool Here(PlacedBox box) => box.Place.Structure == level.Structure && box.Place.Level == level.Index;
        var boxes = landed.Runs.Select(r => r.To.Box).OfType<BoxId>().Distinct().Select(b => plan.Survey[b])
            .Where(b => Here(b) && b.HasOutlet).ToList();
        if (boxes.Count == 0)
        {
            return;
        }

        // Lines by pattern and number, so that chains are told apart in black and white.
        var points = boxes.ConvertAll(b => (X: b.Place.At.Plan.X.Inches, Y: b.Place.At.Plan.Y.Inches));
        svg.Empty("polyline", ("class", "chain"), ("stroke-dasharray", Dashes[(landed.Space?.Number ?? 0) / 2 % Dashes.Length]),
            ("points", string.Join(' ', points.Select(p => $"{SvgText.N(p.X)},{SvgText.N(p.Y)}"))));
        foreach (var (box, at) in boxes.Zip(points))
        {
            svg.Empty("circle", ("class", moved.Contains(box.Box.Id) ? "bead moved" : "bead"), ("cx", SvgText.N(at.X)),
                ("cy", SvgText.N(at.Y)), ("r", moved.Contains(box.Box.Id) ? "6.5" : "4"));
        }

        var middle = points[points.Count / 2];
        svg.Words(landed.SpaceText, middle.X + 14, middle.Y - 7, "chain-number");
    }
}
