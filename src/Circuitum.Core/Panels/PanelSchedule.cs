using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Panels;

/// <summary>The two hot legs.</summary>
public enum Leg
{
    /// <summary>Odd rows.</summary>
    A,

    /// <summary>Even rows.</summary>
    B,
}

/// <summary>A circuit in its space.</summary>
/// <param name="Wired">The circuit.</param>
/// <param name="Space">The upper space it takes, or half of one; null when the panel is full.</param>
/// <param name="Description">What a stranger reads.</param>
/// <param name="Why">Why this space.</param>
public sealed record Landed(WiredCircuit Wired, PanelSpace? Space, string Description, Because Why)
{
    /// <summary>The circuit as it was divided.</summary>
    public Circuit Circuit => Wired.Circuit;

    /// <summary>What it is pulled in, each figure with its reason.</summary>
    public SizedCircuit Sized => Wired.Sized;

    /// <summary>Its protection, with the reason.</summary>
    public ProtectedCircuit Protected => Wired.Protected;

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

    /// <summary>Its boxes.</summary>
    public ImmutableArray<BoxId> Boxes => Circuit.Boxes;

    /// <summary>Rating of its overcurrent device.</summary>
    public Amps Breaker => Wired.Breaker;

    /// <summary>What kind of breaker that is.</summary>
    public BreakerKind BreakerKind => Wired.BreakerKind;

    /// <summary>How the schedule marks the breaker: AF, GF, AF+GF or nothing.</summary>
    public string Mark => Wired.Mark;

    /// <summary>Its conductor beyond the home run.</summary>
    public Gauge Gauge => Wired.Gauge;

    /// <summary>The conductor of its home run.</summary>
    public Gauge HomeRunGauge => Wired.HomeRunGauge;

    /// <summary>Its cable as the trade names it.</summary>
    public string Cable => Wired.Cable;

    /// <summary>The panel a feeder supplies; null for a branch circuit.</summary>
    public PanelId? Feeds => Circuit.Feeds;

    /// <summary>The circuit it shares its neutral with; null without one.</summary>
    public CircuitKey? SharesNeutralWith => Circuit.SharesNeutralWith;

    /// <summary>True for the circuit of a generator's inlet.</summary>
    public bool BringsPower => Circuit.BringsPower;

    /// <summary>Protective receptacles on it, placed or planned.</summary>
    public ImmutableDictionary<BoxId, ProtectiveDevice> Devices => Wired.Devices;

    /// <summary>The cable of one of its runs as the trade names it.</summary>
    public string CableOf(Run run) => Wired.CableOf(run);

    /// <summary>Its runs, the home run first.</summary>
    public ImmutableArray<Run> Runs => Wired.Runs;

    /// <summary>Its home run or feeder; null on a circuit without boxes.</summary>
    public Run? HomeRun => Wired.HomeRun;

    /// <summary>What it takes.</summary>
    public IEnumerable<PanelSpace> Spaces => Space?.Taking(Poles) ?? [];

    /// <summary>What the planner writes; the description is a person's where it differs.</summary>
    public string Planned { get; init; } = Description;

    /// <summary>Leg of its upper pole.</summary>
    public Leg? Leg => Space is { } at ? SpaceNumbers.LegOf(at.Number) : null;

    /// <summary>A feeder on feed-through lugs: it takes no space.</summary>
    public bool OnLugs => Wired.Circuit.ByLugs;

    /// <summary>"14", "14a" or "1/3"; "lugs" for what is on feed-through lugs.</summary>
    public string SpaceText => OnLugs ? "lugs" : Space is null ? "none" : string.Join('/', Spaces);
}

/// <summary>How spaces are numbered.</summary>
public static class SpaceNumbers
{
    /// <summary>Row of a space from the top, 1 the first: odd numbers left, even right.</summary>
    public static int RowOf(int space) => (space + 1) / 2;

    /// <summary>Odd rows on leg A, even rows on leg B.</summary>
    public static Leg LegOf(int space) => RowOf(space) % 2 == 1 ? Leg.A : Leg.B;
}

/// <summary>A panel as it hangs in its door.</summary>
public sealed record PanelSchedule(Panel Panel, string Where, ImmutableArray<Landed> Circuits)
{
    private readonly ILookup<int, Occupant> inSpace = Circuits.Select(c => new Occupant(c, null))
        .Concat(Panel.Taken.Select(t => new Occupant(null, t)))
        .SelectMany(o => o.Spaces.Select(s => (s, o))).OrderBy(x => x.s).ToLookup(x => x.s.Number, x => x.o);

    /// <summary>What stands in a space: nothing, a breaker, or the two halves of a tandem one, the upper first.</summary>
    public IEnumerable<Occupant> In(int space) => inSpace[space];

    /// <summary>Connected load on a leg: a one-pole's whole load, half of a two-pole's.</summary>
    public VoltAmps On(Leg leg) => On(leg, c => c.Circuit.Load.Connected);

    /// <summary>Load on a leg, by what is taken of each circuit; what stood there before by its survey.</summary>
    /// <param name="leg">The leg.</param>
    /// <param name="taken">How much of a circuit's load is taken.</param>
    public VoltAmps On(Leg leg, Func<WiredCircuit, VoltAmps> taken) => new(Circuits.Where(c => c.Space is not null || c.OnLugs)
        .Sum(c => c.Poles == 2 ? taken(c.Wired).Value / 2 : c.Leg == leg ? taken(c.Wired).Value : 0)
        + Panel.Taken.Sum(t => t.Poles == 2 ? t.Load.Value / 2 : SpaceNumbers.LegOf(t.Space.Number) == leg ? t.Load.Value : 0));

    /// <summary>How far the legs are apart with everything connected, of the larger.</summary>
    public Percent Apart => ApartBy(c => c.Circuit.Load.Connected);

    /// <summary>How far the legs are apart by what is taken of each circuit, of the larger.</summary>
    public Percent ApartBy(Func<WiredCircuit, VoltAmps> taken)
    {
        decimal a = On(Leg.A, taken).Value, b = On(Leg.B, taken).Value;
        return new(Math.Max(a, b) == 0 ? 0 : Math.Abs(a - b) / Math.Max(a, b) * 100);
    }

    /// <summary>Spaces without a breaker.</summary>
    public int Left => Enumerable.Range(1, Panel.Spaces).Count(s => !inSpace.Contains(s));

    /// <summary>Poles that stand in it, which the label limits (408.54).</summary>
    public int Poles => Circuits.Sum(c => c.Spaces.Count()) + Panel.Taken.Sum(t => t.Poles);

    /// <summary>Every circuit that has a space, as it would be written.</summary>
    public IEnumerable<WrittenSpace> AsWritten => Circuits.Where(c => c.Space is not null)
        .Select(c => new WrittenSpace(c.Key, Panel.Id, c.Space!.Value));
}
