using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;

namespace Circuitum.Core.Site;

/// <summary>One thing to be seen before something covers it.</summary>
/// <param name="Subject">The room, circuit or building that it is seen in.</param>
/// <param name="Key">Which thing, for as long as the job lasts.</param>
/// <param name="Text">What must be so, with its number.</param>
/// <param name="Section">What asks for it, or whose word it is.</param>
public sealed record WalkLine(Subject Subject, string Key, string Text, string Section)
{
    /// <summary>What the record already says against it: 2 of 9 runs are not pulled; null where nothing does.</summary>
    public string? NotReady { get; init; }
}

/// <summary>What is seen in one place, in the order of a person's steps.</summary>
/// <param name="Name">The room, or the house.</param>
/// <param name="Where">Its floor; empty for a whole house.</param>
/// <param name="Lines">What is seen there.</param>
public sealed record WalkStop(string Name, string Where, ImmutableArray<WalkLine> Lines)
{
    /// <summary>The room; null for a whole house, a trench, a panel.</summary>
    public FramedRoom? Room { get; init; }
}

/// <summary>The walk before something is covered, made from this plan: room by room, then what concerns the whole house.</summary>
public static class Walk
{
    /// <summary>The stops of a closing; empty where the job has nothing that it would cover.</summary>
    public static ImmutableArray<WalkStop> Of(Plan plan, SiteRecord record, Closing closing) => WithCrewLines(plan, closing, closing switch
    {
        Closing.Pour => [.. SlabPipeSheet.Of(plan).GroupBy(p => p.Structure).Select(g => Pour(plan, g.Key, [.. g]))],
        Closing.Trench => [.. plan.Job.Trenches.Select(t => Trench(plan, t))],
        Closing.Walls => [.. Rooms(plan).Select(r => Walls(plan, record, r.Room, r.Level, r.Boxes)), WholeHouse(plan)],
        _ => [.. Rooms(plan).Select(r => Trim(plan, r.Room, r.Level, r.Boxes)), .. plan.Panels.Select(p => TrimPanel(plan, record, p))],
    });

    // What the crew looks at beside what the plan asks for: in every room last, of the whole house at its own stop, the last of all.
    private static ImmutableArray<WalkStop> WithCrewLines(Plan plan, Closing closing, ImmutableArray<WalkStop> stops)
    {
        var own = plan.Job.CrewLines.Where(l => l.Closing == closing).ToList();
        if (own.Count == 0 || stops.IsEmpty)
        {
            return stops;
        }

        WalkLine Line(Subject subject, CrewLine line) => new(subject, $"own-{line.Id}", line.Text, "the crew");
        var house = Subject.Structure(plan.House.Structures[0].Structure.Id);
        List<WalkLine> whole = [.. own.Where(l => !l.InEveryRoom).Select(l => Line(house, l))];
        stops = [.. stops.Select(s => s.Room is not { } room ? s
            : s with { Lines = s.Lines.AddRange(own.Where(l => l.InEveryRoom).Select(l => Line(Subject.Room(room.Room.Id), l))) })];
        return whole.Count == 0 ? stops
            : stops.FirstOrDefault(s => s.Name == House) is { } there
                ? stops.Replace(there, there with { Lines = there.Lines.AddRange(whole) })
            : stops.Add(new(House, "", [.. whole]));
    }

    private const string House = "The whole house";

    /// <summary>The rooms that have boxes, floor by floor, with what is in them.</summary>
    public static IEnumerable<(FramedRoom Room, string Level, IReadOnlyList<PlacedBox> Boxes)> Rooms(Plan plan)
    {
        var boxes = plan.Survey.Boxes.ToLookup(b => b.Box.Room);
        return plan.House.Levels.SelectMany(l => l.Rooms, (l, r) => (Room: r, l.Level.Name,
            Boxes: (IReadOnlyList<PlacedBox>)[.. boxes[r.Room.Id]]))
            .Where(x => x.Boxes.Count > 0);
    }

    private static string Cite(Plan plan, params ImmutableArray<RuleId> rules) => plan.Book.Cite(rules).ToString();

