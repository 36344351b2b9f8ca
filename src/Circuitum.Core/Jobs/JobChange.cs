using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>What came of a change: the changed job with a phrase for it, or one sentence why not.</summary>
public sealed record ChangeOutcome(Job? Job, string Phrase, string? Refusal);

/// <summary>One thing a person does to a job.</summary>
public abstract record JobChange
{
    /// <summary>Applies the change. A refused change leaves nothing behind.</summary>
    public ChangeOutcome On(Job job)
    {
        try
        {
            var changed = Apply(job, out var phrase);
            return JobProblems.First(changed) is { } problem ? new(null, phrase, problem.ToString()) : new(changed, phrase, null);
        }
        catch (ChangeRefusedException refused)
        {
            return new(null, "", refused.Message);
        }
    }

    /// <summary>Makes the changed job and says in one phrase what was done.</summary>
    /// <exception cref="ChangeRefusedException">The change names what is not there.</exception>
    protected abstract Job Apply(Job job, out string phrase);

    /// <summary>The box, or a refusal.</summary>
    protected static Box Find(Job job, BoxId id) => job.Boxes.FirstOrDefault(b => b.Id == id) ?? throw new ChangeRefusedException($"Box “{id}” is not in this job any more.");

    /// <summary>The job with one box replaced.</summary>
    protected static Job With(Job job, Box box) => job with { Boxes = job.Boxes.SetItem(job.Boxes.IndexOf(Find(job, box.Id)), box) };

    /// <summary>What people call a box: its name, or its id.</summary>
    protected static string Called(Box box) => box.Name ?? box.Devices.Select(d => d.Plate?.Name).FirstOrDefault(n => n is not null) ?? box.Id.Value;
}

/// <summary>A change that cannot be made; the message is one sentence for the person who asked.</summary>
public sealed class ChangeRefusedException(string message) : Exception(message);

/// <summary>Moves a box along its wall.</summary>
public sealed record MoveBox(BoxId Box, Length Offset) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        if (box.Mount != Mount.Wall)
        {
            throw new ChangeRefusedException("This box is not on a wall; give it X and Y instead.");
        }

        var by = (Offset - box.Offset).Abs();
        phrase = $"Move {Called(box)} {by}";
        return With(job, box with { Offset = Offset });
    }
}

/// <summary>Moves a ceiling or floor box.</summary>
public sealed record PlaceBox(BoxId Box, Length X, Length Y) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        if (box.Mount == Mount.Wall)
        {
            throw new ChangeRefusedException("This box is on a wall; give it an offset along it.");
        }

        phrase = $"Move {Called(box)} to {X}, {Y}";
        return With(job, box with { X = X, Y = Y });
    }
}

/// <summary>Sets or clears a box's height.</summary>
public sealed record SetHeight(BoxId Box, Length? Height) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        phrase = Height is Length h ? $"Set {Called(box)} at {h}" : $"Set {Called(box)} at the crew's height";
        return With(job, box with { Height = Height });
    }
}

/// <summary>Adds a receptacle to a wall.</summary>
public sealed record AddBox(Box Box) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = $"Add {Called(Box)}";
        return job with { Boxes = job.Boxes.Add(Box) };
    }
}

/// <summary>Takes a box out, with the pins, holds and switch legs that named it.</summary>
public sealed record DeleteBox(BoxId Box) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        phrase = $"Delete {Called(box)}";
        return job with
        {
            Boxes = [.. job.Boxes.Where(b => b.Id != Box).Select(b => b with
            {
                Devices = [.. b.Devices.Select(d => d.Controls.Contains(Box) ? d with { Controls = d.Controls.Remove(Box) } : d)],
            })],
            Pins = job.Pins with { Boxes = [.. job.Pins.Boxes.Where(p => p.Box != Box)] },
            Holds = [.. job.Holds.Where(h => h.Subject != $"box:{Box}")],
        };
    }
}

/// <summary>Puts another kind of device in a place of a box; its plate and load stay where the kind keeps them.</summary>
public sealed record SetDeviceKind(BoxId Box, int Place, DeviceKind Kind) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        var device = At(box, Place);
        phrase = $"Make {Called(box)} a {Words.Of(Kind)}";
        return With(job, box with { Devices = box.Devices.SetItem(Place, device with { Kind = Kind, FeedsLoadSide = Kind == DeviceKind.GfciReceptacle }) });
    }

    internal static Device At(Box box, int place) => place >= 0 && place < box.Devices.Length
        ? box.Devices[place]
        : throw new ChangeRefusedException($"“{Called(box)}” has {box.Devices.Length} devices; there is no number {place + 1}.");
}

/// <summary>Sets the load of a lamp or fan, or of the equipment at a place of a box.</summary>
public sealed record SetLoad(BoxId Box, int Place, VoltAmps Load) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        var device = SetDeviceKind.At(box, Place);
        phrase = $"Set {Called(box)} to {Load}";
        var changed = device.Plate is { } plate ? device with { Plate = plate with { Load = Load } } : device with { Load = Load };
        return With(job, box with { Devices = box.Devices.SetItem(Place, changed) });
    }
}

/// <summary>Sets the ampacity and the largest breaker that a plate asks for.</summary>
public sealed record SetPlateAmps(BoxId Box, int Place, Amps Mca, Amps Mocp) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        var device = SetDeviceKind.At(box, Place);
        var plate = device.Plate ?? throw new ChangeRefusedException($"“{Called(box)}” has no nameplate.");
        phrase = $"Set {plate.Name} to MCA {Mca}, MOCP {Mocp}";
        return With(job, box with { Devices = box.Devices.SetItem(Place, device with { Plate = plate with { Mca = Mca, Mocp = Mocp } }) });
    }
}

