using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Says which lamps a switch works. Every place that works the same lamps becomes part of a set: two three-ways, four-ways
/// between.</summary>
public sealed record SetControls(BoxId Box, int Place, ImmutableArray<BoxId> Lamps) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        var device = SetDeviceKind.At(box, Place);
        var unit = device is { Kind: DeviceKind.Equipment, Plate: not null };
        if (!device.Kind.IsSwitch() && !unit)
        {
            throw new ChangeRefusedException($"A {Words.Of(device.Kind)} works no lamp.");
        }

        foreach (var lamp in Lamps)
        {
            if (Find(job, lamp).Devices.All(d => d.Kind == DeviceKind.IndoorHead) != unit)
            {
                throw new ChangeRefusedException(unit ? $"{Called(job, Find(job, lamp))} is no indoor head."
                    : $"{Called(job, Find(job, lamp))} is fed by its outdoor unit, not by a switch.");
            }
        }

        if (unit)
        {
            phrase = Lamps.IsEmpty ? $"No cable goes back from {Called(job, box)}"
                : $"A cable goes back from {Called(job, box)} to {string.Join(", ", Lamps.Take(3).Select(l => Called(job, Find(job, l))))}";
            return With(job, box with { Devices = box.Devices.SetItem(Place, device with { Controls = Lamps }) });
        }

        phrase = Lamps.IsEmpty ? $"{Called(job, box)} works nothing"
            : $"{Called(job, box)} works {string.Join(", ", Lamps.Take(3).Select(l => Called(job, Find(job, l))))}"
            + $"{(Lamps.Length > 3 ? $" and {Lamps.Length - 3} more" : "")}";
        var changed = With(job, box with { Devices = box.Devices.SetItem(Place, device with { Controls = Lamps }) });
        foreach (var group in new[] { device.Controls, Lamps }.Where(g => !g.IsEmpty))
        {
            foreach (var typed in Switching.Typed(changed.Boxes, group))
            {
                changed = With(changed, typed);
            }
        }

        return changed;
    }
}

/// <summary>Adds a device to a box, one gang more.</summary>
public sealed record AddDevice(BoxId Box, Device Device) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        phrase = $"Add a {Words.Of(Device.Kind)} to {Called(job, box)}";
        return With(job, box with { Devices = box.Devices.Add(Device) });
    }
}

/// <summary>Takes a device out of a box; the last one stays.</summary>
public sealed record RemoveDevice(BoxId Box, int Place) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        var device = SetDeviceKind.At(box, Place);
        if (box.Devices.Length == 1)
        {
            throw new ChangeRefusedException("A box holds at least one device. Delete the box instead.");
        }

        phrase = $"Take the {Words.Of(device.Kind)} out of {Called(job, box)}";
        return With(job, box with { Devices = box.Devices.RemoveAt(Place) });
    }
}

/// <summary>Sets the rating of a receptacle; null is the usual 15 A.</summary>
public sealed record SetRating(BoxId Box, int Place, Units.Amps? Rating) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        phrase = $"Make {Called(job, box)} {(Rating is { } r ? r.ToString() : "15 A, as usual")}";
        return With(job, box with { Devices = box.Devices.SetItem(Place, SetDeviceKind.At(box, Place) with { Rating = Rating }) });
    }
}

/// <summary>Names a box; null writes its name from its room again.</summary>
public sealed record NameBox(BoxId Box, string? Name) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        phrase = Name is null ? $"Name {box.Name ?? Called(job, box)} from its room" : $"Call {Called(job, box)} {Name}";
        return With(job, box with { Name = Name });
    }
}

/// <summary>Says whether a box serves a counter, and whether it faces the weather.</summary>
public sealed record SetBoxPlace(BoxId Box, bool ServesCounter, bool Outside) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        phrase = $"{Called(job, box)}: {(ServesCounter ? "serves a counter" : Outside ? "faces the weather" : "serves the room")}";
        return With(job, box with { ServesCounter = ServesCounter, Outside = Outside, OnPad = Outside ? box.OnPad : null });
    }
}

/// <summary>Stands equipment on a pad outdoors, or hangs it on its wall again.</summary>
/// <param name="Box">Its box.</param>
/// <param name="FromWall">From the wall to the pad, 0 to 10 ft; null for the wall.</param>
public sealed record SetPad(BoxId Box, Length? FromWall) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        phrase = FromWall is { } off ? $"Stand {Called(job, box)} on a pad {off} from the wall" : $"Hang {Called(job, box)} on the wall";
        return With(job, box with { OnPad = FromWall });
    }
}
