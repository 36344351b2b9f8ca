using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>An inverter on the roof: its breaker feeds the bus from its far end, RuleId.SourceOnBus.</summary>
public sealed class SourceTests
{
    private static Box Inverter(int output) => Houses.Appliance("sun", "den", 1, 60,
        EquipmentLibrary.Typical(Appliance.SolarInverter) with { Load = new(output) }) with
    { Outside = true };

    private static Job House(params Box[] boxes) => Houses.Row(("den", RoomUse.Den, 20)).With([Houses.On("r", "den", 1, 20),
        Houses.Appliance("kiln", "den", 3, 60, Houses.Plate(Appliance.Other, 240, 9000) with { Individual = true }), .. boxes]);

    private static Tag? Bus(Job job) => Planner.Plan(job).Tags.SingleOrDefault(t => t.Rule.StartsWith("705.12", StringComparison.Ordinal));

    [Theory] // 7680 VA are 32 A for hours: 40 A on 8-2. 11,040 VA are 46 A, 57.5 at 125 %: 60 A, and 6 AWG (55 A) is too small for them
    [InlineData(7680, 40, "8-2")]
    [InlineData(11040, 60, "4-2")]
    public void Its_breaker_and_cable_carry_its_output_for_hours(int output, int breaker, string cable)
    {
        var circuit = Planner.Plan(House(Inverter(output))).CircuitOf(new("sun"))!;
        Assert.Equal((breaker, cable, 2), ((int)circuit.Breaker.Value, circuit.Cable, circuit.Circuit.Poles));
        // An outdoor outlet would be GFCI; what brings power is none.
        Assert.Equal(BreakerKind.Standard, circuit.BreakerKind);
    }

    [Fact]
    public void It_is_no_load()
    {
        Plan with = Planner.Plan(House(Inverter(7680))), without = Planner.Plan(House());
        Assert.Equal(without.Service.Standard.Total, with.Service.Standard.Total);
        Assert.Equal(without.Service.Optional!.Total, with.Service.Optional!.Total);
        Assert.Equal(without.Panels[0].On(Leg.A), with.Panels[0].On(Leg.A));
    }

    [Fact] // 42 spaces: 40 and 42 at the lower end, the right side first, though the kiln is larger
    public void It_lands_at_the_far_end_of_the_bus()
    {
        var plan = Planner.Plan(House(Inverter(7680)));
        Assert.Equal(40, plan.Landed(new("sun"))!.Space!.Value.Number);
        Assert.Contains(plan.Landed(new("sun"))!.Why.Steps, s => s.Cite.StartsWith("705.12", StringComparison.Ordinal));
    }

    [Fact] // it runs with the main: an interlock would hold it off whenever the house has power
    public void The_make_up_guide_interlocks_no_inverter()
    {
        var plan = Planner.Plan(House(Inverter(7680)));
        var lines = Takeoff.MakeUpGuide.Of(plan.Panels[0], plan.Job, plan.Book).Steps.SelectMany(s => s.Lines).ToList();
        Assert.Contains(lines, l => l.Where.Contains("back-fed, stays at the far end", StringComparison.Ordinal));
        Assert.DoesNotContain(lines, l => l.Where.Contains("interlocked", StringComparison.Ordinal));
    }

    [Theory] // 200 A main on its own bus: 240 A may be, so 40 A of source at 125 %: 32 A of output and no more. On 225 A: 270, 70, 56 A
    [InlineData(null, 7680, false)]
    [InlineData(null, 7700, true)]
    [InlineData(225, 13_440, false)]
    [InlineData(225, 13_460, true)]
    public void Main_and_source_are_at_most_120_percent_of_the_bus(int? bus, int output, bool red)
    {
        var job = House(Inverter(output));
        job = job with { Panels = [job.Panels[0] with { Listing = new() { Bus = bus is int of ? new Amps(of) : null } }] };
        Assert.Equal(red, Bus(job) is { Severity: Severity.Red });
    }

    [Fact] // 46 A of output, 57.5 at 125 %: 240 - 57.5 = 182.5, and 175 A is the standard main below that
    public void A_smaller_main_on_the_same_bus_is_offered()
    {
        var job = House(Inverter(11040));
        var after = Assert.Single(Bus(job)!.Fixes).Change.On(job).Job!;
        Assert.Equal((175m, 200m), (after.Panels[0].Rating.Value, after.Panels[0].Listing.Bus!.Value.Value));
        Assert.Null(Bus(after));
    }

    [Fact] // elsewhere than at the far end the bus carries both: 200 + 40 on 200
    public void Beside_the_main_it_has_no_more_than_the_bus()
    {
        var job = House(Inverter(7680));
        var key = Planner.Plan(job).CircuitOf(new("sun"))!.Circuit.Key;
        job = job with { Pins = job.Pins with { Spaces = [new(key, 1)] } };
        Assert.Contains("at the far end from the main, space 1", Bus(job)!.Arithmetic, StringComparison.Ordinal);
        Assert.Null(Bus(Bus(job)!.Fixes[0].Change.On(job).Job!));
    }
}
