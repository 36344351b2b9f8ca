using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Problems;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Draws a room by two opposite corners on its wall center lines.</summary>
public sealed record DrawRoom(LevelId Level, string Name, RoomUse Use, Point Corner, Point Opposite) : HouseChange
{
    /// <inheritdoc/>
    protected override Subject? Selects(Job before) => Subject.Room(NewRoomId(before, Name));

    /// <inheritdoc/>
    protected override Job Draw(Job job, out string phrase)
    {
        var level = Find(job, Level);
        var room = new Room { Id = NewRoomId(job, Name), Name = Name.Trim(), Use = Use, Corners = Shapes.Box(Corner, Opposite) };
        var drawn = With(job, level with { Rooms = level.Rooms.Add(room) });
        phrase = $"Draw {room.Name}, {RoomFitting.Inside(drawn, room.Id)} inside";
        return drawn;
    }
}

/// <summary>Puts several rooms on a level at once, with boxes that stand in them: read from a drawing. Ids that are taken are made
/// anew.</summary>
public sealed record AddRooms(LevelId Level, ImmutableArray<Room> Rooms, ImmutableArray<Box> Boxes) : HouseChange
{
    /// <inheritdoc/>
    protected override Job Draw(Job job, out string phrase)
    {
        var level = Find(job, Level);
        var drawn = job;
        var names = new Dictionary<RoomId, RoomId>();
        foreach (var room in Rooms)
        {
            var id = new RoomId(Ids.Free(room.Id.Value, drawn.Rooms.Select(r => r.Id.Value)));
            names[room.Id] = id;
            level = level with { Rooms = level.Rooms.Add(room with { Id = id }) };
            drawn = With(drawn, level);
        }

        var taken = job.Boxes.Select(b => b.Id).ToHashSet();
        var boxes = Boxes.Where(b => names.ContainsKey(b.Room) && !taken.Contains(b.Id)).Select(b => b with { Room = names[b.Room] })
            .ToList();
        var standing = boxes.Select(b => b.Id).Concat(taken).ToHashSet();
        boxes = [.. boxes.Select(b =>
            b with { Devices = [.. b.Devices.Select(d => d with { Controls = [.. d.Controls.Where(standing.Contains)] })] })];
        phrase = $"Read {Rooms.Length} room{(Rooms.Length == 1 ? "" : "s")}{(boxes.Count > 0 ? $" and {boxes.Count} boxes" : "")} from a "
            + $"drawing";
        return drawn with { Boxes = [.. job.Boxes, .. boxes] };
    }
}

/// <summary>Places a room of an inside size against a wall of its neighbour.</summary>
/// <param name="Neighbour">The room that stands already.</param>
/// <param name="Wall">The wall they will share.</param>
/// <param name="From">From the neighbour's inside corner at that wall's start to the new room's inside corner.</param>
/// <param name="Along">Inside, along the shared wall.</param>
/// <param name="Away">Inside, away from it.</param>
/// <param name="Name">Its name.</param>
/// <param name="Use">Its use.</param>
public sealed record AddRoom(RoomId Neighbour, int Wall, Length From, Length Along, Length Away, string Name, RoomUse Use) : HouseChange
{
    /// <inheritdoc/>
    protected override Subject? Selects(Job before) => Subject.Room(NewRoomId(before, Name));

    /// <inheritdoc/>
    protected internal override (RoomId Room, Length Width, Length Depth)? Typed(Job before)
    {
        var side = RoomFitting.Side(before, Find(before, Neighbour).Room, Wall);
        return (NewRoomId(before, Name), side.AlongX ? Along : Away, side.AlongX ? Away : Along);
    }

    /// <inheritdoc/>
    protected override Job Draw(Job job, out string phrase)
    {
        var (level, beside) = Find(job, Neighbour);
        if (Wall < 1 || Wall > beside.Corners.Length)
        {
            throw new ChangeRefusedException($"“{beside.Name}” has walls 1 to {beside.Corners.Length}; there is no wall {Wall}.");
        }

        if (Along < Length.FromInches(12) || Away < Length.FromInches(12))
        {
            throw new ChangeRefusedException($"A room is at least {Limit.Feet(1)} each way inside.");
        }

        var room = new Room { Id = NewRoomId(job, Name), Name = Name.Trim(), Use = Use, Corners = [] };
        var drawn = RoomFitting.Beside(job, level, beside, Wall, From, Along, Away, room);
        phrase = $"Add {room.Name}";
        return drawn;
    }
}

/// <summary>Puts the first room on a level: of an inside size at the building's north-west corner.</summary>
public sealed record FirstRoom(LevelId Level, string Name, RoomUse Use, Length Width, Length Depth) : HouseChange
{
    /// <inheritdoc/>
    protected override Subject? Selects(Job before) => Subject.Room(NewRoomId(before, Name));

