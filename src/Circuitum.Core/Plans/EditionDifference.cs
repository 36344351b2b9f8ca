using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Tags;

namespace Circuitum.Core.Plans;

/// <summary>One outlet that another edition protects otherwise.</summary>
/// <param name="Box">The box.</param>
/// <param name="Name">Its name.</param>
/// <param name="Against">AFCI or GFCI.</param>
/// <param name="Before">Why the first edition asks for it, or null.</param>
/// <param name="After">Why the second edition asks for it, or null.</param>
public sealed record OutletDifference(BoxId Box, string Name, string Against, Need? Before, Need? After)
{
    /// <summary>It is asked for now, and was not.</summary>
    public bool Comes => Before is null;

    /// <summary>It was asked for, and is no longer.</summary>
    public bool Goes => After is null;
}

/// <summary>A breaker that changes with the edition.</summary>
public sealed record BreakerDifference(CircuitKey Circuit, string Space, string Description, BreakerKind Before, BreakerKind After);

/// <summary>What exactly differs between two editions for one job, outlet by outlet.</summary>
/// <param name="Outlets">Outlets by name: what comes, what goes, and what is asked by another section.</param>
/// <param name="Breakers">Breakers that become another kind.</param>
/// <param name="Come">Tags that come.</param>
/// <param name="Gone">Tags that go.</param>
public sealed record EditionDifference(ImmutableArray<OutletDifference> Outlets, ImmutableArray<BreakerDifference> Breakers,
    ImmutableArray<Tag> Come, ImmutableArray<Tag> Gone)
{
    /// <summary>Outlets whose protection comes or goes.</summary>
    public IEnumerable<OutletDifference> Changed => Outlets.Where(o => o.Comes || o.Goes);

    /// <summary>Outlets that are protected alike, by a section of another number.</summary>
    public IEnumerable<OutletDifference> Renumbered => Outlets.Where(o => !o.Comes && !o.Goes);

    /// <summary>Compares the plans of one job by two editions.</summary>
    public static EditionDifference Between(Plan before, Plan after) => new(
        [.. before.Survey.Boxes.SelectMany(b => Of(before, after, b.Box.Id, b.Name)).OrderBy(d => d.Comes ? 0 : d.Goes ? 1 : 2)
            .ThenBy(d => d.Against, StringComparer.Ordinal).ThenBy(d => d.Name, StringComparer.Ordinal)],
        [.. after.Panels.SelectMany(p => p.Circuits).Select(now => (Was: before.Landed(now.Key), Now: now))
            .Where(x => x.Was is not null && x.Was.BreakerKind != x.Now.BreakerKind)
            .Select(x => new BreakerDifference(x.Now.Key, x.Now.SpaceText, x.Now.Description, x.Was!.BreakerKind, x.Now.BreakerKind))],
        [.. PlanDifference.TagsOnlyIn(after, before)],
        [.. PlanDifference.TagsOnlyIn(before, after)]);

    private static IEnumerable<OutletDifference> Of(Plan before, Plan after, BoxId box, string name)
    {
        OutletProtection was = before.CircuitOf(box)!.Outlets[box], now = after.CircuitOf(box)!.Outlets[box];
        if (was.Afci?.Cite != now.Afci?.Cite)
        {
            yield return new(box, name, "AFCI", was.Afci, now.Afci);
        }

        if (was.Gfci?.Cite != now.Gfci?.Cite)
        {
            yield return new(box, name, "GFCI", was.Gfci, now.Gfci);
        }
    }
}
