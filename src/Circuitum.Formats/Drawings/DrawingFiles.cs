using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using System.Text.Json;
using Circuitum.Core.Units;
using Circuitum.Formats.Dxf;
using Circuitum.Formats.Svg;

namespace Circuitum.Formats.Drawings;

/// <summary>Reads drawings by what is in them, keeps them as text, and shows them under a plan.</summary>
public static class DrawingFiles
{
    /// <summary>A DXF or an SVG.</summary>
    /// <exception cref="DrawingException">It is neither, or cannot be read.</exception>
    public static FlatDrawing Read(byte[] bytes)
    {
        var start = Encoding.UTF8.GetString(bytes.AsSpan(0, Math.Min(bytes.Length, 200))).TrimStart('\uFEFF').TrimStart();
        try
        {
            return start.Length == 0 ? throw new DrawingException("The file is empty.") : start[0] == '<' ? SvgReader.Read(bytes)
                : DxfReader.Read(bytes);
        }
        catch (System.Text.RegularExpressions.RegexMatchTimeoutException)
        {
            throw new DrawingException("A text in the drawing takes too long to read. Bring in only the floor plan.");
        }
    }

    /// <summary>The drawing as text, to be kept.</summary>
    public static string Write(FlatDrawing drawing) => JsonSerializer.Serialize(new Kept(
        [.. drawing.Layers.Select(l =>
            new KeptLayer(l.Name,
                [.. l.Lines.Select(x =>
                    new KeptLine(x.Closed, [.. x.Points.SelectMany(p => new[] { p.X.Sixtyfourths, p.Y.Sixtyfourths })]))],
                [.. l.Texts.Select(t => new KeptText(t.At.X.Sixtyfourths, t.At.Y.Sixtyfourths, t.Words))]))],
        [.. drawing.Tags.Select(t =>
            new KeptTag(t.Block, t.Layer, t.At.X.Sixtyfourths, t.At.Y.Sixtyfourths, t.Attributes.ToDictionary()))]));

    /// <summary>A kept drawing.</summary>
    public static FlatDrawing Open(string kept)
    {
        var drawing = JsonSerializer.Deserialize<Kept>(kept)!;
        return new(
            [.. drawing.Layers.Select(l =>
                new DrawnLayer(l.Name,
                    [.. l.Lines.Select(x => new DrawnLine(x.Closed, [.. x.At.Chunk(2).Select(c => new Point(new(c[0]), new(c[1])))]))],
                    [.. l.Texts.Select(t => new DrawnText(new(new(t.X), new(t.Y)), t.Words))]))],
            [.. drawing.Tags.Select(t => new DrawnTag(t.Block, t.Layer, new(new(t.X), new(t.Y)), t.Attributes.ToImmutableDictionary()))]);
    }

    /// <summary>The drawing moved and stretched to lie where a plan wants it.</summary>
    /// <param name="drawing">The drawing.</param>
    /// <param name="corner">Where its north-west corner shall lie.</param>
    /// <param name="width">East to west then.</param>
    /// <param name="depth">North to south then.</param>
    public static FlatDrawing Laid(FlatDrawing drawing, Point corner, Length width, Length depth)
    {
        var (a, b) = drawing.Bounds();
        decimal Share(Length now, Length was) => was == Length.Zero ? 1 : now.Sixtyfourths / (decimal)was.Sixtyfourths;
        decimal sx = Share(width, b.X - a.X), sy = Share(depth, b.Y - a.Y);
        Point Move(Point p) =>
            new(corner.X + new Length((int)Math.Round((p.X - a.X).Sixtyfourths * sx)),
                corner.Y + new Length((int)Math.Round((p.Y - a.Y).Sixtyfourths * sy)));
        return new(
            [.. drawing.Layers.Select(l => l with { Lines = [.. l.Lines.Select(x => x with { Points = [.. x.Points.Select(Move)] })],
                Texts = [.. l.Texts.Select(t => t with { At = Move(t.At) })] })],
            [.. drawing.Tags.Select(t => t with { At = Move(t.At) })]);
    }

    /// <summary>The drawing as SVG, one group to a layer, its frame the bounds of its lines.</summary>
    public static string Svg(FlatDrawing drawing)
    {
        var (a, b) = drawing.Bounds();
        var svg = new StringBuilder(string.Create(CultureInfo.InvariantCulture,
            $"<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"{SvgText.N(a.X)} {SvgText.N(a.Y)} {SvgText.N(b.X - a.X)} "
            + $"{SvgText.N(b.Y - a.Y)}\" preserveAspectRatio=\"none\">"));
        foreach (var layer in drawing.Layers.Where(l => l.Lines.Length > 0))
        {
            svg.Append("<path fill=\"none\" stroke=\"#3B5678\" stroke-width=\"1\" vector-effect=\"non-scaling-stroke\" d=\"");
            foreach (var line in layer.Lines)
            {
                svg.Append('M').AppendJoin('L', line.Points.Select(p => $"{SvgText.N(p.X)} {SvgText.N(p.Y)}"))
                    .Append(line.Closed ? "Z" : "");
            }

            svg.Append("\"/>");
        }

        return svg.Append("</svg>").ToString();
    }

    private sealed record Kept(KeptLayer[] Layers, KeptTag[] Tags);

    private sealed record KeptLayer(string Name, KeptLine[] Lines, KeptText[] Texts);

    private sealed record KeptLine(bool Closed, int[] At);

    private sealed record KeptText(int X, int Y, string Words);

    private sealed record KeptTag(string Block, string Layer, int X, int Y, Dictionary<string, string> Attributes);
}
