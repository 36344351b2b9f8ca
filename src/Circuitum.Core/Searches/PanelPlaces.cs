using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Searches;

/// <summary>A place where a panel might stand.</summary>
/// <param name="Panel">The panel there.</param>
/// <param name="Where">Room and wall in words.</param>
/// <param name="At">On the plan of its building, at the inside face of the wall.</param>
/// <param name="Level">Level it stands on.</param>
/// <param name="Footage">All cable of the job then, planned anew.</param>
/// <param name="Saves">Less than now; more where it is below nothing.</param>
public sealed record PanelPlace(Panel Panel, string Where, Point At, LevelId Level, Length Footage, Length Saves);

/// <summary>Looks for the places where a panel takes least cable and has its legal room.</summary>
public static class PanelPlaces
{
    // Along a wall, a cabinet between studs.
    private static readonly Length Step = Length.FromInches(16);

    /// <summary>The best places of a panel's building, least cable first. Places are ranked by a reckoning over all walls; the best of them
    /// are planned in full, and what a rule forbids is left out.</summary>
    /// <param name="plan">The plan as it stands.</param>
    /// <param name="panel">A panel of it.</param>
    /// <param name="count">Places wanted, 1 to 8.</param>
    /// <param name="gone">Ends the search: nobody waits for it any more.</param>
    /// <exception cref="ArgumentException">There is no such panel.</exception>
    public static ImmutableArray<PanelPlace> Best(Plan plan, PanelId panel, int count, CancellationToken gone = default)
    {
        var standing = plan.Job.Panels.FirstOrDefault(p => p.Id == panel)
            ?? throw new ArgumentException($"no panel {panel}", nameof(panel));
        var structure = plan.House.Room(standing.Room).Structure;
        var feeds = plan.Circuits.Where(c => c.Circuit.Panel == panel && !c.Circuit.Boxes.IsEmpty)
            .Select(c => c.Circuit.Boxes.Select(b => plan.Survey[b].Place).ToList()).ToList();
        Length Reckoned(Panel there)
        {
            var place = Surveying.PlacePanel(plan.House, there);
            return feeds.Select(boxes => boxes.Min(b => Reckoning.Between(place, b))).Total();
        }

        var ranked = plan.House.Rooms.Where(r => r.Structure == structure && Allowed(r.Room.Use))
            .SelectMany(r => r.Sides.SelectMany(s => Along(standing, r, s)))
            .Select(p => (Panel: p, Cost: Reckoned(p))).OrderBy(p => p.Cost).ThenBy(p => p.Panel.Room.Value, StringComparer.Ordinal)
            .ThenBy(p => p.Panel.Wall).ThenBy(p => p.Panel.Offset);
        var found = new List<PanelPlace>();
        var tried = new HashSet<(RoomId, int)>();
        foreach (var (there, _) in ranked)
        {
            // One place to a wall, and not for ever: each is a whole plan.
            if (found.Count == count || tried.Count == count * 4)
            {
                break;
            }

            if (!tried.Add((there.Room, there.Wall)) || new SetPanel(there).On(plan.Job).Job is not { } job)
            {
                continue;
            }

            var after = Planner.Plan(job, gone);
            var room = after.House.Room(there.Room);
            if (!after.Tags.Any(t => t.Severity == Severity.Red && t.Subject == Subject.Panel(panel)
                && plan.Tags.All(b => b.Subject != t.Subject || b.Rule != t.Rule)))
            {
                found.Add(new(there, $"{room.Room.Name}, wall {there.Wall}", room.Sides[there.Wall - 1].At(there.Offset),
                    after.House.LevelOf(there.Room).Level.Id, after.Footage, plan.Footage - after.Footage));
            }
        }

        return [.. found.OrderBy(f => f.Footage)];
    }

    private static IEnumerable<Panel> Along(Panel panel, FramedRoom room, RoomSide side)
    {
        for (var at = Step / 2; at < side.Clear; at += Step)
        {
            yield return panel with { Room = room.Room.Id, Wall = side.Number, Offset = at };
        }
    }

    // 240.24(D) to (F); nobody hangs one in a bedroom's or a living room's wall without being asked to.
    private static bool Allowed(RoomUse use) => use is RoomUse.Utility or RoomUse.Laundry or RoomUse.Garage or RoomUse.Mudroom
        or RoomUse.Hall or RoomUse.UnfinishedBasement or RoomUse.Pantry or RoomUse.Entry or RoomUse.Den;
}
