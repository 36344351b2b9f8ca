using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>What kind of branch circuit the rules take it for.</summary>
public enum CircuitKind
{
    /// <summary>One piece of equipment.</summary>
    Individual,

    /// <summary>Dishwasher and disposer.</summary>
    DishwasherAndDisposer,

    /// <summary>Small-appliance, 210.11(C)(1).</summary>
    SmallAppliance,

    /// <summary>Laundry, 210.11(C)(2).</summary>
    Laundry,

    /// <summary>Bathroom, 210.11(C)(3).</summary>
    Bathroom,

    /// <summary>Garage, 210.11(C)(4).</summary>
    Garage,

    /// <summary>Outdoor receptacles.</summary>
    Outdoor,

    /// <summary>General receptacles.</summary>
    Receptacles,

    /// <summary>Lighting and alarms.</summary>
    Lighting,

    /// <summary>Lights and receptacles together.</summary>
    General,

    /// <summary>The supply of another panel.</summary>
    Feeder,
}

/// <summary>What shares a breaker.</summary>
public sealed record Circuit
{
    /// <summary>Key that pins refer to.</summary>
    public required CircuitKey Key { get; init; }

    /// <summary>Kind.</summary>
    public required CircuitKind Kind { get; init; }

    /// <summary>The panel that feeds it.</summary>
    public required PanelId Panel { get; init; }

    /// <summary>Its boxes by id; empty for a feeder.</summary>
    public required ImmutableArray<BoxId> Boxes { get; init; }

    /// <summary>Rating by kind, before conductors are sized; null where a nameplate decides.</summary>
    public Amps? UsualRating { get; init; }

    /// <summary>The panel a feeder supplies.</summary>
    public PanelId? Feeds { get; init; }

    /// <summary>True for a feeder on feed-through lugs: it takes no space and no breaker.</summary>
    public bool ByLugs { get; init; }

    /// <summary>The circuit on the other leg that it shares its neutral with: the two are one multiwire circuit (210.4).</summary>
    public CircuitKey? SharesNeutralWith { get; init; }

    /// <summary>The circuit that goes the same way and may share a cable with it as far as the first box.</summary>
    public CircuitKey? GoesWith { get; init; }

    /// <summary>How the two are brought there; of no meaning without <see cref="GoesWith"/>.</summary>
    public TwoCircuits GoesAs { get; init; }

    /// <summary>What it carries.</summary>
    public required CircuitLoad Load { get; init; }

    /// <summary>Why these boxes are together.</summary>
    public required Because Why { get; init; }

    /// <summary>Two hots and no neutral load count as two poles.</summary>
    public int Poles => Load.Poles;

    /// <summary>True for the circuit of a generator's inlet: it carries nothing, and brings what it is rated for.</summary>
    public bool BringsPower => Kind == CircuitKind.Individual && Load.Items.IsEmpty;

    /// <summary>True for circuits that 210.11(A) counts as general.</summary>
    public bool IsGeneral => Kind is CircuitKind.Receptacles or CircuitKind.Lighting or CircuitKind.General;
}
