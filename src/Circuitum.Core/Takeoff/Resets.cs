using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;

namespace Circuitum.Core.Takeoff;

/// <summary>Which button, or which breaker, brings a dead outlet back.</summary>
public static class Resets
{
    /// <summary>In words: its own button, the button at another box, its breaker; against ground and arc faults.</summary>
    public static string Of(Plan plan, BoxId box)
    {
        var landed = plan.Landed(plan.CircuitOf(box)!.Circuit.Key)!;
        var safe = landed.Protected;
        var (ground, arc) = (safe.Outlets[box].ResetAt, safe.Outlets[box].AfciResetAt);
        string At(BoxId? device, bool breaker) => device is { } at ? at == box ? "its own button" : $"the button at {plan.Survey[at].Name}"
            : breaker ? $"panel {landed.Panel}, space {landed.SpaceText}" : "";
        string groundAt = At(ground, safe.BreakerIsGfci), arcAt = At(arc, safe.BreakerIsAfci);
        return groundAt.Length == 0 && arcAt.Length == 0 ? "no reset: not protected by AFCI or GFCI"
            : groundAt == arcAt ? $"{groundAt}, both"
            : string.Join("; ", new[] { groundAt.Length > 0 ? $"ground fault: {groundAt}" : "", arcAt.Length > 0 ? $"arc fault: {arcAt}"
                : "" }.Where(t => t.Length > 0));
    }

    /// <summary>The box whose button brings it back, if a button does and not the breaker; its own where it has one.</summary>
    public static BoxId? ButtonOf(Plan plan, BoxId box) =>
        plan.CircuitOf(box)?.Outlets.GetValueOrDefault(box) is { } outlet ? outlet.ResetAt ?? outlet.AfciResetAt : null;
}
