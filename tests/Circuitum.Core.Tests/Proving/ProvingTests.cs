using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Protection;
using Circuitum.Core.Proving;
using Circuitum.Core.Rules;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>The house switched on: laws over built houses, and cases worked by hand.</summary>
public sealed class ProvingTests
{
    public static TheoryData<int> Houses12 => [.. Enumerable.Range(1, 12)];

    private static IEnumerable<(BoxId Box, int Gang, Device Device)> Devices(Plan plan, WiredCircuit circuit) =>
        circuit.Circuit.Boxes.SelectMany(b => plan.Survey[b].Box.Devices.Select((d, g) => (b, g, d)));

    // Every lamp lit: a switch that is alone is thrown; sets of three- and four-ways light theirs with none thrown.
    private static HouseState AllLit(Plan plan) => HouseState.AsPlanned with
    {
        Thrown = [.. plan.Circuits.SelectMany(c => c.Groups).SelectMany(g => (g.Switches.Length == 1 ? g.Switches : [])
            .Concat(g.Fan is { } fan ? [fan] : []))],
    };

    [Theory]
    [MemberData(nameof(Houses12))]
    public void As_planned_nothing_opens_and_every_outlet_has_its_volts(int number)
    {
        var plan = Planner.Plan(BuiltHouses.Number(number));
        var house = new HouseNetwork(plan);
        var settled = WhoOpens.Settle(house, AllLit(plan) with { AppliancesRun = false });
        Assert.Empty(settled.Openings);
        foreach (var (box, gang, device) in house.Branches.SelectMany(c => Devices(plan, c)))
        {
            if (device.Kind.IsGeneralReceptacle())
            {
                Assert.InRange(settled.Energy.Between(box, gang, TerminalKind.Hot, TerminalKind.Neutral).Value, 114m, 121m);
                Assert.InRange(settled.Energy.Between(box, gang, TerminalKind.Hot, TerminalKind.Ground).Value, 114m, 121m);
                Assert.InRange(settled.Energy.Between(box, gang, TerminalKind.Neutral, TerminalKind.Ground).Value, 0m, 3m);
            }
            else if (device.Kind.IsLight())
            {
                Assert.InRange(settled.Energy.Between(box, gang, TerminalKind.Hot, TerminalKind.Neutral).Value, 110m, 121m);
            }
        }

        // What goes out comes back by the same cable: no clamp reads anything, and no ground carries.
        foreach (var run in house.Branches.SelectMany(c => c.Runs).Where(r => r.To.Box is not null))
        {
            Assert.InRange(settled.Energy.Around(run.Id).Value, 0m, 0.001m);
            Assert.InRange(settled.Energy.Through(run.Id, ConductorColour.Bare).Value, 0m, 0.001m);
        }
    }

    [Theory]
    [MemberData(nameof(Houses12))]
    public void A_lamp_is_lit_where_the_wiring_graph_says_so(int number)
    {
        var plan = Planner.Plan(BuiltHouses.Number(number));
        var house = new HouseNetwork(plan);
        foreach (var circuit in house.Branches.Where(c => c.Circuit.SharesNeutralWith is null && c.HomeRun!.RidesIn is null
            && c.Runs.All(r => r.TakesAlong is null)))
        {
            var switches = circuit.Groups.SelectMany(g => g.Switches).ToList();
            for (var seed = 0; seed < 4; seed++)
            {
                var thrown = switches.Where((_, i) => ((seed * 7) + (i * 3)) % 4 < 2).ToHashSet();
                var graph = new Energised(circuit, plan.Survey, plan.Job.Schools.Joints, thrown);
                var energy = house.Solve(HouseState.AsPlanned with { Thrown = [.. thrown] }, circuit.Key);
                Assert.All(Devices(plan, circuit).Where(d => d.Device.Kind.IsLight()), d => Assert.Equal(graph.Has(d.Box, d.Gang),
                    energy.Between(d.Box, d.Gang, TerminalKind.Hot, TerminalKind.Neutral).Value > 60));
            }
        }
    }

