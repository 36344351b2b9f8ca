using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Lines;

/// <summary>Draws what is said, line after line; all of it or nothing.</summary>
/// <param name="Level">The level that is drawn.</param>
/// <param name="Lines">What is said, 1 to 400 lines.</param>
public sealed record SayLines(LevelId Level, ImmutableArray<string> Lines) : JobChange
{
    /// <summary>Lines that are read at once.</summary>
    public const int Most = 400;

    /// <summary>What a person typed or pasted, line by line; empty lines and what stands behind a # are left out. A house's text is read as
    /// one.</summary>
    public static JobChange Of(LevelId level, string text) => HouseTextReader.IsIn(text) ? new DrawHouse(level, text)
        : new SayLines(level, [.. text.Split('\n').Select(l => Printed.Of(l.Split('#')[0])).Where(l => l.Length > 0)]);

    /// <inheritdoc/>
    protected override Subject? Selects(Job before)
    {
        var (job, last) = (before, (Subject?)null);
        foreach (var line in Lines)
        {
            var outcome = HouseLine.Read(job, Level, line).On(job);
            (job, last) = (outcome.Job ?? job, outcome.Selects ?? last);
        }

        return last;
    }

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        if (Lines.Length is 0 or > Most)
        {
            throw new ChangeRefusedException(Lines.Length == 0 ? $"Say a line, like “{HouseLine.Examples[0]}”."
                : $"{Most} lines are read at once; these are {Lines.Length}.");
        }

        phrase = "";
        // What a line says beside what it did: what found no place, what went with a wall.
        var remarks = new List<string>();
        var sizes = new Dictionary<RoomId, (Length Width, Length Depth)>();
        for (var i = 0; i < Lines.Length; i++)
        {
            var (outcome, typed) = Said(job, Level, Lines[i]);
            if (outcome.Job is not { } drawn)
            {
                throw new ChangeRefusedException(Lines.Length == 1 ? outcome.Refusal!
                    : $"Line {i + 1}, “{Lines[i]}”: {outcome.Refusal} Nothing was drawn.");
            }

            (job, phrase) = (drawn, outcome.Phrase);
            if (i < Lines.Length - 1 && phrase.Contains("; ", StringComparison.Ordinal))
            {
                remarks.Add(phrase);
            }

            if (typed is var (room, width, depth))
            {
                sizes[room] = (width, depth);
            }
        }

        // A size that one line said and another did not let stand is told by its room.
        if (Lines.Length > 1)
        {
            var house = Framing.Frame(job);
            var told = sizes.Where(s => job.Rooms.Any(r => r.Id == s.Key))
                .SelectMany(s => SizeDifference.Of(house.Room(s.Key), s.Value.Width, s.Value.Depth)).ToList();
            phrase = $"Draw {Lines.Length} lines; the last: {phrase}" + (told.Count == 0 ? ""
                : $"; not as said: {string.Join(", ", told.Take(6))}") + string.Concat(remarks.Take(4).Select(r => $". {r}"));
        }

        return job;
    }

    /// <summary>What one line came to, and the size of the room that it typed.</summary>
    internal static (ChangeOutcome Outcome, (RoomId, Length, Length)? Typed) Said(Job job, LevelId level, string line)
    {
        try
        {
            var change = HouseLine.Read(job, level, line);
            var outcome = change.On(job);
            return (outcome, outcome.Job is null ? null : (change as HouseChange)?.Typed(job));
        }
        catch (ChangeRefusedException refused)
        {
            return (new(null, "", refused.Message), null);
        }
    }
}
