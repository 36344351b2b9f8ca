using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using CsCheck;

namespace Circuitum.Tests.Support;

/// <summary>Houses with rooms, boxes and equipment drawn by lot, every one possible.</summary>
internal static class RandomHouses
{
    private static readonly RoomUse[] Uses = [RoomUse.Kitchen, RoomUse.Bedroom, RoomUse.Bath, RoomUse.Hall, RoomUse.Laundry, RoomUse.Den,
        RoomUse.Garage, RoomUse.Closet, RoomUse.Dining, RoomUse.FinishedBasement];

    private static readonly (Appliance Appliance, int Volts, int Load, bool Cord)[] Machines =
    [
        (Appliance.Refrigerator, 120, 700, true), (Appliance.Dishwasher, 120, 1200, true), (Appliance.Disposer, 120, 800, true),
        (Appliance.Microwave, 120, 1440, true),
        (Appliance.Dryer, 240, 5600, true), (Appliance.WaterHeater, 240, 4500, false), (Appliance.VehicleCharger, 240, 9600, false),
            (Appliance.Range, 240, 13600, true),
        (Appliance.Freezer, 120, 500, true), (Appliance.SpaceHeater, 240, 2000, false), (Appliance.Other, 120, 900, false),
    ];

    private static readonly DeviceKind[] Plain = [DeviceKind.Duplex, DeviceKind.Duplex, DeviceKind.Single, DeviceKind.GfciReceptacle,
        DeviceKind.VanityLight, DeviceKind.SmokeAlarm];

    private sealed record Lot(int Room, int What, int Wall, int Offset, int Kind, bool Flag);

    /// <summary>1 to 5 rooms, 0 to 40 boxes.</summary>
    public static Gen<Job> Jobs { get; } = Gen.Select(
        Gen.Select(Gen.Int[0, Uses.Length - 1], Gen.Int[8, 16]).Array[1, 5],
        Gen.Select(Gen.Int[0, 99], Gen.Int[0, 99], Gen.Int[1, 4], Gen.Int[4, 80], Gen.Int[0, 99], Gen.Bool,
            (r, w, wall, o, k, f) => new Lot(r, w, wall, o, k, f)).Array[0, 40],
        Gen.Int[0, 2], Gen.Int[0, 2],
        (rooms, lots, edition, school) => Make(rooms, lots, (Edition)(2017 + (3 * edition)), (LightsAndReceptacles)school));

    /// <summary>1 to 4 rooms, 1 to 10 boxes.</summary>
    public static Gen<Job> Small { get; } = Jobs.Where(j => j.Boxes.Length > 0).Select(j => Fewer(j, 10));

    // The first so many boxes; a lamp whose switch is left out stays without one.
    private static Job Fewer(Job job, int most)
    {
        var boxes = job.Boxes.Take(most).ToList();
        var ids = boxes.Select(b => b.Id).ToHashSet();
        return job with
        {
            Boxes =
            [.. boxes.Select(b =>
                b with { Devices = [.. b.Devices.Select(d => d with { Controls = [.. d.Controls.Where(ids.Contains)] })] })]
        };
    }

    private static Job Make((int Use, int Feet)[] rooms, Lot[] lots, Edition edition, LightsAndReceptacles school)
    {
        var job = Houses.Row([.. rooms.Select((r, i) => ($"room{i}", Uses[r.Use], r.Feet))]) with
        { Edition = edition, Schools = new() { Lighting = school } };
        var boxes = lots.SelectMany((lot, i) => Boxes(lot, i, $"room{lot.Room % rooms.Length}")).ToArray();
        return job.With(boxes) with { Panels = [Houses.Panel("room0", 84)] };
    }

    private static IEnumerable<Box> Boxes(Lot lot, int i, string room)
    {
        switch (lot.What)
        {
            case < 55:
                yield return Houses.On($"b{i:00}", room, lot.Wall, lot.Offset, Plain[lot.Kind % Plain.Length]) with
                { ServesCounter = lot.Flag && lot.Kind % 7 == 0, Outside = lot.Flag && lot.Kind % 11 == 0 };
                break;
            case < 80:
                yield return Houses.Ceiling($"b{i:00}l", room, lot.Offset, lot.Kind);
                yield return Houses.Switch($"b{i:00}s", room, lot.Wall, lot.Offset, lot.Flag ? DeviceKind.ThreeWay : DeviceKind.Switch,
                    $"b{i:00}l");
                if (lot.Flag)
                {
                    yield return Houses.Switch($"b{i:00}t", room, (lot.Wall % 4) + 1, lot.Kind + 4 > 80 ? 40 : lot.Kind + 4,
                        DeviceKind.ThreeWay, $"b{i:00}l");
                }

                break;
            default:
                var (appliance, volts, load, cord) = Machines[lot.Kind % Machines.Length];
                yield return Houses.Appliance($"b{i:00}", room, lot.Wall, lot.Offset,
                    Houses.Plate(appliance, volts, load) with { Name = $"{appliance} {i}", Cord = cord },
                    !cord ? DeviceKind.Equipment : volts == 240 ? DeviceKind.ApplianceReceptacle : DeviceKind.Single);
                break;
        }
    }
}
