using Circuitum.Core.Boards;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Core.Tests.Support;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Boards in several places of a house that is drawn: each room from the nearest of its storey, the others fed from the
/// first.</summary>
public sealed class BoardStandTests
{
    // Two rooms in a row, the service's board in the first; another in the second.
    private static Job TwoBoards()
    {
        var job = Houses.Row(("west", RoomUse.Den, 20), ("east", RoomUse.Den, 20)).With(Houses.On("a", "west", 1, 60),
            Houses.On("b", "east", 1, 180), Houses.Ceiling("c", "west", 60, 60), Houses.Ceiling("d", "east", 180, 60));
        var first = job.Panels[0];
        return job with
        {
            Panels = [first, first with { Id = new("E"), Room = new("east"), Wall = 1, Offset = Length.FromFeet(15), FedFrom = first.Id }],
        };
    }

    private static BoardPlan Of(Job job) => PointsOfHouse.Boards(Planner.Plan(job))!;

    private static Box Unit(string id, string room, int at) => Houses.On(id, room, 1, at) with
    {
        Devices = [new() { Kind = DeviceKind.Equipment, Plate = new()
            { Appliance = Appliance.HeatPump, Name = "Split unit", Volts = new(240), Load = new(1500) } }],
    };

    [Fact]
    public void Each_room_is_fed_from_the_nearest()
    {
        var plan = Of(TwoBoards());
        Assert.Equal(["in west, everything", "in east, everything"], plan.Boards.Select(b => b.Serves));
        Assert.Equal(["Board A", "Board E"], plan.Boards.Select(b => b.Name));
        Assert.Equal([["west"], ["east"]], plan.Boards.Select(b => b.Ways.SelectMany(w => w.Circuit.Rooms).Distinct().ToArray()));
        Assert.Equal([0, 1], plan.Boards.Select(b => b.Stand));
        Assert.NotNull(plan.SubMain);
        Assert.Contains(plan.Boards[1].Split!.Steps, s => s.Text.Contains("2 places", StringComparison.Ordinal));
    }

    [Fact] // nine cooling units in one place have a board of their own there: numbered, so that the other keeps the letter of the plan
    public void Two_boards_in_one_place_are_numbered()
    {
        var job = TwoBoards();
        var units = Enumerable.Range(0, 9).Select(i => Unit($"u{i}", "west", 20 + (20 * i)));
        Assert.Equal([("Board A1", "in west, all but cooling"), ("Board A2", "in west, cooling"), ("Board E", "in east, everything")],
            Of(job with { Boxes = [.. job.Boxes, .. units] }).Boards.Select(b => (b.Name, b.Serves)));
    }

    [Fact] // what a board serves is told in the words of its room, also where a room is called what a kind is
    public void A_room_called_everything_keeps_its_name()
    {
        var job = new NameRoom(new("east"), "everything").On(TwoBoards()).Job!;
        var units = Enumerable.Range(0, 9).Select(i => Unit($"u{i}", "east", 130 + (10 * i)));
        Assert.Equal(["in west, everything", "in everything, all but cooling", "in everything, cooling"],
            Of(job with { Boxes = [.. job.Boxes, .. units] }).Boards.Select(b => b.Serves));
    }

    [Fact] // fourteen ways and those of the sockets and the lamp, twelve at most: halved, and the rooms of each half told once
    public void A_board_in_its_place_that_is_cut_in_two_tells_its_rooms()
    {
        var job = TwoBoards();
        var units = Enumerable.Range(0, 14).Select(i => Unit($"u{i}", "west", 4 + (8 * i)));
        var plan = Of(job with
        {
            Boxes = [.. job.Boxes, .. units],
            Metric = new()
            {
                Amendments = [new(MetricNumber.WaysOfBoard, 12, "the port"), new(MetricNumber.UnitsOnBoard, 24, "the port"),
                    new(MetricNumber.UnitsLooped, 1, "the port")],
            },
        });
        Assert.Equal([("Board A1", "in west, for west"), ("Board A2", "in west, for west"), ("Board E", "in east, everything")],
            plan.Boards.Select(b => (b.Name, b.Serves)));
        Assert.All(plan.Boards, b => Assert.InRange(b.Used, 1, 12));
    }

