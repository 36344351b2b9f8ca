using Circuitum.Core.House;
using Circuitum.Core.Units;

namespace Circuitum.Formats.Svg;

/// <summary>Writes the rooms' names and inside sizes where they lie on nothing else.</summary>
internal static class RoomNames
{
    public static void Draw(SvgText svg, FramedLevel level, Measure measure, Ink ink)
    {
        // Off the fixtures where there is room, else over them.
        var free = ink.Copy();
        FixtureDrawing.Cover(level, free);
        foreach (var room in level.Rooms)
        {
            var name = room.Room.Name;
            var nameHalf = name.Length * 2.5m;
            // Both sizes where there is room for them, else what is kept of them, else the name alone.
            foreach (var sizes in new[] { Sizes(room, measure).ToList(), [.. Sizes(room, measure).Where(s => s.Kept)], [] })
            {
                if (sizes.Count > 0)
                {
                    var half = Math.Max(nameHalf, 2m * (sizes.Sum(s => s.Words.Length) + (3 * (sizes.Count - 1))));
                    if (free.Fit(Places(room, half, 10), half, 10) is (decimal x, decimal y))
                    {
                        svg.Words(name, x, y - 2, "room-name");
                        Size(svg, sizes, x, y + 7);
                        break;
                    }
                }
                else if ((free.Fit(Places(room, nameHalf, 5), nameHalf, 5) ?? ink.Fit(Places(room, nameHalf, 5), nameHalf, 5)
                    ?? ink.Fit(Places(room, nameHalf - 4, 3), nameHalf - 4, 3)) is (decimal nx, decimal ny))
                {
                    svg.Words(name, nx, ny + 3, "room-name");
                    break;
                }
            }
        }
    }

    private static IEnumerable<(string Words, bool Kept)> Sizes(FramedRoom room, Measure measure) =>
    [
        (room.ClearWidth.Measured(measure), room.Room.KeepsWidth), (room.ClearDepth.Measured(measure), room.Room.KeepsDepth),
    ];

    // A size that is kept is underlined.
    private static void Size(SvgText svg, List<(string Words, bool Kept)> sizes, decimal x, decimal y)
    {
        svg.Open("text", ("class", "room-size"), ("x", SvgText.N(x)), ("y", SvgText.N(y)), ("text-anchor", "middle"));
        var first = true;
        foreach (var (words, kept) in sizes)
        {
            svg.Raw(first ? "" : " × ").Raw(kept ? "<tspan class=\"kept-size\">" : "").Raw(SvgText.Escape(words))
                .Raw(kept ? "</tspan>" : "");
            first = false;
        }

        svg.Close("text");
    }

    // Every place where a label lies wholly in the room, the nearest to its middle first.
    private static IEnumerable<(decimal X, decimal Y)> Places(FramedRoom room, decimal halfWidth, decimal halfHeight)
    {
        Length dx = Length.FromInches(halfWidth), dy = Length.FromInches(halfHeight);
        var middle = room.Middle;
        Length across = (room.ClearWidth / 2) - dx, down = (room.ClearDepth / 2) - dy;
        var farthest = SquareOf(across) + SquareOf(down);
        foreach (var (east, south) in Steps)
        {
            if (across <= Length.Zero || down <= Length.Zero || SquareOf(east) + SquareOf(south) > farthest)
            {
                yield break;
            }

            var at = middle.By(east, south);
            if (east.Abs() < across && south.Abs() < down
                && (room.Sides.Length == 4
                    || (Outline.Contains(room.Inside, at.By(-dx, -dy)) && Outline.Contains(room.Inside, at.By(dx, -dy))
                        && Outline.Contains(room.Inside, at.By(-dx, dy)) && Outline.Contains(room.Inside, at.By(dx, dy)))))
            {
                yield return (at.X.Inches, at.Y.Inches);
            }
        }
    }

    private static long SquareOf(Length length) => (long)length.Sixtyfourths * length.Sixtyfourths;

    // Steps of 4 in away from a middle, to 12 ft, the shortest first.
    private static readonly (Length East, Length South)[] Steps =
    [
        .. Enumerable.Range(-36, 73).SelectMany(i => Enumerable.Range(-36, 73).Select(j => (I: i, J: j)))
            .OrderBy(p => (p.I * p.I) + (p.J * p.J)).ThenBy(p => p.J).ThenBy(p => p.I)
            .Select(p => (Length.FromInches(4 * p.I), Length.FromInches(4 * p.J))),
    ];
}
