using System.Text.Json.Nodes;

namespace Circuitum.Web.QuickSums;

/// <summary>The quick sums as JSON, and the document that describes them.</summary>
public static class SumEndpoints
{
    /// <summary>Maps them.</summary>
    public static void MapQuickSums(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/bench/{name}", (string name, HttpRequest request) => AllSums.Find(name) is { } sum ? Answer(sum, request)
            : Results.Json(new { error = $"There is no sum “{name}”; see /api/bench/openapi.json." },
                statusCode: StatusCodes.Status404NotFound));
        app.MapGet("/api/bench/openapi.json", () => Results.Text(Document().ToJsonString(), "application/json"));
    }

    private static IResult Answer(QuickSum sum, HttpRequest request)
    {
        // A name that no field has is a slip of the pen, not to be passed over where figures matter.
        if (request.Query.Keys.FirstOrDefault(k => sum.Fields.All(f => f.Name != k)) is { } unknown)
        {
            return Results.Json(
                new { error = $"“{unknown}” is not asked; {sum.Name} asks {string.Join(", ", sum.Fields.Select(f => f.Name))}." },
                statusCode: StatusCodes.Status422UnprocessableEntity);
        }

        try
        {
            var answer = sum.Work(new(sum, name => request.Query[name]));
            return Results.Json(new
            {
                sum = sum.Name,
                figures = answer.Figures.ToDictionary(f => f.Name, f => f.Value),
                why = answer.Why.Steps.Select(s => new { text = s.Text, value = s.Value, cite = s.Cite }),
                warnings = answer.Warnings,
            });
        }
        catch (FormatException e)
        {
            return Results.Json(new { error = e.Message }, statusCode: StatusCodes.Status422UnprocessableEntity);
        }
    }

    // Written from the sums' own questions, so that it cannot disagree with them.
    private static JsonObject Document()
    {
        var paths = new JsonObject();
        foreach (var sum in AllSums.List)
        {
            paths[$"/api/bench/{sum.Name}"] = new JsonObject
            {
                ["get"] = new JsonObject
                {
                    ["operationId"] = sum.Name,
                    ["summary"] = sum.Title,
                    ["parameters"] = new JsonArray([.. sum.Fields.Select(Parameter)]),
                    ["responses"] = new JsonObject
                    {
                        ["200"] = Response("The figures with their reasons.", "answer"),
                        ["422"] = Response("Something cannot be read; one sentence says what.", "error"),
                    },
                },
            };
        }

        static JsonObject Text() => new() { ["type"] = "string" };
        return new()
        {
            ["openapi"] = "3.1.0",
            ["info"] = new JsonObject
            {
                ["title"] = "Circuitum quick sums",
                ["version"] = "1",
                ["description"] = "Aids, not authority: the adopted code and the local authority decide."
            },
            ["paths"] = paths,
            ["components"] = new JsonObject
            {
                ["schemas"] = new JsonObject
                {
                    ["answer"] = new JsonObject
                    {
                        ["type"] = "object",
                        ["required"] = new JsonArray("sum", "figures", "why", "warnings"),
                        ["properties"] = new JsonObject
                        {
                            ["sum"] = Text(),
                            ["figures"] = new JsonObject { ["type"] = "object", ["additionalProperties"] = Text() },
                            ["why"] = new JsonObject
                            {
                                ["type"] = "array",
                                ["items"] = new JsonObject
                                {
                                    ["type"] = "object",
                                    ["properties"] = new JsonObject { ["text"] = Text(), ["value"] = Text(), ["cite"] = Text() }
                                }
                            },
                            ["warnings"] = new JsonObject { ["type"] = "array", ["items"] = Text() },
                        },
                    },
                    ["error"] = new JsonObject
                    {
                        ["type"] = "object",
                        ["required"] = new JsonArray("error"),
                        ["properties"] = new JsonObject { ["error"] = Text() }
                    },
                },
            },
        };
    }

    private static JsonNode Parameter(SumField field)
    {
        var schema = new JsonObject { ["type"] = "string", ["default"] = field.Usual };
        if (!field.Answers.IsEmpty)
        {
            schema["enum"] = new JsonArray([.. field.Answers.Select(a => (JsonNode)a.Value)]);
        }

        return new JsonObject
        {
            ["name"] = field.Name,
            ["in"] = "query",
            ["required"] = false,
            ["description"] = field.Words,
            ["schema"] = schema
        };
    }

    private static JsonObject Response(string description, string schema) => new()
    {
        ["description"] = description,
        ["content"] = new JsonObject
        {
            ["application/json"] = new JsonObject { ["schema"] = new JsonObject { ["$ref"] = $"#/components/schemas/{schema}" } }
        },
    };
}
