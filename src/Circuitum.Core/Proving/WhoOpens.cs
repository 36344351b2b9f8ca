using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Protection;
using Circuitum.Core.Units;

namespace Circuitum.Core.Proving;

/// <summary>Something opened.</summary>
/// <param name="Circuit">The circuit whose breaker opened, or the one that the device is on.</param>
/// <param name="Box">The protective receptacle that opened; null for a breaker.</param>
/// <param name="Because">How much it saw.</param>
/// <param name="Within">About when at the latest, typically.</param>
public sealed record Opened(CircuitKey Circuit, BoxId? Box, Amps Because, TimeSpan Within)
{
    /// <summary>It opened because current did not come back.</summary>
    public bool OnGroundFault { get; init; }

    /// <summary>It opened because something arced.</summary>
    public bool OnArc { get; init; }
}

/// <summary>A house after everything that opens has opened.</summary>
/// <param name="State">How it stands then.</param>
/// <param name="Energy">What is live then.</param>
/// <param name="Openings">What opened, the first first.</param>
public sealed record Settled(HouseState State, Energy Energy, ImmutableArray<Opened> Openings);

/// <summary>Who opens first, and what stays on: step by step, until nothing opens any more.</summary>
public static class WhoOpens
{
    /// <summary>Current that does not come back, at which a Class A device opens: 4 to 6 mA (UL 943); the middle.</summary>
    public static Amps GroundFault { get; } = new(0.005m);

    // Within a fortieth of a second at large faults, typically.
    private static readonly TimeSpan AtOnce = TimeSpan.FromSeconds(0.025);
    // Some tenths of a second at arcs of several amperes, typically (UL 1699 has a table by current).
    private static readonly TimeSpan ArcTime = TimeSpan.FromSeconds(0.4);
    // Below that, next to nothing flows and nothing arcs.
    private static readonly Amps Arcs = new(0.05m);
    private const int MostSteps = 40;

    /// <summary>Switches a circuit on and lets what opens open.</summary>
    public static Settled Settle(HouseNetwork house, HouseState state, CircuitKey circuit) => Settle(house, state,
        s => house.Solve(s, circuit));

    /// <summary>Switches the house on and lets what opens open.</summary>
    public static Settled Settle(HouseNetwork house, HouseState state) => Settle(house, state, house.Solve);

    private static Settled Settle(HouseNetwork house, HouseState state, Func<HouseState, Energy> solve)
    {
        var openings = ImmutableArray.CreateBuilder<Opened>();
        for (var energy = solve(state); ; energy = solve(state))
        {
            if (openings.Count >= MostSteps || First(house, state, energy) is not { } first)
            {
                return new(state, energy, openings.ToImmutable());
            }

            openings.Add(first);
            state = first.Box is { } box ? state with { Tripped = state.Tripped.Add(box) }
                : state with { Open = state.Open.Add(first.Circuit) };
        }
    }

    // The fastest; of two alike the one nearer to the fault, which is the device.
    private static Opened? First(HouseNetwork house, HouseState state, Energy energy) => energy.Closed
        .Where(b => !state.Faults.Any(f => f is Fault.WillNotTrip will && will.Box == b))
        .Where(b => energy.LostAt(b) >= GroundFault)
        .Select(b => new Opened(house.Plan.CircuitOf(b)!.Key, b, energy.LostAt(b)!.Value, AtOnce) { OnGroundFault = true })
        .Concat(energy.Circuits.Where(c => !state.Open.Contains(c)).SelectMany(c => AtBreaker(house, state, energy, c)))
        .OrderBy(o => o.Within).ThenBy(o => o.Box is null).FirstOrDefault();

    private static IEnumerable<Opened> AtBreaker(HouseNetwork house, HouseState state, Energy energy, CircuitKey key)
    {
        var circuit = house.Circuit(key);
        if (circuit.BreakerIsGfci && circuit.Circuit.SharesNeutralWith is null && energy.LostAtBreaker(key) >= GroundFault)
        {
            yield return new(key, null, energy.LostAtBreaker(key), AtOnce) { OnGroundFault = true };
        }

        var through = energy.AtBreaker(key);
        if (circuit.BreakerKind is BreakerKind.Afci or BreakerKind.DualFunction && through > Arcs
            && state.Faults.OfType<Fault.Arcing>().Any(f => circuit.Boxes.ContainsKey(f.Box)))
        {
            yield return new(key, null, through, ArcTime) { OnArc = true };
        }

        var rating = state.Faults.OfType<Fault.WrongBreaker>().FirstOrDefault(f => f.Circuit == key)?.Rating ?? circuit.Breaker;
        if (InverseTime.At(through, rating).Latest is { } latest)
        {
            yield return new(key, null, through, latest);
        }
    }
}
