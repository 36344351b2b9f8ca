using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>A figure names its rule by an id; its section is the edition's.</summary>
public sealed class CitationLawTests
{
    [Fact] // words of the crew's own stand only where no book speaks: amber, waiting, and what cannot be routed
    public void Every_red_tag_names_its_rule() => RandomHouses.Jobs.Sample(job =>
    {
        var bare = Planner.Plan(job).Tags.Where(t => t.Severity == Severity.Red && t.Cite.Ids.IsEmpty
            && t.Rule is not ("routing" or "framing" or "switching"));
        Assert.Empty(bare.Select(t => $"{t.Rule}: {t.Headline}"));
    }, iter: 60);

    [Fact]
    public void A_job_in_another_edition_keeps_its_rules_and_moves_their_sections()
    {
        Assert.All(Editions.Of(RuleFamily.UnitedStates),
            e => Assert.Equal(RuleId.BurialCover, Assert.Single(CodeBook.For(e).Burial.Cover(Buried.Pvc, false).Why.Steps[0].Word.Ids)));
        Assert.Equal("Table 300.5, column 3", CodeBook.For(Edition.Y2017).Burial.Cover(Buried.Pvc, false).Why.Steps[0].Cite);
        Assert.Equal("Table 300.5(A), column 3", CodeBook.For(Edition.Y2023).Burial.Cover(Buried.Pvc, false).Why.Steps[0].Cite);
        Assert.Equal(("210.19(A)(3)", "210.19(C)"),
            (CodeBook.For(Edition.Y2020).Cite(RuleId.RangeConductors).Text, CodeBook.For(Edition.Y2023).Cite(RuleId.RangeConductors).Text));
    }

    [Fact]
    public void An_edition_without_a_rule_refuses_to_cite_it() =>
        Assert.Throws<ArgumentException>(() => CodeBook.For(Edition.Y2017).Cite(RuleId.SurgeProtection));

    [Fact]
    public void Surge_protection_and_the_disconnect_outdoors_are_asked_one_by_one_from_2020() =>
        Assert.Equal([(false, false), (true, true), (true, true)], Editions.Of(RuleFamily.UnitedStates).Select(e => CodeBook.For(e).Service)
            .Select(s => (s.AsksSurgeProtection, s.AsksOutdoorDisconnect)));

    [Fact]
    public void Citations_are_joined_and_told_apart_by_their_rules()
    {
        var book = CodeBook.For(Edition.Y2020);
        var both = book.Cite(RuleId.BranchConductors).And(book.Cite(RuleId.ContinuousLoad));
        Assert.Equal(("210.19(A), 210.20(A)", "BranchConductors+ContinuousLoad"), (both.Text, both.Key));
        Assert.Equal(both, book.Cite(RuleId.BranchConductors, RuleId.ContinuousLoad));
        Assert.True(both.Cites(RuleId.ContinuousLoad));
        Assert.NotEqual<Citation>("210.19(A), 210.20(A)", both);
        Assert.Equal("house rule", ((Citation)"house rule").Key);
    }

    [Theory] // 125 % of what lasts three hours, and the other way round
    [InlineData(1000, true, 1250)]
    [InlineData(1000, false, 1000)]
    public void What_lasts_counts_for_a_quarter_more(int load, bool lasts, int counted)
    {
        Assert.Equal(counted, ContinuousLoad.Counted(new(load), lasts).Value);
        Assert.Equal(16m, ContinuousLoad.Within(20.Amps()).Value);
    }

    [Theory]
    [InlineData(15, 120, true)]
    [InlineData(20, 120, true)]
    [InlineData(30, 120, false)]
    [InlineData(20, 240, false)]
    public void Shares_are_held_to_on_small_circuits_to_neutral(int rating, int volts, bool held) =>
        Assert.Equal(held, Books.Us2020.Division.HoldsToShares(rating.Amps(), volts.Volts()));
}
