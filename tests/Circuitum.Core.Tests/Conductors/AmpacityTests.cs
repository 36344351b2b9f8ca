using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

public sealed class AmpacityTests
{
    private static readonly CodeBook Book = CodeBook.For(Edition.Y2020);

    private static Reasons.Figure<Amps> Nm(string gauge, int cables, decimal ambient = 30) =>
        Ampacities.InCable(Gauge.Parse(gauge), cables, 2 * cables, new(ambient), Book, "hole 7");

    [Theory]
    [InlineData(2, 20)] // two cables in a hole are not adjusted
    [InlineData(3, 20)] // 6 CCC: 30 × .8 = 24, held to 20
    [InlineData(4, 20)] // 8 CCC: 30 × .7 = 21, held to 20
    [InlineData(5, 15)] // 10 CCC: 30 × .5
    public void Twelve_two_in_one_foamed_hole(int cables, decimal amps) => Assert.Equal(amps, Nm("12", cables).Value.Value);

    [Fact]
    public void Four_12_2_in_a_hole_are_good_for_20_A_receptacles_and_five_are_not()
    {
        Assert.True(Book.Protects(20.Amps(), Nm("12", 4).Value, portableReceptacles: true));
        Assert.False(Book.Protects(20.Amps(), Nm("12", 5).Value, portableReceptacles: true));
        Assert.False(Book.Protects(20.Amps(), Nm("12", 5).Value, portableReceptacles: false)); // 15 is a standard size: nothing to go up to
    }

    [Fact] // 25 × .7 = 17.5 → 15; 25 × .5 = 12.5
    public void Five_14_2_in_a_hole_serve_lights_but_not_receptacles()
    {
        Assert.Equal(15m, Nm("14", 4).Value.Value);
        Assert.True(Book.Protects(15.Amps(), Nm("14", 4).Value, portableReceptacles: true));
        Assert.Equal(12.5m, Nm("14", 5).Value.Value);
        Assert.False(Book.Protects(15.Amps(), Nm("14", 5).Value, portableReceptacles: true));
        Assert.True(Book.Protects(15.Amps(), Nm("14", 5).Value, portableReceptacles: false));
    }

    [Fact] // 40 × .8 = 32 → 30; 40 × .7 = 28
    public void Four_10_2_in_a_hole_keep_a_30_A_breaker_by_the_next_size_up()
    {
        Assert.Equal(30m, Nm("10", 3).Value.Value);
        Assert.Equal(28m, Nm("10", 4).Value.Value);
        Assert.True(Book.Protects(30.Amps(), Nm("10", 4).Value, portableReceptacles: false));
        Assert.False(Book.Protects(30.Amps(), Nm("10", 4).Value, portableReceptacles: true));
    }

    [Fact] // 30 × .82 × .8
    public void Three_12_2_in_one_hole_of_a_48_degree_attic_cannot_feed_20_A_receptacles()
    {
        var held = Nm("12", 3, 48);
        Assert.Equal(19.68m, held.Value.Value);
        Assert.False(Book.Protects(20.Amps(), held.Value, portableReceptacles: true));
        Assert.True(Book.Protects(20.Amps(), held.Value, portableReceptacles: false));
        Assert.Equal(["30 A", "24.6 A", "19.68 A"], held.Why.Steps.Select(s => s.Value));
        Assert.Equal(["Table 310.16, 334.80", "Table 310.15(B)(1)", "334.80, Table 310.15(C)(1)"], held.Why.Steps.Select(s => s.Cite));
    }

    [Theory]
    [InlineData(2, Carried.Hot, Carried.Neutral)] // a two-wire cable
    [InlineData(2, Carried.Hot, Carried.SecondLeg)] // 240 V
    [InlineData(2, Carried.Hot, Carried.SecondLeg, Carried.Neutral)] // a dryer: the neutral carries the difference
    [InlineData(2, Carried.Hot, Carried.OtherHot, Carried.Neutral)] // 12-3 with a shared neutral
    [InlineData(4, Carried.Hot, Carried.Neutral, Carried.OtherHot, Carried.OtherNeutral)] // 12-2-2: two circuits, two neutrals
    [InlineData(2, Carried.TravelerOne, Carried.TravelerTwo, Carried.Neutral)] // one traveler is live at a time
    [InlineData(3, Carried.Hot, Carried.TravelerOne, Carried.TravelerTwo, Carried.Neutral)]
    [InlineData(3, Carried.Hot, Carried.Switched, Carried.Neutral)] // one leg: the neutral carries both
    [InlineData(2, Carried.Hot, Carried.Neutral, Carried.Signal)]
    public void A_shared_neutral_does_not_count_two_neutrals_do(int counted, params Carried[] carries) =>
        Assert.Equal(counted, CurrentCarrying.In([.. carries]));

