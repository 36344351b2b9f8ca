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

/// <summary>The volumes of a box as they are added up, with the rule of each.</summary>
/// <param name="rules">What a conductor takes.</param>
/// <param name="book">Whose rules they are.</param>
/// <param name="contents">What is in the box.</param>
internal sealed class BoxTally(BoxRules rules, CodeBook book, BoxContents contents)
{
    private Because why = Because.Of("Why this volume");
    private decimal total;

    /// <summary>The largest conductor's volume, in³.</summary>
    public decimal Largest { get; } = contents.Cables.Select(c => c.Gauge).Concat(contents.Unbroken).Select(g => (Gauge?)g).Max() is Gauge g
        ? rules.Volume(g)?.Value ?? 0 : 0;

    /// <summary>What one conductor takes, in³; nothing where it is too large to be counted so.</summary>
    public decimal Each(Gauge gauge) => rules.Volume(gauge)?.Value ?? 0;

    /// <summary>Adds an item.</summary>
    public void Add(string text, decimal volume, RuleId rule)
    {
        total += volume;
        why = why.Book(text, new CubicInches(volume).ToString(), book.Cite(rule));
    }

    /// <summary>Adds every conductor that ends or is spliced in the box, and every one that passes.</summary>
    /// <param name="conductors">What those that end are called.</param>
    public void AddConductors(string conductors)
    {
        foreach (var group in contents.Cables.GroupBy(c => c.Gauge).OrderBy(g => g.Key))
        {
            var count = group.Sum(c => c.Conductors);
            Add($"{count} {conductors} of {group.Key} × {Each(group.Key):0.00}", count * Each(group.Key), RuleId.BoxFillConductors);
        }

        foreach (var group in contents.Unbroken.GroupBy(g => g).OrderBy(g => g.Key))
        {
            Add($"{group.Count()} of {group.Key} passing unbroken × {Each(group.Key):0.00}", group.Count() * Each(group.Key),
                RuleId.BoxFillConductors);
        }
    }

    /// <summary>All of it.</summary>
    public Figure<CubicInches> Needed() =>
        new(new(total), why.Book("needed", new CubicInches(total).ToString(), book.Cite(RuleId.BoxFill)));
}

/// <summary>How a box is counted, and the boxes there are.</summary>
public abstract class BoxRules
{
    /// <summary>Volume that is needed, item by item: conductors, clamps, fittings, yokes, grounds.</summary>
    /// <param name="contents">What is in it.</param>
    public abstract Figure<CubicInches> Count(BoxContents contents);

    /// <summary>Boxes in the ceilings of habitable rooms are rated for a paddle fan, 314.27(C) from 2020.</summary>
    public abstract bool FanRatedInCeilings { get; }

    /// <summary>Volume for each conductor in a box; null for conductors too large to be counted so.</summary>
    public abstract CubicInches? Volume(Gauge gauge);

    /// <summary>Volume of cables and devices in a nonmetallic box without internal clamps.</summary>
    /// <param name="cables">Cables in and out.</param>
    /// <param name="yokes">Device yokes.</param>
    public Figure<CubicInches> Count(IReadOnlyList<EnteringCable> cables, int yokes) =>
        Count(new() { Cables = [.. cables], Yokes = yokes });
}
