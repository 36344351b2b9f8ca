using System.Collections.Immutable;

namespace Circuitum.Core.Jobs;

/// <summary>Switches that work the same lamps make a set: one place a single-pole, n places two three-ways and n − 2 four-ways
/// between.</summary>
public static class Switching
{
    /// <summary>Boxes whose switches must become another kind so that every place that works one of these lamps makes a set.</summary>
    public static IReadOnlyList<Box> Typed(IReadOnlyList<Box> boxes, ImmutableArray<BoxId> lamps)
    {
        var places = boxes.SelectMany(b => b.Devices.Select((d, i) => (Box: b, Device: d, Place: i)))
            .Where(x => IsPlace(x.Device.Kind) && x.Device.Controls.Any(lamps.Contains))
            .OrderBy(x => x.Device.Kind == DeviceKind.Dimmer ? 0 : 1).ThenBy(x => x.Box.Id.Value, StringComparer.Ordinal)
            .ThenBy(x => x.Place).ToList();
        var changed = new Dictionary<BoxId, Box>();
        for (var i = 0; i < places.Count; i++)
        {
            var wanted = places.Count == 1 ? DeviceKind.Switch : i == 0 || i == places.Count - 1 ? DeviceKind.ThreeWay : DeviceKind.FourWay;
            // A lone dimmer, timer or sensor is a single-pole of its own; in a set one dimmer stands for a three-way.
            var keeps = (places.Count == 1 && places[i].Device.Kind is not (DeviceKind.ThreeWay or DeviceKind.FourWay))
                || (i == 0 && places[i].Device.Kind == DeviceKind.Dimmer);
            if (places[i].Device.Kind != wanted && !keeps)
            {
                var box = changed.GetValueOrDefault(places[i].Box.Id, places[i].Box);
                changed[box.Id] = box with
                { Devices = box.Devices.SetItem(places[i].Place, box.Devices[places[i].Place] with { Kind = wanted }) };
            }
        }

        return [.. changed.Values];
    }

    /// <summary>Switches wired one after the other work as a set: a three-way, or a dimmer that stands for one, at either end, four-ways
    /// between; one alone always does.</summary>
    public static bool IsSet(IReadOnlyList<DeviceKind> inOrder) => inOrder.Count < 2
        || (IsEnd(inOrder[0]) && IsEnd(inOrder[^1]) && inOrder.Skip(1).SkipLast(1).All(k => k == DeviceKind.FourWay));

    private static bool IsEnd(DeviceKind kind) => kind is DeviceKind.ThreeWay or DeviceKind.Dimmer;

    /// <summary>A switch place: anything that works a lamp; not a fan's own control, nor a disconnect.</summary>
    public static bool IsPlace(DeviceKind kind) => kind.IsSwitch() && kind is not (DeviceKind.Disconnect or DeviceKind.FanControl);
}
