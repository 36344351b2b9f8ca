using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Problems;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Puts a fixture into a room.</summary>
public sealed record AddFixture(RoomId Room, Fixture Fixture) : JobChange
{
    /// <inheritdoc/>
    protected override Subject? Selects(Job before) => Subject.Fixture(Room, before.Rooms.First(r => r.Id == Room).Fixtures.Length + 1);

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (_, room) = HouseChange.Find(job, Room);
        FreePlace.For(job, room, Fixture, null);
        var drawn = SetFixture.Fitting(HouseChange.With(job, room with { Fixtures = room.Fixtures.Add(Fixture) }), Room, Fixture);
        var fed = Fed(drawn, room.Fixtures.Length + 1);
        phrase = $"Put {Words.One(Words.Of(Fixture.Kind))} into {room.Name}"
            + (fed.Boxes.Length > drawn.Boxes.Length ? " with its outlet" : "");
        return fed;
    }

    // With the outlet that it asks for; another of its kind that waits for its own is not this one's matter.
    private Job Fed(Job drawn, int number)
    {
        var draft = new Draft(drawn, Framing.Frame(drawn));
        ApplianceOutlets.Find(draft).FirstOrDefault(o => o.On == Subject.Fixture(Room, number))?.Answer(draft);
        return draft.Job;
    }
}

/// <summary>Replaces a fixture by what was typed.</summary>
/// <param name="Room">Its room.</param>
/// <param name="Number">Its place in the room's list, from 1.</param>
/// <param name="Fixture">What it is now.</param>
public sealed record SetFixture(RoomId Room, int Number, Fixture Fixture) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (room, was) = Find(job, Room, Number);
        phrase = $"{(was.Kind == Fixture.Kind && was.Width == Fixture.Width && was.Depth == Fixture.Depth ? "Move" : "Change")} the "
            + $"{Words.Of(was.Kind)} of {room.Name}";
        FreePlace.For(job, room, Fixture, was);
        var moved = Fitting(HouseChange.With(job, room with { Fixtures = room.Fixtures.SetItem(Number - 1, Fixture) }), Room, Fixture);
        return was.Kind == Fixture.Kind && ApplianceOutlets.Feeding(job.Boxes, Room, was) is { } outlet
            ? Follow(moved, outlet, was, Fixture) : moved;
    }

    // Its outlet goes along, as far from its end as it was; where that is no place for a box it stays.
    private static Job Follow(Job moved, Box outlet, Fixture was, Fixture now)
    {
        var followed = (was.Wall, now.Wall) switch
        {
            (not null, int wall) => outlet with { Wall = wall, Offset = outlet.Offset + now.Offset - was.Offset },
            (null, null) => outlet with { X = outlet.X + now.X - was.X, Y = outlet.Y + now.Y - was.Y },
            _ => outlet,
        };
        var job = With(moved, followed);
        return JobProblems.First(job) is null ? job : moved;
    }

    /// <summary>The fixture with its room, or a refusal.</summary>
    internal static (Room Room, Fixture Fixture) Find(Job job, RoomId id, int number)
    {
        var (_, room) = HouseChange.Find(job, id);
        return number >= 1 && number <= room.Fixtures.Length ? (room, room.Fixtures[number - 1])
            : throw new ChangeRefusedException($"{room.Name} has {room.Fixtures.Length} fixtures; there is no number {number}.");
    }

    // What is set by hand stands wholly in its room.
    internal static Job Fitting(Job job, RoomId id, Fixture fixture)
    {
        if (JobProblems.First(job) is { } problem)
        {
            throw new ChangeRefusedException(problem.Told(job));
        }

        var room = Framing.Frame(job).Room(id);
        if (fixture.Wall is int wall && fixture.Offset + fixture.Width > room.Sides[wall - 1].Clear)
        {
            throw new ChangeRefusedException(
                $"The {Words.Of(fixture.Kind)} ends at {fixture.Offset + fixture.Width}; wall {wall} of {room.Room.Name} is "
                + $"{room.Sides[wall - 1].Clear} clear.");
        }

        if (fixture.Wall is null
            && (fixture.X < Length.Zero || fixture.Y < Length.Zero || fixture.X + fixture.Width > room.ClearWidth
                || fixture.Y + fixture.Depth > room.ClearDepth))
        {
            throw new ChangeRefusedException(
                $"The {Words.Of(fixture.Kind)} does not stand in {room.Room.Name}, which is {room.ClearWidth} × {room.ClearDepth} inside.");
        }

        return job;
    }
}

/// <summary>Takes a fixture out.</summary>
public sealed record DeleteFixture(RoomId Room, int Number) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (room, was) = SetFixture.Find(job, Room, Number);
        var without = HouseChange.With(job, room with { Fixtures = room.Fixtures.RemoveAt(Number - 1) });
        // The outlet that came with it goes with it; one whose plate was read, or that has company, is a person's.
        var outlet = ApplianceOutlets.Feeding(job.Boxes, Room, was) is { Devices: [{ Plate.Assumed: true }] } its ? its : null;
        phrase = $"Take the {Words.Of(was.Kind)} out of {room.Name}{(outlet is null ? "" : " with its outlet")}";
        return outlet is null ? without : new DeleteBox(outlet.Id).On(without).Job ?? without;
    }
}
