using System.Text;
using Circuitum.Core;
using Circuitum.Core.House;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Units;

namespace Circuitum.Formats.Svg;

/// <summary>Along each wall line which receptacle serves which stretch, and what is beyond the reach of all, with its distance.</summary>
internal static class CoverageDrawing
{
    private static readonly Length Off = Length.FromInches(3);

    public static void Draw(SvgText svg, Plan plan, FramedLevel level)
    {
        var spaces = plan.Survey.Coverage.Concat(plan.Survey.Counters)
            .Where(s => s.Clear >= s.Narrowest && level.Rooms.Any(r => r.Room.Id == s.Room)).ToList();
        svg.Open("g", ("id", "coverage"), ("class", "coverage"), ("data-spaces", Data(spaces, level)));
        foreach (var space in spaces)
        {
            var room = level.Rooms.First(r => r.Room.Id == space.Room);
            var turn = 0;
            foreach (var (from, to, served) in space.Stretches())
            {
                foreach (var (a, b) in Lines(room, space, from, to))
                {
                    svg.Line(a, b, served ? $"served {(turn % 2 == 0 ? "odd" : "even")}{(space.Counter ? " counter" : "")}" : "unserved");
                }

                turn += served ? 1 : 0;
                if (!served)
                {
                    Label(svg, room, space, from, to);
                }
            }
        }

        svg.Close("g");
    }

    private static void Label(SvgText svg, FramedRoom room, WallSpace space, Length from, Length to)
    {
        var middle = (from + to) / 2;
        var far = space.Receptacles.IsEmpty ? space.Clear
            : space.Receptacles.Min(r => space.Closed ? Length.Min((r - middle).Abs(), space.Clear - (r - middle).Abs()) : (r - middle)
                .Abs());
        far += from == Length.Zero || to == space.Clear ? (to - from) / 2 : Length.Zero;
        var (wall, offset) = space.At(middle);
        var side = room.Sides[wall - 1];
        var at = side.Into(side.At(offset), Length.FromInches(12));
        svg.Words(far.Taped(Length.FromInches(1)), at.X.Inches, at.Y.Inches + 2, "unserved-far");
    }

    private static IEnumerable<(Point A, Point B)> Lines(FramedRoom room, WallSpace space, Length from, Length to)
    {
        var before = Length.Zero;
        foreach (var piece in space.Pieces)
        {
            var length = piece.To - piece.From;
            Length a = Length.Max(from, before) - before, b = Length.Min(to, before + length) - before;
            if (b > a)
            {
                var side = room.Sides[piece.Wall - 1];
                yield return (side.Into(side.At(piece.From + a), Off), side.Into(side.At(piece.From + b), Off));
            }

            before += length;
        }
    }

    // What a browser needs to draw it anew while a box is dragged: inches, in the order of the line.
    private static string Data(List<WallSpace> spaces, FramedLevel level)
    {
        var json = new StringBuilder("[");
        foreach (var space in spaces)
        {
            var room = level.Rooms.First(r => r.Room.Id == space.Room);
            json.Append(json.Length > 1 ? ",{" : "{").Append("\"room\":\"").Append(space.Room).Append("\",\"reach\":")
                .Append(SvgText.N(space.Reach)).Append(",\"clear\":").Append(SvgText.N(space.Clear))
                .Append(",\"closed\":").Append(space.Closed ? "true" : "false").Append(",\"counter\":")
                .Append(space.Counter ? "true" : "false").Append(",\"pieces\":[");
            json.AppendJoin(',', space.Pieces.Select(p =>
            {
                var side = room.Sides[p.Wall - 1];
                Point a = side.Into(side.At(p.From), Off), b = side.Into(side.At(p.To), Off);
                return $"[{p.Wall},{SvgText.N(p.From)},{SvgText.N(p.To)},{SvgText.N(a.X)},{SvgText.N(a.Y)},{SvgText.N(b.X)},"
                    + $"{SvgText.N(b.Y)}]";
            }));
            json.Append("],\"at\":[").AppendJoin(',', space.Receptacles.Select((r, i) => $"[\"{space.By[i]}\",{SvgText.N(r)}]"))
                .Append("]}");
        }

        return json.Append(']').ToString();
    }
}