/// <summary>Another edition of the book.</summary>
public sealed record SetEdition(Edition Edition) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = $"Plan by the {(int)Edition} edition";
        return job with { Edition = Edition };
    }
}

/// <summary>Other schools.</summary>
public sealed record SetSchools(Schools Schools) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = "Change schools";
        return job with { Schools = Schools };
    }
}

/// <summary>Other house rules.</summary>
public sealed record SetHouseRules(HouseRules Rules) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = "Change house rules";
        return job with { HouseRules = Rules };
    }
}

/// <summary>Holds a box on a circuit; null frees it.</summary>
public sealed record PinBox(BoxId Box, CircuitKey? Circuit) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        var others = job.Pins.Boxes.RemoveAll(p => p.Box == Box);
        phrase = Circuit is CircuitKey c ? $"Pin {Called(box)} to {c}" : $"Free {Called(box)}";
        return job with { Pins = job.Pins with { Boxes = Circuit is CircuitKey key ? others.Add(new(Box, key)) : others } };
    }
}

/// <summary>Holds a breaker's rating; null frees it.</summary>
public sealed record PinBreaker(CircuitKey Circuit, Amps? Rating) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var others = job.Pins.Breakers.RemoveAll(p => p.Circuit == Circuit);
        phrase = Rating is Amps r ? $"Pin {Circuit} at {r}" : $"Free the breaker of {Circuit}";
        return job with { Pins = job.Pins with { Breakers = Rating is Amps rating ? others.Add(new(Circuit, rating)) : others } };
    }
}

/// <summary>Holds a conductor size; null frees it.</summary>
public sealed record PinCable(CircuitKey Circuit, Gauge? Gauge) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var others = job.Pins.Cables.RemoveAll(p => p.Circuit == Circuit);
        phrase = Gauge is Gauge g ? $"Pin {Circuit} to {g} AWG" : $"Free the cable of {Circuit}";
        return job with { Pins = job.Pins with { Cables = Gauge is Gauge gauge ? others.Add(new(Circuit, gauge)) : others } };
    }
}

/// <summary>Holds a circuit's space; null frees it.</summary>
public sealed record PinSpace(CircuitKey Circuit, int? Space) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var others = job.Pins.Spaces.RemoveAll(p => p.Circuit == Circuit);
        phrase = Space is int s ? $"Land {Circuit} on space {s}" : $"Free the space of {Circuit}";
        return job with { Pins = job.Pins with { Spaces = Space is int space ? others.Add(new(Circuit, space)) : others } };
    }
}

/// <summary>The fact a hold waited for has come.</summary>
public sealed record ReleaseHold(string Hold) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var hold = job.Holds.FirstOrDefault(h => h.Id == Hold) ?? throw new ChangeRefusedException($"Hold “{Hold}” is not in this job any more.");
        phrase = $"Release “{hold.What}”";
        return job with { Holds = job.Holds.Remove(hold) };
    }
}

/// <summary>Trade words for kinds.</summary>
public static class Words
{
    /// <summary>GfciReceptacle becomes “GFCI receptacle”, SmokeAlarm “smoke alarm”.</summary>
    public static string Of<T>(T kind) where T : struct, Enum
    {
        var text = kind.ToString();
        var words = string.Concat(text.Select((c, i) => i > 0 && char.IsUpper(c) ? " " + char.ToLowerInvariant(c) : char.ToLowerInvariant(c).ToString()));
        return words.Replace("cased", "cased opening", StringComparison.Ordinal).Replace("gfci", "GFCI", StringComparison.Ordinal).Replace("three way", "three-way switch", StringComparison.Ordinal).Replace("four way", "four-way switch", StringComparison.Ordinal);
    }
}

/// <summary>Moves a GFCI device upstream: the duplex there becomes the GFCI, feeding its load side; the old one becomes a duplex.</summary>
public sealed record MoveGfci(BoxId From, BoxId To) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        Box old = Find(job, From), next = Find(job, To);
        int oldPlace = Place(old, d => d.Kind == DeviceKind.GfciReceptacle, "GFCI receptacle"), place = Place(next, d => d.Kind is DeviceKind.Duplex or DeviceKind.Single, "duplex receptacle");
        phrase = $"Move the GFCI to {Called(next)}";
        job = With(job, old with { Devices = old.Devices.SetItem(oldPlace, old.Devices[oldPlace] with { Kind = DeviceKind.Duplex, FeedsLoadSide = false }) });
        return With(job, next with { Devices = next.Devices.SetItem(place, next.Devices[place] with { Kind = DeviceKind.GfciReceptacle, FeedsLoadSide = true }) });
    }

    private static int Place(Box box, Func<Device, bool> which, string what) =>
        box.Devices.Select((d, i) => (d, i)).Where(x => which(x.d)).Select(x => (int?)x.i).FirstOrDefault() ?? throw new ChangeRefusedException($"“{Called(box)}” has no {what}.");
}

/// <summary>Swaps equipment for another size: its plate is replaced as a whole.</summary>
public sealed record SetPlate(BoxId Box, int Place, Nameplate Plate) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        var device = SetDeviceKind.At(box, Place);
        phrase = $"Change {device.Plate?.Name ?? Called(box)} to {Plate.Name}, {Plate.Load}";
        return With(job, box with { Devices = box.Devices.SetItem(Place, device with { Plate = Plate }) });
    }
}
