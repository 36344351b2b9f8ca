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

    /// <summary>A tester shows another picture; on a dead circuit, more than two are joined.</summary>
    Odd,

    /// <summary>On a dead circuit: hot and neutral are joined.</summary>
    HotOnNeutral,

    /// <summary>On a dead circuit: hot and ground are joined.</summary>
    HotOnGround,

    /// <summary>On a dead circuit: neutral and ground are joined.</summary>
    NeutralOnGround,
}

/// <summary>How a place is looked at.</summary>
public enum LookBy
{
    /// <summary>As it stands, live.</summary>
    Standing,

    /// <summary>Dead, and a cable taken out of its joints where it begins: a meter between its conductors.</summary>
    Apart,

    /// <summary>Dead, and the conductors of a box joined there: a meter between those of the home run in the panel.</summary>
    Jumper,
}

/// <summary>A place to look.</summary>
/// <param name="Box">The box; null for the panel.</param>
/// <param name="Gang">The device looked at; null where a cable is measured in the open box.</param>
/// <param name="Run">The cable measured, hot to neutral and hot to ground; null for a device.</param>
public sealed record Test(BoxId? Box, int? Gang, RunId? Run)
{
    /// <summary>How it is looked at.</summary>
    public LookBy By { get; init; }

    /// <summary>The second half of a split receptacle: a tester goes into either.</summary>
    public bool Second { get; init; }

    /// <summary>A look at the breaker from before the panel, door open and cover on.</summary>
    public static Test Breaker { get; } = new(null, null, null);

    /// <summary>The breaker closed again, once: it holds, or a fault opens it.</summary>
    public static Test Reset { get; } = new(null, 0, null);

    /// <summary>It is done at the breaker.</summary>
    public bool AtBreaker => Box is null && Run is null;

    /// <summary>Steps it takes, judged: a look from the room, a walk to the panel, a box opened, the panel's cover off.</summary>
    public int Effort => By switch { LookBy.Apart => Box is null ? 8 : 6, LookBy.Jumper => 5, _ => Live };

    private int Live => (Box, Run) switch { (null, null) => Gang is null ? 2 : 3, (_, null) => 1, (null, _) => 7, _ => 4 };
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

    private readonly HouseNetwork house;
    private readonly WiredCircuit wired;

    /// <summary>Works out what every fault would look like.</summary>
    /// <param name="house">The house.</param>
    /// <param name="circuit">A branch circuit of it.</param>
    public Finder(HouseNetwork house, CircuitKey circuit)
        : this(house, house.Circuit(circuit), wired => [.. Places(house, wired), .. Apart(wired)])
    {
    }

    private Finder(HouseNetwork house, WiredCircuit wired, Func<WiredCircuit, ImmutableArray<Test>> where)
    {
        (this.house, this.wired) = (house, wired);
        Tests = where(wired);
        places = Tests.Select((t, i) => (t, i)).ToDictionary(x => x.t, x => x.i);
        AsPlanned = Look([]);
        Suspects = [.. Suspect.Of(house, wired).Select(s => (s, Look([s])))];
    }

    /// <summary>Nothing is live: readings from the panel, of the home run as it lies and with a jumper in one box after the
    /// other.</summary>
    /// <param name="house">The house.</param>
    /// <param name="circuit">A branch circuit of it.</param>
    public static Finder OnDeadCircuit(HouseNetwork house, CircuitKey circuit) => new(house,
        house.Circuit(circuit), wired => [.. Apart(wired).Where(t => t.Box is null),
            .. wired.Runs.Where(r => r.To.Box is not null && r.RidesIn is null)
            .Select(r => new Test(r.To.Box, null, r.Id) { By = LookBy.Jumper })]);

    /// <summary>Every place to look: receptacles, lamps, and both ends of every cable.</summary>
    public ImmutableArray<Test> Tests { get; }

    /// <summary>All its places are looked at with nothing live.</summary>
    public bool IsDead => !Tests.Any(t => t.By == LookBy.Standing);

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

