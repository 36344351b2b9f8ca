using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>A room is furnished in one act: what it has stands in it, clear of doors and of each other.</summary>
public sealed class FurnishTests
{
    private static readonly RoomUse[] Uses = [RoomUse.Bath, RoomUse.Kitchen, RoomUse.Laundry, RoomUse.Bedroom, RoomUse.Closet];

    private static Job One(RoomUse use, decimal width, decimal depth, params Opening[] openings) => Houses.House(
    [
        Houses.Rectangle("room", use, Length.Zero, Length.Zero, Length.FromInches(width) + Houses.Outer,
            Length.FromInches(depth) + Houses.Outer) with { Openings = [.. openings] },
        Houses.Rectangle("next", RoomUse.Hall, Length.FromInches(width) + Houses.Outer, Length.Zero, 10.Feet(), 10.Feet()),
    ]) with
    { Panels = [Houses.Panel("next")] };

    private static Opening Gap(OpeningKind kind, int wall, decimal offset, decimal width) => new()
    {
        Id = new($"o{wall}-{(int)offset}"),
        Kind = kind,
        Wall = wall,
        Offset = Length.FromInches(offset),
        Width = Length.FromInches(width),
    };

    [Fact] // a bath of 5 × 8 ft with its door at the end: tub, vanity and toilet, all there
    public void A_hall_bath_has_its_three()
    {
        var outcome = new FurnishRoom(new("room")).On(One(RoomUse.Bath, 96, 60, Gap(OpeningKind.Door, 4, 15, 28)));
        Assert.Equal("Furnish room with tub, vanity, toilet", outcome.Phrase);
        Assert.Equal([FixtureKind.Tub, FixtureKind.Vanity, FixtureKind.Toilet],
            outcome.Job!.Rooms.First().Fixtures.Select(f => f.Kind));
        Assert.Equal("room has all that a bath has.", new FurnishRoom(new("room")).On(outcome.Job!).Refusal);
    }

    [Fact] // the sink under the window: 36 in from the corner, 48 wide, a sink of 33 at 43-1/2, to the inch 44
    public void A_kitchen_has_its_sink_under_the_window_and_its_machines_fed()
    {
        var job = new FurnishRoom(new("room")).On(One(RoomUse.Kitchen, 156, 144, Gap(OpeningKind.Window, 1, 36, 48),
            Gap(OpeningKind.Door, 3, 100, 32))).Job!;
        var kitchen = job.Rooms.First();
        var sink = Assert.Single(kitchen.Fixtures, f => f.Kind == FixtureKind.Sink);
        Assert.Equal((1, 44m), (sink.Wall!.Value, sink.Offset.Inches));
        Assert.Equal(2, kitchen.Fixtures.Count(f => f.Kind == FixtureKind.Counter));
        Assert.Contains(job.Boxes, b => b.Devices.Any(d => d.Plate?.Appliance == Appliance.Range));
        Assert.Contains(job.Boxes, b => b.Devices.Any(d => d.Plate?.Appliance == Appliance.Dishwasher));
        Assert.Contains(job.Boxes, b => b.Devices.Any(d => d.Plate?.Appliance == Appliance.Refrigerator));
    }

    [Fact]
    public void What_finds_no_place_is_told_and_a_use_without_a_set_refused()
    {
        Assert.Contains("no place is left for", new FurnishRoom(new("room")).On(One(RoomUse.Bath, 66, 40, Gap(OpeningKind.Door, 4, 2, 28)))
            is var outcome ? outcome.Phrase + outcome.Refusal : "", StringComparison.Ordinal);
        Assert.Equal("There is no set for a hall: put its things in one by one.", new FurnishRoom(new("next")).On(One(RoomUse.Bath, 96, 60))
            .Refusal);
        Assert.Equal("room has no place clear of its doors for bed.", new FurnishRoom(new("room")).On(One(RoomUse.Bedroom, 50,
            50)).Refusal);
    }

    [Fact] // 400 rooms by lot: nothing stands in another thing, before a door or through a wall
    public void Nothing_stands_in_anything()
    {
        var placed = 0;
        for (var number = 1; number <= 400; number++)
        {
            var draw = new Draw((uint)number);
            decimal width = 60 + draw.Below(160), depth = 60 + draw.Below(160);
            var use = Uses[draw.Below(Uses.Length)];
            var openings = new List<Opening>();
            foreach (var wall in Enumerable.Range(1, 4).Where(_ => draw.Below(2) == 0))
            {
                var clear = (int)(wall % 2 == 1 ? width : depth);
                var wide = 28 + draw.Below(12);
                openings.Add(Gap((OpeningKind)draw.Below(4), wall, draw.Below(clear - wide - 8), wide));
            }

            if (new FurnishRoom(new("room")).On(One(use, width, depth, [.. openings])).Job is not { } job)
            {
                continue;
            }

            var room = Framing.Frame(job).Room(new("room"));
            var things = room.Room.Fixtures.Select(f => (f.Kind, Box: Inches(room.Footprint(f)))).ToList();
            placed += things.Count;
            foreach (var (kind, box) in things)
            {
                Assert.True(box.West >= room.NorthWest.X.Inches - .01m && box.East <= (room.NorthWest.X + room.ClearWidth).Inches + .01m
                    && box.North >= room.NorthWest.Y.Inches - .01m && box.South <= (room.NorthWest.Y + room.ClearDepth).Inches + .01m,
                    $"{number}: {kind} is not in the room");
                Assert.DoesNotContain(things, t => t.Box != box && Overlap(t.Box, box) && t.Kind != FixtureKind.Counter
                    && kind != FixtureKind.Counter);
                foreach (var opening in room.Sides.SelectMany(s => s.Openings.Where(o => o.Opening.Kind != OpeningKind.Window)
                    .Select(o => (Side: s, o))))
                {
                    // A foot into the room before every door nothing stands, whatever it is.
                    var floor = Inches(room.Footprint(new()
                    {
                        Kind = FixtureKind.Cabinet,
                        Wall = opening.Side.Number,
                        Offset = opening.o.From,
                        Width = opening.o.To - opening.o.From,
                        Depth = 12.Inches(),
                    }));
                    Assert.False(Overlap(floor, box), $"{number}: {kind} stands before a door");
                }
            }
        }

        Assert.InRange(placed, 400, 4000);
    }

    private static (decimal West, decimal North, decimal East, decimal South) Inches((Point NorthWest, Point SouthEast) box) =>
        (box.NorthWest.X.Inches, box.NorthWest.Y.Inches, box.SouthEast.X.Inches, box.SouthEast.Y.Inches);

    private static bool Overlap((decimal West, decimal North, decimal East, decimal South) a,
        (decimal West, decimal North, decimal East, decimal South) b) => a.West < b.East - .01m && b.West < a.East - .01m
            && a.North < b.South - .01m && b.North < a.South - .01m;
}
