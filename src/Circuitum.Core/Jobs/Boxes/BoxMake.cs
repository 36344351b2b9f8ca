namespace Circuitum.Core.Jobs;

/// <summary>How a box is made and held.</summary>
public enum BoxMake
{
    /// <summary>Nonmetallic, nailed to the stud or the joist.</summary>
    NailOn,

    /// <summary>Metal: a 4 in square with a ring, an octagon in a ceiling, device boxes ganged where three or more stand
    /// together.</summary>
    Square,

    /// <summary>Metal device boxes, with clamps inside, ganged as many as there are places.</summary>
    MetalDevice,

    /// <summary>Nonmetallic, held by its ears in a wall that is closed.</summary>
    CutIn,
}

/// <summary>What follows from how a box is made.</summary>
public static class BoxMakes
{
    /// <summary>It is of metal: grounded by a tail of its own, and cables come in by connectors or clamps.</summary>
    public static bool IsMetal(this BoxMake make) => make is BoxMake.Square or BoxMake.MetalDevice;

    /// <summary>In the words of the trade.</summary>
    public static string Words(this BoxMake make) => make switch
    {
        BoxMake.NailOn => "nonmetallic, nailed on",
        BoxMake.Square => "metal, 4 in square",
        BoxMake.MetalDevice => "metal device box",
        _ => "cut in",
    };
}
