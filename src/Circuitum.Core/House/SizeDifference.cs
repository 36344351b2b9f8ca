using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.House;

/// <summary>Rooms that are larger or smaller inside than they were, told by name and by how much.</summary>
public static class SizeDifference
{
    /// <summary>Bedroom 2 is 2" longer north to south; nothing of rooms that came or went.</summary>
    public static IEnumerable<string> Between(FramedHouse before, FramedHouse after)
    {
        var was = before.Rooms.ToDictionary(r => r.Room.Id);
        foreach (var now in after.Rooms.Where(r => was.ContainsKey(r.Room.Id)))
        {
            foreach (var told in Of(now, was[now.Room.Id].ClearWidth, was[now.Room.Id].ClearDepth))
            {
                yield return told;
            }
        }
    }

    /// <summary>How a room differs from a size.</summary>
    public static IEnumerable<string> Of(FramedRoom now, Length width, Length depth)
    {
        foreach (var (by, which) in new[] { (now.ClearWidth - width, "east to west"), (now.ClearDepth - depth, "north to south") })
        {
            if (by != Length.Zero)
            {
                yield return $"{now.Room.Name} is {by.Abs()} {(by > Length.Zero ? "longer" : "shorter")} {which}";
            }
        }
    }
}
