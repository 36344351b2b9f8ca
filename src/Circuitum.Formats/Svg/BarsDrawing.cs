using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Rules;

namespace Circuitum.Formats.Svg;

/// <summary>Draws the two bars of a panel: which terminals are taken, and whether neutral and ground are bonded in it.</summary>
public static class BarsDrawing
{
    private const int Width = 640;
    private const int Height = 118;
    private const int Left = 118;

    /// <summary>The drawing, an SVG element that scales to its place.</summary>
    /// <param name="schedule">The panel.</param>
    /// <param name="job">The job.</param>
    /// <param name="book">The rules.</param>
    public static string Draw(PanelSchedule schedule, Job job, CodeBook book)
    {
        var panel = schedule.Panel;
        var terminals = Terminals.Of(schedule, job.Schools, book);
        var bonded = job.BondsAt(panel);
        var supply = panel.FedFrom is { } from ? $"from panel {from}" : job.Service.BondedAtDisconnect ? "from the disconnect"
            : "from the service";
        var words = bonded ? "neutral and ground bonded here" : "neutral and ground apart";
        var svg = new SvgText().Open("svg", ("xmlns", "http://www.w3.org/2000/svg"), ("viewBox", $"0 0 {Width} {Height}"), ("role", "img"),
            ("class", "bars"),
            ("aria-label", $"Bars of panel {panel.Id}: {words}, {(bonded ? 3 : 4)} wires {supply}"));
        Feed(svg, supply, bonded);
        Bar(svg, 18, "neutral bar", terminals.Neutrals, panel.Listing.NeutralTerminals, "#FFFDF6");
        Bar(svg, 74, "ground bar", terminals.GroundScrews, panel.Listing.GroundTerminals, "#DDEBDD");
        if (bonded)
        {
            svg.Empty("rect", ("x", "560"), ("y", "36"), ("width", "14"), ("height", "38"), ("fill", "#2F7D4F"), ("stroke", "#1D2A30"));
            svg.Empty("circle", ("cx", "567"), ("cy", "55"), ("r", "4"), ("fill", "#FFFDF6"), ("stroke", "#1D2A30"));
            Words(svg, "bonded", 584, 52, "start");
            Words(svg, "here only", 584, 64, "start");
        }
        else
        {
            svg.Empty("path", ("d", "M567 36v10M567 64v10"), ("stroke", "#1D2A30"), ("stroke-width", "2"), ("stroke-dasharray", "3 2"));
            svg.Empty("path", ("d", "M560 48l14 14M574 48l-14 14"), ("stroke", "#B3261E"), ("stroke-width", "2.5"));
            Words(svg, "apart,", 584, 52, "start");
            Words(svg, "no screw", 584, 64, "start");
        }

        return svg.Close("svg").ToString();
    }

    // Two legs and a neutral; a fourth wire, the ground, wherever the two bars are apart.
    private static void Feed(SvgText svg, string supply, bool bonded)
    {
        Words(svg, $"{(bonded ? 3 : 4)} wires {supply}", 2, 12, "start");
        foreach (var y in new[] { 20, 28 })
        {
            svg.Empty("path", ("d", $"M2 {y}H70"), ("stroke", "#1D2A30"), ("stroke-width", "3"));
        }

        Words(svg, "legs", 75, 28, "start");
        svg.Empty("path", ("d", "M2 36H108V27H118"), ("fill", "none"), ("stroke", "#8A8472"), ("stroke-width", "3"));
        if (!bonded)
        {
            svg.Empty("path", ("d", "M2 83H118"), ("stroke", "#2F7D4F"), ("stroke-width", "3"));
        }
    }

    private static void Bar(SvgText svg, int y, string name, int taken, int? has, string free)
    {
        var count = Math.Max(taken, has ?? taken);
        svg.Empty("rect", ("x", $"{Left}"), ("y", $"{y}"), ("width", "470"), ("height", "18"), ("rx", "3"), ("fill", "#D8D2C2"),
            ("stroke", "#1D2A30"));
        var step = 458m / Math.Max(1, count);
        var radius = Math.Min(5m, (step / 2) - .4m);
        for (var i = 0; i < count; i++)
        {
            svg.Empty("circle", ("cx", SvgText.N(Left + 6 + (step * (i + .5m)))), ("cy", $"{y + 9}"),
                ("r", SvgText.N(Math.Max(1m, radius))), ("fill", i < taken ? "#1D2A30" : free),
                ("stroke", has < i + 1 ? "#B3261E" : "#1D2A30"));
        }

        Words(svg, $"{name}: {taken} taken{(has is { } of ? $" of {of}" : ", its terminals not read off yet")}", Left, y + 31, "start");
    }

    private static void Words(SvgText svg, string words, int x, int y, string anchor) =>
        svg.Open("text", ("x", $"{x}"), ("y", $"{y}"), ("text-anchor", anchor), ("font-size", "11"), ("fill", "#1D2A30"))
            .Raw(SvgText.Escape(words)).Close("text");
}
