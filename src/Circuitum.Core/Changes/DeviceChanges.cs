using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Puts another kind of device in a place of a box; its plate and load stay where the kind keeps them.</summary>
public sealed record SetDeviceKind(BoxId Box, int Place, DeviceKind Kind) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        var device = At(box, Place);
        phrase = $"Make {Called(job, box)} a {Words.Of(Kind)}";
        // What works nothing keeps no lamps: they would be its own again unseen.
        var works = Kind.IsSwitch() || Kind == DeviceKind.Equipment;
        return With(job, box with
        {
            Devices = box.Devices.SetItem(Place,
                device with { Kind = Kind, FeedsLoadSide = Kind == DeviceKind.GfciReceptacle, Controls = works ? device.Controls : [] })
        });
    }

    internal static Device At(Box box, int place) => place >= 0 && place < box.Devices.Length
        ? box.Devices[place]
        : throw new ChangeRefusedException($"Box “{box.Id}” has {box.Devices.Length} devices; there is no number {place + 1}.");
}

/// <summary>Lets two switches of a set change their kinds: what stands at an end becomes the three-way.</summary>
public sealed record SwapSwitches(BoxId One, int OnePlace, BoxId Other, int OtherPlace) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (one, other) = (SetDeviceKind.At(Find(job, One), OnePlace), SetDeviceKind.At(Find(job, Other), OtherPlace));
        phrase = $"Make {Called(job, Find(job, One))} a {Words.Of(other.Kind)}, {Called(job, Find(job, Other))} a {Words.Of(one.Kind)}";
        return WithKind(WithKind(job, One, OnePlace, other.Kind), Other, OtherPlace, one.Kind);
    }

    private static Job WithKind(Job job, BoxId id, int place, DeviceKind kind)
    {
        var box = Find(job, id);
        return With(job, box with { Devices = box.Devices.SetItem(place, box.Devices[place] with { Kind = kind }) });
    }
}

/// <summary>Sets the load of a lamp or fan, or of the equipment at a place of a box.</summary>
public sealed record SetLoad(BoxId Box, int Place, VoltAmps Load) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        var device = SetDeviceKind.At(box, Place);
        phrase = $"Set {Called(job, box)} to {Load}";
        var changed = device.Plate is { } plate ? device with { Plate = plate with { Load = Load, Assumed = false } }
            : device with { Load = Load };
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
        var plate = device.Plate ?? throw new ChangeRefusedException($"“{Called(job, box)}” has no nameplate.");
        phrase = $"Set {plate.Name} to MCA {Mca}, MOCP {Mocp}";
        return SetPlate.Written(job, box, Place, plate with { Mca = Mca, Mocp = Mocp, Assumed = false });
    }
}

/// <summary>Sets the breaker that a plate asks for by number; null where the load decides.</summary>
public sealed record SetPlateBreaker(BoxId Box, int Place, Amps? Breaker) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        var device = SetDeviceKind.At(box, Place);
        var plate = device.Plate ?? throw new ChangeRefusedException($"“{Called(job, box)}” has no nameplate.");
        phrase = Breaker is Amps asked ? $"{plate.Name} asks for {asked}" : $"Breaker of {plate.Name} by its load";
        return SetPlate.Written(job, box, Place, plate with { Breaker = Breaker, Assumed = plate.Assumed && Breaker is null });
    }
}

/// <summary>Swaps equipment for another size: its plate is replaced as a whole.</summary>
public sealed record SetPlate(BoxId Box, int Place, Nameplate Plate) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        var device = SetDeviceKind.At(box, Place);
        phrase = $"Change {device.Plate?.Name ?? Called(job, box)} to {Plate.Name}, {Plate.Load}";
        return Written(job, box, Place, Plate);
    }

    /// <summary>The job with another plate in a place of a box.</summary>
    internal static Job Written(Job job, Box box, int place, Nameplate plate) =>
        With(job, box with { Devices = box.Devices.SetItem(place, box.Devices[place] with { Plate = plate }) });
}

/// <summary>Divides a heater whose elements draw more than one undivided set may, as its maker brings it: as few equal supplies as the book
/// allows, each with a connection of its own beside the first.</summary>
public sealed record DivideHeater(BoxId Box, int Place) : JobChange
{
    private static readonly Length Beside = Length.FromInches(8);

    /// <summary>How many supplies a load is divided into.</summary>
    public static int Supplies(Nameplate plate, CodeBook book) =>
        (int)Math.Ceiling(plate.Load.Value / (book.Division.MostOfHeater * plate.Volts).Value);

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        var plate = SetDeviceKind.At(box, Place).Plate ?? throw new ChangeRefusedException($"“{Called(job, box)}” has no nameplate.");
        var parts = Supplies(plate, CodeBook.For(job));
        if (parts < 2)
        {
            throw new ChangeRefusedException($"{plate.Name} is no more than one supply may feed.");
        }

        phrase = $"Divide {plate.Name} into {parts} supplies";
        // What its plate says of all of it says nothing of a part.
        Nameplate Part(int number) => plate with
        {
            Name = $"{plate.Name} {number}",
            Load = new(Math.Ceiling(plate.Load.Value / parts)),
            Mca = null,
            Mocp = null,
            Breaker = null,
        };
        job = SetPlate.Written(job, box, Place, Part(1));
        for (var number = 2; number <= parts; number++)
        {
            var id = new BoxId($"{Box}-{number}");
            while (job.Boxes.Any(b => b.Id == id))
            {
                id = new($"{id}-{number}");
            }

            var along = Beside * (number - 1);
            job = job with
            {
                Boxes = job.Boxes.Add(box with
                {
                    Id = id,
                    Name = null,
                    // Back along the wall where there is room, so that none stands beyond its end.
                    Offset = box.Offset > along + Beside ? box.Offset - along : box.Offset + along,
                    X = box.X + along,
                    Devices = [new() { Kind = box.Devices[Place].Kind, Plate = Part(number) }],
                }),
            };
        }

        return job;
    }
}

/// <summary>Moves a GFCI device upstream: the duplex there becomes the GFCI, feeding its load side; the old one becomes a duplex.</summary>
public sealed record MoveGfci(BoxId From, BoxId To) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        Box old = Find(job, From), next = Find(job, To);
        int oldPlace = Place(old, d => d.Kind == DeviceKind.GfciReceptacle, "GFCI receptacle"),
            place = Place(next, d => d.Kind is DeviceKind.Duplex or DeviceKind.Single, "duplex receptacle");
        phrase = $"Move the GFCI to {Called(job, next)}";
        job = With(job, old with
        {
            Devices = old.Devices.SetItem(oldPlace,
            old.Devices[oldPlace] with { Kind = DeviceKind.Duplex, FeedsLoadSide = false })
        });
        return With(job, next with
        {
            Devices = next.Devices.SetItem(place,
                next.Devices[place] with { Kind = DeviceKind.GfciReceptacle, FeedsLoadSide = true })
        });
    }

    private static int Place(Box box, Func<Device, bool> which, string what) =>
        box.Devices.Select((d, i) => (d, i)).Where(x => which(x.d)).Select(x => (int?)x.i).FirstOrDefault()
            ?? throw new ChangeRefusedException($"Box “{box.Id}” has no {what}.");
}
