namespace Circuitum.Core.Rules;

/// <summary>Conductor metal.</summary>
public enum Metal
{
    /// <summary>Copper.</summary>
    Copper,

    /// <summary>Aluminium.</summary>
    Aluminium,
}
