using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;

namespace Circuitum.Core.Circuits;

/// <summary>Pairs circuits that go the same way: two small-appliance circuits of one panel. By the crew's school they share a neutral, a
/// cable, or nothing.</summary>
internal static class Multiwire
{
    /// <summary>The circuits, pairs naming each other. An odd one stays by itself.</summary>
    public static List<Circuit> Pair(List<Circuit> circuits, Schools schools, CodeBook book)
    {
        var paired = circuits.ToList();
        foreach (var group in circuits.Where(c => c.Kind == CircuitKind.SmallAppliance).GroupBy(c => c.Panel))
        {
            foreach (var pair in group.OrderBy(c => c.Key.Value, StringComparer.Ordinal).Chunk(2).Where(p => p.Length == 2))
            {
                paired[paired.IndexOf(pair[0])] = With(pair[0], pair[1], schools, book);
                paired[paired.IndexOf(pair[1])] = With(pair[1], pair[0], schools, book);
            }
        }

        return paired;
    }

    private static Circuit With(Circuit one, Circuit other, Schools schools, CodeBook book) => schools.TwoCircuits != TwoCircuits.Multiwire
        ? one with { GoesWith = other.Key } : one with
        {
            GoesWith = other.Key,
            SharesNeutralWith = other.Key,
            Why = one.Why.House($"shares its neutral with {other.Key}", "two legs, opened together",
            book.Cite(RuleId.Multiwire).After("school: two circuits to one place")),
        };
}
