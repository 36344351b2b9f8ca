namespace Circuitum.Core.Rules;

/// <summary>What the conductors of a run are pulled in.</summary>
public enum Jacket
{
    /// <summary>Nonmetallic-sheathed, for dry places only (334.12(B)); 90 °C conductors held to the 60 °C column (334.80).</summary>
    Nonmetallic,

    /// <summary>Underground feeder and branch-circuit cable, for damp and wet places; 60 °C conductors (340.80).</summary>
    Underground,

    /// <summary>Metal-clad cable; 90 °C conductors held to the terminations (330.80).</summary>
    Armoured,

    /// <summary>Service-entrance cable with an insulated neutral and a bare ground, inside: aluminium, held to the 60 °C column where it
    /// lies in insulation, which is not asked (338.10(B)(4)).</summary>
    ServiceEntrance,

    /// <summary>None: loose THWN-2 in a pipe, held to the terminations (110.14(C)).</summary>
    Loose,
}
