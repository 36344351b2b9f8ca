using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Protection;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Wiring;

/// <summary>Works out the make-up of a box: which conductors join, pass, feed a device or are switched.</summary>
internal sealed class MakingUp
{
    private readonly PlacedBox placed;
    private readonly ProtectedCircuit circuit;
    private readonly JointSchool school;
    private readonly ImmutableArray<Run> into;
    private readonly ImmutableArray<Run> from;
    private readonly ImmutableArray<ControlGroup> groups;
    private readonly List<Net> nets = [];

    public MakingUp(WiredCircuit wired, PlacedBox placed, JointSchool school)
    {
        (this.placed, this.school, circuit) = (placed, school, wired.Protected);
        var box = wired.Boxes[placed.Box.Id];
        (into, from) = (box.In, box.Out);
        groups = circuit.Routed.Groups;
        Fed = box.FedBy;
    }

    private Run Fed { get; }

    private BoxId Id => placed.Box.Id;

    public BoxWiring Make()
    {
        foreach (var run in into.Concat(from))
        {
            foreach (var conductor in Conductor.In(run).Where(c => c.Carries is not null))
            {
                nets.Add(new(new CableEnd(run, conductor)));
            }
        }

        Pass();
        for (var gang = 0; gang < placed.Box.Devices.Length; gang++)
        {
            if (placed.Box.Devices[gang].Kind != DeviceKind.JointBox)
            {
                Wire(gang, placed.Box.Devices[gang].Kind);
            }
        }

        var protective = circuit.Devices.TryGetValue(Id, out var device) ? (int?)Enumerable.Range(0, placed.Box.Devices.Length)
            .First(g => placed.Box.Devices[g].Kind.IsGeneralReceptacle()) : null;
        if (protective is int at)
        {
            Protect(at, device!);
        }

        ImmutableArray<BoxCable> cables = [.. into.OrderBy(r => r == Fed ? 0 : 1).Select(r => (r, true))
            .Concat(from.Select(r => (r, false))).Select((c, i) => new BoxCable((char)('A' + i), c.r, c.Item2))];
        var ground = new Joint([.. cables.Select(c => new CableEnd(c.Run, Conductor.In(c.Run)[^1]))],
            [.. Enumerable.Range(0, placed.Box.Devices.Length).Select(g => new Terminal(g, TerminalKind.Ground))], JointBy.Splice, null);
        ground = ground with { By = ground.Ends.Length == 1 && ground.Terminals.Length == 1 ? JointBy.Screw : JointBy.Splice };
        return new(Id, cables,
            [.. nets.Where(n => n.Ends.Count > 0 || n.Terminals.Count > 1).OrderBy(Rank).Select(Done), ground],
            protective, protective is null ? null : cables.First(c => c.Run == Fed));
    }

    // Hots first, neutrals after, as they are made up after the grounds.
    private static int Rank(Net net) => net.Ends.TrueForAll(e => e.Conductor.Carries is Carried.Neutral or Carried.OtherNeutral)
        && !net.Terminals.Exists(t => t.Kind == TerminalKind.LoadHot) ? 1 : 0;

    // What arrives goes on by the runs that it feeds; travelers end at the switch they reach, and a disconnect stands in between.
    private void Pass()
    {
        foreach (var onward in from)
        {
            var own = into.FirstOrDefault(r => r.Id == onward.Upstream);
            if (own is not null)
            {
                foreach (var carries in onward.Carries.Where(c => c is not (Carried.TravelerOne or Carried.TravelerTwo)
                    && own.Carries.Contains(c) && !Disconnected(onward, c)))
                {
                    Join(NetOf(own, carries), NetOf(onward, carries));
                }
            }
            else if (onward.RidesIn is not null && into.FirstOrDefault(r => r.Id == onward.RidesIn) is { } cable)
            {
                // Another circuit leaves the cable that it came in.
                Join(NetOf(cable, Carried.OtherHot), NetOf(onward, Carried.Hot));
                Join(NetOf(cable, cable.Carries.Contains(Carried.OtherNeutral) ? Carried.OtherNeutral : Carried.Neutral),
                    NetOf(onward, Carried.Neutral));
            }
        }
    }

