using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Formats.Svg;

/// <summary>What would be drawn, as the outline of a ghost over the plan.</summary>
public static class GhostDrawing
{
    /// <summary>Rooms, openings and fixtures that one house has and the other has not, on one level, as the data of a path; empty when
    /// there is none.</summary>
    public static string Path(Job before, Job after, LevelId levelId)
    {
        var house = Framing.Frame(after);
        var level = house.Levels.First(l => l.Level.Id == levelId);
        var was = before.Rooms.ToDictionary(r => r.Id);
        var openings = before.Rooms.SelectMany(r => r.Openings).Select(o => o.Id).ToHashSet();
        var outlines = new List<IEnumerable<Point>>();
        foreach (var room in level.Rooms)
        {
            if (!was.TryGetValue(room.Room.Id, out var old))
            {
                outlines.Add(room.Inside);
                continue;
            }

            outlines.AddRange(room.Room.Openings.Where(o => !openings.Contains(o.Id)).Select(o => Opening(room, o)));
            outlines.AddRange(room.Room.Fixtures.Where(f => !old.Fixtures.Contains(f)).Select(f =>
            {
                var (a, b) = room.Footprint(f);
                return Shapes.Box(a, b).AsEnumerable();
            }));
        }

        return string.Concat(outlines.Select(HouseDrawing.Path));
    }

    // Through the whole wall, so that it shows from both rooms.
    private static IEnumerable<Point> Opening(FramedRoom room, Opening opening)
    {
        var side = room.Sides[opening.Wall - 1];
        Point a = side.At(opening.Offset), b = side.At(opening.Offset + opening.Width);
        return [a, b, side.Into(b, -(side.HalfThickness * 2)), side.Into(a, -(side.HalfThickness * 2))];
    }
}
