using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Us;

/// <summary>Counts a box, 314.16.</summary>
internal sealed class UsBoxes(UsBook book) : BoxRules
{
    // Table 314.16(B), in³ for each conductor.
    private static readonly ImmutableDictionary<string, decimal> BoxVolumes = new Dictionary<string, decimal>
    {
        ["14"] = 2.00m,
        ["12"] = 2.25m,
        ["10"] = 2.50m,
        ["8"] = 3.00m,
        ["6"] = 5.00m,
    }.ToImmutableDictionary();

    /// <inheritdoc/>
    public override bool FanRatedInCeilings => book.Edition >= Edition.Y2020;

    /// <inheritdoc/>
    public override CubicInches? Volume(Gauge gauge) => BoxVolumes.TryGetValue(gauge.ToString(), out var volume) ? new(volume) : null;

    /// <inheritdoc/>
    public override Figure<CubicInches> Count(BoxContents contents)
    {
        var why = Because.Of("Why this volume");
        var total = 0m;
        void Item(string text, decimal volume, RuleId rule)
        {
            total += volume;
            why = why.Book(text, new CubicInches(volume).ToString(), book.Cite(rule));
        }

        var cables = contents.Cables;
        foreach (var group in cables.GroupBy(c => c.Gauge).OrderBy(g => g.Key))
        {
            var each = Each(group.Key);
            var count = group.Sum(c => c.Conductors);
            Item($"{count} conductors of {group.Key} × {each:0.00}", count * each, RuleId.BoxFillConductors);
        }

        foreach (var group in contents.Unbroken.GroupBy(g => g).OrderBy(g => g.Key))
        {
            Item($"{group.Count()} of {group.Key} passing unbroken × {Each(group.Key):0.00}", group.Count() * Each(group.Key),
                RuleId.BoxFillConductors);
        }

        var gauges = cables.Select(c => c.Gauge).Concat(contents.Unbroken).ToList();
        var largest = gauges.Count == 0 ? 0 : Each(gauges.Max());
        if (contents.InternalClamps)
        {
            Item("internal clamps, one of the largest together", largest, RuleId.BoxFillClamps);
        }

        if (contents.SupportFittings > 0)
        {
            Item($"{contents.SupportFittings} kind{(contents.SupportFittings == 1 ? "" : "s")} of support fitting, one of the largest "
                + $"each", contents.SupportFittings * largest, RuleId.BoxFillFittings);
        }

        if (contents.Yokes > 0)
        {
            Item($"{contents.Yokes} yoke{(contents.Yokes == 1 ? "" : "s")}, two of the largest each", 2 * contents.Yokes * largest,
                RuleId.BoxFillYokes);
        }

        if (contents.WideYokes > 0)
        {
            Item($"{contents.WideYokes} device{(contents.WideYokes == 1 ? "" : "s")} over one gang wide, two of the largest for each gang",
                4 * contents.WideYokes * largest, RuleId.BoxFillYokes);
        }

        if (cables.Length > 0)
        {
            // By the size of the ground, which is smaller than its conductors from 8 AWG on.
            Item($"{cables.Length} grounds", Grounds(cables.Length) * Each(cables.Max(c => c.Ground)), RuleId.BoxFillGrounds);
        }

        return new(new(total), why.Book("needed", new CubicInches(total).ToString(), book.Cite(RuleId.BoxFill)));
    }

    // 314.16(B)(5): one volume of the largest ground for all in 2017; from 2020 for up to four, a quarter for each further.
    private decimal Grounds(int grounds) => book.Edition == Edition.Y2017 ? 1 : 1 + (.25m * Math.Max(0, grounds - 4));

    private decimal Each(Gauge gauge) => Volume(gauge)?.Value ?? 0;
}
