namespace Circuitum.Core.Jobs;

/// <summary>Walls by the side of their room.</summary>
public static class WallSides
{
    /// <summary>north, south, east or west: clockwise on the plan, so a wall that runs east is to the north; null for a wall that is not
    /// there.</summary>
    public static string? SideOf(this Room room, int wall)
    {
        if (wall < 1 || wall > room.Corners.Length)
        {
            return null;
        }

        var (a, b) = (room.Corners[wall - 1], room.Corners[wall % room.Corners.Length]);
        return a.Y == b.Y ? b.X > a.X ? "north" : "south" : b.Y > a.Y ? "east" : "west";
    }
}
