using Circuitum.Core.House;

namespace Circuitum.Core.Layout;

/// <summary>Which levels people walk into from the ground.</summary>
internal static class Grade
{
    /// <summary>The lowest level that is no basement, and a basement that has a door to the outside.</summary>
    public static bool IsAt(FramedHouse house, FramedRoom room) => Levels(house, house.Structures[room.Structure])
        .Any(l => l.Rooms.Contains(room));

    /// <summary>Those levels of a building, the lowest that is no basement first.</summary>
    public static IEnumerable<FramedLevel> Levels(FramedHouse house, FramedStructure structure)
    {
        var main = structure.Levels.FirstOrDefault(l => !l.IsBasement);
        return (main is null ? [] : new[] { main })
            .Concat(structure.Levels.Where(l => l.IsBasement
                && (main is null || l.Rooms.Any(r => Doorways.Of(house, r).Any(d => d.Other is null)))));
    }
}
