using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>Receptacles along the walls of habitable rooms, 210.52(A), and the crew's own reach where that is shorter.</summary>
internal static class WallOutlets
{
    private static readonly Length Grid = Length.FromInches(6);

    public static IEnumerable<Owed> Find(Draft draft) =>
        draft.House.Rooms.Where(r => WallSpaces.Covers(r.Room.Use))
            .SelectMany(room => WallSpaces.Measure(room, draft.In(room.Room.Id), draft.Book.Outlets)
                .Where(s => s.Clear >= s.Narrowest && TooFar(s, draft.Rules)).Select(s => Owed(draft, room, s)));

    private static bool TooFar(WallSpace space, HouseRules rules) => !space.Served || space.Farthest > rules.ReceptacleReach;

    private static Owed Owed(Draft draft, FramedRoom room, WallSpace space)
    {
        var (name, rules) = (room.Room.Name, draft.Rules);
        var answer = (Draft d) => Place(d, room, space);
        var part = $"{space.Pieces[0].Wall}-{space.Pieces[0].From.Sixtyfourths}";
        if (space.Served)
        {
            return new(room.Room.Id, "receptacle reach",
                $"{name}: a point on the wall is farther than the crew’s {rules.ReceptacleReach} from a receptacle.",
                $"{space.Farthest.Taped(Length.FromInches(1))} along the floor line; the book allows {Words(space)}. House rule: "
                    + $"receptacle reach.", answer)
            {
                Severity = Severity.Amber,
                Part = part,
                Act = "Place receptacles",
            };
        }

        return new(room.Room.Id, draft.Book.Cite(RuleId.WallReach),
            $"{name}: a point on the wall is farther than {space.Within} from a receptacle.",
            space.Receptacles.IsEmpty
                ? $"This wall space of {space.Clear} has none; {space.AskedFrom} or wider needs at least {space.Least}."
                : $"{space.Farthest} along the floor line, at most {Words(space)}; this wall space of {space.Clear} needs at least "
                + $"{space.Least}, it has {space.Receptacles.Length}.", answer)
        {
            Part = part,
            Act = "Place receptacles",
        };
    }

    // As long as what was measured beside it, and as the book says it where that is another measure.
    internal static string Words(WallSpace space) => space.Within.IsMetric ? space.Within.Words : space.Reach.ToString();

    private static void Place(Draft draft, FramedRoom room, WallSpace space)
    {
        var reach = Length.Min(space.Reach, draft.Rules.ReceptacleReach);
        foreach (var at in Covering.Place(space.Clear, space.Closed, reach, space.Receptacles,
            draft.Places(room, draft.Rules.ReceptacleHeight).Along(space, reach)))
        {
            var (wall, offset) = space.At(at);
            draft.OnWall(room, "r", wall, offset, new Device { Kind = DeviceKind.Duplex });
        }

        // Before glass that reaches the floor nothing can be nailed to: a floor receptacle within 18 in of it counts, 210.52(A)(3).
        var left = WallSpaces.Measure(room, draft.In(room.Room.Id), draft.Book.Outlets).FirstOrDefault(s =>
            s.Pieces.SequenceEqual(space.Pieces));
        if (left is null || (left.Served && left.Farthest <= reach))
        {
            return;
        }

        var spots = Enumerable.Range(1, Math.Max(1, left.Clear.Sixtyfourths / Grid.Sixtyfourths)).Select(i => new Stand(Grid * i, 0))
            .Where(s => s.At < left.Clear)
            .Concat(Covering.Critical(left.Clear, reach, left.Receptacles, []).Where(c => c > Length.Zero && c < left.Clear)
                .Select(c => new Stand(c, 0))).ToList();
        foreach (var at in Covering.Place(left.Clear, left.Closed, reach, left.Receptacles, spots))
        {
            OnFloor(draft, room, left, at);
        }
    }

    /// <summary>A floor receptacle 6 in off the wall at a place on a line.</summary>
    public static void OnFloor(Draft draft, FramedRoom room, WallSpace space, Length at)
    {
        var (wall, offset) = space.At(at);
        var place = room.Sides[wall - 1].Into(room.Sides[wall - 1].At(offset), Length.FromInches(6));
        draft.Add(room, "r",
            id => new()
            {
                Id = id,
                Room = room.Room.Id,
                Mount = Mount.Floor,
                X = place.X - room.NorthWest.X,
                Y = place.Y - room.NorthWest.Y,
                Devices = [new() { Kind = DeviceKind.Duplex }]
            });
    }
}
