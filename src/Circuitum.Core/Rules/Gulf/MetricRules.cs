using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Gulf;

/// <summary>What a final distribution board of the Gulf metric method may feed and how: figures of the program's own reading, for the
/// authority to confirm. Cited by their head, and by the clause of the standard where there is one.</summary>
public static class MetricRules
{
    private static readonly int[] Standard = [6, 10, 16, 20, 25, 32, 40, 50, 63, 80, 100, 125];
    private static readonly int[] OfSubMains = [160, 200, 250];
    private static readonly int[] OfResidual = [25, 40, 63, 80, 100, 125];

    /// <summary>What it is called on every sheet.</summary>
    public static string Called => "Gulf metric method";

    /// <summary>As it stands in a file.</summary>
    public const string Key = "gulf-metric";

    /// <summary>Between a phase and the neutral.</summary>
    public static Volts ToNeutral { get; } = new(230);

    /// <summary>Between two phases.</summary>
    public static Volts Between { get; } = new(400);

    /// <summary>What three phases bring at a current of one ampere, in watts for each volt between them: √3.</summary>
    public const decimal Root3 = 1.7320508m;

    /// <summary>Ratings of breakers on a board, small to large.</summary>
    public static ImmutableArray<Amps> Ratings { get; } = [.. Standard.Select(r => new Amps(r))];

    /// <summary>Ratings of residual-current devices, small to large.</summary>
    public static ImmutableArray<Amps> ResidualRatings { get; } = [.. OfResidual.Select(r => new Amps(r))];

    /// <summary>The largest sub-main kept here.</summary>
    public static Amps MostSubMain { get; } = new(OfSubMains[^1]);

    /// <summary>A number of the method as it holds for a job: the local one where an authority has set it otherwise.</summary>
    /// <param name="fed">How the boards are fed, with its amendments.</param>
    /// <param name="number">The number; watts, amperes and per cent as they are.</param>
    public static int Most(this MetricFeed fed, MetricNumber number) => fed.Amended(number)?.Value ?? Most(number);

    /// <summary>On whose word a number holds.</summary>
    public static Citation Cite(this MetricFeed fed, MetricNumber number) => fed.Amended(number) is { } amendment ? amendment.By
        : Cite(RuleOf(number));

    /// <summary>A number of the method itself.</summary>
    public static int Most(MetricNumber number) => number switch
    {
        MetricNumber.SocketsOnRadial => 4,
        MetricNumber.SocketsOnRing => 8,
        MetricNumber.RingsBehindOne => 6,
        MetricNumber.UnitsLooped => 3,
        MetricNumber.UnitsOnBoard => 8,
        MetricNumber.WaysOfBoard => 42,
        MetricNumber.IncomerOfBoard => 125,
        MetricNumber.WattsOfLighting => 2000,
        _ => 4,
    };

    private static MetricRule RuleOf(MetricNumber number) => number switch
    {
        MetricNumber.SocketsOnRadial => MetricRule.Sockets,
        MetricNumber.SocketsOnRing or MetricNumber.RingsBehindOne => MetricRule.Ring,
        MetricNumber.UnitsLooped or MetricNumber.UnitsOnBoard => MetricRule.Cooling,
        MetricNumber.WaysOfBoard or MetricNumber.IncomerOfBoard => MetricRule.Board,
        MetricNumber.WattsOfLighting => MetricRule.Lighting,
        _ => MetricRule.Drop,
    };

    /// <summary>What a ring's conductor must carry at least: two thirds of its breaker of 30 or 32 A, rounded down (433.1.204).</summary>
    public static Amps LeastOfRing { get; } = new(20);

    /// <summary>Breaker of a ring.</summary>
    public static Amps RingBreaker { get; } = new(32);

    /// <summary>Breaker of a radial of sockets.</summary>
    public static Amps RadialBreaker { get; } = new(20);

    /// <summary>Breaker of a socket of 15 A, alone on its radial.</summary>
    public static Amps FifteenBreaker { get; } = new(16);

    /// <summary>Conductors of lighting.</summary>
    public static SquareMillimetres LightingSize { get; } = new(2.5m);

    /// <summary>Least conductors of power.</summary>
    public static SquareMillimetres PowerSize { get; } = new(4);

    /// <summary>The share of the supply's volts that may be lost to the farthest point, where nobody amended it.</summary>
    public static Percent MostDrop { get; } = new(Most(MetricNumber.LostToPoint));

    /// <summary>In a conduit, one more box to draw in from after so far.</summary>
    public static Length BetweenBoxes { get; } = Length.FromMetres(10);

    /// <summary>Least insulation between conductors and to earth, MΩ, measured with 500 V: IEC 60364-6, table 6A.</summary>
    public const int LeastInsulation = 1;

    /// <summary>Within so many milliseconds a residual-current device opens at its rated current: IEC 61008-1, table 1.</summary>
    public const int LongestTrip = 300;

    private static Watts SmallLighting { get; } = new(1200);

