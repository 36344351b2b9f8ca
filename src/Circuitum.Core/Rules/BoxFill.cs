using System.Collections.Immutable;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>A cable that enters a box.</summary>
/// <param name="Gauge">Its conductors, 14 to 6 AWG.</param>
/// <param name="Conductors">Insulated conductors in it: 2, 3 or 4.</param>
public sealed record EnteringCable(Gauge Gauge, int Conductors);

/// <summary>What is in a box.</summary>
public sealed record BoxContents
{
    /// <summary>Cables in and out; every conductor ends or is spliced in the box.</summary>
    public ImmutableArray<EnteringCable> Cables { get; init; } = [];

    /// <summary>Device yokes, 0 to 6. Each takes two of the largest conductor, whose pigtail may be on any of them.</summary>
    public int Yokes { get; init; }

    /// <summary>Devices wider than one gang, two each for every gang; 0 to 3, counted apart from the yokes.</summary>
    public int WideYokes { get; init; }

    /// <summary>The box has clamps inside; all together take one.</summary>
    public bool InternalClamps { get; init; }

    /// <summary>Kinds of support fitting in it: studs, hickeys; each kind takes one. 0 to 2.</summary>
    public int SupportFittings { get; init; }

    /// <summary>Conductors that pass through unbroken, one each; 0 to 20.</summary>
    public ImmutableArray<Gauge> Unbroken { get; init; } = [];
}

/// <summary>Counts a box, 314.16.</summary>
public static class BoxFill
{
    // Usual new-work boxes by gang, and round ones for ceilings, in³.
    private static readonly decimal[][] Gangs = [[18, 20, 22.5m], [32, 34], [44, 45], [56, 68]];
    private static readonly decimal[] Round = [13, 18, 20, 22];

    /// <summary>Volume of cables and devices in a nonmetallic box without internal clamps.</summary>
    /// <param name="cables">Cables in and out.</param>
    /// <param name="yokes">Device yokes.</param>
    /// <param name="book">The edition: it counts grounds.</param>
    public static Figure<CubicInches> Count(IReadOnlyList<EnteringCable> cables, int yokes, CodeBook book) => Count(new() { Cables = [.. cables], Yokes = yokes }, book);

    /// <summary>Volume that is needed, item by item: conductors, clamps, fittings, yokes, grounds. 314.16(B), Table 314.16(B).</summary>
    /// <param name="contents">What is in it.</param>
    /// <param name="book">The edition: it counts grounds.</param>
    public static Figure<CubicInches> Count(BoxContents contents, CodeBook book)
    {
        var why = Because.Of("Why this volume");
        var total = 0m;
        void Item(string text, decimal volume, string section)
        {
            total += volume;
            why = why.Book(text, new CubicInches(volume).ToString(), section);
        }

        var cables = contents.Cables;
        foreach (var group in cables.GroupBy(c => c.Gauge).OrderBy(g => g.Key))
        {
            var each = Each(group.Key);
            var count = group.Sum(c => c.Conductors);
            Item($"{count} conductors of {group.Key} × {each:0.00}", count * each, "314.16(B)(1)");
        }

        foreach (var group in contents.Unbroken.GroupBy(g => g).OrderBy(g => g.Key))
        {
            Item($"{group.Count()} of {group.Key} passing unbroken × {Each(group.Key):0.00}", group.Count() * Each(group.Key), "314.16(B)(1)");
        }

        var gauges = cables.Select(c => c.Gauge).Concat(contents.Unbroken).ToList();
        var largest = gauges.Count == 0 ? 0 : Each(gauges.Max());
        if (contents.InternalClamps)
        {
            Item("internal clamps, one of the largest together", largest, "314.16(B)(2)");
        }

        if (contents.SupportFittings > 0)
        {
            Item($"{contents.SupportFittings} kind{(contents.SupportFittings == 1 ? "" : "s")} of support fitting, one of the largest each", contents.SupportFittings * largest, "314.16(B)(3)");
        }

        if (contents.Yokes > 0)
        {
            Item($"{contents.Yokes} yoke{(contents.Yokes == 1 ? "" : "s")}, two of the largest each", 2 * contents.Yokes * largest, "314.16(B)(4)");
        }

        if (contents.WideYokes > 0)
        {
            Item($"{contents.WideYokes} device{(contents.WideYokes == 1 ? "" : "s")} over one gang wide, two of the largest for each gang", 4 * contents.WideYokes * largest, "314.16(B)(4)");
        }

        if (cables.Length > 0)
        {
            Item($"{cables.Length} grounds", book.GroundVolumes(cables.Length) * largest, "314.16(B)(5)");
        }

        return new(new(total), why.Book("needed", new CubicInches(total).ToString(), "314.16"));
    }

    /// <summary>The smallest usual box of so many gangs that holds a volume; null when none does. No gangs means a round ceiling box.</summary>
    public static CubicInches? Smallest(int gangs, CubicInches needed) => Usual(gangs).Where(s => s >= needed.Value).Select(s => (CubicInches?)new CubicInches(s)).FirstOrDefault();

    /// <summary>The largest usual box of so many gangs; null above four gangs.</summary>
    public static CubicInches? Largest(int gangs) => Usual(gangs) is { Length: > 0 } sizes ? new CubicInches(sizes[^1]) : null;

    private static decimal[] Usual(int gangs) => gangs == 0 ? Round : gangs <= Gangs.Length ? Gangs[gangs - 1] : [];

    private static decimal Each(Gauge gauge) => Tables.BoxVolume(gauge)?.Value ?? 0;
}
