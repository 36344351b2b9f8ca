using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Proving;

/// <summary>What is found where somebody looks.</summary>
public enum Finding
{
    /// <summary>It works: a lamp turns on and off, a tester reads correct, a cable is live, a breaker is closed.</summary>
    Works,

    /// <summary>Dead; a breaker has opened.</summary>
    Dead,

    /// <summary>It has less than its volts, or more.</summary>
    Dim,

    /// <summary>It cannot be turned off.</summary>
    StaysOn,

    /// <summary>A tester: no ground.</summary>
    NoGround,

    /// <summary>A tester: no neutral.</summary>
    NoNeutral,

    /// <summary>A tester: hot and neutral reversed.</summary>
    Reversed,

    /// <summary>A tester shows another picture.</summary>
    Odd,
}

/// <summary>A place to look.</summary>
/// <param name="Box">The box; null for the panel.</param>
/// <param name="Gang">The device looked at; null where a cable is measured in the open box.</param>
/// <param name="Run">The cable measured, hot to neutral and hot to ground; null for a device.</param>
public sealed record Test(BoxId? Box, int? Gang, RunId? Run)
{
    /// <summary>A look at the breaker from before the panel, door open and cover on.</summary>
    public static Test Breaker { get; } = new(null, null, null);

    /// <summary>The breaker closed again, once: it holds, or a fault opens it.</summary>
    public static Test Reset { get; } = new(null, 0, null);

    /// <summary>It is done at the breaker.</summary>
    public bool AtBreaker => Box is null && Run is null;

    /// <summary>Steps it takes, judged: a look from the room, a walk to the panel, a box opened, the panel's cover off.</summary>
    public int Effort => (Box, Run) switch { (null, null) => Gang is null ? 2 : 3, (_, null) => 1, (null, _) => 7, _ => 4 };
}

/// <summary>Something that was seen.</summary>
/// <param name="Test">Where.</param>
/// <param name="Found">What.</param>
public sealed record Seen(Test Test, Finding Found);

/// <summary>A suspect that explains everything seen.</summary>
/// <param name="Suspect">What may be wrong.</param>
/// <param name="Share">How likely among those left, by their weights.</param>
public sealed record Explains(Suspect Suspect, Percent Share);

/// <summary>The test that tells most for its effort.</summary>
/// <param name="Test">Where to look.</param>
/// <param name="Parts">How the suspects that are left part by what is found, the most first.</param>
public sealed record NextTest(Test Test, ImmutableArray<(Finding Found, int Suspects)> Parts);

/// <summary>Every single fault of a circuit with what each would look like, worked out once; then a filter, and the test that halves what
/// is left.</summary>
public sealed class Finder
{
    private readonly Dictionary<Test, int> places;

    /// <summary>Works out what every fault would look like.</summary>
    /// <param name="house">The house.</param>
    /// <param name="circuit">A branch circuit of it.</param>
    public Finder(HouseNetwork house, CircuitKey circuit)
    {
        var wired = house.Plan.Circuits.First(c => c.Key == circuit);
        Tests = [.. Places(house, wired)];
        places = Tests.Select((t, i) => (t, i)).ToDictionary(x => x.t, x => x.i);
        AsPlanned = Look(house, wired, null);
        Suspects = [.. Suspect.Of(house, wired).Select(s => (s, Look(house, wired, s)))];
    }

    /// <summary>Every place to look: receptacles, lamps, and both ends of every cable.</summary>
    public ImmutableArray<Test> Tests { get; }

    /// <summary>What is found at each of them when nothing is wrong.</summary>
    public ImmutableArray<Finding> AsPlanned { get; }

    /// <summary>Every suspect, and what would be found with it.</summary>
    public ImmutableArray<(Suspect Suspect, ImmutableArray<Finding> Looks)> Suspects { get; }

    /// <summary>The single faults that explain everything seen, the likeliest first. None: two things are wrong, or something that is not
    /// in
    /// the plan.</summary>
    public ImmutableArray<Explains> Explain(IReadOnlyList<Seen> seen)
    {
        var left = Left(seen);
        var all = Math.Max(1, left.Sum(s => s.Suspect.Weight));
        return [.. left.OrderByDescending(s => s.Suspect.Weight)
            .Select(s => new Explains(s.Suspect, new(100m * s.Suspect.Weight / all)))];
    }

    /// <summary>Where to look next; null where nothing parts the suspects that are left any more.</summary>
    public NextTest? Next(IReadOnlyList<Seen> seen)
    {
        var left = Left(seen);
        var all = (double)left.Sum(s => s.Suspect.Weight);
        var done = seen.Select(s => s.Test).ToHashSet();
        NextTest? best = null;
        var most = 1e-9;
        for (var i = 0; i < Tests.Length; i++)
        {
            if (done.Contains(Tests[i]))
            {
                continue;
            }

            var parts = left.GroupBy(s => s.Looks[i]).ToList();
            var told = -parts.Select(p => p.Sum(s => s.Suspect.Weight) / all).Sum(p => p * Math.Log2(p)) / Tests[i].Effort;
            if (told > most)
            {
                (most, best) = (told, new(Tests[i], [.. parts.Select(p => (p.Key, p.Count())).OrderByDescending(p => p.Item2)]));
            }
        }

        return best;
    }

