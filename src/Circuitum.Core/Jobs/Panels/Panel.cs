using System.Collections.Immutable;
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

    /// <summary>True when it is fed from the feed-through lugs of the panel that feeds it, behind that panel's main, without a breaker of
    /// its own.</summary>
    public bool ByLugs { get; init; }

    /// <summary>What its label and its cabinet say.</summary>
    public PanelListing Listing { get; init; } = new();

    /// <summary>Breakers that stand in it already and stay.</summary>
    public ImmutableArray<TakenSpace> Taken { get; init; } = [];
}

/// <summary>What a panel's label says. What is null was not read off it yet, and is not reckoned with.</summary>
public sealed record PanelListing
{
    /// <summary>The line of breakers that the label lists, at most 30 characters (110.3(B)).</summary>
    public string? Family { get; init; }

    /// <summary>True for main lugs without a main breaker.</summary>
    public bool MainLugs { get; init; }

    /// <summary>Lugs that feed on to another panel at the far end of the bus.</summary>
    public bool FeedThrough { get; init; }

    /// <summary>Circuits by the label, poles counted: 4 to 168, at least its spaces; null for one to a space (408.54).</summary>
    public int? Circuits { get; init; }

    /// <summary>Spaces where the label lists tandem breakers.</summary>
    public ImmutableArray<int> TandemSpaces { get; init; } = [];

    /// <summary>Neutral and ground as they were found: bonded, apart, or, null, as planned: bonded at the service and nowhere else
    /// (250.24(A)(5)).</summary>
    public bool? Bonded { get; init; }

    /// <summary>Rating of the bus, 30 to 400 A, where it is not the main's.</summary>
    public Amps? Bus { get; init; }

    /// <summary>Terminals of the neutral bar, 2 to 120.</summary>
    public int? NeutralTerminals { get; init; }

    /// <summary>Terminals of the ground bar, kits among them, 2 to 120.</summary>
    public int? GroundTerminals { get; init; }

    /// <summary>Small grounds (14 to 10 AWG) that the bar's label allows under one screw, 1 to 3.</summary>
    public int GroundsUnderScrew { get; init; } = 1;

    /// <summary>Knockouts for cable, 1 to 80.</summary>
    public int? Knockouts { get; init; }

    /// <summary>Torque of the lugs as marked on the equipment, at most 40 characters; never worked out (110.14(D)).</summary>
    public string? LugTorque { get; init; }

    /// <summary>Torque of breaker terminals as marked.</summary>
    public string? BreakerTorque { get; init; }

    /// <summary>Torque of the bars' terminals as marked.</summary>
    public string? BarTorque { get; init; }
}

/// <summary>A breaker that stands in a panel already.</summary>
/// <param name="Space">The upper space it takes, or half of one.</param>
/// <param name="Poles">1 or 2; half a space takes one.</param>
/// <param name="Rating">Its rating.</param>
/// <param name="Description">What it feeds, at most 56 characters.</param>
/// <param name="Load">What it carries by survey, 0 to 50,000 VA.</param>
public sealed record TakenSpace(PanelSpace Space, int Poles, Amps Rating, string Description, VoltAmps Load)
{
    /// <summary>How the methods of load take it (220.83).</summary>
    public TakenUse Use { get; init; }

    /// <summary>Spaces it takes.</summary>
    public IEnumerable<PanelSpace> Spaces => Space.Taking(Poles);
}

/// <summary>What a breaker that stood there before feeds, as the methods of load take it.</summary>
public enum TakenUse
{
    /// <summary>Lights and receptacles: they are in the floor area.</summary>
    General,

    /// <summary>A small-appliance circuit: 1500 VA.</summary>
    SmallAppliance,

    /// <summary>A laundry circuit: 1500 VA.</summary>
    Laundry,

    /// <summary>Fastened in place.</summary>
    Fixed,

    /// <summary>Household cooking.</summary>
    Cooking,

    /// <summary>Household dryer.</summary>
    Dryer,

    /// <summary>Electric space heating.</summary>
    SpaceHeat,

    /// <summary>Heat pump.</summary>
    HeatPump,

    /// <summary>Air conditioning.</summary>
    Cooling,

    /// <summary>Vehicle charging.</summary>
    Vehicle,
}
