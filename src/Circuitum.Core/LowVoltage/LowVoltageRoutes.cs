using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.LowVoltage;

/// <summary>Takes low voltage home when power is routed: through holes of its own, overhead or from below, and a foot from power where a
/// lane of that width is free.</summary>
internal sealed class LowVoltageRoutes
{
    // Nobody bores a wall's length of studs for a bell wire.
    private static readonly Labour Toll = Labour.Usual with { Stud = Length.FromFeet(6) };

    // Lanes tried to either side, the nearest first.
    private static readonly ImmutableArray<int> Nearest = [.. Enumerable.Range(-6, 13).OrderBy(Math.Abs)];

    private readonly Wayfinder finder;
    private readonly ImmutableArray<PlacedHome> homes;
    private readonly FramedHouse house;
    private readonly Job job;

    /// <summary>Ways for the low voltage of a job.</summary>
    /// <param name="house">The house.</param>
    /// <param name="job">The job.</param>
    /// <param name="power">Every run of power.</param>
    public LowVoltageRoutes(FramedHouse house, Job job, IEnumerable<Run> power)
    {
        (this.house, this.job, homes) = (house, job, LowVoltagePlaces.Homes(house, job));
        var apart = job.HouseRules.LowVoltageApart;
        // Where it does go along studs it is bored as far above the power as it is kept from it elsewhere.
        // Up from storey to storey it takes a bay that no power comes through.
        finder = new(house, job with { HouseRules = job.HouseRules with { BoreHeight = job.HouseRules.BoreHeight + apart } }, Toll,
            taken: power.SelectMany(r => r.Way.Passages).Select(p => p.Spot).Where(s => s.Kind == MemberKind.Plate)
                .Select(s => (s.Structure, s.Level, s.Member, s.Number)).ToHashSet());
        Near = new(house, power, apart);
    }

    /// <summary>Where power lies.</summary>
    public PowerNearby Near { get; }

    /// <summary>The low voltage of a job.</summary>
    /// <param name="house">The house.</param>
    /// <param name="job">The job.</param>
    /// <param name="power">Every run of power.</param>
    public static LowVoltagePlan Route(FramedHouse house, Job job, IEnumerable<Run> power)
    {
        if (job.LowVoltage.IsEmpty && job.LowVoltageHomes.IsEmpty)
        {
            return LowVoltagePlan.None;
        }

        var routes = new LowVoltageRoutes(house, job, power);
        var outlets = LowVoltagePlaces.Outlets(house, job);
        ImmutableArray<LowVoltageRun> runs = [.. outlets.Select(routes.Run).OfType<LowVoltageRun>()];
        return new(outlets, routes.homes, runs, LowVoltageHoles.Of(runs));
    }

    /// <summary>The way of an outlet home, wherever it stands; null where it has none.</summary>
    public LowVoltageRun? Run(PlacedLowVoltage outlet)
    {
        if (HomeOf(outlet) is not { } home)
        {
            return null;
        }

        var way = home.Place.Structure == outlet.Place.Structure ? Aside(home.Place, outlet.Place)
            : FeederRoute.ByTrench(home.Place, outlet.Place, finder, house, job, cool: false);
        ImmutableArray<BesidePower> beside = outlet.Outlet.Kind.IsCopper() ? Near.Along(way, home.Place.Structure) : [];
        return new(outlet, home, way, Footage(way, outlet, home), beside);
    }

    // The one that was chosen; else the nearest in its building, else one that a trench leads from.
    private PlacedHome? HomeOf(PlacedLowVoltage outlet)
    {
        var reached = homes.Where(h => h.Place.Structure == outlet.Place.Structure || job.Trenches.Any(t =>
            t.From == house.Structures[h.Place.Structure].Structure.Id
            && t.To == house.Structures[outlet.Place.Structure].Structure.Id)).ToList();
        return outlet.Outlet.Home is { } chosen && reached.Find(h => h.Home.Id == chosen) is { } home ? home
            : reached.OrderBy(h => h.Place.Structure == outlet.Place.Structure ? 0 : 1)
                .ThenBy(h => finder.Cost(h.Place, outlet.Place)).FirstOrDefault();
    }

    // Lanes a foot apart on either side of the cheapest way, in either order of its two legs: the first that no power lies beside, else the
    // one that lies least beside it.
    private Way Aside(Place from, Place to)
    {
        var best = finder.Find(from, to, []);
        var crowded = Crowded(best, from);
        if (crowded == Length.Zero || from.At.Plan == to.At.Plan)
        {
            return best;
        }

        Point a = from.At.Plan, b = to.At.Plan;
        for (var first = 0; first < 2; first++)
        {
            Length along = Length.Zero, across = Length.Zero;
            for (var pass = 0; pass < 2; pass++)
            {
                foreach (var lane in Nearest)
                {
                    if (crowded == Length.Zero)
                    {
                        return best;
                    }

                    var by = Near.Lane * lane;
                    var (dx, dy) = pass == 0 ? (along, by) : (by, across);
                    ImmutableArray<Point> via = first == 0 ? [new(a.X, a.Y + dy), new(b.X + dx, a.Y + dy), new(b.X + dx, b.Y)]
                        : [new(a.X + dx, a.Y), new(a.X + dx, b.Y + dy), new(b.X, b.Y + dy)];
                    var way = finder.Find(from, to, via);
                    var beside = Crowded(way, from);
                    if (!way.Blocked && (beside < crowded || (beside == crowded && way.Cost < best.Cost)))
                    {
                        (best, crowded) = (way, beside);
                        (along, across) = (dx, dy);
                    }
                }
            }
        }

        return best;
    }

    private Length Crowded(Way way, Place from) =>
        Near.Along(way, from.Structure).Select(b => b.Long).Total();

    private Figure<Length> Footage(Way way, PlacedLowVoltage outlet, PlacedHome home) => Routes.Footage(way,
        [
            ($"left at {home.Name}", job.HouseRules.AtPanel, "house rule: at the panel"),
            ($"left in the ring at {outlet.Name}", job.HouseRules.MakeUpAtBox + job.HouseRules.SlackAtBox, "house rules: make-up, slack"),
        ], job);
}
