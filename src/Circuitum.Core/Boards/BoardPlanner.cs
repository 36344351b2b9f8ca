using System.Collections.Immutable;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules.Gulf;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>From a point list to boards: divides, rates, shares out over boards and phases, and chooses what is drawn in.</summary>
public static class BoardPlanner
{
    // Ways of boards that are made; a fifth of them is left free where one is large enough.
    private static readonly int[] Made = [6, 8, 12, 16, 20, 24, 30, 36, 42];

    /// <summary>The plan of a point list; the same for the same list.</summary>
    public static BoardPlan Plan(BoardBrief brief)
    {
        var groups = Groups([.. Divisions.Of(brief).Select(Rating.Of)], brief);
        var shared = Sharing.Turned([.. groups.Select(g => Sharing.Over(g.Circuits, brief))]);
        if (groups.Count == 1)
        {
            return new(brief, [Composed(groups[0], shared[0], brief, 0, null)], null);
        }

        var loads = Sharing.Together([.. shared.Select(s => s.Loads)]);
        var current = loads.Fullest / MetricRules.ToNeutral;
        var rating = MetricRules.SubMainAtLeast(current);
        var incomer = new Figure<Amps>(rating ?? MetricRules.MostSubMain, Because.Of("Why this incomer")
            .Plan("the boards together, the fullest phase", current.ToString())
            .Book("the next rating", (rating ?? MetricRules.MostSubMain).ToString(), MetricRules.Cite(MetricRule.Board)));
        return new(brief, [.. groups.Select((g, i) => Composed(g, shared[i], brief, i, IncomerOf(g, shared[i].Loads)))],
            new(incomer, loads, rating is null ? $"the boards draw {current} together, and {MetricRules.MostSubMain} is the largest "
                + "sub-main kept here: they need supplies of their own" : ""));
    }

    private static MetricBoard Composed(Draft group, (ImmutableArray<int> Phases, PhaseLoads Loads) shared, BoardBrief brief, int index,
        Figure<Amps>? behind)
    {
        var incomer = behind ?? IncomerOf(group, shared.Loads);
        var feeder = behind is null ? null
            : Pulling.Feeder(shared.Loads.Fullest / MetricRules.ToNeutral, behind, brief.Fed.ThreePhase, brief);
        var number = 1;
        var sections = ImmutableArray.CreateBuilder<BoardSection>();
        foreach (var section in Sections.Of(group.Circuits))
        {
            var ways = ImmutableArray.CreateBuilder<BoardWay>();
            foreach (var i in section.Circuits)
            {
                ways.Add(new(number, shared.Phases[i], Pulling.Of(group.Circuits[i], brief, feeder?.Drop ?? new(0))));
                number += group.Circuits[i].Poles;
            }

            sections.Add(new((char)('A' + sections.Count), section.Milliamps, Residual(section, group, shared.Phases, brief, incomer.Value),
                section.Why, ways.ToImmutable()));
        }

        var used = number - 1;
        return new($"Board {(char)('A' + index)}", group.Serves, incomer, sections.ToImmutable(), shared.Loads,
            Made.FirstOrDefault(m => m * 5 >= used * 6, Math.Max(used, Made[^1])), feeder, group.Why);
    }

    private static Figure<Amps> IncomerOf(Draft group, PhaseLoads loads)
    {
        var running = loads.Fullest / MetricRules.ToNeutral;
        var largest = group.Circuits.Max(c => c.Breaker.Value);
        var rating = MetricRules.AtLeast(running >= largest ? running : largest) ?? MetricRules.MostIncomer;
        return new(rating, Because.Of("Why this incomer")
            .Plan($"the fullest phase, {loads.Fullest} ÷ {MetricRules.ToNeutral}", running.ToString())
            .House("no smaller than the largest breaker behind it", largest.ToString(), "good practice")
            .Book($"the next rating, {MetricRules.MostIncomer} at most", rating.ToString(), MetricRules.Cite(MetricRule.Board)));
    }

