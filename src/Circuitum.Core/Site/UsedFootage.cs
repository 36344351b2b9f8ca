using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Site;

/// <summary>How what was used compares with what the plan said, for one kind of run.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="Measured">How many were measured.</param>
/// <param name="Median">The middle of used less planned; less than nothing where the plan was generous.</param>
/// <param name="Least">The least of them.</param>
/// <param name="Most">The most.</param>
public sealed record UsedOf(RunKind Kind, int Measured, Length Median, Length Least, Length Most);

/// <summary>Measured lengths beside planned ones, so that the next plan guesses better.</summary>
public static class UsedFootage
{
    /// <summary>By kind of run, those with most measured first; only runs that the plan has now, each by what was measured last.</summary>
    public static ImmutableArray<UsedOf> Of(Plan plan, SiteRecord record)
    {
        var used = record.Standing.Where(e => e.Step == SiteStep.Pulled && e.Used is not null).GroupBy(e => e.Subject)
            .ToDictionary(g => g.Key, g => g.Last().Used!.Value);
        return [.. plan.Takeoff.Pulls.Where(l => used.ContainsKey(Subject.Run(l.Run)))
            .GroupBy(l => l.Kind, l => used[Subject.Run(l.Run)] - l.Length).Select(g => Of(g.Key, [.. g.Order()]))
            .OrderByDescending(u => u.Measured).ThenBy(u => u.Kind)];
    }

    // Of an even number the lower of the two in the middle: a length that was measured.
    private static UsedOf Of(RunKind kind, ImmutableArray<Length> apart) =>
        new(kind, apart.Length, apart[(apart.Length - 1) / 2], apart[0], apart[^1]);
}
