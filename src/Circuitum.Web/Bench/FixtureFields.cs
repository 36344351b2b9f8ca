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
        var (width, depth) = Usual(kind);
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

    /// <summary>Usual size of a kind: along the wall, and out from it.</summary>
    public static (Length Width, Length Depth) Usual(FixtureKind kind)
    {
        var (w, d) = kind switch
        {
            FixtureKind.Counter => (72, 25),
            FixtureKind.Island => (60, 36),
            FixtureKind.Peninsula => (36, 60),
            FixtureKind.Sink => (33, 20),
            FixtureKind.Range => (30, 26),
            FixtureKind.Refrigerator => (36, 30),
            FixtureKind.Dishwasher => (24, 24),
            FixtureKind.Washer or FixtureKind.Dryer => (28, 30),
            FixtureKind.Tub => (60, 30),
            FixtureKind.Shower => (36, 36),
            FixtureKind.Vanity => (36, 21),
            FixtureKind.Toilet => (20, 28),
            FixtureKind.Bed => (60, 80),
            FixtureKind.Table or FixtureKind.Bench => (60, 30),
            FixtureKind.Shelf => (60, 14),
            FixtureKind.Stair => (36, 120),
            FixtureKind.WaterHeater or FixtureKind.AirHandler => (22, 22),
            FixtureKind.SaunaHeater => (16, 14),
            FixtureKind.Sofa => (84, 36),
            FixtureKind.Fireplace => (60, 20),
            _ => (24, 24),
        };
        return (Length.FromInches(w), Length.FromInches(d));
    }

    private static Length Or(string? text, Length usual) => string.IsNullOrWhiteSpace(text) ? usual : Length.Parse(text);
}
