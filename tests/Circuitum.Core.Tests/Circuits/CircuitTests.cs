using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

public sealed class CircuitTests
{
    private static Job Kitchen(params Box[] more) =>
        Houses.Row(("kitchen", RoomUse.Kitchen, 16), ("bath", RoomUse.Bath, 8), ("laundry", RoomUse.Laundry, 8),
            ("bed", RoomUse.Bedroom, 12), ("bed2", RoomUse.Bedroom, 12)).With(
        [Houses.On("c1", "kitchen", 1, 30) with { ServesCounter = true }, Houses.On("c2", "kitchen", 1, 80) with { ServesCounter = true },
            Houses.On("c3", "kitchen", 1, 130) with { ServesCounter = true },
        Houses.On("basin", "bath", 1, 30), Houses.On("washer", "laundry", 1, 30), Houses.On("r1", "bed", 1, 30),
            Houses.On("r2", "bed2", 1, 30),
        Houses.Ceiling("l1", "bed", 60, 60), Houses.Switch("s1", "bed", 3, 20, DeviceKind.Switch, "l1"), .. more]);

    private static CircuitKind KindOf(Plan plan, string box) => plan.CircuitOf(new(box))!.Circuit.Kind;

    [Fact]
    public void Required_circuits_come_first_and_carry_nothing_else()
    {
        var plan = Planner.Plan(Kitchen());
        Assert.Equal(2, plan.Circuits.Count(c => c.Circuit.Kind == CircuitKind.SmallAppliance));
        Assert.Equal((CircuitKind.SmallAppliance, CircuitKind.Bathroom, CircuitKind.Laundry, CircuitKind.Receptacles, CircuitKind.Lighting),
            (KindOf(plan, "c1"), KindOf(plan, "basin"), KindOf(plan, "washer"), KindOf(plan, "r1"), KindOf(plan, "s1")));
        Assert.DoesNotContain(plan.Tags, t => t.Stage == Stage.Circuits);
    }

    [Fact]
    public void The_counters_of_one_kitchen_lie_on_both_small_appliance_circuits()
    {
        var plan = Planner.Plan(Kitchen());
        Assert.Equal(2, new[] { "c1", "c2", "c3" }.Select(c => plan.CircuitOf(new(c))!.Circuit.Key).Distinct().Count());
    }

    [Theory]
    [InlineData(BedroomSharing.NeighboursShare, 1)]
    [InlineData(BedroomSharing.OneEach, 2)]
    public void Bedrooms_share_or_not_by_school(BedroomSharing school, int circuits)
    {
        var plan = Planner.Plan(Kitchen() with { Schools = new() { Bedrooms = school } });
        Assert.Equal(circuits, new[] { "r1", "r2" }.Select(r => plan.CircuitOf(new(r))!.Circuit.Key).Distinct().Count());
    }

    [Fact]
    public void Together_room_by_room_puts_the_lamp_with_its_rooms_receptacle()
    {
        var plan = Planner.Plan(Kitchen() with { Schools = new() { Lighting = LightsAndReceptacles.Together } });
        Assert.Equal(CircuitKind.General, KindOf(plan, "l1"));
        Assert.Same(plan.CircuitOf(new("l1")), plan.CircuitOf(new("r1")));
    }

    [Fact]
    public void Bedroom_receptacles_at_15_A_by_school()
    {
        var sized = Planner.Plan(Kitchen() with { Schools = new() { Lighting = LightsAndReceptacles.ApartBedrooms15 } })
            .CircuitOf(new("r1"))!.Sized;
        Assert.Equal((15m, "14-2"), (sized.Breaker.Value.Value, sized.Cable));
    }

    [Theory] // cap 10: eleven receptacles make two circuits
    [InlineData(10, 1)]
    [InlineData(11, 2)]
    public void The_crews_cap_cuts_a_circuit(int receptacles, int circuits)
    {
        var job = Houses.Row(("den", RoomUse.Den, 40))
            .With([.. Enumerable.Range(0, receptacles).Select(i => Houses.On($"r{i:00}", "den", 1, 20 + (i * 36)))]);
        Assert.Equal(circuits, Planner.Plan(job with { HouseRules = job.HouseRules with { LargestFill = new(100) } }).Circuits.Length);
    }

