using System.Collections.Immutable;
using Circuitum.Core.CodeBook;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Takeoff;

/// <summary>A bend of a pipe.</summary>
/// <param name="At">Where, in words.</param>
/// <param name="Degrees">How far it turns.</param>
/// <param name="Total">Since the last pull point.</param>
public sealed record PipeBend(string At, int Degrees, int Total);

/// <summary>One pipe in the ground as its digger and its puller need it.</summary>
/// <param name="Feeder">The circuits in it.</param>
/// <param name="Pipe">Its size.</param>
/// <param name="Length">In the ground.</param>
/// <param name="Cover">To be dug: the least by the rule, or what the job says, with the crew's margin.</param>
/// <param name="Bends">In order of the pull, the sweeps at both ends among them.</param>
/// <param name="PullPoints">Boxes or fittings to pull at, beyond the two ends.</param>
/// <param name="Pulling">How hard the pull is, in words.</param>
public sealed record TrenchedPipe(CircuitKey Feeder, string Pipe, Length Length, Figure<Length> Cover, ImmutableArray<PipeBend> Bends, int PullPoints, string Pulling)
{
    /// <summary>All bends together.</summary>
    public int Turns => Bends.Sum(b => b.Degrees);
}

/// <summary>Reads pipes in the ground off the plan.</summary>
public static class Trenching
{
    /// <summary>Every pipe of the job.</summary>
    public static ImmutableArray<TrenchedPipe> Of(Plan plan) =>
        [.. plan.Circuits.Where(c => c.Protected.Sized.Raceway is not null && c.Protected.Sized.Routed.HomeRun!.Way.Legs.Any(l => l.Space == Space.Trench)).Select(c => Of(plan, c))];

    private static TrenchedPipe Of(Plan plan, Wiring.WiredCircuit circuit)
    {
        var sized = circuit.Protected.Sized;
        var legs = sized.Routed.HomeRun!.Way.Legs.Where(l => l.Space == Space.Trench).ToList();
        var bends = ImmutableArray.CreateBuilder<PipeBend>();
        int total = 0, points = 0;
        for (var i = 0; i + 1 < legs.Count; i++)
        {
            var degrees = Turn(legs[i], legs[i + 1]);
            if (degrees == 0)
            {
                continue;
            }

            if (total + degrees > ConduitFill.MostDegrees)
            {
                (total, points) = (0, points + 1);
            }

            total += degrees;
            bends.Add(new(legs[i].From.Z != legs[i].To.Z || legs[i + 1].From.Z != legs[i + 1].To.Z ? "sweep between wall and trench" : $"in the trench, {legs.Take(i + 1).Select(l => l.Run).Total().WholeFeetUp} ft along", degrees, total));
        }

        var drawn = -legs.Min(l => l.To.Z);
        var least = Burial.Cover(Buried.Pvc, underDrive: false);
        var needed = Length.Max(drawn, least.Value);
        var margin = plan.Job.HouseRules.TrenchMargin;
        var why = Because.Of("Why this depth").Then(least.Why).Job("as the job has it", drawn.ToString()).House("the crew's margin", margin.ToString(), "house rule: trench margin");
        var level = legs.Where(l => l.From.Z == l.To.Z).Select(l => l.Run).Total();
        return new(circuit.Circuit.Key, sized.Raceway!.Value, level, new(needed + margin, why.Plan("dig to the top of the pipe at", (needed + margin).ToString())), bends.ToImmutable(), points, ConduitFill.Pulling(legs.Select(l => l.Run).Total(), bends.Sum(b => b.Degrees)));
    }

    // Legs run along the axes or aslant; the turn is taken from their directions.
    private static int Turn(PathLeg a, PathLeg b)
    {
        static (double X, double Y, double Z) Way(PathLeg leg) => ((leg.To.X - leg.From.X).Sixtyfourths, (leg.To.Y - leg.From.Y).Sixtyfourths, (leg.To.Z - leg.From.Z).Sixtyfourths);
        var (p, q) = (Way(a), Way(b));
        double dot = (p.X * q.X) + (p.Y * q.Y) + (p.Z * q.Z), size = Math.Sqrt(((p.X * p.X) + (p.Y * p.Y) + (p.Z * p.Z)) * ((q.X * q.X) + (q.Y * q.Y) + (q.Z * q.Z)));
        return size == 0 ? 0 : (int)Math.Round(Math.Acos(Math.Clamp(dot / size, -1, 1)) * 180 / Math.PI);
    }
}
