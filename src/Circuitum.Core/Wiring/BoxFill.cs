using System.Collections.Immutable;
using Circuitum.Core.CodeBook;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Wiring;

/// <summary>A cable that enters a box.</summary>
/// <param name="Gauge">Its conductors, 14 to 6 AWG.</param>
/// <param name="Conductors">Insulated conductors in it: 2, 3 or 4.</param>
public sealed record EnteringCable(Gauge Gauge, int Conductors);

/// <summary>Counts a box, 314.16.</summary>
public static class BoxFill
{
    // Usual new-work boxes by gang, and round ones for ceilings, in³.
    private static readonly decimal[][] Gangs = [[18, 20, 22.5m], [32, 34], [44, 45], [56, 68]];
    private static readonly decimal[] Round = [13, 18, 20, 22];

    /// <summary>Volume that is needed: conductors, yokes twice, grounds; nonmetallic boxes without internal clamps.</summary>
    /// <param name="cables">Cables in and out.</param>
    /// <param name="yokes">Device yokes.</param>
    /// <param name="book">The edition: it counts grounds.</param>
    public static Figure<CubicInches> Count(IReadOnlyList<EnteringCable> cables, int yokes, CodeBook.CodeBook book)
    {
        var why = Because.Of("Why this volume");
        var total = 0m;
        foreach (var group in cables.GroupBy(c => c.Gauge).OrderBy(g => g.Key))
        {
            var each = Tables.BoxVolume(group.Key)?.Value ?? 0;
            var count = group.Sum(c => c.Conductors);
            total += count * each;
            why = why.Book($"{count} conductors of {group.Key} × {each:0.00}", new CubicInches(count * each).ToString(), "314.16(B)(1)");
        }

        var largest = cables.Count == 0 ? 0 : Tables.BoxVolume(cables.Max(c => c.Gauge))?.Value ?? 0;
        if (yokes > 0)
        {
            total += 2 * yokes * largest;
            why = why.Book($"{yokes} yoke{(yokes == 1 ? "" : "s")}, two of the largest each", new CubicInches(2 * yokes * largest).ToString(), "314.16(B)(4)");
        }

        if (cables.Count > 0)
        {
            var grounds = book.GroundVolumes(cables.Count) * largest;
            total += grounds;
            why = why.Book($"{cables.Count} grounds", new CubicInches(grounds).ToString(), "314.16(B)(5)");
        }

        return new(new(total), why.Book("needed", new CubicInches(total).ToString(), "314.16"));
    }

    /// <summary>The smallest usual box of so many gangs that holds a volume; null when none does. No gangs means a round ceiling box.</summary>
    public static CubicInches? Smallest(int gangs, CubicInches needed)
    {
        var sizes = gangs == 0 ? Round : gangs <= Gangs.Length ? Gangs[gangs - 1] : [];
        return sizes.Where(s => s >= needed.Value).Select(s => (CubicInches?)new CubicInches(s)).FirstOrDefault();
    }
}
