using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;

namespace Circuitum.Formats.Csv;

/// <summary>CSV that somebody typed or saved from a sheet: commas or semicolons, names of columns in the first line.</summary>
internal static class TypedCsv
{
    /// <summary>Largest file.</summary>
    public const int MostBytes = 512 * 1024;

    /// <summary>Reads a file; what is in it stays text: nothing is worked out, nothing is run.</summary>
    /// <param name="file">The file.</param>
    /// <param name="what">What it should be: a schedule has a line for each breaker.</param>
    /// <param name="read">Reads the columns' names and what follows.</param>
    /// <exception cref="FormatException">It is no CSV; the message says what to do.</exception>
    public static T Read<T>(byte[] file, string what, Func<CsvReader, T> read)
    {
        if (file.Length > MostBytes)
        {
            throw new FormatException($"The file is larger than {MostBytes / 1024} KB; {what}. Nothing was read.");
        }

        if (file.Contains((byte)0))
        {
            throw new FormatException("This is no CSV text. Save the sheet as CSV and try again.");
        }

        try
        {
            var text = Encoding.UTF8.GetString(file).TrimStart('\uFEFF');
            var first = text.Split('\n', 2)[0];
            using var csv = new CsvReader(new StringReader(text), new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = first.Count(c => c == ';') > first.Count(c => c == ',') ? ";" : ",",
                BadDataFound = null,
                MissingFieldFound = null,
                TrimOptions = TrimOptions.Trim,
                PrepareHeaderForMatch = h => h.Header?.Trim().ToLowerInvariant() ?? "",
            });
            return read(csv);
        }
        catch (CsvHelperException e)
        {
            throw new FormatException($"Line {e.Context?.Parser?.Row ?? 1} cannot be read as CSV. Save the sheet as CSV and try again.", e);
        }
    }

    /// <summary>A piece of what was typed, as a message quotes it.</summary>
    public static string Quoted(string text) => text.Length <= 60 ? text : text[..60] + "…";
}
