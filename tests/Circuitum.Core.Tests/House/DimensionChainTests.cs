using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Chains of dimensions along a side: read off the drawing, and held against what was typed.</summary>
public sealed class DimensionChainTests
{
    private static FramedLevel Level(Job job) => Framing.Frame(job).Structures[0].Levels[0];

    // Two rooms of 12 and 10 ft between centre lines, 12 ft deep, in walls of 6-1/2 in outside and 4-1/2 in between: inside 144 - 3-1/4
    // - 2-1/4 = 138-1/2 in and 120 - 2-1/4 - 3-1/4 = 114-1/2 in; over all 264 + 6-1/2 = 270-1/2 in.
    private static FramedLevel Two => Level(Houses.Row(("a", RoomUse.Den, 12), ("b", RoomUse.Bedroom, 10)));

    private static IEnumerable<(string, decimal)> Of(FramedLevel level, PlanSide side, ChainManner manner) =>
        DimensionChain.Along(level, side, manner).Pieces.Select(p => (p.Name, p.Long.Inches));

    [Theory]
    [InlineData(PlanSide.North)]
    [InlineData(PlanSide.South)]
    public void Inside_sizes_stand_between_their_walls(PlanSide side)
    {
        var wall = Two.Walls.Single(w => !w.Exterior).Thickness.Inches;
        Assert.Equal([("outside wall", 6.5m), ("a", 140.75m - (wall / 2)), ("wall", wall), ("b", 116.75m - (wall / 2)),
            ("outside wall", 6.5m)], Of(Two, side, ChainManner.InsideAndWalls));
        Assert.Equal(270.5m, DimensionChain.Along(Two, side, ChainManner.InsideAndWalls).Overall.Inches);
    }

    [Fact] // 144 + 3-1/4 to the middle of the wall, 120 + 3-1/4 from there
    public void To_the_middle_of_walls_there_is_a_piece_a_room() =>
        Assert.Equal([("a", 147.25m), ("b", 123.25m)], Of(Two, PlanSide.North, ChainManner.MiddleOfWalls));

    [Fact] // one room on each short side: 144 - 6-1/2 inside
    public void A_short_side_is_one_room_between_two_walls()
    {
        Assert.Equal([("outside wall", 6.5m), ("a", 137.5m), ("outside wall", 6.5m)], Of(Two, PlanSide.West, ChainManner.InsideAndWalls));
        Assert.Equal([("outside wall", 6.5m), ("b", 137.5m), ("outside wall", 6.5m)], Of(Two, PlanSide.East, ChainManner.InsideAndWalls));
    }

    // A house of two wings south of a hall, a court between them: from the south both wings and what shows of the hall between.
    [Fact]
    public void Around_a_court_what_stands_farthest_out_is_read_and_what_shows_behind_it()
    {
        Room Wing(string id, int x, int y, int wide, int deep) =>
            Houses.Rectangle(id, RoomUse.Den, x.Feet(), y.Feet(), wide.Feet(), deep.Feet());
        var level = Level(Houses.House([Wing("hall", 0, 0, 36, 10), Wing("west", 0, 10, 12, 14), Wing("east", 24, 10, 12, 14)]));
        Assert.Equal([("west", 147.25m), ("hall", 144m), ("east", 147.25m)], Of(level, PlanSide.South, ChainManner.MiddleOfWalls));
        Assert.Equal([("hall", 438.5m)], Of(level, PlanSide.North, ChainManner.MiddleOfWalls));
    }

    /// <summary>Houses of every outline.</summary>
    public static TheoryData<int> Built => [.. Enumerable.Range(1, 12)];

    // Whatever the outline, a side's chain is as long as the storey is wide, whichever way it is measured.
    [Theory, MemberData(nameof(Built))]
    public void A_chain_is_as_long_as_the_house(int number)
    {
        foreach (var level in Framing.Frame(BuiltHouses.Number(number)).Levels.Where(l => !l.Rooms.IsEmpty))
        {
            var walls = level.Walls.Where(w => w.Exterior).ToList();
            Length Half(bool alongX, Func<Wall, Length> at, bool most) => walls.Where(w => w.AlongX == alongX).OrderBy(w => at(w))
                .Select(w => (At: at(w), w.Thickness)).ToList() is var sorted && most ? sorted[^1].At + (sorted[^1].Thickness / 2)
                : sorted[0].At - (sorted[0].Thickness / 2);
            var wide = Half(false, w => w.Start.X, true) - Half(false, w => w.Start.X, false);
            var deep = Half(true, w => w.Start.Y, true) - Half(true, w => w.Start.Y, false);
            foreach (var side in Enum.GetValues<PlanSide>())
            {
                var chains = Enum.GetValues<ChainManner>().Select(m => DimensionChain.Along(level, side, m)).ToList();
                Assert.All(chains, c => Assert.Equal(side is PlanSide.North or PlanSide.South ? wide : deep, c.Overall));
                Assert.All(chains.SelectMany(c => c.Pieces), p => Assert.True(p.Long > Length.Zero, p.Name));
            }
        }
    }

    [Fact] // 11'-7 + 4-1/2 + 9'-7-1/2 + two of 6-1/2: 139 + 4.5 + 115.5 + 13 = 272 in beside 270-1/2
    public void What_is_typed_is_off_by_so_much_and_held_against_each_piece()
    {
        var drawn = DimensionChain.Along(Two, PlanSide.North, ChainManner.InsideAndWalls);
        var check = ChainCheck.Read("6 1/2, 11-7, 4 1/2, 9-7 1/2, 6 1/2", drawn);
        Assert.Equal((272m, 1.5m), (check.Sum.Inches, check.Off.Inches));
        Assert.Equal(5, check.Pairs.Length);
        Assert.Equal(139m, check.Pairs[1].Typed.Inches);
    }

    [Theory] // the whole is the plan's own where it says one
    [InlineData("12-6, 3-8 1/2 = 16-2 1/2", 0)]
    [InlineData("12-6; 3-8 1/2 = 16-3", -0.5)]
    [InlineData("12-6 + 3-9 = 16-2 1/2", 0.5)]
    public void A_chain_closes_on_the_whole_that_the_plan_says(string typed, double off)
    {
        var check = ChainCheck.Read(typed, DimensionChain.Along(Two, PlanSide.North, ChainManner.InsideAndWalls));
        Assert.Equal((decimal)off, check.Off.Inches);
        Assert.Empty(check.Pairs);
    }

    [Theory]
    [InlineData("", "Type the chain")]
    [InlineData(" , ,", "Type the chain")]
    [InlineData("12-6, wide, 4", "“wide” is no length")]
    [InlineData("12-6, 0", "“0” is no length")]
    [InlineData("12-6 = 4 = 5", "One “=” is enough")]
    [InlineData("12-6 =", "“” is no length")]
    public void What_is_no_chain_is_refused_by_its_own_words(string typed, string says) => Assert.Contains(says,
        Assert.Throws<FormatException>(() => ChainCheck.Read(typed, new([]))).Message, StringComparison.Ordinal);

    [Fact]
    public void A_side_has_sixty_pieces_at_most()
    {
        Assert.Equal(60, ChainCheck.Read(string.Join(',', Enumerable.Repeat("1-0", 60)), new([])).Typed.Length);
        Assert.Contains("61 pieces are more", Assert.Throws<FormatException>(() =>
            ChainCheck.Read(string.Join(',', Enumerable.Repeat("1-0", 61)), new([]))).Message, StringComparison.Ordinal);
    }
}
