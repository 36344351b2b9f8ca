using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>What a good division is worth to the crew. Every weight is told in feet of cable, the measure a crew has a feeling
/// for.</summary>
public sealed record Aims
{
    /// <summary>Cable, with the holes it needs as footage: 100 per cent counts a foot as a foot. 0 to 400.</summary>
    public Percent Cable { get; init; } = new(100);

    /// <summary>One more breaker with its space, 0 to 500 ft.</summary>
    public Length Breaker { get; init; } = Length.FromFeet(30);

    /// <summary>One outlet more that goes dead with its neighbors when a breaker opens, 0 to 100 ft.</summary>
    public Length Darkness { get; init; } = Length.FromFeet(4);

    /// <summary>One hundredth of a circuit's rating beyond the wanted fill, 0 to 100 ft.</summary>
    public Length Crowding { get; init; } = Length.FromFeet(1);

    /// <summary>Fill up to which a shared circuit keeps room to grow, 20 to 100 per cent.</summary>
    public Percent WantedFill { get; init; } = new(60);

    /// <summary>One floor that a circuit crosses from box to box, beyond its footage and its fire-caulk, 0 to 100 ft. Home runs cross what
    /// they must.</summary>
    public Length Crossing { get; init; } = Length.FromFeet(12);

    /// <summary>One time that a circuit goes on into another room, 0 to 100 ft.</summary>
    public Length LeavingRoom { get; init; } = Length.FromFeet(4);

    /// <summary>A breaker for one lamp or receptacle alone, 0 to 500 ft; half of it where two share one. Machines are not
    /// asked.</summary>
    public Length Lone { get; init; } = Length.FromFeet(200);
}
