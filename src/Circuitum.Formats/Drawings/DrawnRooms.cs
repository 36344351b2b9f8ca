using System.Collections.Immutable;
using System.Text.Json;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Formats.JobFile;

namespace Circuitum.Formats.Drawings;

/// <summary>What the closed lines of a drawing stand for.</summary>
public enum DrawnOn
{
    /// <summary>The inside faces of the walls, as most plans are drawn.</summary>
    Inside,

    /// <summary>The wall center lines.</summary>
    Centre,
}

/// <summary>Makes rooms of the closed outlines on a layer of a drawing, and boxes of those that this program wrote.</summary>
public static class DrawnRooms
{
    private static readonly Length Askew = Length.FromInches(.5m);
    private static readonly Length Smallest = Length.FromInches(12);
    private const int MostRooms = 200;

    /// <summary>The rooms, on wall center lines. Names are read from texts or tags that stand in them.</summary>
    /// <param name="drawing">The drawing, as it lies on the plan.</param>
    /// <param name="layer">The layer of the outlines.</param>
    /// <param name="on">What they stand for.</param>
    /// <exception cref="DrawingException">No such layer, no closed outline on it, or one with walls at an angle.</exception>
    public static ImmutableArray<Room> Of(FlatDrawing drawing, string layer, DrawnOn on)
    {
        var outlines = (drawing.Layers.FirstOrDefault(l => string.Equals(l.Name, layer.Trim(), StringComparison.OrdinalIgnoreCase))?.Lines
            ?? []).Where(IsClosed).ToList();
        if (outlines.Count == 0)
        {
            var others = drawing.Layers.Select(l => (l.Name, Count: l.Lines.Count(IsClosed))).Where(l => l.Count > 0).Take(12)
                .Select(l => $"{l.Name} ({l.Count})").ToList();
            throw new DrawingException(
                $"Layer “{layer}” has no closed outline. "
                + $"{(others.Count == 0 ? "No layer of this drawing has one: close the rooms’ polylines first."
                    : $"Layers that have: {string.Join(", ", others)}.")}");
        }

        if (outlines.Count > MostRooms)
        {
            throw new DrawingException(
                $"Layer “{layer}” has {outlines.Count} closed outlines; at most {MostRooms} are rooms of one level.");
        }

        var squared = outlines.Select((o, i) => Square(o, i + 1, layer)).Where(s => s.Count >= 4).ToList();
        var lines = on == DrawnOn.Centre ? Centre(squared) : Faces(squared);
        var rooms = ImmutableArray.CreateBuilder<Room>();
        foreach (var corners in squared.Select(s => Shapes.Usual([.. Moved(s, lines)])).Where(c => c.Length >= 4))
        {
            var tag = drawing.Tags.FirstOrDefault(t => t.Block == "ROOM-TAG" && Outline.Contains(corners, t.At));
            var name = tag?.Attributes.GetValueOrDefault("NAME") ?? drawing.Layers.SelectMany(l => l.Texts)
                .Where(t => Outline.Contains(corners, t.At)).Select(t => t.Words).FirstOrDefault(w => w.Any(char.IsLetter))
                ?? $"Room {rooms.Count + 1}";
            name = name.Length > 40 ? name[..40] : name;
            var use = tag is not null && Enum.TryParse<RoomUse>(tag.Attributes.GetValueOrDefault("USE"), out var said)
                && Enum.IsDefined(said) ? said : UseOf(name);
            var id = Ids.Free(Ids.Slug(tag?.Attributes.GetValueOrDefault("ID") ?? name, "room"), rooms.Select(r => r.Id.Value));
            rooms.Add(new() { Id = new(id), Name = name, Use = use, Corners = corners });
        }

