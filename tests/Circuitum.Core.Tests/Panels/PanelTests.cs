using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

public sealed class PanelTests
{
    [Theory]
    [InlineData(1, 1, Leg.A)]
    [InlineData(2, 1, Leg.A)]
    [InlineData(3, 2, Leg.B)]
    [InlineData(4, 2, Leg.B)]
    [InlineData(5, 3, Leg.A)]
    [InlineData(42, 21, Leg.A)]
    public void Rows_go_down_by_two_and_alternate_legs(int space, int row, Leg leg) =>
        Assert.Equal((row, leg), (SpaceNumbers.RowOf(space), SpaceNumbers.LegOf(space)));

    [Fact] // two-poles 50, 30, 30 and twelve one-poles: 6 + 12
    public void Three_two_poles_and_twelve_one_poles_take_18_spaces() =>
        Assert.Equal(18, Landing.SpacesNeeded([2, 2, 2, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1]));

    [Fact] // try them all
    public void Up_to_eight_one_poles_are_split_with_the_least_difference_that_any_placing_reaches()
    {
        Gen.Select(Gen.Int[0, 2400].List[0, 8], Gen.Int[0, 8], Gen.Int[-3000, 3000]).Sample((loads, placesA, lead) =>
        {
            var placesB = Math.Max(0, loads.Count - placesA) + 1;
            var least = Enumerable.Range(0, 1 << loads.Count)
                .Select(set => (Set: set, OnA: loads.Where((_, i) => (set & (1 << i)) != 0).Count()))
                .Where(x => x.OnA <= placesA && loads.Count - x.OnA <= placesB)
                .Min(x => Math.Abs(lead + loads.Select((l, i) => (x.Set & (1 << i)) != 0 ? l : -l).Sum()));
            var chosen = LegBalance.OnLegA(loads, placesA, placesB, lead);
            Assert.True(chosen.Count(a => a) <= placesA && chosen.Count(a => !a) <= placesB);
            Assert.Equal(least, Math.Abs(lead + loads.Select((l, i) => chosen[i] ? l : -l).Sum()));
        });
    }

    [Fact]
    public void More_loads_than_places_is_refused() => Assert.Throws<ArgumentException>(() => LegBalance.OnLegA([1, 2, 3], 1, 1, 0));

    private static Job Shop(int spaces, params (string Id, int Volts, int Load)[] machines) =>
        (Houses.Row(("shop", RoomUse.Utility, 30)) with { Panels = [Houses.Panel("shop", spaces)] })
        .With([.. machines.Select((m, i) =>
            Houses.Appliance(m.Id, "shop", 1, 20 + (i * 20),
                Houses.Plate(Appliance.Other, m.Volts, m.Load) with { Individual = true, Name = m.Id }))]);

    // All three come along the north wall, to the right of who stands before the west wall: 2/4, then the other side of the row, then 6/8
    [Fact]
    public void The_largest_two_pole_stands_at_the_top_where_its_cable_comes_in_and_takes_n_and_n_plus_2()
    {
        var plan = Planner.Plan(Shop(12, ("saw", 240, 4000), ("kiln", 240, 9000), ("lathe", 240, 6000)));
        Assert.Equal(("2/4", "1/3", "6/8"),
            (plan.Landed(new("kiln"))!.SpaceText, plan.Landed(new("lathe"))!.SpaceText, plan.Landed(new("saw"))!.SpaceText));
        Assert.Contains(plan.Landed(new("kiln"))!.Why.Steps, s => s.Text == "on the side where its cable comes in" && s.Value == "right");
    }

    [Fact]
    public void A_full_panel_is_tagged_with_what_has_no_space()
    {
        var plan = Planner.Plan(Shop(4, ("saw", 240, 4000), ("kiln", 240, 9000), ("lathe", 240, 6000)));
        Assert.Null(plan.Landed(new("saw"))!.Space);
        Assert.Contains(plan.Tags, t => t.Rule == "408.54" && t.Arithmetic == "6 poles, 4 spaces. Use a larger panel.");
    }

    [Fact]
    public void A_pin_is_kept_and_the_others_make_room()
    {
        var job = Shop(12, ("saw", 240, 4000), ("kiln", 240, 9000));
        var plan = Planner.Plan(job with { Pins = new() { Spaces = [new(new("saw"), 1)] } });
        Assert.Equal(("1/3", "2/4"), (plan.Landed(new("saw"))!.SpaceText, plan.Landed(new("kiln"))!.SpaceText));
        Assert.DoesNotContain(plan.Tags, t => t.Rule == "408.54");
    }

    [Fact]
    public void Two_pins_in_one_space_are_both_kept_and_tagged_and_the_fix_clears_it()
    {
        var job = Shop(12, ("saw", 120, 1500), ("kiln", 120, 1600)) with
        { Pins = new() { Spaces = [new(new("saw"), 5), new(new("kiln"), 5)] } };
        var plan = Planner.Plan(job);
        Assert.Equal((5, 5), (plan.Landed(new("saw"))!.Space, plan.Landed(new("kiln"))!.Space));
        var tag = Assert.Single(plan.Tags, t => t.Rule == "408.54");
        Assert.DoesNotContain(Planner.Plan(tag.Fixes[0].Change.On(job).Job!).Tags, t => t.Rule == "408.54");
    }

    [Theory]
    [InlineData(RoomUse.Bath, "240.24(E)")]
    [InlineData(RoomUse.Closet, "240.24(D)")]
    [InlineData(RoomUse.Utility, null)]
    public void A_panel_may_not_stand_in_a_bath_or_a_clothes_closet(RoomUse use, string? section) =>
        Assert.Equal(section,
            Planner.Plan(Houses.Row(("here", use, 12))).Tags.FirstOrDefault(t =>
                t.Rule.StartsWith("240.24", StringComparison.Ordinal))?.Rule);

    [Fact]
    public void A_description_says_rooms_and_devices_and_no_two_are_the_same()
    {
        var job = Houses.Row(("bed", RoomUse.Bedroom, 12), ("den", RoomUse.Den, 12))
            .With(Houses.On("r1", "bed", 1, 30), Houses.On("r2", "den", 1, 30), Houses.Ceiling("l1", "bed", 40, 40),
                Houses.Switch("s1", "bed", 3, 20, DeviceKind.Switch, "l1"));
        var descriptions = Planner.Plan(job).Panels[0].Circuits.Select(c => c.Description).ToList();
        Assert.Contains("bed, den receptacles", descriptions);
        Assert.Contains("Lights: bed", descriptions);
        Assert.Equal(descriptions.Count, descriptions.Distinct().Count());
    }
}
