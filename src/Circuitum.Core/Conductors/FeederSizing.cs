using System.Collections.Immutable;
using Circuitum.Core.CodeBook;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Conductors;

/// <summary>Sizes the feeder of a panel in another building: four wires in PVC, 225.39 and 250.32.</summary>
public static class FeederSizing
{
    /// <summary>A feeder of an outbuilding with more than two circuits is rated at least this, 225.39(D).</summary>
    public static Amps Least { get; } = new(60);

    /// <summary>Sizes one feeder in its pipe.</summary>
    public static SizedCircuit Size(RoutedCircuit routed, Raceway raceway, Survey survey, Job job, CodeBook.CodeBook book)
    {
        var run = routed.HomeRun!;
        var load = routed.Circuit.Load;
        var motors = load.Items.Where(i => survey[i.Box].Plates.Any(p => p.Motor && p.Name == i.Name)).ToList();
        var largest = motors.Count == 0 ? new VoltAmps(0) : motors.Max(m => m.Load);
        var demand = new VoltAmps(load.Items.Sum(i => i.Load.Value * (i.Continuous ? 1.25m : 1)) + (largest.Value * .25m));
        var amps = demand / load.Volts;
        var why = Because.Of("Why this breaker")
            .Plan("everything the panel feeds", load.Connected.ToString())
            .Book("continuous at 125 %, largest motor + 25 %", $"{demand}, {amps}", "215.2(A), 215.3, 220.50");
        var rating = book.StandardAtLeast(amps) ?? amps;
        if (rating < Least)
        {
            rating = Least;
            why = why.Book("an outbuilding's disconnect and feeder of more than two circuits", Least.ToString(), "225.39(D)");
        }

        if (job.Pins.Breakers.FirstOrDefault(p => p.Circuit == routed.Circuit.Key) is { } pinned)
        {
            rating = pinned.Rating;
            why = why.Pin("held by a person", rating.ToString());
        }

        var metal = job.Schools.FeederMetal == FeederMetal.Aluminium ? Metal.Aluminium : Metal.Copper;
        var worst = raceway.Worst(run);
        Figure<Amps> Able(Gauge gauge) => Ampacities.InRaceway(gauge, worst.CurrentCarrying, worst.Ambient, raceway.Pipe.Marked75 ? Column.C75 : Column.C60, book, metal, worst.Where);
        var needed = Gauge.All.Where(g => Tables.Ampacity(g, metal, Column.C90) is not null).First(g => g.Next is null || (Able(g).Value is var able && able >= amps && book.Protects(rating, able, false)
            && (CodeBook.CodeBook.SmallConductorLimit(g, metal) is not Amps limit || rating <= limit)));
        var gauge = needed;
        var conductorWhy = Because.Of("Why this conductor");
        if (job.Pins.Cables.FirstOrDefault(p => p.Circuit == routed.Circuit.Key) is { } pin)
        {
            gauge = Tables.Ampacity(pin.Gauge, metal, Column.C90) is null ? needed : pin.Gauge;
            conductorWhy = conductorWhy.Pin("held by a person", $"{gauge} AWG");
        }

        var ampacity = Able(gauge);
        var ground = Grounding.For(rating, gauge, needed, metal);
        var lost = VoltageDrop.Of(amps, gauge, run.Length.Value, metal);
        var drop = VoltageDrop.Share(lost, load.Volts);
        return new()
        {
            Routed = routed,
            Metal = metal,
            Breaker = new(rating, why.Book("next standard size", rating.ToString(), "240.6(A)")),
            Gauge = new(gauge, conductorWhy.Then(ampacity.Why).Book("carries the load; the next standard size up is allowed", $"{amps} ≤ {ampacity.Value}, breaker {rating}", "240.4(B)")),
            HomeRunGauge = gauge,
            Ampacity = ampacity,
            VoltsAtPanel = load.Volts,
            VoltsAt = [],
            Through = ImmutableDictionary<string, Amps>.Empty.Add(run.Id, amps),
            Drop = new(drop, Because.Of("Why these volts").Book($"2 × {amps} × {run.Length.Value.Feet:0} ft of {gauge}{(metal == Metal.Copper ? "" : " aluminium")}", $"{lost}, {drop}", "Chapter 9 Table 8")),
            Ground = ground,
        };
    }
}
