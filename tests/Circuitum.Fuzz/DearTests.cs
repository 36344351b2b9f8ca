using System.Collections.Immutable;
using System.Diagnostics;
using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Problems;
using Circuitum.Core.Units;
using Circuitum.Web.Bench;

namespace Circuitum.Fuzz;

/// <summary>Jobs that fill a limit, made so that they cost the most: each is planned, or ended, within what one plan may take; one step
/// over it is refused in a sentence.</summary>
public sealed class DearTests
{
    // What ends between two circuits may go on with one of them.
    private static readonly TimeSpan Margin = TimeSpan.FromSeconds(15);

    public static TheoryData<string> Jobs =>
        ["boxes in one room", "boxes on one spot", "devices on one spot", "bedrooms", "switches", "equipment", "combs"];

    [Theory]
    [MemberData(nameof(Jobs))]
    public void A_job_that_fills_a_limit_is_planned_or_ended_in_time(string kind)
    {
        var job = Made(kind);
        Assert.Null(JobProblems.First(job));
        var since = Stopwatch.StartNew();
        using var late = new CancellationTokenSource(Planning.Longest);
        try
        {
            Assert.NotEmpty(Planner.Plan(job, late.Token).Circuits);
        }
        catch (OperationCanceledException)
        {
            // Ended, as on the server.
        }

        Assert.InRange(since.Elapsed, TimeSpan.Zero, Planning.Longest + Margin);
    }

    [Fact]
    public void One_more_is_refused_with_the_limit_and_the_count()
    {
        var full = Made("boxes in one room");
        Assert.Equal("boxes: at most 3000 boxes to a job; this one has 3001",
            JobProblems.First(full with { Boxes = full.Boxes.Add(Box("one-more", "a", 1, Feet(5), Of(DeviceKind.Duplex))) })!.ToString());
        var lamps = Enumerable.Range(0, 201).Select(i => new BoxId($"l{i}")).ToImmutableArray();
        var switched = Job([Square("a", RoomUse.Den, 0, 0, 60)],
            [.. lamps.Select(l => Can(l.Value, 1, 1)), Box("s", "a", 1, Feet(3), Of(DeviceKind.Switch) with { Controls = lamps })]);
        Assert.Equal("boxes “s”: one switch works at most 200 boxes; this one works 201", JobProblems.First(switched)!.ToString());
        var field = Job([Square("a", RoomUse.Den, 0, 0, 990)], []);
        Assert.Null(JobProblems.First(field));
        var tight = field with
        {
            Structures = [field.Structures[0]
                with { Levels = [field.Structures[0].Levels[0]
                    with { Rooms = [.. Enumerable.Range(0, 40).Select(i => Row($"r{i}", i * 20))] }] }],
            Panels = [field.Panels[0] with { Room = new("r0") }]
        };
        Assert.Contains("at most 30000 joists and studs", JobProblems.First(tight)!.ToString(), StringComparison.Ordinal);
    }

