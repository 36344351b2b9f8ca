using System.Collections.Immutable;
using System.Text.RegularExpressions;
using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;

namespace Circuitum.Core.Lines;

/// <summary>A line that says the same of several rooms or walls, taken apart: “window 4-0 south of bed 2, bed 3 and living”.</summary>
internal static partial class SeveralLines
{
    /// <summary>One line for each; the line itself where it names one. A list is one only where each of it is a room.</summary>
    public static ImmutableArray<string> Of(Job job, LevelId level, string line)
    {
        var furnish = line.StartsWith("furnish ", StringComparison.OrdinalIgnoreCase);
        if (!furnish && Spoken.Opening(line) is null && Spoken.Fixture(line) is null && !BoxLine.IsNamed(line))
        {
            return [line];
        }

        if (!furnish && Sides().Match(line) is { Success: true } sided)
        {
            return [.. sided.Groups["side"].Captures.SelectMany(side =>
                Of(job, level, $"{line[..sided.Index]}{side.Value} of {line[(sided.Index + sided.Length)..]}"))];
        }

        return Rooms().Match(line) is { Success: true } said && Parts().Split(said.Groups["rooms"].Value) is { Length: > 1 } parts
            && Array.TrueForAll(parts, p => IsRoom(job, level, p)) && !IsRoom(job, level, said.Groups["rooms"].Value)
                ? [.. parts.Select(p => $"{said.Groups["head"].Value}{p}{said.Groups["tail"].Value}")] : [line];
    }

    private static bool IsRoom(Job job, LevelId level, string words)
    {
        try
        {
            return Spoken.Room(job, level, words).Name.Length > 0;
        }
        catch (ChangeRefusedException)
        {
            return false;
        }
    }

    [GeneratedRegex("(?<= )(?<side>" + Spoken.SidePattern + ")(?:(?:, | and |, and )(?<side>" + Spoken.SidePattern
        + "))+(?: sides?| walls?)?(?: of)? ", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Sides();

    [GeneratedRegex("^(?<head>.*?(?:(?<= )of | to | in |^furnish |(?<= )(?:" + Spoken.SidePattern + ")(?: side| wall)? (?:of )?)(?:the )?)"
        + "(?<rooms>.+?)(?<tail>(?:,? (?:at|sill) .*)?)$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Rooms();

    [GeneratedRegex(@"\s*(?:,\s*and|,|&|\band)\s+(?:the )?", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Parts();
}

/// <summary>What one line says of several rooms or walls, one after the other; all of it or nothing.</summary>
/// <param name="Level">The level that is drawn.</param>
/// <param name="Lines">A line for each.</param>
internal sealed record SaySeveral(LevelId Level, ImmutableArray<string> Lines) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var said = new List<string>();
        foreach (var line in Lines)
        {
            var (outcome, _) = SayLines.Said(job, Level, line);
            job = outcome.Job ?? throw new ChangeRefusedException($"“{line}”: {outcome.Refusal} Nothing was drawn.");
            said.Add(outcome.Phrase);
        }

        // “Set a window of 4'-0" into the south wall of Bedroom 2, into the south wall of Bedroom 3”.
        var head = said.Count > 1 && said.TrueForAll(s => s.Contains(" into ", StringComparison.Ordinal))
            ? said[0][..said[0].IndexOf(" into ", StringComparison.Ordinal)] : "";
        phrase = head.Length > 0 && said.TrueForAll(s => s.StartsWith(head + " into ", StringComparison.Ordinal))
            ? head + string.Join(',', said.Select(s => s[head.Length..])) : string.Join("; ", said);
        return job;
    }
}