    [Theory] // the sums on paper and the network say the same: plate currents, the same feet, one circuit alone
    [MemberData(nameof(Houses12))]
    public void Volts_left_are_those_of_the_sums(int number)
    {
        var plan = Planner.Plan(BuiltHouses.Number(number));
        var house = new HouseNetwork(plan);
        var compared = 0;
        foreach (var circuit in house.Branches.Where(c => house.With(c.Key).Length == 1 && c.Panel == plan.Job.Panels[0].Id
            && c.Load.Items.All(i => i.Use != LoadUse.PortableReceptacle)
            // A lamp whose box two cables reach is taken by the sum along the first of them; the network knows that its switch's is the
            // one. By a loop the hot goes to its switch and back, which the sum leaves out.
            && c.Groups.All(g => !g.Loop)
            && c.Boxes.Values.All(b => b.In.Length == 1)))
        {
            compared++;
            var energy = house.Solve(AllLit(plan) with { CurrentsOfPlates = true }, circuit.Key);
            foreach (var (box, gang, device) in Devices(plan, circuit).Where(d => d.Device.Kind.IsLight()))
            {
                // The service's own share is in the network and not in the sum: what is lost from the bar on is compared.
                var atBar = 120m - (energy.AtBreaker(circuit.Key).Value * 0.031m);
                var lost = atBar - energy.Between(box, gang, TerminalKind.Hot, TerminalKind.Neutral).Value;
                var said = circuit.Sized.VoltsAtPanel.Value - circuit.Sized.VoltsAt[box].Value;
                Assert.InRange(lost - said, -0.02m, 0.02m);
            }
        }

        Assert.True(compared > 0);
    }

    // Two circuits of 120 V in one 12-3 with one neutral, one outlet each, and the loads that are plugged in.
    private static (HouseNetwork House, WiredCircuit One, WiredCircuit Two, BoxId A, BoxId B) Multiwire()
    {
        foreach (var number in Enumerable.Range(1, 80))
        {
            var plan = Planner.Plan(BuiltHouses.Number(number));
            var house = new HouseNetwork(plan);
            foreach (var one in house.Branches.Where(c => c.Circuit.SharesNeutralWith is not null && c.Runs.Any(r =>
                r.TakesAlong is not null)))
            {
                var two = plan.Circuits.First(c => c.Key == one.Runs.First(r => r.TakesAlong is not null).TakesAlong);
                BoxId? Outlet(WiredCircuit c) => c.Circuit.Boxes.Where(b => PlugIn.CanBeAt(plan.Survey[b])).Select(b => (BoxId?)b)
                    .FirstOrDefault();
                if (Outlet(one) is { } a && Outlet(two) is { } b)
                {
                    return (house, one, two, a, b);
                }
            }
        }

        throw new InvalidOperationException("No built house has a shared neutral with an outlet on both circuits.");
    }

    [Fact] // 1500 VA (9.6 Ω) and 1200 VA (12 Ω) in series across 240 V: 106.7 and 133.3 V
    public void A_lost_neutral_of_two_circuits_parts_the_volts_by_their_loads()
    {
        var (house, one, _, a, b) = Multiwire();
        var run = one.HomeRun!;
        var state = HouseState.AsPlanned with
        {
            AppliancesRun = false,
            Plugged = [new(a, Portable.Heater), new(b, Portable.Vacuum)],
            Faults = [new Fault.LeftOut(null, run.Id, ConductorColour.White)],
        };
        var energy = house.Solve(state, one.Key);
        Volts At(BoxId box) => energy.Between(box, house.Plan.Survey[box].Box.Devices.Select((d, g) => (d, g))
            .First(x => x.d.Kind.IsGeneralReceptacle()).g, TerminalKind.Hot, TerminalKind.Neutral);
        Assert.InRange(At(a).Value + At(b).Value, 225m, 240m);
        Assert.InRange(At(a).Value / At(b).Value, 0.76m, 0.84m);
        var whole = house.Solve(state with { Faults = [] }, one.Key);
        Assert.InRange(whole.Through(run.Id, ConductorColour.White).Value, 2m, 3m);
    }

