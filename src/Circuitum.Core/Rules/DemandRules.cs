using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>How much of what is connected runs at once.</summary>
public abstract class DemandRules
{
    /// <summary>Cooking appliances at and below this are counted at their nameplate with the fixed ones.</summary>
    public abstract VoltAmps LeastCooking { get; }

    /// <summary>The demand of household cooking appliances together, and its arithmetic.</summary>
    /// <param name="ratings">Each above <see cref="LeastCooking"/>.</param>
    /// <exception cref="ArgumentException">One is not.</exception>
    public abstract (VoltAmps Demand, string Sum) Cooking(IReadOnlyList<VoltAmps> ratings);

    /// <summary>The demand of one household range, which its branch circuit is sized by; a small one counts at its nameplate.</summary>
    public VoltAmps Range(VoltAmps rating) => rating <= LeastCooking ? rating : Cooking([rating]).Demand;

    /// <summary>Least rating of the circuit of a range; null where none is asked.</summary>
    public abstract Amps? LeastRangeCircuit(VoltAmps rating);

    /// <summary>The size of a range from which on a circuit is asked, as the book writes it.</summary>
    public abstract string RangeOfLeastCircuit { get; }

    /// <summary>Per cent of household dryers by their count, 1 or more.</summary>
    public abstract Percent Dryers(int count);

    /// <summary>An appliance that counts towards four and is reduced with them: fastened in place and no range, dryer, space heating or air
    /// conditioning.</summary>
    /// <param name="load">Its rating.</param>
    /// <param name="cooking">A range, cooktop or wall oven.</param>
    public abstract bool CountsTowardsFour(VoltAmps load, bool cooking);

    /// <summary>The figures of a dwelling's load where it is reckoned from its area at once; null where a book has methods of
    /// parts.</summary>
    public abstract BasicLoad? Basic { get; }

    /// <summary>Least load of vehicle equipment; nothing where a book has no such rule.</summary>
    public abstract VoltAmps LeastVehicle { get; }
}
