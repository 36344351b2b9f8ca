using Circuitum.Core.Circuits;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Problems;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>A house with a shed 50 ft east of it, fed through a trench.</summary>
public sealed class FeederTests
{
    private static Job Shed(Func<Panel, Panel>? panel = null, params Box[] more) =>
        Houses.WithShed(panel?.Invoke(Houses.ShedPanel) ?? Houses.ShedPanel)
        .With([Houses.On("r", "shop", 1, 40), Houses.Appliance("heater", "shop", 1, 80, Houses.Plate(Appliance.SpaceHeater, 240, 3600)),
            .. more]);

    [Fact] // 225.39(D): 60 A at least; 6 copper carries 55 A at 60 °C, the next size up is 60; 3 × 6 and a 10 in 3/4 in
    public void The_shed_is_fed_at_60_A_by_three_6_and_a_10_in_three_quarter_inch_pipe()
    {
        var feeder = Planner.Plan(Shed()).Landed(new("feeder-G"))!.Sized;
        Assert.Equal((60m, "3 × 6 + 10 G", "3/4 in PVC"), (feeder.Breaker.Value.Value, feeder.Cable, feeder.Pipe!.Size.Value));
        Assert.Contains(feeder.Breaker.Why.Steps, s => s.Cite == "225.39(D)");
    }

    [Fact] // 4 aluminium carries 55 A at 60 °C, its ground is 8 (Table 250.122): .0824 × 3 + .0366 = .2838 in² of 1 in, .3328 at 40 %
    public void Or_by_three_4_aluminium_in_one_inch()
    {
        var job = Shed() with { Schools = new() { FeederMetal = FeederMetal.Aluminium } };
        var plan = Planner.Plan(job);
        var feeder = plan.Landed(new("feeder-G"))!.Sized;
        Assert.Equal((60m, "3 × 4 Al + 8 G", "1 in PVC"), (feeder.Breaker.Value.Value, feeder.Cable, feeder.Pipe!.Size.Value));
        Assert.Contains(Takeoff.Hardware.Of(plan), m => m.Item == "4 THWN-2 aluminum");
        // 2 × 20.25 A × .508 Ω/1000 ft: 4500 VA on both legs and 180 VA on one.
        var feet = feeder.Routed.HomeRun!.Length.Value.Feet;
        Assert.Equal(decimal.Round(2 * 20.25m * .508m * feet / 1000 / 240 * 100, 6), decimal.Round(feeder.Drop.Value.Value, 6));
    }

    private static Job ByBranch(Func<Job, Job>? change = null)
    {
        var job = Shed();
        var bare = job with
        {
            Panels = [job.Panels[0]],
            Boxes = [.. job.Boxes.Where(b => b.Id.Value != "heater"), Houses.On("r2", "shop", 3, 40), Houses.Ceiling("l", "shop", 60, 60),
                Houses.Switch("s", "shop", 1, 20, DeviceKind.Switch, "l")]
        };
        return change?.Invoke(bare) ?? bare;
    }

    [Fact] // lights and receptacles of the shed on one 20 A circuit of the house, in UF through the trench
    public void A_shed_without_a_panel_is_fed_by_one_branch_circuit()
    {
        var plan = Planner.Plan(ByBranch());
        var circuit = plan.CircuitOf(new("r"))!;
        Assert.Equal(("shop-branch", 4), (circuit.Circuit.Key.Value, circuit.Circuit.Boxes.Length));
        var home = circuit.HomeRun!;
        Assert.Equal("A", home.From.Panel!.Value.Value);
        Assert.Equal("12-2 UF", circuit.CableOf(home));
        Assert.True(home.Way.Legs.Where(l => l.Space == Space.Trench).Select(l => l.Run).Total() >= 50.Feet());
        Assert.DoesNotContain(plan.Tags, t => t.Rule is "225.30" or "300.5");
        // The other runs stay in the shed.
        Assert.DoesNotContain(circuit.Runs.Skip(1), r => r.Way.Legs.Any(l => l.Space == Space.Trench));
    }

