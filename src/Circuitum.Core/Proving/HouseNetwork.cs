using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Proving;

/// <summary>The made-up wiring of a plan, ready to be switched on: every joint of every box, once a plan.</summary>
public sealed class HouseNetwork
{
    private readonly Dictionary<CircuitKey, WiredCircuit> circuits;
    private readonly Dictionary<CircuitKey, ImmutableArray<BoxWiring>> wirings;
    private readonly Dictionary<CircuitKey, ImmutableArray<CircuitKey>> together = [];

    /// <summary>Makes up every box of a plan.</summary>
    public HouseNetwork(Plan plan)
    {
        Plan = plan;
        circuits = plan.Circuits.ToDictionary(c => c.Key);
        wirings = plan.Circuits.ToDictionary(c => c.Key, c => c.Circuit.Boxes
            .Select(b => c.Wiring(plan.Survey[b], plan.Job.Schools.Joints)).ToImmutableArray());
        foreach (var circuit in plan.Circuits)
        {
            together[circuit.Key] = Together(circuit.Key);
        }
    }

    /// <summary>The plan.</summary>
    public Plan Plan { get; }

    /// <summary>Branch circuits of the plan, those that feed boxes.</summary>
    public IEnumerable<WiredCircuit> Branches => Plan.Circuits.Where(c => c.Feeds is null && !c.Circuit.Boxes.IsEmpty);

    /// <summary>The circuits that share a cable or a neutral with one, itself first: they are solved as one.</summary>
    public ImmutableArray<CircuitKey> With(CircuitKey circuit) => together[circuit];

    /// <summary>The whole house in one state.</summary>
    public Energy Solve(HouseState state) => new EnergyBuilder(this, state, [.. Branches.Select(c => c.Key)]).Solve();

    /// <summary>One circuit in one state, with what shares its cables, from the source by the feeders to its panel; what else runs in the
    /// house is left out.</summary>
    public Energy Solve(HouseState state, CircuitKey circuit) => new EnergyBuilder(this, state, With(circuit)).Solve();

    /// <summary>Ohms between what two leads of a meter touch with nothing fed, as a circuit reads that is off; null above the range of a
    /// meter, 20 MΩ, and where a lead touches nothing of the circuit.</summary>
    public Ohms? Resistance(HouseState state, CircuitKey circuit, Probe one, Probe other)
    {
        var energy = new EnergyBuilder(this, state, With(circuit), fed: false).Send(one, other);
        return energy.Between(one, other) is { Value: < 20_000 } volts ? new(volts.Value * 1000) : null;
    }

    /// <summary>What is joined with what on a circuit that is off.</summary>
    internal Continuity Trace(HouseState state, CircuitKey circuit) => new EnergyBuilder(this, state, With(circuit), fed: false).Trace();

    /// <summary>A circuit by its key.</summary>
    internal WiredCircuit Circuit(CircuitKey key) => circuits[key];

    /// <summary>The make-up of a circuit's boxes.</summary>
    internal ImmutableArray<BoxWiring> Wirings(CircuitKey key) => wirings[key];

    /// <summary>The leg of a circuit's first pole: A where it found no space.</summary>
    internal Leg LegOf(CircuitKey key) => Plan.Landed(key)?.Leg ?? Leg.A;

    /// <summary>The feeder of a panel; null for the one on the service.</summary>
    internal WiredCircuit? FeederOf(PanelId panel) => Plan.Circuits.FirstOrDefault(c => c.Feeds == panel);

    /// <summary>The gauge of a run's ground: as large as its conductors to 10 AWG, by the breaker beyond.</summary>
    internal static Gauge GroundOf(WiredCircuit circuit, Gauge conductors) => conductors <= Gauge.Awg10 ? conductors
        : circuit.Sized.Ground ?? circuit.Book.Conductors.EquipmentGround(circuit.Breaker, circuit.Sized.Metal);

    /// <summary>What a foot of a run's conductor has, by the tables.</summary>
    internal static decimal OhmsPerFoot(WiredCircuit circuit, Run run, Conductor conductor) => circuit.Book.Conductors.OhmsPerThousandFeet(
        conductor.Carries is null ? GroundOf(circuit, circuit.GaugeOf(run)) : circuit.GaugeOf(run), circuit.Sized.Metal)!.Value / 1000;

    private ImmutableArray<CircuitKey> Together(CircuitKey first)
    {
        var found = new List<CircuitKey> { first };
        for (var i = 0; i < found.Count; i++)
        {
            var at = circuits[found[i]];
            var near = at.Runs.Select(r => r.TakesAlong).OfType<CircuitKey>()
                .Concat(circuits.Values.Where(c => c.Runs.Any(r => r.TakesAlong == at.Key)).Select(c => c.Key))
                .Concat(circuits.Values.Where(c => c.Circuit.SharesNeutralWith == at.Key).Select(c => c.Key));
            if (at.Circuit.SharesNeutralWith is { } shares)
            {
                near = near.Append(shares);
            }

            found.AddRange(near.Where(k => circuits.ContainsKey(k) && !found.Contains(k)).Distinct().ToList());
        }

        return [.. found];
    }
}
