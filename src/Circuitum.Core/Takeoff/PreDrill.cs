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
/// <param name="Cables">Cables that pass.</param>
public sealed record PreDrilledHole(string Wall, string Where, Length FromStart, Length Above, int Cables);

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
            .Select(g => Line(plan, g.First().Hole, g.First().Level, g.Sum(x => x.Hole.Runs.Length))),
    ];

    private static PreDrilledHole Line(Plan plan, Hole hole, FramedLevel level, int cables)
    {
        var wall = level.Walls[hole.Spot.Member];
        var room = plan.House.Room(wall.Rooms[0]);
        var side = room.Sides.First(s => s.AlongX == wall.AlongX && (s.AlongX ? s.Start.Y - wall.Start.Y : s.Start.X - wall.Start.X)
            .Abs() <= wall.Thickness);
        var where = hole.Spot.Kind == MemberKind.Corner ? "corner access between level chases" : hole.Spot.Top
            ? "top plate over an upright chase" : "sole plate under an upright chase";
        var above = hole.Spot.Kind == MemberKind.Corner ? hole.At.Z - level.Floor : hole.Spot.Top ? level.Level.CeilingHeight : Length.Zero;
        return new($"{room.Room.Name}, wall {side.Number}", where, wall.Along(hole.At.Plan), above, cables);
    }
}