    private static WalkStop Walls(Plan plan, SiteRecord record, FramedRoom room, string level, IReadOnlyList<PlacedBox> boxes)
    {
        var rules = plan.Job.HouseRules;
        var subject = Subject.Room(room.Room.Id);
        WalkLine Line(string key, string text, string section) => new(subject, key, text, section);
        var ids = boxes.Select(b => b.Box.Id).ToHashSet();
        var runs = plan.Takeoff.Pulls.Where(l => plan.FindRun(l.Run)!.Value.Run is var run
            && ((run.To.Box is { } to && ids.Contains(to)) || (run.From.Box is { } from && ids.Contains(from)))).ToList();
        var open = runs.Count(l => !record.Pulled.Contains(l.Run));
        var lines = new List<WalkLine>
        {
            Line("boxes", $"{boxes.Count} {(boxes.Count == 1 ? "box" : "boxes")}: {Heights(boxes)}", "the plan"),
            Line("flush", "Boxes square, fast, and flush with the finished face; at most 1/4 in behind it where nothing there burns",
                Cite(plan, RuleId.BoxFlush)),
            Line("cables", $"{runs.Count} {(runs.Count == 1 ? "cable" : "cables")} in, each with its label at both ends", "the plan")
                with { NotReady = open == 0 ? null : $"{open} of {runs.Count} not pulled by the record" },
            Line("staples", $"Fastened within {rules.FastenedNearBox} of every box and every {rules.FastenedAlong} between; not pinched",
                Cite(plan, RuleId.CableSupport, RuleId.CableAtBox)),
            Line("holes", $"At most {rules.CablesPerHole} cables to a hole or under a staple; holes 1-1/4 in from the face, or a plate",
                Cite(plan, RuleId.HoleEdge)),
            Line("free", "6 in of conductor free in every box, 3 in of it beyond the face; 1/4 in of sheath inside",
                Cite(plan, RuleId.FreeConductor, RuleId.CableAtBox)),
            Line("grounds", "Grounds joined in every box, with a tail for each device; ends coiled in", Cite(plan, RuleId.GroundsJoined)),
        };
        foreach (var (box, circuit) in boxes.Select(b => (b, plan.CircuitOf(b.Box.Id))))
        {
            if (circuit?.Devices.ContainsKey(box.Box.Id) == true)
            {
                lines.Add(Line($"line-{box.Box.Id}", $"{box.Name}: the cable that is LINE is marked", "the plan"));
            }
        }

        if (boxes.Where(b => b.HasAlarm).ToList() is { Count: > 0 } alarms)
        {
            lines.Add(Line("alarms", $"{string.Join(", ", alarms.Select(a => a.Name))}: wired, and joined with the others",
                Cite(plan, RuleId.SmokeAlarms)));
        }

        if (plan.LowVoltage.Runs.Any(r => r.Outlet.Room == room))
        {
            lines.Add(Line("low-voltage", $"Low voltage in holes of its own, {rules.LowVoltageApart} from power",
                Cite(plan, RuleId.LowVoltageFromPower)));
        }

        return new(room.Room.Name, level, [.. lines]) { Room = room };
    }

    // 6 receptacles at 14", 2 switches at 4': the commonest first.
    private static string Heights(IReadOnlyList<PlacedBox> boxes) => string.Join(", ", boxes
        .GroupBy(b => (Kind: KindOf(b), Height: b.Box.Mount == Mount.Wall ? (Length?)b.Height : null))
        .OrderByDescending(g => g.Count()).ThenBy(g => g.Key.Kind, StringComparer.Ordinal).ThenBy(g => g.Key.Height)
        .Select(g => $"{g.Count()} {g.Key.Kind}{(g.Count() == 1 || g.Key.Kind == "equipment" ? "" : g.Key.Kind == "switch" ? "es" : "s")}"
            + (g.Key.Height is { } height ? $" at {height}" : " overhead or in the floor")));

    private static string KindOf(PlacedBox box) => box.SwitchesOnly ? "switch" : box.HasGeneralReceptacle ? "receptacle"
        : box.HasAlarm ? "alarm" : box.HasLight ? "light" : box.IsJoint ? "joint" : "equipment";

    private static WalkStop Pour(Plan plan, int structure, IReadOnlyList<SlabPipe> pipes)
    {
        var building = plan.House.Structures[structure].Structure;
        var subject = Subject.Structure(building.Id);
        var lines = pipes.Select(p => new WalkLine(subject, $"slab-{p.Ends}", $"{p.Trade} in PVC for {p.What}: from {p.From}, to {p.To}; "
            + $"{p.Long.Measured(plan.Job.Schools.Measure)} between, {p.Degrees}° in all", Cite(plan, RuleId.PlasticBends))).ToList();
        lines.Add(new(subject, "slab-held", "Every stub upright, tied to a stake, capped, with a cord in it; 6 in over the finished floor",
            "good practice"));
        if (plan.Job.Service.FootingSteel && structure == plan.House.Room(plan.Job.Panels.First(p => p.FedFrom is null).Room).Structure)
        {
            lines.Add(new(subject, "footing", "The footing's steel is brought out where the electrode conductor comes",
                Cite(plan, RuleId.FootingSteel)));
        }

        lines.Add(new(subject, "photograph", "Photographed with a tape along it: nobody sees it again", "good practice"));
        return new($"The slab of {building.Name}", "", [.. lines]);
    }

