using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.LowVoltage;
using Circuitum.Core.Plans;
using Circuitum.Core.Units;

namespace Circuitum.Core.Takeoff;

/// <summary>One wall of a room as it is marked out before boxes are nailed.</summary>
/// <param name="Level">Its level.</param>
/// <param name="Room">The room it is seen from.</param>
/// <param name="Side">The wall.</param>
/// <param name="Marks">From its inside corner on.</param>
public sealed record WallSheet(FramedLevel Level, FramedRoom Room, RoomSide Side, ImmutableArray<WallMark> Marks);

/// <summary>One box to mark on a wall.</summary>
/// <param name="Name">As labelled.</param>
/// <param name="Middle">Inside corner to its middle.</param>
/// <param name="Bottom">Floor to its bottom.</param>
/// <param name="Gangs">Gangs wide; 1 for a round box or a ring.</param>
/// <param name="Outside">On the outer face.</param>
/// <param name="Stud">What is written on the stud: what it is and its circuit.</param>
/// <param name="LowVoltage">A ring of low voltage.</param>
public sealed record WallMark(string Name, Length Middle, Length Bottom, int Gangs, bool Outside, string Stud, bool LowVoltage)
{
    // A one-gang box is 2-1/4 in wide, every further gang 1-13/16 in more, as device boxes are made.
    private static readonly Length First = Length.FromInches(2.25m);
    private static readonly Length More = Length.FromInches(1.8125m);

    /// <summary>Its width.</summary>
    public Length Width => First + (More * (Gangs - 1));

    /// <summary>Inside corner to its edge nearer to it.</summary>
    public Length NearEdge => Middle - (Width / 2);
}

/// <summary>Walls to mark out, room by room.</summary>
public static class WallSheets
{
    /// <summary>Every wall that something stands on, level by level; of one room where it is told.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="only">The room; all of them when null.</param>
    public static ImmutableArray<WallSheet> Of(Plan plan, RoomId? only = null)
    {
        var boxes = plan.Survey.Boxes.Where(b => b.Box.Mount == Mount.Wall).ToLookup(b => (b.Box.Room, b.Box.Wall));
        var low = plan.LowVoltage.Outlets.Where(o => o.Outlet.Mount == Mount.Wall).ToLookup(o => (o.Outlet.Room, o.Outlet.Wall));
        return
        [
            .. plan.House.Levels.SelectMany(l => l.Rooms.Where(r => only is null || r.Room.Id == only)
                .SelectMany(r => r.Sides.Select(s => new WallSheet(l, r, s,
                [
                    .. boxes[(r.Room.Id, s.Number)].Select(b => Mark(plan, b)).Concat(low[(r.Room.Id, s.Number)].Select(Mark))
                        .OrderBy(m => m.Middle).ThenBy(m => m.Bottom),
                ])))).Where(s => !s.Marks.IsEmpty),
        ];
    }

    private static WallMark Mark(Plan plan, PlacedBox box) => new(box.Name, box.Box.Offset, box.Height, Math.Max(1, box.Gangs),
        box.Box.Outside, $"{Sign(box)} {(plan.CircuitOf(box.Box.Id) is { } c ? Labels.NumberOf(plan, c.Circuit.Key) : "")}".Trim(), false);

    private static WallMark Mark(PlacedLowVoltage outlet) => new(outlet.Name, outlet.Outlet.Offset, outlet.Height, 1,
        outlet.Outlet.Outside, outlet.Number, true);

    // What a carpenter's pencil writes: the drafting letters, gang by gang.
    private static string Sign(PlacedBox box) => string.Join('+', box.Box.Devices.Select(d => d.Kind switch
    {
        DeviceKind.Duplex or DeviceKind.Single or DeviceKind.HalfSwitched => "R",
        DeviceKind.GfciReceptacle => "GFI",
        DeviceKind.AfciReceptacle => "AFI",
        DeviceKind.ApplianceReceptacle or DeviceKind.Equipment or DeviceKind.IndoorHead => "EQ",
        DeviceKind.ThreeWay => "S3",
        DeviceKind.FourWay => "S4",
        DeviceKind.Dimmer => "SD",
        DeviceKind.Disconnect => "DS",
        DeviceKind.JointBox => "J",
        _ when d.Kind.IsSwitch() => "S",
        _ when d.Kind.IsLight() => "L",
        _ when d.Kind.IsAlarm() => "SA",
        _ => "F",
    }));
}
