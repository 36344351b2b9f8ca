using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>You never cross a dark room to reach a switch: one at every entrance, and at each level of a stair (210.70(A)(2)).</summary>
internal static class Entrances
{
    // A switch an arm's length from the way in.
    private static readonly Length Arm = Length.FromFeet(5);
    private static readonly Length Hand = Length.FromInches(12);

    public static IEnumerable<Owed> Find(Draft draft)
    {
        foreach (var room in draft.House.Rooms)
        {
            var lamps = SwitchedLights.Of(draft, room).Select(b => b.Id).ToHashSet();
            var stair = room.Room.Use == RoomUse.Stair;
            if (stair && lamps.Count == 0)
            {
                lamps = OfStair(draft, room);
            }

            if (lamps.Count == 0)
            {
                continue;
            }

            foreach (var way in Doorways.Entrances(draft.House, room).ToList())
            {
                if (HasSwitch(draft, room, way, lamps))
                {
                    continue;
                }

                yield return new(room.Room.Id, stair ? draft.Book.Cite(RuleId.LightingAtEntries) : "switching",
                    $"{room.Room.Name}: no switch at the {Words.Of(way.Opening.Opening.Kind)} "
                    + $"{(way.Other is null ? "from outside" : $"from {way.Other.Room.Name}")}.",
                    stair ? "A stair of six risers or more is switched at each level with an entry."
                        : "You would cross the dark room to reach one. Places that work the same light become three-way and four-way "
                        + "switches.", d => Place(d, room, way, lamps))
                {
                    Severity = stair ? Severity.Red : Severity.Amber,
                    Part = way.Opening.Opening.Id.Value,
                    Act = "Place a switch there",
                };
            }
        }
    }

    private static HashSet<BoxId> OfStair(Draft draft, FramedRoom room) => Stairs.OfWell(draft.House, room).Where(r => r != room)
        .SelectMany(r => SwitchedLights.Of(draft, r)).Select(b => b.Id).ToHashSet();

    // In the room itself or on the far side of the door.
    private static bool HasSwitch(Draft draft, FramedRoom room, Doorway way, HashSet<BoxId> lamps) => draft.In(room.Room.Id)
        .Concat(way.Other is null ? [] : draft.In(way.Other.Room.Id)).Any(b =>
        b.Mount == Mount.Wall && b.Devices.Any(d => d.Kind.IsSwitch() && d.Controls.Any(lamps.Contains)) && draft.At(b)
            .SquareTo(way.Middle) <= Reach(way));

    private static Length Reach(Doorway way) => Arm + ((way.Opening.To - way.Opening.From) / 2);

    private static void Place(Draft draft, FramedRoom room, Doorway way, HashSet<BoxId> lamps)
    {
        // The new place works what the first switch of these lamps works.
        var works = draft.Boxes.SelectMany(b => b.Devices).Where(d => d.Kind.IsSwitch() && d.Controls.Any(lamps.Contains))
            .Select(d => d.Controls).FirstOrDefault([.. lamps]);
        if (Doorways.SwitchPlace(draft, room, way, Reach(way)) is not { } place)
        {
            return;
        }

        var device = new Device { Kind = DeviceKind.Switch, Controls = works };
        if (Beside(draft, room, place) is { } beside)
        {
            draft.Replace(beside with { Devices = beside.Devices.Add(device) });
        }
        else
        {
            draft.OnWall(place.Room, "s", place.Wall, place.Offset, device);
        }

        foreach (var box in Switching.Typed(draft.Boxes, works))
        {
            draft.Replace(box);
        }
    }

    // A box of switches within a hand of it takes one gang more, where what it works is this room's too: another room's lamp in one box
    // with this one's would tie the two rooms to one breaker.
    private static Box? Beside(Draft draft, FramedRoom room, SwitchPlace place) => place.Room != room ? null
        : draft.TakesGang(room, b => b.Wall == place.Wall && (b.Offset - place.Offset).Abs() <= Hand
            && b.Devices.SelectMany(d => d.Controls).All(lamp => draft.Boxes.Exists(x => x.Id == lamp && x.Room == room.Room.Id)));
}
