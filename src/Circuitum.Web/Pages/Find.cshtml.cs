using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Takeoff;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>Finds the breakers of a room, on a phone before the panel.</summary>
public sealed class FindModel(Workbench bench) : JobPage(bench)
{
    /// <summary>The code on the panel's door, where it was come by; null for whoever is signed in.</summary>
    [FromRoute]
    public string? Code { get; set; }

    /// <summary>Where this page is, for the next room.</summary>
    public string Here => (Code is null ? $"/job/{Key}/find" : $"/door/{Code}") + (Panel is null ? "" : $"/{Panel}");

    /// <summary>The panel looked at; nothing looks at all of them.</summary>
    [FromRoute]
    public string? Panel { get; set; }

    /// <summary>The room asked about.</summary>
    [FromQuery]
    public string? Room { get; set; }

    /// <summary>Rooms that something is fed in, by building and level.</summary>
    public IReadOnlyList<(string Level, IReadOnlyList<Room> Rooms)> Levels { get; private set; } = [];

    /// <summary>Breakers of the room, with what each feeds there.</summary>
    public IReadOnlyList<(Landed Landed, string Feeds)> Found { get; private set; } = [];

    /// <summary>Outlets of the room that a button brings back, by the box that has the button, its room with it.</summary>
    public IReadOnlyList<(string Button, string In, string Outlets)> Buttons { get; private set; } = [];

    /// <summary>The room's name.</summary>
    public string? RoomName { get; private set; }

    /// <inheritdoc/>
    protected override Task ReadAsync()
    {
        var plan = Open.Plan;
        var landed = plan.Panels.Where(p => Panel is null || p.Panel.Id.Value == Panel).SelectMany(p => p.Circuits).ToList();
        var fed = plan.Survey.Boxes.Select(b => b.Room.Room.Id).ToHashSet();
        Levels = [.. plan.House.Levels.Select(l =>
            (l.Level.Name, (IReadOnlyList<Room>)[.. l.Rooms.Select(r => r.Room).Where(r => fed.Contains(r.Id))]))
            .Where(l => l.Item2.Count > 0)];
        if (Levels.SelectMany(l => l.Rooms).FirstOrDefault(r => r.Id.Value == Room) is { } room)
        {
            RoomName = room.Name;
            Found = [.. plan.Panels.SelectMany(p => p.Circuits)
                .Select(c => (Landed: c, Boxes: c.Boxes.Select(b => plan.Survey[b]).Where(b => b.Room.Room.Id == room.Id).ToList()))
                .Where(x => x.Boxes.Count > 0)
                .OrderByDescending(x => x.Boxes.Count)
                .Select(x => (x.Landed, string.Join(", ", x.Boxes.Select(b => b.Name).Distinct().Take(4))
                    + (x.Boxes.Count > 4 ? $" and {x.Boxes.Count - 4} more" : "")))];
            Buttons = [.. plan.Survey.Boxes.Where(b => b.Room.Room.Id == room.Id)
                .Select(b => (Box: b, At: Resets.ButtonOf(plan, b.Box.Id))).Where(x => x.At is not null)
                .GroupBy(x => x.At!.Value).OrderBy(g => plan.Survey[g.Key].Name, StringComparer.Ordinal)
                .Select(g => (plan.Survey[g.Key].Name, plan.Survey[g.Key].Room.Room.Name,
                    string.Join(", ", g.Select(x => x.Box.Box.Id == g.Key ? "itself" : x.Box.Name))))];
        }

        return Task.CompletedTask;
    }
}
