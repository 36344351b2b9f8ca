using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>Makes a box from what a person fills in.</summary>
public static class NewBox
{
    /// <summary>Kinds that can be added without a nameplate.</summary>
    public static IReadOnlyList<DeviceKind> Kinds { get; } = [.. Enum.GetValues<DeviceKind>().Where(k => k is not (DeviceKind.Equipment or DeviceKind.ApplianceReceptacle))];

    /// <summary>A box on a wall with one device; its id is the room's with the next free number.</summary>
    public static Box OnWall(Job job, RoomId room, int wall, Length offset, DeviceKind kind)
    {
        var used = job.Boxes.Select(b => b.Id.Value).ToHashSet();
        var stem = room.Value.Length > 32 ? room.Value[..32] : room.Value;
        var number = Enumerable.Range(1, used.Count + 1).First(n => !used.Contains($"{stem}-{n}"));
        return new() { Id = new($"{stem}-{number}"), Room = room, Wall = wall, Offset = offset, Devices = [new() { Kind = kind }] };
    }
}
