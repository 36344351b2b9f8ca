using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;

namespace Circuitum.Core.Circuits;

/// <summary>Receptacles that serve counters, kitchen by kitchen and along the walls: who is whose neighbor.</summary>
internal static class CounterOrder
{
    /// <summary>In the order in which somebody meets them who walks along the counters; those of islands last.</summary>
    public static IEnumerable<Box> Of(FramedHouse house, IEnumerable<Box> boxes) => boxes
        .Where(b => b.ServesCounter && b.Devices.Any(d => d.Plate is null && d.Kind.IsGeneralReceptacle())
            && CounterSpaces.Covers(house.Room(b.Room).Room.Use))
        .OrderBy(b => b.Room.Value, StringComparer.Ordinal).ThenBy(b => b.Mount == Mount.Wall ? 0 : 1).ThenBy(b => b.Wall)
        .ThenBy(b => b.Offset).ThenBy(b => b.X).ThenBy(b => b.Id.Value, StringComparer.Ordinal);
}
