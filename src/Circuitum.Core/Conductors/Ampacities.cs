using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Conductors;

/// <summary>What conductors may carry where they lie.</summary>
public static class Ampacities
{
    /// <summary>Nonmetallic-sheathed cable: correction and adjustment from the 90 °C column, held to the 60 °C column, 334.80.
    /// Adjustment applies where more than two cables share a sealed hole, but not to armored cable, of which 330 says nothing so.</summary>
    /// <param name="gauge">14 AWG to 600 kcmil copper.</param>
    /// <param name="cables">Cables in the worst sealed hole, itself included; 1 or more.</param>
    /// <param name="currentCarrying">Their current-carrying conductors together.</param>
    /// <param name="ambient">Of that place.</param>
    /// <param name="book">The edition.</param>
    /// <param name="where">The place in words.</param>
    /// <param name="jacket">Underground feeder cable starts from its own 60 °C column, 340.80; armored cable goes by 330.80.</param>
    /// <param name="bundled">For how long the cables lie together without spacing; null for a sealed hole. Longer than the book allows,
    /// more than three conductors are adjusted.</param>
    /// <param name="metal">Copper as usual, or aluminium from 12 AWG.</param>
    public static Figure<Amps> InCable(Gauge gauge, int cables, int currentCarrying, Celsius ambient, CodeBook book, string where,
        Jacket jacket = Jacket.Nonmetallic, Length? bundled = null, Metal metal = Metal.Copper)
    {
        var (column, section) = jacket switch
        {
            Jacket.Underground => (Column.C60, book.Cite(RuleId.UndergroundAmpacity)),
            Jacket.Armoured => (Column.C90, book.Cite(RuleId.ArmouredAmpacity)),
            Jacket.ServiceEntrance => (Column.C90, book.Cite(RuleId.ServiceCableAmpacity)),
            _ => (Column.C90, book.Cite(RuleId.CableAmpacity))
        };
        var start = book.Conductors.Ampacity(gauge, metal, column)!.Value;
        var why = Because.Of("Why this ampacity")
            .Book($"{gauge} {(metal == Metal.Copper ? "copper" : "aluminum")}"
                + $"{(jacket == Jacket.Underground ? " " + book.Conductors.Suffix(jacket) : "")}, "
                + $"{(int)column} °C column", start.ToString(),
                book.Cite(RuleId.AmpacityTable).And(section));
        var (amps, company) = (start, 1m);
        if (ambient.Degrees > 30 || ambient.Degrees <= 25)
        {
            var factor = book.Conductors.AmbientFactor(ambient, column) ?? 0;
            amps *= factor;
            why = why.Book($"{ambient} {where}: × {factor:0.00}", amps.ToString(), book.Cite(RuleId.AmbientTable));
        }

        if (bundled is Length together)
        {
            var factor = together > book.Conductors.BundledBeyond.Length ? book.Conductors.AdjustmentFactor(currentCarrying) : 1;
            (amps, company) = (amps * factor, factor);
            why = why.Book($"{cables} cables together for {together.Taped(Length.FromInches(1))}, {currentCarrying} current-carrying "
                + $"conductors, {where}: × {factor:0.00}", amps.ToString(), book.Cite(RuleId.AdjustmentTable));
        }
        else if (cables == 1 && currentCarrying > 3)
        {
            var factor = book.Conductors.AdjustmentFactor(currentCarrying);
            (amps, company) = (amps * factor, factor);
            why = why.Book($"{currentCarrying} current-carrying conductors in the cable itself: × {factor:0.00}", amps.ToString(),
                book.Cite(RuleId.AdjustmentTable));
        }
        else if (IsCrowded(cables, jacket, book))
        {
            var factor = book.Conductors.AdjustmentFactor(currentCarrying);
            (amps, company) = (amps * factor, factor);
            why = why.Book($"{cables} cables, {currentCarrying} current-carrying conductors in a sealed hole, {where}: × {factor:0.00}",
                amps.ToString(), book.Cite(RuleId.CableAmpacity, RuleId.AdjustmentTable));
        }

        return Held(amps, gauge, Column.C60, why, book, section, company, metal);
    }

