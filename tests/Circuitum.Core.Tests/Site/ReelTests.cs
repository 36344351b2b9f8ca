using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Site;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>Cuts from reels: the fewest are bought, and what is called proved is.</summary>
public sealed class ReelTests
{
    private static Length Ft(int feet) => Length.FromFeet(feet);

    private static List<Cut> Cuts(params int[] feet) => [.. feet.Select((f, i) => new Cut(RunId.Of($"b{i}", "@A", RunPurpose.Feed),
        $"{i:00}",
        Ft(f)))];

    private static List<(string, Length)> Reels(params int[] feet) => [.. feet.Select((f, i) => ($"reel {i + 1}", Ft(f)))];

    [Fact] // 130 and 120, 90 and 80 and 80, 60: 250-ft reels; 560 ft in three reels, and no two can hold it
    public void By_hand()
    {
        var plan = ReelCutting.Of([], Cuts(130, 120, 90, 80, 80, 60), Ft(250));
        Assert.Equal((3, 3, true), (plan.Bought.Length, plan.LeastBought, plan.IsProved));
        Assert.Equal(190, plan.Bought.Sum(r => r.Left.WholeFeetUp));
    }

    [Fact] // what stands in the van goes first: 70 of 75, 40 of 45; the 100 is bought for
    public void What_stands_is_used_up_first()
    {
        var plan = ReelCutting.Of(Reels(75, 45), Cuts(100, 70, 40), Ft(250));
        Assert.Equal([5, 5], plan.Standing.Select(r => r.Left.WholeFeetUp));
        Assert.Equal(150, Assert.Single(plan.Bought).Left.WholeFeetUp);
    }

    [Fact] // the longest first to where least is left takes three reels of 10 (5+4, 4+3+2, 2); 5+3+2 and 4+4+2 are two
    public void The_search_finds_what_the_rule_of_thumb_misses()
    {
        var plan = ReelCutting.Of([], Cuts(5, 4, 4, 3, 2, 2), Ft(10));
        Assert.Equal((2, true), (plan.Bought.Length, plan.IsProved));
        Assert.All(plan.Bought, r => Assert.Equal(Length.Zero, r.Left));
    }

    [Fact] // a 300-ft cut: no reel of 250 makes it, one of 310 that stands there does, once
    public void A_cut_longer_than_a_reel_is_told()
    {
        Assert.Equal(300, Assert.Single(ReelCutting.Of([], Cuts(300, 20), Ft(250)).TooLong).Length.WholeFeetUp);
        var plan = ReelCutting.Of(Reels(310), Cuts(300, 300), Ft(250));
        Assert.Single(plan.TooLong);
        Assert.Equal(10, Assert.Single(plan.Standing).Left.WholeFeetUp);
        Assert.Empty(plan.Bought);
    }

    [Fact]
    public void Nothing_has_no_length_here()
    {
        Assert.Throws<ArgumentOutOfRangeException>(() => ReelCutting.Of([], Cuts(5), Length.Zero));
        Assert.Throws<ArgumentOutOfRangeException>(() => ReelCutting.Of([], Cuts(0), Ft(250)));
        Assert.Empty(ReelCutting.Of([], [], Ft(250)).Bought);
    }

    [Fact] // every way to cut up to seven lengths from up to two reels and new ones, one by one
    public void The_fewest_are_bought_as_brute_force_says() =>
        Gen.Select(Gen.Int[1, 10].Array[0, 7], Gen.Int[0, 9].Array[0, 2]).Sample((cuts, standing) =>
        {
            var plan = ReelCutting.Of(Reels(standing), Cuts(cuts), Ft(10));
            Sound(plan, cuts.Length);
            Assert.Equal(Fewest(standing, [.. cuts.OrderDescending()]), plan.Bought.Length);
            Assert.True(plan.IsProved);
        }, iter: 1500);

    private static int Fewest(int[] standing, int[] cuts)
    {
        int Least(ImmutableArray<int> left, int at, int bought)
        {
            if (at == cuts.Length)
            {
                return bought;
            }

            var best = Least(left.Add(10 - cuts[at]), at + 1, bought + 1);
            for (var r = 0; r < left.Length; r++)
            {
                if (left[r] >= cuts[at])
                {
                    best = Math.Min(best, Least(left.SetItem(r, left[r] - cuts[at]), at + 1, bought));
                }
            }

            return best;
        }

        return Least([.. standing], 0, 0);
    }

    [Theory] // every cable of a house, in reels of 250 and 1000 ft, with and without what stands in the van
    [InlineData(1)]
    [InlineData(7)]
    [InlineData(12)]
    public void Houses_are_cut_soundly(int number)
    {
        var plan = Planner.Plan(BuiltHouses.Number(number));
        foreach (var cable in plan.Takeoff.Pulls.GroupBy(l => l.Cable))
        {
            var cuts = cable.Select(l => new Cut(l.Run, l.LabelFrom, l.Length)).ToList();
            foreach (var full in new[] { 250, 1000 })
            {
                foreach (var standing in new[] { Reels(), Reels(90, 35) })
                {
                    var reels = ReelCutting.Of(standing, cuts, Ft(full));
                    Sound(reels, cuts.Count);
                    Assert.InRange(reels.Bought.Length - reels.LeastBought, 0, 1);
                }
            }
        }
    }

    // Each cut once, from one reel, and no reel gives more than it has.
    private static void Sound(ReelPlan plan, int cuts)
    {
        var all = plan.Standing.Concat(plan.Bought).ToList();
        Assert.Equal(cuts, all.SelectMany(r => r.Cuts).Concat(plan.TooLong).Select(c => c.Run).Distinct().Count());
        Assert.Equal(cuts, all.Sum(r => r.Cuts.Length) + plan.TooLong.Length);
        Assert.All(all, r => Assert.True(r.Left >= Length.Zero));
        Assert.All(plan.Bought, r => Assert.NotEmpty(r.Cuts));
    }
}
