using System.Collections.Immutable;
using Circuitum.Core.Jobs;

namespace Circuitum.Core.Changes;

/// <summary>Circuits that a person has looked at stand: a change moves no box that it does not touch to another circuit, unless a rule
/// asks for it or the change asks for another division.</summary>
internal static class SeenCircuits
{
    /// <summary>The job that follows its circuits as they are: what has joined them since they were kept stands too.</summary>
    public static Job Keep(Job job, ImmutableArray<KeptCircuit> standing)
    {
        var name = job.Follows ?? Division.AsSeen;
        var division = new Division { Name = name, Circuits = standing };
        return job.Follows is not null && job.Divisions.Any(d => d.Equals(division)) ? job
            : KeepDivision.With(job, division) with { Follows = name };
    }

    /// <summary>The changed job without what the program keeps, where the change asks for another division.</summary>
    /// <param name="before">The job before the change, its circuits kept.</param>
    /// <param name="changed">The job after it.</param>
    public static Job After(Job before, Job changed) =>
        changed.Follows != Division.AsSeen || AsksForAnother(before, changed) ? Dropped(changed) : changed;

    // By a school or an aim; one that divides nothing, like the measure that is written in, leaves the circuits where they stand.
    private static bool AsksForAnother(Job before, Job changed) => (changed.Schools != before.Schools || changed.Aims != before.Aims
        || changed.HouseRules != before.HouseRules || !changed.RoomSchools.SequenceEqual(before.RoomSchools))
        && !OfThePlanner(before).SequenceEqual(OfThePlanner(changed));

    private static ImmutableArray<KeptCircuit> OfThePlanner(Job job) => Standing.Of(job with { Follows = null }).Circuits;

    private static Job Dropped(Job job) => job with
    {
        Follows = job.Follows == Division.AsSeen ? null : job.Follows,
        Divisions = job.Divisions.RemoveAll(d => d.Name == Division.AsSeen),
    };
}
