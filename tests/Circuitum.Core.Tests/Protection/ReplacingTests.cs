using Circuitum.Core.Jobs;
using Circuitum.Core.Protection;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>What a new receptacle must be where one stands, 406.4(D).</summary>
public sealed class ReplacingTests
{
    private static StandingReceptacle In(RoomUse room, bool grounded = true, int rating = 15, bool counter = false, bool outdoors = false,
        string gauge = "14", Metal metal = Metal.Copper, int height = 16, int free = 6) =>
        new(new(room, outdoors, true, false, false, counter, false, false, 120.Volts(), rating.Amps(), null), grounded, height.Inches(),
            Gauge.Parse(gauge), metal, free.Inches());

    private static ReplacementNeed Need(StandingReceptacle stands, string what, Edition edition = Edition.Y2020) =>
        Replacing.Of(stands, CodeBook.For(edition)).Needs.Single(n => n.What == what);

    [Fact]
    public void On_a_ground_it_is_of_three_slots()
    {
        var need = Need(In(RoomUse.Bedroom), "Ground");
        Assert.Equal("406.4(D)(1)", need.Cite!.Text);
        Assert.Empty(need.Ways);
    }

    [Fact] // 406.4(D)(2)(a) to (c), and 250.130(C)
    public void Without_one_there_are_four_ways()
    {
        var need = Need(In(RoomUse.Bedroom, grounded: false), "Ground");
        Assert.Equal("406.4(D)(2)", need.Cite!.Text);
        Assert.Collection(need.Ways, w => Assert.Equal("a two-slot receptacle again", w), w => Assert.Contains("“No Equipment Ground”", w),
            w => Assert.Contains("“GFCI Protected” and “No Equipment Ground”", w), w => Assert.Contains("250.130(C)", w));
    }

    [Fact] // a bath's is GFCI whatever it is grounded by
    public void A_two_slot_one_in_a_bath_stands_behind_a_gfci() => Assert.Equal(
        "a two-slot receptacle again, protected by a GFCI before it", Need(In(RoomUse.Bath, grounded: false), "Ground").Ways[0]);

    [Fact] // 210.12(A) names bedrooms, not baths; 210.8(A)(1) baths, not bedrooms
    public void Todays_protection_comes_with_it()
    {
        Assert.Contains("406.4(D)(4)", Need(In(RoomUse.Bedroom), "AFCI").Cite!.Text, StringComparison.Ordinal);
        Assert.Null(Need(In(RoomUse.Bedroom), "GFCI").Cite);
        Assert.Contains("406.4(D)(3)", Need(In(RoomUse.Bath), "GFCI").Cite!.Text, StringComparison.Ordinal);
        Assert.Null(Need(In(RoomUse.Bath), "AFCI").Cite);
        var both = Need(In(RoomUse.Kitchen, counter: true), "AFCI");
        Assert.Equal("a receptacle that is AFCI and GFCI in one", both.Ways[0]);
    }

    [Theory] // 210.8(A)(2): garages in every edition; 210.8(A)(5): all of a basement from 2020
    [InlineData(Edition.Y2017, false)]
    [InlineData(Edition.Y2020, true)]
    public void By_the_edition_of_the_day(Edition edition, bool asked)
    {
        var stands = In(RoomUse.Bedroom);
        stands = stands with { Outlet = stands.Outlet with { Basement = true } };
        Assert.Equal(asked, Need(stands, "GFCI", edition).Cite is not null);
    }

    [Theory] // 406.12 exception 1: more than 5-1/2 ft
    [InlineData(66, "yes")]
    [InlineData(67, "not asked: more than 5'-6\" up")]
    public void Tamper_resistant_to_five_and_a_half_feet(int height, string answer) =>
        Assert.Equal(answer, Need(In(RoomUse.Den, height: height), "Tamper-resistant").Answer);

    [Fact] // 406.12 lets two-slot replacements be
    public void A_two_slot_one_need_not_be_tamper_resistant() =>
        Assert.Equal("yes; a two-slot one need not be", Need(In(RoomUse.Den, grounded: false), "Tamper-resistant").Answer);

    [Fact]
    public void Outdoors_it_is_weather_resistant() =>
        Assert.Contains("406.4(D)(6)", Need(In(RoomUse.Den, outdoors: true), "Weather-resistant").Cite!.Text, StringComparison.Ordinal);

    [Theory] // 240.4(D): copper 14 15 A, 12 20 A; aluminum 12 15 A, 10 25 A, and none of 14; 300.14: 6 in
    [InlineData("14", Metal.Copper, 15, 6, "")]
    [InlineData("14", Metal.Copper, 20, 6, "240.4(D)")]
    [InlineData("12", Metal.Copper, 20, 5, "300.14")]
    [InlineData("12", Metal.Aluminium, 15, 6, "406.3(C)")]
    [InlineData("12", Metal.Aluminium, 20, 6, "240.4(D) 406.3(C)")]
    [InlineData("10", Metal.Aluminium, 20, 5, "406.3(C) 300.14")]
    [InlineData("14", Metal.Aluminium, 15, 6, "240.4(D) 406.3(C)")]
    public void What_stands_there_is_mended_first(string gauge, Metal metal, int breaker, int free, string sections)
    {
        var cautions = Replacing.Of(In(RoomUse.Den, rating: breaker, gauge: gauge, metal: metal, free: free), CodeBook.For(Edition.Y2020))
            .Cautions;
        var asked = sections.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        Assert.Equal(asked.Length, cautions.Length);
        Assert.All(asked.Zip(cautions), pair => Assert.Contains(pair.First, pair.Second, StringComparison.Ordinal));
    }

    [Fact]
    public void A_book_whose_rules_are_not_known_is_not_guessed() =>
        Assert.Throws<ArgumentException>(() => Replacing.Of(In(RoomUse.Den), CodeBook.For(Edition.Canada2021)));
}
