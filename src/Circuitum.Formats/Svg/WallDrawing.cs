using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Formats.Svg;

/// <summary>Walls as framed, with studs ticked, doors with their swing, windows.</summary>
internal static class WallDrawing
{
    public static void Walls(SvgText svg, FramedLevel level, DrawingView view)
    {
        // All outlines first, then all insides: corners and partitions join without lines across them.
        foreach (var (css, grow) in new[] { ("wall-edge", .9m), ("wall", -.3m) })
        {
            foreach (var wall in level.Walls)
            {
                var half = Length.FromInches((wall.Thickness.Inches / 2) + grow);
                Point a = wall.Start.By(-half, -half), b = wall.End.By(half, half);
                svg.Rect(a, b, css);
            }
        }

        var ticks = new System.Text.StringBuilder();
        foreach (var wall in level.Walls)
        {
            var half = Length.FromInches((wall.Thickness.Inches / 2) - .8m);
            for (var at = wall.Frame.Spacing; at < wall.Run; at += wall.Frame.Spacing)
            {
                var p = wall.At(at);
                ticks.Append(wall.AlongX ? $"M{SvgText.N(p.X)} {SvgText.N(p.Y - half)}v{SvgText.N(half * 2)}"
                    : $"M{SvgText.N(p.X - half)} {SvgText.N(p.Y)}h{SvgText.N(half * 2)}");
            }
        }

        svg.Empty("path", ("class", "studs"), ("d", ticks.ToString()));
        foreach (var (wall, opening) in level.Walls.SelectMany(w => w.Openings.Select(o => (w, o))))
        {
            Opening(svg, level, wall, opening);
        }

        // A selected wall is seen in its whole length.
        if (view.Selected is { Kind: SubjectKind.Wall } selected && selected.Numbered is var (room, number)
            && level.Rooms.FirstOrDefault(r => r.Room.Id.Value == room)?.Sides.ElementAtOrDefault(number - 1) is { } side)
        {
            svg.Line(side.Start, side.End, "chosen-wall");
        }
    }

    /// <summary>Openings to take hold of, over the walls.</summary>
    public static void Handles(SvgText svg, FramedLevel level, DrawingView view)
    {
        foreach (var room in level.Rooms)
        {
            foreach (var opening in room.Room.Openings)
            {
                var side = room.Sides[opening.Wall - 1];
                Point a = side.At(opening.Offset), b = side.Into(side.At(opening.Offset + opening.Width), -(side.HalfThickness * 2));
                HouseDrawing.Hold(svg, view, Subject.Opening(opening.Id), "opening-part",
                    $"{Words.Of(opening.Kind)} of {room.Room.Name}, {opening.Width}",
                    [("data-drag", "opening"), ("data-key", opening.Id.Value), ("data-dir", SymbolDrawing.Direction(side)),
                        ("data-offset", SvgText.N(opening.Offset)), ("data-clear", SvgText.N(side.Clear - opening.Width))],
                    () => svg.Rect(a, b, "opening-hit"));
            }
        }
    }

    private static void Opening(SvgText svg, FramedLevel level, Wall wall, WallOpening opening)
    {
        var half = (wall.Thickness / 2) + Length.FromInches(1.6m);
        Point a = wall.At(opening.From), b = wall.At(opening.To);
        svg.Rect(Off(wall, a, -half), Off(wall, b, half), "gap");
        var edge = wall.Thickness / 2;
        svg.Line(Off(wall, a, -edge), Off(wall, a, edge), "jamb");
        svg.Line(Off(wall, b, -edge), Off(wall, b, edge), "jamb");
        switch (opening.Opening.Kind)
        {
            case OpeningKind.Window:
                foreach (var off in new[] { -edge, Length.Zero, edge })
                {
                    svg.Line(Off(wall, a, off), Off(wall, b, off), "glass");
                }

                break;
            case OpeningKind.Slider:
                var middle = new Point((a.X + b.X) / 2, (a.Y + b.Y) / 2);
                svg.Line(Off(wall, a, -Length.FromInches(1)), Off(wall, middle, -Length.FromInches(1)), "leaf");
                svg.Line(Off(wall, middle, Length.FromInches(1)), Off(wall, b, Length.FromInches(1)), "leaf");
                break;
            case OpeningKind.GarageDoor:
                svg.Line(a, b, "overhead");
                break;
            case OpeningKind.Door:
                Leaf(svg, level, opening);
                break;
        }
    }

    private static void Leaf(SvgText svg, FramedLevel level, WallOpening opening)
    {
        var side = level.Rooms.First(r => r.Room.Id == opening.Room).Sides[opening.Opening.Wall - 1];
        var door = opening.Opening;
        var face = door.SwingsOut ? -(side.HalfThickness * 2) : Length.Zero;
        var (hingeAt, strikeAt) = door.Hinge == Hinge.Start ? (door.Offset, door.Offset + door.Width)
            : (door.Offset + door.Width, door.Offset);
        Point hinge = side.Into(side.At(hingeAt), face), strike = side.Into(side.At(strikeAt), face);
        var open = side.Into(side.At(hingeAt), door.SwingsOut ? face - door.Width : door.Width);
        svg.Line(hinge, open, "leaf");
        // The sweep goes from the open leaf to the strike the short way round.
        var cross = ((open.X - hinge.X).Sixtyfourths * (long)(strike.Y - hinge.Y).Sixtyfourths)
            - ((open.Y - hinge.Y).Sixtyfourths * (long)(strike.X - hinge.X).Sixtyfourths);
        svg.Empty("path", ("class", "swing"),
            ("d", $"M{SvgText.N(open.X)} {SvgText.N(open.Y)}A{SvgText.N(door.Width)} {SvgText.N(door.Width)} 0 0 {(cross > 0 ? 1 : 0)} "
                + $"{SvgText.N(strike.X)} {SvgText.N(strike.Y)}"));
    }

    private static Point Off(Wall wall, Point at, Length by) => wall.AlongX ? at.By(Length.Zero, by) : at.By(by, Length.Zero);
}
