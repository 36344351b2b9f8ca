using System.Globalization;
using System.Text.RegularExpressions;
using System.Xml;

namespace Circuitum.Formats.Drawings;

/// <summary>Reads the lines of an SVG: path, line, polyline, polygon, rect, circle, ellipse and text, with transforms; groups with an id
/// are layers. 96 units to the inch.</summary>
public static partial class SvgReader
{
    /// <summary>Largest file taken, 5 MB.</summary>
    public const int MostBytes = 5 * 1024 * 1024;

    private const int Deepest = 64;
    private const double Unit = 1 / 96.0;

    /// <summary>The drawing, flat.</summary>
    /// <exception cref="DrawingException">It is too large, no SVG, or broken.</exception>
    public static FlatDrawing Read(byte[] bytes)
    {
        if (bytes.Length > MostBytes)
        {
            throw new DrawingException("The drawing is larger than 5 MB. Bring in only the floor plan.");
        }

        var sketch = new Sketch();
        try
        {
            using var stream = new MemoryStream(bytes);
            // No declarations and nothing from elsewhere: a drawing is only what is in it.
            using var reader = XmlReader.Create(stream,
                new() { DtdProcessing = DtdProcessing.Prohibit, XmlResolver = null, MaxCharactersInDocument = MostBytes });
            Walk(reader, sketch);
        }
        catch (XmlException e)
        {
            throw new DrawingException(
                $"Line {e.LineNumber}: this is no SVG that can be read. "
                + $"{(e.Message.Contains("DTD", StringComparison.Ordinal) ? "It has a document type declaration; save it as plain SVG."
                    : "It is broken or cut off there.")}");
        }