    [Fact]
    public void A_local_cap_is_cited_as_local()
    {
        var job = Houses.Row(("den", RoomUse.Den, 40))
            .With([.. Enumerable.Range(0, 9).Select(i => Houses.On($"r{i}", "den", 1, 20 + (i * 40)))]) with
        { Amendments = [new(AmendedRule.OutletsPerGeneralCircuit, 8, "county 4.2")] };
        var plan = Planner.Plan(job);
        Assert.Equal(2, plan.Circuits.Length);
        Assert.Contains(plan.Circuits[0].Circuit.Why.Steps, s => s.Cite == "county 4.2" && s.From == Source.Local
            && s.Value == "local; not in the model code");
    }

    [Fact]
    public void Dishwasher_and_disposer_share_where_the_sum_fits_and_part_where_it_does_not()
    {
        Box Plug(string id, Appliance appliance, int load, int at) =>
            Houses.Appliance(id, "kitchen", 3, at, Houses.Plate(appliance, 120, load) with { Cord = true }, DeviceKind.Single);
        var fits = Planner.Plan(Kitchen(Plug("dw", Appliance.Dishwasher, 1152, 30), Plug("disp", Appliance.Disposer, 864, 60)));
        Assert.Same(fits.CircuitOf(new("dw")), fits.CircuitOf(new("disp")));
        var over = Planner.Plan(Kitchen(Plug("dw", Appliance.Dishwasher, 1440, 30),
            Plug("disp", Appliance.Disposer, 972, 60))); // 12.0 + 8.1 A
        Assert.NotSame(over.CircuitOf(new("dw")), over.CircuitOf(new("disp")));
        var school = Planner.Plan(fits.Job with { Schools = new() { Dishwasher = DishwasherAndDisposer.OneEach } });
        Assert.NotSame(school.CircuitOf(new("dw")), school.CircuitOf(new("disp")));
    }

    [Fact]
    public void A_pin_that_breaks_a_rule_is_kept_tagged_and_freed_by_its_fix()
    {
        var job = Kitchen() with { Pins = new() { Boxes = [new(new("basin"), new("laundry"))] } };
        var plan = Planner.Plan(job);
        Assert.Same(plan.CircuitOf(new("washer")), plan.CircuitOf(new("basin")));
        Assert.Equal(["210.11(C)(2)", "210.11(C)(3)"], plan.Tags.Where(t => t.Severity == Severity.Red && t.Stage == Stage.Circuits)
            .Select(t => t.Rule));
        var freed = Planner.Plan(plan.Tags.First(t => t.Rule == "210.11(C)(3)").Fixes[0].Change.On(job).Job!);
        Assert.DoesNotContain(freed.Tags, t => t.Stage == Stage.Circuits);
    }

    [Theory]
    [InlineData("laundry", 30, "210.21(B)(3)")]
    [InlineData("laundry", 15, "210.11(C)")]
    [InlineData("laundry", 20, null)]
    [InlineData("bed-lights", 25, "210.23(A)")]
    [InlineData("bed-lights", 20, null)]
    public void A_pinned_rating_that_the_outlets_may_not_have_is_tagged(string circuit, int rating, string? section)
    {
        var job = Kitchen() with { Pins = new() { Breakers = [new(new(circuit), rating.Amps())] } };
        var plan = Planner.Plan(job);
        Assert.Equal(rating, plan.Landed(new(circuit))!.Breaker.Value);
        Assert.Equal(section, plan.Tags.FirstOrDefault(t => t.Severity == Severity.Red && t.Stage == Stage.Circuits)?.Rule);
    }

