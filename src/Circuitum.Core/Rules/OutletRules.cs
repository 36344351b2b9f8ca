using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>Where a dwelling must have outlets.</summary>
public abstract class OutletRules
{
    /// <summary>No point of a wall's floor line lies farther from a receptacle.</summary>
    public abstract Length WallReach { get; }

    /// <summary>A narrower wall space needs none.</summary>
    public abstract Length NarrowestWall { get; }

    /// <summary>No point of a counter's wall line lies farther from a receptacle.</summary>
    public abstract Length CounterReach { get; }

    /// <summary>A narrower counter needs none.</summary>
    public abstract Length NarrowestCounter { get; }

    /// <summary>Receptacles that an island or a peninsula must have.</summary>
    public abstract int OfIsland(Length width, Length depth);

    /// <summary>Receptacles keep clear of tubs and showers.</summary>
    public abstract bool KeepsReceptaclesOffTubs { get; }
}
