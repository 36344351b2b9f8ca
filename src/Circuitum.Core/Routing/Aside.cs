using Circuitum.Core.House;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>A beam, a duct or an opening over a wall bars the bays under it: cable is bored aside through the studs to the next bay that is
/// open, and leaves the wall there.</summary>
internal sealed class Aside(FramedHouse house, Cavity?[][] cavities, Chases chases, Labour labour)
{
    // Walls with something over them, by building, level and cavity (below or above): nearly none, and asked of for every pair of places.
    private readonly HashSet<int>[][][] barred = [.. house.Structures.Select((s, i) => s.Levels.Select((l, n) => new[] { n, n + 1 }
        .Select(c => cavities[i][c] is { } cavity ? l.Walls.Where(cavity.BarsSome).Select(w => w.Index).ToHashSet() : []).ToArray())
        .ToArray())];

    /// <summary>Where the cable of a place leaves its wall for a cavity: its own bay, the upright chase of a panel, or the nearest open bay
    /// aside.</summary>
    public Point Exit(Place place, int cavity) => Step(place, cavity) is { } step ? step.Wall.At(step.Along) : chases.Exit(place);

    /// <summary>What the step costs beside the rise: up or down to the crew's height, along, and the studs bored on it.</summary>
    public Length Cost(Place place, int cavity) => Step(place, cavity) is not { } step ? Length.Zero
        : (step.Along - place.Along).Abs() + (labour.Stud * Math.Abs(step.Wall.Bay(step.Along) - step.Wall.Bay(place.Along)));

    /// <summary>The step aside; null where the bay is open, or no bay of the wall is.</summary>
    public (Wall Wall, Length Along, Length Z)? Step(Place place, int cavity)
    {
        if (place.Wall is not int index || barred[place.Structure][place.Level][cavity - place.Level] is not { Count: > 0 } walls
            || !walls.Contains(index) || cavities[place.Structure][cavity] is not { } over
            || !over.Bars(place.At.Plan))
        {
            return null;
        }

        var level = house.Structures[place.Structure].Levels[place.Level];
        var wall = level.Walls[index];
        if (!wall.Frame.HasOpenBays || !wall.Frame.RunsAlong)
        {
            return null;
        }

        var z = chases.RunZ(place.Structure, place.Level, index);
        var stops = wall.Openings.Where(o => o.StopsBoringAt(z - level.Floor)).ToList();
        var spacing = wall.Frame.Spacing;
        return Enumerable.Range(0, wall.Bay(wall.Run) + 1).Select(bay => Length.Min((spacing * bay) + (spacing / 2), wall.Run))
            .Where(at => !over.Bars(wall.At(at)) && !stops.Exists(o => o.From < Length.Max(at, place.Along)
                && o.To > Length.Min(at, place.Along)))
            .OrderBy(at => (at - place.Along).Abs()).Select(at => ((Wall, Length, Length)?)(wall, at, z)).FirstOrDefault();
    }
}
