using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Protection;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Proving;

// What stands between the source and the home runs: service, bars, feeders, breakers, and what is landed otherwise than planned.
internal sealed partial class EnergyBuilder
{
    // Two legs and a neutral from the transformer; the neutral bonded where the service comes in, and on a rod.
    private void Source()
    {
        var main = house.Plan.Job.Panels.First(p => p.FedFrom is null);
        var volts = fed ? (double)house.Plan.Book.Supply.ToNeutral.Value : 0;
        int a = network.Node(), b = network.Node(), neutral = network.Node(), earth = network.Node();
        network.Hold(a, volts);
        network.Hold(b, -volts);
        network.Hold(neutral, 0);
        var bar = new Bars(network.Node(), network.Node(), network.Node(), network.Node());
        network.Join(a, bar.A, Service);
        network.Join(b, bar.B, Service);
        if (!Faults<Fault.ServiceNeutralLost>().Any())
        {
            network.Join(neutral, bar.Neutral, Service);
        }

        network.Join(bar.Neutral, bar.Ground, Contact);
        network.Join(bar.Ground, earth, Rod);
        network.Join(earth, neutral, SourceGround);
        bars[main.Id] = bar;
    }

    private Bars BarsOf(PanelId panel)
    {
        if (bars.TryGetValue(panel, out var known))
        {
            return known;
        }

        var bar = bars[panel] = new Bars(network.Node(), network.Node(), network.Node(), network.Node());
        if (house.FeederOf(panel) is not { HomeRun: { } run } feeder)
        {
            return bar;
        }

        var from = BarsOf(feeder.Panel);
        var first = house.LegOf(feeder.Key) == Leg.A;
        var breaker = new List<int>();
        foreach (var conductor in Conductor.In(run))
        {
            var (up, down) = conductor.Carries switch
            {
                Carried.Hot => (first ? from.A : from.B, first ? bar.A : bar.B),
                Carried.SecondLeg => (first ? from.B : from.A, first ? bar.B : bar.A),
                Carried.Neutral => (from.Neutral, bar.Neutral),
                _ => (from.Ground, bar.Ground),
            };
            if (state.Landed.TryGetValue((panel, run.Id, conductor.Colour), out var place))
            {
                // In the subpanel a feeder has no breaker here: its hots go to the two lugs.
                down = place switch
                {
                    PanelPlace.Breaker => first ? bar.A : bar.B,
                    PanelPlace.SecondPole => first ? bar.B : bar.A,
                    PanelPlace.NeutralBar => bar.Neutral,
                    PanelPlace.GroundBar => bar.Ground,
                    _ => network.Node(),
                };
            }

            ends[(null, run.Id, conductor.Colour)] = network.Node();
            if (conductor.Carries is Carried.Hot or Carried.SecondLeg)
            {
                if (state.Open.Contains(feeder.Key))
                {
                    continue;
                }

                breaker.Add(network.Join(up, ends[(null, run.Id, conductor.Colour)], Contact));
            }
            else if (!IsLeftOut(null, run.Id, conductor.Colour))
            {
                network.Join(up, ends[(null, run.Id, conductor.Colour)], Contact);
            }

            Pull(feeder, run, conductor, ends[(null, run.Id, conductor.Colour)], down);
        }

        poles[feeder.Key] = [.. breaker];
        if (Faults<Fault.BarsBonded>().Any(f => f.Panel == panel))
        {
            network.Join(bar.Neutral, bar.Ground, Contact);
        }

        return bar;
    }

    // Hots on the breaker, this circuit's or that of the one that its cable takes along; neutrals and grounds on their bars.
    private void AtPanel(WiredCircuit circuit, Run run, Conductor conductor, Bars bar)
    {
        var end = ends[(null, run.Id, conductor.Colour)] = network.Node();
        if (IsLeftOut(null, run.Id, conductor.Colour) || IsBorrowed(circuit, conductor))
        {
            return;
        }

        var guest = conductor.Carries is Carried.OtherHot or Carried.OtherNeutral ? run.TakesAlong : null;
        var key = guest ?? circuit.Key;
        var place = state.Landed.GetValueOrDefault((circuit.Panel, run.Id, conductor.Colour), PlannedPlace(conductor));
        switch (place)
        {
            case PanelPlace.Breaker or PanelPlace.SecondPole:
                var on = Exchanged(key);
                if (!state.Open.Contains(on))
                {
                    var leg = (place == PanelPlace.Breaker) == (house.LegOf(on) == Leg.A) ? bar.A : bar.B;
                    poles[on] = poles.GetValueOrDefault(on, []).Add(network.Join(leg, end, Contact));
                }

                break;
            case PanelPlace.NeutralBar:
                neutrals[key] = network.Join(end, bar.Neutral, Contact);
                break;
            case PanelPlace.GroundBar:
                network.Join(end, bar.Ground, Contact);
                break;
            default:
                break;
        }
    }

    private CircuitKey Exchanged(CircuitKey key) => Faults<Fault.WrongCircuit>().FirstOrDefault(f => f.One == key || f.Other == key)
        is { } wrong ? wrong.One == key ? wrong.Other : wrong.One : key;

    // Off its own bar, and on the neutral of another circuit in a box of that.
    private bool IsBorrowed(WiredCircuit circuit, Conductor conductor) =>
        conductor.Carries == Carried.Neutral && Faults<Fault.BorrowedNeutral>().Any(f => f.Circuit == circuit.Key);

    private void Borrow()
    {
        foreach (var fault in Faults<Fault.BorrowedNeutral>())
        {
            var home = keys.Contains(fault.Circuit) ? house.Circuit(fault.Circuit).HomeRun : null;
            if (home is { To.Box: { } box } && Conductor.In(home).FirstOrDefault(c => c.Carries == Carried.Neutral) is { } white
                && ends.TryGetValue((box, home.Id, white.Colour), out var mine) && NeutralIn(fault.Box) is int theirs)
            {
                network.Join(mine, theirs, Touching);
            }
        }
    }

    private int? NeutralIn(BoxId box) => keys.SelectMany(k => house.Wirings(k)).Where(w => w.Box == box)
        .SelectMany(w => w.Joints).FirstOrDefault(j => j.Ends.Any(e => e.Conductor.Carries == Carried.Neutral)) is { } joint
        ? NodeOf(box, joint) : null;

    /// <summary>Where the plan lands a conductor of a home run.</summary>
    internal static PanelPlace PlannedPlace(Conductor conductor) => conductor.Carries switch
    {
        Carried.Hot or Carried.OtherHot => PanelPlace.Breaker,
        Carried.SecondLeg => PanelPlace.SecondPole,
        Carried.Neutral or Carried.OtherNeutral => PanelPlace.NeutralBar,
        null => PanelPlace.GroundBar,
        _ => PanelPlace.Free,
    };

    private readonly record struct Bars(int A, int B, int Neutral, int Ground);
}
