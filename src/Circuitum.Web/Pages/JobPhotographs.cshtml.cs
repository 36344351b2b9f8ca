using Circuitum.Core.House;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>Photographs of the rooms of a house whose points go to boards, while its walls and slabs are open; it works without signal once
/// it was opened.</summary>
public sealed class JobPhotographsModel(Workbench bench) : JobPage(bench)
{
    /// <summary>Every room with the level that it is on, and what was taken there.</summary>
    public IEnumerable<(string Level, RoomPhotographs Of)> Rooms => Open.Plan.House.Levels
        .SelectMany(l => l.Rooms.Select(r => (l.Level.Name, RoomPhotographs.Of(Open, r))));

    /// <inheritdoc/>
    protected override Task ReadAsync() => Task.CompletedTask;
}
