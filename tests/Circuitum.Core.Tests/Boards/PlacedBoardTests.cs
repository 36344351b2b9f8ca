using Circuitum.Core.Boards;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Units;
using Circuitum.Core.Tests.Support;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>Boards of a house that is drawn: each length as it lies, each point once, no circuit over two storeys, switches
/// counted.</summary>
public sealed class PlacedBoardTests
{
    private static BoardPlan Of(Job job) => BoardPlanner.Plan(PointsOfHouse.Placed(Planner.Plan(job)));

    private static IEnumerable<BoardWay> Ways(BoardPlan plan) => plan.Boards.SelectMany(b => b.Ways);

    // Five sockets along a wall, the board at the middle of the west one: a ring goes out along them and comes back.
    [Fact]
    public void A_ring_is_laid_by_the_way_that_takes_least()
    {
        var job = Houses.Row(("den", RoomUse.Den, 30)).With([.. new[] { 60, 300, 120, 240, 180 }.Select((x, i) =>
            Houses.On($"r{i}", "den", 1, x))]);
        var ring = Assert.Single(Ways(Of(job))).Circuit;
        Assert.Equal(CircuitUse.Ring, ring.Use);
        // East along the wall and straight back, or the other way round; between neighbors 60 in and twice the height.
        var order = ring.Points.Select(p => p.Point.Box!.Value.Value).ToList();
        Assert.Contains(string.Join(' ', order), new[] { "r0 r2 r4 r3 r1", "r1 r3 r4 r2 r0" });
        var low = ring.Points[0].Point.At!.At.Z.Inches;
        Assert.All(ring.Legs[1..^1], l => Assert.Equal(60 + (2 * low), l.Inches));
        Assert.Equal(6, ring.Legs.Length);
    }

