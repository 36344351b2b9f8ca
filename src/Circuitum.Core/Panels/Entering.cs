using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Panels;

/// <summary>The side of a panel where a home run comes in, as one stands before it.</summary>
public enum Side
{
    /// <summary>Straight from above or below.</summary>
    Either,

    /// <summary>From the left: odd spaces.</summary>
    Left,

    /// <summary>From the right: even spaces.</summary>
    Right,
}

/// <summary>Reads off the ways on which side home runs come in.</summary>
internal static class Entering
{
    /// <summary>The side of a circuit's home run: the first stretch of its way that leaves the panel along its wall.</summary>
    public static Side SideOf(WiredCircuit circuit, Panel panel, FramedHouse house)
    {
        if (circuit.HomeRun is not { } run)
        {
            return Side.Either;
        }

        var side = house.Room(panel.Room).Sides[panel.Wall - 1];
        // The walls of a room go round it clockwise, so that who faces one from inside has its end on the right.
        var (start, end) = (side.Start, side.End);
        foreach (var leg in run.Way.Legs)
        {
            var along = side.AlongX ? (leg.To.X - leg.From.X).Sixtyfourths * Math.Sign((end.X - start.X).Sixtyfourths)
                : (leg.To.Y - leg.From.Y).Sixtyfourths * Math.Sign((end.Y - start.Y).Sixtyfourths);
            if (along != 0)
            {
                return along > 0 ? Side.Right : Side.Left;
            }
        }

        return Side.Either;
    }
}
