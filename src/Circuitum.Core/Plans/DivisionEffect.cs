using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Plans;

/// <summary>A circuit that a change of the division makes, unmakes or loads otherwise.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Description">Its description, as it will be.</param>
/// <param name="Before">Load by the rules for its breaker; null where it is new.</param>
/// <param name="After">The same after; null where it is gone.</param>
/// <param name="Rating">Its breaker.</param>
public sealed record CircuitEffect(CircuitKey Key, string Description, Amps? Before, Amps? After, Amps Rating);

/// <summary>What a change of the division would do, told before it is done: load, footage, darkness and rules.</summary>
public sealed record DivisionEffect(Plan Before, Plan After)
{
    /// <summary>Circuits whose load changes.</summary>
    public IEnumerable<CircuitEffect> Circuits
    {
        get
        {
            var was = Before.Panels.SelectMany(p => p.Circuits).ToDictionary(l => l.Key);
            foreach (var now in After.Panels.SelectMany(p => p.Circuits).Where(l => l.Feeds is null))
            {
                var load = now.Load.Required;
                var had = was.Remove(now.Key, out var old) ? old.Load.Required : (Amps?)null;
                if (had != load)
                {
                    yield return new(now.Key, now.Description, had, load, now.Breaker);
                }
            }

            foreach (var gone in was.Values.Where(l => l.Feeds is null))
            {
                yield return new(gone.Key, gone.Description, gone.Load.Required, null, gone.Breaker);
            }
        }
    }

    /// <summary>Footage of all cable, before and after.</summary>
    public (Length Before, Length After) Footage => (Before.Footage, After.Footage);

    /// <summary>Rooms that one breaker leaves without any light, summed over the breakers, before and after.</summary>
    public (int Before, int After) Dark => (DarkRooms(Before), DarkRooms(After));

    /// <summary>Tags that come.</summary>
    public ImmutableArray<Tag> Come { get; } = [.. PlanDifference.TagsOnlyIn(After, Before)];

    /// <summary>Tags that go.</summary>
    public ImmutableArray<Tag> Gone { get; } = [.. PlanDifference.TagsOnlyIn(Before, After)];

    /// <summary>It breaks a rule that was kept.</summary>
    public bool BreaksRules => Come.Any(t => t.Severity == Severity.Red);

    private static int DarkRooms(Plan plan) => plan.Circuits.Sum(c => Darkness.When(c, plan.Survey).Count(r => r.IsDark));
}
