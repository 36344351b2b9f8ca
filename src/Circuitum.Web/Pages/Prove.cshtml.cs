using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Circuits;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;
using Circuitum.Core.Routing;
using Circuitum.Core.Site;
using Circuitum.Core.Training;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;
using Circuitum.Data;
using Circuitum.Formats.Svg;
using Circuitum.Web.Bench;
using Circuitum.Web.Proving;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.WebUtilities;

namespace Circuitum.Web.Pages;

/// <summary>Prove: the house switched on before it is wired, a fault placed in it, and the fault found.</summary>
public sealed class ProveModel(Workbench bench, SiteEntries site, TimeProvider clock) : JobPage(bench)
{
    /// <summary>Keeps what was seen and what explains it in the record of the circuit.</summary>
    public async Task<IActionResult> OnPostKeepAsync()
    {
        if (!await LoadAsync())
        {
            return NotFound();
        }

        if (!HasCircuits || Seen.IsEmpty || Hides())
        {
            return Refuse("Say first what you found: there is nothing to keep.", StatusCodes.Status422UnprocessableEntity);
        }

        var now = new Instant(clock.GetUtcNow().ToUnixTimeMilliseconds());
        var entry = new SiteEntry(new(Guid.NewGuid()), Subject.Circuit(At.Circuit), SiteStep.Searched, now, now, Crew.Of(HttpContext),
            Open.Revision)
        { Note = Printed.Cut(Account, SiteEntry.LongestNote) };
        return await site.AppendAsync(Open.Key, [entry]) ? Redirect(Link(At))
            : Refuse($"This job has as many entries, {SiteEntries.MostOfJob}, as one can have.", StatusCodes.Status422UnprocessableEntity);
    }

    /// <summary>What was seen, and what explains it, for the record.</summary>
    private string Account
    {
        get
        {
            var left = Finder.Explain(Seen);
            var told = left.IsEmpty ? Pairs.Take(2).Select(p => $"{p.One.In(Plan)}, and {p.Other.In(Plan)}")
                : left.Take(3).Select(e => e.Suspect.In(Plan));
            return $"Seen: {string.Join("; ", Seen.Select(s => $"{Words(s.Test)} {Words(s.Found, s.Test)}"))}. "
                + $"It may be: {(told.Any() ? string.Join(", or ", told) : "nothing that the plan knows")}.";
        }
    }

    /// <summary>What was looked for on this circuit before, the newest first.</summary>
    public IEnumerable<SiteEntry> Searched => Open.Site.Standing.Where(e => e.Step == SiteStep.Searched
        && e.Subject == Subject.Circuit(At.Circuit)).Reverse();

    /// <summary>Two faults that explain what no single one does.</summary>
    public ImmutableArray<(Suspect One, Suspect Other)> Pairs => Finder.ExplainByTwo(Seen);

    /// <summary>The shorts that are left, by their cable: where along it can be measured.</summary>
    public IEnumerable<Fault.Nailed> Shorts => Finder.Explain(Seen).Select(e => e.Suspect.Fault).OfType<Fault.Nailed>();

    /// <summary>Where along the cable the short is, by the ohms in the address; null where none are given.</summary>
    public (Fault.Nailed Nail, Stretch? At)? Measured
    {
        get
        {
            decimal? Ohms(string name) => decimal.TryParse(Request.Query[name].ToString().Replace(',', '.'), NumberStyles.AllowDecimalPoint,
                CultureInfo.InvariantCulture, out var ohms) && ohms is >= 0 and < 1000 ? ohms : null;
            return Shorts.FirstOrDefault() is { } nail && Ohms("near") is { } near ? (nail, Stretch.Along(House, nail.Run, nail.One,
                nail.Other, new(near), Ohms("far") is { } far ? new(far) : null, new(Request.Query["last"] == "0.01" ? 0.01m : 0.1m)))
                : null;
        }
    }

    /// <summary>The leads of the box looked at.</summary>
    public HandJoints? Leads => Box is { } box && Plan.WiringOf(box.Box.Id) is { } wiring
        ? HandJoints.Open(wiring, box.Box, Plan.Book.Supply) : null;

    /// <summary>What the instrument shows; null where none is held to anything.</summary>
    public Reading? Reading
    {
        get
        {
            Probe? At(string name) => Leads?.Find(name) is not { } lead ? null : lead.End is { } end
                ? new Probe.AtEnd(Box!.Box.Id, end.Run.Id, end.Conductor.Colour)
                : new Probe.AtScrew(Box!.Box.Id, lead.Screw!.Value.Gang, lead.Screw.Value.Kind);
            return this.At.Instrument is { } held && At(this.At.One) is { } one
                ? Instruments.Read(House, Settled, (Plan.CircuitOf(Box!.Box.Id) ?? Circuit).Key, held, one, At(this.At.Other) ?? one)
                    : null;
        }
    }

