using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Proving;

/// <summary>One thing that may be wrong with a circuit.</summary>
/// <param name="Fault">What is not as planned; null where a breaker or a device has only opened.</param>
/// <param name="Opened">The protective receptacle that has opened; null where it is the breaker, or a fault.</param>
public sealed record Suspect(Fault? Fault, BoxId? Opened)
{
    /// <summary>The breaker is open.</summary>
    public static Suspect BreakerOpen { get; } = new(null, null);

    /// <summary>How often it is the cause, beside the others; judgement, not counts: what opens by itself first, joints before
    /// cables.</summary>
    public int Weight => Fault switch
    {
        null => 40,
        Fault.LeftOut => 10,
        Fault.Turned or Fault.LineForLoad or Fault.TravelerOnCommon => 4,
        Fault.Parted or Fault.Nailed or Fault.Stuck => 3,
        _ => 1,
    };

    /// <summary>In words, by the names that people gave.</summary>
    public string In(Plan plan)
    {
        string Box(BoxId box) => plan.Survey[box].Name;
        string Run(RunId id) => plan.FindRun(id) is var (_, run) ? $"the cable {run.From.Name} → {run.To.Name}" : "a cable";
        string Named(CircuitKey key) => plan.Landed(key)?.Description ?? "another circuit";
        string Colour(ConductorColour colour) => colour == ConductorColour.Bare ? "bare ground" : MakeUp.ColourOf(colour);
        return Fault switch
        {
            null => Opened is { } device ? $"the protective receptacle at {Box(device)} has opened: press its reset"
                : "the breaker is open",
            Fault.Parted f => $"the {Colour(f.Colour)} of {Run(f.Run)} is parted",
            Fault.Nailed f => $"a fastener joins {Colour(f.One)} and {Colour(f.Other)} in {Run(f.Run)}",
            Fault.LeftOut f => $"the {Colour(f.Colour)} of {Run(f.Run)} is out of its joint at {(f.Box is { } at ? Box(at) : "the panel")}",
            Fault.Loose f => $"the {Colour(f.Colour)} of {Run(f.Run)} is loose at {Box(f.Box)}, {f.Ohms}",
            Fault.Turned f => $"hot and neutral have changed places at {Box(f.Box)}",
            Fault.LineForLoad f => $"LINE and LOAD have changed places at {Box(f.Box)}",
            Fault.Bootleg f => $"the ground screw is tied to the neutral at {Box(f.Box)}",
            Fault.NeutralOnGround f => $"neutral and ground touch at {Box(f.Box)}",
            Fault.Stuck f => $"a switch at {Box(f.Switch.Box)} stays {(f.Closed ? "on" : "off")}",
            Fault.TravelerOnCommon f => $"a traveler is on the common screw at {Box(f.Switch.Box)}",
            Fault.WillNotTrip f => $"the protective receptacle at {Box(f.Box)} opens no more",
            Fault.BorrowedNeutral f => $"the neutral is off its bar and on that of another circuit at {Box(f.Box)}",
            Fault.WrongCircuit f => $"its hot is on the breaker of {Named(f.Other)}, and that one's on this",
            Fault.WrongBreaker f => $"a breaker of {f.Rating} is in",
            Fault.Arcing f => $"something arcs at {Box(f.Box)}",
            Fault.BarsBonded f => $"neutral and ground bars are bonded in panel {f.Panel}",
            _ => "the neutral of the service is lost",
        };
    }

    /// <summary>Everything that a finder considers on a circuit and what shares its cables.</summary>
    public static IEnumerable<Suspect> Of(HouseNetwork house, WiredCircuit circuit)
    {
        yield return BreakerOpen;
        foreach (var device in circuit.Devices.Keys.OrderBy(b => b.Value, StringComparer.Ordinal))
        {
            yield return new(null, device);
        }

        foreach (var run in circuit.Runs.Where(r => r.To.Box is not null))
        {
            foreach (var fault in InRun(run))
            {
                yield return new(fault, null);
            }
        }

        foreach (var box in circuit.Circuit.Boxes.Select(b => house.Plan.Survey[b].Box))
        {
            for (var gang = 0; gang < box.Devices.Length; gang++)
            {
                foreach (var fault in AtDevice(circuit, box, gang))
                {
                    yield return new(fault, null);
                }
            }
        }
    }