    [Fact]
    public void Two_circuits_to_a_building_without_a_panel_are_refused()
    {
        var plan = Planner.Plan(
            ByBranch(j => j.With(Houses.Appliance("heater", "shop", 1, 80, Houses.Plate(Appliance.SpaceHeater, 240, 3600)))));
        var tag = Assert.Single(plan.Tags, t => t.Rule == "225.30");
        Assert.Equal(Severity.Red, tag.Severity);
        Assert.Contains("fed by 2 circuits", tag.Headline, StringComparison.Ordinal);
    }

    [Theory] // receptacles of a shed take GFCI at the breaker (210.8(A)(2)): 12 in of cover will do; protected at the device, 24
    [InlineData(12, GfciWay.Breaker, false)]
    [InlineData(11, GfciWay.Breaker, true)]
    [InlineData(24, GfciWay.EachPlace, false)]
    [InlineData(23, GfciWay.EachPlace, true)]
    public void A_shallow_trench_is_told(int inches, GfciWay gfci, bool told)
    {
        var plan = Planner.Plan(
            ByBranch(j => j with { Schools = new() { Gfci = gfci }, Trenches = [j.Trenches[0] with { Depth = inches.Inches() }] }));
        Assert.Equal(told, plan.Tags.Any(t => t.Rule == "300.5"));
    }

    [Theory] // PVC 18 in
    [InlineData(18, false)]
    [InlineData(17, true)]
    public void A_shallow_pipe_is_told(int inches, bool told)
    {
        var job = Shed();
        Assert.Equal(told, Planner.Plan(job with { Trenches = [job.Trenches[0] with { Depth = inches.Inches() }] }).Tags.Any(t =>
            t.Rule == "300.5"));
    }

    [Fact]
    public void A_building_that_nothing_leads_to_is_no_job()
    {
        var job = ByBranch(j => j with { Trenches = [] });
        Assert.Contains("lead a trench to it", JobProblems.First(job)!.ToString(), StringComparison.Ordinal);
    }

    [Fact] // 3600 × 1.25 + 180 = 4680 VA at 240 V, 19.5 A; the leg with the receptacle has 18.75 + 1.5
    public void Its_load_is_everything_the_panel_feeds()
    {
        var feeder = Planner.Plan(Shed()).Landed(new("feeder-G"))!.Wired;
        Assert.Equal(3780m, feeder.Circuit.Load.Connected.Value);
        // 220.61: the heater of 240 V alone has no neutral; the receptacle's 180 VA has.
        Assert.Equal(180m, feeder.Sized.Feeding!.Standard.Lines.Sum(l => l.Neutral.Value));
        Assert.Equal(19.5m, feeder.Sized.Feeding.Standard.Current.Value);
        Assert.Equal(20.25m, feeder.Sized.Through[feeder.HomeRun!.Id].Value);
    }

    // A den with panel A, a bedroom with panel B, a receptacle, a heater and a car's outlet; everything that is near B lands in it.
    private static Job Inside(params Box[] more)
    {
        var job = Houses.Row(("den", RoomUse.Den, 20), ("bed", RoomUse.Bedroom, 12));
        return (job with
        {
            Schools = new() { Bedrooms = BedroomSharing.OneEach },
            Panels = [job.Panels[0], Houses.Panel("bed", 12) with { Id = new("B"), Wall = 2, Rating = 100.Amps(), FedFrom = new("A") }]
        })
            .With(
            [Houses.On("r", "bed", 1, 60), Houses.Appliance("heater", "bed", 2, 20, Houses.Plate(Appliance.SpaceHeater, 240, 3000)),
                Houses.Appliance("car", "bed", 2, 100,
                    Houses.Plate(Appliance.VehicleCharger, 240, 7200) with { Continuous = true, Individual = true }), .. more]);
    }

