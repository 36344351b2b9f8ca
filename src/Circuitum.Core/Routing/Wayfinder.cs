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
    private readonly bool hasChases;
    private readonly Labour labour;

    public Wayfinder(FramedHouse house, Job job, Labour? toll = null)
    {
        (this.house, this.job, labour) = (house, job, toll ?? Labour.Usual);
        webs = [.. house.Structures.Select(s => s.Levels.Select(l => new WallWeb(l, job.HouseRules.BoreHeight, labour)).ToArray())];
        var straight = job.Schools.Lay == CableLay.Shortest;
        cavities = [.. house.Structures.Select(s => s.Levels.Select((_, i) => (Cavity?)Cavity.Above(s, i, straight, labour))
            .Prepend(Cavity.Below(s, straight, labour)).ToArray())];
        hasChases = house.Levels.Any(l => l.Walls.Any(w => w.Frame.Framing == WallFraming.InsulatedPanel));
        wallsOn = [.. house.Structures.Select(s =>
            s.Levels.Select(l => l.Walls.ToLookup(w => (w.AlongX, w.AlongX ? w.Start.Y : w.Start.X))).ToArray())];
        bays = [.. house.Structures.Select(s => s.Levels.Select(RiserBays).ToArray())];
    }

    /// <summary>What a wall is made of.</summary>
    public WallFrame FrameOf(int structure, int level, int wall) => house.Structures[structure].Levels[level].Walls[wall].Frame;

    /// <summary>The house.</summary>
    public FramedHouse House => house;

    /// <summary>What the cheapest way would cost, obstructions left aside; between two buildings as far as they lie apart on the
    /// site.</summary>
    public Length Cost(Place a, Place b) => a.Structure == b.Structure ? Best(a, b).Cost : OnSite(a).SquareTo(OnSite(b));

    private Point OnSite(Place place) =>
        place.At.Plan.By(house.Structures[place.Structure].Structure.Origin.X, house.Structures[place.Structure].Structure.Origin.Y);

    /// <summary>The cheapest way with every leg and member, by the places that a person wants it to pass.</summary>
    public Way Find(Place a, Place b, ImmutableArray<Point> via)
    {
        if (!via.IsEmpty)
        {
            return Cavities(a, b, via).Select(c => ThroughCavities(a, b, c.Start, c.End, c.Cost, via)).OrderBy(w => w.Blocked ? 1 : 0)
                .ThenBy(w => w.Cost).First();
        }

        var best = Best(a, b);
        if (best.Web is { } web)
        {
            return AlongStuds(a, b, web);
        }

        // What stands in the way is weighed only where it does: then the other side is looked at too.
        var way = ThroughCavities(a, b, best.Start, best.End, best.Cost, []);
        if (!way.Blocked)
        {
            return way;
        }

        var other = Cavities(a, b, []).OrderBy(c => c.Cost).Select(c => ThroughCavities(a, b, c.Start, c.End, c.Cost, []))
            .FirstOrDefault(w => !w.Blocked);
        return other ?? (ByStuds(a, b, new Length(int.MaxValue / 2)) is { } along ? AlongStuds(a, b, along) : way);
    }

    // Every pair of cavities the two places can be reached from, with the least it could cost by those places.
    private List<(int Start, int End, Length Cost)> Cavities(Place a, Place b, ImmutableArray<Point> via)
    {
        Span<int> starts = stackalloc int[2], ends = stackalloc int[2];
        int startCount = Reached(a, starts, false), endCount = Reached(b, ends, false);
        var found = new List<(int, int, Length)>();
        for (var i = 0; i < startCount; i++)
        {
            for (var j = 0; j < endCount; j++)
            {
                var cost = Rise(a, starts[i]) + Rise(b, ends[j]);
                var at = Exit(a);
                foreach (var next in via)
                {
                    cost += cavities[a.Structure][starts[i]]!.LeastCost(at, next);
                    at = next;
                }

                found.Add((starts[i], ends[j], cost + Through(a.Structure, at, Exit(b), starts[i], ends[j])));
            }
        }

        return found;
    }

    // Ways through one cavity are cheap to weigh and mostly win; a way through a storey, and one along the studs, are looked into
    // only where the least they could cost is less.
    private (Length Cost, WebWay? Web, int Start, int End) Best(Place a, Place b)
    {
        (Length Cost, WebWay? Web, int Start, int End) best = (new Length(int.MaxValue), null, 0, 0);
        Span<int> starts = stackalloc int[2], ends = stackalloc int[2];
        // From below is for what stands on walls; a ceiling is reached from above whatever the school.
        var chosen = job.Schools.Way == CableWay.Overhead
            || (job.Schools.Way == CableWay.FromBelow && a.Mount != Mount.Ceiling && b.Mount != Mount.Ceiling);
        int startCount = Reached(a, starts, chosen), endCount = Reached(b, ends, chosen);
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
                    if (storeys > 0 && rises + a.At.Plan.SquareTo(b.At.Plan) + (labour.Storey * storeys) >= best.Cost)
                    {
                        continue;
                    }

                    var cost = rises + Through(a.Structure, Exit(a), Exit(b), starts[i], ends[j]);
                    if (cost < best.Cost)
                    {
                        best = (cost, null, starts[i], ends[j]);
                    }
                }
            }
        }

        if (job.Schools.Way == CableWay.LeastLabour && ByStuds(a, b, best.Cost) is { } web)
        {
            best = (new Length(web.Cost) + ToBore(a) + ToBore(b), web, 0, 0);
        }

        return best;
    }

    private WebWay? ByStuds(Place a, Place b, Length limit) =>
        a.Level == b.Level && a.Wall is not null && b.Wall is not null ? webs[a.Structure][a.Level]
            .Between(a, b, (limit - ToBore(a) - ToBore(b)).Sixtyfourths) : null;

    // From a wall the cavity below or above; from a ceiling or floor the one it is in. A box in a slab is reached by its sleeve
    // from the ceiling above.
    private int Reached(Place place, Span<int> numbers, bool bySchool)
    {
        var count = 0;
        var below = cavities[place.Structure][place.Level] is not null;
        var fromBelow = bySchool && job.Schools.Way == CableWay.FromBelow && below && place.Mount == Mount.Wall;
        if ((place.Mount != Mount.Floor || !below) && !fromBelow)
        {
            numbers[count++] = place.Level + 1;
        }

        if (below && place.Mount != Mount.Ceiling && (!bySchool || fromBelow || place.Mount == Mount.Floor))
        {
            numbers[count++] = place.Level;
        }

        return count;
    }

    private Length Through(int structure, Point a, Point b, int start, int end)
    {
        var here = cavities[structure];
        if (start == end)
        {
            return here[start]!.LeastCost(a, b);
        }

        var cost = Length.Zero;
        var at = a;
        for (int from = start, step = Math.Sign(end - start); from != end; from += step)
        {
            var storey = Math.Min(from, from + step);
            var riser = Riser(structure, storey, at, b).At;
            cost += here[from]!.LeastCost(at, riser) + house.Structures[structure].Levels[storey].Level.CeilingHeight + labour.Storey;
            at = riser;
        }

        return cost + here[end]!.LeastCost(at, b);
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

    private Length ToBore(Place place) => (place.At.Z - RunZ(place.Structure, place.Level, place.Wall)).Abs();

    // The crew's height through studs; in an insulated panel its chase nearest that height.
    private Length RunZ(int structure, int level, int? wall)
    {
        var framed = house.Structures[structure].Levels[level];
        return framed.Floor + (wall is int index ? framed.Walls[index].Frame.RunHeight(job.HouseRules.BoreHeight)
            : job.HouseRules.BoreHeight);
    }

    private Length Rise(Place place, int cavity)
    {
        var z = cavities[place.Structure][cavity]!.Z;
        var plate = place.Wall is null ? Length.Zero : labour.Plate;
        if (!hasChases || InPanel(place) is not { } wall)
        {
            return (place.At.Z - z).Abs() + plate;
        }

        var turn = ChaseZ(place, wall) ?? place.At.Z;
        return (place.At.Z - turn).Abs() + wall.At(place.Along).SquareTo(Exit(place)) + (turn - z).Abs() + plate;
    }

    private Wall? InPanel(Place place) =>
        place.Wall is int index && house.Structures[place.Structure].Levels[place.Level].Walls[index]
            is { Frame.Framing: WallFraming.InsulatedPanel } wall ? wall : null;

    // Where cable leaves its wall: straight up or down its bay, but in an insulated panel by the nearest upright chase.
    private Point Exit(Place place)
    {
        if (!hasChases || InPanel(place) is not { } wall)
        {
            return place.At.Plan;
        }

        var step = wall.Frame.Spacing.Sixtyfourths;
        var nearest = (place.Along.Sixtyfourths + (step / 2)) / step * step;
        return wall.At(new(Math.Min(nearest, wall.Run.Sixtyfourths / step * step)));
    }

    // The level chase that leads from a box to an upright one; none where the box stands on an upright chase, or the panel has no level
    // ones.
    private Length? ChaseZ(Place place, Wall wall)
    {
        if (wall.Frame.ChaseHeights.IsEmpty || wall.At(place.Along) == Exit(place))
        {
            return null;
        }

        var floor = house.Structures[place.Structure].Levels[place.Level].Floor;
        return floor + wall.Frame.ChaseHeights.MinBy(h => ((floor + h - place.At.Z).Abs(), h.Sixtyfourths));
    }

    private Way AlongStuds(Place a, Place b, WebWay web)
    {
        var level = house.Structures[a.Structure].Levels[a.Level];
        var build = new WayBuilder();
        var at = a.At;
        foreach (var next in webs[a.Structure][a.Level].Turns(web).Append(b.At.Plan))
        {
            var wall = WallUnder(level, at.Plan, next);
            var z = RunZ(a.Structure, a.Level, wall?.Index);
            build.Go(Space.StudBay, at, at.Plan.At(z), Indoors);
            build.Go(wall?.Frame.Framing == WallFraming.InsulatedPanel ? Space.Chase : Space.Studs, at.Plan.At(z), next.At(z), Indoors);
            if (wall is not null)
            {
                Bore(build, level, wall, at.Plan, next, z);
            }

            at = next.At(z);
        }

        build.Go(Space.StudBay, at, b.At, Indoors);
        return build.Done(new Length(web.Cost) + ToBore(a) + ToBore(b));
    }

    private Wall? WallUnder(FramedLevel level, Point from, Point to)
    {
        var lines = wallsOn[level.Structure][level.Index];
        return lines[(true, from.Y)].Concat(lines[(false, from.X)]).FirstOrDefault(w => Along(w, from) && Along(w, to));
    }

    private static void Bore(WayBuilder build, FramedLevel level, Wall wall, Point from, Point to, Length z)
    {
        if (wall.Frame.Framing == WallFraming.InsulatedPanel)
        {
            // Two panels that meet are joined by an access hole at the corner.
            foreach (var (end, number) in new[] { (Length.Zero, 0), (wall.Run, 1) }.Where(e => wall.At(e.Item1) == from
                || wall.At(e.Item1) == to))
            {
                build.Pass(new(MemberKind.Corner, level.Structure, level.Index, wall.Index, number, false), wall.At(end).At(z), true,
                    Indoors);
            }

            return;
        }

        int first = wall.Bay(Length.Min(wall.Along(from), wall.Along(to))) + 1,
            last = wall.Bay(Length.Max(wall.Along(from), wall.Along(to)));
        for (var stud = first; stud <= last; stud++)
        {
            build.Pass(new(MemberKind.Stud, level.Structure, level.Index, wall.Index, stud, false), wall.At(wall.Frame.Spacing * stud)
                .At(z), wall.Exterior, Indoors);
        }
    }

    private static bool Along(Wall wall, Point p) => wall.AlongX
        ? p.Y == wall.Start.Y && p.X >= wall.Start.X && p.X <= wall.End.X
        : p.X == wall.Start.X && p.Y >= wall.Start.Y && p.Y <= wall.End.Y;

    private Way ThroughCavities(Place a, Place b, int start, int end, Length cost, ImmutableArray<Point> via)
    {
        var build = new WayBuilder();
        var here = cavities[a.Structure];
        var at = Exit(a);
        Leave(build, a, start, entering: false);
        foreach (var next in via)
        {
            // A place in the open air is no way for cable, whoever wants it.
            build.Blocked |= !here[start]!.Covers(next);
            Cross(build, here[start]!, at, next);
            at = next;
        }

        for (int from = start, step = Math.Sign(end - start); from != end; from += step)
        {
            int storey = Math.Min(from, from + step);
            var riser = Riser(a.Structure, storey, at, Exit(b));
            Cross(build, here[from]!, at, riser.At);
            build.Go(Space.StudBay, riser.At.At(here[from]!.Z), riser.At.At(here[from + step]!.Z), Indoors);
            foreach (var top in new[] { false, true })
            {
                var beside = here[top ? storey + 1 : storey]!;
                build.Pass(new(MemberKind.Plate, a.Structure, storey, riser.Wall, riser.Number, top), riser.At.At(beside.Z), true,
                    beside.Ambient);
            }

            at = riser.At;
        }

        Cross(build, here[end]!, at, Exit(b));
        Leave(build, b, end, entering: true);
        return build.Done(cost);
    }

    // Up or down the box's own bay, through its plate.
    private void Leave(WayBuilder build, Place place, int number, bool entering)
    {
        var cavity = cavities[place.Structure][number]!;
        var turn = Exit(place).At(cavity.Z);
        List<Point3> stops = [place.At];
        var panel = hasChases ? InPanel(place) : null;
        if (panel is not null && turn.Plan != place.At.Plan)
        {
            var z = ChaseZ(place, panel) ?? place.At.Z;
            stops.AddRange([place.At.Plan.At(z), turn.Plan.At(z)]);
        }

        stops.Add(turn);
        if (entering)
        {
            stops.Reverse();
        }

        for (var i = 0; i + 1 < stops.Count; i++)
        {
            build.Go(panel is null ? Space.StudBay : Space.Chase, stops[i], stops[i + 1], Indoors);
        }

        if (place.Wall is int index)
        {
            var wall = house.Structures[place.Structure].Levels[place.Level].Walls[index];
            build.Pass(new(MemberKind.Plate, place.Structure, place.Level, index, wall.Bay(wall.Along(turn.Plan)), number > place.Level),
                turn, true, cavity.Ambient);
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
                var at = cavity.MeetsJoist(joist, a, b);
                build.Pass(new(MemberKind.Joist, cavity.Structure, cavity.Number, joist, cavity.Lane(at), false), at.At(cavity.Z), false,
                    cavity.Ambient);
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
