using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>What stands at a point.</summary>
public enum PointKind
{
    /// <summary>A lamp.</summary>
    Lamp,

    /// <summary>A lamp of light-emitting diodes.</summary>
    Led,

    /// <summary>A strip of light, at its rating.</summary>
    Strip,

    /// <summary>A chandelier.</summary>
    Chandelier,

    /// <summary>A socket for one plug of 13 A.</summary>
    Socket,

    /// <summary>A socket for two.</summary>
    TwinSocket,

    /// <summary>A socket of 15 A, alone on its radial.</summary>
    Socket15,

    /// <summary>A cooker.</summary>
    Cooker,

    /// <summary>A water heater.</summary>
    WaterHeater,

    /// <summary>A cooling unit in two parts.</summary>
    SplitUnit,

    /// <summary>Other equipment that is connected for good: a pump, a gate.</summary>
    Fixed,
}

/// <summary>One point of a room.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Name">As it is called: lamp, garden pump.</param>
/// <param name="Watts">What it draws, 1 W to 50 kW.</param>
/// <param name="Assumed">The watts are the method's own for its kind, not typed.</param>
/// <param name="ThreePhase">It takes all three phases.</param>
public sealed record BriefPoint(PointKind Kind, string Name, Watts Watts, bool Assumed, bool ThreePhase)
{
    /// <summary>Where it stands, of a house that is drawn; null in a list that was typed.</summary>
    public Place? At { get; init; }

    /// <summary>Its box there.</summary>
    public BoxId? Box { get; init; }

    /// <summary>To the nearest edge of a bath or shower of its room; null in a room without one, and in a list that was typed.</summary>
    public Length? OffBath { get; init; }
}

/// <summary>A room with its points.</summary>
/// <param name="Name">Its name; one of a kind.</param>
/// <param name="FromBoard">Conduit from the board to its first point, as it lies.</param>
/// <param name="Outdoors">It faces the weather: a garden.</param>
/// <param name="Points">In the order in which a conduit passes them.</param>
public sealed record BriefRoom(string Name, Length FromBoard, bool Outdoors, ImmutableArray<BriefPoint> Points)
{
    /// <summary>Number of its storey: no circuit goes on from one to another. In a list that was typed all are one.</summary>
    public int Storey { get; init; }

    /// <summary>Which of the places where boards stand feeds it, from 0.</summary>
    public int Board { get; init; }
}

/// <summary>Where boards of a drawn house stand.</summary>
/// <param name="Id">As it is called on the plan.</param>
/// <param name="Room">The room.</param>
/// <param name="At">The place.</param>
public sealed record BoardStand(string Id, string Room, Place At);

/// <summary>A switch of a house that is drawn.</summary>
/// <param name="At">Where it stands.</param>
/// <param name="Name">As its box is called.</param>
/// <param name="Gangs">The lamps that each of its gangs works.</param>
/// <param name="TwoWay">Gangs of it that work together with another switch.</param>
public sealed record BriefSwitch(Place At, string Name, ImmutableArray<ImmutableArray<BoxId>> Gangs, int TwoWay);

/// <summary>What a board is planned from: the points of the rooms, and how they are fed.</summary>
public sealed record BoardBrief
{
    /// <summary>What the work is called.</summary>
    public required string Name { get; init; }

    /// <summary>The rooms, as a person walks through them: neighbors stand beside each other.</summary>
    public required ImmutableArray<BriefRoom> Rooms { get; init; }

    /// <summary>How it is fed.</summary>
    public MetricFeed Fed { get; init; } = new();

    /// <summary>Conduit from a point to the next one in a room.</summary>
    public Length Apart { get; init; } = Length.FromMetres(4);

    /// <summary>Where the board stands, in words; empty where nobody said.</summary>
    public string BoardPlace { get; init; } = "";

    /// <summary>Where boards stand in a house that is drawn, the one that feeds the others first; none in a list that was
    /// typed.</summary>
    public ImmutableArray<BoardStand> Stands { get; init; } = [];

    /// <summary>Ways of conduit, where the house is drawn: each length is then measured along them.</summary>
    public ConduitWays? Ways { get; init; }

    /// <summary>Switches, where the house is drawn.</summary>
    public ImmutableArray<BriefSwitch> Switches { get; init; } = [];
}
