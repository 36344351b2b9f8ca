using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>How the crew works where the book leaves a choice; the first of each is the default.</summary>
public sealed record Schools
{
    /// <summary>What cable is measured and cut in.</summary>
    public Measure Measure { get; init; }

    /// <summary>What the house is drawn in, and every place and height said in.</summary>
    public Measure Drawn { get; init; }

    /// <summary>Lights and receptacles.</summary>
    public LightsAndReceptacles Lighting { get; init; }

    /// <summary>Bedrooms.</summary>
    public BedroomSharing Bedrooms { get; init; }

    /// <summary>Dishwasher and disposer.</summary>
    public DishwasherAndDisposer Dishwasher { get; init; }

    /// <summary>What a disposer is worked by.</summary>
    public DisposerSwitch DisposerSwitch { get; init; }

    /// <summary>Bathroom receptacles.</summary>
    public BathReceptacles Baths { get; init; }

    /// <summary>Size of the home run.</summary>
    public HomeRunSize HomeRun { get; init; }

    /// <summary>Breaker for a household range.</summary>
    public RangeCircuit Range { get; init; }

    /// <summary>What branch circuits are pulled in.</summary>
    public CableKind Cable { get; init; }

    /// <summary>How boxes are made.</summary>
    public BoxMake Boxes { get; init; }

    /// <summary>The way cables take between boxes.</summary>
    public CableWay Way { get; init; }

    /// <summary>Squared and shared, or short.</summary>
    public CableLay Lay { get; init; }

    /// <summary>Whether a box may feed two ways.</summary>
    public FeedBranches Branches { get; init; }

    /// <summary>What comes first where breakers are landed.</summary>
    public LandingSchool Landing { get; init; }

    /// <summary>What the legs are balanced by.</summary>
    public LegView Balance { get; init; }

    /// <summary>Where spare spaces are left.</summary>
    public SpareSpaces Spares { get; init; }

    /// <summary>Small grounds at the bar.</summary>
    public SmallGrounds Grounds { get; init; }

    /// <summary>How several cables down one bay are held.</summary>
    public CableColumn Column { get; init; }

    /// <summary>What a feeder inside one building is pulled in.</summary>
    public FeederWay Feeders { get; init; }

    /// <summary>Metal of feeders.</summary>
    public FeederMetal FeederMetal { get; init; }

    /// <summary>How joints are made.</summary>
    public JointSchool Joints { get; init; }

    /// <summary>Where the feed comes in first.</summary>
    public LightingFeed Feed { get; init; }

    /// <summary>Kitchen lights and the dishwasher.</summary>
    public KitchenLights KitchenLights { get; init; }

    /// <summary>The refrigerator.</summary>
    public RefrigeratorCircuit Refrigerator { get; init; }

    /// <summary>Whether a dishwasher's load is taken as continuous.</summary>
    public DishwasherRun DishwasherRun { get; init; }

    /// <summary>The quarter of the largest motor in company.</summary>
    public MotorQuarter MotorQuarter { get; init; }

    /// <summary>Two circuits to one place.</summary>
    public TwoCircuits TwoCircuits { get; init; }

    /// <summary>Receptacles at a kitchen's counters; asked only where the book knows split ones.</summary>
    public CounterReceptacles Counters { get; init; }

    /// <summary>What a second panel of a building feeds.</summary>
    public SubpanelHolds Subpanel { get; init; }

    /// <summary>Where ground-fault protection sits.</summary>
    public GfciWay Gfci { get; init; }

    /// <summary>Where arc-fault protection sits.</summary>
    public AfciWay Afci { get; init; }

    /// <summary>15 A receptacles on 20 A circuits.</summary>
    public FifteenOnTwenty FifteenOnTwenty { get; init; }
}
