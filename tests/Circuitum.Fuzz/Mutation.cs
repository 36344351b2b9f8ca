using System.Text.Json;
using System.Text.Json.Nodes;

namespace Circuitum.Fuzz;

/// <summary>Changes a JSON document in one place so that it stays JSON: what a slip of a hand, a broken program or malice would
/// write.</summary>
internal static class Mutation
{
    public static void Once(JsonNode root, Random random)
    {
        var all = new List<JsonNode>();
        Walk(root, all);
        // The head of the file is told of elsewhere.
        var at = all[random.Next(Math.Min(3, all.Count - 1), all.Count)];
        switch (random.Next(9))
        {
            case 0 when at.Parent is JsonArray list:
                list.Add(list[random.Next(list.Count)]?.DeepClone());
                break;
            case 1 when at.Parent is JsonArray list:
                list.Remove(at);
                break;
            case 2 when at.Parent is JsonArray list && list.Count > 1:
                var moved = list[0];
                list.RemoveAt(0);
                list.Add(moved);
                break;
            case 3 when at.Parent is JsonObject owner:
                owner.Remove(at.GetPropertyName());
                break;
            case 4 when at.Parent is JsonArray list && random.Next(4) == 0:
                list.Insert(0, null);
                break;
            case 5 when at is JsonValue:
                // What stands elsewhere in the file: ids that name something else, lengths of another wall.
                var others = all.OfType<JsonValue>().Where(v => v.GetValueKind() == at.GetValueKind()).ToList();
                at.ReplaceWith(others[random.Next(others.Count)].DeepClone());
                break;
            case 6 when at is JsonValue && at.GetValueKind() == JsonValueKind.Number:
                at.ReplaceWith(JsonValue.Create(new[] { 0, 1, 2, -1, 40, 240, 5000, int.MaxValue }[random.Next(8)]));
                break;
            case 7 when at is JsonValue && at.GetValueKind() == JsonValueKind.String:
                at.ReplaceWith(JsonValue.Create(new[] { "0", "1-0", "12-6", "40-0", "-6\"", "1/64\"", "999-0", "duplex", "switch",
                    "smoke-alarm", "indoor-head", "equipment", "bath", "garage" }[random.Next(14)]));
                break;
            default:
                if (at is JsonValue)
                {
                    at.ReplaceWith(JsonValue.Create(string.Concat(Odd.Text(random).EnumerateRunes())));
                }

                break;
        }
    }

    private static void Walk(JsonNode? node, List<JsonNode> all)
    {
        if (node is null)
        {
            return;
        }

        all.Add(node);
        foreach (var child in node is JsonObject owner ? owner.Select(p => p.Value) : node is JsonArray list ? list
            : Enumerable.Empty<JsonNode?>())
        {
            Walk(child, all);
        }
    }
}
