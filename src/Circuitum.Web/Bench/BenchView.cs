using System.Collections.Immutable;
using Circuitum.Core;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.LowVoltage;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Tags;
using Circuitum.Core.Takeoff;
using Circuitum.Formats.Svg;

namespace Circuitum.Web.Bench;

/// <summary>What one look at the bench shows: a stage, a level, and what is selected.</summary>
public sealed class BenchView
{
    /// <summary>Makes the view; what was selected and is gone is put down.</summary>
    public BenchView(OpenJob job, Stage stage, string? level, string? selected)
    {
        (Job, Stage) = (job, stage);
        var subject = Subject.TryParse(selected);
        Selected = subject is { } s && Resolve(s) ? s : null;
        var levels = Levels.ToList();
        Level = levels.FirstOrDefault(l => l.Level.Id.Value == level) ?? LevelOfSelection() ?? levels[0];
    }

    /// <summary>The job.</summary>
    public OpenJob Job { get; }

    /// <summary>Its plan.</summary>
    public Plan Plan => Job.Plan;

    /// <summary>The stage.</summary>
    public Stage Stage { get; }

    /// <summary>The level drawn.</summary>
    public FramedLevel Level { get; }

    /// <summary>What is selected.</summary>
    public Subject? Selected { get; }

    /// <summary>How two circuits that go the same way could go together, where that was asked; it is routed for, so never while a page is
    /// drawn.</summary>
    public ImmutableArray<TogetherWay>? Together { get; init; }

    /// <summary>The selected box, or null.</summary>
    public PlacedBox? Box { get; private set; }

    /// <summary>The selected room.</summary>
    public FramedRoom? Room { get; private set; }

    /// <summary>The circuit selected, or of the selected box or run.</summary>
    public Landed? Circuit { get; private set; }

    /// <summary>The selected run.</summary>
    public Run? Run { get; private set; }

    /// <summary>The room of what is selected: a room, a wall, an opening, a fixture, a want.</summary>
    public FramedRoom? Of { get; private set; }

    /// <summary>The selected wall of that room.</summary>
    public RoomSide? Side { get; private set; }

    /// <summary>The selected opening, as the room that lists it says it.</summary>
    public Opening? Opening { get; private set; }

    /// <summary>The selected fixture, and its place in the room's list from 1.</summary>
    public (Fixture Fixture, int Number)? Fixture { get; private set; }

    /// <summary>The selected obstruction, and its place in the level's list from 1.</summary>
    public (Obstruction Obstruction, int Number)? Obstruction { get; private set; }

    /// <summary>The selected want.</summary>
    public Want? Want { get; private set; }

    /// <summary>The selected outlet of low voltage.</summary>
    public PlacedLowVoltage? LowVoltage { get; private set; }

    /// <summary>The selected can or shelf.</summary>
    public PlacedHome? LowVoltageHome { get; private set; }

    /// <summary>The selected stud bays kept for another trade.</summary>
    public Reservation? Bays { get; private set; }

    /// <summary>The selected spare chase.</summary>
    public Chase? Chase { get; private set; }

    /// <summary>The level or building selected for its own sake.</summary>
    public FramedLevel? LevelItself { get; private set; }

    /// <summary>The building selected.</summary>
    public FramedStructure? Building { get; private set; }

    /// <summary>Spaces that a circuit may be put in by hand: every one of its panel, and the halves that the label lists where half a space
    /// suits it.</summary>
    public IEnumerable<PanelSpace> SpacesFor(Landed landed) => Enumerable.Range(1, Panel.Panel.Spaces)
        .SelectMany(s => Tandem.IsListed(Panel.Panel, s) && Tandem.Takes(landed.Wired) ? new PanelSpace(s).Halves.Prepend(s) : [s]);

    /// <summary>The selected panel, or of the selected circuit; the one on the service otherwise.</summary>
    public PanelSchedule Panel =>
        panel ?? (Circuit is { } c ? Plan.Panels.First(p => p.Circuits.Contains(c)) : Plan.Panels.First(p => p.Panel.FedFrom is null));

    /// <summary>What was just done.</summary>
    public Said? Said { get; init; }

    /// <summary>Every level of every building.</summary>
    public IEnumerable<FramedLevel> Levels => Plan.House.Levels;

    private PanelSchedule? panel;

    /// <summary>Tags of a stage by severity.</summary>
    public int Count(Stage stage, Severity severity) => Plan.Tags.Count(t => t.Stage == stage && t.Severity == severity);

