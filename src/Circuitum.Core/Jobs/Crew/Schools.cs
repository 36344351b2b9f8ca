using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>How the crew works where the book leaves a choice; the first of each is the default.</summary>
public sealed record Schools
{
    /// <summary>What cable is measured and cut in.</summary>
    public Measure Measure { get; init; }

    /// <summary>Lights and receptacles.</summary>
    public LightsAndReceptacles Lighting { get; init; }

    /// <summary>Bedrooms.</summary>
    public BedroomSharing Bedrooms { get; init; }

    /// <summary>Dishwasher and disposer.</summary>
    public DishwasherAndDisposer Dishwasher { get; init; }

    /// <summary>Bathroom receptacles.</summary>
    public BathReceptacles Baths { get; init; }

    /// <summary>Size of the home run.</summary>
    public HomeRunSize HomeRun { get; init; }

    /// <summary>Breaker for a household range.</summary>
    public RangeCircuit Range { get; init; }

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

    /// <summary>Metal of feeders in pipe.</summary>
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

    /// <summary>Two circuits to one place.</summary>
    public TwoCircuits TwoCircuits { get; init; }

    /// <summary>What a second panel of a building feeds.</summary>
    public SubpanelHolds Subpanel { get; init; }

    /// <summary>Where ground-fault protection sits.</summary>
    public GfciWay Gfci { get; init; }

    /// <summary>Where arc-fault protection sits.</summary>
    public AfciWay Afci { get; init; }

    /// <summary>15 A receptacles on 20 A circuits.</summary>
    public FifteenOnTwenty FifteenOnTwenty { get; init; }
}

/// <summary>Kitchen lights and the dishwasher: apart, or on one circuit.</summary>
public enum KitchenLights
{
    /// <summary>Not with the dishwasher.</summary>
    Apart,

    /// <summary>With the dishwasher while the half-rating rule of 210.23 holds.</summary>
    WithDishwasher,
}

/// <summary>The refrigerator on a small-appliance circuit or alone.</summary>
public enum RefrigeratorCircuit
{
    /// <summary>On a small-appliance circuit, 210.52(B)(1).</summary>
    OnSmallAppliance,

    /// <summary>Its own circuit, 210.52(B)(1) exception 2.</summary>
    Alone,
}

/// <summary>Whether a dishwasher runs three hours or more at full load.</summary>
public enum DishwasherRun
{
    /// <summary>Not continuous.</summary>
    NotContinuous,

    /// <summary>Continuous: long programmes.</summary>
    Continuous,
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

/// <summary>What a second panel of a building feeds.</summary>
public enum SubpanelHolds
{
    /// <summary>Everything near it.</summary>
    EverythingNear,

    /// <summary>Lights and receptacles only; heavy appliances home to the main.</summary>
    LightsAndReceptacles,
}

/// <summary>Where ground-fault protection sits.</summary>
public enum GfciWay
{
    /// <summary>At the breaker.</summary>
    Breaker,

    /// <summary>The first receptacle of the run that needs it, the rest on its load side.</summary>
    FirstReceptacle,

    /// <summary>A device at each place that needs it.</summary>
    EachPlace,

    /// <summary>Whichever of these costs least by the crew's prices.</summary>
    LeastCost,
}

/// <summary>Where arc-fault protection sits.</summary>
public enum AfciWay
{
    /// <summary>At the breaker.</summary>
    Breaker,

    /// <summary>A first-outlet AFCI receptacle; over NM cable only with a breaker listed for it, within 50 ft of 14 or 70 ft of 12 (210.12(A)).</summary>
    FirstOutlet,
}

/// <summary>15 A receptacles on 20 A circuits.</summary>
public enum FifteenOnTwenty
{
    /// <summary>Where the circuit has two or more, Table 210.21(B)(3).</summary>
    WhereTwoOrMore,

    /// <summary>Always 20 A on 20 A.</summary>
    AlwaysMatch,
}

/// <summary>Feed to lighting.</summary>
public enum LightingFeed
{
    /// <summary>Panel to switch first, then the light.</summary>
    SwitchFirst,

