namespace Circuitum.Core.Jobs;

/// <summary>Names boxes from their room and devices, as they will stand on labels.</summary>
public static class BoxNames
{
    /// <summary>Kitchen refrigerator, Hall switch, Bedroom 2 receptacle.</summary>
    public static string For(Box box, Room room)
    {
        var plate = box.Devices.Select(d => d.Plate).FirstOrDefault(p => p is not null);
        if (plate is not null)
        {
            return plate.Name;
        }

        var kinds = box.Devices.Select(d => d.Kind).ToList();
        var what = kinds.All(k => k == DeviceKind.Disconnect) ? Words.Of(DeviceKind.Disconnect)
            : kinds.All(k => k.IsSwitch()) ? kinds.Count == 1 ? "switch"
            : "switches"
            : kinds.Any(k => k.IsReceptacle()) ? box.ServesCounter ? "counter" : Words.Receptacle
            : Words.Of(kinds[0]);
        return Joined(room.Name, $"{(box.Outside && !kinds.Any(k => k == DeviceKind.OutdoorLight) ? "outside " : "")}{what}");
    }

    // Upper bath and bath fan make an upper bath fan.
    private static string Joined(string room, string what)
    {
        var first = what.Split(' ')[0];
        return room.EndsWith(first, StringComparison.OrdinalIgnoreCase) && what.Length > first.Length ? room + what[first.Length..]
            : $"{room} {what}";
    }
}
