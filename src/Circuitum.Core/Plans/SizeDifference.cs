using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Plans;

/// <summary>Rooms that are larger or smaller inside than they were, told by name and by how much.</summary>
public static class SizeDifference
{
    /// <summary>Bedroom 2 is 2" longer north to south; nothing of rooms that came or went.</summary>
    public static IEnumerable<string> Between(FramedHouse before, FramedHouse after)
    {
        var was = before.Rooms.ToDictionary(r => r.Room.Id);
        foreach (var now in after.Rooms.Where(r => was.ContainsKey(r.Room.Id)))
        {
            var old = was[now.Room.Id];
            foreach (var (by, which) in new[] { (now.ClearWidth - old.ClearWidth, "east to west"),
                (now.ClearDepth - old.ClearDepth, "north to south") })
            {
                if (by != Length.Zero)
                {
                    yield return $"{now.Room.Name} is {by.Abs()} {(by > Length.Zero ? "longer" : "shorter")} {which}";
                }
            }
        }
    }
}
