using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Demand;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Conductors;

/// <summary>What a circuit is pulled in.</summary>
public sealed record SizedCircuit
{
    /// <summary>The circuit and its runs.</summary>
    public required RoutedCircuit Routed { get; init; }

    /// <summary>The rules it is sized by.</summary>
    public required CodeBook Book { get; init; }

    /// <summary>Its overcurrent device.</summary>
    public required Figure<Amps> Breaker { get; init; }

    /// <summary>Its conductor beyond the home run.</summary>
    public required Figure<Gauge> Gauge { get; init; }

    /// <summary>Metal of its conductors.</summary>
    public Metal Metal { get; init; }

    /// <summary>The cable it is pulled in; a feeder in a raceway has none.</summary>
    public Jacket Jacket { get; init; }

    /// <summary>The home run's conductor; larger only by house rule.</summary>
    public required Gauge HomeRunGauge { get; init; }

    /// <summary>Runs that go on from the home run through boxes of nothing but joints, as far as the first box with something in it: what
    /// makes the home run larger makes them so too, and it is joined to what is smaller in that box.</summary>
    public ImmutableHashSet<RunId> GoOn { get; init; } = [];

    /// <summary>What the conductor may carry in its worst place.</summary>
    public required Figure<Amps> Ampacity { get; init; }

    /// <summary>Volts at its panel with the estimated load on: less than nominal behind a feeder.</summary>
    public required Volts VoltsAtPanel { get; init; }

    /// <summary>Volts left at each box with the estimated load on.</summary>
    public required ImmutableDictionary<BoxId, Volts> VoltsAt { get; init; }

    /// <summary>Current through each run.</summary>
    public required ImmutableDictionary<RunId, Amps> Through { get; init; }

    /// <summary>Share of the voltage lost at the worst box.</summary>
    public required Figure<Percent> Drop { get; init; }

    /// <summary>Its equipment grounding conductor where it is pulled loose in a raceway; a cable brings its own.</summary>
    public Gauge? Ground { get; init; }

    /// <summary>The ground that its home run needs by its breaker, and by how much it is larger than it need be (250.122(B)).</summary>
    public Gauge? GroundNeeded { get; init; }

    /// <summary>The smallest conductor that carries it where it lies: what a larger ground is reckoned from.</summary>
    public Gauge? Least { get; init; }

    /// <summary>The pipes that some of its runs are pulled in; none for cable.</summary>
    public ImmutableArray<FittedPipe> Pipes { get; init; } = [];

    /// <summary>The pipe its home run is pulled in; null for cable.</summary>
    public FittedPipe? Pipe => Routed.HomeRun is { } home ? PipeOf(home) : null;

    /// <summary>What a feeder is sized by; null for a branch circuit.</summary>
    public FeederLoad? Feeding { get; init; }

    /// <summary>Minimum circuit ampacity of its one nameplate that has one.</summary>
    public Amps? Mca { get; init; }

    /// <summary>The home run of another circuit whose cable brings its conductors to their first box.</summary>
    public Run? ComesIn { get; init; }

    /// <summary>The conductor of that cable.</summary>
    public Gauge? ComesInGauge { get; init; }

    /// <summary>The circuit.</summary>
    public Circuit Circuit => Routed.Circuit;

    /// <summary>The pipe one of its runs is pulled in; null for cable.</summary>
    public FittedPipe? PipeOf(Run run) => run.Pipe is { } id ? Pipes.FirstOrDefault(p => p.Raceway.Pipe.Id == id) : null;

    /// <summary>The cable of another circuit that a run's conductors come in before it.</summary>
    public Run? SharedBefore(Run run) => run.RidesIn is null ? null : ComesIn;

    /// <summary>What a current loses in one of its runs and in the cable that it came in.</summary>
    public Volts Lost(Run run, Amps through) => new(VoltageDrop.Of(through, GaugeOf(run), run.Length.Value, Book).Value
        + (SharedBefore(run) is { } cable ? Lost(cable, through).Value : 0));

