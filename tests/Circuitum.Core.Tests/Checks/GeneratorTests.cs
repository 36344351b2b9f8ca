using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>A generator's inlet: it brings power and is never on with the main.</summary>
public sealed class GeneratorTests
{
    private static readonly Nameplate Plate = EquipmentLibrary.All.First(p => p.Appliance == Appliance.GeneratorInlet);

    private static Box Inlet(int amps = 30, bool outside = true) =>
        Houses.Appliance("inlet", "den", 1, 60, Plate with { Load = new(amps * 240) }) with { Outside = outside };

    private static Job House(GeneratorWay way, params Box[] boxes) => Houses.Row(("den", RoomUse.Den, 20))
        .With([Houses.On("r", "den", 1, 20),
            Houses.Appliance("kiln", "den", 3, 60, Houses.Plate(Appliance.Other, 240, 9000) with { Individual = true }), .. boxes]) with
    { Service = new() { Generator = way } };

    private static Job Did(Job job, JobChange change) => change.On(job).Job!;

    private static IEnumerable<Tag> Told(Job job) =>
        Planner.Plan(job).Tags.Where(t => t.Rule.StartsWith("702", StringComparison.Ordinal)
            || t.Rule.StartsWith("manufacturer", StringComparison.Ordinal));

    [Theory] // 30 A on 10-3, 50 A on 6-3: both legs and a neutral
    [InlineData(30, "10-3")]
    [InlineData(50, "6-3")]
    public void Its_breaker_is_as_large_as_the_inlet(int amps, string cable)
    {
        var plan = Planner.Plan(House(GeneratorWay.Interlock, Inlet(amps)));
        var circuit = plan.CircuitOf(new("inlet"))!;
        Assert.Equal((CircuitKind.Individual, (decimal)amps, cable, 2),
            (circuit.Circuit.Kind, circuit.Breaker.Value, circuit.Cable, circuit.Circuit.Poles));
        // An outdoor outlet would be GFCI (210.8(F)); an inlet is none.
        Assert.Equal(BreakerKind.Standard, circuit.BreakerKind);
    }

    [Fact] // it takes nothing: the service, the legs and the demand are those of the house without it
    public void It_is_no_load()
    {
        Plan with = Planner.Plan(House(GeneratorWay.Interlock, Inlet())), without = Planner.Plan(House(GeneratorWay.Interlock));
        Assert.Equal(without.Service.Standard.Total, with.Service.Standard.Total);
        Assert.Equal(without.Service.Optional!.Total, with.Service.Optional!.Total);
        Assert.Equal(without.Panels[0].On(Leg.A), with.Panels[0].On(Leg.A));
    }

    [Fact] // beside the main, at the top right, before the larger kiln
    public void An_interlock_reaches_it()
    {
        var plan = Planner.Plan(House(GeneratorWay.Interlock, Inlet()));
        Assert.Equal(2, plan.Landed(new("inlet"))!.Space!.Value.Number);
        Assert.Empty(Told(plan.Job));
        Assert.Contains(Takeoff.MakeUpGuide.Of(plan.Panels[0], plan.Job, plan.Book).Steps.SelectMany(s => s.Lines),
            l => l.Where.Contains("back-fed, held down by a listed kit (408.36(D))", StringComparison.Ordinal));
        var taken = plan.Job with { Panels = [plan.Job.Panels[0] with { Taken = [new(4, 1, 15.Amps(), "Old", new(0))] }] };
        Assert.Equal(1, Planner.Plan(taken).Landed(new("inlet"))!.Space!.Value.Number);
        // Written elsewhere it stays, and is told.
        var written = plan.Job with { Written = [new(new("inlet"), new("A"), 9)] };
        Assert.Contains(Told(written), t => t is { Severity: Severity.Amber, Rule: "702.5, 110.3(B)" });
    }

    [Fact]
    public void Without_transfer_equipment_it_is_red_and_a_button_mends_it()
    {
        var job = House(GeneratorWay.None, Inlet());
        var tag = Assert.Single(Told(job), t => t.Rule == "702.5");
        Assert.Equal(Severity.Red, tag.Severity);
        Assert.Empty(Told(Did(job, tag.Fixes[0].Change)));
    }

    [Fact]
    public void One_that_is_meant_but_not_drawn_is_told() =>
        Assert.Equal(Severity.Amber, Assert.Single(Told(House(GeneratorWay.Interlock))).Severity);

    [Fact]
    public void Indoors_is_red() =>
        Assert.Contains(Told(House(GeneratorWay.Interlock, Inlet(30, false))),
            t => t is { Severity: Severity.Red, Rule: "manufacturer, R315" });

    [Fact] // the inlet stands near A; behind the transfer switch is B, wherever it hangs
    public void A_transfer_panel_takes_it()
    {
        var job = House(GeneratorWay.TransferPanel, Inlet());
        job = job with
        {
            Panels = [job.Panels[0],
            Houses.Panel("den", 12) with { Id = new("B"), Wall = 3, Offset = 200.Inches(), Rating = 100.Amps(), FedFrom = new("A") }]
        };
        var tag = Assert.Single(Told(job), t => t.Headline.StartsWith("Nobody has said", StringComparison.Ordinal));
        Assert.Equal("A", Planner.Plan(job).CircuitOf(new("inlet"))!.Circuit.Panel.Value);
        var said = Did(job, tag.Fixes.First(f => f.Label == "Panel B is").Change);
        Assert.Empty(Told(said));
        Assert.Equal(("B", 2),
            (Planner.Plan(said).CircuitOf(new("inlet"))!.Circuit.Panel.Value,
                Planner.Plan(said).Landed(new("inlet"))!.Space!.Value.Number));
        // Held on A it is told; the button takes it to B.
        var held = said with { Pins = new() { Panels = [new(new("inlet"), new("A"))] } };
        var red = Assert.Single(Told(held), t => t.Severity == Severity.Red);
        Assert.Empty(Told(Did(held, red.Fixes[0].Change)));
        // A transfer panel that is taken away is forgotten.
        Assert.Null(Did(said with { Boxes = said.Boxes.RemoveAll(b => b.Id.Value == "inlet") },
            new DeletePanel(new("B"))).Service.TransferPanel);
    }
}
