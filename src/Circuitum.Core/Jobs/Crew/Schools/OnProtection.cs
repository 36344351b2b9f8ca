namespace Circuitum.Core.Jobs;

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

    /// <summary>A first-outlet AFCI receptacle; over NM cable only with a breaker listed for it, within 50 ft of 14 or 70 ft of 12
    /// (210.12(A)).</summary>
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
