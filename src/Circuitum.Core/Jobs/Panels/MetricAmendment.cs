using System.Collections.Immutable;

namespace Circuitum.Core.Jobs;

/// <summary>A number of the metric method that an authority may set otherwise.</summary>
public enum MetricNumber
{
    /// <summary>Most sockets of a radial.</summary>
    SocketsOnRadial,

    /// <summary>Most sockets of a ring.</summary>
    SocketsOnRing,

    /// <summary>Most rings behind one residual-current device.</summary>
    RingsBehindOne,

    /// <summary>Most single-phase cooling units looped on one circuit.</summary>
    UnitsLooped,

    /// <summary>Most cooling units on a board for everything.</summary>
    UnitsOnBoard,

    /// <summary>Most ways of a board.</summary>
    WaysOfBoard,

    /// <summary>The largest incomer of a board, amperes.</summary>
    IncomerOfBoard,

    /// <summary>The most a lighting circuit is loaded with, watts.</summary>
    WattsOfLighting,

    /// <summary>The share of the supply's volts that may be lost to the farthest point, per cent.</summary>
    LostToPoint,
}

/// <summary>A local change to a number of the metric method, in force for this job.</summary>
/// <param name="Number">What it changes; one amendment of each at most.</param>
/// <param name="Value">The number, within <see cref="Limits"/>.</param>
/// <param name="By">Whose it is, as it is cited; 1 to 60 characters.</param>
public sealed record MetricAmendment(MetricNumber Number, int Value, string By)
{
    /// <summary>Most characters of whose it is.</summary>
    public const int MostOfName = 60;

    /// <summary>Ratings that a local limit of the incomer may have: those of breakers on a board.</summary>
    private static readonly ImmutableArray<int> Incomers = [40, 50, 63, 80, 100, 125];

    /// <summary>How a line of a list says the number, and from where to where it may lie.</summary>
    public static (string Words, int Least, int Most) Limits(MetricNumber number) => number switch
    {
        MetricNumber.SocketsOnRadial => ("sockets on a radial", 1, 12),
        MetricNumber.SocketsOnRing => ("sockets on a ring", 2, 20),
        MetricNumber.RingsBehindOne => ("rings behind one device", 1, 12),
        MetricNumber.UnitsLooped => ("units looped", 1, 6),
        MetricNumber.UnitsOnBoard => ("units on a board", 1, 24),
        MetricNumber.WaysOfBoard => ("ways of a board", 12, 72),
        MetricNumber.IncomerOfBoard => ("incomer of a board", Incomers[0], Incomers[^1]),
        // 16 A at 230 V are 3680 W: more trips the breaker that the method gives it.
        MetricNumber.WattsOfLighting => ("watts of lighting", 1200, 3600),
        _ => ("lost to a point", 1, 8),
    };

    /// <summary>What is wrong with a value; null where it may stand.</summary>
    public static string? Problem(MetricNumber number, int value)
    {
        var (words, least, most) = Limits(number);
        return value < least || value > most ? $"{words} must lie from {least} to {most}; it is {value}"
            : number == MetricNumber.IncomerOfBoard && !Incomers.Contains(value)
                ? $"{words} is one of {string.Join(", ", Incomers)} A; it is {value}" : null;
    }
}
