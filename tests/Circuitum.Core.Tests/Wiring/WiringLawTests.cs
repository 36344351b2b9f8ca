using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Protection;
using Circuitum.Core.Routing;
using Circuitum.Core.Wiring;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>The wiring graph in every position of every switch: what a person would find with a tester.</summary>
public sealed class WiringLawTests
{
    private static void Holds(Action<Plan, WiredCircuit> law, int iterations = 150) => SwitchedRooms.Jobs.Sample(job =>
    {
        var plan = Planner.Plan(job);
        foreach (var circuit in plan.Circuits)
        {
            law(plan, circuit);
        }
    }, iter: iterations);

    private static IEnumerable<HashSet<SwitchGang>> Positions(WiredCircuit circuit)
    {
        var switches = circuit.Groups.SelectMany(g => g.Fan is SwitchGang fan ? g.Switches.Add(fan) : g.Switches).Distinct().ToList();
        return Enumerable.Range(0, 1 << Math.Min(switches.Count, 9))
            .Select(bits => switches.Where((_, i) => ((bits >> i) & 1) == 1).ToHashSet());
    }

    private static Energised With(Plan plan, WiredCircuit circuit, HashSet<SwitchGang> thrown) =>
        new(circuit, plan.Survey, plan.Job.Schools.Joints, thrown);

    [Fact]
    public void Nothing_is_shorted_and_every_device_is_grounded() => Holds((plan, circuit) =>
    {
        foreach (var thrown in Positions(circuit))
        {
            var energised = With(plan, circuit, thrown);
            Assert.True(energised.IsSound);
            Assert.All(circuit.Circuit.Boxes,
                b => Assert.All(Enumerable.Range(0, plan.Survey[b].Box.Devices.Length), g => Assert.True(energised.IsGrounded(b, g))));
        }
    });

    [Fact]
    public void Receptacles_are_live_whatever_the_switches_do() => Holds((plan, circuit) =>
    {
        foreach (var thrown in Positions(circuit))
        {
            var energised = With(plan, circuit, thrown);
            foreach (var box in circuit.Circuit.Boxes.Select(b => plan.Survey[b].Box))
            {
                Assert.All(Enumerable.Range(0, box.Devices.Length).Where(g => box.Devices[g].Kind.IsGeneralReceptacle()),
                    g => Assert.True(energised.Has(box.Id, g), $"{box.Id} device {g}"));
            }
        }
    });

    [Fact] // throwing any one switch of a set turns all its lamps over; a fan's own control turns its blades and nothing else
    public void Every_switch_of_a_set_turns_its_lamps_over_and_no_others() => Holds((plan, circuit) =>
    {
        var groups = circuit.Groups;
        bool Lit(Energised energised, BoxId lamp, TerminalKind kind = TerminalKind.Hot) =>
            energised.Has(lamp, 0, plan.Survey[lamp].Box.Devices[0].Kind == DeviceKind.HalfSwitched ? TerminalKind.SwitchedHalf : kind);
        foreach (var thrown in Positions(circuit))
        {
            var before = With(plan, circuit, thrown);
            foreach (var group in groups)
            {
                Assert.Single(group.Lamps.Select(l => Lit(before, l)).Distinct());
                foreach (var place in group.Switches)
                {
                    var after = With(plan, circuit, thrown.Contains(place) ? [.. thrown.Where(t => t != place)] : [.. thrown, place]);
                    Assert.All(groups.SelectMany(g => g.Lamps.Select(l => (g, l))),
                        x => Assert.Equal(Lit(before, x.l) != (x.g == group), Lit(after, x.l)));
                }

                if (group.Fan is SwitchGang fan)
                {
                    var blades = group.Lamps.Where(l => plan.Survey[l].Box.Devices.Any(d => d.Kind == DeviceKind.CeilingFan)).ToList();
                    Assert.All(blades, b => Assert.Equal(thrown.Contains(fan), Lit(before, b, TerminalKind.FanHot)));
                }
            }
        }
    });

    [Fact] // pressed, a device takes with it what is said to reset there and nothing else: 210.8, 210.12(A)
    public void What_is_said_to_reset_at_a_device_goes_dead_with_it_and_nothing_else() => Holds((plan, circuit) =>
    {
        foreach (var (device, kind) in circuit.Devices)
        {
            var tripped = new Energised(circuit, plan.Survey, plan.Job.Schools.Joints, new HashSet<SwitchGang>(),
                new HashSet<BoxId> { device });
            foreach (var (box, outlet) in circuit.Outlets.Where(o => o.Key != device))
            {
                var behind = (kind.Kind != ProtectiveKind.Afci && Reset(circuit, box).Contains(device)) || outlet.AfciResetAt == device;
                var places = plan.Survey[box].Box.Devices;
                Assert.All(Enumerable.Range(0, places.Length).Where(g => places[g].Kind.IsGeneralReceptacle()),
                    g => Assert.True(tripped.Has(box, g) != behind, $"{box} with {device} ({kind.Kind}) tripped"));
            }
        }
    }, 400);

