using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>The stretch of a pipe where most current-carrying conductors lie together for more than 24 in.</summary>
/// <param name="Runs">Ids of the runs in it there.</param>
/// <param name="CurrentCarrying">Their current-carrying conductors.</param>
/// <param name="Long">How long it is.</param>
/// <param name="Ambient">Of the warmest place that the run passes in the pipe; the earth is taken at 30 °C, no cooler.</param>
/// <param name="Where">The stretch in words.</param>
public sealed record PipeStretch(ImmutableArray<RunId> Runs, int CurrentCarrying, Length Long, Celsius Ambient, string Where);

/// <summary>A bend of a pipe.</summary>
/// <param name="At">Where, in words.</param>
/// <param name="Along">From the panel.</param>
/// <param name="Degrees">How far it turns.</param>
/// <param name="Total">Since the last pull point, this bend among them.</param>
public sealed record PipeBend(string At, Length Along, int Degrees, int Total);

/// <summary>A pipe from one pull point to the next.</summary>
/// <param name="From">Where it begins, from the panel.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Bends">Its bends in order.</param>
public sealed record PipePull(Length From, Length To, ImmutableArray<PipeBend> Bends)
{
    /// <summary>How long.</summary>
    public Length Long => To - From;

    /// <summary>All its bends together.</summary>
    public int Degrees => Bends.IsEmpty ? 0 : Bends[^1].Total;

    /// <summary>It bends more than can be pulled through.</summary>
    public bool TooMany => Degrees > Raceway.MostDegrees;

    /// <summary>The last of its bends that may still be pulled through: where a pull box is set when there are too many.</summary>
    public Length LastPulled => Bends.Last(b => b.Total <= Raceway.MostDegrees).Along;
}

/// <summary>One pipe with the runs pulled in it. Its properties are those of its worst stretch.</summary>
/// <param name="Pipe">What the job says of it, or what is assumed for a feeder.</param>
/// <param name="Runs">Home runs and feeders in it, or runs from box to box, the longest first.</param>
public sealed record Raceway(Pipe Pipe, ImmutableArray<Run> Runs)
{
    /// <summary>Bends between two pull points, 352.26 and 358.26: four quarters of a circle.</summary>
    public const int MostDegrees = 360;

    /// <summary>Where the plan itself sets a pull box, from the panel: on a pipe that nobody has drawn and that would bend too often.
    /// </summary>
    public ImmutableArray<Length> PullBoxes { get; init; } = [];

    /// <summary>The run that the pipe follows from end to end; others leave it on the way.</summary>
    public Run Lead => Runs[0];

    /// <summary>Cable lies in it with its jacket on.</summary>
    public bool Jacketed => Runs.Any(r => r.Jacket != Jacket.Loose);

    /// <summary>Part of it lies in the ground.</summary>
    public bool Buried => Lead.Way.Legs.Any(l => l.Space == Space.Trench);

    /// <summary>From pull point to pull point: the panel, pull boxes, the fittings at the walls where the pipe goes into the ground or
    /// comes out of it, and the far end.
    /// A turn at such a place is made by the box or the fitting and is no bend of the pipe.</summary>
    public ImmutableArray<PipePull> Pulls
    {
        get
        {
            var legs = Lead.Way.Legs;
            var ends = new List<Length>();
            foreach (var leg in legs)
            {
                ends.Add((ends.Count == 0 ? Length.Zero : ends[^1]) + leg.Run);
            }

            var walls = Enumerable.Range(0, legs.Length - 1)
                .Where(i => (legs[i].Space == Space.Trench) != (legs[i + 1].Space == Space.Trench)).Select(i => ends[i]);
            Length[] points = [.. Pipe.Stops.Where(s => s.Kind == PipeStopKind.PullBox && s.Along < ends[^1]).Select(s => s.Along)
                .Concat(PullBoxes).Concat(walls).Append(Length.Zero).Append(ends[^1]).Distinct().Order()];
            var pulls = ImmutableArray.CreateBuilder<PipePull>();
            foreach (var (from, to) in points.Zip(points.Skip(1)))
            {
                var (bends, total) = (ImmutableArray.CreateBuilder<PipeBend>(), 0);
                for (var i = 0; i + 1 < legs.Length; i++)
                {
                    if (ends[i] > from && ends[i] < to && Turn(legs[i], legs[i + 1]) is > 0 and var degrees)
                    {
                        bends.Add(new(Words(legs[i], legs[i + 1]), ends[i], degrees, total += degrees));
                    }
                }

                pulls.Add(new(from, to, bends.ToImmutable()));
            }

            return pulls.ToImmutable();
        }
    }

