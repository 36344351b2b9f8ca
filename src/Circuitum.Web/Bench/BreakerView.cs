using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;

namespace Circuitum.Web.Bench;

/// <summary>One space of the open panel.</summary>
public sealed record BreakerView(BenchView View, PanelSchedule Panel, int Space)
{
    /// <summary>What stands in it.</summary>
    public ImmutableArray<Occupant> Occupants { get; } = [.. Panel.In(Space)];

    /// <summary>The lower space of a two-pole: drawn with the upper one.</summary>
    public bool IsLowerPole => Occupants.Length == 1 && Occupants[0].Space.Number != Space;

    /// <summary>True on the left of the bus.</summary>
    public bool Left => Space % 2 == 1;

    /// <summary>Rows it takes.</summary>
    public int Rows => Occupants.Length == 1 ? Occupants[0].Poles : 1;

    /// <summary>The whole space, or both halves of it where a tandem breaker stands; with what stands there.</summary>
    public IEnumerable<(PanelSpace Space, Occupant? There)> Places => Occupants.Any(o => o.Space.IsHalf)
        ? new PanelSpace(Space).Halves.Select(h => (h, Occupants.FirstOrDefault(o => o.Space == h)))
        : [(Space, Occupants.FirstOrDefault())];
}
