using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Formats.Drawings;

/// <summary>A drawing that cannot be taken: one message that names the place and says what to do.</summary>
public sealed class DrawingException(string message) : Exception(Circuitum.Core.Jobs.Printed.Told(message, 400));

/// <summary>A drawing brought in, flat: every curve as short lines, every block in its place. X runs east, Y south, as on a plan.</summary>
/// <param name="Layers">Layers by name, in the order they were met.</param>
/// <param name="Tags">Blocks that carry attributes.</param>
public sealed record FlatDrawing(ImmutableArray<DrawnLayer> Layers, ImmutableArray<DrawnTag> Tags)
{
    /// <summary>North-west and south-east corners of all its lines.</summary>
    /// <exception cref="DrawingException">It has no line, or one so far off that it is no house.</exception>
    public (Point NorthWest, Point SouthEast) Bounds()
    {
        var points = Layers.SelectMany(l => l.Lines).SelectMany(l => l.Points).ToList();
        if (points.Count == 0)
        {
            throw new DrawingException(
                "The drawing has no line that can be shown: lines, polylines, arcs and circles are read, in blocks too.");
        }

        return (new(points.Min(p => p.X), points.Min(p => p.Y)), new(points.Max(p => p.X), points.Max(p => p.Y)));
    }
}

/// <summary>A layer of a drawing.</summary>
public sealed record DrawnLayer(string Name, ImmutableArray<DrawnLine> Lines, ImmutableArray<DrawnText> Texts);

/// <summary>A line of one or more pieces.</summary>
public sealed record DrawnLine(bool Closed, ImmutableArray<Point> Points);

/// <summary>Words at a place.</summary>
public sealed record DrawnText(Point At, string Words);

/// <summary>A block with attributes at a place.</summary>
public sealed record DrawnTag(string Block, string Layer, Point At, ImmutableDictionary<string, string> Attributes);
