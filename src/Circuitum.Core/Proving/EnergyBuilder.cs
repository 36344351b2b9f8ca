using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Protection;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Proving;

/// <summary>Builds the network of some circuits in one state, from the source to the last screw.</summary>
/// <param name="house">The wiring.</param>
/// <param name="state">How it stands.</param>
/// <param name="keys">The circuits.</param>
/// <param name="fed">The source gives its volts; false with the service off, when only what a meter sends itself flows.</param>
internal sealed partial class EnergyBuilder(HouseNetwork house, HouseState state, ImmutableArray<CircuitKey> keys, bool fed = true)
{
    // Typical, of no maker: a closed contact or a clamped screw; a fastener through two conductors; one service conductor with its share of
    // the transformer; a rod in the earth; the source's own ground.
    private const double Contact = 0.0005;
    private const double Touching = 0.01;
    private const double Service = 0.015;
    private const double Rod = 25;
    private const double SourceGround = 1;

    // What a meter or a tester's lamps would put between the screws of an outlet, always there: what floats reads between them.
    private const double Burden = 10_000_000;

    // What keeps a screw that nobody touches from having no volts at all: next to nothing beside a tester.
    private const double HangingFree = 1_000_000_000;

    private readonly Network network = new();
    private readonly Dictionary<(BoxId Box, Terminal Terminal), int> screws = [];
    private readonly Dictionary<(BoxId? Box, RunId Run, ConductorColour Colour), int> ends = [];
    private readonly Dictionary<PanelId, Bars> bars = [];
    private readonly Dictionary<(RunId Run, ConductorColour Colour), int> conductors = [];
    private readonly Dictionary<CircuitKey, ImmutableArray<int>> poles = [];
    private readonly Dictionary<CircuitKey, int> neutrals = [];
    private readonly Dictionary<BoxId, (int Hot, int Neutral)> sensors = [];
    private readonly Dictionary<BoxId, int> protective = [];

    public Energy Solve()
    {
        Build();
        if (sent is var (from, to) && Node(from) is int first && Node(to) is int second)
        {
            network.Draw(first, second, 0.001);
        }

        if (state.Probed is { } probed && Node(probed.One) is int one && Node(probed.Other) is int other)
        {
            network.Join(one, other, (double)probed.Ohms.Value);
        }

        return new(network, network.Solve(), ScrewAt, Node, ends, conductors, poles, neutrals, sensors, keys);
    }

    /// <summary>What is joined with what, for a meter on conductors that were taken out of their joints.</summary>
    public Continuity Trace()
    {
        Build();
        return new(network, ends, conductors);
    }

    private void Build()
    {
        Source();
        foreach (var key in keys)
        {
            BarsOf(house.Circuit(key).Panel);
        }

        foreach (var key in keys)
        {
            Joints(key);
        }

        foreach (var key in keys)
        {
            Cables(house.Circuit(key));
        }

        foreach (var key in keys)
        {
            Devices(house.Circuit(key));
        }

        Borrow();
    }

    /// <summary>The network of the circuits with a current of a thousandth of an ampere sent from one probe to the other.</summary>
    public Energy Send(Probe from, Probe to)
    {
        sent = (from, to);
        return Solve();
    }

    private (Probe From, Probe To)? sent;

    // The face of a protective receptacle is behind its contacts. Null where there is nothing.
    private int? ScrewAt(BoxId box, int gang, TerminalKind kind) =>
        screws.ContainsKey((box, new(gang, kind))) ? Face(box, gang, kind) : null;

    // Where a lead touches; null for what is not among the circuits.
    private int? Node(Probe probe) => probe switch
    {
        Probe.AtScrew at => ScrewAt(at.Box, at.Gang, at.Terminal),
        Probe.AtEnd at => ends.TryGetValue((at.Box, at.Run, at.Colour), out var node) ? node : null,
        Probe.AtBar at => bars.TryGetValue(at.Panel, out var bar) ? at.Ground ? bar.Ground : bar.Neutral : null,
        _ => null,
    };

