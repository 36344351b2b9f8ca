using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Sets an opening into a wall; its id is made here.</summary>
public sealed record AddOpening(RoomId Room, Opening Opening) : JobChange
{
    /// <inheritdoc/>
    protected override Subject? Selects(Job before) => Subject.Opening(Opening.Id);

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (_, room) = HouseChange.Find(job, Room);
        FreePlace.For(job, room, Opening);
        phrase = $"Set a {Words.Of(Opening.Kind)} of {Opening.Width} into the {room.SideOf(Opening.Wall)} wall of {room.Name}";
        return HouseChange.With(job, room with { Openings = room.Openings.Add(Opening) });
    }

    /// <summary>The first free id for an opening of a room.</summary>
    public static string FreeId(Job job, RoomId room) =>
        Ids.Numbered($"{room}-o", job.Rooms.SelectMany(r => r.Openings).Select(o => o.Id.Value));

    /// <summary>The opening with its room, or a refusal.</summary>
    internal static (Room Room, Opening Opening) Find(Job job, Id<Opening> id) =>
        job.Rooms.SelectMany(r => r.Openings.Select(o => (r, o))).Where(x => x.o.Id == id).Select(x => ((Room, Opening)?)x).FirstOrDefault()
        ?? throw new ChangeRefusedException($"Opening “{id}” is not in this job any more.");
}

/// <summary>Replaces an opening by what was typed.</summary>
public sealed record SetOpening(Id<Opening> Id, Opening Opening) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (room, was) = AddOpening.Find(job, Id);
        phrase = was.Offset != Opening.Offset && was with { Offset = Opening.Offset } == Opening with { Id = Id }
            ? $"Move the {Words.Of(was.Kind)} of {room.Name} {(Opening.Offset - was.Offset).Abs()}"
            : $"Change the {Words.Of(was.Kind)} of {room.Name}";
        FreePlace.For(job, room, Opening with { Id = Id });
        return HouseChange.With(job, room with { Openings = room.Openings.Replace(was, Opening with { Id = Id }) });
    }
}

/// <summary>Moves an opening along its wall.</summary>
public sealed record MoveOpening(Id<Opening> Id, Length Offset) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (room, was) = AddOpening.Find(job, Id);
        phrase = $"Move the {Words.Of(was.Kind)} of {room.Name} {(Offset - was.Offset).Abs()}";
        FreePlace.For(job, room, was with { Offset = Offset });
        return HouseChange.With(job, room with { Openings = room.Openings.Replace(was, was with { Offset = Offset }) });
    }
}

/// <summary>Closes an opening.</summary>
public sealed record DeleteOpening(Id<Opening> Id) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (room, was) = AddOpening.Find(job, Id);
        phrase = $"Delete the {Words.Of(was.Kind)} of {room.Name}";
        return HouseChange.With(job, room with { Openings = room.Openings.Remove(was) });
    }
}
