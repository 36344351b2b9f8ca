using Circuitum.Core.Units;

namespace Circuitum.Core.House;

/// <summary>Questions about a polygon with square corners.</summary>
public static class Outline
{
    /// <summary>The middle of what of a line lies in a rectangle or along its edge; null where none of it does. One that slants is taken
    /// with all that lies between its ends.</summary>
    public static Point? MiddleWithin(Point northWest, Point southEast, Point a, Point b)
    {
        Length west = Length.Max(Length.Min(a.X, b.X), northWest.X), east = Length.Min(Length.Max(a.X, b.X), southEast.X),
            north = Length.Max(Length.Min(a.Y, b.Y), northWest.Y), south = Length.Min(Length.Max(a.Y, b.Y), southEast.Y);
        return west > east || north > south || (west == east && north == south) ? null : new((west + east) / 2, (north + south) / 2);
    }

    /// <summary>True when a place lies in the outline or on its edge.</summary>
    public static bool Contains(IReadOnlyList<Point> corners, Point at)
    {
        var inside = false;
        for (int i = 0, j = corners.Count - 1; i < corners.Count; j = i++)
        {
            Point a = corners[j], b = corners[i];
            if (a.X == b.X && at.X == a.X && at.Y >= Length.Min(a.Y, b.Y) && at.Y <= Length.Max(a.Y, b.Y))
            {
                return true;
            }

            if (a.Y == b.Y && at.Y == a.Y && at.X >= Length.Min(a.X, b.X) && at.X <= Length.Max(a.X, b.X))
            {
                return true;
            }

            if (a.X == b.X && (a.Y > at.Y) != (b.Y > at.Y) && at.X < a.X)
            {
                inside = !inside;
            }
        }

        return inside;
    }

    /// <summary>Area enclosed.</summary>
    public static SquareFeet Area(IReadOnlyList<Point> corners)
    {
        var twice = 0L;
        for (var i = 0; i < corners.Count; i++)
        {
            Point a = corners[i], b = corners[(i + 1) % corners.Count];
            twice += ((long)a.X.Sixtyfourths * b.Y.Sixtyfourths) - ((long)b.X.Sixtyfourths * a.Y.Sixtyfourths);
        }

        return new(Math.Abs(twice) / 2m / (768m * 768m));
    }

    /// <summary>Length of a passage along its middle, round its corners: the length of the straight one that has its area and its way
    /// round.</summary>
    public static Length CentreLine(IReadOnlyList<Point> corners)
    {
        var round = 0L;
        for (var i = 0; i < corners.Count; i++)
        {
            round += corners[i].SquareTo(corners[(i + 1) % corners.Count]).Sixtyfourths;
        }

        // Length and width are the roots of x² − half round · x + area.
        var (half, area) = (round / 2.0, (double)Area(corners).Value * 768 * 768);
        return new((int)Math.Round((half + Math.Sqrt(Math.Max(0, (half * half) - (4 * area)))) / 2));
    }

    /// <summary>The place of a rectangle, given by opposite corners, that lies nearest to another; itself where it lies inside.</summary>
    public static Point Nearest((Point NorthWest, Point SouthEast) area, Point to) => new(
        Length.Max(area.NorthWest.X, Length.Min(area.SouthEast.X, to.X)), Length.Max(area.NorthWest.Y, Length.Min(area.SouthEast.Y, to.Y)));

    /// <summary>How far a place is, straight, from a rectangle given by any two opposite corners; nothing inside it.</summary>
    public static Length StraightTo(Point a, Point b, Point at)
    {
        Length west = Length.Min(a.X, b.X), east = Length.Max(a.X, b.X), north = Length.Min(a.Y, b.Y), south = Length.Max(a.Y, b.Y);
        return Nearest((new(west, north), new(east, south)), at).At(Length.Zero).StraightTo(at.At(Length.Zero));
    }

    /// <summary>Opposite corners of the largest rectangle that lies in the outline: of an L its larger part.</summary>
    public static (Point NorthWest, Point SouthEast) Largest(IReadOnlyList<Point> corners)
    {
        List<Length> xs = [.. corners.Select(p => p.X).Distinct().Order()], ys = [.. corners.Select(p => p.Y).Distinct().Order()];
        var best = (NorthWest: new Point(xs[0], ys[0]), SouthEast: new Point(xs[^1], ys[^1]));
        var most = -1L;
        for (var a = 0; a + 1 < xs.Count; a++)
        {
            for (var b = a + 1; b < xs.Count; b++)
            {
                for (var c = 0; c + 1 < ys.Count; c++)
                {
                    for (var d = c + 1; d < ys.Count; d++)
                    {
                        var size = (long)(xs[b] - xs[a]).Sixtyfourths * (ys[d] - ys[c]).Sixtyfourths;
                        if (size > most && Filled(corners, xs, ys, (a, b), (c, d)))
                        {
                            (best, most) = ((new(xs[a], ys[c]), new(xs[b], ys[d])), size);
                        }
                    }
                }
            }
        }

        return best;
    }

    private static bool Filled(IReadOnlyList<Point> corners, List<Length> xs, List<Length> ys, (int From, int To) across,
        (int From, int To) down)
    {
        for (var i = across.From; i < across.To; i++)
        {
            for (var j = down.From; j < down.To; j++)
            {
                if (!Contains(corners, new((xs[i] + xs[i + 1]) / 2, (ys[j] + ys[j + 1]) / 2)))
                {
                    return false;
                }
            }
        }

        return true;
    }

    /// <summary>Mean of the corners' bounding box.</summary>
    public static Point Middle(IReadOnlyList<Point> corners) =>
        new((corners.Min(c => c.X) + corners.Max(c => c.X)) / 2, (corners.Min(c => c.Y) + corners.Max(c => c.Y)) / 2);
}
