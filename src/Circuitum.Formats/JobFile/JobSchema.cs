using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using System.Text.Json.Serialization.Metadata;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Formats.JobFile;

/// <summary>The published JSON Schema of a job file, made from the types that read it, so that the two cannot part.</summary>
public static class JobSchema
{
    private const string IdPattern = "^[A-Za-z0-9][A-Za-z0-9-]{0,39}$";

    /// <summary>The schema, draft 2020-12, as it stands in docs/job.schema.json.</summary>
    public static string Write()
    {
        var job = JobJson.Options.GetJsonSchemaAsNode(typeof(Job),
            new() { TreatNullObliviousAsNonNullable = true, TransformSchemaNode = Describe });
        // Either of the two says the book.
        job["anyOf"] = new JsonArray(new JsonObject { ["required"] = new JsonArray(JobJson.Rules) },
            new JsonObject { ["required"] = new JsonArray("edition") });
        var file = new JsonObject
        {
            ["$schema"] = "https://json-schema.org/draft/2020-12/schema",
            ["title"] = "Circuitum job file, version 1",
            ["type"] = "object",
            ["properties"] = new JsonObject
            {
                ["format"] = new JsonObject { ["const"] = JobFiles.Format },
                ["version"] = new JsonObject { ["const"] = JobFiles.Version },
                ["job"] = job,
            },
            ["required"] = new JsonArray("format", "version", "job"),
            ["additionalProperties"] = false,
        };
        return file.ToJsonString(new()
        {
            WriteIndented = true,
            NewLine = "\n",
            Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping
        }) + "\n";
    }

    // The values with units have readers of their own, which the exporter cannot look into.
    private static JsonNode Describe(JsonSchemaExporterContext context, JsonNode schema)
    {
        var type = Nullable.GetUnderlyingType(context.TypeInfo.Type) ?? context.TypeInfo.Type;
        return Limited(context.PropertyInfo, type == typeof(Length)
            ? Of(new JsonArray("string", "number"), "a length: 12-6, 12' 6 1/2\", 150.5\", 3.2 m; a bare number is inches")
            : type == typeof(PanelSpace)
            ? Of(new JsonArray("integer", "string"), "a space of a panel, 1 to 84; 14a and 14b are the halves of a tandem breaker")
            : type == typeof(Point) ? Pair()
            : type == typeof(Edition)
            ? Books(context.PropertyInfo?.Name == JobJson.Rules)
            : type == typeof(Gauge) ? new JsonObject { ["enum"] = new JsonArray([.. Gauge.All.Select(g => (JsonNode)g.ToString())]) }
            : type == typeof(CircuitKey) ? Of("string", "key of a circuit, from its room or box")
            : type == typeof(RunId) ? Of("string", "a run by its two ends and its purpose: @A~kitchen-1, lamp~switch:leg")
            : IsId(type) ? new JsonObject { ["type"] = "string", ["pattern"] = IdPattern }
            : UnitOf(type) is { } unit ? Of("number", unit)
            : schema);
    }

    private static JsonObject Books(bool named) => named
        ? new()
        {
            ["enum"] = new JsonArray([.. Editions.All.Select(e => (JsonNode)new JsonObject
            { ["family"] = e.Family().Key(), ["edition"] = e.Year() })])
        }
        : new()
        {
            ["enum"] = new JsonArray([.. Editions.Of(RuleFamily.UnitedStates).Select(e => (JsonNode)e.Year())]),
            ["description"] = "read in files of before; written as rules",
        };

    // A number of the crew's says what it is and where it may lie, as its declaration has it.
    private static JsonNode Limited(JsonPropertyInfo? property, JsonNode schema)
    {
        var told = Told(HouseRuleNumbers.All, property) ?? Told(AimNumbers.All, property) ?? Told(PriceNumbers.All, property);
        if (told is not null && schema is JsonObject number)
        {
            number["description"] = number["description"] is { } unit ? $"{told}; {unit}" : told;
        }

        return schema;
    }

    private static string? Told<TSet>(IEnumerable<CrewNumber<TSet>> numbers, JsonPropertyInfo? property) =>
        property?.DeclaringType == typeof(TSet) && numbers.FirstOrDefault(n => n.Field == property.Name) is { } number
            ? $"{number.Words}, {number.Limits}" : null;

    private static bool IsId(Type type) => type == typeof(BoxId) || type == typeof(RoomId) || type == typeof(LevelId)
        || type == typeof(StructureId) || type == typeof(PanelId)
        || (type.IsGenericType && type.GetGenericTypeDefinition() == typeof(Id<>));

    private static string? UnitOf(Type type) => type == typeof(Amps) ? "amperes"
        : type == typeof(Volts) ? "volts"
        : type == typeof(VoltAmps) ? "volt-amperes"
        : type == typeof(CubicInches) ? "cubic inches"
        : type == typeof(SquareFeet) ? "square feet"
        : type == typeof(Percent) ? "per cent"
        : type == typeof(Money) ? "the crew's money"
        : type == typeof(Celsius) ? "degrees Celsius"
        : null;

    private static JsonObject Of(JsonNode type, string description) => new() { ["type"] = type, ["description"] = description };

    private static JsonObject Pair() => new()
    {
        ["type"] = "array",
        ["items"] = new JsonObject { ["type"] = "string" },
        ["minItems"] = 2,
        ["maxItems"] = 2,
        ["description"] = "X to the east and Y to the south, two lengths",
    };
}
