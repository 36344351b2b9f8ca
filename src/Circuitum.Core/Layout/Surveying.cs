using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>Stage Boxes: what goes where?</summary>
public static class Surveying
{
    /// <summary>Places every box and measures the wall spaces.</summary>
    public static Survey Survey(FramedHouse house, Job job) => Survey(house, job, CodeBook.For(job));

    /// <summary>Places every box and measures the wall spaces by a book.</summary>
    public static Survey Survey(FramedHouse house, Job job, CodeBook book)
    {
        var byRoom = job.Boxes.ToLookup(b => b.Room);
        var serving = EquipmentReach.Nearest(house, job.Boxes, job.HouseRules);
        return new(
            Numbered([.. job.Boxes.OrderBy(b => b.Id.Value, StringComparer.Ordinal)
                .Select(b => PlaceBox(house, job, b, book) with { ServesEquipment = serving.Contains(b.Id) })]),
            [.. house.Rooms.Where(r => WallSpaces.Covers(r.Room.Use)).SelectMany(r => WallSpaces.Measure(r, byRoom[r.Room.Id],
                book.Outlets))],
            [.. house.Rooms.Where(r => CounterSpaces.Covers(r.Room.Use)).SelectMany(r => CounterSpaces.Measure(r, byRoom[r.Room.Id],
                book.Outlets))],
            FloorArea(house, _ => true));
    }

    /// <summary>Where a panel's cables enter: the top of its cabinet.</summary>
    public static Place PlacePanel(FramedHouse house, Panel panel) => OnWall(house, panel.Room, panel.Wall, panel.Offset, panel.Top);

    // A label must find its box: what would be called the same is numbered in the order of ids.
    private static ImmutableArray<PlacedBox> Numbered(ImmutableArray<PlacedBox> boxes)
    {
        var many = boxes.GroupBy(b => b.Name).Where(g => g.Count() > 1).Select(g => g.Key).ToHashSet();
        var next = new Dictionary<string, int>();
        return [.. boxes.Select(b => many.Contains(b.Name)
            ? b with { Name = $"{b.Name} {next[b.Name] = next.GetValueOrDefault(b.Name) + 1}" } : b)];
    }

    private static PlacedBox PlaceBox(FramedHouse house, Job job, Box box, CodeBook book)
    {
        var room = house.Room(box.Room);
        var height = box.Height ?? UsualHeight(box, job.HouseRules);
        Place place;
        if (box.Mount == Mount.Wall)
        {
            place = OnWall(house, box.Room, box.Wall, box.Offset, height);
        }
        else
        {
            place = Over(house, box.Room, box.X, box.Y, box.Mount);
        }

        return new(box, room, place, height,
            box.Name ?? BoxNames.For(box, room.Room))
        {
            // Where nothing but joints are, a square has room for them, whatever else the crew nails on.
            Make = box.Make ?? (box.HoldsOnlyJoints()
                || job.Schools is { Cable: CableKind.Armoured, Boxes: BoxMake.NailOn } ? BoxMake.Square : job.Schools.Boxes),
            Accessory = house.Structures[room.Structure].Structure.Accessory,
            Basement = house.LevelOf(box.Room).IsBasement,
            InLaundryArea = LaundryAreas.Has(room, box, Stands(house, box, job.HouseRules)),
            ByDoorway = ThroughDoorways.Reach(house, room, box, book.Protection.NearWater.Length),
        };
    }

    /// <summary>A place on a ceiling or a floor of a room.</summary>
    internal static Place Over(FramedHouse house, RoomId id, Length x, Length y, Mount mount)
    {
        var (room, level) = (house.Room(id), house.LevelOf(id));
        return new(room.Structure, room.Level, room.NorthWest.By(x, y).At(mount == Mount.Ceiling ? level.Ceiling : level.Floor), null,
            Length.Zero, mount);
    }

    /// <summary>Where a box stands on the plan.</summary>
    internal static Point Stands(FramedHouse house, Box box, HouseRules rules)
    {
        var room = house.Room(box.Room);
        return box.Mount == Mount.Wall ? room.Sides[box.Wall - 1].At(Length.Min(box.Offset, room.Sides[box.Wall - 1].Clear))
            : room.NorthWest.By(box.X, box.Y);
    }

    /// <summary>A place on a wall of a room.</summary>
    internal static Place OnWall(FramedHouse house, RoomId id, int number, Length offset, Length height)
    {
        var room = house.Room(id);
        var level = house.LevelOf(id);
        var side = room.Sides[number - 1];
        var face = side.At(Length.Min(offset, side.Clear));
        var centre = side.Into(face, -side.HalfThickness);
        // Beside a corner that turns into the room the face reaches past the end of its wall: then the nearest of the room's walls is the
        // one.
        var wall = level.Walls.Where(w => w.AlongX == side.AlongX && w.Rooms.Contains(id)).MinBy(w => Off(w, centre))!;
        var along = Length.Max(Length.Zero, Length.Min(wall.Along(centre), wall.Run));
        return new(room.Structure, room.Level, wall.At(along).At(level.Floor + height), wall.Index, along, Mount.Wall);
    }

    // How far a place is from a wall. A side that is part inside, part outside has its face set off by the thicker wall; its stretches
    // still lie within that set-off.
    private static Length Off(Wall wall, Point at)
    {
        var aside = (wall.AlongX ? wall.Start.Y - at.Y : wall.Start.X - at.X).Abs();
        var along = wall.Along(at);
        var beyond = Length.Max(Length.Zero, Length.Max(-along, along - wall.Run));
        return beyond + (aside <= Length.FromInches(2.5m) ? Length.Zero : aside);
    }

    internal static Length UsualHeight(Box box, HouseRules rules) =>
        box.ServesCounter ? rules.CounterHeight
        : box.Devices.Any(d => d.Kind.IsSwitch()) ? rules.SwitchHeight
        : box.Devices.Any(d => d.Kind is DeviceKind.VanityLight or DeviceKind.OutdoorLight or DeviceKind.Flood) ? Length.FromInches(80)
        : box.Devices.Any(d => d.Kind.IsLight() || d.Kind.IsAlarm() || d.Kind.IsFan()) ? Length.FromInches(84)
        : box.Outside ? Length.FromInches(24)
        : box.Devices.Any(d => d.Kind == DeviceKind.Equipment) ? Length.FromInches(48)
        : rules.ReceptacleHeight;

    // By outside dimensions, without garages, greenhouses and places that can never be finished (220.12, 220.11, 220.5(C)). Centre lines
    // are
    // grown to the outside face by half a wall on each exterior edge.
    internal static SquareFeet FloorArea(FramedHouse house, Func<RoomId, bool> counted)
    {
        var square = 0m;
        foreach (var level in house.Structures.Where(s => !s.Structure.Accessory).SelectMany(s => s.Levels))
        {
            foreach (var room in level.Rooms.Where(r =>
                r.Room.Use is not (RoomUse.Garage or RoomUse.Greenhouse or RoomUse.CrawlSpace)
                && !(r.Room.Use == RoomUse.UnfinishedBasement && level.Level.NeverFinished)
                && counted(r.Room.Id)))
            {
                square += Outline.Area(room.Room.Corners).Value;
                square += level.Walls.Where(w => w.Exterior && w.Rooms[0] == room.Room.Id).Sum(w => w.Run.Feet * w.Thickness.Feet / 2);
            }
        }

        return new(decimal.Round(square, 1));
    }
}
