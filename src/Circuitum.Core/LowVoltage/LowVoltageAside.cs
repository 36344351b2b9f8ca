using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.LowVoltage;

/// <summary>Finds the place nearest to an outlet that keeps its distance from power.</summary>
internal sealed class LowVoltageAside(FramedHouse house, Job job, Survey survey, IEnumerable<Run> power)
{
    private static readonly Length Farthest = Length.FromFeet(8);
    private static readonly Length Jamb = Length.FromInches(4);
    // Every way that is tried is a search of the frame; beyond so many the nearest clear place is good enough.
    private const int MostWays = 24;
    private readonly Length apart = job.HouseRules.LowVoltageApart;
    // Most plans tag nothing: then nobody asks.
    private readonly Lazy<LowVoltageRoutes> routes = new(() => new(house, job, power), LazyThreadSafetyMode.None);

    /// <summary>The offset on its wall, to the inch, that is clear of power, of openings and of the wall's ends, and from which its cable
    /// goes home clear of power too. Where it goes so from none, the nearest that is clear itself; null where none is within
    /// 8 ft.</summary>
    public Length? Nearest(PlacedLowVoltage outlet)
    {
        var clear = Near(outlet).ToList();
        return clear.Count == 0 ? null : clear.Take(MostWays).FirstOrDefault(GoesHomeClear) is { } whole
            ? whole.Outlet.Offset : clear[0].Outlet.Offset;
    }

    private IEnumerable<PlacedLowVoltage> Near(PlacedLowVoltage outlet)
    {
        var side = outlet.Room.Sides[outlet.Outlet.Wall - 1];
        for (var step = 1; Length.FromInches(step) <= Farthest; step++)
        {
            foreach (var offset in new[] { outlet.Outlet.Offset + Length.FromInches(step), outlet.Outlet.Offset - Length.FromInches(step) })
            {
                var there = outlet with
                {
                    Outlet = outlet.Outlet with { Offset = offset },
                    Place = Surveying.OnWall(house, outlet.Outlet.Room, outlet.Outlet.Wall, offset, outlet.Height),
                };
                if (offset >= Jamb && offset <= side.Clear - Jamb && IsClear(there, side))
                {
                    yield return there;
                }
            }
        }
    }

    // What crowds it at its home is mended there.
    private bool GoesHomeClear(PlacedLowVoltage outlet) => routes.Value.Run(outlet) is not { } run || run.Beside.All(b => b.IsAtHome);

    private bool IsClear(PlacedLowVoltage there, RoomSide side)
    {
        var (outlet, at, structure) = (there.Outlet, there.Place.At, there.Place.Structure);
        if (side.Openings.Any(o => outlet.Offset + Jamb > o.From && outlet.Offset - Jamb < o.To)
            || survey.Boxes.Any(b => b.Box.Room == outlet.Room && b.Box.Mount == Mount.Wall && b.Box.Wall == outlet.Wall
                && (b.Box.Offset - outlet.Offset).Abs() < apart))
        {
            return false;
        }

        var level = house.Structures[structure].Levels[there.Place.Level];
        return !routes.Value.Near.Crowds(at, at.Plan.At(level.Ceiling), structure)
            && !routes.Value.Near.Crowds(at, at.Plan.At(level.Floor), structure);
    }
}
