using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>A way into a room: the opening as the room sees it and what is on its other side.</summary>
/// <param name="Side">Wall of the room.</param>
/// <param name="Opening">The opening as this room sees it.</param>
/// <param name="Other">The room beyond, or null for the outside.</param>
internal sealed record Doorway(RoomSide Side, SideOpening Opening, FramedRoom? Other)
{
    public Point Middle => Side.At((Opening.From + Opening.To) / 2);
}

/// <summary>Finds the ways into rooms.</summary>
internal static class Doorways
{
    /// <summary>Every opening of a room that a person walks through, by wall and offset.</summary>
    public static IEnumerable<Doorway> Of(FramedHouse house, FramedRoom room)
    {
        var level = house.Structures[room.Structure].Levels[room.Level];
        foreach (var side in room.Sides)
        {
            foreach (var opening in side.Openings.Where(o => o.Opening.Kind is OpeningKind.Door or OpeningKind.Cased or OpeningKind.Slider))
            {
                var beyond = side.Into(side.At((opening.From + opening.To) / 2), -(side.HalfThickness * 2) - Length.FromInches(6));
                yield return new(side, opening, level.Rooms.FirstOrDefault(r => r != room && Outline.Contains(r.Room.Corners, beyond)));
            }
        }
    }

    /// <summary>Ways by which one comes into a dark room: not out of its own closet, bath or pantry, and into a hall not out of a
    /// bedroom.</summary>
    public static IEnumerable<Doorway> Entrances(FramedHouse house, FramedRoom room) =>
        Of(house, room).Where(d => d.Other is null || (d.Opening.Opening.Kind != OpeningKind.Slider && IsEnteredFrom(d.Other.Room.Use)));

    private static bool IsEnteredFrom(RoomUse use) => use is RoomUse.Kitchen or RoomUse.Dining or RoomUse.Family or RoomUse.Hall
        or RoomUse.Entry or RoomUse.Mudroom or RoomUse.Stair or RoomUse.Garage
        or RoomUse.FinishedBasement or RoomUse.UnfinishedBasement or RoomUse.Greenhouse or RoomUse.Laundry;

    /// <summary>Where a switch for a doorway stands: beside its strike jamb, else its other jamb, else within an arm's length in the room
    /// or on the far side of the door.</summary>
    /// <param name="draft">The boxes so far.</param>
    /// <param name="room">The room entered.</param>
    /// <param name="way">The doorway.</param>
    /// <param name="arm">How far off a switch still serves it.</param>
    public static SwitchPlace? SwitchPlace(Draft draft, FramedRoom room, Doorway way, Length arm)
    {
        var places = draft.Places(room, draft.Rules.SwitchHeight);
        var own = room.Room.Openings.Any(o => o.Id == way.Opening.Opening.Id);
        var hingeAtStart = (way.Opening.Opening.Hinge == Hinge.Start) == own;
        var strikeAtEnd = way.Opening.Opening.Kind != OpeningKind.Door || hingeAtStart;
        var side = way.Side;
        Length from = draft.Rules.SwitchFromJamb, reach = Length.FromInches(30);
        Length? after = places.Nearest(side, way.Opening.To + from, way.Opening.To, way.Opening.To + reach);
        Length? before = places.Nearest(side, way.Opening.From - from, way.Opening.From - reach, way.Opening.From);
        if ((strikeAtEnd ? after ?? before : before ?? after) is Length at)
        {
            return new(room, side.Number, at);
        }

        return Around(draft, room, way, arm) ?? (way.Other is null ? null : Around(draft, way.Other, way, arm));
    }

    private static SwitchPlace? Around(Draft draft, FramedRoom room, Doorway way, Length arm)
    {
        var places = draft.Places(room, draft.Rules.SwitchHeight);
        return room.Sides.Select(s => (Side: s, At: places.Nearest(s, s.Offset(way.Middle), Length.Zero, s.Clear)))
            .Where(x => x.At is not null)
            .Select(x => (x.Side, At: x.At!.Value, Far: x.Side.At(x.At.Value).SquareTo(way.Middle))).Where(x => x.Far <= arm)
            .OrderBy(x => x.Far).Select(x => new SwitchPlace(room, x.Side.Number, x.At)).FirstOrDefault();
    }
}

/// <summary>A place for a switch.</summary>
internal sealed record SwitchPlace(FramedRoom Room, int Wall, Length Offset);
