using System.Collections.Frozen;
using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.House;

/// <summary>The house as framed: walls derived from the rooms, studs, inside faces.</summary>
public sealed record FramedHouse(ImmutableArray<FramedStructure> Structures)
{
    private readonly FrozenDictionary<RoomId, FramedRoom> rooms =
        Structures.SelectMany(s => s.Levels).SelectMany(l => l.Rooms).ToFrozenDictionary(r => r.Room.Id);

    /// <summary>Every level, in the order of the job.</summary>
    public IEnumerable<FramedLevel> Levels => Structures.SelectMany(s => s.Levels);

    /// <summary>Every room, in the order of the job.</summary>
    public IEnumerable<FramedRoom> Rooms => Levels.SelectMany(l => l.Rooms);

    /// <summary>A room by id; an unknown id is a bug, since jobs are validated.</summary>
    public FramedRoom Room(RoomId id) => rooms[id];

    /// <summary>The level a room is on.</summary>
    public FramedLevel LevelOf(RoomId id) => Structures[rooms[id].Structure].Levels[rooms[id].Level];
}

/// <summary>A building as framed.</summary>
public sealed record FramedStructure(int Index, Structure Structure, ImmutableArray<FramedLevel> Levels);

/// <summary>A storey as framed.</summary>
/// <param name="Structure">Index of the building.</param>
/// <param name="Index">Index in the building, 0 the lowest.</param>
/// <param name="Level">The level of the job.</param>
/// <param name="Floor">Height of its floor above the lowest floor.</param>
/// <param name="Rooms">Its rooms.</param>
/// <param name="Walls">Its walls.</param>
public sealed record FramedLevel(int Structure, int Index, Level Level, Length Floor, ImmutableArray<FramedRoom> Rooms,
    ImmutableArray<Wall> Walls)
{
    /// <summary>True for a level below grade, as it is said or as its rooms' uses say.</summary>
    public bool IsBasement => Level.Basement
        ?? Level.Rooms.Any(r => r.Use is RoomUse.FinishedBasement or RoomUse.UnfinishedBasement);

    /// <summary>Height of its ceiling above the lowest floor.</summary>
    public Length Ceiling => Floor + Level.CeilingHeight;
}

/// <summary>A room with its inside faces.</summary>
/// <param name="Room">The room of the job.</param>
/// <param name="Structure">Index of the building.</param>
/// <param name="Level">Index of the level in the building.</param>
/// <param name="Sides">Its walls as seen from inside, in the order of its corners.</param>
public sealed record FramedRoom(Room Room, int Structure, int Level, ImmutableArray<RoomSide> Sides)
{
    /// <summary>Corners of the inside faces.</summary>
    public ImmutableArray<Point> Inside { get; } = [.. Sides.Select(s => s.Start)];

    /// <summary>North-west corner of the inside faces' bounds: X and Y of ceiling boxes start here.</summary>
    public Point NorthWest => new(Inside.Min(p => p.X), Inside.Min(p => p.Y));

    /// <summary>Middle of the room's bounds.</summary>
    public Point Middle => Outline.Middle(Inside);

    /// <summary>Middle of the room's largest rectangle, where a lamp or a fan hangs.</summary>
    public Point Centre
    {
        get
        {
            var (a, b) = Outline.Largest(Inside);
            return new((a.X + b.X) / 2, (a.Y + b.Y) / 2);
        }
    }

    /// <summary>Clear width east to west over its bounds.</summary>
    public Length ClearWidth => Inside.Max(p => p.X) - Inside.Min(p => p.X);

    /// <summary>Clear depth north to south over its bounds.</summary>
    public Length ClearDepth => Inside.Max(p => p.Y) - Inside.Min(p => p.Y);

    /// <summary>Where a fixture of the room stands: its north-west and south-east corners.</summary>
    public (Point NorthWest, Point SouthEast) Footprint(Fixture fixture)
    {
        if (fixture.Wall is not int wall)
        {
            var corner = NorthWest.By(fixture.X, fixture.Y);
            return (corner, corner.By(fixture.Width, fixture.Depth));
        }

        var side = Sides[wall - 1];
        Point p = side.At(fixture.Offset), q = side.Into(side.At(fixture.Offset + fixture.Width), fixture.Depth);
        return (new(Length.Min(p.X, q.X), Length.Min(p.Y, q.Y)), new(Length.Max(p.X, q.X), Length.Max(p.Y, q.Y)));
    }

    /// <summary>Its tubs and showers.</summary>
    public IEnumerable<Fixture> Tubs => Room.Fixtures.Where(f => f.Kind is FixtureKind.Tub or FixtureKind.Shower);

    /// <summary>How far a place is from a fixture, straight across the floor; nothing over it.</summary>
    public Length Off(Fixture fixture, Point at)
    {
        var (northWest, southEast) = Footprint(fixture);
        return Outline.StraightTo(northWest, southEast, at);
    }
}

/// <summary>One wall of a room as seen from inside.</summary>
/// <param name="Number">From 1, in the order of the corners.</param>
/// <param name="Start">Inside corner where offsets begin.</param>
/// <param name="End">Inside corner where it ends.</param>
/// <param name="HalfThickness">Inside face to center line.</param>
/// <param name="Exterior">True when any stretch is outside.</param>
public sealed record RoomSide(int Number, Point Start, Point End, Length HalfThickness, bool Exterior)
{
    /// <summary>Openings in it, whichever of the two rooms lists them, by offset.</summary>
    public ImmutableArray<SideOpening> Openings { get; init; } = [];

