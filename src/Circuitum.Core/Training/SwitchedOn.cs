using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Training;

/// <summary>What happens when a circuit is switched on as somebody made it.</summary>
/// <param name="Happens">What is seen, in words; empty when all is as it should be.</param>
/// <param name="Harm">Somebody or something would have been hurt: a short circuit, live metal, a hot that no switch breaks.</param>
public sealed record WhatHappens(ImmutableArray<string> Happens, bool Harm)
{
    /// <summary>Everything works and protects as it should.</summary>
    public bool Right => Happens.IsEmpty;
}

/// <summary>Switches a circuit on in every position of its switches and tells what is not as it should be. It knows no right make-up: it
/// reads lamps, testers, clamps and a meter, as a person would.</summary>
public static class SwitchedOn
{
    // Copper and joints of a house's longest run stay below it; a path through a lamp or an appliance is above.
    private static readonly Ohms Joined = new(4);

    // A wet hand on the metal, with shoes on: what floats is pulled down by it, what is live is not.
    private static readonly Ohms Body = new(1500);

    // What a clamp shows when hot and neutral do not go and come by one cable.
    private static readonly Amps Astray = new(0.005m);

    private const int MostSwitches = 6;

    /// <summary>Switches it on.</summary>
    /// <param name="house">The wiring of a plan.</param>
    /// <param name="key">A branch circuit of it.</param>
    /// <param name="made">How it was made, as far as somebody's hands changed it.</param>
    public static WhatHappens Try(HouseNetwork house, CircuitKey key, HouseState made)
    {
        var happens = new Notes();
        var circuit = house.Circuit(key);
        var switches = circuit.Groups.SelectMany(Switches).Distinct().ToImmutableArray();
        var seen = new Dictionary<Position, Energy>();
        foreach (var position in Positions(circuit, switches).TakeWhile(_ => !happens.Harm))
        {
            var settled = WhoOpens.Settle(house, made with { Thrown = position.Thrown }, key);
            foreach (var opened in settled.Openings)
            {
                happens.Hurt($"The {(opened.Box is { } at ? $"protective receptacle at {house.Plan.Survey[at].Name}" : "breaker")} opens"
                    + $"{(position.Thrown.IsEmpty ? "" : " when the switch is thrown")}: {(opened.OnGroundFault
                        ? "current did not come back by the neutral" : $"{opened.Because.Value:0} A go by a short way")}.");
            }

            seen[position] = settled.Energy;
        }

        if (happens.Harm)
        {
            return happens.Told;
        }

        foreach (var box in circuit.Circuit.Boxes)
        {
            Outlets(house.Plan, box, Live(house.Plan, circuit, box, seen), happens);
        }