    /// <summary>The gauge of one of its runs, or of the cable that it comes in.</summary>
    public Gauge GaugeOf(Run run) => run.Id == ComesIn?.Id ? ComesInGauge ?? Gauge.Value
        : run.Kind is RunKind.HomeRun || GoOn.Contains(run.Id) ? HomeRunGauge : Gauge.Value;

    /// <summary>The cable of one of its runs as the trade names it: 12-2, or three 6 and a 10 in pipe.</summary>
    public string CableOf(Run run) => run.Jacket == Jacket.Loose
        ? $"{run.Conductors} × {GaugeOf(run)}{(Metal == Metal.Aluminium ? " Al" : "")} + {Ground} G"
        : $"{GaugeOf(run)}-{(run.Carries.Contains(Carried.OtherNeutral) ? "2-2" : run.Conductors)}"
        + $"{Suffix(run) switch { "" => "", var suffix => " " + suffix }}{(run.Jacket == Jacket.ServiceEntrance ? " Al" : "")}";

    // Nonmetallic-sheathed cable is made to 2 AWG.
    private string Suffix(Run run) => Book.Conductors.Suffix(run.Jacket == Jacket.Nonmetallic && GaugeOf(run) > Units.Gauge.Awg2
        ? Jacket.ServiceEntrance : run.Jacket);

    /// <summary>What the crew measures cable in.</summary>
    public Measure Measure { get; init; }

    /// <summary>The home run's cable.</summary>
    public string Cable => Routed.HomeRun is { } run ? CableOf(run) : $"{Gauge.Value}-2";
}

/// <summary>Stage Conductors: what is it pulled in? Load first, then the conductor at its worst place, then voltage.</summary>
public static class Sizing
{
    /// <summary>Sizes every circuit where it lies; <see cref="Finish"/> follows when the holes are settled.</summary>
    /// <param name="circuits">Every circuit with its runs.</param>
    /// <param name="raceways">The pipes that some of them are pulled in.</param>
    /// <param name="holes">Where they pass.</param>
    /// <param name="bundles">Where they lie together, by run.</param>
    /// <param name="feeders">What feeders carry, by the panel that each feeds.</param>
    /// <param name="survey">The boxes.</param>
    /// <param name="job">The job.</param>
    /// <param name="book">Its code book.</param>
    /// <param name="known">As sized with other holes, in the same order; circuits that pass none of the moved holes stay as they
    /// are.</param>
    /// <param name="moved">Members bored otherwise since; all when null.</param>
    public static ImmutableArray<SizedCircuit> Size(ImmutableArray<RoutedCircuit> circuits, ImmutableArray<Raceway> raceways, Holes holes,
        ILookup<RunId, CableBundle> bundles, ImmutableDictionary<PanelId, FeederLoad> feeders, Survey survey, Job job, CodeBook book,
        ImmutableArray<SizedCircuit> known = default, IReadOnlySet<Spot>? moved = null)
    {
        var pipeOf = Piped(raceways);
        bool Stays(RoutedCircuit c, Run? comesIn) =>
            moved is not null && !c.Runs.Any(r => Passes(r, moved)) && (comesIn is null || !Passes(comesIn, moved));
        // Feeders first: what they lose is not left for the circuits behind them.
        var fed = new Dictionary<PanelId, SizedCircuit>();
        foreach (var (c, i) in circuits.Select((c, i) => (c, i)).Where(x => x.c.Circuit.Kind == CircuitKind.Feeder))
        {
            fed[c.Circuit.Feeds!.Value] = Stays(c, null) ? known[i] : FeederSizing.Size(c, pipeOf[c.Circuit.Key].FirstOrDefault(),
                WorstPlaces(c.Runs, [], holes, bundles, book), feeders[c.Circuit.Feeds.Value],
                LargestBehind(c.Circuit.Feeds.Value, circuits, survey, job, book), job, book);
        }

        return [.. circuits.Select((c, i) =>
        {
            var comesIn = ComesIn(c, circuits);
            return c.Circuit.Kind == CircuitKind.Feeder ? fed[c.Circuit.Feeds!.Value] : Stays(c, comesIn) ? known[i]
                : Branch(c, comesIn, [.. pipeOf[c.Circuit.Key]], holes, bundles, survey, job, book,
                    MayLose(c.Circuit.Panel, fed, book));
        })];
    }

