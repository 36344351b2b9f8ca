using System.Globalization;
using System.Text.RegularExpressions;
using Circuitum.Core.Jobs;

namespace Circuitum.Core.Problems;

/// <summary>Tells a problem to whoever made it by an act on the bench: by the names that people gave, not by the path in a file.</summary>
public static partial class ProblemWords
{
    /// <summary>The door of Kitchen: does not fit on the west wall.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="job">The job it was found in.</param>
    public static string Told(this JobProblem problem, Job job)
    {
        if (problem.Where == "structures")
        {
            return $"{char.ToUpperInvariant(problem.What[0])}{problem.What[1..]}.";
        }

        if (Path().Match(problem.Where) is not { Success: true } where || Name(job, where.Groups["list"].Value, where.Groups["id"].Value)
            is not { } name)
        {
            return problem.ToString();
        }

        var room = Room(job, where);
        var what = room is null ? problem.What : Wall().Replace(problem.What, m => Side(room, m.Groups["n"].Value) is { } side
            ? $"the {side} wall" : m.Value);
        var part = where.Groups["part"].Value.Trim();
        var subject = part.StartsWith("opening “", StringComparison.Ordinal) && room?.Openings.FirstOrDefault(o =>
            part == $"opening “{o.Id}”") is { } opening ? $"The {Words.Of(opening.Kind)} of {room.Name}"
            : part.StartsWith("fixture ", StringComparison.Ordinal) && Enum.TryParse<FixtureKind>(part["fixture ".Length..], out var kind)
                ? $"The {Words.Of(kind)} of {name}"
            : part.StartsWith("wall ", StringComparison.Ordinal) && room is not null && Side(room, part["wall ".Length..]) is { } facing
                ? $"The {facing} wall of {name}" : name;
        // A sentence that names its things itself needs nothing before it.
        return Printed.Told(what.StartsWith('“') ? what : $"{subject}: {what}");
    }

    private static string? Name(Job job, string list, string id) => list switch
    {
        "rooms" => job.Rooms.FirstOrDefault(r => r.Id.Value == id)?.Name,
        "boxes" => job.Boxes.FirstOrDefault(b => b.Id.Value == id) is { } box ? box.Name
            ?? (job.Rooms.FirstOrDefault(r => r.Id == box.Room) is { } of ? BoxNames.For(box, of) : null) : null,
        "panels" => $"Panel {id}",
        "pipes" => $"Pipe {id}",
        "levels" => job.Levels.FirstOrDefault(l => l.Id.Value == id)?.Name,
        "structures" => job.Structures.FirstOrDefault(s => s.Id.Value == id)?.Name,
        "wants" => job.Wants.FirstOrDefault(w => w.Id.Value == id)?.Called,
        "holds" => job.Holds.FirstOrDefault(h => h.Id.Value == id)?.What is { Length: > 0 } what ? $"The wait for {what}" : "The wait",
        "trenches" => "The trench",
        "crewLines" => "A line of the walk",
        "chases" => "The spare chase",
        "reservations" => "The kept bays",
        "lowVoltage" => job.LowVoltage.FirstOrDefault(o => o.Id.Value == id) is { } outlet
            ? outlet.Called(job.Rooms.FirstOrDefault(r => r.Id == outlet.Room)) : null,
        "lowVoltageHomes" => "The low-voltage can or shelf",
        _ => null,
    };

    private static Room? Room(Job job, Match where)
    {
        var id = where.Groups["id"].Value;
        return where.Groups["list"].Value switch
        {
            "rooms" => job.Rooms.FirstOrDefault(r => r.Id.Value == id),
            "boxes" => job.Boxes.FirstOrDefault(b => b.Id.Value == id) is { } box ? job.Rooms.FirstOrDefault(r => r.Id == box.Room) : null,
            "panels" => job.Panels.FirstOrDefault(p => p.Id.Value == id) is { } panel ? job.Rooms.FirstOrDefault(r => r.Id == panel.Room)
                : null,
            _ => null,
        };
    }

    private static string? Side(Room room, string number) =>
        int.TryParse(number, NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? room.SideOf(n) : null;

    [GeneratedRegex(@"^(?<list>[A-Za-z]+)(?:\[\d+\])? “(?<id>[^”]*)”(?:\.[A-Za-z]+(?:\[\d+\])?)?(?<part> .*)?$",
        RegexOptions.CultureInvariant)]
    private static partial Regex Path();

    [GeneratedRegex(@"\bwall (?<n>\d+)\b(?! is not there)", RegexOptions.CultureInvariant)]
    private static partial Regex Wall();
}
