using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>Reads how forms name parts of the house.</summary>
public static class HouseEntry
{
    /// <summary>A wall, fixture or obstruction told as owner and number: kitchen.3.</summary>
    /// <exception cref="FormatException">It is not written so.</exception>
    public static (string Of, int Number) Numbered(string? text)
    {
        var dot = (text ?? "").LastIndexOf('.');
        return dot > 0 ? (text![..dot], Entry.Count(text[(dot + 1)..])) : throw new FormatException($"“{text}” names no wall; write it like kitchen.3.");
    }

    /// <summary>A room of the job.</summary>
    /// <exception cref="ChangeRefusedException">It is not there.</exception>
    public static Room Room(Job job, string? id) => job.Structures.SelectMany(s => s.Levels).SelectMany(l => l.Rooms).FirstOrDefault(r => r.Id.Value == id)
        ?? throw new ChangeRefusedException($"Room “{id}” is not in this job any more.");

    /// <summary>The id that a new room of a name will get.</summary>
    public static RoomId NextRoom(Job job, string name) => new(Ids.Free(Ids.Slug(name, "room"), job.Structures.SelectMany(s => s.Levels).SelectMany(l => l.Rooms).Select(r => r.Id.Value)));
}

/// <summary>An opening as typed.</summary>
public sealed record OpeningFields
{
    /// <summary>Kind.</summary>
    public string Kind { get; init; } = "";

    /// <summary>Corner to jamb.</summary>
    public string Offset { get; init; } = "";

    /// <summary>Width; the usual one of its kind when empty.</summary>
    public string? Width { get; init; }

    /// <summary>Sill of a window.</summary>
    public string? Sill { get; init; }

    /// <summary>Hinge side.</summary>
    public string? Hinge { get; init; }

    /// <summary>Swings away from the room.</summary>
    public bool SwingsOut { get; init; }

    /// <summary>The opening.</summary>
    /// <exception cref="FormatException">A field cannot be read; the message quotes it.</exception>
    public Opening Read(string id, int wall)
    {
        var kind = Entry.Choice<OpeningKind>(Kind);
        return new()
        {
            Id = id, Kind = kind, Wall = wall, Offset = Length.Parse(Offset), Width = string.IsNullOrWhiteSpace(Width) ? UsualWidth(kind) : Length.Parse(Width),
            Sill = string.IsNullOrWhiteSpace(Sill) ? Length.FromInches(36) : Length.Parse(Sill), Hinge = string.IsNullOrEmpty(Hinge) ? default : Entry.Choice<Hinge>(Hinge), SwingsOut = SwingsOut,
        };
    }

    /// <summary>What is usual: a 2'-8" door, a 3 ft window and passage, a 6 ft slider, a 9 ft garage door.</summary>
    public static Length UsualWidth(OpeningKind kind) => kind switch
    {
        OpeningKind.Door => Length.FromInches(32),
        OpeningKind.Slider => Length.FromFeet(6),
        OpeningKind.GarageDoor => Length.FromFeet(9),
        _ => Length.FromFeet(3),
    };
}

/// <summary>A fixture as typed.</summary>
public sealed record FixtureFields
{
    /// <summary>Kind.</summary>
    public string Kind { get; init; } = "";

    /// <summary>Wall number; empty when it stands free.</summary>
    public string? Wall { get; init; }

    /// <summary>Along the wall.</summary>
    public string? Offset { get; init; }

    /// <summary>East of the room's corner.</summary>
    public string? X { get; init; }

    /// <summary>South of the room's corner.</summary>
    public string? Y { get; init; }

    /// <summary>Width; the usual one of its kind when empty.</summary>
    public string? Width { get; init; }

    /// <summary>Depth; the usual one of its kind when empty.</summary>
    public string? Depth { get; init; }

    /// <summary>The fixture.</summary>
    /// <exception cref="FormatException">A field cannot be read; the message quotes it.</exception>
    public Fixture Read()
    {
        var kind = Entry.Choice<FixtureKind>(Kind);
        var (width, depth) = Usual(kind);
        return new()
        {
            Kind = kind, Wall = string.IsNullOrEmpty(Wall) ? null : Entry.Count(Wall),
            Offset = Or(Offset, Length.Zero), X = Or(X, Length.Zero), Y = Or(Y, Length.Zero), Width = Or(Width, width), Depth = Or(Depth, depth),
        };
    }