    // What a branch circuit may lose where that is a rule: its own share, and no more than the feeders before it leave of the whole.
    private static Percent? MayLose(PanelId panel, Dictionary<PanelId, SizedCircuit> fed, CodeBook book)
    {
        if (book.MostDrop is not { } most)
        {
            return null;
        }

        var left = most.Together;
        for (var at = panel; fed.TryGetValue(at, out var feeder); at = feeder.Circuit.Panel)
        {
            left -= feeder.Drop.Value;
        }

        return left < most.Branch ? left : most.Branch;
    }

    /// <summary>Takes what feeders lose off the circuits behind them, and sizes every pipe for what is in it.</summary>
    public static ImmutableArray<SizedCircuit> Finish(ImmutableArray<SizedCircuit> sized, ImmutableArray<Raceway> raceways,
        CodeBook book) =>
        FittedPipe.Fit(Supply.Behind(ForBoth(sized)), raceways, book);

    // A cable that brings two circuits is of the larger of their conductors: what comes in it is protected by its own breaker.
    // Where a crew takes a larger home run, the home run of the one that comes in it is that cable, not what goes on from there.
    private static ImmutableArray<SizedCircuit> ForBoth(ImmutableArray<SizedCircuit> sized)
    {
        Gauge Shared(SizedCircuit lead, SizedCircuit guest) =>
            guest.HomeRunGauge > lead.HomeRunGauge ? guest.HomeRunGauge : lead.HomeRunGauge;
        SizedCircuit Home(SizedCircuit circuit, Gauge gauge) => circuit with
        {
            HomeRunGauge = gauge,
            GroundNeeded = Grounding.For(circuit.Breaker.Value, gauge, circuit.Least ?? gauge, circuit.Book),
        };
        return [.. sized.Select(c => c.Routed.HomeRun?.TakesAlong is CircuitKey key
            && Shared(c, sized.First(g => g.Circuit.Key == key)) is var larger && larger != c.HomeRunGauge
                ? Drops.Measure(Home(c, larger))
            : c.ComesIn is { } cable ? Drops.Measure(Home(c, c.Gauge.Value) with
            {
                ComesInGauge = Shared(sized.First(l => l.Circuit.Key == cable.Circuit), c),
            }) : c)];
    }

    private static Amps LargestBehind(PanelId panel, ImmutableArray<RoutedCircuit> circuits, Survey survey, Job job, CodeBook book)
    {
        var behind = job.Behind(panel).ToHashSet();
        return circuits.Select(c => c.Circuit).Where(c => c.Kind != CircuitKind.Feeder && behind.Contains(c.Panel))
            .Select(c => Breakers.Choose(c, [.. c.Boxes.SelectMany(b => survey[b].Plates)], job, book).Value)
            .DefaultIfEmpty().MaxBy(a => a.Value);
    }

    private static bool Passes(Run run, IReadOnlySet<Spot> spots) => run.Way.Passages.Any(p => spots.Contains(p.Spot));

    internal static ILookup<CircuitKey, Raceway> Piped(ImmutableArray<Raceway> raceways) =>
        raceways.SelectMany(w => w.Runs.Select(r => r.Circuit).Distinct().Select(c => (Circuit: c, w))).ToLookup(x => x.Circuit, x => x.w);

    internal static bool Carries(Gauge gauge, Circuit circuit, Amps breaker, Amps ampacity, CodeBook book, Amps? mca) =>
        mca is Amps needed ? ampacity >= needed : Serves(gauge, circuit, breaker, ampacity, book);

    // The home run of another circuit in whose cable this one's conductors come.
    private static Run? ComesIn(RoutedCircuit routed, ImmutableArray<RoutedCircuit> circuits) =>
        routed.HomeRun?.RidesIn is RunId id ? circuits.SelectMany(c => c.Runs).First(r => r.Id == id) : null;