    /// <summary>The state in the address as a form sends it along, without what is measured.</summary>
    public IEnumerable<(string Name, string Value)> Kept => QueryHelpers.ParseQuery(new Uri(new Uri("http://localhost"),
            Link(At with { Instrument = null, One = "", Other = "" })).Query)
        .Select(p => (p.Key, p.Value.ToString()));

    /// <summary>What stands in the address under a name.</summary>
    public string Typed(string name) => Request.Query[name].ToString();

    /// <summary>An instrument, in words.</summary>
    public static string Words(Instrument instrument) => instrument switch
    {
        Instrument.Volts => "a meter, volts",
        Instrument.TwoPole => "a two-pole tester",
        Instrument.Contactless => "a contactless pen",
        Instrument.Ohms => "a meter, ohms",
        _ => "a tone",
    };

    /// <summary>A conductor's color, in words.</summary>
    public static string Colour(ConductorColour colour) => MakeUp.ColourOf(colour);

    /// <summary>The day of an entry.</summary>
    public static string Day(SiteEntry entry) => DateTimeOffset.FromUnixTimeMilliseconds(entry.When.UnixMilliseconds)
        .ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    /// <summary>Larger breakers tried on the circuit.</summary>
    public LargerBreaker Larger => LargerBreaker.Of(House, Circuit);

    /// <summary>How the house stands, by the address.</summary>
    public ProveQuery At { get; private set; } = null!;

    /// <summary>The wiring.</summary>
    public HouseNetwork House { get; private set; } = null!;

    /// <summary>The house after everything that opens has opened.</summary>
    public Settled Settled { get; private set; } = null!;

    /// <summary>The finder of the circuit looked at.</summary>
    public Finder Finder { get; private set; } = null!;

    /// <summary>The circuit looked at.</summary>
    public WiredCircuit Circuit { get; private set; } = null!;

    /// <summary>The level drawn.</summary>
    public FramedLevel Drawn { get; private set; } = null!;

    /// <summary>What was seen.</summary>
    public ImmutableArray<Seen> Seen { get; private set; } = [];

    /// <summary>The fault that is placed; null for none.</summary>
    public Suspect? Placed { get; private set; }

    /// <summary>The plan.</summary>
    public Plan Plan => Open.Plan;

    /// <summary>There is anything to switch on.</summary>
    public bool HasCircuits => Plan.Circuits.Any(c => c.Feeds is null && !c.Circuit.Boxes.IsEmpty);

    /// <summary>The drawing.</summary>
    public string Drawing => ProveDrawing.Draw(Plan, Drawn, Settled.Energy, Settled.State.Thrown, Circuit, At.On, b => Link(Pressed(b)),
        b => Hides() && Circuit.Circuit.Boxes.Contains(b) && !Seen.Any(s => s.Test.Box == b));

    /// <summary>A fault is hidden, and somebody looks for it: what was not looked at is not shown.</summary>
    public bool Hides() => At.Hidden && Placed is not null;

    /// <summary>Levels with rooms.</summary>
    public IEnumerable<FramedLevel> Levels => Plan.House.Levels.Where(l => !l.Rooms.IsEmpty);

    /// <summary>Branch circuits in the order of their panels.</summary>
    public IEnumerable<Landed> Circuits => Plan.Panels.SelectMany(p => p.Circuits).Where(c => c.Feeds is null && !c.Boxes.IsEmpty);

    /// <summary>The address of a state.</summary>
    public string Link(ProveQuery at) => at.Address(Key);

    /// <summary>The box looked at, with the devices on it.</summary>
    public PlacedBox? Box => At.On is { } box ? Plan.Survey[box] : null;

    /// <summary>A box is pressed: a lone switch is thrown, anything else is looked at, with its circuit.</summary>
    public ProveQuery Pressed(PlacedBox box)
    {
        var circuit = Plan.CircuitOf(box.Box.Id)?.Key ?? At.Circuit;
        var next = circuit == At.Circuit ? At : At with { Circuit = circuit, Fault = null, Hidden = false, Seen = [] };
        return (box.SwitchesOnly && box.Box.Devices.Length == 1 ? Toggled(next, new(box.Box.Id, 0)) : next) with { On = box.Box.Id };
    }

    /// <summary>A switch is thrown, or back.</summary>
    public static ProveQuery Toggled(ProveQuery at, SwitchGang gang) => at with
    { Thrown = at.Thrown.Contains(gang) ? at.Thrown.Remove(gang) : at.Thrown.Add(gang) };

    /// <summary>A breaker is opened, or closed; closing lets go of everything that had opened by itself.</summary>
    public ProveQuery Broken(CircuitKey key) => At with { Open = At.Open.Contains(key) ? At.Open.Remove(key) : At.Open.Add(key) };

