using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>A receptacle outdoors at the front and at the back, 210.52(E)(1), and on each balcony, deck and porch, 210.52(E)(3). The front
/// is where the entry's door is.</summary>
internal static class OutdoorOutlets
{
    private enum Facing
    {
        North,
        East,
        South,
        West,
    }

    // No deck has an outline: what stands so near to its door is taken to be reached from it.
    private static readonly Length OnDeck = Length.FromFeet(8);

    public static IEnumerable<Owed> Find(Draft draft) => FrontAndBack(draft).Concat(draft.Book.Has(RuleId.DeckReceptacle) ? Decks(draft)
        : []);

    private static IEnumerable<Owed> Decks(Draft draft)
    {
        foreach (var room in draft.House.Rooms.Where(r => !draft.House.Structures[r.Structure].Structure.Accessory))
        {
            foreach (var way in Doorways.Of(draft.House, room).Where(d => d.Other is null && LeadsToDeck(draft, room, d.Opening.Opening)))
            {
                var middle = way.Middle.At(Length.Zero);
                if (draft.Boxes.Exists(b => IsOutdoorReceptacle(draft, b)
                    && draft.House.Room(b.Room) is var other && other.Structure == room.Structure && other.Level == room.Level
                    && draft.At(b).At(Length.Zero).StraightTo(middle) <= OnDeck))
                {
                    continue;
                }

                yield return new(room.Room.Id, draft.Book.Cite(RuleId.DeckReceptacle),
                    $"{room.Room.Name}: no receptacle on the balcony, deck or porch outside its {Words.Of(way.Opening.Opening.Kind)}.",
                    $"At least one that is reached from it, at most 6-1/2 ft above it; within {OnDeck} of the door. Where no deck is "
                        + "built, say so on the card of the door.",
                    d => Place(d, room, way.Side, way.Opening.To + Length.FromInches(36)))
                {
                    Part = way.Opening.Opening.Id.Value,
                };
            }
        }
    }

    private static bool LeadsToDeck(Draft draft, FramedRoom room, Opening door) => door.Kind is OpeningKind.Door or OpeningKind.Slider
        && (door.Deck ?? !Grade.IsAt(draft.House, room));

    private static IEnumerable<Owed> FrontAndBack(Draft draft)
    {
        foreach (var structure in draft.House.Structures.Where(s => !s.Structure.Accessory))
        {
            var levels = Grade.Levels(draft.House, structure).ToList();
            var rooms = levels.SelectMany(l => l.Rooms).ToList();
            var doors = rooms.SelectMany(r => Doorways.Of(draft.House, r).Where(d => d.Other is null).Select(d => (Room: r, Way: d)))
                .ToList();
            if (doors.Count == 0)
            {
                continue;
            }

            var front = doors.OrderBy(d => d.Room.Room.Use switch { RoomUse.Entry => 0, RoomUse.Hall => 1, RoomUse.Family => 2, _ => 3 })
                .ThenBy(d => d.Way.Opening.Opening.Kind == OpeningKind.Door ? 0 : 1).First();
            var facing = Of(front.Way.Side);
            if (draft.Book.Outlets.FacesOutdoors == 1 && draft.Boxes.Exists(b => IsOutdoorReceptacle(draft, b)
                && rooms.Contains(draft.House.Room(b.Room))))
            {
                continue;
            }

            var away = (Facing)(((int)facing + 2) % 4);
            foreach (var (where, face) in new[] { ("front", facing), ("back", away) }.Take(draft.Book.Outlets.FacesOutdoors))
            {
                if (draft.Boxes.Exists(b => IsOutdoorReceptacle(draft, b)
                    && draft.House.Room(b.Room) is var room && room.Structure == structure.Index && rooms.Contains(room)
                    && Of(room.Sides[b.Wall - 1]) == face))
                {
                    continue;
                }

                var offered = doors.Where(d => Of(d.Way.Side) == face)
                    .Select(d => (d.Room, d.Way.Side, Wish: d.Way.Opening.To + Length.FromInches(36)))
                    .Concat(levels[0].Rooms.SelectMany(r => r.Sides.Where(s => s.Exterior && Of(s) == face).OrderByDescending(s => s.Clear)
                        .Select(s => (Room: r, Side: s, Wish: s.Clear / 2))))
                    .ToList();
                if (offered.Count > 0)
                {
                    yield return new(offered[0].Room.Room.Id, draft.Book.Cite(RuleId.OutdoorReceptacles),
                        $"{structure.Structure.Name}: no receptacle outdoors at the {where}.",
                        (draft.Book.Outlets.FacesOutdoors == 1 ? "At least one, reached from grade"
                            : "One at the front and one at the back, at most 6-1/2 ft above grade") + $"; the {where} is to the "
                        + $"{face.ToString().ToLowerInvariant()}.", d => _ = offered.Any(o => Place(d, o.Room, o.Side, o.Wish)))
                    {
                        Part = where,
                    };
                }
            }
        }
    }

    private static bool IsOutdoorReceptacle(Draft draft, Box box) => box.Outside && box.Mount == Mount.Wall
        && box.Devices.Any(d => d.Kind.IsGeneralReceptacle()) && draft.Height(box) <= Length.FromInches(78);

    private static bool Place(Draft draft, FramedRoom room, RoomSide side, Length wish)
    {
        var level = draft.LevelOf(room);
        var weather = level.Walls.Where(w => w.Exterior && w.Rooms[0] == room.Room.Id && w.AlongX == side.AlongX
            && (w.AlongX ? w.Start.Y - side.Start.Y : w.Start.X - side.Start.X).Abs() <= side.HalfThickness + Length.FromInches(2.5m))
            .Select(w => (A: side.Offset(w.Start), B: side.Offset(w.End)))
            .Select(w => (From: Length.Min(w.A, w.B), To: Length.Max(w.A, w.B)));
        var places = draft.Places(room, Length.FromInches(24));
        var at = weather.Select(w => places.Nearest(side, wish, w.From + Length.FromInches(6), w.To - Length.FromInches(6)))
            .OfType<Length>().OrderBy(a => (a - wish).Abs()).Cast<Length?>().FirstOrDefault();
        if (at is not Length offset)
        {
            return false;
        }

        draft.Add(room, "x",
            id => new()
            {
                Id = id,
                Room = room.Room.Id,
                Wall = side.Number,
                Offset = offset,
                Outside = true,
                Devices = [new() { Kind = DeviceKind.Duplex }]
            });
        return true;
    }

    // Clockwise on the plan: a wall walked eastward has the room to its south and faces north.
    private static Facing Of(RoomSide side) => side.AlongX ? side.End.X > side.Start.X ? Facing.North : Facing.South
        : side.End.Y > side.Start.Y ? Facing.East : Facing.West;
}
