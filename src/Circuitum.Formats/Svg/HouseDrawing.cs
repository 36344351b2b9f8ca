using Circuitum.Core;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Formats.Svg;

/// <summary>What only those who draw the house see: a drawing underneath, the storey below, beams and ducts, kept bays, wants, and every
/// wall to take hold of.</summary>
internal static class HouseDrawing
{
    public static void Underlay(SvgText svg, FramedLevel level, DrawingView view)
    {
        if (view.Underlay is { } address && level.Level.Underlay is { } under)
        {
            svg.Empty("image", ("class", "underlay"), ("href", address(under.Drawing)), ("x", SvgText.N(under.Corner.X)),
                ("y", SvgText.N(under.Corner.Y)), ("width", SvgText.N(under.Width)), ("height", SvgText.N(under.Depth)),
                ("preserveAspectRatio", "none"));
        }
    }

    /// <summary>The outlines of the storey below, to stand walls over walls.</summary>
    public static void Below(SvgText svg, Plan plan, FramedLevel level)
    {
        if (level.Index > 0)
        {
            foreach (var room in plan.House.Structures[level.Structure].Levels[level.Index - 1].Rooms)
            {
                svg.Empty("path", ("class", "below"), ("d", Path(room.Room.Corners)));
            }
        }
    }

    /// <summary>What is overhead while a house is drawn; roofs beside its rooms always, for cable lies there.</summary>
    public static void Obstructions(SvgText svg, FramedLevel level, DrawingView view, bool drafting)
    {
        for (var i = 0; i < level.Level.Obstructions.Length; i++)
        {
            var o = level.Level.Obstructions[i];
            if (!drafting && !o.Kind.IsRoof())
            {
                continue;
            }

            var subject = Subject.Obstruction(level.Level.Id, i + 1);
            var opposite = o.Corner.By(o.Width, o.Depth);
            var cross = $"M{SvgText.N(o.Corner.X)} {SvgText.N(o.Corner.Y)}L{SvgText.N(opposite.X)} {SvgText.N(opposite.Y)}"
                + $"M{SvgText.N(o.Corner.X)} {SvgText.N(opposite.Y)}L{SvgText.N(opposite.X)} {SvgText.N(o.Corner.Y)}";
            Hold(svg, view, subject, "obstruction", $"{o.Name}",
                [("data-drag", "obstruction"), ("data-key", subject.Id), ("data-x", SvgText.N(o.Corner.X)),
                    ("data-y", SvgText.N(o.Corner.Y))], () =>
                svg.Rect(o.Corner, opposite, "obstruction")
                    .Raw(o.Kind.IsRoof() ? "" : $"<path class=\"obstruction-cross\" d=\"{cross}\"/>"));
        }
    }

    /// <summary>Kept bays hatched in their wall, spare chases as a ring in theirs.</summary>
    public static void Kept(SvgText svg, FramedLevel level, DrawingView view)
    {
        foreach (var kept in level.Level.Reservations)
        {
            var side = level.Rooms.First(r => r.Room.Id == kept.Room).Sides[kept.Wall - 1];
            Hold(svg, view, Subject.Bays(kept.Id), "kept-bays", $"Bays kept for {kept.For}", [], () =>
                svg.Rect(side.At(kept.Offset), side.Into(side.At(kept.Offset + kept.Width), -(side.HalfThickness * 2)), "kept"));
        }

        foreach (var chase in level.Level.Chases)
        {
            var side = level.Rooms.First(r => r.Room.Id == chase.Room).Sides[chase.Wall - 1];
            var at = side.Into(side.At(chase.Offset), -side.HalfThickness);
            Hold(svg, view, Subject.Chase(chase.Id), "chase", $"Spare chase for {chase.For}", [], () =>
            {
                svg.Empty("circle", ("class", "chase-ring"), ("cx", SvgText.N(at.X)), ("cy", SvgText.N(at.Y)), ("r", "3"));
                if (chase.Cord)
                {
                    svg.Empty("circle", ("class", "chase-cord"), ("cx", SvgText.N(at.X)), ("cy", SvgText.N(at.Y)), ("r", "1"));
                }
            });
        }
    }