    private IEnumerable<T> Faults<T>()
        where T : Fault => state.Faults.OfType<T>();

    private void Joints(CircuitKey key)
    {
        foreach (var wiring in house.Wirings(key))
        {
            if (wiring.Protective is { } place)
            {
                protective[wiring.Box] = place;
            }

            foreach (var joint in state.Made.GetValueOrDefault(wiring.Box, wiring.Joints))
            {
                var node = network.Node();
                foreach (var end in joint.Ends)
                {
                    ends[(wiring.Box, end.Run.Id, end.Conductor.Colour)] = EndAt(wiring.Box, end, node);
                }

                foreach (var terminal in joint.Terminals)
                {
                    screws[(wiring.Box, terminal)] = node;
                }
            }

            foreach (var (cable, conductor) in wiring.Cables.SelectMany(c => Conductor.In(c.Run).Select(w => (c, w))))
            {
                ends.TryAdd((wiring.Box, cable.Run.Id, conductor.Colour), network.Node());
            }

            Turn(wiring.Box);
            if (Faults<Fault.NeutralOnGround>().Any(f => f.Box == wiring.Box)
                && wiring.Joints.FirstOrDefault(j => j.Ends.Any(e => e.Conductor.Carries == Carried.Neutral)) is { } neutral
                && wiring.Joints.FirstOrDefault(j => j.Ends.Any(e => e.Conductor.Carries is null)) is { } ground)
            {
                network.Join(NodeOf(wiring.Box, neutral), NodeOf(wiring.Box, ground), Touching);
            }
        }
    }

    private int NodeOf(BoxId box, Joint joint) => ends[(box, joint.Ends[0].Run.Id, joint.Ends[0].Conductor.Colour)];

    // A conductor in its joint, left out of it, or loosely in it.
    private int EndAt(BoxId box, CableEnd end, int joint)
    {
        if (IsLeftOut(box, end.Run.Id, end.Conductor.Colour))
        {
            return network.Node();
        }

        if (Faults<Fault.Loose>().FirstOrDefault(f => f.Box == box && f.Run == end.Run.Id && f.Colour == end.Conductor.Colour) is { } loose)
        {
            var node = network.Node();
            network.Join(node, joint, (double)loose.Ohms.Value);
            return node;
        }

        return joint;
    }

    private bool IsLeftOut(BoxId? box, RunId run, ConductorColour colour) =>
        Faults<Fault.LeftOut>().Any(f => f.Box == box && f.Run == run && f.Colour == colour);

    // What is on the wrong screw: the screws change places.
    private void Turn(BoxId box)
    {
        foreach (var turned in Faults<Fault.Turned>().Where(f => f.Box == box))
        {
            Swap(box, turned.Gang, TerminalKind.Hot, TerminalKind.Neutral);
        }

        foreach (var turned in Faults<Fault.LineForLoad>().Where(f => f.Box == box))
        {
            Swap(box, turned.Gang, TerminalKind.Hot, TerminalKind.LoadHot);
            Swap(box, turned.Gang, TerminalKind.Neutral, TerminalKind.LoadNeutral);
        }

        foreach (var crossed in Faults<Fault.TravelerOnCommon>().Where(f => f.Switch.Box == box))
        {
            Swap(box, crossed.Switch.Gang, TerminalKind.Common, TerminalKind.TravelerOne);
        }

        foreach (var bootleg in Faults<Fault.Bootleg>().Where(f => f.Box == box))
        {
            var apart = screws[(box, new(bootleg.Gang, TerminalKind.Ground))] = network.Node();
            network.Join(apart, Screw(box, bootleg.Gang, TerminalKind.Neutral), Contact);
        }
    }

    private void Swap(BoxId box, int gang, TerminalKind one, TerminalKind other)
    {
        int a = Screw(box, gang, one), b = Screw(box, gang, other);
        (screws[(box, new(gang, one))], screws[(box, new(gang, other))]) = (b, a);
    }

