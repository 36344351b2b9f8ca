using Circuitum.Core;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Formats.Svg;

/// <summary>Boxes with the symbols of drafting standards: a receptacle is a circle with strokes, a switch an S with its
/// subscript.</summary>
internal static class SymbolDrawing
{
    public static void Boxes(SvgText svg, Plan plan, FramedLevel level, DrawingView view, WiredCircuit? lit, Ink ink)
    {
        var boxes = On(plan, level).ToList();
        var tagged = plan.Tags.Where(t => t.Subject.Kind == SubjectKind.Box).GroupBy(t => t.Subject.Id)
            .ToDictionary(g => g.Key, g => g.Min(t => t.Severity));
        foreach (var (box, at) in boxes)
        {
            var subject = Subject.Box(box.Box.Id);
            var on = lit is not null && lit.Boxes.ContainsKey(box.Box.Id);
            var css = "on-plan box" + (on ? " on-circuit" : "") + (view.Selected == subject ? " chosen" : "");
            var landed = plan.CircuitOf(box.Box.Id) is { } circuit ? plan.Landed(circuit.Circuit.Key) : null;
            if (view.Link is { } link)
            {
                var side = box.Box.Mount == Mount.Wall ? box.Room.Sides[box.Box.Wall - 1] : null;
                svg.Open("a", ("class", css), ("href", link(subject)), ("data-box", box.Box.Id.Value),
                    ("tabindex", view.Selected == subject ? "0" : "-1"),
                    ("aria-label", $"{box.Name}, circuit {landed?.SpaceText}"),
                    ("data-drag", view.Stage == Stage.Circuits ? "circuit" : "box"), ("data-circuit", landed?.Key.Value ?? ""),
                        ("data-light", box.HasLight ? "1" : ""),
                        ("data-receptacle", box.Box.Devices.Any(d => d.Kind.IsReceptacle()) ? "1" : ""), ("data-key", box.Box.Id.Value),
                        ("data-room", box.Box.Room.Value),
                        ("data-wall", side is null ? "" : box.Box.Wall.ToString(System.Globalization.CultureInfo.InvariantCulture)),
                    ("data-x", side is null ? SvgText.N(box.Box.X) : ""), ("data-y", side is null ? SvgText.N(box.Box.Y) : ""),
                    ("data-dir", side is null ? "" : Direction(side)), ("data-offset", side is null ? "" : SvgText.N(box.Box.Offset)),
                        ("data-clear", side is null ? "" : SvgText.N(side.Clear)));
            }
            else
            {
                svg.Open("g", ("class", css));
            }

            if (box.Box.OnPad is not null)
            {
                Pad(svg, box, at);
            }

            Symbol(svg, box, at);
            if (view.Stage is not Stage.House && landed?.Space is { } space && (view.Stage != Stage.Boxes))
            {
                Label(svg, box, at, space, on, ink);
            }

            if (view.Stage is not (Stage.House or Stage.Boxes) && landed?.Devices.GetValueOrDefault(box.Box.Id) is { Placed: false } device)
            {
                svg.Words(device.Kind switch { ProtectiveKind.Gfci => "G", ProtectiveKind.Afci => "A", _ => "AG" }, at.X.Inches + 6.5m,
                    at.Y.Inches - 3.5m, "subscript device");
            }

            if (view.Over is null && tagged.TryGetValue(box.Box.Id.Value, out var severity))
            {
                svg.Empty("use", ("href", $"#tag-{severity.ToString().ToLowerInvariant()}"), ("x", SvgText.N(at.X.Inches + 3)),
                    ("y", SvgText.N(at.Y.Inches - 15)), ("width", "9"), ("height", "12"));
            }

            svg.Close(view.Link is null ? "g" : "a");
        }
    }

    /// <summary>Keeps labels off every symbol.</summary>
    public static void Cover(Plan plan, FramedLevel level, Ink ink)
    {
        foreach (var (_, at) in On(plan, level))
        {
            ink.Take(at.X.Inches, at.Y.Inches, 5, 5);
        }
    }

