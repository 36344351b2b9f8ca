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
        var tally = new BoxTally(this, book, contents);
        tally.AddConductors("conductors");
        var cables = contents.Cables;
        if (contents.InternalClamps)
        {
            tally.Add("internal clamps, one of the largest together", tally.Largest, RuleId.BoxFillClamps);
        }

        if (contents.SupportFittings > 0)
        {
            tally.Add($"{contents.SupportFittings} kind{(contents.SupportFittings == 1 ? "" : "s")} of support fitting, one of the "
                + "largest each", contents.SupportFittings * tally.Largest, RuleId.BoxFillFittings);
        }

        if (contents.Yokes > 0)
        {
            tally.Add($"{contents.Yokes} yoke{(contents.Yokes == 1 ? "" : "s")}, two of the largest each",
                2 * contents.Yokes * tally.Largest, RuleId.BoxFillYokes);
        }

        if (contents.WideYokes > 0)
        {
            tally.Add($"{contents.WideYokes} device{(contents.WideYokes == 1 ? "" : "s")} over one gang wide, two of the largest "
                + "for each gang",
                4 * contents.WideYokes * tally.Largest, RuleId.BoxFillYokes);
        }

        if (cables.Length > 0)
        {
            // By the size of the ground, which is smaller than its conductors from 8 AWG on.
            tally.Add($"{cables.Length} grounds",
                Grounds(cables.Length) * tally.Each(cables.Max(c => book.Conductors.GroundWith(c.Gauge))), RuleId.BoxFillGrounds);
        }

        return tally.Needed();
    }

    // 314.16(B)(5): one volume of the largest ground for all in 2017; from 2020 for up to four, a quarter for each further.
    private decimal Grounds(int grounds) => book.Edition == Edition.Y2017 ? 1 : 1 + (.25m * Math.Max(0, grounds - 4));
}
