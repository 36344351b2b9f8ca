using System.Collections.Immutable;
using Circuitum.Core.Jobs;
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
        var groups = Groups([.. Divisions.Of(brief).Select(c => Rating.Of(c, brief.Fed))], brief);
        var shared = Sharing.Turned([.. groups.Select(g => Sharing.Over(g.Circuits, brief))]);
        // A board that stands elsewhere is fed from where the service comes in.
        if (groups.Count == 1 && groups[0].Stand == 0)
        {
            return new(brief, [Composed(groups[0], shared[0], brief, NameOf(groups, 0, brief), null)], null);
        }

        var loads = Sharing.Together([.. shared.Select(s => s.Loads)]);
        var current = loads.Fullest / MetricRules.ToNeutral;
        var rating = MetricRules.SubMainAtLeast(current);
        var incomer = new Figure<Amps>(rating ?? MetricRules.MostSubMain, Because.Of("Why this incomer")
            .Plan("the boards together, the fullest phase", current.ToString())
            .Book("the next rating", (rating ?? MetricRules.MostSubMain).ToString(), MetricRules.Cite(MetricRule.Board)));
        return new(brief, [.. groups.Select((g, i) => Composed(g, shared[i], brief, NameOf(groups, i, brief),
                IncomerOf(g, shared[i].Loads, brief.Fed)))],
            new(incomer, loads, rating is null ? $"the boards draw {current} together, and {MetricRules.MostSubMain} is the largest "
                + "sub-main kept here: they need supplies of their own" : ""));
    }

    private static MetricBoard Composed(Draft group, (ImmutableArray<int> Phases, PhaseLoads Loads) shared, BoardBrief brief, string name,
        Figure<Amps>? behind)
    {
        var incomer = behind ?? IncomerOf(group, shared.Loads, brief.Fed);
        var feeder = behind is null ? null
            : Pulling.Feeder(shared.Loads.Fullest / MetricRules.ToNeutral, behind, FarTo(group.Stand, brief), brief);
        var number = 1;
        var sections = ImmutableArray.CreateBuilder<BoardSection>();
        foreach (var section in Sections.Of(group.Circuits, brief.Fed))
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
        return new(name, group.Serves(brief), incomer, sections.ToImmutable(), shared.Loads,
            Made.FirstOrDefault(m => m * 5 >= used * 6, Math.Max(used, Made[^1])), feeder, group.Why)
        { Stand = group.Stand };
    }

    // By letters in one place; in several as each is called on the plan, and numbered where more than one stands there.
    private static string NameOf(List<Draft> groups, int index, BoardBrief brief)
    {
        if (groups[index].Alone)
        {
            return $"Board {(char)('A' + index)}";
        }

        var stand = groups[index].Stand;
        var number = index - groups.FindIndex(g => g.Stand == stand) + 1;
        return $"Board {brief.Stands[stand].Id}{(groups.Count(g => g.Stand == stand) > 1 ? $"{number}" : "")}";
    }

    // As it lies where the house is drawn; beside the sub-main, and in a list, as somebody said.
    private static Length FarTo(int stand, BoardBrief brief) => stand > 0 && brief.Ways is { } ways
        ? ways.Between(ways.Boards[0], ways.Boards[stand]).Length : brief.Fed.SubMain;

    private static Figure<Amps> IncomerOf(Draft group, PhaseLoads loads, MetricFeed fed)
    {
        var most = new Amps(fed.Most(MetricNumber.IncomerOfBoard));
        var running = loads.Fullest / MetricRules.ToNeutral;
        var largest = group.Circuits.Max(c => c.Breaker.Value);
        var rating = MetricRules.AtLeast(running >= largest ? running : largest) ?? most;
        return new(rating, Because.Of("Why this incomer")
            .Plan($"the fullest phase, {loads.Fullest} ÷ {MetricRules.ToNeutral}", running.ToString())
            .House("no smaller than the largest breaker behind it", largest.ToString(), "good practice")
            .Book($"the next rating, {most} at most", rating.ToString(), fed.Cite(MetricNumber.IncomerOfBoard)));
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
        var stands = circuits.GroupBy(c => c.Circuit.Points[0].Of.Board).OrderBy(g => g.Key).ToList();
        var why = stands.Count == 1 ? null : Because.Of("Why several boards").Job($"boards are drawn in {stands.Count} places, each for "
            + "the rooms around it", string.Join(", ", stands.Select(s => brief.Stands[s.Key].Room)));
        return [.. stands.SelectMany(s => OfStand(new([.. s], why, s.Key, Alone: stands.Count == 1 && s.Key == 0), brief))];
    }

    private static List<Draft> OfStand(Draft draft, BoardBrief brief)
    {
        var circuits = draft.Circuits;
        var units = circuits.Sum(c => c.Circuit.Points.Count(p => p.Point.Kind == PointKind.SplitUnit));
        var most = brief.Fed.Most(MetricNumber.UnitsOnBoard);
        if (units <= most)
        {
            return Halved(draft, brief);
        }

        var why = (draft.Why ?? Because.Of("Why a board of its own")).Book(
            $"{units} cooling units, {most} at most on a board for everything", "a board for cooling",
            brief.Fed.Cite(MetricNumber.UnitsOnBoard));
        var cooling = Halved(draft with
        {
            Circuits = circuits.FindAll(c => c.Circuit.Use == CircuitUse.Cooling),
            Kind = "cooling",
            Why = why,
        }, brief);
        var rest = circuits.FindAll(c => c.Circuit.Use != CircuitUse.Cooling);
        return rest.Count == 0 ? cooling : [.. Halved(draft with
        {
            Circuits = rest,
            Kind = "all but cooling",
            Why = why,
        }, brief), .. cooling];
    }

    // In two by rooms, as evenly as rooms allow, until each is no more than a board may be; one circuit is not halved.
    private static List<Draft> Halved(Draft draft, BoardBrief brief)
    {
        var loads = Sharing.Over(draft.Circuits, brief).Loads;
        var (current, ways) = (loads.Fullest / MetricRules.ToNeutral, draft.Circuits.Sum(c => c.Poles));
        var (incomer, mostWays) = (new Amps(brief.Fed.Most(MetricNumber.IncomerOfBoard)), brief.Fed.Most(MetricNumber.WaysOfBoard));
        if (draft.Circuits.Count == 1 || (current <= incomer && ways <= mostWays))
        {
            return [draft];
        }

        var byRoom = draft.Circuits.OrderBy(c => c.Circuit.Points[0].Room).ToList();
        var at = Enumerable.Range(1, byRoom.Count - 1).MinBy(i => Math.Abs(Weight(byRoom.Take(i), brief) - Weight(byRoom.Skip(i), brief)));
        var why = (draft.Why ?? Because.Of("Why several boards")).Book(current > incomer
            ? $"{current} on the fullest phase, {incomer} at most" : $"{ways} ways, {mostWays} at most",
            "two boards behind a sub-main", brief.Fed.Cite(current > incomer ? MetricNumber.IncomerOfBoard : MetricNumber.WaysOfBoard));
        Draft Part(IEnumerable<RatedCircuit> some)
        {
            var circuits = some.OrderBy(c => draft.Circuits.IndexOf(c)).ToList();
            var rooms = circuits.SelectMany(c => c.Circuit.Points).OrderBy(p => p.Room).Select(p => p.Of.Name).ToList();
            return draft with { Circuits = circuits, Rooms = rooms[0] == rooms[^1] ? rooms[0] : $"{rooms[0]} to {rooms[^1]}", Why = why };
        }

        return [.. Halved(Part(byRoom.Take(at)), brief), .. Halved(Part(byRoom.Skip(at)), brief)];
    }

    private static decimal Weight(IEnumerable<RatedCircuit> circuits, BoardBrief brief) =>
        circuits.Sum(c => Sharing.Running(c, brief).Value);

    // What is told of a board is kept apart until it is told: a room may be called what a kind is. Alone is the house's one place.
    private sealed record Draft(List<RatedCircuit> Circuits, Because? Why, int Stand, bool Alone, string Kind = "", string Rooms = "")
    {
        public string Serves(BoardBrief brief)
        {
            var what = (Kind, Rooms) switch
            {
                ("", "") => "everything",
                (var kind, "") => kind,
                ("", var rooms) => Alone ? rooms : $"for {rooms}",
                var (kind, rooms) => $"{kind}, {rooms}",
            };
            return Alone ? what : $"in {brief.Stands[Stand].Room}, {what}";
        }
    }
}
