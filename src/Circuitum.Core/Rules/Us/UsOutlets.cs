using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Us;

/// <summary>Receptacles by 210.52.</summary>
internal sealed class UsOutlets(Edition edition) : OutletRules
{
    /// <summary>210.52(A)(2)(1).</summary>
    public override Length NarrowestWall { get; } = Length.FromFeet(2);

    /// <summary>210.52(C)(2)(b) of 2020.</summary>
    public override bool ServesPeninsulaAtItsEnd => edition == Edition.Y2020;

    /// <summary>210.52(C)(2) of 2023.</summary>
    public override bool ProvidesForIslands => edition >= Edition.Y2023;

    /// <summary>406.9(C), from 2020.</summary>
    public override bool KeepsReceptaclesOffTubs => edition >= Edition.Y2020;

    /// <summary>210.52(C)(2) (2017: (C)(2) and (3)): one where it is 24 × 12 in or larger; in 2020, from 12 in of width, one for the first
    /// 9 ft² and one for
    /// each further 18 ft² or part;
    /// from 2023 none, but a way for wiring one later.</summary>
    public override int OfIsland(Length width, Length depth)
    {
        Length longer = Length.Max(width, depth), shorter = Length.Min(width, depth);
        if (edition >= Edition.Y2023 || shorter < Length.FromInches(12)
            || (edition == Edition.Y2017 && longer < Length.FromInches(24)))
        {
            return 0;
        }

        var area = width.Feet * depth.Feet;
        return edition == Edition.Y2017 ? 1 : 1 + (int)Math.Ceiling(Math.Max(0, area - 9) / 18);
    }
}
