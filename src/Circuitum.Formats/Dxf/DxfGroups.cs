using System.Globalization;
using System.Text;
using Circuitum.Formats.Drawings;

namespace Circuitum.Formats.Dxf;

/// <summary>One pair of an ASCII DXF: a code and its value.</summary>
internal readonly record struct DxfGroup(int Code, string Value, int Line)
{
    public double Number => double.TryParse(Value.Trim(), NumberStyles.Float, CultureInfo.InvariantCulture, out var number)
        && double.IsFinite(number)
        ? number
        : throw new DrawingException($"Line {Line + 1}: “{Short(Value)}” is no number for code {Code}.");

    public int Whole => int.TryParse(Value.Trim(), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var number)
        ? number
        : throw new DrawingException($"Line {Line + 1}: “{Short(Value)}” is no whole number for code {Code}.");

    internal static string Short(string value) => value.Trim() is { Length: > 24 } text ? text[..24] + "…" : value.Trim();
}

/// <summary>Cuts an ASCII DXF into its pairs.</summary>
internal static class DxfGroups
{
    /// <summary>Largest file taken, 5 MB.</summary>
    public const int MostBytes = 5 * 1024 * 1024;

    /// <summary>All pairs of a file, in order.</summary>
    /// <exception cref="DrawingException">Too large, binary, or no pairs.</exception>
    public static List<DxfGroup> Of(byte[] bytes)
    {
        if (bytes.Length > MostBytes)
        {
            throw new DrawingException("The drawing is larger than 5 MB. Bring in only the floor plan.");
        }

        if (bytes.AsSpan(0, Math.Min(64, bytes.Length)).Contains((byte)0))
        {
            throw new DrawingException("This is a binary file. Save the drawing as ASCII DXF and bring that in.");
        }

        var lines = Encoding.UTF8.GetString(bytes).TrimStart('\uFEFF').Split('\n');
        var groups = new List<DxfGroup>(lines.Length / 2);
        for (var i = 0; i + 1 < lines.Length; i += 2)
        {
            if (!int.TryParse(lines[i].Trim(), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var code))
            {
                throw new DrawingException(
                    $"Line {i + 1}: “{DxfGroup.Short(lines[i])}” stands where a DXF has a group code. "
                    + $"{(i == 0 ? "This is no ASCII DXF." : "A line is missing or too many before it.")}");
            }

            groups.Add(new(code, lines[i + 1].TrimEnd('\r'), i + 1));
        }

        if (groups.Count == 0 || groups.All(g => g.Code != 0))
        {
            throw new DrawingException("This is no ASCII DXF: it has no sections.");
        }

        return groups;
    }
}