    private static SizedCircuit Branch(RoutedCircuit routed, Run? comesIn, ImmutableArray<Raceway> raceways, Holes holes,
        ILookup<RunId, CableBundle> bundles, Survey survey, Job job, CodeBook book, Percent? mayLose)
    {
        var circuit = routed.Circuit;
        var plates = circuit.Boxes.SelectMany(b => survey[b].Plates).ToList();
        var breaker = Breakers.Choose(circuit, plates, job, book);
        var ways = comesIn is null ? routed.Runs : routed.Runs.Add(comesIn);
        var places = WorstPlaces(ways, raceways, holes, bundles, book);
        var mca = plates.Count == 1 ? plates[0].Mca : null;
        var relieved = holes.RelievedOn(ways);
        var goOn = GoingOn(routed, survey);
        var jacket = JacketOf(routed.Runs);
        var (needed, ampacity) = ByNeed(circuit, breaker.Value, places, book, jacket, mca);
        var gauge = needed;
        var why = Because.Of("Why this conductor");
        if (jacket == Jacket.Underground)
        {
            var wet = book.Conductors.Suffix(Jacket.Underground);
            why = why.Book($"{wet} cable: nonmetallic cable may not be in a damp place", wet,
                book.Cite(RuleId.NotInWetPipe, RuleId.UndergroundUse));
        }

        if (job.Pins.Cables.FirstOrDefault(p => p.Circuit == circuit.Key) is { } pin)
        {
            gauge = pin.Gauge;
            ampacity = Worst(gauge, places, book, jacket);
            why = why.Pin("held by a person", gauge.Words);
        }
        else if (Lying(routed, job, r => r.Kind != RunKind.HomeRun && !goOn.Contains(r.Id)) is { } pulled && pulled > gauge)
        {
            gauge = pulled;
            ampacity = Worst(gauge, places, book, jacket);
            why = PulledAlready(why, gauge);
        }

        why = mca is Amps plate
            ? why.Job("nameplate: minimum circuit ampacity", plate.ToString()).Then(ampacity.Why)
            .Book("carries the MCA", $"{ampacity.Value} ≥ {plate}", book.Cite(RuleId.CompressorMinimum, RuleId.CompressorConductors))
            : why.Book($"{breaker.Value} breaker", $"{book.Conductors.LeastFor(breaker.Value).Words} or larger",
                book.Cite(RuleId.SmallConductors))
            .Then(ampacity.Why).Then(Verdict(circuit, breaker.Value, ampacity.Value, book));
        why = why.Then(OtherWayRound(mca ?? (circuit.Load.PortableReceptacles ? breaker.Value : circuit.Load.Required), gauge, places,
            book, jacket));
        if (relieved.Spots > 0)
        {
            why = why.House($"spread over more holes first: at {relieved.Spots} member{(relieved.Spots == 1 ? "" : "s")} no more "
                + $"than {relieved.Most}"
                + $" cable{(relieved.Most == 1 ? "" : "s")} to a hole", gauge > ByNeed(circuit, breaker.Value, [], book, jacket, mca).Gauge
                ? "not enough, so one size larger" : "no larger conductor needed", "another hole before larger cable");
        }

        // The job's school is about general circuits; one circuit's own is about it, whatever it is.
        var one = job.CircuitSchools.Any(c => c.Circuit == circuit.Key && c.HomeRun is not null);
        var home = job.SchoolsOn(circuit.Key).HomeRun == HomeRunSize.OneLarger && (circuit.IsGeneral || one)
            && book.Conductors.Next(gauge) is Gauge larger
            && Grounding.For(breaker.Value, larger, needed, book) <= book.Conductors.GroundWith(larger) ? larger : gauge;
        // A home run that lies there is not pulled again for a habit, nor for being larger than the rest.
        home = Lying(routed, job, r => (r.Kind == RunKind.HomeRun && r.RidesIn is null) || goOn.Contains(r.Id)) is { } lies
            && lies >= gauge ? lies : home;
        SizedCircuit Made(Gauge all, Gauge homeRun, Because because) => Drops.Measure(new()
        {
            Routed = routed,
            Book = book,
            Measure = job.Schools.Measure,
            Breaker = breaker,
            Gauge = new(all, because),
            HomeRunGauge = homeRun,
            GoOn = goOn,
            Jacket = jacket,
            Mca = mca,
            ComesIn = comesIn,
            Ampacity = all == gauge ? ampacity : Worst(all, places, book, jacket),
            Least = needed,
            GroundNeeded = Grounding.For(breaker.Value, homeRun, needed, book),
            Ground = routed.Runs.Any(r => r.Jacket == Jacket.Loose) ? Grounding.For(breaker.Value, homeRun, needed, book) : null,
            VoltsAtPanel = circuit.Load.AtOutlets,
            VoltsAt = [],
            Through = [],
            Drop = new(new(0), Because.Of("Why these volts")),
        });
        var sized = Made(gauge, home, why);
        // Where the loss is a rule: the home run a size larger, then all of it, and so on, no larger than devices take; a pin stays.
        var (all, lost) = (gauge, sized.Drop.Value.OneDecimal);
        var held = job.Pins.Cables.Any(p => p.Circuit == circuit.Key);
        while (mayLose is { } most && sized.Drop.Value > most && !held)
        {
            var grows = home == all;
            if (book.Conductors.Next(grows ? home : all) is not Gauge next || (breaker.Value <= 20.Amps() && next > Units.Gauge.Awg10))
            {
                break;
            }

            (home, all) = grows ? (next, all) : (home, next);
            sized = Made(all, home, why.Book($"{lost} is lost with {gauge}; at most {most.OneDecimal}",
                home == all ? all.Words : $"{home.Words} for the home run", book.Cite(RuleId.VoltageDropLimit)));
        }

        return sized;
    }

