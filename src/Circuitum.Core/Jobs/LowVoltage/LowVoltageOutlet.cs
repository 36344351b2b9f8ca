using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>An outlet of low voltage: it has a ring and a cable of its own, and is never on a circuit.</summary>
public sealed record LowVoltageOutlet
{
    /// <summary>Stable id.</summary>
    public required Id<LowVoltageOutlet> Id { get; init; }

    /// <summary>What it is for.</summary>
    public required LowVoltageKind Kind { get; init; }

    /// <summary>As people call it, at most 40 characters; its room and kind when null.</summary>
    public string? Name { get; init; }

    /// <summary>The room it belongs to.</summary>
    public required RoomId Room { get; init; }

    /// <summary>What it is fastened to.</summary>
    public Mount Mount { get; init; }

    /// <summary>Wall number of the room, from 1, on a wall.</summary>
    public int Wall { get; init; }

    /// <summary>Inside corner at the wall's start to its centre.</summary>
    public Length Offset { get; init; }

    /// <summary>Floor to the ring's bottom; usual for its kind when null.</summary>
    public Length? Height { get; init; }

    /// <summary>True when it faces the weather on an exterior wall.</summary>
    public bool Outside { get; init; }

    /// <summary>East of the room's north-west inside corner, for ceiling and floor.</summary>
    public Length X { get; init; }

    /// <summary>South of the room's north-west inside corner, for ceiling and floor.</summary>
    public Length Y { get; init; }

    /// <summary>Cables pulled to it, 1 to 8.</summary>
    public int Cables { get; init; } = 1;

    /// <summary>Where it goes home to; the nearest when null.</summary>
    public Id<LowVoltageHome>? Home { get; init; }

    /// <summary>What it is called: its name, or its room and kind.</summary>
    /// <param name="room">Its room; null where that is not in the house.</param>
    public string Called(Room? room) => Name ?? $"{room?.Name} {Words.Of(Kind)}".Trim();
}

/// <summary>What an outlet of low voltage is for.</summary>
public enum LowVoltageKind
{
    /// <summary>Data: a network jack or a wireless access point.</summary>
    Data,

    /// <summary>Optical fibre.</summary>
    Fibre,

    /// <summary>Coaxial cable for a screen or an antenna.</summary>
    Coax,

    /// <summary>Speaker.</summary>
    Speaker,

    /// <summary>Button of a doorbell.</summary>
    Doorbell,

    /// <summary>Thermostat.</summary>
    Thermostat,

    /// <summary>Contact of an intruder alarm, at a door or a window.</summary>
    AlarmContact,

    /// <summary>Camera.</summary>
    Camera,

    /// <summary>An empty chase with a pull cord, behind a screen on a wall.</summary>
    EmptyChase,
}

/// <summary>The place that low voltage goes home to.</summary>
public sealed record LowVoltageHome
{
    /// <summary>Stable id.</summary>
    public required Id<LowVoltageHome> Id { get; init; }

    /// <summary>What it is.</summary>
    public LowVoltageHomeKind Kind { get; init; }

    /// <summary>The room it stands in.</summary>
    public required RoomId Room { get; init; }

    /// <summary>Wall number of the room, from 1.</summary>
    public required int Wall { get; init; }

    /// <summary>Inside corner at the wall's start to its centre.</summary>
    public required Length Offset { get; init; }

    /// <summary>Floor to its top, where cable enters it, 1 to 8 ft.</summary>
    public Length Top { get; init; } = Length.FromInches(66);
}

/// <summary>What low voltage goes home to.</summary>
public enum LowVoltageHomeKind
{
    /// <summary>A flush cabinet between two studs.</summary>
    Can,

    /// <summary>A board or a shelf.</summary>
    Shelf,
}
