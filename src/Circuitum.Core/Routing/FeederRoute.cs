using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>Pulls a feeder from panel to panel: inside to the outer wall, along the trench, and in again.</summary>
internal static class FeederRoute
{
    public static Run Pull(Circuit circuit, RunEnd from, RunEnd to, Wayfinder finder, FramedHouse house, Job job)
    {
        var way = from.Place.Structure == to.Place.Structure
            ? finder.Find(from.Place, to.Place, [])
            : ByTrench(from.Place, to.Place, finder, house, job, cool: false);
        var pipe = Raceways.For(job, circuit.Key, InPipe(from, to, way, house, job));
        return new(RunId.Of(from.End, to.End, RunPurpose.Feed), circuit.Key, RunKind.Feeder, from, to, null,
            [Carried.Hot, Carried.SecondLeg, Carried.Neutral], way, Routes.Footage(way, from, to, job))
        {
            Jacket = pipe is not null ? Jacket.Loose : finder.PassesSteel(way) || job.Schools.Cable == CableKind.Armoured
                ? Jacket.Armoured
                : job.Schools.FeederMetal == FeederMetal.Aluminium ? Jacket.ServiceEntrance : Jacket.Nonmetallic,
            Pipe = pipe?.Id,
        };
    }

    // In the earth and in damp rooms no cable of the house will do (334.12(B), 338.12).
    private static bool InPipe(RunEnd from, RunEnd to, Way way, FramedHouse house, Job job) => job.Schools.Feeders == FeederWay.Pipe
        || PassesDamp(way, house.Structures[from.Place.Structure].Structure)
        || job.Panels.Where(p => p.Id == from.Panel || p.Id == to.Panel).Any(p => house.Room(p.Room).Room.Use == RoomUse.Greenhouse);

    /// <summary>A way lies in the earth or in a slab on it, or passes under the lowest floor of a building where it is damp there, or
    /// through a roof that is open below.</summary>
    public static bool PassesDamp(Way way, Structure building) => way.Legs.Any(l => l.Space is Space.Trench or Space.Slab
        || (building.DampUnderfloor && l.Space == Space.Joists && l.From.Z < Length.Zero && l.To.Z < Length.Zero))
        || building.Levels.Any(level => level.Obstructions.Any(o => o.Kind == ObstructionKind.OpenRoof && way.Legs.Any(l =>
            l.Space is Space.Joists or Space.Attic && IsUnder(level, o, l))));

    // Along the roof's edge it is in the roof, unless that edge is a room's.
    private static bool IsUnder(Level level, Obstruction roof, PathLeg leg) =>
        Outline.MiddleWithin(roof.Corner, roof.Corner.By(roof.Width, roof.Depth), leg.From.Plan, leg.To.Plan) is { } middle
        && !level.Rooms.Any(r => Outline.Contains(r.Corners, middle));

    /// <summary>A way between two buildings by the trench that joins them.</summary>
    /// <param name="from">Where it begins.</param>
    /// <param name="to">Where it ends.</param>
    /// <param name="finder">Ways in the buildings.</param>
    /// <param name="house">The buildings.</param>
    /// <param name="job">Whose trenches.</param>
    /// <param name="cool">It is cable, and keeps out of a hot attic where it can.</param>
    /// <param name="straightOut">It begins in a box for joints: where that is in the wall at the trench, it goes out behind it.</param>
    public static Way ByTrench(Place from, Place to, Wayfinder finder, FramedHouse house, Job job, bool cool, bool straightOut = false)
    {
        FramedStructure start = house.Structures[from.Structure], end = house.Structures[to.Structure];
        var (trench, _, exit, entry) = Ends(from, to, house, job) ?? throw new ArgumentException("No trench joins the two.", nameof(to));
        var path = trench.From == start.Structure.Id ? trench.Path : [.. trench.Path.Reverse()];
        exit = straightOut && from is { Level: 0, Wall: int wall } && start.Levels[0].Walls[wall].Exterior
            && from.At.Plan.SquareTo(exit.At.Plan) <= AtTheTrench ? from : exit;
        Way inside = exit == from ? new([], [], Length.Zero, false)
            : cool ? finder.FindCool(from, exit) : finder.Find(from, exit, []), within = finder.Find(entry, to, []);
        var ground = new List<PathLeg>();
        var at = exit.At;
        foreach (var point in path.Prepend(Site(exit.At.Plan, start)).Append(Site(entry.At.Plan, end)))
        {
            // Drawn in the feeding building's coordinates, so that one plan shows the whole way.
            var next = point.By(-start.Structure.Origin.X, -start.Structure.Origin.Y).At(-trench.Depth);
            ground.Add(new(Space.Trench, at, next, new(20)));
            at = next;
        }

        ground.Add(new(Space.Trench, at, at.Plan.At(entry.At.Z), new(20)));
        var legs = inside.Legs.AddRange(ground.Where(l => l.From != l.To)).AddRange(within.Legs.Select(l => Shift(l, start, end)));
        return new([.. legs], inside.Passages.AddRange(within.Passages), inside.Cost + within.Cost, inside.Blocked || within.Blocked);
    }

    /// <summary>The trench between two buildings, how long it is, and where a way by it leaves the first and comes into the second; null
    /// without one.</summary>
    public static (Trench Trench, Length Long, Place Exit, Place Entry)? Ends(Place from, Place to, FramedHouse house, Job job)
    {
        FramedStructure start = house.Structures[from.Structure], end = house.Structures[to.Structure];
        if (job.Trenches.FirstOrDefault(t => t.Joins(start.Structure.Id, end.Structure.Id)) is not { } trench)
        {
            return null;
        }

        var along = new Length(trench.Path.Zip(trench.Path.Skip(1), (a, b) => a.SquareTo(b).Sixtyfourths).Sum());
        return trench.From == start.Structure.Id ? (trench, along, OuterWall(start, trench.Path[0]), OuterWall(end, trench.Path[^1]))
            : (trench, along, OuterWall(start, trench.Path[^1]), OuterWall(end, trench.Path[0]));
    }

    private static readonly Length AtTheTrench = Length.FromFeet(8);

    // The place on the outer walls nearest the trench, a foot and a half up.
    private static Place OuterWall(FramedStructure structure, Point site)
    {
        var at = site.By(-structure.Structure.Origin.X, -structure.Structure.Origin.Y);
        var level = structure.Levels[0];
        var (wall, along) = level.Walls.Where(w => w.Exterior)
            .Select(w => (Wall: w, Along: Length.Max(Length.Zero, Length.Min(w.Along(at), w.Run))))
            .OrderBy(c => c.Wall.At(c.Along).SquareTo(at)).ThenBy(c => c.Wall.Index).First();
        return new(structure.Index, 0, wall.At(along).At(level.Floor + Length.FromInches(18)), wall.Index, along, Mount.Wall);
    }

    private static Point Site(Point at, FramedStructure structure) => at.By(structure.Structure.Origin.X, structure.Structure.Origin.Y);

    private static PathLeg Shift(PathLeg leg, FramedStructure start, FramedStructure end)
    {
        Length dx = end.Structure.Origin.X - start.Structure.Origin.X, dy = end.Structure.Origin.Y - start.Structure.Origin.Y;
        Point3 Moved(Point3 p) => p.Plan.By(dx, dy).At(p.Z);
        return leg with { From = Moved(leg.From), To = Moved(leg.To) };
    }
}