    private static (HouseNetwork House, WiredCircuit Circuit, Plan Plan) Chain(int outlets = 3, DeviceKind first = DeviceKind.Duplex,
        bool loadSide = false)
    {
        var job = Houses.Row(("a", RoomUse.Bedroom, 20)).With([.. Enumerable.Range(0, outlets).Select(i =>
            Houses.On($"r{i}", "a", 1, 30 + (i * 60), i == 0 ? first : DeviceKind.Duplex))]);
        if (loadSide)
        {
            job = job with
            {
                Boxes = [.. job.Boxes.Select(b => b.Id == new BoxId("r0")
                ? b with { Devices = [b.Devices[0] with { FeedsLoadSide = true }] } : b)]
            };
        }

        var plan = Planner.Plan(job);
        return (new(plan), plan.CircuitOf(new("r0"))!, plan);
    }

    private static Run To(WiredCircuit circuit, string box) => circuit.Runs.First(r => r.To.Box == new BoxId(box));

    [Fact] // a joint of 1 Ω under 1500 VA at 120 V (9.6 Ω): 120 × 1/10.6 = 11.3 V lost in it, with the cable's own a little more
    public void A_loose_joint_takes_volts_by_its_ohms()
    {
        var (house, circuit, _) = Chain();
        var last = circuit.Runs[^1];
        var state = HouseState.AsPlanned with { Plugged = [new(last.To.Box!.Value, Portable.Heater)] };
        Volts Left(params Fault[] faults) => house.Solve(state with { Faults = [.. faults] }, circuit.Key)
            .Between(last.To.Box!.Value, 0, TerminalKind.Hot, TerminalKind.Neutral);
        var lost = Left() - Left(new Fault.Loose(last.To.Box!.Value, last.Id, ConductorColour.Black, new(1)));
        Assert.InRange(lost.Value, 10.5m, 11.5m);
    }

    [Fact] // hot to ground in the home run: volts over all the ohms there and back, and the breaker at once
    public void A_nail_from_hot_to_ground_opens_the_breaker_at_once()
    {
        var (house, circuit, plan) = Chain();
        var run = circuit.HomeRun!;
        var nail = HouseState.AsPlanned with { Faults = [new Fault.Nailed(run.Id, ConductorColour.Black, ConductorColour.Bare)] };
        var ohms = plan.Book.Conductors.OhmsPerThousandFeet(circuit.GaugeOf(run), Metal.Copper)!.Value * run.Length.Value.Feet / 1000;
        var expected = 120m / (ohms + 0.015m + 0.015m + 0.001m + 0.01m + 0.0005m);
        var energy = house.Solve(nail, circuit.Key);
        Assert.InRange(energy.AtBreaker(circuit.Key).Value / expected, 0.98m, 1.02m);
        var settled = WhoOpens.Settle(house, nail, circuit.Key);
        Assert.Equal((circuit.Key, (BoxId?)null), (settled.Openings[0].Circuit, settled.Openings[0].Box));
        Assert.True(settled.Openings[0].Within < TimeSpan.FromSeconds(1));
        Assert.All(circuit.Circuit.Boxes, b => Assert.InRange(settled.Energy.Between(b, 0, TerminalKind.Hot, TerminalKind.Ground).Value, 0m,
            1m));
    }

    [Fact]
    public void A_parted_hot_darkens_what_is_beyond_and_nothing_else()
    {
        var (house, circuit, _) = Chain(4);
        foreach (var run in circuit.Runs)
        {
            var energy = house.Solve(HouseState.AsPlanned with { Faults = [new Fault.Parted(run.Id, ConductorColour.Black)] }, circuit.Key);
            var dark = circuit.DarkBeyond(run.To.Box!.Value);
            Assert.All(circuit.Circuit.Boxes, b => Assert.Equal(!dark.Contains(b),
                energy.Between(b, 0, TerminalKind.Hot, TerminalKind.Neutral).Value > 110));
        }
    }