    /// <summary>Two faults at once that explain everything seen where no single one does. Every reading that is not as planned must not be
    /// so with one of the two alone; those whose looks put together give most of the readings are tried first, then the likeliest, and
    /// each pair is switched on. At most as many pairs are tried as is said; a short whose way back is parted as well is mostly not among
    /// them, because alone it opens the breaker.</summary>
    /// <param name="seen">What was seen.</param>
    /// <param name="most">How many pairs are tried, the likeliest first.</param>
    public ImmutableArray<(Suspect One, Suspect Other)> ExplainByTwo(IReadOnlyList<Seen> seen, int most = 100)
    {
        var asked = seen.Where(s => places.ContainsKey(s.Test)).Select(s => (At: places[s.Test], s.Found)).ToList();
        var wrong = asked.Where(a => AsPlanned[a.At] != a.Found).ToList();
        var found = ImmutableArray.CreateBuilder<(Suspect One, Suspect Other)>();
        // Of suspects that look alike wherever one may look, one stands for all: the likeliest.
        var telling = Suspects.Where(s => wrong.Exists(w => s.Looks[w.At] != AsPlanned[w.At]))
            .GroupBy(s => string.Join(' ', s.Looks)).Select(g => g.MaxBy(s => s.Suspect.Weight)).ToList();
        var pairs = telling.SelectMany((a, i) => telling.Skip(i + 1).Select(b => (A: a, B: b)))
            .Where(p => wrong.TrueForAll(w => p.A.Looks[w.At] != AsPlanned[w.At] || p.B.Looks[w.At] != AsPlanned[w.At]))
            .OrderByDescending(p => asked.Count(w => Both(p.A.Looks[w.At], p.B.Looks[w.At]) == w.Found))
            .ThenByDescending(p => p.A.Suspect.Weight * p.B.Suspect.Weight).Take(most);
        foreach (var (a, b) in pairs)
        {
            var looks = Look([a.Suspect, b.Suspect]);
            if (asked.TrueForAll(x => looks[x.At] == x.Found))
            {
                found.Add((a.Suspect, b.Suspect));
            }
        }

        return found.ToImmutable();
    }

    // About what two faults make of one place: a guess by which the likeliest pairs are tried first.
    private static Finding Both(Finding one, Finding other) => (one, other) switch
    {
        (Finding.Works, _) => other,
        (_, Finding.Works) => one,
        _ when one == other => one,
        (Finding.Dead, _) or (_, Finding.Dead) or (Finding.NoGround, Finding.NoNeutral) or (Finding.NoNeutral, Finding.NoGround)
            => Finding.Dead,
        _ => Finding.Odd,
    };

