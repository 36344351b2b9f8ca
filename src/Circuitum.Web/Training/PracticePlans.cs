using System.Collections.Concurrent;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;
using Circuitum.Core.Training;

namespace Circuitum.Web.Training;

/// <summary>The small houses of the exercises, planned once each.</summary>
public static class PracticePlans
{
    private static readonly ConcurrentDictionary<string, Lazy<HouseNetwork>> Houses = new();
    private static readonly ConcurrentDictionary<string, Lazy<Finder>> Finders = new();

    /// <summary>The house of an exercise.</summary>
    public static HouseNetwork HouseOf(Exercise exercise) =>
        Houses.GetOrAdd(exercise.Id, _ => new(() => new(Planner.Plan(exercise.House)))).Value;

    /// <summary>The finder of an exercise in which a nail is hidden.</summary>
    public static Finder FinderOf(FindExercise exercise) => Finders.GetOrAdd(exercise.Id,
        _ => new(() => HouseOf(exercise) is var house ? new(house, FindExercise.Circuit(house).Key) : null!)).Value;
}
