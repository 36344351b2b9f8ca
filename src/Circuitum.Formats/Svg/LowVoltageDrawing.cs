using Circuitum.Core;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.LowVoltage;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Formats.Svg;

/// <summary>Low voltage: outlets as the triangle of drafting standards with a letter, what they go home to as a cabinet, their ways
/// dotted.</summary>
internal static class LowVoltageDrawing
{
    /// <summary>The ways of one level.</summary>
    public static void Ways(SvgText svg, Plan plan, FramedLevel level, DrawingView view)
    {
        if (view.Stage != Stage.Runs)
        {
            return;
        }

        foreach (var run in plan.LowVoltage.Runs.Where(r => On(r.Outlet.Place, level) || On(r.Home.Place, level))
            .OrderBy(r => IsChosen(r, view) ? 1 : 0))
        {
            var home = plan.House.Structures[run.Home.Place.Structure].Structure.Origin;
            var here = plan.House.Structures[level.Structure].Structure.Origin;
            decimal dx = (home.X - here.X).Inches, dy = (home.Y - here.Y).Inches;
            svg.Empty("polyline", ("class", "low-way" + (IsChosen(run, view) ? " chosen-way" : "")), ("points", string.Join(' ',
                run.Way.OnPlan(run.Outlet.Place.At.Plan)
                    .Select(p => $"{SvgText.N(p.X.Inches + dx)},{SvgText.N(p.Y.Inches + dy)}"))));
        }
    }

    /// <summary>Outlets and homes of one level; not where circuits are divided or landed, which they are no part of.</summary>
    public static void Outlets(SvgText svg, Plan plan, FramedLevel level, DrawingView view)
    {
        if (view.Stage is Stage.Circuits or Stage.Panel)
        {
            return;
        }

        var tagged = plan.Tags.Where(t => t.Subject.Kind is SubjectKind.LowVoltage or SubjectKind.LowVoltageHome).GroupBy(t => t.Subject)
            .ToDictionary(g => g.Key, g => g.Min(t => t.Severity));
        foreach (var home in plan.LowVoltage.Homes.Where(h => On(h.Place, level)))
        {
            var side = home.Room.Sides[home.Home.Wall - 1];
            var (a, b) = (side.At(home.Home.Offset - Length.FromInches(7)),
                side.Into(side.At(home.Home.Offset + Length.FromInches(7)), Length.FromInches(4)));
            var at = side.Into(side.At(home.Home.Offset), Length.FromInches(2));
            Part(svg, view, Subject.LowVoltageHome(home.Home.Id), home.Name, tagged, at, Grip("low-home", home.Home.Id.Value, side,
                home.Home.Offset), () => svg.Rect(a, b, "symbol low").Words("LV", at.X.Inches, at.Y.Inches + 2, "symbol-letter small"));
        }

        foreach (var outlet in plan.LowVoltage.Outlets.Where(o => On(o.Place, level)))
        {
            var side = outlet.Outlet.Mount == Mount.Wall ? outlet.Room.Sides[outlet.Outlet.Wall - 1] : null;
            var at = side is null ? outlet.Place.At.Plan : side.Into(side.At(outlet.Outlet.Offset), outlet.Outlet.Outside
                ? -(side.HalfThickness * 2) - Length.FromInches(6) : Length.FromInches(6));
            Part(svg, view, Subject.LowVoltage(outlet.Outlet.Id), $"{outlet.Name}, {outlet.Number}", tagged, at, side is null
                ? [("data-drag", "low"), ("data-key", outlet.Outlet.Id.Value), ("data-x", SvgText.N(outlet.Outlet.X)),
                    ("data-y", SvgText.N(outlet.Outlet.Y))]
                : Grip("low", outlet.Outlet.Id.Value, side, outlet.Outlet.Offset), () => Triangle(svg, outlet.Outlet.Kind, at));
        }
    }

    private static (string, string)[] Grip(string kind, string key, RoomSide side, Length offset) => [("data-drag", kind), ("data-key",
        key),
        ("data-dir", SymbolDrawing.Direction(side)), ("data-offset", SvgText.N(offset)), ("data-clear", SvgText.N(side.Clear))];

    private static void Triangle(SvgText svg, LowVoltageKind kind, Point at)
    {
        decimal x = at.X.Inches, y = at.Y.Inches;
        svg.Empty("circle", ("class", "hit"), ("cx", SvgText.N(x)), ("cy", SvgText.N(y)), ("r", "9"));
        svg.Empty("path", ("class", "symbol low"), ("d", $"M{SvgText.N(x - 5)} {SvgText.N(y + 4)}h10l-5 -9z"));
        svg.Words(Letter(kind), x + 7.5m, y - 2.5m, "subscript");
    }

    private static string Letter(LowVoltageKind kind) => kind switch
    {
        LowVoltageKind.Data => "D",
        LowVoltageKind.Fibre => "FO",
        LowVoltageKind.Coax => "TV",
        LowVoltageKind.Speaker => "SP",
        LowVoltageKind.Doorbell => "DB",
        LowVoltageKind.Thermostat => "T",
        LowVoltageKind.AlarmContact => "AC",
        LowVoltageKind.Camera => "CM",
        _ => "CH",
    };

    private static void Part(SvgText svg, DrawingView view, Subject subject, string label, Dictionary<Subject, Severity> tagged, Point at,
        (string, string)[] data, Action draw)
    {
        var css = "on-plan low-voltage" + (view.Selected == subject ? " chosen" : "");
        if (view.Link is { } link)
        {
            svg.Open("a", [("class", css), ("href", link(subject)), ("aria-label", label),
                ("tabindex", view.Selected == subject ? "0" : "-1"), .. data]);
        }
        else
        {
            svg.Open("g", ("class", css));
        }

        draw();
        if (tagged.TryGetValue(subject, out var severity))
        {
            svg.Empty("use", ("href", $"#tag-{severity.ToString().ToLowerInvariant()}"), ("x", SvgText.N(at.X.Inches + 3)),
                ("y", SvgText.N(at.Y.Inches - 15)), ("width", "9"), ("height", "12"));
        }

        svg.Close(view.Link is null ? "g" : "a");
    }

    private static bool IsChosen(LowVoltageRun run, DrawingView view) => view.Selected == Subject.LowVoltage(run.Outlet.Outlet.Id)
        || view.Selected == Subject.LowVoltageHome(run.Home.Home.Id);

    private static bool On(Core.Layout.Place place, FramedLevel level) => place.Structure == level.Structure && place.Level == level.Index;
}