    [Fact] // a lamp with its two switches, and one with a single one: three and two singles beside the protective conductor
    public void Switches_take_conduit_and_singles()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.Ceiling("a", "den", 60, 60), Houses.Ceiling("b", "den", 160, 60),
            Houses.Switch("s", "den", 1, 60, DeviceKind.ThreeWay, "a"), Houses.Switch("t", "den", 3, 60, DeviceKind.ThreeWay, "a"),
            Houses.Switch("u", "den", 1, 160, DeviceKind.Switch, "b"));
        var plan = Of(job);
        var drops = Ways(plan).SelectMany(w => w.Circuit.Drops).ToDictionary(d => d.Name);
        Assert.Equal([4, 4, 2], new[] { 1, 2, 3 }.Select(i => drops.Values.OrderByDescending(d => d.Wires).ElementAt(i - 1).Wires));
        var material = BoardMaterial.Of(plan);
        Assert.Equal((2, 1), (material.Single(m => m.Item == "switch of 1 gang, 1 two-way, with its box").Quantity,
            material.Single(m => m.Item == "switch of 1 gang, with its box").Quantity));
        Assert.Equal((int)Math.Ceiling(Ways(plan).Sum(w => w.Circuit.WithDrops.Metres)),
            material.Where(m => m.Group == "conduit" && m.Unit == "m").Sum(m => m.Quantity));
    }

    [Fact]
    public void Every_point_is_on_one_circuit_and_every_length_is_its_way()
    {
        var rings = 0;
        for (var number = 1; number <= 30; number++)
        {
            var house = Planner.Plan(BuiltHouses.Number(number));
            var brief = PointsOfHouse.Placed(house);
            var plan = BoardPlanner.Plan(brief);
            Assert.Equal(brief.Rooms.Sum(r => r.Points.Length), Ways(plan).Sum(w => w.Circuit.Points.Length));
            Assert.Distinct(Ways(plan).SelectMany(w => w.Circuit.Points).Select(p => p.Mark));
            foreach (var circuit in Ways(plan).Select(w => w.Circuit))
            {
                Assert.Single(circuit.Points.Select(p => p.Of.Storey).Distinct());
                var ways = brief.Ways!.Along(circuit).Select(w => w.Length).ToList();
                Assert.Equal(circuit.Legs.Concat(circuit.Drops.Select(d => d.Long)), ways);
                rings += circuit.Use == CircuitUse.Ring ? 1 : 0;
            }

            // Where lamps can be switched, each switch box that works one on its storey has its conduit.
            Assert.All(Ways(plan).SelectMany(w => w.Circuit.Drops), d => Assert.Equal(d.Lamp.Level, d.Switch.Level));
        }

        Assert.True(rings > 20, $"{rings} rings");
    }

    [Theory] // a tub of 30 in from the corner: a socket at 148 in is 118 in off it, at 149 in 119 in; 3 m are 118.1 in
    [InlineData(148, true)]
    [InlineData(149, false)]
    public void A_socket_keeps_three_meters_from_a_bath_as_it_is_drawn(int at, bool red)
    {
        var job = Houses.Row(("washroom", RoomUse.Bath, 20)).With(Houses.On("r", "washroom", 1, at));
        var room = job.Structures[0].Levels[0].Rooms[0] with
        {
            Fixtures = [new() { Kind = FixtureKind.Tub, Width = 30.Inches(), Depth = 60.Inches() }],
        };
        job = job with { Structures = [job.Structures[0] with { Levels = [job.Structures[0].Levels[0] with { Rooms = [room] }] }] };
        var tags = BoardChecks.Of(Of(job)).Where(t => t.Headline.Contains("bath or shower", StringComparison.Ordinal)).ToList();
        Assert.Equal(red ? ["A socket stands 3.00 m from the bath or shower of washroom."] : [], tags.Select(t => t.Headline));
        // Its name says nothing where it is drawn: without a tub there is none to keep off.
        var dry = job with
        {
            Structures = [job.Structures[0] with { Levels = [job.Structures[0].Levels[0] with { Rooms = [room with { Fixtures = [] }] }] }],
        };
        Assert.DoesNotContain(BoardChecks.Of(Of(dry)), t => t.Headline.StartsWith("A socket stands", StringComparison.Ordinal));
    }

    [Fact] // 61 rooms with a lamp each; a list has 60
    public void More_rooms_than_a_list_holds_are_told_and_not_left_out()
    {
        Job Rooms(int count) => Houses.Row([.. Enumerable.Range(0, count).Select(i => ($"d{i}", RoomUse.Den, 8))])
            .With([.. Enumerable.Range(0, count).Select(i => Houses.Ceiling($"l{i}", $"d{i}", 30, 60))]);
        Assert.Null(PointsOfHouse.TooMany(Planner.Plan(Rooms(60))));
        Assert.Equal("61 rooms have points, and 60 is the most: plan the buildings apart.",
            PointsOfHouse.TooMany(Planner.Plan(Rooms(61))));
    }

    [Fact]
    public void A_search_that_nobody_waits_for_ends()
    {
        using var gone = new CancellationTokenSource();
        gone.Cancel();
        Assert.Throws<OperationCanceledException>(() =>
            BoardPlanner.Plan(PointsOfHouse.Placed(Planner.Plan(BuiltHouses.Number(1)), gone.Token)));
    }

    [Fact] // the list says how it is fed, in the same words
    public void It_is_fed_as_the_lines_say()
    {
        var fed = BoardText.Feed("supply: one phase\nambient: 50 °C\n\ncircuits in a conduit: 2\ndemand: lighting 66 %");
        Assert.Equal((false, 50m, 2, 66m, 100m), (fed.ThreePhase, fed.Ambient.Degrees, fed.Together,
            fed.ShareOf(DemandGroup.Lighting).Value, fed.ShareOf(DemandGroup.Sockets).Value));
        var boards = PointsOfHouse.Boards(Planner.Plan(BuiltHouses.Number(2) with { Metric = fed }))!;
        Assert.Equal(fed, boards.Brief.Fed);
        Assert.All(boards.Boards, b => Assert.Single(b.Loads.Running));
        Assert.NotNull(boards.Brief.Ways);
    }

    [Theory] // in the words of the list, with its line; what the drawing says is not said beside it
    [InlineData("supply: one phase\nhall, 6 m: lamp", "Line 2: “hall, 6 m: lamp” does not say how it is fed")]
    [InlineData("points apart: 3 m", "Line 1: points apart are measured on the drawing")]
    [InlineData("board: hall, outdoors", "Line 1: where the board stands is on the drawing; write board: outdoors")]
    public void What_does_not_say_how_it_is_fed_is_refused(string lines, string says) =>
        Assert.Contains(says, Assert.Throws<FormatException>(() => BoardText.Feed(lines)).Message, StringComparison.Ordinal);

    [Fact] // export then import is identity
    public void How_it_is_fed_is_read_back_as_it_was_written() => Briefs.Fed.Sample(fed =>
    {
        var again = BoardText.Feed(BoardText.Lines(fed));
        Assert.Equal(fed with { Demand = [] }, again with { Demand = [] });
        Assert.Equal(fed.Demand.AsEnumerable(), again.Demand);
    });

    [Theory] // each limit from both sides
    [InlineData(10, 1, 4, 1, 1, null)]
    [InlineData(60, 20, 60, 300, 100, null)]
    [InlineData(9, 1, 24, 5, 50, "ambient")]
    [InlineData(61, 1, 24, 5, 50, "ambient")]
    [InlineData(40, 0, 24, 5, 50, "together")]
    [InlineData(40, 21, 24, 5, 50, "together")]
    [InlineData(40, 1, 3, 5, 50, "lampsOnCircuit")]
    [InlineData(40, 1, 61, 5, 50, "lampsOnCircuit")]
    [InlineData(40, 1, 24, 0, 50, "subMain")]
    [InlineData(40, 1, 24, 301, 50, "subMain")]
    [InlineData(40, 1, 24, 5, 0, "demand")]
    [InlineData(40, 1, 24, 5, 101, "demand")]
    public void A_job_is_fed_within_what_the_method_has_figures_for(int warm, int together, int lamps, int metres, int share, string? wrong)
    {
        var job = BuiltHouses.Number(2);
        var problem = new SetMetricFeed(new MetricFeed
        {
            Ambient = new(warm),
            Together = together,
            LampsOnCircuit = lamps,
            SubMain = Length.FromMetres(metres),
            Demand = [new(DemandGroup.Sockets, new(share))],
        }).On(job).Refusal;
        Assert.Equal(wrong is null, problem is null);
        Assert.Contains(wrong is null ? "" : $"metric.{wrong}", problem ?? "", StringComparison.Ordinal);
    }

    [Fact] // and is read back as it was written
    public void A_list_has_no_places()
    {
        var plan = Planner.Plan(BuiltHouses.Number(3));
        Assert.All(PointsOfHouse.Of(plan).Rooms.SelectMany(r => r.Points), p => Assert.Null(p.At));
        Assert.Equal(BoardText.Write(PointsOfHouse.Of(plan)), BoardText.Write(BoardText.Read(BoardText.Write(PointsOfHouse.Of(plan)))));
    }
}
