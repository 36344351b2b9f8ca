using System.Text.Json.Nodes;

namespace Circuitum.Inspector;

/// <summary>A room measured from its corners: centre lines in, inside faces out, in inches.</summary>
internal sealed class SurveyedRoom
{
    public required JsonObject Room { get; init; }

    public required string Structure { get; init; }

    public required JsonObject Level { get; init; }

    public required bool Accessory { get; init; }

    /// <summary>Inside corners, clockwise from the north-west.</summary>
    public required (double X, double Y)[] Inside { get; init; }

    /// <summary>Parts of the walk along the inside faces that openings take: from, to and the opening.</summary>
    public List<(double From, double To, JsonObject Opening, bool Own)> Openings { get; } = [];

    public string Id => Room.Text("id");

    public string Use => Room.Text("use");

    public int Walls => Inside.Length;

    /// <summary>Along the inside faces from the first corner to where a wall begins.</summary>
    public double WallStart(int wall) => Enumerable.Range(0, wall - 1).Sum(Length);

    public double Around => Enumerable.Range(0, Walls).Sum(Length);

    public double Length(int side)
    {
        var ((ax, ay), (bx, by)) = (Inside[side], Inside[(side + 1) % Walls]);
        return Math.Abs(ax - bx) + Math.Abs(ay - by);
    }

