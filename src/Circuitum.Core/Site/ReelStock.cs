using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Site;

/// <summary>A reel that stands in the van.</summary>
/// <param name="Name">As it is marked.</param>
/// <param name="Cable">What is on it: 12-2.</param>
/// <param name="Counted">What was on it when it was counted, or set down full.</param>
/// <param name="Cuts">Cuts from it since.</param>
/// <param name="Taken">What they took.</param>
public sealed record StandingReel(string Name, string Cable, Length Counted, int Cuts, Length Taken)
{
    /// <summary>What is left on it; less than nothing where it was counted wrong, or something was cut from another.</summary>
    public Length Left => Counted - Taken;
}

/// <summary>The reels that stand in the van, folded from the record: counted when they are set down, and less by every cut since that was
/// said to be from them.</summary>
public static class ReelStock
{
    /// <summary>Longest name of a reel, characters.</summary>
    public const int LongestName = 24;

    /// <summary>The reels that are not finished, by cable and name.</summary>
    public static ImmutableArray<StandingReel> Of(SiteRecord record)
    {
        var cuts = record.Done(SiteStep.Pulled).Where(e => record.ReelOf(e.Subject) is not null).ToLookup(e => record.ReelOf(e.Subject)!);
        Length Used(SiteEntry first) => record.All(first.Subject, first.Step).LastOrDefault(e => e.Used is not null)?.Used
            ?? first.As?.Cut ?? Length.Zero;
        return [.. record.Standing.Where(e => e.Subject.Kind == SubjectKind.Reel).GroupBy(e => e.Subject.Id)
            .Select(g => g.Last()).Where(e => e is { Step: SiteStep.Counted, As: not null })
            .Select(e =>
            {
                var since = cuts[e.Subject.Id].Where(c => c.When >= e.When).ToList();
                return new StandingReel(e.Subject.Id, e.As!.What, e.As.Cut, since.Count,
                    since.Select(Used).Total());
            })
            .OrderBy(r => r.Cable, StringComparer.Ordinal).ThenBy(r => r.Name, StringComparer.Ordinal)];
    }
}
