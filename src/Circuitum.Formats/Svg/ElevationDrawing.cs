using Circuitum.Core.Jobs;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;

namespace Circuitum.Formats.Svg;

/// <summary>Draws one wall as it is seen from its room: openings, boxes at their heights, and the measures to mark them by.</summary>
public static class ElevationDrawing
{
    private const decimal Margin = 14;
    private const decimal BoxHigh = 3.75m;

    /// <summary>The wall as SVG, in inches, its inside corner on the left.</summary>
    public static string Draw(WallSheet wall)
    {
        decimal clear = wall.Side.Clear.Inches, high = wall.Level.Level.CeilingHeight.Inches;
        var svg = new SvgText();
        svg.Open("svg", ("xmlns", "http://www.w3.org/2000/svg"), ("class", "elevation"),
            ("viewBox", $"{SvgText.N(-Margin)} {SvgText.N(-Margin)} {SvgText.N(clear + (2 * Margin))} {SvgText.N(high + (2 * Margin))}"),
            ("role", "img"), ("aria-label", $"Wall {wall.Side.Number} of {wall.Room.Room.Name}, seen from inside"));
        Rect(svg, 0, 0, clear, high, "elevation-wall");
        foreach (var opening in wall.Side.Openings)
        {
            var sill = opening.Opening.Kind == OpeningKind.Window ? opening.Opening.Sill.Inches : 0;
            var top = Math.Max(sill + 12, Math.Min(high, 82));
            Rect(svg, opening.From.Inches, high - top, (opening.To - opening.From).Inches, top - sill, "elevation-opening");
            svg.Words(Words.Of(opening.Opening.Kind), (opening.From.Inches + opening.To.Inches) / 2, high - ((top + sill) / 2),
                "elevation-note");
        }

        // Written above and below in turn, so that neighbours do not write over each other.
        var above = false;
        foreach (var mark in wall.Marks)
        {
            decimal left = mark.NearEdge.Inches, wide = mark.Width.Inches, bottom = high - mark.Bottom.Inches;
            var css = "elevation-box" + (mark.LowVoltage ? " low" : "") + (mark.Outside ? " outer" : "");
            Rect(svg, left, bottom - BoxHigh, wide, BoxHigh, css);
            svg.Words($"{mark.Stud}", mark.Middle.Inches, above ? bottom - BoxHigh - 8 : bottom + 6, "elevation-mark");
            svg.Words($"{mark.Middle.Taped(Length.FromInches(.125m))}", mark.Middle.Inches, above ? bottom - BoxHigh - 2 : bottom + 12,
                "elevation-note");
            above = !above;
        }

        return svg.Close("svg").ToString();
    }

    private static void Rect(SvgText svg, decimal x, decimal y, decimal wide, decimal high, string css) => svg.Empty("rect", ("class", css),
        ("x", SvgText.N(x)), ("y", SvgText.N(y)), ("width", SvgText.N(wide)), ("height", SvgText.N(high)));
}
