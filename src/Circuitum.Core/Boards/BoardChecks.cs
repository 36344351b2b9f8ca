using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules.Gulf;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>What is to be looked at on a board.</summary>
/// <param name="Severity">Red may not be built so, amber is poor practice, hold waits for a fact.</param>
/// <param name="Where">The circuit, the room or the board.</param>
/// <param name="Cite">On whose word.</param>
/// <param name="Headline">What it is, one sentence.</param>
/// <param name="Arithmetic">The sum, and what to do.</param>
public sealed record BoardTag(Severity Severity, string Where, Citation Cite, string Headline, string Arithmetic);

/// <summary>What an inspector would say of a board, and what the list leaves open.</summary>
public static class BoardChecks
{
    private static readonly string[] Baths = ["bath", "shower", "toilet", "washroom", "wc"];

    // Sockets stand at least this far from the edge of a bath or a shower's basin.
    private static readonly Length FromBath = Length.FromMetres(3);

    // Where the fullest phase stands above the emptiest by a larger share of the whole, another way to feed the largest loads is looked
    // for.
    private static readonly Percent MostUneven = new(10);

    /// <summary>Red first, then amber, then what waits for a fact.</summary>
    public static ImmutableArray<BoardTag> Of(BoardPlan plan) =>
        [.. All(plan).OrderBy(t => t.Severity)];

    private static IEnumerable<BoardTag> All(BoardPlan plan) =>
        [.. plan.Boards.SelectMany(b => b.Ways.SelectMany(w => OfWay(b, w))), .. plan.Boards.SelectMany(b => OfBoard(plan, b)),
            .. OfList(plan)];

    private static IEnumerable<BoardTag> OfWay(MetricBoard board, BoardWay way)
    {
        var (rated, circuit, where) = (way.Sized.Rated, way.Circuit, $"{board.Name}, way {way.Numbers}: {way.Circuit.Words}, "
            + string.Join(", ", way.Circuit.Rooms));
        if (rated.Refused.Length > 0)
        {
            yield return new(Severity.Red, where, rated.Breaker.Why.Steps[^1].Word, $"The {circuit.Words} cannot be fed so.",
                Sentence(rated.Refused));
        }

        if (way.Sized.Refused.Length > 0)
        {
            yield return new(Severity.Red, where, MetricRules.Cite(MetricRule.Overload), $"No conductor feeds the {circuit.Words}.",
                Sentence(way.Sized.Refused));
        }
        else if (way.Sized.Conduit is null)
        {
            yield return new(Severity.Amber, where, MetricRules.Cite(MetricRule.Conduit), "No conduit to 50 mm holds its conductors.",
                "Draw it into two, or fewer circuits into one.");
        }

        if (circuit.ThreePhase && board.Loads.Running.Length == 1)
        {
            yield return new(Severity.Red, where, MetricRules.Cite(MetricRule.Phases),
                $"The {circuit.Words} takes three phases, and one is supplied.", "Ask for three phases, or choose equipment for one.");
        }

        if (circuit.Group == DemandGroup.Sockets && circuit.Points.FirstOrDefault(IsNearBath) is { } near)
        {
            yield return new(Severity.Red, where, MetricRules.Cite(MetricRule.Bath), near.Point.OffBath is { } off
                ? $"A socket stands {off.Measured(Measure.Metres)} from the bath or shower of {near.Of.Name}."
                : $"A socket stands in {near.Of.Name}.",
                $"Sockets keep {FromBath.Metres:0} m from the edge of a bath or shower: move it"
                    + (near.Point.At is null ? " outside, or say another name if the room has neither." : "."));
        }
    }

    // As it is measured in a house that is drawn; in a list a room's name says what is in it.
    private static bool IsNearBath(BoardPoint point) => point.Point.At is null
        ? IsBath(point.Of.Name) : point.Point.OffBath < FromBath;

