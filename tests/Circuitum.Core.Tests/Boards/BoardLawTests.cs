using Circuitum.Core.Boards;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests.Boards;

/// <summary>What holds for every board, whoever planned it: checked against figures typed anew here, not asked of the planner.</summary>
public sealed class BoardLawTests
{
    private static readonly Dictionary<decimal, (decimal Two, decimal Three, decimal One, decimal Three3)> Table = new()
    {
        [2.5m] = (24, 21, 18, 15),
        [4] = (32, 28, 11, 9.5m),
        [6] = (41, 36, 7.3m, 6.4m),
        [10] = (57, 50, 4.4m, 3.8m),
        [16] = (76, 68, 2.8m,
            2.4m),
        [25] = (101, 89, 1.75m, 1.5m),
        [35] = (125, 110, 1.25m, 1.1m),
        [50] = (151, 134, .95m, .82m),
        [70] = (192, 171, .66m, .57m),
        [95] = (232, 207, .5m, .43m),
    };

    private static decimal Warm(decimal degrees) => degrees switch
    {
        <= 25 => 1.03m,
        <= 30 => 1,
        <= 35 => .94m,
        <= 40 => .87m,
        <= 45 => .79m,
        <= 50 => .71m,
        <= 55 => .61m,
        _ => .5m,
    };

    private static readonly decimal[] Company = [1, .8m, .7m, .65m, .6m, .57m];

    [Fact]
    public void Every_point_is_on_one_way_and_every_way_has_a_place_of_its_own() => Briefs.Any.Sample(brief =>
    {
        var plan = BoardPlanner.Plan(brief);
        Assert.Equal(brief.Rooms.SelectMany((r, i) => r.Points.Select((_, j) => $"{i + 1}.{j + 1}")).Order(),
            plan.Ways().SelectMany(w => w.Circuit.Points).Select(p => p.Mark).Order());
        foreach (var board in plan.Boards)
        {
            var places = board.Ways.SelectMany(w => Enumerable.Range(w.Number, w.Sized.Rated.Poles)).ToList();
            Assert.Equal(Enumerable.Range(1, places.Count), places);
            Assert.All(board.Sections, s => Assert.NotEmpty(s.Ways));
        }
    });

    [Fact]
    public void Every_way_keeps_the_limits_of_its_kind() => Briefs.Any.Sample(brief =>
    {
        foreach (var (board, way) in BoardPlanner.Plan(brief).Boards.SelectMany(b => b.Ways.Select(w => (b, w))))
        {
            var (circuit, points) = (way.Circuit, way.Circuit.Points);
            var watts = points.Sum(p => p.Point.Watts.Value);
            switch (circuit.Use)
            {
                case CircuitUse.Lighting or CircuitUse.GardenLighting:
                    Assert.True(points.Length == 1 || watts <= 2000, $"{watts} W of lamps");
                    Assert.True(points.Length <= 24);
                    Assert.True(watts > 1200 || way.Sized.Rating.Value == 10);
                    break;
                case CircuitUse.Ring:
                    Assert.InRange(points.Length, 5, 8);
                    Assert.Equal(points.Length + 1, circuit.Legs.Length);
                    break;
                case CircuitUse.Radial:
                    Assert.InRange(points.Length, 1, 4);
                    break;
                case CircuitUse.Cooling:
                    Assert.InRange(points.Length, 1, points[0].Point.ThreePhase ? 1 : 3);
                    Assert.Single(circuit.Rooms);
                    break;
                default:
                    Assert.Single(points);
                    break;
            }

            var section = board.Sections.Single(s => s.Ways.Contains(way));
            Assert.Equal(circuit.Use is CircuitUse.Lighting or CircuitUse.Cooker or CircuitUse.Cooling ? 100 : 30, section.Milliamps);
            Assert.InRange(section.Ways.Count(w => w.Circuit.Use == CircuitUse.Ring), 0, 6);
            Assert.True(section.Rating.Value >= way.Sized.Rating);
        }
    });

