using Circuitum.Core.Boards;
using CsCheck;

namespace Circuitum.Core.Tests.Boards;

public sealed class PhaseBalanceTests
{
    private static int Spread(IReadOnlyList<int> loads, IReadOnlyList<int> phases) =>
        Enumerable.Range(0, 3).Select(p => loads.Where((_, i) => phases[i] == p).Sum()).ToList() is var sums ? sums.Max() - sums.Min() : 0;

    [Fact]
    public void No_load_leaves_the_phases_equal() => Assert.Equal(0, PhaseBalance.Over([]).Spread);

    [Fact] // 3100 | 1800 + 1200 | 2600 + 400
    public void Loads_that_can_be_even_are_nearly() => Assert.Equal(100, PhaseBalance.Over([3100, 2600, 1800, 1200, 400]).Spread);

    [Fact] // every placing of up to eight loads, tried by counting in threes
    public void No_placing_is_more_even() => Gen.Int[0, 60].Array[0, 8].Sample(loads =>
    {
        var found = PhaseBalance.Over(loads);
        var best = Enumerable.Range(0, (int)Math.Pow(3, loads.Length)).Min(n =>
            Spread(loads, [.. loads.Select((_, i) => n / (int)Math.Pow(3, i) % 3)]));
        Assert.True(found.Proven);
        Assert.Equal(best, found.Spread);
        Assert.Equal(found.Spread, Spread(loads, found.Phases));
    });

    [Fact]
    public void Many_loads_are_shared_out_in_time_and_it_is_told_whether_that_is_proven()
    {
        var loads = Enumerable.Range(0, 60).Select(i => 37 + (i * 7919 % 4001)).ToList();
        var found = PhaseBalance.Over(loads);
        Assert.Equal(found.Spread, Spread(loads, found.Phases));
        Assert.True(found.Spread < loads.Sum() / 1000, $"{found.Spread} of {loads.Sum()}");
    }
}
