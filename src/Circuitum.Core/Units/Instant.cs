namespace Circuitum.Core.Units;

/// <summary>A point in time as somebody's clock gave it. The core is told such times and orders by them; it reads no clock
/// itself.</summary>
/// <param name="UnixMilliseconds">Milliseconds since the beginning of 1970, UTC.</param>
public readonly record struct Instant(long UnixMilliseconds) : IComparable<Instant>
{
    /// <inheritdoc/>
    public int CompareTo(Instant other) => UnixMilliseconds.CompareTo(other.UnixMilliseconds);

    /// <summary>So much later; earlier where it is less than nothing.</summary>
    public Instant After(TimeSpan span) => new(checked(UnixMilliseconds + (long)span.TotalMilliseconds));

    /// <summary>Earlier.</summary>
    public static bool operator <(Instant a, Instant b) => a.UnixMilliseconds < b.UnixMilliseconds;

    /// <summary>Later.</summary>
    public static bool operator >(Instant a, Instant b) => a.UnixMilliseconds > b.UnixMilliseconds;

    /// <summary>Not later.</summary>
    public static bool operator <=(Instant a, Instant b) => a.UnixMilliseconds <= b.UnixMilliseconds;

    /// <summary>Not earlier.</summary>
    public static bool operator >=(Instant a, Instant b) => a.UnixMilliseconds >= b.UnixMilliseconds;
}
