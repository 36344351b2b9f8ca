using System.Text.Json;
using System.Text.Json.Nodes;
using Circuitum.Core;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;

namespace Circuitum.Formats.PlanFile;

/// <summary>Writes plan.json: the whole plan with the chain of reasons behind every decided figure.</summary>
public static class PlanFiles
{
    private static readonly JsonSerializerOptions Indented = new()
    {
        WriteIndented = true,
        NewLine = "\n",
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping
    };

    /// <summary>The plan as JSON text.</summary>
    public static string Write(Plan plan) => new JsonObject
    {
        ["format"] = "circuitum-plan",
        ["version"] = 1,
        ["job"] = plan.Job.Name,
        ["edition"] = (int)plan.Job.Edition,
        ["footageFt"] = plan.Footage.WholeFeetUp,
        ["floorAreaSqFt"] = plan.Survey.FloorArea.Value,
        ["panels"] = List(plan.Panels, p => new JsonObject
        {
            ["panel"] = p.Panel.Id.Value,
            ["where"] = p.Where,
            ["legAVa"] = p.On(Core.Panels.Leg.A).Value,
            ["legBVa"] = p.On(Core.Panels.Leg.B).Value,
            ["circuits"] = List(p.Circuits, Circuit),
        }),
        ["tags"] = List(plan.Tags, t => new JsonObject
        {
            ["severity"] = t.Severity.ToString().ToLowerInvariant(),
            ["stage"] = t.Stage.ToString().ToLowerInvariant(),
            ["subject"] = t.Subject.ToString(),
            ["rule"] = t.Rule,
            ["headline"] = t.Headline,
            ["arithmetic"] = t.Arithmetic,
        }),
    }.ToJsonString(Indented) + "\n";

    private static JsonObject Circuit(Core.Panels.Landed landed)
    {
        var safe = landed.Protected;
        var sized = safe.Sized;
        return new()
        {
            ["circuit"] = landed.Key.Value,
            ["description"] = landed.Description,
            ["spaces"] = List(landed.Spaces, s => s.IsHalf ? JsonValue.Create(s.ToString()) : JsonValue.Create(s.Number)),
            ["breakerAmps"] = landed.Breaker.Value,
            ["breakerKind"] = safe.Mark,
            ["cable"] = sized.Cable,
            ["loadVa"] = landed.Load.Connected.Value,
            ["dropPercent"] = decimal.Round(landed.Wired.Drop.Value, 2),
            ["boxes"] = List(landed.Boxes, b => JsonValue.Create(b.Value)),
            ["because"] = new JsonObject
            {
                ["circuit"] = Why(landed.Wired.Circuit.Why),
                ["breaker"] = Why(sized.Breaker.Why),
                ["conductor"] = Why(sized.Gauge.Why),
                ["protection"] = Why(safe.Kind.Why),
                ["drop"] = Why(sized.Drop.Why),
                ["space"] = Why(landed.Why),
            },
            ["runs"] = List(sized.Routed.Runs, r => new JsonObject
            {
                ["run"] = r.Id.ToString(),
                ["kind"] = Core.Jobs.Words.Of(r.Kind),
                ["cable"] = sized.CableOf(r),
                ["from"] = r.From.Id,
                ["to"] = r.To.Id,
                ["lengthFt"] = r.Length.Value.WholeFeetUp,
                ["because"] = Why(r.Length.Why),
                ["path"] = List(r.Way.Legs,
                    l => new JsonObject { ["space"] = Core.Jobs.Words.Of(l.Space), ["from"] = At(l.From), ["to"] = At(l.To) }),
            }),
        };
    }

    private static JsonArray At(Core.Units.Point3 p) => [p.X.ToString(), p.Y.ToString(), p.Z.ToString()];

    private static JsonArray Why(Because because) => List(because.Steps, s => new JsonObject
    {
        ["text"] = s.Text,
        ["value"] = s.Value,
        ["from"] = Core.Jobs.Words.Of(s.From),
        ["cite"] = s.Cite,
    });

    private static JsonArray List<T>(IEnumerable<T> items, Func<T, JsonNode?> write) => new([.. items.Select(write)]);
}
