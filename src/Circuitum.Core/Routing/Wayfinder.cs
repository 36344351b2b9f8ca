using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>Finds ways through one framed house: along the studs, overhead or from below, whichever costs the crew less.</summary>
internal sealed class Wayfinder
{
    private readonly FramedHouse house;
    private readonly Job job;
    private readonly WallWeb[][] webs;
    private readonly Cavity?[][] cavities;

    public Wayfinder(FramedHouse house, Job job)
    {
        (this.house, this.job) = (house, job);
        webs = [.. house.Structures.Select(s => s.Levels.Select(l => new WallWeb(l, job.HouseRules.BoreHeight)).ToArray())];
        cavities = [.. house.Structures.Select(s => s.Levels.Select((_, i) => (Cavity?)Cavity.Above(s, i)).Prepend(Cavity.Below(s)).ToArray())];
    }

    /// <summary>What the cheapest way would cost, obstructions left aside.</summary>
    public Length Cost(Place a, Place b) => Best(a, b).Cost;

    /// <summary>The cheapest way with every leg and member.</summary>
    public Way Find(Place a, Place b)
    {
        var best = Best(a, b);
        return best.Web is { } web ? AlongStuds(a, b, web) : ThroughCavities(a, b, best.Cavities);
    }

    private (Length Cost, WebWay? Web, ImmutableArray<int> Cavities) Best(Place a, Place b)
    {
        (Length Cost, WebWay? Web, ImmutableArray<int> Cavities) best = (new Length(int.MaxValue), null, []);
        if (a.Level == b.Level && job.Schools.Way == CableWay.LeastLabour && webs[a.Structure][a.Level].Between(a, b) is { } web)
        {
            best = (new Length(web.Cost) + ToBore(a) + ToBore(b), web, []);
        }

        foreach (var start in Reached(a))
        {
            foreach (var end in Reached(b))
            {
                var cost = Rise(a, start) + Rise(b, end) + Through(a, b, start, end);
                if (cost < best.Cost)
                {
                    best = (cost, null, start <= end ? [.. Enumerable.Range(start, end - start + 1)] : [.. Enumerable.Range(end, start - end + 1).Reverse()]);
                }
            }
        }

        return best;
    }

    // From a wall the cavity below or above; from a ceiling or floor the one it is in.
    private IEnumerable<int> Reached(Place place)
    {
        var here = cavities[place.Structure];
        if (place.Mount != Mount.Floor)
        {
            yield return place.Level + 1;
        }

        if (place.Mount != Mount.Ceiling && (job.Schools.Way == CableWay.LeastLabour || place.Mount == Mount.Floor))
        {
            if (here[place.Level] is not null)
            {
                yield return place.Level;
            }
            else if (place.Mount == Mount.Floor)
            {
                // A box in a slab is reached by its sleeve from the ceiling above.
                yield return place.Level + 1;
            }
        }
    }

    private Length Through(Place a, Place b, int start, int end)
    {
        var here = cavities[a.Structure];
        if (start == end)
        {
            return here[start]!.LeastCost(a.At.Plan, b.At.Plan);
        }

        var cost = Length.Zero;
        var at = a.At.Plan;
        foreach (var (from, to) in Steps(start, end))
        {
            var riser = Riser(a.Structure, Math.Min(from, to), at, b.At.Plan);
            cost += here[from]!.LeastCost(at, riser.At) + house.Structures[a.Structure].Levels[Math.Min(from, to)].Level.CeilingHeight + Labour.Storey;
            at = riser.At;
        }

        return cost + here[end]!.LeastCost(at, b.At.Plan);
    }

    private static IEnumerable<(int From, int To)> Steps(int start, int end) =>
        start < end ? Enumerable.Range(start, end - start).Select(i => (i, i + 1)) : Enumerable.Range(end, start - end).Reverse().Select(i => (i + 1, i));

    // The bay of a wall on the level between two cavities that lies least out of the way.
    private (Wall Wall, Point At) Riser(int structure, int levelIndex, Point a, Point b)
    {
        var level = house.Structures[structure].Levels[levelIndex];
        var best = level.Walls.Where(w => w.Run > Wall.StudSpacing)
            .SelectMany(w => new[] { a, b }.Select(p => (Wall: w, Along: BayMiddle(w, p))))
            .Where(c => !c.Wall.Openings.Any(o => o.From < c.Along && o.To > c.Along))
            .OrderBy(c => c.Wall.At(c.Along).SquareTo(a) + c.Wall.At(c.Along).SquareTo(b)).ThenBy(c => c.Wall.Index).ThenBy(c => c.Along)
            .First();
        return (best.Wall, best.Wall.At(best.Along));
    }

    private static Length BayMiddle(Wall wall, Point near)
    {
        var along = Length.Max(Length.Zero, Length.Min(wall.Along(near), wall.Run - Length.FromInches(1)));
        return Length.Min((Wall.StudSpacing * Wall.Bay(along)) + (Wall.StudSpacing / 2), wall.Run / 2 > Wall.StudSpacing ? wall.Run - Length.FromInches(4) : wall.Run / 2);
    }

    private Length ToBore(Place place) => (place.At.Z - BoreZ(place)).Abs();

    private Length BoreZ(Place place) => house.Structures[place.Structure].Levels[place.Level].Floor + job.HouseRules.BoreHeight;

    private Length Rise(Place place, int cavity) => (place.At.Z - cavities[place.Structure][cavity]!.Z).Abs() + (place.Wall is null ? Length.Zero : Labour.Plate);

