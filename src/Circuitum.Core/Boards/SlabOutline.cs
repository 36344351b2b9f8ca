using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>The outline of a slab, which the rooms under it and over it make, and the shortest way through it: straight, and at a corner
/// that stands in the way around it.</summary>
internal sealed class SlabOutline
{
    private static readonly Length Beside = Length.FromInches(1);
    private readonly ImmutableArray<ImmutableArray<Point>> rooms;
    private readonly Point[] corners;
    private readonly bool[,] seen;

    /// <param name="outlines">Outlines of rooms on their wall center lines, square corners.</param>
    /// <param name="gone">Ends it between two corners: nobody waits for it any more.</param>
    public SlabOutline(IEnumerable<ImmutableArray<Point>> outlines, CancellationToken gone)
    {
        rooms = [.. outlines];
        corners = [.. rooms.SelectMany(r => r).Distinct().Where(TurnsIn)];
        seen = new bool[corners.Length, corners.Length];
        for (var i = 0; i < corners.Length; i++)
        {
            for (var j = 0; j < i; j++)
            {
                gone.ThrowIfCancellationRequested();
                seen[i, j] = seen[j, i] = IsClear(corners[i], corners[j]);
            }
        }
    }

    /// <summary>The places of a way, both ends with them; straight where no way lies inside.</summary>
    public ImmutableArray<Point> Way(Point from, Point to)
    {
        if (IsClear(from, to))
        {
            return [from, to];
        }

        // From corner to corner, the nearest first; the last two nodes are the ends.
        var nodes = (Point[])[.. corners, from, to];
        var (start, end) = (corners.Length, corners.Length + 1);
        var far = Enumerable.Repeat(long.MaxValue, nodes.Length).ToArray();
        var before = new int[nodes.Length];
        var open = Enumerable.Range(0, nodes.Length).ToList();
        far[start] = 0;
        while (open.Count > 0)
        {
            var at = open.MinBy(i => far[i]);
            open.Remove(at);
            if (far[at] == long.MaxValue || at == end)
            {
                break;
            }

            foreach (var next in open.Where(n => n < start && at < start ? seen[at, n] : IsClear(nodes[at], nodes[n])))
            {
                var along = far[at] + Straight(nodes[at], nodes[next]).Sixtyfourths;
                if (along < far[next])
                {
                    (far[next], before[next]) = (along, at);
                }
            }
        }

        if (far[end] == long.MaxValue)
        {
            return [from, to];
        }

        var way = new List<Point> { to };
        for (var at = before[end]; at != start; at = before[at])
        {
            way.Insert(0, nodes[at]);
        }

        return [from, .. way];
    }

    /// <summary>As the crow flies.</summary>
    public static Length Straight(Point a, Point b) => a.At(Length.Zero).StraightTo(b.At(Length.Zero));

    // Three of the four quarters around it are slab: the outline turns in there, and a way may have to bend.
    private bool TurnsIn(Point at) => new[] { (1, 1), (1, -1), (-1, 1), (-1, -1) }
        .Count(q => Inside(at.By(Beside * q.Item1, Beside * q.Item2))) == 3;

    private bool Inside(Point at) => rooms.Any(r => Outline.Contains(r, at));

    // Between two lines of walls that it crosses a way is inside or outside for all of it: the middle of each piece says which.
    private bool IsClear(Point a, Point b)
    {
        double x = a.X.Sixtyfourths, y = a.Y.Sixtyfourths, dx = b.X.Sixtyfourths - x, dy = b.Y.Sixtyfourths - y;
        var crossed = new SortedSet<double> { 0, 1 };
        foreach (var corner in rooms.SelectMany(r => r))
        {
            foreach (var at in new[] { (corner.X.Sixtyfourths - x) / dx, (corner.Y.Sixtyfourths - y) / dy })
            {
                if (at is > 0 and < 1)
                {
                    crossed.Add(at);
                }
            }
        }

        return crossed.Zip(crossed.Skip(1), (from, to) => (from + to) / 2)
            .All(m => Inside(new(new((int)Math.Round(x + (dx * m))), new((int)Math.Round(y + (dy * m))))));
    }
}