        Lamps(house.Plan, circuit, switches, seen, happens);
        Grounds(house, circuit, made, happens);
        UnderLoad(house, circuit, made, happens);
        Buttons(house, circuit, made, happens);
        return happens.Told;
    }

    private static IEnumerable<SwitchGang> Switches(ControlGroup group) => group.Fan is { } fan ? group.Switches.Add(fan) : group.Switches;

    // All of them where they are few; else those of each group with the others down.
    private static IEnumerable<Position> Positions(WiredCircuit circuit, ImmutableArray<SwitchGang> switches) =>
        (switches.Length <= MostSwitches ? Of(switches) : circuit.Groups.SelectMany(g => Of([.. Switches(g)])).Prepend(Position.AllDown))
        .Distinct();

    private static IEnumerable<Position> Of(ImmutableArray<SwitchGang> switches) => Enumerable.Range(0, 1 << switches.Length)
        .Select(bits => new Position([.. switches.Where((_, i) => (bits >> i & 1) == 1)]));

    // Which switches are thrown.
    private sealed record Position(ImmutableHashSet<SwitchGang> Thrown)
    {
        public static Position AllDown { get; } = new([]);

        public Position With(SwitchGang turned) => new(Thrown.SymmetricExcept([turned]));

        public bool Equals(Position? other) => other is not null && Thrown.SetEquals(other.Thrown);

        public override int GetHashCode() => Thrown.Aggregate(0, (sum, s) => sum ^ s.GetHashCode());
    }

    // A receptacle that a switch works is read with its switch on: a disposer under its sink.
    private static Energy Live(Plan plan, WiredCircuit circuit, BoxId box, Dictionary<Position, Energy> seen) =>
        circuit.Groups.SelectMany(g => Worked(plan, g)).FirstOrDefault(w => w.Lamp == box
            && plan.Survey[box].Box.Devices[w.Gang].Kind is var kind && kind.IsGeneralReceptacle() && kind != DeviceKind.HalfSwitched)
            is { Worked.IsDefault: false } worked
            ? seen.Values.MaxBy(e => e.Between(box, worked.Gang, TerminalKind.Hot, TerminalKind.Neutral).Value)! : seen[Position.AllDown];

    private static void Outlets(Plan plan, BoxId box, Energy energy, Notes happens)
    {
        var placed = plan.Survey[box];
        for (var gang = 0; gang < placed.Box.Devices.Length; gang++)
        {
            var device = placed.Box.Devices[gang];
            if (device.Kind.IsGeneralReceptacle())
            {
                foreach (var half in PlugInTester.Halves(plan.CircuitOf(box), device.Kind))
                {
                    var name = half == TerminalKind.Hot ? placed.Name : $"{placed.Name}, its second half";
                    var tester = PlugInTester.At(energy, box, gang, half);
                    var volts = energy.Between(box, gang, half, TerminalKind.Neutral);
                    if (tester.Says != TesterSays.Correct)
                    {
                        happens.See($"{name}: the tester reads {Words.Of(tester.Says)}.");
                    }
                    else if (volts < LampVolts.Bright || volts > LampVolts.Over)
                    {
                        happens.See($"{name} has {volts.Value:0} V.");
                    }
                }
            }
            else if (device.Plate is { } plate && plan.Book.Supply.IsAcross(plate.Volts))
            {
                var across = energy.Between(box, gang, TerminalKind.Hot, TerminalKind.SecondLeg);
                if (across.Value < plate.Volts.Value * 0.9m)
                {
                    happens.See($"{placed.Name} has {across.Value:0} V between its hots; its plate wants {plate.Volts}.");
                }
            }
        }
    }

    // Each switch of a group turns its lamps over, whatever the others stand at, and no lamp of another group; dark, a lamp has no hot.
    private static void Lamps(Plan plan, WiredCircuit circuit, ImmutableArray<SwitchGang> switches, Dictionary<Position, Energy> seen,
        Notes happens)
    {
        foreach (var (worked, lamp, gang, hot) in circuit.Groups.SelectMany(g => Worked(plan, g)))
        {
            var name = plan.Survey[lamp].Name + (hot == TerminalKind.FanHot ? "'s motor" : "");
            Volts On(Position position) => seen[position].Between(lamp, gang, hot, TerminalKind.Neutral);
            if (seen.Keys.All(p => On(p) < LampVolts.Faint))
            {
                happens.See($"{name} never comes on.");
                continue;
            }

            if (seen.Keys.Select(On).FirstOrDefault(v => v > LampVolts.Faint && (v < LampVolts.Bright || v > LampVolts.Over))
                is { Value: > 0 } odd)
            {
                happens.See($"{name} burns at {odd.Value:0} V.");
            }

            foreach (var turned in switches)
            {
                var pairs = seen.Keys.Where(p => seen.ContainsKey(p.With(turned))).ToList();
                var turns = pairs.Count(p => (On(p) > LampVolts.Faint) != (On(p.With(turned)) > LampVolts.Faint));
                var says = plan.Survey[turned.Box].Name + (plan.Survey[turned.Box].Box.Devices.Length > 1
                    ? $", place {turned.Gang + 1}," : "");
                if (!worked.Contains(turned))
                {
                    happens.SeeIf(turns > 0, $"{says} works {name}, which is not its own.");
                }
                else if (turns < pairs.Count)
                {
                    happens.See(turns == 0 ? $"{says} does nothing to {name}."
                        : $"{says} works {name} only in some positions of the other switches.");
                }
            }

            if (seen.Keys.Any(p => On(p) < LampVolts.Faint && seen[p].ToEarth(lamp, gang, hot) > LampVolts.Faint))
            {
                happens.Hurt($"{name} is off and its hot lead is live: its switch breaks the neutral.");
            }
        }
    }

    private static IEnumerable<(ImmutableArray<SwitchGang> Worked, BoxId Lamp, int Gang, TerminalKind Hot)> Worked(Plan plan,
        ControlGroup group)
    {
        foreach (var lamp in group.Lamps)
        {
            var devices = plan.Survey[lamp].Box.Devices;
            for (var gang = 0; gang < devices.Length; gang++)
            {
                var kind = devices[gang].Kind;
                if (kind.IsLight() || kind.IsFan() || kind.IsGeneralReceptacle())
                {
                    yield return (group.Switches, lamp, gang, kind == DeviceKind.HalfSwitched ? TerminalKind.SwitchedHalf
                        : TerminalKind.Hot);
                }

                if (kind == DeviceKind.CeilingFan && group.Fan is { } fan)
                {
                    yield return ([fan], lamp, gang, TerminalKind.FanHot);
                }
            }
        }
    }

    // With the breaker off and the neutral off its bar, a meter from every green screw to the ground bar, and to that neutral.
    private static void Grounds(HouseNetwork house, WiredCircuit circuit, HouseState made, Notes happens)
    {
        var white = Conductor.In(circuit.HomeRun!).FirstOrDefault(c => c.Carries == Carried.Neutral);
        var off = made with
        {
            Open = made.Open.Add(circuit.Key),
            Faults = white is null ? made.Faults : made.Faults.Add(new Fault.LeftOut(null, circuit.HomeRun!.Id, white.Colour)),
        };
        var bar = new Probe.AtBar(circuit.Panel, Ground: true);
        foreach (var box in circuit.Circuit.Boxes.Select(b => house.Plan.Survey[b]))
        {
            for (var gang = 0; gang < box.Box.Devices.Length; gang++)
            {
                var screw = new Probe.AtScrew(box.Box.Id, gang, TerminalKind.Ground);
                bool Reads(Probe other) => house.Resistance(off, circuit.Key, screw, other) is { } ohms && ohms.Value < Joined.Value;
                if (!Reads(bar))
                {
                    happens.See($"{box.Name}: the green screw of the {Words.Of(box.Box.Devices[gang].Kind)} has no way to the ground bar.");
                }

                var touched = made with { Probed = new(screw, bar, Body) };
                if (house.Solve(touched, circuit.Key).Between(screw, bar) > LampVolts.Faint)
                {
                    happens.Hurt($"{box.Name}: its metal is live.");
                }

                if (white is not null && Reads(new Probe.AtEnd(null, circuit.HomeRun!.Id, white.Colour)))
                {
                    happens.Hurt($"{box.Name}: its metal is on the neutral. When the neutral is lost, the metal is live.");
                }
            }
        }
    }

    // A heater in each outlet in turn, every lamp lit: what goes out by a cable comes back by it, and no ground carries.
    private static void UnderLoad(HouseNetwork house, WiredCircuit circuit, HouseState made, Notes happens)
    {
        var lit = made with { Thrown = [.. HouseState.LampsOn(circuit.Groups)] };
        var outlets = circuit.Circuit.Boxes.Where(b => PlugIn.CanBeAt(house.Plan.Survey[b])).ToList();
        var cables = circuit.Runs.Where(r => r.To.Box is not null).Append(house.FeederOf(circuit.Panel)?.HomeRun).OfType<Run>().ToList();
        foreach (var state in outlets.Select(b => lit with { Plugged = [new(b, Portable.Heater)] }).DefaultIfEmpty(lit))
        {
            var settled = WhoOpens.Settle(house, state, circuit.Key);
            foreach (var opened in settled.Openings.Where(o => o.OnGroundFault))
            {
                happens.See($"With a heater in it, {house.Plan.Survey[state.Plugged[0].Box].Name} makes the "
                    + $"{(opened.Box is null ? "breaker" : "protective receptacle")} open: its neutral goes another way.");
            }

            foreach (var run in cables)
            {
                var ground = settled.Energy.Through(run.Id, ConductorColour.Bare);
                if (ground > Astray)
                {
                    happens.Hurt($"The bare ground of the cable {run.From.Name} → {run.To.Name} carries {ground.Value:0.0} A back: "
                        + "every metal part on it can bite.");
                }
                else if (settled.Energy.Around(run.Id) > Astray)
                {
                    happens.See($"A clamp around the cable {run.From.Name} → {run.To.Name} reads "
                        + $"{settled.Energy.Around(run.Id).Value:0.0} A: hot and neutral do not go together.");
                }
            }
        }
    }

    // TEST at each protective receptacle: what the plan protects goes dead.
    private static void Buttons(HouseNetwork house, WiredCircuit circuit, HouseState made, Notes happens)
    {
        foreach (var device in circuit.Devices.Keys)
        {
            Energy Pressed(HouseState state) => house.Solve(state with { Tripped = state.Tripped.Add(device) }, circuit.Key);
            var (planned, real) = (Pressed(HouseState.AsPlanned), Pressed(made));
            foreach (var box in circuit.Circuit.Boxes.Select(b => house.Plan.Survey[b]))
            {
                for (var gang = 0; gang < box.Box.Devices.Length; gang++)
                {
                    bool IsDead(Energy energy) => energy.Between(box.Box.Id, gang, TerminalKind.Hot,
                        TerminalKind.Neutral) < LampVolts.Faint;
                    if (box.Box.Devices[gang].Kind.IsGeneralReceptacle() && IsDead(planned) && !IsDead(real))
                    {
                        happens.Hurt($"TEST at {house.Plan.Survey[device].Name} is pressed and {box.Name} stays live: "
                            + "nothing protects it.");
                    }
                    else if (box.Box.Devices[gang].Kind.IsGeneralReceptacle() && !IsDead(planned) && IsDead(real))
                    {
                        happens.See($"TEST at {house.Plan.Survey[device].Name} takes {box.Name} along, which does not hang on it.");
                    }
                }
            }
        }
    }

    private sealed class Notes
    {
        private readonly List<string> said = [];

        public bool Harm { get; private set; }

        public WhatHappens Told => new([.. said.Distinct()], Harm);

        public void See(string what) => said.Add(what);

        public void SeeIf(bool so, string what)
        {
            if (so)
            {
                said.Add(what);
            }
        }

        public void Hurt(string what)
        {
            said.Add(what);
            Harm = true;
        }
    }
}
