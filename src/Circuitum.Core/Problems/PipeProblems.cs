using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Problems;

/// <summary>What is wrong with the pipes of a job.</summary>
internal static class PipeProblems
{
    private static readonly Length Longest = Length.FromFeet(1000);
    private static readonly ImmutableArray<string> Trades = ["1/2", "3/4", "1", "1-1/4", "1-1/2", "2"];

    public static IEnumerable<JobProblem> Find(Job job)
    {
        foreach (var pipe in job.Pipes)
        {
            if (pipe.Circuits.Length + pipe.Runs.Length is < 1 or > Pipe.MostCircuits)
            {
                yield return new($"pipes “{pipe.Id}”",
                    $"a pipe takes 1 to {Pipe.MostCircuits} circuits; this one has {pipe.Circuits.Length + pipe.Runs.Length}");
            }

            if (pipe.AtLeast is { } least && !Trades.Contains(least))
            {
                yield return new($"pipes “{pipe.Id}”.atLeast", $"a trade size is one of {string.Join(", ", Trades)}; “{least}” is none");
            }

            if (pipe.Stops.Length > 20 || pipe.Stops.Any(s => s.Along < Length.Zero || s.Along > Longest))
            {
                yield return new($"pipes “{pipe.Id}”.stops", $"at most 20 places, each {Limit.Feet(0, 1000)} along the pipe");
            }
        }

        foreach (var twice in job.Pipes.SelectMany(p => p.Circuits).GroupBy(c => c).Where(g => g.Count() > 1))
        {
            yield return new($"pipes, circuit “{twice.Key}”", "lies in two pipes; keep it in one");
        }

        foreach (var twice in job.Pipes.SelectMany(p => p.Runs).GroupBy(r => r).Where(g => g.Count() > 1))
        {
            yield return new($"pipes, run “{twice.Key}”", "lies in two pipes; keep it in one");
        }
    }
}
