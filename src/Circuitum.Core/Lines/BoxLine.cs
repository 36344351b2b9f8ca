using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;
using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Lines;

/// <summary>Reads a line that sets boxes: devices, lamps, and equipment with what its plate says.</summary>
internal static partial class BoxLine
{
    private static readonly ImmutableArray<(string Words, string Plate)> Equipment =
    [
        ("refrigerator", "Refrigerator"), ("range", "Range"), ("cooktop", "Cooktop"), ("wall oven", "Wall oven"), ("oven", "Wall oven"),
        ("microwave", "Microwave"), ("range hood", "Range hood"), ("hood", "Range hood"), ("dishwasher", "Dishwasher"),
        ("disposer", "Disposer"), ("disposal", "Disposer"), ("washer", "Washer"), ("dryer", "Dryer"), ("water heater", "Water heater"),
        ("tankless heater", "Tankless heater"), ("tankless water heater", "Tankless heater"),
        ("heat pump", "Heat pump, outdoor unit"), ("condenser", "Heat pump, outdoor unit"), ("outdoor unit", "Heat pump, outdoor unit"),
        ("air handler", "Air handler"), ("furnace", "Air handler"), ("baseboard heater", "Baseboard heater"),
        ("baseboard", "Baseboard heater"), ("vehicle charger", "Vehicle charger"), ("car charger", "Vehicle charger"),
        ("charger", "Vehicle charger"), ("sauna heater", "Sauna heater"), ("sump pump", "Sump pump"), ("well pump", "Well pump"),
        ("garage door opener", "Garage-door opener"), ("garage opener", "Garage-door opener"), ("door opener", "Garage-door opener"),
        ("opener", "Garage-door opener"), ("freezer", "Freezer"), ("treadmill", "Treadmill"), ("generator inlet", "Generator inlet"),
        ("welder", "Welder"), ("hydromassage tub", "Hydromassage tub"), ("hot tub", "Hot tub"),
        ("solar inverter", "Solar inverter"), ("inverter", "Solar inverter"),
        ("floor warming", "Floor warming"), ("heated floor", "Floor warming"),
    ];

    private static readonly ImmutableArray<(string Words, DeviceKind Kind)> Devices =
    [
        ("gfci receptacle", DeviceKind.GfciReceptacle), ("gfci", DeviceKind.GfciReceptacle), ("receptacle", DeviceKind.Duplex),
        ("outlet", DeviceKind.Duplex), ("ceiling fan", DeviceKind.CeilingFan), ("paddle fan", DeviceKind.CeilingFan),
        ("bath fan", DeviceKind.BathFan), ("exhaust fan", DeviceKind.BathFan), ("fan", DeviceKind.CeilingFan),
        ("pendant", DeviceKind.Pendant), ("can", DeviceKind.Can), ("recessed light", DeviceKind.Can),
        ("vanity light", DeviceKind.VanityLight), ("closet light", DeviceKind.ClosetLight), ("porch light", DeviceKind.OutdoorLight),
        ("outdoor light", DeviceKind.OutdoorLight), ("floodlight", DeviceKind.Flood), ("flood", DeviceKind.Flood),
        ("light", DeviceKind.Lamp), ("lamp", DeviceKind.Lamp), ("smoke alarm", DeviceKind.SmokeAlarm),
        ("smoke and co alarm", DeviceKind.SmokeCoAlarm), ("co alarm", DeviceKind.SmokeCoAlarm), ("switch", DeviceKind.Switch),
        ("dimmer", DeviceKind.Dimmer), ("three-way", DeviceKind.ThreeWay), ("3-way", DeviceKind.ThreeWay),
        ("four-way", DeviceKind.FourWay), ("4-way", DeviceKind.FourWay), ("timer", DeviceKind.Timer),
        ("joint box", DeviceKind.JointBox), ("junction box", DeviceKind.JointBox),
    ];