    // Bedroom 12 × 12 ft and three outer walls of 12 ft, half of 6-1/2 in each: 153.8 ft² × 3 = 461.4; heater 3000; car 7200 + 1800: 12
    // 461.4 VA, 51.9 A, 60 A
    [Fact]
    public void A_feeder_inside_the_dwelling_is_sized_by_part_III()
    {
        var job = Inside(Houses.On("far", "den", 4, 100));
        var feeder = Planner.Plan(job).Landed(new("feeder-B"))!.Sized;
        var load = feeder.Feeding!;
        Assert.Equal([461.4m, 3000, 7200, 1800], load.Standard.Lines.Select(l => l.Counted.Value));
        Assert.Equal((60m, false, LoadMethod.Standard), (feeder.Breaker.Value.Value, load.CarriesDwelling, load.Method));
        // For comparison: 7661.4 all within the first 10 kVA, and 65 % of the heat.
        Assert.Equal([7661.4m, 1950], load.Optional!.Lines.Select(l => l.Counted.Value));
        Assert.Equal(LoadMethod.Standard, Planner.Plan(job with { Service = new() { Method = LoadMethod.Optional } })
            .Landed(new("feeder-B"))!.Sized.Feeding!.Method);
    }

    [Fact] // nothing of 60 A inside by the book: 461.4 + 3000 = 3461.4 VA, 14.4 A; the breaker of the receptacles behind it is 20 A
    public void Only_an_outbuilding_has_60_A_at_least()
    {
        var job = Inside(Houses.On("far", "den", 4, 100));
        var feeder = Planner.Plan(NoFloor(job with
        {
            Boxes = job.Boxes.RemoveAll(b =>
            b.Id.Value == "car")
        })).Landed(new("feeder-B"))!.Sized;
        Assert.Equal(20m, feeder.Breaker.Value.Value);
    }

    private static Job NoFloor(Job job) => job with { HouseRules = job.HouseRules with { LeastFeeder = 0 } };

    private static SizedCircuit FeederOf(Func<Job, Job> with)
    {
        var job = Inside(Houses.On("far", "den", 4, 100));
        return Planner.Plan(with(job with { Boxes = job.Boxes.RemoveAll(b => b.Id.Value == "car") })).Landed(new("feeder-B"))!.Sized;
    }

    [Theory] // 14.4 A of load: the crew's least, but never more than the panel is rated for; 55 A of 6 and the next size up
    [InlineData(60, 100, 60, "6-3")]
    [InlineData(100, 100, 100, "2-3")] // 95 A at 60 °C, next size up
    [InlineData(60, 50, 50, "6-3")] // 8 has 40
    [InlineData(30, 100, 30, "10-3")]
    public void A_feeder_inside_is_no_smaller_than_the_crew_pulls(int least, int panel, int breaker, string cable)
    {
        var feeder = FeederOf(j => j with
        {
            HouseRules = j.HouseRules with { LeastFeeder = least },
            Panels = [j.Panels[0], j.Panels[1] with { Rating = panel.Amps() }],
        });
        Assert.Equal((breaker, cable), ((int)feeder.Breaker.Value.Value, feeder.Cable));
        Assert.Null(feeder.Routed.HomeRun!.Pipe);
        Assert.Null(feeder.Pipe);
    }

    [Fact] // four wires either way; aluminium at 60 °C: 6 has 40 A, 4 has 55 and the next size up
    public void A_feeder_inside_is_pulled_as_the_crew_does()
    {
        var aluminium = FeederOf(j => j with { Schools = j.Schools with { FeederMetal = FeederMetal.Aluminium } });
        Assert.Equal("4-3 SER Al", aluminium.Cable);
        var pipe = FeederOf(j => j with { Schools = j.Schools with { Feeders = FeederWay.Pipe } });
        Assert.Equal("3 × 6 + 10 G", pipe.Cable);
        Assert.NotNull(pipe.Pipe);
    }

    [Fact] // in the earth no cable of the house will do, whatever the school
    public void A_feeder_to_another_building_stays_in_pipe() =>
        Assert.NotNull(Planner.Plan(Shed()).Landed(new("feeder-G"))!.Sized.Routed.HomeRun!.Pipe);