    private Way AlongStuds(Place a, Place b, WebWay web)
    {
        var level = house.Structures[a.Structure].Levels[a.Level];
        var z = BoreZ(a);
        var build = new WayBuilder();
        build.Go(Space.StudBay, a.At, a.At.Plan.At(z), Indoors);
        var at = a.At.Plan;
        foreach (var next in web.Knots.Append(b.At.Plan))
        {
            build.Go(Space.Studs, at.At(z), next.At(z), Indoors);
            Bore(build, level, at, next, z);
            at = next;
        }

        build.Go(Space.StudBay, b.At.Plan.At(z), b.At, Indoors);
        return build.Done(new Length(web.Cost) + ToBore(a) + ToBore(b));
    }

    private static void Bore(WayBuilder build, FramedLevel level, Point from, Point to, Length z)
    {
        var wall = level.Walls.FirstOrDefault(w => Along(w, from) && Along(w, to));
        if (wall is null)
        {
            return;
        }

        int first = Wall.Bay(Length.Min(wall.Along(from), wall.Along(to))) + 1, last = Wall.Bay(Length.Max(wall.Along(from), wall.Along(to)));
        for (var stud = first; stud <= last; stud++)
        {
            build.Pass(new(MemberKind.Stud, level.Structure, level.Index, wall.Index, stud, false), wall.At(Wall.StudSpacing * stud).At(z), wall.Exterior, Indoors);
        }
    }

    private static bool Along(Wall wall, Point p) => wall.AlongX
        ? p.Y == wall.Start.Y && p.X >= wall.Start.X && p.X <= wall.End.X
        : p.X == wall.Start.X && p.Y >= wall.Start.Y && p.Y <= wall.End.Y;

    private Way ThroughCavities(Place a, Place b, ImmutableArray<int> numbers)
    {
        var build = new WayBuilder();
        var at = a.At.Plan;
        Leave(build, a, numbers[0], entering: false);
        for (var i = 0; i + 1 < numbers.Length; i++)
        {
            var lower = Math.Min(numbers[i], numbers[i + 1]);
            var (wall, riser) = Riser(a.Structure, lower, at, b.At.Plan);
            Cross(build, cavities[a.Structure][numbers[i]]!, at, riser);
            Cavity from = cavities[a.Structure][numbers[i]]!, to = cavities[a.Structure][numbers[i + 1]]!;
            build.Go(Space.StudBay, riser.At(from.Z), riser.At(to.Z), Indoors);
            foreach (var top in new[] { false, true })
            {
                var beside = top ? cavities[a.Structure][lower + 1]! : cavities[a.Structure][lower]!;
                build.Pass(new(MemberKind.Plate, a.Structure, lower, wall.Index, Wall.Bay(wall.Along(riser)), top), riser.At(beside.Z), true, beside.Ambient);
            }

            at = riser;
        }

        Cross(build, cavities[a.Structure][numbers[^1]]!, at, b.At.Plan);
        Leave(build, b, numbers[^1], entering: true);
        return build.Done(Best(a, b).Cost);
    }

    // Up or down the box's own bay, through its plate.
    private void Leave(WayBuilder build, Place place, int number, bool entering)
    {
        var cavity = cavities[place.Structure][number]!;
        var turn = place.At.Plan.At(cavity.Z);
        build.Go(Space.StudBay, entering ? turn : place.At, entering ? place.At : turn, Indoors);
        if (place.Wall is int wall)
        {
            build.Pass(new(MemberKind.Plate, place.Structure, place.Level, wall, Wall.Bay(place.Along), number > place.Level), turn, true, cavity.Ambient);
        }
    }

    private static void Cross(WayBuilder build, Cavity cavity, Point from, Point to)
    {
        var corners = cavity.Corners(from, to);
        build.Blocked |= corners is null;
        corners ??= [from, new(to.X, from.Y), to];
        for (var i = 0; i + 1 < corners.Count; i++)
        {
            Point a = corners[i], b = corners[i + 1];
            build.Go(cavity.IsAttic ? Space.Attic : Space.Joists, a.At(cavity.Z), b.At(cavity.Z), cavity.Ambient);
            if (!cavity.CrossesJoists(a, b))
            {
                continue;
            }

            int low = Math.Min(cavity.Index(a), cavity.Index(b)), high = Math.Max(cavity.Index(a), cavity.Index(b));
            for (var joist = low + 1; joist <= high; joist++)
            {
                build.Pass(new(MemberKind.Joist, cavity.Structure, cavity.Number, joist, cavity.Lane(a), false), a.At(cavity.Z), false, cavity.Ambient);
            }
        }
    }

    private static Celsius Indoors => new(30);
}

/// <summary>Collects legs and passages in the order of the pull.</summary>
internal sealed class WayBuilder
{
    private readonly ImmutableArray<PathLeg>.Builder legs = ImmutableArray.CreateBuilder<PathLeg>();
    private readonly ImmutableArray<Passage>.Builder passages = ImmutableArray.CreateBuilder<Passage>();

    public bool Blocked { get; set; }

    public void Go(Space space, Point3 from, Point3 to, Celsius ambient)
    {
        if (from != to)
        {
            legs.Add(new(space, from, to, ambient));
        }
    }

    public void Pass(Spot spot, Point3 at, bool sealedHole, Celsius ambient) => passages.Add(new(spot, at, sealedHole, ambient));

    public Way Done(Length cost) => new(legs.ToImmutable(), passages.ToImmutable(), cost, Blocked);
}
