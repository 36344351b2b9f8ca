using System.Collections.Immutable;
using Circuitum.Core.Takeoff;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>What a crew prints, or carries on a phone, before it nails boxes: every wall with its measures.</summary>
public sealed class WallsModel(Workbench bench) : JobPage(bench)
{
    /// <summary>The room asked for; all of them without one.</summary>
    [FromQuery]
    public string? Room { get; set; }

    /// <summary>Its name.</summary>
    public string? RoomName { get; private set; }

    /// <summary>Its walls.</summary>
    public ImmutableArray<WallSheet> Walls { get; private set; } = [];

    /// <inheritdoc/>
    protected override Task ReadAsync()
    {
        var room = Open.Plan.House.Rooms.FirstOrDefault(r => r.Room.Id.Value == Room);
        RoomName = room?.Room.Name;
        Walls = WallSheets.Of(Open.Plan, room?.Room.Id);
        return Task.CompletedTask;
    }
}