    [Fact]
    public void A_testers_lamps_follow_from_the_volts()
    {
        var (house, circuit, _) = Chain();
        var (mid, end) = (circuit.Runs[1], circuit.Runs[2]);
        var box = mid.To.Box!.Value;
        PlugInTester Read(params Fault[] faults) => PlugInTester.At(house.Solve(HouseState.AsPlanned with { Faults = [.. faults] },
            circuit.Key), box, 0);
        Assert.Equal(TesterSays.Correct, Read().Says);
        Assert.Equal(TesterSays.OpenGround, Read(new Fault.Parted(mid.Id, ConductorColour.Bare)).Says);
        Assert.Equal(TesterSays.OpenNeutral, Read(new Fault.Parted(mid.Id, ConductorColour.White)).Says);
        Assert.Equal(TesterSays.Dead, Read(new Fault.Parted(mid.Id, ConductorColour.Black)).Says);
        Assert.Equal(TesterSays.Reversed, Read(new Fault.Turned(box, 0)).Says);
        // What a tester cannot see: a ground that is tied to the neutral reads as correct.
        Assert.Equal(TesterSays.Correct, Read(new Fault.Bootleg(box, 0)).Says);
        // An open neutral with something plugged in beyond it looks like hot on the ground: both lamps to the neutral's other side.
        var beyond = house.Solve(HouseState.AsPlanned with
        {
            Faults = [new Fault.Parted(mid.Id, ConductorColour.White)],
            Plugged = [new(end.To.Box!.Value, Portable.Heater)],
        }, circuit.Key);
        Assert.Equal(TesterSays.HotOnNeutralGoneAstray, PlugInTester.At(beyond, box, 0).Says);
    }

    [Fact] // 20 kΩ from hot to ground is 6 mA: the device opens, and what is on its load side is dead with it; wired load for line it is
    // not
    public void A_ground_fault_opens_the_device_that_stands_before_it()
    {
        var (house, circuit, plan) = Chain(3, DeviceKind.GfciReceptacle, loadSide: true);
        Assert.True(circuit.Devices.ContainsKey(new("r0")));
        var behind = circuit.Devices[new("r0")].Load;
        Assert.NotEmpty(behind);
        var run = To(circuit, behind.Order().First().Value);
        var settled = WhoOpens.Settle(house, HouseState.AsPlanned with
        {
            Faults = [new Fault.Nailed(run.Id, ConductorColour.White, ConductorColour.Bare)],
            Plugged = [new(run.To.Box!.Value, Portable.Heater)]
        }, circuit.Key);
        Assert.Equal(new BoxId("r0"), settled.Openings[0].Box);
        Assert.All(behind, b => Assert.InRange(settled.Energy.Between(b, 0, TerminalKind.Hot, TerminalKind.Neutral).Value, 0m, 1m));

        // Turned, its button opens nothing that its outlet shows.
        var turned = HouseState.AsPlanned with { Faults = [new Fault.LineForLoad(new("r0"), 0)], Tripped = [new("r0")] };
        Assert.InRange(house.Solve(turned, circuit.Key).Between(new("r0"), 0, TerminalKind.Hot, TerminalKind.Neutral).Value, 110m, 125m);
        var right = HouseState.AsPlanned with { Tripped = [new("r0")] };
        Assert.InRange(house.Solve(right, circuit.Key).Between(new("r0"), 0, TerminalKind.Hot, TerminalKind.Neutral).Value, 0m, 1m);
    }

    [Fact] // neutral and ground touch at the last box: the ground takes its share of the current, by the ohms of both ways
    public void A_neutral_on_the_ground_shares_its_current()
    {
        var (house, circuit, _) = Chain();
        var last = circuit.Runs[^1];
        var energy = house.Solve(HouseState.AsPlanned with
        {
            Plugged = [new(last.To.Box!.Value, Portable.Heater)],
            Faults = [new Fault.NeutralOnGround(last.To.Box!.Value)],
        }, circuit.Key);
        var (white, bare) = (energy.Through(last.Id, ConductorColour.White).Value, energy.Through(last.Id, ConductorColour.Bare).Value);
        Assert.InRange(white + bare, 11m, 13m);
        // Alike in gauge and length, but for the 10 mΩ where they touch.
        Assert.InRange(bare / white, 0.8m, 1m);
        Assert.InRange(energy.Around(circuit.HomeRun!.Id).Value, 0m, 0.001m);
    }

