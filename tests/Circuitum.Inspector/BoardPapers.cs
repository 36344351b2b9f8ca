using System.Globalization;

namespace Circuitum.Inspector;

/// <summary>What the program wrote for the metric boards of one house, and nothing else of it.</summary>
/// <param name="List">The point list that it was given.</param>
/// <param name="Schedule">Rows of board-schedule.csv by their headings.</param>
/// <param name="Points">Rows of board-points.csv.</param>
/// <param name="Material">Rows of board-material.csv.</param>
/// <param name="Told">What it said is wrong, a sentence each, beginning with its place: “Board A, way 7: …”.</param>
public sealed record BoardPapers(string List, List<Dictionary<string, string>> Schedule, List<Dictionary<string, string>> Points,
    List<Dictionary<string, string>> Material, List<string> Told)
{
    /// <summary>Reads the papers from their texts.</summary>
    public static BoardPapers Read(string list, string schedule, string points, string material, IEnumerable<string> told) =>
        new(list, Papers.Rows(schedule), Papers.Rows(points), Papers.Rows(material), [.. told]);

    /// <summary>A number of a row.</summary>
    internal static double Number(Dictionary<string, string> row, string name) => double.Parse(row[name], CultureInfo.InvariantCulture);

    /// <summary>What a setting of the list says; empty where it says nothing.</summary>
    internal string Setting(string name) => List.Split('\n').Select(l => l.Split(':', 2)).Where(l => l.Length == 2 && l[0] == name)
        .Select(l => l[1].Trim()).FirstOrDefault("");
}
