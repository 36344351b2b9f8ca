using Circuitum.Core.Jobs;

namespace Circuitum.Core.Problems;

/// <summary>Contradictions in kept divisions and in schools of single rooms.</summary>
internal static class DivisionProblems
{
    public static IEnumerable<JobProblem> Find(Job job)
    {
        if (job.Divisions.Count(d => d.Name != Division.AsSeen) > Division.Most)
        {
            yield return new("divisions", $"at most {Division.Most} divisions to a job; drop one");
        }

        foreach (var division in job.Divisions.Where(d => d.Name.Trim().Length is 0 or > 40))
        {
            yield return new($"divisions “{division.Name}”", "give it a name of 1 to 40 characters");
        }

        foreach (var twice in job.Divisions.GroupBy(d => d.Name).Where(g => g.Count() > 1))
        {
            yield return new($"divisions “{twice.Key}”", "this name is used twice; give each its own");
        }

        if (job.Follows is { } follows && job.Divisions.All(d => d.Name != follows))
        {
            yield return new("follows", $"there is no division “{follows}” in this job");
        }

        foreach (var division in job.Divisions)
        {
            foreach (var twice in division.Circuits.GroupBy(c => c.Key).Where(g => g.Count() > 1))
            {
                yield return new($"divisions “{division.Name}”", $"circuit “{twice.Key}” stands there twice");
            }

            foreach (var twice in division.Circuits.SelectMany(c => c.Boxes).GroupBy(b => b).Where(g => g.Count() > 1))
            {
                yield return new($"divisions “{division.Name}”", $"box “{twice.Key}” is on two circuits");
            }
        }

        var rooms = job.Rooms.Select(r => r.Id).ToHashSet();
        foreach (var own in job.RoomSchools.Where(r => !rooms.Contains(r.Room)))
        {
            yield return new($"roomSchools “{own.Room}”", "is no room of this job");
        }

        foreach (var twice in job.RoomSchools.GroupBy(r => r.Room).Where(g => g.Count() > 1))
        {
            yield return new($"roomSchools “{twice.Key}”", "stands there twice");
        }

        foreach (var twice in job.CircuitSchools.GroupBy(c => c.Circuit).Where(g => g.Count() > 1))
        {
            yield return new($"circuitSchools “{twice.Key}”", "stands there twice");
        }
    }
}
