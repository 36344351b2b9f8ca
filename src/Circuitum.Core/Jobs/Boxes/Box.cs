using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>A box and what is in it.</summary>
public sealed record Box
{
    /// <summary>Stable id.</summary>
    public required BoxId Id { get; init; }

    /// <summary>Name on labels; written from the room when null.</summary>
    public string? Name { get; init; }

    /// <summary>The room it belongs to.</summary>
    public required RoomId Room { get; init; }

    /// <summary>What it is fastened to.</summary>
    public Mount Mount { get; init; }

    /// <summary>Wall number of the room, from 1, for a box on a wall.</summary>
    public int Wall { get; init; }

    /// <summary>Inside corner at the wall's start to the box's centre.</summary>
    public Length Offset { get; init; }

    /// <summary>Floor to the box's bottom; the crew's height for its kind when null.</summary>
    public Length? Height { get; init; }

    /// <summary>True when it faces the weather on an exterior wall.</summary>
    public bool Outside { get; init; }

    /// <summary>For equipment outdoors that stands on a pad: from the wall to the pad, 0 to 10 ft; null where it hangs on the
    /// wall.</summary>
    public Length? OnPad { get; init; }

    /// <summary>East of the room's north-west inside corner, for ceiling and floor.</summary>
    public Length X { get; init; }

    /// <summary>South of the room's north-west inside corner, for ceiling and floor.</summary>
    public Length Y { get; init; }

    /// <summary>True when its receptacle serves a counter or an island.</summary>
    public bool ServesCounter { get; init; }

    /// <summary>How it is made; as the crew makes them when null.</summary>
    public BoxMake? Make { get; init; }

    /// <summary>Stamped volume; the smallest usual box when null.</summary>
    public CubicInches? Volume { get; init; }

    /// <summary>Devices, left to right; at least one, at most six.</summary>
    public required ImmutableArray<Device> Devices { get; init; }
}

/// <summary>What a box is fastened to.</summary>
public enum Mount
{
    /// <summary>A stud.</summary>
    Wall,

    /// <summary>The ceiling.</summary>
    Ceiling,

    /// <summary>The floor.</summary>
    Floor,
}

/// <summary>One device or piece of equipment in a box.</summary>
public sealed record Device
{
    /// <summary>Kind.</summary>
    public required DeviceKind Kind { get; init; }

    /// <summary>Connected load of a lamp or fan; a typical one is assumed when null.</summary>
    public VoltAmps? Load { get; init; }

    /// <summary>Boxes whose lamps or fans this switch works; for an outdoor unit the boxes of its indoor heads.</summary>
    public ImmutableArray<BoxId> Controls { get; init; } = [];

    /// <summary>Nameplate of the equipment plugged in or wired here.</summary>
    public Nameplate? Plate { get; init; }

    /// <summary>Rating of a 125 V receptacle, 15 or 20 A; 15 A as usual when null (210.21(B)).</summary>
    public Amps? Rating { get; init; }

    /// <summary>For a GFCI receptacle: true when the boxes beyond hang on its load terminals.</summary>
    public bool FeedsLoadSide { get; init; }
}

/// <summary>Devices that the rules know.</summary>
public enum DeviceKind
{
    /// <summary>Duplex receptacle, 125 V.</summary>
    Duplex,

    /// <summary>Single receptacle, 125 V.</summary>
    Single,

    /// <summary>GFCI receptacle, 125 V.</summary>
    GfciReceptacle,

    /// <summary>Receptacle of 250 V for one appliance.</summary>
    ApplianceReceptacle,

    /// <summary>Single-pole switch.</summary>
    Switch,

    /// <summary>Dimmer, single-pole.</summary>
    Dimmer,

    /// <summary>Three-way switch.</summary>
    ThreeWay,

    /// <summary>Four-way switch.</summary>
    FourWay,

    /// <summary>Surface lamp on a ceiling or wall.</summary>
    Lamp,

    /// <summary>Recessed can.</summary>
    Can,

    /// <summary>Pendant.</summary>
    Pendant,

    /// <summary>Light over a mirror.</summary>
    VanityLight,

    /// <summary>Closet light.</summary>
    ClosetLight,

    /// <summary>Outdoor light.</summary>
    OutdoorLight,

    /// <summary>Paddle fan with its light.</summary>
    CeilingFan,

    /// <summary>Exhaust fan.</summary>
    BathFan,

    /// <summary>Smoke alarm, interconnected.</summary>
    SmokeAlarm,

    /// <summary>Equipment wired directly.</summary>
    Equipment,

    /// <summary>Duplex receptacle with one half switched.</summary>
    HalfSwitched,

