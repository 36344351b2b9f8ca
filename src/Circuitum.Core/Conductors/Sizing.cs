using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.CodeBook;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Conductors;

/// <summary>What a circuit is pulled in.</summary>
public sealed record SizedCircuit
{
    /// <summary>The circuit and its runs.</summary>
    public required RoutedCircuit Routed { get; init; }

    /// <summary>Its overcurrent device.</summary>
    public required Figure<Amps> Breaker { get; init; }

    /// <summary>Its conductor beyond the home run.</summary>
    public required Figure<Gauge> Gauge { get; init; }

    /// <summary>The cable it is pulled in; a feeder in a raceway has none.</summary>
    public Jacket Jacket { get; init; }

    /// <summary>The home run's conductor; larger only by house rule.</summary>
    public required Gauge HomeRunGauge { get; init; }

    /// <summary>What the conductor may carry in its worst place.</summary>
    public required Figure<Amps> Ampacity { get; init; }

    /// <summary>Volts at its panel with the estimated load on: less than nominal behind a feeder.</summary>
    public required Volts VoltsAtPanel { get; init; }

    /// <summary>Volts left at each box with the estimated load on.</summary>
    public required ImmutableDictionary<BoxId, Volts> VoltsAt { get; init; }

    /// <summary>Current through each run.</summary>
    public required ImmutableDictionary<string, Amps> Through { get; init; }

    /// <summary>Share of the voltage lost at the worst box.</summary>
    public required Figure<Percent> Drop { get; init; }

    /// <summary>Its equipment grounding conductor where it is pulled loose in a raceway; a cable brings its own.</summary>
    public Gauge? Ground { get; init; }

    /// <summary>Raceway of a feeder; null for cable.</summary>
    public Figure<string>? Raceway { get; init; }

    /// <summary>The home run of another circuit whose cable brings its conductors to their first box.</summary>
    public Run? ComesIn { get; init; }

    /// <summary>The circuit.</summary>
    public Circuit Circuit => Routed.Circuit;

    /// <summary>Length of another circuit's cable that a run's conductors come in before it.</summary>
    public Length SharedLength(Run run) => run.RidesIn is not null && ComesIn is { } cable ? cable.Length.Value : Length.Zero;

    /// <summary>The gauge of one of its runs.</summary>
    public Gauge GaugeOf(Run run) => run.Kind is RunKind.HomeRun ? HomeRunGauge : Gauge.Value;

    /// <summary>The cable of one of its runs as the trade names it: 12-2, or three 6 and a 10 in pipe.</summary>
    public string CableOf(Run run) => run.Kind == RunKind.Feeder && Raceway is not null
        ? $"3 × {Gauge.Value} + {Ground} G"
        : $"{GaugeOf(run)}-{(run.Carries.Contains(Carried.OtherNeutral) ? "2-2" : run.Conductors)}{run.Jacket switch { Jacket.Underground => " UF", Jacket.Armoured => " MC", _ => "" }}";

    /// <summary>The home run's cable.</summary>
    public string Cable => Routed.HomeRun is { } run ? CableOf(run) : $"{Gauge.Value}-2";
}

/// <summary>Stage Conductors: what is it pulled in? Load first, then the conductor at its worst place, then voltage.</summary>
public static class Sizing
{
    /// <summary>Sizes every circuit.</summary>
    public static ImmutableArray<SizedCircuit> Size(ImmutableArray<RoutedCircuit> circuits, Holes holes, Survey survey, Job job, CodeBook.CodeBook book) =>
        Supply.Behind([.. circuits.Select(c => c.Circuit.Kind == CircuitKind.Feeder ? FeederSizing.Size(c, survey, job, book) : Branch(c, ComesIn(c, circuits), holes, survey, job, book))]);

    /// <summary>Sealed holes to share out two by two, because three cables in one would cost a larger conductor.</summary>
    public static ImmutableHashSet<Spot> ToRelieve(ImmutableArray<SizedCircuit> sized, Holes holes, CodeBook.CodeBook book) =>
        [.. sized.Where(c => c.Circuit.Kind != CircuitKind.Feeder).SelectMany(c => c.Routed.Runs.SelectMany(r => holes.Of(r).Where(h => h.Sealed && h.Runs.Length > 2 && IsTooMany(c, h, book)).Select(h => h.Spot)))];

    /// <summary>Smallest conductor by kind and rating before its place is looked at: 14 for 15 A, 12 for 20 A.</summary>
    public static Gauge LeastFor(Amps rating) => Gauge.All.First(g => CodeBook.CodeBook.SmallConductorLimit(g, Metal.Copper) is Amps limit ? rating <= limit : Tables.Ampacity(g, Metal.Copper, Column.C60) >= rating || g.Next is null);

    // Too many where the conductor that would do in free air does not do in this hole.
    private static bool IsTooMany(SizedCircuit circuit, Hole hole, CodeBook.CodeBook book)
    {
        var free = ByNeed(circuit.Circuit, circuit.Breaker.Value, [], book, circuit.Jacket).Gauge;
        return circuit.Gauge.Value > free || !Serves(free, circuit.Circuit, circuit.Breaker.Value, Ampacities.InCable(free, hole.Runs.Length, hole.CurrentCarrying, hole.Ambient, book, "", circuit.Jacket).Value, book);
    }

    // The home run of another circuit in whose cable this one's conductors come.
    private static Run? ComesIn(RoutedCircuit routed, ImmutableArray<RoutedCircuit> circuits) =>
        routed.HomeRun?.RidesIn is string id ? circuits.SelectMany(c => c.Runs).First(r => r.Id == id) : null;

