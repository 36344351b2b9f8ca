using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Either method of Article 220 is lawful: what one carries is never red.</summary>
public sealed class ServiceMethodTests
{
    private static Tag? TooSmall(Plan plan) => plan.Tags.SingleOrDefault(t =>
        t.Headline.Contains("service does not carry the load", StringComparison.Ordinal));

    private static Plan Of(Job job, int rating, LoadMethod method) => Planner.Plan(job with
    {
        Panels = job.Panels.SetItem(0, job.Panels[0] with { Rating = rating.Amps() }),
        Service = job.Service with { Method = method },
    });

    [Fact] // every built house, by either method, behind 100, 125, 150 and 200 A: the tag follows from the two sums on the load page
    public void Red_where_neither_carries_it_amber_where_the_other_does()
    {
        var seen = new HashSet<Severity?>();
        foreach (var number in Enumerable.Range(1, 12))
        {
            var job = BuiltHouses.Number(number);
            foreach (var (rating, method) in new[] { 100, 125, 150, 200 }.SelectMany(r => Enum.GetValues<LoadMethod>().Select(m => (r, m))))
            {
                var plan = Of(job, rating, method);
                var (chosen, other) = method == LoadMethod.Optional ? (plan.Service.Optional!, plan.Service.Standard)
                    : (plan.Service.Standard, plan.Service.Optional!);
                Severity? expected = chosen.Current.Value <= rating ? null : other.Current.Value <= rating ? Severity.Amber : Severity.Red;
                Assert.Equal(expected, TooSmall(plan)?.Severity);
                seen.Add(expected);
            }
        }

        Assert.Equal(3, seen.Count);
    }

    [Fact] // the first button takes the other method, and the tag is gone
    public void The_button_sizes_it_by_the_method_that_carries_it()
    {
        var (job, rating) = Enumerable.Range(1, 12).Select(BuiltHouses.Number).SelectMany(j => new[] { 100, 125, 150, 200 }
            .Select(r => (j, r))).First(x => TooSmall(Of(x.j, x.r, LoadMethod.Standard)) is { Severity: Severity.Amber });
        var plan = Of(job, rating, LoadMethod.Standard);
        var fix = TooSmall(plan)!.Fixes[0];
        Assert.Equal("Size it by the optional method", fix.Label);
        var mended = Planner.Plan(fix.Change.On(plan.Job).Job!);
        Assert.Null(TooSmall(mended));
        Assert.Equal(rating, mended.Service.Panel.Rating.Value);
    }
}
