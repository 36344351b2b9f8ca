using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Lines;

/// <summary>Draws a house by its text: what the text names stands as it says, what it does not name stays; all of it or nothing. A room, a
/// storey and a building keep what is theirs by their name. Lines that are said as over the plan are read last, on the storey they follow.
/// A text without a panel hangs the given one.</summary>
/// <param name="Level">The storey of lines before the first that names one.</param>
/// <param name="Text">The text, at most <see cref="Most"/> lines of <see cref="HouseTextReader.Longest"/> characters.</param>
public sealed record DrawHouse(LevelId Level, string Text) : JobChange
{
    /// <summary>Lines that are read at once; a large house has 400.</summary>
    public const int Most = 2000;

    /// <summary>The panel of a job that has none yet; its place is found here unless the text says it.</summary>
    public Panel? Usual { get; init; }

    // Where a panel hangs most often, before any other room.
    private static readonly ImmutableArray<RoomUse> LikelyForPanel =
        [RoomUse.Utility, RoomUse.Garage, RoomUse.UnfinishedBasement, RoomUse.Mudroom, RoomUse.Laundry, RoomUse.Hall];

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        if (HouseTextReader.TooMuch(Text) is { } tooMuch)
        {
            throw new ChangeRefusedException(tooMuch);
        }

        var lines = Text.Split('\n').Select((l, i) => (Number: i + 1, Line: HouseTextReader.Bare(l)))
            .Where(l => l.Line.Length > 0).ToList();
        if (lines.Count == 0)
        {
            throw new ChangeRefusedException($"Paste the house as text, or say a line, like “{HouseLine.Examples[0]}”.");
        }

        var read = lines.ConvertAll(l => (l.Number, l.Line, Said: Told(l.Number, l.Line, () => HouseTextReader.Read(l.Line))));
        var text = new HouseTextDraft(job, Level);
        foreach (var (number, line, said) in read)
        {
            Told(number, line, () => text.Take(said, number, line));
        }

        if (text.Spoken.Count > SayLines.Most)
        {
            throw new ChangeRefusedException($"{SayLines.Most} lines may be said at once; of these {text.Spoken.Count} are no lines of a "
                + $"house’s text. The first is line {text.Spoken[0].Number}, “{Printed.Told(text.Spoken[0].Line, 80)}”.");
        }

        job = new DrawOutlines(text.Structures, text.KeepsWalls).Unchecked(job, out _);
        job = text.Filled(job);
        var hung = job.Panels.IsEmpty;
        foreach (var (level, number, line) in text.Spoken)
        {
            if (job.Panels.IsEmpty && job.Rooms.Any())
            {
                job = Hung(job);
            }

            var (on, before) = (level, job);
            job = Told(number, line, () => Said(before, on, line));
        }

        // In the likeliest of all rooms, unless somebody said where.
        job = hung && job.Rooms.Any() && !text.Spoken.Exists(s => s.Line.StartsWith("panel ", StringComparison.OrdinalIgnoreCase))
            ? Hung(job) : job;
        phrase = $"Draw the house by its text: {Many(text.Rooms, "room")}, {Many(text.Openings, "opening")}, {Many(text.Things, "thing")}"
            + (text.Spoken.Count > 0 ? $", {Many(text.Spoken.Count, "line")} said" : "");
        return job;
    }

    // Before the first room stands nothing can be asked of the job as a whole.
    private static Job Said(Job job, LevelId level, string line)
    {
        if (job.Panels.IsEmpty)
        {
            return HouseLine.Read(job, level, line).Unchecked(job, out _);
        }

        var (outcome, _) = SayLines.Said(job, level, line);
        return outcome.Job ?? throw new ChangeRefusedException(outcome.Refusal!);
    }

    private static string Many(int count, string what) => $"{count} {what}{(count == 1 ? "" : "s")}";

    // On the longest wall to the outside, or the longest there is.
    private Job Hung(Job job)
    {
        if (Usual is not { } usual)
        {
            throw new ChangeRefusedException("Say where the panel hangs, under its room: "
                + $"“{HouseText.Examples[10].Line}”.");
        }

        var room = job.Rooms.OrderBy(r => LikelyForPanel.IndexOf(r.Use) is var i && i < 0 ? LikelyForPanel.Length : i).First();
        var framed = Framing.Frame(job).Room(room.Id);
        var wall = framed.Sides.OrderByDescending(s => s.Exterior).ThenByDescending(s => s.Clear).First();
        return job with { Panels = [usual with { Room = room.Id, Wall = wall.Number, Offset = PanelLine.Usual(wall) }] };
    }

    /// <summary>What was read; a refusal names the line.</summary>
    internal static T Told<T>(int number, string line, Func<T> read)
    {
        try
        {
            return read();
        }
        catch (Exception e) when (e is ChangeRefusedException or FormatException or OverflowException)
        {
            throw new ChangeRefusedException($"Line {number}, “{Printed.Told(line, 80)}”: {e.Message} Nothing was drawn.");
        }
    }

    private static void Told(int number, string line, Action read) => Told(number, line, () =>
    {
        read();
        return 0;
    });

    /// <summary>The outlines of the text in the place of those of the job.</summary>
    private sealed record DrawOutlines(ImmutableArray<Structure> Structures, bool Same) : HouseChange
    {
        protected override bool KeepsWalls => Same;

        protected override bool Resizes => true;

        // What a text says of a size is what was asked for.
        protected override bool IsAbout(RoomId room) => true;

        protected override Job Draw(Job job, out string phrase)
        {
            phrase = "";
            return job with { Structures = Structures };
        }
    }
}
