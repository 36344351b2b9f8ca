namespace Circuitum.Core.Jobs;

/// <summary>A side of a room or of a plan, as it lies on the paper.</summary>
public enum PlanSide
{
    /// <summary>The upper edge, read from west to east.</summary>
    North,

    /// <summary>The right edge, read from north to south.</summary>
    East,

    /// <summary>The lower edge, read from west to east.</summary>
    South,

    /// <summary>The left edge, read from north to south.</summary>
    West,
}

/// <summary>Walls by the side of their room.</summary>
public static class WallSides
{
    /// <summary>Clockwise on the plan, so a wall that runs east is to the north; null for a wall that is not there.</summary>
    public static PlanSide? Facing(this Room room, int wall)
    {
        if (wall < 1 || wall > room.Corners.Length)
        {
            return null;
        }

        var (a, b) = (room.Corners[wall - 1], room.Corners[wall % room.Corners.Length]);
        return a.Y == b.Y ? b.X > a.X ? PlanSide.North : PlanSide.South : b.Y > a.Y ? PlanSide.East : PlanSide.West;
    }

    /// <summary>True for a wall that runs against the way it is read on paper, from its west or north end.</summary>
    public static bool RunsBackward(this Room room, int wall) => room.Facing(wall) is PlanSide.South or PlanSide.West;

    /// <summary>north, south, east or west; null for a wall that is not there.</summary>
    public static string? SideOf(this Room room, int wall) => room.Facing(wall)?.ToString().ToLowerInvariant();
}