    private static IEnumerable<BoardTag> OfBoard(BoardPlan plan, MetricBoard board)
    {
        var fed = plan.Brief.Fed;
        var (ways, incomer) = (fed.Most(MetricNumber.WaysOfBoard), new Amps(fed.Most(MetricNumber.IncomerOfBoard)));
        if (board.Used > ways)
        {
            yield return new(Severity.Red, board.Name, fed.Cite(MetricNumber.WaysOfBoard), $"{board.Used} ways are used.",
                $"A board has {ways} at most.");
        }

        if (board.Loads.Fullest / MetricRules.ToNeutral is var current && current > incomer)
        {
            yield return new(Severity.Red, board.Name, fed.Cite(MetricNumber.IncomerOfBoard), $"Its fullest phase draws {current}.",
                $"An incomer has {incomer} at most.");
        }
        else if (board.Incomer.Value > incomer)
        {
            // Only where an authority has a smaller one: no breaker behind it lets more through than it is made for.
            yield return new(Severity.Red, board.Name, fed.Cite(MetricNumber.IncomerOfBoard), $"Its incomer has {board.Incomer.Value}.",
                $"An incomer has {incomer} at most, and the largest breaker behind it is larger: feed that load apart.");
        }

        if (board.Feeder is { Refused.Length: > 0 } feeder)
        {
            yield return new(Severity.Red, board.Name, MetricRules.Cite(MetricRule.Overload), "No conductor feeds the board.",
                Sentence(feeder.Refused));
        }

        if (board.Loads.Running.Length == 3 && board.Loads.Spread > board.Loads.Running.Total() * (MostUneven.Value / 100))
        {
            yield return new(Severity.Amber, board.Name, MetricRules.Cite(MetricRule.Phases),
                $"Its phases differ by {board.Loads.Spread}" + (board.Loads.Proven ? ", and no placing is more even." : "."),
                $"L1 {board.Loads.Running[0]}, L2 {board.Loads.Running[1]}, L3 {board.Loads.Running[2]}: {board.Loads.Neutral} in the "
                    + "neutral. Feed the largest load over three phases, or in two circuits.");
        }

        if (board.Holds - board.Used is var spare && spare * 5 < board.Holds && board.Holds >= ways)
        {
            yield return new(Severity.Amber, board.Name, MetricRules.Cite(MetricRule.Board), spare == 1 ? "1 way is left free."
                : $"{spare} ways are left free.", "A fifth is kept free for what comes later: think of a second board.");
        }

        if (plan.SubMain is { Refused.Length: > 0 } main && board == plan.Boards[0])
        {
            yield return new(Severity.Red, "Sub-main board", MetricRules.Cite(MetricRule.Board), "No sub-main carries the boards.",
                Sentence(main.Refused));
        }
    }

    private static IEnumerable<BoardTag> OfList(BoardPlan plan)
    {
        if (plan.Brief.Fed.BoardOutdoors)
        {
            yield return new(Severity.Hold, "Board", MetricRules.Cite(MetricRule.Board), "The board stands outdoors.",
                "Order it for dust and jets of water (IP55), in the shade, where it can be reached without a key.");
        }
        else if (plan.Brief.BoardPlace.Length == 0)
        {
            yield return new(Severity.Hold, "Board", MetricRules.Cite(MetricRule.Board), "Nobody said where the board stands.",
                "Write board: hall, or board: outdoors. It is reached without a key, and stands in no bath.");
        }
        else if (IsBath(plan.Brief.BoardPlace))
        {
            yield return InBath(plan.Brief.BoardPlace);
        }

        foreach (var stand in plan.Brief.Stands.Skip(1).Where(s => IsBath(s.Room)))
        {
            yield return InBath(stand.Room);
        }

        if (plan.Brief.Rooms.SelectMany(r => r.Points).Where(p => p.Assumed).GroupBy(p => p.Name).ToList() is { Count: > 0 } assumed)
        {
            yield return new(Severity.Hold, "The list", MetricRules.Cite(MetricRule.AssumedLoads),
                $"{assumed.Sum(a => a.Count())} points are taken at the method’s own watts.",
                $"Taken are {string.Join(", ", assumed.Select(a => $"{a.Key} {a.First().Watts}"))}. Write what is bought beside them.");
        }
    }

    private static bool IsBath(string room) => Baths.Any(b => room.Contains(b, StringComparison.OrdinalIgnoreCase));

    private static BoardTag InBath(string room) => new(Severity.Red, "Board", MetricRules.Cite(MetricRule.Bath),
        $"The board stands in {room}.", "A board stands in no room with a bath or shower: choose another place.");

    private static string Sentence(string words) => char.ToUpperInvariant(words[0]) + words[1..] + ".";
}