    /// <inheritdoc/>
    protected override Job Draw(Job job, out string phrase)
    {
        var level = Find(job, Level);
        if (!level.Rooms.IsEmpty)
        {
            throw new ChangeRefusedException($"{level.Name} has rooms already; place the new one against a wall of one of them.");
        }

        var below = job.Structures.First(s => s.Levels.Contains(level)).Levels.Where(l => !l.Rooms.IsEmpty).SelectMany(l => l.Rooms)
            .SelectMany(r => r.Corners).ToList();
        var corner = below.Count == 0 ? new Point(Length.Zero, Length.Zero) : new Point(below.Min(p => p.X), below.Min(p => p.Y));
        var room = new Room { Id = NewRoomId(job, Name), Name = Name.Trim(), Use = Use, Corners = [] };
        phrase = $"Add {room.Name}, {Width} × {Depth} inside";
        return RoomFitting.At(job, level, room, corner, Width, Depth);
    }
}

/// <summary>Repeats the outline of a room on the level above or below.</summary>
public sealed record RepeatRoom(RoomId Room, LevelId To, string Name, RoomUse Use) : HouseChange
{
    /// <inheritdoc/>
    protected override Subject? Selects(Job before) => Subject.Room(NewRoomId(before, Name));

    /// <inheritdoc/>
    protected override Job Draw(Job job, out string phrase)
    {
        var (_, room) = Find(job, Room);
        var level = Find(job, To);
        var copy = new Room { Id = NewRoomId(job, Name), Name = Name.Trim(), Use = Use, Corners = room.Corners };
        phrase = $"Repeat {room.Name} on {level.Name} as {copy.Name}";
        return With(job, level with { Rooms = level.Rooms.Add(copy) });
    }
}

/// <summary>Names a room.</summary>
public sealed record NameRoom(RoomId Room, string Name) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (_, room) = HouseChange.Find(job, Room);
        phrase = $"Call {room.Name} {Name.Trim()}";
        return HouseChange.With(job, room with { Name = Name.Trim() });
    }
}

/// <summary>Says what a room is called together with others on the door's schedule; nothing lets it stand by its own name.</summary>
public sealed record GroupRoom(RoomId Room, string? Group) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (_, room) = HouseChange.Find(job, Room);
        var group = string.IsNullOrWhiteSpace(Group) ? null : Group.Trim();
        phrase = group is null ? $"Name {room.Name} by itself in the door" : $"Name {room.Name} with the {group} in the door";
        return HouseChange.With(job, room with { Group = group });
    }
}

/// <summary>Says what a room is used as.</summary>
public sealed record SetRoomUse(RoomId Room, RoomUse Use) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (_, room) = HouseChange.Find(job, Room);
        phrase = $"Use {room.Name} as {Words.Of(Use)}";
        return HouseChange.With(job, room with { Use = Use });
    }
}

/// <summary>Splits a room by a partition that leaves a wall at a place.</summary>
/// <param name="Room">The room.</param>
/// <param name="Wall">The wall the partition stands on.</param>
/// <param name="Offset">Inside corner at the wall's start to the partition's center line.</param>
/// <param name="Name">Name of the part beyond it.</param>
/// <param name="Use">Use of the part beyond it.</param>
public sealed record SplitRoom(RoomId Room, int Wall, Length Offset, string Name, RoomUse Use) : HouseChange
{
    /// <inheritdoc/>
    protected override Job Draw(Job job, out string phrase)
    {
        var (level, room) = Find(job, Room);
        var side = RoomFitting.Side(job, room, Wall);
        if (Offset < Length.FromInches(12) || Offset > side.Clear - Length.FromInches(12))
        {
            throw new ChangeRefusedException($"Leave at least {Limit.Feet(1)} on both sides; wall {Wall} is {side.Clear} clear.");
        }

        var at = side.At(Offset);
        Point northWest = new(room.Corners.Min(c => c.X), room.Corners.Min(c => c.Y)),
            southEast = new(room.Corners.Max(c => c.X), room.Corners.Max(c => c.Y));
        var forward = side.AlongX ? side.End.X > side.Start.X : side.End.Y > side.Start.Y;
        var (low, high) = side.AlongX
            ? (Shapes.Within(room.Corners, northWest, new(at.X, southEast.Y)),
                Shapes.Within(room.Corners, new(at.X, northWest.Y), southEast))
            : (Shapes.Within(room.Corners, northWest, new(southEast.X, at.Y)),
                Shapes.Within(room.Corners, new(northWest.X, at.Y), southEast));
        if (low is null || high is null)
        {
            throw new ChangeRefusedException(
                "A straight partition there would leave more than two rooms. Split the part of it that you mean first.");
        }

        var (kept, cut) = forward ? (low.Value, high.Value) : (high.Value, low.Value);
        var other = new Room { Id = NewRoomId(job, Name), Name = Name.Trim(), Use = Use, Corners = cut };
        phrase = $"Split {other.Name} from {room.Name}";
        return With(job, level with { Rooms = [.. level.Rooms.Select(r => r.Id == Room ? r with { Corners = kept } : r), other] });
    }
}

