using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;

namespace Circuitum.Core.Site;

/// <summary>How far the walk before something is covered is, by the record.</summary>
/// <param name="Closing">What covers it.</param>
/// <param name="Day">The day it is to be; null where none is set.</param>
/// <param name="Lines">Lines to be seen.</param>
/// <param name="Seen">Those that are.</param>
/// <param name="NotReady">Those that the record says something against: a cable is not pulled, a breaker not torqued.</param>
/// <param name="Corrections">What is wrong and not mended.</param>
public sealed record ClosingState(Closing Closing, DateOnly? Day, int Lines, int Seen, int NotReady, int Corrections)
{
    /// <summary>From so many days before its day on, what is not ready is amber: a week, in which an inspection can still be asked for and
    /// a correction made.</summary>
    public const int DaysAhead = 7;

    /// <summary>Every line is seen, and nothing is to be mended or missing.</summary>
    public bool IsReady => Seen == Lines && Corrections == 0 && NotReady == 0;

    /// <summary>It is near, or past, and not ready.</summary>
    /// <param name="today">The day it is looked at.</param>
    public bool IsLate(DateOnly today) => !IsReady && Day is { } day && day.DayNumber - today.DayNumber <= DaysAhead;

    /// <summary>Those that the job has anything to see for, in the order in which they come.</summary>
    public static ImmutableArray<ClosingState> Of(Plan plan, SiteRecord record) =>
        [.. Enum.GetValues<Closing>().Select(c => Of(plan, record, c)).Where(s => s.Lines > 0)];

    private static ClosingState Of(Plan plan, SiteRecord record, Closing closing)
    {
        var lines = Walk.Of(plan, record, closing).SelectMany(s => s.Lines).ToList();
        return new(closing, plan.Job.Closings.FirstOrDefault(c => c.Closing == closing)?.Day, lines.Count,
            lines.Count(l => record.Is(l.Subject, SiteStep.Passed, l.Key)), lines.Count(l => l.NotReady is not null),
            lines.Sum(l => record.Corrections(l.Subject, l.Key).Count()));
    }
}
