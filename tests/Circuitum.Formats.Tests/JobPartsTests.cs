using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Formats.JobFile;
using Circuitum.Tests.Support;

namespace Circuitum.Formats.Tests;

/// <summary>Which parts of a job two people touched, and whether they met.</summary>
public sealed class JobPartsTests
{
    private static readonly Job Start = Houses.Row(("kitchen", RoomUse.Kitchen, 14), ("den", RoomUse.Den, 14), ("hall", RoomUse.Hall, 8))
        .With(Houses.On("k1", "kitchen", 1, 30), Houses.On("k2", "kitchen", 1, 80), Houses.On("d1", "den", 1, 30));

    private static JobParts From(Job before, Job after) => JobParts.Between(JobFiles.Write(before), JobFiles.Write(after));

    private static Job Moved(Job job, string box, int inches) =>
        job with { Boxes = [.. job.Boxes.Select(b => b.Id.Value == box ? b with { Offset = inches.Inches() } : b)] };

    private static Job Room(Job job, string room, Func<Room, Room> change)
    {
        var level = job.Structures[0].Levels[0];
        return job with
        {
            Structures = [job.Structures[0] with { Levels = [level with { Rooms = [.. level.Rooms.Select(r => r.Id.Value == room ? change(r)
                : r)] }] }],
        };
    }

    [Fact]
    public void Nothing_differs_from_itself() => Assert.True(From(Start, Start with { Boxes = [.. Start.Boxes] }).IsNone);

    [Fact]
    public void What_a_room_a_box_and_a_circuit_have_to_do_with_it()
    {
        var moved = From(Start, Moved(Start, "k1", 40));
        Assert.True(moved.HasBox("k1"));
        Assert.True(moved.IsInRoom("kitchen"));
        Assert.False(moved.HasBox("k2") || moved.HasBox("k") || moved.IsInRoom("den") || moved.IsInRoom("kit"));
        // One that goes to another room has to do with both.
        var gone = From(Start, Start with { Boxes = [Start.Boxes[0] with { Room = new("den") }, .. Start.Boxes[1..]] });
        Assert.True(gone.IsInRoom("kitchen") && gone.IsInRoom("den"));
        var named = From(Start, Room(Start, "den", r => r with { Name = "Study" }));
        Assert.True(named.IsInRoom("den"));
        Assert.False(named.IsInRoom("kitchen"));
        var pinned = From(Start, Start with { Pins = Start.Pins with { Boxes = [new(new("k1"), new("kitchen-1"))] } });
        Assert.True(pinned.HasPinOf("kitchen-1"));
        Assert.False(pinned.HasPinOf("kitchen"));
    }

    [Fact]
    public void Boxes_of_two_rooms_do_not_touch_and_of_one_room_do()
    {
        Assert.False(From(Start, Moved(Start, "k1", 40)).Touches(From(Start, Moved(Start, "d1", 40))));
        Assert.True(From(Start, Moved(Start, "k1", 40)).Touches(From(Start, Moved(Start, "k1", 50))));
        Assert.True(From(Start, Moved(Start, "k1", 40)).Touches(From(Start, Moved(Start, "k2", 90))));
        // One that goes to another room is in both.
        var gone = Start with { Boxes = [Start.Boxes[0] with { Room = new("den") }, .. Start.Boxes[1..]] };
        Assert.True(From(Start, gone).Touches(From(Start, Moved(Start, "d1", 40))));
    }

    [Fact]
    public void A_room_touches_its_boxes_and_openings_and_not_those_of_another()
    {
        var named = From(Start, Room(Start, "kitchen", r => r with { Name = "Big kitchen" }));
        var door = From(Start, Room(Start, "kitchen", r => r with
        { Openings = [new() { Id = new("o"), Kind = OpeningKind.Door, Wall = 3, Offset = 10.Inches(), Width = 32.Inches() }] }));
        Assert.True(named.Touches(door));
        Assert.True(door.Touches(named));
        Assert.True(named.Touches(From(Start, Moved(Start, "k1", 40))));
        Assert.False(named.Touches(From(Start, Moved(Start, "d1", 40))));
        Assert.False(named.Touches(From(Start, Room(Start, "den", r => r with { Name = "Study" }))));
    }

    [Fact]
    public void House_rules_touch_no_box_and_a_pin_touches_the_pin_that_it_replaces()
    {
        var rules = From(Start, Start with { HouseRules = Start.HouseRules with { SwitchHeight = 46.Inches() } });
        Assert.False(rules.Touches(From(Start, Moved(Start, "k1", 40))));
        Assert.True(rules.Touches(From(Start, Start with { HouseRules = Start.HouseRules with { SwitchHeight = 44.Inches() } })));
        CablePin Pin(string gauge) => new(new("c"), Gauge.Parse(gauge));
        var pinned = Start with { Pins = Start.Pins with { Cables = [Pin("12")] } };
        var again = pinned with { Pins = pinned.Pins with { Cables = [Pin("10")] } };
        Assert.True(From(Start, pinned).Touches(From(pinned, again)));
        Assert.False(From(Start, pinned).Touches(From(pinned, pinned with
        { Pins = pinned.Pins with { Cables = [.. pinned.Pins.Cables, new(new("other"), Gauge.Parse("10"))] } })));
    }
}