    /// <summary>A place lies in one of its walls, or within 10 in of its face: no wall is thicker.</summary>
    public bool IsAtWall(double x, double y)
    {
        for (var side = 0; side < Walls; side++)
        {
            var ((ax, ay), (bx, by)) = (Inside[side], Inside[(side + 1) % Walls]);
            double dx = Math.Max(0, Math.Max(Math.Min(ax, bx) - x, x - Math.Max(ax, bx))),
                dy = Math.Max(0, Math.Max(Math.Min(ay, by) - y, y - Math.Max(ay, by)));
            if (dx <= 10 && dy <= 10)
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>A place on the face of a wall, so far from its start.</summary>
    public (double X, double Y) On(int wall, double offset)
    {
        var ((ax, ay), (bx, by)) = (Inside[wall - 1], Inside[wall % Walls]);
        var length = Length(wall - 1);
        return (ax + ((bx - ax) * offset / length), ay + ((by - ay) * offset / length));
    }

    /// <summary>A fixture's rectangle on the floor.</summary>
    public (double West, double North, double East, double South) Footprint(JsonObject fixture)
    {
        double wide = fixture.Inches("width"), deep = fixture.Inches("depth");
        if (fixture["wall"] is null)
        {
            var (x, y) = (Inside[0].X + fixture.Inches("x"), Inside[0].Y + fixture.Inches("y"));
            return (x, y, x + wide, y + deep);
        }

        var wall = (int)fixture.Number("wall");
        var (a, b) = (On(wall, fixture.Inches("offset")), On(wall, fixture.Inches("offset") + wide));
        // Into the room: to the right of the way walked.
        var ((sx, sy), (ex, ey)) = (Inside[wall - 1], Inside[wall % Walls]);
        var (dx, dy) = (Math.Sign(ex - sx), Math.Sign(ey - sy));
        var (cx, cy) = (b.X - (dy * deep), b.Y + (dx * deep));
        double[] xs = [a.X, b.X, cx], ys = [a.Y, b.Y, cy];
        return (xs.Min(), ys.Min(), xs.Max(), ys.Max());
    }
}

/// <summary>The houses of a job, measured.</summary>
internal sealed class Surveyed
{
    private static readonly Dictionary<string, double> Thickness = new()
    {
        ["wood2x4"] = 4.5,
        ["wood2x6"] = 6.5,
        ["metal-stud"] = 4.625,
        ["masonry-furred"] = 8.875,
        ["insulated-panel"] = 7,
    };

    public Surveyed(JsonObject job)
    {
        foreach (var structure in job.Each("structures"))
        {
            foreach (var level in structure.Each("levels"))
            {
                var rooms = level.Each("rooms").ToList();
                var edges = rooms.SelectMany(r => Edges(r).Select(e => (Room: r, Edge: e))).ToList();
                var measured = rooms.ConvertAll(r => Measure(r, edges, structure, level));
                foreach (var (room, edge) in edges)
                {
                    foreach (var opening in room.Each("openings").Where(o => (int)o.Number("wall") == edge.Wall))
                    {
                        Break(measured, measured.First(m => m.Room == room), edge.Wall, opening);
                    }
                }

                Rooms.AddRange(measured);
            }
        }
    }

    public List<SurveyedRoom> Rooms { get; } = [];

    public SurveyedRoom Room(string id) => Rooms.First(r => r.Id == id);

    /// <summary>Corners on the centre lines, in inches.</summary>
    public static (double X, double Y)[] Corners(JsonObject room) => [.. room["corners"]!.AsArray()
        .Select(c => (Reading.Inches(c![0]!.ToString()), Reading.Inches(c[1]!.ToString())))];

    /// <summary>A place lies in an outline.</summary>
    public static bool Holds((double X, double Y)[] corners, double x, double y)
    {
        var inside = false;
        for (var i = 0; i < corners.Length; i++)
        {
            var (a, b) = (corners[i], corners[(i + 1) % corners.Length]);
            inside ^= a.Y > y != b.Y > y && x < ((b.X - a.X) * (y - a.Y) / (b.Y - a.Y)) + a.X;
        }

        return inside;
    }

    /// <summary>A place lies in an outline or at most so far beside one of its edges.</summary>
    public static bool Near((double X, double Y)[] corners, double x, double y, double beside) => Holds(corners, x, y)
        || corners.Select((a, i) => (A: a, B: corners[(i + 1) % corners.Length])).Any(e =>
            x >= Math.Min(e.A.X, e.B.X) - beside && x <= Math.Max(e.A.X, e.B.X) + beside
            && y >= Math.Min(e.A.Y, e.B.Y) - beside && y <= Math.Max(e.A.Y, e.B.Y) + beside);

    /// <summary>Half the outer wall of a room on a line: as it is built there, or 2×6.</summary>
    public static double HalfOuter(JsonObject room, bool alongX, double line, double middle)
    {
        var wall = Edges(room).First(e => (e.From.Y == e.To.Y) == alongX && (alongX ? e.From.Y : e.From.X) == line
            && Math.Min(alongX ? e.From.X : e.From.Y, alongX ? e.To.X : e.To.Y) < middle
            && Math.Max(alongX ? e.From.X : e.From.Y, alongX ? e.To.X : e.To.Y) > middle).Wall;
        return Thickness[room.Each("builds").FirstOrDefault(b => (int)b.Number("wall") == wall)?.Text("framing") ?? "wood2x6"] / 2;
    }

    private static IEnumerable<(int Wall, (double X, double Y) From, (double X, double Y) To)> Edges(JsonObject room)
    {
        var corners = Corners(room);
        return corners.Select((c, i) => (i + 1, c, corners[(i + 1) % corners.Length]));
    }

    // How much of an edge another edge lies on, in inches.
    private static double Shared(((double X, double Y) From, (double X, double Y) To) one, ((double X, double Y) From,
        (double X, double Y) To) other)
    {
        var alongX = one.From.Y == one.To.Y;
        if (alongX != (other.From.Y == other.To.Y) || (alongX ? one.From.Y != other.From.Y : one.From.X != other.From.X))
        {
            return 0;
        }

        double A((double X, double Y) p) => alongX ? p.X : p.Y;
        return Math.Max(0, Math.Min(Math.Max(A(one.From), A(one.To)), Math.Max(A(other.From), A(other.To)))
            - Math.Max(Math.Min(A(one.From), A(one.To)), Math.Min(A(other.From), A(other.To))));
    }

    private static SurveyedRoom Measure(JsonObject room, List<(JsonObject Room, (int Wall, (double X, double Y) From, (double X, double Y)
        To) Edge)> edges, JsonObject structure, JsonObject level)
    {
        var own = Edges(room).ToList();
        var half = own.ConvertAll(edge =>
        {
            var length = Math.Abs(edge.From.X - edge.To.X) + Math.Abs(edge.From.Y - edge.To.Y);
            var beside = edges.Where(e => e.Room != room && Shared((edge.From, edge.To), (e.Edge.From, e.Edge.To)) > 0).ToList();
            var covered = beside.Sum(e => Shared((edge.From, edge.To), (e.Edge.From, e.Edge.To)));
            var kinds = new List<double>();
            string? Built(JsonObject r, int wall) => r.Each("builds").FirstOrDefault(b => (int)b.Number("wall") == wall)?.Text("framing");
            if (covered < length - .1)
            {
                kinds.Add(Thickness[Built(room, edge.Wall) ?? "wood2x6"]);
            }

            kinds.AddRange(beside.Select(e => Thickness[Built(room, edge.Wall) ?? Built(e.Room, e.Edge.Wall) ?? "wood2x4"]));
            return kinds.Max() / 2;
        });
        var inside = own.ConvertAll(edge =>
        {
            var (x, y) = edge.From;
            foreach (var i in new[] { (edge.Wall + own.Count - 2) % own.Count, edge.Wall - 1 })
            {
                var (dx, dy) = (Math.Sign(own[i].To.X - own[i].From.X), Math.Sign(own[i].To.Y - own[i].From.Y));
                (x, y) = (x - (dy * half[i]), y + (dx * half[i]));
            }

            return (x, y);
        });
        return new()
        {
            Room = room,
            Structure = structure.Text("id"),
            Level = level,
            Accessory = structure.Says("accessory"),
            Inside = [.. inside]
        };
    }

    // An opening breaks the wall of every room whose wall lies behind it.
    private static void Break(List<SurveyedRoom> rooms, SurveyedRoom of, int wall, JsonObject opening)
    {
        double from = opening.Inches("offset"), to = from + opening.Inches("width");
        of.Openings.Add((of.WallStart(wall) + from, of.WallStart(wall) + to, opening, true));
        var ((ax, ay), (bx, by)) = (of.On(wall, from), of.On(wall, to));
        foreach (var other in rooms.Where(r => r != of))
        {
            for (var side = 0; side < other.Walls; side++)
            {
                var ((sx, sy), (ex, ey)) = (other.Inside[side], other.Inside[(side + 1) % other.Walls]);
                // The other face of the same wall: parallel, run the other way, at most 10 in off.
                if ((sy == ey) != (ay == by) || (ay == by ? Math.Abs(sy - ay) > 10 : Math.Abs(sx - ax) > 10)
                    || (ay == by ? Math.Sign(ex - sx) == Math.Sign(bx - ax) : Math.Sign(ey - sy) == Math.Sign(by - ay)))
                {
                    continue;
                }

                double Along(double x, double y) => ay == by ? (x - sx) * Math.Sign(ex - sx) : (y - sy) * Math.Sign(ey - sy);
                double one = Along(ax, ay), two = Along(bx, by), least = Math.Min(one, two), most = Math.Max(one, two);
                if (most > 0 && least < other.Length(side))
                {
                    other.Openings.Add((other.WallStart(side + 1) + Math.Max(0, least),
                        other.WallStart(side + 1) + Math.Min(other.Length(side), most), opening, false));
                }
            }
        }
    }
}
