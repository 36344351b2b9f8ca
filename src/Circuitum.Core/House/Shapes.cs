using System.Collections.Immutable;
using Circuitum.Core.Units;
using NetTopologySuite.Geometries;
using Point = Circuitum.Core.Units.Point;

namespace Circuitum.Core.House;

/// <summary>Rooms put together, cut apart and held against each other. Coordinates are 1/64 in, so nothing is rounded.</summary>
public static class Shapes
{
    private static readonly GeometryFactory Factory = new(new PrecisionModel(1));

    /// <summary>Two outlines as one; null when they share no wall or would leave a hole.</summary>
    public static ImmutableArray<Point>? Union(IReadOnlyList<Point> a, IReadOnlyList<Point> b) => Simple(Polygon(a).Union(Polygon(b)));

    /// <summary>An outline without a rectangle of it; null when nothing or more than one piece is left.</summary>
    public static ImmutableArray<Point>? Without(IReadOnlyList<Point> outline, Point northWest, Point southEast) =>
        Simple(Polygon(outline).Difference(Rectangle(northWest, southEast)));

    /// <summary>The part of an outline inside a rectangle; null when there is none or more than one.</summary>
    public static ImmutableArray<Point>? Within(IReadOnlyList<Point> outline, Point northWest, Point southEast) =>
        Simple(Polygon(outline).Intersection(Rectangle(northWest, southEast)));

    /// <summary>True when two outlines share floor, not only a wall.</summary>
    public static bool Overlap(IReadOnlyList<Point> a, IReadOnlyList<Point> b)
    {
        if (a.Max(p => p.X) <= b.Min(p => p.X) || b.Max(p => p.X) <= a.Min(p => p.X) || a.Max(p => p.Y) <= b.Min(p => p.Y)
            || b.Max(p => p.Y) <= a.Min(p => p.Y))
        {
            return false;
        }

        // Between the lines of all walls every cell lies wholly in or out of an outline.
        List<Length> xs = [.. a.Concat(b).Select(p => p.X).Distinct().Order()], ys = [.. a.Concat(b).Select(p => p.Y).Distinct().Order()];
        for (var i = 1; i < xs.Count; i++)
        {
            for (var j = 1; j < ys.Count; j++)
            {
                var middle = new Point((xs[i - 1] + xs[i]) / 2, (ys[j - 1] + ys[j]) / 2);
                if (Outline.Contains(a, middle) && Outline.Contains(b, middle))
                {
                    return true;
                }
            }
        }

        return false;
    }

    /// <summary>The rectangle with these opposite corners, clockwise from the north-west.</summary>
    public static ImmutableArray<Point> Box(Point a, Point b)
    {
        Length west = Length.Min(a.X, b.X), east = Length.Max(a.X, b.X), north = Length.Min(a.Y, b.Y), south = Length.Max(a.Y, b.Y);
        return [new(west, north), new(east, north), new(east, south), new(west, south)];
    }

    /// <summary>Corners clockwise from the north-west, straight ones left out.</summary>
    public static ImmutableArray<Point> Usual(IReadOnlyList<Point> corners)
    {
        var turns = corners.Where((p, i) => Turns(corners[(i + corners.Count - 1) % corners.Count], p, corners[(i + 1) % corners.Count]))
            .ToList();
        var first = turns.IndexOf(turns.OrderBy(p => p.Y).ThenBy(p => p.X).First());
        var round = turns.Skip(first).Concat(turns.Take(first)).ToList();
        if (round[1].Y != round[0].Y)
        {
            round = [round[0], .. round.Skip(1).Reverse()];
        }

        return [.. round];
    }

    private static bool Turns(Point before, Point at, Point after) =>
        !((before.X == at.X && at.X == after.X) || (before.Y == at.Y && at.Y == after.Y));

    private static Polygon Polygon(IReadOnlyList<Point> corners) =>
        Factory.CreatePolygon([.. corners.Append(corners[0]).Select(p => new Coordinate(p.X.Sixtyfourths, p.Y.Sixtyfourths))]);

    private static Polygon Rectangle(Point a, Point b) => Polygon(Box(a, b));

    private static ImmutableArray<Point>? Simple(Geometry shape)
    {
        if (shape is not Polygon { IsEmpty: false, NumInteriorRings: 0 } polygon)
        {
            return null;
        }

        return Usual([.. polygon.Shell.Coordinates.SkipLast(1).Select(c => new Point(new((int)c.X), new((int)c.Y)))]);
    }
}