    /// <summary>Breaker of a lighting circuit: 10 A to 1200 W, 16 A to 2000 W or the local limit; null where it must be split.</summary>
    public static Amps? LightingBreaker(Watts watts, MetricFeed fed) => watts <= SmallLighting ? new Amps(10)
        : watts.Value <= fed.Most(MetricNumber.WattsOfLighting) ? new Amps(16) : null;

    /// <summary>Breaker and least conductor of a cooker: 32 A and 6 mm², 40 A and 10 mm² above; larger by its rating. Null above 63 A.
    /// </summary>
    public static (Amps Breaker, SquareMillimetres Least)? Cooker(Amps current) =>
        AtLeast(current) is not { } rating || rating.Value > 63 ? null
        : rating.Value <= 32 ? (new Amps(32), new SquareMillimetres(6)) : (rating, new SquareMillimetres(10));

    /// <summary>Breaker of a water heater, alone on its radial: 20 or 25 A; null where it draws more.</summary>
    public static Amps? WaterHeaterBreaker(Amps current) => current.Value <= 20 ? new Amps(20)
        : current.Value <= 25 ? new Amps(25) : null;

    /// <summary>Residual current that a section is opened at, mA: what people hold in their hands and what stands outdoors at 30, the rest
    /// at 100.</summary>
    /// <param name="sockets">It feeds sockets, water heaters or other equipment of the rooms.</param>
    /// <param name="garden">It feeds lighting of the garden.</param>
    public static int Sensitivity(bool sockets, bool garden) => sockets || garden ? 30 : 100;

    /// <summary>Boxes to draw in from along a conduit, beside those at its ends.</summary>
    public static int DrawBoxes(Length conduit) => Math.Max(0, (conduit.Sixtyfourths - 1) / BetweenBoxes.Sixtyfourths);

    /// <summary>The next rating of a breaker at or above a current; null above 125 A.</summary>
    public static Amps? AtLeast(Amps current) => Next(Ratings, current);

    /// <summary>The next rating of a sub-main at or above a current; null above 250 A.</summary>
    public static Amps? SubMainAtLeast(Amps current) => AtLeast(current) ?? Next([.. OfSubMains.Select(r => new Amps(r))], current);

    /// <summary>The next rating of a residual-current device; null above 125 A.</summary>
    public static Amps? ResidualAtLeast(Amps current) => Next(ResidualRatings, current);

    private static Amps? Next(ImmutableArray<Amps> ratings, Amps current) =>
        ratings.Where(r => r >= current).Select(r => (Amps?)r).FirstOrDefault();

    /// <summary>On whose word.</summary>
    public static Citation Cite(MetricRule rule) => rule switch
    {
        MetricRule.AssumedLoads => "assumed loads",
        MetricRule.Lighting => "lighting circuits",
        MetricRule.Sockets => "socket circuits",
        MetricRule.Ring => "ring circuits, 433.1.204",
        MetricRule.Cooker => "cooker circuit",
        MetricRule.WaterHeater => "water heater circuit",
        MetricRule.Cooling => "cooling circuits",
        MetricRule.Overload => "Ib ≤ In ≤ Iz, 433.1",
        MetricRule.Carrying => "conductor table, 523",
        MetricRule.Ambient => "ambient table, 523",
        MetricRule.Grouping => "grouping table, 523",
        MetricRule.Drop => "voltage drop, 525",
        MetricRule.Earth => "protective conductors, 543",
        MetricRule.Board => "boards: 42 ways, 125 A",
        MetricRule.Sections => "bar sections, 531.3",
        MetricRule.Phases => "balance of phases, 314",
        MetricRule.Conduit => "conduit fill, 522.8",
        MetricRule.Insulation => "insulation, 6.4.3.3",
        MetricRule.TripTime => "residual-current devices, 6.4.3.8",
        _ => "rooms with a bath or shower, 701.512",
    };
}

/// <summary>A rule of the metric method.</summary>
public enum MetricRule
{
    /// <summary>What points are taken for.</summary>
    AssumedLoads,

    /// <summary>Watts and breakers of lighting.</summary>
    Lighting,

    /// <summary>Sockets on a radial.</summary>
    Sockets,

    /// <summary>Sockets on a ring.</summary>
    Ring,

    /// <summary>Cookers.</summary>
    Cooker,

    /// <summary>Water heaters.</summary>
    WaterHeater,

    /// <summary>Cooling units.</summary>
    Cooling,

    /// <summary>The breaker between what is drawn and what is carried.</summary>
    Overload,

    /// <summary>What conductors carry.</summary>
    Carrying,

    /// <summary>Warmth.</summary>
    Ambient,

    /// <summary>Circuits in one conduit.</summary>
    Grouping,

    /// <summary>Volts lost.</summary>
    Drop,

    /// <summary>Protective conductors.</summary>
    Earth,

    /// <summary>What one board may have.</summary>
    Board,

    /// <summary>What stands behind which residual-current device.</summary>
    Sections,

    /// <summary>Loads over the phases.</summary>
    Phases,

    /// <summary>Conductors in a conduit.</summary>
    Conduit,

    /// <summary>Insulation as it is measured.</summary>
    Insulation,

    /// <summary>How soon a residual-current device opens.</summary>
    TripTime,

    /// <summary>Sockets in baths.</summary>
    Bath,
}