    /// <summary>All lamps of the house on.</summary>
    public ProveQuery AllOn => At with { Thrown = ProveQuery.AllOn(Plan) };

    /// <summary>All lamps of the house off, nothing plugged in, nothing opened by hand.</summary>
    public ProveQuery AllOff => At with { Thrown = ProveQuery.AllOff(Plan), Plugged = [], Open = [], Tripped = [] };

    /// <summary>A fault by lot among those that change something, another each time.</summary>
    public ProveQuery ByLot()
    {
        var planned = Finder.AsPlanned;
        var telling = Finder.Suspects.Select((s, i) => (s, i)).Where(x => !x.s.Looks.SequenceEqual(planned)).Select(x => x.i).ToList();
        return At with
        {
            View = "find",
            Fault = telling[Random.Shared.Next(telling.Count)],
            Hidden = true,
            Seen = [],
            Open = [],
            Tripped = []
        };
    }

    /// <summary>What would be found at a place with the fault that is hidden.</summary>
    public Finding? WouldBe(int test) => Placed is not null && At.Fault is int number
        ? Finder.Suspects.ElementAt(number).Looks[test] : null;

    /// <summary>A place to look, in words.</summary>
    public string Words(Test test)
    {
        if (test.By != LookBy.Standing && Plan.FindRun(test.Run!.Value) is var (_, apart))
        {
            return test.By == LookBy.Jumper ? $"{Plan.Survey[test.Box!.Value].Name}, its three conductors joined"
                : $"Breaker off, {(test.Box is { } at ? Plan.Survey[at].Name : "the panel")}: the cable {apart.From.Name} → "
                    + $"{apart.To.Name} out of its joints";
        }

        if (test.AtBreaker)
        {
            return test == Test.Breaker ? "The breaker" : "The breaker, closed again once";
        }

        var box = test.Box is { } id ? Plan.Survey[id] : null;
        return test.Run is { } run && Plan.FindRun(run) is var (_, found)
            ? $"{(box is null ? "Open the panel" : $"Open {box.Name}")}: the cable {found.From.Name} → {found.To.Name}"
            : box!.Name;
    }

    /// <summary>How the breaker of the circuit stands; not told while somebody looks for a hidden fault.</summary>
    public string BreakerSays => Hides() ? "not looked at"
        : $"{(Settled.State.Open.Contains(Circuit.Key) ? "open" : "closed")}, {Settled.Energy.AtBreaker(Circuit.Key)} through it";

    /// <summary>The readings of the whole house before board, room by room as one walks; the panel last.</summary>
    public IEnumerable<IGrouping<string, (Landed Circuit, Test Test, Finding Shows)>> Walk => Boards
        .SelectMany(b => b.Readings.Tests.Select(t => (b.Circuit, Test: t, Shows: b.Finder.AsPlanned[b.Finder.Tests.IndexOf(t)])))
        .OrderBy(r => r.Test.Box is { } box ? order[box] : int.MaxValue)
        .GroupBy(r => r.Test.Box is { } box ? Plan.Survey[box].Room.Room.Name : "At the panels");

    /// <summary>The readings of every circuit.</summary>
    public IEnumerable<(Landed Circuit, Finder Finder, Readings Readings)> Boards => Circuits.Select(c =>
    {
        var (finder, readings) = At.Dead ? ProvedPlans.DeadOf(Plan, c.Key)
            : (ProvedPlans.FinderOf(Plan, c.Key), ProvedPlans.ReadingsOf(Plan, c.Key));
        return (c, finder, readings);
    });

    /// <summary>Every circuit switched on in every position of its switches.</summary>
    public IEnumerable<(Landed Circuit, WhatHappens Happens)> Tried => Circuits.Select(c => (c, ProvedPlans.TriedOf(Plan, c.Key)));

    private Dictionary<BoxId, int> order = [];

    /// <summary>What opened by itself, in words.</summary>
    public string Words(Opened opened)
    {
        var where = opened.Box is { } at ? Plan.Survey[at].Name : Plan.Landed(opened.Circuit)?.Description ?? "a breaker";
        var why = opened.OnGroundFault ? $"{Milliamps(opened.Because)} did not come back"
            : $"at {opened.Because}, typically within {Within(opened.Within)}";
        return $"{where}, {why}";
    }

    /// <summary>What to mind before a place is looked at.</summary>
    public static string Caution(Test test) => test == Test.Breaker ? ": see whether its handle is in the middle or off."
        : test == Test.Reset ? ": close it once, standing aside. If it opens again leave it off; do not try a second time."
        : test.By == LookBy.Apart ? ". Open the breaker, lock it, prove the cable dead; then ohms between its own conductors."
        : test.Box is null ? ". The lugs ahead of the main stay live: this is licensed work."
        : test.Run is not null ? ". Breaker off, prove it dead, open the box; then live with a meter only if you may." : ".";