    /// <summary>The boxes of a level, and where their symbols stand.</summary>
    public static IEnumerable<(PlacedBox Box, Point At)> On(Plan plan, FramedLevel level) =>
        plan.Survey.Boxes.Where(b => b.Place.Structure == level.Structure && b.Place.Level == level.Index).Select(b => (b, Spot(b)));

    // Symbols stand off the wall's face so that both show.
    private static Point Spot(PlacedBox box)
    {
        if (box.Box.Mount != Mount.Wall)
        {
            return box.Place.At.Plan;
        }

        var side = box.Room.Sides[box.Box.Wall - 1];
        var face = side.At(box.Box.Offset);
        return side.Into(face, box.Box.OnPad is { } off ? -(side.HalfThickness * 2) - off - HalfPad
            : box.Box.Outside ? -(side.HalfThickness * 2) - Length.FromInches(6) : Length.FromInches(6));
    }

    // Pads are 3 ft square as they are sold for one unit.
    private static Length HalfPad { get; } = Length.FromInches(18);

    // The slab, and its whip from the wall.
    private static void Pad(SvgText svg, PlacedBox box, Point at)
    {
        var side = box.Room.Sides[box.Box.Wall - 1];
        var wall = side.Into(side.At(box.Box.Offset), -(side.HalfThickness * 2));
        svg.Rect(at.By(-HalfPad, -HalfPad), at.By(HalfPad, HalfPad), "pad");
        svg.Empty("path", ("class", "pad"), ("d", $"M{SvgText.N(wall.X)} {SvgText.N(wall.Y)}L{SvgText.N(at.X)} {SvgText.N(at.Y)}"));
    }

    public static string Direction(RoomSide side) => side.AlongX ? side.End.X >= side.Start.X ? "1 0" : "-1 0" : side.End.Y >= side.Start.Y
        ? "0 1" : "0 -1";

    private static void Label(SvgText svg, PlacedBox box, Point at, PanelSpace space, bool on, Ink ink)
    {
        decimal x = at.X.Inches, y = at.Y.Inches;
        var words = space.ToString();
        var half = words.Length * 2.4m;
        (decimal, decimal)[] around = [(x + 8 + half, y), (x - 8 - half, y), (x, y + 10), (x, y - 10), (x + 8 + half, y + 8),
            (x - 8 - half, y + 8), (x + 8 + half, y - 8), (x - 8 - half, y - 8)];
        if (ink.Fit(around, half, 4) is (decimal lx, decimal ly))
        {
            svg.Words(words, lx, ly + 3, on ? "number on" : "number");
        }
    }

