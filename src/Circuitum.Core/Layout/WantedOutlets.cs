using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>Boxes follow the things people plug in: a receptacle behind each want.</summary>
internal static class WantedOutlets
{
    // A cord reaches a foot past what it feeds.
    private static readonly Length Cord = Length.FromInches(12);

    public static IEnumerable<Owed> Find(Draft draft)
    {
        foreach (var want in draft.Start.Wants)
        {
            var room = draft.House.Room(want.Room);
            var near = draft.In(want.Room).Where(b => Reaches(want, b)).ToList();
            if (near.Exists(b => b.Devices.Any(d => d.Kind.IsReceptacle() && (!want.Individual || d.Plate is { Individual: true }))))
            {
                continue;
            }

            yield return new(want.Room, "want",
                $"{room.Room.Name}: no receptacle for {want.Called}{(want.Individual ? " on a circuit of its own" : "")}.",
                $"It stands on wall {want.Wall} from {want.Offset} to {want.Offset + want.Width}; a cord reaches a foot past it.",
                    d => Place(d, room, want))
            {
                Severity = Severity.Amber,
                Part = want.Id.Value,
                On = Subject.Want(want.Id),
            };
        }
    }

    private static bool Reaches(Want want, Box box) => box.Mount == Mount.Wall && !box.Outside && box.Wall == want.Wall
        && box.Offset >= want.Offset - Cord && box.Offset <= want.Offset + want.Width + Cord;

    private static void Place(Draft draft, FramedRoom room, Want want)
    {
        var side = room.Sides[want.Wall - 1];
        var middle = want.Offset + (want.Width / 2);
        if (draft.Places(room, draft.Rules.ReceptacleHeight).Nearest(side, middle, want.Offset - Cord, want.Offset + want.Width + Cord)
            is not Length at)
        {
            return;
        }

        draft.OnWall(room, "w", want.Wall, at, want.Individual
            ? new Device { Kind = DeviceKind.Single, Plate = Plate(want) }
            : new Device { Kind = DeviceKind.Duplex });
    }

    private static Nameplate Plate(Want want) => (want.Kind switch
    {
        WantKind.Freezer => EquipmentLibrary.Freezer,
        WantKind.Treadmill => EquipmentLibrary.Treadmill,
        WantKind.Tool => EquipmentLibrary.Tool,
        _ => EquipmentLibrary.Appliance,
    }) with
    { Name = char.ToUpperInvariant(want.Called[0]) + want.Called[1..], Individual = true };
}