    private static ImmutableHashSet<RunId> GoingOn(RoutedCircuit routed, Survey survey)
    {
        var found = ImmutableHashSet.CreateBuilder<RunId>();
        // In the order they are fed: what a run begins at is known before it.
        foreach (var run in routed.Runs.Where(r => r.From.Box is { } box && survey[box].IsJoint && r.Upstream is { } before
            && (before == routed.HomeRun!.Id || found.Contains(before))))
        {
            found.Add(run.Id);
        }

        return found.ToImmutable();
    }

    internal static Because PulledAlready(Because why, Gauge gauge) =>
        why.House("pulled already, and larger than it need be", gauge.Words, "what is pulled stays");

    // The largest conductor of the cables that are pulled already; null where none is.
    private static Gauge? Lying(RoutedCircuit routed, Job job, Func<Run, bool> which) => job.Built.Runs.IsEmpty ? null
        : routed.Runs.Where(which).Select(r => job.Built.GaugeOf(r.Id)).OfType<Gauge>().Select(g => (Gauge?)g).Max();

    private static Jacket JacketOf(ImmutableArray<Run> runs)
    {
        var cables = runs.Where(r => r.Jacket != Jacket.Loose).ToList();
        return cables.Exists(r => r.Jacket == Jacket.Underground) ? Jacket.Underground
            : cables.Count == 0 ? runs.IsEmpty ? Jacket.Nonmetallic : Jacket.Loose
            : cables.TrueForAll(r => r.Jacket == Jacket.Armoured) ? Jacket.Armoured : Jacket.Nonmetallic;
    }