    // Equipment that is drawn on the floor: its outlet comes with the drawing.
    private static readonly ImmutableHashSet<string> Drawn =
        ["Refrigerator", "Range", "Dishwasher", "Washer", "Dryer", "Water heater", "Air handler", "Sauna heater"];

    /// <summary>Lines of this kind that are understood.</summary>
    public static IReadOnlyList<string> Examples { get; } =
        ["heat pump 23/35 east of living", "charger 40 A north of garage", "2 pendants in kitchen"];

    /// <summary>What a line does; null when it names no device and no equipment, or a thing that is only drawn.</summary>
    /// <exception cref="ChangeRefusedException">It does, and its place or its plate is not understood.</exception>
    public static JobChange? Read(Job job, LevelId level, string line)
    {
        var counted = CountPart().Match(line);
        var count = counted.Groups["n"].Success ? int.Parse(counted.Groups["n"].Value, CultureInfo.InvariantCulture) : 1;
        var thing = line[counted.Length..];
        if (Named(Equipment, thing) is var (name, afterName))
        {
            var (plate, place) = Plate(EquipmentLibrary.All.First(p => p.Name == name), afterName);
            return !Drawn.Contains(name) ? Set(job, level, place, EquipmentLibrary.Fed(plate), count, name.ToLowerInvariant())
                // Its size stands before its place as it does without a plate.
                : plate.Assumed ? null : new DrawPlated(level, thing[..^afterName.Length].TrimEnd() + " " + place, plate);
        }

        return Named(Devices, thing) is var (kind, rest) ? Set(job, level, rest, new() { Kind = kind }, count, Words.Of(kind)) : null;
    }

    /// <summary>True when a line begins with a device or equipment.</summary>
    public static bool IsNamed(string line) => line[CountPart().Match(line).Length..] is var thing
        && (Named(Equipment, thing) is not null || Named(Devices, thing) is not null);

    private static (T Value, string After)? Named<T>(ImmutableArray<(string Words, T Value)> known, string line)
    {
        foreach (var (words, value) in known.OrderByDescending(k => k.Words.Length))
        {
            foreach (var said in new[] { words + "s", words })
            {
                if (line.StartsWith(said, StringComparison.OrdinalIgnoreCase)
                    && (line.Length == said.Length || line[said.Length] is ' ' or ','))
                {
                    return (value, line[said.Length..].TrimStart(' ', ','));
                }
            }
        }

        return null;
    }

    // “23/35” is the smallest ampacity and the largest breaker, “10 kW” the load, “40 A” the load of what draws a set current, “on 60 A”
    // the breaker that a plate asks for. A bare current of anything else may be either, and is asked.
    private static (Nameplate Plate, string Place) Plate(Nameplate plate, string rest)
    {
        while (PlatePart().Match(rest) is { Success: true } said)
        {
            rest = rest.Remove(said.Index, said.Length).Trim(' ', ',');
            decimal Number(string group) => decimal.Parse(said.Groups[group].Value, CultureInfo.InvariantCulture);
            if (said.Groups["mca"].Success)
            {
                plate = plate with { Mca = new(Number("mca")), Mocp = new(Number("mocp")), Assumed = false };
            }
            else if (said.Groups["breaker"].Success)
            {
                plate = plate with { Breaker = new(Number("breaker")), Assumed = false };
            }
            else if (said.Groups["load"].Success)
            {
                var kilo = said.Groups["unit"].Value.StartsWith('k') || said.Groups["unit"].Value.StartsWith('K');
                plate = plate with { Load = new(Number("load") * (kilo ? 1000 : 1)), Assumed = false };
            }
            else
            {
                plate = plate.Continuous ? plate with { Load = new Amps(Number("amps")) * plate.Volts, Assumed = false }
                    : throw new ChangeRefusedException($"Is {said.Value.Trim()} the breaker of the {plate.Name.ToLowerInvariant()} or its "
                        + $"load? Say “on {said.Value.Trim()}” for the breaker that its plate asks for, or its load as kW.");
            }
        }

        return (plate, rest);
    }

