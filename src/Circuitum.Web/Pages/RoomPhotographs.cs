using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Site;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Pages;

/// <summary>The photographs of a room and its walls, and what can be photographed there.</summary>
/// <param name="Key">The job.</param>
/// <param name="Room">The room.</param>
/// <param name="Shots">What was taken, the oldest first.</param>
/// <param name="Record">All that is written down.</param>
/// <param name="Things">Boxes in it and cables that end in it, by name.</param>
public sealed record RoomPhotographs(string Key, Room Room, ImmutableArray<SiteEntry> Shots, SiteRecord Record,
    ImmutableArray<(Subject Subject, string Words)> Things)
{
    /// <summary>As it is called.</summary>
    public string Name => Room.Name;

    /// <summary>The walls, then the room as a whole.</summary>
    public IEnumerable<(Subject Subject, string Words)> Sides => Enumerable.Range(1, Room.Corners.Length)
        .Select(n => (Subject.Wall(Room.Id, n), $"{Room.SideOf(n)} wall{(Room.Corners.Length > 4 ? $", {n}" : "")}"))
        .Append((Subject.Room(Room.Id), "the whole room"));

    /// <summary>What is circled on one.</summary>
    public IReadOnlyList<CircledThing> Circled(SiteEntry shot) => [.. Record.Circled(shot.Id)];

    /// <summary>What a photograph is of, and what was said of it.</summary>
    public string Words(SiteEntry shot) => string.Join(", ", new[]
    {
        Sides.Concat(Things).FirstOrDefault(s => s.Subject == shot.Subject).Words, shot.Note.Length > 0 ? shot.Note : null, shot.Who,
        SiteModel.Time(shot.When),
    }.OfType<string>());

    /// <summary>Those of a room of a job, by what is written down.</summary>
    public static RoomPhotographs Of(OpenJob open, FramedRoom room)
    {
        var boxes = open.Plan.Survey.Boxes.Where(b => b.Box.Room == room.Room.Id).ToList();
        var here = boxes.Select(b => b.Box.Id).ToHashSet();
        ImmutableArray<(Subject Subject, string Words)> things =
        [
            .. boxes.Select(b => (Subject.Box(b.Box.Id), b.Name)),
            .. open.Plan.Circuits.SelectMany(c => c.Runs).Where(r => (r.From.Box is { } from && here.Contains(from))
                || (r.To.Box is { } to && here.Contains(to))).Select(r => (Subject.Run(r.Id), $"{r.From.Name} → {r.To.Name}")),
        ];
        return new(open.Key.ToString(), room.Room,
            [.. open.Site.Photographs(room.Room.Id, things.Select(t => t.Subject).ToHashSet())], open.Site, things);
    }
}
