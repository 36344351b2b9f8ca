using Circuitum.Core.House;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>The walls of a level as a web to bore along at the crew's height: doors cut it, windows with a higher sill do not.</summary>
internal sealed class WallWeb
{
    private readonly FramedLevel level;
    private readonly Length height;
    private readonly List<Point> knots;
    private readonly Dictionary<Point, int> knotAt;
    private readonly List<(int To, int Wall, int Cost)>[] edges;
    private readonly (int[] Cost, int[] From)?[] found;

    public WallWeb(FramedLevel level, Length height)
    {
        (this.level, this.height) = (level, height);
        knots = [.. level.Walls.SelectMany(w => new[] { w.Start, w.End }).Distinct().OrderBy(p => p.X).ThenBy(p => p.Y)];
        knotAt = knots.Select((p, i) => (p, i)).ToDictionary(x => x.p, x => x.i);
        edges = [.. knots.Select(_ => new List<(int, int, int)>())];
        found = new (int[], int[])?[knots.Count];
        foreach (var wall in level.Walls.Where(w => w.CanBore(Length.Zero, w.Run, height)))
        {
            int a = knotAt[wall.Start], b = knotAt[wall.End], cost = Cost(Length.Zero, wall.Run) + Labour.Corner.Sixtyfourths;
            edges[a].Add((b, wall.Index, cost));
            edges[b].Add((a, wall.Index, cost));
        }
    }

    /// <summary>Cheapest way along the studs; null when doors part the two places.</summary>
    public WebWay? Between(Place a, Place b)
    {
        if (a.Wall is not int wallA || b.Wall is not int wallB)
        {
            return null;
        }

        Wall onA = level.Walls[wallA], onB = level.Walls[wallB];
        WebWay? best = wallA == wallB && onA.CanBore(a.Along, b.Along, height) ? new(Cost(a.Along, b.Along), []) : null;
        foreach (var (start, costA) in Ends(onA, a.Along))
        {
            var (cost, _) = From(start);
            foreach (var (end, costB) in Ends(onB, b.Along))
            {
                if (cost[end] < int.MaxValue && costA + cost[end] + costB is var total && (best is null || total < best.Cost))
                {
                    best = new(total, Knots(start, end));
                }
            }
        }

        return best;
    }

    /// <summary>Studs passed between two places along one wall.</summary>
    public static int StudsPassed(Length from, Length to) => Math.Abs(Wall.Bay(to) - Wall.Bay(from));

    private static int Cost(Length from, Length to) => (from - to).Abs().Sixtyfourths + (Labour.Stud.Sixtyfourths * StudsPassed(from, to));

    private IEnumerable<(int Knot, int Cost)> Ends(Wall wall, Length along)
    {
        if (wall.CanBore(Length.Zero, along, height))
        {
            yield return (knotAt[wall.Start], Cost(Length.Zero, along) + Labour.Corner.Sixtyfourths);
        }

        if (wall.CanBore(along, wall.Run, height))
        {
            yield return (knotAt[wall.End], Cost(along, wall.Run) + Labour.Corner.Sixtyfourths);
        }
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

            foreach (var (to, _, step) in edges[at])
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

/// <summary>A way along the studs: its cost in 1/64 in and the wall ends it turns at.</summary>
internal sealed record WebWay(int Cost, List<Point> Knots);
