using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Takeoff;

/// <summary>Cable for the ground that lies in the house first, where cable of the house would do: how much, and the box that would join the
/// two where it leaves.</summary>
/// <param name="Inside">In the house.</param>
/// <param name="InGround">In the trench.</param>
/// <param name="Joint">What sets the box.</param>
public sealed record InsideCable(Length Inside, Length InGround, AddJoint Joint)
{
    // A box with its cover and its joints costs about what the two cables differ by over this.
    private static readonly Length WorthABox = Length.FromFeet(10);

    // From a corner, an opening or another box; a box for joints is 4 in wide.
    private static readonly Length Apart = Length.FromInches(6);
    private static readonly Length Up = Length.FromInches(18);

    /// <summary>Of a run; null where it has none of it, or too little to be worth a box, or no wall is free for one.</summary>
    public static InsideCable? Of(Plan plan, Run run)
    {
        var from = run.From.Place;
        var inside = run.Way.Legs.TakeWhile(l => l.Space != Space.Trench).Select(l => l.Run).Total();
        if (run.Jacket != Jacket.Underground || from.Structure == run.To.Place.Structure || inside < WorthABox
            || plan.House.Structures[from.Structure].Structure.DampUnderfloor || IsJoint(plan, run.From))
        {
            return null;
        }

        var leaves = run.Way.Legs.First(l => l.Space == Space.Trench).From.Plan;
        var level = plan.House.Structures[from.Structure].Levels[0];
        var wall = level.Rooms.Where(r => r.Room.Use != RoomUse.Greenhouse).SelectMany(r => r.Sides.Select(s => (Room: r, Side: s)))
            .Where(x => x.Side.Exterior).OrderBy(x => Off(x.Side, leaves)).ThenBy(x => x.Room.Room.Id.Value, StringComparer.Ordinal)
            .FirstOrDefault();
        if (wall.Side is null || Free(plan, wall.Room, wall.Side, wall.Side.Offset(leaves)) is not { } offset)
        {
            return null;
        }

        var ground = run.Way.Legs.Where(l => l.Space == Space.Trench).Select(l => l.Run).Total();
        var room = wall.Room.Room.Id;
        return new(inside, ground, new(new()
        {
            Id = new(Ids.Numbered(room.Value, plan.Job.Boxes.Select(b => b.Id.Value))),
            Room = room,
            Mount = Mount.Wall,
            Wall = wall.Side.Number,
            Offset = offset,
            Height = Up,
            Devices = [new() { Kind = DeviceKind.JointBox }],
        }, run.Circuit));
    }

    /// <summary>It ends in a box for nothing but joints.</summary>
    internal static bool IsJoint(Plan plan, RunEnd end) => end.Box is { } box && plan.Survey[box].IsJoint;

    private static Length Off(RoomSide side, Point at) => side.At(Length.Max(Length.Zero, Length.Min(side.Offset(at), side.Clear)))
        .SquareTo(at);

    // The nearest place on the wall that nothing stands at, an inch at a time.
    private static Length? Free(Plan plan, FramedRoom room, RoomSide side, Length at)
    {
        var taken = side.Openings.Select(o => (From: o.From - Apart, To: o.To + Apart))
            .Concat(plan.Job.Boxes.Where(b => b.Room == room.Room.Id && b.Mount == Mount.Wall && b.Wall == side.Number)
                .Select(b => (From: b.Offset - Apart, To: b.Offset + Apart))).ToList();
        var inches = (int)side.Clear.Inches;
        return Enumerable.Range(0, inches + 1).Select(i => Length.FromInches(i))
            .Where(o => o >= Apart && o <= side.Clear - Apart && !taken.Exists(t => o > t.From && o < t.To))
            .OrderBy(o => (o - at).Abs()).Select(o => (Length?)o).FirstOrDefault();
    }
}
