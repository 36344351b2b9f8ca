using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>What conductors carry, and what protects and encloses them.</summary>
public abstract class ConductorRules
{
    /// <summary>The sizes that are pulled, thin to thick; at least one.</summary>
    public abstract IReadOnlyList<Gauge> Sizes { get; }

    /// <summary>The next size thicker; null at the last.</summary>
    public Gauge? Next(Gauge gauge) => Sizes.Where(g => g > gauge).Select(g => (Gauge?)g).FirstOrDefault();

    /// <summary>The ground that a cable brings with conductors of a size, as it is made.</summary>
    public abstract Gauge GroundWith(Gauge conductors);

    /// <summary>Smallest conductor by a breaker's rating before its place is looked at: 14 for 15 A, 12 for 20 A.</summary>
    public Gauge LeastFor(Amps rating) => Sizes.Where(g => SmallConductorLimit(g, Metal.Copper) is Amps limit ? rating <= limit
        : Ampacity(g, Metal.Copper, Column.C60) >= rating).Select(g => (Gauge?)g).FirstOrDefault() ?? Sizes[^1];

    /// <summary>Ampacity at 30 °C with at most three current-carrying conductors; null where the table has no entry. Table
    /// 310.16.</summary>
    public abstract Amps? Ampacity(Gauge gauge, Metal metal, Column column);

    /// <summary>Correction for ambient, Table 310.15(B)(1); null where the insulation may not be used so hot.</summary>
    public abstract decimal? AmbientFactor(Celsius ambient, Column column);

    /// <summary>Adjustment for more than three current-carrying conductors together, Table 310.15(C)(1) (2017: 310.15(B)(3)(a)).</summary>
    public abstract decimal AdjustmentFactor(int currentCarrying);

    /// <summary>Ohm per 1000 ft at 75 °C, Chapter 9 Table 8; null where the table has none (14 AWG aluminium).</summary>
    public abstract decimal? OhmsPerThousandFeet(Gauge gauge, Metal metal);

    /// <summary>Cross-section in circular mils, Chapter 9 Table 8.</summary>
    public abstract int CircularMil(Gauge gauge);

    /// <summary>Equipment grounding conductor for an overcurrent device, Table 250.122; the largest listed row serves above 400
    /// A.</summary>
    public abstract Gauge EquipmentGround(Amps rating, Metal metal);

    /// <summary>Area of one THWN-2 conductor, Chapter 9 Table 5.</summary>
    public abstract SquareInches ConductorArea(Gauge gauge);

    /// <summary>A pipe by trade size with its whole area, Chapter 9 Table 4, 1/2 to 2 in, small to large.</summary>
    public abstract IEnumerable<(string Trade, SquareInches Area)> Conduit(ConduitKind kind);

    /// <summary>Share of a raceway that conductors may fill, Chapter 9 Table 1.</summary>
    public abstract Percent RacewayFill(int conductors);

    /// <summary>How many cables in one hole that is sealed are counted as bundled: more than this; null where a book does not count
    /// them.</summary>
    public abstract int? MostInSealedHole { get; }

    /// <summary>Together for longer than this, cables and conductors are adjusted.</summary>
    public abstract Asked BundledBeyond { get; }

    /// <summary>A stretch that carries less is passed over while it is no longer than this and no longer than a tenth of its circuit; null
    /// where a book does not say so and the worst place counts.</summary>
    public abstract Asked? ShortStretch { get; }

    /// <summary>What is written after the size of what a run is pulled in: 12-2 UF; empty for the usual cable.</summary>
    public abstract string Suffix(Jacket jacket);

    /// <summary>The ground in it is insulated and green, not bare.</summary>
    public abstract bool GreenIn(Jacket jacket);

    /// <summary>Armored cable is fastened at least this often.</summary>
    public abstract Asked ArmouredSupported { get; }

    /// <summary>The loose conductor that is pulled in pipes.</summary>
    public abstract string LooseName { get; }

    /// <summary>What the terminations hold a conductor to is adjusted for its company as well: the load divided by the factor is looked up
    /// once, in their column. Else they hold the adjusted ampacity to their column as it stands.</summary>
    public abstract bool AdjustsTerminations { get; }

    /// <summary>Terminals are taken at 75 °C without being marked so, by the device's rating or the conductor's size.</summary>
    public abstract bool TerminatesAt75(Amps rating, Gauge gauge);

    /// <summary>Largest overcurrent device on a small conductor, 240.4(D); null where the section has no limit.</summary>
    public abstract Amps? SmallConductorLimit(Gauge gauge, Metal metal);
}
