using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>The space between two floors, under the lowest or above the highest: cable runs square to the walls and around
/// obstructions.</summary>
internal sealed class Cavity
{
    private static readonly Length Beyond = Length.FromFeet(1);
    private readonly List<Block> blocks;
    private readonly List<Block> outside;
    private readonly List<Block> obstructions;
    private readonly Block whole;
    private readonly bool straight;
    private readonly Labour labour;

    private Cavity(FramedLevel level, IReadOnlyList<FramedRoom> rooms, int number, Joists joists, Length z, Celsius ambient, bool attic,
        IEnumerable<Obstruction> overhead, bool straight, Labour labour)
    {
        (Structure, Number, Joists, Z, Ambient, IsAttic, this.straight, this.labour) = (level.Structure, number, joists, z, ambient, attic,
            straight, labour);
        var above = overhead.ToList();
        List<ImmutableArray<Point>> covered = [.. rooms.Select(r => r.Room.Corners), .. above.Where(o => o.Kind.IsRoof())
            .Select(o => Shapes.Box(o.Corner, o.Corner.By(o.Width, o.Depth)))];
        outside = Outside(covered);
        obstructions = [.. above.Where(o => !o.Kind.IsRoof()).Select(o => new Block(o.Corner.X, o.Corner.Y, o.Corner.X + o.Width,
            o.Corner.Y + o.Depth))];
        blocks = [.. outside, .. this.obstructions];
        // Over a level that is not drawn yet nothing runs.
        var corners = covered.SelectMany(c => c).DefaultIfEmpty(new(Length.Zero, Length.Zero)).ToList();
        whole = new(corners.Min(c => c.X), corners.Min(c => c.Y), corners.Max(c => c.X), corners.Max(c => c.Y));
    }

    public int Structure { get; }

    /// <summary>0 under the lowest level, n above level n − 1.</summary>
    public int Number { get; }

    public Joists Joists { get; }

    public Length Z { get; }

    public Celsius Ambient { get; }

    public bool IsAttic { get; }

    public static Cavity? Below(FramedStructure structure, bool straight, Labour labour)
    {
        var level = structure.Levels[0];
        // A garage stands on a slab beside the crawl space: nothing runs under it.
        var rooms = level.Rooms.Where(r => r.Room.Use != RoomUse.Garage).ToList();
        return structure.Structure.Underfloor != Underfloor.Slab && level.Level.FloorJoists is { } joists && rooms.Count > 0
            ? new(level, rooms, 0, joists, -(joists.Depth / 2), level.Level.AmbientBelow, false, [], straight, labour)
            : null;
    }

    public static Cavity Above(FramedStructure structure, int index, bool straight, Labour labour)
    {
        var level = structure.Levels[index];
        return new(level, level.Rooms, index + 1, level.Level.CeilingJoists, level.Ceiling + (level.Level.CeilingJoists.Depth / 2),
            level.Level.AmbientAbove, level.Level.AtticAbove, level.Level.Obstructions, straight, labour);
    }

    /// <summary>What is poured under rooms: pipe lies in it around what is outside.</summary>
    public static Cavity InSlab(FramedLevel level, int number, IReadOnlyList<FramedRoom> rooms, Length z, Labour labour) =>
        new(level, rooms, number, new(JoistRun.EastWest, WallFrame.UsualSpacing, Length.Zero), z, new(30), false, [], false, labour);

    /// <summary>The place is under or over some room.</summary>
    public bool Covers(Point at) => at.X >= whole.West && at.X <= whole.East && at.Y >= whole.North && at.Y <= whole.South
        && !Held(outside, at);

    /// <summary>Its joists are bored where cable crosses them; open webs and trusses never are.</summary>
    public bool IsBored => Joists.Kind is JoistKind.Sawn or JoistKind.IJoist;

    /// <summary>The place is in what stands in it.</summary>
    public bool Bars(Point at) => Held(obstructions, at);

    /// <summary>Joists crossed between two places.</summary>
    public int JoistsCrossed(Point a, Point b) => Math.Abs(Index(b) - Index(a));

    /// <summary>Footage and holes of the cheapest way if nothing is in it; a lower bound otherwise.</summary>
    public Length LeastCost(Point a, Point b) => (straight ? a.At(Z).StraightTo(b.At(Z)) : a.SquareTo(b))
        + (labour.Of(Joists.Kind) * JoistsCrossed(a, b));

