using Circuitum.Core.Jobs;
using Circuitum.Core.Problems;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>What contradicts itself in a drawn house is found, with the place and what to do.</summary>
public sealed class HouseProblemsTests
{
    private static readonly Job Sound = Houses.Row(("den", RoomUse.Den, 14), ("bath", RoomUse.Bath, 8));

    private static string? Found(Job job) => JobProblems.First(job)?.ToString();

    private static Job With(Func<Level, Level> change) =>
        Sound with { Structures = [Sound.Structures[0] with { Levels = [change(Sound.Structures[0].Levels[0])] }] };

    private static Job Den(Func<Room, Room> change) => With(l => l with { Rooms = l.Rooms.SetItem(0, change(l.Rooms[0])) });

    [Fact]
    public void A_sound_house_has_none() => Assert.Null(Found(Sound));

    [Fact]
    public void Rooms_that_take_the_same_floor() =>
        Assert.Contains("“nook” and “den” take the same floor",
            Found(With(l => l with
            {
                Rooms = l.Rooms.Add(Houses.Rectangle("nook", RoomUse.Den, 4.Feet(), 4.Feet(), 4.Feet(), 4.Feet()))
            })),
            StringComparison.Ordinal);

    [Theory]
    [InlineData(5, 16, "wall 5 is not there")]
    [InlineData(1, 7, "spacing must lie from 8 to 48 in")]
    [InlineData(1, 49, "spacing must lie from 8 to 48 in")]
    [InlineData(1, 8, null)]
    [InlineData(4, 48, null)]
    public void A_wall_built_otherwise(int wall, int spacing, string? says) =>
        Says(says, Den(r => r with { Builds = [new() { Wall = wall, Framing = WallFraming.MetalStud, Spacing = spacing.Inches() }] }));

    [Fact]
    public void Too_many_chases_in_a_panel() =>
        Says("at most 6 chases",
            Den(r => r with
            {
                Builds =
                [new() { Wall = 1, Framing = WallFraming.InsulatedPanel,
                    ChaseHeights = [.. Enumerable.Range(1, 7).Select(i => i.Feet())] }]
            }));

    [Theory] // panels as they are made: from the corner to 8 ft on; 3/4 to 4 in wide
    [InlineData(0, 48, null)]
    [InlineData(6144, 48, null)]
    [InlineData(6145, 48, "the first upright chase lies from 0 to 8 ft")]
    [InlineData(-1, 48, "the first upright chase lies from 0 to 8 ft")]
    [InlineData(0, 256, null)]
    [InlineData(0, 47, "a chase is from 3/4 to 4 in wide")]
    [InlineData(0, 257, "a chase is from 3/4 to 4 in wide")]
    public void Chases_of_a_panel(int first, int width, string? says) => Says(says, Den(r => r with
    {
        Builds = [new() { Wall = 1, Framing = WallFraming.InsulatedPanel, FirstChase = new(first), ChaseWidth = new(width) }],
    }));

    [Theory]
    [InlineData("", 20, 16, "1 to 40 characters")]
    [InlineData("drain", 20, 0, "1 in to 20 ft wide")]
    [InlineData("drain", 20, 241, "1 in to 20 ft wide")]
    [InlineData("drain", 500, 16, "is not on wall 1")]
    [InlineData("drain", 20, 240, null)]
    public void Kept_bays(string keptFor, int offset, int width, string? says) =>
        Says(says, With(l =>
            l with
            {
                Reservations =
                [new() { Id = new("b"), For = keptFor, Room = new("den"), Wall = 1, Offset = offset.Inches(), Width = width.Inches() }]
            }));

    [Fact]
    public void Kept_bays_and_chases_in_a_room_that_is_not_there()
    {
        Says("room “cellar” is not in the house",
            With(l => l with
            {
                Reservations =
                [new() { Id = new("b"), For = "x", Room = new("cellar"), Wall = 1, Offset = Length.Zero, Width = 16.Inches() }]
            }));
        Says("room “cellar” is not in the house",
            With(l => l with { Chases = [new() { Id = new("c"), For = "x", Room = new("cellar"), Wall = 1, Offset = Length.Zero }] }));
        Says("1 to 40 characters what the chase",
            With(l => l with { Chases = [new() { Id = new("c"), For = " ", Room = new("den"), Wall = 1, Offset = Length.Zero }] }));
    }

    [Theory]
    [InlineData("xyz", 40, 30)]
    [InlineData("0000000000000000000000000000000000000000000000000000000000000000", 0, 30)]
    [InlineData("0000000000000000000000000000000000000000000000000000000000000000", 40, 1001)]
    public void A_drawing_underneath_of_no_size_or_name(string fingerprint, int width, int depth) =>
        Says("named by its fingerprint",
            With(l => l with { Underlay = new(fingerprint, "plan.dxf", new(Length.Zero, Length.Zero), width.Feet(), depth.Feet()) }));

    [Theory]
    [InlineData(-41, 30)]
    [InlineData(30, 86)]
    public void Air_too_cold_or_too_hot(int above, int below) =>
        Says("−40 to 85 °C", With(l => l with { AmbientAbove = new(above), AmbientBelow = new(below) }));

    [Fact]
    public void A_building_without_any_room() =>
        Says("at least one room",
            Sound with
            {
                Structures =
                Sound.Structures.Add(Sound.Structures[0] with
                { Id = new("shed"), Levels = [Sound.Structures[0].Levels[0] with { Id = new("floor"), Rooms = [] }] })
            });

    [Theory]
    [InlineData("", 30, 36, "1 to 40 characters")]
    [InlineData(null, 30, 0, "1 in to 20 ft wide")]
    [InlineData(null, 900, 36, "is not on wall 2")]
    [InlineData(null, 30, 36, null)]
    public void A_want(string? name, int offset, int width, string? says) =>
        Says(says, Sound with
        {
            Wants = [new() { Id = new("w"), Kind = WantKind.Desk, Name = name, Room = new("den"), Wall = 2, Offset = offset.Inches(),
                Width = width.Inches() }]
        });

    [Theory]
    [InlineData(15, DeviceKind.Duplex, null)]
    [InlineData(20, DeviceKind.Duplex, null)]
    [InlineData(30, DeviceKind.Duplex, "rated 15 or 20 A")]
    [InlineData(20, DeviceKind.Switch, "rated 15 or 20 A")]
    public void A_receptacles_rating(int rating, DeviceKind kind, string? says) =>
        Says(says, Sound.With(Houses.On("r", "den", 1, 60) with { Devices = [new() { Kind = kind, Rating = rating.Amps() }] }));

    [Theory]
    [InlineData(23, "receptacleReach")]
    [InlineData(73, "receptacleReach")]
    [InlineData(72, null)]
    public void The_crews_reach_may_be_shorter_than_the_books_but_not_longer(int reach, string? says) =>
        Says(says, Sound with { HouseRules = new() { ReceptacleReach = reach.Inches() } });

    [Theory]
    [InlineData("", "the owner", "1 to 80 characters")]
    [InlineData("mirror height", "someone whose name is far too long for a margin", "in 40 each")]
    [InlineData("mirror height", "the owner", null)]
    public void A_fact_waited_for(string what, string who, string? says) =>
        Says(says, Sound with { Holds = [new(new("h"), "room:den", what, who, "board")] });

    private static void Says(string? says, Job job)
    {
        if (says is null)
        {
            Assert.Null(Found(job));
        }
        else
        {
            Assert.Contains(says, Found(job), StringComparison.Ordinal);
        }
    }
}