    private static SizedCircuit Branch(RoutedCircuit routed, Run? comesIn, Holes holes, Survey survey, Job job, CodeBook.CodeBook book)
    {
        var circuit = routed.Circuit;
        var plates = circuit.Boxes.SelectMany(b => survey[b].Plates).ToList();
        var breaker = Breakers.Choose(circuit, plates, job, book);
        var places = WorstPlaces(comesIn is null ? routed.Runs : routed.Runs.Add(comesIn), holes);
        var mca = plates.Count == 1 ? plates[0].Mca : null;
        // The weakest jacket on the way decides for the whole circuit.
        var jacket = routed.Runs.Any(r => r.Jacket == Jacket.Underground) ? Jacket.Underground : routed.Runs.Length > 0 && routed.Runs.All(r => r.Jacket == Jacket.Armoured) ? Jacket.Armoured : Jacket.Nonmetallic;
        var (gauge, ampacity) = ByNeed(circuit, breaker.Value, places, book, jacket, mca);
        var why = Because.Of("Why this conductor");
        if (jacket == Jacket.Underground)
        {
            why = why.Book("UF cable: nonmetallic cable may not be in a damp place", "UF", "334.12(B)(4), 340.10");
        }

        if (job.Pins.Cables.FirstOrDefault(p => p.Circuit == circuit.Key) is { } pin)
        {
            gauge = pin.Gauge;
            ampacity = Worst(gauge, places, book, jacket);
            why = why.Pin("held by a person", $"{gauge} AWG");
        }

        why = mca is Amps needed
            ? why.Job("nameplate: minimum circuit ampacity", needed.ToString()).Then(ampacity.Why).Book("carries the MCA", $"{ampacity.Value} ≥ {needed}", "440.4(B), 440.32")
            : why.Book($"{breaker.Value} breaker", $"{LeastFor(breaker.Value)} AWG or larger", "240.4(D)").Then(ampacity.Why).Then(Verdict(circuit, breaker.Value, ampacity.Value, book));
        // The job's school is about general circuits; one circuit's own is about it, whatever it is.
        var one = job.CircuitSchools.Any(c => c.Circuit == circuit.Key && c.HomeRun is not null);
        var home = job.SchoolsOn(circuit.Key).HomeRun == HomeRunSize.OneLarger && (circuit.IsGeneral || one) && gauge.Next is Gauge larger ? larger : gauge;
        return Drops.Measure(new()
        {
            Routed = routed,
            Breaker = breaker,
            Gauge = new(gauge, why),
            HomeRunGauge = home,
            Jacket = jacket,
            ComesIn = comesIn,
            Ampacity = ampacity,
            VoltsAtPanel = circuit.Load.Volts,
            VoltsAt = [],
            Through = [],
            Drop = new(new(0), Because.Of("Why these volts")),
        });
    }

    private static Because Verdict(Circuit circuit, Amps rating, Amps ampacity, CodeBook.CodeBook book) =>
        rating <= ampacity ? Because.Of("").Book("protected by its breaker", $"{rating} ≤ {ampacity}", "240.4")
        : book.Protects(rating, ampacity, circuit.Load.PortableReceptacles) ? Because.Of("").Book($"{ampacity} is no standard size; the next up is allowed, no portable receptacles in the plural", rating.ToString(), "240.4(B)")
        : Because.Of("").Book("not protected by its breaker", $"{rating} > {ampacity}", "240.4");

    private static (Gauge Gauge, Figure<Amps> Ampacity) ByNeed(Circuit circuit, Amps breaker, IReadOnlyList<WorstPlace> places, CodeBook.CodeBook book, Jacket jacket, Amps? mca = null)
    {
        foreach (var gauge in Gauge.All)
        {
            var ampacity = Worst(gauge, places, book, jacket);
            if (mca is Amps needed ? ampacity.Value >= needed : Serves(gauge, circuit, breaker, ampacity.Value, book))
            {
                return (gauge, ampacity);
            }
        }

        return (Gauge.All[^1], Worst(Gauge.All[^1], places, book, jacket));
    }

    private static bool Serves(Gauge gauge, Circuit circuit, Amps breaker, Amps ampacity, CodeBook.CodeBook book) =>
        (CodeBook.CodeBook.SmallConductorLimit(gauge, Metal.Copper) is not Amps limit || breaker <= limit)
        && ampacity >= circuit.Load.Required
        && book.Protects(breaker, ampacity, circuit.Load.PortableReceptacles);

    private static Figure<Amps> Worst(Gauge gauge, IReadOnlyList<WorstPlace> places, CodeBook.CodeBook book, Jacket jacket) => places.Count == 0
        ? Ampacities.InCable(gauge, 1, 2, new(30), book, "", jacket)
        : places.Select(p => Ampacities.InCable(gauge, p.Cables, p.CurrentCarrying, p.Ambient, book, p.Where, jacket)).MinBy(f => f.Value)!;

    private static List<WorstPlace> WorstPlaces(ImmutableArray<Run> runs, Holes holes)
    {
        var places = new Dictionary<(int, int, decimal), WorstPlace>();
        foreach (var run in runs)
        {
            foreach (var hole in holes.Of(run).Where(h => h.Sealed))
            {
                places.TryAdd((hole.Runs.Length, hole.CurrentCarrying, hole.Ambient.Degrees), new(hole.Runs.Length, hole.CurrentCarrying, hole.Ambient, hole.Spot.ToString()));
            }

            foreach (var leg in run.Way.Legs.Where(l => l.Ambient.Degrees > 30))
            {
                places.TryAdd((1, 2, leg.Ambient.Degrees), new(1, 2, leg.Ambient, leg.Space == Space.Attic ? "in the attic" : "in the floor"));
            }
        }

        return [.. places.Values];
    }

    private sealed record WorstPlace(int Cables, int CurrentCarrying, Celsius Ambient, string Where);
}
