using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.LowVoltage;

/// <summary>Finds the place nearest to an outlet that keeps its distance from power.</summary>
internal sealed class LowVoltageAside(FramedHouse house, Survey survey, IEnumerable<Run> power, Length apart)
{
    private static readonly Length Farthest = Length.FromFeet(8);
    private static readonly Length Jamb = Length.FromInches(4);
    // Most plans tag nothing: then nobody asks.
    private readonly Lazy<PowerNearby> near = new(() => new(house, power, apart), LazyThreadSafetyMode.None);

    /// <summary>The offset on its wall, to the inch, that is clear of power, of openings and of the wall's ends; null where none is within
    /// 8 ft.</summary>
    public Length? Nearest(PlacedLowVoltage outlet)
    {
        var side = outlet.Room.Sides[outlet.Outlet.Wall - 1];
        for (var step = 1; Length.FromInches(step) <= Farthest; step++)
        {
            foreach (var offset in new[] { outlet.Outlet.Offset + Length.FromInches(step), outlet.Outlet.Offset - Length.FromInches(step) })
            {
                if (offset >= Jamb && offset <= side.Clear - Jamb && IsClear(outlet, side, offset))
                {
                    return offset;
                }
            }
        }

        return null;
    }

    private bool IsClear(PlacedLowVoltage outlet, RoomSide side, Length offset)
    {
        if (side.Openings.Any(o => offset + Jamb > o.From && offset - Jamb < o.To)
            || survey.Boxes.Any(b => b.Box.Room == outlet.Outlet.Room && b.Box.Mount == Mount.Wall && b.Box.Wall == outlet.Outlet.Wall
                && (b.Box.Offset - offset).Abs() < apart))
        {
            return false;
        }

        var level = house.Structures[outlet.Place.Structure].Levels[outlet.Place.Level];
        var place = Surveying.OnWall(house, outlet.Outlet.Room, outlet.Outlet.Wall, offset, outlet.Height);
        return !near.Value.Crowds(place.At, place.At.Plan.At(level.Ceiling), outlet.Place.Structure)
            && !near.Value.Crowds(place.At, place.At.Plan.At(level.Floor), outlet.Place.Structure);
    }
}