        return rooms.ToImmutable();
    }

    /// <summary>The boxes of a drawing that this program wrote.</summary>
    /// <exception cref="DrawingException">A box’s attributes have been changed so that they are none.</exception>
    public static ImmutableArray<Box> Boxes(FlatDrawing drawing) =>
        [.. drawing.Tags.Where(t => t.Layer == "BOXES" && t.Attributes.ContainsKey("BOX1")).Select(Read)];

    private static Box Read(DrawnTag tag)
    {
        var text = string.Concat(Enumerable.Range(1, 60).Select(i => tag.Attributes.GetValueOrDefault($"BOX{i}", "")));
        try
        {
            return JsonSerializer.Deserialize<Box>(text, JobJson.Options) ?? throw new DrawingException("A box in the drawing is empty.");
        }
        catch (JsonException)
        {
            throw new DrawingException(
                $"The attributes of box “{tag.Attributes.GetValueOrDefault("ID", "?")}” do not say what it is any more. Take it from the "
                + $"job file instead.");
        }
    }

    /// <summary>What a room of a name is used as; a den where the name says nothing.</summary>
    public static RoomUse UseOf(string name)
    {
        (string Word, RoomUse Use)[] words =
        [
            ("kitchen", RoomUse.Kitchen), ("dining", RoomUse.Dining), ("pantry", RoomUse.Pantry), ("bath", RoomUse.Bath),
            ("wc", RoomUse.Bath), ("powder", RoomUse.Bath), ("bed", RoomUse.Bedroom), ("closet", RoomUse.Closet),
            ("wardrobe", RoomUse.Closet),
            ("hall", RoomUse.Hall), ("corridor", RoomUse.Hall), ("stair", RoomUse.Stair), ("entry", RoomUse.Entry),
                ("foyer", RoomUse.Entry), ("mud", RoomUse.Mudroom), ("laundry", RoomUse.Laundry), ("garage", RoomUse.Garage),
                ("family", RoomUse.Family), ("living", RoomUse.Family),
            ("great", RoomUse.Family), ("sauna", RoomUse.Sauna), ("utility", RoomUse.Utility), ("mechanical", RoomUse.Utility),
                ("greenhouse", RoomUse.Greenhouse), ("crawl", RoomUse.CrawlSpace), ("basement", RoomUse.UnfinishedBasement),
        ];
        return words.Where(w => name.Contains(w.Word, StringComparison.OrdinalIgnoreCase)).Select(w => (RoomUse?)w.Use).FirstOrDefault()
            ?? RoomUse.Den;
    }

    private static bool IsClosed(DrawnLine line) => line.Points.Length >= 4
        && (line.Closed || (line.Points.Length >= 5 && line.Points[0].SquareTo(line.Points[^1]) <= Length.FromInches(1)));

    private static List<Point> Square(DrawnLine line, int number, string layer)
    {
        var points = line.Points.ToList();
        if (points[0].SquareTo(points[^1]) <= Length.FromInches(1))
        {
            points.RemoveAt(points.Count - 1);
        }

        for (var i = 0; i < points.Count; i++)
        {
            var j = (i + 1) % points.Count;
            Length dx = (points[j].X - points[i].X).Abs(), dy = (points[j].Y - points[i].Y).Abs();
            if (dx > Askew && dy > Askew)
            {
                throw new DrawingException(
                    $"Outline {number} on layer “{layer}” has a wall at an angle, {dx} by {dy}; this version frames square corners only. "
                    + $"Turn the drawing square, or draw that room by hand.");
            }

            points[j] = dx <= dy ? new(points[i].X, points[j].Y) : new(points[j].X, points[i].Y);
        }

        // The last wall closes on the first corner.
        if (points[0].X != points[^1].X && points[0].Y != points[^1].Y)
        {
            points[0] = (points[0].X - points[^1].X).Abs() <= (points[0].Y - points[^1].Y).Abs() ? new(points[^1].X, points[0].Y)
                : new(points[0].X, points[^1].Y);
        }

        var width = points.Max(p => p.X) - points.Min(p => p.X);
        var depth = points.Max(p => p.Y) - points.Min(p => p.Y);
        if (width < Smallest || depth < Smallest || width > Length.FromFeet(300) || depth > Length.FromFeet(300))
        {
            throw new DrawingException(
                $"Outline {number} on layer “{layer}” is {width} × {depth}: no room. Check the drawing’s units, or scale it from a known "
                + $"length first.");
        }

        return [.. Shapes.Usual(points)];
    }

    private static IEnumerable<Point> Moved(List<Point> corners, Dictionary<(bool, Length, int), Length> lines)
    {
        for (var i = 0; i < corners.Count; i++)
        {
            // Each corner is where the wall before it and the wall after it cross.
            Point before = corners[(i + corners.Count - 1) % corners.Count], at = corners[i], after = corners[(i + 1) % corners.Count];
            var vertical = before.X == at.X ? Key(before, at) : Key(at, after);
            var level = before.Y == at.Y ? Key(before, at) : Key(at, after);
            yield return new(lines[vertical], lines[level]);
        }
    }

    // A wall by its direction, its line, and the side on which its room lies.
    private static (bool Vertical, Length Line, int Out) Key(Point a, Point b) => a.X == b.X ? (true, a.X, b.Y > a.Y ? 1 : -1)
        : (false, a.Y, b.X > a.X ? -1 : 1);

    private static IEnumerable<(bool Vertical, Length Line, int Out)> Keys(List<List<Point>> outlines) =>
        outlines.SelectMany(o => o.Select((p, i) => Key(p, o[(i + 1) % o.Count]))).Distinct();

    private static Dictionary<(bool, Length, int), Length> Centre(List<List<Point>> outlines) =>
        Gathered(outlines, k => k.Line, Length.FromInches(1), g => Mean(g.Select(k => k.Line)));

    // Two faces that look away from each other are one wall, its line midway; a face alone is a wall to the weather.
    private static Dictionary<(bool, Length, int), Length> Faces(List<List<Point>> outlines) =>
        Gathered(outlines, k => k.Line + (WallFrame.Interior.Thickness / 2 * k.Out), Length.FromInches(3), g =>
        g.Select(k => k.Out).Distinct().Count() == 2
            ? Mean([Mean(g.Where(k => k.Out > 0).Select(k => k.Line)), Mean(g.Where(k => k.Out < 0).Select(k => k.Line))])
            : Mean(g.Select(k => k.Line)) + (WallFrame.Exterior.Thickness / 2 * g[0].Out));

    private static Dictionary<(bool, Length, int), Length> Gathered(List<List<Point>> outlines,
        Func<(bool Vertical, Length Line, int Out), Length> by, Length near,
            Func<List<(bool Vertical, Length Line, int Out)>, Length> line)
    {
        var found = new Dictionary<(bool, Length, int), Length>();
        foreach (var direction in Keys(outlines).GroupBy(k => k.Vertical))
        {
            var group = new List<(bool Vertical, Length Line, int Out)>();
            foreach (var key in direction.OrderBy(by))
            {
                if (group.Count > 0 && by(key) - by(group[0]) > near)
                {
                    Settle(group);
                }

                group.Add(key);
            }

            Settle(group);
        }

        return found;

        void Settle(List<(bool Vertical, Length Line, int Out)> group)
        {
            var at = line(group);
            foreach (var key in group)
            {
                found[key] = at;
            }

            group.Clear();
        }
    }

    private static Length Mean(IEnumerable<Length> lengths)
    {
        var all = lengths.ToList();
        return new((int)Math.Round(all.Average(l => (double)l.Sixtyfourths)));
    }
}
