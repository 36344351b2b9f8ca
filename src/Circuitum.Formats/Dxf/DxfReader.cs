using System.Collections.Immutable;
using Circuitum.Formats.Drawings;

namespace Circuitum.Formats.Dxf;

/// <summary>Reads ASCII DXF: LINE, LWPOLYLINE, POLYLINE, ARC, CIRCLE, INSERT with attributes, TEXT and MTEXT; units by the header; blocks
/// in blocks.</summary>
public static class DxfReader
{
    private const int DeepestBlock = 16;
    private const int MostCopies = 10_000;
    private const int MostEntities = 200_000;
    private const double ArcStep = 10;

    /// <summary>The drawing, flat, in inches.</summary>
    /// <exception cref="DrawingException">It is too large, binary, broken, of unknown units, or its blocks hold themselves.</exception>
    public static FlatDrawing Read(byte[] bytes) => new Reading(DxfGroups.Of(bytes)).Flat();

    private sealed record Entity(string Kind, int Line, List<DxfGroup> Groups)
    {
        public List<Entity> Parts { get; } = [];

        public string Layer => Text(8, "0");

        public string Text(int code, string usual) => Groups.Where(g => g.Code == code).Select(g => g.Value.Trim()).FirstOrDefault()
            ?? usual;

        public double Number(int code, double usual) => Groups.Where(g => g.Code == code).Select(g => (double?)g.Number).FirstOrDefault()
            ?? usual;

        public int Whole(int code, int usual) => Groups.Where(g => g.Code == code).Select(g => (int?)g.Whole).FirstOrDefault() ?? usual;
    }

    private sealed record Block(string Name, double X, double Y, List<Entity> Entities);

    private sealed class Reading(List<DxfGroup> groups)
    {
        private readonly Dictionary<string, Block> blocks = new(StringComparer.OrdinalIgnoreCase);
        private readonly List<Entity> entities = [];
        private readonly Sketch sketch = new();
        private double unit = 1;
        private int laid;

        public FlatDrawing Flat()
        {
            Sections();
            foreach (var entity in entities)
            {
                Draw(entity, Placing.Scale(unit, unit), null, [], 0);
            }

            return sketch.Done();
        }

        private void Sections()
        {
            var ended = false;
            for (var i = 0; i < groups.Count; i++)
            {
                if (groups[i] is { Code: 0 } start && start.Value.Trim() == "EOF")
                {
                    ended = true;
                    break;
                }

                if (groups[i].Code != 0 || groups[i].Value.Trim() != "SECTION")
                {
                    continue;
                }

                var name = i + 1 < groups.Count && groups[i + 1].Code == 2 ? groups[i + 1].Value.Trim()
                    : throw new DrawingException($"Line {groups[i].Line + 1}: a section without a name.");
                var end = groups.FindIndex(i, g => g.Code == 0 && g.Value.Trim() == "ENDSEC");
                if (end < 0)
                {
                    throw new DrawingException(
                        $"Line {groups[i].Line + 1}: section {name} does not end. The file is cut off; save the drawing again.");
                }

                var inside = groups.GetRange(i + 2, end - i - 2);
                switch (name)
                {
                    case "HEADER":
                        Header(inside);
                        break;
                    case "BLOCKS":
                        Blocks(Entities(inside));
                        break;
                    case "ENTITIES":
                        entities.AddRange(Entities(inside));
                        break;
                }

                i = end;
            }

            if (!ended && entities.Count == 0)
            {
                throw new DrawingException("The file ends before its entities. It is cut off; save the drawing again.");
            }
        }

        // $INSUNITS: 0 none, 1 inches, 2 feet, 4 mm, 5 cm, 6 m. Without units a drawing is taken as inches and scaled by hand.
        private void Header(List<DxfGroup> header)
        {
            var at = header.FindIndex(g => g.Code == 9 && g.Value.Trim() == "$INSUNITS");
            if (at >= 0 && at + 1 < header.Count)
            {
                unit = header[at + 1].Whole switch
                {
                    0 or 1 => 1,
                    2 => 12,
                    4 => 1 / 25.4,
                    5 => 1 / 2.54,
                    6 => 1 / 0.0254,
                    var other => throw new DrawingException(
                        $"Line {header[at + 1].Line + 1}: the drawing’s units are number {other}; inches (1), feet (2), mm (4), cm (5) "
                        + $"and m (6) are read."),
                };
            }
        }

