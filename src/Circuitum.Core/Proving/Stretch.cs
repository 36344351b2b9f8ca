using Circuitum.Core.Routing;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Proving;

/// <summary>Where along a cable two of its conductors touch, by ohms measured between them with both ends free and nothing live.</summary>
/// <param name="From">How far from the end that was measured.</param>
/// <param name="Give">How far off that may be, either way, by the last figure of the meter.</param>
/// <param name="Of">How long the cable is.</param>
public sealed record Stretch(Length From, Length Give, Length Of)
{
    // Copper is counted at 75 °C in the tables and is cooler in an open frame: at 20 °C it has 0.822 of that (temperature coefficient
    // 0.00323 a degree at 75 °C, Chapter 9, Table 8, note 2).
    private const decimal Cool = 0.822m;

    /// <summary>Works it out. Null when the reading is more than the whole cable has: the touch is not in it, or is a poor one.</summary>
    /// <param name="house">The wiring.</param>
    /// <param name="id">A run of the plan.</param>
    /// <param name="one">One conductor.</param>
    /// <param name="other">The other.</param>
    /// <param name="near">Ohms at the end measured, the leads' own taken off.</param>
    /// <param name="far">Ohms at the other end, which takes out what the touch itself has; null where only one end was measured.</param>
    /// <param name="last">What the last figure of the meter is worth, above nothing.</param>
    public static Stretch? Along(HouseNetwork house, RunId id, ConductorColour one, ConductorColour other, Ohms near, Ohms? far, Ohms last)
    {
        var (circuit, run) = house.Plan.FindRun(id)!.Value;
        decimal PerFoot(ConductorColour colour) => HouseNetwork.OhmsPerFoot(circuit, run, Conductor.In(run).First(c => c.Colour == colour))
            * Cool;
        var loop = PerFoot(one) + PerFoot(other);
        var long_ = run.Length.Value;
        var at = far is { } back ? (long_.Feet / 2) + ((near.Value - back.Value) / (2 * loop)) : near.Value / loop;
        var give = last.Value / loop;
        return at < -give || at > long_.Feet + give ? null
            : new(Length.FromInches(Math.Clamp(at, 0, long_.Feet) * 12), Length.FromInches(give * 12), long_);
    }
}
