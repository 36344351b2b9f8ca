using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rulings;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>A ruling sheet answers one question with the loads, the sum, what governs, what is quoted wrongly, and what is local.</summary>
public sealed class RulingTests
{
    private static Box Machine(string id, Appliance appliance, decimal amps) =>
        Houses.Appliance(id, "kitchen", 1, id[0] * 1, Houses.Plate(appliance, 120, amps * 120) with { Cord = true }, DeviceKind.Single);

    private static Plan Kitchen(decimal dishwasher, Schools? schools = null) =>
        Planner.Plan(Houses.Row(("kitchen", RoomUse.Kitchen, 18)).With(
        Machine("d", Appliance.Dishwasher, dishwasher), Machine("z", Appliance.Disposer, 7.2m), Houses.Ceiling("l", "kitchen", 60, 60),
            Houses.Switch("s", "kitchen", 3, 20, DeviceKind.Switch, "l")) with
        { Schools = schools ?? new() });

    private static Ruling On(Plan plan, string box, RulingTopic topic) =>
        CircuitRulings.On(plan, plan.Landed(plan.CircuitOf(new(box))!.Circuit.Key)!, topic);

    [Fact] // case 18: 9.6 + 7.2 × 1.25 = 18.6 ≤ 20, and the half does not bind
    public void Fixed_loads_alone_are_not_bound_by_half()
    {
        var ruling = On(Kitchen(9.6m), "d", RulingTopic.HalfRating);
        Assert.StartsWith("No. Nothing but equipment fastened in place", ruling.Answer, StringComparison.Ordinal);
        Assert.Contains("18.6 A fits 20 A", ruling.Answer, StringComparison.Ordinal);
        Assert.Equal(["1,152 VA, 9.6 A", "864 VA, 7.2 A"], ruling.Lines.Select(l => l.Value));
        Assert.Equal("210.20(A), 210.23", ruling.Governs.Section);
        Assert.Equal("210.23(A)", ruling.Quoted!.Section);
        Assert.Contains(ruling.Sum.Steps, s => s is { Text: "fastened in place, together", Value: "16.8 A" });
    }

    // Held together by a person: 16.8 > 10.
    private static Plan Mixed(decimal dishwasher, bool disposer) =>
        Planner.Plan(Kitchen(dishwasher).Job with
        {
            Pins = new()
            {
                Boxes = [new(new("d"), new("mine")), new(new("l"), new("mine")),
                .. disposer ? new[] { new BoxPin(new("z"), new("mine")) } : []]
            }
        });

    [Theory] // 9.6 ≤ 10 of 20 A; with the disposer 16.8 > 10
    [InlineData(false, "Yes.", "9.6 A ≤ 10 A")]
    [InlineData(true, "No.", "16.8 A > 10 A")]
    public void Beside_lights_the_half_binds(bool disposer, string answer, string sum)
    {
        var plan = Mixed(9.6m, disposer);
        var rating = plan.CircuitOf(new("d"))!.Breaker;
        Assert.Equal(20m, rating.Value);
        var ruling = On(plan, "d", RulingTopic.HalfRating);
        Assert.StartsWith(answer, ruling.Answer, StringComparison.Ordinal);
        Assert.Contains(ruling.Sum.Steps, s => s.Value == sum && s.Cite == "210.23(A)");
    }

    [Fact] // 4500 VA / 240 V = 18.75 A × 1.25 = 23.44 A ≤ 30 A, 422.13
    public void A_water_heater_is_continuous_by_its_own_section()
    {
        var plan = Planner.Plan(Houses.Row(("utility", RoomUse.Utility, 12))
            .With(Houses.Appliance("wh", "utility", 1, 40, Houses.Plate(Appliance.WaterHeater, 240, 4500))));
        var ruling = On(plan, "wh", RulingTopic.ContinuousLoads);
        Assert.Contains(ruling.Sum.Steps, s => s is { Value: "23.44 A", Cite: "422.13" });
        Assert.Contains(ruling.Sum.Steps, s => s.Value == "23.44 A ≤ 30 A");
        Assert.Equal("210.19(A), 210.20(A)", ruling.Governs.Section);
    }

    private static Plan Bedrooms(params Amendment[] amendments) =>
        Planner.Plan(Houses.Row(("bed", RoomUse.Bedroom, 16))
            .With(Houses.On("a", "bed", 1, 30), Houses.On("b", "bed", 1, 90), Houses.On("c", "bed", 1, 150)) with
        { Amendments = [.. amendments] });

