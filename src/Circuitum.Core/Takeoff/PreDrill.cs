using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Takeoff;

/// <summary>A hole that is bored while insulated panels are set, because nobody reaches it after.</summary>
/// <param name="Wall">The wall as a room sees it: Kitchen, wall 2.</param>
/// <param name="Where">Sole plate, top plate, corner access.</param>
/// <param name="FromStart">Along the wall's center line from its west or north end.</param>
/// <param name="Above">Above the floor; the plate's own height for plates.</param>
/// <param name="FromWest">From the outside of the framing of the building's lowest storey at its west end: as it is found from a cellar,
/// a crawl space or an attic, where no room is seen.</param>
/// <param name="FromNorth">From the outside of that framing at its north end.</param>
/// <param name="Cables">Cables that pass.</param>
/// <param name="Bit">What bores it: no wider than its chase.</param>
public sealed record PreDrilledHole(string Wall, string Where, Length FromStart, Length Above, Length FromWest, Length FromNorth,
    int Cables, Length Bit)
{
    /// <summary>Where two panels meet, bored from outside and closed with a plug.</summary>
    public bool IsCorner { get; init; }
}

/// <summary>The sheet for whoever sets the insulated panels: chases to be joined and plates to be bored.</summary>
public static class PreDrill
{
    /// <summary>Holes by level and wall, along each wall; empty where no wall is an insulated panel.</summary>
    public static ImmutableArray<PreDrilledHole> Of(Plan plan) =>
    [
        .. plan.Holes.All.Where(h => h.Spot.Kind is MemberKind.Plate or MemberKind.Corner)
            .Select(h => (Hole: h, Level: plan.House.Structures[h.Spot.Structure].Levels[h.Spot.Level]))
            .Where(x => x.Level.Walls[x.Hole.Spot.Member].Frame.Framing == WallFraming.InsulatedPanel)
            .GroupBy(x => x.Hole.Spot).OrderBy(g => g.Key)
            .Select(g => Line(plan, g.First().Hole, g.First().Level, g.Sum(x => x.Hole.Runs.Length),
                g.Max(x => Hardware.BitOf(plan, x.Hole)))),
    ];

    // Half of what stands on the floor, without the board.
    private static Length Depth(Wall wall) => wall.Frame.StudDepth / 2;

    private static PreDrilledHole Line(Plan plan, Hole hole, FramedLevel level, int cables, Length bit)
    {
        var wall = level.Walls[hole.Spot.Member];
        var room = plan.House.Room(wall.Rooms[0]);
        var side = room.Sides.First(s => s.AlongX == wall.AlongX && (s.AlongX ? s.Start.Y - wall.Start.Y : s.Start.X - wall.Start.X)
            .Abs() <= wall.Thickness);
        var where = hole.Spot.Kind == MemberKind.Corner ? "corner access between level chases" : hole.Spot.Top
            ? "top plate over an upright chase" : "sole plate under an upright chase";
        var above = hole.Spot.Kind == MemberKind.Corner ? hole.At.Z - level.Floor : hole.Spot.Top ? level.Level.CeilingHeight : Length.Zero;
        var foot = plan.House.Structures[hole.Spot.Structure].Levels[0].Walls;
        Length west = foot.Where(w => !w.AlongX).Min(w => w.Start.X - Depth(w)), north = foot.Where(w => w.AlongX)
            .Min(w => w.Start.Y - Depth(w));
        return new($"{room.Room.Name}, wall {side.Number}", where, wall.Along(hole.At.Plan), above, hole.At.X - west, hole.At.Y - north,
            cables, Length.Min(bit, wall.Frame.ChaseWidth))
        {
            IsCorner = hole.Spot.Kind == MemberKind.Corner,
        };
    }
}
