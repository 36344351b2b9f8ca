using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

public sealed class ShapesTests
{
    private static Point At(int x, int y) => new(x.Feet(), y.Feet());

    private static Point[] Box(int x, int y, int width, int depth) => [.. Shapes.Box(At(x, y), At(x + width, y + depth))];

    [Fact]
    public void Two_that_share_part_of_a_wall_become_one_outline_from_the_north_west()
    {
        var union = Shapes.Union(Box(0, 0, 10, 10), Box(10, 2, 6, 6))!.Value;
        Assert.Equal([At(0, 0), At(10, 0), At(10, 2), At(16, 2), At(16, 8), At(10, 8), At(10, 10), At(0, 10)], union.AsEnumerable());
    }

    [Fact]
    public void Two_that_touch_at_a_corner_or_not_at_all_do_not()
    {
        Assert.Null(Shapes.Union(Box(0, 0, 10, 10), Box(10, 10, 6, 6)));
        Assert.Null(Shapes.Union(Box(0, 0, 10, 10), Box(20, 0, 6, 6)));
    }

    [Fact]
    public void A_ring_around_a_court_is_no_room()
    {
        // A U of 12 by 12 with a court of 4 by 8, closed by a bar across its mouth.
        var u = Shapes.Without(Box(0, 0, 12, 12), At(4, 0), At(8, 8))!.Value;
        Assert.Equal(8, u.Length);
        Assert.Null(Shapes.Union(u, Box(0, -4, 12, 4)));
    }

    [Fact]
    public void What_is_cut_in_two_is_not_one_outline() => Assert.Null(Shapes.Without(Box(0, 0, 12, 12), At(4, -1), At(8, 13)));

    [Fact]
    public void Straight_corners_are_left_out_and_the_way_round_is_clockwise()
    {
        Point[] counter = [At(0, 0), At(0, 5), At(0, 10), At(10, 10), At(10, 0), At(5, 0)];
        Assert.Equal(Box(0, 0, 10, 10), Shapes.Usual(counter));
    }

    [Theory]
    [InlineData(10, 0, false)]
    [InlineData(9, 0, true)]
    [InlineData(0, 10, false)]
    [InlineData(-10, -10, false)]
    [InlineData(-9, -9, true)]
    public void Sharing_a_wall_is_not_sharing_floor(int x, int y, bool overlap) =>
        Assert.Equal(overlap, Shapes.Overlap(Box(0, 0, 10, 10), Box(x, y, 10, 10)));

    [Fact] // an L and a box in its notch have bounds that overlap, but no floor in common
    public void A_room_in_the_notch_of_an_L_shares_no_floor()
    {
        var l = Shapes.Without(Box(0, 0, 12, 12), At(6, 6), At(12, 12))!.Value;
        Assert.False(Shapes.Overlap(l, Box(6, 6, 6, 6)));
        Assert.True(Shapes.Overlap(l, Box(5, 5, 6, 6)));
    }

    [Fact] // brute force: every foot of both is walked
    public void Overlap_agrees_with_walking_every_square_foot() =>
        Gen.Select(Gen.Int[-12, 12], Gen.Int[-12, 12], Gen.Int[1, 12], Gen.Int[1, 12], Gen.Int[1, 9], Gen.Int[1, 9])
        .Sample((x, y, w, d, nx, ny) =>
    {
        var l = Shapes.Without(Box(0, 0, 10, 10), At(nx, ny), At(10, 10))!.Value;
        bool InL(double px, double py) => px is > 0 and < 10 && py is > 0 and < 10 && !(px > nx && py > ny);
        var walked = Enumerable.Range(x, w).Any(i => Enumerable.Range(y, d).Any(j => InL(i + .5, j + .5)));
        Assert.Equal(walked, Shapes.Overlap(l, Box(x, y, w, d)));
    }, iter: 300);

    [Fact] // the larger arm of an L holds the lamp
    public void The_largest_rectangle_of_an_L_is_its_larger_arm()
    {
        var l = Shapes.Without(Box(0, 0, 20, 12), At(8, 5), At(20, 12))!.Value;
        Assert.Equal((At(0, 0), At(20, 5)), Outline.Largest(l));
        var tall = Shapes.Without(Box(0, 0, 20, 12), At(10, 4), At(20, 12))!.Value;
        Assert.Equal((At(0, 0), At(10, 12)), Outline.Largest(tall));
    }
}