    // Every ground-fault device on the way: behind two, either takes it along.
    private static List<BoxId> Reset(WiredCircuit circuit, BoxId box)
    {
        var found = new List<BoxId>();
        for (var at = box; ;)
        {
            if (circuit.Runs.FirstOrDefault(r => r.To.Box == at)?.From.Box is not BoxId before)
            {
                return found;
            }

            if (circuit.Devices.TryGetValue(before, out var device) && device.Load.Contains(at))
            {
                found.Add(before);
            }

            at = before;
        }
    }

    [Fact] // 300.3(B): what goes out by a cable comes back by it, so that no cable carries a difference
    public void The_neutral_of_every_load_comes_back_by_the_cables_its_hot_went_out_by() => Holds((plan, circuit) =>
    {
        foreach (var box in circuit.Circuit.Boxes.Select(b => plan.Survey[b]))
        {
            for (var gang = 0; gang < box.Box.Devices.Length; gang++)
            {
                var kind = box.Box.Devices[gang].Kind;
                if (kind.IsSwitch())
                {
                    continue;
                }

                var neutral = Follow(plan, circuit, box.Box.Id, new(gang, TerminalKind.Neutral));
                foreach (var live in new[] { TerminalKind.Hot, TerminalKind.SwitchedHalf, TerminalKind.FanHot })
                {
                    if (circuit.Wiring(box, plan.Job.Schools.Joints).At(new(gang, live)) is not null)
                    {
                        Assert.Equal(neutral, Follow(plan, circuit, box.Box.Id, new(gang, live)));
                    }
                }
            }
        }
    });

    // Cables from a terminal back to the panel: by its joint's conductor towards the panel, through a switch to its feed. A loop goes out
    // and back, so both its passages leave.
    private static List<string> Follow(Plan plan, WiredCircuit circuit, BoxId box, Terminal terminal)
    {
        var cables = new HashSet<string>();
        var joint = circuit.Wiring(plan.Survey[box], plan.Job.Schools.Joints).At(terminal)!;
        for (var steps = 0; steps < 60; steps++)
        {
            var wiring = circuit.Wiring(plan.Survey[box], plan.Job.Schools.Joints);
            var home = joint.Ends.FirstOrDefault(e => e.Run.To.Box == box
                && !(e.Run.Kind == RunKind.SwitchLoop && e.Conductor.Carries == Carried.Switched));
            var loop = joint.Ends.FirstOrDefault(e => e.Run.Kind == RunKind.SwitchLoop && e.Run.From.Box == box
                && e.Conductor.Carries == Carried.Switched);
            if (home is not null)
            {
                cables.Add(home.Run.Id.ToString());
                if (home.Run.From.Box is not BoxId from)
                {
                    return [.. cables.Order(StringComparer.Ordinal)];
                }

                box = from;
                joint = circuit.Wiring(plan.Survey[box], plan.Job.Schools.Joints).At(home.Run, home.Conductor.Carries)!;
            }
            else if (loop is not null)
            {
                // Out to the switch and back in one cable: nothing is left of it, and the feed is in this box.
                joint = wiring.At(loop.Run, Carried.Hot)!;
            }
            else
            {
                // The load side of a protective receptacle is fed by it, whatever else is on it.
                var at = joint.Terminals.OrderBy(t => t.Kind is TerminalKind.LoadHot or TerminalKind.LoadNeutral ? 0 : 1)
                    .First(t => t.Kind is TerminalKind.SwitchOut or TerminalKind.Common or TerminalKind.TravelerOne
                    or TerminalKind.TravelerTwo or TerminalKind.OutOne or TerminalKind.OutTwo or TerminalKind.LoadHot
                    or TerminalKind.LoadNeutral);
                var feed = at.Kind switch
                {
                    TerminalKind.SwitchOut => TerminalKind.SwitchIn,
                    TerminalKind.Common => TerminalKind.TravelerOne,
                    TerminalKind.OutOne or TerminalKind.OutTwo => TerminalKind.TravelerOne,
                    TerminalKind.LoadHot => TerminalKind.Hot,
                    TerminalKind.LoadNeutral => TerminalKind.Neutral,
                    _ => TerminalKind.Common,
                };
                joint = wiring.At(new(at.Gang, feed))!;
            }
        }

        throw new InvalidOperationException($"No way home from {box}.");
    }

    [Fact]
    public void Every_conductor_of_every_cable_is_in_one_joint_at_each_end() =>
        Holds((plan, circuit) => Assert.All(circuit.Circuit.Boxes, b =>
    {
        var wiring = circuit.Wiring(plan.Survey[b], plan.Job.Schools.Joints);
        var ends = wiring.Joints.SelectMany(j => j.Ends).Select(e => (e.Run.Id, e.Conductor.Colour)).ToList();
        Assert.Equal(ends.Count, ends.Distinct().Count());
        Assert.Equal(wiring.Cables.Sum(c => c.Run.Conductors + 1), ends.Count);
        Assert.All(wiring.Joints,
            j => Assert.True(j.By switch
            {
                JointBy.Cap => j.Ends.Length == 1 && j.Terminals.IsEmpty,
                JointBy.Screw => (j.Ends.Length, j.Terminals.Length) == (1, 1),
                JointBy.Device =>
                (j.Ends.Length, j.Terminals.Length) == (2, 1),
                _ => true
            }));
    }));
}