    /// <summary>Panel to the light first, a switch loop with a neutral (404.2(C)). Lights worked from more places keep the feed at the first switch.</summary>
    LightFirst,
}

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

/// <summary>Dishwasher and disposer on one circuit or two.</summary>
public enum DishwasherAndDisposer
{
    /// <summary>One circuit where the sum fits and neither instruction forbids it.</summary>
    OneWhereItFits,

    /// <summary>One each.</summary>
    OneEach,
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

/// <summary>Size of the home run against voltage drop.</summary>
public enum HomeRunSize
{
    /// <summary>The circuit's own size.</summary>
    Own,

    /// <summary>One size larger; the breaker still by the smallest conductor.</summary>
    OneLarger,
}

/// <summary>Breaker for a household range.</summary>
public enum RangeCircuit
{
    /// <summary>The trade's usual 50 A on 6-3.</summary>
    Usual50,

    /// <summary>The smallest that carries the demand.</summary>
    SmallestThatCarries,
}

/// <summary>The way cables take between boxes.</summary>
public enum CableWay
{
    /// <summary>Along the studs for jumpers, overhead for home runs: whichever costs less.</summary>
    LeastLabour,

    /// <summary>Overhead and down, always.</summary>
    Overhead,

    /// <summary>From below, through the crawl space or basement, where there is one.</summary>
    FromBelow,
}

/// <summary>Neat or short.</summary>
public enum CableLay
{
    /// <summary>Squared turns; home runs share lanes where it costs nothing.</summary>
    Squared,

    /// <summary>Least footage: straight across a floor or an attic where nothing is in the way.</summary>
    Shortest,
}

/// <summary>Whether a box may feed two ways.</summary>
public enum FeedBranches
{
    /// <summary>Where the box has room for a third cable and it saves enough.</summary>
    WhereThereIsRoom,

    /// <summary>One in, one out.</summary>
    Never,
}

/// <summary>What comes first where breakers are landed.</summary>
public enum LandingSchool
{
    /// <summary>Large two-poles at the top, then one-poles by the least leg difference.</summary>
    LargeAtTop,

    /// <summary>One-poles by the least leg difference at the top, two-poles below.</summary>
    LeastDifference,

    /// <summary>By area of the house, neighbours together, whatever the legs.</summary>
    ByArea,
}

/// <summary>Where spare spaces are left.</summary>
public enum SpareSpaces
{
    /// <summary>At the bottom.</summary>
    Last,

    /// <summary>Spread among the one-poles.</summary>
    Spread,
}

/// <summary>Small grounds at the bar.</summary>
public enum SmallGrounds
{
    /// <summary>As many under a screw as the bar's label allows.</summary>
    AsLabelAllows,

    /// <summary>One each.</summary>
    OneEach,
}

/// <summary>How several cables down one bay are held.</summary>
public enum CableColumn
{
    /// <summary>In stackers, spaced from each other.</summary>
    Stackers,

    /// <summary>Tied behind a staple: in contact, so that 334.80 and Table 310.15(C)(1) count them together.</summary>
    Ties,

    /// <summary>Staple over staple, spaced.</summary>
    StapleOverStaple,
}

/// <summary>Metal of feeders in pipe.</summary>
public enum FeederMetal
{
    /// <summary>Copper.</summary>
    Copper,

    /// <summary>Aluminium, its terminals listed for it (110.14).</summary>
    Aluminium,
}

/// <summary>How joints are made at devices.</summary>
public enum JointSchool
{
    /// <summary>Every device on pigtails.</summary>
    Pigtail,

    /// <summary>Through the device where only two cables meet.</summary>
    FeedThrough,

    /// <summary>Pigtails only where they are needed: more than two cables, multiwire, a protective device that must not protect onward.</summary>
    AsNeeded,
}

/// <summary>The crew's own numbers, each shown beside the book's limit.</summary>
public sealed record HouseRules
{
    /// <summary>Receptacle box bottom above the floor, 12 to 16 in as usual.</summary>
    public Length ReceptacleHeight { get; init; } = Length.FromInches(14);

