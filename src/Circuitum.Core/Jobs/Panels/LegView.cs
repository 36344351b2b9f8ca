namespace Circuitum.Core.Jobs;

/// <summary>How the legs are looked at, and balanced.</summary>
public enum LegView
{
    /// <summary>Everything connected, all on at once.</summary>
    Connected,

    /// <summary>As the demand factors take it.</summary>
    Demand,

    /// <summary>An evening with the range on.</summary>
    Evening,

    /// <summary>A night with the car charging.</summary>
    Night,
}