    private bool Disconnected(Run onward, Carried carries) => onward.Kind == RunKind.SwitchLeg && carries is Carried.Hot
        or Carried.SecondLeg && circuit.Circuit.Poles > 1
        && GroupOf(onward) is { } group && group.Switches.Any(s => s.Box == Id);

    private ControlGroup? GroupOf(Run run) => run.Group is int number ? groups[number] : null;

    private void Wire(int gang, DeviceKind kind)
    {
        if (kind.IsSwitch())
        {
            Switch(gang, kind);
            return;
        }

        var group = groups.FirstOrDefault(g => g.Lamps.Contains(Id));
        var leg = group is null ? null : into.FirstOrDefault(r => r.Kind == RunKind.SwitchLeg && GroupOf(r) == group)
            ?? (group.Loop ? Fed : null);
        var source = leg ?? Fed;
        var loop = group is { Loop: true } && leg == Fed ? from.FirstOrDefault(r => r.Kind == RunKind.SwitchLoop && GroupOf(r) == group)
            : null;
        var switched = loop is not null ? NetOf(loop, Carried.Switched) : leg is not null && leg.Carries.Contains(Carried.Switched)
            ? NetOf(leg, Carried.Switched) : null;
        if (loop is not null)
        {
            // The lamp that takes the feed hands on to the others what its switch sends back.
            foreach (var next in from.Where(r => r.Kind == RunKind.SwitchLeg && GroupOf(r) == group))
            {
                Join(switched, NetOf(next, Carried.Switched));
                switched = NetOf(loop, Carried.Switched);
            }
        }

        var hot = source.Carries.Contains(Carried.Hot) ? NetOf(source, Carried.Hot) : Fed.Carries.Contains(Carried.Hot)
            ? NetOf(Fed, Carried.Hot) : null;
        if (kind == DeviceKind.HalfSwitched && switched is not null)
        {
            On(switched, gang, TerminalKind.SwitchedHalf);
            On(hot, gang, TerminalKind.Hot);
        }
        else
        {
            On(switched ?? hot, gang, TerminalKind.Hot);
        }

        if (kind == DeviceKind.CeilingFan)
        {
            On(source.Carries.Contains(Carried.Fan) ? NetOf(source, Carried.Fan) : switched ?? hot, gang, TerminalKind.FanHot);
        }

        if (source.Carries.Contains(Carried.SecondLeg) && (!circuit.Circuit.Load.Split || circuit.Circuit.Load.Splits(kind)))
        {
            On(NetOf(source, Carried.SecondLeg), gang, TerminalKind.SecondLeg);
        }

        if (source.Carries.Contains(Carried.Neutral))
        {
            On(NetOf(source, Carried.Neutral), gang, TerminalKind.Neutral);
        }

        if ((kind.IsAlarm() || kind is DeviceKind.Equipment or DeviceKind.IndoorHead) && into.Concat(from)
            .FirstOrDefault(r => r.Carries.Contains(Carried.Signal)) is { } signal)
        {
            foreach (var other in into.Concat(from).Where(r => r != signal && r.Carries.Contains(Carried.Signal)))
            {
                Join(NetOf(signal, Carried.Signal), NetOf(other, Carried.Signal));
            }

            On(NetOf(signal, Carried.Signal), gang, TerminalKind.Signal);
        }
    }

