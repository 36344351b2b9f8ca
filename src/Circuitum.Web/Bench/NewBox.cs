using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>Makes boxes and devices from what a person picks off the list: a kind of device, a quad, or equipment of the library.</summary>
public static class NewBox
{
    private const string Equipment = "equipment:";

    /// <summary>Kinds that can be added without a nameplate.</summary>
    public static IReadOnlyList<DeviceKind> Kinds => Writing.Parlance == Parlance.International ? OnBoards : OnPanels;

    private static IReadOnlyList<DeviceKind> OnPanels { get; } = [.. Enum.GetValues<DeviceKind>()
        .Where(k => k is not (DeviceKind.Equipment or DeviceKind.ApplianceReceptacle))];

    // What protects hands stands on the board, and no half of a socket is switched.
    private static IReadOnlyList<DeviceKind> OnBoards { get; } = [.. OnPanels
        .Where(k => k is not (DeviceKind.GfciReceptacle or DeviceKind.AfciReceptacle or DeviceKind.HalfSwitched))];

    /// <summary>The list to pick from: value and words.</summary>
    public static IReadOnlyList<(string Value, string Words)> List => Writing.Parlance == Parlance.International
        ?
        [
            .. Kinds.Select(k => (k.ToString(), Words.Of(k))),
            ("quad", "two twin sockets"),
            .. Library.Where(p => !p.Plate.Appliance.BringsPower()).Select(p => (p.Value,
                $"{(p.Plate.Appliance is Appliance.Range or Appliance.Cooktop or Appliance.HeatPump ? Words.Of(p.Plate.Appliance)
                    : p.Plate.Name.ToLowerInvariant())}, {p.Plate.Load}")),
        ]
        :
        [
            .. Kinds.Select(k => (k.ToString(), k == DeviceKind.Duplex ? "receptacle, duplex"
                : k == DeviceKind.Single ? "receptacle, single" : Words.Of(k))),
            ("quad", "receptacle, quad"),
            .. Library.Select(p => (p.Value, $"{p.Plate.Name}, {p.Plate.Volts} {p.Plate.Load}")),
        ];

    private static IEnumerable<(string Value, Nameplate Plate)> Library => EquipmentLibrary.All.Select((p, i) => ($"{Equipment}{i}", p));

    /// <summary>A box on a wall; its id is the room's with the next free number.</summary>
    public static Box OnWall(Job job, RoomId room, int wall, Length offset, string kind) =>
        new() { Id = FreeId(job, room), Room = room, Wall = wall, Offset = offset, Devices = [.. Devices(kind)] };

    /// <summary>A box on the ceiling, or in the floor when what is in it does not hang.</summary>
    public static Box Free(Job job, RoomId room, Length x, Length y, string kind)
    {
        var devices = Devices(kind).ToList();
        return new()
        {
            Id = FreeId(job, room),
            Room = room,
            Mount = devices.Exists(d => d.Kind.IsOverhead()) ? Mount.Ceiling : Mount.Floor,
            X = x,
            Y = y,
            Devices = [.. devices]
        };
    }

    /// <summary>One device of the list.</summary>
    public static Device Device(string kind) => Devices(kind).First();

    private static IEnumerable<Device> Devices(string kind)
    {
        if (kind == "quad")
        {
            return [new() { Kind = DeviceKind.Duplex }, new() { Kind = DeviceKind.Duplex }];
        }

        if (!kind.StartsWith(Equipment, StringComparison.Ordinal))
        {
            return [new() { Kind = Entry.Choice<DeviceKind>(kind) }];
        }

        var plate = EquipmentLibrary.All.ElementAtOrDefault(Entry.Count(kind[Equipment.Length..]))
            ?? throw new FormatException("That equipment is not on the list.");
        return [EquipmentLibrary.Fed(plate)];
    }

    private static BoxId FreeId(Job job, RoomId room) => new(Ids.Numbered(room.Value, job.Boxes.Select(b => b.Id.Value)));
}
