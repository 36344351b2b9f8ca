using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>Where a dwelling must have outlets.</summary>
public abstract class OutletRules
{
    /// <summary>A narrower wall space needs none.</summary>
    public abstract Length NarrowestWall { get; }

    /// <summary>Receptacles that an island or a peninsula must have.</summary>
    public abstract int OfIsland(Length width, Length depth);

    /// <summary>One of a peninsula's receptacles stands near its outer end.</summary>
    public abstract bool ServesPeninsulaAtItsEnd { get; }

    /// <summary>Islands and peninsulas without receptacles have a way for wiring one later.</summary>
    public abstract bool ProvidesForIslands { get; }

    /// <summary>Receptacles keep clear of tubs and showers.</summary>
    public abstract bool KeepsReceptaclesOffTubs { get; }
}
