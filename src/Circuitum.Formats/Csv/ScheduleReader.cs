using System.Globalization;
using System.Text;
using Circuitum.Core.Jobs;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using CsvHelper;
using CsvHelper.Configuration;

namespace Circuitum.Formats.Csv;

/// <summary>Reads a schedule that somebody typed. What is in it stays text: nothing is worked out, nothing is run.</summary>
public static class ScheduleReader
{
    /// <summary>Largest file.</summary>
    public const int MostBytes = 512 * 1024;

    /// <summary>Most lines.</summary>
    public const int MostLines = 500;

    private static CsvConfiguration Configuration(string separator) =>
        new(CultureInfo.InvariantCulture)
        {
            Delimiter = separator,
            BadDataFound = null,
            MissingFieldFound = null,
            TrimOptions = TrimOptions.Trim,
            PrepareHeaderForMatch = h => h.Header?.Trim().ToLowerInvariant() ?? ""
        };

    /// <summary>The lines of a file with a column for space and one for description, and where it has them for panel, poles and
    /// breaker_amps.</summary>
    /// <param name="file">The file.</param>
    /// <param name="panel">The panel of lines that name none.</param>
    /// <exception cref="FormatException">It is no such file; the message names the line and says what to do.</exception>
    public static IReadOnlyList<ScheduleLine> Read(byte[] file, PanelId panel)
    {
        if (file.Length > MostBytes)
        {
            throw new FormatException(
                $"The file is larger than {MostBytes / 1024} KB; a schedule has a line for each breaker. Nothing was read.");
        }

        if (file.Contains((byte)0))
        {
            throw new FormatException("This is no CSV text. Save the sheet as CSV and try again.");
        }

        try
        {
            return Lines(Encoding.UTF8.GetString(file).TrimStart('\uFEFF'), panel);
        }
        catch (CsvHelperException e)
        {
            throw new FormatException($"Line {e.Context?.Parser?.Row ?? 1} cannot be read as CSV. Save the sheet as CSV and try again.", e);
        }
    }

    private static List<ScheduleLine> Lines(string text, PanelId panel)
    {
        var separator = text.Split('\n', 2)[0] is var first && first.Count(c => c == ';') > first.Count(c => c == ',') ? ";" : ",";
        using var csv = new CsvReader(new StringReader(text), Configuration(separator));
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
                    $"Line 1 names no column “{needed}”. It reads: {Quoted(string.Join(", ", columns))}. Name the columns space, "
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
                    $"Line {row}: “{Quoted(spaces)}” is no space; write 14, 14a for half of one, or 1/3 for two poles.");
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
                    $"Line {row}: space {space} of panel {Quoted(named)} stands in line {seen[(named, space)]} already. A space holds "
                    + $"one breaker; correct one of them.");
            }

            int? poles = Field("poles") is { } p ? int.TryParse(p, NumberStyles.None, CultureInfo.InvariantCulture, out var number)
                && number is 1 or 2 ? number : throw new FormatException($"Line {row}: “{Quoted(p)}” is no number of poles; write 1 or 2.")
                : spaces.Contains('/', StringComparison.Ordinal) ? 2 : null;
            Amps? amps = Field("breaker_amps") is { } a
                ? decimal.TryParse(a.TrimEnd('A', 'a', ' '), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var rating)
                && rating is >= 5 and <= 400 ? new Amps(rating)
                : throw new FormatException($"Line {row}: “{Quoted(a)}” is no breaker; write 20.") : null;
            lines.Add(new(new(named), space, poles, description, amps));
        }

        return lines.Count > 0 ? lines
            : throw new FormatException("The file names no breaker: no line has both a space and a description.");
    }

    private static string Quoted(string text) => text.Length > 60 ? text[..60] + "…" : text;
}
