using Circuitum.Core.Routing;

namespace Circuitum.Core.Tests;

/// <summary>How boxes are fed, against every way there is.</summary>
public sealed class FeedTreeTests
{
    private static (int[] First, int[,] Cost) Draw(int seed, int n)
    {
        var random = new Random(seed);
        var first = Enumerable.Range(0, n).Select(_ => random.Next(1, 20_000)).ToArray();
        var cost = new int[n, n];
        for (var i = 0; i < n; i++)
        {
            for (var j = 0; j < i; j++)
            {
                cost[i, j] = cost[j, i] = random.Next(1, 20_000);
            }
        }

        return (first, cost);
    }

    private static long CostOf(FeedTree tree, int[] first, int[,] cost) => FeedTree.Cost(tree.Parent, first, cost);

    private static IEnumerable<int[]> Orders(int[] left) => left.Length == 0 ? [[]]
        : left.SelectMany(x => Orders([.. left.Where(y => y != x)]).Select(rest => (int[])[x, .. rest]));

    [Theory] // no box branches: the cheapest of all orders, up to 8! = 40 320 of them
    [InlineData(1, 6)]
    [InlineData(2, 7)]
    [InlineData(3, 8)]
    [InlineData(4, 8)]
    public void A_chain_is_in_the_cheapest_order(int seed, int n)
    {
        var (first, cost) = Draw(seed, n);
        long Sum(int[] order) => first[order[0]] + order.Zip(order.Skip(1)).Sum(p => (long)cost[p.First, p.Second]);
        Assert.Equal(Orders([.. Enumerable.Range(0, n)]).Min(Sum),
            CostOf(FeedTree.Of(n, i => first[i], (i, j) => cost[i, j], _ => false), first, cost));
    }

    [Theory] // boxes that may branch: the cheapest of every way to name the feeder of each box
    [InlineData(1, 4, 0b1111)]
    [InlineData(2, 5, 0b11111)]
    [InlineData(3, 6, 0b111111)]
    [InlineData(4, 6, 0b010101)]
    [InlineData(5, 6, 0b000001)]
    [InlineData(6, 6, 0b110110)]
    public void A_tree_is_the_cheapest_of_all(int seed, int n, int branching)
    {
        var (first, cost) = Draw(seed, n);
        var cheapest = long.MaxValue;
        var parent = new int[n];
        void Try(int at)
        {
            if (at < n)
            {
                for (parent[at] = -1; parent[at] < n; parent[at]++)
                {
                    Try(at + 1);
                }

                return;
            }

            if (parent.Count(p => p < 0) == 1 && Enumerable.Range(0, n)
                .All(i => parent.Count(p => p == i) <= ((branching >> i) & 1) + 1 && Reaches(parent, i)))
            {
                cheapest = Math.Min(cheapest, FeedTree.Cost(parent, first, cost));
            }
        }

        Try(0);
        Assert.Equal(cheapest, CostOf(FeedTree.Of(n, i => first[i], (i, j) => cost[i, j], i => ((branching >> i) & 1) == 1), first, cost));
    }

    private static bool Reaches(int[] parent, int at)
    {
        for (var steps = 0; steps <= parent.Length; steps++)
        {
            if (at < 0)
            {
                return true;
            }

            at = parent[at];
        }

        return false;
    }

    [Fact] // three boxes in a row 10 ft apart, the panel over the middle one: a chain doubles back 10 ft, a branch costs 2
    public void A_branch_is_taken_where_it_saves_more_than_it_costs()
    {
        const int Foot = 12 * 64;
        int[] at = [-10 * Foot, 0, 10 * Foot];
        var tree = FeedTree.Of(3, i => (5 * Foot) + Math.Abs(at[i]), (i, j) => Math.Abs(at[i] - at[j]), i => i == 1);
        Assert.Equal([1, -1, 1], tree.Parent);
        Assert.Equal((25 + 2) * Foot,
            FeedTree.Cost(tree.Parent, [15 * Foot, 5 * Foot, 15 * Foot],
                new int[,] { { 0, 10 * Foot, 20 * Foot }, { 10 * Foot, 0, 10 * Foot }, { 20 * Foot, 10 * Foot, 0 } }));
        Assert.Equal([-1, 0, 1], FeedTree.Of(3, i => (5 * Foot) + Math.Abs(at[i]), (i, j) => Math.Abs(at[i] - at[j]), _ => false).Parent);
    }

    [Theory] // twelve are exact, thirteen are not promised to be, and both feed every box after its feeder
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(12)]
    [InlineData(13)]
    [InlineData(30)]
    public void Every_box_is_fed_once_after_the_one_that_feeds_it(int n)
    {
        var (first, cost) = Draw(n, n);
        var tree = FeedTree.Of(n, i => first[i], (i, j) => cost[i, j], i => i % 3 == 0);
        Assert.Equal(Enumerable.Range(0, n), tree.Order.Order());
        var reached = new HashSet<int> { -1 };
        Assert.All(tree.Order, at => Assert.True(reached.Contains(tree.Parent[at]) && reached.Add(at)));
        Assert.All(Enumerable.Range(0, n), i => Assert.InRange(tree.Parent.Count(p => p == i), 0, i % 3 == 0 ? 2 : 1));
    }

    [Fact]
    public void Nothing_to_feed_is_an_empty_tree() => Assert.Empty(FeedTree.Of(0, _ => 0, (_, _) => 0, _ => true).Order);

    [Fact] // a thirteenth box hung on the best tree of twelve is never beaten by much: here the row is in order anyway
    public void Beyond_twelve_a_row_of_boxes_is_taken_in_its_order()
    {
        var tree = FeedTree.Of(20, i => 100 + (i * 50), (i, j) => Math.Abs(i - j) * 50, _ => false);
        Assert.Equal(Enumerable.Range(0, 20), tree.Order);
    }
}