    /// <summary>Corners of the way from one place to another; null when there is none.</summary>
    public List<Point>? Corners(Point a, Point b)
    {
        // What stands over an end bars it: the way comes from the other side, or there is none.
        if (Bars(a) || Bars(b))
        {
            return null;
        }

        Point xFirst = new(b.X, a.Y), yFirst = new(a.X, b.Y);
        var around = blocks.Where(o => !o.Holds(a) && !o.Holds(b)).ToList();
        if (straight && a.X != b.X && a.Y != b.Y && !around.Exists(o => o.CutAslant(a, b)))
        {
            return [a, b];
        }

        if (Clear(around, a, xFirst) && Clear(around, xFirst, b))
        {
            return [a, xFirst, b];
        }

        return Clear(around, a, yFirst) && Clear(around, yFirst, b) ? [a, yFirst, b] : Around(around, a, b);
    }

    public int Index(Point at) => FloorDiv(Across(at), Joists.Spacing.Sixtyfourths);

    public int Lane(Point at) =>
        FloorDiv((Joists.Run == JoistRun.EastWest ? at.X : at.Y).Sixtyfourths, WallFrame.UsualSpacing.Sixtyfourths);

    public bool CrossesJoists(Point a, Point b) => Joists.Run == JoistRun.EastWest ? a.Y != b.Y : a.X != b.X;

    /// <summary>Where a straight piece of cable meets a joist.</summary>
    public Point MeetsJoist(int joist, Point a, Point b)
    {
        long at = (long)joist * Joists.Spacing.Sixtyfourths, from = Across(a), to = Across(b);
        Length Between(Length p, Length q) => p == q ? p : new(p.Sixtyfourths + (int)((q - p).Sixtyfourths * (at - from) / (to - from)));
        return Joists.Run == JoistRun.EastWest ? new(Between(a.X, b.X), new((int)at)) : new(new((int)at), Between(a.Y, b.Y));
    }

    private int Across(Point at) => (Joists.Run == JoistRun.EastWest ? at.Y : at.X).Sixtyfourths;

    private static int FloorDiv(int a, int b) => (a >= 0 ? a : a - b + 1) / b;

    // Asked for every pair of places: without a closure.
    private static bool Held(List<Block> blocks, Point at)
    {
        foreach (var block in blocks)
        {
            if (block.Holds(at))
            {
                return true;
            }
        }

        return false;
    }

    private static bool Clear(List<Block> blocks, Point a, Point b) => !blocks.Exists(o => o.Cut(a, b));

    // Dijkstra over the lines through the ends and the blocks' edges; a turn costs a little so that ways stay squared.
    private List<Point>? Around(List<Block> around, Point a, Point b)
    {
        var xs = around.SelectMany(o => new[] { o.West, o.East }).Where(x => x >= whole.West && x <= whole.East).Append(a.X).Append(b.X)
            .Distinct().Order().ToList();
        var ys = around.SelectMany(o => new[] { o.North, o.South }).Where(y => y >= whole.North && y <= whole.South).Append(a.Y)
            .Append(b.Y).Distinct().Order().ToList();
        (int X, int Y) start = (xs.IndexOf(a.X), ys.IndexOf(a.Y)), goal = (xs.IndexOf(b.X), ys.IndexOf(b.Y));
        var turn = Length.FromInches(3).Sixtyfourths;
        var best = new Dictionary<(int X, int Y, int Dir), int>();
        var from = new Dictionary<(int X, int Y, int Dir), (int X, int Y, int Dir)>();
        var open = new PriorityQueue<(int X, int Y, int Dir), (int, int, int, int)>();
        best[(start.X, start.Y, -1)] = 0;
        open.Enqueue((start.X, start.Y, -1), (0, start.X, start.Y, -1));
        while (open.TryDequeue(out var at, out var key))
        {
            if (key.Item1 > best[at])
            {
                continue;
            }

            if ((at.X, at.Y) == goal)
            {
                return Back(xs, ys, from, at);
            }

            for (var dir = 0; dir < 4; dir++)
            {
                int x = at.X + (dir == 0 ? 1 : dir == 1 ? -1 : 0), y = at.Y + (dir == 2 ? 1 : dir == 3 ? -1 : 0);
                if (x < 0 || y < 0 || x >= xs.Count || y >= ys.Count)
                {
                    continue;
                }

                Point p = new(xs[at.X], ys[at.Y]), q = new(xs[x], ys[y]);
                if (!Clear(around, p, q))
                {
                    continue;
                }

                var cost = best[at] + p.SquareTo(q).Sixtyfourths + (at.Dir >= 0 && at.Dir != dir ? turn : 0);
                var next = (x, y, dir);
                if (!best.TryGetValue(next, out var known) || cost < known)
                {
                    best[next] = cost;
                    from[next] = at;
                    open.Enqueue(next, (cost, x, y, dir));
                }
            }
        }

        return null;
    }

