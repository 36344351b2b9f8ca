using System.Globalization;
using System.Text.RegularExpressions;
using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Lines;

/// <summary>Reads a line that hangs a panel: the service panel where no letter is said, another one fed from it.</summary>
internal static partial class PanelLine
{
    /// <summary>A line of this kind that is understood.</summary>
    public const string Example = "panel B 100 A 24 spaces east of garage";

    /// <summary>What a line does; null when it is about no panel.</summary>
    /// <exception cref="ChangeRefusedException">It is, and its place or its rating is not understood.</exception>
    public static JobChange? Read(Job job, LevelId level, string line)
    {
        if (!line.StartsWith("panel ", StringComparison.OrdinalIgnoreCase))
        {
            return null;
        }

        if (PanelPart().Match(line) is not { Success: true } said)
        {
            throw new ChangeRefusedException($"Where is the panel? Say a wall of a room: “panel north of garage”, “{Example}”.");
        }

        var service = job.Panels.FirstOrDefault(p => p.FedFrom is null);
        var id = said.Groups["id"].Success ? new PanelId(said.Groups["id"].Value.ToUpperInvariant())
            : service?.Id ?? throw new ChangeRefusedException("There is no service panel to move. Say its letter.");
        var room = Spoken.Room(job, level, said.Groups["of"].Value);
        var wall = HouseLine.Facing(job, room, Spoken.Side(said.Groups["side"].Value));
        var panel = job.Panels.FirstOrDefault(p => p.Id == id) ?? new()
        {
            Id = id,
            Room = room.Id,
            Wall = wall.Number,
            Offset = Length.Zero,
            Rating = said.Groups["a"].Success ? default
                : throw new ChangeRefusedException($"How large is panel {id}? Say it so: “{Example}”."),
            Spaces = 24,
            FedFrom = service?.Id,
        };
        return new SetPanel(panel with
        {
            Room = room.Id,
            Wall = wall.Number,
            Offset = Place(room, wall, said.Groups["at"]),
            Rating = said.Groups["a"].Success ? new(Number(said, "a")) : panel.Rating,
            Spaces = said.Groups["n"].Success ? (int)Number(said, "n") : panel.Spaces,
        });
    }

    // Where it is said, from the west or north end.
    private static Length Place(Room room, RoomSide wall, Group at) => at.Success
        ? WallWords.FromEnd(wall, room, Spoken.Length(at.Value), Length.Zero) : Usual(wall);

    /// <summary>Where a panel hangs on a wall when nothing is said: in the middle of the longest stretch without an opening.</summary>
    public static Length Usual(RoomSide wall)
    {
        var (from, to) = Stretches.Free((Length.Zero, wall.Clear), wall.Openings.Select(o => (o.From, o.To)))
            .OrderByDescending(f => f.To - f.From).FirstOrDefault((Length.Zero, wall.Clear));
        return (from + to) / 2;
    }

    private static decimal Number(Match said, string group) => decimal.Parse(said.Groups[group].Value, CultureInfo.InvariantCulture);

    [GeneratedRegex(@"^panel(?: (?<id>[a-z0-9]{1,2}))??(?:,? (?<a>\d{2,3}) ?a(?:mps?)?)?(?:,? (?<n>\d{1,2}) spaces)?"
        + ",? (?:on |at )?(?:the )?(?<side>" + Spoken.SidePattern + ")(?: side| wall)? (?:(?:of|in) )?(?:the )?(?<of>.+?)"
        + "(?:,? at (?<at>" + Spoken.LengthPattern + "))?$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex PanelPart();
}
