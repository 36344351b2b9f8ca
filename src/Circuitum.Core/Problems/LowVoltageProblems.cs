using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Problems;

// What makes low voltage impossible to plan.
public static partial class JobProblems
{
    private static IEnumerable<JobProblem> LowVoltage(Job job)
    {
        var rooms = job.RoomsById();
        var homes = job.LowVoltageHomes.Select(h => h.Id).ToHashSet();
        foreach (var outlet in job.LowVoltage)
        {
            var where = $"lowVoltage “{outlet.Id}”";
            if (!rooms.TryGetValue(outlet.Room, out var room))
            {
                yield return new(where + ".room", $"room “{outlet.Room}” is not in the house");
                continue;
            }

            foreach (var problem in outlet.Mount == Mount.Wall ? OnWall(where, rooms, outlet.Room, outlet.Wall, outlet.Offset) : [])
            {
                yield return problem;
            }

            if (outlet.Mount != Mount.Wall && (outlet.X.Abs() > Longest || outlet.Y.Abs() > Longest
                || !Inside(room, outlet.X, outlet.Y)))
            {
                yield return new(where, $"X {outlet.X}, Y {outlet.Y} lies outside “{room.Name}”");
            }

            if (outlet.Height is Length height && (height < Length.Zero || height > Length.FromFeet(20)))
            {
                yield return new(where + ".height", $"must lie from {Limit.Feet(0, 20)}; it is {height}");
            }

            if (outlet.Cables is < 1 or > 8)
            {
                yield return new(where + ".cables", $"1 to 8 cables go to one outlet; it has {outlet.Cables}");
            }

            if (outlet.Name is not null && outlet.Name.Trim().Length is 0 or > 40)
            {
                yield return new(where, "its name has 1 to 40 characters");
            }

            if (outlet.Home is { } home && !homes.Contains(home))
            {
                yield return new(where + ".home", $"“{home}” is no can or shelf of this job");
            }
        }

        foreach (var home in job.LowVoltageHomes)
        {
            var where = $"lowVoltageHomes “{home.Id}”";
            foreach (var problem in OnWall(where, rooms, home.Room, home.Wall, home.Offset))
            {
                yield return problem;
            }

            if (home.Top < Length.FromFeet(1) || home.Top > Length.FromFeet(8))
            {
                yield return new(where + ".top", $"must lie from {Limit.Feet(1, 8)}");
            }
        }
    }
}
