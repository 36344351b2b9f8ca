using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Keeps or frees a room's inside sizes.</summary>
/// <param name="Room">The room.</param>
/// <param name="Width">East to west is kept.</param>
/// <param name="Depth">North to south is kept.</param>
public sealed record KeepSize(RoomId Room, bool Width, bool Depth) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (_, room) = HouseChange.Find(job, Room);
        var framed = Framing.Frame(job).Room(Room);
        var said = new List<string>();
        foreach (var (was, now, size, way) in new[]
        {
            (room.KeepsWidth, Width, framed.ClearWidth, "east to west"), (room.KeepsDepth, Depth, framed.ClearDepth, "north to south"),
        })
        {
            if (was != now)
            {
                said.Add($"{(now ? "Keep" : "Free")} the {size} of {room.Name} {way}");
            }
        }

        phrase = said.Count == 0 ? throw new ChangeRefusedException($"The sizes of {room.Name} are so already.") : string.Join("; ", said);
        return HouseChange.With(job, room with { KeepsWidth = Width, KeepsDepth = Depth });
    }
}

/// <summary>Frees the sizes that stand in a change's way, and makes it: one act, one undo.</summary>
/// <param name="Rooms">Rooms whose sizes are freed.</param>
/// <param name="Then">What they stood in the way of.</param>
public sealed record Freeing(ImmutableArray<RoomId> Rooms, JobChange Then) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var freed = Rooms.Select(id => HouseChange.Find(job, id).Room).ToList();
        var changed = Then.Unchecked(freed.Aggregate(job, (j, r) => HouseChange.With(j, r with { KeepsWidth = false, KeepsDepth = false })),
            out var then);
        phrase = $"{then}; {string.Join(" and ", freed.Select(r => r.Name))} freed for it";
        return changed;
    }
}

/// <summary>A change that a kept size stands in the way of.</summary>
/// <param name="message">One sentence for the person who asked.</param>
/// <param name="rooms">The rooms whose sizes it would change.</param>
public sealed class SizeKeptException(string message, ImmutableArray<RoomId> rooms) : ChangeRefusedException(message)
{
    /// <summary>The rooms whose sizes it would change.</summary>
    public ImmutableArray<RoomId> Rooms { get; } = rooms;
}

/// <summary>Sizes that a person keeps.</summary>
internal static class SizeLocks
{
    /// <summary>Refuses a drawing that changes a kept size of a room that the change is not about.</summary>
    /// <exception cref="SizeKeptException">One is changed; the message names the rooms and by how much.</exception>
    public static void Check(Job before, Job after, Func<RoomId, bool> about)
    {
        if (Broken(before, after, about) is { Count: > 0 } broken)
        {
            throw new SizeKeptException(
                $"{string.Join(" ", broken.Select(b => b.Says))} Free {(broken.Count == 1 ? "it" : "them")} first.",
                [.. broken.Select(b => b.Room).Distinct()]);
        }
    }

    /// <summary>The kept sizes that a drawing changes; nothing of rooms that are gone.</summary>
    public static List<(RoomId Room, string Says)> Broken(Job before, Job after, Func<RoomId, bool> about)
    {
        var kept = before.Rooms.Where(r => (r.KeepsWidth || r.KeepsDepth) && !about(r.Id) && after.Rooms.Any(a => a.Id == r.Id)).ToList();
        if (kept.Count == 0)
        {
            return [];
        }

        var (was, now) = (Framing.Frame(RoomFitting.Emptied(before)), Framing.Frame(RoomFitting.Emptied(after)));
        return [.. kept.SelectMany(r => new[]
        {
            (Keeps: r.KeepsWidth, Was: was.Room(r.Id).ClearWidth, Now: now.Room(r.Id).ClearWidth, Way: "east to west"),
            (Keeps: r.KeepsDepth, Was: was.Room(r.Id).ClearDepth, Now: now.Room(r.Id).ClearDepth, Way: "north to south"),
        }.Where(s => s.Keeps && s.Was != s.Now).Select(s => (r.Id,
            $"{r.Name} keeps its {s.Was} {s.Way}; this would make it {(s.Now - s.Was).Abs()} {(s.Now > s.Was ? "longer" : "shorter")}.")))];
    }
}
