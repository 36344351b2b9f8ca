using System.Globalization;

namespace Circuitum.Core.Units;

/// <summary>A conductor size: on the American wire gauge, in kcmil from 250 up, or in square millimeters. Ordered by its cross-section,
/// from thin to thick, whichever list it is of. What a book pulls is on the list of its <c>ConductorRules</c>.</summary>
public readonly record struct Gauge : IComparable<Gauge>
{
    // Chapter 9 Table 8: the American sizes with their cross-section in mm².
    private static readonly (string Name, decimal Area)[] American =
    [
        ("14", 2.08m), ("12", 3.31m), ("10", 5.261m), ("8", 8.367m), ("6", 13.3m), ("4", 21.15m), ("3", 26.67m), ("2", 33.62m),
        ("1", 42.41m), ("1/0", 53.49m), ("2/0", 67.43m), ("3/0", 85.01m), ("4/0", 107.2m), ("250", 127m), ("300", 152m), ("350", 177m),
        ("400", 203m), ("500", 253m), ("600", 304m),
    ];

    // IEC 60228, class 2, to what a house is fed by.
    private static readonly decimal[] SquareMillimetres = [1.5m, 2.5m, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120];

    private static readonly (string Name, decimal Area)[] Sizes =
        [.. American, .. SquareMillimetres.Select(a => (a.ToString(CultureInfo.InvariantCulture) + " mm²", a))];

    private readonly int at;

    private Gauge(int at) => this.at = at;

    /// <summary>14 AWG, the smallest branch-circuit copper.</summary>
    public static Gauge Awg14 => new(0);

    /// <summary>12 AWG.</summary>
    public static Gauge Awg12 => new(1);

    /// <summary>10 AWG.</summary>
    public static Gauge Awg10 => new(2);

    /// <summary>8 AWG.</summary>
    public static Gauge Awg8 => new(3);

    /// <summary>6 AWG.</summary>
    public static Gauge Awg6 => new(4);

    /// <summary>4 AWG.</summary>
    public static Gauge Awg4 => new(5);

    /// <summary>2 AWG.</summary>
    public static Gauge Awg2 => new(7);

    /// <summary>Every American size, thin to thick.</summary>
    public static IReadOnlyList<Gauge> All { get; } = [.. Enumerable.Range(0, American.Length).Select(i => new Gauge(i))];

    /// <summary>Every size in square millimeters, thin to thick.</summary>
    public static IReadOnlyList<Gauge> Metric { get; } =
        [.. Enumerable.Range(American.Length, SquareMillimetres.Length).Select(i => new Gauge(i))];

    /// <summary>Reads an American size: "12", "1/0", "250".</summary>
    /// <exception cref="FormatException">No such size; the message lists examples.</exception>
    public static Gauge Parse(string text) => TryParse(text, out var gauge)
        ? gauge
        : throw new FormatException($"“{text}” is no conductor size; write it like 12, 6, 1/0 or 250.");

    /// <summary>Reads an American size without an exception.</summary>
    public static bool TryParse(string? text, out Gauge gauge)
    {
        var found = Array.FindIndex(American, s => s.Name == text?.Trim());
        gauge = new(Math.Max(found, 0));
        return found >= 0;
    }

    /// <inheritdoc/>
    public int CompareTo(Gauge other) => Sizes[at].Area.CompareTo(Sizes[other.at].Area);

    /// <summary>Thinner than.</summary>
    public static bool operator <(Gauge a, Gauge b) => a.CompareTo(b) < 0;

    /// <summary>Thicker than.</summary>
    public static bool operator >(Gauge a, Gauge b) => a.CompareTo(b) > 0;

    /// <summary>Not thicker than.</summary>
    public static bool operator <=(Gauge a, Gauge b) => a.CompareTo(b) <= 0;

    /// <summary>Not thinner than.</summary>
    public static bool operator >=(Gauge a, Gauge b) => a.CompareTo(b) >= 0;

    /// <summary>The size with its unit: 12 AWG, 1/0 AWG, 250 kcmil, 2.5 mm².</summary>
    public string Words => at >= American.Length ? ToString() : $"{this} {(at < FirstOfKcmil ? "AWG" : "kcmil")}";

    private const int FirstOfKcmil = 13;

    /// <summary>The size as marked on the jacket: 12, 1/0, 250, 2.5 mm².</summary>
    public override string ToString() => Sizes[at].Name;
}
