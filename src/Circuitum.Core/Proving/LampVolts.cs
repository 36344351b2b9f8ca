using Circuitum.Core.Units;

namespace Circuitum.Core.Proving;

/// <summary>What the eye tells of a lamp of a leg's volts.</summary>
public static class LampVolts
{
    /// <summary>Below it a lamp is dark, and a finger feels next to nothing.</summary>
    public static Volts Faint { get; } = new(30);

    /// <summary>From it on a lamp is bright.</summary>
    public static Volts Bright { get; } = new(105);

    /// <summary>Beyond it is too much.</summary>
    public static Volts Over { get; } = new(130);
}
