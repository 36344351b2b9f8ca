using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>What runs for three hours or more counts for more: 125 per cent in every book kept here (80 per cent of the breaker is the
/// same).</summary>
public static class ContinuousLoad
{
    /// <summary>The share it counts with: 210.19(A), 210.20(A), 215.2(A)(1).</summary>
    public static Percent Share { get; } = new(125);

    /// <summary>What a load counts for.</summary>
    public static VoltAmps Counted(VoltAmps load, bool continuous) => continuous ? Share * load : load;

    /// <summary>The most that may run so long within what is left of a rating.</summary>
    public static Amps Within(Amps left) => new(left.Value * 100 / Share.Value);
}
