using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Gulf;

/// <summary>Copper singles in conduit, as <see cref="MetricConductors"/> has them.</summary>
internal sealed class GulfConductors : ConductorRules
{
    // A circular mil is the area of a wire of a thousandth of an inch: 506.7 µm².
    private const decimal CircularMilsInSquareMillimetre = 1973.525m;

    // Copper loses its resistance over this area at 20 °C: 17.24 mΩ for a meter of a square millimeter.
    private const decimal Resistivity = 17.24m;

    /// <inheritdoc/>
    public override IReadOnlyList<Gauge> Sizes { get; } = [.. Gauge.Metric.Where(g => Find(g) is not null)];

    /// <inheritdoc/>
    public override Gauge GroundWith(Gauge conductors) => Sizes.First(g => Of(g) == MetricConductors.Earth(Of(conductors)));

    /// <inheritdoc/>
    public override Amps? Ampacity(Gauge gauge, Metal metal, Column column) =>
        metal == Metal.Copper && Find(gauge) is { } size ? MetricConductors.Carries(size, threePhase: false) : null;

    /// <inheritdoc/>
    public override decimal? AmbientFactor(Celsius ambient, Column column) => MetricConductors.AmbientFactor(ambient);

    /// <summary>Two loaded conductors are a circuit; beyond twenty circuits the last factor stays.</summary>
    public override decimal AdjustmentFactor(int currentCarrying) =>
        MetricConductors.GroupFactor(Math.Clamp((currentCarrying + 1) / 2, 1, MostCircuits))!.Value;

    /// <inheritdoc/>
    public override decimal? OhmsPerThousandFeet(Gauge gauge, Metal metal) =>
        Find(gauge) is { } size ? MetricConductors.Resistance(size, Length.FromFeet(1000)).Value : null;

    /// <inheritdoc/>
    public override int CircularMil(Gauge gauge) => (int)(CircularMilsInSquareMillimetre * Resistivity
        / (MetricConductors.Resistance(Of(gauge), Length.FromMetres(1000)).Value));

    /// <summary>That of the smallest phase which carries the breaker.</summary>
    public override Gauge EquipmentGround(Amps rating, Metal metal) => GroundWith(Sizes.FirstOrDefault(g =>
        Ampacity(g, Metal.Copper, Column.C75) >= rating, Sizes[^1]));

    /// <summary>Over the insulation, π/4 of the diameter's square.</summary>
    public override SquareInches ConductorArea(Gauge gauge) =>
        new(MetricConductors.Area(Of(gauge)) / (25.4m * 25.4m));

    /// <inheritdoc/>
    public override IEnumerable<(string Trade, SquareInches Area)> Conduit(ConduitKind kind) =>
        MetricConductors.Conduits.Select(c => ($"{c.Outside} mm", new SquareInches(c.Area / (25.4m * 25.4m))));

    /// <inheritdoc/>
    public override Percent RacewayFill(int conductors) => new(40);

    /// <inheritdoc/>
    public override int? MostInSealedHole => null;

    /// <inheritdoc/>
    public override Asked BundledBeyond => Asked.Metric(600);

    /// <inheritdoc/>
    public override Asked? ShortStretch => null;

    /// <inheritdoc/>
    public override string Suffix(Jacket jacket) => "";

    /// <inheritdoc/>
    public override bool GreenIn(Jacket jacket) => true;

    /// <inheritdoc/>
    public override Asked ArmouredSupported => Asked.Metric(1500);

    /// <inheritdoc/>
    public override string LooseName => "single";

    /// <inheritdoc/>
    public override bool AdjustsTerminations => false;

    /// <inheritdoc/>
    public override bool TerminatesAt75(Amps rating, Gauge gauge) => false;

    /// <inheritdoc/>
    public override Amps? SmallConductorLimit(Gauge gauge, Metal metal) => null;

    private const int MostCircuits = MetricFeed.MostTogether;

    private static SquareMillimetres? Find(Gauge gauge) =>
        MetricConductors.Sizes.Select(s => (SquareMillimetres?)s).FirstOrDefault(s => s.ToString() == gauge.ToString());

    private static SquareMillimetres Of(Gauge gauge) => Find(gauge)
        ?? throw new ArgumentException($"There is no conductor of {gauge} here.", nameof(gauge));
}
