namespace Circuitum.Core.Units;

/// <summary>A conductor size on the American wire gauge, or in kcmil from 250 up; ordered from thin to thick.</summary>
public readonly record struct Gauge : IComparable<Gauge>
{
    private static readonly string[] Names =
        ["14", "12", "10", "8", "6", "4", "3", "2", "1", "1/0", "2/0", "3/0", "4/0", "250", "300", "350", "400", "500", "600"];

    private readonly int rank;

    private Gauge(int rank) => this.rank = rank;

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

    /// <summary>Every size, thin to thick.</summary>
    public static IReadOnlyList<Gauge> All { get; } = [.. Enumerable.Range(0, Names.Length).Select(i => new Gauge(i))];

    /// <summary>The next size thicker, or null at 600 kcmil.</summary>
    public Gauge? Next => rank + 1 < Names.Length ? new Gauge(rank + 1) : null;

    /// <summary>Reads "12", "1/0", "250".</summary>
    /// <exception cref="FormatException">No such size; the message lists examples.</exception>
    public static Gauge Parse(string text) => TryParse(text, out var gauge)
        ? gauge
        : throw new FormatException($"“{text}” is no conductor size; write it like 12, 6, 1/0 or 250.");

    /// <summary>Reads a size without an exception.</summary>
    public static bool TryParse(string? text, out Gauge gauge)
    {
        var at = Array.IndexOf(Names, text?.Trim());
        gauge = new(Math.Max(at, 0));
        return at >= 0;
    }

    /// <inheritdoc/>
    public int CompareTo(Gauge other) => rank.CompareTo(other.rank);

    /// <summary>Thinner than.</summary>
    public static bool operator <(Gauge a, Gauge b) => a.rank < b.rank;

    /// <summary>Thicker than.</summary>
    public static bool operator >(Gauge a, Gauge b) => a.rank > b.rank;

    /// <summary>Not thicker than.</summary>
    public static bool operator <=(Gauge a, Gauge b) => a.rank <= b.rank;

    /// <summary>Not thinner than.</summary>
    public static bool operator >=(Gauge a, Gauge b) => a.rank >= b.rank;

    /// <summary>The size as marked on the jacket: 12, 1/0, 250.</summary>
    public override string ToString() => Names[rank];
}
