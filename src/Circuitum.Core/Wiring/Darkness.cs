using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;

namespace Circuitum.Core.Wiring;

/// <summary>What a room loses when a breaker opens.</summary>
/// <param name="Room">The room.</param>
/// <param name="Lights">Lighting outlets lost, of so many.</param>
/// <param name="Receptacles">Receptacle boxes lost, of so many.</param>
public sealed record DarkRoom(FramedRoom Room, Lost Lights, Lost Receptacles)
{
    /// <summary>Lights there were, and none is left.</summary>
    public bool IsDark => Lights.Of > 0 && Lights.Count == Lights.Of;
}

/// <summary>So many lost, of so many there are.</summary>
public readonly record struct Lost(int Count, int Of);

/// <summary>Who goes dark when one breaker opens.</summary>
public static class Darkness
{
    /// <summary>The rooms that lose something, those left without light first.</summary>
    public static ImmutableArray<DarkRoom> When(WiredCircuit opens, Survey survey)
    {
        var lost = opens.Circuit.Boxes.ToHashSet();
        Lost Of(IEnumerable<PlacedBox> boxes) => new(boxes.Count(b => lost.Contains(b.Box.Id)), boxes.Count());
        return
        [
            .. survey.Boxes.GroupBy(b => b.Room)
                .Where(g => g.Any(b => lost.Contains(b.Box.Id)))
                .Select(g => new DarkRoom(g.Key, Of(g.Where(b => b.HasLight)),
                    Of(g.Where(b => b.Box.Devices.Any(d => d.Kind.IsReceptacle())))))
                .Where(r => r.Lights.Count + r.Receptacles.Count > 0)
                .OrderBy(r => r.IsDark ? 0 : 1).ThenBy(r => r.Room.Room.Id.Value, StringComparer.Ordinal),
        ];
    }
}