    private static JobChange Set(Job job, LevelId level, string rest, Device device, int count, string called)
    {
        if (PlacePart().Match(rest) is not { Success: true } said)
        {
            throw new ChangeRefusedException($"Where is the {called}? Say a wall of a room, or the room: “{Examples[0]}”, "
                + $"“{Examples[2]}”.");
        }

        if (count > 12)
        {
            throw new ChangeRefusedException("At most 12 are set at once.");
        }

        var room = Spoken.Room(job, level, said.Groups["of"].Value);
        var framed = Framing.Frame(job).Room(room.Id);
        var kind = device.Kind == DeviceKind.CeilingFan && room.Use == RoomUse.Bath ? DeviceKind.BathFan : device.Kind;
        var outside = said.Groups["out"].Success || kind is DeviceKind.OutdoorLight or DeviceKind.Flood
            || device.Plate is { Appliance: Appliance.HeatPump or Appliance.GeneratorInlet or Appliance.SolarInverter };
        var overhead = kind.IsOverhead() || device.Plate is { Appliance: Appliance.DoorOpener };
        var side = said.Groups["side"].Success ? Spoken.Side(said.Groups["side"].Value) : (char?)null;
        var boxes = side is null && overhead && !outside ? Overhead(framed, count)
            : OnWall(job, framed, side is { } facing ? HouseLine.Facing(job, room, facing) : Likeliest(framed, outside, called), said
                .Groups["at"], count, outside, called);
        var known = job.Boxes.Select(b => b.Id.Value).ToList();
        return new SetBoxes([.. boxes.Select(box =>
        {
            var id = Ids.Numbered(room.Id.Value, known);
            known.Add(id);
            return box with { Id = new(id), Room = room.Id, Outside = outside, Devices = [device with { Kind = kind }] };
        })], called);
    }

    // A bare box: what it is and where it belongs is filled in where its place is known.
    private static Box At(Length x, Length y) => new()
    {
        Id = new("box"),
        Room = new("room"),
        Mount = Mount.Ceiling,
        X = x,
        Y = y,
        Devices = [],
    };

    // In the middle; several in a row along the room, or over its island.
    private static IEnumerable<Box> Overhead(FramedRoom room, int count)
    {
        var island = room.Room.Fixtures.FirstOrDefault(f => f is { Kind: FixtureKind.Island, Wall: null });
        var (west, north, wide, deep) = count > 1 && island is not null ? (island.X, island.Y, island.Width, island.Depth)
            : (Length.Zero, Length.Zero, room.ClearWidth, room.ClearDepth);
        return Enumerable.Range(0, count).Select(i =>
        {
            Length along = (wide > deep ? wide : deep) * ((2 * i) + 1) / (2 * count), across = (wide > deep ? deep : wide) / 2;
            var (x, y) = wide > deep ? (along, across) : (across, along);
            return At((west + x).Snapped(Length.FromInches(1)), (north + y).Snapped(Length.FromInches(1)));
        });
    }

    private static RoomSide Likeliest(FramedRoom room, bool outside, string called) => room.Sides.Where(s => !outside || s.Exterior)
        .MaxBy(s => s.Clear) ?? throw new ChangeRefusedException($"{room.Room.Name} has no wall to the outside for the {called}.");

