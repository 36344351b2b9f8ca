using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>What a hole or a turn costs beside footage, as the cable length a crew would rather pull than drill it.</summary>
public static class Labour
{
    /// <summary>One bored stud.</summary>
    public static Length Stud { get; } = Length.FromInches(6);

    /// <summary>One bored joist.</summary>
    public static Length Joist { get; } = Length.FromInches(8);

    /// <summary>One plate, sealed after.</summary>
    public static Length Plate { get; } = Length.FromInches(12);

    /// <summary>A corner or a partition that meets the wall.</summary>
    public static Length Corner { get; } = Length.FromInches(18);

    /// <summary>A storey passed in a bay, fire-caulked at both ends.</summary>
    public static Length Storey { get; } = Length.FromInches(36);

    /// <summary>A box that feeds two ways: one more cable in it, spliced.</summary>
    public static Length Branch { get; } = Length.FromInches(24);
}
