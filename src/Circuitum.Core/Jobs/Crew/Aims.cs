using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>What a good division is worth to the crew. Every weight is told in feet of cable, the measure a crew has a feeling for.</summary>
public sealed record Aims
{
    /// <summary>Cable, with the holes it needs as footage: 100 per cent counts a foot as a foot. 0 to 400.</summary>
    public Percent Cable { get; init; } = new(100);

    /// <summary>One more breaker with its space, 0 to 500 ft.</summary>
    public Length Breaker { get; init; } = Length.FromFeet(30);

    /// <summary>One outlet more that goes dead with its neighbours when a breaker opens, 0 to 100 ft.</summary>
    public Length Darkness { get; init; } = Length.FromFeet(4);

    /// <summary>One hundredth of a circuit's rating beyond the wanted fill, 0 to 100 ft.</summary>
    public Length Crowding { get; init; } = Length.FromFeet(1);

    /// <summary>Fill up to which a shared circuit keeps room to grow, 20 to 100 per cent.</summary>
    public Percent WantedFill { get; init; } = new(60);

    /// <summary>One floor that a circuit crosses from box to box, beyond its footage and its fire-caulk, 0 to 100 ft. Home runs cross what they must.</summary>
    public Length Crossing { get; init; } = Length.FromFeet(12);

    /// <summary>One time that a circuit goes on into another room, 0 to 100 ft.</summary>
    public Length LeavingRoom { get; init; } = Length.FromFeet(4);
}

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
