using Circuitum.Core.Panels;

namespace Circuitum.Web.Bench;

/// <summary>One space of the open panel.</summary>
public sealed record BreakerView(BenchView View, PanelSchedule Panel, int Space)
{
    /// <summary>What stands in it, or null.</summary>
    public Landed? Landed { get; } = Panel.BySpace.GetValueOrDefault(Space);

    /// <summary>What stood in it before the job, or null.</summary>
    public Core.Jobs.TakenSpace? TakenBefore { get; } = Panel.TakenBefore.GetValueOrDefault(Space);

    /// <summary>The lower space of a two-pole: drawn with the upper one.</summary>
    public bool IsLowerPole => Landed is not null && Landed.Space != Space;

    /// <summary>True on the left of the bus.</summary>
    public bool Left => Space % 2 == 1;

    /// <summary>Rows it takes.</summary>
    public int Rows => Landed?.Wired.Circuit.Poles ?? 1;
}
