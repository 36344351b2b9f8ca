namespace Circuitum.Core.Jobs;

/// <summary>What comes first where breakers are landed.</summary>
public enum LandingSchool
{
    /// <summary>Large two-poles at the top, then one-poles by the least leg difference.</summary>
    LargeAtTop,

    /// <summary>One-poles by the least leg difference at the top, two-poles below.</summary>
    LeastDifference,

    /// <summary>By area of the house, neighbors together, whatever the legs.</summary>
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
