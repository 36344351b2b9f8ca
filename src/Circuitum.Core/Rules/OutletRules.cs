using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>Where a dwelling must have outlets.</summary>
public abstract class OutletRules
{
    /// <summary>No point along a finished wall is farther from a receptacle.</summary>
    public abstract Asked WallReach { get; }

    /// <summary>A narrower wall space needs none.</summary>
    public abstract Asked NarrowestWall { get; }

    /// <summary>No point along a counter's wall is farther from a receptacle.</summary>
    public abstract Asked CounterReach { get; }

    /// <summary>A narrower counter needs none.</summary>
    public abstract Asked NarrowestCounter { get; }

    /// <summary>A receptacle stands no farther from a basin.</summary>
    public abstract Asked BasinReach { get; }

    /// <summary>Receptacles stand no nearer to a tub or shower, where they keep clear of it at all.</summary>
    public abstract Asked OffTubs { get; }

    /// <summary>A hall of this length or more has a receptacle.</summary>
    public abstract Asked HallFrom { get; }

    /// <summary>Faces of a house that have a receptacle outdoors: 2 where front and back have one each, 1 where one is enough.</summary>
    public abstract int FacesOutdoors { get; }

    /// <summary>Receptacles that an island or a peninsula must have.</summary>
    public abstract int OfIsland(Length width, Length depth);

    /// <summary>One of a peninsula's receptacles stands near its outer end.</summary>
    public abstract bool ServesPeninsulaAtItsEnd { get; }

    /// <summary>Islands and peninsulas without receptacles have a way for wiring one later.</summary>
    public abstract bool ProvidesForIslands { get; }

    /// <summary>Receptacles keep clear of tubs and showers.</summary>
    public abstract bool KeepsReceptaclesOffTubs { get; }
}
