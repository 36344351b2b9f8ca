using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Site;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>What a crew pulls next.</summary>
public sealed class PullOrderTests
{
    // Panel to a, a to b to c along one wall: a home run and two jumpers.
    private static readonly Plan Den = Planner.Plan(Houses.Row(("den", RoomUse.Den, 40))
        .With(Houses.On("a", "den", 1, 40), Houses.On("b", "den", 1, 160), Houses.On("c", "den", 1, 280)));

    private static readonly Instant Noon = new(1_777_896_000_000);

    private static SiteRecord Pulled(params RunId[] runs) => SiteRecord.Of(runs.Select((r, i) =>
        new SiteEntry(new(new Guid(i + 1, 0, 0, new byte[8])), Subject.Run(r), SiteStep.Pulled, Noon, Noon, "Ida", 1)));

    [Theory] // home runs come first, whatever is longest
    [InlineData(PullManner.SameWay)]
    [InlineData(PullManner.ByStory)]
    public void Next_is_what_is_not_pulled_in_the_order_of_the_list(PullManner manner)
    {
        var all = PullOrder.Next(Den, SiteRecord.Empty, manner, 10);
        Assert.Equal(3, all.Length);
        Assert.Equal(Routing.RunKind.HomeRun, all[0].Kind);
        Assert.Equal(all.Skip(1), PullOrder.Next(Den, Pulled(all[0].Run), manner, 10));
        Assert.Equal([all[0], all[2]], PullOrder.Next(Den, Pulled(all[1].Run), manner, 10).AsEnumerable());
        Assert.Empty(PullOrder.Next(Den, Pulled([.. all.Select(l => l.Run)]), manner, 10));
    }

    [Fact]
    public void No_more_than_is_asked_for() => Assert.Equal(2, PullOrder.Next(Den, SiteRecord.Empty, default, 2).Length);

    [Fact] // one at each end, as they stand on the whole list
    public void Each_run_has_two_labels()
    {
        var next = PullOrder.Next(Den, SiteRecord.Empty, default, 1);
        var two = Labels.Of(Den, next).ToList();
        Assert.Equal(["Panel A", "den receptacle 1"], two.Select(l => l.Where));
        Assert.All(two, l => Assert.Contains(Labels.Of(Den, LabelKind.Cables), o => o.Big == l.Big && o.Where == l.Where));
    }
}
