using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Protection;
using Circuitum.Core.Proving;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Tags;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Counters with split receptacles on three-wire circuits of 15 A, from their division to what a meter reads at them.</summary>
public sealed class SplitCounterTests
{
    private static readonly CodeBook Book = CodeBook.For(Edition.Canada2021);

    private static readonly Fixture Sink = new()
    {
        Kind = FixtureKind.Sink,
        Wall = 1,
        Offset = 70.Inches(),
        Width = 24.Inches(),
        Depth = 20.Inches(),
    };

    // A sink over the third receptacle where one is wanted.
    private static Job Kitchen(int receptacles, bool sink = false, CounterReceptacles counters = CounterReceptacles.Split) =>
        CanadaTests.Kitchen(receptacles, sink ? [Sink] : []) with { Schools = new() { Counters = counters } };

    private static ImmutableArray<WiredCircuit> Counters(Plan plan) =>
        [.. plan.Circuits.Where(c => c.Circuit.Kind == CircuitKind.SmallAppliance)];

    [Theory] // two circuits at least, at most two on each, neighbors apart: as on two wires
    [InlineData(2, 2)]
    [InlineData(3, 2)]
    [InlineData(4, 2)]
    [InlineData(5, 3)]
    [InlineData(6, 3)]
    [InlineData(7, 4)]
    public void They_are_dealt_out_on_three_wires_behind_two_poles_of_15(int receptacles, int circuits)
    {
        var plan = Planner.Plan(Kitchen(receptacles));
        var counters = Counters(plan);
        Assert.Equal(circuits, counters.Length);
        Assert.All(counters, c =>
        {
            Assert.Equal((15m, "14", 2, 240m, 120m), (c.Breaker.Value, c.Gauge.ToString(), c.Poles, c.Load.Volts.Value,
                c.Load.AtOutlets.Value));
            Assert.All(c.Runs, r => Assert.Equal([Carried.Hot, Carried.SecondLeg, Carried.Neutral], r.Carries.AsEnumerable()));
            Assert.Equal("14-3", c.CableOf(c.HomeRun!));
            var landed = plan.Landed(c.Key)!;
            Assert.Equal(landed.Space!.Value.Number + 2, landed.Spaces.Last().Number);
        });
        for (var i = 0; i + 1 < receptacles; i++)
        {
            Assert.NotEqual(plan.CircuitOf(new($"c{i}"))!.Key, plan.CircuitOf(new($"c{i + 1}"))!.Key);
        }

        Assert.Empty(plan.Tags.Where(t => t.Severity == Severity.Red && t.Cite.Cites(RuleId.CounterNeighbors)));
        Assert.Empty(plan.Tags.Where(t => t.Cite.Cites(RuleId.NamedCircuits)));
    }

    [Fact] // 1 A on either leg of each receptacle: two of them are 2 × 240 VA, 2 A on each leg of 15
    public void Either_half_is_an_outlet()
    {
        var circuit = Counters(Planner.Plan(Kitchen(4)))[0];
        Assert.Equal((480m, 2m), (circuit.Load.Connected.Value, circuit.Load.Current.Value));
    }

    [Fact] // one half alone: 2 × 2 A to the first and 2 × 1 A to the second, over 14 of 3.1 Ω in 1000 ft, of 120 V
    public void What_is_lost_is_lost_of_a_leg_to_the_neutral()
    {
        var circuit = Counters(Planner.Plan(Kitchen(4)))[0];
        var ohms = Book.Conductors.OhmsPerThousandFeet(Gauge.Awg14, Metal.Copper)!.Value;
        Assert.InRange(ohms, 3.0m, 3.2m);
        decimal first = circuit.Runs[0].Length.Value.Feet, second = circuit.Runs[1].Length.Value.Feet;
        var lost = ((2 * 2 * first) + (2 * 1 * second)) * ohms / 1000;
        Assert.Equal(lost / 120 * 100, circuit.Drop.Value, 6);
        Assert.Equal(120 - lost, circuit.Sized.VoltsAt[circuit.Runs[1].To.Box!.Value].Value, 6);
    }

    [Fact] // two cables of three: 6 + 2 for three connectors + 2 for the gang = ten of 24.6 mL, 1.50 in³ each
    public void The_box_holds_the_third_wire()
    {
        var plan = Planner.Plan(Kitchen(4));
        var circuit = Counters(plan)[0];
        Assert.Equal(15.00m, circuit.Boxes[circuit.Runs[0].To.Box!.Value].Volume.Value.Value);
    }

