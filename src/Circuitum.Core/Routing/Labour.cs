using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>What a hole or a turn costs beside footage, as the cable length a crew would rather pull than drill it.</summary>
public sealed record Labour
{
    /// <summary>As crews weigh it.</summary>
    public static Labour Usual { get; } = new()
    {
        Stud = Length.FromInches(6),
        Joist = Length.FromInches(8),
        Plate = Length.FromInches(12),
        Corner = Length.FromInches(18),
        Storey = Length.FromInches(36),
        Branch = Length.FromInches(24),
    };

    /// <summary>Footage alone: for a bound on it.</summary>
    public static Labour None { get; } = new();

    /// <summary>One bored stud.</summary>
    public Length Stud { get; init; }

    /// <summary>One bored joist.</summary>
    public Length Joist { get; init; }

    /// <summary>One plate, sealed after.</summary>
    public Length Plate { get; init; }

    /// <summary>A corner or a partition that meets the wall.</summary>
    public Length Corner { get; init; }

    /// <summary>A storey passed in a bay, fire-caulked at both ends.</summary>
    public Length Storey { get; init; }

    /// <summary>A box that feeds two ways: one more cable in it, spliced.</summary>
    public Length Branch { get; init; }
}
