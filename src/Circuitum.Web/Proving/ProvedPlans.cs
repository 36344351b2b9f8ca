using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;
using Circuitum.Core.Training;

namespace Circuitum.Web.Proving;

/// <summary>What is worked out once a plan so that a press is answered at once: its wiring, and what every fault of a circuit would look
/// like. It goes with the plan.</summary>
public static class ProvedPlans
{
    private static readonly ConditionalWeakTable<Plan, Proved> Kept = [];

    /// <summary>The wiring of a plan.</summary>
    public static HouseNetwork HouseOf(Plan plan) => Of(plan).House.Value;

    /// <summary>The finder for a circuit of a plan.</summary>
    public static Finder FinderOf(Plan plan, CircuitKey circuit) => Of(plan).Finders.GetOrAdd(circuit,
        key => new Lazy<Finder>(() => new(HouseOf(plan), key))).Value;

    /// <summary>The readings with nothing live for a circuit of a plan, with the finder that they are of.</summary>
    public static (Finder Finder, Readings Readings) DeadOf(Plan plan, CircuitKey circuit) => Of(plan).Dead.GetOrAdd(circuit,
        key => new Lazy<(Finder, Readings)>(() => Finder.OnDeadCircuit(HouseOf(plan), key) is var finder
            ? (finder, BeforeTheBoard.Of(finder)) : default)).Value;

    /// <summary>What happens when a circuit of a plan is switched on in every position of its switches.</summary>
    public static WhatHappens TriedOf(Plan plan, CircuitKey circuit) => Of(plan).Tried.GetOrAdd(circuit,
        key => new Lazy<WhatHappens>(() => SwitchedOn.Try(HouseOf(plan), key, HouseState.AsPlanned))).Value;

    /// <summary>Larger breakers tried on a circuit of a plan.</summary>
    public static LargerBreaker LargerOf(Plan plan, CircuitKey circuit) => Of(plan).Larger.GetOrAdd(circuit,
        key => new Lazy<LargerBreaker>(() => LargerBreaker.Of(HouseOf(plan), plan.Circuits.First(c => c.Key == key)))).Value;

    /// <summary>Branch circuits of a plan that feed boxes, in the order of their panels.</summary>
    public static IEnumerable<Landed> CircuitsOf(Plan plan) =>
        plan.Panels.SelectMany(p => p.Circuits).Where(c => c.Feeds is null && !c.Boxes.IsEmpty);

    /// <summary>The readings before board for a circuit of a plan.</summary>
    public static Readings ReadingsOf(Plan plan, CircuitKey circuit) => Of(plan).Boards.GetOrAdd(circuit,
        key => new Lazy<Readings>(() => BeforeTheBoard.Of(FinderOf(plan, key)))).Value;

    private static Proved Of(Plan plan) => Kept.GetValue(plan, p => new(p));

    private sealed class Proved(Plan plan)
    {
        public Lazy<HouseNetwork> House { get; } = new(() => new(plan));

        public ConcurrentDictionary<CircuitKey, Lazy<Finder>> Finders { get; } = new();

        public ConcurrentDictionary<CircuitKey, Lazy<Readings>> Boards { get; } = new();

        public ConcurrentDictionary<CircuitKey, Lazy<(Finder, Readings)>> Dead { get; } = new();

        public ConcurrentDictionary<CircuitKey, Lazy<LargerBreaker>> Larger { get; } = new();

        public ConcurrentDictionary<CircuitKey, Lazy<WhatHappens>> Tried { get; } = new();
    }
}
