using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.House;

/// <summary>What a plan measures between.</summary>
public enum ChainManner
{
    /// <summary>Inside sizes with the walls between them.</summary>
    InsideAndWalls,

    /// <summary>From the outside face to the middle of each wall, and to the outside face again.</summary>
    MiddleOfWalls,
}

/// <summary>One dimension of a chain.</summary>
/// <param name="Name">The room it is of; “wall” or “outside wall” between rooms and at the ends.</param>
/// <param name="Long">How long.</param>
public sealed record ChainPiece(string Name, Length Long);

/// <summary>The chain of dimensions along one side of a storey, from outside face to outside face, as the house is drawn.</summary>
/// <param name="Pieces">From west to east, or from north to south.</param>
public sealed record DimensionChain(ImmutableArray<ChainPiece> Pieces)
{
    /// <summary>All pieces together.</summary>
    public Length Overall => Pieces.Select(p => p.Long).Total();

    /// <summary>Reads it off a storey: what stands farthest out on that side, and what lies between.</summary>
    public static DimensionChain Along(FramedLevel level, PlanSide side, ChainManner manner)
    {
        var outer = Outermost(level, side);
        if (outer.Count == 0)
        {
            return new([]);
        }

        var (first, last) = (outer[0], outer[^1]);
        Length west = first.From - first.Before, east = last.To + last.After;
        var pieces = ImmutableArray.CreateBuilder<ChainPiece>();
        if (manner == ChainManner.MiddleOfWalls)
        {
            var at = west;
            foreach (var (stretch, next) in outer.Zip(outer.Skip(1).Select(s => (Length?)s.From).Append(null)))
            {
                var end = next is Length from ? stretch.To + ((from - stretch.To) / 2) : east;
                pieces.Add(new(stretch.Name, end - at));
                at = end;
            }

            return new(pieces.ToImmutable());
        }

        pieces.Add(new("outside wall", first.Before));
        foreach (var (stretch, i) in outer.Select((s, i) => (s, i)))
        {
            if (i > 0 && stretch.From > outer[i - 1].To)
            {
                pieces.Add(new("wall", stretch.From - outer[i - 1].To));
            }

            pieces.Add(new(stretch.Name, stretch.To - stretch.From));
        }

        pieces.Add(new("outside wall", last.After));
        return new(pieces.ToImmutable());
    }

    // Of walls that stand one behind the other, as around a court, the one farthest out; of the others what shows beside it.
    private static List<Stretch> Outermost(FramedLevel level, PlanSide side)
    {
        var found = new List<Stretch>();
        foreach (var stretch in level.Rooms.SelectMany(r => Of(r, side)).OrderBy(s => s.In).ThenBy(s => s.From))
        {
            var (from, to) = (stretch.From, stretch.To);
            foreach (var (near, far) in found.Select(f => (f.From - f.Before, f.To + f.After)))
            {
                (from, to) = near <= from && far >= to ? (to, to) : near <= from && far > from ? (far, to)
                    : far >= to && near < to ? (from, near) : (from, to);
            }

            if (to > from)
            {
                found.Add(stretch with { From = from, To = to });
            }
        }

        return [.. found.OrderBy(s => s.From)];
    }

    private static IEnumerable<Stretch> Of(FramedRoom room, PlanSide side)
    {
        for (var i = 0; i < room.Sides.Length; i++)
        {
            var (wall, before, after) = (room.Sides[i], room.Sides[(i + room.Sides.Length - 1) % room.Sides.Length],
                room.Sides[(i + 1) % room.Sides.Length]);
            if (!wall.Exterior || room.Room.Facing(wall.Number) != side)
            {
                continue;
            }

            // Corners go round by the sun: the north and east sides are read as they lie, the others backwards.
            var turned = side is PlanSide.South or PlanSide.West;
            var (low, high) = wall.AlongX ? (Length.Min(wall.Start.X, wall.End.X), Length.Max(wall.Start.X, wall.End.X))
                : (Length.Min(wall.Start.Y, wall.End.Y), Length.Max(wall.Start.Y, wall.End.Y));
            var depth = wall.AlongX ? wall.Start.Y : wall.Start.X;
            yield return new(room.Room.Name, side is PlanSide.North or PlanSide.West ? depth : -depth, low, high,
                (turned ? after : before).HalfThickness * 2, (turned ? before : after).HalfThickness * 2);
        }
    }

    // In: how far from the edge of the paper. Before, After: the walls at its ends.
    private sealed record Stretch(string Name, Length In, Length From, Length To, Length Before, Length After);
}

/// <summary>A chain as somebody typed it off a framing plan, beside the drawn one.</summary>
/// <param name="Typed">Its pieces.</param>
/// <param name="Said">The whole as it was typed after “=”; null where the drawn one stands for it.</param>
/// <param name="Drawn">The house as it is drawn.</param>
public sealed record ChainCheck(ImmutableArray<Length> Typed, Length? Said, DimensionChain Drawn)
{
    /// <summary>Most pieces of a typed chain.</summary>
    public const int Most = 60;

    private static readonly char[] Between = [',', ';', '+', '|', '\n'];

    /// <summary>Reads pieces with commas between them, and the whole after “=” where the plan says it.</summary>
    /// <exception cref="FormatException">A piece is no length, or there are none or too many; the message names it.</exception>
    public static ChainCheck Read(string typed, DimensionChain drawn)
    {
        var halves = typed.Split('=');
        if (halves.Length > 2)
        {
            throw new FormatException("One “=” is enough: 12-6, 4 1/2, 15-0 = 27-10 1/2.");
        }

        ImmutableArray<Length> pieces = [.. halves[0].Split(Between, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
            .Select(Piece)];
        return pieces.IsEmpty ? throw new FormatException("Type the chain as it stands on the plan: 12-6, 4 1/2, 15-0.")
            : pieces.Length > Most
                ? throw new FormatException(string.Create(CultureInfo.InvariantCulture,
                    $"{pieces.Length} pieces are more than a side of a house has; at most {Most}."))
            : new(pieces, halves.Length == 2 ? Piece(halves[1]) : null, drawn);
    }

    /// <summary>The typed pieces together.</summary>
    public Length Sum => Typed.Total();

    /// <summary>What they should come to.</summary>
    public Length Whole => Said ?? Drawn.Overall;

    /// <summary>How much they are over it; less than nothing where they fall short.</summary>
    public Length Off => Sum - Whole;

    /// <summary>Drawn and typed piece for piece; none where there are more of one than of the other.</summary>
    public ImmutableArray<(ChainPiece Drawn, Length Typed)> Pairs => Drawn.Pieces.Length == Typed.Length
        ? [.. Drawn.Pieces.Zip(Typed)] : [];

    private static Length Piece(string text) => Length.TryParse(text, out var length) && length > Length.Zero ? length
        : throw new FormatException($"“{text.Trim()}” is no length. "
            + (Writing.Measure == Measure.Metres ? "Meters are 3.2, millimeters 450."
                : "Feet and inches are 12-6 or 12'-6\", inches alone 4 1/2."));
}