    [Fact] // held at 100 A: 83 A, which 4 copper carries at 75 °C; without the whole dwelling it takes 3, 100 A
    public void What_carries_the_whole_dwelling_has_83_per_cent()
    {
        Gauge Of(Job job)
        {
            var held = job with
            {
                Pins = new() { Breakers = [new(new("feeder-B"), 100.Amps())] },
                Pipes = [new() { Id = new("p"), Circuits = [new("feeder-B")], Marked75 = true }],
                Service = new() { Method = LoadMethod.Optional }
            };
            var feeder = Planner.Plan(held).Landed(new("feeder-B"))!.Sized;
            Assert.Equal(feeder.Feeding!.CarriesDwelling ? LoadMethod.Optional : LoadMethod.Standard, feeder.Feeding.Method);
            return feeder.Gauge.Value;
        }

        Assert.Equal("4", Of(Inside()).ToString());
        var part = Inside(Houses.Appliance("range", "bed", 3, 100, Houses.Plate(Appliance.Range, 240, 12_000)),
            Houses.On("far", "den", 4, 100));
        Assert.False(Planner.Plan(part).Landed(new("feeder-B"))!.Sized.Feeding!.CarriesDwelling);
        // 461.4 + 8000 of the range + 3000 + 7200 + 1800 = 20 461.4 VA, 85.3 A: more than the 85 A of 4.
        Assert.Equal("3", Of(part).ToString());
    }

