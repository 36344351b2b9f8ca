using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>The doors that a level has not are set in one act: every room is reached, by the doors one would look for.</summary>
public sealed class SetDoorsTests
{
    private static Job Row(params (string Name, RoomUse Use, int Feet)[] rooms) => Houses.Row(rooms);

    private static List<(string A, string B, OpeningKind Kind)> Doors(Job job)
    {
        var house = Framing.Frame(job);
        return [.. job.Rooms.SelectMany(r => r.Openings.Select(o => (r, o))).Where(x => x.o.Kind != OpeningKind.Window).Select(x =>
            (x.r.Id.Value, house.Rooms.Where(r => r.Room.Id != x.r.Id && r.Sides.Any(s => s.Openings.Any(y => y.Opening.Id == x.o.Id)))
                .Select(r => r.Room.Id.Value).FirstOrDefault() ?? "outside", x.o.Kind))];
    }

    [Fact] // a row of hall, bath, bedroom: the bath by the hall, the bedroom by the bath for want of another wall; in by the hall
    public void A_row_of_three_rooms_is_joined_and_entered()
    {
        var outcome = new SetDoors(new("ground")).On(Row(("hall", RoomUse.Hall, 10), ("bath", RoomUse.Bath, 8),
            ("bed", RoomUse.Bedroom, 12)));
        Assert.Equal([("hall", "bath", OpeningKind.Door), ("bath", "bed", OpeningKind.Door), ("hall", "outside", OpeningKind.Door)],
            Doors(outcome.Job!).OrderBy(d => d.A == "hall" ? d.B == "bath" ? 0 : 2 : 1));
        Assert.Equal("Set 3 doors: hall to bath, bath to bed, hall to the outside", outcome.Phrase);
        Assert.StartsWith("Every room of ground", new SetDoors(new("ground")).On(outcome.Job!).Refusal);
    }

    [Fact] // kitchen and dining stand open to each other; a garage never opens into a room for sleeping, and it is said
    public void Open_rooms_get_a_passage_and_a_garage_no_door_to_a_bedroom()
    {
        var open = new SetDoors(new("ground")).On(Row(("kitchen", RoomUse.Kitchen, 12), ("dining", RoomUse.Dining, 12))).Job!;
        Assert.Contains(("kitchen", "dining", OpeningKind.Cased), Doors(open));
        var garage = new SetDoors(new("ground")).On(Row(("garage", RoomUse.Garage, 20), ("bed", RoomUse.Bedroom, 12),
            ("hall", RoomUse.Hall, 12)));
        Assert.DoesNotContain(Doors(garage.Job!), d => d.A == "garage" || d.B == "garage");
        Assert.EndsWith("; no wall to a door for garage", garage.Phrase);
    }

    [Fact] // of a bedroom with its closet and a bath of its own name, both open into it though the hall lies beside them too
    public void What_is_called_after_a_bedroom_opens_into_it()
    {
        var job = Houses.House(
        [
            Houses.Rectangle("hall", RoomUse.Hall, Length.Zero, Length.Zero, 30.Feet(), 5.Feet()),
            Houses.Rectangle("main-bath", RoomUse.Bath, Length.Zero, 5.Feet(), 10.Feet(), 12.Feet()) with { Name = "Main bath" },
            Houses.Rectangle("main", RoomUse.Bedroom, 10.Feet(), 5.Feet(), 12.Feet(), 12.Feet()) with { Name = "Main bedroom" },
            Houses.Rectangle("closet", RoomUse.Closet, 22.Feet(), 5.Feet(), 8.Feet(), 12.Feet()) with { Name = "Main closet" },
        ]) with
        { Panels = [Houses.Panel("main")] };
        var outcome = new SetDoors(new("ground")).On(job);
        Assert.True(outcome.Refusal is null, outcome.Refusal);
        var doors = Doors(outcome.Job!).Select(d => string.CompareOrdinal(d.A, d.B) < 0 ? (d.A, d.B) : (d.B, d.A))
            .ToList();
        Assert.Contains(("main", "main-bath"), doors);
        Assert.Contains(("closet", "main"), doors);
        Assert.DoesNotContain(doors, d => d is ("hall", "main-bath") or ("closet", "hall"));
    }

