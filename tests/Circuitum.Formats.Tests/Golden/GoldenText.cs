using Circuitum.Core.Jobs;
using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json.Nodes;
using Circuitum.Core;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Wiring;
using Circuitum.Formats.Csv;
using Circuitum.Formats.PlanFile;

namespace Circuitum.Formats.Tests.Golden;

/// <summary>A plan as it is kept: what people read as text, the rest as a short hash for each part, so that a difference names what
/// moved.</summary>
internal static class GoldenText
{
    public static string Of(Plan plan, bool demo)
    {
        var text = new StringBuilder();
        void Section(string name, IEnumerable<string> lines) => text.Append('[').Append(name).Append("]\n").AppendJoin('\n', lines)
            .Append("\n\n");
        Section("sum", Sum(plan));
        Section("schedule.csv", Lines(CsvFiles.Schedule(plan)));
        Section("tags.csv", demo ? Lines(CsvFiles.Tags(plan))
            : plan.Tags.Select(t => $"{t.Severity},{t.Rule},{t.Subject},{Hash(t.Headline + t.Arithmetic)}"));
        Section("circuits", Circuits(plan));
        Section("panels", MakeUps(plan));
        Section("lists", PlanFolder.Of(plan)
            .Where(f => f.Name is "home-runs.csv" or "pull-list.csv" or "material.csv" or "pre-drill.csv"
                || f.Name.EndsWith(".txt", StringComparison.Ordinal))
            .Select(f => $"{f.Name} {Hash(string.Join('\n', Lines(Encoding.UTF8.GetString(f.Write()))
                .Select(l => f.Name == "pull-list.csv" ? l[l.IndexOf(',', StringComparison.Ordinal)..] : l)))}"));
        return text.ToString();
    }

    private static IEnumerable<string> Sum(Plan plan)
    {
        yield return $"edition {plan.Job.Edition.Key()}";
        yield return $"{plan.Circuits.Length} circuits, {plan.Footage.WholeFeetUp} ft, {plan.Job.Boxes.Length} boxes, "
            + $"{plan.Holes.All.Length} holes";
        yield return string.Join(", ", Enum.GetValues<Severity>().Select(s => $"{plan.Tags.Count(t => t.Severity == s)} {s}"));
        foreach (var (name, sum) in new[] { ("standard", plan.Service.Standard), ("optional", plan.Service.Optional!) }.Where(s => s.Item2
            is not null))
        {
            yield return $"{name} {Number(sum.Total.Value)} VA "
                + $"{Hash(string.Join('\n', sum.Lines.Select(l =>
                    $"{l.Text}|{l.Sum}|{Number(l.Counted.Value)}|{l.Section}|{Number(l.Neutral.Value)}")))}";
        }
    }

    // From plan.json: each circuit by parts, so that a difference says whether its breaker, its reasons or its way moved.
    private static IEnumerable<string> Circuits(Plan plan)
    {
        var root = JsonNode.Parse(PlanFiles.Write(plan))!;
        foreach (var circuit in root["panels"]!.AsArray().SelectMany(p => p!["circuits"]!.AsArray()))
        {
            var key = circuit!["circuit"]!.GetValue<string>();
            var wired = plan.Circuits.First(c => c.Circuit.Key.Value == key);
            // A run's id is an address, not a result: it may change its form.
            foreach (var run in circuit["runs"]!.AsArray())
            {
                run!.AsObject().Remove("run");
            }

            var fill = string.Join(' ',
                wired.Circuit.Boxes.Select(b => $"{b} {wired.Boxes[b].Volume.Value} {wired.Boxes[b].Given} {wired.Boxes[b].Gangs}"));
            yield return $"{key} boxes={Hash(circuit["boxes"]!.ToJsonString())} fill={Hash(fill)} wiring="
                + $"{Hash(string.Join('\n', wired.Circuit.Boxes.Select(b => Wiring(plan.WiringOf(b)!))))} runs="
                + $"{Hash(circuit["runs"]!.ToJsonString())} "
                + string.Join(' ', circuit["because"]!.AsObject().Select(p => $"{p.Key}={Hash(p.Value!.ToJsonString())}"));
        }
    }

    private static string Wiring(BoxWiring box) => string.Join('\n', box.Joints.Select(j =>
        $"{j.By} {j.Onward} "
            + $"{string.Join('+', j.Ends.Select(e =>
                    $"{box.Cables.First(c => c.Run == e.Run).Letter}{e.Conductor.Letters}{e.Conductor.ReMarked}"))} "
                + $"{string.Join('+', j.Terminals.Select(t => $"{t.Gang}{t.Kind}"))}"));

    // What a crew reads at the panel, step by step.
    private static IEnumerable<string> MakeUps(Plan plan) => plan.Panels.Select(p =>
        $"make-up {p.Panel.Id} "
            + $"{Hash(string.Join('\n', MakeUpGuide.Of(p, plan.Job, plan.Book).
                Steps.Select(s => $"{s.Title}|{s.Note}|{string.Join('|', s.Lines.Select(l => $"{l.Number} {l.What} {l.Where}"))}")))}");

    private static IEnumerable<string> Lines(string text) => text.TrimEnd('\n').Split('\n');

    private static string Number(decimal value) => value.ToString("0.##", CultureInfo.InvariantCulture);

    private static string Hash(string text) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text)))[..6];
}