    // The same sum from the other end: the load divided by the factors, looked up once.
    private static Because OtherWayRound(Amps load, Gauge gauge, IReadOnlyList<WorstPlace> places, CodeBook book, Jacket jacket)
    {
        var held = book.Conductors.AdjustsTerminations;
        Jacket Of(WorstPlace place) => place.Piped is null ? place.Cable ?? jacket : Jacket.Loose;
        var (worst, at, cable) = places.Select(p => (held
            ? Ampacities.Adjustment(p.Cables, p.CurrentCarrying, p.Bundled is not null || p.Piped is not null, book, Of(p))
            : Ampacities.Factor(p.Cables, p.CurrentCarrying, p.Ambient, Of(p), p.Bundled is not null || p.Piped is not null, book),
            p.Piped, Of(p))).DefaultIfEmpty((1, null, jacket)).MinBy(p => p.Item1);
        if (worst is 0 or >= 1)
        {
            return Because.Of("");
        }

        var column = held ? at ?? Column.C60 : cable == Jacket.Underground ? Column.C60 : Column.C90;
        var listed = book.Conductors.Ampacity(gauge, Metal.Copper, column)!.Value;
        var divided = new Amps(load.Value / worst);
        return Because.Of("").Book($"the other way round: {load} ÷ {worst:0.0000}, looked up once in the {(int)column} °C column",
            $"{divided} {(divided <= listed ? "≤" : ">")} {listed}", book.Cite(RuleId.AmpacityTable));
    }

    private static Because Verdict(Circuit circuit, Amps rating, Amps ampacity, CodeBook book) =>
        rating <= ampacity ? Because.Of("")
            .Book("protected by its breaker", $"{rating} ≤ {ampacity}", book.Cite(RuleId.ConductorProtection))
        : book.Protects(rating, ampacity, circuit.Load.PortableReceptacles) ? Because.Of("")
        .Book($"{ampacity} is no standard size; the next up is allowed, no portable receptacles in the plural", rating.ToString(),
            book.Cite(RuleId.NextSizeUp))
        : Because.Of("").Book("not protected by its breaker", $"{rating} > {ampacity}", book.Cite(RuleId.ConductorProtection));

    internal static (Gauge Gauge, Figure<Amps> Ampacity) ByNeed(Circuit circuit, Amps breaker, IReadOnlyList<WorstPlace> places,
        CodeBook book, Jacket jacket, Amps? mca = null)
    {
        foreach (var gauge in book.Conductors.Sizes)
        {
            var ampacity = Worst(gauge, places, book, jacket);
            if (mca is Amps needed ? ampacity.Value >= needed : Serves(gauge, circuit, breaker, ampacity.Value, book))
            {
                return (gauge, ampacity);
            }
        }

        var last = book.Conductors.Sizes[^1];
        return (last, Worst(last, places, book, jacket));
    }

    private static bool Serves(Gauge gauge, Circuit circuit, Amps breaker, Amps ampacity, CodeBook book) =>
        (book.Conductors.SmallConductorLimit(gauge, Metal.Copper) is not Amps limit || breaker <= limit)
        && ampacity >= circuit.Load.Required
        && book.Protects(breaker, ampacity, circuit.Load.PortableReceptacles);

    internal static Figure<Amps> Worst(Gauge gauge, IReadOnlyList<WorstPlace> places, CodeBook book, Jacket jacket,
        Metal metal = Metal.Copper) => places.Count == 0
        ? Ampacities.InCable(gauge, 1, 2, new(30), book, "", jacket, metal: metal)
        : places.Select(p => p.Piped is Column terminations
            ? Ampacities.InRaceway(gauge, p.CurrentCarrying, p.Ambient, terminations, book, where: p.Where)
            : Over(Ampacities.InCable(gauge, p.Cables, p.CurrentCarrying, p.Ambient, book, p.Where, p.Cable ?? jacket, p.Bundled, metal),
                p, book))
            .MinBy(f => f.Value)!;

    private static Figure<Amps> Over(Figure<Amps> ampacity, WorstPlace place, CodeBook book) => place.PassedOver is not { } over ? ampacity
        : ampacity with
        {
            Why = ampacity.Why.Book($"{over.Ambient} for {over.Long} of {over.Of}: no longer than {book.Conductors.ShortStretch} and a "
                + $"tenth, so the rest counts", ampacity.Value.ToString(), book.Cite(RuleId.ShortStretch)),
        };

