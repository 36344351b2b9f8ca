using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Problems;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Draws the house anew: boxes, openings and all else on the walls stay where they stand.</summary>
public abstract record HouseChange : JobChange
{
    /// <summary>True when walls were moved and none was added or taken away: a thing stays on the wall of the same number.</summary>
    protected virtual bool KeepsWalls => false;

    /// <summary>A new room's inside size as it was typed; null where none was.</summary>
    protected internal virtual (RoomId Room, Length Width, Length Depth)? Typed(Job before) => null;

    /// <summary>True when inside sizes are what the change is about: nothing is moved to keep them.</summary>
    protected virtual bool Resizes => false;

    /// <summary>True for a room whose size is what was asked for: a kept one goes on being kept as it becomes.</summary>
    protected virtual bool IsAbout(RoomId room) => false;

    /// <summary>Draws the rooms anew, without a thought for what is on their walls.</summary>
    protected abstract Job Draw(Job job, out string phrase);

    /// <inheritdoc/>
    protected sealed override Job Apply(Job job, out string phrase)
    {
        var drawn = Draw(job, out phrase);
        if (JobProblems.FirstOfOutlines(drawn) is { } problem)
        {
            throw new ChangeRefusedException(problem.Told(drawn));
        }

        if (!Resizes)
        {
            var typed = Typed(job);
            drawn = SizeKeeping.Keep(job, drawn, typed);
            phrase += typed is { } asked ? Told(drawn, asked) : "";
        }

        SizeLocks.Check(job, drawn, IsAbout);

        var kept = Anchoring.Keep(job, drawn, KeepsWalls, out var lost);
        if (lost > 0)
        {
            phrase += $"; {lost} thing{(lost == 1 ? "" : "s")} on a wall that is gone went with it";
        }

        return kept;
    }

    // As it stands, and where that is not as it was typed, so much is said.
    private static string Told(Job drawn, (RoomId Room, Length Width, Length Depth) typed)
    {
        var room = Framing.Frame(RoomFitting.Emptied(drawn)).Room(typed.Room);
        return $", {room.ClearWidth} × {room.ClearDepth} inside" + (room.ClearWidth == typed.Width && room.ClearDepth == typed.Depth ? ""
            : $", not {typed.Width} × {typed.Depth}: the walls of its neighbors leave no more choice");
    }

    /// <summary>The level, or a refusal.</summary>
    internal static Level Find(Job job, LevelId id) => job.Levels.FirstOrDefault(l => l.Id == id)
        ?? throw new ChangeRefusedException($"Level “{id}” is not in this job any more.");

    /// <summary>The level a room is on with the room, or a refusal.</summary>
    internal static (Level Level, Room Room) Find(Job job, RoomId id) =>
        job.Levels.SelectMany(l => l.Rooms.Select(r => (l, r))).Where(x => x.r.Id == id).Select(x => ((Level, Room)?)x).FirstOrDefault()
        ?? throw new ChangeRefusedException($"Room “{id}” is not in this job any more.");

    /// <summary>The job with one level replaced.</summary>
    internal static Job With(Job job, Level level) => job with
    {
        Structures = [.. job.Structures.Select(s => s.Levels.Any(l => l.Id == level.Id)
            ? s with { Levels = [.. s.Levels.Select(l => l.Id == level.Id ? level : l)] } : s)],
    };

    /// <summary>The job with one room replaced.</summary>
    internal static Job With(Job job, Room room)
    {
        var level = Find(job, room.Id).Level;
        return With(job, level with { Rooms = [.. level.Rooms.Select(r => r.Id == room.Id ? room : r)] });
    }

    /// <summary>An id made of a name that no room bears yet.</summary>
    public static RoomId NewRoomId(Job job, string name) =>
        new(Ids.Free(Ids.Slug(name, "room"), job.Rooms.Select(r => r.Id.Value)));
}
