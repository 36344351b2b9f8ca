using System.Collections.Immutable;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>What could still be put on a circuit, by one rule.</summary>
/// <param name="What">The sort of load.</param>
/// <param name="Most">How much of it; zero where the rule lets none come.</param>
/// <param name="Sum">The arithmetic.</param>
/// <param name="Section">The section or source.</param>
public sealed record Spare(string What, VoltAmps Most, string Sum, string Section);

/// <summary>What a circuit of several outlets could still carry, rule by rule.</summary>
public static class Headroom
{
    /// <summary>The spares of a 15 or 20 A circuit of 120 V; empty for an individual circuit, a feeder, or any other rating, which take nothing more.</summary>
    public static ImmutableArray<Spare> On(Circuit circuit, Amps rating, CodeBook book)
    {
        if (circuit.Kind is CircuitKind.Individual or CircuitKind.Feeder || circuit.Load.Volts.Value != 120 || rating.Value is not (15 or 20))
        {
            return [];
        }

        var load = circuit.Load;
        var rest = new Amps(Math.Max(0, rating.Value - load.Required.Value));
        Amps fastened = load.Fastened, half = new(rating.Value * .50m);
        var outlets = Refusing(circuit.Kind) is null ? "of lights and outlets" : "at its receptacles";
        // Beside more than half fastened in place nothing else may be.
        if (fastened > half)
        {
            var none = $"{fastened} fastened in place > {half}, half of {rating}: nothing else may join it";
            return
            [
                new($"{outlets}, less than three hours", new(0), none, book.FifteenTwenty),
                new($"{outlets}, three hours or more", new(0), none, book.FifteenTwenty),
                new("of one appliance plugged in", new(0), none, book.FifteenTwenty),
                Fastened(circuit, rating, rest, book),
            ];
        }

        var left = $"{rating} − {load.Required}";
        var most = new Amps(rating.Value * .80m);
        return
        [
            new($"{outlets}, less than three hours", In(rest), $"{left} = {rest}", "210.20(A)"),
            new($"{outlets}, three hours or more", In(new(rest.Value / 1.25m)), $"({left}) / 1.25 = {new Amps(rest.Value / 1.25m)}", "210.20(A)"),
            new("of one appliance plugged in", In(new(Math.Min(most.Value, rest.Value))), $"80 % of {rating} = {most}, {rest} left", book.FifteenTwenty),
            Fastened(circuit, rating, rest, book),
        ];
    }

    /// <summary>The most that may still come, of whatever sort; null where the circuit takes nothing more by its kind.</summary>
    public static VoltAmps? Most(ImmutableArray<Spare> spares) => spares.IsEmpty ? null : spares.Max(s => s.Most);

    /// <summary>The outlet that carries most, or null for a circuit without load.</summary>
    public static LoadItem? Largest(CircuitLoad load) => load.Items.MaxBy(i => i.Load.Value);

    private static VoltAmps In(Amps amps) => new(Math.Floor(amps.Value * 120));

    private static Spare Fastened(Circuit circuit, Amps rating, Amps rest, CodeBook book)
    {
        const string what = "of equipment fastened in place";
        if (Refusing(circuit.Kind) is { } section)
        {
            return new(what, new(0), "this circuit feeds its receptacles only", section);
        }

        Amps fastened = circuit.Load.Fastened, half = new(rating.Value * .50m);
        return circuit.Load.Items.All(i => i.Use == LoadUse.Fastened)
            ? new(what, In(rest), $"nothing but fastened loads: {rest} left", book.FifteenTwenty)
            : new(what, In(new(Math.Min(rest.Value, Math.Max(0, half.Value - fastened.Value)))), $"50 % of {rating} − {fastened} = {new Amps(Math.Max(0, half.Value - fastened.Value))}, {rest} left", book.FifteenTwenty);
    }

    // Circuits that have no other outlets than the receptacles they are for.
    private static string? Refusing(CircuitKind kind) => kind switch
    {
        CircuitKind.SmallAppliance => "210.52(B)(2)",
        CircuitKind.Laundry => "210.11(C)(2)",
        CircuitKind.Garage => "210.11(C)(4)",
        _ => null,
    };
}
