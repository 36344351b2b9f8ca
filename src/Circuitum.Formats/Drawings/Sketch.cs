using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Formats.Drawings;

/// <summary>Collects what a reader finds, in inches with Y upward, within limits of size.</summary>
internal sealed class Sketch
{
    /// <summary>Most points of one drawing, blocks laid out in their places.</summary>
    public const int MostPoints = 400_000;

    /// <summary>Farthest a point may lie from the origin: 20 miles in inches, so that surveyed plans can be read.</summary>
    private const double Farthest = 1_267_200;

    private readonly Dictionary<string, (ImmutableArray<DrawnLine>.Builder Lines, ImmutableArray<DrawnText>.Builder Texts)> layers = [];
    private readonly ImmutableArray<DrawnTag>.Builder tags = ImmutableArray.CreateBuilder<DrawnTag>();
    private int points;

    public void Line(string layer, bool closed, IReadOnlyList<(double X, double Y)> path, string where)
    {
        if ((points += path.Count) > MostPoints)
        {
            throw new DrawingException(
                $"The drawing has more than {MostPoints:#,0} points once its blocks are in their places. Bring in only the floor plan.");
        }

        if (path.Count >= 2)
        {
            On(layer).Lines.Add(new(closed, [.. path.Select(p => At(p.X, p.Y, where))]));
        }
    }

    public void Text(string layer, double x, double y, string words, string where)
    {
        if (++points > MostPoints)
        {
            throw new DrawingException($"The drawing has more than {MostPoints:#,0} points and texts. Bring in only the floor plan.");
        }

        if (words.Trim().Length > 0)
        {
            On(layer).Texts.Add(new(At(x, y, where), Core.Jobs.Printed.Cut(words.Trim(), 80)));
        }
    }

    public void Tag(string block, string layer, double x, double y, ImmutableDictionary<string, string> attributes, string where) =>
        tags.Add(new(block, layer, At(x, y, where), attributes));

    public FlatDrawing Done() =>
        new([.. layers.Select(l => new DrawnLayer(l.Key, l.Value.Lines.ToImmutable(), l.Value.Texts.ToImmutable()))], tags.ToImmutable());

    private (ImmutableArray<DrawnLine>.Builder Lines, ImmutableArray<DrawnText>.Builder Texts) On(string layer)
    {
        if (!layers.TryGetValue(layer, out var found))
        {
            if (layers.Count >= 1000)
            {
                throw new DrawingException("The drawing has more than 1000 layers. Bring in only the floor plan.");
            }

            layers[layer] = found = (ImmutableArray.CreateBuilder<DrawnLine>(), ImmutableArray.CreateBuilder<DrawnText>());
        }

        return found;
    }

    // Drawings have Y upward, plans southward.
    private static Point At(double x, double y, string where) => double.IsFinite(x) && double.IsFinite(y) && Math.Abs(x) <= Farthest
        && Math.Abs(y) <= Farthest
        ? new(new((int)Math.Round(x * 64)), new((int)Math.Round(-y * 64)))
        : throw new DrawingException($"{where}: a point lies more than 20 miles off. Check the drawing’s units, or move it to its origin.");
}

/// <summary>Scale, turn and shift of a block or a group.</summary>
internal readonly record struct Placing(double A, double B, double C, double D, double E, double F)
{
    public static Placing Here { get; } = new(1, 0, 0, 1, 0, 0);

    public (double X, double Y) Of(double x, double y) => ((A * x) + (C * y) + E, (B * x) + (D * y) + F);

    /// <summary>This placing of what is first placed by another.</summary>
    public Placing After(Placing inner) => new(
        (A * inner.A) + (C * inner.B), (B * inner.A) + (D * inner.B), (A * inner.C) + (C * inner.D), (B * inner.C) + (D * inner.D),
        (A * inner.E) + (C * inner.F) + E, (B * inner.E) + (D * inner.F) + F);

    public static Placing Shift(double x, double y) => new(1, 0, 0, 1, x, y);

    public static Placing Scale(double x, double y) => new(x, 0, 0, y, 0, 0);

    public static Placing Turn(double degrees)
    {
        var (sin, cos) = Math.SinCos(degrees * Math.PI / 180);
        return new(cos, sin, -sin, cos, 0, 0);
    }
}
