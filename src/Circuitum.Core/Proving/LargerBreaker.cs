using System.Collections.Immutable;
using Circuitum.Core.Protection;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Proving;

/// <summary>What a breaker of some rating would do to a circuit's smallest conductor.</summary>
/// <param name="Rating">The breaker.</param>
/// <param name="IsPlanned">It is the one of the plan.</param>
/// <param name="IsAllowed">The book lets it protect this conductor on a general circuit.</param>
/// <param name="WarmForGood">How warm the conductor becomes at the rating, which is carried for good.</param>
/// <param name="WarmForAnHour">How warm it becomes at 135 per cent of it, which may be carried for an hour.</param>
/// <param name="Clears">When it opens at the latest at a short at the farthest box; null when it need not.</param>
public sealed record BreakerTried(Amps Rating, bool IsPlanned, bool IsAllowed, Celsius WarmForGood, Celsius WarmForAnHour,
    TimeSpan? Clears);

/// <summary>Larger breakers tried on a circuit's cable: the breaker protects the wire, and nothing else does.</summary>
/// <param name="Gauge">The smallest conductor on it.</param>
/// <param name="Fault">What flows at a short between hot and ground at the farthest box.</param>
/// <param name="Harmed">When that short has harmed the insulation.</param>
/// <param name="Tried">The breaker of the plan and larger ones.</param>
public sealed record LargerBreaker(Gauge Gauge, Amps Fault, TimeSpan Harmed, ImmutableArray<BreakerTried> Tried)
{
    /// <summary>What the conductors of cable in a dwelling are insulated for.</summary>
    public static Celsius Insulation { get; } = new(90);

    // The textbook sum of short-circuit heating from 75 to 150 °C, thermoplastic (ICEA P-32-382):
    // (I / A)² t = k log10((T2 + c) / (T1 + c)), I in amperes, A in circular mils, t in seconds; copper 0.0297 and 234, aluminum
    // 0.0125 and 228.
    private static double Heating(Metal metal) => metal == Metal.Copper ? 0.0297 * Math.Log10((150 + 234) / (75.0 + 234))
        : 0.0125 * Math.Log10((150 + 228) / (75.0 + 228));

    /// <summary>Tries the breaker of the plan and the next larger ones.</summary>
    /// <param name="house">The wiring.</param>
    /// <param name="circuit">A branch circuit of it.</param>
    /// <param name="more">How many larger ones.</param>
    public static LargerBreaker Of(HouseNetwork house, WiredCircuit circuit, int more = 3)
    {
        var (conductors, metal) = (circuit.Book.Conductors, circuit.Sized.Metal);
        var farthest = circuit.Circuit.Boxes.Select(b => circuit.WayTo(b)).MaxBy(w => w.Sum(r => r.Length.Value.Feet))![^1];
        var fault = house.Solve(HouseState.AsPlanned with
        {
            AppliancesRun = false,
            Thrown = [.. HouseState.LampsOn(circuit.Groups)],
            Faults = [new Fault.Nailed(farthest.Id, Conductor.In(farthest)[0].Colour, ConductorColour.Bare) { Along = new(99) }],
        }, circuit.Key).AtBreaker(circuit.Key);
        var gauge = circuit.Runs.Where(r => r.To.Box is not null).Select(circuit.GaugeOf).Min();
        var harmed = TimeSpan.FromSeconds(Heating(metal) * Math.Pow(conductors.CircularMil(gauge) / (double)fault.Value, 2));
        var carries = conductors.Ampacity(gauge, metal, Column.C90)!.Value;
        var most = conductors.SmallConductorLimit(gauge, metal) ?? circuit.Book.StandardAtLeast(circuit.Ampacity) ?? circuit.Breaker;
        // 30 °C around it, and what it may carry at 90 °C brings it there: the rise goes with the square of the current.
        Celsius Warm(decimal amps) => new(Math.Round(30 + (60 * (amps / carries.Value) * (amps / carries.Value))));
        return new(gauge, fault, harmed, [.. circuit.Book.StandardRatings.Where(b => b >= circuit.Breaker).Take(more + 1)
            .Select(b => new BreakerTried(b, b == circuit.Breaker, b <= most, Warm(b.Value), Warm(b.Value * 1.35m),
                InverseTime.At(fault, b).Latest))]);
    }
}
