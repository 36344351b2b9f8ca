using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;

namespace Circuitum.Core.Site;

/// <summary>Where the runs of a plan end: floor and room.</summary>
internal sealed class RunPlaces
{
    private readonly Plan plan;
    private readonly Dictionary<RoomId, (string Level, string Room)> rooms;

    public RunPlaces(Plan plan)
    {
        this.plan = plan;
        // Two buildings may both have a ground floor.
        var several = plan.House.Structures.Length > 1;
        string Name(House.FramedLevel level) => several
            ? $"{plan.House.Structures[level.Structure].Structure.Name}, {level.Level.Name.ToLowerInvariant()}" : level.Level.Name;
        var levels = plan.House.Levels.ToList();
        Levels = [.. levels.Select(Name).Distinct()];
        rooms = levels.SelectMany(l => l.Rooms, (l, r) => (r.Room.Id, (Name(l), r.Room.Name))).ToDictionary();
    }

    /// <summary>The floors, in the order of the house.</summary>
    public ImmutableArray<string> Levels { get; }

    /// <summary>Floor and room of the end that is farther from the panel.</summary>
    public (string Level, string Room) Of(PullLine line)
    {
        var to = plan.FindRun(line.Run)!.Value.Run.To;
        return rooms[to.Box is { } box ? plan.Survey[box].Box.Room : plan.Panels.First(p => p.Panel.Id == to.Panel).Panel.Room];
    }
}
