using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>A disposer is worked from the counter: a wall switch above it, unless the crew sets a button on the sink that needs no
/// box.</summary>
internal static class DisposerSwitches
{
    // Within reach of who stands at the sink.
    private static readonly Length Reach = Length.FromFeet(6);

    // Clear of the sink's middle, where the faucet is.
    private static readonly Length Beside = Length.FromInches(18);

    public static IEnumerable<Owed> Find(Draft draft)
    {
        if (draft.Start.Schools.DisposerSwitch == DisposerSwitch.OnTheSink)
        {
            yield break;
        }

        // What is asked for is placed while the rest is looked for: the list grows.
        foreach (var box in draft.Boxes.Where(IsDisposer).Where(b => !draft.Controlled.Contains(b.Id))
            .OrderBy(b => b.Id.Value, StringComparer.Ordinal).ToList())
        {
            var room = draft.House.Room(box.Room);
            yield return new(box.Room, "crew's way: disposer", $"{room.Room.Name}: the disposer has no switch.",
                "Nothing stops it but its plug. Place a switch over the counter, or say that a button on the sink works it.",
                d => Place(d, room, box))
            {
                Severity = Severity.Amber,
                Part = box.Id.Value,
                On = Subject.Box(box.Id),
                Act = "Place the disposer's switch",
            };
        }
    }

    private static bool IsDisposer(Box box) => box.Devices.Any(d => d.Plate is { Appliance: Appliance.Disposer });

    private static void Place(Draft draft, FramedRoom room, Box disposer)
    {
        var height = draft.Rules.CounterHeight;
        var places = draft.Places(room, height);
        var sink = draft.At(disposer);
        // On the disposer's own wall where it has one and that is free, else where the room's next free place is.
        var at = disposer.Mount == Mount.Wall && places.Nearest(room.Sides[disposer.Wall - 1], disposer.Offset + Beside,
            disposer.Offset - Reach, disposer.Offset + Reach) is Length beside
                ? (Wall: disposer.Wall, Offset: beside)
                : room.Sides.Select(s => (Side: s, Offset: places.Nearest(s, s.Offset(sink), Length.Zero, s.Clear)))
                    .Where(s => s.Offset is not null).OrderBy(s => s.Side.At(s.Offset!.Value).SquareTo(sink))
                    .Select(s => ((int Wall, Length Offset)?)(s.Side.Number, s.Offset!.Value)).FirstOrDefault();
        if (at is { } place)
        {
            draft.Add(room, "s", id => new()
            {
                Id = id,
                Room = room.Room.Id,
                Wall = place.Wall,
                Offset = place.Offset,
                Height = height,
                Devices = [new() { Kind = DeviceKind.Switch, Controls = [disposer.Id] }],
            });
        }
    }
}