    private static Job Made(string kind) => kind switch
    {
        "boxes in one room" =>
            Job([Square("a", RoomUse.Den, 0, 0, 40)],
                Many(3000, i => Box($"b{i}", "a", 1 + (i % 4), Length.FromInches(3 * (i % 150)), Of(DeviceKind.Duplex)))),
        "boxes on one spot" =>
            Job([Square("a", RoomUse.Den, 0, 0, 40)],
                Many(3000, i => Box($"b{i}", "a", 1, Feet(5), Of(DeviceKind.Duplex), Of(DeviceKind.Duplex)))),
        "devices on one spot" =>
            Job([Square("a", RoomUse.Den, 0, 0, 40)],
                Many(1000, i => Box($"b{i}", "a", 1, Feet(5), [.. Enumerable.Repeat(Of(DeviceKind.Duplex), 6)]))),
        "bedrooms" => Job(Many(400, i => Square($"r{i}", RoomUse.Bedroom, i % 20 * 12, i / 20 * 12, 12)),
            Many(3000, i => Box($"b{i}", $"r{i % 400}", 1 + (i / 400 % 4), Length.FromInches(10 + (3 * (i / 1600))),
                Of(i % 8 == 0 ? DeviceKind.SmokeAlarm : DeviceKind.Duplex)))),
        "switches" => Job([Square("a", RoomUse.Den, 0, 0, 60)],
            [.. Many(2985, i => Can($"l{i}", 1 + (i % 58), 1 + (i / 58))),
                .. Many(15, s => Box($"s{s}", "a", 1, Feet(2 + s),
                    Of(DeviceKind.Switch) with { Controls = [.. Many(199, i => new BoxId($"l{(s * 199) + i}"))] }))]),
        "equipment" => Job([Square("a", RoomUse.Garage, 0, 0, 60)],
            Many(300, i => Box($"e{i}", "a", 1 + (i % 4), Length.FromInches(5 + (2 * i)),
                Of(DeviceKind.Equipment) with { Plate = EquipmentLibrary.All[i % EquipmentLibrary.All.Length] }))),
        _ => Job(Many(60, i => Comb($"c{i}", i * 8)),
            Many(600, i => Box($"b{i}", $"c{i % 60}", 1, Length.FromInches(5 + (i % 9)), Of(DeviceKind.Duplex)))) is var combs
            ? combs with { Panels = [combs.Panels[0] with { Wall = 39, Offset = Feet(10) }] } : throw new InvalidOperationException(),
    };

    private static Job Job(ImmutableArray<Room> rooms, ImmutableArray<Box> boxes) => new()
    {
        Name = "Dear",
        Edition = Edition.Y2020,
        Structures =
        [
            new()
            {
                Id = new("h"), Name = "House", Origin = new(default, default), Underfloor = Underfloor.CrawlSpace,
                Levels = [new() { Id = new("g"), Name = "Ground", CeilingHeight = Feet(8), FloorJoists = Joists, CeilingJoists = Joists,
                    Rooms = rooms }],
            },
        ],
        Panels = [new() { Id = new("A"), Room = rooms[0].Id, Wall = 1, Offset = Feet(4), Rating = new(400), Spaces = 84 }],
        Boxes = boxes,
    };

    private static Joists Joists { get; } = new(JoistRun.NorthSouth, Length.FromInches(16), Length.FromInches(10));

    private static Room Square(string id, RoomUse use, int x, int y, int side) =>
        Room(id, use, (x, y), (x + side, y), (x + side, y + side), (x, y + side));

    private static Room Row(string id, int y) => Room(id, RoomUse.Den, (0, y), (990, y), (990, y + 20), (0, y + 20));

    // Forty corners: nine notches along its north side.
    private static Room Comb(string id, int y) =>
        Room(id, RoomUse.Den,
            [(0, y), .. Enumerable.Range(0, 9)
                .SelectMany(t => new[] { ((t * 4) + 2, y), ((t * 4) + 2, y + 3), ((t * 4) + 4, y + 3), ((t * 4) + 4, y) }), (40, y),
                (40, y + 8), (0, y + 8)]);

    private static Room Room(string id, RoomUse use, params ReadOnlySpan<(int X, int Y)> corners)
    {
        var points = ImmutableArray.CreateBuilder<Point>();
        foreach (var (x, y) in corners)
        {
            points.Add(new(Feet(x), Feet(y)));
        }

        return new() { Id = new(id), Name = id, Use = use, Corners = points.ToImmutable() };
    }

    private static Box Box(string id, string room, int wall, Length offset, params Device[] devices) =>
        new() { Id = new(id), Room = new(room), Wall = wall, Offset = offset, Devices = [.. devices] };

    private static Box Can(string id, int x, int y) =>
        new() { Id = new(id), Room = new("a"), Mount = Mount.Ceiling, X = Feet(x), Y = Feet(y), Devices = [Of(DeviceKind.Can)] };

    private static Device Of(DeviceKind kind) => new() { Kind = kind };

    private static Length Feet(int feet) => Length.FromFeet(feet);

    private static ImmutableArray<T> Many<T>(int count, Func<int, T> make) => [.. Enumerable.Range(0, count).Select(make)];
}