    [Fact]
    public void A_traveler_on_the_common_screw_lights_its_lamp_in_one_position_of_the_other_alone()
    {
        var (plan, circuit, group) = ThreeWays();
        var house = new HouseNetwork(plan);
        var lamp = group.Lamps[0];
        bool Lit(bool one, bool two, params Fault[] faults)
        {
            var thrown = new List<SwitchGang>();
            if (one)
            {
                thrown.Add(group.Switches[0]);
            }

            if (two)
            {
                thrown.Add(group.Switches[1]);
            }

            return house.Solve(HouseState.AsPlanned with { Thrown = [.. thrown], Faults = [.. faults] }, circuit.Key)
                .Between(lamp, 0, TerminalKind.Hot, TerminalKind.Neutral).Value > 60;
        }

        var right = new[] { Lit(false, false), Lit(false, true), Lit(true, true), Lit(true, false) };
        Assert.Equal([true, false, true, false], right.Select(l => l == right[0]));
        var wrong = new Fault.TravelerOnCommon(group.Switches[0]);
        // Each switch should turn the lamp over whatever the other does; now some of the four steps change nothing.
        var crossed = new[] { Lit(false, false, wrong), Lit(false, true, wrong), Lit(true, true, wrong), Lit(true, false, wrong) };
        Assert.NotEqual([true, false, true, false], crossed.Select(l => l == crossed[0]));
    }

    private static (Plan, WiredCircuit, ControlGroup) ThreeWays() => Enumerable.Range(1, 40)
        .Select(n => Planner.Plan(BuiltHouses.Number(n)))
        .SelectMany(p => p.Circuits.SelectMany(c => c.Groups.Where(g => g.Switches.Length == 2 && c.Poles == 1).Select(g => (p, c, g))))
        .First();

    [Fact] // 30 W on leg A alone (480 Ω) and 240 VA on B: without the service's neutral the earth is no way back worth the name
    public void Without_the_services_neutral_volts_wander_by_the_loads_of_the_legs()
    {
        var plan = Planner.Plan(BuiltHouses.Number(2));
        var house = new HouseNetwork(plan);
        var outlet = house.Branches.Where(c => c.Poles == 1 && c.Panel == plan.Job.Panels[0].Id
            && PlugIn.CanBeAt(plan.Survey[c.Circuit.Boxes[0]]))
            .ToList();
        var (a, b) = (outlet.First(c => plan.Landed(c.Key)!.Leg == Panels.Leg.A), outlet.First(c =>
            plan.Landed(c.Key)!.Leg == Panels.Leg.B));
        var energy = house.Solve(HouseState.AsPlanned with
        {
            AppliancesRun = false,
            Plugged = [new(a.Circuit.Boxes[0], Portable.Heater)],
            Faults = [new Fault.ServiceNeutralLost()],
        });
        Volts At(WiredCircuit c) => energy.Between(c.Circuit.Boxes[0], plan.Survey[c.Circuit.Boxes[0]].Box.Devices
            .Select((d, g) => (d, g)).First(x => x.d.Kind.IsGeneralReceptacle()).g, TerminalKind.Hot, TerminalKind.Neutral);
        // 9.6 Ω against 26 Ω of earth and little else: the heater's leg sinks, the other rises.
        Assert.True(At(a).Value < 60, $"{At(a)}");
        Assert.True(At(b).Value > 180, $"{At(b)}");
    }

