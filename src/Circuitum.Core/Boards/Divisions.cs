using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Rules.Gulf;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>What shares a breaker: lamps by whole rooms to 2000 W and the crew's number of them, sockets to eight on a ring and four on a
/// radial, and what has a circuit
/// of its own.</summary>
internal static class Divisions
{
    /// <summary>Every circuit, lamps first, in the order of the rooms.</summary>
    public static ImmutableArray<BoardCircuit> Of(BoardBrief brief) =>
        [.. Numbered(brief).GroupBy(p => p.Of.Board).OrderBy(g => g.Key).SelectMany(g => OfPlace([.. g], brief))];

    // No circuit is fed from two boards.
    private static IEnumerable<BoardCircuit> OfPlace(ImmutableArray<BoardPoint> points, BoardBrief brief) =>
        [
            .. Lighting(points, brief, outdoors: false), .. Lighting(points, brief, outdoors: true), .. Sockets(points, brief),
            .. Alone(points, PointKind.Socket15, CircuitUse.Socket15, brief),
            .. Alone(points, PointKind.WaterHeater, CircuitUse.WaterHeater, brief),
            .. Alone(points, PointKind.Fixed, CircuitUse.Fixed, brief),
            .. Alone(points, PointKind.Cooker, CircuitUse.Cooker, brief),
            .. Cooling(points, brief),
        ];

    private static ImmutableArray<BoardPoint> Numbered(BoardBrief brief) =>
        [.. brief.Rooms.SelectMany((r, i) => r.Points.Select((p, j) => new BoardPoint(i + 1, j + 1, r, p)))];

    private static bool IsLamp(BoardPoint point) =>
        point.Point.Kind is PointKind.Lamp or PointKind.Led or PointKind.Strip or PointKind.Chandelier;

    private static bool IsSocket(BoardPoint point) => point.Point.Kind is PointKind.Socket or PointKind.TwinSocket;

    private static IEnumerable<BoardCircuit> Lighting(ImmutableArray<BoardPoint> points, BoardBrief brief, bool outdoors)
    {
        var lamps = points.Where(p => IsLamp(p) && p.Of.Outdoors == outdoors).ToList();
        var use = outdoors ? CircuitUse.GardenLighting : CircuitUse.Lighting;
        var storeys = lamps.GroupBy(p => p.Of.Storey).ToList();
        // Where one breaker would darken every room there are two, as soon as there are two rooms.
        var least = !outdoors && storeys.Count == 1 && lamps.Select(p => p.Room).Distinct().Count() > 1 ? 2 : 1;
        return storeys.SelectMany(s => Cut([.. s],
                l => l.Count <= brief.Fed.LampsOnCircuit
                    && l.Sum(p => p.Point.Watts.Value) <= brief.Fed.Most(MetricNumber.WattsOfLighting), least, p => p.Point.Watts.Value))
            .Select(l => Laid(use, l, brief));
    }

    // A kitchen's are apart, where most is plugged in, and so are those in the weather, which trip most.
    private static IEnumerable<BoardCircuit> Sockets(ImmutableArray<BoardPoint> points, BoardBrief brief) =>
        points.Where(IsSocket).GroupBy(s => (s.Of.Storey, s.Of.Outdoors ? -1 : IsKitchen(s.Of) ? s.Room : 0))
            .SelectMany(g => Cut([.. g], s => s.Count <= brief.Fed.Most(MetricNumber.SocketsOnRing), 1, _ => 1))
            .Select(s => Laid(s.Count > brief.Fed.Most(MetricNumber.SocketsOnRadial) ? CircuitUse.Ring : CircuitUse.Radial, s, brief));

    private static bool IsKitchen(BriefRoom room) => room.Name.Contains("kitchen", StringComparison.OrdinalIgnoreCase);

    private static IEnumerable<BoardCircuit> Alone(ImmutableArray<BoardPoint> points, PointKind kind, CircuitUse use, BoardBrief brief) =>
        points.Where(p => p.Point.Kind == kind).Select(p => Laid(use, [p], brief));

    private static IEnumerable<BoardCircuit> Cooling(ImmutableArray<BoardPoint> points, BoardBrief brief)
    {
        foreach (var room in points.Where(p => p.Point.Kind == PointKind.SplitUnit).GroupBy(p => p.Room))
        {
            foreach (var unit in room.Where(u => u.Point.ThreePhase))
            {
                yield return Laid(CircuitUse.Cooling, [unit], brief);
            }

            // As many as may be looped while a breaker of the board carries them.
            var rest = room.Where(u => !u.Point.ThreePhase).ToList();
            foreach (var some in Cut(rest, s => s.Count <= brief.Fed.Most(MetricNumber.UnitsLooped)
                && MetricRules.AtLeast(s.Select(u => u.Point.Watts).Total() / MetricRules.ToNeutral) is { Value: <= 32 }, 1, _ => 1))
            {
                yield return Laid(CircuitUse.Cooling, some, brief);
            }
        }
    }

