namespace Circuitum.Core.Jobs;

/// <summary>Another edition of the book.</summary>
public sealed record SetEdition(Edition Edition) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = $"Plan by the {(int)Edition} edition";
        return job with { Edition = Edition };
    }
}

/// <summary>Other schools.</summary>
public sealed record SetSchools(Schools Schools) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = "Change schools";
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
public sealed record ReleaseHold(string Hold) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var hold = job.Holds.FirstOrDefault(h => h.Id == Hold) ?? throw new ChangeRefusedException($"Hold “{Hold}” is not in this job any more.");
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
        return job with { Schools = Set.Schools, HouseRules = Set.HouseRules };
    }
}
