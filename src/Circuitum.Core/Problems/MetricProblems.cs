using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Problems;

/// <summary>What is wrong with how metric boards are fed, as it is written.</summary>
internal static class MetricProblems
{
    public static IEnumerable<JobProblem> Find(MetricFeed feed)
    {
        if (feed.Ambient.Degrees < MetricFeed.Ambients.Least.Degrees || feed.Ambient.Degrees > MetricFeed.Ambients.Most.Degrees)
        {
            yield return new("metric.ambient", $"must lie from {MetricFeed.Ambients.Least} to {MetricFeed.Ambients.Most}; it is "
                + $"{feed.Ambient}");
        }

        if (feed.Together is < 1 or > MetricFeed.MostTogether)
        {
            yield return new("metric.together", $"from 1 to {MetricFeed.MostTogether} circuits share a conduit; here are {feed.Together}");
        }

        if (feed.LampsOnCircuit < MetricFeed.Lamps.Least || feed.LampsOnCircuit > MetricFeed.Lamps.Most)
        {
            yield return new("metric.lampsOnCircuit", $"must lie from {MetricFeed.Lamps.Least} to {MetricFeed.Lamps.Most}; it is "
                + $"{feed.LampsOnCircuit}");
        }

        if (feed.SubMain <= Length.Zero || feed.SubMain > MetricFeed.Farthest)
        {
            yield return new("metric.subMain", $"a conduit is longer than nothing and at most "
                + $"{MetricFeed.Farthest.Cut(Measure.Metres)}");
        }

        foreach (var share in feed.Demand)
        {
            if (!Enum.IsDefined(share.Group) || share.Share.Value is <= 0 or > 100)
            {
                yield return new("metric.demand", $"a share is above 0 to 100 %; it is {share.Share}");
            }
        }

        foreach (var amendment in feed.Amendments)
        {
            if (!Enum.IsDefined(amendment.Number))
            {
                yield return new("metric.amendments", "there is no such number to amend");
            }
            else if (MetricAmendment.Problem(amendment.Number, amendment.Value) is { } wrong)
            {
                yield return new("metric.amendments", wrong);
            }

            if (amendment.By.Trim().Length is 0 or > MetricAmendment.MostOfName)
            {
                yield return new("metric.amendments", $"say whose it is, in 1 to {MetricAmendment.MostOfName} characters");
            }
        }

        if (feed.Amendments.DistinctBy(a => a.Number).Count() < feed.Amendments.Length)
        {
            yield return new("metric.amendments", "amend each number once");
        }

        if (feed.Demand.DistinctBy(d => d.Group).Count() < feed.Demand.Length)
        {
            yield return new("metric.demand", "give each group one share");
        }
    }
}
