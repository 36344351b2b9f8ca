using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>A job while boxes are being laid out in it: its frame stands, its boxes grow.</summary>
internal sealed class Draft
{
    private const int MostGangs = 4;
    private readonly HashSet<string> ids;
    private readonly Dictionary<RoomId, List<Box>> byRoom;
    private HashSet<BoxId>? controlled;

    public Draft(Job job, FramedHouse house)
        : this(job, house, CodeBook.For(job))
    {
    }

    public Draft(Job job, FramedHouse house, CodeBook book)
    {
        (Start, House, Book) = (job, house, book);
        ids = job.Boxes.Select(b => b.Id.Value).ToHashSet();
        Boxes = [.. job.Boxes];
        byRoom = Boxes.GroupBy(b => b.Room).ToDictionary(g => g.Key, g => g.ToList());
    }

    public Job Start { get; }

    public FramedHouse House { get; }

    public CodeBook Book { get; }

    public HouseRules Rules => Start.HouseRules;

    /// <summary>All boxes as they stand now.</summary>
    public List<Box> Boxes { get; }

    /// <summary>Boxes that some switch works.</summary>
    public HashSet<BoxId> Controlled => controlled ??= Boxes.SelectMany(b => b.Devices).Where(d => d.Kind.IsSwitch())
        .SelectMany(d => d.Controls).ToHashSet();

    /// <summary>The job with them.</summary>
    public Job Job => Start with { Boxes = [.. Boxes] };

    public IReadOnlyList<Box> In(RoomId room) => byRoom.TryGetValue(room, out var boxes) ? boxes : [];

    public FramedLevel LevelOf(FramedRoom room) => House.Structures[room.Structure].Levels[room.Level];

    public Length Height(Box box) => box.Height ?? Surveying.UsualHeight(box, Rules);

    /// <summary>Where boxes of a height can stand in a room.</summary>
    public StudPlaces Places(FramedRoom room, Length height) =>
        new(LevelOf(room), room, height, [.. In(room.Room.Id).Select(b => (b, Height(b)))], Start.Panels);

    public Box Add(FramedRoom room, string stem, Func<BoxId, Box> make)
    {
        var box = make(new(Ids.Numbered($"{room.Room.Id}-{stem}", ids)));
        ids.Add(box.Id.Value);
        controlled = null;
        Boxes.Add(box);
        if (!byRoom.TryGetValue(box.Room, out var boxes))
        {
            byRoom[box.Room] = boxes = [];
        }

        boxes.Add(box);
        return box;
    }

    public Box OnWall(FramedRoom room, string stem, int wall, Length offset, params Device[] devices) =>
        Add(room, stem, id => new() { Id = id, Room = room.Room.Id, Wall = wall, Offset = offset, Devices = [.. devices] });

    public Box OnCeiling(FramedRoom room, string stem, Point at, params Device[] devices) =>
        Add(room, stem, id => new()
        {
            Id = id,
            Room = room.Room.Id,
            Mount = Mount.Ceiling,
            X = at.X - room.NorthWest.X,
            Y = at.Y - room.NorthWest.Y,
            Devices = [.. devices]
        });

    /// <summary>A box of switches in a room that takes one gang more; null where none does. What shuts a machine off, or works it, is on
    /// the machine's own circuit and is found by itself: no lamp's switch stands in its box.</summary>
    /// <param name="room">The room.</param>
    /// <param name="near">It is where the switch is wanted.</param>
    public Box? TakesGang(FramedRoom room, Func<Box, bool> near) => In(room.Room.Id).FirstOrDefault(b => b.Mount == Mount.Wall
        && !b.Outside && b.Devices.Length < MostGangs && b.Devices.All(d => d.Kind.IsSwitch() && d.Kind != DeviceKind.Disconnect
            && !d.Controls.Any(IsMachine))
        && near(b));

    private bool IsMachine(BoxId id) => Boxes.Find(b => b.Id == id) is { } box && box.Devices.Any(d => d.Plate is not null);

    public void Replace(Box box)
    {
        controlled = null;
        Boxes[Boxes.FindIndex(b => b.Id == box.Id)] = box;
        var boxes = byRoom[box.Room];
        boxes[boxes.FindIndex(b => b.Id == box.Id)] = box;
    }

    /// <summary>Where a box is on the plan.</summary>
    public Point At(Box box)
    {
        var room = House.Room(box.Room);
        return box.Mount == Mount.Wall ? room.Sides[box.Wall - 1].At(box.Offset) : room.NorthWest.By(box.X, box.Y);
    }
}
