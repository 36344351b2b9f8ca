using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Refusals on the bench are told by the names that people gave and by sides of the sky.</summary>
public sealed class ProblemWordsTests
{
    private static Job Two => Houses.Row(("Kitchen", RoomUse.Kitchen, 12), ("Living", RoomUse.Family, 14));

    private static string? Says(JobChange change) => change.On(Two).Refusal;

    [Fact]
    public void An_opening_that_does_not_fit_is_told_by_its_room_and_its_side() =>
        Assert.Equal("The door of Living: does not fit on the east wall, which is 12'-0\" on its center line", Says(new AddOpening(
            new("Living"), new() { Id = new("d"), Kind = OpeningKind.Door, Wall = 2, Offset = 11.Feet(), Width = 3.Feet() })));

    [Fact]
    public void A_wall_that_is_not_there_keeps_its_number() => Assert.Equal(
        "Kitchen receptacle: wall 9 is not there; “Kitchen” has walls 1 to 4", Says(new AddBox(Houses.On("k", "Kitchen", 9, 20))));

    [Fact]
    public void Two_rooms_on_one_floor_are_told_by_their_names() => Assert.StartsWith("“Bath” and “Living” take the same floor",
        Says(new DrawRoom(new("ground"), "Bath", RoomUse.Bath, new(14.Feet(), 2.Feet()), new(20.Feet(), 8.Feet()))),
        StringComparison.Ordinal);

    [Fact]
    public void A_height_is_told_of_the_box_it_is_of() => Assert.Equal("Kitchen receptacle: must lie from 0 to 20 ft; it is 30'-0\"",
        new SetHeight(new("k"), 30.Feet()).On(Two.With(Houses.On("k", "Kitchen", 1, 20))).Refusal);
}
