using System.Collections.Immutable;
using System.Text;
using System.Text.Json;

namespace Circuitum.Formats.JobFile;

/// <summary>Which parts of a job two documents of it differ in: rooms, openings, boxes, pins and whatever else has an id or stands in a
/// list. What two people did can stand together where their parts do not touch.</summary>
public sealed class JobParts
{
    private readonly ImmutableHashSet<string> parts;

    private JobParts(ImmutableHashSet<string> parts) => this.parts = parts;

    /// <summary>Nothing differs.</summary>
    public bool IsNone => parts.IsEmpty;

    /// <summary>The parts in which two documents differ.</summary>
    /// <param name="before">A job file.</param>
    /// <param name="after">A later file of the same job.</param>
    /// <exception cref="JsonException">One of them is no JSON.</exception>
    public static JobParts Between(string before, string after)
    {
        var (one, other) = (Read(before), Read(after));
        var changed = one.Keys.Union(other.Keys)
            .Where(k => !one.TryGetValue(k, out var a) || !other.TryGetValue(k, out var b) || a.Text != b.Text);
        return new([.. changed.SelectMany(k => new[] { one.GetValueOrDefault(k)?.Room, other.GetValueOrDefault(k)?.Room }
            .OfType<string>().Select(r => $"room {r}").Append(k))]);
    }

    /// <summary>They have a part in common, one lies within a part of the other, or both are in one room.</summary>
    public bool Touches(JobParts other) => parts.Overlaps(other.parts)
        || parts.Any(a => other.parts.Any(b => IsWithin(a, b) || IsWithin(b, a)));

    /// <summary>Something in a room differs, or the room itself.</summary>
    /// <param name="id">The room's.</param>
    public bool IsInRoom(string id) => parts.Contains($"room {id}") || parts.Any(p => $"{p}/".Contains($"/rooms:{id}/",
        StringComparison.Ordinal));

    /// <summary>A box differs, or came, or went.</summary>
    /// <param name="id">The box's.</param>
    public bool HasBox(string id) => parts.Any(p => p == $"/boxes:{id}" || p.StartsWith($"/boxes:{id}/", StringComparison.Ordinal));

    /// <summary>A pin of a circuit differs: its boxes, breaker, cable, way or place in the panel.</summary>
    /// <param name="key">The circuit's.</param>
    public bool HasPinOf(string key) => parts.Any(p => p.StartsWith("/pins", StringComparison.Ordinal)
        && p.Contains($"\"{key}\"", StringComparison.Ordinal));

    private static bool IsWithin(string inner, string outer) => inner.StartsWith(outer + "/", StringComparison.Ordinal);

    private static Dictionary<string, Part> Read(string document)
    {
        using var json = JsonDocument.Parse(document);
        var found = new Dictionary<string, Part>();
        Walk(json.RootElement.GetProperty("job"), "", null, found);
        return found;
    }

    // What a part says itself; what stands in a list of its own within it is a part of its own.
    private static void Walk(JsonElement at, string path, string? room, Dictionary<string, Part> found)
    {
        var own = new StringBuilder();
        room = at.TryGetProperty("room", out var named) && named.ValueKind == JsonValueKind.String ? named.GetString() : room;
        foreach (var property in at.EnumerateObject())
        {
            var value = property.Value;
            if (value.ValueKind == JsonValueKind.Array && value.EnumerateArray().Any(e => e.ValueKind == JsonValueKind.Object))
            {
                foreach (var item in value.EnumerateArray())
                {
                    Item(item, $"{path}/{property.Name}", property.Name, room, found);
                }
            }
            else if (value.ValueKind == JsonValueKind.Object && path.Length == 0)
            {
                Walk(value, $"/{property.Name}", room, found);
            }
            else if (path.Length == 0)
            {
                // A scalar of the job itself is a part of its own.
                found[$"/{property.Name}"] = new(value.GetRawText(), null);
            }
            else
            {
                own.Append(property.Name).Append('=').Append(value.GetRawText()).Append(';');
            }
        }

        // What only holds lists is no part itself: that the first thing came into one touches no other.
        if (own.Length > 0)
        {
            found[path] = new(own.ToString(), room);
        }
    }

    private static void Item(JsonElement item, string path, string list, string? room, Dictionary<string, Part> found)
    {
        if (item.ValueKind == JsonValueKind.Object && item.TryGetProperty("id", out var id))
        {
            Walk(item, $"{path}:{id}", list == "rooms" ? id.ToString() : room, found);
        }
        else
        {
            // Without an id a thing in a list is what it says.
            found[$"{path}:{item.GetRawText()}"] = new("", room);
        }
    }

    private sealed record Part(string Text, string? Room);
}
