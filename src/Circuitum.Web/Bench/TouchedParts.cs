using System.Collections.Concurrent;
using System.Text.Json;
using Circuitum.Core.Plans;
using Circuitum.Data;
using Circuitum.Formats.JobFile;

namespace Circuitum.Web.Bench;

/// <summary>Which revisions touched a room or a circuit: told by what differs in the documents, whatever the act was called.</summary>
public sealed class TouchedParts(JobRevisions revisions)
{
    /// <summary>So many of the newest are looked into; of older ones only the words are.</summary>
    public const int Most = 500;

    private const int MostKept = 20_000;

    // A revision never changes: what it touched is worked out once.
    private readonly ConcurrentDictionary<(JobKey, int), JobParts> kept = new();

    /// <summary>Numbers of the revisions that touched a room, or a circuit as it is now: its boxes, or a pin of it.</summary>
    /// <param name="job">The job.</param>
    /// <param name="plan">Its newest plan.</param>
    /// <param name="newest">Its newest revision.</param>
    /// <param name="about">The name of a room, or what stands on a circuit's line or space.</param>
    public async Task<IReadOnlySet<int>> OfAsync(JobKey job, Plan plan, int newest, string about)
    {
        bool Is(string name) => name.Equals(about, StringComparison.OrdinalIgnoreCase);
        var rooms = plan.House.Rooms.Where(r => Is(r.Room.Name)).Select(r => r.Room.Id.Value).ToList();
        var circuits = plan.Panels.SelectMany(p => p.Circuits).Where(c => Is(c.Description) || Is(c.SpaceText)).ToList();
        if (rooms.Count + circuits.Count == 0)
        {
            return new HashSet<int>();
        }

        var boxes = circuits.SelectMany(c => c.Wired.Circuit.Boxes).Select(b => b.Value).ToHashSet();
        var found = new HashSet<int>();
        await foreach (var (number, parts) in PartsAsync(job, newest))
        {
            if (rooms.Any(parts.IsInRoom) || boxes.Any(parts.HasBox) || circuits.Any(c => parts.HasPinOf(c.Key.Value)))
            {
                found.Add(number);
            }
        }

        return found;
    }

    private async IAsyncEnumerable<(int Number, JobParts Parts)> PartsAsync(JobKey job, int newest)
    {
        var first = Math.Max(2, newest - Most + 1);
        // What is known is not read again.
        while (first <= newest && kept.TryGetValue((job, first), out var known))
        {
            yield return (first++, known);
        }

        if (first > newest)
        {
            yield break;
        }

        if (kept.Count > MostKept)
        {
            kept.Clear();
        }

        string? before = null;
        await foreach (var (number, document) in revisions.DocumentsAsync(job, first - 1))
        {
            if (before is not null && Between(before, document) is { } parts)
            {
                kept[(job, number)] = parts;
                yield return (number, parts);
            }

            before = document;
        }
    }

    // What is no job was never opened either.
    private static JobParts? Between(string before, string after)
    {
        try
        {
            return JobParts.Between(before, after);
        }
        catch (Exception e) when (e is JsonException or KeyNotFoundException or InvalidOperationException)
        {
            return null;
        }
    }
}