    /// <summary>Switch box above the floor.</summary>
    public Length SwitchHeight { get; init; } = Length.FromInches(48);

    /// <summary>Counter receptacle above the floor.</summary>
    public Length CounterHeight { get; init; } = Length.FromInches(44);

    /// <summary>Height of bored holes through studs.</summary>
    public Length BoreHeight { get; init; } = Length.FromInches(24);

    /// <summary>Cable made up inside each box.</summary>
    public Length MakeUpAtBox { get; init; } = Length.FromInches(6);

    /// <summary>Slack left behind each box.</summary>
    public Length SlackAtBox { get; init; } = Length.FromInches(8);

    /// <summary>Cable left at a panel.</summary>
    public Length AtPanel { get; init; } = Length.FromFeet(4);

    /// <summary>Sag and going round, in per cent of the path, 0 to 30.</summary>
    public Percent Sag { get; init; } = new(3);

    /// <summary>First staple from a box, 3 to 12 in; 334.30 allows 12 in, 314.17(C) 8 in at a single-gang box without a clamp.</summary>
    public Length FastenedNearBox { get; init; } = Length.FromInches(8);

    /// <summary>Staple to staple along a run, 12 to 54 in; 334.30 allows 4-1/2 ft.</summary>
    public Length FastenedAlong { get; init; } = Length.FromFeet(4);

    /// <summary>Cable bought beyond what is cut, in per cent, 0 to 30.</summary>
    public Percent Waste { get; init; } = new(5);

    /// <summary>Trench dug deeper than the least cover, 0 to 24 in (Table 300.5(A)).</summary>
    public Length TrenchMargin { get; init; } = Length.FromInches(2);

    /// <summary>NM cables in one bored hole, 1 to 9.</summary>
    public int CablesPerHole { get; init; } = 3;

    /// <summary>Outlets on one general circuit, 4 to 30. The model code has no number for dwellings.</summary>
    public int OutletsPerCircuit { get; init; } = 10;

    /// <summary>Largest estimated fill of a general circuit, 40 to 100 per cent.</summary>
    public Percent LargestFill { get; init; } = new(80);

    /// <summary>Farthest point of a wall from a receptacle, 2 to 6 ft; 210.52(A)(1) allows 6 ft.</summary>
    public Length ReceptacleReach { get; init; } = Length.FromFeet(6);

    /// <summary>Farthest point of a counter's wall line from a receptacle, 12 to 24 in; 210.52(C)(1) allows 24 in.</summary>
    public Length CounterReach { get; init; } = Length.FromInches(24);

    /// <summary>Strike jamb to the centre of a switch box, 4 to 24 in: past the trimmer and king studs.</summary>
    public Length SwitchFromJamb { get; init; } = Length.FromInches(6);

    /// <summary>Cans in a row, from each other; half of it from the walls. 2 to 10 ft.</summary>
    public Length CanSpacing { get; init; } = Length.FromFeet(5);

    /// <summary>Voltage drop wanted at the far end of a branch circuit, 1 to 8 per cent.</summary>
    public Percent DropTarget { get; init; } = new(3);

    /// <summary>Spaces left free in every panel, 0 to 40. The book asks for none.</summary>
    public int SpareSpaces { get; init; }

    /// <summary>The crew's breakers are listed with first-outlet AFCI receptacles, so that the home run may be NM cable (210.12(A)(3), (4)).</summary>
    public bool ListedForFirstOutlet { get; init; }
}

/// <summary>A crew's schools and numbers together, kept as a set from job to job.</summary>
public sealed record CrewSet
{
    /// <summary>How the crew works.</summary>
    public Schools Schools { get; init; } = new();

    /// <summary>Its numbers.</summary>
    public HouseRules HouseRules { get; init; } = new();

    /// <summary>What it weighs a division by.</summary>
    public Aims Aims { get; init; } = new();

    /// <summary>What it pays for protection.</summary>
    public DevicePrices Prices { get; init; } = new();
}