    private List<(Suspect Suspect, ImmutableArray<Finding> Looks)> Left(IReadOnlyList<Seen> seen)
    {
        var asked = seen.Where(s => places.ContainsKey(s.Test)).Select(s => (At: places[s.Test], s.Found)).ToList();
        return [.. Suspects.Where(t => asked.TrueForAll(a => t.Looks[a.At] == a.Found))];
    }

    private static IEnumerable<Test> Places(HouseNetwork house, WiredCircuit circuit)
    {
        yield return Test.Breaker;
        yield return Test.Reset;
        foreach (var box in circuit.Circuit.Boxes.Select(b => house.Plan.Survey[b].Box))
        {
            for (var gang = 0; gang < box.Devices.Length; gang++)
            {
                if (box.Devices[gang].Kind is var kind && (kind.IsGeneralReceptacle() || kind.IsLight()))
                {
                    yield return new(box.Id, gang, null);
                }
            }
        }

        foreach (var run in circuit.Runs.Where(r => r.To.Box is not null && r.RidesIn is null))
        {
            yield return new(run.To.Box, null, run.Id);
            yield return new(run.From.Box, null, run.Id);
        }
    }

    // Lamps are tried both ways: lit in one position and dark in the other works.
    private ImmutableArray<Finding> Look(HouseNetwork house, WiredCircuit circuit, Suspect? suspect)
    {
        var groups = house.With(circuit.Key).SelectMany(k => house.Circuit(k).Groups).ToList();
        var wrong = HouseState.AsPlanned with
        {
            AppliancesRun = false,
            Faults = suspect?.Fault is { } fault ? [fault] : [],
            Tripped = suspect?.Opened is { } device ? [device] : [],
            Open = suspect == Suspect.BreakerOpen ? [circuit.Key] : [],
        };
        var settled = WhoOpens.Settle(house, wrong with
        { Thrown = [.. HouseState.LampsOn(groups)] }, circuit.Key);
        var lit = settled.Energy;
        var opensAgain = settled.Openings.Any(o => o.Box is null && o.Circuit == circuit.Key);
        var dark = WhoOpens.Settle(house, wrong with
        { Thrown = [.. HouseState.LampsOff(groups)] }, circuit.Key).Energy;
        return [.. Tests.Select(t => t == Test.Breaker ? settled.State.Open.Contains(circuit.Key) ? Finding.Dead : Finding.Works
            : t == Test.Reset ? opensAgain ? Finding.Dead : Finding.Works
            : t.Run is { } run ? Cable(circuit, lit, t.Box, run)
            : house.Plan.Survey[t.Box!.Value].Box.Devices[t.Gang!.Value].Kind.IsLight() ? Lamp(lit, dark, t.Box.Value, t.Gang.Value)
            : Outlet(lit, t.Box.Value, t.Gang.Value))];
    }

    private static Finding Lamp(Energy lit, Energy dark, BoxId box, int gang)
    {
        Volts on = lit.Between(box, gang, TerminalKind.Hot, TerminalKind.Neutral),
            off = dark.Between(box, gang, TerminalKind.Hot, TerminalKind.Neutral);
        return on < Faint && off < Faint ? Finding.Dead
            : on > Bright && on < Over ? off > Faint ? Finding.StaysOn : Finding.Works
            : off > Bright && off < Over && on < Faint ? Finding.Works : Finding.Dim;
    }

    private static Finding Outlet(Energy energy, BoxId box, int gang) => PlugInTester.At(energy, box, gang).Says switch
    {
        TesterSays.Correct => energy.Between(box, gang, TerminalKind.Hot, TerminalKind.Neutral) is var volts && volts > Bright
            && volts < Over
            ? Finding.Works : Finding.Dim,
        TesterSays.Dead => Finding.Dead,
        TesterSays.OpenGround => Finding.NoGround,
        TesterSays.OpenNeutral => Finding.NoNeutral,
        TesterSays.Reversed => Finding.Reversed,
        _ => Finding.Odd,
    };

    // The constant feed of the cable against its neutral and its ground: what is switched in it is no sign of anything.
    private static Finding Cable(WiredCircuit circuit, Energy energy, BoxId? box, RunId id)
    {
        var run = circuit.Runs.First(r => r.Id == id);
        var conductors = Conductor.In(run);
        var hot = conductors.FirstOrDefault(c => c.Carries == Carried.Hot) ?? conductors.FirstOrDefault(c => c.Carries == Carried.Switched)
            ?? conductors[0];
        var back = conductors.FirstOrDefault(c => c.Carries is Carried.Neutral or Carried.SecondLeg && c != hot);
        var live = back is not null && energy.Ends(box, id, hot.Colour, back.Colour) > Bright;
        var grounded = energy.Ends(box, id, hot.Colour, ConductorColour.Bare) > Bright;
        return (live, grounded, back is null) switch
        {
            (true, true, _) or (_, true, true) => Finding.Works,
            (true, false, _) => Finding.NoGround,
            (false, true, false) => Finding.NoNeutral,
            _ => Finding.Dead,
        };
    }

    // Of 120 V: below this a lamp is dark to the eye, above that it is bright, beyond it is too much.
    private static readonly Volts Faint = new(30);
    private static readonly Volts Bright = new(105);
    private static readonly Volts Over = new(130);
}
