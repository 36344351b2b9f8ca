using Circuitum.Core.Reasons;
using Circuitum.Core.Rules.Gulf;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>What protects a circuit of a board: by what it is for, or by what it draws.</summary>
internal static class Rating
{
    /// <summary>The circuit with its breaker.</summary>
    public static RatedCircuit Of(BoardCircuit circuit)
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
        var (rating, rule, text, refused) = Chosen(circuit, current);
        return new(circuit, current, new(rating, why.Book(text, $"In = {rating}", MetricRules.Cite(rule))), Poles(circuit),
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

    private static (Amps Rating, MetricRule Rule, string Text, string Refused) Chosen(BoardCircuit circuit, Amps current)
    {
        var largest = MetricRules.Ratings[^1];
        return circuit.Use switch
        {
            CircuitUse.Lighting or CircuitUse.GardenLighting => MetricRules.LightingBreaker(circuit.Watts) is Amps rating
                ? (rating, MetricRule.Lighting, $"lighting of {circuit.Watts}", "")
                : (MetricRules.Ratings[2], MetricRule.Lighting, $"lighting of {circuit.Watts}",
                    $"one point draws more than {MetricRules.MostLighting}: feed it as equipment of its own, by its name and watts"),
            CircuitUse.Ring => (MetricRules.RingBreaker, MetricRule.Ring, $"a ring of at most {MetricRules.MostOnRing} sockets", ""),
            CircuitUse.Radial => (MetricRules.RadialBreaker, MetricRule.Sockets, $"a radial of at most {MetricRules.MostOnRadial} sockets",
                ""),
            CircuitUse.Socket15 => (MetricRules.FifteenBreaker, MetricRule.Sockets, "a socket of 15 A, alone", ""),
            CircuitUse.WaterHeater => MetricRules.WaterHeaterBreaker(current) is Amps rating
                ? (rating, MetricRule.WaterHeater, "a water heater, alone: 20 or 25 A", "")
                : (MetricRules.AtLeast(current) ?? largest, MetricRule.WaterHeater, "a water heater, alone: 20 or 25 A",
                    $"it draws {current}, and a water heater’s circuit has 25 A at most: take a smaller one or two"),
            CircuitUse.Cooker => MetricRules.Cooker(current) is { } cooker
                ? (cooker.Breaker, MetricRule.Cooker, $"a cooker, {Poles(circuit)} poles", "")
                : (largest, MetricRule.Cooker, "a cooker", $"it draws {current}: no cooker’s circuit is larger than 63 A"),
            _ => MetricRules.AtLeast(current) is Amps rating
                ? (rating, circuit.Use == CircuitUse.Cooling ? MetricRule.Cooling : MetricRule.Overload, "the next rating", "")
                : (largest, MetricRule.Overload, "the largest rating", $"it draws {current}, and {largest} is the largest breaker of a "
                    + "board"),
        };
    }
}
