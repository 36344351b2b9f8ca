using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>The height cable runs at in a wall, and the chases of insulated panels, which are the only places for it there.</summary>
internal sealed class Chases(FramedHouse house, Length boreHeight)
{
    /// <summary>True when a wall of the house is an insulated panel.</summary>
    public bool HasAny { get; } = house.Levels.Any(l => l.Walls.Any(w => w.Frame.Framing == WallFraming.InsulatedPanel));

    public Length ToBore(Place place) => (place.At.Z - RunZ(place.Structure, place.Level, place.Wall)).Abs();

    // The crew's height through studs; in an insulated panel its chase nearest that height.
    public Length RunZ(int structure, int level, int? wall)
    {
        var framed = house.Structures[structure].Levels[level];
        return framed.Floor + (wall is int index ? framed.Walls[index].Frame.RunHeight(boreHeight)
            : boreHeight);
    }

    public Wall? InPanel(Place place) =>
        place.Wall is int index && house.Structures[place.Structure].Levels[place.Level].Walls[index]
            is { Frame.Framing: WallFraming.InsulatedPanel } wall ? wall : null;

    // Where cable leaves its wall: straight up or down its bay, but in an insulated panel by the nearest upright chase.
    public Point Exit(Place place)
    {
        if (!HasAny || InPanel(place) is not { } wall)
        {
            return place.At.Plan;
        }

        return wall.At(wall.Frame.NearestChase(place.Along, wall.Run));
    }

    // The level chase that leads from a box to an upright one; none where the box stands on an upright chase, or the panel has no level
    // ones.
    public Length? ChaseZ(Place place, Wall wall)
    {
        if (wall.Frame.ChaseHeights.IsEmpty || wall.At(place.Along) == Exit(place))
        {
            return null;
        }

        var floor = house.Structures[place.Structure].Levels[place.Level].Floor;
        return floor + wall.Frame.ChaseHeights.MinBy(h => ((floor + h - place.At.Z).Abs(), h.Sixtyfourths));
    }
}