        return sketch.Done();
    }

    private static void Walk(XmlReader reader, Sketch sketch)
    {
        // Y upward, as the sketch has it.
        var stack = new Stack<(Placing Placing, string Layer, int Depth)>();
        stack.Push((Placing.Scale(Unit, -Unit), "0", -1));
        var started = false;
        for (var more = reader.Read(); more;)
        {
            if (reader.NodeType != XmlNodeType.Element)
            {
                more = reader.Read();
                continue;
            }

            while (stack.Peek().Depth >= reader.Depth)
            {
                stack.Pop();
            }

            if (!started && reader.LocalName != "svg")
            {
                throw new DrawingException($"The file begins with <{Short(reader.LocalName)}>, not with <svg>: it is no SVG.");
            }

            started = true;
            if (reader.Depth > Deepest)
            {
                throw new DrawingException($"Its groups stand more than {Deepest} deep in each other. Flatten the drawing first.");
            }

            var (placing, layer, _) = stack.Peek();
            var where = $"Line {((IXmlLineInfo)reader).LineNumber}, <{reader.LocalName}>";
            var here = reader.GetAttribute("transform") is { } transform ? placing.After(Transform(transform, where)) : placing;
            if (reader.LocalName is "g" or "svg")
            {
                if (!reader.IsEmptyElement)
                {
                    stack.Push((here, reader.GetAttribute("id") is { Length: > 0 and <= 80 } id && reader.LocalName == "g" ? id : layer,
                        reader.Depth));
                }
            }
            else if (reader.LocalName is "defs" or "symbol" or "clipPath" or "mask" or "pattern")
            {
                // It stands on what comes after them then.
                reader.Skip();
                more = !reader.EOF;
                continue;
            }
            else
            {
                Shape(reader, sketch, layer, here, where);
            }

            more = reader.Read();
        }

        if (!started)
        {
            throw new DrawingException("The file is empty.");
        }
    }

    private static void Shape(XmlReader reader, Sketch sketch, string layer, Placing at, string where)
    {
        double N(string name) => reader.GetAttribute(name) is { } text ? Number(text, where) : 0;
        void Draw(bool closed, IEnumerable<(double X, double Y)> points) =>
            sketch.Line(layer, closed, [.. points.Select(p => at.Of(p.X, p.Y))], where);
        switch (reader.LocalName)
        {
            case "line":
                Draw(false, [(N("x1"), N("y1")), (N("x2"), N("y2"))]);
                break;
            case "rect":
                Draw(true, [(N("x"), N("y")), (N("x") + N("width"), N("y")), (N("x") + N("width"), N("y") + N("height")),
                    (N("x"), N("y") + N("height"))]);
                break;
            case "circle":
                Draw(true, Round(N("cx"), N("cy"), N("r"), N("r")));
                break;
            case "ellipse":
                Draw(true, Round(N("cx"), N("cy"), N("rx"), N("ry")));
                break;
            case "polyline" or "polygon":
                var numbers = Numbers(reader.GetAttribute("points") ?? "", where);
                Draw(reader.LocalName == "polygon", numbers.Chunk(2).Where(c => c.Length == 2).Select(c => (c[0], c[1])));
                break;
            case "path":
                foreach (var (closed, points) in SvgPaths.Of(reader.GetAttribute("d") ?? "", where))
                {
                    Draw(closed, points);
                }

                break;
            case "text":
                var (x, y) = at.Of(N("x"), N("y"));
                sketch.Text(layer, x, y, reader.IsEmptyElement ? "" : Words(reader.ReadSubtree()), where);
                break;
        }
    }

    private static string Words(XmlReader inner)
    {
        var words = new System.Text.StringBuilder();
        while (inner.Read())
        {
            if (inner.NodeType == XmlNodeType.Text && words.Length < 200)
            {
                words.Append(inner.Value);
            }
        }

        return words.ToString();
    }

    private static IEnumerable<(double X, double Y)> Round(double x, double y, double rx, double ry) =>
        Enumerable.Range(0, 36).Select(i => (x + (rx * Math.Cos(i * Math.PI / 18)), y + (ry * Math.Sin(i * Math.PI / 18))));

    private static Placing Transform(string text, string where)
    {
        var placing = Placing.Here;
        foreach (Match step in Steps().Matches(text.Length > 2000 ? text[..2000] : text))
        {
            var n = Numbers(step.Groups["numbers"].Value, where);
            double At(int i, double usual) => i < n.Count ? n[i] : usual;
            placing = placing.After(step.Groups["step"].Value switch
            {
                "translate" => Placing.Shift(At(0, 0), At(1, 0)),
                "scale" => Placing.Scale(At(0, 1), At(1, At(0, 1))),
                "rotate" => Placing.Shift(At(1, 0), At(2, 0)).After(Placing.Turn(At(0, 0))).After(Placing.Shift(-At(1, 0), -At(2, 0))),
                "matrix" => new(At(0, 1), At(1, 0), At(2, 0), At(3, 1), At(4, 0), At(5, 0)),
                var other => throw new DrawingException($"{where}: the transform “{other}” is not read; flatten the drawing first."),
            });
        }

        return placing;
    }

    private static double Number(string text, string where) => Numbers(text.Replace("px", "", StringComparison.Ordinal), where)
        is [var number] ? number : throw new DrawingException($"{where}: “{Short(text)}” is no number.");

    internal static List<double> Numbers(string text, string where)
    {
        var found = new List<double>();
        foreach (var part in NumberPattern().EnumerateMatches(text))
        {
            if (!double.TryParse(text.AsSpan(part.Index, part.Length), NumberStyles.Float, CultureInfo.InvariantCulture, out var number)
                || !double.IsFinite(number))
            {
                throw new DrawingException($"{where}: “{Short(text.Substring(part.Index, part.Length))}” is no number.");
            }

            found.Add(number);
            if (found.Count > Sketch.MostPoints * 2)
            {
                throw new DrawingException($"{where}: more than {Sketch.MostPoints:#,0} points. Bring in only the floor plan.");
            }
        }

        return found;
    }

    private static string Short(string text) => text.Length > 24 ? text[..24] + "…" : text;

    [GeneratedRegex(@"[-+]?(?:[0-9]+\.?[0-9]*|\.[0-9]+)(?:[eE][-+]?[0-9]{1,3})?", RegexOptions.CultureInvariant, 1000)]
    private static partial Regex NumberPattern();

    [GeneratedRegex(@"(?<step>[a-zA-Z]+)\s*\((?<numbers>[^)]*)\)", RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Steps();
}

/// <summary>Cuts the data of an SVG path into lines; curves become short pieces, an arc its chord in eight.</summary>
internal static class SvgPaths
{
    private static readonly System.Buffers.SearchValues<char> Letters = System.Buffers.SearchValues.Create("MmLlHhVvCcSsQqTtAaZz");

    public static IEnumerable<(bool Closed, List<(double X, double Y)> Points)> Of(string data, string where)
    {
        var points = new List<(double X, double Y)>();
        (double X, double Y) at = (0, 0), start = (0, 0), pull = (0, 0);
        var last = ' ';
        var commands = 0;
        for (int here = Next(data, 0), next; here >= 0; here = next)
        {
            next = Next(data, here + 1);
            if (++commands > Sketch.MostPoints)
            {
                throw new DrawingException($"{where}: a path of more than {Sketch.MostPoints:#,0} pieces. Bring in only the floor plan.");
            }

            var letter = data[here];
            var n = SvgReader.Numbers(data[(here + 1)..(next < 0 ? data.Length : next)], where);
            var relative = char.IsLower(letter);
            var each = char.ToUpperInvariant(letter) switch
            {
                'M' or 'L' or 'T' => 2,
                'H' or 'V' => 1,
                'C' => 6,
                'S' or 'Q' => 4,
                'A' => 7,
                _ => 0
            };
            if (each == 0)
            {
                points.Add(start);
                yield return (true, points);
                (points, at) = ([], start);
                last = 'Z';
                continue;
            }

            for (var i = 0; i + each <= n.Count; i += each)
            {
                (double X, double Y) P(int k) => relative ? (at.X + n[i + k], at.Y + n[i + k + 1]) : (n[i + k], n[i + k + 1]);
                switch (char.ToUpperInvariant(letter))
                {
                    case 'M' when i == 0:
                        if (points.Count > 1)
                        {
                            yield return (false, points);
                        }

                        at = start = P(0);
                        points = [at];
                        break;
                    case 'M' or 'L' or 'T':
                        Line(P(0));
                        break;
                    case 'H':
                        Line((relative ? at.X + n[i] : n[i], at.Y));
                        break;
                    case 'V':
                        Line((at.X, relative ? at.Y + n[i] : n[i]));
                        break;
                    case 'C':
                        Curve(P(0), P(2), P(4));
                        break;
                    case 'S':
                        Curve(last is 'C' or 'S' ? ((2 * at.X) - pull.X, (2 * at.Y) - pull.Y) : at, P(0), P(2));
                        break;
                    case 'Q':
                        var (q, to) = (P(0), P(2));
                        Curve((at.X + (2 * (q.X - at.X) / 3), at.Y + (2 * (q.Y - at.Y) / 3)),
                            (to.X + (2 * (q.X - to.X) / 3), to.Y + (2 * (q.Y - to.Y) / 3)), to);
                        break;
                    case 'A':
                        Line(P(5));
                        break;
                }

                last = char.ToUpperInvariant(letter);
            }
        }

        if (points.Count > 1)
        {
            yield return (false, points);
        }

        void Line((double X, double Y) to)
        {
            if (points.Count == 0)
            {
                points.Add(at);
            }

            points.Add(at = to);
        }

        void Curve((double X, double Y) a, (double X, double Y) b, (double X, double Y) to)
        {
            var from = at;
            for (var s = 1; s <= 8; s++)
            {
                double t = s / 8.0, u = 1 - t;
                Line(((u * u * u * from.X) + (3 * u * u * t * a.X) + (3 * u * t * t * b.X) + (t * t * t * to.X),
                    (u * u * u * from.Y) + (3 * u * u * t * a.Y) + (3 * u * t * t * b.Y) + (t * t * t * to.Y)));
            }

            pull = b;
        }
    }

    private static int Next(string data, int from) => data.AsSpan(from).IndexOfAny(Letters) is >= 0 and var found ? from + found : -1;
}