    // In the longest stretch without an opening, clear of other boxes; where it is said, from the west or north end.
    private static IEnumerable<Box> OnWall(Job job, FramedRoom room, RoomSide wall, Group at, int count, bool outside, string called)
    {
        var reversed = room.Room.SideOf(wall.Number) is "south" or "west";
        Length First(Length from) => reversed ? wall.Clear - from : from;
        var taken = wall.Openings.Where(o => o.Opening.Kind != OpeningKind.Window || outside).Select(o => (o.From, o.To))
            .Concat(job.Boxes.Where(b => b.Room == room.Room.Id && b.Mount == Mount.Wall && b.Wall == wall.Number && b.Outside == outside)
                .Select(b => (From: b.Offset - Length.FromInches(4), To: b.Offset + Length.FromInches(4))));
        var free = Stretches.Free((Length.Zero, wall.Clear), taken).OrderByDescending(f => f.To - f.From).FirstOrDefault();
        if (!at.Success && free.To - free.From < Length.FromInches(6 * count))
        {
            throw new ChangeRefusedException($"The {room.Room.SideOf(wall.Number)} wall of {room.Room.Name} has no place for the "
                + $"{called}.");
        }

        return Enumerable.Range(0, count).Select(i => At(Length.Zero, Length.Zero) with
        {
            Mount = Mount.Wall,
            Wall = wall.Number,
            Offset = (at.Success ? First(Spoken.Length(at.Value) + (Length.FromFeet(1) * i))
                : free.From + ((free.To - free.From) * ((2 * i) + 1) / (2 * count))).Snapped(Length.FromInches(1)),
        });
    }

    [GeneratedRegex("^(?:(?<n>[1-9][0-9]?) |an? )", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex CountPart();

    private const string Figure = @"\d{1,6}(?:\.\d{1,3})?";

    [GeneratedRegex("(?:^|(?<= ))(?:(?<mca>" + Figure + @")\s*/\s*(?<mocp>" + Figure + ")(?: ?a(?:mps?)?)?"
        + @"|on (?:an? )?(?<breaker>\d{1,4}) ?a(?:mps?)?(?: breaker)?|(?<load>" + Figure + ") ?(?<unit>kw|kva|w|va)|(?<amps>" + Figure
        + ") ?a(?:mps?)?)(?=$|[ ,])", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex PlatePart();

    [GeneratedRegex("^(?:(?<out>outside),? )?(?:(?:on |at )?(?:the )?(?<side>" + Spoken.SidePattern
        + ")(?: side| wall)? (?:(?:of|in) )?(?:the )?|(?:in|over|outside) (?:the )?)(?<of>.+?)(?:,? (?<out>outside))?(?:,? at (?<at>"
        + Spoken.LengthPattern + "))?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex PlacePart();
}

/// <summary>Sets boxes of one kind.</summary>
/// <param name="Boxes">One or more, of one room.</param>
/// <param name="What">What each of them is.</param>
internal sealed record SetBoxes(ImmutableArray<Box> Boxes, string What) : JobChange
{
    /// <inheritdoc/>
    protected override Subject? Selects(Job before) => Subject.Box(Boxes[^1].Id);

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var room = job.Rooms.First(r => r.Id == Boxes[0].Room);
        phrase = $"Set {(Boxes.Length > 1 ? $"{Boxes.Length} × {What}" : Words.One(What))} "
            + (Boxes[0].Mount == Mount.Ceiling ? $"on the ceiling of {room.Name}"
                : $"on the {room.SideOf(Boxes[0].Wall)} wall of {room.Name}{(Boxes[0].Outside ? ", outside" : "")}");
        return job with { Boxes = job.Boxes.AddRange(Boxes) };
    }
}

/// <summary>Draws a thing that has an outlet, and writes on the outlet what the plate says.</summary>
/// <param name="Level">The level that is drawn.</param>
/// <param name="Line">The line without the plate.</param>
/// <param name="Plate">What the plate says.</param>
internal sealed record DrawPlated(LevelId Level, string Line, Nameplate Plate) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (outcome, _) = SayLines.Said(job, Level, Line);
        var drawn = outcome.Job ?? throw new ChangeRefusedException(outcome.Refusal!);
        var before = job.Boxes.Select(b => b.Id).ToHashSet();
        var outlet = drawn.Boxes.FirstOrDefault(b => !before.Contains(b.Id))
            ?? throw new ChangeRefusedException($"The {Plate.Name.ToLowerInvariant()} got no outlet there to write its plate on.");
        var written = new SetPlate(outlet.Id, 0, Plate).On(drawn);
        phrase = $"{outcome.Phrase}, {Plate.Load} by its plate";
        return written.Job ?? throw new ChangeRefusedException(written.Refusal!);
    }
}