    [Fact] // its feeder lies as conduit does between the two; the first is beside the sub-main
    public void A_board_elsewhere_is_fed_along_its_way()
    {
        var plan = Of(TwoBoards());
        var ways = plan.Brief.Ways!;
        Assert.Equal(ways.Between(ways.Boards[0], ways.Boards[1]).Length, plan.Boards[1].Feeder!.Length);
        Assert.True(plan.Boards[1].Feeder!.Length > Length.FromMetres(6));
        Assert.Equal(plan.Brief.Fed.SubMain, plan.Boards[0].Feeder!.Length);
    }

    [Fact] // from the wall's height up, along, and down: by hand from the two places
    public void A_circuit_begins_at_its_own_board()
    {
        var plan = Of(TwoBoards());
        var lamp = plan.Boards[1].Ways.Single(w => w.Circuit.Use == CircuitUse.Lighting).Circuit;
        Assert.Equal(plan.Brief.Ways!.Between(plan.Brief.Ways.Boards[1], lamp.Points[0].Point.At!).Length, lamp.Legs[0]);
        Assert.True(lamp.Legs[0] < plan.Brief.Ways.Between(plan.Brief.Ways.Boards[0], lamp.Points[0].Point.At!).Length);
    }

    [Fact] // with one place there is one board, and no sub-main: as before
    public void One_place_is_one_board()
    {
        var job = TwoBoards();
        var plan = Of(job with { Panels = [job.Panels[0]] });
        Assert.Equal("everything", Assert.Single(plan.Boards).Serves);
        Assert.Null(plan.SubMain);
    }

    [Fact] // the service's stands first, whatever the order in the file
    public void The_one_on_the_service_feeds_the_others()
    {
        var job = TwoBoards();
        var turned = Of(job with { Panels = [job.Panels[1], job.Panels[0]] });
        Assert.Equal(["west", "east"], turned.Brief.Stands.Select(s => s.Room));
        Assert.Equal("west", turned.Brief.BoardPlace);
    }

    [Fact]
    public void A_board_in_a_bath_is_told_wherever_it_is()
    {
        var job = TwoBoards();
        var bath = new NameRoom(new("east"), "Bath 2").On(job).Job!;
        Assert.Contains(BoardChecks.Of(Of(bath)), t => t.Severity == Severity.Red && t.Headline == "The board stands in Bath 2.");
    }

    [Fact] // every golden house of several panels: no circuit from two boards, none over two buildings where both have one
    public void No_circuit_is_fed_from_two_boards()
    {
        var several = 0;
        for (var number = 1; number <= 40; number++)
        {
            var job = BuiltHouses.Number(number);
            if (job.Panels.Length < 2 || PointsOfHouse.TooMany(Planner.Plan(job)) is not null || Of(job) is not { } plan)
            {
                continue;
            }

            several += plan.Boards.Select(b => b.Stand).Distinct().Count() > 1 ? 1 : 0;
            foreach (var (board, way) in plan.Boards.SelectMany(b => b.Ways.Select(w => (b, w))))
            {
                Assert.All(way.Circuit.Points, p => Assert.Equal(board.Stand, p.Of.Board));
                var structures = way.Circuit.Points.Select(p => p.Point.At!.Structure).Distinct().ToList();
                Assert.All(structures, s => Assert.True(s == plan.Brief.Stands[board.Stand].At.Structure
                    || plan.Brief.Stands.All(b => b.At.Structure != s)));
            }

            Assert.Equal(plan.Brief.Rooms.Sum(r => r.Points.Length), plan.Boards.SelectMany(b => b.Ways).Sum(w => w.Circuit.Points.Length));
        }

        Assert.True(several > 2, $"{several}");
    }
}
