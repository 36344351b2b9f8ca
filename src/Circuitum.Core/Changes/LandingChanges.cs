using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Keeps every circuit where it lands now: its number is written on studs and cables.</summary>
/// <param name="Spaces">Where each stands.</param>
public sealed record WriteSpaces(ImmutableArray<WrittenSpace> Spaces) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = "Write the space numbers: they stay";
        return job with { Written = Spaces };
    }
}

/// <summary>Lands every circuit anew; numbers that are written have to be written again.</summary>
public sealed record Reland : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = "Land all circuits anew";
        return job with { Written = [] };
    }
}

/// <summary>Lets a circuit land anew: it is held in no space, and no number of it is written.</summary>
/// <param name="Circuit">The circuit.</param>
public sealed record FreeSpace(CircuitKey Circuit) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = $"Free the space of {Circuit}";
        return job with
        {
            Written = job.Written.RemoveAll(w => w.Circuit == Circuit),
            Pins = job.Pins with { Spaces = job.Pins.Spaces.RemoveAll(p => p.Circuit == Circuit) }
        };
    }
}

/// <summary>Moves a breaker to another space; every other one stays, but for what makes room.</summary>
/// <param name="Circuit">The circuit.</param>
/// <param name="Space">Where its upper pole goes.</param>
/// <param name="Gives">Circuits that make room.</param>
/// <param name="Spaces">Where every circuit stands afterwards.</param>
public sealed record MoveBreaker(CircuitKey Circuit, PanelSpace Space, ImmutableArray<CircuitKey> Gives,
    ImmutableArray<WrittenSpace> Spaces) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = Gives.IsEmpty ? $"Land {Circuit.Words} on space {Space}"
            : $"Swap {Circuit.Words} with {string.Join(", ", Gives.Select(g => g.Words))}";
        return job with
        {
            Written = Spaces,
            Pins = job.Pins with { Spaces = job.Pins.Spaces.RemoveAll(p => p.Circuit == Circuit || Gives.Contains(p.Circuit)) }
        };
    }
}

/// <summary>Holds the words beside a breaker; nothing typed lets the planner write them again.</summary>
/// <param name="Circuit">The circuit.</param>
/// <param name="Text">The words; null frees them.</param>
/// <param name="Instead">What the planner writes now.</param>
public sealed record Describe(CircuitKey Circuit, string? Text, string Instead) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var others = job.Pins.Descriptions.RemoveAll(d => d.Circuit == Circuit);
        phrase = Text is null ? $"Free the words of {Circuit}" : $"Describe {Circuit} as “{Text.Trim()}”";
        return job with { Pins = job.Pins with { Descriptions = Text is null ? others : others.Add(new(Circuit, Text.Trim(), Instead)) } };
    }
}

/// <summary>Says of which line a circuit's breaker is; null takes it as the panel's.</summary>
public sealed record SetBreakerFamily(CircuitKey Circuit, string? Family) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var others = job.Pins.Families.RemoveAll(f => f.Circuit == Circuit);
        phrase = Family is null ? $"Take the breaker of {Circuit} as the panel's line" : $"The breaker of {Circuit} is {Family.Trim()}";
        return job with { Pins = job.Pins with { Families = Family is null ? others : others.Add(new(Circuit, Family.Trim())) } };
    }
}

/// <summary>Sets what a panel's label says.</summary>
public sealed record SetListing(PanelId Panel, PanelListing Listing) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var panel = LandingChanges.Find(job, Panel);
        phrase = $"Set what the label of panel {Panel} says";
        return job with { Panels = job.Panels.Replace(panel, panel with { Listing = Listing }) };
    }
}

/// <summary>Says that a breaker stands in a space already; null takes it out.</summary>
public sealed record SetTaken(PanelId Panel, PanelSpace Space, TakenSpace? Taken) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var panel = LandingChanges.Find(job, Panel);
        if (Taken is null && panel.Taken.All(t => t.Space != Space))
        {
            throw new ChangeRefusedException($"No breaker stands in space {Space} of panel {Panel} any more.");
        }

        phrase = Taken is null ? $"Take the breaker out of space {Space} of panel {Panel}"
            : $"Space {Space} of panel {Panel} is taken: {Taken.Description.Trim()}";
        var others = panel.Taken.RemoveAll(t => t.Space == Space);
        return job with
        {
            Panels = job.Panels.Replace(panel,
            panel with
            {
                Taken = Taken is null ? others
                : [.. others.Add(Taken with { Description = Taken.Description.Trim() }).OrderBy(t => t.Space)]
            })
        };
    }
}

/// <summary>What the changes of landing share.</summary>
internal static class LandingChanges
{
    public static Panel Find(Job job, PanelId id) => job.Panels.FirstOrDefault(p => p.Id == id)
        ?? throw new ChangeRefusedException($"Panel {id} is not in this job any more.");
}
