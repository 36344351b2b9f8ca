using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules.Gulf;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>What protects a circuit of a board: by what it is for, or by what it draws.</summary>
internal static class Rating
{
    /// <summary>The circuit with its breaker.</summary>
    /// <param name="circuit">The circuit.</param>
    /// <param name="fed">With the local numbers.</param>
    public static RatedCircuit Of(BoardCircuit circuit, MetricFeed fed)
    {
        var current = Current(circuit.Watts, circuit.ThreePhase);
        var why = Because.Of("Why this breaker");
        if (circuit.Points.Any(p => p.Point.Assumed))
        {
            why = why.Assume($"{circuit.Words} taken for {circuit.Watts}", MetricRules.Cite(MetricRule.AssumedLoads).Text);
        }

        why = why.Plan(circuit.ThreePhase ? $"{circuit.Watts} ÷ (√3 × {MetricRules.Between})"
            : $"{circuit.Watts} ÷ {MetricRules.ToNeutral}",
            $"Ib = {current}");
        var (rating, cite, text, refused) = Chosen(circuit, current, fed);
        return new(circuit, current, new(rating, why.Book(text, $"In = {rating}", cite)), Poles(circuit),
            circuit.Use is CircuitUse.Cooling or CircuitUse.Fixed ? Curve.C : Curve.B, refused);
    }

    /// <summary>What power draws from a phase.</summary>
    public static Amps Current(Watts watts, bool threePhase) => threePhase
        ? new Watts(watts.Value / MetricRules.Root3) / MetricRules.Between : watts / MetricRules.ToNeutral;

    private static int Poles(BoardCircuit circuit) => (circuit.Use, circuit.ThreePhase) switch
    {
        (CircuitUse.Cooker, true) => 4,
        (CircuitUse.Cooker, false) => 2,
        (_, true) => 3,
        _ => 1,
    };

    private static (Amps Rating, Citation Cite, string Text, string Refused) Chosen(BoardCircuit circuit, Amps current, MetricFeed fed)
    {
        var largest = MetricRules.Ratings[^1];
        return circuit.Use switch
        {
            CircuitUse.Lighting or CircuitUse.GardenLighting => MetricRules.LightingBreaker(circuit.Watts, fed) is Amps rating
                ? (rating, fed.Cite(MetricNumber.WattsOfLighting), $"lighting of {circuit.Watts}", "")
                : (MetricRules.Ratings[2], fed.Cite(MetricNumber.WattsOfLighting), $"lighting of {circuit.Watts}",
                    $"one point draws more than {new Watts(fed.Most(MetricNumber.WattsOfLighting))}: feed it as equipment of its own, by "
                    + "its name and watts"),
            CircuitUse.Ring => (MetricRules.RingBreaker, fed.Cite(MetricNumber.SocketsOnRing),
                $"a ring of at most {fed.Most(MetricNumber.SocketsOnRing)} sockets", ""),
            CircuitUse.Radial => (MetricRules.RadialBreaker, fed.Cite(MetricNumber.SocketsOnRadial),
                $"a radial of at most {fed.Most(MetricNumber.SocketsOnRadial)} sockets", ""),
            CircuitUse.Socket15 => (MetricRules.FifteenBreaker, MetricRules.Cite(MetricRule.Sockets), "a socket of 15 A, alone", ""),
            CircuitUse.WaterHeater => MetricRules.WaterHeaterBreaker(current) is Amps rating
                ? (rating, MetricRules.Cite(MetricRule.WaterHeater), "a water heater, alone: 20 or 25 A", "")
                : (MetricRules.AtLeast(current) ?? largest, MetricRules.Cite(MetricRule.WaterHeater), "a water heater, alone: 20 or 25 A",
                    $"it draws {current}, and a water heater’s circuit has 25 A at most: take a smaller one or two"),
            CircuitUse.Cooker => MetricRules.Cooker(current) is { } cooker
                ? (cooker.Breaker, MetricRules.Cite(MetricRule.Cooker), $"a cooker, {Poles(circuit)} poles", "")
                : (largest, MetricRules.Cite(MetricRule.Cooker), "a cooker",
                    $"it draws {current}: no cooker’s circuit is larger than 63 A"),
            _ => MetricRules.AtLeast(current) is Amps rating
                ? (rating, MetricRules.Cite(circuit.Use == CircuitUse.Cooling ? MetricRule.Cooling : MetricRule.Overload),
                    "the next rating", "")
                : (largest, MetricRules.Cite(MetricRule.Overload), "the largest rating",
                    $"it draws {current}, and {largest} is the largest breaker of a "
                    + "board"),
        };
    }
}