    // Points in a row cut into pieces that fit: as few as can be, and as few rooms cut through as can be. What does not fit alone is a
    // piece of its own, which is told where it is sized.
    private static List<List<BoardPoint>> Cut(List<BoardPoint> row, Func<List<BoardPoint>, bool> fits, int least,
        Func<BoardPoint, decimal> weight)
    {
        var best = new (int Pieces, int Through, decimal Square, int From)[row.Count + 1];
        for (var to = 1; to <= row.Count; to++)
        {
            best[to] = (int.MaxValue, 0, 0, 0);
            for (var from = to - 1; from >= 0; from--)
            {
                var piece = row.GetRange(from, to - from);
                if (piece.Count > 1 && !fits(piece))
                {
                    break;
                }

                var through = from > 0 && row[from - 1].Room == row[from].Room ? 1 : 0;
                var weighs = piece.Sum(weight);
                var (pieces, cut, square, _) = best[from];
                var here = (pieces + 1, cut + through, square + (weighs * weighs), from);
                if (pieces != int.MaxValue && Before(here, best[to], through + cut > 0))
                {
                    best[to] = here;
                }
            }
        }

        var found = new List<List<BoardPoint>>();
        for (var to = row.Count; to > 0; to = best[to].From)
        {
            found.Insert(0, row.GetRange(best[to].From, to - best[to].From));
        }

        return found.Count == 1 && least > 1 ? InTwo(found[0], weight) : found;
    }

    // Of as good ones: a room that must be cut is cut where a circuit is full, and whole rooms are shared out evenly.
    private static bool Before((int Pieces, int Through, decimal Square, int From) a,
        (int Pieces, int Through, decimal Square, int From) b, bool cuts) => (a.Pieces, a.Through).CompareTo((b.Pieces,
            b.Through)) is var first && first != 0 ? first < 0
            : cuts ? a.Square > b.Square : a.Square < b.Square;

    private static List<List<BoardPoint>> InTwo(List<BoardPoint> row, Func<BoardPoint, decimal> weight)
    {
        var at = Enumerable.Range(1, row.Count - 1).Where(i => row[i - 1].Room != row[i].Room)
            .MinBy(i => Math.Abs(row.Take(i).Sum(weight) - row.Skip(i).Sum(weight)));
        return [row[..at], row[at..]];
    }

    // As it lies: in a house that is drawn in the order that takes least conduit, each length measured; else as the list says.
    private static BoardCircuit Laid(CircuitUse use, List<BoardPoint> points, BoardBrief brief)
    {
        var ring = use == CircuitUse.Ring;
        if (brief.Ways is not { } ways || points.Exists(p => p.Point.At is null))
        {
            return new(use, [.. points], ring ? [.. Legs(points, brief), points[^1].Of.FromBoard] : Legs(points, brief));
        }

        Length Between(BoardPoint a, BoardPoint b) => ways.Between(a.Point.At!, b.Point.At!).Length;
        Length FromBoard(BoardPoint p) => ways.Between(ways.Boards[p.Of.Board], p.Point.At!).Length;
        List<BoardPoint> row = [.. ConduitOrder.Of(points.Count, i => FromBoard(points[i]), (i, j) => Between(points[i], points[j]), ring)
            .Select(i => points[i])];
        return new(use, [.. row],
            [FromBoard(row[0]), .. row.Zip(row.Skip(1), Between), .. ring ? [FromBoard(row[^1])] : Array.Empty<Length>()])
        {
            Drops = use is CircuitUse.Lighting or CircuitUse.GardenLighting ? Drops(row, brief.Switches, ways) : [],
        };
    }

    private static ImmutableArray<SwitchDrop> Drops(List<BoardPoint> lamps, ImmutableArray<BriefSwitch> switches, ConduitWays ways)
    {
        var drops = ImmutableArray.CreateBuilder<SwitchDrop>();
        foreach (var at in switches)
        {
            // Switches of another storey are reached by the one of this storey that works with them.
            var worked = lamps.FindAll(l => l.Point.At!.Structure == at.At.Structure && l.Point.At.Level == at.At.Level
                && at.Gangs.Any(g => l.Point.Box is { } box && g.Contains(box)));
            if (worked.Count == 0)
            {
                continue;
            }

            var gangs = at.Gangs.Count(g => worked.Exists(l => g.Contains(l.Point.Box!.Value)));
            var (lamp, along) = worked.Select(l => (l.Point.At!, ways.Between(l.Point.At!, at.At).Length)).MinBy(l => l.Item2);
            drops.Add(new(lamp, at.At, at.Name, 1 + gangs + (2 * Math.Min(at.TwoWay, gangs)), along));
        }

        return drops.ToImmutable();
    }

    // From the board to the first point, then from point to point; between rooms at least as far as one is farther from the board.
    private static ImmutableArray<Length> Legs(List<BoardPoint> points, BoardBrief brief) =>
    [
        points[0].Of.FromBoard,
        .. points.Zip(points.Skip(1), (a, b) => a.Room == b.Room ? brief.Apart
            : Length.Max(brief.Apart, (b.Of.FromBoard - a.Of.FromBoard).Abs())),
    ];
}