    // A screw with nothing on it floats.
    private int Screw(BoxId box, int gang, TerminalKind kind)
    {
        var key = (box, new Terminal(gang, kind));
        return screws.TryGetValue(key, out var node) ? node : screws[key] = network.Node();
    }

    private void Cables(WiredCircuit circuit)
    {
        var bar = bars[circuit.Panel];
        foreach (var run in circuit.Runs.Where(r => r.To.Box is not null))
        {
            foreach (var conductor in Conductor.In(run))
            {
                var far = ends[(run.To.Box, run.Id, conductor.Colour)];
                if (run.From.Box is { } from)
                {
                    if (ends.TryGetValue((from, run.Id, conductor.Colour), out var near))
                    {
                        Pull(circuit, run, conductor, near, far);
                    }
                }
                else
                {
                    AtPanel(circuit, run, conductor, bar);
                    Pull(circuit, run, conductor, ends[(null, run.Id, conductor.Colour)], far);
                }
            }
        }
    }

    private void Pull(WiredCircuit circuit, Run run, Conductor conductor, int near, int far)
    {
        if (Faults<Fault.Parted>().Any(f => f.Run == run.Id && f.Colour == conductor.Colour))
        {
            return;
        }

        var ohms = Math.Max(1e-6, (double)(HouseNetwork.OhmsPerFoot(circuit, run, conductor) * run.Length.Value.Feet));
        if (Faults<Fault.Nailed>().FirstOrDefault(f => f.Run == run.Id && (f.One == conductor.Colour || f.Other == conductor.Colour))
            is { } nail)
        {
            var middle = network.Node();
            var along = (double)nail.Along.Value / 100;
            conductors[(run.Id, conductor.Colour)] = network.Join(near, middle, ohms * along);
            network.Join(middle, far, ohms * (1 - along));
            network.Join(middle, Nail(nail), Touching / 2);
            return;
        }

        conductors[(run.Id, conductor.Colour)] = network.Join(near, far, ohms);
    }

    private readonly Dictionary<Fault, int> nails = [];

    private int Nail(Fault.Nailed fault) => nails.TryGetValue(fault, out var node) ? node : nails[fault] = network.Node();

    private void Devices(WiredCircuit circuit)
    {
        foreach (var box in circuit.Circuit.Boxes.Select(b => house.Plan.Survey[b]))
        {
            var loads = new Queue<LoadItem>(circuit.Load.Items.Where(i => i.Box == box.Box.Id));
            for (var gang = 0; gang < box.Box.Devices.Length; gang++)
            {
                var device = box.Box.Devices[gang];
                var item = Counts(device) && loads.Count > 0 ? loads.Dequeue() : null;
                Close(box.Box.Id, gang, device.Kind);
                if (device.Kind.IsGeneralReceptacle())
                {
                    Outlet(box.Box.Id, gang);
                    foreach (var (plugged, i) in state.Plugged.Where(p => p.Box == box.Box.Id && gang == FirstReceptacle(box.Box))
                        .Select((p, i) => (p, i)))
                    {
                        // Of a split receptacle the second thing goes into the other half.
                        var second = i % 2 == 1 && screws.ContainsKey((box.Box.Id, new(gang, TerminalKind.SecondLeg)));
                        Load(circuit, Face(box.Box.Id, gang, second ? TerminalKind.SecondLeg : TerminalKind.Hot),
                            Face(box.Box.Id, gang, TerminalKind.Neutral), PlugIn.Typical(plugged.What),
                            house.Plan.Book.Supply.ToNeutral, second);
                    }
                }

                if (item is { Load.Value: > 0 } && !(item.Assumed && item.Use == LoadUse.PortableReceptacle)
                    && (device.Plate is null || state.AppliancesRun))
                {
                    var across = house.Plan.Book.Supply.IsAcross(device.Plate?.Volts ?? house.Plan.Book.Supply.ToNeutral);
                    var live = device.Kind == DeviceKind.CeilingFan ? TerminalKind.FanHot : TerminalKind.Hot;
                    Load(circuit, Face(box.Box.Id, gang, live), Face(box.Box.Id, gang, across ? TerminalKind.SecondLeg
                        : TerminalKind.Neutral),
                        item.Load, device.Plate?.Volts ?? house.Plan.Book.Supply.ToNeutral);
                }
            }
        }
    }

