using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Conductors;

/// <summary>How long a box for conductors of 4 AWG and larger is: they are not folded into a volume, they are pulled through
/// (314.28(A), 12-3036).</summary>
public static class PullLengths
{
    /// <summary>The smallest conductor that is counted by the length of its pull.</summary>
    public static Gauge From => Gauge.Awg4;

    /// <summary>Straight through: 8 times the trade size, 314.28(A)(1).</summary>
    /// <param name="trade">1-1/4.</param>
    public static Length Straight(string trade) => Inches(trade) * 8;

    /// <summary>Where the pull turns or its conductors end in a splice: 6 times the trade size to the wall across, 314.28(A)(2).</summary>
    /// <param name="trade">1-1/4.</param>
    public static Length Turned(string trade) => Inches(trade) * 6;

    /// <summary>Across the box that a cable ends in: by the smallest tubing that its conductors would be pulled in; null where none to
    /// 2 in is large enough.</summary>
    /// <param name="run">The cable.</param>
    /// <param name="gauge">Its conductors.</param>
    /// <param name="book">The rules.</param>
    public static Length? AtEnd(Run run, Gauge gauge, CodeBook book) => ConduitFill.Size(Jobs.ConduitKind.Emt,
        [new(run.Conductors, gauge), new(1, book.Conductors.GroundWith(gauge))], [], run.Length.Value, book).Trade is { } trade
            ? Turned(trade) : null;

    private static Length Inches(string trade) => Length.Parse($"{trade.Replace('-', ' ')}\"");
}
