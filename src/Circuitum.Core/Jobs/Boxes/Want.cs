using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>Something that will stand at a wall and be plugged in: it wants a receptacle behind it, and maybe a circuit.</summary>
public sealed record Want
{
    /// <summary>Stable id.</summary>
    public required Id<Want> Id { get; init; }

    /// <summary>What it is.</summary>
    public required WantKind Kind { get; init; }

    /// <summary>As people call it, at most 40 characters; the kind when null.</summary>
    public string? Name { get; init; }

    /// <summary>The room it stands in.</summary>
    public required RoomId Room { get; init; }

    /// <summary>Wall number of the room, from 1.</summary>
    public required int Wall { get; init; }

    /// <summary>Inside corner to its near end, along the wall.</summary>
    public required Length Offset { get; init; }

    /// <summary>Along the wall, 1 in to 20 ft.</summary>
    public required Length Width { get; init; }

    /// <summary>True when it should have a circuit of its own.</summary>
    public bool Individual { get; init; }

    /// <summary>What it is called.</summary>
    public string Called => Name ?? Words.Of(Kind);
}

/// <summary>What people plug in where they stand it.</summary>
public enum WantKind
{
    /// <summary>Bed with lamps at its sides.</summary>
    Bed,

    /// <summary>Desk.</summary>
    Desk,

    /// <summary>Television.</summary>
    Television,

    /// <summary>Freezer.</summary>
    Freezer,

    /// <summary>Treadmill.</summary>
    Treadmill,

    /// <summary>Workbench tool.</summary>
    Tool,

    /// <summary>Sewing, charging, a lamp, an aquarium: anything else.</summary>
    Other,
}
