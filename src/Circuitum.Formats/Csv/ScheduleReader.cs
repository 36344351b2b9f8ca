using System.Globalization;
using Circuitum.Core.Jobs;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using CsvHelper;

namespace Circuitum.Formats.Csv;

/// <summary>Reads a schedule that somebody typed. What is in it stays text: nothing is worked out, nothing is run.</summary>
public static class ScheduleReader
{
    /// <summary>Largest file.</summary>
    public const int MostBytes = TypedCsv.MostBytes;

    /// <summary>Most lines.</summary>
    public const int MostLines = 500;

    /// <summary>The lines of a file with a column for space and one for description, and where it has them for panel, poles and
    /// breaker_amps.</summary>
    /// <param name="file">The file.</param>
    /// <param name="panel">The panel of lines that name none.</param>
    /// <exception cref="FormatException">It is no such file; the message names the line and says what to do.</exception>
    public static IReadOnlyList<ScheduleLine> Read(byte[] file, PanelId panel) =>
        TypedCsv.Read(file, "a schedule has a line for each breaker", csv => Lines(csv, panel));

    private static List<ScheduleLine> Lines(CsvReader csv, PanelId panel)
    {
        if (!csv.Read() || !csv.ReadHeader())
        {
            throw new FormatException(
                "The file is empty. Its first line names the columns: space, description, and where there are such panel, poles, "
                + "breaker_amps.");
        }

        var columns = csv.HeaderRecord!.Select(h => h.Trim().ToLowerInvariant()).ToList();
        foreach (var needed in new[] { "space", "description" })
        {
            if (!columns.Contains(needed))
            {
                throw new FormatException(
                    $"Line 1 names no column “{needed}”. It reads: {TypedCsv.Quoted(string.Join(", ", columns))}. Name the columns space, "
                    + $"description, and where there are such panel, poles, breaker_amps.");
            }
        }

        var lines = new List<ScheduleLine>();
        var seen = new Dictionary<(string, PanelSpace), int>();
        while (csv.Read())
        {
            var row = csv.Parser.Row;
            if (lines.Count == MostLines)
            {
                throw new FormatException($"Line {row}: more than {MostLines} breakers. A schedule has a line for each; nothing was read.");
            }

            string? Field(string name) => columns.Contains(name) && csv.TryGetField<string>(name, out var value)
                && !string.IsNullOrWhiteSpace(value) ? value.Trim() : null;
            if (Field("space") is not { } spaces)
            {
                continue;
            }

            // What the plan's own list says of a feeder on feed-through lugs, and of what finds no space: no breaker.
            if (spaces is "lugs" or "none")
            {
                continue;
            }

            var at = spaces.Split('/', '-', ' ')[0];
            if (!PanelSpace.TryParse(at, out var space) || space.Number is < 1 or > PanelSpace.Most)
            {
                throw new FormatException(
                    $"Line {row}: “{TypedCsv.Quoted(spaces)}” is no space; write 14, 14a for half of one, or 1/3 for two poles.");
            }

            var description = Field("description") ?? "";
            if (description.Length == 0 || description.Equals("spare", StringComparison.OrdinalIgnoreCase)
                || description.Equals("space", StringComparison.OrdinalIgnoreCase))
            {
                continue;
            }

            if (description.Length > 200)
            {
                throw new FormatException($"Line {row}: the description has {description.Length} characters; at most 200.");
            }

            var named = Field("panel") ?? panel.Value;
            if (!seen.TryAdd((named, space), row))
            {
                throw new FormatException(
                    $"Line {row}: space {space} of panel {TypedCsv.Quoted(named)} stands in line "
                    + $"{seen[(named, space)]} already. A space holds "
                    + $"one breaker; correct one of them.");
            }

            int? poles = Field("poles") is { } p ? int.TryParse(p, NumberStyles.None, CultureInfo.InvariantCulture, out var number)
                && number is 1 or 2 ? number
                : throw new FormatException($"Line {row}: “{TypedCsv.Quoted(p)}” is no number of poles; write 1 or 2.")
                : spaces.Contains('/', StringComparison.Ordinal) ? 2 : null;
            Amps? amps = Field("breaker_amps") is { } a
                ? decimal.TryParse(a.TrimEnd('A', 'a', ' '), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var rating)
                && rating is >= 5 and <= 400 ? new Amps(rating)
                : throw new FormatException($"Line {row}: “{TypedCsv.Quoted(a)}” is no breaker; write 20.") : null;
            lines.Add(new(new(named), space, poles, description, amps));
        }

        return lines.Count > 0 ? lines
            : throw new FormatException("The file names no breaker: no line has both a space and a description.");
    }
}
