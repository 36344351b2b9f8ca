using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>Chooses ways through one framed house: along the studs, overhead or from below, whichever costs the crew less.</summary>
internal sealed class Wayfinder
{
    // What Table 310.16 is for: above it the 60 °C column carries less, 12 AWG at 35 °C 20 A × 0.91 = 18.2 A.
    private static readonly Celsius Hot = new(30);
    private readonly FramedHouse house;
    private readonly Job job;
    private readonly WallWeb[][] webs;
    private readonly Cavity?[][] cavities;
    private readonly Risers risers;
    private readonly Chases chases;
    private readonly Aside aside;
    private readonly SlabPipes slab;
    private readonly WayDrawing drawing;
    private readonly Labour labour;
    private readonly CableWay? everywhere;

    /// <param name="house">The house.</param>
    /// <param name="job">Whose crew goes by its ways.</param>
    /// <param name="toll">What labor costs; as usual when null.</param>
    /// <param name="everywhere">The way taken on every storey, whatever the crew says; by what it says when null.</param>
    /// <param name="taken">Bays by their plates in which it does not rise from storey to storey while others are free.</param>
    public Wayfinder(FramedHouse house, Job job, Labour? toll = null, CableWay? everywhere = null,
        IReadOnlySet<(int Structure, int Level, int Wall, int Bay)>? taken = null)
    {
        (this.house, this.job, labour, this.everywhere) = (house, job, toll ?? Labour.Usual, everywhere);
        webs = [.. house.Structures.Select(s => s.Levels.Select(l => new WallWeb(l, job.HouseRules.BoreHeight, labour)).ToArray())];
        var straight = job.Schools.Lay == CableLay.Shortest;
        cavities = [.. house.Structures.Select(s => s.Levels.Select((_, i) => (Cavity?)Cavity.Above(s, i, straight, labour))
            .Prepend(Cavity.Below(s, straight, labour)).ToArray())];
        (risers, chases) = (new(house, taken), new(house, job.HouseRules.BoreHeight));
        slab = new(house, cavities, labour);
        aside = new(house, cavities, chases, slab, labour);
        drawing = new(house, webs, cavities, risers, chases, aside, slab);
    }

    /// <summary>What a wall is made of.</summary>
    public WallFrame FrameOf(int structure, int level, int wall) => house.Structures[structure].Levels[level].Walls[wall].Frame;

    /// <summary>A way passes studs of steel, where cable is armoured (300.4(B), 330.30).</summary>
    public bool PassesSteel(Way way) => way.Passages.Any(p => p.Spot.Kind == MemberKind.Stud
        && FrameOf(p.Spot.Structure, p.Spot.Level, p.Spot.Member).Framing == WallFraming.MetalStud);

    /// <summary>The house.</summary>
    public FramedHouse House => house;

    /// <summary>What the cheapest way would cost, obstructions left aside; between two buildings by the trench that joins them, or where
    /// none does as far as they lie apart on the site.</summary>
    public Length Cost(Place a, Place b) => a.Structure == b.Structure ? Best(a, b).Cost
        : FeederRoute.Ends(a, b, house, job) is { } ends
            ? Best(a, ends.Exit).Cost + ends.Long + Best(ends.Entry, b).Cost
        : OnSite(a).SquareTo(OnSite(b));

    private Point OnSite(Place place) =>
        place.At.Plan.By(house.Structures[place.Structure].Structure.Origin.X, house.Structures[place.Structure].Structure.Origin.Y);

    /// <summary>The cheapest way with every leg and member, by the places that a person wants it to pass.</summary>
    public Way Find(Place a, Place b, ImmutableArray<Point> via)
    {
        if (!via.IsEmpty)
        {
            return Cavities(a, b, via).Select(c => drawing.ThroughCavities(a, b, c.Start, c.End, c.Cost, via))
                .OrderBy(w => w.Blocked ? 1 : 0)
                .ThenBy(w => w.Cost).First();
        }

        if (slab.Between(a, b) is { } piped)
        {
            return piped;
        }

        var best = Best(a, b);
        if (best.Web is { } web)
        {
            return drawing.AlongStuds(a, b, web);
        }

        // What stands in the way is weighed only where it does: then the other side is looked at too.
        var way = drawing.ThroughCavities(a, b, best.Start, best.End, best.Cost, []);
        if (!way.Blocked)
        {
            return way;
        }

        var other = Cavities(a, b, []).OrderBy(c => c.Cost).Select(c => drawing.ThroughCavities(a, b, c.Start, c.End, c.Cost, []))
            .FirstOrDefault(w => !w.Blocked);
        return other ?? (ByStuds(a, b, new Length(int.MaxValue / 2)) is { } along ? drawing.AlongStuds(a, b, along) : way);
    }