    /// <summary>AFCI receptacle, 125 V.</summary>
    AfciReceptacle,

    /// <summary>Timer switch.</summary>
    Timer,

    /// <summary>Fan speed control.</summary>
    FanControl,

    /// <summary>Occupancy sensor.</summary>
    OccupancySensor,

    /// <summary>Strip light.</summary>
    Strip,

    /// <summary>Floodlight.</summary>
    Flood,

    /// <summary>Smoke and carbon monoxide alarm, interconnected.</summary>
    SmokeCoAlarm,

    /// <summary>Disconnect within sight of the equipment it controls.</summary>
    Disconnect,

    /// <summary>Indoor head of equipment in two parts: a cable comes back to it from the outdoor unit.</summary>
    IndoorHead,

    /// <summary>Nothing but joints under a blank cover, where one cable goes on as another.</summary>
    JointBox,
}

/// <summary>What the plate on a piece of equipment says.</summary>
public sealed record Nameplate
{
    /// <summary>What it is.</summary>
    public required Appliance Appliance { get; init; }

    /// <summary>As people call it.</summary>
    public required string Name { get; init; }

    /// <summary>120 or 240.</summary>
    public required Volts Volts { get; init; }

    /// <summary>Rated load, 1 to 50,000 VA.</summary>
    public required VoltAmps Load { get; init; }

    /// <summary>Runs three hours or more at full load.</summary>
    public bool Continuous { get; init; }

    /// <summary>Cord and plug.</summary>
    public bool Cord { get; init; }

    /// <summary>Driven by a motor.</summary>
    public bool Motor { get; init; }

    /// <summary>The instructions ask for an individual branch circuit.</summary>
    public bool Individual { get; init; }

    /// <summary>Needs a neutral as well as both legs.</summary>
    public bool Neutral { get; init; }

    /// <summary>A disconnect or a breaker is built into it, so that none is owed beside it.</summary>
    public bool OwnDisconnect { get; init; }

    /// <summary>Typical figures that stand until the plate itself is read.</summary>
    public bool Assumed { get; init; }

    /// <summary>The breaker that plate or instructions ask for by number, 15 to 400 A; null where they give MCA and MOCP or none.</summary>
    public Amps? Breaker { get; init; }

    /// <summary>Minimum circuit ampacity, where the plate gives one (440).</summary>
    public Amps? Mca { get; init; }

    /// <summary>Largest overcurrent device, where the plate gives one (440).</summary>
    public Amps? Mocp { get; init; }
}

/// <summary>Equipment that rules name.</summary>
public enum Appliance
{
    /// <summary>Anything else.</summary>
    Other,

    /// <summary>Household range.</summary>
    Range,

    /// <summary>Cooktop.</summary>
    Cooktop,

    /// <summary>Wall oven.</summary>
    Oven,

    /// <summary>Microwave.</summary>
    Microwave,

    /// <summary>Range hood.</summary>
    RangeHood,

    /// <summary>Refrigerator.</summary>
    Refrigerator,

    /// <summary>Freezer.</summary>
    Freezer,

    /// <summary>Dishwasher.</summary>
    Dishwasher,

    /// <summary>Waste disposer.</summary>
    Disposer,

    /// <summary>Washer.</summary>
    Washer,

    /// <summary>Dryer.</summary>
    Dryer,

    /// <summary>Storage water heater.</summary>
    WaterHeater,

    /// <summary>Outdoor unit of a heat pump or air conditioner.</summary>
    HeatPump,

    /// <summary>Central heating: air handler or furnace.</summary>
    AirHandler,

    /// <summary>Vehicle charging equipment.</summary>
    VehicleCharger,

    /// <summary>Sauna heater.</summary>
    SaunaHeater,

    /// <summary>Fixed electric space heating.</summary>
    SpaceHeater,

    /// <summary>Pump.</summary>
    Pump,

    /// <summary>Sump pump.</summary>
    SumpPump,

    /// <summary>Fan or vent motor.</summary>
    Fan,

    /// <summary>Garage-door opener.</summary>
    DoorOpener,

    /// <summary>Heating cable in a floor, with its thermostat.</summary>
    FloorHeating,

    /// <summary>Bath tub with pumps of its own.</summary>
    HydromassageTub,

    /// <summary>Heater of water while it runs, without a tank.</summary>
    TanklessHeater,

    /// <summary>Hot tub in one piece with its heater.</summary>
    HotTub,

    /// <summary>Inlet for a generator: it brings power, and takes none.</summary>
    GeneratorInlet,

    /// <summary>Inverter of solar panels or batteries: it brings power for hours; its load is its output.</summary>
    SolarInverter,
}