    [Fact] // Ib ≤ In ≤ Iz and four per cent, or it is red
    public void Every_conductor_carries_its_breaker_and_loses_no_more_than_four_per_cent() => Briefs.Any.Sample(brief =>
    {
        var plan = BoardPlanner.Plan(brief);
        var red = BoardChecks.Of(plan).Where(t => t.Severity == Severity.Red).Select(t => t.Where).ToList();
        foreach (var (board, way) in plan.Boards.SelectMany(b => b.Ways.Select(w => (b, w))))
        {
            if (red.Exists(r => r.StartsWith($"{board.Name}, way {way.Numbers}:", StringComparison.Ordinal)))
            {
                continue;
            }

            var (sized, circuit) = (way.Sized, way.Circuit);
            var watts = circuit.Points.Sum(p => p.Point.Watts.Value);
            var drawn = circuit.ThreePhase ? watts / (decimal)Math.Sqrt(3) / 400 : watts / 230;
            Assert.True(drawn <= sized.Rating.Value + .001m, $"{drawn} A behind {sized.Rating}");
            var row = Table[sized.Size.Value.Value];
            var carries = (circuit.ThreePhase ? row.Three : row.Two) * Warm(brief.Fed.Ambient.Degrees) * Company[brief.Fed.Together - 1];
            Assert.True(carries >= (circuit.Use == CircuitUse.Ring ? 20 : sized.Rating.Value), $"{carries} A before {sized.Rating}");
            Assert.True(sized.Size.Value.Value >= (circuit.Use is CircuitUse.Lighting or CircuitUse.GardenLighting ? 2.5m : 4));
            // No way loses more than if all its breaker’s current went to the end of it by one way.
            var most = sized.Rating.Value * circuit.Conduit.Metres * (circuit.ThreePhase ? row.Three3 : row.One) / 1000;
            Assert.True(sized.Drop.Value <= (most * 100 / (circuit.ThreePhase ? 400 : 230)) + .001m);
            Assert.True(board.DropTo(way).Value <= 4.0001m, $"{board.DropTo(way)}");
        }
    });

    [Fact]
    public void A_board_is_no_larger_than_a_board_may_be_or_it_is_red() => Briefs.Any.Sample(brief =>
    {
        var plan = BoardPlanner.Plan(brief);
        var red = BoardChecks.Of(plan).Where(t => t.Severity == Severity.Red).Select(t => t.Where).ToList();
        foreach (var board in plan.Boards.Where(b => !red.Contains(b.Name)))
        {
            Assert.True(board.Used <= 42, $"{board.Used} ways");
            Assert.True(board.Loads.Fullest.Value / 230 <= board.Incomer.Value.Value, $"{board.Loads.Fullest} behind "
                + $"{board.Incomer.Value}");
            Assert.True(board.Incomer.Value.Value <= 125);
            var units = board.Ways.Sum(w => w.Circuit.Points.Count(p => p.Point.Kind == PointKind.SplitUnit));
            Assert.True(units <= 8 || board.Ways.All(w => w.Circuit.Use == CircuitUse.Cooling), $"{units} units among others");
        }

        Assert.Equal(brief.Rooms.SelectMany(r => r.Points).Sum(p => p.Watts.Value), decimal.Round(plan.Connected.Value, 3));
    });

    [Fact] // what is told of a phase is what the ways on it bring, and a board’s L1 hangs on the supply’s
    public void Phases_are_told_as_the_ways_are_landed() => Briefs.Any.Sample(brief =>
    {
        var plan = BoardPlanner.Plan(brief);
        foreach (var board in plan.Boards)
        {
            for (var phase = 1; phase <= board.Loads.Connected.Length; phase++)
            {
                var brought = board.Ways.Sum(w => w.Phase == phase ? w.Circuit.Watts.Value : w.Phase == 0 ? w.Circuit.Watts.Value / 3 : 0);
                Assert.Equal(decimal.Round(brought, 3), decimal.Round(board.Loads.Connected[phase - 1].Value, 3));
            }
        }

        for (var i = 0; i < plan.SubMain?.Loads.Running.Length; i++)
        {
            Assert.Equal(decimal.Round(plan.Boards.Sum(b => b.Loads.Running[i].Value), 3),
                decimal.Round(plan.SubMain.Loads.Running[i].Value, 3));
        }

        Assert.True(plan.SubMain is null || plan.SubMain.Refused.Length > 0
            || plan.SubMain.Loads.Running.Max(w => w.Value) / 230 <= plan.SubMain.Incomer.Value.Value);
    });

    [Fact]
    public void More_points_never_need_less_conductor() => Gen.Select(Briefs.Any, Gen.Int[0, 13]).Sample((brief, at) =>
    {
        var room = brief.Rooms[at % brief.Rooms.Length];
        var more = brief with
        {
            Rooms = brief.Rooms.Replace(room, room with
            {
                Points = room.Points.Add(new(PointKind.WaterHeater, "water heater", new(2000),
                false,
                false))
            }),
        };
        decimal Metres(BoardBrief b) => BoardPlanner.Plan(b).Ways().Sum(w => w.Circuit.Conduit.Metres);
        Assert.True(Metres(more) > Metres(brief));
    });
}
