using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Boards;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using CsCheck;

namespace Circuitum.Core.Tests.Support;

/// <summary>Point lists for boards: written as a person would, and made up at random.</summary>
internal static class Briefs
{
    /// <summary>A plan of these lines, at 30 °C and on three phases unless a line says otherwise.</summary>
    public static BoardPlan Planned(params string[] lines) =>
        BoardPlanner.Plan(BoardText.Read("ambient: 30 °C\nboard: hall\n" + string.Join('\n', lines)));

    /// <summary>Every way of every board.</summary>
    public static IEnumerable<BoardWay> Ways(this BoardPlan plan) => plan.Boards.SelectMany(b => b.Ways);

    /// <summary>The ways for one use.</summary>
    public static List<BoardWay> Of(this BoardPlan plan, CircuitUse use) => [.. plan.Ways().Where(w => w.Circuit.Use == use)];

    private static readonly Gen<BriefPoint> Point = Gen.Select(Gen.Int[0, 10], Gen.Int[1, 90], Gen.Bool, Gen.Bool).Select((kind, n, own,
        three) =>
    {
        var (what, name) = ((PointKind)kind, BoardText.Word((PointKind)kind));
        return what switch
        {
            PointKind.Cooker => new BriefPoint(what, name, new(n * 100), false, three),
            PointKind.WaterHeater => new(what, name, new(n * 50), false, false),
            PointKind.SplitUnit => new(what, name, new(n * 40), false, three),
            PointKind.Fixed => new(what, "garden pump", new(n * 30), false, three),
            PointKind.Strip => new(what, name, new(n), false, false),
            _ => new(what, name, own ? new(n) : BoardText.Usual(what)!.Value, !own, false),
        };
    });

    private static readonly Gen<ImmutableArray<BriefPoint>> Points =
        Gen.Select(Point, Gen.Int[1, 9]).Array[1, 6].Select(g => g.SelectMany(p => Enumerable.Repeat(p.Item1, p.Item2)).ToImmutableArray());

    private static readonly Gen<BriefRoom> Room = Gen.Select(Points, Gen.Int[10, 400], Gen.Int[0, 6])
        .Select((points, far, out_) => new BriefRoom("", Length.FromMetres(far / 10m), out_ == 0, points));

    /// <summary>Any way to be fed.</summary>
    public static readonly Gen<MetricFeed> Fed = Gen.Select(Gen.Int[10, 60], Gen.Int[1, 20], Gen.Int[4, 60], Gen.Int[1, 3000], Gen.Bool,
        Gen.Bool, Gen.Int[0, 100]).Select((warm, together, lamps, far, three, outdoors, share) => new MetricFeed
        {
            Ambient = new(warm),
            Together = together,
            LampsOnCircuit = lamps,
            SubMain = Length.FromMetres(far / 10m),
            ThreePhase = three,
            BoardOutdoors = outdoors,
            Demand = share == 0 ? [] : [new(DemandGroup.Lighting, new(share)), new(DemandGroup.Other, new(share))],
        });

    /// <summary>A brief that may be as large as a palace, as warm as a roof, and on one phase or three.</summary>
    public static readonly Gen<BoardBrief> Any = Gen.Select(Room.Array[1, 14], Gen.Int[20, 60], Gen.Int[1, 6], Gen.Bool, Gen.Int[20, 100])
        .Select((rooms, warm, together, three, share) => new BoardBrief
        {
            Name = "Any",
            Rooms = [.. rooms.Select((r, i) => r with { Name = "room " + (i + 1).ToString(CultureInfo.InvariantCulture),
                Points = three ? r.Points : [.. r.Points.Select(p => p with { ThreePhase = false })] })],
            Fed = new()
            {
                Ambient = new(warm),
                Together = together,
                ThreePhase = three,
                Demand = [new(DemandGroup.Sockets, new(share))]
            },
            BoardPlace = "hall",
        });
}