    [Theory] // black on one half, red on the other, and no joint hangs on a device whatever the crew's way
    [InlineData(JointSchool.Pigtail)]
    [InlineData(JointSchool.FeedThrough)]
    [InlineData(JointSchool.AsNeeded)]
    public void Each_half_has_its_leg_and_no_device_carries_what_goes_on(JointSchool school)
    {
        var job = Kitchen(4);
        var plan = Planner.Plan(job with { Schools = job.Schools with { Joints = school } });
        foreach (var circuit in Counters(plan))
        {
            var energised = new Energised(circuit, plan.Survey, school, new HashSet<SwitchGang>());
            Assert.True(energised.IsSound);
            foreach (var box in circuit.Circuit.Boxes)
            {
                Assert.True(energised.Has(box, 0) && energised.Has(box, 0, TerminalKind.SecondLeg));
                var wiring = circuit.Wiring(plan.Survey[box], school);
                var joints = wiring.Joints;
                Assert.Equal("Break off the link between the two brass screws; leave the silver one.",
                    MakeUp.Steps(wiring, plan.Survey[box], Book)[^1]);
                Assert.DoesNotContain(joints, j => j.By == JointBy.Device);
                ConductorColour On(TerminalKind kind) => joints.Single(j => j.Terminals.Contains(new(0, kind))).Ends[0].Conductor.Colour;
                Assert.Equal((ConductorColour.Black, ConductorColour.Red, ConductorColour.White),
                    (On(TerminalKind.Hot), On(TerminalKind.SecondLeg), On(TerminalKind.Neutral)));
            }
        }
    }

    [Fact] // within 1.5 m of the sink: two poles with GFCI, since no such receptacle is split; on two wires a receptacle of the crew's way
    public void By_the_sink_the_breaker_protects_both_halves()
    {
        var split = Kitchen(4, sink: true);
        var plan = Planner.Plan(split with { Schools = split.Schools with { Gfci = GfciWay.FirstReceptacle } });
        var near = plan.CircuitOf(new("c2"))!;
        Assert.True(near.BreakerIsGfci);
        Assert.Empty(near.Devices);
        Assert.Contains("split", near.Protected.Ways.Single(w => w.Name.Contains("first receptacle", StringComparison.Ordinal)).Refused,
            StringComparison.Ordinal);
        var two = Kitchen(4, sink: true, CounterReceptacles.TwoWire);
        var wired = Planner.Plan(two with { Schools = two.Schools with { Gfci = GfciWay.FirstReceptacle } }).CircuitOf(new("c2"))!;
        Assert.False(wired.BreakerIsGfci);
        Assert.NotEmpty(wired.Devices);
    }

    [Fact] // 1500 W ÷ 120 V = 12.5 A on one leg, 10 A on the other; a kettle in each box: 25 A of 15 on one leg
    public void Things_in_two_halves_load_two_legs()
    {
        var circuit = Planner.Plan(Kitchen(4)).CircuitOf(Second)!;
        var other = circuit.Circuit.Boxes.Single(b => b != Second);
        Assert.Equal(12.5m, PlugIn.Into(circuit, [new(Second, Portable.Kettle), new(Second, Portable.Vacuum)]).AtBreaker.Value);
        var both = PlugIn.Into(circuit, [new(Second, Portable.Kettle), new(other, Portable.Kettle)]);
        Assert.Equal((25m, false), (both.AtBreaker.Value, both.Opening.Holds));
    }

