using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>Where a pipe in a slab comes up in a wall.</summary>
/// <param name="Wall">The wall.</param>
/// <param name="Along">From the wall's start, the middle of a bay.</param>
/// <param name="Corners">Of the pipe, from the box that it leads to.</param>
internal sealed record SlabStub(Wall Wall, Length Along, IReadOnlyList<Point> Corners)
{
    /// <summary>In plan.</summary>
    public Point At => Wall.At(Along);

    /// <summary>How far the pipe lies level.</summary>
    public Length Long => SlabPipes.Level(Corners);
}

/// <summary>Pipes in a slab. What stands on one in the middle of a room, an island or a box in the floor, has no wall over it and nothing
/// to be reached through under it: its cable comes in a pipe that lies there before the pour.</summary>
internal sealed class SlabPipes
{
    // Under the finished floor: in the fill, or in the lower half of the concrete.
    private static readonly Length Under = Length.FromInches(4);
    private static readonly Celsius Indoors = new(30);
    private readonly FramedHouse house;
    private readonly Labour labour;
    private readonly Cavity?[][] slabs;
    private readonly Dictionary<Place, SlabStub?> stubs = [];

    /// <param name="house">The house.</param>
    /// <param name="cavities">Where cable runs under and over its levels.</param>
    /// <param name="labour">What a stub costs.</param>
    public SlabPipes(FramedHouse house, Cavity?[][] cavities, Labour labour)
    {
        (this.house, this.labour) = (house, labour);
        slabs = [.. house.Structures.Select((s, i) => s.Levels.Select((level, n) => IsAtGrade(s, n)
            && level.Rooms.Where(r => cavities[i][n]?.Covers(r.Centre) != true).ToList() is { Count: > 0 } rooms
                ? Cavity.InSlab(level, n, rooms, level.Floor - Under, labour) : null).ToArray())];
    }

    /// <summary>How far a pipe lies level along its corners.</summary>
    public static Length Level(IReadOnlyList<Point> corners) =>
        corners.Zip(corners.Skip(1)).Select(p => p.First.SquareTo(p.Second)).Total();

    /// <summary>It stands in a slab, away from the walls.</summary>
    public bool Stands(Place place) => place.Mount == Mount.Floor && SlabOf(place)?.Covers(place.At.Plan) == true;

    /// <summary>Where its pipe comes up in the nearest wall, to go on to a cavity overhead; null for what does not stand in a slab, for a
    /// cavity under it, and where no wall has a bay free.</summary>
    public SlabStub? Stub(Place place, int cavity)
    {
        if (cavity <= place.Level || !Stands(place))
        {
            return null;
        }

        if (!stubs.TryGetValue(place, out var stub))
        {
            stubs[place] = stub = Nearest(place, SlabOf(place)!);
        }

        return stub;
    }

    /// <summary>What a stub costs beside the rise over it: the pipe, its two ends and the depth it lies at.</summary>
    public Length Cost(SlabStub stub) => stub.Long + (Under * 2) + (labour.Stub * 2);

    /// <summary>What a pipe straight from one to the other costs: between two boxes in the slab, or from one to what hangs on a wall over
    /// it. Null where none can lie.</summary>
    public Length? Cost(Place a, Place b) => Corners(a, b) is { } corners ? Cost(corners, a, b) : null;

    /// <summary>That pipe, with its way up the bay to what hangs on the wall.</summary>
    public Way? Between(Place a, Place b)
    {
        if (Corners(a, b) is not { } corners)
        {
            return null;
        }

        var build = new WayBuilder();
        var z = FloorOf(a) - Under;
        build.Go(SpaceOf(a), a.At, a.At.Plan.At(z), Indoors);
        Lie(build, corners, z);
        build.Go(SpaceOf(b), b.At.Plan.At(z), b.At, Indoors);
        return build.Done(Cost(corners, a, b));
    }

