using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Gulf;

/// <summary>Copper singles with PVC insulation for 70 °C in conduit, by cross-section: what they carry, what they lose, what earths them
/// and
/// what pipe they fill. The columns of IEC 60364-5-52 (B.52.2, B.52.4, method B1; B.52.14; B.52.17 for groups) and of IEC 60228.</summary>
public static class MetricConductors
{
    // Carried by two and by three loaded conductors at 30 °C; millivolts per ampere and meter, one and three phases; milliohm per meter
    // at 20 °C; over the insulation, mm.
    private static readonly ImmutableArray<Row> Rows =
    [
        new(1.5m, 17.5m, 15.5m, 29, 25, 12.1m, 3.0m), new(2.5m, 24, 21, 18, 15, 7.41m, 3.6m), new(4, 32, 28, 11, 9.5m, 4.61m, 4.2m),
        new(6, 41, 36, 7.3m, 6.4m, 3.08m, 4.8m), new(10, 57, 50, 4.4m, 3.8m, 1.83m, 6.2m), new(16, 76, 68, 2.8m, 2.4m, 1.15m, 7.3m),
        new(25, 101, 89, 1.75m, 1.5m, .727m, 9.0m), new(35, 125, 110, 1.25m, 1.1m, .524m, 10.2m), new(50, 151, 134, .95m, .82m, .387m,
            12.0m),
        new(70, 192, 171, .66m, .57m, .268m, 13.7m), new(95, 232, 207, .50m, .43m, .193m, 16.0m),
    ];

    private static readonly (decimal UpTo, decimal Factor)[] Ambients =
        [(25, 1.03m), (30, 1), (35, .94m), (40, .87m), (45, .79m), (50, .71m), (55, .61m), (60, .50m)];

    private static readonly (int UpTo, decimal Factor)[] Groups =
        [(1, 1), (2, .80m), (3, .70m), (4, .65m), (5, .60m), (6, .57m), (7, .54m), (8, .52m), (9, .50m), (12, .45m), (16, .41m), (20,
            .38m)];

    // Heavy PVC conduit by its outside, and what is left inside, mm.
    private static readonly (int Outside, decimal Inside)[] Pipes = [(20, 15.8m), (25, 20.6m), (32, 26.6m), (40, 34.4m), (50, 43.2m)];

    /// <summary>Every size kept here, thin to thick.</summary>
    public static ImmutableArray<SquareMillimetres> Sizes { get; } = [.. Rows.Select(r => r.Size)];

    /// <summary>What a size carries at 30 °C alone in its conduit.</summary>
    /// <param name="size">One of <see cref="Sizes"/>.</param>
    /// <param name="threePhase">Three loaded conductors, not two.</param>
    /// <exception cref="ArgumentException">There is no such size.</exception>
    public static Amps Carries(SquareMillimetres size, bool threePhase) => new(threePhase ? Of(size).Three : Of(size).Two);

    /// <summary>Correction for the warmth of the place: the row at or above it; null where the insulation may not be used so hot.</summary>
    public static decimal? AmbientFactor(Celsius ambient) =>
        Ambients.Where(a => ambient.Degrees <= a.UpTo).Select(a => (decimal?)a.Factor).FirstOrDefault();

    /// <summary>Correction for circuits in one conduit: the row at or above their number; null for more than twenty.</summary>
    /// <param name="circuits">One or more.</param>
    public static decimal? GroupFactor(int circuits) =>
        Groups.Where(g => circuits <= g.UpTo).Select(g => (decimal?)g.Factor).FirstOrDefault();

    /// <summary>What an ampere loses on a meter, out and back, thousandths of a volt.</summary>
    /// <exception cref="ArgumentException">There is no such size.</exception>
    public static decimal Millivolts(SquareMillimetres size, bool threePhase) => threePhase ? Of(size).DropThree : Of(size).DropOne;

    /// <summary>Resistance of a length of one conductor at 20 °C.</summary>
    /// <exception cref="ArgumentException">There is no such size.</exception>
    public static Ohms Resistance(SquareMillimetres size, Length length) => new(Of(size).Milliohm * length.Metres / 1000);

    /// <summary>The protective conductor: as the phase to 16 mm², 16 mm² to 35, half of it above (IEC 60364-5-54, 54.7).</summary>
    /// <exception cref="ArgumentException">There is no such size.</exception>
    public static SquareMillimetres Earth(SquareMillimetres phase) => Of(phase).Size.Value switch
    {
        <= 16 => phase,
        <= 35 => new(16),
        var larger => Sizes.First(s => s.Value >= larger / 2),
    };

    /// <summary>What a single takes of a conduit, mm².</summary>
    /// <exception cref="ArgumentException">There is no such size.</exception>
    public static decimal Area(SquareMillimetres size) => QuarterOfPi * Of(size).Over * Of(size).Over;

    /// <summary>Conduits by their outside, and the area inside them, mm².</summary>
    public static ImmutableArray<(int Outside, decimal Area)> Conduits { get; } =
        [.. Pipes.Select(p => (p.Outside, QuarterOfPi * p.Inside * p.Inside))];

    /// <summary>The smallest conduit that these singles fill to at most two fifths; null above 50 mm.</summary>
    /// <param name="singles">Sizes of the conductors in it, each once.</param>
    public static int? Conduit(IEnumerable<SquareMillimetres> singles)
    {
        var filled = singles.Sum(s => Of(s).Over * Of(s).Over);
        return Pipes.Where(c => filled <= MostFill * c.Inside * c.Inside).Select(c => (int?)c.Outside).FirstOrDefault();
    }

    private const decimal MostFill = .4m;

    private const decimal QuarterOfPi = .785398m;

    private static Row Of(SquareMillimetres size) => Rows.FirstOrDefault(r => r.Size == size)
        ?? throw new ArgumentException($"There is no conductor of {size} here.", nameof(size));

    private sealed record Row(decimal Mm2, decimal Two, decimal Three, decimal DropOne, decimal DropThree, decimal Milliohm, decimal Over)
    {
        public SquareMillimetres Size => new(Mm2);
    }
}