    private static void Symbol(SvgText svg, PlacedBox box, Point at)
    {
        decimal x = at.X.Inches, y = at.Y.Inches;
        svg.Empty("circle", ("class", "hit"), ("cx", SvgText.N(x)), ("cy", SvgText.N(y)), ("r", "9"));
        var devices = box.Box.Devices;
        if (devices.All(d => d.Kind.IsSwitch()))
        {
            Switches(svg, devices.Select(d => d.Kind).ToList(), x, y);
            return;
        }

        var main = devices.First(d => !d.Kind.IsSwitch());
        var turned = box.Box.Mount == Mount.Wall && !box.Room.Sides[box.Box.Wall - 1].AlongX;
        switch (main.Kind)
        {
            case DeviceKind.Duplex or DeviceKind.GfciReceptacle or DeviceKind.AfciReceptacle or DeviceKind.HalfSwitched:
                Circle(svg, x, y);
                Strokes(svg, x, y, turned, [-1.4m, 1.4m]);
                var letter = main.Kind switch
                {
                    DeviceKind.GfciReceptacle => "G",
                    DeviceKind.AfciReceptacle => "A",
                    DeviceKind.HalfSwitched => "½",
                    _ => devices.Length > 1 && devices.All(d => d.Kind == DeviceKind.Duplex) ? "4" : ""
                };
                if (letter.Length > 0)
                {
                    svg.Words(letter, x + 6.5m, y - 3.5m, "subscript");
                }

                break;
            case DeviceKind.Single:
                Circle(svg, x, y);
                Strokes(svg, x, y, turned, [0]);
                break;
            case DeviceKind.ApplianceReceptacle:
                Circle(svg, x, y);
                Strokes(svg, x, y, turned, [-2.2m, 0, 2.2m]);
                break;
            case DeviceKind.SmokeAlarm or DeviceKind.SmokeCoAlarm:
                svg.Empty("circle", ("class", "symbol"), ("cx", SvgText.N(x)), ("cy", SvgText.N(y)), ("r", "4.8"))
                    .Words(main.Kind == DeviceKind.SmokeAlarm ? "SA" : "CO", x, y + 2, "symbol-letter small");
                break;
            case DeviceKind.BathFan or DeviceKind.CeilingFan:
                Circle(svg, x, y);
                svg.Words("F", x, y + 2.7m, "symbol-letter");
                break;
            case DeviceKind.Strip:
                svg.Raw(turned ? $"<path class=\"symbol\" d=\"M{SvgText.N(x - 2.5m)} {SvgText.N(y - 9)}h5v18h-5z\"/>"
                    : $"<path class=\"symbol\" d=\"M{SvgText.N(x - 9)} {SvgText.N(y - 2.5m)}h18v5h-18z\"/>");
                break;
            case DeviceKind.Equipment or DeviceKind.IndoorHead:
                svg.Empty("rect", ("class", "symbol"), ("x", SvgText.N(x - 4.2m)), ("y", SvgText.N(y - 4.2m)), ("width", "8.4"),
                    ("height", "8.4")).Words("E", x, y + 2.7m, "symbol-letter");
                break;
            case DeviceKind.JointBox:
                Circle(svg, x, y);
                svg.Words("J", x, y + 2.7m, "symbol-letter");
                break;
            case DeviceKind.Can:
                Circle(svg, x, y);
                svg.Empty("circle", ("class", "symbol"), ("cx", SvgText.N(x)), ("cy", SvgText.N(y)), ("r", "1.6"));
                break;
            default:
                Circle(svg, x, y);
                svg.Raw($"<path class=\"symbol\" d=\"M{SvgText.N(x - 3)} {SvgText.N(y - 3)}l6 6m0-6l-6 6\"/>");
                break;
        }
    }

    private static void Circle(SvgText svg, decimal x, decimal y) =>
        svg.Empty("circle", ("class", "symbol"), ("cx", SvgText.N(x)), ("cy", SvgText.N(y)), ("r", "4.2"));

    private static void Strokes(SvgText svg, decimal x, decimal y, bool turned, decimal[] offsets)
    {
        foreach (var o in offsets)
        {
            svg.Raw(turned ? $"<path class=\"symbol\" d=\"M{SvgText.N(x - 6)} {SvgText.N(y + o)}h12\"/>"
                : $"<path class=\"symbol\" d=\"M{SvgText.N(x + o)} {SvgText.N(y - 6)}v12\"/>");
        }
    }

    private static void Switches(SvgText svg, List<DeviceKind> kinds, decimal x, decimal y)
    {
        var first = kinds[0] switch
        {
            DeviceKind.ThreeWay => "3",
            DeviceKind.FourWay => "4",
            DeviceKind.Dimmer => "D",
            DeviceKind.Timer => "T",
            DeviceKind.FanControl => "F",
            DeviceKind.OccupancySensor => "OS",
            DeviceKind.Disconnect => "DS",
            _ => ""
        };
        svg.Words("S", x, y + 3.4m, "switch");
        if (first.Length > 0)
        {
            svg.Words(first, x + 5, y + 5.5m, "subscript");
        }

        if (kinds.Count > 1)
        {
            svg.Words($"×{kinds.Count}", x + 7, y - 1, "subscript");
        }
    }
}
