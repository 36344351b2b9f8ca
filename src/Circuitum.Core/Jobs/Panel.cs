using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>A board on a wall.</summary>
public sealed record Panel
{
    /// <summary>Stable id, one or two capital letters or digits: A, G.</summary>
    public required PanelId Id { get; init; }

    /// <summary>The room it faces.</summary>
    public required RoomId Room { get; init; }

    /// <summary>Wall number of the room, from 1.</summary>
    public required int Wall { get; init; }

    /// <summary>Inside corner at the wall's start to the panel's centre.</summary>
    public required Length Offset { get; init; }

    /// <summary>Floor to its top, usually about 6 ft.</summary>
    public Length Top { get; init; } = Length.FromFeet(6);

    /// <summary>Main breaker or bus, 60 to 400 A.</summary>
    public required Amps Rating { get; init; }

    /// <summary>Full-size spaces, 4 to 84, even.</summary>
    public required int Spaces { get; init; }

    /// <summary>True for one that stands there already.</summary>
    public bool Existing { get; init; }

    /// <summary>The panel that feeds it; null for the one on the service.</summary>
    public PanelId? FedFrom { get; init; }
}