    [Fact]
    public void A_pin_on_a_circuit_that_is_gone_is_shown_amber_and_can_be_freed()
    {
        var job = Kitchen() with { Pins = new() { Breakers = [new(new("no-such-circuit"), 20.Amps())] } };
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Rule == "pin");
        Assert.Equal(Severity.Amber, tag.Severity);
        Assert.DoesNotContain(Planner.Plan(tag.Fixes[0].Change.On(job).Job!).Tags, t => t.Rule == "pin");
    }

    [Fact]
    public void When_the_lighting_breaker_opens_the_bedroom_is_dark_and_keeps_its_receptacle()
    {
        var plan = Planner.Plan(Kitchen());
        var dark = Assert.Single(Darkness.When(plan.CircuitOf(new("l1"))!, plan.Survey));
        Assert.Equal(("bed", new Lost(1, 1), new Lost(0, 1), true), (dark.Room.Room.Id.Value, dark.Lights, dark.Receptacles, dark.IsDark));
    }

    [Fact]
    public void The_trace_leads_from_the_panel_through_every_box_before_to_the_end()
    {
        var job = Houses.Row(("den", RoomUse.Den, 30))
            .With(Houses.On("a", "den", 1, 40), Houses.On("b", "den", 1, 120), Houses.On("c", "den", 1, 200));
        var plan = Planner.Plan(job);
        var stations = Trace.To(plan.CircuitOf(new("b"))!, new("b"), "Panel A");
        Assert.Equal(["Panel A", "den receptacle 1", "den receptacle 2", "den receptacle 3"], stations.Select(s => s.Name));
        // 180 VA each at 120 V: 4.5 A leave the panel, 3 A go on, 1.5 A reach the end.
        Assert.Equal([0m, 4.5m, 3m, 1.5m], stations.Select(s => s.Through.Value));
        Assert.True(stations[3].End && !stations[2].End);
        Assert.True(stations[1].Left.Value > stations[2].Left.Value && stations[2].Left.Value > stations[3].Left.Value);
        Assert.Equal(["b", "c"], plan.CircuitOf(new("a"))!.DarkBeyond(new("b")).Select(b => b.Value));
    }

    [Fact]
    public void A_hold_is_shown_until_its_fact_has_come()
    {
        var job = Kitchen() with { Holds = [new(new("h1"), "box:basin", "the mirror's height", "the owner", "before board")] };
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Severity == Severity.Hold);
        Assert.Equal((Stage.Boxes, Subject.Box(new("basin"))), (tag.Stage, tag.Subject));
        Assert.DoesNotContain(Planner.Plan(tag.Fixes[0].Change.On(job).Job!).Tags, t => t.Severity == Severity.Hold);
    }

    [Fact]
    public void Half_a_set_of_three_ways_is_tagged()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20))
            .With(Houses.Ceiling("l", "den", 120, 60), Houses.Switch("one", "den", 4, 30, DeviceKind.ThreeWay, "l"),
                Houses.Switch("two", "den", 2, 30, DeviceKind.Switch, "l"));
        Assert.Contains(Planner.Plan(job).Tags, t => t.Rule == "switching"
            && t.Arithmetic.StartsWith("2 places need 2 three-way", StringComparison.Ordinal));
    }

    [Fact]
    public void A_box_in_a_doorway_is_tagged()
    {
        var room = Houses.Rectangle("den", RoomUse.Den, Length.Zero, Length.Zero, 20.Feet(), 12.Feet()) with
        { Openings = [new() { Id = new("d"), Kind = OpeningKind.Door, Wall = 1, Offset = 70.Inches(), Width = 32.Inches() }] };
        Plan At(int inches) => Planner.Plan(Houses.House([room]).With(Houses.On("b", "den", 1, inches)));
        Assert.Contains(At(80).Tags, t => t.Rule == "framing");
        Assert.Contains(At(69).Tags, t => t.Rule == "framing"); // half a box, 1-1/4 in, reaches past the jamb
        Assert.DoesNotContain(At(68).Tags, t => t.Rule == "framing");
    }

    [Theory] // by its instructions alone on its circuit, whatever the book asks of the room that it stands in
    [InlineData(Edition.Y2020)]
    [InlineData(Edition.Canada2021)]
    public void A_central_vacuum_has_a_circuit_of_its_own(Edition edition)
    {
        var vacuum = EquipmentLibrary.All.Single(p => p.Name == "Central vacuum");
        var job = Houses.Row(("hall", RoomUse.Hall, 20)).With(Houses.On("a", "hall", 1, 40), Houses.On("b", "hall", 1, 150),
            Houses.Appliance("v", "hall", 1, 100, vacuum, DeviceKind.Single)) with
        { Edition = edition };
        var own = Planner.Plan(job).Circuits.Single(c => c.Circuit.Boxes.Contains(new BoxId("v")));
        Assert.Equal((CircuitKind.Individual, 1), (own.Circuit.Kind, own.Circuit.Boxes.Length));
    }
}
