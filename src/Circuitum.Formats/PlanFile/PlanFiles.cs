using System.Text.Json;
using System.Text.Json.Nodes;
using Circuitum.Core.Jobs;
using Circuitum.Core;
using Circuitum.Core.Demand;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Wiring;

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
        ["rules"] = new JsonObject { ["family"] = plan.Job.Edition.Family().Key(), ["edition"] = plan.Job.Edition.Year() },
        ["footageFt"] = plan.Footage.WholeFeetUp,
        ["floorAreaSqFt"] = plan.Survey.FloorArea.Value,
        ["service"] = Service(plan),
        ["panels"] = List(plan.Panels, p => new JsonObject
        {
            ["panel"] = p.Panel.Id.Value,
            ["where"] = p.Where,
            ["fedFrom"] = p.Panel.FedFrom?.Value,
            ["ratingAmps"] = p.Panel.Rating.Value,
            ["legAVa"] = p.On(Core.Panels.Leg.A).Value,
            ["legBVa"] = p.On(Core.Panels.Leg.B).Value,
            ["circuits"] = List(p.Circuits, Circuit),
        }),
        ["boxes"] = List(plan.Circuits.SelectMany(c => c.Boxes.Select(b => (Circuit: c, Box: b.Key, Wired: b.Value)))
            .OrderBy(b => b.Box.Value, StringComparer.Ordinal), b => Box(plan, b.Circuit, b.Box, b.Wired)),
        ["holes"] = List(plan.Holes.All, h => new JsonObject
        {
            ["member"] = h.Spot.ToString(),
            ["at"] = At(h.At),
            ["sealed"] = h.Sealed,
            ["ambientC"] = h.Ambient.Degrees,
            ["runs"] = List(h.Runs, r => JsonValue.Create(r.ToString())),
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

    // Both methods, line by line, whichever the job goes by.
    private static JsonObject Service(Plan plan) => new()
    {
        ["method"] = Core.Jobs.Words.Of(plan.Service.Method),
        ["standardVa"] = plan.Service.Standard.Total.Value,
        ["optionalVa"] = plan.Service.Optional?.Total.Value,
        ["standard"] = Lines(plan.Service.Standard),
        ["optional"] = plan.Service.Optional is { } optional ? Lines(optional) : null,
    };

    private static JsonArray Lines(LoadSum sum) => List(sum.Lines, l => new JsonObject
    {
        ["text"] = l.Text,
        ["sum"] = l.Sum,
        ["countedVa"] = l.Counted.Value,
        ["cite"] = l.Section,
    });

    // How full a box is and what protects it: the breaker, a box whose device does, or nothing.
    private static JsonObject Box(Plan plan, WiredCircuit circuit, Core.Jobs.BoxId box, WiredBox wired)
    {
        var safe = circuit.Protected;
        var outlet = safe.Outlets[box];
        return new()
        {
            ["box"] = box.Value,
            ["circuit"] = circuit.Circuit.Key.Value,
            ["at"] = At(plan.Survey[box].Place.At),
            ["gangs"] = wired.Gangs,
            ["make"] = Core.Jobs.Words.Of(wired.Make),
            ["neededIn3"] = wired.Needed.Value,
            ["volumeIn3"] = wired.Given?.Value,
            ["afci"] = safe.BreakerIsAfci ? "breaker" : outlet.AfciResetAt?.Value,
            ["gfci"] = safe.BreakerIsGfci ? "breaker" : outlet.ResetAt?.Value,
        };
    }

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
            ["volts"] = safe.Circuit.Load.Volts.Value,
            ["sharesNeutralWith"] = safe.Circuit.SharesNeutralWith?.Value,
            ["cable"] = sized.Cable,
            ["metal"] = Core.Jobs.Words.Of(sized.Metal),
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
                ["gauge"] = sized.GaugeOf(r).ToString(),
                ["ground"] = r.Jacket == Core.Rules.Jacket.Loose ? sized.Ground?.ToString() : null,
                ["jacket"] = Core.Jobs.Words.Of(r.Jacket),
                ["pipe"] = r.Pipe?.Value,
                ["ridesIn"] = r.RidesIn?.ToString(),
                ["carries"] = List(r.Carries, c => JsonValue.Create(Core.Jobs.Words.Of(c))),
                ["from"] = r.From.Id,
                ["to"] = r.To.Id,
                ["lengthFt"] = r.Length.Value.WholeFeetUp,
                ["because"] = Why(r.Length.Why),
                ["path"] = List(r.Way.Legs,
                    l => new JsonObject
                    {
                        ["space"] = Core.Jobs.Words.Of(l.Space),
                        ["ambientC"] = l.Ambient.Degrees,
                        ["from"] = At(l.From),
                        ["to"] = At(l.To)
                    }),
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
