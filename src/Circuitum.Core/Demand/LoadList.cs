using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Demand;

/// <summary>How the methods take an appliance.</summary>
public enum LoadKind
{
    /// <summary>Fastened in place: dishwasher, water heater, pump.</summary>
    Fixed,

    /// <summary>Plugged in, on a circuit of its own: freezer, microwave, welder.</summary>
    Specific,

    /// <summary>Household cooking of more than 1-3/4 kW.</summary>
    Cooking,

    /// <summary>Household dryer.</summary>
    Dryer,

    /// <summary>Electric space heating.</summary>
    SpaceHeat,

    /// <summary>Heat pump.</summary>
    HeatPump,

    /// <summary>Electric heat that helps a heat pump.</summary>
    Supplement,

    /// <summary>Air conditioning.</summary>
    Cooling,

    /// <summary>Vehicle charging.</summary>
    Vehicle,

    /// <summary>What an outbuilding's feeder carries.</summary>
    Outbuilding,
}

/// <summary>One thing that a service carries.</summary>
/// <param name="Name">As people call it.</param>
/// <param name="Kind">How the methods take it.</param>
/// <param name="Load">Its nameplate.</param>
public sealed record ListedLoad(string Name, LoadKind Kind, VoltAmps Load)
{
    /// <summary>Driven by a motor.</summary>
    public bool Motor { get; init; }

    /// <summary>It cooks: a small one counts with what is fixed, and not towards four.</summary>
    public bool Cooks { get; init; }

    /// <summary>It is fixed electric heating, a sauna's: its circuit is at 125 per cent for that, and so it is not one of the four at 75
    /// (220.53 leaves heating out).</summary>
    public bool Heats { get; init; }

    /// <summary>It heats water while it runs, or the water of a pool or a tub: it takes all of its rating whenever it is wanted.</summary>
    public bool WaterAtOnce { get; init; }

    /// <summary>Between one leg and the neutral.</summary>
    public bool OneLeg { get; init; }

    /// <summary>Its neutral carries current: 120 V, or 240 V with a neutral.</summary>
    public bool Neutral { get; init; }
}

/// <summary>Everything that a dwelling's service carries, as both methods begin with it.</summary>
public sealed record LoadList
{
    /// <summary>Floor area by outside dimensions.</summary>
    public required SquareFeet Area { get; init; }

    /// <summary>What of it lies in a basement.</summary>
    public SquareFeet Basement { get; init; }

    /// <summary>Small-appliance circuits that are counted (220.52(A)).</summary>
    public int SmallApplianceCircuits { get; init; } = 2;

    /// <summary>Laundry circuits (220.52(B)).</summary>
    public int LaundryCircuits { get; init; } = 1;

    /// <summary>Appliances and equipment.</summary>
    public ImmutableArray<ListedLoad> Loads { get; init; } = [];

    /// <summary>Separately controlled space heaters, 1 or more (220.82(C)).</summary>
    public int HeatingControls { get; init; } = 1;

    /// <summary>Allowed for what may come.</summary>
    public VoltAmps Future { get; init; }

    /// <summary>Loads of one kind.</summary>
    public IEnumerable<ListedLoad> Of(LoadKind kind) => Loads.Where(l => l.Kind == kind);

    /// <summary>All electric heat: space heaters, and heat pumps with what helps them.</summary>
    public VoltAmps Heating => Sum(LoadKind.SpaceHeat) + Sum(LoadKind.HeatPump) + Sum(LoadKind.Supplement);

    /// <summary>All cooling: a heat pump cools as well.</summary>
    public VoltAmps Cooling => Sum(LoadKind.Cooling) + Sum(LoadKind.HeatPump);

    /// <summary>Sum of one kind.</summary>
    public VoltAmps Sum(LoadKind kind) => Of(kind).Select(l => l.Load).Total();
}
