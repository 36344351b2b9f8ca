namespace Circuitum.Core.Rules;

/// <summary>Insulation temperature column of Table 310.16.</summary>
public enum Column
{
    /// <summary>60 °C.</summary>
    C60 = 60,

    /// <summary>75 °C.</summary>
    C75 = 75,

    /// <summary>90 °C.</summary>
    C90 = 90,
}