    /// <summary>Usual size of a kind: along the wall, and out from it.</summary>
    public static (Length Width, Length Depth) Usual(FixtureKind kind)
    {
        var (w, d) = kind switch
        {
            FixtureKind.Counter => (72, 25),
            FixtureKind.Island => (60, 36),
            FixtureKind.Peninsula => (36, 60),
            FixtureKind.Sink => (33, 20),
            FixtureKind.Range => (30, 26),
            FixtureKind.Refrigerator => (36, 30),
            FixtureKind.Dishwasher => (24, 24),
            FixtureKind.Washer or FixtureKind.Dryer => (28, 30),
            FixtureKind.Tub => (60, 30),
            FixtureKind.Shower => (36, 36),
            FixtureKind.Vanity => (36, 21),
            FixtureKind.Toilet => (20, 28),
            FixtureKind.Bed => (60, 80),
            FixtureKind.Table or FixtureKind.Bench => (60, 30),
            FixtureKind.Shelf => (60, 14),
            FixtureKind.Stair => (36, 120),
            FixtureKind.WaterHeater or FixtureKind.AirHandler => (22, 22),
            FixtureKind.SaunaHeater => (16, 14),
            FixtureKind.Sofa => (84, 36),
            FixtureKind.Fireplace => (60, 20),
            _ => (24, 24),
        };
        return (Length.FromInches(w), Length.FromInches(d));
    }

    private static Length Or(string? text, Length usual) => string.IsNullOrWhiteSpace(text) ? usual : Length.Parse(text);
}

/// <summary>An obstruction as typed.</summary>
public sealed record ObstructionFields
{
    /// <summary>What it is.</summary>
    public string? Name { get; init; }

    /// <summary>Kind.</summary>
    public string Kind { get; init; } = "";

    /// <summary>North-west corner on the plan, east.</summary>
    public string X { get; init; } = "";

    /// <summary>And south.</summary>
    public string Y { get; init; } = "";

    /// <summary>East to west.</summary>
    public string Width { get; init; } = "";

    /// <summary>North to south.</summary>
    public string Depth { get; init; } = "";

    /// <summary>The obstruction.</summary>
    /// <exception cref="FormatException">A field cannot be read; the message quotes it.</exception>
    public Obstruction Read()
    {
        var kind = Entry.Choice<ObstructionKind>(Kind);
        var words = Words.Of(kind);
        return new(string.IsNullOrWhiteSpace(Name) ? char.ToUpperInvariant(words[0]) + words[1..] : Name.Trim(), kind, new(Length.Parse(X), Length.Parse(Y)), Length.Parse(Width), Length.Parse(Depth));
    }
}

/// <summary>A level as typed.</summary>
public sealed record LevelFields
{
    /// <summary>Its id.</summary>
    public string Level { get; init; } = "";

    /// <summary>Name.</summary>
    public string? Name { get; init; }

    /// <summary>Floor to ceiling.</summary>
    public string CeilingHeight { get; init; } = "";

    /// <summary>Direction of the ceiling's joists.</summary>
    public string Run { get; init; } = "";

    /// <summary>Their spacing.</summary>
    public string Spacing { get; init; } = "";

    /// <summary>Their depth.</summary>
    public string JoistDepth { get; init; } = "";

    /// <summary>Direction of the floor's joists; empty on a slab.</summary>
    public string? FloorRun { get; init; }

    /// <summary>Their spacing.</summary>
    public string? FloorSpacing { get; init; }

    /// <summary>Their depth.</summary>
    public string? FloorDepth { get; init; }

    /// <summary>An attic is above.</summary>
    public bool Attic { get; init; }

    /// <summary>Ambient above.</summary>
    public string Above { get; init; } = "";

    /// <summary>Ambient below.</summary>
    public string? Below { get; init; }