        private static List<Entity> Entities(List<DxfGroup> section)
        {
            var found = new List<Entity>();
            Entity? owner = null;
            foreach (var group in section)
            {
                if (group.Code == 0)
                {
                    var entity = new Entity(group.Value.Trim(), group.Line, []);
                    if (entity.Kind == "SEQEND")
                    {
                        owner = null;
                        found.Add(entity);
                    }
                    else if (owner is not null && entity.Kind is "VERTEX" or "ATTRIB")
                    {
                        owner!.Parts.Add(entity);
                    }
                    else
                    {
                        owner = entity.Kind is "POLYLINE" or "INSERT" ? entity : null;
                        found.Add(entity);
                    }

                    if (found.Count > MostEntities)
                    {
                        throw new DrawingException($"The drawing has more than {MostEntities:#,0} entities. Bring in only the floor plan.");
                    }

                    continue;
                }

                var last = owner?.Parts.Count > 0 ? owner.Parts[^1] : found.Count > 0 ? found[^1]
                    : throw new DrawingException($"Line {group.Line + 1}: code {group.Code} stands before any entity.");
                last.Groups.Add(group);
            }

            return found;
        }

        private void Blocks(List<Entity> section)
        {
            Block? block = null;
            foreach (var entity in section)
            {
                if (entity.Kind == "BLOCK")
                {
                    block = new(entity.Text(2, ""), entity.Number(10, 0), entity.Number(20, 0), []);
                    blocks[block.Name] = block;
                }
                else if (entity.Kind == "ENDBLK")
                {
                    block = null;
                }
                else
                {
                    block?.Entities.Add(entity);
                }
            }
        }

        private void Draw(Entity e, Placing placing, string? layerOfBlock, ImmutableStack<string> inside, int depth)
        {
            Count(1);
            var where = $"Line {e.Line + 1}, {e.Kind}";
            // What a block draws on layer 0 is on the layer of its place.
            var layer = e.Layer == "0" && layerOfBlock is not null ? layerOfBlock : e.Layer;
            void Path(bool closed, IEnumerable<(double X, double Y)> points) =>
                sketch.Line(layer, closed, [.. points.Select(p => placing.Of(p.X, p.Y))], where);
            switch (e.Kind)
            {
                case "LINE":
                    Path(false, [(e.Number(10, 0), e.Number(20, 0)), (e.Number(11, 0), e.Number(21, 0))]);
                    break;
                case "LWPOLYLINE":
                    Path((e.Whole(70, 0) & 1) == 1, Bulged(Light(e), (e.Whole(70, 0) & 1) == 1));
                    break;
                case "POLYLINE":
                    Path((e.Whole(70, 0) & 1) == 1,
                        Bulged([.. e.Parts.Where(p => p.Kind == "VERTEX")
                            .Select(v => (v.Number(10, 0), v.Number(20, 0), v.Number(42, 0)))], (e.Whole(70, 0) & 1) == 1));
                    break;
                case "CIRCLE":
                    Path(true, Arc(e.Number(10, 0), e.Number(20, 0), e.Number(40, 0), 0, 360));
                    break;
                case "ARC":
                    var (from, to) = (e.Number(50, 0), e.Number(51, 360));
                    Path(false, Arc(e.Number(10, 0), e.Number(20, 0), e.Number(40, 0), from, to <= from ? to + 360 : to));
                    break;
                case "TEXT" or "MTEXT":
                    var (x, y) = placing.Of(e.Number(10, 0), e.Number(20, 0));
                    sketch.Text(layer, x, y, Plain(string.Concat(e.Groups.Where(g => g.Code is 1 or 3).Select(g => g.Value))), where);
                    break;
                case "INSERT":
                    Insert(e, placing, layer, inside, depth, where);
                    break;
            }
        }

        private void Count(int more)
        {
            if ((laid += more) > MostEntities)
            {
                throw new DrawingException(
                    $"The drawing has more than {MostEntities:#,0} entities once its blocks are in their places. Bring in only the floor "
                    + $"plan.");
            }
        }

