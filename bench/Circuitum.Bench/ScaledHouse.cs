using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Bench;

/// <summary>A house of square rooms in a grid, each with five boxes: three receptacles, a lamp and its switch.</summary>
public static class ScaledHouse
{
    private const int BoxesPerRoom = 5;

    /// <summary>A house of about so many boxes, on two storeys.</summary>
    public static Job Of(int boxes)
    {
        var rooms = boxes / BoxesPerRoom;
        var across = (int)Math.Ceiling(Math.Sqrt(rooms / 2.0));
        var levels = Enumerable.Range(0, 2).Select(level => Level(level, rooms / 2, across)).ToImmutableArray();
        return new()
        {
            Name = $"{boxes} boxes",
            Edition = Edition.Y2020,
            Structures = [new() { Id = new("house"), Name = "House", Origin = new(Length.Zero, Length.Zero),
                Underfloor = Underfloor.CrawlSpace, Levels = levels }],
            Panels = [new() { Id = new("A"), Room = new("r0-0"), Wall = 4, Offset = 60.Inches(), Rating = 400.Amps(), Spaces = 84 }],
            Boxes = [.. levels.SelectMany(l => l.Rooms).SelectMany(Boxes)],
        };
    }

    private static Level Level(int level, int rooms, int across) => new()
    {
        Id = new($"level-{level}"),
        Name = $"Level {level}",
        CeilingHeight = 8.Feet(),
        AtticAbove = level == 1,
        FloorJoists = new(JoistRun.NorthSouth, 16.Inches(), 10.Inches()),
        CeilingJoists = new(JoistRun.NorthSouth, 16.Inches(), 10.Inches()),
        Rooms = [.. Enumerable.Range(0, Math.Max(1, rooms)).Select(i => Room($"r{level}-{i}", i % across, i / across))],
    };

    private static Room Room(string id, int column, int row)
    {
        Point P(int x, int y) => new(Length.FromFeet((column + x) * 12), Length.FromFeet((row + y) * 12));
        return new()
        {
            Id = new(id),
            Name = id,
            Use = RoomUse.Den,
            Corners = [P(0, 0), P(1, 0), P(1, 1), P(0, 1)],
            Openings = [new() { Id = new($"{id}-door"), Kind = OpeningKind.Door, Wall = 3, Offset = 20.Inches(), Width = 32.Inches() }],
        };
    }

    private static IEnumerable<Box> Boxes(Room room)
    {
        var id = room.Id.Value;
        for (var wall = 1; wall <= 3; wall++)
        {
            yield return new()
            {
                Id = new($"{id}-w{wall}"),
                Room = room.Id,
                Wall = wall == 3 ? 4 : wall,
                Offset = 80.Inches(),
                Devices = [new() { Kind = DeviceKind.Duplex }]
            };
        }

        yield return new()
        {
            Id = new($"{id}-lamp"),
            Room = room.Id,
            Mount = Mount.Ceiling,
            X = 68.Inches(),
            Y = 68.Inches(),
            Devices = [new() { Kind = DeviceKind.Lamp }]
        };
        yield return new()
        {
            Id = new($"{id}-switch"),
            Room = room.Id,
            Wall = 3,
            Offset = 14.Inches(),
            Devices = [new() { Kind = DeviceKind.Switch, Controls = [new($"{id}-lamp")] }]
        };
    }
}
