using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>Conductors of a service, or of a feeder that carries a whole dwelling, and what is asked at it.</summary>
public abstract class ServiceRules
{
    /// <summary>Most throws that shut a building off.</summary>
    public abstract int MostThrows { get; }

    /// <summary>Ratings that dwelling services have, small to large.</summary>
    public abstract ImmutableArray<Amps> Ratings { get; }

    /// <summary>Smallest service of a one-family dwelling.</summary>
    public abstract Amps Least { get; }

    /// <summary>Least rating of the feeder and disconnect of a building with more than two circuits.</summary>
    public abstract Amps LeastOfBuilding { get; }

    /// <summary>True where conductors of this rating may be smaller because they carry a whole dwelling.</summary>
    public virtual bool EasesWholeDwelling(Amps rating) => rating >= Ratings[0];

    /// <summary>The share of its rating that a conductor must carry where it carries a whole dwelling.</summary>
    public abstract Percent WholeDwelling { get; }

    /// <summary>Conductor of a service, or of a feeder that carries the whole dwelling's load, where nothing corrects or adjusts it; null
    /// for a rating the table has not, and where a book has no table.</summary>
    public abstract Gauge? DwellingConductor(Amps rating, Metal metal);

    /// <summary>Grounding electrode conductor of copper for a service conductor.</summary>
    public abstract Gauge ElectrodeConductor(Gauge service, Metal metal);

    /// <summary>Width of the space kept clear before a panel.</summary>
    public abstract Asked WorkingWidth { get; }

    /// <summary>Its depth.</summary>
    public abstract Asked WorkingDepth { get; }

    /// <summary>Its height.</summary>
    public abstract Asked Headroom { get; }

    /// <summary>The highest handle of a breaker.</summary>
    public abstract Asked HighestHandle { get; }

    /// <summary>The highest top of a cabinet: a main's handle is 3 in under it at least.</summary>
    public Length HighestTop => HighestHandle.Length + Length.FromInches(3);

    /// <summary>A ground rod, as it is asked for at the counter.</summary>
    public abstract string Rod { get; }

    /// <summary>Rods stand at least this far apart.</summary>
    public abstract Asked RodsApart { get; }

    /// <summary>One rod is enough where it is measured at 25 ohm or less.</summary>
    public abstract bool OneRodWhereMeasured { get; }

    /// <summary>Surge protection is asked at a dwelling's service.</summary>
    public abstract bool AsksSurgeProtection { get; }

    /// <summary>A disconnect outdoors is asked at a dwelling's service.</summary>
    public abstract bool AsksOutdoorDisconnect { get; }
}
