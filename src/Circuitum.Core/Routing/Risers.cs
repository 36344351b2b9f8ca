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
/// <param name="house">The house.</param>
/// <param name="taken">Plates that something else comes through, in whose bays nothing rises while others are free; none when
/// null.</param>
internal sealed class Risers(FramedHouse house, IReadOnlySet<(int Structure, int Level, int Wall, int Bay)>? taken = null)
{
    private readonly RiserBay[][][] bays = [.. house.Structures.Select(s => s.Levels.Select(l =>
        Free(RiserBays(l), s.Index, l.Index, taken)).ToArray())];

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

    private static RiserBay[] Free(RiserBay[] all, int structure, int level,
        IReadOnlySet<(int Structure, int Level, int Wall, int Bay)>? taken) =>
        taken is not null && all.Where(b => !taken.Contains((structure, level, b.Wall, b.Number))).ToArray() is { Length: > 0 } free
            ? free : all;

    // The middle of every stud bay that no opening and no other trade takes; of walls with open bays where there are any.
    private static RiserBay[] RiserBays(FramedLevel level)
    {
        var open = level.Walls.Any(w => w.Frame.HasOpenBays);
        return [.. level.Walls.Where(w => !open || w.Frame.HasOpenBays)
            .SelectMany(w => w.FreeBays().Select(middle => new RiserBay(w.Index, w.Bay(middle), w.At(middle))))];
    }
}
