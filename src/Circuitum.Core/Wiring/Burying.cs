using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Wiring;

/// <summary>What lies in the ground, as Table 300.5(A) asks.</summary>
internal static class Burying
{
    /// <summary>True for a run that goes through this trench: between its two buildings.</summary>
    public static bool Lies(FramedHouse house, Run run, Trench trench) =>
        trench.Joins(house.Structures[run.From.Place.Structure].Structure.Id, house.Structures[run.To.Place.Structure].Structure.Id);

    /// <summary>Pipe, cable, or a protected 20 A branch circuit of 120 V.</summary>
    public static Buried What(WiredCircuit circuit, Run run) => run.Pipe is not null ? Buried.Pvc
        : circuit.Breaker.Value <= 20 && circuit.Poles == 1 && circuit.BreakerIsGfci ? Buried.ProtectedBranch : Buried.Cable;
}
