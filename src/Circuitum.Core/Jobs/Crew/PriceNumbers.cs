using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>The prices of what protects.</summary>
public static class PriceNumbers
{
    /// <summary>All of them.</summary>
    public static ImmutableArray<CrewNumber<DevicePrices>> All { get; } =
    [
        Money("breaker", "Breaker, one pole", r => r.Breaker, (r, v) => r with { Breaker = v }, 0, 10000),
        Money("afciBreaker", "AFCI breaker", r => r.AfciBreaker, (r, v) => r with { AfciBreaker = v }, 0, 10000),
        Money("gfciBreaker", "GFCI breaker", r => r.GfciBreaker, (r, v) => r with { GfciBreaker = v }, 0, 10000),
        Money("dualBreaker", "Dual-function breaker", r => r.DualBreaker, (r, v) => r with { DualBreaker = v }, 0, 10000),
        Money("gfciReceptacle", "GFCI receptacle", r => r.GfciReceptacle, (r, v) => r with { GfciReceptacle = v }, 0, 10000),
        Money("afciReceptacle", "AFCI receptacle", r => r.AfciReceptacle, (r, v) => r with { AfciReceptacle = v }, 0, 10000),
        Money("dualReceptacle", "Receptacle with both", r => r.DualReceptacle, (r, v) => r with { DualReceptacle = v }, 0, 10000),
        Money("receptacle", "Plain receptacle", r => r.Receptacle, (r, v) => r with { Receptacle = v }, 0, 10000),
    ];

    private static CrewNumber<DevicePrices> Money(string field, string words, Func<DevicePrices, Money> get,
        Func<DevicePrices, Money, DevicePrices> with, decimal least, decimal most) =>
        new(field, words, NumberKind.Money, r => get(r).Value, (r, v) => with(r, new(v)), least, most);
}