/// <summary>Makes one room of two that share a wall; the first keeps its name and use.</summary>
public sealed record MergeRooms(RoomId Room, RoomId Into) : HouseChange
{
    /// <inheritdoc/>
    protected override Job Draw(Job job, out string phrase)
    {
        var (level, gone) = Find(job, Room);
        var (levelOf, kept) = Find(job, Into);
        if (level.Id != levelOf.Id || Room == Into)
        {
            throw new ChangeRefusedException("Only two rooms of one level that share a wall can be one.");
        }

        var union = Shapes.Union(kept.Corners, gone.Corners)
            ?? throw new ChangeRefusedException($"{gone.Name} and {kept.Name} share no wall, or would leave a hole between them.");
        phrase = $"Merge {gone.Name} into {kept.Name}";
        return With(job, level with
        { Rooms = [.. level.Rooms.Where(r => r.Id != Room).Select(r => r.Id == Into ? r with { Corners = union } : r)] }) with
        { Holds = [.. job.Holds.Where(h => h.Subject != $"room:{Room}")] };
    }
}

/// <summary>Cuts a corner off a room, so that it becomes an L.</summary>
/// <param name="Room">The room.</param>
/// <param name="Corner">The corner where this wall starts, from 1.</param>
/// <param name="Along">How far along that wall.</param>
/// <param name="Back">How far along the wall before it.</param>
public sealed record CutCorner(RoomId Room, int Corner, Length Along, Length Back) : HouseChange
{
    /// <inheritdoc/>
    protected override Job Draw(Job job, out string phrase)
    {
        var (_, room) = Find(job, Room);
        if (Corner < 1 || Corner > room.Corners.Length)
        {
            throw new ChangeRefusedException($"“{room.Name}” has corners 1 to {room.Corners.Length}; there is no corner {Corner}.");
        }

        if (Along < Length.FromInches(12) || Back < Length.FromInches(12))
        {
            throw new ChangeRefusedException($"Cut at least {Limit.Feet(1)} each way.");
        }

        var at = room.Corners[Corner - 1];
        var next = room.Corners[Corner % room.Corners.Length];
        var before = room.Corners[(Corner + room.Corners.Length - 2) % room.Corners.Length];
        if (Along > at.SquareTo(next) - Length.FromInches(12) || Back > at.SquareTo(before) - Length.FromInches(12))
        {
            throw new ChangeRefusedException(
                $"That leaves less than {Limit.Feet(1)} of wall; the walls at corner {Corner} are {at.SquareTo(next)} and "
                + $"{at.SquareTo(before)} on their center lines.");
        }

        Point along = Step(at, next, Along), back = Step(at, before, Back);
        var far = at.By(along.X + back.X, along.Y + back.Y);
        var cut = Shapes.Without(room.Corners, at, far);
        phrase = $"Cut {Along} × {Back} off a corner of {room.Name}";
        return cut is { } corners && corners.Length == room.Corners.Length + 2
            ? With(job, room with { Corners = corners })
            : throw new ChangeRefusedException($"Corner {Corner} of “{room.Name}” turns inward; only an outward corner can be cut.");
    }

    private static Point Step(Point from, Point to, Length by) => from.Y == to.Y
        ? new(to.X > from.X ? by : -by, Length.Zero)
        : new(Length.Zero, to.Y > from.Y ? by : -by);
}

/// <summary>Takes a room out with all that is in it.</summary>
public sealed record DeleteRoom(RoomId Room) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (level, room) = HouseChange.Find(job, Room);
        if (job.Panels.FirstOrDefault(p => p.Room == Room) is { } panel)
        {
            throw new ChangeRefusedException($"Panel {panel.Id} stands in {room.Name}. Move it first.");
        }

        var boxes = job.Boxes.Where(b => b.Room == Room).ToList();
        phrase = $"Delete {room.Name}{(boxes.Count > 0 ? $" with {boxes.Count} box{(boxes.Count == 1 ? "" : "es")}" : "")}";
        var without = job with
        {
            Boxes = [.. job.Boxes.Where(b => b.Room != Room)],
            Wants = [.. job.Wants.Where(w => w.Room != Room)],
            LowVoltage = [.. job.LowVoltage.Where(o => o.Room != Room)],
            LowVoltageHomes = [.. job.LowVoltageHomes.Where(h => h.Room != Room)],
            Holds = [.. job.Holds.Where(h => h.Subject != $"room:{Room}")],
        };
        without = boxes.Aggregate(without, (j, b) => DeleteBox.Without(j, b.Id));
        var left = HouseChange.With(without, level with
        {
            Rooms = level.Rooms.Remove(room),
            Reservations = [.. level.Reservations.Where(r => r.Room != Room)],
            Chases = [.. level.Chases.Where(c => c.Room != Room)],
        });
        return Anchoring.Keep(without, left, keepsWalls: false, out _);
    }
}