    /// <summary>True when it runs along X.</summary>
    public bool AlongX => Start.Y == End.Y;

    /// <summary>Clear length from inside corner to inside corner.</summary>
    public Length Clear => Start.SquareTo(End);

    /// <summary>A place along the inside face.</summary>
    public Point At(Length offset) => AlongX
        ? new(End.X >= Start.X ? Start.X + offset : Start.X - offset, Start.Y)
        : new(Start.X, End.Y >= Start.Y ? Start.Y + offset : Start.Y - offset);

    /// <summary>How far along the inside face a place lies.</summary>
    public Length Offset(Point at) => AlongX
        ? (End.X >= Start.X ? at.X - Start.X : Start.X - at.X)
        : (End.Y >= Start.Y ? at.Y - Start.Y : Start.Y - at.Y);

    /// <summary>A place off the inside face, into the room when positive, into the wall when negative.</summary>
    public Point Into(Point at, Length by) => AlongX
        ? (End.X >= Start.X ? at.By(Length.Zero, by) : at.By(Length.Zero, -by))
        : (End.Y >= Start.Y ? at.By(-by, Length.Zero) : at.By(by, Length.Zero));
}

/// <summary>An opening as one of its rooms sees it.</summary>
/// <param name="Opening">The opening of the job.</param>
/// <param name="From">From the inside corner at the wall's start.</param>
/// <param name="To">From the same corner.</param>
public sealed record SideOpening(Opening Opening, Length From, Length To);

/// <summary>A wall between two rooms, or between a room and the outside, derived from the rooms' outlines.</summary>
/// <param name="Index">Its number on the level, from 0.</param>
/// <param name="Start">West or north end on the center line.</param>
/// <param name="End">East or south end on the center line.</param>
/// <param name="Frame">What it is made of.</param>
/// <param name="Exterior">One side is the weather.</param>
/// <param name="Rooms">The rooms it serves, one or two.</param>
/// <param name="Openings">Openings in it, from its start.</param>
public sealed record Wall(int Index, Point Start, Point End, WallFrame Frame, bool Exterior, ImmutableArray<RoomId> Rooms,
    ImmutableArray<WallOpening> Openings)
{
    /// <summary>Stretches kept for other trades.</summary>
    public ImmutableArray<ReservedStretch> Reserved { get; init; } = [];

    /// <summary>Framing and board.</summary>
    public Length Thickness => Frame.Thickness;

    /// <summary>True when it runs along X.</summary>
    public bool AlongX => Start.Y == End.Y;

    /// <summary>Centre-line length.</summary>
    public Length Run => Start.SquareTo(End);

    /// <summary>How far along the wall a place lies.</summary>
    public Length Along(Point at) => AlongX ? at.X - Start.X : at.Y - Start.Y;

    /// <summary>A place on the center line.</summary>
    public Point At(Length along) => AlongX ? Start.By(along, Length.Zero) : Start.By(Length.Zero, along);

    /// <summary>The middles of its bays, from its start, that no opening and no other trade takes.</summary>
    public IEnumerable<Length> FreeBays()
    {
        for (var middle = Frame.Spacing / 2; middle < Run; middle += Frame.Spacing)
        {
            if (!Openings.Any(o => o.From < middle && o.To > middle) && !Reserved.Any(r => r.From < middle && r.To > middle))
            {
                yield return middle;
            }
        }
    }

    /// <summary>Number of the stud bay at a place along the wall, from 0.</summary>
    public int Bay(Length along) => Math.Max(0, along.Sixtyfourths) / Frame.Spacing.Sixtyfourths;
}

/// <summary>A stretch of a wall that another trade needs.</summary>
/// <param name="Reservation">The entry of the job.</param>
/// <param name="From">From the wall's start.</param>
/// <param name="To">From the wall's start.</param>
public sealed record ReservedStretch(Reservation Reservation, Length From, Length To);

/// <summary>An opening as it interrupts a wall.</summary>
/// <param name="Opening">The opening of the job.</param>
/// <param name="Room">The room that lists it.</param>
/// <param name="From">From the wall's start.</param>
/// <param name="To">From the wall's start.</param>
public sealed record WallOpening(Opening Opening, RoomId Room, Length From, Length To)
{
    /// <summary>A window leaves its cripple studs below the sill; everything else reaches the floor.</summary>
    public bool StopsBoringAt(Length height) => Foot <= height;

    /// <summary>Underside of the header above the floor, as openings are framed: 6 ft 10 in.</summary>
    public static Length Head { get; } = Length.FromInches(82);

    /// <summary>Floor to where it begins: the sill of a window, the floor of everything else.</summary>
    public Length Foot => Opening.Kind == OpeningKind.Window ? Opening.Sill : Length.Zero;

    /// <summary>Cable up or down the wall at a place along it, between two heights above the floor, would hang in it.</summary>
    public bool Bars(Length along, Length a, Length b) => along > From && along < To && Length.Min(a, b) < Head && Length.Max(a, b) > Foot;
}
