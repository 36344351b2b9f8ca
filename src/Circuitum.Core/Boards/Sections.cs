using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules.Gulf;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>What stands behind which residual-current device.</summary>
internal static class Sections
{
    /// <summary>Circuits of one section, why, and what it opens at.</summary>
    internal sealed record Group(ImmutableArray<int> Circuits, int Milliamps, Because Why);

    /// <summary>The circuits of a board in their sections, by their place in the list; every one in one.</summary>
    /// <param name="circuits">Those of the board.</param>
    /// <param name="fed">With the local numbers.</param>
    public static ImmutableArray<Group> Of(IReadOnlyList<RatedCircuit> circuits, MetricFeed fed)
    {
        var kinds = circuits.Select((c, i) => (Kind: KindOf(c.Circuit.Use), Index: i)).GroupBy(k => k.Kind).OrderBy(g => g.Key)
            .SelectMany(g => Parts(g.Key, [.. g.Select(k => k.Index)], circuits, fed)).ToImmutableArray();
        // One device ahead of everything would darken everything: at least two, where there are two circuits.
        return kinds.Length == 1 && kinds[0].Circuits.Length > 1
            ? [.. Cut([.. kinds[0].Circuits], 2).Select(p => new Group(p, kinds[0].Milliamps, kinds[0].Why
                .Book("a board has at least two sections, so that one fault leaves the other", "2",
                MetricRules.Cite(MetricRule.Sections))))]
            : kinds;
    }

    private static SectionKind KindOf(CircuitUse use) => use switch
    {
        CircuitUse.Lighting => SectionKind.Lighting,
        CircuitUse.GardenLighting => SectionKind.Garden,
        CircuitUse.Cooker or CircuitUse.Cooling => SectionKind.Heavy,
        _ => SectionKind.Power,
    };

    private static IEnumerable<Group> Parts(SectionKind kind, List<int> circuits, IReadOnlyList<RatedCircuit> all, MetricFeed fed)
    {
        var milliamps = MetricRules.Sensitivity(kind == SectionKind.Power, kind == SectionKind.Garden);
        var why = Because.Of("Why this section").Book(kind switch
        {
            SectionKind.Lighting => "lighting",
            SectionKind.Garden => "lighting of a garden",
            SectionKind.Power => "sockets, water heaters and what people hold",
            _ => "cookers and cooling",
        }, $"{milliamps} mA", MetricRules.Cite(MetricRule.Sections));
        var rings = circuits.FindAll(c => all[c].Circuit.Use == CircuitUse.Ring);
        var most = fed.Most(MetricNumber.RingsBehindOne);
        var parts = Math.Max(1, (rings.Count + most - 1) / most);
        if (parts > 1)
        {
            why = why.Book($"{rings.Count} rings, at most {most} behind one", $"{parts} devices, shared evenly",
                fed.Cite(MetricNumber.RingsBehindOne));
        }

        var rest = Cut(circuits.FindAll(c => !rings.Contains(c)), parts);
        return Cut(rings, parts).Zip(rest, (a, b) => new Group([.. a.Concat(b).Order()], milliamps, why));
    }

    // In as many pieces as are asked for, that differ by one at most; the first have one more. Pieces may be empty.
    private static ImmutableArray<ImmutableArray<int>> Cut(List<int> list, int parts) =>
        [.. Enumerable.Range(0, parts).Select(p => list.Take(Upto(list.Count, parts, p + 1)).Skip(Upto(list.Count, parts,
            p)).ToImmutableArray())];

    private static int Upto(int count, int parts, int part) => (count / parts * part) + Math.Min(count % parts, part);

    private enum SectionKind
    {
        Lighting,
        Garden,
        Power,
        Heavy,
    }
}
