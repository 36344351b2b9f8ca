using Circuitum.Core.Jobs;

namespace Circuitum.Tests.Support;

/// <summary>Crews that work otherwise than each other, by number: every school is taken in turn, at its own pace.</summary>
internal static class CrewSchools
{
    /// <summary>Crew number 1 and on.</summary>
    public static Schools Number(int n) => new()
    {
        Lighting = (LightsAndReceptacles)(n % 3),
        Bedrooms = (BedroomSharing)(n / 2 % 2),
        Dishwasher = (DishwasherAndDisposer)(n / 3 % 2),
        Baths = (BathReceptacles)(n / 2 % 3),
        HomeRun = (HomeRunSize)(n / 5 % 2),
        Range = (RangeCircuit)(n / 4 % 2),
        Way = (CableWay)(n / 3 % 3),
        Lay = (CableLay)(n / 4 % 2),
        Branches = (FeedBranches)(n / 6 % 2),
        Landing = (LandingSchool)(n / 5 % 3),
        Spares = (SpareSpaces)(n / 7 % 2),
        Column = (CableColumn)(n / 2 % 3),
        FeederMetal = (FeederMetal)(n / 3 % 2),
        Feeders = (FeederWay)(n / 5 % 2),
        Joints = (JointSchool)(n / 4 % 3),
        Feed = (LightingFeed)(n / 2 % 2),
        KitchenLights = (KitchenLights)(n / 8 % 2),
        Refrigerator = (RefrigeratorCircuit)(n / 9 % 2),
        DishwasherRun = (DishwasherRun)(n / 10 % 2),
        TwoCircuits = (TwoCircuits)(n % 3),
        Counters = (CounterReceptacles)(n / 3 % 2),
        Subpanel = (SubpanelHolds)(n / 4 % 2),
        Gfci = (GfciWay)(n % 4),
        Afci = (AfciWay)(n / 6 % 2),
        FifteenOnTwenty = (FifteenOnTwenty)(n / 11 % 2),
        Cable = (CableKind)(n / 13 % 2),
        Boxes = (BoxMake)(n / 14 % 3),
        DisposerSwitch = (DisposerSwitch)(n / 12 % 2),
    };
}
