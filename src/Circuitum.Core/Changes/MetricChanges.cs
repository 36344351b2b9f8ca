using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;

namespace Circuitum.Core.Changes;

/// <summary>Says how the metric boards of a house are fed, so that it is planned by the metric method as well; null when it is not any
/// more.</summary>
public sealed record SetMetricFeed(MetricFeed? Feed) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        if (Feed is null && CodeBook.For(job).FeedsBoards)
        {
            throw new ChangeRefusedException($"The {job.Edition.Family().Words()} has nothing but boards; plan by another book first.");
        }

        phrase = Feed is null ? "Plan no metric board" : job.Metric is null ? "Plan a metric board" : "Feed the metric board otherwise";
        return job with { Metric = Feed };
    }
}