    [Fact]
    public void A_cap_is_said_to_be_local_and_not_in_the_model_code()
    {
        var none = On(Bedrooms(), "a", RulingTopic.OutletCap);
        Assert.Contains("not in the model code; local", none.Answer, StringComparison.Ordinal);
        Assert.Equal("220.14(I)", none.Quoted!.Section);
        var local = On(Bedrooms(new Amendment(AmendedRule.OutletsPerGeneralCircuit, 8, "county 4.2")), "a", RulingTopic.OutletCap);
        Assert.StartsWith("At most 8: a local number, by county 4.2.", local.Answer, StringComparison.Ordinal);
        Assert.Contains("not in the model code", local.Local, StringComparison.Ordinal);
    }

    [Fact] // 210.11(C)(3) and its exception
    public void Baths_may_share_receptacles_and_one_alone_may_have_its_light()
    {
        Job Baths(BathReceptacles school) => Houses.Row(("one", RoomUse.Bath, 8), ("two", RoomUse.Bath, 8))
            .With(Houses.On("r1", "one", 1, 30), Houses.On("r2", "two", 1, 30), Houses.Ceiling("l1", "one", 30, 60),
                Houses.Switch("s1", "one", 3, 20, DeviceKind.Switch, "l1")) with
        { Schools = new() { Baths = school } };
        Assert.StartsWith("Yes. It feeds the receptacles of 2 bathrooms",
            On(Planner.Plan(Baths(BathReceptacles.MayShare)), "r1", RulingTopic.SharedBaths).Answer, StringComparison.Ordinal);
        var whole = Planner.Plan(Baths(BathReceptacles.Whole));
        Assert.Same(whole.CircuitOf(new("r1")), whole.CircuitOf(new("l1")));
        Assert.StartsWith("Yes. It serves one bathroom only", On(whole, "r1", RulingTopic.SharedBaths).Answer, StringComparison.Ordinal);
        var broken = Planner.Plan(Baths(BathReceptacles.MayShare) with { Pins = new() { Boxes = [new(new("l1"), new("baths"))] } });
        Assert.StartsWith("No.", On(broken, "r1", RulingTopic.SharedBaths).Answer, StringComparison.Ordinal);
    }

    [Fact]
    public void Protection_lists_each_outlet_with_its_section_and_where_it_resets()
    {
        var plan = Planner.Plan(Houses.Row(("garage", RoomUse.Garage, 16))
            .With(Houses.On("a", "garage", 1, 30), Houses.On("b", "garage", 1, 90)) with
        { Schools = new() { Gfci = GfciWay.FirstReceptacle } });
        var ruling = On(plan, "a", RulingTopic.Protection);
        Assert.All(ruling.Lines, l => Assert.Equal("GFCI", l.Value));
        Assert.Contains(ruling.Lines, l => l.Note.EndsWith("its own device", StringComparison.Ordinal));
        Assert.Contains(ruling.Lines, l => l.Note.Contains("reset at garage receptacle", StringComparison.Ordinal));
        Assert.Equal("210.8(A)(2)", ruling.Governs.Section);
    }

    [Fact]
    public void Every_circuit_and_every_tag_of_drawn_houses_has_a_ruling_that_says_something() =>
        CsCheck.Check.Sample(RandomHouses.Jobs, job =>
    {
        var plan = Planner.Plan(job);
        var rulings = plan.Panels.SelectMany(p => p.Circuits)
            .SelectMany(c => CircuitRulings.Topics(c).Select(t => CircuitRulings.On(plan, c, t)))
            .Concat(plan.Tags.Select(t => TagRulings.On(plan, t))).ToList();
        Assert.All(rulings, r =>
            Assert.True(r.About.Length > 0 && r.Question.Length > 0 && r.Answer.Length > 0 && r.Governs.Section.Length > 0
                && r.Local.Length > 0 && !r.Sum.Steps.IsEmpty, r.ToString()));
    }, iter: 25);

    [Fact] // the sum of the tag, and the fuller ruling behind it
    public void A_tag_on_half_the_rating_leads_to_that_ruling()
    {
        var plan = Mixed(9.6m, disposer: true);
        var tag = Assert.Single(plan.Tags, t => t.Rule == "210.23(A)");
        var ruling = TagRulings.On(plan, tag);
        Assert.StartsWith(tag.Headline, ruling.Answer, StringComparison.Ordinal);
        Assert.Equal(("210.23(A)", "210.23(A)"), (ruling.Governs.Section, ruling.Quoted!.Section));
    }
}