    [Fact]
    public void A_protective_receptacle_set_among_them_is_tagged()
    {
        var job = Kitchen(4);
        job = job with
        {
            Boxes = [.. job.Boxes.Select(b => b.Id != new BoxId("c1") ? b
                : b with { Devices = [new() { Kind = DeviceKind.GfciReceptacle }] })],
        };
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Severity == Severity.Red && t.Cite.Cites(RuleId.Multiwire));
        Assert.Equal(Subject.Box(new("c1")), tag.Subject);
        Assert.DoesNotContain(Planner.Plan(job with { Schools = new() }).Tags, t => t.Cite.Cites(RuleId.Multiwire));
    }

    [Fact]
    public void The_list_has_what_is_bought()
    {
        var lines = Hardware.Of(Planner.Plan(Kitchen(4)));
        Assert.Equal(4, lines.Single(l => l.Item.StartsWith("Split duplex, 15 A", StringComparison.Ordinal)).Quantity);
        Assert.Equal(2, lines.Where(l => l.Item.StartsWith("Breaker 15 A, two poles", StringComparison.Ordinal)).Sum(l => l.Quantity));
    }

    [Fact] // where the book does not know them the crew's answer changes nothing, and nobody is asked
    public void Elsewhere_nobody_is_asked()
    {
        var school = SchoolList.All.Single(s => s.Field == "counters");
        Assert.Equal([true, false, false, false], new[] { Edition.Canada2021, Edition.Y2017, Edition.Y2023, Edition.Gulf2022 }
            .Select(e => CodeBook.For(e).Leaves(school)));
        var (two, split) = (Kitchen(5, counters: CounterReceptacles.TwoWire) with { Edition = Edition.Y2023 },
            Kitchen(5) with { Edition = Edition.Y2023 });
        Assert.Equal(Planner.Plan(two).Circuits.Select(c => (c.Key, c.Poles, c.Breaker, c.Sized.Routed.Footage)),
            Planner.Plan(split).Circuits.Select(c => (c.Key, c.Poles, c.Breaker, c.Sized.Routed.Footage)));
    }

    private static readonly BoxId Second = new("c2");

    // A kettle of 1500 W in one half (9.6 Ω) and a vacuum of 1200 W in the other (12 Ω).
    private static Settled On(HouseNetwork house, params ImmutableArray<Fault> faults) => WhoOpens.Settle(house, HouseState.AsPlanned with
    {
        Plugged = [new(Second, Portable.Kettle), new(Second, Portable.Vacuum)],
        Faults = faults,
    });

    private static decimal Read(Settled settled, TerminalKind half) =>
        settled.Energy.Between(Second, 0, half, TerminalKind.Neutral).Value;

    [Fact] // 12.5 A and 10 A: the neutral carries 2.5; without it 240 V divide by the ohms, 240 × 9.6 ÷ 21.6 = 106.7 and 133.3
    public void A_neutral_lost_puts_both_halves_in_a_row()
    {
        var house = new HouseNetwork(Planner.Plan(Kitchen(4)));
        var circuit = house.Plan.CircuitOf(Second)!;
        var home = circuit.HomeRun!.Id;
        var sound = On(house);
        Assert.Empty(sound.Openings);
        Assert.InRange(sound.Energy.Through(home, ConductorColour.White).Value, 2.3m, 2.6m);
        Assert.InRange(Read(sound, TerminalKind.Hot), 114m, 121m);
        Assert.InRange(Read(sound, TerminalKind.SecondLeg), 114m, 121m);
        var lost = On(house, new Fault.LeftOut(null, home, ConductorColour.White));
        Assert.InRange(Read(lost, TerminalKind.Hot), 105m, 107m);
        Assert.InRange(Read(lost, TerminalKind.SecondLeg), 131m, 133.5m);
    }

    [Fact] // the red out of its joint: the second half is dead from there on, the first works
    public void A_half_that_is_dead_is_found()
    {
        var house = new HouseNetwork(Planner.Plan(Kitchen(4)));
        var circuit = house.Plan.CircuitOf(Second)!;
        var finder = new Finder(house, circuit.Key);
        var last = circuit.Runs[^1];
        Test At(bool second) => finder.Tests.Single(t => t.Box == last.To.Box && t.Gang == 0 && t.Second == second);
        var fault = finder.Suspects.Single(s => s.Suspect.Fault == new Fault.Parted(last.Id, ConductorColour.Red));
        Assert.Equal((Finding.Works, Finding.Dead), (fault.Looks[finder.Tests.IndexOf(At(false))],
            fault.Looks[finder.Tests.IndexOf(At(true))]));
        var left = finder.Explain([new(At(false), Finding.Works), new(At(true), Finding.Dead)]).Select(e => e.Suspect.Fault).ToList();
        Assert.NotEmpty(left);
        Assert.All(left, f => Assert.Equal(ConductorColour.Red, f switch
        {
            Fault.Parted p => p.Colour,
            Fault.LeftOut o => o.Colour,
            _ => ConductorColour.Black,
        }));
    }

    [Fact] // a nail through both legs, red on white and red on bare, told apart by ohms on the dead circuit
    public void Ohms_on_the_dead_circuit_tell_the_legs_apart()
    {
        var house = new HouseNetwork(Planner.Plan(Kitchen(4)));
        var circuit = house.Plan.CircuitOf(Second)!;
        var finder = new Finder(house, circuit.Key);
        var last = circuit.Runs[^1];
        Finding With(ConductorColour one, ConductorColour other) => finder.Suspects
            .Single(s => s.Suspect.Fault == new Fault.Nailed(last.Id, one, other))
            .Looks[finder.Tests.IndexOf(new(last.From.Box, null, last.Id) { By = LookBy.Apart })];
        Assert.Equal((Finding.Odd, Finding.HotOnNeutral, Finding.HotOnGround, Finding.HotOnNeutral), (
            With(ConductorColour.Black, ConductorColour.Red), With(ConductorColour.Red, ConductorColour.White),
            With(ConductorColour.Red, ConductorColour.Bare), With(ConductorColour.Black, ConductorColour.White)));
    }

    [Theory] // nothing plugged in: a neutral or a ground that hangs free is not taken for sound in any box
    [InlineData(ConductorColour.White)]
    [InlineData(ConductorColour.Bare)]
    public void What_is_lost_without_load_is_seen(ConductorColour lost)
    {
        var house = new HouseNetwork(Planner.Plan(Kitchen(4)));
        var circuit = house.Plan.CircuitOf(Second)!;
        var finder = new Finder(house, circuit.Key);
        var looks = finder.Suspects.Single(s => s.Suspect.Fault == new Fault.Parted(circuit.HomeRun!.Id, lost)).Looks;
        Assert.All(finder.Tests.Select((t, i) => (t, i)).Where(x => x.t is { Box: not null, Gang: not null, Second: false }),
            x => Assert.NotEqual(Finding.Works, looks[x.i]));
    }

    [Fact] // every single fault leaves a trace that keeps it among what is told, asked on until nothing parts what is left
    public void Every_fault_of_a_split_circuit_is_found()
    {
        var house = new HouseNetwork(Planner.Plan(Kitchen(4, sink: true)));
        foreach (var circuit in Counters(house.Plan))
        {
            var finder = new Finder(house, circuit.Key);
            foreach (var (fault, looks) in finder.Suspects)
            {
                var seen = new List<Seen>();
                while (finder.Next(seen) is { } next)
                {
                    seen.Add(new(next.Test, looks[finder.Tests.IndexOf(next.Test)]));
                    Assert.Contains(finder.Explain(seen), e => e.Suspect == fault);
                }

                // A conductor parted or out of its joint at either end: no more than these are left, and of one colour.
                var left = finder.Explain(seen).Select(e => e.Suspect.Fault).ToList();
                Assert.True(left.Count <= 4, $"{fault.In(house.Plan)}: {left.Count} left");
            }
        }
    }

    [Theory] // whatever the house, planned so it keeps its rules
    [InlineData(1)]
    [InlineData(4)]
    [InlineData(5)]
    [InlineData(7)]
    [InlineData(9)]
    [InlineData(11)]
    public void A_house_planned_so_keeps_its_rules(int number)
    {
        var house = BuiltHouses.Number(number) with { Edition = Edition.Canada2021 };
        house = house with { Schools = house.Schools with { Counters = CounterReceptacles.Split } };
        var plan = Planner.Plan(LayOut.Everything.On(house).Job ?? house);
        var counters = Counters(plan);
        Assert.True(counters.Length >= 2);
        Assert.All(counters, c => Assert.Equal((2, 15m), (c.Poles, c.Breaker.Value)));
        RuleId[] kept = [RuleId.CounterNeighbors, RuleId.CounterCircuits, RuleId.ReceptacleRatings, RuleId.SmallConductors,
            RuleId.BranchConductors, RuleId.SmallApplianceOnly, RuleId.NamedCircuits, RuleId.BoxFill];
        Assert.Empty(plan.Tags.Where(t => t.Severity == Severity.Red && kept.Any(t.Cite.Cites)).Select(t => t.Headline));
        foreach (var box in counters.SelectMany(c => c.Circuit.Boxes.Select(b => (c, plan.Survey[b]))))
        {
            var gfci = Protecting.Outlets(box.Item2, box.c.Load.AtOutlets, box.c.Breaker, Book).Any(o =>
                Book.Protection.Gfci(o) is not null);
            Assert.True(!gfci || box.c.BreakerIsGfci);
        }
    }
}
