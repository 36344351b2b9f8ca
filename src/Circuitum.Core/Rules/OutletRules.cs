using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>Where a dwelling must have outlets.</summary>
public abstract class OutletRules
{
    /// <summary>A narrower wall space needs none.</summary>
    public abstract Length NarrowestWall { get; }

    /// <summary>Receptacles that an island or a peninsula must have.</summary>
    public abstract int OfIsland(Length width, Length depth);

    /// <summary>Receptacles keep clear of tubs and showers.</summary>
    public abstract bool KeepsReceptaclesOffTubs { get; }
}
