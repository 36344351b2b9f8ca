using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Wiring;

/// <summary>The electrical truth of one circuit: which run feeds which box, from the breaker to the last box.</summary>
/// <param name="Protected">The circuit with its conductors and protection.</param>
/// <param name="Boxes">What enters and leaves each box.</param>
public sealed record WiredCircuit(ProtectedCircuit Protected, ImmutableDictionary<BoxId, WiredBox> Boxes)
{
    /// <summary>The circuit as it was divided.</summary>
    public Circuit Circuit => Protected.Circuit;

    /// <summary>What it is pulled in, each figure with its reason.</summary>
    public SizedCircuit Sized => Protected.Sized;

    /// <summary>Its runs and what its switches work.</summary>
    public RoutedCircuit Routed => Sized.Routed;

    /// <summary>Key that pins refer to.</summary>
    public CircuitKey Key => Circuit.Key;

    /// <summary>What the rules take it for.</summary>
    public CircuitKind Kind => Circuit.Kind;

    /// <summary>What it carries.</summary>
    public CircuitLoad Load => Circuit.Load;

    /// <summary>Hot legs its breaker opens.</summary>
    public int Poles => Circuit.Poles;

    /// <summary>The panel that feeds it.</summary>
    public PanelId Panel => Circuit.Panel;

    /// <summary>Rating of its overcurrent device.</summary>
    public Amps Breaker => Sized.Breaker.Value;

    /// <summary>What kind of breaker that is.</summary>
    public BreakerKind BreakerKind => Protected.Kind.Value;

    /// <summary>How the schedule marks the breaker: AF, GF, AF+GF or nothing.</summary>
    public string Mark => Protected.Mark;

    /// <summary>Its conductor beyond the home run.</summary>
    public Gauge Gauge => Sized.Gauge.Value;

    /// <summary>The conductor of its home run.</summary>
    public Gauge HomeRunGauge => Sized.HomeRunGauge;

    /// <summary>Its cable as the trade names it.</summary>
    public string Cable => Sized.Cable;

    /// <summary>What its conductor may carry in its worst place.</summary>
    public Amps Ampacity => Sized.Ampacity.Value;

    /// <summary>The rules it was sized by.</summary>
    public CodeBook Book => Sized.Book;

    /// <summary>Share of the voltage lost at its worst box.</summary>
    public Percent Drop => Sized.Drop.Value;

    /// <summary>The panel a feeder supplies; null for a branch circuit.</summary>
    public PanelId? Feeds => Circuit.Feeds;

    /// <summary>Its breaker trips on a ground fault.</summary>
    public bool BreakerIsGfci => Protected.BreakerIsGfci;

    /// <summary>What each outlet needs and what gives it.</summary>
    public ImmutableDictionary<BoxId, OutletProtection> Outlets => Protected.Outlets;

    /// <summary>Protective receptacles on it, placed or planned.</summary>
    public ImmutableDictionary<BoxId, ProtectiveDevice> Devices => Protected.Devices;

    /// <summary>The pipe its home run is pulled in; null for cable.</summary>
    public FittedPipe? Pipe => Sized.Pipe;

    /// <summary>What its switches work.</summary>
    public ImmutableArray<ControlGroup> Groups => Routed.Groups;

    /// <summary>True when a box has ground-fault protection, from the breaker or a device.</summary>
    public bool HasGfci(BoxId box) => Protected.HasGfci(box);

    /// <summary>The conductor of one of its runs.</summary>
    public Gauge GaugeOf(Run run) => Sized.GaugeOf(run);

    /// <summary>The cable of one of its runs as the trade names it.</summary>
    public string CableOf(Run run) => Sized.CableOf(run);

    /// <summary>Its runs, the home run first.</summary>
    public ImmutableArray<Run> Runs => Routed.Runs;

    /// <summary>Its home run or feeder; null on a circuit without boxes.</summary>
    public Run? HomeRun => Routed.HomeRun;

    /// <summary>The make-up of one of its boxes.</summary>
    /// <param name="box">A box of this circuit.</param>
    /// <param name="school">How the crew makes joints.</param>
    public BoxWiring Wiring(PlacedBox box, JointSchool school) => new MakingUp(this, box, school).Make();

    /// <summary>The runs from the panel to a box, in the order current takes them.</summary>
    public ImmutableArray<Run> WayTo(BoxId box)
    {
        var byId = Protected.Routed.Runs.ToDictionary(r => r.Id);
        var way = new List<Run>();
        for (var run = Boxes[box].FedBy; run is not null; run = run.Upstream is RunId up ? byId[up] : null)
        {
            way.Add(run);
        }

        way.Reverse();
        return [.. way];
    }