    /// <summary>The change.</summary>
    /// <exception cref="FormatException">A field cannot be read; the message quotes it.</exception>
    public JobChange Read(Job job) => new SetLevel(new(Level), Name ?? "", Length.Parse(CeilingHeight), new(Entry.Choice<JoistRun>(Run), Length.Parse(Spacing), Length.Parse(JoistDepth)),
        string.IsNullOrEmpty(FloorRun) ? null : new(Entry.Choice<JoistRun>(FloorRun), Length.Parse(FloorSpacing ?? ""), Length.Parse(FloorDepth ?? "")), Attic, Entry.Celsius(Above), string.IsNullOrWhiteSpace(Below) ? new(30) : Entry.Celsius(Below));
}

/// <summary>A panel as typed.</summary>
public sealed record PanelFields
{
    /// <summary>Its letter.</summary>
    public string? Id { get; init; }

    /// <summary>The wall it hangs on: room and number.</summary>
    public string Wall { get; init; } = "";

    /// <summary>Corner to its middle.</summary>
    public string Offset { get; init; } = "";

    /// <summary>Floor to its top.</summary>
    public string Top { get; init; } = "6-0";

    /// <summary>Main or bus.</summary>
    public string Rating { get; init; } = "";

    /// <summary>Full-size spaces.</summary>
    public string Spaces { get; init; } = "";

    /// <summary>The panel that feeds it; empty for the service.</summary>
    public string? FedFrom { get; init; }

    /// <summary>It stands there already.</summary>
    public bool Existing { get; init; }

    /// <summary>The panel.</summary>
    /// <exception cref="FormatException">A field cannot be read; the message quotes it.</exception>
    public Panel Read()
    {
        var (room, number) = HouseEntry.Numbered(Wall);
        return new()
        {
            Id = new((Id ?? "").Trim()), Room = new(room), Wall = number, Offset = Length.Parse(Offset), Top = Length.Parse(Top), Rating = Entry.Amps(Rating), Spaces = Entry.Count(Spaces),
            FedFrom = string.IsNullOrEmpty(FedFrom) ? null : new PanelId(FedFrom), Existing = Existing,
        };
    }
}

/// <summary>A nameplate as typed.</summary>
public sealed record PlateFields
{
    /// <summary>What it is.</summary>
    public string Appliance { get; init; } = "";

    /// <summary>As people call it.</summary>
    public string? Name { get; init; }

    /// <summary>120 or 240.</summary>
    public string Volts { get; init; } = "";

    /// <summary>VA, kW, or amperes at its volts.</summary>
    public string Load { get; init; } = "";

    /// <summary>Three hours or more.</summary>
    public bool Continuous { get; init; }

    /// <summary>Cord and plug.</summary>
    public bool Cord { get; init; }

    /// <summary>A motor.</summary>
    public bool Motor { get; init; }

    /// <summary>A circuit of its own by instruction.</summary>
    public bool Individual { get; init; }

    /// <summary>Needs a neutral.</summary>
    public bool Neutral { get; init; }

    /// <summary>Minimum circuit ampacity.</summary>
    public string? Mca { get; init; }

    /// <summary>Largest device.</summary>
    public string? Mocp { get; init; }

    /// <summary>The plate.</summary>
    /// <exception cref="FormatException">A field cannot be read; the message quotes it.</exception>
    public Nameplate Read()
    {
        var volts = Entry.Count(Volts);
        return new()
        {
            Appliance = Entry.Choice<Appliance>(Appliance), Name = (Name ?? "").Trim(), Volts = new(volts),
            Load = Load.Trim().EndsWith('A') && !Load.Trim().EndsWith("VA", StringComparison.OrdinalIgnoreCase) ? new(Entry.Amps(Load).Value * volts) : Entry.VoltAmps(Load),
            Continuous = Continuous, Cord = Cord, Motor = Motor, Individual = Individual, Neutral = Neutral,
            Mca = string.IsNullOrWhiteSpace(Mca) ? null : Entry.Amps(Mca), Mocp = string.IsNullOrWhiteSpace(Mocp) ? null : Entry.Amps(Mocp),
        };
    }
}
