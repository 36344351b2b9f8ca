namespace Circuitum.Core.Units;

/// <summary>What cable is measured, cut and bought in.</summary>
public enum Measure
{
    /// <summary>Feet; ways in feet and inches.</summary>
    Feet,

    /// <summary>Metres.</summary>
    Metres,
}
