using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Formats.Svg;

/// <summary>What is built in or stands there.</summary>
internal static class FixtureDrawing
{
    public static void Fixtures(SvgText svg, FramedLevel level, DrawingView view, Ink ink)
    {
        foreach (var (room, fixture, number) in level.Rooms.SelectMany(r => r.Room.Fixtures.Select((f, i) => (r, f, i + 1)))
            .OrderBy(x => x.f.Kind is FixtureKind.Counter or FixtureKind.Vanity or FixtureKind.Peninsula ? 0 : 1))
        {
            var (a, b) = room.Footprint(fixture);
            var subject = Subject.Fixture(room.Room.Id, number);
            var side = fixture.Wall is int wall ? room.Sides[wall - 1] : null;
            HouseDrawing.Hold(svg, view, subject, "fixture-part", $"{Words.Of(fixture.Kind)} in {room.Room.Name}",
                [("data-drag", "fixture"), ("data-key", subject.Id), ("data-dir", side is null ? "" : SymbolDrawing.Direction(side)),
                    ("data-offset", side is null ? "" : SvgText.N(fixture.Offset)),
                    ("data-clear", side is null ? "" : SvgText.N(side.Clear - fixture.Width)),
                    ("data-x", side is null ? SvgText.N(fixture.X) : ""), ("data-y", side is null ? SvgText.N(fixture.Y) : "")],
                () => Draw(svg, fixture.Kind, a, b, ink));
        }
    }

    /// <summary>Keeps names off what is built in; beds and tables may carry them.</summary>
    public static void Cover(FramedLevel level, Ink ink)
    {
        foreach (var (room, fixture) in level.Rooms.SelectMany(r => r.Room.Fixtures.Select(f => (r, f)))
            .Where(x => x.f.Kind is not (FixtureKind.Bed or FixtureKind.Table or FixtureKind.Bench or FixtureKind.Sofa or FixtureKind.Shelf
                or FixtureKind.Stair)))
        {
            var (a, b) = room.Footprint(fixture);
            ink.Take((a.X.Inches + b.X.Inches) / 2, (a.Y.Inches + b.Y.Inches) / 2, (b.X - a.X).Inches / 2, (b.Y - a.Y).Inches / 2);
        }
    }

    private static void Draw(SvgText svg, FixtureKind kind, Point a, Point b, Ink ink)
    {
        decimal x = a.X.Inches, y = a.Y.Inches, w = (b.X - a.X).Inches, h = (b.Y - a.Y).Inches;
        var inset = Math.Min(3, Math.Min(w, h) / 5);
        switch (kind)
        {
            case FixtureKind.Stair:
                svg.Rect(a, b, "fixture plain");
                var across = h >= w;
                for (var at = 10m; at < (across ? h : w); at += 10)
                {
                    svg.Raw(across ? $"<path class=\"detail\" d=\"M{SvgText.N(x)} {SvgText.N(y + at)}h{SvgText.N(w)}\"/>"
                        : $"<path class=\"detail\" d=\"M{SvgText.N(x + at)} {SvgText.N(y)}v{SvgText.N(h)}\"/>");
                }

                svg.Raw(across ? $"<path class=\"walkline\" d=\"M{SvgText.N(x + (w / 2))} {SvgText.N(y + h - 4)}V{SvgText.N(y + 6)}m-3 "
                    + $"4l3-4 3 4\"/>" : $"<path class=\"walkline\" d=\"M{SvgText.N(x + 4)} {SvgText.N(y + (h / 2))}H"
                    + $"{SvgText.N(x + w - 6)}m-4-3l4 3-4 3\"/>");
                break;
            case FixtureKind.Shelf:
                svg.Rect(a, b, "fixture dashed");
                break;
            case FixtureKind.AtticHatch or FixtureKind.AtticLadder:
                svg.Rect(a, b, "fixture dashed");
                svg.Words(kind == FixtureKind.AtticHatch ? "hatch" : "ladder", x + (w / 2), y + (h / 2) + 3, "fixture-name");
                ink.Take(x + (w / 2), y + (h / 2), 14, 4);
                break;
            case FixtureKind.Sink or FixtureKind.Vanity or FixtureKind.Tub:
                svg.Rect(a, b, "fixture");
                svg.Empty("rect", ("class", "detail"), ("x", SvgText.N(x + inset)), ("y", SvgText.N(y + inset)),
                    ("width", SvgText.N(w - (2 * inset))), ("height", SvgText.N(h - (2 * inset))),
                    ("rx", kind == FixtureKind.Sink ? "3" : SvgText.N(Math.Min(w, h) / 3)));
                break;
            case FixtureKind.Toilet:
                svg.Empty("rect", ("class", "fixture"), ("x", SvgText.N(x)), ("y", SvgText.N(y)), ("width", SvgText.N(w)),
                    ("height", SvgText.N(h)), ("rx", SvgText.N(Math.Min(w, h) / 2.5m)));
                break;
            case FixtureKind.Range:
                svg.Rect(a, b, "fixture");
                foreach (var (i, j) in new[] { (1, 1), (3, 1), (1, 3), (3, 3) })
                {
                    svg.Empty("circle", ("class", "detail"), ("cx", SvgText.N(x + (w * i / 4))), ("cy", SvgText.N(y + (h * j / 4))),
                        ("r", SvgText.N(Math.Min(w, h) / 7)));
                }

                break;
            case FixtureKind.Shower:
                svg.Rect(a, b, "fixture");
                svg.Raw($"<path class=\"detail\" d=\"M{SvgText.N(x)} {SvgText.N(y)}l{SvgText.N(w)} {SvgText.N(h)}m0 {SvgText.N(-h)}l"
                    + $"{SvgText.N(-w)} {SvgText.N(h)}\"/>");
                break;
            case FixtureKind.Bed:
                svg.Rect(a, b, "fixture plain");
                svg.Empty("rect", ("class", "detail"), ("x", SvgText.N(x + 3)), ("y", SvgText.N(y + 3)), ("width", SvgText.N(w - 6)),
                    ("height", SvgText.N(Math.Min(14, h / 4))), ("rx", "3"));
                break;
            case FixtureKind.WaterHeater:
                svg.Empty("circle", ("class", "fixture"), ("cx", SvgText.N(x + (w / 2))), ("cy", SvgText.N(y + (h / 2))),
                    ("r", SvgText.N(Math.Min(w, h) / 2)));
                break;
            case FixtureKind.Washer or FixtureKind.Dryer or FixtureKind.Dishwasher or FixtureKind.Refrigerator or FixtureKind.SaunaHeater
                or FixtureKind.AirHandler:
                svg.Rect(a, b, "fixture");
                svg.Words(kind switch
                {
                    FixtureKind.Washer => "W",
                    FixtureKind.Dryer => "D",
                    FixtureKind.Dishwasher => "DW",
                    FixtureKind.Refrigerator => "Ref",
                    FixtureKind.AirHandler => "AH",
                    _ => "H"
                }, x + (w / 2), y + (h / 2) + 3,
                    "fixture-name");
                ink.Take(x + (w / 2), y + (h / 2), 6, 4);
                break;
            default:
                svg.Rect(a, b, kind is FixtureKind.Table or FixtureKind.Bench or FixtureKind.Sofa ? "fixture plain" : "fixture");
                break;
        }
    }
}
