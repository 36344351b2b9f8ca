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
            var told = Left.IsEmpty ? Pairs.Take(2).Select(p => $"{p.One.In(Plan)}, and {p.Other.In(Plan)}")
                : Left.Take(3).Select(e => e.Suspect.In(Plan));
            return $"Seen: {string.Join("; ", Seen.Select(s => $"{ProveWords.Of(s.Test, Plan)} {ProveWords.Of(s.Found, s.Test)}"))}. "
                + $"It may be: {(told.Any() ? string.Join(", or ", told) : "nothing that the plan knows")}.";
        }
    }

    /// <summary>What was looked for on this circuit before, the newest first.</summary>
    public IEnumerable<SiteEntry> Searched => Open.Site.Standing.Where(e => e.Step == SiteStep.Searched
        && e.Subject == Subject.Circuit(At.Circuit)).Reverse();

    /// <summary>Two faults that explain what no single one does.</summary>
    public ImmutableArray<(Suspect One, Suspect Other)> Pairs => Finder.ExplainByTwo(Seen);

    /// <summary>The single faults that explain everything seen.</summary>
    public ImmutableArray<Explains> Left { get; private set; } = [];

    /// <summary>The likeliest short that is left: where along its cable can be measured; null where none is.</summary>
    public Fault.Nailed? Short => Left.Select(e => e.Suspect.Fault).OfType<Fault.Nailed>().FirstOrDefault();

    /// <summary>Where along the cable the short is, by the ohms in the address; null where none are given.</summary>
    public (Fault.Nailed Nail, Stretch? At)? Measured
    {
        get
        {
            decimal? Ohms(string name) => decimal.TryParse(Request.Query[name].ToString().Replace(',', '.'), NumberStyles.AllowDecimalPoint,
                CultureInfo.InvariantCulture, out var ohms) && ohms is >= 0 and < 1000 ? ohms : null;
            return Short is { } nail && Ohms("near") is { } near ? (nail, Stretch.Along(House, nail.Run, nail.One,
                nail.Other, new(near), Ohms("far") is { } far ? new(far) : null, new(Request.Query["last"] == "0.01" ? 0.01m : 0.1m)))
                : null;
        }
    }

    /// <summary>The leads of the box looked at.</summary>
    public HandJoints? Leads { get; private set; }

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
    public LargerBreaker Larger => ProvedPlans.LargerOf(Plan, Circuit.Key);

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
    public IEnumerable<Landed> Circuits => ProvedPlans.CircuitsOf(Plan);

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

    /// <summary>What can be placed on the circuit: what the finder looks for, then what shows elsewhere or nowhere.</summary>
    public IEnumerable<Suspect> Placeable => Finder.Suspects.Select(s => s.Suspect).Concat(Suspect.Besides(House, Circuit));

    /// <summary>What would be found at a place with the fault that is hidden.</summary>
    public Finding? WouldBe(int test) => Placed is not null && At.Fault is int number
        ? Finder.Suspects.ElementAt(number).Looks[test] : null;

    /// <summary>How the breaker of the circuit stands; not told while somebody looks for a hidden fault.</summary>
    public string BreakerSays => Hides() ? "not looked at"
        : $"{(Settled.State.Open.Contains(Circuit.Key) ? "open" : "closed")}, {Settled.Energy.AtBreaker(Circuit.Key)} through it";

    /// <summary>The readings before board.</summary>
    public BoardWalk Board => new(Plan, At.Dead);

    /// <summary>Every circuit switched on in every position of its switches.</summary>
    public IEnumerable<(Landed Circuit, WhatHappens Happens)> Tried => Circuits.Select(c => (c, ProvedPlans.TriedOf(Plan, c.Key)));

    /// <summary>What opened by itself, in words.</summary>
    public string Words(Opened opened)
    {
        var where = opened.Box is { } at ? Plan.Survey[at].Name : Plan.Landed(opened.Circuit)?.Description ?? "a breaker";
        var why = opened.OnArc ? $"on an arc, within {Within(opened.Within)}, declared and typical"
            : opened.OnGroundFault ? $"{Milliamps(opened.Because)} did not come back"
            : $"at {opened.Because}, typically within {Within(opened.Within)}";
        return $"{where}, {why}";
    }

    /// <summary>Thousandths of an ampere: 6 mA.</summary>
    public static string Milliamps(Amps current) => (current.Value * 1000).ToString("#,0 mA", CultureInfo.InvariantCulture);

    private static string Within(TimeSpan time) => time.TotalSeconds < 1 ? "a second"
        : time.TotalSeconds < 120 ? $"{time.TotalSeconds:0} s" : $"{time.TotalMinutes:0} min";

    /// <summary>What can be answered at a place.</summary>
    public ImmutableArray<Finding> Answers(Test test) => test.By == LookBy.Apart
        ? [Finding.Works, Finding.HotOnNeutral, Finding.HotOnGround, Finding.NeutralOnGround, Finding.Odd]
        : test.AtBreaker ? [Finding.Works, Finding.Dead] : test.Run is not null
        ? [Finding.Works, Finding.Dead, Finding.NoNeutral, Finding.NoGround, .. Circuit.Load.Split ? [Finding.Odd] : Array.Empty<Finding>()]
        : Plan.Survey[test.Box!.Value].Box.Devices[test.Gang!.Value].Kind.IsLight()
            ? [Finding.Works, Finding.Dead, Finding.Dim, Finding.StaysOn]
            : [Finding.Works, Finding.Dead, Finding.NoGround, Finding.NoNeutral, Finding.Reversed, Finding.Dim, Finding.Odd];

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
        At = ProveQuery.Read(Request.Query, Plan);
        Circuit = Plan.Circuits.First(c => c.Key == At.Circuit);
        Finder = ProvedPlans.FinderOf(Plan, At.Circuit);
        // What is not looked for cannot be hidden: no look would find it.
        At = At.Fault >= Finder.Suspects.Length ? At with { Hidden = false } : At;
        Placed = At.Fault is int number ? Placeable.ElementAtOrDefault(number) : null;
        Seen = [.. At.Seen.Where(s => s.Test < Finder.Tests.Length).Select(s => new Seen(Finder.Tests[s.Test], s.Found))];
        Left = Finder.Explain(Seen);
        Leads = Box is { } box && Plan.WiringOf(box.Box.Id) is { } wiring ? HandJoints.Open(wiring, box.Box, Plan.Book.Supply) : null;
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
