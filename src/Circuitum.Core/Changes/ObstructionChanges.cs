using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Puts an obstruction over a level.</summary>
public sealed record AddObstruction(LevelId Level, Obstruction Obstruction) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var level = HouseChange.Find(job, Level);
        phrase = $"Put in {Obstruction.Name}";
        return HouseChange.With(job, level with { Obstructions = level.Obstructions.Add(Obstruction) });
    }
}

/// <summary>Moves or resizes an obstruction.</summary>
/// <param name="Level">Its level.</param>
/// <param name="Number">Its place in the level's list, from 1.</param>
/// <param name="Obstruction">What it is now.</param>
public sealed record SetObstruction(LevelId Level, int Number, Obstruction Obstruction) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (level, was) = Find(job, Level, Number);
        phrase = $"Change {was.Name}";
        return HouseChange.With(job, level with { Obstructions = level.Obstructions.SetItem(Number - 1, Obstruction) });
    }

    internal static (Level Level, Obstruction Obstruction) Find(Job job, LevelId id, int number)
    {
        var level = HouseChange.Find(job, id);
        return number >= 1 && number <= level.Obstructions.Length ? (level, level.Obstructions[number - 1])
            : throw new ChangeRefusedException($"{level.Name} has {level.Obstructions.Length} obstructions; there is no number {number}.");
    }
}

/// <summary>Takes an obstruction away.</summary>
public sealed record DeleteObstruction(LevelId Level, int Number) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (level, was) = SetObstruction.Find(job, Level, Number);
        phrase = $"Take {was.Name} away";
        return HouseChange.With(job, level with { Obstructions = level.Obstructions.RemoveAt(Number - 1) });
    }
}

/// <summary>Keeps stud bays for another trade; one of the same id is replaced.</summary>
public sealed record ReserveBays(Reservation Reservation) : JobChange
{
    /// <inheritdoc/>
    protected override Subject? Selects(Job before) => Subject.Bays(Reservation.Id);

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (level, room) = HouseChange.Find(job, Reservation.Room);
        phrase = $"Keep {Reservation.Width} of wall {Reservation.Wall} of {room.Name} for {Reservation.For}";
        return HouseChange.With(job, level with { Reservations = [.. level.Reservations.Where(r => r.Id != Reservation.Id), Reservation] });
    }

    /// <summary>The first free id.</summary>
    public static string FreeId(Job job) => Ids.Numbered("bays", job.Levels.SelectMany(l => l.Reservations).Select(r => r.Id.Value));
}

/// <summary>Gives kept bays back.</summary>
public sealed record ReleaseBays(Id<Reservation> Id) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var level = job.Levels.FirstOrDefault(l => l.Reservations.Any(r => r.Id == Id))
            ?? throw new ChangeRefusedException($"Kept bays “{Id}” are not in this job any more.");
        var was = level.Reservations.First(r => r.Id == Id);
        phrase = $"Give back the bays kept for {was.For}";
        return HouseChange.With(job, level with { Reservations = level.Reservations.Remove(was) });
    }
}

/// <summary>Leaves a spare chase; one of the same id is replaced.</summary>
public sealed record LeaveChase(Chase Chase) : JobChange
{
    /// <inheritdoc/>
    protected override Subject? Selects(Job before) => Subject.Chase(Chase.Id);

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (level, room) = HouseChange.Find(job, Chase.Room);
        phrase = $"Leave a chase for {Chase.For} in wall {Chase.Wall} of {room.Name}";
        return HouseChange.With(job, level with { Chases = [.. level.Chases.Where(c => c.Id != Chase.Id), Chase] });
    }

    /// <summary>The first free id.</summary>
    public static string FreeId(Job job) => Ids.Numbered("chase", job.Levels.SelectMany(l => l.Chases).Select(c => c.Id.Value));
}

/// <summary>Closes a spare chase.</summary>
public sealed record CloseChase(Id<Chase> Id) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var level = job.Levels.FirstOrDefault(l => l.Chases.Any(c => c.Id == Id))
            ?? throw new ChangeRefusedException($"Chase “{Id}” is not in this job any more.");
        var was = level.Chases.First(c => c.Id == Id);
        phrase = $"Delete the chase for {was.For}";
        return HouseChange.With(job, level with { Chases = level.Chases.Remove(was) });
    }
}

/// <summary>Lays a drawing under a level's plan, moves or scales it; null takes it away.</summary>
public sealed record SetUnderlay(LevelId Level, Underlay? Underlay) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var level = HouseChange.Find(job, Level);
        phrase = Underlay is null ? $"Take the drawing from under {level.Name}" : level.Underlay is null
            ? $"Lay {Underlay.Name} under {level.Name}" : $"Scale the drawing under {level.Name}";
        return HouseChange.With(job, level with { Underlay = Underlay });
    }
}

/// <summary>Scales the drawing under a level so that a stretch measured on it has its known length; its corner stays.</summary>
public sealed record ScaleUnderlay(LevelId Level, Length Measured, Length Known) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var level = HouseChange.Find(job, Level);
        var under = level.Underlay ?? throw new ChangeRefusedException($"No drawing lies under {level.Name}.");
        if (Measured < Length.FromInches(1) || Known < Length.FromInches(1))
        {
            throw new ChangeRefusedException("Mark two places at least 1 in apart, and type the length between them.");
        }

        Length Scaled(Length size) =>
            new((int)Math.Clamp(Math.Round(size.Sixtyfourths * (decimal)Known.Sixtyfourths / Measured.Sixtyfourths), int.MinValue / 2,
                int.MaxValue / 2));
        phrase = $"Scale the drawing under {level.Name}: {Measured.Taped(Length.FromInches(.25m))} is {Known}";
        return HouseChange.With(job, level with { Underlay = under with { Width = Scaled(under.Width), Depth = Scaled(under.Depth) } });
    }
}