    [Fact]
    public void The_solver_agrees_with_elimination_by_the_book()
    {
        var random = new Random(11);
        for (var time = 0; time < 200; time++)
        {
            var n = random.Next(3, 25);
            var ours = new Network();
            for (var i = 0; i < n; i++)
            {
                ours.Node();
            }

            ours.Hold(0, 120);
            ours.Hold(1, 0);
            var matrix = new double[n, n];
            var right = new double[n];
            for (var i = 0; i < n; i++)
            {
                matrix[i, i] = Network.Leak;
            }

            for (var e = 0; e < 3 * n; e++)
            {
                int a = random.Next(n), b = random.Next(n);
                if (a == b)
                {
                    continue;
                }

                var ohms = Math.Pow(10, (random.NextDouble() * 5) - 3);
                ours.Join(a, b, ohms);
                matrix[a, a] += 1 / ohms;
                matrix[b, b] += 1 / ohms;
                matrix[a, b] -= 1 / ohms;
                matrix[b, a] -= 1 / ohms;
            }

            if (n > 4)
            {
                ours.Draw(2, 3, 5);
                right[2] -= 5;
                right[3] += 5;
            }

            foreach (var (node, volts) in new[] { (0, 120.0), (1, 0.0) })
            {
                for (var j = 0; j < n; j++)
                {
                    matrix[node, j] = node == j ? 1 : 0;
                }

                right[node] = volts;
            }

            var expected = Dense(matrix, right);
            var found = ours.Solve();
            for (var i = 0; i < n; i++)
            {
                Assert.InRange(found[i] - expected[i], -1e-3, 1e-3);
            }
        }
    }

    // Elimination with pivots, row by row, as it is taught.
    private static double[] Dense(double[,] m, double[] r)
    {
        var n = r.Length;
        for (var k = 0; k < n; k++)
        {
            var pivot = Enumerable.Range(k, n - k).MaxBy(i => Math.Abs(m[i, k]));
            for (var j = 0; j < n; j++)
            {
                (m[k, j], m[pivot, j]) = (m[pivot, j], m[k, j]);
            }

            (r[k], r[pivot]) = (r[pivot], r[k]);
            for (var i = k + 1; i < n; i++)
            {
                var f = m[i, k] / m[k, k];
                for (var j = k; j < n; j++)
                {
                    m[i, j] -= f * m[k, j];
                }

                r[i] -= f * r[k];
            }
        }

        for (var i = n - 1; i >= 0; i--)
        {
            for (var j = i + 1; j < n; j++)
            {
                r[i] -= m[i, j] * r[j];
            }

            r[i] /= m[i, i];
        }

        return r;
    }

    // Two bedrooms of outlets, 15 A on 14 each, on AFCI breakers.
    private static (HouseNetwork House, WiredCircuit One, WiredCircuit Other) TwoBedrooms()
    {
        var job = Houses.Row(("a", RoomUse.Bedroom, 20), ("b", RoomUse.Bedroom, 20)).With([.. new[] { "a", "b" }.SelectMany(room =>
            Enumerable.Range(0, 3).Select(i => Houses.On($"{room}{i}", room, 1, 40 + (i * 60))))]) with
        { Schools = new() { Lighting = LightsAndReceptacles.ApartBedrooms15, Bedrooms = BedroomSharing.OneEach } };
        var plan = Planner.Plan(job);
        return (new(plan), plan.CircuitOf(new("a0"))!, plan.CircuitOf(new("b0"))!);
    }

    private static bool IsLive(Energy energy, string box) =>
        energy.Between(new(box), 0, TerminalKind.Hot, TerminalKind.Neutral).Value > 100;

    [Fact]
    public void A_hot_on_the_wrong_breaker_stays_live_when_its_own_is_opened()
    {
        var (house, one, other) = TwoBedrooms();
        Assert.NotEqual(one.Key, other.Key);
        var energy = house.Solve(HouseState.AsPlanned with
        { Open = [one.Key], Faults = [new Fault.WrongCircuit(one.Key, other.Key)] });
        Assert.True(IsLive(energy, "a0"));
        Assert.False(IsLive(energy, "b0"));
        var planned = house.Solve(HouseState.AsPlanned with { Open = [one.Key] });
        Assert.False(IsLive(planned, "a0"));
        Assert.True(IsLive(planned, "b0"));
    }

