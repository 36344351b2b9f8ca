using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Pendants and recessed lights that no switch works.</summary>
public sealed class HungLightTests
{
    private static Job Kitchen => Houses.Row(("u", RoomUse.Utility, 8), ("k", RoomUse.Kitchen, 14)).With(
        Houses.Ceiling("l", "k", 80, 60), Houses.Switch("s", "k", 4, 20, DeviceKind.Switch, "l"));

    private static List<Tag> Tags(Job job) => [.. Planner.Plan(job).Tags.Where(t =>
        t.Headline.Contains("pendant", StringComparison.Ordinal))];

    [Fact] // two over the island, none named in a switch: amber on the first; one press puts a gang beside the room's own
    public void Two_pendants_without_a_switch_get_one_beside_the_room_s_own()
    {
        var job = Kitchen.With(Houses.Ceiling("p2", "k", 100, 90, DeviceKind.Pendant),
            Houses.Ceiling("p1", "k", 60, 90, DeviceKind.Pendant));
        var tag = Assert.Single(Tags(job));
        Assert.Equal((Severity.Amber, "box:p1", "k: 2 pendants or recessed lights have no switch."),
            (tag.Severity, tag.Subject.ToString(), tag.Headline));
        var mended = tag.Fixes.Single().Change.On(job).Job!;
        Assert.Empty(Tags(mended));
        var gangs = mended.Boxes.Single(b => b.Id.Value == "s").Devices;
        Assert.Equal(2, gangs.Length);
        Assert.Equal(["p1", "p2"], gangs[1].Controls.Select(c => c.Value));
        Assert.Equal(job.Boxes.Length, mended.Boxes.Length);
    }

    [Fact]
    public void One_that_is_named_in_a_switch_or_outside_or_a_plain_lamp_is_no_matter()
    {
        Assert.Empty(Tags(Kitchen.With(Houses.Ceiling("lamp", "k", 100, 90))));
        Assert.Empty(Tags(Kitchen.With(Houses.Ceiling("p1", "k", 100, 90, DeviceKind.Pendant),
            Houses.Switch("t", "k", 4, 60, DeviceKind.Switch, "p1"))));
        Assert.StartsWith("k: a pendant or recessed light has no switch", Assert.Single(Tags(Kitchen.With(
            Houses.Ceiling("c", "k", 100, 90, DeviceKind.Can)))).Headline, StringComparison.Ordinal);
    }

    [Fact] // a room that is owed a switched light takes what hangs there: one tag, not two
    public void A_room_without_a_switched_light_is_told_that_alone()
    {
        var job = Houses.Row(("u", RoomUse.Utility, 8), ("k", RoomUse.Kitchen, 14)).With(
            Houses.Ceiling("p1", "k", 60, 90, DeviceKind.Pendant));
        Assert.Empty(Tags(job));
        var laid = LayOut.Everything.On(job).Job!;
        Assert.Contains(laid.Boxes, b => b.Devices.Any(d => d.Controls.Any(c => c.Value == "p1")));
        Assert.Empty(Tags(laid));
    }
}
