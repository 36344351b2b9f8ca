using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>Receptacles over counters, on islands and peninsulas, 210.52(C).</summary>
internal static class CounterOutlets
{
    public static IEnumerable<Owed> Find(Draft draft) => Walls(draft).Concat(Islands(draft));

    private static IEnumerable<Owed> Walls(Draft draft)
    {
        foreach (var room in draft.House.Rooms.Where(r => CounterSpaces.Covers(r.Room.Use)))
        {
            foreach (var space in CounterSpaces.Measure(room, draft.In(room.Room.Id), draft.Book.Outlets).Where(s => !s.Served))
            {
                yield return new(room.Room.Id, draft.Book.Cite(RuleId.CounterReach),
                    $"{room.Room.Name}: a point of the counter’s wall line is farther than {space.Within} from a receptacle.",
                    space.Receptacles.IsEmpty
                        ? $"This counter of {space.Clear} on wall {space.Pieces[0].Wall} has none; {space.AskedFrom} or wider "
                        + $"needs at least {space.Least}."
                        : $"{space.Farthest} along the wall, at most {WallOutlets.Words(space)}; this counter of {space.Clear} "
                        + $"needs at least {space.Least}, it has {space.Receptacles.Length}.",
                    d => Place(d, room, space))
                {
                    Part = $"{space.Pieces[0].Wall}-{space.Pieces[0].From.Sixtyfourths}",
                    Act = "Place receptacles",
                };
            }
        }
    }

    private static void Place(Draft draft, FramedRoom room, WallSpace space)
    {
        var reach = Length.Min(space.Reach, draft.Rules.CounterReach);
        foreach (var at in Covering.Place(space.Clear, space.Closed, reach, space.Receptacles,
            draft.Places(room, draft.Rules.CounterHeight).Along(space, reach)))
        {
            var (wall, offset) = space.At(at);
            draft.Add(room, "c",
                id => new()
                {
                    Id = id,
                    Room = room.Room.Id,
                    Wall = wall,
                    Offset = offset,
                    ServesCounter = true,
                    Devices = [new() { Kind = DeviceKind.Duplex }]
                });
        }
    }

    private static IEnumerable<Owed> Islands(Draft draft)
    {
        foreach (var room in draft.House.Rooms.Where(r => CounterSpaces.Covers(r.Room.Use)))
        {
            for (var i = 0; i < room.Room.Fixtures.Length; i++)
            {
                var fixture = room.Room.Fixtures[i];
                var owed = fixture.Kind is FixtureKind.Island or FixtureKind.Peninsula
                    ? draft.Book.Outlets.OfIsland(fixture.Width, fixture.Depth) : 0;
                var has = owed == 0 ? 0 : draft.In(room.Room.Id).Count(b => Serves(room, fixture, b, draft.At(b)));
                if (has < owed)
                {
                    var area = decimal.Round(fixture.Width.Feet * fixture.Depth.Feet, 1);
                    yield return new(room.Room.Id, draft.Book.Cite(fixture.Kind == FixtureKind.Peninsula
                        ? RuleId.PeninsulaReceptacles : RuleId.IslandReceptacles),
                        $"{room.Room.Name}: the {Words.Of(fixture.Kind)} has "
                        + $"{(has == 0 ? "no receptacle" : $"{has} of {owed} receptacles")}.",
                        $"{fixture.Width} × {fixture.Depth}{(draft.Book.Measure == Measure.Metres ? "" : $", {area} ft²")}: {owed} by "
                            + "this edition.", d => Place(d, room, fixture, has, owed))
                    {
                        Part = $"{i + 1}",
                    };
                }
                else if (owed > 0 && fixture is { Kind: FixtureKind.Peninsula, Wall: not null }
                    && draft.Book.Outlets.ServesPeninsulaAtItsEnd
                    && !draft.In(room.Room.Id).Any(b => Serves(room, fixture, b, draft.At(b)) && IsAtEnd(draft, room, fixture, b)))
                {
                    yield return new(room.Room.Id, draft.Book.Cite(RuleId.PeninsulaEnd),
                        $"{room.Room.Name}: no receptacle within 2 ft of the peninsula’s outer end.",
                        "One of its receptacles stands there.", d => Place(d, room, fixture, 0, 1))
                    {
                        Part = $"{i + 1}-end",
                    };
                }
            }
        }
    }

    private static bool IsAtEnd(Draft draft, FramedRoom room, Fixture fixture, Box box) =>
        fixture.Depth - (room.Sides[fixture.Wall!.Value - 1].AlongX
            ? (draft.At(box).Y - room.Sides[fixture.Wall.Value - 1].Start.Y).Abs()
            : (draft.At(box).X - room.Sides[fixture.Wall.Value - 1].Start.X).Abs()) <= Length.FromFeet(2);

    /// <summary>A receptacle that stands at such a place serves an island or a peninsula: it is over its footprint.</summary>
    public static bool Serves(FramedRoom room, Fixture fixture, Box box, Point at)
    {
        var (a, b) = room.Footprint(fixture);
        return box.ServesCounter && at.X >= a.X && at.X <= b.X && at.Y >= a.Y && at.Y <= b.Y
            && box.Devices.Any(d => d.Kind.IsGeneralReceptacle());
    }

    // Spread along the longer side; a peninsula's first within 2 ft of its outer end.
    private static void Place(Draft draft, FramedRoom room, Fixture fixture, int has, int owed)
    {
        var (a, b) = room.Footprint(fixture);
        for (var i = has; i < owed; i++)
        {
            Point at;
            if (fixture.Kind == FixtureKind.Peninsula && fixture.Wall is int wall && i == 0)
            {
                var side = room.Sides[wall - 1];
                at = side.Into(side.At(fixture.Offset + (fixture.Width / 2)),
                    fixture.Depth - Length.Min(Length.FromInches(12), fixture.Depth / 2));
            }
            else
            {
                Length dx = b.X - a.X, dy = b.Y - a.Y;
                at = dx >= dy ? new(a.X + (dx * ((2 * i) + 1) / (2 * owed)), a.Y + (dy / 2))
                    : new(a.X + (dx / 2), a.Y + (dy * ((2 * i) + 1) / (2 * owed)));
            }

            draft.Add(room, "c",
                id => new()
                {
                    Id = id,
                    Room = room.Room.Id,
                    Mount = Mount.Floor,
                    ServesCounter = true,
                    X = at.X - room.NorthWest.X,
                    Y = at.Y - room.NorthWest.Y,
                    Devices = [new() { Kind = DeviceKind.Duplex }]
                });
        }
    }
}
