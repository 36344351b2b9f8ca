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
        var tally = new BoxTally(this, book, contents);
        tally.AddConductors("insulated conductors");
        // Where cables go on, every insulated conductor is taken as joined to another: two in a connector, two connectors to a conductor.
        var connectors = contents.Cables.Length > 1 ? contents.Cables.Sum(c => c.Conductors) / 2 : 0;
        if (connectors > 0)
        {
            tally.Add($"{connectors} connectors at most, one conductor for each pair", (connectors + 1) / 2 * tally.Largest,
                RuleId.BoxFillConductors);
        }

        if (contents.SupportFittings > 0)
        {
            tally.Add($"{contents.SupportFittings} stud or hickey, one of the largest each", contents.SupportFittings * tally.Largest,
                RuleId.BoxFillFittings);
        }

        var gangs = contents.Yokes + (2 * contents.WideYokes);
        if (gangs > 0)
        {
            tally.Add($"{gangs} device gang{(gangs == 1 ? "" : "s")}, two of the largest each", 2 * gangs * tally.Largest,
                RuleId.BoxFillYokes);
        }

        return tally.Needed();
    }
}