    [Fact] // 1500 VA is 12.5 A at 120 V: it goes out by one cable and comes back by the other
    public void A_borrowed_neutral_brings_the_current_back_by_another_cable()
    {
        var (house, one, other) = TwoBedrooms();
        var energy = house.Solve(HouseState.AsPlanned with
        {
            Plugged = [new(new("a1"), Portable.Heater)],
            Faults = [new Fault.BorrowedNeutral(one.Key, new("b0"))],
        });
        Assert.InRange(energy.Around(one.HomeRun!.Id).Value, 11.8m, 12.5m);
        Assert.InRange(energy.Around(other.HomeRun!.Id).Value, 11.8m, 12.5m);
        Assert.InRange(energy.LostAtBreaker(one.Key).Value, 11.8m, 12.5m);
        Assert.True(IsLive(energy, "a1"));
        // The other's neutral off its bar too, and the volts of one reach the neutral of both.
        var lost = house.Solve(HouseState.AsPlanned with
        {
            Plugged = [new(new("a1"), Portable.Heater)],
            Faults =
            [
                new Fault.BorrowedNeutral(one.Key, new("b0")),
                new Fault.LeftOut(null, other.HomeRun!.Id, ConductorColour.White),
            ],
        });
        Assert.True(lost.Between(new("b0"), 0, TerminalKind.Neutral, TerminalKind.Ground).Value > 100);
    }

    [Fact] // hair dryer and heater: 15.6 + 12.5 = 28.1 A, 188 % of 15 A and 94 % of 30
    public void A_larger_breaker_holds_what_the_planned_one_opens()
    {
        var (house, one, _) = TwoBedrooms();
        var state = HouseState.AsPlanned with { Plugged = [new(new("a0"), Portable.HairDryer), new(new("a1"), Portable.Heater)] };
        var opened = Assert.Single(WhoOpens.Settle(house, state).Openings);
        Assert.InRange(opened.Because.Value, 26.5m, 28.1m);
        Assert.Empty(WhoOpens.Settle(house, state with { Faults = [new Fault.WrongBreaker(one.Key, new(30))] }).Openings);
    }

    [Fact]
    public void An_arc_opens_an_arc_fault_breaker_and_no_other()
    {
        var (house, one, _) = TwoBedrooms();
        Assert.Equal(BreakerKind.Afci, one.BreakerKind);
        var state = HouseState.AsPlanned with
        { Plugged = [new(new("a1"), Portable.Vacuum)], Faults = [new Fault.Arcing(new("a1"))] };
        var opened = Assert.Single(WhoOpens.Settle(house, state).Openings);
        Assert.True(opened.OnArc);
        Assert.Equal(one.Key, opened.Circuit);
        // Nothing flows, nothing arcs.
        Assert.Empty(WhoOpens.Settle(house, state with { Plugged = [] }).Openings);
        var kitchen = Planner.Plan(Houses.Row(("g", RoomUse.Garage, 20)).With(Houses.On("g0", "g", 1, 60)));
        var plain = new HouseNetwork(kitchen);
        Assert.DoesNotContain(WhoOpens.Settle(plain, HouseState.AsPlanned with
        { Plugged = [new(new("g0"), Portable.Vacuum)], Faults = [new Fault.Arcing(new("g0"))] }).Openings, o => o.OnArc);
    }

    [Fact] // out and back by 14 AWG at 3.07 Ω a thousand feet, 30 mΩ of service, 11 mΩ of touch and contacts
    public void A_short_at_the_end_of_a_long_cable_opens_by_its_magnetic_part()
    {
        var job = Houses.Row(("a", RoomUse.Bedroom, 100)).With(Houses.On("far", "a", 1, 1150)) with
        { Schools = new() { Lighting = LightsAndReceptacles.ApartBedrooms15 } };
        var house = new HouseNetwork(Planner.Plan(job));
        var circuit = house.Branches.Single();
        var feet = circuit.HomeRun!.Length.Value.Feet;
        Assert.InRange(feet, 95m, 130m);
        var opened = Assert.Single(WhoOpens.Settle(house, HouseState.AsPlanned with
        { Faults = [new Fault.Nailed(circuit.HomeRun.Id, ConductorColour.Black, ConductorColour.White) { Along = new(99.9m) }] }).Openings);
        var amps = 120 / ((2 * 3.07m * feet / 1000) + 0.041m);
        Assert.InRange(opened.Because.Value / amps, 0.99m, 1.01m);
        // Ten times the rating and more: within a second, at 1500 % at once.
        Assert.True(opened.Because.Value > 150);
        Assert.InRange(opened.Within.TotalSeconds, 0.05, 1);
    }

