using System.Collections.Immutable;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>What could still be put on a circuit, by one rule.</summary>
/// <param name="What">The sort of load.</param>
/// <param name="Most">How much of it; zero where the rule lets none come.</param>
/// <param name="Sum">The arithmetic.</param>
/// <param name="Cite">The rule.</param>
public sealed record Spare(string What, VoltAmps Most, string Sum, Citation Cite)
{
    /// <summary>The citation as it is printed.</summary>
    public string Section => Cite.Text;
}

/// <summary>What a circuit of several outlets could still carry, rule by rule.</summary>
public static class Headroom
{
    private const string Only = "this circuit feeds its receptacles only";

    /// <summary>The spares of a 15 or 20 A circuit of 120 V; empty for an individual circuit, a feeder, or any other rating, which take
    /// nothing more.</summary>
    /// <param name="circuit">The circuit.</param>
    /// <param name="rating">Its breaker.</param>
    /// <param name="book">The rules.</param>
    /// <param name="rooms">Rooms that it serves: the circuit of two bathrooms feeds their receptacles only (210.11(C)(3)).</param>
    public static ImmutableArray<Spare> On(Circuit circuit, Amps rating, CodeBook book, int rooms = 1)
    {
        if (circuit.Kind is CircuitKind.Individual or CircuitKind.Feeder || !book.Division.HoldsToShares(rating, circuit.Load.Volts))
        {
            return [];
        }

        var load = circuit.Load;
        var rest = new Amps(Math.Max(0, rating.Value - load.Required.Value));
        Amps fastened = load.Fastened, half = book.Division.Fastened * rating;
        var refused = Refusing(circuit.Kind, rooms);
        var outlets = refused is null ? "of lights and outlets" : "at its receptacles";
        // Beside more than half fastened in place nothing else may be.
        if (fastened > half)
        {
            var none = $"{fastened} fastened in place > {half}, half of {rating}: nothing else may join it";
            return
            [
                new($"{outlets}, less than three hours", new(0), none, book.Cite(RuleId.PermissibleFifteenTwenty)),
                new($"{outlets}, three hours or more", new(0), none, book.Cite(RuleId.PermissibleFifteenTwenty)),
                new("of one appliance plugged in", new(0), none, book.Cite(RuleId.PermissibleFifteenTwenty)),
                Fastened(circuit, rating, rest, refused, book),
            ];
        }

        var left = $"{rating} − {load.Required}";
        var most = book.Division.Plugged * rating;
        return
        [
            new($"{outlets}, less than three hours", book.Division.Spare(rest), $"{left} = {rest}", book.Cite(RuleId.ContinuousLoad)),
            new($"{outlets}, three hours or more", book.Division.Spare(ContinuousLoad.Within(rest)),
                $"({left}) / 1.25 = {ContinuousLoad.Within(rest)}", book.Cite(RuleId.ContinuousLoad)),
            new("of one appliance plugged in", book.Division.Spare(new(Math.Min(most.Value, rest.Value))),
                $"{book.Division.Plugged} of {rating} = {most}, {rest} left", book.Cite(RuleId.PermissibleFifteenTwenty)),
            Fastened(circuit, rating, rest, refused, book),
        ];
    }

    /// <summary>The most that may still come, of whatever sort; null where the circuit takes nothing more by its kind.</summary>
    public static VoltAmps? Most(ImmutableArray<Spare> spares) => spares.IsEmpty ? null : spares.Max(s => s.Most);

    /// <summary>The outlet that carries most, or null for a circuit without load.</summary>
    public static LoadItem? Largest(CircuitLoad load) => load.Items.MaxBy(i => i.Load.Value);

    private static Spare Fastened(Circuit circuit, Amps rating, Amps rest, (RuleId Rule, string Says)? refused,
        CodeBook book)
    {
        const string what = "of equipment fastened in place";
        if (refused is { } kept)
        {
            return new(what, new(0), kept.Says, book.Cite(kept.Rule));
        }

        Amps fastened = circuit.Load.Fastened, half = book.Division.Fastened * rating;
        return circuit.Load.Items.All(i => i.Use == LoadUse.Fastened)
            ? new(what, book.Division.Spare(rest), $"nothing but fastened loads: {rest} left", book.Cite(RuleId.PermissibleFifteenTwenty))
            : new(what, book.Division.Spare(new(Math.Min(rest.Value, Math.Max(0, half.Value - fastened.Value)))),
                $"{book.Division.Fastened} of {rating} − {fastened} = {new Amps(Math.Max(0, half.Value - fastened.Value))}, {rest} left",
                book.Cite(RuleId.PermissibleFifteenTwenty));
    }

    // Circuits that have no other outlets than the receptacles they are for.
    private static (RuleId Rule, string Says)? Refusing(CircuitKind kind, int rooms) => kind switch
    {
        CircuitKind.SmallAppliance => (RuleId.SmallApplianceOnly, Only),
        CircuitKind.Laundry => (RuleId.LaundryCircuit, Only),
        CircuitKind.Garage => (RuleId.GarageCircuit, Only),
        CircuitKind.Bathroom when rooms > 1 => (RuleId.BathCircuit, "the receptacles of two bathrooms and nothing else"),
        _ => null,
    };
}
