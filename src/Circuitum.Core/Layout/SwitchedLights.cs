using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>Switched lighting outlets, 210.70: rooms, halls, stairs, garages, and outside each entrance door.</summary>
internal static class SwitchedLights
{
    // A switch an arm's length from the way in.
    private static readonly Length Arm = Length.FromFeet(5);

    public static IEnumerable<Owed> Find(Draft draft) => Indoors(draft).Concat(AtDoors(draft));

    /// <summary>Switched lighting outlets of a room: lamps, and half-switched receptacles outside kitchens, laundries and baths
    /// (210.70(A)(1) Exception 1).</summary>
    public static IEnumerable<Box> Of(Draft draft, FramedRoom room) => draft.In(room.Room.Id)
        .Where(b => !b.Outside && draft.Controlled.Contains(b.Id)
        && b.Devices.Any(d => d.Kind.IsLight() || d.Kind == DeviceKind.CeilingFan
            || (d.Kind == DeviceKind.HalfSwitched && room.Room.Use is not (RoomUse.Kitchen or RoomUse.Laundry or RoomUse.Bath))));

    // One lamp lights a stair through its storeys.
    private static IEnumerable<FramedRoom> LitWith(Draft draft, FramedRoom room) => room.Room.Use == RoomUse.Stair
        ? Stairs.OfWell(draft.House, room) : [room];

    private static IEnumerable<Owed> Indoors(Draft draft)
    {
        foreach (var room in draft.House.Rooms.Where(r => PanelIn(draft, r) is not null
            || (!IsLeftAlone(r.Room.Use) && (r.Room.Use != RoomUse.CrawlSpace || HasEquipment(draft, r)))))
        {
            if (LitWith(draft, room).Any(r => Of(draft, r).Any()))
            {
                continue;
            }

            var asked = room.Room.Use is not (RoomUse.Mudroom or RoomUse.Entry) && !IsLeftAlone(room.Room.Use);
            var stored = room.Room.Use is RoomUse.Utility or RoomUse.UnfinishedBasement or RoomUse.CrawlSpace;
            // Whoever works at a panel sees what he does, whatever the room is.
            var panel = asked ? null : PanelIn(draft, room);
            yield return new(room.Room.Id, panel is not null ? draft.Book.Cite(RuleId.PanelLight)
                : stored ? draft.Book.Cite(RuleId.LightingStorage) : asked ? draft.Book.Cite(RuleId.Lighting) : "lighting",
                $"{room.Room.Name} has no switched lighting outlet.",
                (panel is null ? "" : $"The working space at panel {panel.Id} is lit. ")
                    + "At least one lighting outlet worked by a wall switch. Place a lamp and name it in a switch.", d => Place(d, room))
            {
                Severity = asked || panel is not null ? Severity.Red : Severity.Amber,
                Act = "Place a lamp and switch",
            };
        }
    }

    private static bool IsLeftAlone(RoomUse use) => use is RoomUse.Closet or RoomUse.Pantry or RoomUse.Sauna or RoomUse.Greenhouse;

    // A panel in it whose working space the book wants lit; null where none is, or where none may stand at all.
    private static Panel? PanelIn(Draft draft, FramedRoom room) => !draft.Book.Has(RuleId.PanelLight)
        || room.Room.Use is RoomUse.Closet or RoomUse.Sauna ? null
        : draft.Start.Panels.FirstOrDefault(p => p.Room == room.Room.Id);

    private static bool HasEquipment(Draft draft, FramedRoom room) =>
        draft.In(room.Room.Id).Any(b => b.Devices.Any(d => d.Plate is not null));

    private static void Place(Draft draft, FramedRoom room)
    {
        // A lamp that hangs there without a switch is taken first.
        var lamps = draft.In(room.Room.Id).Where(b => !b.Outside && b.Devices.Any(d => d.Kind.IsLight())).Select(b => b.Id)
            .ToImmutableArray();
        if (lamps.IsEmpty)
        {
            lamps = [.. New(draft, room).Select(b => b.Id)];
        }

        ByTheWayIn(draft, room, new() { Kind = DeviceKind.Switch, Controls = lamps });
    }

    private static void ByTheWayIn(Draft draft, FramedRoom room, Device device)
    {
        var way = Doorways.Entrances(draft.House, room).Concat(Doorways.Of(draft.House, room)).FirstOrDefault();
        if (((way is null ? null : Doorways.SwitchPlace(draft, room, way, Arm)) ?? FreeWall(draft, room)) is { } place)
        {
            draft.OnWall(place.Room, "s", place.Wall, place.Offset, device);
        }
    }

    /// <summary>Places a switch for lights beside the room's own, in its box where that takes one gang more, else by the way in.</summary>
    public static void PlaceSwitch(Draft draft, FramedRoom room, ImmutableArray<BoxId> lights)
    {
        var own = Of(draft, room).Select(b => b.Id).ToHashSet();
        var device = new Device { Kind = DeviceKind.Switch, Controls = lights };
        if (draft.TakesGang(room, b => b.Devices.Any(d => d.Controls.Any(own.Contains))) is { } beside)
        {
            draft.Replace(beside with { Devices = beside.Devices.Add(device) });
        }
        else
        {
            ByTheWayIn(draft, room, device);
        }
    }

