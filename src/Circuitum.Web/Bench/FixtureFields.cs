using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>A fixture as typed.</summary>
public sealed record FixtureFields
{
    /// <summary>Kind.</summary>
    public string Kind { get; init; } = "";

    /// <summary>Wall number; empty when it stands free.</summary>
    public string? Wall { get; init; }

    /// <summary>Along the wall.</summary>
    public string? Offset { get; init; }

    /// <summary>East of the room's corner.</summary>
    public string? X { get; init; }

    /// <summary>South of the room's corner.</summary>
    public string? Y { get; init; }

    /// <summary>Width; the usual one of its kind when empty.</summary>
    public string? Width { get; init; }

    /// <summary>Depth; the usual one of its kind when empty.</summary>
    public string? Depth { get; init; }

    /// <summary>A fireplace that burns no fuel.</summary>
    public bool Electric { get; init; }

    /// <summary>A range, dryer or water heater that burns fuel.</summary>
    public bool BurnsFuel { get; init; }

    /// <summary>The fixture.</summary>
    /// <exception cref="FormatException">A field cannot be read; the message quotes it.</exception>
    public Fixture Read()
    {
        var kind = Entry.Choice<FixtureKind>(Kind);
        var (width, depth) = UsualSizes.Of(kind);
        return new()
        {
            Kind = kind,
            Wall = string.IsNullOrEmpty(Wall) ? null : Entry.Count(Wall),
            Offset = Or(Offset, Length.Zero),
            X = Or(X, Length.Zero),
            Y = Or(Y, Length.Zero),
            Width = Or(Width, width),
            Depth = Or(Depth, depth),
            BurnsFuel = BurnsFuel && kind is (FixtureKind.Range or FixtureKind.Dryer or FixtureKind.WaterHeater),
            Electric = Electric && kind == FixtureKind.Fireplace,
        };
    }

    private static Length Or(string? text, Length usual) => string.IsNullOrWhiteSpace(text) ? usual : Length.Parse(text);
}
