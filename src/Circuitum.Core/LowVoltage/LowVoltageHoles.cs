using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.LowVoltage;

/// <summary>Bores for low voltage: its cables share holes of 1 in, a chase has one to itself, and power goes through none of
/// them.</summary>
internal static class LowVoltageHoles
{
    private static readonly Length Bit = Length.FromInches(1);

    // The next bit above 1.66 in, the outside of raceway of 1-1/4 in.
    private static readonly Length ChaseBit = Length.FromInches(1.75m);

    // Cables lie loose in a hole that they fill to 40 %, as pipe may be filled: six of 1/4 in in one of 1 in.
    private const decimal Fill = 0.4m;

    public static ImmutableArray<LowVoltageHole> Of(ImmutableArray<LowVoltageRun> runs) =>
    [
        .. runs.SelectMany(r => r.Way.Passages.Where(p => p.Spot.Kind != MemberKind.Corner).Select(p => (p.Spot, Run: r)))
            .GroupBy(x => x.Spot).OrderBy(g => g.Key)
            .SelectMany(g => Shared(g.Key, [.. g.Select(x => x.Run.Outlet.Outlet)])),
    ];

    private static IEnumerable<LowVoltageHole> Shared(Spot spot, List<LowVoltageOutlet> through)
    {
        foreach (var chase in through.Where(o => o.Kind == LowVoltageKind.EmptyChase))
        {
            yield return new(spot, [chase.Id], ChaseBit);
        }

        var room = Area(Bit) * Fill;
        var (filled, held) = (0m, ImmutableArray.CreateBuilder<Id<LowVoltageOutlet>>());
        foreach (var outlet in through.Where(o => o.Kind != LowVoltageKind.EmptyChase))
        {
            for (var cable = 0; cable < outlet.Cables; cable++)
            {
                var takes = Area(outlet.Kind.Diameter());
                if (filled + takes > room)
                {
                    yield return new(spot, [.. held.Distinct()], Bit);
                    (filled, held) = (0, ImmutableArray.CreateBuilder<Id<LowVoltageOutlet>>());
                }

                filled += takes;
                held.Add(outlet.Id);
            }
        }

        if (held.Count > 0)
        {
            yield return new(spot, [.. held.Distinct()], Bit);
        }
    }

    // Of a circle, but for π/4, which is the same on both sides.
    private static decimal Area(Length diameter) => diameter.Inches * diameter.Inches;
}