    [Fact] // in a switch loop the supply and the return count, the idle neutral does not
    public void A_switch_loop_counts_two() =>
        Assert.Equal(2, CurrentCarrying.In([Carried.Hot, Carried.Switched, Carried.Neutral], loop: true));

    [Theory]
    [InlineData("6", 55)]
    [InlineData("4", 70)]
    public void Nm_goes_by_its_60_degree_column(string gauge, decimal amps) => Assert.Equal(amps, Nm(gauge, 1).Value.Value);

    [Fact] // 75 °C marked at both ends: 65 A
    public void Six_THWN_in_conduit_carries_60_A_where_both_ends_are_marked_75()
    {
        Assert.Equal(65m, Ampacities.InRaceway(Gauge.Awg6, 2, new(30), Column.C75, Book).Value.Value);
        Assert.Equal(55m, Ampacities.InRaceway(Gauge.Awg6, 2, new(30), Column.C60, Book).Value.Value);
    }

    [Theory] // UF starts from its 60 °C column: 20 × .82 = 16.4, 30 × .82 = 24.6
    [InlineData("12", 30, 20)]
    [InlineData("12", 40, 16.4)]
    [InlineData("10", 40, 24.6)]
    public void Underground_cable_is_corrected_from_60_degrees(string gauge, decimal ambient, double amps) =>
        Assert.Equal((decimal)amps, Ampacities.InCable(Gauge.Parse(gauge), 1, 2, new(ambient), Book, "", Jacket.Underground).Value.Value);

    [Fact]
    public void A_greenhouse_is_damp_and_pulled_in_UF()
    {
        var plan = Planner.Plan(Houses.Row(("glass", RoomUse.Greenhouse, 16)).With(Houses.On("r", "glass", 1, 60)));
        var sized = plan.CircuitOf(new("r"))!.Sized;
        Assert.Equal("12-2 UF", sized.Cable);
        Assert.Contains(sized.Gauge.Why.Steps, s => s.Cite == "334.12(B)(4), 340.10");
    }

    [Theory] // both sides of each row of the adjustment table
    [InlineData(3, 1.00)]
    [InlineData(4, 0.80)]
    [InlineData(6, 0.80)]
    [InlineData(7, 0.70)]
    [InlineData(9, 0.70)]
    [InlineData(10, 0.50)]
    [InlineData(20, 0.50)]
    [InlineData(21, 0.45)]
    [InlineData(31, 0.40)]
    [InlineData(41, 0.35)]
    public void Adjustment_changes_at_4_7_10_21_31_and_41(int conductors, double factor) =>
        Assert.Equal((decimal)factor, Books.Us2020.Conductors.AdjustmentFactor(conductors));

    [Theory]
    [InlineData(10, 1.15)]
    [InlineData(30, 1.00)]
    [InlineData(30.5, 0.96)]
    [InlineData(45, 0.87)]
    [InlineData(46, 0.82)]
    [InlineData(50, 0.82)]
    [InlineData(65, 0.65)]
    [InlineData(85, 0.29)]
    public void Ambient_correction_of_the_90_degree_column(double degrees, double factor) =>
        Assert.Equal((decimal)factor, Books.Us2020.Conductors.AmbientFactor(new((decimal)degrees), Column.C90));

    [Fact]
    public void Sixty_degree_insulation_may_not_be_used_above_55()
    {
        Assert.Equal(0.41m, Books.Us2020.Conductors.AmbientFactor(new(55), Column.C60));
        Assert.Null(Books.Us2020.Conductors.AmbientFactor(new(56), Column.C60));
        Assert.Null(Books.Us2020.Conductors.AmbientFactor(new(86), Column.C90));
    }

    [Theory]
    [InlineData(Edition.Y2017, "Table 310.15(B)(16)")]
    [InlineData(Edition.Y2023, "Table 310.16")]
    public void The_table_is_cited_as_the_edition_numbers_it(Edition edition, string table) =>
        Assert.Equal(table, CodeBook.For(edition).Cite(RuleId.AmpacityTable).Text);
}
