using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using CsCheck;

namespace Circuitum.Tests.Support;

/// <summary>A room with receptacles and sets of switches drawn by lot: one to four places, several lamps, a fan with its own control,
/// half-switched receptacles, several gangs, either feed.</summary>
internal static class SwitchedRooms
{
    private sealed record Set(int Places, int Lamps, int What, int At);

    public static Gen<Job> Jobs { get; } = Gen.Select(
        Gen.Select(Gen.Int[1, 4], Gen.Int[1, 3], Gen.Int[0, 5], Gen.Int[0, 99], (p, l, w, a) => new Set(p, l, w, a)).Array[1, 3],
        Gen.Int[0, 6], Gen.Bool, Gen.Int[0, 2], Gen.Int[0, 2], Gen.Int[0, 7],
        Make);

    private static Job Make(Set[] sets, int receptacles, bool lightFirst, int together, int joints, int protection)
    {
        var job = Houses.Row(("den", RoomUse.Den, 30), ("bath", RoomUse.Bath, 10));
        var boxes = new List<Box>();
        for (var i = 0; i < sets.Length; i++)
        {
            boxes.AddRange(Boxes(sets[i], i, boxes));
        }

        boxes.AddRange(Enumerable.Range(0, receptacles)
            .Select(i => Houses.On($"r{i}", i < 4 ? "den" : "bath", 3, 20 + (i * 12), DeviceKind.Duplex)));
        return job.With([.. boxes]) with
        {
            Schools = new()
            {
                Feed = lightFirst ? LightingFeed.LightFirst : LightingFeed.SwitchFirst,
                Lighting = (LightsAndReceptacles)together,
                Joints = (JointSchool)joints,
                Gfci = (GfciWay)(protection % 4),
                Afci = protection < 4 ? AfciWay.Breaker : AfciWay.FirstOutlet,
            },
            HouseRules = new() { ListedForFirstOutlet = true },
        };
    }

    private static IEnumerable<Box> Boxes(Set set, int number, List<Box> before)
    {
        var lamps = Enumerable.Range(0, set.Lamps).Select(i => new BoxId($"l{number}{i}")).ToImmutableArray();
        var kind = set.What switch { 0 => DeviceKind.CeilingFan, 1 => DeviceKind.HalfSwitched, 2 => DeviceKind.Can, _ => DeviceKind.Lamp };
        foreach (var (lamp, i) in lamps.Select((l, i) => (l, i)))
        {
            // A fan is one of its set; half-switched receptacles stand on a wall.
            yield return kind == DeviceKind.HalfSwitched ? Houses.On(lamp.Value, "den", 1, 30 + (number * 90) + (i * 25), kind)
                : Houses.Ceiling(lamp.Value, "den", 40 + (number * 90) + (i * 24), 40 + (set.At % 60),
                    i == 0 ? kind : kind == DeviceKind.CeilingFan ? DeviceKind.Lamp : kind);
        }

        for (var place = 0; place < set.Places; place++)
        {
            // The four-ways anywhere among them: what is drawn first or stands nearest is not what the wire meets first.
            var turned = (place + set.At) % set.Places;
            var type = set.Places == 1 ? DeviceKind.Switch : turned < 2 ? DeviceKind.ThreeWay : DeviceKind.FourWay;
            var box = Houses.Switch($"s{number}{place}", "den", place % 2 == 0 ? 3 : 1, 150 + (number * 50) + (place * 9), type,
                [.. lamps.Select(l => l.Value)]);
            if (set.What == 0 && type != DeviceKind.FourWay && turned == set.Places - 1 && set.At % 2 == 0)
            {
                box = box with { Devices = [.. box.Devices, new Device { Kind = DeviceKind.FanControl, Controls = [lamps[0]] }] };
            }

            if (set.What == 4 && place == 0)
            {
                box = box with { Devices = [.. box.Devices, new Device { Kind = DeviceKind.Duplex }] };
            }

            yield return box;
        }

        if (set.What == 0 && set.At % 4 == 1)
        {
            yield return Houses.Switch($"f{number}", "den", 3, 100 + (number * 30), DeviceKind.FanControl, lamps[0].Value);
        }
    }
}
