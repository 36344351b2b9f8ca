namespace Circuitum.Core.Jobs;

/// <summary>Lights and receptacles: together or apart.</summary>
public enum LightsAndReceptacles
{
    /// <summary>Lights 15 A on 14, receptacles 20 A on 12.</summary>
    Apart,

    /// <summary>Apart, with bedroom receptacles 15 A on 14.</summary>
    ApartBedrooms15,

    /// <summary>Together, room by room.</summary>
    Together,
}

/// <summary>Bedrooms on one circuit or each its own.</summary>
public enum BedroomSharing
{
    /// <summary>Neighbours may share up to the cap.</summary>
    NeighboursShare,

    /// <summary>One circuit each.</summary>
    OneEach,
}

/// <summary>Kitchen lights and the dishwasher: apart, or on one circuit.</summary>
public enum KitchenLights
{
    /// <summary>Not with the dishwasher.</summary>
    Apart,

    /// <summary>With the dishwasher while the half-rating rule of 210.23 holds.</summary>
    WithDishwasher,
}

/// <summary>Dishwasher and disposer on one circuit or two.</summary>
public enum DishwasherAndDisposer
{
    /// <summary>One circuit where the sum fits and neither instruction forbids it.</summary>
    OneWhereItFits,

    /// <summary>One each.</summary>
    OneEach,
}

/// <summary>What a disposer is worked by.</summary>
public enum DisposerSwitch
{
    /// <summary>A wall switch over the counter.</summary>
    OnTheWall,

    /// <summary>A button on the sink, of air or radio, or its own cover: no box.</summary>
    OnTheSink,
}

/// <summary>Whether a dishwasher runs three hours or more at full load.</summary>
public enum DishwasherRun
{
    /// <summary>Not continuous.</summary>
    NotContinuous,

    /// <summary>Continuous: long programmes.</summary>
    Continuous,
}

/// <summary>The quarter of the largest motor where it shares a circuit with other loads.</summary>
public enum MotorQuarter
{
    /// <summary>Added, as the book reads.</summary>
    Added,

    /// <summary>Left out, as many inspectors read it.</summary>
    LeftOut,
}

/// <summary>The refrigerator on a small-appliance circuit or alone.</summary>
public enum RefrigeratorCircuit
{
    /// <summary>On a small-appliance circuit, 210.52(B)(1).</summary>
    OnSmallAppliance,

    /// <summary>Its own circuit, 210.52(B)(1) exception 2.</summary>
    Alone,
}

/// <summary>Bathroom receptacles shared or not.</summary>
public enum BathReceptacles
{
    /// <summary>Baths may share one 20 A circuit.</summary>
    MayShare,

    /// <summary>One circuit for each bathroom's receptacles.</summary>
    OneEach,

    /// <summary>One 20 A circuit for each bathroom, its light and fan with it: 210.11(C)(3) exception.</summary>
    Whole,
}

/// <summary>Two circuits that go to one place.</summary>
public enum TwoCircuits
{
    /// <summary>Two 2-wire circuits.</summary>
    TwoWire,

    /// <summary>A multiwire circuit: one neutral, both legs opened together (210.4).</summary>
    Multiwire,

    /// <summary>One 4-wire cable with two neutrals as far as the first box, where it saves footage.</summary>
    FourWire,
}

/// <summary>Receptacles at a kitchen's counters, where a book knows both.</summary>
public enum CounterReceptacles
{
    /// <summary>On circuits of two wires, with contacts for their larger rating.</summary>
    TwoWire,

    /// <summary>Split: a leg of a three-wire circuit on either half, both opened together.</summary>
    Split,
}

/// <summary>Breaker for a household range.</summary>
public enum RangeCircuit
{
    /// <summary>The trade's usual 50 A on 6-3.</summary>
    Usual50,

    /// <summary>The smallest that carries the demand.</summary>
    SmallestThatCarries,
}

/// <summary>What a second panel of a building feeds.</summary>
public enum SubpanelHolds
{
    /// <summary>Everything near it.</summary>
    EverythingNear,

    /// <summary>Lights and receptacles only; heavy appliances home to the main.</summary>
    LightsAndReceptacles,
}

/// <summary>Feed to lighting.</summary>
public enum LightingFeed
{
    /// <summary>Panel to switch first, then the light.</summary>
    SwitchFirst,

    /// <summary>Panel to the light first, a switch loop with a neutral (404.2(C)). Lights worked from more places keep the feed at the
    /// first switch.</summary>
    LightFirst,
}