    /// <summary>What would be found everywhere with several things wrong at once.</summary>
    public ImmutableArray<Finding> LooksOf(IReadOnlyCollection<Suspect> suspects) => Look(suspects);

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
                    if (circuit.Load.Splits(kind))
                    {
                        yield return new(box.Id, gang, null) { Second = true };
                    }
                }
            }
        }

        foreach (var run in circuit.Runs.Where(r => r.To.Box is not null && r.RidesIn is null))
        {
            yield return new(run.To.Box, null, run.Id);
            yield return new(run.From.Box, null, run.Id);
        }
    }

    private static IEnumerable<Test> Apart(WiredCircuit circuit) =>
        circuit.Runs.Where(r => r.To.Box is not null && r.RidesIn is null)
            .Select(r => new Test(r.From.Box, null, r.Id) { By = LookBy.Apart });

    // Lamps are tried both ways: lit in one position and dark in the other works.
    private ImmutableArray<Finding> Look(IReadOnlyCollection<Suspect> suspects)
    {
        var groups = house.With(wired.Key).SelectMany(k => house.Circuit(k).Groups).ToList();
        var wrong = HouseState.AsPlanned with
        {
            AppliancesRun = false,
            Faults = [.. suspects.Select(s => s.Fault).OfType<Fault>()],
            Tripped = [.. suspects.Where(s => s.Opened is not null).Select(s => s.Opened!.Value)],
            Open = suspects.Contains(Suspect.BreakerOpen) ? [wired.Key] : [],
        };
        var on = wrong with { Thrown = [.. HouseState.LampsOn(groups)] };
        var dead = new Lazy<Continuity>(() => house.Trace(on with { Open = on.Open.Add(wired.Key) }, wired.Key));
        var settled = new Lazy<Settled>(() => WhoOpens.Settle(house, on, wired.Key));
        var dark = new Lazy<Energy>(() => WhoOpens.Settle(house, wrong with { Thrown = [.. HouseState.LampsOff(groups)] }, wired.Key)
            .Energy);
        return [.. Tests.Select(t => t.By switch
        {
            LookBy.Apart => Parted(dead.Value, t),
            LookBy.Jumper => Jumped(dead.Value, t),
            _ => Live(settled.Value, dark, t),
        })];
    }

    private Finding Live(Settled settled, Lazy<Energy> dark, Test test)
    {
        if (test == Test.Breaker)
        {
            return settled.State.Open.Contains(wired.Key) ? Finding.Dead : Finding.Works;
        }

        if (test == Test.Reset)
        {
            return settled.Openings.Any(o => o.Box is null && o.Circuit == wired.Key) ? Finding.Dead : Finding.Works;
        }

        return test.Run is { } run ? Cable(settled.Energy, test.Box, run)
            : house.Plan.Survey[test.Box!.Value].Box.Devices[test.Gang!.Value].Kind.IsLight()
                ? Lamp(settled.Energy, dark.Value, test.Box.Value, test.Gang.Value)
            : Outlet(settled.Energy, test.Box.Value, test.Gang.Value, test.Second ? TerminalKind.SecondLeg : TerminalKind.Hot);
    }

    // Of the cable that leaves: its hot, its neutral and its ground against each other.
    private Finding Parted(Continuity dead, Test test)
    {
        var run = wired.Runs.First(r => r.Id == test.Run);
        var (legs, back) = LegsAndBack(run);
        bool onNeutral = back is not null && legs.Any(l => dead.AreJoined(run, l.Colour, back.Colour)),
            onGround = legs.Any(l => dead.AreJoined(run, l.Colour, ConductorColour.Bare)),
            neutral = back is not null && dead.AreJoined(run, back.Colour, ConductorColour.Bare),
            together = legs.Length > 1 && dead.AreJoined(run, legs[0].Colour, legs[1].Colour);
        return (onNeutral, onGround, neutral) switch
        {
            (false, false, false) => together ? Finding.Odd : Finding.Works,
            (true, false, false) => Finding.HotOnNeutral,
            (false, true, false) => Finding.HotOnGround,
            (false, false, true) => Finding.NeutralOnGround,
            _ => Finding.Odd,
        };
    }

    // From the home run to the box and back: which of the three get there.
    private Finding Jumped(Continuity dead, Test test)
    {
        var (home, run) = (wired.HomeRun!, wired.Runs.First(r => r.Id == test.Run));
        var (legs, back) = LegsAndBack(run);
        var (homeLegs, homeBack) = LegsAndBack(home);
        bool live = legs.Zip(homeLegs).All(l => dead.Reaches(home, l.Second.Colour, test.Box!.Value, run.Id, l.First.Colour)),
            returns = back is null || homeBack is null || dead.Reaches(home, homeBack.Colour, test.Box!.Value, run.Id, back.Colour),
            grounded = dead.Reaches(home, ConductorColour.Bare, test.Box!.Value, run.Id, ConductorColour.Bare);
        return (live, returns, grounded) switch
        {
            (true, true, true) => Finding.Works,
            (false, true, true) => Finding.Dead,
            (true, false, true) => Finding.NoNeutral,
            (true, true, false) => Finding.NoGround,
            _ => Finding.Odd,
        };
    }

    // The constant feed of a cable, or what it has instead, and what comes back: what is switched in it is no sign of anything.
    private static (Conductor Hot, Conductor? Back) HotAndBack(Run run)
    {
        var conductors = Conductor.In(run);
        var hot = conductors.FirstOrDefault(c => c.Carries == Carried.Hot) ?? conductors.FirstOrDefault(c => c.Carries == Carried.Switched)
            ?? conductors[0];
        return (hot, conductors.FirstOrDefault(c => c.Carries is Carried.Neutral or Carried.SecondLeg && c != hot));
    }

    // Both legs and the neutral where receptacles are split, else what feeds and what comes back.
    private (ImmutableArray<Conductor> Legs, Conductor? Back) LegsAndBack(Run run)
    {
        if (!wired.Load.Split)
        {
            var (hot, back) = HotAndBack(run);
            return ([hot], back);
        }

        var conductors = Conductor.In(run);
        return ([.. conductors.Where(c => c.Carries is Carried.Hot or Carried.SecondLeg)],
            conductors.First(c => c.Carries == Carried.Neutral));
    }

    private static Finding Lamp(Energy lit, Energy dark, BoxId box, int gang)
    {
        Volts on = lit.Between(box, gang, TerminalKind.Hot, TerminalKind.Neutral),
            off = dark.Between(box, gang, TerminalKind.Hot, TerminalKind.Neutral);
        return on < LampVolts.Faint && off < LampVolts.Faint ? Finding.Dead
            : on > LampVolts.Bright && on < LampVolts.Over ? off > LampVolts.Faint ? Finding.StaysOn : Finding.Works
            : off > LampVolts.Bright && off < LampVolts.Over && on < LampVolts.Faint ? Finding.Works : Finding.Dim;
    }

    private static Finding Outlet(Energy energy, BoxId box, int gang, TerminalKind half) =>
        PlugInTester.At(energy, box, gang, half).Says switch
        {
            TesterSays.Correct => energy.Between(box, gang, half, TerminalKind.Neutral) is var volts && volts > LampVolts.Bright
                && volts < LampVolts.Over
                ? Finding.Works : Finding.Dim,
            TesterSays.Dead => Finding.Dead,
            TesterSays.OpenGround => Finding.NoGround,
            TesterSays.OpenNeutral => Finding.NoNeutral,
            TesterSays.Reversed => Finding.Reversed,
            _ => Finding.Odd,
        };

    // The constant feed of the cable against its neutral and its ground; where receptacles are split, each leg, and another picture where
    // they differ.
    private Finding Cable(Energy energy, BoxId? box, RunId id)
    {
        var (legs, back) = LegsAndBack(wired.Runs.First(r => r.Id == id));
        Finding Of(Conductor hot) => (back is not null && energy.Ends(box, id, hot.Colour, back.Colour) > LampVolts.Bright,
            energy.Ends(box, id, hot.Colour, ConductorColour.Bare) > LampVolts.Bright, back is null) switch
        {
            (true, true, _) or (_, true, true) => Finding.Works,
            (true, false, _) => Finding.NoGround,
            (false, true, false) => Finding.NoNeutral,
            _ => Finding.Dead,
        };
        var found = Of(legs[0]);
        return legs.All(l => Of(l) == found) ? found : Finding.Odd;
    }
}
