using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Site;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>The life of what opens on a fault: what goes dead with it, and when a test is owed.</summary>
public sealed class DeviceLifeTests
{
    private static readonly Instant Noon = new(1_777_896_000_000);

    private static Instant Day(int day) => Noon.After(TimeSpan.FromDays(day));

    private static SiteEntry Event(DeviceLife life, SiteStep step, int day) =>
        new(new(new Guid(day + 1, (short)step, 0, new byte[8])), life.Subject, step, Day(day), Day(day), "Ida", 1);

    private static Plan Plan(int number, GfciWay way)
    {
        var job = BuiltHouses.Number(number);
        return Planner.Plan(job with { Schools = job.Schools with { Gfci = way } });
    }

    [Theory] // every outlet that a button or a breaker brings back is named by exactly that button, or by its breaker
    [InlineData(2, GfciWay.Breaker)]
    [InlineData(2, GfciWay.FirstReceptacle)]
    [InlineData(7, GfciWay.FirstReceptacle)]
    [InlineData(11, GfciWay.FirstReceptacle)]
    public void What_goes_dead_is_what_the_reset_brings_back(int number, GfciWay way)
    {
        var plan = Plan(number, way);
        var lives = DeviceLives.Of(plan, SiteRecord.Empty);
        Assert.NotEmpty(lives);
        Assert.Equal(lives.Length, lives.Select(l => l.Subject).Distinct().Count());
        foreach (var circuit in plan.Circuits)
        {
            foreach (var box in circuit.Circuit.Boxes)
            {
                var (name, outlet) = (plan.Survey[box].Name, circuit.Outlets[box]);
                foreach (var at in new[] { outlet.ResetAt, outlet.AfciResetAt }.OfType<BoxId>().Distinct())
                {
                    Assert.Contains(name, lives.Single(l => l.Subject == Subject.Box(at)).Protects);
                }

                Assert.All(lives.Where(l => l.Subject.Kind == SubjectKind.Box && l.Protects.Contains(name)), l =>
                    Assert.True(outlet.ResetAt?.Value == l.Subject.Id || outlet.AfciResetAt?.Value == l.Subject.Id));
            }
        }

        Assert.Equal(plan.Panels.SelectMany(p => p.Circuits).Count(c => c.Mark.Length > 0),
            lives.Count(l => l.Subject.Kind == SubjectKind.Circuit));
    }

    [Fact] // tested on day 0: owed on day 30 and not on day 29; it fails, is replaced, and is owed until it is tested anew
    public void A_test_holds_for_a_month()
    {
        var plan = Plan(2, GfciWay.FirstReceptacle);
        var life = DeviceLives.Of(plan, SiteRecord.Empty)[0];
        DeviceLife After(params SiteEntry[] events) => DeviceLives.Of(plan, SiteRecord.Of(events))[0];
        Assert.True(life.IsDue(Noon));
        var tested = After(Event(life, SiteStep.Tested, 0));
        Assert.False(tested.IsDue(Day(29)));
        Assert.True(tested.IsDue(Day(30)));
        Assert.Null(tested.Trouble);
        var failed = After(Event(life, SiteStep.WouldNotLatch, 3), Event(life, SiteStep.Tested, 0));
        Assert.NotNull(failed.Trouble);
        var replaced = After(Event(life, SiteStep.Tested, 0), Event(life, SiteStep.WouldNotLatch, 3), Event(life, SiteStep.Replaced, 4));
        Assert.Null(replaced.Trouble);
        Assert.True(replaced.IsDue(Day(5)));
        var anew = After(Event(life, SiteStep.Replaced, 4), Event(life, SiteStep.Tested, 6), Event(life, SiteStep.Tested, 0));
        Assert.False(anew.IsDue(Day(35)));
        Assert.True(anew.IsDue(Day(36)));
        Assert.Equal(3, anew.Events.Length);
    }
}