    /// <summary>Boxes without power when the way into this one is broken: itself and all it feeds.</summary>
    public ImmutableArray<BoxId> DarkBeyond(BoxId box)
    {
        var dark = new List<BoxId> { box };
        for (var i = 0; i < dark.Count; i++)
        {
            dark.AddRange(Boxes[dark[i]].Out.Where(r => r.Circuit == Circuit.Key).Select(r => r.To.Box).OfType<BoxId>()
                .Where(b => !dark.Contains(b)));
        }

        return [.. dark];
    }
}

/// <summary>One box's cables.</summary>
/// <param name="FedBy">The run whose current it uses.</param>
/// <param name="In">Every run that arrives.</param>
/// <param name="Out">Every run that leaves.</param>
/// <param name="Volume">What its cables and devices need.</param>
/// <param name="Given">The stamped volume, or the smallest usual box that fits; null when none does.</param>
public sealed record WiredBox(Run FedBy, ImmutableArray<Run> In, ImmutableArray<Run> Out, Figure<CubicInches> Volume, CubicInches? Given)
{
    /// <summary>The cubic inches of <see cref="Volume"/>, bare.</summary>
    public CubicInches Needed => Volume.Value;

    /// <summary>Device places of its box; none for a round one.</summary>
    public int Gangs { get; init; }

    /// <summary>How it is made.</summary>
    public BoxMake Make { get; init; }

    /// <summary>A cable more than one in and one out of constant feed: it branches.</summary>
    public bool Branches => Out.Count(r => r.Kind is RunKind.Jumper or RunKind.HomeRun) > 1;

    /// <summary>Nothing is fed onward: the cable is marked END.</summary>
    public bool IsEnd => Out.IsEmpty;
}

/// <summary>Stage Wiring: joins runs into a graph from breaker to last box.</summary>
public static class Wires
{
    /// <summary>Wires every circuit.</summary>
    public static ImmutableArray<WiredCircuit> Join(ImmutableArray<ProtectedCircuit> circuits, Survey survey, CodeBook book)
    {
        var guests = circuits.Where(c => c.Sized.Routed.HomeRun?.RidesIn is not null)
            .ToLookup(c => c.Sized.Routed.HomeRun!.From.Box, c => c.Sized);
        return [.. circuits.Select(c =>
            new WiredCircuit(c, c.Circuit.Boxes.ToImmutableDictionary(id => id, id => Join(c, guests[id], survey[id], book))))];
    }

    private static WiredBox Join(ProtectedCircuit circuit, IEnumerable<SizedCircuit> guests, PlacedBox box, CodeBook book)
    {
        var runs = circuit.Sized.Routed.Runs;
        ImmutableArray<Run> into = [.. runs.Where(r => r.To.Box == box.Box.Id)],
            from = [.. runs.Where(r => r.From.Box == box.Box.Id), .. guests.Select(g => g.Routed.HomeRun!)];
        // A switch box reached by travelers as well takes its constant feed from the other cable.
        var fed = into.FirstOrDefault(r => r.Kind is RunKind.HomeRun or RunKind.Jumper) ?? into[0];
        Gauge GaugeOf(Run run) => (guests.FirstOrDefault(g => g.Routed.HomeRun == run) ?? circuit.Sized).GaugeOf(run);
        var cables = into.Concat(from).Select(r => new EnteringCable(GaugeOf(r), r.Conductors)).ToList();
        var gangs = box.Gangs;
        // Armored cable is bonded by the box it enters: where no person chose another, that is of metal (314.3).
        var make = box is { Make: BoxMake.NailOn, Box.Make: null } && into.Concat(from).Any(r => r.Jacket == Jacket.Armoured)
            ? BoxMake.Square : box.Make;
        // A device box that is too small gives way to a square, which has no clamps to count.
        make = make == BoxMake.MetalDevice && box.Box.Make is null
            && UsualBoxes.Smallest(make, gangs, box.Needed(cables, make, book).Value) is null ? BoxMake.Square : make;
        var volume = box.Needed(cables, make, book);
        var counted = box.Plates.All(p => p.Volts == book.Supply.ToNeutral);
        return new(fed, into, from, volume,
            box.Box.Volume ?? (counted ? UsualBoxes.Taken(make, gangs, volume.Value) : volume.Value.WholeUp))
        {
            Gangs = gangs,
            Make = make,
        };
    }
}
