using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>A stud bay that cable can rise in from floor to floor.</summary>
/// <param name="Wall">Index of its wall.</param>
/// <param name="Number">Its number along the wall, from 0.</param>
/// <param name="At">Its middle.</param>
internal readonly record struct RiserBay(int Wall, int Number, Point At)
{
    /// <summary>There is a wall: a level that is not drawn yet has none, and cable goes straight up through it.</summary>
    public bool IsInWall => Wall >= 0;
}

/// <summary>The stud bays of a house in which cable rises from storey to storey.</summary>
internal sealed class Risers(FramedHouse house)
{
    private readonly RiserBay[][][] bays = [.. house.Structures.Select(s => s.Levels.Select(RiserBays).ToArray())];

    // The bay of a wall on the level between two cavities that lies least out of the way; the first of equals.
    public RiserBay Riser(int structure, int level, Point a, Point b)
    {
        var all = bays[structure][level];
        if (all.Length == 0)
        {
            return new(-1, 0, a);
        }

        var best = all[0];
        var least = int.MaxValue;
        foreach (var bay in all)
        {
            if ((bay.At.SquareTo(a) + bay.At.SquareTo(b)).Sixtyfourths is var detour && detour < least)
            {
                (best, least) = (bay, detour);
            }
        }

        return best;
    }

    // The middle of every stud bay that no opening and no other trade takes; of walls with open bays where there are any.
    private static RiserBay[] RiserBays(FramedLevel level)
    {
        var found = new List<RiserBay>();
        var open = level.Walls.Any(w => w.Frame.HasOpenBays);
        foreach (var wall in level.Walls.Where(w => !open || w.Frame.HasOpenBays))
        {
            for (var middle = wall.Frame.Spacing / 2; middle < wall.Run; middle += wall.Frame.Spacing)
            {
                if (!wall.Openings.Any(o => o.From < middle && o.To > middle) && !wall.Reserved.Any(r => r.From < middle && r.To > middle))
                {
                    found.Add(new(wall.Index, wall.Bay(middle), wall.At(middle)));
                }
            }
        }

        return [.. found];
    }
}
