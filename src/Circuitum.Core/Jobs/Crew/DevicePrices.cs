using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>What the crew pays for what protects, in the money it counts in; made-up prices to start with.</summary>
public sealed record DevicePrices
{
    /// <summary>One-pole breaker.</summary>
    public Money Breaker { get; init; } = new(7);

    /// <summary>One-pole AFCI breaker.</summary>
    public Money AfciBreaker { get; init; } = new(46);

    /// <summary>One-pole GFCI breaker.</summary>
    public Money GfciBreaker { get; init; } = new(52);

    /// <summary>One-pole dual-function breaker.</summary>
    public Money DualBreaker { get; init; } = new(58);

    /// <summary>GFCI receptacle.</summary>
    public Money GfciReceptacle { get; init; } = new(21);

    /// <summary>AFCI receptacle.</summary>
    public Money AfciReceptacle { get; init; } = new(33);

    /// <summary>Receptacle with both.</summary>
    public Money DualReceptacle { get; init; } = new(44);

    /// <summary>Plain receptacle that a device takes the place of.</summary>
    public Money Receptacle { get; init; } = new(2);
}
