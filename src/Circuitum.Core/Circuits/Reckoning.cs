using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>What a cable between two places will cost, reckoned without the framing: squared on the plan, up or down at both ends, and what
/// a floor takes.</summary>
internal static class Reckoning
{
    // From a box on a wall up through its plate, as often as along the studs.
    private static readonly Length End = Length.FromInches(36);
    private static readonly Length AlongWall = Length.FromInches(12);
    private static readonly Length Floor = Length.FromFeet(12);

    public static Length Between(Place a, Place b)
    {
        var square = a.At.Plan.SquareTo(b.At.Plan);
        if (a.Level != b.Level)
        {
            return square + Ends(a, b) + (Floor * Math.Abs(a.Level - b.Level));
        }

        return a.Wall is not null && a.Wall == b.Wall ? square + (square / 3) + (AlongWall * 2) : square + (square / 4) + Ends(a, b);
    }

    private static Length Ends(Place a, Place b) => (a.Mount == Mount.Wall ? End : Length.Zero)
        + (b.Mount == Mount.Wall ? End : Length.Zero);
}