    private void Switch(int gang, DeviceKind kind)
    {
        var here = new SwitchGang(Id, gang);
        if (groups.FirstOrDefault(g => g.Fan == here) is { } turns)
        {
            // The hot that comes with the light's own, so that all returns by one neutral (300.3(B)).
            var legs = from.Where(r => GroupOf(r) == turns && r.Carries.Contains(Carried.Fan)).ToList();
            var source = legs.Select(l => into.FirstOrDefault(r => r.Id == l.Upstream)).FirstOrDefault(r => r is not null) ?? Fed;
            On(NetOf(source, Carried.Hot), gang, TerminalKind.SwitchIn);
            Give(legs.Select(l => NetOf(l, Carried.Fan)), gang, TerminalKind.SwitchOut);
            return;
        }

        var number = -1;
        for (var i = 0; i < groups.Length && number < 0; i++)
        {
            number = groups[i].Switches.Contains(here) ? i : -1;
        }

        if (number < 0)
        {
            On(Fed.Carries.Contains(Carried.Hot) ? NetOf(Fed, Carried.Hot) : null, gang, TerminalKind.SwitchIn);
            return;
        }

        var group = groups[number];
        var place = group.Switches.IndexOf(here);
        var comes = into.FirstOrDefault(r => r.Kind is RunKind.Traveler or RunKind.SwitchLoop && GroupOf(r) == group);
        var goes = from.FirstOrDefault(r => r.Kind == RunKind.Traveler && GroupOf(r) == group);
        var outs = from.Where(r => r.Kind == RunKind.SwitchLeg && GroupOf(r) == group).ToList();
        if (group.Loop)
        {
            On(NetOf(comes, Carried.Hot), gang, TerminalKind.SwitchIn);
            On(NetOf(comes, Carried.Switched), gang, TerminalKind.SwitchOut);
        }
        else if (circuit.Circuit.Poles > 1)
        {
            On(NetOf(Fed, Carried.Hot), gang, TerminalKind.SwitchIn);
            On(NetOf(Fed, Carried.SecondLeg), gang, TerminalKind.SecondLeg);
            Give(outs.Select(o => NetOf(o, Carried.Hot)), gang, TerminalKind.SwitchOut);
            Give(outs.Select(o => NetOf(o, Carried.SecondLeg)), gang, TerminalKind.SecondOut);
        }
        else if (group.Switches.Length == 1)
        {
            On(NetOf(Fed, Carried.Hot), gang, TerminalKind.SwitchIn);
            Give(outs.Select(o => NetOf(o, Carried.Switched)), gang, TerminalKind.SwitchOut);
        }
        else
        {
            if (place == 0)
            {
                On(NetOf(Fed, Carried.Hot), gang, TerminalKind.Common);
            }
            else
            {
                On(NetOf(comes, Carried.TravelerOne), gang, TerminalKind.TravelerOne);
                On(NetOf(comes, Carried.TravelerTwo), gang, TerminalKind.TravelerTwo);
            }

            if (goes is not null)
            {
                On(NetOf(goes, Carried.TravelerOne), gang, place == 0 ? TerminalKind.TravelerOne : TerminalKind.OutOne);
                On(NetOf(goes, Carried.TravelerTwo), gang, place == 0 ? TerminalKind.TravelerTwo : TerminalKind.OutTwo);
            }
            else
            {
                Give(outs.Select(o => NetOf(o, Carried.Switched)), gang, TerminalKind.Common);
            }
        }

        if (kind is DeviceKind.Timer or DeviceKind.OccupancySensor && (comes ?? Fed).Carries.Contains(Carried.Neutral))
        {
            On(NetOf(comes ?? Fed, Carried.Neutral), gang, TerminalKind.Neutral);
        }
    }

    // What needs the device's protection hangs on its load screws; so does another receptacle in the same box.
    private void Protect(int gang, ProtectiveDevice device)
    {
        var loads = new[] { (TerminalKind.Hot, TerminalKind.LoadHot), (TerminalKind.Neutral, TerminalKind.LoadNeutral) }
            .Select(side => (On: new Terminal(gang, side.Item2), Net: ToLoad(new(gang, side.Item1), device))).ToList();
        if (loads.Exists(l => l.Net.Ends.Count + l.Net.Terminals.Count > 0))
        {
            loads.ForEach(l => l.Net.Terminals.Add(l.On));
        }
    }

