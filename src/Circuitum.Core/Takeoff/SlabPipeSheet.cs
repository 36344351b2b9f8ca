using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Takeoff;

/// <summary>A pipe that lies in a slab before the pour, and comes up at both ends.</summary>
/// <param name="Structure">Number of the building.</param>
/// <param name="Ends">What it joins, as ids: stable for as long as the job lasts.</param>
/// <param name="What">What is pulled in it: circuit A12, data.</param>
/// <param name="From">Where it comes up at one end, measured from walls.</param>
/// <param name="To">Where it comes up at the other.</param>
/// <param name="Long">From end to end where it lies, without its stubs.</param>
/// <param name="Degrees">Its bends together.</param>
/// <param name="Trade">Trade size, in: by the larger width of the cable in it, 53 % of the pipe at most.</param>
public sealed record SlabPipe(int Structure, string Ends, string What, string From, string To, Length Long, int Degrees, string Trade);

/// <summary>What is laid before a slab is poured.</summary>
public static class SlabPipeSheet
{
    /// <summary>Every pipe in a slab, power first.</summary>
    public static ImmutableArray<SlabPipe> Of(Plan plan) =>
    [
        .. plan.Circuits.SelectMany(c => c.Runs.Select(r => (Circuit: c, Run: r))).Where(x => Lies(x.Run.Way))
            .Select(x => Of(plan, x.Run.Way, x.Run.From.Place.Structure, x.Run.Id.ToString(), $"{x.Circuit.CableOf(x.Run)}, circuit "
                + $"{Labels.NumberOf(plan, x.Run.Circuit)}", TradeFor(x.Circuit.Sized.GaugeOf(x.Run)), x.Run.From, x.Run.To)),
        .. plan.LowVoltage.Runs.Where(r => Lies(r.Way)).Select(r => Of(plan, r.Way, r.Home.Place.Structure, r.Outlet.Outlet.Id.ToString(),
            $"{r.Outlet.Name}, {r.Outlet.Number}", "1", null, null)),
    ];

    /// <summary>Part of a way lies in a slab.</summary>
    public static bool Lies(Way way) => way.Legs.Any(l => l.Space == Space.Slab);

    private static SlabPipe Of(Plan plan, Way way, int structure, string ends, string what, string trade, RunEnd? from, RunEnd? to)
    {
        var foot = way.Legs.First(l => l.Space == Space.Slab).From;
        var head = way.Legs.Last(l => l.Space == Space.Slab).To;
        return new(structure, ends, what, Mark(plan, structure, foot, Ending(from, foot)),
            Mark(plan, structure, head, Ending(to, head)),
            way.InSlab.Select(l => l.Run).Total(), way.SlabDegrees, trade);
    }

    // A pipe that goes on overhead ends in a wall, at no box.
    private static RunEnd? Ending(RunEnd? end, Point3 at) => end?.Place.At.Plan == at.Plan ? end : null;

    // Jacketed cable by its larger width, 53 % (Chapter 9, Table 1): to 10 AWG with a ground it is less than 3/4 in wide, to 6 AWG less
    // than 1-1/8 in.
    private static string TradeFor(Gauge gauge) => gauge <= Gauge.Awg10 ? "1" : gauge <= Gauge.Parse("6") ? "1-1/2" : "2";

    private static string Beginning(RoomSide side) => side.AlongX ? side.End.X >= side.Start.X ? "west" : "east"
        : side.End.Y >= side.Start.Y ? "north" : "south";

    // As it is read off a tape: to a quarter of an inch, or a centimeter.
    private static string Taped(Length length, Measure measure) => measure == Measure.Metres ? length.Measured(measure)
        : length.Nearest(Length.FromInches(.25m)).ToString();

    // In the floor two measures off walls; in a wall the one along it. A pipe that ends under a box on a wall comes up in its bay.
    private static string Mark(Plan plan, int structure, Point3 at, RunEnd? end)
    {
        var level = plan.House.Structures[structure].Levels.Where(l => l.Floor - Length.FromFeet(1) <= at.Z).MaxBy(l => l.Floor)!;
        var measure = plan.Job.Schools.Measure;
        var sides = level.Rooms.SelectMany(r => r.Sides.Select(s => (Room: r, Side: s)))
            .Where(x => x.Side.Offset(at.Plan) is var along && along >= -x.Side.HalfThickness
                && along <= x.Side.Clear + x.Side.HalfThickness)
            .Select(x => (x.Room, x.Side, Off: x.Side.AlongX ? (at.Y - x.Side.Start.Y).Abs() : (at.X - x.Side.Start.X).Abs())).ToList();
        if (sides.Find(s => s.Off <= s.Side.HalfThickness * 2) is { Room: not null } wall)
        {
            return $"{(end is null ? "" : $"{end.Name}: ")}{wall.Room.Room.Name}, in the {wall.Room.Room.SideOf(wall.Side.Number)} wall, "
                + $"{Taped(Length.Max(Length.Zero, wall.Side.Offset(at.Plan)), measure)} from its {Beginning(wall.Side)} corner";
        }

        var room = level.Rooms.FirstOrDefault(r => Outline.Contains(r.Inside, at.Plan)) ?? level.Rooms[0];
        var (first, second) = FloorMarks.Measures(room, at.Plan);
        return $"{(end is null ? "" : $"{end.Name}: ")}{room.Room.Name}, {Taped(first.Off, measure)} off the "
            + $"{room.Room.SideOf(first.Wall)} wall and {Taped(second.Off, measure)} off the {room.Room.SideOf(second.Wall)} wall";
    }
}