    /// <summary>Tags on a subject, with their place in the plan's list.</summary>
    public IEnumerable<(Tag Tag, int Index)> TagsOn(params Subject?[] subjects) =>
        Plan.Tags.Select((t, i) => (t, i)).Where(x => subjects.Contains(x.t.Subject));

    /// <summary>The one look: which reset protects this outlet.</summary>
    public string ResetOf(BoxId box) => Resets.Of(Plan, box);

    /// <summary>The heaviest tag on a circuit, its boxes, its runs, or null.</summary>
    public Severity? Worst(Landed circuit) => Plan.Tags.Where(t => t.Stage is not (Stage.House or Stage.Boxes) && On(t.Subject, circuit))
        .Select(t => (Severity?)t.Severity).Min();

    /// <summary>Tags that concern a circuit: on itself, its boxes or its runs.</summary>
    public IEnumerable<(Tag Tag, int Index)> TagsAround(Landed circuit) => Plan.Tags.Select((t, i) => (t, i))
        .Where(x => On(x.t.Subject, circuit));

    /// <summary>Address of this view with something else selected.</summary>
    public string Link(Subject? subject, Stage? stage = null, FramedLevel? level = null)
    {
        var at = level ?? (subject is null || subject == Selected ? Level : null);
        var query = new List<string>();
        if (at is not null)
        {
            query.Add($"level={Uri.EscapeDataString(at.Level.Id.Value)}");
        }

        if (subject is { } s)
        {
            query.Add($"on={Uri.EscapeDataString(s.ToString())}");
        }

        return $"/job/{Job.Key}/{Name(stage ?? Stage)}{(query.Count == 0 ? "" : "?" + string.Join('&', query))}";
    }

    /// <summary>Facts waited for on a field of a subject.</summary>
    public Hold? HoldOn(Subject subject, HoldField field) =>
        Plan.Job.Holds.FirstOrDefault(h => h.Subject == subject.ToString() && (h.Field == field || h.Field is null));

    /// <summary>Address of a handler, coming back to this view.</summary>
    public string Act(string handler)
    {
        var here = Link(Selected);
        return $"{here}{(here.Contains('?', StringComparison.Ordinal) ? '&' : '?')}handler={handler}";
    }

    /// <summary>The plan of the level as drawn in the browser.</summary>
    public string Drawing() =>
        PlanDrawing.Draw(Plan, Level.Level.Id,
            new()
            {
                Stage = Stage,
                Selected = Selected,
                Standalone = false,
                Dimensions = true,
                Link = s => Link(s, level: Level),
                Pulled = Stage == Stage.Runs ? Job.Site.Pulled : ImmutableHashSet<RunId>.Empty,
                Underlay = hash => $"/drawing/{hash}.svg"
            });

    /// <summary>A stage's name in addresses.</summary>
    public static string Name(Stage stage) => stage.ToString().ToLowerInvariant();

    private bool On(Subject subject, Landed circuit) => subject.Kind switch
    {
        SubjectKind.Circuit => subject.Id == circuit.Key.Value,
        SubjectKind.Box => circuit.Wired.Boxes.ContainsKey(new(subject.Id)),
        SubjectKind.Run => subject.AsRun is { } run && Plan.FindRun(run) is var (of, _) && of == circuit.Wired,
        _ => false,
    };

    private bool Resolve(Subject subject)
    {
        switch (subject.Kind)
        {
            case SubjectKind.Box:
                Box = Plan.Survey.Find(new(subject.Id));
                Circuit = Box is not null && Plan.CircuitOf(Box.Box.Id) is { } fed ? Plan.Landed(fed.Circuit.Key) : null;
                return Box is not null;
            case SubjectKind.Room:
                Room = Plan.House.Rooms.FirstOrDefault(r => r.Room.Id.Value == subject.Id);
                return Room is not null;
            case SubjectKind.Circuit:
                Circuit = Plan.Landed(new(subject.Id));
                return Circuit is not null;
            case SubjectKind.Run:
                (Circuit, Run) = subject.AsRun is { } id && Plan.FindRun(id) is var (wired, run) ? (Plan.Landed(wired.Key), run)
                    : (null, null);
                return Run is not null;
            case SubjectKind.Panel:
                panel = Plan.Panels.FirstOrDefault(p => p.Panel.Id.Value == subject.Id);
                return panel is not null;
            default:
                return ResolveInHouse(subject);
        }
    }

