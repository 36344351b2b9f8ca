using Circuitum.Core.Jobs;

namespace Circuitum.Core.Changes;

/// <summary>Another edition of the book.</summary>
public sealed record SetEdition(Edition Edition) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = $"Plan by the {Edition.Words()}";
        return OnSupply.Of(job, Edition);
    }
}

/// <summary>Other schools.</summary>
public sealed record SetSchools(Schools Schools) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = "Change the crew's ways";
        return job with { Schools = Schools };
    }
}

/// <summary>Other house rules.</summary>
public sealed record SetHouseRules(HouseRules Rules) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = "Change house rules";
        return job with { HouseRules = Rules };
    }
}

/// <summary>The fact a hold waited for has come.</summary>
public sealed record ReleaseHold(Id<Hold> Hold) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var hold = job.Holds.FirstOrDefault(h => h.Id == Hold)
            ?? throw new ChangeRefusedException($"Hold “{Hold}” is not in this job any more.");
        phrase = $"Release “{hold.What}”";
        return job with { Holds = job.Holds.Remove(hold) };
    }
}

/// <summary>Takes over a crew's set of schools and house rules.</summary>
public sealed record UseCrewSet(string Name, CrewSet Set) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = $"Work by the rules “{Name}”";
        // What its book is drawn in stays, whatever the set was kept from.
        return OnSupply.Of(job with
        {
            Schools = Set.Schools,
            HouseRules = Set.HouseRules,
            Aims = Set.Aims,
            Prices = Set.Prices,
            // A set of before has none, and takes none away.
            CrewLines = Set.CrewLines.IsDefaultOrEmpty ? job.CrewLines : Set.CrewLines,
        }, job.Edition);
    }
}

/// <summary>Other weights for a division.</summary>
public sealed record SetAims(Aims Aims) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = "Change the aims of the division";
        return job with { Aims = Aims };
    }
}

/// <summary>Other prices of what protects.</summary>
public sealed record SetPrices(DevicePrices Prices) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = "Change the prices of breakers and devices";
        return job with { Prices = Prices };
    }
}

/// <summary>Schools of one room; all null goes by the job's again.</summary>
public sealed record SetRoomSchools(RoomSchools Own) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var room = job.Rooms.FirstOrDefault(r => r.Id == Own.Room)
            ?? throw new ChangeRefusedException($"Room “{Own.Room}” is not in this job any more.");
        var others = job.RoomSchools.RemoveAll(r => r.Room == Own.Room);
        phrase = $"Change the crew's ways in {room.Name}";
        return job with { RoomSchools = Own == new RoomSchools { Room = Own.Room } ? others : others.Add(Own) };
    }
}

/// <summary>Schools of one circuit; all null goes by the job's again.</summary>
public sealed record SetCircuitSchools(CircuitSchools Own) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var others = job.CircuitSchools.RemoveAll(c => c.Circuit == Own.Circuit);
        phrase = $"Change the crew's ways on circuit {Own.Circuit}";
        return job with { CircuitSchools = Own == new CircuitSchools { Circuit = Own.Circuit } ? others : others.Add(Own) };
    }
}