    private static int FirstReceptacle(Box box) => box.Devices.Select((d, i) => (d, i)).First(x => x.d.Kind.IsGeneralReceptacle()).i;

    // What the circuit's load has an item for: as CircuitLoad counts them, device by device.
    private static bool Counts(Device device) => device.Plate is { } plate ? !plate.Appliance.BringsPower()
        : device.Kind.IsReceptacle() || device.Kind.IsOverhead();

    private void Load(WiredCircuit circuit, int hot, int back, VoltAmps load, Volts volts, bool second = false)
    {
        if (state.CurrentsOfPlates)
        {
            // On the second leg the hot is below the neutral: what is drawn there comes from the neutral.
            var (from, to) = house.LegOf(circuit.Key) == Leg.A != second ? (hot, back) : (back, hot);
            network.Draw(from, to, (double)(load / volts).Value);
        }
        else
        {
            network.Join(hot, back, (double)(volts.Value * volts.Value / load.Value));
        }
    }

    // The face of a protective receptacle is behind its contacts.
    private int Face(BoxId box, int gang, TerminalKind kind) => !IsProtective(box, gang) ? Screw(box, gang,
        kind)
        : kind == TerminalKind.Hot ? Screw(box, gang, TerminalKind.LoadHot)
        : kind == TerminalKind.Neutral ? Screw(box, gang, TerminalKind.LoadNeutral) : Screw(box, gang, kind);

    private bool IsProtective(BoxId box, int gang) => protective.TryGetValue(box, out var place) && place == gang;

    private void Outlet(BoxId box, int gang)
    {
        if (!fed)
        {
            return;
        }

        int hot = Face(box, gang, TerminalKind.Hot), neutral = Face(box, gang, TerminalKind.Neutral),
            ground = Screw(box, gang, TerminalKind.Ground);
        network.Join(hot, neutral, Burden);
        network.Join(hot, ground, Burden);
        network.Join(neutral, ground, Burden);
        if (screws.TryGetValue((box, new(gang, TerminalKind.SecondLeg)), out var second))
        {
            // A tester is in one half at a time: one in either would hold a lost neutral or ground in the middle, where nothing shows.
            network.Join(second, neutral, HangingFree);
        }
    }

    private void Close(BoxId box, int gang, DeviceKind kind)
    {
        var on = Faults<Fault.Stuck>().FirstOrDefault(f => f.Switch == new SwitchGang(box, gang)) is { } stuck ? stuck.Closed
            : state.Thrown.Contains(new(box, gang));
        int? Join(TerminalKind a, TerminalKind b) => screws.ContainsKey((box, new(gang, a))) && screws.ContainsKey((box, new(gang, b)))
            ? network.Join(Screw(box, gang, a), Screw(box, gang, b), Contact) : null;
        if (IsProtective(box, gang))
        {
            Screw(box, gang, TerminalKind.Hot);
            Screw(box, gang, TerminalKind.LoadHot);
            Screw(box, gang, TerminalKind.LoadNeutral);
            Screw(box, gang, TerminalKind.Neutral);
            if (!state.Tripped.Contains(box))
            {
                sensors[box] = (Join(TerminalKind.Hot, TerminalKind.LoadHot)!.Value, Join(TerminalKind.Neutral,
                    TerminalKind.LoadNeutral)!.Value);
            }
            else
            {
                sensors[box] = (-1, -1);
            }
        }

        foreach (var (one, other) in Contacts.Closed(kind, on))
        {
            Join(one, other);
        }
    }
}