    private bool ResolveInHouse(Subject subject)
    {
        switch (subject.Kind)
        {
            case SubjectKind.Wall when subject.Numbered is var (of, number):
                Of = RoomOf(of);
                Side = Of?.Sides.ElementAtOrDefault(number - 1);
                return Side is not null;
            case SubjectKind.Fixture when subject.Numbered is var (of, number):
                Of = RoomOf(of);
                Fixture = Of?.Room.Fixtures.ElementAtOrDefault(number - 1) is { } fixture ? (fixture, number) : null;
                return Fixture is not null;
            case SubjectKind.Obstruction when subject.Numbered is var (of, number):
                LevelItself = LevelNamed(of);
                Obstruction = LevelItself?.Level.Obstructions.ElementAtOrDefault(number - 1) is { } obstruction ? (obstruction, number)
                    : null;
                return Obstruction is not null;
            case SubjectKind.Opening:
                Of = Plan.House.Rooms.FirstOrDefault(r => r.Room.Openings.Any(o => o.Id.Value == subject.Id));
                Opening = Of?.Room.Openings.First(o => o.Id.Value == subject.Id);
                return Opening is not null;
            case SubjectKind.Want:
                Want = Plan.Job.Wants.FirstOrDefault(w => w.Id.Value == subject.Id);
                Of = Want is null ? null : Plan.House.Room(Want.Room);
                return Want is not null;
            case SubjectKind.LowVoltage:
                LowVoltage = Plan.LowVoltage.Outlets.FirstOrDefault(o => o.Outlet.Id.Value == subject.Id);
                Of = LowVoltage?.Room;
                return LowVoltage is not null;
            case SubjectKind.LowVoltageHome:
                LowVoltageHome = Plan.LowVoltage.Homes.FirstOrDefault(h => h.Home.Id.Value == subject.Id);
                Of = LowVoltageHome?.Room;
                return LowVoltageHome is not null;
            case SubjectKind.Bays:
                Bays = Levels.SelectMany(l => l.Level.Reservations).FirstOrDefault(r => r.Id.Value == subject.Id);
                Of = Bays is null ? null : Plan.House.Room(Bays.Room);
                return Bays is not null;
            case SubjectKind.Chase:
                Chase = Levels.SelectMany(l => l.Level.Chases).FirstOrDefault(c => c.Id.Value == subject.Id);
                Of = Chase is null ? null : Plan.House.Room(Chase.Room);
                return Chase is not null;
            case SubjectKind.Level:
                LevelItself = LevelNamed(subject.Id);
                return LevelItself is not null;
            case SubjectKind.Structure:
                Building = Plan.House.Structures.FirstOrDefault(s => s.Structure.Id.Value == subject.Id);
                return Building is not null;
            default:
                return false;
        }
    }

    private FramedRoom? RoomOf(string id) => Plan.House.Rooms.FirstOrDefault(r => r.Room.Id.Value == id);

    private FramedLevel? LevelNamed(string id) => Levels.FirstOrDefault(l => l.Level.Id.Value == id);

    private FramedLevel? LevelOfSelection()
    {
        if (LevelItself is not null)
        {
            return LevelItself;
        }

        if (Building is not null)
        {
            return Building.Levels[0];
        }

        var room = Box?.Room ?? Room ?? Of ?? (panel is not null ? Plan.House.Room(panel.Panel.Room) : null);
        if (room is null && (Run?.To.Box ?? Circuit?.HomeRun?.To.Box) is BoxId box)
        {
            room = Plan.Survey[box].Room;
        }

        return room is null ? null : Plan.House.Structures[room.Structure].Levels[room.Level];
    }
}

/// <summary>The quiet line: what was done, what followed, or why not.</summary>
/// <param name="Phrase">What was done, or the sentence of refusal.</param>
/// <param name="Followed">What else changed.</param>
/// <param name="Refused">True when nothing was done.</param>
public sealed record Said(string Phrase, IReadOnlyList<string> Followed, bool Refused = false)
{
    /// <summary>For a change that someone else overtook: the fields to send again on top of theirs.</summary>
    public IReadOnlyList<KeyValuePair<string, string>> Again { get; init; } = [];

    /// <summary>The handler to send them to.</summary>
    public string? AgainAt { get; init; }

    /// <summary>Words on the button that sends them.</summary>
    public string AgainWords { get; init; } = "Apply mine on top";
}
