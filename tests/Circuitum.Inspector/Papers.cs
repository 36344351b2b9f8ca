using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;

namespace Circuitum.Inspector;

/// <summary>What the program wrote for one job, and nothing else of it: the job file, plan.json and the lists.</summary>
/// <param name="JobFile">The whole job file.</param>
/// <param name="Plan">plan.json.</param>
/// <param name="Schedule">Rows of schedule.csv by their headings.</param>
/// <param name="PullList">Rows of pull-list.csv.</param>
/// <param name="Material">Rows of material.csv.</param>
/// <param name="HomeRuns">Rows of home-runs.csv.</param>
public sealed record Papers(JsonObject JobFile, JsonObject Plan, List<Dictionary<string, string>> Schedule,
    List<Dictionary<string, string>> PullList, List<Dictionary<string, string>> Material, List<Dictionary<string, string>> HomeRuns)
{
    /// <summary>The job in its file.</summary>
    public JsonObject Job => JobFile["job"]!.AsObject();

    /// <summary>Planned by the Canadian method, not by an edition of the United States.</summary>
    public bool IsCanadian => Plan["rules"]!["family"]!.GetValue<string>() == "canada";

    /// <summary>2017, 2020 or 2023; 2021 of the Canadian method.</summary>
    public int Edition => Plan["rules"]!["edition"]!.GetValue<int>();

    /// <summary>Circuits with the id of their panel.</summary>
    public IEnumerable<(string Panel, JsonObject Circuit)> Circuits => Plan.Each("panels")
        .SelectMany(p => p.Each("circuits").Select(c => (p.Text("panel"), c)));

    /// <summary>Reads the papers from their texts.</summary>
    public static Papers Read(string job, string plan, string schedule, string pullList, string material, string homeRuns) => new(
        JsonNode.Parse(job)!.AsObject(), JsonNode.Parse(plan)!.AsObject(), Rows(schedule), Rows(pullList), Rows(material), Rows(homeRuns));

    internal static List<Dictionary<string, string>> Rows(string csv)
    {
        var lines = Fields(csv);
        return [.. lines.Skip(1).Select(l => lines[0].Zip(l).ToDictionary(p => p.First, p => p.Second))];
    }

    // RFC 4180: quotes around what holds a comma, doubled within.
    private static List<List<string>> Fields(string csv)
    {
        List<List<string>> rows = [];
        List<string> row = [];
        var field = new StringBuilder();
        var quoted = false;
        for (var i = 0; i < csv.Length; i++)
        {
            var c = csv[i];
            if (quoted && c == '"' && i + 1 < csv.Length && csv[i + 1] == '"')
            {
                field.Append('"');
                i++;
            }
            else if (c == '"')
            {
                quoted = !quoted;
            }
            else if (!quoted && c is ',' or '\n')
            {
                row.Add(field.ToString().TrimEnd('\r'));
                field.Clear();
                if (c == '\n')
                {
                    rows.Add(row);
                    row = [];
                }
            }
            else
            {
                field.Append(c);
            }
        }

        return rows;
    }
}

/// <summary>Short ways to read JSON and lengths as they are written.</summary>
public static class Reading
{
    extension(JsonNode node)
    {
        /// <summary>Its members of a list; none where it is left out.</summary>
        public IEnumerable<JsonObject> Each(string list) => node[list] is JsonArray items ? items.Select(i => i!.AsObject()) : [];

        /// <summary>Texts of a list.</summary>
        public List<string> Texts(string list) => node[list] is JsonArray items ? [.. items.Select(i => i!.ToString())] : [];

        /// <summary>A text, or what stands for one left out.</summary>
        public string Text(string name, string otherwise = "") => node[name]?.ToString() ?? otherwise;

        /// <summary>A number.</summary>
        public double Number(string name, double otherwise = 0) =>
            node[name] is { } value ? double.Parse(value.ToString(), CultureInfo.InvariantCulture) : otherwise;

        /// <summary>True where it says so.</summary>
        public bool Says(string name) => node[name]?.GetValue<bool>() == true;

        /// <summary>A length in inches.</summary>
        public double Inches(string name, double otherwise = 0) => node[name] is { } value ? Reading.Inches(value.ToString()) : otherwise;

        /// <summary>A place of two or three lengths.</summary>
        public double[] Place(string name) => [.. node[name]!.AsArray().Select(v => Reading.Inches(v!.ToString()))];
    }

    /// <summary>Feet and inches as the trade writes them: 12-6, 12'-6 1/2", 9 1/4", -4 5/8".</summary>
    public static double Inches(string text)
    {
        var sign = text.StartsWith('-') ? -1 : 1;
        var rest = text.TrimStart('-').Replace("\"", "", StringComparison.Ordinal);
        double feet = 0;
        var mark = rest.IndexOfAny(['\'', '-']);
        if (mark >= 0)
        {
            feet = double.Parse(rest[..mark], CultureInfo.InvariantCulture);
            rest = rest[(mark + 1)..].TrimStart('-', ' ');
        }

        var inches = rest.Split(' ', StringSplitOptions.RemoveEmptyEntries).Sum(part => part.Split('/') is [var over, var under]
            ? double.Parse(over, CultureInfo.InvariantCulture) / double.Parse(under, CultureInfo.InvariantCulture)
            : double.Parse(part, CultureInfo.InvariantCulture));
        return sign * ((feet * 12) + inches);
    }
}

/// <summary>A fault that the inspector found.</summary>
/// <param name="Check">Which of the checks.</param>
/// <param name="Article">Section of the model code that it rests on, as far as its paragraph; empty for a sum that does not come
/// out.</param>
/// <param name="Subjects">What it hangs on, written as tags write it.</param>
/// <param name="What">In a sentence.</param>
public sealed record Finding(string Check, string Article, string[] Subjects, string What);
