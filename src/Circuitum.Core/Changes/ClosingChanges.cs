using System.Globalization;
using Circuitum.Core.Jobs;

namespace Circuitum.Core.Changes;

/// <summary>Says when something is covered; null where the day is not known any more.</summary>
public sealed record SetClosingDay(Closing Closing, DateOnly? Day) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var others = job.Closings.RemoveAll(c => c.Closing == Closing);
        phrase = Day is { } day ? string.Create(CultureInfo.InvariantCulture, $"{ClosingWords.Of(Closing)}: {day:yyyy-MM-dd}")
            : $"{ClosingWords.Of(Closing)}: no day yet";
        return job with { Closings = Day is { } set ? others.Add(new(Closing, set)) : others };
    }
}

/// <summary>Adds a line of the crew's own to the walk.</summary>
public sealed record AddCrewLine(Closing Closing, string Text, bool InEveryRoom) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var text = Printed.Of(Text);
        if (job.CrewLines.Any(l => l.Closing == Closing && string.Equals(l.Text, text, StringComparison.OrdinalIgnoreCase)))
        {
            throw new ChangeRefusedException("That line is on the walk already.");
        }

        phrase = $"Look before {ClosingWords.Before(Closing)}: {text}";
        return job with
        {
            CrewLines = job.CrewLines.Add(new(new(Ids.Numbered("crew", job.CrewLines.Select(l => l.Id.Value))), Closing, text)
            { InEveryRoom = InEveryRoom }),
        };
    }
}

/// <summary>Takes a line of the crew's own off the walk; what was written down at it stays in the record.</summary>
public sealed record DropCrewLine(Id<CrewLine> Line) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var line = job.CrewLines.FirstOrDefault(l => l.Id == Line)
            ?? throw new ChangeRefusedException("That line is not on the walk any more.");
        phrase = $"Look no more before {ClosingWords.Before(line.Closing)}: {line.Text}";
        return job with { CrewLines = job.CrewLines.Remove(line) };
    }
}

/// <summary>What covers something, in words.</summary>
public static class ClosingWords
{
    /// <summary>As a line is headed: Insulation and board.</summary>
    public static string Of(Closing closing) => closing switch
    {
        Closing.Pour => "The slab is poured",
        Closing.Trench => "The trench is filled",
        Closing.Walls => "Insulation and board",
        _ => "The house is handed over",
    };

    /// <summary>As it stands behind “before”: the trench is filled.</summary>
    public static string Before(Closing closing) => Of(closing) is var words ? char.ToLowerInvariant(words[0]) + words[1..] : words;
}
