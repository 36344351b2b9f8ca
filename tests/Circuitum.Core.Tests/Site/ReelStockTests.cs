using Circuitum.Core.Jobs;
using Circuitum.Core.Site;
using Circuitum.Core.Units;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>Reels in the van: what is left after each cut, whatever order the record comes in.</summary>
public sealed class ReelStockTests
{
    private static Length Ft(int feet) => Length.FromFeet(feet);

    private static SiteEntry Entry(int id, Subject subject, SiteStep step, int minute) => new(new(new Guid(id, 0, 0, new byte[8])), subject,
        step, new(60_000L * minute), new(60_000L * minute), "Ida", 1);

    private static SiteEntry Counted(int id, string reel, int feet, int minute, string cable = "12-2") =>
        Entry(id, Subject.Reel(reel), SiteStep.Counted, minute) with { As = new(reel, cable, Ft(feet)) };

    private static SiteEntry Cut(int id, string box, int feet, string? reel, int minute, int? used = null) =>
        Entry(id, Subject.Run(RunId.Of("@A", box, RunPurpose.Feed)), SiteStep.Pulled, minute) with
        {
            As = new($"Panel A → {box}", "12-2", Ft(feet)),
            Reel = reel,
            Used = used is int u ? Ft(u) : null,
        };

    private static (string, int, int) Only(params SiteEntry[] entries) =>
        Assert.Single(ReelStock.Of(SiteRecord.Of(entries))) is var r ? (r.Name, r.Cuts, r.Left.WholeFeetUp) : default;

    [Fact] // 250 ft; 40 by the plan; 35 planned and 38 measured; 20 that nobody said a reel of: 250 − 40 − 38
    public void After_each_cut_a_reel_knows_what_is_left() =>
        Assert.Equal(("R1", 2, 172), Only(Counted(1, "R1", 250, 0), Cut(2, "b1", 40, "R1", 1), Cut(3, "b2", 35, "R1", 2, 38),
            Cut(4, "b3", 20, null, 3)));

    [Fact] // counted again at 100: what was cut before that is in the count
    public void A_count_stands_for_all_that_came_before_it() =>
        Assert.Equal(("R1", 1, 70), Only(Counted(1, "R1", 250, 0), Cut(2, "b1", 40, "R1", 1), Counted(3, "R1", 100, 5),
            Cut(4, "b2", 30, "R1", 6)));

    [Fact] // pulled, then said to be from another reel and to have taken 45: one cut, by what was said last
    public void What_is_said_later_of_a_cut_counts()
    {
        var stock = ReelStock.Of(SiteRecord.Of([Counted(1, "R1", 250, 0), Counted(2, "R2", 100, 0), Cut(3, "b1", 40, "R1", 1),
            Cut(4, "b1", 40, "R2", 2, 45)]));
        Assert.Equal([("R1", 250), ("R2", 55)], stock.Select(r => (r.Name, r.Left.WholeFeetUp)));
    }

    [Fact]
    public void A_cut_that_is_taken_back_is_on_the_reel_again_and_a_finished_reel_is_gone()
    {
        var cut = Cut(2, "b1", 40, "R1", 1);
        var back = cut with { Id = new(new Guid(9, 0, 0, new byte[8])), TakesBack = cut.Id, As = null, Reel = null };
        Assert.Equal(("R1", 0, 250), Only(Counted(1, "R1", 250, 0), cut, back));
        Assert.Empty(ReelStock.Of(SiteRecord.Of([Counted(1, "R1", 250, 0), Entry(3, Subject.Reel("R1"), SiteStep.Finished, 4)])));
        Assert.Equal(("R1", 0, 80), Only(Counted(1, "R1", 250, 0), Entry(3, Subject.Reel("R1"), SiteStep.Finished, 4),
            Counted(4, "R1", 80, 9)));
    }

    [Fact]
    public void More_than_was_on_it_is_less_than_none() =>
        Assert.Equal(-10, Assert.Single(ReelStock.Of(SiteRecord.Of([Counted(1, "R1", 30, 0), Cut(2, "b1", 40, "R1", 1)]))).Left.Feet);

    [Fact] // in any order, and twice
    public void The_order_of_arrival_decides_nothing()
    {
        var each = Gen.Select(Gen.Int[0, 3], Gen.Int[1, 3], Gen.Int[1, 60], Gen.Int[0, 20], Gen.Int[0, 4]);
        Gen.Select(each.Array[1, 25], Gen.Int).Sample((drawn, seed) =>
        {
            var entries = drawn.Select((d, i) => d.Item1 switch
            {
                0 => Counted(i + 1, $"R{d.Item2}", d.Item3 * 4, d.Item4),
                1 when d.Item5 == 0 => Entry(i + 1, Subject.Reel($"R{d.Item2}"), SiteStep.Finished, d.Item4),
                _ => Cut(i + 1, $"b{d.Item5}", d.Item3, d.Item2 == 3 ? null : $"R{d.Item2}", d.Item4),
            }).ToList();
            var shuffled = entries.Concat(entries.Take(3)).ToArray();
            new Random(seed).Shuffle(shuffled);
            Assert.Equal(ReelStock.Of(SiteRecord.Of(entries)).AsEnumerable(), ReelStock.Of(SiteRecord.Of(shuffled)));
        });
    }
}
