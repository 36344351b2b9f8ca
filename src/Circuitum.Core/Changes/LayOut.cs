using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;

namespace Circuitum.Core.Changes;

/// <summary>Lays out by rule: everything the book asks for that is not there yet, around what a person placed already.</summary>
/// <param name="Rooms">Only these rooms; the whole job when empty.</param>
public sealed record LayOut(ImmutableArray<RoomId> Rooms) : JobChange
{
    // One answer may settle another thing's want, or make a new one; a second and third look settle it.
    private const int Looks = 4;

    /// <summary>The whole job.</summary>
    public static LayOut Everything { get; } = new([]);

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var house = Framing.Frame(job);
        var rooms = Rooms.IsDefault ? [] : Rooms;
        foreach (var unknown in rooms.Where(r => house.Rooms.All(x => x.Room.Id != r)))
        {
            throw new ChangeRefusedException($"Room “{unknown}” is not in this job any more.");
        }

        var draft = new Draft(job, house);
        Settle(draft, o => rooms.IsEmpty || rooms.Contains(o.Room));
        var added = draft.Boxes.Count - job.Boxes.Length;
        if (added == 0 && draft.Boxes.SequenceEqual(job.Boxes))
        {
            throw new ChangeRefusedException(rooms.IsEmpty
                ? "Nothing is missing: what the rules ask for is there, or there is no place for it."
                : "Nothing is missing there, or there is no place for it.");
        }

        phrase = $"Lay out {(rooms.Length switch { 0 => "the job", 1 => house.Room(rooms[0]).Room.Name, _ => $"{rooms.Length} rooms" })} "
            + $"by rule: {added} box{(added == 1 ? "" : "es")}";
        return draft.Job;
    }

    internal static void Settle(Draft draft, Func<Owed, bool> which)
    {
        for (var look = 0; look < Looks; look++)
        {
            var before = draft.Boxes.ToList();
            // What is owed is found as it is asked for: each answer is seen by whatever is looked at after it.
            foreach (var owed in Owing.Find(draft).Where(which))
            {
                owed.Answer(draft);
            }

            if (draft.Boxes.SequenceEqual(before))
            {
                return;
            }
        }
    }
}

/// <summary>Puts what one tag asks for.</summary>
/// <param name="Room">Where.</param>
/// <param name="Cite">The rule that asks.</param>
/// <param name="Part">Tells two things of one section in one room apart.</param>
public sealed record PlaceOwed(RoomId Room, Citation Cite, string Part) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var draft = new Draft(job, Framing.Frame(job));
        var owed = Owing.Find(draft).FirstOrDefault(o => o.Room == Room && o.Cite == Cite && o.Part == Part)
            ?? throw new ChangeRefusedException("That is there already.");
        owed.Answer(draft);
        if (draft.Boxes.SequenceEqual(job.Boxes))
        {
            throw new ChangeRefusedException(
                $"There is no free place for it in {draft.House.Room(Room).Room.Name}. Make room on a wall first.");
        }

        // The crew's own words have no section to be called by.
        var what = owed.Cite.Ids.IsEmpty ? owed.Act : $"Place what {Cite} asks for";
        phrase = $"{what} in {draft.House.Room(Room).Room.Name}";
        return draft.Job;
    }
}
