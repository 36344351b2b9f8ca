using System.Globalization;
using Circuitum.Core.Boards;

namespace Circuitum.Formats.Svg;

/// <summary>Draws a metric board as it stands: modules on rails, each residual-current device ahead of what is behind it.</summary>
public static class MetricBoardDrawing
{
    private const int Module = 27;
    private const int OnRail = 24;
    private const int Left = 10;
    private const int RailHigh = 118;
    private const int DeviceTop = 26;
    private const int DeviceHigh = 60;
    private const int Wide = (OnRail * Module) + (2 * Left);

    // IEC 60445: brown, black, gray.
    private static readonly string[] Phases = ["#8A4B20", "#1D2A30", "#8D8A84"];

    /// <summary>The drawing, an SVG element that scales to its place.</summary>
    public static string Draw(MetricBoard board, BoardPlan plan)
    {
        var devices = Devices(board, plan).ToList();
        var rails = Placed(devices);
        var high = (rails.Max(r => r.Rail) + 1) * RailHigh;
        var svg = new SvgText().Open("svg", ("xmlns", "http://www.w3.org/2000/svg"), ("viewBox", $"0 0 {Wide} {high + 4}"), ("role", "img"),
            ("class", "metric-board"), ("aria-label", $"{board.Name}: {Said(board)}"));
        for (var rail = 0; rail * RailHigh < high; rail++)
        {
            svg.Empty("rect", ("x", $"{Left / 2}"), ("y", $"{(rail * RailHigh) + DeviceTop + 24}"), ("width", $"{Wide - Left}"),
                ("height", "12"), ("fill", "#C9C6BD"));
        }

        foreach (var (device, rail, at) in rails)
        {
            Draw(svg, device, Left + (at * Module), rail * RailHigh);
        }

        return svg.Close("svg").ToString();
    }

    private static string Said(MetricBoard board) => $"incomer {board.Incomer.Value}; " + string.Join("; ", board.Sections.Select(s =>
        $"section {s.Letter}, {s.Milliamps} mA, {s.Ways.Length} circuit{(s.Ways.Length == 1 ? "" : "s")}"));

    private static IEnumerable<Device> Devices(MetricBoard board, BoardPlan plan)
    {
        yield return new(plan.WholePoles, "#2B3A42", "#FCFBF7", "main", board.Incomer.Value.ToString(), "", "", []);
        foreach (var section in board.Sections)
        {
            yield return new(plan.WholePoles, "#DDEBE6", "#1D2A30", $"RCD {section.Letter}", section.Rating.Value.ToString(),
                $"{section.Milliamps} mA", $"section {section.Letter}", []);
            foreach (var way in section.Ways)
            {
                var rated = way.Sized.Rated;
                yield return new(rated.Poles, "#FCFBF7", "#1D2A30", way.Numbers,
                    $"{rated.Curve}{rated.Breaker.Value.Figure}", Mm(way), "", way.Phase == 0 ? [1, 2, 3] : [way.Phase]);
            }
        }
    }

    private static string Mm(BoardWay way) => way.Sized.Size.Value.Figure + (way.Sized.Rated.Poles > 1 ? " mm²" : "");

    // One after the other, on the next rail where one has no room left.
    private static List<(Device Device, int Rail, int At)> Placed(List<Device> devices)
    {
        var placed = new List<(Device, int, int)>();
        var (rail, at) = (0, 0);
        foreach (var device in devices)
        {
            if (at + device.Modules > OnRail)
            {
                (rail, at) = (rail + 1, 0);
            }

            placed.Add((device, rail, at));
            at += device.Modules;
        }

        return placed;
    }

    private static void Draw(SvgText svg, Device device, int x, int top)
    {
        var (wide, y) = ((device.Modules * Module) - 2, top + DeviceTop);
        var middle = x + (wide / 2m);
        svg.Empty("rect", ("x", $"{x}"), ("y", $"{y}"), ("width", $"{wide}"), ("height", $"{DeviceHigh}"), ("rx", "3"),
            ("fill", device.Fill), ("stroke", "#1D2A30"));
        svg.Empty("rect", ("x", SvgText.N(middle - 5)), ("y", $"{y + 34}"), ("width", "10"), ("height", "14"), ("rx", "2"),
            ("fill", device.Ink), ("fill-opacity", ".8"));
        Words(svg, device.Rating, middle, y + 14, "11.5", device.Ink, bold: true);
        if (device.Below.Length > 0)
        {
            Words(svg, device.Below, middle, y + 27, "10.5", device.Ink);
        }

        Words(svg, device.Name, middle, top + 20, "11.5", "#1D2A30", bold: true);
        // The color of the phase that it takes, as its conductor has it, with its name: colors alone are not told apart by all.
        foreach (var (phase, i) in device.Phases.Select((p, i) => (p, i)))
        {
            var each = wide / (decimal)device.Phases.Length;
            svg.Empty("rect", ("x", SvgText.N(x + (i * each) + 1)), ("y", $"{y + DeviceHigh + 2}"), ("width", SvgText.N(each - 2)),
                ("height", "5"), ("fill", Phases[phase - 1]));
            Words(svg, $"L{phase}", x + ((i + .5m) * each), y + DeviceHigh + 19, "10.5", "#1D2A30");
        }

        if (device.Section.Length > 0)
        {
            Words(svg, device.Section, middle, y + DeviceHigh + 15, "11.5", "#17695F", bold: true);
        }
    }

    private static void Words(SvgText svg, string words, decimal x, int y, string size, string ink, bool bold = false) =>
        svg.Open("text", ("x", SvgText.N(x)), ("y", y.ToString(CultureInfo.InvariantCulture)), ("text-anchor", "middle"), ("font-size",
            size),
            ("font-weight", bold ? "600" : ""), ("fill", ink)).Raw(SvgText.Escape(words)).Close("text");

    private sealed record Device(int Modules, string Fill, string Ink, string Name, string Rating, string Below, string Section,
        int[] Phases);
}
