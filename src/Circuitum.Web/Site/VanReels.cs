using Circuitum.Core.Units;

namespace Circuitum.Web.Site;

/// <summary>What stands in the van, as it is typed: one kind of cable a line, its reels by what is left on each.</summary>
public static class VanReels
{
    /// <summary>Most reels of one kind; more stand in no van.</summary>
    public const int Most = 20;

    /// <summary>Reads lines like 12-2: 120, 60.</summary>
    /// <exception cref="FormatException">A line is none; the message quotes it.</exception>
    public static ILookup<string, Length> Read(string typed) => typed
        .Split(['\n', ';'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).SelectMany(Line)
        .ToLookup(x => x.Cable, x => x.Left);

    private static IEnumerable<(string Cable, Length Left)> Line(string line)
    {
        var parts = line.Split(':', 2, StringSplitOptions.TrimEntries);
        var lefts = parts.Length < 2 ? [] : parts[1].Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        if (parts[0].Length is 0 or > 24 || lefts.Length is 0 or > Most)
        {
            throw new FormatException($"“{line}” is no line of reels; write the cable and what is left on each: 12-2: 120, 60.");
        }

        return lefts.Select(l => (parts[0], Left(l, line)));
    }

    // A bare number is feet.
    private static Length Left(string typed, string line)
    {
        var left = Length.Parse(typed.All(char.IsAsciiDigit) ? $"{typed}-0" : typed);
        return left > Length.Zero ? left
            : throw new FormatException($"“{line}”: {typed} is left on no reel; leave out those that are empty.");
    }
}
