using System.Collections.Immutable;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Canada;

/// <summary>Counts a box, 12-3034 and Table 22: insulated conductors, two for a device, one for each pair of connectors; bare grounds are
/// not counted.</summary>
internal sealed class CanadaBoxes(CanadaBook book) : BoxRules
{
    // Table 22, mL for each conductor.
    private static readonly ImmutableDictionary<string, decimal> Millilitres = new Dictionary<string, decimal>
    {
        ["14"] = 24.6m,
        ["12"] = 28.7m,
        ["10"] = 36.9m,
        ["8"] = 45.1m,
        ["6"] = 73.7m,
    }.ToImmutableDictionary();

    private const decimal MillilitresToCubicInch = 16.387m;

    /// <summary>A fan has a box made for it where one is planned; the book asks none of other ceilings.</summary>
    public override bool FanRatedInCeilings => false;

    /// <inheritdoc/>
    public override CubicInches? Volume(Gauge gauge) => Millilitres.TryGetValue(gauge.ToString(), out var volume)
        ? new(decimal.Round(volume / MillilitresToCubicInch, 2)) : null;

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

        foreach (var group in contents.Cables.GroupBy(c => c.Gauge).OrderBy(g => g.Key))
        {
            var count = group.Sum(c => c.Conductors);
            Item($"{count} insulated conductors of {group.Key} × {Each(group.Key):0.00}", count * Each(group.Key),
                RuleId.BoxFillConductors);
        }

        foreach (var group in contents.Unbroken.GroupBy(g => g).OrderBy(g => g.Key))
        {
            Item($"{group.Count()} of {group.Key} passing unbroken × {Each(group.Key):0.00}", group.Count() * Each(group.Key),
                RuleId.BoxFillConductors);
        }

        var gauges = contents.Cables.Select(c => c.Gauge).Concat(contents.Unbroken).ToList();
        var largest = gauges.Count == 0 ? 0 : Each(gauges.Max());
        // Where cables go on, every insulated conductor is taken as joined to another: two in a connector, two connectors to a conductor.
        var connectors = contents.Cables.Length > 1 ? contents.Cables.Sum(c => c.Conductors) / 2 : 0;
        if (connectors > 0)
        {
            Item($"{connectors} connectors at most, one conductor for each pair", (connectors + 1) / 2 * largest, RuleId.BoxFillConductors);
        }

        if (contents.SupportFittings > 0)
        {
            Item($"{contents.SupportFittings} stud or hickey, one of the largest each", contents.SupportFittings * largest,
                RuleId.BoxFillFittings);
        }

        var gangs = contents.Yokes + (2 * contents.WideYokes);
        if (gangs > 0)
        {
            Item($"{gangs} device gang{(gangs == 1 ? "" : "s")}, two of the largest each", 2 * gangs * largest, RuleId.BoxFillYokes);
        }

        return new(new(total), why.Book("needed", new CubicInches(total).ToString(), book.Cite(RuleId.BoxFill)));
    }

    private decimal Each(Gauge gauge) => Volume(gauge)?.Value ?? 0;
}