    // Takes from the joint of the device's line screw what belongs on its load side; what feeds the box, and the screw itself, stay.
    private Net ToLoad(Terminal line, ProtectiveDevice device)
    {
        var load = new Net();
        if (nets.Find(n => n.Terminals.Contains(line)) is { } joint)
        {
            load.Ends.AddRange(joint.Ends.Where(e => from.Contains(e.Run) && IsBehind(e.Run, device)));
            load.Terminals.AddRange(joint.Terminals.Where(t => t != line && IsBehind(t.Gang, device)));
            joint.Ends.RemoveAll(load.Ends.Contains);
            joint.Terminals.RemoveAll(load.Terminals.Contains);
        }

        nets.Add(load);
        return load;
    }

    private static bool IsBehind(Run run, ProtectiveDevice device) => run.To.Box is BoxId to && device.Load.Contains(to);

    // An arc-fault device has the rest of the circuit on its load side, a ground-fault one what needs it: a switch goes with its lamps.
    private bool IsBehind(int gang, ProtectiveDevice device) => device.Kind != ProtectiveKind.Gfci
        || placed.Box.Devices[gang].Kind.IsGeneralReceptacle()
        || from.Any(r => IsBehind(r, device) && GroupOf(r) is { } group && group.Switches.Contains(new(Id, gang)));

    // Null where the cable does not carry it: a set of switches that a person tied so that it cannot work is still drawn, as far as it
    // goes.
    private Net? NetOf(Run? run, Carried carries) => nets.Find(n => n.Ends.Exists(e => e.Run == run && e.Conductor.Carries == carries));

    private void Join(Net? a, Net? b)
    {
        if (a is null || b is null || a == b)
        {
            return;
        }

        a.Ends.AddRange(b.Ends);
        a.Terminals.AddRange(b.Terminals);
        nets.Remove(b);
    }

    private static void On(Net? net, int gang, TerminalKind kind) => net?.Terminals.Add(new(gang, kind));

    private void Give(IEnumerable<Net?> legs, int gang, TerminalKind kind)
    {
        Net? first = null;
        foreach (var leg in legs.OfType<Net>().ToList())
        {
            if (first is null)
            {
                first = leg;
            }
            else
            {
                Join(first, leg);
            }
        }

        On(first, gang, kind);
    }

    private Joint Done(Net net)
    {
        int ends = net.Ends.Count, screws = net.Terminals.Count;
        var by = (ends, screws) switch
        {
            (1, 0) => JointBy.Cap,
            (1, 1) => JointBy.Screw,
            (2, 1) when school != JointSchool.Pigtail && MayFeedThrough(net) => JointBy.Device,
            _ => JointBy.Splice,
        };
        var onward = by == JointBy.Device ? net.Ends.Where(e => from.Contains(e.Run)).Select(e => circuit.Sized.Through[e.Run.Id])
            .DefaultIfEmpty().Max() : (Amps?)null;
        return new([.. net.Ends], [.. net.Terminals], by, onward);
    }

    // Two screws of a receptacle that protects nothing and is not split; never a neutral that two circuits share (300.13(B)).
    private bool MayFeedThrough(Net net)
    {
        var terminal = net.Terminals[0];
        return terminal.Kind is TerminalKind.Hot or TerminalKind.Neutral && placed.Box.Devices[terminal.Gang].Kind is DeviceKind.Duplex
            or DeviceKind.Single && !circuit.Devices.ContainsKey(Id)
            && into.Length + from.Length == 2 && circuit.Circuit.Poles == 1
            && !(terminal.Kind == TerminalKind.Neutral && circuit.Circuit.SharesNeutralWith is not null);
    }

    private sealed class Net
    {
        public Net(params ReadOnlySpan<CableEnd> ends) => Ends.AddRange(ends);

        public List<CableEnd> Ends { get; } = [];

        public List<Terminal> Terminals { get; } = [];
    }
}