    private static WalkStop WholeHouse(Plan plan)
    {
        var house = Subject.Structure(plan.House.Structures[0].Structure.Id);
        var lines = new List<WalkLine>
        {
            new(house, "dead", "Nothing is landed and nothing is live, where the authority says so", "the authority"),
        };
        if (Hardware.PlateCount(plan) is > 0 and var plates)
        {
            lines.Add(new(house, "plates", $"{plates} steel plates, one wherever a hole or a notch is too near to a face",
                Cite(plan, RuleId.NailPlate)));
        }

        if (Hardware.CaulkedCount(plan) is > 0 and var caulked)
        {
            lines.Add(new(house, "caulk", $"{caulked} {(caulked == 1 ? "hole" : "holes")} between two floors closed with what the fire "
                + "code lists", Cite(plan, RuleId.FireBlocking)));
        }

        lines.AddRange(plan.Panels.Select(p => new WalkLine(Subject.Panel(p.Panel.Id), "space",
            $"Panel {p.Panel.Id}: 30 in wide, 3 ft deep and 6-1/2 ft high in front of it are free, and stay so",
            Cite(plan, RuleId.WorkingSpace))));
        lines.AddRange(plan.Panels.SelectMany(p => p.Circuits).Where(c => c.HomeRun is not null).Select(c => new WalkLine(
            Subject.Circuit(c.Key), "gauge", $"{c.Panel}{c.SpaceText} {c.Description}: {c.Cable} for {c.Breaker}, label "
            + $"“HR {c.Panel}{c.SpaceText}”", Cite(plan, RuleId.ConductorProtection))));
        return new(House, "", [.. lines]);
    }

    private static WalkStop Trench(Plan plan, Trench trench)
    {
        var subject = Subject.Structure(trench.To);
        var name = plan.House.Structures.First(s => s.Structure.Id == trench.To).Structure.Name;
        var lines = new List<WalkLine>
        {
            new(subject, "depth", $"{trench.Depth} of earth over the cable or pipe, measured where it is least", Cite(plan,
                RuleId.BurialCover)),
            new(subject, "bed", "No stone on it; drawn loose, with slack at both ends; pipe glued before it is filled", "good practice"),
            new(subject, "emerging", "Guarded where it comes out of the earth, from 18 in below to 8 ft above", Cite(plan,
                RuleId.Emerging)),
            new(subject, "tape", "Warning tape a foot above it where it is a service; a photograph with two measures anywhere",
                Cite(plan, RuleId.WarningTape)),
        };
        if (trench.DataPipe is { } apart)
        {
            lines.Add(new(subject, "data", $"The data pipe {apart} away from power", Cite(plan, RuleId.DataInEarth)));
        }

        return new($"Trench to {name}", "", [.. lines]);
    }

    private static WalkStop Trim(Plan plan, FramedRoom room, string level, IReadOnlyList<PlacedBox> boxes)
    {
        var subject = Subject.Room(room.Room.Id);
        var lines = new List<WalkLine>();
        if (boxes.Count(b => b.HasGeneralReceptacle) is > 0 and var receptacles)
        {
            lines.Add(new(subject, "tester", $"{receptacles} {(receptacles == 1 ? "receptacle" : "receptacles")}: the plug-in tester shows "
                + "correct wiring at each", "the plan"));
            lines.Add(new(subject, "tamper", "Receptacles are tamper-resistant where that is asked", Cite(plan, RuleId.TamperResistant)));
        }

        foreach (var (box, circuit) in boxes.Select(b => (b, plan.CircuitOf(b.Box.Id)))
            .Where(x => x.Item2?.Devices.ContainsKey(x.b.Box.Id) == true))
        {
            var with = DeviceLives.GoesDead(plan, circuit!, box.Box.Id).Remove(box.Name);
            lines.Add(new(subject, $"trip-{box.Box.Id}", $"{box.Name}: its button makes it dead"
                + (with.IsEmpty ? "" : $", and with it {string.Join(", ", with)}"), Cite(plan, RuleId.GroundFault)));
        }

        if (boxes.Any(b => b.Box.Devices.Any(d => d.Kind.IsSwitch())))
        {
            lines.Add(new(subject, "switches", "Every switch works its lamps and no others, from every place", "the plan"));
        }

        if (boxes.Any(b => b.HasAlarm))
        {
            lines.Add(new(subject, "alarms", "The alarm's button sounds all of them", Cite(plan, RuleId.SmokeAlarms)));
        }

        lines.Add(new(subject, "plates", "Plates and covers on, no gap, no copper seen", "good practice"));
        return new(room.Room.Name, level, [.. lines]);
    }

    private static WalkStop TrimPanel(Plan plan, SiteRecord record, PanelSchedule panel)
    {
        var subject = Subject.Panel(panel.Panel.Id);
        var circuits = panel.Circuits.Where(c => c.HomeRun is not null).ToList();
        var open = circuits.Count(c => !record.Is(Subject.Circuit(c.Key), SiteStep.Torqued));
        return new($"Panel {panel.Panel.Id}", panel.Where,
        [
            new(subject, "torque", $"{circuits.Count} breakers and every bar screw to the torque that is marked on them",
                Cite(plan, RuleId.TerminalTorque))
            { NotReady = open == 0 ? null : $"{open} of {circuits.Count} not torqued by the record" },
            new(subject, "neutrals", plan.Job.BondsAt(panel.Panel)
                ? "Neutral and ground bonded here, by the screw or strap that came with it"
                : "Neutral and ground apart; the bonding screw is out", Cite(plan, RuleId.NeutralApart)),
            new(subject, "volts", $"From leg to leg {plan.Book.Supply.Between}, from each leg to neutral {plan.Book.Supply.ToNeutral}",
                "the plan"),
            new(subject, "directory", "The door sheet is this panel's, and every circuit on it was tried", Cite(plan, RuleId.Directory)),
        ]);
    }
}
