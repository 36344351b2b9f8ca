using Circuitum.Core.House;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>A beam or a duct over a wall, and a window between a box and the cavity, shut the bay: cable is bored aside through the studs
/// to the next bay that is open, and leaves the wall there.</summary>
internal sealed class Aside(FramedHouse house, Cavity?[][] cavities, Chases chases, SlabPipes slab, Labour labour)
{
    // King stud and jack stud at either side of an opening.
    private static readonly Length Jambs = Length.FromInches(3);

    // Few bays are shut, and they are asked of for every pair of places.
    private readonly Dictionary<(Place Place, int Cavity), (Wall Wall, Length Along, Length Z)?> steps = [];

    /// <summary>Where the cable of a place leaves its wall for a cavity: its own bay, the upright chase of a panel, the nearest open bay
    /// aside, or where its pipe comes up out of the slab.</summary>
    public Point Exit(Place place, int cavity) => slab.Stub(place, cavity) is { } stub ? stub.At
        : Step(place, cavity) is { } step ? step.Wall.At(step.Along) : chases.Exit(place);

    /// <summary>What the step costs beside the rise: along the wall, and the studs bored on it.</summary>
    public Length Cost(Place place, int cavity) => Step(place, cavity) is not { } step ? Length.Zero
        : (step.Along - place.Along).Abs() + (labour.Stud * Math.Abs(step.Wall.Bay(step.Along) - step.Wall.Bay(place.Along)));

    /// <summary>The bay is shut, and no bay of its wall is open to step aside to. A box that stands in the opening itself is told of that.
    /// </summary>
    public bool HasNone(Place place, int cavity) => Shut(place, cavity) is { } wall && Step(place, cavity) is null
        && place.At.Z - house.Structures[place.Structure].Levels[place.Level].Floor is var height
        && !InOpening(wall, place.Along, height, height);

    /// <summary>A place over an opening, whose cable would hang in it on the way to the crew's height.</summary>
    public bool HangsOnTheWayToTheStuds(Place place)
    {
        if (place.Wall is not int index)
        {
            return false;
        }

        var level = house.Structures[place.Structure].Levels[place.Level];
        var floor = level.Floor;
        return place.At.Z - floor >= WallOpening.Head && InOpening(level.Walls[index], place.Along, place.At.Z - floor,
            chases.RunZ(place.Structure, place.Level, index) - floor);
    }

    /// <summary>The step aside; null where the bay is open, or no bay of the wall is.</summary>
    public (Wall Wall, Length Along, Length Z)? Step(Place place, int cavity)
    {
        if (Shut(place, cavity) is not { } wall)
        {
            return null;
        }

        if (!steps.TryGetValue((place, cavity), out var step))
        {
            steps[(place, cavity)] = step = Nearest(place, cavities[place.Structure][cavity]!, wall);
        }

        return step;
    }

    // The wall of a place whose bay is shut; one whose bays are open and can be bored along.
    private Wall? Shut(Place place, int cavity)
    {
        if (place.Wall is not int index || cavities[place.Structure][cavity] is not { } over)
        {
            return null;
        }

        var level = house.Structures[place.Structure].Levels[place.Level];
        var wall = level.Walls[index];
        return wall.Frame.HasOpenBays && wall.Frame.RunsAlong
            && (over.Bars(place.At.Plan) || InOpening(wall, place.Along, place.At.Z - level.Floor, over.Z - level.Floor)) ? wall : null;
    }

    // At the crew's height, or at the box's own where a low sill is in the way of that.
    private (Wall Wall, Length Along, Length Z)? Nearest(Place place, Cavity over, Wall wall)
    {
        var floor = house.Structures[place.Structure].Levels[place.Level].Floor;
        foreach (var z in new[] { chases.RunZ(place.Structure, place.Level, place.Wall), place.At.Z })
        {
            if (InOpening(wall, place.Along, place.At.Z - floor, z - floor))
            {
                continue;
            }

            var stops = wall.Openings.Where(o => o.StopsBoringAt(z - floor)).ToList();
            bool IsOpen(Length at) => !over.Bars(wall.At(at))
                && !wall.Openings.Any(o => (o with { From = o.From - Jambs, To = o.To + Jambs }).Bars(at, z - floor, over.Z - floor))
                && !stops.Exists(o => o.From < Length.Max(at, place.Along) && o.To > Length.Min(at, place.Along));
            var spacing = wall.Frame.Spacing;
            if (Enumerable.Range(0, wall.Bay(wall.Run) + 1).Select(bay => Length.Min((spacing * bay) + (spacing / 2), wall.Run))
                .Where(IsOpen).OrderBy(at => (at - place.Along).Abs()).Select(at => (Length?)at).FirstOrDefault() is Length along)
            {
                return (wall, along, z);
            }
        }

        return null;
    }

    // Asked for every pair of places: without a closure.
    private static bool InOpening(Wall wall, Length along, Length a, Length b)
    {
        foreach (var opening in wall.Openings)
        {
            if (opening.Bars(along, a, b))
            {
                return true;
            }
        }

        return false;
    }
}
