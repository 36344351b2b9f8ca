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
    private readonly RiserBay[][][] bays;
    private readonly ILookup<(bool AlongX, Length Line), Wall>[][] wallsOn;

    public Wayfinder(FramedHouse house, Job job)
    {
        (this.house, this.job) = (house, job);
        webs = [.. house.Structures.Select(s => s.Levels.Select(l => new WallWeb(l, job.HouseRules.BoreHeight)).ToArray())];
        cavities = [.. house.Structures.Select(s => s.Levels.Select((_, i) => (Cavity?)Cavity.Above(s, i)).Prepend(Cavity.Below(s)).ToArray())];
        wallsOn = [.. house.Structures.Select(s => s.Levels.Select(l => l.Walls.ToLookup(w => (w.AlongX, w.AlongX ? w.Start.Y : w.Start.X))).ToArray())];
        bays = [.. house.Structures.Select(s => s.Levels.Select(RiserBays).ToArray())];
    }

    /// <summary>What the cheapest way would cost, obstructions left aside.</summary>
    public Length Cost(Place a, Place b) => Best(a, b).Cost;

    /// <summary>The cheapest way with every leg and member.</summary>
    public Way Find(Place a, Place b)
    {
        var best = Best(a, b);
        return best.Web is { } web ? AlongStuds(a, b, web) : ThroughCavities(a, b, best.Start, best.End, best.Cost);
    }

    // Ways through one cavity are cheap to weigh and mostly win; a way through a storey, and one along the studs, are looked into
    // only where the least they could cost is less.
    private (Length Cost, WebWay? Web, int Start, int End) Best(Place a, Place b)
    {
        (Length Cost, WebWay? Web, int Start, int End) best = (new Length(int.MaxValue), null, 0, 0);
        Span<int> starts = stackalloc int[2], ends = stackalloc int[2];
        int startCount = Reached(a, starts), endCount = Reached(b, ends);
        for (var storeys = 0; storeys <= cavities[a.Structure].Length; storeys++)
        {
            for (var i = 0; i < startCount; i++)
            {
                for (var j = 0; j < endCount; j++)
                {
                    if (Math.Abs(starts[i] - ends[j]) != storeys)
                    {
                        continue;
                    }

                    var rises = Rise(a, starts[i]) + Rise(b, ends[j]);
                    if (storeys > 0 && rises + a.At.Plan.SquareTo(b.At.Plan) + (Labour.Storey * storeys) >= best.Cost)
                    {
                        continue;
                    }

                    var cost = rises + Through(a, b, starts[i], ends[j]);
                    if (cost < best.Cost)
                    {
                        best = (cost, null, starts[i], ends[j]);
                    }
                }
            }
        }

        if (a.Level == b.Level && job.Schools.Way == CableWay.LeastLabour)
        {
            var toBore = ToBore(a) + ToBore(b);
            if (webs[a.Structure][a.Level].Between(a, b, (best.Cost - toBore).Sixtyfourths) is { } web)
            {
                best = (new Length(web.Cost) + toBore, web, 0, 0);
            }
        }

        return best;
    }

    // From a wall the cavity below or above; from a ceiling or floor the one it is in. A box in a slab is reached by its sleeve
    // from the ceiling above.
    private int Reached(Place place, Span<int> numbers)
    {
        var count = 0;
        var below = cavities[place.Structure][place.Level] is not null;
        if (place.Mount != Mount.Floor || !below)
        {
            numbers[count++] = place.Level + 1;
        }

        if (below && place.Mount != Mount.Ceiling && (job.Schools.Way == CableWay.LeastLabour || place.Mount == Mount.Floor))
        {
            numbers[count++] = place.Level;
        }

        return count;
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
        for (int from = start, step = Math.Sign(end - start); from != end; from += step)
        {
            var storey = Math.Min(from, from + step);
            var riser = Riser(a.Structure, storey, at, b.At.Plan).At;
            cost += here[from]!.LeastCost(at, riser) + house.Structures[a.Structure].Levels[storey].Level.CeilingHeight + Labour.Storey;
            at = riser;
        }

        return cost + here[end]!.LeastCost(at, b.At.Plan);
    }

    // The bay of a wall on the level between two cavities that lies least out of the way; the first of equals.
    private RiserBay Riser(int structure, int level, Point a, Point b)
    {
        var all = bays[structure][level];
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

    // The middle of every stud bay that no opening and no other trade takes.
    private static RiserBay[] RiserBays(FramedLevel level)
    {
        var found = new List<RiserBay>();
        foreach (var wall in level.Walls)
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
        foreach (var next in webs[a.Structure][a.Level].Turns(web).Append(b.At.Plan))
        {
            build.Go(Space.Studs, at.At(z), next.At(z), Indoors);
            Bore(build, level, at, next, z);
            at = next;
        }

        build.Go(Space.StudBay, b.At.Plan.At(z), b.At, Indoors);
        return build.Done(new Length(web.Cost) + ToBore(a) + ToBore(b));
    }

    private void Bore(WayBuilder build, FramedLevel level, Point from, Point to, Length z)
    {
        var lines = wallsOn[level.Structure][level.Index];
        var wall = lines[(true, from.Y)].Concat(lines[(false, from.X)]).FirstOrDefault(w => Along(w, from) && Along(w, to));
        if (wall is null)
        {
            return;
        }

        int first = wall.Bay(Length.Min(wall.Along(from), wall.Along(to))) + 1, last = wall.Bay(Length.Max(wall.Along(from), wall.Along(to)));
        for (var stud = first; stud <= last; stud++)
        {
            build.Pass(new(MemberKind.Stud, level.Structure, level.Index, wall.Index, stud, false), wall.At(wall.Frame.Spacing * stud).At(z), wall.Exterior, Indoors);
        }
    }

    private static bool Along(Wall wall, Point p) => wall.AlongX
        ? p.Y == wall.Start.Y && p.X >= wall.Start.X && p.X <= wall.End.X
        : p.X == wall.Start.X && p.Y >= wall.Start.Y && p.Y <= wall.End.Y;

    private Way ThroughCavities(Place a, Place b, int start, int end, Length cost)
    {
        var build = new WayBuilder();
        var here = cavities[a.Structure];
        var at = a.At.Plan;
        Leave(build, a, start, entering: false);
        for (int from = start, step = Math.Sign(end - start); from != end; from += step)
        {
            int storey = Math.Min(from, from + step);
            var riser = Riser(a.Structure, storey, at, b.At.Plan);
            Cross(build, here[from]!, at, riser.At);
            build.Go(Space.StudBay, riser.At.At(here[from]!.Z), riser.At.At(here[from + step]!.Z), Indoors);
            foreach (var top in new[] { false, true })
            {
                var beside = here[top ? storey + 1 : storey]!;
                build.Pass(new(MemberKind.Plate, a.Structure, storey, riser.Wall, riser.Number, top), riser.At.At(beside.Z), true, beside.Ambient);
            }

            at = riser.At;
        }

        Cross(build, here[end]!, at, b.At.Plan);
        Leave(build, b, end, entering: true);
        return build.Done(cost);
    }

    // Up or down the box's own bay, through its plate.
    private void Leave(WayBuilder build, Place place, int number, bool entering)
    {
        var cavity = cavities[place.Structure][number]!;
        var turn = place.At.Plan.At(cavity.Z);
        build.Go(Space.StudBay, entering ? turn : place.At, entering ? place.At : turn, Indoors);
        if (place.Wall is int index)
        {
            var wall = house.Structures[place.Structure].Levels[place.Level].Walls[index];
            build.Pass(new(MemberKind.Plate, place.Structure, place.Level, index, wall.Bay(place.Along), number > place.Level), turn, true, cavity.Ambient);
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

/// <summary>A stud bay that cable can rise in from floor to floor.</summary>
/// <param name="Wall">Index of its wall.</param>
/// <param name="Number">Its number along the wall, from 0.</param>
/// <param name="At">Its middle.</param>
internal readonly record struct RiserBay(int Wall, int Number, Point At);

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
