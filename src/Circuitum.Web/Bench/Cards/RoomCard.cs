using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench.Cards;

/// <summary>A wall or counter space on the card of its room.</summary>
/// <param name="Name">Its length, and whether it is a counter.</param>
/// <param name="Receptacles">How many serve it, and how many it takes at least.</param>
/// <param name="Farthest">The farthest any point of it lies from one.</param>
public sealed record SpaceLine(string Name, string Receptacles, string Farthest);

/// <summary>What the card of a room says and offers; the page only lays it out.</summary>
/// <param name="Room">The room.</param>
/// <param name="Level">Its level.</param>
/// <param name="Spaces">Its wall and counter spaces.</param>
/// <param name="Neighbours">Rooms that share a wall with it: it can take one of them in.</param>
/// <param name="Elsewhere">The other levels of its building: its outline can be repeated there.</param>
public sealed record RoomCard(FramedRoom Room, FramedLevel Level, ImmutableArray<SpaceLine> Spaces,
    ImmutableArray<FramedRoom> Neighbours, ImmutableArray<FramedLevel> Elsewhere)
{
    /// <summary>The card of the room that is selected.</summary>
    public static RoomCard Of(BenchView view)
    {
        var (room, house, survey) = (view.Room!, view.Plan.House, view.Plan.Survey);
        var id = room.Room.Id;
        var level = house.LevelOf(id);
        return new(room, level, [.. survey.Coverage.Concat(survey.Counters).Where(s => s.Room == id).Select(LineOf)],
            [.. level.Walls.Where(w => w.Rooms.Contains(id)).SelectMany(w => w.Rooms).Where(r => r != id).Distinct().Select(house.Room)],
            [.. house.Structures[room.Structure].Levels.Where(l => l != level)]);
    }

    private static SpaceLine LineOf(WallSpace space)
    {
        var farthest = space.Clear < space.Narrowest ? "too short to need one"
            : space.Receptacles.IsEmpty ? "none" : space.Farthest.Taped(Length.FromInches(1));
        return new($"{space.Clear.Taped(Length.FromInches(1))}{(space.Counter ? ", counter" : "")}",
            $"{space.Receptacles.Length}, at least {space.Least}", $"{farthest}{(space.Served ? "" : ", too far")}");
    }
}
