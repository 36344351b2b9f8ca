using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Tests;

/// <summary>A size that a person keeps stands in the way of what would change it: by name and by how much, and freed for it in the same
/// act.</summary>
public sealed class SizeLocksTests
{
    private static readonly RoomId Kitchen = new("kitchen"), Hall = new("hall"), Bed = new("bed");

    // Kitchen 12 ft, hall 4 ft, bed 11 ft from west to east, each 12 ft deep.
    private static Job Row
    {
        get
        {
            var job = new NewJob
            {
                Name = "Kept",
                Edition = Editions.Newest(RuleFamily.UnitedStates),
                FirstRoom = "Kitchen",
                FirstUse = RoomUse.Kitchen,
                Width = 12.Feet(),
                Depth = 12.Feet(),
            }.Start();
            job = Done(job, new AddRoom(Kitchen, 2, Length.Zero, 12.Feet(), 4.Feet(), "Hall", RoomUse.Hall));
            return Done(job, new AddRoom(Hall, 2, Length.Zero, 12.Feet(), 11.Feet(), "Bed", RoomUse.Bedroom));
        }
    }

    private static Job Done(Job job, JobChange change) => change.On(job) is { Job: { } done } ? done
        : throw new InvalidOperationException(change.On(job).Refusal);

    private static (int, int, int) Widths(Job job)
    {
        var house = Framing.Frame(job);
        int Of(RoomId id) => (int)house.Room(id).ClearWidth.Inches;
        return (Of(Kitchen), Of(Hall), Of(Bed));
    }

    [Fact]
    public void A_kept_size_is_not_changed_from_beside_and_freed_it_is()
    {
        var job = Done(Row, new KeepSize(Hall, true, false));
        var change = new MoveWall(Kitchen, 2, 6.Inches());
        var outcome = change.On(job);
        Assert.Null(outcome.Job);
        Assert.Equal("Hall keeps its 4'-0\" east to west; this would make it 6\" shorter. Free it first.", outcome.Refusal);
        Assert.Equal([Hall], outcome.Frees.AsEnumerable());

        var freed = new Freeing(outcome.Frees, change).On(job);
        Assert.Equal((150, 42, 132), Widths(freed.Job!));
        Assert.False(freed.Job!.Rooms.Single(r => r.Id == Hall).KeepsWidth);
        Assert.EndsWith("Hall freed for it", freed.Phrase, StringComparison.Ordinal);

        // What is not beside it may move; where the hall alone grew south its walls there would be to the outside, and thicker.
        Assert.Equal((144, 48, 138), Widths(Done(job, new MoveWall(Bed, 2, 6.Inches()))));
        Assert.Contains("this would make it 2\" shorter", new MoveWall(Hall, 3, 6.Inches()).On(job).Refusal, StringComparison.Ordinal);
    }

    [Fact] // both of two: each is named, both are freed
    public void Whatever_is_kept_is_named()
    {
        var job = Done(Done(Row, new KeepSize(Hall, true, false)), new KeepSize(Kitchen, true, false));
        var outcome = new MoveWall(Hall, 4, 3.Inches()).On(job);
        Assert.Equal("Kitchen keeps its 12'-0\" east to west; this would make it 3\" shorter. Hall keeps its 4'-0\" east to west; "
            + "this would make it 3\" longer. Free them first.", outcome.Refusal);
        Assert.Equal([Kitchen, Hall], outcome.Frees.AsEnumerable());
    }

    [Fact] // the hall is kept, so the kitchen grows to the west; of its own kept size what is typed is the new one
    public void A_size_that_is_typed_goes_the_way_that_is_free()
    {
        var job = Done(Done(Row, new KeepSize(Hall, true, false)), new KeepSize(Kitchen, true, false));
        var west = job.Rooms.Single(r => r.Id == Kitchen).Corners[0].X;
        var typed = Done(job, new SetWallLength(Kitchen, 1, 13.Feet()));
        Assert.Equal((156, 48, 132), Widths(typed));
        var kitchen = typed.Rooms.Single(r => r.Id == Kitchen);
        Assert.Equal((west - 12.Inches(), true), (kitchen.Corners[0].X, kitchen.KeepsWidth));

        // Nothing kept: the far wall moves, as ever, and the hall is shorter.
        Assert.Equal((156, 36, 132), Widths(Done(Row, new SetWallLength(Kitchen, 1, 13.Feet()))));

        // The hall itself between two that are kept: either wall would change one of them.
        var between = Done(Done(Row, new KeepSize(Kitchen, true, false)), new KeepSize(Bed, true, false));
        Assert.Contains("Bed keeps its 11'-0\"", new SetWallLength(Hall, 1, 5.Feet()).On(between).Refusal, StringComparison.Ordinal);
    }

    [Fact]
    public void Keeping_says_what_it_keeps()
    {
        var keep = new KeepSize(Hall, true, true).On(Row);
        Assert.Equal("Keep the 4'-0\" of Hall east to west; Keep the 12'-0\" of Hall north to south", keep.Phrase);
        Assert.Equal("Free the 4'-0\" of Hall east to west", new KeepSize(Hall, false, true).On(keep.Job!).Phrase);
        Assert.Equal("The sizes of Hall are so already.", new KeepSize(Hall, true, true).On(keep.Job!).Refusal);
    }
}
