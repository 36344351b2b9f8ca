using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Us;

/// <summary>Receptacles by 210.52.</summary>
internal sealed class UsOutlets(Edition edition) : OutletRules
{
    /// <summary>210.52(A)(1).</summary>
    public override Asked WallReach { get; } = Asked.Feet(6);

    /// <summary>210.52(A)(2)(1).</summary>
    public override Asked NarrowestWall { get; } = Asked.Feet(2);

    /// <summary>210.52(C)(1).</summary>
    public override Asked CounterReach { get; } = Asked.Inches(24);

    /// <summary>210.52(C)(1).</summary>
    public override Asked NarrowestCounter { get; } = Asked.Inches(12);

    /// <summary>210.52(D).</summary>
    public override Asked BasinReach { get; } = Asked.Feet(3);

    /// <summary>406.9(C).</summary>
    public override Asked OffTubs { get; } = Asked.Feet(3);

    /// <summary>210.52(H).</summary>
    public override Asked HallFrom { get; } = Asked.Feet(10);

    /// <summary>210.52(E)(1).</summary>
    public override int FacesOutdoors => 2;

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
