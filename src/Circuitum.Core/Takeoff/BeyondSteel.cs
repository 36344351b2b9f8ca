using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Takeoff;

/// <summary>Armored cable that goes on where the studs are wood: how much, and the box in the ceiling beside the steel wall that would join
/// it to the crew's own cable.</summary>
/// <param name="InSteel">In the walls of steel.</param>
/// <param name="Beyond">Beyond them.</param>
/// <param name="Joint">What sets the box.</param>
public sealed record BeyondSteel(Length InSteel, Length Beyond, AddJoint Joint)
{
    // A box with its cover and two connectors costs about what the two cables differ by over this.
    private static readonly Length WorthABox = Length.FromFeet(20);

    // Off the wall's face, so that its ring is clear of the board's edge; as far from another box.
    private static readonly Length Off = Length.FromInches(8);

    /// <summary>Of a run; null where none of it is armored for steel, where steel stands at both ends, where too little lies beyond it, or
    /// where it leaves its wall otherwise than overhead.</summary>
    public static BeyondSteel? Of(Plan plan, Run run)
    {
        var legs = run.Way.Legs;
        var over = Enumerable.Range(0, legs.Length).Where(i => legs[i].Space is Space.Joists or Space.Attic).ToList();
        if (run.Jacket != Jacket.Armoured || plan.Job.Schools.Cable == CableKind.Armoured || run.Kind is not (RunKind.HomeRun
            or RunKind.Jumper) || over.Count == 0 || run.From.Place.Structure != run.To.Place.Structure
            || run.From.Place.Level != run.To.Place.Level || InsideCable.IsJoint(plan, run.From) || InsideCable.IsJoint(plan, run.To))
        {
            return null;
        }

        var (first, last) = (legs[over[0]].From, legs[over[^1]].To);
        var (steelAtFrom, steelAtTo) = (IsSteel(plan, run, run.From, legs[..over[0]]), IsSteel(plan, run, run.To, legs[(over[^1] + 1)..]));
        if (steelAtFrom == steelAtTo || first.Z <= run.From.Place.At.Z)
        {
            return null;
        }

        var at = steelAtFrom ? first : last;
        var inSteel = (steelAtFrom ? legs[..over[0]] : legs[(over[^1] + 1)..]).Select(l => l.Run).Total();
        var beyond = run.Way.Measured - inSteel;
        return beyond >= WorthABox && Beside(plan, run, at.Plan, steelAtFrom ? run.From : run.To) is { } box
            ? new(inSteel, beyond, new(box, run.Circuit)) : null;
    }

    // What stands in a wall of steel, or passes its studs on the way out of it.
    private static bool IsSteel(Plan plan, Run run, RunEnd end, ImmutableArray<PathLeg> inWalls)
    {
        var level = plan.House.Structures[end.Place.Structure].Levels[end.Place.Level];
        if (end.Box is not null && end.Place.Wall is int wall && level.Walls[wall].Frame.Framing == WallFraming.MetalStud)
        {
            return true;
        }

        var studs = run.Way.Passages.Where(p => p.Spot.Kind == MemberKind.Stud
            && level.Walls[p.Spot.Member].Frame.Framing == WallFraming.MetalStud).ToList();
        return inWalls.Any(leg => studs.Exists(p => p.At.Z == leg.From.Z
            && leg.From.SquareTo(p.At) + p.At.SquareTo(leg.To) == leg.From.SquareTo(leg.To)));
    }

    // In the ceiling of the end's room, beside the wall that the cable comes up in.
    private static Box? Beside(Plan plan, Run run, Point at, RunEnd end)
    {
        var room = end.Box is { } id ? plan.Survey[id].Room
            : plan.House.Room(plan.Job.Panels.First(p => p.Id == end.Panel).Room);
        var corner = room.NorthWest;
        Length Within(Length x, Length clear) => Length.Max(Off, Length.Min(x, clear - Off));
        Length x = Within(at.X - corner.X, room.ClearWidth), y = Within(at.Y - corner.Y, room.ClearDepth);
        var place = corner.By(x, y);
        var taken = plan.Job.Boxes.Any(b => b.Room == room.Room.Id && b.Mount == Mount.Ceiling
            && corner.By(b.X, b.Y).SquareTo(place) < Off);
        return taken || !Outline.Contains(room.Inside, place) ? null : new()
        {
            Id = new(Ids.Numbered(room.Room.Id.Value, plan.Job.Boxes.Select(b => b.Id.Value))),
            Room = room.Room.Id,
            Mount = Mount.Ceiling,
            X = x,
            Y = y,
            Devices = [new() { Kind = DeviceKind.JointBox }],
        };
    }
}