    /// <summary>The cheapest way, or a cooler one of at most twice its cost: what goes on in the earth is underground cable, which has its
    /// 60 °C column alone (340.80) and in a hot attic would be two sizes larger all its way.</summary>
    public Way FindCool(Place a, Place b)
    {
        var way = Find(a, b, []);
        return WayTo(a) != CableWay.LeastLabour || WayTo(b) != CableWay.LeastLabour || !IsHot(way)
            ? way : Cavities(a, b, []).Where(c => c.Cost <= way.Cost * 2)
            .OrderBy(c => c.Cost).Select(c => drawing.ThroughCavities(a, b, c.Start, c.End, c.Cost, []))
            .FirstOrDefault(w => !w.Blocked && !IsHot(w)) ?? way;
    }

    private static bool IsHot(Way way) => way.Legs.Any(l => l.Ambient.Degrees > Hot.Degrees);

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
                var at = aside.Exit(a, starts[i]);
                foreach (var next in via)
                {
                    cost += cavities[a.Structure][starts[i]]!.LeastCost(at, next);
                    at = next;
                }

                found.Add((starts[i], ends[j], cost + Through(a.Structure, at, aside.Exit(b, ends[j]), starts[i], ends[j])));
            }
        }

        return found;
    }

    // Ways through one cavity are cheap to weigh and mostly win; a way through a storey, and one along the studs, are looked into
    // only where the least they could cost is less.
    private (Length Cost, WebWay? Web, int Start, int End) Best(Place a, Place b)
    {
        if (slab.Cost(a, b) is { } piped)
        {
            return (piped, null, 0, 0);
        }

        (Length Cost, WebWay? Web, int Start, int End) best = (new Length(int.MaxValue), null, 0, 0);
        Span<int> starts = stackalloc int[2], ends = stackalloc int[2];
        // From below is for what stands on walls; a ceiling is reached from above whatever the school.
        var onWalls = a.Mount != Mount.Ceiling && b.Mount != Mount.Ceiling;
        bool Chosen(Place place) => WayTo(place) == CableWay.Overhead || (WayTo(place) == CableWay.FromBelow && onWalls);
        int startCount = Reached(a, starts, Chosen(a)), endCount = Reached(b, ends, Chosen(b));
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

                    var cost = rises + Through(a.Structure, aside.Exit(a, starts[i]), aside.Exit(b, ends[j]), starts[i],
                        ends[j]);
                    if (cost < best.Cost)
                    {
                        best = (cost, null, starts[i], ends[j]);
                    }
                }
            }
        }

        if (WayTo(a) == CableWay.LeastLabour && ByStuds(a, b, best.Cost) is { } web)
        {
            best = (new Length(web.Cost) + chases.ToBore(a) + chases.ToBore(b), web, 0, 0);
        }

        return best;
    }

    // As the crew goes, or as it goes on this storey.
    private CableWay WayTo(Place place) =>
        everywhere ?? house.Structures[place.Structure].Levels[place.Level].Level.Way ?? job.Schools.Way;

    private WebWay? ByStuds(Place a, Place b, Length limit) =>
        a.Level == b.Level && a.Wall is not null && b.Wall is not null && !aside.HangsOnTheWayToTheStuds(a)
        && !aside.HangsOnTheWayToTheStuds(b) ? webs[a.Structure][a.Level]
            .Between(a, b, (limit - chases.ToBore(a) - chases.ToBore(b)).Sixtyfourths) : null;

    // From a wall the cavity below or above; from a ceiling or floor the one it is in. What stands on a slab, or beside the basement and
    // not over it, is reached from the ceiling above, a box in the slab by a pipe in it and up the nearest wall.
    private int Reached(Place place, Span<int> numbers, bool bySchool)
    {
        var count = 0;
        var below = cavities[place.Structure][place.Level]?.Covers(place.At.Plan) == true;
        var fromBelow = bySchool && WayTo(place) == CableWay.FromBelow && below && place.Mount == Mount.Wall;
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
            var riser = risers.Riser(structure, storey, at, b).At;
            cost += here[from]!.LeastCost(at, riser) + house.Structures[structure].Levels[storey].Level.CeilingHeight + labour.Storey;
            at = riser;
        }

        return cost + here[end]!.LeastCost(at, b);
    }

    private Length Rise(Place place, int cavity)
    {
        var z = cavities[place.Structure][cavity]!.Z;
        if (slab.Stub(place, cavity) is { } stub)
        {
            return slab.Cost(stub) + (z - place.At.Z) + labour.Plate;
        }

        var plate = place.Wall is null ? Length.Zero : labour.Plate;
        if (!chases.HasAny || chases.InPanel(place) is not { } wall)
        {
            return (place.At.Z - z).Abs() + plate + aside.Cost(place, cavity);
        }

        var turn = chases.ChaseZ(place, wall) ?? place.At.Z;
        return (place.At.Z - turn).Abs() + wall.At(place.Along).SquareTo(chases.Exit(place)) + (turn - z).Abs() + plate;
    }
}