    /// <summary>What will stand at walls.</summary>
    public static void Wants(SvgText svg, Plan plan, FramedLevel level, DrawingView view, Ink ink)
    {
        foreach (var want in plan.Job.Wants.Where(w => level.Rooms.Any(r => r.Room.Id == w.Room)))
        {
            var side = level.Rooms.First(r => r.Room.Id == want.Room).Sides[want.Wall - 1];
            Point a = side.At(want.Offset), b = side.Into(side.At(want.Offset + want.Width), Length.FromInches(16));
            Hold(svg, view, Subject.Want(want.Id), "want", $"{want.Called}, wanted", [], () =>
            {
                svg.Rect(a, b, "wanted");
                var (x, y) = ((a.X.Inches + b.X.Inches) / 2, (a.Y.Inches + b.Y.Inches) / 2);
                ink.Take(x, y, want.Called.Length * 2m, 4);
                svg.Words(want.Called, x, y + 2, "fixture-name");
            });
        }
    }

    /// <summary>Every wall's inside face: selected by a click, dragged square to itself, and where boxes and openings are set.</summary>
    public static void Sides(SvgText svg, Plan plan, FramedLevel level, DrawingView view)
    {
        if (view.Link is null || view.Stage is not (Stage.House or Stage.Boxes))
        {
            return;
        }

        svg.Open("g", ("class", "sides"));
        foreach (var room in level.Rooms)
        {
            foreach (var side in room.Sides)
            {
                var subject = Subject.Wall(room.Room.Id, side.Number);
                var normal = side.AlongX ? side.End.X > side.Start.X ? "0 -1" : "0 1" : side.End.Y > side.Start.Y ? "1 0" : "-1 0";
                (string, string)[] data =
                [
                    ("data-room", room.Room.Id.Value),
                    ("data-wall", side.Number.ToString(System.Globalization.CultureInfo.InvariantCulture)), ("data-name", room.Room.Name),
                    ("data-x1", SvgText.N(side.Start.X)), ("data-y1", SvgText.N(side.Start.Y)), ("data-x2", SvgText.N(side.End.X)),
                        ("data-y2", SvgText.N(side.End.Y)),
                    ("data-span", SvgText.N(side.AlongX ? room.ClearDepth : room.ClearWidth)), ("data-half", SvgText.N(side.HalfThickness)),
                ];
                var middle = side.Into(side.Start, -side.HalfThickness / 2);
                var end = side.Into(side.End, -side.HalfThickness / 2);
                if (view.Stage == Stage.House)
                {
                    Hold(svg, view, subject, "side",
                        $"Wall {side.Number} of {room.Room.Name}, {side.Clear.Taped(Length.FromInches(.25m))}",
                        [.. data, ("data-drag", "wall"), ("data-key", subject.Id), ("data-normal", normal)],
                        () => svg.Line(middle, end, "side-hit"));
                }
                else
                {
                    svg.Empty("line", [("class", "side side-hit"), ("x1", SvgText.N(middle.X)), ("y1", SvgText.N(middle.Y)),
                        ("x2", SvgText.N(end.X)), ("y2", SvgText.N(end.Y)), .. data]);
                }
            }
        }

        svg.Close("g");
    }

    /// <summary>A part of the house that can be selected, and dragged where it has the attributes for it.</summary>
    public static void Hold(SvgText svg, DrawingView view, Subject subject, string css, string label, (string Name, string Value)[] data,
        Action draw)
    {
        var chosen = view.Selected == subject ? " chosen" : "";
        if (view.Link is { } link && (view.Stage == Stage.House || (view.Stage == Stage.Boxes && subject.Kind == SubjectKind.Want)))
        {
            svg.Open("a", [("class", $"on-plan part {css}{chosen}"), ("href", link(subject)), ("aria-label", label),
                ("tabindex", view.Selected == subject ? "0" : "-1"), .. data]);
            draw();
            svg.Close("a");
        }
        else
        {
            draw();
        }
    }

    /// <summary>An outline as a path.</summary>
    public static string Path(IEnumerable<Point> corners) =>
        "M" + string.Join('L', corners.Select(c => $"{SvgText.N(c.X)} {SvgText.N(c.Y)}")) + "Z";
}