    private static IEnumerable<Box> New(Draft draft, FramedRoom room)
    {
        var basins = room.Room.Use == RoomUse.Bath ? room.Room.Fixtures.Where(f => f.Kind == FixtureKind.Vanity && f.Wall is not null)
            .ToList() : [];
        if (basins.Count > 0)
        {
            // On the basin's middle, wherever the pipe came up.
            return [.. basins.Select(f =>
                draft.OnWall(room, "l", f.Wall!.Value, f.Offset + (f.Width / 2), new Device { Kind = DeviceKind.VanityLight }))];
        }

        var kind = room.Room.Use is RoomUse.Garage or RoomUse.UnfinishedBasement or RoomUse.Utility ? DeviceKind.Strip : DeviceKind.Lamp;
        // Where the stair is open to the one above, its lamp hangs at the top of the well.
        var under = room.Room.Use == RoomUse.Stair ? Stairs.Top(draft.House, room) : room;
        return [draft.OnCeiling(under, "l", under.Centre, new Device { Kind = kind })];
    }

    private static SwitchPlace? FreeWall(Draft draft, FramedRoom room)
    {
        var places = draft.Places(room, draft.Rules.SwitchHeight);
        foreach (var side in room.Sides.OrderByDescending(s => s.Clear))
        {
            if (places.Nearest(side, Length.FromInches(6), Length.Zero, side.Clear) is Length at)
            {
                return new(room, side.Number, at);
            }
        }

        return null;
    }

    private static IEnumerable<Owed> AtDoors(Draft draft)
    {
        foreach (var room in draft.House.Rooms.Where(r => Grade.IsAt(draft.House, r)
            && (!draft.House.Structures[r.Structure].Structure.Accessory
                || (r.Room.Use == RoomUse.Garage && RequiredOutlets.HasPower(draft, r)))))
        {
            foreach (var way in Doorways.Of(draft.House, room)
                .Where(d => d.Other is null && d.Opening.Opening.Kind is OpeningKind.Door or OpeningKind.Slider))
            {
                var middle = way.Middle.At(Length.Zero);
                if (draft.Boxes.Exists(b => b.Outside && draft.Controlled.Contains(b.Id) && b.Devices.Any(d => d.Kind.IsLight())
                    && SameLevel(draft, b, room) && draft.At(b).At(Length.Zero).StraightTo(middle) <= Length.FromFeet(8)))
                {
                    continue;
                }

                yield return new(room.Room.Id, draft.Book.Cite(RuleId.LightingAtEntries),
                    $"{room.Room.Name}: no switched light outside the {Words.Of(way.Opening.Opening.Kind)}.",
                    "A lighting outlet on the outside of each entrance door with access from grade, worked by a wall switch.",
                    d => PlaceOutside(d, room, way))
                {
                    Part = way.Opening.Opening.Id.Value,
                    Act = "Place it and its switch",
                };
            }
        }
    }

    private static bool SameLevel(Draft draft, Box box, FramedRoom room) => draft.House.Room(box.Room) is var other
        && other.Structure == room.Structure && other.Level == room.Level;

    private static void PlaceOutside(Draft draft, FramedRoom room, Doorway way)
    {
        var places = draft.Places(room, Length.FromInches(80));
        Length off = Length.FromInches(10), reach = Length.FromFeet(6);
        var at = places.Nearest(way.Side, way.Opening.To + off, way.Opening.To, way.Opening.To + reach)
            ?? places.Nearest(way.Side, way.Opening.From - off, way.Opening.From - reach, way.Opening.From);
        if ((at is Length here ? (room, way.Side.Number, here) : BesideNextDoor(draft, room, way)) is not { } place)
        {
            return;
        }

        var lamp = draft.Add(room, "x",
            id => new()
            {
                Id = id,
                Room = place.Room.Room.Id,
                Wall = place.Wall,
                Offset = place.Offset,
                Outside = true,
                Devices = [new() { Kind = DeviceKind.OutdoorLight }]
            });
        var device = new Device { Kind = DeviceKind.Switch, Controls = [lamp.Id] };
        // Beside the switch of the room's own light, where there is one at this door, in one box.
        var beside = draft.TakesGang(room, b => draft.At(b).SquareTo(way.Middle) <= Length.FromFeet(5));
        if (beside is not null)
        {
            draft.Replace(beside with { Devices = beside.Devices.Add(device) });
        }
        else if ((Doorways.SwitchPlace(draft, room, way, Arm) ?? FreeWall(draft, room)) is { } free)
        {
            draft.OnWall(free.Room, "s", free.Wall, free.Offset, device);
        }
    }

    // A hall no wider than its door: the wall outside goes on past the next room, whose bay holds the lamp within 6 ft of the door.
    private static (FramedRoom Room, int Wall, Length Offset)? BesideNextDoor(Draft draft, FramedRoom room, Doorway way)
    {
        var reach = Length.FromFeet(6);
        return draft.House.Rooms.Where(r => r != room && r.Structure == room.Structure && r.Level == room.Level)
            .SelectMany(r => r.Sides.Where(s => s.Exterior && s.AlongX == way.Side.AlongX
                    && (s.AlongX ? s.Start.Y == way.Side.Start.Y && s.End.X > s.Start.X == way.Side.End.X > way.Side.Start.X
                        : s.Start.X == way.Side.Start.X && s.End.Y > s.Start.Y == way.Side.End.Y > way.Side.Start.Y))
                .Select(s => (Room: r, Side: s, Wish: s.Offset(way.Middle))))
            .Select(s => (s.Room, s.Side, s.Wish, At: draft.Places(s.Room, Length.FromInches(80))
                .Nearest(s.Side, s.Wish, s.Wish - reach, s.Wish + reach)))
            .Where(s => s.At is not null).OrderBy(s => (s.At!.Value - s.Wish).Abs()).ThenBy(s => s.Room.Room.Id.Value,
                StringComparer.Ordinal)
            .Select(s => ((FramedRoom, int, Length)?)(s.Room, s.Side.Number, s.At!.Value)).FirstOrDefault();
    }
}
