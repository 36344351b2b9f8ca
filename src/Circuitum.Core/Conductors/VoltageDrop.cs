using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Conductors;

/// <summary>Voltage lost along a conductor and back. Advice, not a rule (210.19 and 215.2, informational notes).</summary>
public static class VoltageDrop
{
    /// <summary>2 × I × R × one-way feet / 1000, Chapter 9 Table 8; both for 120 V and for 240 V two-wire.</summary>
    /// <param name="current">The current beyond.</param>
    /// <param name="gauge">14 AWG to 600 kcmil.</param>
    /// <param name="oneWay">The length one way.</param>
    /// <param name="book">The rules.</param>
    /// <param name="metal">Copper as usual, or aluminium from 12 AWG.</param>
    public static Volts Of(Amps current, Gauge gauge, Length oneWay, CodeBook book, Metal metal = Metal.Copper) =>
        new(2 * current.Value * book.Conductors.OhmsPerThousandFeet(gauge, metal)!.Value * oneWay.Feet / 1000);

    /// <summary>A loss as a share of the circuit's voltage.</summary>
    public static Percent Share(Volts lost, Volts of) => new(lost.Value / of.Value * 100);
}
