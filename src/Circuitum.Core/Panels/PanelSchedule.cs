using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
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
    /// <summary>What it takes.</summary>
    public IEnumerable<PanelSpace> Spaces => Space?.Taking(Wired.Circuit.Poles) ?? [];

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
    private readonly ILookup<int, Occupant> inSpace = Circuits.Select(c => new Occupant(c, null)).Concat(Panel.Taken.Select(t => new Occupant(null, t)))
        .SelectMany(o => o.Spaces.Select(s => (s, o))).OrderBy(x => x.s).ToLookup(x => x.s.Number, x => x.o);

    /// <summary>What stands in a space: nothing, a breaker, or the two halves of a tandem one, the upper first.</summary>
    public IEnumerable<Occupant> In(int space) => inSpace[space];

    /// <summary>Connected load on a leg: a one-pole's whole load, half of a two-pole's.</summary>
    public VoltAmps On(Leg leg) => On(leg, c => c.Circuit.Load.Connected);

    /// <summary>Load on a leg, by what is taken of each circuit; what stood there before by its survey.</summary>
    /// <param name="leg">The leg.</param>
    /// <param name="taken">How much of a circuit's load is taken.</param>
    public VoltAmps On(Leg leg, Func<WiredCircuit, VoltAmps> taken) => new(Circuits.Where(c => c.Space is not null || c.OnLugs)
        .Sum(c => c.Wired.Circuit.Poles == 2 ? taken(c.Wired).Value / 2 : c.Leg == leg ? taken(c.Wired).Value : 0)
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
    public IEnumerable<WrittenSpace> AsWritten => Circuits.Where(c => c.Space is not null).Select(c => new WrittenSpace(c.Wired.Circuit.Key, Panel.Id, c.Space!.Value));
}