    /// <summary>Loose conductors in a raceway: from the 90 °C column, held to the terminations.</summary>
    /// <param name="gauge">14 AWG to 600 kcmil; aluminium from 12.</param>
    /// <param name="currentCarrying">In the raceway.</param>
    /// <param name="ambient">Of the raceway.</param>
    /// <param name="terminations">60 °C, or 75 °C where both ends are so marked, 110.14(C).</param>
    /// <param name="book">The edition.</param>
    /// <param name="metal">Copper as usual, or aluminium.</param>
    /// <param name="where">The stretch in words.</param>
    /// <exception cref="ArgumentException">The table has no such conductor (14 AWG aluminium).</exception>
    public static Figure<Amps> InRaceway(Gauge gauge, int currentCarrying, Celsius ambient, Column terminations, CodeBook book,
        Metal metal = Metal.Copper, string where = "")
    {
        var column = Column.C90;
        var amps = book.Conductors.Ampacity(gauge, metal, column)
            ?? throw new ArgumentException($"{book.Cite(RuleId.AmpacityTable)} has no {gauge} aluminum.", nameof(gauge));
        var why = Because.Of("Why this ampacity").Book($"{gauge} {(metal == Metal.Copper ? "copper" : "aluminum")} "
            + $"{book.Conductors.LooseName}, "
            + $"{(int)column} °C column",
            amps.ToString(), book.Cite(RuleId.AmpacityTable));
        if (ambient.Degrees is > 30 or <= 25)
        {
            var factor = book.Conductors.AmbientFactor(ambient, column) ?? 0;
            amps *= factor;
            why = why.Book($"{ambient}: × {factor:0.00}", amps.ToString(), book.Cite(RuleId.AmbientTable));
        }

        if (currentCarrying > 3)
        {
            amps *= book.Conductors.AdjustmentFactor(currentCarrying);
            why = why.Book($"{currentCarrying} current-carrying conductors{(where.Length > 0 ? " " + where : "")}: × "
                + $"{book.Conductors.AdjustmentFactor(currentCarrying):0.00}", amps.ToString(), book.Cite(RuleId.AdjustmentTable));
        }

        return Held(amps, gauge, terminations, why, book, book.Cite(RuleId.TerminationTemperature),
            currentCarrying > 3 ? book.Conductors.AdjustmentFactor(currentCarrying) : 1, metal);
    }

    /// <summary>Correction and adjustment together for cable, as the two ways of the sum use it: ampacity × factor, or load ÷
    /// factor.</summary>
    public static decimal Factor(int cables, int currentCarrying, Celsius ambient, Jacket jacket, bool bundled, CodeBook book)
    {
        var warm = ambient.Degrees is > 30 or <= 25
            ? book.Conductors.AmbientFactor(ambient, jacket == Jacket.Underground ? Column.C60 : Column.C90) ?? 0 : 1;
        return warm * Adjustment(cables, currentCarrying, bundled, book, jacket);
    }

    /// <summary>The adjustment for company alone.</summary>
    public static decimal Adjustment(int cables, int currentCarrying, bool bundled, CodeBook book, Jacket jacket) =>
        bundled || IsCrowded(cables, jacket, book) || (cables == 1 && currentCarrying > 3)
            ? book.Conductors.AdjustmentFactor(currentCarrying) : 1;

    // 334.80 counts sealed holes; of armored cable 330 says nothing so.
    private static bool IsCrowded(int cables, Jacket jacket, CodeBook book) =>
        jacket != Jacket.Armoured && cables > book.Conductors.MostInSealedHole;

    private static Figure<Amps> Held(Amps amps, Gauge gauge, Column column, Because why, CodeBook book, Citation section,
        decimal company, Metal metal = Metal.Copper)
    {
        var adjusted = book.Conductors.AdjustsTerminations && company < 1;
        var listed = book.Conductors.Ampacity(gauge, metal, column)!.Value;
        var limit = adjusted ? listed * company : listed;
        return amps > limit
            ? new(limit, why.Book($"held to the {(int)column} °C column{(adjusted ? $", {listed} × {company:0.00}" : "")}",
                limit.ToString(),
                section.And(book.Cite(RuleId.AmpacityTable))))
            : new(amps, why);
    }
}