    [Theory] // out of the hall into the bedroom; not into a closet, not into a garage; into a bath
    [InlineData(RoomUse.Hall, RoomUse.Bedroom, true)]
    [InlineData(RoomUse.Bedroom, RoomUse.Hall, false)]
    [InlineData(RoomUse.Hall, RoomUse.Closet, false)]
    [InlineData(RoomUse.Closet, RoomUse.Bedroom, true)]
    [InlineData(RoomUse.Garage, RoomUse.Mudroom, true)]
    [InlineData(RoomUse.Kitchen, RoomUse.Garage, false)]
    [InlineData(RoomUse.Bedroom, RoomUse.Bath, true)]
    [InlineData(RoomUse.Hall, RoomUse.Family, false)]
    public void A_door_swings_out_of_the_way(RoomUse from, RoomUse to, bool swingsOut) =>
        Assert.Equal(swingsOut, DoorSwing.SwingsOut(from, to));

    /// <summary>Houses as they are built, every door taken out: no more doors than rooms and one, every room that has a wall to another is
    /// reached (walked here from room to room), none opens where none may, none behind a thing that stands there.</summary>
    [Fact]
    public void Every_room_of_forty_houses_is_reached()
    {
        for (var number = 1; number <= 40; number++)
        {
            var job = BuiltHouses.Number(number);
            foreach (var level in job.Structures[0].Levels)
            {
                job = level.Rooms.SelectMany(r => r.Openings).Where(o => o.Kind != OpeningKind.Window)
                    .Aggregate(job, (j, o) => new DeleteOpening(o.Id).On(j).Job!);
            }

            var standing = job;
            foreach (var level in standing.Structures[0].Levels)
            {
                var outcome = new SetDoors(level.Id).On(job);
                job = outcome.Job ?? job;
                var doors = Doors(job).Where(d => level.Rooms.Any(r => r.Id.Value == d.A)).ToList();
                Assert.True(doors.Count <= level.Rooms.Length, $"house {number}");
                var reached = new HashSet<string> { level.Rooms[0].Id.Value };
                while (doors.Find(d => d.B != "outside" && reached.Contains(d.A) != reached.Contains(d.B)) is { A: { } a, B: { } b })
                {
                    reached.UnionWith([a, b]);
                }

                var untold = level.Rooms.Where(r => !reached.Contains(r.Id.Value)
                    && !outcome.Phrase.Contains(r.Name, StringComparison.Ordinal));
                Assert.True(outcome.Job is null || !untold.Any(),
                    $"house {number}, {level.Name}: {string.Join(", ", untold.Select(r => r.Name))} of {outcome.Phrase}");
            }

            var use = job.Rooms.ToDictionary(r => r.Id.Value, r => r.Use);
            Assert.DoesNotContain(Doors(job), d => d.B != "outside" && new[] { use[d.A], use[d.B] } is var pair
                && pair.Contains(RoomUse.Garage) && pair.Contains(RoomUse.Bedroom));
            Assert.True(Doors(job).Exists(d => d.B == "outside"), $"house {number}: {string.Join(", ", Doors(job))}");
            Assert.Equal(standing.Rooms.Select(r => (r.Name, r.Fixtures.Length)), job.Rooms.Select(r => (r.Name, r.Fixtures.Length)));
            var (was, now) = (Framing.Frame(standing), Framing.Frame(job));
            Assert.Equal(was.Rooms.Select(r => (r.ClearWidth, r.ClearDepth)), now.Rooms.Select(r => (r.ClearWidth, r.ClearDepth)));
        }
    }
}