    internal static List<WorstPlace> WorstPlaces(ImmutableArray<Run> runs, ImmutableArray<Raceway> raceways, Holes holes,
        ILookup<RunId, CableBundle> bundles, CodeBook book)
    {
        var allowed = book.Conductors.BundledBeyond.Length;
        var places = new Dictionary<(Jacket, int, int, decimal, bool), WorstPlace>();
        var warm = new WarmStretches(runs, book);
        List<WorstPlace> piped = [];
        foreach (var raceway in raceways)
        {
            if (runs.FirstOrDefault(r => r.Pipe == raceway.Pipe.Id) is not { } pulled)
            {
                continue;
            }

            var worst = raceway.Worst(pulled, allowed);
            // What goes on in cable ends at 60 °C all the same: one circuit, one conductor (110.14(C)).
            piped.Add(pulled.Jacket != Jacket.Loose ? new(worst.Runs.Length, worst.CurrentCarrying, worst.Ambient, worst.Where, worst.Long)
                : new(1, worst.CurrentCarrying, worst.Ambient, worst.Where, null,
                    raceway.Pipe.Marked75 && runs.All(r => r.Jacket == Jacket.Loose) ? Column.C75 : Column.C60));
        }

        foreach (var run in runs.Where(r => r.Pipe is null))
        {
            // Where one cable goes on as another, each carries what it may where it lies, and the least of them counts (310.14(A)(2)).
            var cable = run.Jacket;

            // A hole without a crowd is as warm as the stretch on either side of it, and as short.
            foreach (var hole in holes.Of(run).Where(h => h.Sealed && (h.Ambient.Degrees <= 30
                || h.Runs.Length > (book.Conductors.MostInSealedHole ?? int.MaxValue) || warm.PassedOver(h.Ambient) is null)))
            {
                places.TryAdd((cable, hole.Runs.Length, hole.CurrentCarrying, hole.Ambient.Degrees, false),
                    new(hole.Runs.Length, hole.CurrentCarrying, hole.Ambient, hole.Spot.ToString(), null) { Cable = cable });
            }

            foreach (var bundle in bundles[run.Id])
            {
                places.TryAdd((cable, bundle.Runs.Length, bundle.CurrentCarrying, bundle.Ambient.Degrees, !bundle.Insulated),
                    new(bundle.Runs.Length, bundle.CurrentCarrying, bundle.Ambient, $"from {bundle.Spot}", bundle.Insulated ? null
                        : bundle.Long)
                    { Cable = cable });
            }

            // A cable of two circuits and two neutrals has four of its own, wherever it lies.
            var own = Math.Max(2, run.CurrentCarrying);
            foreach (var leg in run.Way.Legs.Where(l => l.Ambient.Degrees > 30 || own > 3))
            {
                if (own <= 3 && warm.PassedOver(leg.Ambient) is { } over)
                {
                    places[(cable, 1, own, 30, false)] = new(1, own, new(30), "", null) { PassedOver = over, Cable = cable };
                    continue;
                }

                places.TryAdd((cable, 1, own, leg.Ambient.Degrees, false),
                    new(1, own, leg.Ambient, leg.Space == Space.Attic ? "in the attic" : "in the floor", null) { Cable = cable });
            }
        }

        // Cable that crowds nowhere still begins from its own column.
        if (piped.Count > 0 && places.Count == 0 && runs.Any(r => r.Pipe is null))
        {
            piped.Add(new(1, 2, new(30), "", null));
        }

        // Of places that allow as much, the one that has something to say.
        return [.. piped, .. places.Values.OrderBy(p => p.PassedOver is null)];
    }

    // Piped: the column its terminations are marked for; null for cable.
    internal sealed record WorstPlace(int Cables, int CurrentCarrying, Celsius Ambient, string Where, Length? Bundled,
        Column? Piped = null)
    {
        /// <summary>The cable that lies there; as the whole circuit's when null.</summary>
        public Jacket? Cable { get; init; }

        /// <summary>What was warmer, for so short that it does not count.</summary>
        public ShortStretch? PassedOver { get; init; }
    }
}
