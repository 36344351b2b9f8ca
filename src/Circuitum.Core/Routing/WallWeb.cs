using Circuitum.Core.House;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>The walls of a level as a web to bore along at the crew's height: doors cut it, windows with a higher sill do not.</summary>
internal sealed class WallWeb
{
    private readonly Labour labour;
    private readonly List<Point> knots;
    private readonly (int Start, int End, int Run)[] spans;
    private readonly (int From, int To)[][] gaps;
    private readonly int[] bays;
    private readonly List<(int To, int Cost)>[] edges;
    private readonly Search?[] searches;

    public WallWeb(FramedLevel level, Length height, Labour labour)
    {
        this.labour = labour;
        knots = [.. level.Walls.SelectMany(w => new[] { w.Start, w.End }).Distinct().OrderBy(p => p.X).ThenBy(p => p.Y)];
        var knotAt = knots.Select((p, i) => (p, i)).ToDictionary(x => x.p, x => x.i);
        spans = [.. level.Walls.Select(w => (knotAt[w.Start], knotAt[w.End], w.Run.Sixtyfourths))];
        // Furring over masonry is too shallow to bore along, and a panel without level chases has no way along it (300.4(D)).
        gaps = [.. level.Walls.Select(w => w.Frame.RunsAlong
            ? w.Openings.Where(o => o.StopsBoringAt(w.Frame.RunHeight(height))).Select(o => (o.From.Sixtyfourths, o.To.Sixtyfourths))
            .ToArray()
            : [(int.MinValue, int.MaxValue)])];
        // Studs of metal come punched, chases are open: nothing is bored.
        bays = [.. level.Walls.Select(w => w.Frame.IsWood ? w.Frame.Spacing.Sixtyfourths : int.MaxValue)];
        edges = [.. knots.Select(_ => new List<(int, int)>())];
        searches = new Search?[knots.Count];
        for (var wall = 0; wall < spans.Length; wall++)
        {
            var (start, end, run) = spans[wall];
            if (Solid(wall, 0, run))
            {
                var cost = Cost(wall, 0, run) + labour.Corner.Sixtyfourths;
                edges[start].Add((end, cost));
                edges[end].Add((start, cost));
            }
        }
    }

    /// <summary>Cheapest way along the studs for less than a limit, in 1/64 in; null when there is none.</summary>
    public WebWay? Between(Place a, Place b, int limit)
    {
        if (a.Wall is not int wallA || b.Wall is not int wallB || a.At.Plan.SquareTo(b.At.Plan).Sixtyfourths >= limit)
        {
            return null;
        }

        int alongA = a.Along.Sixtyfourths, alongB = b.Along.Sixtyfourths;
        WebWay? best = null;
        if (wallA == wallB && Solid(wallA, alongA, alongB) && Cost(wallA, alongA, alongB) is var straight && straight < limit)
        {
            (best, limit) = (new(straight, null), straight);
        }

        Span<(int Knot, int Cost)> starts = stackalloc (int, int)[2], ends = stackalloc (int, int)[2];
        int startCount = Ends(wallA, alongA, starts), endCount = Ends(wallB, alongB, ends);
        for (var i = 0; i < startCount; i++)
        {
            for (var j = 0; j < endCount; j++)
            {
                var ways = starts[i].Cost + ends[j].Cost;
                if (From(starts[i].Knot).CostTo(ends[j].Knot, limit - ways) is int between && ways + between < limit)
                {
                    (best, limit) = (new(ways + between, (starts[i].Knot, ends[j].Knot)), ways + between);
                }
            }
        }

        return best;
    }

    /// <summary>The wall ends that a way turns at, in order.</summary>
    public List<Point> Turns(WebWay way) => way.Ends is var (start, end) ? Knots(start, end) : [];

    // Studs stand on the wall's own layout, so what is counted is bays left behind.
    private int Cost(int wall, int from, int to) =>
        Math.Abs(from - to) + (labour.Stud.Sixtyfourths * Math.Abs((Math.Max(0, from) / bays[wall]) - (Math.Max(0, to) / bays[wall])));

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
            ends[count++] = (start, Cost(wall, 0, along) + labour.Corner.Sixtyfourths);
        }

        if (Solid(wall, along, run))
        {
            ends[count++] = (end, Cost(wall, along, run) + labour.Corner.Sixtyfourths);
        }

        return count;
    }

    private List<Point> Knots(int start, int end)
    {
        var way = new List<Point>();
        for (var at = end; at >= 0; at = From(start).Before(at))
        {
            way.Add(knots[at]);
        }

        way.Reverse();
        return way;
    }

    private Search From(int knot) => searches[knot] ??= new(knot, edges);

    // Dijkstra's search from one knot, which goes on from where it stopped when more is asked of it.
    private sealed class Search
    {
        private readonly List<(int To, int Cost)>[] edges;
        private readonly int[] cost;
        private readonly int[] from;
        private readonly bool[] settled;
        private readonly PriorityQueue<int, (int, int)> open = new();

        public Search(int start, List<(int To, int Cost)>[] edges)
        {
            this.edges = edges;
            cost = new int[edges.Length];
            from = new int[edges.Length];
            settled = new bool[edges.Length];
            Array.Fill(cost, int.MaxValue);
            Array.Fill(from, -1);
            cost[start] = 0;
            open.Enqueue(start, (0, start));
        }

        public int Before(int knot) => from[knot];

        /// <summary>What the way to a knot costs; null when it is not less than the limit.</summary>
        public int? CostTo(int knot, int limit)
        {
            while (!settled[knot] && open.TryPeek(out var at, out var key) && key.Item1 < limit)
            {
                open.Dequeue();
                if (settled[at])
                {
                    continue;
                }

                settled[at] = true;
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

            return settled[knot] && cost[knot] < limit ? cost[knot] : null;
        }
    }
}

/// <summary>A way along the studs: its cost in 1/64 in, and the wall ends it runs between; none along one wall.</summary>
internal readonly record struct WebWay(int Cost, (int Start, int End)? Ends);
