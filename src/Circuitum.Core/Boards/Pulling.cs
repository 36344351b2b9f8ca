using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules.Gulf;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>What is drawn into the conduit: singles that carry the breaker where they lie and lose no more than may be lost.</summary>
internal static class Pulling
{
    /// <summary>The circuit with its conductors.</summary>
    /// <param name="rated">The circuit and its breaker.</param>
    /// <param name="brief">How warm it is, how many share a conduit.</param>
    /// <param name="lost">What is lost before the board.</param>
    public static SizedWay Of(RatedCircuit rated, BoardBrief brief, Percent lost)
    {
        var circuit = rated.Circuit;
        var ring = circuit.Use == CircuitUse.Ring;
        var loads = Loads(rated);
        var flows = ring ? RingDrop.Shared(circuit.Legs, loads) : RingDrop.InRow(loads);
        var most = flows.Max(f => Math.Abs(f.Value));
        var needed = ring ? Larger(MetricRules.LeastOfRing, new(most)) : rated.Breaker.Value;
        var way = Smallest(Least(rated), needed, circuit.ThreePhase, brief.Fed.Ambient, brief.Fed.Together,
            size => Lost(RingDrop.Most(circuit.Legs, flows, MetricConductors.Millivolts(size, circuit.ThreePhase)), circuit.ThreePhase),
            brief.Fed, lost, ring ? $"a ring fed from both ends: {needed} at least" : $"In = {needed} ≤ Iz");
        return new(rated, new(way.Size, way.Why), MetricConductors.Earth(way.Size), way.Carries, way.Drop,
            MetricConductors.Conduit(Singles(circuit.ThreePhase, brief.Fed.Together, way.Size)), way.Refused)
        {
            RingEnds = ring ? (MetricConductors.Resistance(way.Size, circuit.Conduit),
                MetricConductors.Resistance(MetricConductors.Earth(way.Size), circuit.Conduit)) : null,
            EachWay = needed,
            DrawBoxes = circuit.Legs.Sum(MetricRules.DrawBoxes),
        };
    }

    /// <summary>The feeder of a board behind a sub-main.</summary>
    /// <param name="current">On its fullest phase.</param>
    /// <param name="breaker">Ahead of it.</param>
    /// <param name="along">Its conduit.</param>
    /// <param name="brief">How warm it is.</param>
    public static Feeder Feeder(Amps current, Figure<Amps> breaker, Length along, BoardBrief brief)
    {
        var threePhase = brief.Fed.ThreePhase;
        var way = Smallest(MetricRules.PowerSize, breaker.Value, threePhase, brief.Fed.Ambient, 1,
            size => Lost(RingDrop.Most([along], [current], MetricConductors.Millivolts(size, threePhase)), threePhase),
            brief.Fed, new(0), $"In = {breaker.Value} ≤ Iz");
        return new(breaker, new(way.Size, way.Why), MetricConductors.Earth(way.Size), along, way.Drop,
            MetricConductors.Conduit(Singles(threePhase, 1, way.Size)), way.Refused);
    }

    private static IEnumerable<SquareMillimetres> Singles(bool threePhase, int circuits, SquareMillimetres size) =>
        Enumerable.Range(0, circuits)
            .SelectMany(_ => Enumerable.Repeat(size, threePhase ? 4 : 2).Append(MetricConductors.Earth(size)));

    // Sockets may be loaded to their breaker, wherever: it is spread over them evenly. The rest draws what it draws.
    private static ImmutableArray<Amps> Loads(RatedCircuit rated)
    {
        var points = rated.Circuit.Points;
        return rated.Circuit.Group == DemandGroup.Sockets
            ? [.. points.Select(_ => rated.Breaker.Value * (1m / points.Length))]
            : [.. points.Select(p => Rating.Current(p.Point.Watts, rated.Circuit.ThreePhase))];
    }

    private static SquareMillimetres Least(RatedCircuit rated) => rated.Circuit.Use switch
    {
        CircuitUse.Lighting or CircuitUse.GardenLighting => MetricRules.LightingSize,
        CircuitUse.Cooker => MetricRules.Cooker(rated.Current)?.Least ?? MetricRules.PowerSize,
        _ => MetricRules.PowerSize,
    };

    private static Percent Lost(Volts volts, bool threePhase) =>
        new(100 * volts.Value / (threePhase ? MetricRules.Between : MetricRules.ToNeutral).Value);

    private static Amps Larger(Amps a, Amps b) => a >= b ? a : b;

    private static Sized Smallest(SquareMillimetres least, Amps needed, bool threePhase, Celsius ambient, int together,
        Func<SquareMillimetres, Percent> drop, MetricFeed fed, Percent lost, string wanted)
    {
        var (most, cite) = (new Percent(fed.Most(MetricNumber.LostToPoint)) - lost, fed.Cite(MetricNumber.LostToPoint));
        var (warm, company) = (MetricConductors.AmbientFactor(ambient) ?? 0, MetricConductors.GroupFactor(together) ?? 0);
        Amps Carried(SquareMillimetres size) => MetricConductors.Carries(size, threePhase) * (warm * company);
        var sizes = MetricConductors.Sizes.Where(s => s >= least).ToList();
        var carrying = sizes.Where(s => Carried(s) >= needed).ToList();
        var fitting = carrying.Where(s => drop(s) <= most).ToList();
        var size = fitting.Count > 0 ? fitting[0] : sizes[^1];
        var why = Because.Of("Why these conductors")
            .Book($"{size}, {(threePhase ? "three" : "two")} loaded, at 30 °C", MetricConductors.Carries(size, threePhase).ToString(),
                MetricRules.Cite(MetricRule.Carrying))
            .Book($"{ambient}: × {warm:0.00}", (MetricConductors.Carries(size, threePhase) * warm).ToString(),
                MetricRules.Cite(MetricRule.Ambient));
        if (together > 1)
        {
            why = why.Book($"{together} circuits in a conduit: × {company:0.00}", Carried(size).ToString(),
                MetricRules.Cite(MetricRule.Grouping));
        }

        why = why.Book(wanted, $"{needed} ≤ {Carried(size)}", MetricRules.Cite(MetricRule.Overload));
        if (fitting.Count > 0 && carrying[0] < size)
        {
            why = why.Book($"{carrying[0]} would lose {drop(carrying[0])}", $"{most} at most", cite);
        }

        why = why.Book("lost to the farthest point", $"{drop(size)} ≤ {most}", cite);
        return new(size, why, Carried(size), drop(size), fitting.Count > 0 ? ""
            : carrying.Count == 0 ? $"no conductor to {sizes[^1]} carries {needed} at {ambient}"
                + (together > 1 ? $" with {together} circuits in its conduit" : "")
            : $"{sizes[^1]} would still lose {drop(sizes[^1])} of {most}: a board nearer to it is needed");
    }

    private sealed record Sized(SquareMillimetres Size, Because Why, Amps Carries, Percent Drop, string Refused);
}
