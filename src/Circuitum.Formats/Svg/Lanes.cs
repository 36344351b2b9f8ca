using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Formats.Svg;

/// <summary>Sets home runs that go the same way beside each other, each in a lane of its own for its whole length.</summary>
internal static class Lanes
{
    // Inches of the house from lane to lane: apart at the usual scale, and still along the way they take.
    private const decimal Apart = 2.2m;

    /// <summary>How far off its way each run is drawn, in inches; longest runs nearest their way.</summary>
    public static Dictionary<RunId, decimal> Of(IEnumerable<Run> runs)
    {
        var placed = new List<(Run Run, int Lane)>();
        foreach (var run in runs.OrderByDescending(r => r.Way.Measured.Sixtyfourths).ThenBy(r => r.Id.ToString(), StringComparer.Ordinal))
        {
            var taken = placed.Where(p => Share(p.Run, run)).Select(p => p.Lane).ToHashSet();
            placed.Add((run, Enumerable.Range(0, taken.Count + 1).First(l => !taken.Contains(l))));
        }

        // 0, 1, −1, 2, −2 and on.
        return placed.ToDictionary(p => p.Run.Id, p => (p.Lane % 2 == 0 ? -(p.Lane / 2) : (p.Lane / 2) + 1) * Apart);
    }

    private static bool Share(Run a, Run b) => a.Way.Legs.Any(l => b.Way.Legs.Any(m => Overlap(l, m)));

    // Drawn on one line of the plan, over each other for a foot or more.
    private static bool Overlap(PathLeg a, PathLeg b)
    {
        var foot = Length.FromFeet(1);
        var alongX = a.From.Y == a.To.Y && b.From.Y == b.To.Y && (a.From.Y - b.From.Y).Abs() < Length.FromInches(3);
        var alongY = a.From.X == a.To.X && b.From.X == b.To.X && (a.From.X - b.From.X).Abs() < Length.FromInches(3);
        return (alongX && Common(a.From.X, a.To.X, b.From.X, b.To.X) > foot)
            || (alongY && Common(a.From.Y, a.To.Y, b.From.Y, b.To.Y) > foot);
    }

    private static Length Common(Length a, Length b, Length c, Length d) => Length.Min(Length.Max(a, b), Length.Max(c, d))
        - Length.Max(Length.Min(a, b), Length.Min(c, d));
}