    private static List<Point> Back(List<Length> xs, List<Length> ys, Dictionary<(int X, int Y, int Dir), (int X, int Y, int Dir)> from,
        (int X, int Y, int Dir) at)
    {
        var points = new List<Point> { new(xs[at.X], ys[at.Y]) };
        while (from.TryGetValue(at, out var before))
        {
            if (before.Dir != at.Dir || !from.ContainsKey(before))
            {
                points.Add(new(xs[before.X], ys[before.Y]));
            }

            at = before;
        }

        points.Reverse();
        return points;
    }

    // What of the level's bounds neither room nor roof covers is open air: in strips both ways, so that no line between two cells of it is
    // free, and a little beyond the bounds, so that their own line is not either.
    private static List<Block> Outside(List<ImmutableArray<Point>> covered)
    {
        var corners = covered.SelectMany(c => c).ToList();
        var xs = corners.Select(c => c.X).Distinct().Order().ToList();
        var ys = corners.Select(c => c.Y).Distinct().Order().ToList();
        if (xs.Count < 2 || ys.Count < 2)
        {
            return [];
        }

        Length Low(List<Length> lines, int i) => i == 0 ? lines[0] - Beyond : lines[i];
        Length High(List<Length> lines, int i) => i == lines.Count - 1 ? lines[i] + Beyond : lines[i];
        var (columns, rows) = (xs.Count - 1, ys.Count - 1);
        var open = new bool[columns, rows];
        for (var i = 0; i < columns; i++)
        {
            for (var j = 0; j < rows; j++)
            {
                var middle = new Point((xs[i] + xs[i + 1]) / 2, (ys[j] + ys[j + 1]) / 2);
                open[i, j] = !covered.Exists(c => Outline.Contains(c, middle));
            }
        }

        return
        [
            .. Enumerable.Range(0, rows).SelectMany(j => Stretches(columns, i => open[i, j])
                .Select(s => new Block(Low(xs, s.From), Low(ys, j), High(xs, s.To), High(ys, j + 1)))),
            .. Enumerable.Range(0, columns).SelectMany(i => Stretches(rows, j => open[i, j])
                .Select(s => new Block(Low(xs, i), Low(ys, s.From), High(xs, i + 1), High(ys, s.To)))),
        ];
    }

    // Where a row of cells is open, from one line to another.
    private static IEnumerable<(int From, int To)> Stretches(int cells, Func<int, bool> isOpen)
    {
        for (var from = 0; from < cells; from++)
        {
            var to = from;
            while (to < cells && isOpen(to))
            {
                to++;
            }

            if (to > from)
            {
                yield return (from, to);
                from = to;
            }
        }
    }

    private readonly record struct Block(Length West, Length North, Length East, Length South)
    {
        public bool Holds(Point p) => p.X > West && p.X < East && p.Y > North && p.Y < South;

        /// <summary>A slanting line passes through the inside.</summary>
        public bool CutAslant(Point a, Point b)
        {
            double enters = 0, leaves = 1;
            foreach (var (from, to, low, high) in new[] { (a.X, b.X, West, East), (a.Y, b.Y, North, South) })
            {
                double step = (to - from).Sixtyfourths, one = (low - from).Sixtyfourths / step, other = (high - from).Sixtyfourths / step;
                enters = Math.Max(enters, Math.Min(one, other));
                leaves = Math.Min(leaves, Math.Max(one, other));
            }

            return enters < leaves;
        }

        public bool Cut(Point a, Point b) =>
            Length.Min(a.X, b.X) < East && Length.Max(a.X, b.X) > West && Length.Min(a.Y, b.Y) < South && Length.Max(a.Y, b.Y) > North;
    }
}