        private void Insert(Entity e, Placing placing, string layer, ImmutableStack<string> inside, int depth, string where)
        {
            var name = e.Text(2, "");
            if (!blocks.TryGetValue(name, out var block))
            {
                throw new DrawingException($"{where}: block “{DxfGroup.Short(name)}” is not in the drawing.");
            }

            if (depth >= DeepestBlock || inside.Contains(block.Name, StringComparer.OrdinalIgnoreCase))
            {
                throw new DrawingException(
                    $"{where}: block “{DxfGroup.Short(name)}” holds itself, or blocks stand more than {DeepestBlock} deep in each other.");
            }

            int columns = Math.Max(1, e.Whole(70, 1)), rows = Math.Max(1, e.Whole(71, 1));
            if ((long)columns * rows > MostCopies)
            {
                throw new DrawingException($"{where}: {columns} × {rows} copies of a block; at most {MostCopies:#,0}.");
            }

            // Copies count whether anything is drawn in them or not: empty blocks in each other would be gone through for ever.
            Count(columns * rows);
            var at = placing.After(Placing.Shift(e.Number(10, 0), e.Number(20, 0))).After(Placing.Turn(e.Number(50, 0)));
            for (var row = 0; row < rows; row++)
            {
                for (var column = 0; column < columns; column++)
                {
                    var placed = at.After(Placing.Shift(column * e.Number(44, 0), row * e.Number(45, 0)))
                        .After(Placing.Scale(e.Number(41, 1), e.Number(42, 1))).After(Placing.Shift(-block.X, -block.Y));
                    foreach (var part in block.Entities)
                    {
                        Draw(part, placed, layer, inside.Push(block.Name), depth + 1);
                    }
                }
            }

            if (e.Parts.Count > 0)
            {
                var (x, y) = placing.Of(e.Number(10, 0), e.Number(20, 0));
                var attributes = e.Parts.Where(p => p.Kind == "ATTRIB").GroupBy(p => p.Text(2, ""))
                    .ToImmutableDictionary(g => g.Key, g => g.First().Text(1, ""));
                sketch.Tag(block.Name, layer, x, y, attributes, where);
            }
        }

        private static List<(double X, double Y, double Bulge)> Light(Entity e)
        {
            var points = new List<(double X, double Y, double Bulge)>();
            foreach (var group in e.Groups)
            {
                switch (group.Code)
                {
                    case 10:
                        points.Add((group.Number, 0, 0));
                        break;
                    case 20 when points.Count > 0:
                        points[^1] = points[^1] with { Y = group.Number };
                        break;
                    case 42 when points.Count > 0:
                        points[^1] = points[^1] with { Bulge = group.Number };
                        break;
                }
            }

            return points;
        }

        // A bulge is the tangent of a quarter of the arc between two corners.
        private static IEnumerable<(double X, double Y)> Bulged(List<(double X, double Y, double Bulge)> points, bool closed)
        {
            for (var i = 0; i < points.Count; i++)
            {
                yield return (points[i].X, points[i].Y);
                var next = i + 1 < points.Count ? points[i + 1] : points[0];
                if (points[i].Bulge == 0 || (i + 1 == points.Count && !closed))
                {
                    continue;
                }

                var angle = 4 * Math.Atan(points[i].Bulge);
                double dx = next.X - points[i].X, dy = next.Y - points[i].Y;
                var height = (1 - (points[i].Bulge * points[i].Bulge)) / (4 * points[i].Bulge);
                double cx = ((points[i].X + next.X) / 2) - (dy * height), cy = ((points[i].Y + next.Y) / 2) + (dx * height);
                var start = Math.Atan2(points[i].Y - cy, points[i].X - cx);
                var radius = Math.Sqrt(((points[i].X - cx) * (points[i].X - cx)) + ((points[i].Y - cy) * (points[i].Y - cy)));
                var steps = Math.Max(1, (int)Math.Ceiling(Math.Abs(angle) * 180 / Math.PI / ArcStep));
                for (var s = 1; s < steps; s++)
                {
                    var (sin, cos) = Math.SinCos(start + (angle * s / steps));
                    yield return (cx + (radius * cos), cy + (radius * sin));
                }
            }
        }

        private static IEnumerable<(double X, double Y)> Arc(double x, double y, double radius, double from, double to)
        {
            var steps = Math.Clamp((int)Math.Ceiling((to - from) / ArcStep), 1, 72);
            for (var s = 0; s <= steps; s++)
            {
                var (sin, cos) = Math.SinCos((from + ((to - from) * s / steps)) * Math.PI / 180);
                yield return (x + (radius * cos), y + (radius * sin));
            }
        }

        // Formatting of MTEXT: paragraphs, braces, and codes that end in a semicolon.
        private static string Plain(string text)
        {
            // What is shown of a text is a line of 80 characters: the rest need not be looked at.
            var plain = System.Text.RegularExpressions.Regex.Replace(Core.Jobs.Printed.Cut(text, 2000)
                .Replace("\\P", " ", StringComparison.Ordinal), @"\\[A-Za-z][^;\\{}]{0,40};", "",
                System.Text.RegularExpressions.RegexOptions.CultureInvariant, TimeSpan.FromSeconds(1));
            return plain.Replace("{", "", StringComparison.Ordinal).Replace("}", "", StringComparison.Ordinal)
                .Replace("\\~", " ", StringComparison.Ordinal);
        }
    }
}