    /// <summary>The worst stretch of one run in the pipe: a nipple no longer than what is allowed adjusts nothing.</summary>
    /// <param name="run">The run.</param>
    /// <param name="allowed">Together for longer, conductors are adjusted.</param>
    public PipeStretch Worst(Run run, Length allowed)
    {
        var alone = new PipeStretch([run.Id], run.CurrentCarrying, run.Way.Measured, Warmest(run), $"alone in {Pipe.Id}");
        if (Runs.Length == 1)
        {
            return alone;
        }

        // For every leg the runs that share it, most of it first; the sets nest, so the length of a set is the sum over legs.
        var lengths = new Dictionary<string, (ImmutableArray<RunId> Runs, int Carrying, Length Long, Length From)>();
        var along = Length.Zero;
        foreach (var leg in run.Way.Legs)
        {
            var with = Runs.Where(r => r.Id != run.Id)
                .Select(r => (Run: r, Shared: r.Way.Legs.Select(l => Overlap(l, leg)).DefaultIfEmpty().Max()))
                .Where(s => s.Shared > Length.Zero).OrderByDescending(s => s.Shared)
                .ThenBy(s => s.Run.Id.ToString(), StringComparer.Ordinal).ToList();
            for (var n = 1; n <= with.Count; n++)
            {
                ImmutableArray<RunId> ids = [run.Id, .. with.Take(n).Select(w => w.Run.Id)
                    .OrderBy(i => i.ToString(), StringComparer.Ordinal)];
                var key = string.Join('|', ids);
                var known = lengths.GetValueOrDefault(key,
                    (ids, run.CurrentCarrying + with.Take(n).Sum(w => w.Run.CurrentCarrying), Length.Zero, along));
                lengths[key] = known with { Item3 = known.Item3 + with[n - 1].Shared };
            }

            along += leg.Run;
        }

        return lengths.Values.Where(s => s.Long > allowed).OrderByDescending(s => s.Carrying).ThenByDescending(s => s.Long)
            .Select(s => new PipeStretch(s.Runs, s.Carrying, s.Long, Warmest(run),
                $"in {Pipe.Id} with {s.Runs.Length - 1} more, from {s.From.Cut(Measure.Feet)} along")).FirstOrDefault() ?? alone;
    }

    /// <summary>How far a run lies in the pipe with the one that the pipe follows.</summary>
    public Length With(Run run) => run.Id == Lead.Id ? run.Way.Measured
        : run.Way.Legs.SelectMany(l => Lead.Way.Legs.Select(o => Overlap(l, o))).Total();

    private static Celsius Warmest(Run run) => new(Math.Max(30, run.Way.Legs.Max(l => l.Ambient.Degrees)));

    private static string Words(PathLeg a, PathLeg b) => (a.Space, a.From.Z != a.To.Z || b.From.Z != b.To.Z) switch
    {
        (Space.Trench, true) => "sweep between wall and trench",
        (Space.Trench, false) => "corner of the trench",
        _ => "inside",
    };

    // Legs of two ways lie in one line or are the same; anything else shares nothing.
    private static Length Overlap(PathLeg a, PathLeg b)
    {
        if ((a.From == b.From && a.To == b.To) || (a.From == b.To && a.To == b.From))
        {
            return a.Run;
        }

        static Length Common(Length a1, Length a2, Length b1, Length b2) =>
            Length.Max(Length.Zero,
                Length.Min(Length.Max(a1, a2), Length.Max(b1, b2)) - Length.Max(Length.Min(a1, a2), Length.Min(b1, b2)));
        bool x = a.From.X == a.To.X && b.From.X == b.To.X && a.From.X == b.From.X, y = a.From.Y == a.To.Y && b.From.Y == b.To.Y
            && a.From.Y == b.From.Y, z = a.From.Z == a.To.Z && b.From.Z == b.To.Z && a.From.Z == b.From.Z;
        return (x, y, z) switch
        {
            (false, true, true) => Common(a.From.X, a.To.X, b.From.X, b.To.X),
            (true, false, true) => Common(a.From.Y, a.To.Y, b.From.Y, b.To.Y),
            (true, true, false) => Common(a.From.Z, a.To.Z, b.From.Z, b.To.Z),
            _ => Length.Zero,
        };
    }

    // Legs run along the axes or aslant; the turn is taken from their directions.
    private static int Turn(PathLeg a, PathLeg b)
    {
        static (double X, double Y, double Z) Way(PathLeg leg) =>
            ((leg.To.X - leg.From.X).Sixtyfourths, (leg.To.Y - leg.From.Y).Sixtyfourths, (leg.To.Z - leg.From.Z).Sixtyfourths);
        var (p, q) = (Way(a), Way(b));
        double dot = (p.X * q.X) + (p.Y * q.Y) + (p.Z * q.Z),
            size = Math.Sqrt(((p.X * p.X) + (p.Y * p.Y) + (p.Z * p.Z)) * ((q.X * q.X) + (q.Y * q.Y) + (q.Z * q.Z)));
        return size == 0 ? 0 : (int)Math.Round(Math.Acos(Math.Clamp(dot / size, -1, 1)) * 180 / Math.PI);
    }
}

/// <summary>Gathers the runs of each pipe.</summary>
public static class Raceways
{
    /// <summary>The pipe that a circuit's home run or feeder is pulled in: the job's own, or PVC for what needs a pipe and has none; null
    /// for cable.</summary>
    public static Pipe? For(Job job, CircuitKey circuit, bool needed) =>
        job.Pipes.FirstOrDefault(p => p.Circuits.Contains(circuit))
            ?? (needed ? new Pipe { Id = new(circuit.Value), Circuits = [circuit] } : null);

    /// <summary>Every pipe with something in it, in the order of their first circuits.</summary>
    public static ImmutableArray<Raceway> Of(ImmutableArray<RoutedCircuit> circuits, Job job) =>
    [
        .. circuits.SelectMany(c => c.Runs).Where(r => r.Pipe is not null).GroupBy(r => r.Pipe!)
            .Select(g => new Raceway(job.Pipes.FirstOrDefault(p => p.Id == g.Key) ?? For(job, g.First().Circuit, true)!,
                [.. g.OrderByDescending(r => r.Way.Measured).ThenBy(r => r.Id.ToString(), StringComparer.Ordinal)]))
            .Select(r => job.Pipes.Contains(r.Pipe) ? r : WithPullBoxes(r)),
    ];

    // A box at the last bend that may still be pulled through, and on from there.
    private static Raceway WithPullBoxes(Raceway raceway)
    {
        while (raceway.Pulls.FirstOrDefault(p => p.TooMany) is { } pull)
        {
            raceway = raceway with
            {
                PullBoxes = raceway.PullBoxes.Add(pull.LastPulled),
            };
        }

        return raceway;
    }
}
