using Circuitum.Core.Layout;
using Circuitum.Core.Units;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>The fewest places that serve a line, against trying every set of places.</summary>
public sealed class CoveringTests
{
    private static readonly Length Reach = 6.Inches();

    private static bool Serves(int clear, bool closed, IReadOnlyList<int> places) => places.Count > 0
        && Enumerable.Range(0, (clear * 2) + 1)
        .All(half => places.Any(p => Math.Abs(p - (half / 2.0)) <= 6 || (closed && clear - Math.Abs(p - (half / 2.0)) <= 6)));

    // Fewest of the spots that, with what stands, serve all of the line; null when not even all of them do.
    private static int? Fewest(int clear, bool closed, int[] standing, int[] spots)
    {
        int? best = null;
        for (var set = 0; set < 1 << spots.Length; set++)
        {
            var count = System.Numerics.BitOperations.PopCount((uint)set);
            if ((best is null || count < best) && Serves(clear, closed, [.. standing, .. spots.Where((_, i) => (set & (1 << i)) != 0)]))
            {
                best = count;
            }
        }

        return best;
    }

    private static IReadOnlyList<int> Placed(int clear, bool closed, int[] standing, int[] spots) =>
        [.. Covering.Place(clear.Inches(), closed, Reach, [.. standing.Order().Select(s => s.Inches())],
            [.. spots.Select(s => new Stand(s.Inches(), 0))]).Select(p => (int)p.Inches)];

    private static readonly Gen<(int Clear, int[] Standing, int[] Spots)> Lines = Gen.Select(Gen.Int[4, 50], Gen.Int[0, 50].Array[0, 3],
        Gen.Int[0, 50].Array[1, 9], (clear, standing, spots) =>
        (clear, standing.Where(s => s <= clear).Distinct().ToArray(), spots.Where(s => s <= clear).Distinct().ToArray()));

    [Fact]
    public void No_set_of_fewer_spots_serves_an_open_line() => Lines.Sample(line =>
    {
        var placed = Placed(line.Clear, false, line.Standing, line.Spots);
        var fewest = Fewest(line.Clear, false, line.Standing, line.Spots);
        if (fewest is int count)
        {
            Assert.True(Serves(line.Clear, false, [.. line.Standing, .. placed]));
            Assert.Equal(count, placed.Count);
        }
    }, iter: 400);

    [Fact]
    public void A_line_that_runs_round_is_served_where_it_can_be_and_what_stands_is_used() => Lines.Sample(line =>
    {
        if (line.Standing.Length == 0 || Fewest(line.Clear, true, line.Standing, line.Spots) is not int count)
        {
            return;
        }

        var placed = Placed(line.Clear, true, line.Standing, line.Spots);
        Assert.True(Serves(line.Clear, true, [.. line.Standing, .. placed]));
        Assert.Equal(count, placed.Count);
    }, iter: 300);

    [Fact] // a line right round of 44 needs four at 12 apart, wherever it begins
    public void A_line_right_round_with_nothing_on_it_gets_the_fewest()
    {
        var spots = Enumerable.Range(0, 44).ToArray();
        Assert.Equal(4, Placed(44, true, [], spots).Count);
        Assert.Equal(4, Placed(48, true, [], [.. spots, 44, 45, 46, 47]).Count);
        Assert.Equal(5, Placed(49, true, [], [.. spots, 44, 45, 46, 47, 48]).Count);
    }

    [Fact]
    public void Of_as_few_places_the_ones_with_least_against_them_are_taken()
    {
        Stand[] spots = [new(4.Inches(), 3), new(5.Inches(), 0), new(6.Inches(), 3)];
        Assert.Equal([5.Inches()], Covering.Place(10.Inches(), false, Reach, [], spots));
    }

    [Fact]
    public void Fewer_come_before_better()
    {
        // One between studs serves it all; two on studs would too.
        Stand[] spots = [new(2.Inches(), 0), new(6.Inches(), 1), new(10.Inches(), 0)];
        Assert.Equal([6.Inches()], Covering.Place(12.Inches(), false, Reach, [], spots));
    }

    [Fact]
    public void Where_a_stretch_cannot_be_served_the_rest_is() =>
        Assert.Equal([6.Inches()], Covering.Place(40.Inches(), false, Reach, [34.Inches()], [new(6.Inches(), 0)]));

    [Fact]
    public void Nothing_is_placed_where_nothing_is_needed_or_nothing_can_stand()
    {
        Assert.Empty(Covering.Place(12.Inches(), false, Reach, [6.Inches()], [new(3.Inches(), 0)]));
        Assert.Empty(Covering.Place(12.Inches(), false, Reach, [], []));
        Assert.Empty(Covering.Place(30.Inches(), true, Reach, [], []));
    }
}