    private Length Cost(List<Point> corners, Place a, Place b) => Level(corners) + Depth(a) + Depth(b) + (labour.Stub * 2);

    /// <summary>The pipe from a box in the slab to its stub, and up the wall to a cavity; and back when entering.</summary>
    public void Draw(WayBuilder build, Place place, SlabStub stub, Length up, bool entering)
    {
        var z = FloorOf(place) - Under;
        if (entering)
        {
            build.Go(Space.StudBay, stub.At.At(up), stub.At.At(z), Indoors);
            Lie(build, [.. stub.Corners.Reverse()], z);
            build.Go(Space.Slab, place.At.Plan.At(z), place.At, Indoors);
            return;
        }

        build.Go(Space.Slab, place.At, place.At.Plan.At(z), Indoors);
        Lie(build, stub.Corners, z);
        build.Go(Space.StudBay, stub.At.At(z), stub.At.At(up), Indoors);
    }

    private static void Lie(WayBuilder build, IReadOnlyList<Point> corners, Length z)
    {
        foreach (var (from, to) in corners.Zip(corners.Skip(1)))
        {
            build.Go(Space.Slab, from.At(z), to.At(z), Indoors);
        }
    }

    // The lowest level, and what stands beside a basement. A room that juts out upstairs has no slab under it.
    private static bool IsAtGrade(FramedStructure building, int level) => level == 0 || (level == 1 && building.Levels[0].IsBasement);

    private Cavity? SlabOf(Place place) => slabs[place.Structure][place.Level];

    private Length FloorOf(Place place) => house.Structures[place.Structure].Levels[place.Level].Floor;

    private Length Depth(Place place) => place.At.Z - FloorOf(place) + Under;

    private Space SpaceOf(Place place) => Stands(place) ? Space.Slab : Space.StudBay;

    private List<Point>? Corners(Place a, Place b)
    {
        if (a.Structure != b.Structure || a.Level != b.Level || !(Stands(a) || Stands(b)) || !IsReached(a) || !IsReached(b))
        {
            return null;
        }

        var walls = house.Structures[a.Structure].Levels[a.Level].Walls;
        return a.Wall is int wall ? Away(SlabOf(a)!, walls[wall], a.At.Plan, b.At.Plan)
            : b.Wall is int other ? Turned(Away(SlabOf(a)!, walls[other], b.At.Plan, a.At.Plan))
            : SlabOf(a)!.Corners(a.At.Plan, b.At.Plan);
    }

    // A pipe leaves its wall squarely: along it lies the footing. A cavity turns east and west first.
    private static List<Point>? Away(Cavity slab, Wall wall, Point at, Point to) =>
        wall.AlongX ? Turned(slab.Corners(to, at)) : slab.Corners(at, to);

    private static List<Point>? Turned(List<Point>? corners)
    {
        corners?.Reverse();
        return corners;
    }

    // From under its own bay, which nothing opens between the floor and the box.
    private bool IsReached(Place place)
    {
        if (place.Wall is not int index)
        {
            return Stands(place);
        }

        var level = house.Structures[place.Structure].Levels[place.Level];
        return SlabOf(place)?.Covers(place.At.Plan) == true
            && !level.Walls[index].Openings.Any(o => o.Bars(place.Along, Length.Zero, place.At.Z - level.Floor));
    }

    private SlabStub? Nearest(Place place, Cavity slab)
    {
        return house.Structures[place.Structure].Levels[place.Level].Walls
            .SelectMany(w => w.FreeBays().Select(along => (Wall: w, Along: along))).Where(b => slab.Covers(b.Wall.At(b.Along)))
            .OrderBy(b => b.Wall.At(b.Along).SquareTo(place.At.Plan)).ThenBy(b => b.Wall.Index)
            .Select(b => Turned(Away(slab, b.Wall, b.Wall.At(b.Along), place.At.Plan)) is { } corners
                ? new SlabStub(b.Wall, b.Along, corners) : null)
            .FirstOrDefault(s => s is not null);
    }
}