    // It carries what runs behind it on the fullest phase, and no breaker behind it lets more through than it is made for.
    private static Figure<Amps> Residual(Sections.Group section, Draft group, ImmutableArray<int> phases, BoardBrief brief, Amps incomer)
    {
        var behind = section.Circuits.Select(i => group.Circuits[i]).ToList();
        var running = Sharing.Loads(behind, [.. section.Circuits.Select(i => phases[i])], brief, proven: false).Fullest
            / MetricRules.ToNeutral;
        var largest = behind.Max(c => c.Breaker.Value);
        var rating = MetricRules.ResidualAtLeast(running >= largest ? running : largest) ?? incomer;
        return new(rating, Because.Of("Why this rating").Plan("the fullest phase behind it", running.ToString())
            .Plan("the largest breaker behind it", largest.ToString())
            .Book("the next rating", rating.ToString(), MetricRules.Cite(MetricRule.Sections)));
    }

    private static List<Draft> Groups(List<RatedCircuit> circuits, BoardBrief brief)
    {
        var units = circuits.Sum(c => c.Circuit.Points.Count(p => p.Point.Kind == PointKind.SplitUnit));
        if (units <= MetricRules.MostUnits)
        {
            return Halved(new(circuits, "everything", null), brief);
        }

        var why = Because.Of("Why a board of its own").Book($"{units} cooling units, {MetricRules.MostUnits} at most on a board for "
            + "everything",
            "a board for cooling", MetricRules.Cite(MetricRule.Cooling));
        var cooling = Halved(new(circuits.FindAll(c => c.Circuit.Use == CircuitUse.Cooling), "cooling", why), brief);
        var rest = circuits.FindAll(c => c.Circuit.Use != CircuitUse.Cooling);
        return rest.Count == 0 ? cooling : [.. Halved(new(rest, "all but cooling", why), brief), .. cooling];
    }

    // In two by rooms, as evenly as rooms allow, until each is no more than a board may be; one circuit is not halved.
    private static List<Draft> Halved(Draft draft, BoardBrief brief)
    {
        var loads = Sharing.Over(draft.Circuits, brief).Loads;
        var (current, ways) = (loads.Fullest / MetricRules.ToNeutral, draft.Circuits.Sum(c => c.Poles));
        if (draft.Circuits.Count == 1 || (current <= MetricRules.MostIncomer && ways <= MetricRules.MostWays))
        {
            return [draft];
        }

        var byRoom = draft.Circuits.OrderBy(c => c.Circuit.Points[0].Room).ToList();
        var at = Enumerable.Range(1, byRoom.Count - 1).MinBy(i => Math.Abs(Weight(byRoom.Take(i), brief) - Weight(byRoom.Skip(i), brief)));
        var why = (draft.Why ?? Because.Of("Why several boards")).Book(current > MetricRules.MostIncomer
            ? $"{current} on the fullest phase, {MetricRules.MostIncomer} at most" : $"{ways} ways, {MetricRules.MostWays} at most",
            "two boards behind a sub-main", MetricRules.Cite(MetricRule.Board));
        Draft Part(IEnumerable<RatedCircuit> some)
        {
            var circuits = some.OrderBy(c => draft.Circuits.IndexOf(c)).ToList();
            var rooms = circuits.SelectMany(c => c.Circuit.Points).OrderBy(p => p.Room).Select(p => p.Of.Name).ToList();
            return new(circuits, $"{draft.Serves}, {rooms[0]} to {rooms[^1]}", why);
        }

        return [.. Halved(Part(byRoom.Take(at)), brief), .. Halved(Part(byRoom.Skip(at)), brief)];
    }

    private static decimal Weight(IEnumerable<RatedCircuit> circuits, BoardBrief brief) =>
        circuits.Sum(c => Sharing.Running(c, brief).Value);

    private sealed record Draft(List<RatedCircuit> Circuits, string Serves, Because? Why);
}