    /// <summary>What can be wrong as well and is not looked for: it shows at no outlet of the circuit, or is not of this circuit alone.
    /// It can be placed, and its effects seen.</summary>
    public static IEnumerable<Suspect> Besides(HouseNetwork house, WiredCircuit circuit) => Others(house, circuit).Select(f =>
        new Suspect(f, null));

    private static IEnumerable<Fault> Others(HouseNetwork house, WiredCircuit circuit)
    {
        foreach (var run in circuit.Runs.Where(r => r.To.Box is not null))
        {
            yield return new Fault.Loose(run.To.Box!.Value, run.Id, Conductor.In(run)[0].Colour, new(1));
        }

        foreach (var box in circuit.Circuit.Boxes.Select(b => house.Plan.Survey[b].Box))
        {
            yield return new Fault.NeutralOnGround(box.Id);
            yield return new Fault.Arcing(box.Id);
            foreach (var gang in Enumerable.Range(0, box.Devices.Length).Where(g => box.Devices[g].Kind.IsGeneralReceptacle()))
            {
                yield return new Fault.Bootleg(box.Id, gang);
            }
        }

        foreach (var device in circuit.Devices.Keys.OrderBy(b => b.Value, StringComparer.Ordinal))
        {
            yield return new Fault.WillNotTrip(device);
        }

        if (circuit.Book.StandardRatings.FirstOrDefault(r => r > circuit.Breaker) is { Value: > 0 } larger)
        {
            yield return new Fault.WrongBreaker(circuit.Key, larger);
        }

        foreach (var other in house.Branches.Where(c => c.Panel == circuit.Panel && c.Poles == circuit.Poles && c.Key != circuit.Key
            && !house.With(circuit.Key).Contains(c.Key)).Take(3))
        {
            yield return new Fault.WrongCircuit(circuit.Key, other.Key);
            yield return new Fault.BorrowedNeutral(circuit.Key, other.Circuit.Boxes[0]);
        }

        if (house.FeederOf(circuit.Panel) is not null)
        {
            yield return new Fault.BarsBonded(circuit.Panel);
        }

        yield return new Fault.ServiceNeutralLost();
    }

    private static IEnumerable<Fault> InRun(Run run)
    {
        var conductors = Conductor.In(run);
        foreach (var conductor in conductors)
        {
            yield return new Fault.Parted(run.Id, conductor.Colour);
            yield return new Fault.LeftOut(run.From.Box, run.Id, conductor.Colour);
            yield return new Fault.LeftOut(run.To.Box, run.Id, conductor.Colour);
        }

        for (var i = 0; i < conductors.Length; i++)
        {
            for (var j = i + 1; j < conductors.Length; j++)
            {
                yield return new Fault.Nailed(run.Id, conductors[i].Colour, conductors[j].Colour);
            }
        }
    }

    private static IEnumerable<Fault> AtDevice(WiredCircuit circuit, Box box, int gang)
    {
        var kind = box.Devices[gang].Kind;
        if (kind.IsGeneralReceptacle())
        {
            yield return new Fault.Turned(box.Id, gang);
            if (circuit.Devices.ContainsKey(box.Id))
            {
                yield return new Fault.LineForLoad(box.Id, gang);
            }
        }

        if (kind is DeviceKind.ThreeWay)
        {
            yield return new Fault.TravelerOnCommon(new(box.Id, gang));
        }
        else if (kind.IsSwitch() && kind is not (DeviceKind.FourWay or DeviceKind.Disconnect))
        {
            yield return new Fault.Stuck(new(box.Id, gang), false);
            yield return new Fault.Stuck(new(box.Id, gang), true);
        }
    }
}
