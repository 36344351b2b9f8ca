using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.LowVoltage;

/// <summary>Where power lies, and what lies beside it: a foot apart along a bay or a joist, crossing at right angles.</summary>
internal sealed class PowerNearby
{
    private readonly Length apart;
    private readonly FramedHouse house;
    private readonly ImmutableArray<List<(RunId Run, Piece Piece)>> byAxis;

    public PowerNearby(FramedHouse house, IEnumerable<Run> runs, Length apart)
    {
        (this.house, this.apart) = (house, apart);
        // In the earth the trench keeps them apart, not the frame. What slants runs beside nothing.
        var power = runs.SelectMany(r => Pieces(r.Way, r.From.Place.Structure).Select(p => (r.Id, p.Piece))).ToLookup(p => p.Piece.Axis);
        byAxis = [.. Enumerable.Range(0, 3).Select(axis => power[axis].ToList())];
    }

    /// <summary>How far low voltage is kept from power.</summary>
    public Length Lane => apart;

    // A step from one lane to the next, or around a corner, takes as much and the thickness of a wall.
    private Length Allowed => apart + Length.FromInches(6.5m);

    /// <summary>Power beside a way, run by run. What comes together for no longer than it takes to step aside does not count.</summary>
    /// <param name="way">From the home to the outlet.</param>
    /// <param name="structure">The building that it begins in.</param>
    public ImmutableArray<BesidePower> Along(Way way, int structure)
    {
        var found = new Dictionary<RunId, BesidePower>();
        foreach (var (piece, first, last) in Pieces(way, structure))
        {
            foreach (var (run, between, together) in Beside(piece))
            {
                Length At(bool here) => here && piece.Axis == 2 ? together : Length.Zero;
                var known = found.GetValueOrDefault(run) ?? new(run, apart, Length.Zero, Length.Zero, Length.Zero, Length.Zero);
                found[run] = new(run, Length.Min(known.Apart, between), known.Long + together, known.AtOutlet + At(last),
                    known.AtHome + At(first), known.Upright + At(true));
            }
        }

        return [.. found.Values.Where(f => f.Long > Allowed).OrderByDescending(f => f.Long).ThenBy(f => f.Power.ToString(),
            StringComparer.Ordinal)];
    }

    /// <summary>An upright piece of cable at a place, from one height to another, would lie beside power for too long.</summary>
    public bool Crowds(Point3 from, Point3 to, int structure) =>
        Beside(new(Site(from, structure), Site(to, structure))).Any(b => b.Together > Allowed);

    // Two legs of one run that lie along the same stretch are beside it once.
    private IEnumerable<(RunId Run, Length Apart, Length Together)> Beside(Piece piece)
    {
        if (piece.Axis is not int axis)
        {
            return [];
        }

        var near = new Dictionary<RunId, (Length Apart, List<(Length From, Length To)> Stretches)>();
        foreach (var (run, other) in byAxis[axis])
        {
            if (piece.Beside(other, axis, apart) is var (aside, from, to))
            {
                var known = near.GetValueOrDefault(run, (apart, []));
                known.Item2.Add((from, to));
                near[run] = (Length.Min(known.Item1, aside), known.Item2);
            }
        }

        return near.Select(n => (n.Key, n.Value.Apart, n.Value.Stretches.Covered()));
    }

    private IEnumerable<(Piece Piece, bool First, bool Last)> Pieces(Way way, int structure) => way.Legs
        .Select((l, i) => (Leg: l, First: i == 0, Last: i == way.Legs.Length - 1)).Where(x => x.Leg.Space != Space.Trench)
        .Select(x => (new Piece(Site(x.Leg.From, structure), Site(x.Leg.To, structure)), x.First, x.Last));

    private Point3 Site(Point3 at, int structure)
    {
        var origin = house.Structures[structure].Structure.Origin;
        return at.Plan.By(origin.X, origin.Y).At(at.Z);
    }

    private readonly record struct Piece(Point3 From, Point3 To)
    {
        /// <summary>0 east and west, 1 north and south, 2 up and down; none where it slants.</summary>
        public int? Axis => (From.X == To.X, From.Y == To.Y, From.Z == To.Z) switch
        {
            (false, true, true) => 0,
            (true, false, true) => 1,
            (true, true, false) => 2,
            _ => null,
        };

        /// <summary>How far apart two pieces of one axis lie, and along which stretch; null where they are as far apart as they should
        /// be.</summary>
        public (Length Aside, Length From, Length To)? Beside(Piece other, int axis, Length least)
        {
            var aside = axis switch
            {
                0 => Length.Max((From.Y - other.From.Y).Abs(), (From.Z - other.From.Z).Abs()),
                1 => Length.Max((From.X - other.From.X).Abs(), (From.Z - other.From.Z).Abs()),
                _ => Length.Max((From.X - other.From.X).Abs(), (From.Y - other.From.Y).Abs()),
            };
            Length from = Length.Max(Low(axis), other.Low(axis)), to = Length.Min(High(axis), other.High(axis));
            return aside < least && to > from ? (aside, from, to) : null;
        }

        private Length Low(int axis) => Length.Min(On(From, axis), On(To, axis));

        private Length High(int axis) => Length.Max(On(From, axis), On(To, axis));

        private static Length On(Point3 at, int axis) => axis switch { 0 => at.X, 1 => at.Y, _ => at.Z };
    }
}
