using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>110.26(D): whoever works at a panel sees what he does.</summary>
public sealed class PanelLightTests
{
    private static Tag? Told(Job job) => Planner.Plan(job).Tags.SingleOrDefault(t => t.Headline == "a has no switched lighting outlet.");

    [Theory] // a mudroom is only worth a light, a greenhouse is left alone: with a panel in it the book asks
    [InlineData(RoomUse.Mudroom, Severity.Amber)]
    [InlineData(RoomUse.Greenhouse, null)]
    [InlineData(RoomUse.Pantry, null)]
    public void A_room_with_a_panel_is_lit(RoomUse use, Severity? without)
    {
        var elsewhere = Houses.Row(("b", RoomUse.Utility, 10), ("a", use, 10));
        Assert.Equal(without, Told(elsewhere)?.Severity);
        var here = Houses.Row(("a", use, 10), ("b", RoomUse.Utility, 10));
        var tag = Told(here)!;
        Assert.Equal((Severity.Red, "110.26(D)"), (tag.Severity, tag.Rule));
        Assert.StartsWith("The working space at panel A is lit.", tag.Arithmetic, StringComparison.Ordinal);
        Assert.Null(Told(tag.Fixes.Single().Change.On(here).Job!));
    }

    [Fact] // it may not stand there: that is told, and no lamp is asked for
    public void A_panel_in_a_closet_is_told_by_its_own_section() => Assert.Null(Told(Houses.Row(("a", RoomUse.Closet, 10),
        ("b", RoomUse.Utility, 10))));

    [Theory] // rooms that are lit anyway keep the section that asks for it
    [InlineData(RoomUse.Bedroom, "210.70(A)")]
    [InlineData(RoomUse.Garage, "210.70(A)")]
    public void A_room_that_is_lit_anyway_is_asked_once(RoomUse use, string section) =>
        Assert.StartsWith(section, Told(Houses.Row(("a", use, 14), ("b", RoomUse.Utility, 10)))!.Rule, StringComparison.Ordinal);

    [Fact] // the clause that would ask it there is not known to this program
    public void The_Canadian_book_keeps_it_a_matter_of_practice() =>
        Assert.Equal(Severity.Amber, Told(Houses.Row(("a", RoomUse.Mudroom, 10)) with { Edition = Edition.Canada2021 })?.Severity);
}