    [Fact] // 220.14(A), 220.40: a welder's own outlet counts at its plate: 9600 VA, 40 A
    public void What_is_plugged_in_on_a_circuit_of_its_own_is_carried()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20), ("shop", RoomUse.Utility, 12));
        var plan = Planner.Plan((NoFloor(job) with
        {
            Panels = [job.Panels[0], Houses.Panel("shop", 12) with { Id = new("B"), Wall = 2, Rating = 100.Amps(), FedFrom = new("A") }],
        }).With(Houses.On("far", "den", 4, 100), Houses.Appliance("welder", "shop", 1, 60,
            Houses.Plate(Appliance.Other, 240, 9600) with { Cord = true, Individual = true }, DeviceKind.ApplianceReceptacle)));
        var feeder = plan.Landed(new("feeder-B"))!.Sized;
        Assert.Equal(9600m, feeder.Feeding!.Standard.Lines.Single(l =>
            l.Section.Contains("220.14(A)", StringComparison.Ordinal)).Counted.Value);
        Assert.Equal(40m, feeder.Breaker.Value.Value);
        Assert.DoesNotContain(plan.Tags, t => t.Subject == Subject.Circuit(new("feeder-B")) && t.Severity == Severity.Red);
    }

    [Fact] // 215.2(A)(1): 1920 VA at 120 V are 8 A by the sum and 16 on their leg, 20 with the quarter for three hours
    public void The_heavier_leg_decides()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20), ("shop", RoomUse.Utility, 12));
        var plan = Planner.Plan((NoFloor(job) with
        {
            Panels = [job.Panels[0], Houses.Panel("shop", 12) with { Id = new("B"), Wall = 2, Rating = 100.Amps(), FedFrom = new("A") }],
        }).With(Houses.On("far", "den", 4, 100),
            Houses.Appliance("heater", "shop", 1, 60, Houses.Plate(Appliance.SpaceHeater, 120, 1920))));
        var feeder = plan.Landed(new("feeder-B"))!.Sized;
        Assert.Equal(8m, feeder.Feeding!.Standard.Current.Value);
        Assert.Equal((20m, 20m), (feeder.Feeding.Current.Value, feeder.Breaker.Value.Value));
    }

    [Theory] // 215.3: 51.9 A
    [InlineData(40, true)]
    [InlineData(60, false)]
    public void A_feeders_breaker_is_not_below_its_load(int held, bool red) =>
        Assert.Equal(red, Planner.Plan(Inside(Houses.On("far", "den", 4, 100)) with
        {
            Pins = new() { Breakers = [new(new("feeder-B"), held.Amps())] },
        }).Tags.Any(t => t.Rule == "215.3" && t.Severity == Severity.Red));

    [Fact] // 310.12(B): 83 % of 100 A is the permission itself, and no tag hangs on it
    public void A_feeder_by_83_per_cent_is_not_red()
    {
        var plan = Planner.Plan(Inside() with
        {
            Pins = new() { Breakers = [new(new("feeder-B"), 100.Amps())] },
            Pipes = [new() { Id = new("p"), Circuits = [new("feeder-B")], Marked75 = true }],
            Service = new() { Method = LoadMethod.Optional },
        });
        Assert.Equal("4", plan.Landed(new("feeder-B"))!.Sized.Gauge.Value.ToString());
        Assert.DoesNotContain(plan.Tags, t => t.Subject == Subject.Circuit(new("feeder-B")) && t.Severity == Severity.Red);
    }

    [Theory] // in pipe, 110.14(C)(1): to 100 A by the 60 °C column, 2 AWG 95 A and the next size up; above it by the 75, 115 A and the next
    // size up
    [InlineData(100, "2")]
    [InlineData(125, "2")]
    public void Above_100_A_terminals_are_taken_at_75(int held, string gauge) =>
        Assert.Equal(gauge, Planner.Plan(Inside(Houses.On("far", "den", 4, 100)) with
        {
            Schools = new() { Feeders = FeederWay.Pipe },
            Pins = new() { Breakers = [new(new("feeder-B"), held.Amps())] },
        }).Landed(new("feeder-B"))!.Sized.Gauge.Value.ToString());

    [Fact] // what the card says is lost is lost in the trace too: 240 V less its share
    public void The_trace_of_a_feeder_ends_with_the_volts_of_its_card()
    {
        var feeder = Planner.Plan(Shed()).Landed(new("feeder-G"))!.Wired;
        var last = Wiring.Trace.To(feeder, null, "Panel A")[^1];
        Assert.True(feeder.Drop.Value > 0.5m);
        Assert.Equal(240 * (1 - (feeder.Drop.Value / 100)), last.Left.Value);
    }

    [Fact] // 225.30 is not traded for the crew's cap and fill: eleven duplexes and a lamp are 16.65 A of 20, on one circuit
    public void A_shed_without_a_panel_stays_on_one_circuit()
    {
        var plan = Planner.Plan(ByBranch(j => j.With([.. Enumerable.Range(0, 9)
            .Select(i => Houses.On($"m{i}", "shop", i < 6 ? 3 : 1, 50 + (i % 6 * 14)))])));
        Assert.Single(plan.Circuits, c => c.Circuit.Boxes.Contains(new("r")));
        Assert.Equal("shop-branch", plan.CircuitOf(new("m8"))!.Circuit.Key.Value);
        Assert.DoesNotContain(plan.Tags, t => t.Rule == "225.30");
    }

    [Fact] // a panel behind a panel: its heater of 3000 is in both feeders, whichever is listed first
    public void A_feeder_carries_the_panels_behind_it()
    {
        var job = Inside();
        job = job with
        {
            Panels = [.. job.Panels,
            Houses.Panel("bed", 12) with { Id = new("C"), Wall = 3, Offset = 100.Inches(), Rating = 60.Amps(), FedFrom = new("B") }],
            Pins = new() { Panels = [new(new("heater"), new("C"))] }
        };
        foreach (var panels in new[] { job.Panels, [.. job.Panels.Reverse()] })
        {
            var plan = Planner.Plan(job with { Panels = panels });
            VoltAmps Carried(string key) => plan.Landed(new(key))!.Load.Connected;
            Assert.Equal((3000m, 10_380m), (Carried("feeder-C").Value, Carried("feeder-B").Value));
            Assert.Contains(plan.Landed(new("feeder-B"))!.Sized.Feeding!.Standard.Lines, l => l.Counted.Value == 3000);
        }
    }

    [Fact]
    public void It_goes_through_the_trench_and_is_no_shorter()
    {
        var run = Planner.Plan(Shed()).Landed(new("feeder-G"))!.HomeRun!;
        var ground = run.Way.Legs.Where(l => l.Space == Space.Trench).ToList();
        Assert.Equal(RunKind.Feeder, run.Kind);
        Assert.True(ground.Sum(l => l.Run.Feet) >= 50);
        Assert.Contains(ground, l => l.From.Z == -24.Inches() && l.To.Z == -24.Inches());
        Assert.All(run.Way.Legs.Zip(run.Way.Legs.Skip(1)), pair => Assert.Equal(pair.First.To, pair.Second.From));
    }

    [Fact]
    public void Circuits_behind_it_begin_with_what_it_leaves()
    {
        var plan = Planner.Plan(Shed());
        var feeder = plan.Landed(new("feeder-G"))!.Sized;
        var behind = plan.CircuitOf(new("r"))!.Sized;
        Assert.Equal(decimal.Round(120 * (1 - (feeder.Drop.Value.Value / 100)), 6), decimal.Round(behind.VoltsAtPanel.Value, 6));
        Assert.True(behind.VoltsAt[new("r")].Value < behind.VoltsAtPanel.Value && behind.VoltsAtPanel.Value < 120);
    }

    [Fact]
    public void Boxes_of_the_shed_land_in_its_own_panel()
    {
        var plan = Planner.Plan(Shed());
        Assert.Equal(["G", "G"], new[] { "r", "heater" }.Select(b => plan.CircuitOf(new(b))!.Circuit.Panel.Value));
        Assert.Equal("feeder-G", Assert.Single(plan.Panels[0].Circuits).Key.Value);
        Assert.Equal("210.8(A)(2)", plan.CircuitOf(new("r"))!.Outlets[new("r")].Gfci!.Section);
    }

    [Fact]
    public void A_panel_fed_by_more_than_its_rating_is_tagged()
    {
        Assert.DoesNotContain(Planner.Plan(Shed()).Tags, t => t.Rule == "408.36");
        Assert.Contains(Planner.Plan(Shed(p => p with { Rating = 50.Amps() })).Tags,
            t => t.Rule == "408.36" && t.Arithmetic == "60 A > 50 A.");
    }

    [Fact]
    public void A_larger_pinned_feeder_brings_a_larger_ground_and_pipe()
    {
        var job = Shed() with { Pins = new() { Cables = [new(new("feeder-G"), Gauge.Awg4)] } };
        var feeder = Planner.Plan(job).Landed(new("feeder-G"))!.Sized;
        // 3 × .0824 + .0507 = .2979 in², over 40 % of .508 = .2032, within 40 % of .832 = .3328.
        Assert.Equal(("3 × 4 + 6 G", "1 in PVC"), (feeder.Cable, feeder.Pipe!.Size.Value));
    }

    [Fact]
    public void A_building_without_a_panel_or_a_trench_to_it_is_no_job()
    {
        var job = Shed();
        Assert.Contains("no trench joins", JobProblems.First(job with { Trenches = [] })!.ToString(), StringComparison.Ordinal);
        Assert.Contains("has no panel", JobProblems.First(job with { Panels = [job.Panels[0]], Trenches = [] })!.ToString(),
            StringComparison.Ordinal);
        Assert.Contains("6 to 48 in of cover",
            JobProblems.First(job with { Trenches = [job.Trenches[0] with { Depth = 5.Inches() }] })!.ToString(), StringComparison.Ordinal);
        Assert.Contains("two different buildings",
            JobProblems.First(job with
            { Trenches = [job.Trenches[0], new(new("u"), new("shed"), new("shed"), job.Trenches[0].Path, 24.Inches())] })!.ToString(),
            StringComparison.Ordinal);
    }

    [Fact]
    public void A_switch_in_one_building_does_not_tie_a_lamp_of_the_other_to_its_circuit()
    {
        var plan = Planner.Plan(Shed(null, Houses.Ceiling("lamp", "shop", 40, 40),
            Houses.Switch("far", "den", 1, 40, DeviceKind.Switch, "lamp")));
        Assert.NotSame(plan.CircuitOf(new("lamp")), plan.CircuitOf(new("far")));
        Assert.Equal(CircuitKind.Lighting, plan.CircuitOf(new("lamp"))!.Circuit.Kind);
    }
}