    /// <summary>Thousandths of an ampere: 6 mA.</summary>
    public static string Milliamps(Amps current) => (current.Value * 1000).ToString("#,0 mA", CultureInfo.InvariantCulture);

    private static string Within(TimeSpan time) => time.TotalSeconds < 1 ? "a second"
        : time.TotalSeconds < 120 ? $"{time.TotalSeconds:0} s" : $"{time.TotalMinutes:0} min";

    /// <summary>What can be answered at a place.</summary>
    public ImmutableArray<Finding> Answers(Test test) => test.By == LookBy.Apart
        ? [Finding.Works, Finding.HotOnNeutral, Finding.HotOnGround, Finding.NeutralOnGround, Finding.Odd]
        : test.AtBreaker ? [Finding.Works, Finding.Dead] : test.Run is not null
        ? [Finding.Works, Finding.Dead, Finding.NoNeutral, Finding.NoGround]
        : Plan.Survey[test.Box!.Value].Box.Devices[test.Gang!.Value].Kind.IsLight()
            ? [Finding.Works, Finding.Dead, Finding.Dim, Finding.StaysOn]
            : [Finding.Works, Finding.Dead, Finding.NoGround, Finding.NoNeutral, Finding.Reversed, Finding.Dim, Finding.Odd];

    /// <summary>What a device must show.</summary>
    public string MustShow(Test test) => test.By == LookBy.Apart ? "nothing joined: hot, neutral and ground open to each other"
        : test.By == LookBy.Jumper ? "read through at the panel: hot, neutral and ground joined"
        : Plan.Survey[test.Box!.Value].Box.Devices[test.Gang!.Value].Kind.IsLight()
        ? "turn on and off, bright" : "read correct on a tester";

    /// <summary>A finding, in words.</summary>
    public static string Words(Finding found, Test test) => found switch
    {
        Finding.Works when test.By == LookBy.Apart => "nothing joined",
        Finding.Odd when test.By == LookBy.Apart => "more than two joined",
        Finding.HotOnNeutral => "hot on neutral",
        Finding.HotOnGround => "hot on ground",
        Finding.NeutralOnGround => "neutral on ground",
        Finding.Works when test == Test.Reset => "holds",
        Finding.Dead when test == Test.Reset => "opens again",
        Finding.Works => test == Test.Breaker ? "closed" : test.Run is null ? "works" : "live",
        Finding.Dead when test == Test.Breaker => "opened",
        Finding.StaysOn => "stays on",
        Finding.NoGround => "no ground",
        Finding.NoNeutral => "no neutral",
        Finding.Odd => "another picture",
        _ => found.ToString().ToLowerInvariant(),
    };

    /// <summary>An answer is given, or taken back.</summary>
    public ProveQuery Answered(int test, Finding found) => At with
    { Seen = At.Seen.Contains((test, found)) ? At.Seen.Remove((test, found)) : [.. At.Seen.Where(s => s.Test != test), (test, found)] };

    /// <inheritdoc/>
    protected override Task ReadAsync()
    {
        if (!HasCircuits)
        {
            return Task.CompletedTask;
        }

        House = ProvedPlans.HouseOf(Plan);
        order = Plan.Survey.Boxes.GroupBy(b => b.Room).OrderBy(r => r.Key.Structure).ThenBy(r => r.Key.Level).SelectMany(room => room)
            .Select((b, i) => (b.Box.Id, i))
            .ToDictionary(x => x.Id, x => x.i);
        At = ProveQuery.Read(Request.Query, Plan);
        Circuit = Plan.Circuits.First(c => c.Key == At.Circuit);
        Finder = ProvedPlans.FinderOf(Plan, At.Circuit);
        Placed = At.Fault is int number ? Finder.Suspects.ElementAtOrDefault(number).Suspect : null;
        Seen = [.. At.Seen.Where(s => s.Test < Finder.Tests.Length).Select(s => new Seen(Finder.Tests[s.Test], s.Found))];
        var near = Box ?? Plan.Survey[Circuit.Circuit.Boxes[0]];
        Drawn = Levels.FirstOrDefault(l => l.Level.Id.Value == At.Level)
            ?? Levels.FirstOrDefault(l => l.Structure == near.Place.Structure && l.Index == near.Place.Level) ?? Levels.First();
        var state = HouseState.AsPlanned with
        {
            Thrown = [.. At.Thrown],
            Open = [.. At.Open, .. Placed == Suspect.BreakerOpen ? new[] { At.Circuit } : []],
            Tripped = [.. At.Tripped, .. Placed?.Opened is { } device ? new[] { device } : []],
            Plugged = At.Plugged,
            Faults = Placed?.Fault is { } fault ? [fault] : [],
        };
        Settled = WhoOpens.Settle(House, state);
        return Task.CompletedTask;
    }
}