    // A state drawn by a number: switches thrown, things plugged in, some of the time a fault.
    private static HouseState Drawn(HouseNetwork house, int seed)
    {
        var lot = new Random(seed);
        var branches = house.Branches.ToList();
        var suspects = Suspect.Of(house, branches[lot.Next(branches.Count)]).Where(s => s.Fault is not null).ToList();
        return HouseState.AsPlanned with
        {
            Thrown = [.. branches.SelectMany(c => c.Groups).SelectMany(g => g.Switches).Where(_ => lot.Next(2) == 0)],
            Plugged = [.. branches.SelectMany(c => c.Circuit.Boxes).Where(b => PlugIn.CanBeAt(house.Plan.Survey[b]) && lot.Next(6) == 0)
                .Select(b => new Plugged(b, (Portable)lot.Next(5)))],
            Faults = lot.Next(2) == 0 || suspects.Count == 0 ? [] : [suspects[lot.Next(suspects.Count)].Fault!],
        };
    }

    [Theory] // Kirchhoff: what flows to a node flows from it; Tellegen: what the source gives is what the elements take
    [MemberData(nameof(Houses12))]
    public void Currents_at_every_node_sum_to_nothing_and_power_in_is_power_out(int number)
    {
        var house = new HouseNetwork(Planner.Plan(BuiltHouses.Number(number)));
        for (var seed = 0; seed < 6; seed++)
        {
            var (network, volts) = house.Solve(Drawn(house, (number * 100) + seed)).Solved;
            var (sums, sizes) = (new double[network.Nodes], new double[network.Nodes]);
            var taken = 0.0;
            foreach (var (a, b, ohms) in network.Elements)
            {
                var amps = (volts[a] - volts[b]) / ohms;
                (sums[a], sums[b]) = (sums[a] - amps, sums[b] + amps);
                (sizes[a], sizes[b]) = (Math.Max(sizes[a], Math.Abs(amps)), Math.Max(sizes[b], Math.Abs(amps)));
                taken += amps * (volts[a] - volts[b]);
            }

            // Besides the elements, every node has a gigaohm of insulation to the neutral of the source.
            var free = Enumerable.Range(0, network.Nodes).Where(n => !network.Held.ContainsKey(n)).ToList();
            Assert.All(free, n => Assert.InRange(Math.Abs(sums[n] - (Network.Leak * volts[n])), 0, 1e-9 + (sizes[n] * 1e-9)));
            taken += free.Sum(n => Network.Leak * volts[n] * volts[n]);
            var given = network.Held.Sum(h => -sums[h.Key] * h.Value);
            Assert.InRange(given - taken, -1e-4 - (taken * 1e-8), 1e-4 + (taken * 1e-8));
        }
    }

    [Fact] // loads of given current do not know of each other: what each takes off the volts is added
    public void Drops_of_two_loads_are_the_sum_of_each()
    {
        var (house, circuit) = (TwoBedrooms().House, TwoBedrooms().One);
        decimal Volts(params Plugged[] plugged) => house.Solve(HouseState.AsPlanned with
        { CurrentsOfPlates = true, Plugged = [.. plugged] }, circuit.Key).Between(new("a2"), 0, TerminalKind.Hot, TerminalKind.Neutral)
            .Value;
        Plugged heater = new(new("a0"), Portable.Heater), dryer = new(new("a2"), Portable.HairDryer);
        var none = Volts();
        var (one, other, both) = (none - Volts(heater), none - Volts(dryer), none - Volts(heater, dryer));
        Assert.True(one > 0.1m && other > 0.1m);
        Assert.InRange(both - one - other, -0.00001m, 0.00001m);
    }
}
