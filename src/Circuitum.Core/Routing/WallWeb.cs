using Circuitum.Core.House;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>The walls of a level as a web to bore along at the crew's height: doors cut it, windows with a higher sill do not.</summary>
internal sealed class WallWeb
{
    private readonly List<Point> knots;
    private readonly (int Start, int End, int Run)[] spans;
    private readonly (int From, int To)[][] gaps;
    private readonly List<(int To, int Cost)>[] edges;
    private readonly (int[] Cost, int[] From)?[] found;

    public WallWeb(FramedLevel level, Length height)
    {
        knots = [.. level.Walls.SelectMany(w => new[] { w.Start, w.End }).Distinct().OrderBy(p => p.X).ThenBy(p => p.Y)];
        var knotAt = knots.Select((p, i) => (p, i)).ToDictionary(x => x.p, x => x.i);
        spans = [.. level.Walls.Select(w => (knotAt[w.Start], knotAt[w.End], w.Run.Sixtyfourths))];
        gaps = [.. level.Walls.Select(w => w.Openings.Where(o => o.StopsBoringAt(height)).Select(o => (o.From.Sixtyfourths, o.To.Sixtyfourths)).ToArray())];
        edges = [.. knots.Select(_ => new List<(int, int)>())];
        found = new (int[], int[])?[knots.Count];
        for (var wall = 0; wall < spans.Length; wall++)
        {
            var (start, end, run) = spans[wall];
            if (Solid(wall, 0, run))
            {
                var cost = Cost(0, run) + Labour.Corner.Sixtyfourths;
                edges[start].Add((end, cost));
                edges[end].Add((start, cost));
            }
        }
    }

    /// <summary>Cheapest way along the studs; null when doors part the two places.</summary>
    public WebWay? Between(Place a, Place b)
    {
        if (a.Wall is not int wallA || b.Wall is not int wallB)
        {
            return null;
        }

        int alongA = a.Along.Sixtyfourths, alongB = b.Along.Sixtyfourths;
        WebWay? best = wallA == wallB && Solid(wallA, alongA, alongB) ? new(Cost(alongA, alongB), null) : null;
        Span<(int Knot, int Cost)> ends = stackalloc (int, int)[2];
        Span<(int Knot, int Cost)> starts = stackalloc (int, int)[2];
        int startCount = Ends(wallA, alongA, starts), endCount = Ends(wallB, alongB, ends);
        for (var i = 0; i < startCount; i++)
        {
            var cost = From(starts[i].Knot).Cost;
            for (var j = 0; j < endCount; j++)
            {
                var between = cost[ends[j].Knot];
                if (between < int.MaxValue && starts[i].Cost + between + ends[j].Cost is var total && (best is null || total < best.Value.Cost))
                {
                    best = new(total, (starts[i].Knot, ends[j].Knot));
                }
            }
        }

        return best;
    }

    /// <summary>The wall ends that a way turns at, in order.</summary>
    public List<Point> Turns(WebWay way) => way.Ends is var (start, end) ? Knots(start, end) : [];

    // Studs stand on the wall's own layout, so what is counted is bays left behind.
    private static int Cost(int from, int to) =>
        Math.Abs(from - to) + (Labour.Stud.Sixtyfourths * Math.Abs((Math.Max(0, from) / Wall.StudSpacing.Sixtyfourths) - (Math.Max(0, to) / Wall.StudSpacing.Sixtyfourths)));

    private bool Solid(int wall, int from, int to)
    {
        int low = Math.Min(from, to), high = Math.Max(from, to);
        foreach (var gap in gaps[wall])
        {
            if (gap.From < high && gap.To > low)
            {
                return false;
            }
        }

        return true;
    }

    private int Ends(int wall, int along, Span<(int Knot, int Cost)> ends)
    {
        var count = 0;
        var (start, end, run) = spans[wall];
        if (Solid(wall, 0, along))
        {
            ends[count++] = (start, Cost(0, along) + Labour.Corner.Sixtyfourths);
        }

        if (Solid(wall, along, run))
        {
            ends[count++] = (end, Cost(along, run) + Labour.Corner.Sixtyfourths);
        }

        return count;
    }

    private List<Point> Knots(int start, int end)
    {
        var (_, from) = From(start);
        var way = new List<Point>();
        for (var at = end; at >= 0; at = from[at])
        {
            way.Add(knots[at]);
        }

        way.Reverse();
        return way;
    }

    private (int[] Cost, int[] From) From(int start)
    {
        if (found[start] is { } known)
        {
            return known;
        }

        var cost = Enumerable.Repeat(int.MaxValue, knots.Count).ToArray();
        var from = Enumerable.Repeat(-1, knots.Count).ToArray();
        var open = new PriorityQueue<int, (int, int)>();
        cost[start] = 0;
        open.Enqueue(start, (0, start));
        while (open.TryDequeue(out var at, out var key))
        {
            if (key.Item1 > cost[at])
            {
                continue;
            }

            foreach (var (to, step) in edges[at])
            {
                if (cost[at] + step < cost[to])
                {
                    cost[to] = cost[at] + step;
                    from[to] = at;
                    open.Enqueue(to, (cost[to], to));
                }
            }
        }

        found[start] = (cost, from);
        return (cost, from);
    }
}

/// <summary>A way along the studs: its cost in 1/64 in, and the wall ends it runs between; none along one wall.</summary>
internal readonly record struct WebWay(int Cost, (int Start, int End)? Ends);
